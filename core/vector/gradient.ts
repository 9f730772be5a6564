import { hexToOklab, hexToRgb, mix, oklabToHex, rgbToHex, type Rgb } from '../colour';
import { compose, inverse, mapPoint, similarity, type Affine, type Point } from '../path';

/** A colour on the way through a gradient; `at` is 0 where it starts and 1 where it ends. */
export interface GradientStop {
  readonly at: number;
  readonly hex: string;
  /** 0..1; 1 when left out. */
  readonly opacity?: number;
}

/**
 * A change of colour over an area: 'linear' from one point straight to another, 'radial' from a centre outwards to the circle through another. Before the
 * first stop and after the last, those colours go on, unless it is said to come again. It is mixed in sRGB as SVG does, unless it is said to be in OKLab.
 */
export interface Gradient {
  readonly kind: 'linear' | 'radial';
  readonly from: Point;
  readonly to: Point;
  /** Two or more, by rising `at`. */
  readonly stops: readonly GradientStop[];
  /** Of a radial one, where its first colour lies; its centre when left out. */
  readonly focus?: Point;
  /** From the coordinates of its points to those it is drawn in, where it is squeezed or slanted. */
  readonly transform?: Affine;
  /** How it goes on beyond its ends: its end colours, when left out. */
  readonly spread?: 'reflect' | 'repeat';
  /** Between its stops colours are mixed in OKLab, evenly to the eye; what draws it is told so many more stops (see `spelledOut`). */
  readonly mixed?: 'oklab';
}

/** Levels of sRGB by which a spelled-out gradient may be off the way through OKLab. */
const OFF_LEVELS = 0.75;
/** A stretch between two stops is cut at most so often in half. */
const CUT_MOST = 5;
/** Where between two stops that is looked at. */
const PROBES = [0.25, 0.5, 0.75];

/** A gradient in OKLab as one that is mixed in sRGB, with as many more stops as that takes to look the same (within one level of 255 at 99 places of 100, within five where sRGB ends); others as they are. */
export function spelledOut(gradient: Gradient): Gradient {
  if (!gradient.mixed) return gradient;
  const { mixed: _mixed, stops, ...rest } = gradient;
  const out: GradientStop[] = [stops[0]];
  const between = (p: GradientStop, q: GradientStop, t: number): GradientStop => ({
    at: p.at + t * (q.at - p.at),
    hex: mix(p.hex, q.hex, t),
    ...(p.opacity === undefined && q.opacity === undefined
      ? {}
      : { opacity: (p.opacity ?? 1) + t * ((q.opacity ?? 1) - (p.opacity ?? 1)) }),
  });
  const add = (p: GradientStop, q: GradientStop, a: number, b: number, cuts: number): void => {
    const at = (t: number): Rgb => hexToRgb(mix(p.hex, q.hex, a + t * (b - a)));
    const [from, to] = [at(0), at(1)];
    const off = Math.max(...PROBES.flatMap((t) => at(t).map((v, c) => Math.abs(v - from[c] - t * (to[c] - from[c])))));
    if (cuts > 0 && off > OFF_LEVELS) {
      add(p, q, a, (a + b) / 2, cuts - 1);
      add(p, q, (a + b) / 2, b, cuts - 1);
    } else out.push(b === 1 ? q : between(p, q, b));
  };
  for (let k = 1; k < stops.length; k++)
    if (stops[k].at > stops[k - 1].at) add(stops[k - 1], stops[k], 0, 1, CUT_MOST);
    else out.push(stops[k]);
  return { ...rest, stops: out };
}

/** Where a point lies in a gradient: 0 at its start, 1 at its end, beyond them outside. */
export function placeIn(
  gradient: Pick<Gradient, 'kind' | 'from' | 'to' | 'focus' | 'transform'>,
): (x: number, y: number) => number {
  const { kind, from, to, focus, transform } = gradient;
  if (transform) {
    const back = inverse(transform);
    const inner = placeIn({ kind, from, to, focus });
    return back ? (x, y) => inner(...mapPoint(back, [x, y])) : () => 1;
  }
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const square = dx * dx + dy * dy || 1;
  if (kind === 'linear') return (x, y) => ((x - from[0]) * dx + (y - from[1]) * dy) / square;
  const radius = Math.sqrt(square);
  if (!focus) return (x, y) => Math.hypot(x - from[0], y - from[1]) / radius;
  // Of the circles between the focus and the outer one, the one through the point (SVG 1.1, 13.2.3); a focus outside is moved onto the edge.
  let [fx, fy] = [(focus[0] - from[0]) / radius, (focus[1] - from[1]) / radius];
  const out = Math.hypot(fx, fy);
  if (out > 0.999) [fx, fy] = [(fx / out) * 0.999, (fy / out) * 0.999];
  const c = fx * fx + fy * fy - 1;
  return (x, y) => {
    const [px, py] = [(x - from[0]) / radius - fx, (y - from[1]) / radius - fy];
    const a = px * px + py * py;
    if (a === 0) return 0;
    // The ray from the focus through the point meets the circle at 1 / t.
    const b = px * fx + py * fy;
    const reach = (-b + Math.sqrt(Math.max(0, b * b - a * c))) / a;
    return reach > 0 ? 1 / reach : 1;
  };
}

