/** Lines and arcs through points: what an edge does near its end, and how it would go on. */
import { cross, dot, length, minus, plus, straightThrough, unit, type Point } from '../../path';

/** A curve of one curvature: a line, or an arc of a circle. */
export interface Bow {
  readonly at: Point;
  /** Of length 1. */
  readonly direction: Point;
  /** One over the radius, positive where it turns to the right (y downwards); 0 for a line. */
  readonly bend: number;
}

/** A bow that lies as near to points as can be, and by how much it misses them. */
export interface FittedBow extends Bow {
  readonly rmsPx: number;
}

/** Bows that leave their chord by less than this are lines. */
const STRAIGHT_PX = 0.06;

/** A circle has to miss the points so much less than a line does. */
const ROUNDER = 0.75;

/** The place on a bow so far along it, and its direction there. */
export function bowAt({ at, direction, bend }: Bow, along: number): { point: Point; direction: Point } {
  const turn = bend * along;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const normal: Point = [-direction[1], direction[0]];
  const [u, v] = Math.abs(turn) < 1e-6 ? [along, (bend * along * along) / 2] : [s / bend, (1 - c) / bend];
  return {
    point: plus(plus(at, direction, u), normal, v),
    direction: [direction[0] * c - direction[1] * s, direction[1] * c + direction[0] * s],
  };
}

/** How far along a bow the place nearest to a point is, the shorter way for a circle, and how far off the point lies (positive to the right). */
export function alongBow({ at, direction, bend }: Bow, p: Point): { along: number; off: number } {
  const d = minus(p, at);
  if (Math.abs(bend) < 1e-7) return { along: dot(d, direction), off: cross(direction, d) };
  const radius = 1 / bend;
  const normal: Point = [-direction[1], direction[0]];
  const q = minus(d, [normal[0] * radius, normal[1] * radius]);
  const turn = Math.atan2(dot(q, direction), -dot(q, normal) * Math.sign(bend));
  return { along: turn * Math.abs(radius), off: (Math.abs(radius) - length(q)) * Math.sign(bend) };
}

/** The circle nearest to points (Taubin 1991), as its middle and radius; null where they lie on a line. */
function circleThrough(points: readonly Point[]): { middle: Point; radius: number } | null {
  const n = points.length;
  const [mx, my] = [points.reduce((s, p) => s + p[0], 0) / n, points.reduce((s, p) => s + p[1], 0) / n];
  let [xx, yy, xy, xz, yz, zz] = [0, 0, 0, 0, 0, 0];
  for (const p of points) {
    const [x, y] = [p[0] - mx, p[1] - my];
    const z = x * x + y * y;
    xx += x * x;
    yy += y * y;
    xy += x * y;
    xz += x * z;
    yz += y * z;
    zz += z * z;
  }
  [xx, yy, xy, xz, yz, zz] = [xx / n, yy / n, xy / n, xz / n, yz / n, zz / n];
  const mz = xx + yy;
  const cov = xx * yy - xy * xy;
  const varz = zz - mz * mz;
  // Newton's way to the least root of the characteristic polynomial, from zero.
  const a3 = 4 * mz;
  const a2 = -3 * mz * mz - zz;
  const a1 = varz * mz + 4 * cov * mz - xz * xz - yz * yz;
  const a0 = xz * (xz * yy - yz * xy) + yz * (yz * xx - xz * xy) - varz * cov;
  let root = 0;
  let value = a0;
  for (let k = 0; k < 30; k++) {
    const slope = a1 + root * (2 * a2 + root * 3 * a3);
    const next = root - value / slope;
    if (!Number.isFinite(next) || next === root) break;
    const there = a0 + next * (a1 + next * (a2 + next * a3));
    if (Math.abs(there) >= Math.abs(value)) break;
    [root, value] = [next, there];
  }
  const det = root * root - root * mz + cov;
  if (Math.abs(det) < 1e-12 * mz * mz) return null;
  const cx = (xz * (yy - root) - yz * xy) / det / 2;
  const cy = (yz * (xx - root) - xz * xy) / det / 2;
  const radius = Math.sqrt(cx * cx + cy * cy + mz);
  return Number.isFinite(radius) ? { middle: [cx + mx, cy + my], radius } : null;
}

/** The bow nearest to points in order, two or more; it begins beside the first of them and goes their way. */
export function bowThrough(points: readonly Point[]): FittedBow {
  const [first, last] = [points[0], points[points.length - 1]];
  const way = minus(last, first);
  const line = straightThrough(points);
  const direction: Point =
    dot(line.direction, way) < 0 ? [-line.direction[0], -line.direction[1]] : [...line.direction];
  const rms = (sum: number): number => Math.sqrt(sum / points.length);
  const offLine = rms(points.reduce((s, p) => s + cross(direction, minus(p, line.middle)) ** 2, 0));
  const asLine: FittedBow = {
    at: plus(line.middle, direction, dot(minus(first, line.middle), direction)),
    direction,
    bend: 0,
    rmsPx: offLine,
  };
  const round = points.length < 4 ? null : circleThrough(points);
  if (!round) return asLine;
  const { middle, radius } = round;
  const chord = length(way);
  const off = rms(points.reduce((s, p) => s + (length(minus(p, middle)) - radius) ** 2, 0));
  if (radius < 1 || off > ROUNDER * offLine || (chord < radius && (chord * chord) / (8 * radius) < STRAIGHT_PX))
    return asLine;
  const out = unit(minus(first, middle));
  const second = points[Math.min(points.length - 1, Math.max(1, points.length >> 2))];
  // Which way round: by the turn from the first point to one further on.
  const side = cross(minus(first, middle), minus(second, middle)) >= 0 ? 1 : -1;
  return {
    at: plus(middle, out, radius),
    direction: [-out[1] * side, out[0] * side],
    bend: side / radius,
    rmsPx: off,
  };
}
