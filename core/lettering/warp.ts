/** Lettering bent as a whole: each place of it is moved by a smooth map, and outlines follow that exactly in place and direction where they are cut. */
import { arcToCurves, partOf, type Box, type Contour, type Point, type Segment } from '../path';

/** How lettering is bent, and how far: -1..1, 0 not at all. */
export interface Warp {
  readonly kind: 'arch' | 'bulge' | 'wave' | 'slant';
  readonly amount: number;
}

/** A smooth map with its derivative along a direction. */
interface Smooth {
  readonly at: (p: Point) => Point;
  readonly along: (p: Point, d: Point) => Point;
}

/** Of the box's height at an amount of 1, how far arches and waves rise, and how much a bulge grows. */
const RISE = 0.9;
const GROW = 0.9;
/** The tangent of the greatest slant. */
const SLANT = 1;

/**
 * The map by which lettering in a box is bent: `u` goes from -1 at its left to 1 at its right. Stems stay upright in arches, waves and bulges, so that they keep
 * their widths; in a slant all lean alike.
 */
function mapOf({ kind, amount }: Warp, box: Box, baseline: number): Smooth {
  const [cx, half, h] = [box.x + box.width / 2, box.width / 2 || 1, box.height || 1];
  const u = (x: number): number => (x - cx) / half;
  if (kind === 'slant') {
    const t = SLANT * amount;
    return { at: ([x, y]) => [x - t * (y - baseline), y], along: (_p, [dx, dy]) => [dx - t * dy, dy] };
  }
  if (kind === 'bulge') {
    // Heights grow about the middle of the box, most in the middle of the line; below 0 it is pinched.
    const cy = box.y + h / 2;
    const grown = (x: number): number => 1 + GROW * amount * Math.cos((Math.PI / 2) * u(x));
    const slope = (x: number): number => ((-GROW * amount * Math.PI) / 2 / half) * Math.sin((Math.PI / 2) * u(x));
    return {
      at: ([x, y]) => [x, cy + (y - cy) * grown(x)],
      along: ([x, y], [dx, dy]) => [dx, dy * grown(x) + (y - cy) * slope(x) * dx],
    };
  }
  const lift = (x: number): number =>
    kind === 'arch' ? -RISE * amount * h * (1 - u(x) ** 2) : -0.5 * RISE * amount * h * Math.sin(Math.PI * u(x));
  const slope = (x: number): number =>
    kind === 'arch'
      ? (2 * RISE * amount * h * u(x)) / half
      : (-0.5 * RISE * amount * h * Math.PI * Math.cos(Math.PI * u(x))) / half;
  return { at: ([x, y]) => [x, y + lift(x)], along: ([x], [dx, dy]) => [dx, dy + slope(x) * dx] };
}

/** A bent curve may lie so far from the exact one, as a share of the box's height. */
const WITHIN = 5e-4;
const DEEPEST = 6;

/** A curve bent: ends and directions exactly, cut in halves until its middle is where it should be. */
function bentCurve(from: Point, s: Segment & { kind: 'curve' }, map: Smooth, within: number, depth = 0): Segment[] {
  const [a, b] = [map.at(from), map.at(s.to)];
  const d1 = map.along(from, [s.c1[0] - from[0], s.c1[1] - from[1]]);
  const d2 = map.along(s.to, [s.c2[0] - s.to[0], s.c2[1] - s.to[1]]);
  const [c1, c2]: [Point, Point] = [
    [a[0] + d1[0], a[1] + d1[1]],
    [b[0] + d2[0], b[1] + d2[1]],
  ];
  const isNear = [0.25, 0.5, 0.75].every((t) => {
    const r = 1 - t;
    const on = (p: Point, q: Point, v: Point, w: Point): Point =>
      [0, 1].map(
        (k) => r * r * r * p[k] + 3 * r * r * t * q[k] + 3 * r * t * t * v[k] + t * t * t * w[k],
      ) as unknown as Point;
    const [is, should] = [on(a, c1, c2, b), map.at(on(from, s.c1, s.c2, s.to))];
    return Math.hypot(is[0] - should[0], is[1] - should[1]) <= within;
  });
  if (isNear || depth >= DEEPEST) return [{ kind: 'curve', c1, c2, to: b }];
  const [first, second] = [partOf(from, s, 0, 0.5), partOf(from, s, 0.5, 1)];
  return [first, second].flatMap((p) =>
    bentCurve(p.start, p.segment as Segment & { kind: 'curve' }, map, within, depth + 1),
  );
}

/** A line as a curve along itself. */
const asCurve = (from: Point, to: Point): Segment & { kind: 'curve' } => ({
  kind: 'curve',
  c1: [from[0] + (to[0] - from[0]) / 3, from[1] + (to[1] - from[1]) / 3],
  c2: [from[0] + (2 * (to[0] - from[0])) / 3, from[1] + (2 * (to[1] - from[1])) / 3],
  to,
});

/** Lines that the map leaves straight: those across the line of text where stems stay upright, and all in a slant. */
const staysStraight = (kind: Warp['kind'], from: Point, to: Point): boolean =>
  kind === 'slant' || Math.abs(to[0] - from[0]) <= 1e-9 * (1 + Math.abs(to[0]));

/** Outlines bent; `box` is that of all lettering that is bent together, `baseline` what a slant leaves where it is. */
export function warped(contours: readonly Contour[], warp: Warp, box: Box, baseline: number): Contour[] {
  if (!warp.amount) return [...contours];
  const map = mapOf(warp, box, baseline);
  const within = WITHIN * (box.height || 1);
  return contours.map((contour) => {
    let from = contour.start;
    const segments = contour.segments.flatMap((s): Segment[] => {
      const own = s.kind === 'arc' ? arcToCurves(from, s) : [s];
      return own.flatMap((one) => {
        const start = from;
        from = one.to;
        if (one.kind === 'line' && staysStraight(warp.kind, start, one.to))
          return [{ kind: 'line' as const, to: map.at(one.to) }];
        const curve = one.kind === 'curve' ? one : asCurve(start, one.to);
        return bentCurve(start, curve, map, within);
      });
    });
    return { ...contour, start: map.at(contour.start), segments };
  });
}
