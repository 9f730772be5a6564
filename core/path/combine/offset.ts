/** Areas grown or shrunk: lines stay lines, arcs arcs, and curves become as few as stay near enough. */
import { signedArea, flatten, reverseContour } from '../contour';
import { partOf } from '../cut';
import type { Contour, Segment } from '../outline';
import { cross, dot, minus, plus, unit, type Point } from '../point';
import type { Enclosed } from './arrange';
import { cubicAlong, directionAt, leftOf, type Along } from './along';
import { curveOf, type Curve } from './curve';
import { combined } from './combined';

/** How outer corners are made. */
export type OffsetJoin = 'round' | 'mitre' | 'bevel';

/** How far a curve may stray from the true distance, in pixels. */
export const STRAY_PX = 0.025;
/** A curve is halved no more often than this. */
export const DEEPEST = 16;
/** Corners that turn by less than this, in radians, are smooth. */
const SMOOTH = 0.06;
/** Whether a way goes on without a corner. */
export const isSmooth = (before: Point, after: Point): boolean =>
  Math.abs(cross(before, after)) < SMOOTH && dot(before, after) > 0;
/** A mitre longer than so many times the distance is cut off. */
const MITRE_LIMIT = 4;

/** What comes beside a part of an outline: its outer line, or null where the part bends within the distance. */
export interface Beside {
  readonly t0: number;
  readonly t1: number;
  readonly outer: { readonly start: Point; readonly segment: Segment } | null;
}

/** How much faster a point at a distance to the left runs than the curve does; less than nothing where the curve bends within it. */
export function stretchAt(curve: Curve, t: number, left: number): number {
  const h = 1e-4;
  const [a, b] = [Math.max(0, t - h), Math.min(1, t + h)];
  const [p, q] = [curve.speed(a), curve.speed(b)];
  const d = curve.speed(t);
  const fast = Math.hypot(...d);
  if (fast < 1e-9) return 1;
  const bend = cross(d, [(q[0] - p[0]) / (b - a), (q[1] - p[1]) / (b - a)]) / fast ** 3;
  return 1 + left * bend;
}

/** One cubic along what lies at a distance to the left of a part of a curve, and how far it strays from that. */
const fitted = (curve: Curve, t0: number, t1: number, left: number): Along =>
  cubicAlong(
    (t) => plus(curve.at(t), leftOf(directionAt(curve, t)), left),
    (t) => directionAt(curve, t),
    t0,
    t1,
  );

/** What comes beside a segment, at a distance to its left. */
export function besides(curve: Curve, left: number): Beside[] {
  const { from, segment } = curve;
  if (segment.kind === 'line') {
    const by = leftOf(directionAt(curve, 0));
    return [{ t0: 0, t1: 1, outer: { start: plus(from, by, left), segment: { kind: 'line', to: plus(segment.to, by, left) } } }]; // prettier-ignore
  }
  if (segment.kind === 'arc') {
    const [p0, p1] = [directionAt(curve, 0), directionAt(curve, 1)];
    // To the left of what runs clockwise is outwards.
    const radius = segment.radius + (segment.clockwise ? left : -left);
    if (radius <= 1e-6) return [{ t0: 0, t1: 1, outer: null }];
    return [
      {
        t0: 0,
        t1: 1,
        outer: {
          start: plus(from, leftOf(p0), left),
          segment: { ...segment, radius, to: plus(segment.to, leftOf(p1), left) },
        },
      },
    ];
  }
  const cuts = [0];
  const N = 32;
  let before = stretchAt(curve, 0, left);
  for (let k = 1; k <= N; k++) {
    const now = stretchAt(curve, k / N, left);
    if (before > 0 !== now > 0) {
      let [lo, hi] = [(k - 1) / N, k / N];
      for (let turn = 0; turn < 40; turn++) {
        const t = (lo + hi) / 2;
        if (stretchAt(curve, t, left) > 0 === before > 0) lo = t;
        else hi = t;
      }
      cuts.push((lo + hi) / 2);
    }
    before = now;
  }
  cuts.push(1);
  const out: Beside[] = [];
  const fit = (t0: number, t1: number, depth: number): void => {
    const { start, segment: outer, stray } = fitted(curve, t0, t1, left);
    if (stray < STRAY_PX || depth === DEEPEST) out.push({ t0, t1, outer: { start, segment: outer } });
    else {
      fit(t0, (t0 + t1) / 2, depth + 1);
      fit((t0 + t1) / 2, t1, depth + 1);
    }
  };
  for (let k = 1; k < cuts.length; k++) {
    const [t0, t1] = [cuts[k - 1], cuts[k]];
    if (t1 - t0 < 1e-9) continue;
    if (stretchAt(curve, (t0 + t1) / 2, left) > 0) fit(t0, t1, 0);
    else out.push({ t0, t1, outer: null });
  }
  return out;
}

export const closed = (start: Point, segments: readonly Segment[]): Contour => ({ start, segments: [...segments, { kind: 'line', to: start }] }); // prettier-ignore

