/** Outlines that are circles, ellipses or rectangles, however they were made. */
import type { Point } from './point';
import { KAPPA } from './shapes';
import type { Contour, Segment } from './outline';

/** Half circles and sides that agree this well, in pixels, are those of one circle or rectangle. */
const SAME_PX = 0.015;

export type PlainShape =
  | { readonly kind: 'circle'; readonly cx: number; readonly cy: number; readonly r: number }
  | {
      readonly kind: 'ellipse';
      readonly cx: number;
      readonly cy: number;
      readonly rx: number;
      readonly ry: number;
      readonly turnDeg: number;
    }
  | {
      readonly kind: 'rectangle';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
      readonly r: number;
    };

/** Two half circles. */
function circleIn(start: Point, [a, b]: readonly Segment[], samePx: number): PlainShape | null {
  if (a.kind !== 'arc' || b.kind !== 'arc' || a.clockwise !== b.clockwise) return null;
  const r = Math.hypot(a.to[0] - start[0], a.to[1] - start[1]) / 2;
  if (Math.abs(a.radius - r) >= samePx || Math.abs(b.radius - r) >= samePx) return null;
  return { kind: 'circle', cx: (start[0] + a.to[0]) / 2, cy: (start[1] + a.to[1]) / 2, r };
}

/** Four upright and level lines. */
function rectangleIn(start: Point, segments: readonly Segment[], samePx: number): PlainShape | null {
  if (segments.some((s) => s.kind !== 'line')) return null;
  const around = [start, ...segments.map((s) => s.to)];
  const along = (k: number, axis: 0 | 1) => Math.abs(around[k][axis] - around[k + 1][axis]) < samePx;
  const sides = segments.map((_, k) => (along(k, 0) ? 'v' : along(k, 1) ? 'h' : '-')).join('');
  if (sides !== 'vhvh' && sides !== 'hvhv') return null;
  const [p, q] = [start, around[2]];
  const [x, y] = [Math.min(p[0], q[0]), Math.min(p[1], q[1])];
  return { kind: 'rectangle', x, y, width: Math.abs(p[0] - q[0]), height: Math.abs(p[1] - q[1]), r: 0 };
}

/** Four upright and level lines between four arcs of one radius. */
function roundedIn(start: Point, segments: readonly Segment[], samePx: number): PlainShape | null {
  const arcs = segments.filter((s) => s.kind === 'arc');
  if (arcs.length !== 4 || segments.some((s, k) => s.kind === segments[(k + 1) % 8].kind || s.kind === 'curve'))
    return null;
  const r = arcs[0].radius;
  if (arcs.some((s) => s.large || Math.abs(s.radius - r) > samePx || s.clockwise !== arcs[0].clockwise)) return null;
  const points = [start, ...segments.map((s) => s.to)];
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const near = (p: number, q: number) => Math.abs(p - q) < samePx;
  const onSide = ([x, y]: Point) =>
    ((near(x, x0) || near(x, x1)) && (near(y, y0 + r) || near(y, y1 - r))) ||
    ((near(y, y0) || near(y, y1)) && (near(x, x0 + r) || near(x, x1 - r)));
  return points.every(onSide) ? { kind: 'rectangle', x: x0, y: y0, width: x1 - x0, height: y1 - y0, r } : null;
}

/** Four curves that are the quarters of an ellipse. */
function ellipseIn(start: Point, [a, b, c, d]: readonly Segment[], samePx: number): PlainShape | null {
  if (a.kind !== 'curve' || b.kind !== 'curve' || c.kind !== 'curve' || d.kind !== 'curve') return null;
  const [cx, cy] = [(start[0] + b.to[0]) / 2, (start[1] + b.to[1]) / 2];
  const u = [start[0] - cx, start[1] - cy];
  const v = [a.to[0] - cx, a.to[1] - cy];
  const is = (p: Point, x: number, y: number) =>
    Math.abs(p[0] - cx - x) < 2 * samePx && Math.abs(p[1] - cy - y) < 2 * samePx;
  const k = KAPPA;
  const quarter = (s: typeof a, p: readonly number[], q: readonly number[]) =>
    is(s.c1, p[0] + k * q[0], p[1] + k * q[1]) && is(s.c2, q[0] + k * p[0], q[1] + k * p[1]) && is(s.to, q[0], q[1]);
  const opposite = (p: readonly number[]) => [-p[0], -p[1]];
  if (Math.abs(u[0] * v[0] + u[1] * v[1]) > samePx * (Math.hypot(...u) + Math.hypot(...v))) return null;
  if (
    !quarter(a, u, v) ||
    !quarter(b, v, opposite(u)) ||
    !quarter(c, opposite(u), opposite(v)) ||
    !quarter(d, opposite(v), u)
  )
    return null;
  const [ru, rv] = [Math.hypot(...u), Math.hypot(...v)];
  if (Math.abs(u[1]) < samePx) return { kind: 'ellipse', cx, cy, rx: ru, ry: rv, turnDeg: 0 };
  if (Math.abs(u[0]) < samePx) return { kind: 'ellipse', cx, cy, rx: rv, ry: ru, turnDeg: 0 };
  return { kind: 'ellipse', cx, cy, rx: ru, ry: rv, turnDeg: (Math.atan2(u[1], u[0]) * 180) / Math.PI };
}

/** The circle, ellipse or upright rectangle that a closed outline is, within a few hundredths of a pixel; null when it is none. */
export function plainShapeOf({ start, segments, open }: Contour, samePx = SAME_PX): PlainShape | null {
  if (open) return null;
  if (segments.length === 2) return circleIn(start, segments, samePx);
  if (segments.length === 4) return rectangleIn(start, segments, samePx) ?? ellipseIn(start, segments, samePx);
  return segments.length === 8 ? roundedIn(start, segments, samePx) : null;
}
