/** Points and directions: sums and products, straight lines, affine maps. */
/** A point, in pixels of the artwork, y downwards. */
export type Point = readonly [number, number];

export const minus = (p: Point, q: Point): Point => [p[0] - q[0], p[1] - q[1]];

/** A point moved along a direction. */
export const plus = (p: Point, d: Point, by = 1): Point => [p[0] + by * d[0], p[1] + by * d[1]];

export const dot = (p: Point, q: Point): number => p[0] * q[0] + p[1] * q[1];

/** Positive where `q` points clockwise of `p`, with y downwards. */
export const cross = (p: Point, q: Point): number => p[0] * q[1] - p[1] * q[0];

export const length = ([x, y]: Point): number => Math.hypot(x, y);

/** A direction of length 1; nothing stays nothing. */
export const unit = ([x, y]: Point): Point => {
  const n = Math.hypot(x, y) || 1;
  return [x / n, y / n];
};

/** The angle between two directions of length 1, 0..π. */
export const turnBetween = (p: Point, q: Point): number => Math.acos(Math.max(-1, Math.min(1, dot(p, q))));

/**
 * Where two lines meet, each through a point in a direction of length 1; null where they turn by less than an angle with the sine `least` from
 * each other.
 */
export function crossingOf(p: Point, d: Point, q: Point, e: Point, least: number): Point | null {
  const turn = cross(d, e);
  return Math.abs(turn) < least ? null : plus(p, d, cross(minus(q, p), e) / turn);
}

/** A line through a point in a direction of length 1. */
export interface Straight {
  readonly middle: Point;
  readonly direction: Point;
}

/** The line nearest to points, by the squares of distances across it, each counted as its weight says. */
export function straightThrough(points: readonly Point[], weights?: ArrayLike<number>): Straight {
  let [n, mx, my] = [0, 0, 0];
  points.forEach(([x, y], k) => {
    const weight = (weights?.[k] ?? 1) ** 2;
    n += weight;
    mx += weight * x;
    my += weight * y;
  });
  [mx, my] = [mx / n, my / n];
  let [xx, xy, yy] = [0, 0, 0];
  points.forEach(([x, y], k) => {
    const weight = (weights?.[k] ?? 1) ** 2;
    xx += weight * (x - mx) ** 2;
    xy += weight * (x - mx) * (y - my);
    yy += weight * (y - my) ** 2;
  });
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  return { middle: [mx, my], direction: [Math.cos(angle), Math.sin(angle)] };
}

/** The circle nearest to points (Taubin 1991), as its middle and radius; null where they lie on a line. */
export function circleThrough(points: readonly Point[]): { middle: Point; radius: number } | null {
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

/** How far a point lies from a line, positive to the right of it. */
export const offLine = (p: Point, { middle, direction }: Straight): number => cross(direction, minus(p, middle));

/** Where on the way from one point to another, 0..1, lies what is nearest to a third. */
export function nearestShare(p: Point, from: Point, to: Point): number {
  const d = minus(to, from);
  return Math.max(0, Math.min(1, dot(minus(p, from), d) / (dot(d, d) || 1)));
}
