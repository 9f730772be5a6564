/** Gradients as a designer changes them: begun from a colour, turned into the other kind, their stops added, moved, taken out. */
import { hexToOklch, oklchToHex, rgbToHex } from '../colour';
import { mapPoint, plus, type Affine, type Box, type Point } from '../path';
import { shadeIn, type Gradient, type GradientStop } from './gradient';

/** Lighter above, darker below, by so much of OKLab's lightness each. */
const LIGHTER = 0.07;

const sorted = (stops: readonly GradientStop[]): GradientStop[] => [...stops].sort((p, q) => p.at - q.at);

/** A gradient over a box: a colour a little lighter at the top, or in the middle, going over to it a little darker. */
export function gradientOver({ x, y, width, height }: Box, kind: Gradient['kind'], hex: string): Gradient {
  const lch = hexToOklch(hex);
  const at = (by: number): string => oklchToHex({ ...lch, L: Math.max(0, Math.min(1, lch.L + by)) });
  const stops = [
    { at: 0, hex: at(LIGHTER) },
    { at: 1, hex: at(-LIGHTER) },
  ];
  const middle: Point = [x + width / 2, y + height / 2];
  return kind === 'linear'
    ? { kind, from: [middle[0], y], to: [middle[0], y + height], stops, mixed: 'oklab' }
    : { kind, from: middle, to: [middle[0] + Math.max(width, height, 1e-3) / 2, middle[1]], stops, mixed: 'oklab' };
}

/** A gradient as the other kind over the same box, with the same stops. */
export function asKind(gradient: Gradient, kind: Gradient['kind'], box: Box): Gradient {
  if (gradient.kind === kind) return gradient;
  const { stops, mixed } = gradient;
  return { ...gradientOver(box, kind, stops[0].hex), stops, ...(mixed ? { mixed } : {}) };
}

/** The place of a share of the way from a gradient's start to its end, and the same under what it is drawn by. */
export function placeAt({ from, to, transform }: Gradient, at: number): Point {
  const place: Point = [from[0] + at * (to[0] - from[0]), from[1] + at * (to[1] - from[1])];
  return transform ? mapPoint(transform, place) : place;
}

/** The colour of a gradient at a share of its way, as a stop there. */
export function stopAt(gradient: Gradient, at: number): GradientStop {
  const { focus: _focus, transform: _transform, spread: _spread, ...plain } = gradient;
  const [r, g, b, opacity] = shadeIn(plain)(...placeAt(plain, at));
  return { at, hex: rgbToHex([r, g, b]), ...(opacity < 1 ? { opacity: Number(opacity.toFixed(4)) } : {}) };
}

/** A gradient with one more stop, of the colour that it has there: it looks as before. */
export const withStop = (gradient: Gradient, at: number): Gradient => ({
  ...gradient,
  stops: sorted([...gradient.stops, stopAt(gradient, at)]),
});

/** Where one more stop helps most: in the middle of the longest stretch between two. */
export function roomiestPlace({ stops }: Gradient): number {
  let [best, room] = [0.5, 0];
  for (let k = 1; k < stops.length; k++) {
    const own = stops[k].at - stops[k - 1].at;
    if (own > room) [best, room] = [(stops[k].at + stops[k - 1].at) / 2, own];
  }
  return Number(best.toFixed(4));
}

/** A gradient with a stop changed; it stays between its neighbours. */
export function withStopAs(gradient: Gradient, index: number, change: Partial<GradientStop>): Gradient {
  const { stops } = gradient;
  const [low, high] = [stops[index - 1]?.at ?? 0, stops[index + 1]?.at ?? 1];
  const own = { ...stops[index], ...change };
  const stop = { ...own, at: Math.max(low, Math.min(high, own.at)) };
  if (stop.opacity === 1) delete (stop as { opacity?: number }).opacity;
  return { ...gradient, stops: stops.map((s, k) => (k === index ? stop : s)) };
}

/** A gradient without a stop; two stay. */
export const withoutStop = (gradient: Gradient, index: number): Gradient =>
  gradient.stops.length > 2 ? { ...gradient, stops: gradient.stops.filter((_, k) => k !== index) } : gradient;

/** A gradient with its stops the other way round. */
export const turnedRound = (gradient: Gradient): Gradient => ({
  ...gradient,
  stops: gradient.stops.map((s) => ({ ...s, at: 1 - s.at })).reverse(),
});

/** A gradient with an end moved; of a round one the circle goes with its middle. The place is in the gradient's own coordinates. */
export function withEndAt(gradient: Gradient, end: 'from' | 'to', place: Point): Gradient {
  const { from, to } = gradient;
  if (gradient.kind === 'linear' || end === 'to') {
    const other = end === 'from' ? to : from;
    // Ends in one place are no gradient: then it stays as it is.
    return Math.hypot(place[0] - other[0], place[1] - other[1]) < 1e-6 ? gradient : { ...gradient, [end]: place };
  }
  const by: Point = [place[0] - from[0], place[1] - from[1]];
  return {
    ...gradient,
    from: place,
    to: plus(to, by),
    ...(gradient.focus ? { focus: plus(gradient.focus, by) } : {}),
  };
}

/** Handles of a gradient under the map by which it is drawn: its ends, and its stops between them by number. */
export function gradientHandles(
  gradient: Gradient,
  map: Affine,
): { readonly name: 'from' | 'to' | number; readonly at: Point }[] {
  const on = (at: number): Point => mapPoint(map, placeAt(gradient, at));
  return [
    ...gradient.stops.flatMap((s, k) => (s.at > 1e-4 && s.at < 1 - 1e-4 ? [{ name: k, at: on(s.at) }] : [])),
    { name: 'from', at: on(0) },
    { name: 'to', at: on(1) },
  ];
}
