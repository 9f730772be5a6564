/** Lines with a width as what they cover: sides of lines stay lines, those of arcs arcs, and those of curves become as few curves as stay near enough. */
import { closeContour } from '../contour';
import { partOf } from '../cut';
import type { Contour, Segment } from '../outline';
import { minus, plus, unit, type Point } from '../point';
import { shareAt, type StrokeStyle } from '../stroke';
import { cubicAlong, directionAt, leftOf } from './along';
import { combined } from './combined';
import type { Curve } from './curve';
import {
  besides,
  closed,
  corner,
  curvesOf,
  DEEPEST,
  isSmooth,
  meet,
  positive,
  STRAY_PX,
  stretchAt,
  swept,
  type Beside,
} from './offset';

/** Curves are measured at so many places. */
const MEASURED = 32;

/** How far along a curve a parameter is, as shares of its length, and how long it is. */
function measured(curve: Curve): {
  length: number;
  shareOf: (t: number) => number;
  parameterOf: (share: number) => number;
} {
  const sums = [0];
  for (let k = 1; k <= MEASURED; k++) {
    const [p, q] = [curve.at((k - 1) / MEASURED), curve.at(k / MEASURED)];
    sums.push(sums[k - 1] + Math.hypot(...minus(q, p)));
  }
  const length = sums[MEASURED];
  const shareOf = (t: number): number => {
    const at = Math.min(MEASURED - 1, Math.floor(t * MEASURED));
    return length > 0 ? (sums[at] + (t * MEASURED - at) * (sums[at + 1] - sums[at])) / length : t;
  };
  const parameterOf = (share: number): number => {
    let at = 0;
    while (at < MEASURED - 1 && sums[at + 1] < share * length) at++;
    const step = sums[at + 1] - sums[at];
    return Math.max(0, Math.min(1, (at + (step > 0 ? (share * length - sums[at]) / step : 0)) / MEASURED));
  };
  return { length, shareOf, parameterOf };
}

/** A line to be widened: its curves one after the other, and half its width along each, from 0 to 1 of the whole length. */
interface Way {
  readonly curves: readonly Curve[];
  readonly closed: boolean;
  /** Half the width on a curve at a parameter. */
  readonly half: (curve: number, t: number) => number;
  /** Parameters at which the width of a curve begins to change otherwise. */
  readonly stops: (curve: number) => readonly number[];
}

function wayOf(contour: Contour, style: StrokeStyle): Way {
  const curves = curvesOf(contour.open ? contour : closeContour(contour)).filter((c) => isLong(c));
  const { profile } = style;
  const half = style.widthPx / 2;
  if (!profile?.length) return { curves, closed: !contour.open, half: () => half, stops: () => [] };
  const own = curves.map(measured);
  const total = own.reduce((sum, m) => sum + m.length, 0) || 1;
  const starts = own.map((_, k) => own.slice(0, k).reduce((sum, m) => sum + m.length, 0));
  return {
    curves,
    closed: !contour.open,
    half: (k, t) => half * Math.max(0, shareAt(profile, (starts[k] + own[k].shareOf(t) * own[k].length) / total)),
    stops: (k) =>
      profile
        .map((stop) => (stop.at * total - starts[k]) / (own[k].length || 1))
        .filter((share) => share > 1e-6 && share < 1 - 1e-6)
        .map((share) => own[k].parameterOf(share)),
  };
}

const isLong = ({ from, segment }: Curve): boolean =>
  Math.hypot(...minus(segment.to, from)) > 1e-9 ||
  (segment.kind === 'curve' && Math.hypot(...minus(segment.c1, from)) + Math.hypot(...minus(segment.c2, from)) > 1e-9);

/** What comes beside a curve where the width changes along it, on the side that a sign says: left is 1. */
function besidesChanging(curve: Curve, half: (t: number) => number, stops: readonly number[], side: 1 | -1): Beside[] {
  const at = (t: number): Point => plus(curve.at(t), leftOf(directionAt(curve, t)), side * half(t));
  const out: Beside[] = [];
  const line = (t0: number, t1: number): Beside => ({
    t0,
    t1,
    outer: { start: at(t0), segment: { kind: 'line', to: at(t1) } },
  });
  const cuts = [0, ...stops, 1];
  const fit = (t0: number, t1: number, depth: number): void => {
    if (stretchAt(curve, (t0 + t1) / 2, side * half((t0 + t1) / 2)) <= 0) {
      out.push({ t0, t1, outer: null });
      return;
    }
    // A little inside, so that a stop at an end does not turn the direction there.
    const h = 1e-4 * (t1 - t0);
    const direction = (t: number): Point => {
      const [a, b] = [Math.max(t0, t - h), Math.min(t1, t + h)];
      return unit(minus(at(b), at(a)));
    };
    const { start, segment, stray } = cubicAlong(at, direction, t0, t1);
    if (stray < STRAY_PX || depth === DEEPEST) out.push({ t0, t1, outer: { start, segment } });
    else {
      fit(t0, (t0 + t1) / 2, depth + 1);
      fit((t0 + t1) / 2, t1, depth + 1);
    }
  };
  for (let k = 1; k < cuts.length; k++) {
    if (cuts[k] - cuts[k - 1] < 1e-9) continue;
    if (curve.segment.kind === 'line') out.push(line(cuts[k - 1], cuts[k]));
    else fit(cuts[k - 1], cuts[k], 0);
  }
  return out;
}

