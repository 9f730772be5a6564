/** Affine maps. */
import type { Point } from './point';

/** An affine map: x' = a x + c y + e, y' = b x + d y + f. */
export type Affine = readonly [number, number, number, number, number, number];

export const scaleAndMove = (scale: number, dx: number, dy: number): Affine => [scale, 0, 0, scale, dx, dy];

/** The map that does `first` and then `second`. */
export const compose = (first: Affine, second: Affine): Affine => [
  second[0] * first[0] + second[2] * first[1],
  second[1] * first[0] + second[3] * first[1],
  second[0] * first[2] + second[2] * first[3],
  second[1] * first[2] + second[3] * first[3],
  second[0] * first[4] + second[2] * first[5] + second[4],
  second[1] * first[4] + second[3] * first[5] + second[5],
];

export const mapPoint = ([a, b, c, d, e, f]: Affine, [x, y]: Point): Point => [a * x + c * y + e, b * x + d * y + f];

/** The scale of a map that keeps circles circles, or null; and whether it turns the plane over. */
export function similarity([a, b, c, d]: Affine): { scale: number; flips: boolean } | null {
  const scale = Math.hypot(a, b);
  const flips = a * d - b * c < 0;
  const sign = flips ? -1 : 1;
  const off = Math.hypot(c + sign * b, d - sign * a);
  return off < 1e-9 * Math.max(1, scale) ? { scale, flips } : null;
}

/** The map that turns about a point, clockwise on a screen. */
export function turnAbout([x, y]: Point, rad: number): Affine {
  const [cos, sin] = [Math.cos(rad), Math.sin(rad)];
  return [cos, sin, -sin, cos, x - cos * x + sin * y, y - sin * x - cos * y];
}

/** The map that scales about a point, by a factor each way. */
export const scaleAbout = ([x, y]: Point, sx: number, sy: number): Affine => [sx, 0, 0, sy, x - sx * x, y - sy * y];

/** The map that mirrors in a line through a point; 0 degrees is level, 90 upright. */
export function mirrorIn([x, y]: Point, angleDeg: number): Affine {
  const t = (2 * angleDeg * Math.PI) / 180;
  // Exact where the line is level, upright or at 45 degrees.
  const near = (v: number): number => (Math.abs(v - Math.round(v)) < 1e-15 ? Math.round(v) : v);
  const [cos, sin] = [near(Math.cos(t)), near(Math.sin(t))];
  return [cos, sin, sin, -cos, x - cos * x - sin * y, y - sin * x + cos * y];
}

/** The map that changes nothing. */
export const IDENTITY: Affine = [1, 0, 0, 1, 0, 0];

/** The map that takes back what a map does; null for one that flattens the plane. */
export function inverse([a, b, c, d, e, f]: Affine): Affine | null {
  const det = a * d - b * c;
  if (!(Math.abs(det) > 1e-12)) return null;
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

/** By how much a map scales lengths on the mean: the root of what it makes of an area. */
export const meanScale = ([a, b, c, d]: Affine): number => Math.sqrt(Math.abs(a * d - b * c));