/** A place brought back between 0 and 1 as a gradient goes on beyond its ends. */
function spreadTo(t: number, spread: Gradient['spread']): number {
  if (spread === 'repeat') return t - Math.floor(t);
  if (spread === 'reflect') {
    const u = Math.abs(t) % 2;
    return u > 1 ? 2 - u : u;
  }
  return t;
}

/** Between which two of a gradient's stops each point lies, and how far from the first to the second. */
function betweenStops({ stops, spread, ...gradient }: Gradient): (x: number, y: number) => [number, number, number] {
  const place = placeIn(gradient);
  const last = stops.length - 1;
  return (x, y) => {
    const t = spreadTo(place(x, y), spread);
    if (!(t > stops[0].at)) return [0, 0, 0];
    if (t >= stops[last].at) return [last, last, 0];
    let k = 1;
    while (stops[k].at < t) k++;
    return [k - 1, k, (t - stops[k - 1].at) / (stops[k].at - stops[k - 1].at || 1)];
  };
}

/** The colour of a gradient at each point, in levels of sRGB. */
export function colourIn(asked: Gradient): (x: number, y: number) => Rgb {
  const gradient = spelledOut(asked);
  const between = betweenStops(gradient);
  const colours = gradient.stops.map((s) => hexToRgb(s.hex));
  return (x, y) => {
    const [a, b, s] = between(x, y);
    if (s === 0) return colours[a];
    const [p, q] = [colours[a], colours[b]];
    return [p[0] + s * (q[0] - p[0]), p[1] + s * (q[1] - p[1]), p[2] + s * (q[2] - p[2])];
  };
}

/** The colour of a gradient at each point, and as a fourth number its opacity 0..1. */
export function shadeIn(asked: Gradient): (x: number, y: number) => readonly [number, number, number, number] {
  const gradient = spelledOut(asked);
  const [between, colour] = [betweenStops(gradient), colourIn(gradient)];
  const opacities = gradient.stops.map((s) => s.opacity ?? 1);
  return (x, y) => {
    const [a, b, s] = between(x, y);
    const [r, g, blue] = colour(x, y);
    return [r, g, blue, opacities[a] + s * (opacities[b] - opacities[a])];
  };
}

/** A gradient under a map; what the map squeezes or slants is kept as a transform of its own. */
export function mapGradient(map: Affine, gradient: Gradient): Gradient {
  if (gradient.transform || !similarity(map))
    return { ...gradient, transform: gradient.transform ? compose(gradient.transform, map) : map };
  return {
    ...gradient,
    from: mapPoint(map, gradient.from),
    to: mapPoint(map, gradient.to),
    ...(gradient.focus ? { focus: mapPoint(map, gradient.focus) } : {}),
  };
}

/** All stops moved in OKLab as one colour is moved to another, so that the change from light to dark stays. */
export function tinted(gradient: Gradient, fromHex: string, toHex: string): Gradient {
  const [p, q] = [hexToOklab(fromHex), hexToOklab(toHex)];
  return {
    ...gradient,
    stops: gradient.stops.map((stop) => {
      const { L, a, b } = hexToOklab(stop.hex);
      const moved = { L: Math.max(0, Math.min(1, L + q.L - p.L)), a: a + q.a - p.a, b: b + q.b - p.b };
      return { ...stop, hex: oklabToHex(moved) };
    }),
  };
}

/** The mean colour of a gradient from its first stop to its last. */
export function meanHex(gradient: Gradient): string {
  const { stops } = spelledOut(gradient);
  const sums = [0, 0, 0];
  const length = stops[stops.length - 1].at - stops[0].at;
  if (!(length > 0)) return stops[0].hex;
  for (let k = 1; k < stops.length; k++) {
    const [p, q] = [hexToRgb(stops[k - 1].hex), hexToRgb(stops[k].hex)];
    for (let c = 0; c < 3; c++) sums[c] += (((p[c] + q[c]) / 2) * (stops[k].at - stops[k - 1].at)) / length;
  }
  return rgbToHex([sums[0], sums[1], sums[2]]);
}

/** A gradient as CSS draws it from left to right: for swatches. */
export const swatchOf = (gradient: Gradient): string =>
  `linear-gradient(to right, ${spelledOut(gradient)
    .stops.map(({ at, hex, opacity = 1 }) => `rgb(${hexToRgb(hex).join(' ')} / ${opacity}) ${Math.round(at * 100)}%`)
    .join(', ')})`;