/** What a cap covers beyond an end of a line, in the direction in which it would go on. */
function cap(end: Point, way: Point, half: number, kind: StrokeStyle['cap']): Contour | null {
  if (kind === 'butt' || half <= 0) return null;
  const [left, right] = [plus(end, leftOf(way), half), plus(end, leftOf(way), -half)];
  if (kind === 'round') return closed(left, [{ kind: 'arc', radius: half, large: false, clockwise: true, to: right }]);
  const line = (to: Point): Segment => ({ kind: 'line', to });
  return closed(left, [line(plus(left, way, half)), line(plus(right, way, half)), line(right)]);
}

/** Dashes of an outline, each with where on the whole length it lies. */
function dashesOf(
  contour: Contour,
  dash: readonly number[],
  offset: number,
): { contour: Contour; from: number; to: number }[] {
  const pattern = dash.length % 2 ? [...dash, ...dash] : dash;
  const period = pattern.reduce((sum, d) => sum + d, 0);
  const curves = curvesOf(contour.open ? contour : closeContour(contour)).filter((c) => isLong(c));
  const own = curves.map(measured);
  const total = own.reduce((sum, m) => sum + m.length, 0);
  const whole = [{ contour, from: 0, to: 1 }];
  if (!(period > 0) || pattern.some((d) => d < 0) || !(total > 0) || total / period > DASHES_MOST) return whole;
  const out: { contour: Contour; from: number; to: number }[] = [];
  const between = (from: number, to: number): void => {
    let passed = 0;
    let start: Point | null = null;
    const segments: Segment[] = [];
    curves.forEach((curve, k) => {
      const [a, b] = [Math.max(0, from - passed), Math.min(own[k].length, to - passed)];
      passed += own[k].length;
      if (b - a <= 1e-9) return;
      const [t0, t1] = [a, b].map((d) => own[k].parameterOf(d / own[k].length));
      const part = partOf(curve.from, curve.segment, t0, t1);
      start ??= part.start;
      segments.push(part.segment);
    });
    if (start) out.push({ contour: { start, segments, open: true }, from: from / total, to: to / total });
  };
  let k = 0;
  let at = -(((offset % period) + period) % period);
  while (at < total) {
    const end = at + pattern[k];
    if (k % 2 === 0 && end > 0) between(Math.max(0, at), Math.min(total, end));
    at = end;
    k = (k + 1) % pattern.length;
  }
  return out;
}
/** A pattern far too fine to be seen would make millions of dashes. */
const DASHES_MOST = 20_000;

/** The profile of a part of a line, as a profile of its own. */
const profileOf = ({ profile }: StrokeStyle, from: number, to: number): StrokeStyle['profile'] =>
  profile?.length
    ? [
        { at: 0, share: shareAt(profile, from) },
        ...profile
          .filter((s) => s.at > from && s.at < to)
          .map((s) => ({ at: (s.at - from) / (to - from), share: s.share })),
        { at: 1, share: shareAt(profile, to) },
      ]
    : undefined;

/**
 * What a line along outlines covers, as contours by the non-zero rule: what normals of half its width cover on both sides, what joins fill at corners, and caps. Its sides stray
 * by a fortieth of a pixel at most. None where it has no width. Throws a CombineError.
 */
export function widened(contours: readonly Contour[], style: StrokeStyle): Contour[] {
  const band: Contour[] = [];
  const add = (contour: Contour | null): void => {
    const one = contour && positive(contour);
    if (one) band.push(one);
  };
  if (!(style.widthPx > 0)) return [];
  const { dash, dashOffset = 0, ...solid } = style;
  for (const contour of contours) {
    if (!dash?.length) widen(contour, solid, add);
    else
      for (const part of dashesOf(contour, dash, dashOffset))
        widen(part.contour, { ...solid, profile: profileOf(style, part.from, part.to) }, add);
  }
  return band.length ? combined('unite', [{ contours: band }]) : [];
}

function widen(contour: Contour, style: StrokeStyle, add: (contour: Contour | null) => void): void {
  const { curves, closed: around, half, stops } = wayOf(contour, style);
  const last = curves.length - 1;
  if (last < 0) {
    // A line of no length shows by its caps alone.
    for (const way of [[1, 0], [-1, 0]] as const) add(cap(contour.start, way, style.widthPx / 2, style.cap)); // prettier-ignore
    return;
  }
  for (const side of [1, -1] as const) {
    const parts = curves.map((curve, k) =>
      style.profile?.length
        ? besidesChanging(curve, (t) => half(k, t), stops(k), side)
        : besides(curve, side * half(k, 0)),
    );
    curves.forEach((curve, k) => {
      if (k === last && !around) return;
      const next = k === last ? 0 : k + 1;
      const left = side * half(k, 1);
      const [before, after] = [directionAt(curve, 1), directionAt(curves[next], 0)];
      const [ends, begins] = [parts[k][parts[k].length - 1], parts[next][0]];
      if (isSmooth(before, after) && ends.outer && begins.outer)
        meet(parts[k], parts[next], curve.segment.to, before, after, left);
      else if (left !== 0) add(corner(curve.segment.to, before, after, left, style.join, style.mitreLimit));
    });
    curves.forEach((curve, k) =>
      parts[k].forEach((part) => add(swept(curve, part, side * half(k, (part.t0 + part.t1) / 2)))),
    );
  }
  if (around) return;
  add(cap(curves[0].from, unit(minus([0, 0], directionAt(curves[0], 0))), half(0, 0), style.cap));
  add(cap(curves[last].segment.to, directionAt(curves[last], 1), half(last, 1), style.cap));
}
