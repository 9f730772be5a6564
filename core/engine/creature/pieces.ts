/** What creatures are put together from. One unit is a hundredth of the field; (50, 50) is its middle. */
import { areaFrom, grown, moved, parsePath, runsFrom, stroked, turnAbout, union, type Area } from '../../path';
import { disc } from '../area';
import type { Part } from '../figure';

/** Tones of a creature: its fur or skin, a second one of it, an accent, what is light, and what is dark. */
export const [FUR, COAT, ACCENT, LIGHT, DARK] = [0, 1, 2, 3, 4] as const;
export type Tone = 0 | 1 | 2 | 3 | 4;
/** Lightness 0..1 of each. */
export const TONES: readonly number[] = [0.42, 0.6, 0.76, 1, 0.14];

/** How much a named measure is off what is usual, -1..1. */
export type Spread = (name: string) => number;

export const piece = (tone: Tone, area: Area): Part => ({ tone, area });
/** Parts by the name of what of somebody they are. */
export const named = (of: string, parts: readonly Part[]): Part[] => parts.map((p) => ({ ...p, of }));
export const shape = (tone: Tone, data: string): Part => piece(tone, areaFrom(parsePath(data)));
export const mirrored = (area: Area): Area => moved(area, [-1, 0, 0, 1, 100, 0]);
/** An area and its mirror image about x = 50. */
export const both = (area: Area): Area => union(area, mirrored(area));
export const line = (tone: Tone, weight: number, data: string): Part =>
  piece(tone, stroked(runsFrom(parsePath(data, { close: false })), weight, false));
export const oval = (cx: number, cy: number, rx: number, ry: number, rad = 0): Area =>
  moved(moved(disc(0, 0, 1, 72), [rx, 0, 0, ry, cx, cy]), turnAbout([cx, cy], rad));

/** A place and the radius that something has there. */
export type Joint = readonly [x: number, y: number, r: number];

/** The convex hull of two discs: a bone with flesh on it. */
export function bone([ax, ay, ar]: Joint, [bx, by, br]: Joint): Area {
  const d = Math.hypot(bx - ax, by - ay);
  if (d <= Math.abs(ar - br) + 1e-6) return ar > br ? disc(ax, ay, ar, 56) : disc(bx, by, br, 56);
  const along = Math.atan2(by - ay, bx - ax);
  const open = Math.acos((ar - br) / d);
  const ring: number[] = [];
  const arc = (cx: number, cy: number, r: number, from: number, to: number): void => {
    const n = Math.max(6, Math.ceil((Math.abs(to - from) * 28) / Math.PI));
    for (let i = 0; i <= n; i++) {
      const t = from + ((to - from) * i) / n;
      ring.push(cx + r * Math.cos(t), cy + r * Math.sin(t));
    }
  };
  arc(ax, ay, ar, along + open, along + 2 * Math.PI - open);
  arc(bx, by, br, along - open, along + open);
  return [ring];
}

/** A chain of bones. */
export const limb = (...joints: readonly Joint[]): Area =>
  union(...joints.slice(1).map((to, i) => bone(joints[i], to)));

/** The points of a smooth line through some points (centripetal Catmull-Rom: Barry and Goldman 1988). */
export function spline(points: readonly (readonly number[])[], isClosed: boolean, steps = 12): number[][] {
  const n = points.length;
  const at = (i: number): readonly number[] => {
    if (isClosed) return points[(i + n) % n];
    if (i < 0) return points[0].map((v, k) => 2 * v - points[1][k]);
    return i < n ? points[i] : points[n - 1].map((v, k) => 2 * v - points[n - 2][k]);
  };
  const out: number[][] = [];
  const mixed = (p: readonly number[], q: readonly number[], from: number, to: number, t: number): number[] =>
    p.map((v, k) => (v * (to - t) + q[k] * (t - from)) / (to - from));
  for (let i = 0; i < (isClosed ? n : n - 1); i++) {
    const p = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    const knots = [0];
    for (let k = 1; k < 4; k++) knots.push(knots[k - 1] + Math.max(1e-3, Math.sqrt(Math.hypot(p[k][0] - p[k - 1][0], p[k][1] - p[k - 1][1])))); // prettier-ignore
    for (let s = 0; s < steps; s++) {
      const t = knots[1] + ((knots[2] - knots[1]) * s) / steps;
      const a = [0, 1, 2].map((k) => mixed(p[k], p[k + 1], knots[k], knots[k + 1], t));
      const b = [0, 1].map((k) => mixed(a[k], a[k + 1], knots[k], knots[k + 2], t));
      out.push(mixed(b[0], b[1], knots[1], knots[2], t));
    }
  }
  if (!isClosed) out.push([...points[n - 1]]);
  return out;
}

/** The area within a smooth line through points. */
export const blob = (...points: readonly (readonly [number, number])[]): Area => union([spline(points, true).flat()]);

/** A body that tapers along a smooth line: each point with its radius. */
export const taper = (...joints: readonly Joint[]): Area => limb(...(spline(joints, false, 6) as unknown as Joint[]));

/** Inner corners rounded by `r`, as where limbs meet. */
export const filleted = (area: Area, r: number): Area => grown(grown(area, r), -r);

/** A symmetrical blob: its right half from top to bottom, the first and last point on the axis. */
export const halves = (...right: readonly (readonly [number, number])[]): Area =>
  blob(...right, ...right.slice(1, -1).reverse().map(([x, y]): [number, number] => [100 - x, y])); // prettier-ignore

/** A point at a distance in a direction: 0 is straight down, positive forwards (to the right), in degrees. */
export const downFrom = ([x, y]: readonly number[], length: number, deg: number): [number, number] => [
  x + length * Math.sin((deg * Math.PI) / 180),
  y + length * Math.cos((deg * Math.PI) / 180),
];

/** Places along what goes round: `n` of them from one angle to another, in degrees (0 to the right, clockwise). */
export const around = (cx: number, cy: number, r: number, from: number, to: number, n: number): [number, number, number][] =>
  Array.from({ length: n }, (_, i) => {
    const t = ((from + ((to - from) * i) / Math.max(1, n - 1)) * Math.PI) / 180;
    return [cx + r * Math.cos(t), cy + r * Math.sin(t), t];
  }); // prettier-ignore
