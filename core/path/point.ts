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

/** How far a point lies from a line, positive to the right of it. */
export const offLine = (p: Point, { middle, direction }: Straight): number => cross(direction, minus(p, middle));

/** Where on the way from one point to another, 0..1, lies what is nearest to a third. */
export function nearestShare(p: Point, from: Point, to: Point): number {
  const d = minus(to, from);
  return Math.max(0, Math.min(1, dot(minus(p, from), d) / (dot(d, d) || 1)));
}
