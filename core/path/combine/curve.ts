/** Segments as curves that are asked for points, directions and the places where they turn back. */
import { arcGeometry } from '../arc';
import type { Segment } from '../outline';
import type { Point } from '../point';

export interface Curve {
  readonly from: Point;
  readonly segment: Segment;
  readonly at: (t: number) => Point;
  /** The derivative by the parameter. */
  readonly speed: (t: number) => Point;
  /** Parameters between 0 and 1 at which it turns back in x or in y, in order. */
  readonly turns: readonly number[];
}

/** A part of a curve that turns back neither in x nor in y. */
export interface Stretch {
  readonly curve: Curve;
  readonly t0: number;
  readonly t1: number;
  readonly p0: Point;
  readonly p1: Point;
}

/** Turns nearer to an end than this are at that end. */
const END = 1e-9;

/** Where a cubic's derivative in one coordinate is 0. */
function zeros(a: number, b: number, c: number, d: number): number[] {
  // The derivative by its coefficients, over 3.
  const [p, q, r] = [b - a, c - b, d - c];
  const [k2, k1, k0] = [p - 2 * q + r, 2 * (q - p), p];
  const scale = Math.max(Math.abs(p), Math.abs(q), Math.abs(r));
  if (scale === 0) return [];
  if (Math.abs(k2) < 1e-12 * scale) return Math.abs(k1) < 1e-12 * scale ? [] : [-k0 / k1];
  const under = k1 * k1 - 4 * k2 * k0;
  if (under <= 0) return [];
  // The root that loses no digits, and the other by their product (Press et al., Numerical Recipes, 5.6).
  const s = -0.5 * (k1 + Math.sign(k1 || 1) * Math.sqrt(under));
  return [s / k2, k0 / s];
}

const between = (ts: readonly number[]): number[] => ts.filter((t) => t > END && t < 1 - END).sort((p, q) => p - q);

export function curveOf(from: Point, segment: Segment): Curve {
  const { to } = segment;
  if (segment.kind === 'line') {
    const d: Point = [to[0] - from[0], to[1] - from[1]];
    return {
      from,
      segment,
      at: (t) => (t === 1 ? to : [from[0] + t * d[0], from[1] + t * d[1]]),
      speed: () => d,
      turns: [],
    };
  }
  if (segment.kind === 'arc') {
    const { cx, cy, radius, startRad, sweepRad } = arcGeometry(from, segment);
    const turns: number[] = [];
    const step = Math.PI / 2;
    const [lo, hi] = [Math.min(startRad, startRad + sweepRad), Math.max(startRad, startRad + sweepRad)];
    for (let k = Math.ceil(lo / step); k * step <= hi; k++) turns.push((k * step - startRad) / (sweepRad || 1));
    return {
      from,
      segment,
      at: (t) =>
        t === 0
          ? from
          : t === 1
            ? to
            : [cx + radius * Math.cos(startRad + t * sweepRad), cy + radius * Math.sin(startRad + t * sweepRad)],
      speed: (t) => [
        -radius * sweepRad * Math.sin(startRad + t * sweepRad),
        radius * sweepRad * Math.cos(startRad + t * sweepRad),
      ],
      turns: between(turns),
    };
  }
  const { c1, c2 } = segment;
  return {
    from,
    segment,
    at: (t) => {
      if (t === 0) return from;
      if (t === 1) return to;
      const u = 1 - t;
      const [a, b, c, d] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
      return [a * from[0] + b * c1[0] + c * c2[0] + d * to[0], a * from[1] + b * c1[1] + c * c2[1] + d * to[1]];
    },
    speed: (t) => {
      const u = 1 - t;
      const [a, b, c] = [3 * u * u, 6 * u * t, 3 * t * t];
      return [
        a * (c1[0] - from[0]) + b * (c2[0] - c1[0]) + c * (to[0] - c2[0]),
        a * (c1[1] - from[1]) + b * (c2[1] - c1[1]) + c * (to[1] - c2[1]),
      ];
    },
    turns: between([...zeros(from[0], c1[0], c2[0], to[0]), ...zeros(from[1], c1[1], c2[1], to[1])]),
  };
}

/** A curve in parts that turn back nowhere, cut also at some parameters. */
export function stretchesOf(curve: Curve, cuts: readonly number[] = []): Stretch[] {
  const ts = [0, ...[...curve.turns, ...cuts].sort((p, q) => p - q), 1];
  const out: Stretch[] = [];
  for (let k = 1; k < ts.length; k++)
    if (ts[k] > ts[k - 1]) out.push({ curve, t0: ts[k - 1], t1: ts[k], p0: curve.at(ts[k - 1]), p1: curve.at(ts[k]) });
  return out;
}

/** The parameter at which a stretch, which turns back nowhere, has a coordinate (0 for x, 1 for y) of a value; an end where it is beyond that. */
export function whereAt({ curve, t0, t1, p0, p1 }: Stretch, axis: 0 | 1, value: number): number {
  const share = Math.max(0, Math.min(1, (value - p0[axis]) / (p1[axis] - p0[axis] || 1)));
  if (curve.segment.kind === 'line') return t0 + share * (t1 - t0);
  let [lo, hi] = [t0, t1];
  const rises = p1[axis] > p0[axis];
  let t = t0 + share * (t1 - t0);
  for (let turn = 0; turn < 60; turn++) {
    if (!(t > lo && t < hi)) t = (lo + hi) / 2;
    const off = curve.at(t)[axis] - value;
    if (Math.abs(off) < 1e-12 || hi - lo < 1e-15) return t;
    if (off > 0 === rises) hi = t;
    else lo = t;
    // Newton's step where it stays between, else the middle.
    t -= off / curve.speed(t)[axis];
  }
  return t;
}

/** The parameter of a stretch nearest to a point, and how far it is, in pixels. */
export function nearestOn({ curve, t0, t1 }: Stretch, [x, y]: Point): { t: number; distancePx: number } {
  const far = (t: number): number => {
    const [px, py] = curve.at(t);
    return Math.hypot(px - x, py - y);
  };
  const N = curve.segment.kind === 'line' ? 1 : 8;
  let [best, least] = [t0, far(t0)];
  for (let k = 1; k <= N; k++) {
    const t = k === N ? t1 : t0 + (k / N) * (t1 - t0);
    const d = far(t);
    if (d < least) [best, least] = [t, d];
  }
  // Gauss and Newton's steps towards the foot of the perpendicular.
  let t = best;
  for (let turn = 0; turn < 12; turn++) {
    const [px, py] = curve.at(t);
    const [dx, dy] = curve.speed(t);
    const square = dx * dx + dy * dy;
    if (square === 0) break;
    const next = Math.max(t0, Math.min(t1, t + ((x - px) * dx + (y - py) * dy) / square));
    if (Math.abs(next - t) < 1e-14) break;
    t = next;
  }
  const d = far(t);
  return d < least ? { t, distancePx: d } : { t: best, distancePx: least };
}