/** An outline run so that it counts for one wherever it is. */
export function positive(contour: Contour): Contour | null {
  const size = signedArea(flatten(contour, 0.01));
  if (Math.abs(size) < 1e-9) return null;
  return size > 0 ? contour : reverseContour(contour);
}

/** What normals of a length to the left of a part of a curve cover, up to where they meet those beside them. */
export function swept(curve: Curve, { t0, t1, outer }: Beside, left: number): Contour {
  const { start, segment } = partOf(curve.from, curve.segment, t0, t1);
  if (outer) {
    const back = reverseContour({ start: outer.start, segments: [outer.segment] });
    return closed(start, [segment, { kind: 'line', to: back.start }, ...back.segments]);
  }
  // Beyond the middle of a bend something else is nearer: what is covered ends there.
  const N = 8;
  const ends = Array.from({ length: N + 1 }, (_, k): Segment => {
    const t = t1 + (k / N) * (t0 - t1);
    const shorter = left / Math.max(1, 1 - stretchAt(curve, t, left));
    return { kind: 'line', to: plus(curve.at(t), leftOf(directionAt(curve, t)), shorter) };
  });
  return closed(start, [segment, ...ends]);
}

/** What fills the gap at a corner, between the ends of two normals. */
export function corner(
  at: Point,
  before: Point,
  after: Point,
  left: number,
  join: OffsetJoin,
  mitreLimit = MITRE_LIMIT,
): Contour | null {
  const turn = cross(before, after) * Math.sign(left);
  const straight = dot(before, after);
  // Towards the left there is a gap where it turns to the right.
  if (turn <= 0 && straight > -1 + 1e-9) return null;
  const [p, q] = [plus(at, leftOf(before), left), plus(at, leftOf(after), left)];
  if (join === 'round')
    return closed(at, [
      { kind: 'line', to: p },
      { kind: 'arc', radius: Math.abs(left), large: false, clockwise: left > 0, to: q },
    ]);
  const half = Math.sqrt(Math.max(0, (1 + straight) / 2));
  if (join === 'mitre' && half > 1 / mitreLimit) {
    const middle = unit([p[0] + q[0] - 2 * at[0], p[1] + q[1] - 2 * at[1]]);
    const tip = plus(at, middle, Math.abs(left) / half);
    return closed(
      at,
      [p, tip, q].map((to): Segment => ({ kind: 'line', to })),
    );
  }
  return closed(at, [p, q].map((to): Segment => ({ kind: 'line', to }))); // prettier-ignore
}

/**
 * An area grown by a distance in pixels, or shrunk where that is below 0, as contours by the non-zero rule; none where nothing is left. What lies within the distance of
 * the outline is what normals of that length cover, and discs about corners; that is added, or taken away. Curves stray by a fortieth of a pixel at most. Throws a CombineError.
 */
export function offsetOf(area: Enclosed, byPx: number, join: OffsetJoin = 'round'): Contour[] {
  const outline = combined('unite', [area]);
  if (byPx === 0) return outline;
  // What is enclosed lies to the right, so what lies beside it to the left.
  const left = byPx;
  const band: Contour[] = [];
  const add = (contour: Contour | null): void => {
    const one = contour && positive(contour);
    if (one) band.push(one);
  };
  for (const contour of outline) {
    const curves = curvesOf(contour);
    const parts = curves.map((curve) => besides(curve, left));
    curves.forEach((curve, k) => {
      const next = (k + 1) % curves.length;
      const [before, after] = [directionAt(curve, 1), directionAt(curves[next], 0)];
      const [ends, begins] = [parts[k][parts[k].length - 1], parts[next][0]];
      if (isSmooth(before, after) && ends.outer && begins.outer)
        meet(parts[k], parts[next], curve.segment.to, before, after, left);
      else add(corner(curve.segment.to, before, after, left, join));
    });
    curves.forEach((curve, k) => parts[k].forEach((part) => add(swept(curve, part, left))));
  }
  return combined(byPx > 0 ? 'unite' : 'subtract', [{ contours: outline }, { contours: band }]);
}

export function curvesOf({ start, segments }: Contour): Curve[] {
  let from = start;
  return segments.map((segment) => {
    const curve = curveOf(from, segment);
    from = segment.to;
    return curve;
  });
}

/** Has the outer lines of two parts that go on smoothly end in one place. */
export function meet(parts: Beside[], next: Beside[], at: Point, before: Point, after: Point, left: number): void {
  const middle = unit([before[0] + after[0], before[1] + after[1]]);
  const place = plus(at, leftOf(middle), left);
  const last = parts.length - 1;
  const { outer } = parts[last];
  if (outer) {
    const by = minus(place, outer.segment.to);
    const segment: Segment =
      outer.segment.kind === 'curve'
        ? { ...outer.segment, c2: plus(outer.segment.c2, by), to: place }
        : { ...outer.segment, to: place };
    parts[last] = { ...parts[last], outer: { ...outer, segment } };
  }
  const first = next[0].outer;
  if (first) {
    const by = minus(place, first.start);
    const segment: Segment = first.segment.kind === 'curve' ? { ...first.segment, c1: plus(first.segment.c1, by) } : first.segment; // prettier-ignore
    next[0] = { ...next[0], outer: { start: place, segment } };
  }
}
