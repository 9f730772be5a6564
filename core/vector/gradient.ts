import { hexToOklab, hexToRgb, oklabToHex, rgbToHex, type Rgb } from '../colour';
import { mapPoint, type Affine, type Point } from './path';

/** A colour on the way through a gradient; `at` is 0 where it starts and 1 where it ends. */
export interface GradientStop {
  readonly at: number;
  readonly hex: string;
}

/**
 * A change of colour over an area, mixed in sRGB as SVG does: 'linear' from one point straight to another, 'radial' from a centre outwards to the
 * circle through another. Points are in the artwork's pixels; before the first stop and after the last, those colours go on.
 */
export interface Gradient {
  readonly kind: 'linear' | 'radial';
  readonly from: Point;
  readonly to: Point;
  /** Two or more, by rising `at`. */
  readonly stops: readonly GradientStop[];
}

/** Where a point lies in a gradient: 0 at its start, 1 at its end, beyond them outside. */
export function placeIn({ kind, from, to }: Pick<Gradient, 'kind' | 'from' | 'to'>): (x: number, y: number) => number {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const square = dx * dx + dy * dy || 1;
  if (kind === 'linear') return (x, y) => ((x - from[0]) * dx + (y - from[1]) * dy) / square;
  const radius = Math.sqrt(square);
  return (x, y) => Math.hypot(x - from[0], y - from[1]) / radius;
}

/** The colour of a gradient at each point, in levels of sRGB. */
export function paintOf(gradient: Gradient): (x: number, y: number) => Rgb {
  const place = placeIn(gradient);
  const stops = gradient.stops.map(({ at, hex }) => ({ at, rgb: hexToRgb(hex) }));
  const last = stops.length - 1;
  return (x, y) => {
    const t = place(x, y);
    if (!(t > stops[0].at)) return stops[0].rgb;
    if (t >= stops[last].at) return stops[last].rgb;
    let k = 1;
    while (stops[k].at < t) k++;
    const [p, q] = [stops[k - 1], stops[k]];
    const s = (t - p.at) / (q.at - p.at || 1);
    return [
      p.rgb[0] + s * (q.rgb[0] - p.rgb[0]),
      p.rgb[1] + s * (q.rgb[1] - p.rgb[1]),
      p.rgb[2] + s * (q.rgb[2] - p.rgb[2]),
    ];
  };
}

/** A gradient moved with its artwork; the map keeps shapes (it turns, mirrors, moves and scales alike in all directions). */
export const mapGradient = (map: Affine, gradient: Gradient): Gradient => ({
  ...gradient,
  from: mapPoint(map, gradient.from),
  to: mapPoint(map, gradient.to),
});

/** All stops moved in OKLab as one colour is moved to another, so that the change from light to dark stays. */
export function tinted(gradient: Gradient, fromHex: string, toHex: string): Gradient {
  const [p, q] = [hexToOklab(fromHex), hexToOklab(toHex)];
  return {
    ...gradient,
    stops: gradient.stops.map(({ at, hex }) => {
      const { L, a, b } = hexToOklab(hex);
      const moved = { L: Math.max(0, Math.min(1, L + q.L - p.L)), a: a + q.a - p.a, b: b + q.b - p.b };
      return { at, hex: oklabToHex(moved) };
    }),
  };
}

/** The mean colour of a gradient from its first stop to its last. */
export function meanHex({ stops }: Gradient): string {
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
export const swatchOf = ({ stops }: Gradient): string =>
  `linear-gradient(to right, ${stops.map(({ at, hex }) => `${hex} ${Math.round(at * 100)}%`).join(', ')})`;
