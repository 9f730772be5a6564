/** Lines and arcs through points: what an edge does near its end, and how it would go on. */
import { circleThrough, cross, dot, length, minus, plus, straightThrough, unit, type Point } from '../../path';

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
