/** Outlines cut in half along an axis, and a half drawn as a whole. */
import {
  arcGeometry,
  compose,
  joined,
  partOf,
  pointAt,
  turnAbout,
  type Affine,
  type Contour,
  type Point,
  type Segment,
} from '../path';

/** Part of a segment, with where it starts. */
interface Bit {
  readonly from: Point;
  readonly segment: Segment;
}

const near = (p: Point, q: Point, by = 1e-6): boolean => Math.abs(p[0] - q[0]) < by && Math.abs(p[1] - q[1]) < by;

/** Where along a segment, 0..1, it crosses x = 0. */
function crossings(from: Point, s: Segment): number[] {
  const out: number[] = [];
  if (s.kind === 'line') {
    if (from[0] * s.to[0] < 0) out.push(from[0] / (from[0] - s.to[0]));
  } else if (s.kind === 'arc') {
    const g = arcGeometry(from, s);
    if (Math.abs(g.cx) < g.radius)
      for (const side of [1, -1]) {
        const angle = side * Math.acos(-g.cx / g.radius);
        for (const full of [-2 * Math.PI, 0, 2 * Math.PI]) {
          const t = (angle + full - g.startRad) / g.sweepRad;
          if (t > 1e-6 && t < 1 - 1e-6) out.push(t);
        }
      }
  } else {
    // Sign changes on a fine grid, each closed in on by halving: a cubic has at most three.
    const x = (t: number): number => pointAt(from, s, t)[0];
    const n = 24;
    for (let k = 0; k < n; k++) {
      let [a, b] = [k / n, (k + 1) / n];
      if (x(a) * x(b) >= 0 || (k === 0 && Math.abs(x(0)) < 1e-6)) continue;
      for (let i = 0; i < 50; i++) {
        const m = (a + b) / 2;
        if (x(a) * x(m) <= 0) b = m;
        else a = m;
      }
      const t = (a + b) / 2;
      if (t > 1e-5 && t < 1 - 1e-5) out.push(t);
    }
  }
  return [...new Set(out)].sort((p, q) => p - q);
}

const onAxis = ([, y]: Point): Point => [0, y];

/** A segment cut where it crosses x = 0, so that each bit lies on one side. */
function bitsOf(from: Point, segment: Segment): Bit[] {
  const cuts = [0, ...crossings(from, segment), 1];
  let start = from;
  return cuts.slice(1).map((t, k) => {
    const part = partOf(from, segment, cuts[k], t).segment;
    const bit = { from: start, segment: t < 1 ? { ...part, to: onAxis(part.to) } : part };
    start = bit.segment.to;
    return bit;
  });
}

/** On which side of x = 0 a bit lies. */
function sideOf({ from, segment }: Bit): number {
  if (segment.kind === 'arc') {
    const g = arcGeometry(from, segment);
    return g.cx + g.radius * Math.cos(g.startRad + g.sweepRad / 2);
  }
  if (segment.kind === 'line') return from[0] + segment.to[0];
  return from[0] + 3 * segment.c1[0] + 3 * segment.c2[0] + segment.to[0];
}

const flip = ([x, y]: Point): Point => [-x, y];

/** The bits mirrored in x = 0 and run the other way. */
const mirroredBack = (bits: readonly Bit[]): Segment[] =>
  [...bits].reverse().map(({ from, segment }) => {
    const to = flip(from);
    if (segment.kind === 'line') return { kind: 'line', to };
    // Mirrored once and run backwards, an arc turns as it did.
    if (segment.kind === 'arc') return { ...segment, to };
    return { kind: 'curve', c1: flip(segment.c2), c2: flip(segment.c1), to };
  });

/** The circle that two half circles are, or null. */
export function wholeCircleOf({
  start,
  segments,
}: Contour): { cx: number; cy: number; r: number; clockwise: boolean } | null {
  const [a, b] = segments;
  if (segments.length !== 2 || a.kind !== 'arc' || b.kind !== 'arc' || a.clockwise !== b.clockwise) return null;
  const r = Math.hypot(a.to[0] - start[0], a.to[1] - start[1]) / 2;
  return Math.abs(a.radius - r) < 0.02
    ? { cx: (start[0] + a.to[0]) / 2, cy: (start[1] + a.to[1]) / 2, r, clockwise: a.clockwise }
    : null;
}

const circleAt = (cx: number, cy: number, radius: number, clockwise: boolean): Contour => ({
  start: [cx - radius, cy],
  segments: [
    { kind: 'arc', radius, large: false, clockwise, to: [cx + radius, cy] },
    { kind: 'arc', radius, large: false, clockwise, to: [cx - radius, cy] },
  ],
});

/** The map that turns and moves an axis, through a point at an angle, onto x = 0. */
export const axisUpright = (through: Point, angleRad: number): Affine =>
  compose([1, 0, 0, 1, -through[0], -through[1]], turnAbout([0, 0], Math.PI / 2 - angleRad));

/** What of a closed outline lies at x > 0, and its mirror image: outlines that cross the axis, and itself where it lies beside it. */
export function halved(contour: Contour): { across: Contour[]; beside: Contour | null } {
  const circle = wholeCircleOf(contour);
  if (circle && Math.abs(circle.cx) < circle.r)
    return { across: [circleAt(0, circle.cy, circle.r, circle.clockwise)], beside: null };
  const bits: Bit[] = [];
  let from = contour.start;
  for (const s of contour.segments) {
    bits.push(...bitsOf(from, s));
    from = s.to;
  }
  if (!near(from, contour.start, 1e-4)) bits.push({ from, segment: { kind: 'line', to: contour.start } });
  const kept = bits.map((b) => sideOf(b) > 0);
  if (kept.every(Boolean)) return { across: [], beside: contour };
  if (!kept.some(Boolean)) return { across: [], beside: null };
  const across: Contour[] = [];
  const n = bits.length;
  for (let i = 0; i < n; i++) {
    if (!kept[i] || kept[(i + n - 1) % n]) continue;
    const run: Bit[] = [];
    for (let k = i; kept[k % n] && run.length < n; k++) run.push(bits[k % n]);
    const start = onAxis(run[0].from);
    const end = onAxis(run[run.length - 1].segment.to);
    run[0] = { ...run[0], from: start };
    run[run.length - 1] = { ...run[run.length - 1], segment: { ...run[run.length - 1].segment, to: end } };
    across.push({ start, segments: joined(start, [...run.map((b) => b.segment), ...mirroredBack(run)]) });
  }
  return { across, beside: null };
}
