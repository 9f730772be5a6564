import { parsePath } from './pathdata';
import type { Point } from './point';
import type { Contour, Segment } from './outline';

/** Handle length for a quarter circle of radius 1 (error under 0.03%). */
export const KAPPA = 0.5522847498;

/** An ellipse as four curves, turned by `turnRad` about its centre. */
export function ellipse(cx: number, cy: number, rx: number, ry: number, turnRad = 0): Contour {
  const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
  const p = (x: number, y: number): Point => [cx + x * rx * cos - y * ry * sin, cy + x * rx * sin + y * ry * cos];
  const k = KAPPA;
  return {
    start: p(1, 0),
    segments: [
      { kind: 'curve', c1: p(1, k), c2: p(k, 1), to: p(0, 1) },
      { kind: 'curve', c1: p(-k, 1), c2: p(-1, k), to: p(-1, 0) },
      { kind: 'curve', c1: p(-1, -k), c2: p(-k, -1), to: p(0, -1) },
      { kind: 'curve', c1: p(k, -1), c2: p(1, -k), to: p(1, 0) },
    ],
  };
}

export const circle = (cx: number, cy: number, r: number): Contour => ellipse(cx, cy, r, r);

/** A closed polygon. */
export function polygon(points: readonly Point[]): Contour {
  const segments: Segment[] = points.slice(1).map((to) => ({ kind: 'line', to }));
  return { start: points[0], segments: [...segments, { kind: 'line', to: points[0] }] };
}

/** A rectangle, its corners rounded by `r` (no more than half its shorter side). */
export function rectangle(x: number, y: number, width: number, height: number, r = 0): Contour {
  const q = Math.max(0, Math.min(r, width / 2, height / 2));
  const [x1, y1] = [x + width, y + height];
  if (q === 0)
    return polygon([
      [x, y],
      [x1, y],
      [x1, y1],
      [x, y1],
    ]);
  const k = q * (1 - KAPPA);
  return {
    start: [x + q, y],
    segments: [
      { kind: 'line', to: [x1 - q, y] },
      { kind: 'curve', c1: [x1 - k, y], c2: [x1, y + k], to: [x1, y + q] },
      { kind: 'line', to: [x1, y1 - q] },
      { kind: 'curve', c1: [x1, y1 - k], c2: [x1 - k, y1], to: [x1 - q, y1] },
      { kind: 'line', to: [x + q, y1] },
      { kind: 'curve', c1: [x + k, y1], c2: [x, y1 - k], to: [x, y1 - q] },
      { kind: 'line', to: [x, y + q] },
      { kind: 'curve', c1: [x, y + k], c2: [x + k, y], to: [x + q, y] },
    ],
  };
}

/** A polygon whose corners are cut round by a distance `r` along each side (no more than half a side). */
export function roundedPolygon(points: readonly Point[], r: number): Contour {
  const n = points.length;
  const segments: Segment[] = [];
  let start: Point = points[0];
  for (let i = 0; i < n; i++) {
    const [a, b, c] = [points[(i + n - 1) % n], points[i], points[(i + 1) % n]];
    const towards = (to: Point): Point => {
      const len = Math.hypot(to[0] - b[0], to[1] - b[1]) || 1;
      const t = Math.min(r, len / 2) / len;
      return [b[0] + (to[0] - b[0]) * t, b[1] + (to[1] - b[1]) * t];
    };
    const [p, q] = [towards(a), towards(c)];
    if (i === 0) start = p;
    else segments.push({ kind: 'line', to: p });
    const mix = (from: Point): Point => [from[0] + (b[0] - from[0]) * 0.6, from[1] + (b[1] - from[1]) * 0.6];
    segments.push({ kind: 'curve', c1: mix(p), c2: mix(q), to: q });
  }
  segments.push({ kind: 'line', to: start });
  return { start, segments };
}

/** A regular star (or, with inner = outer, a polygon of 2n sides); the first point straight up. */
export function star(cx: number, cy: number, points: number, outer: number, inner: number, turnRad = 0): Contour {
  const out: Point[] = [];
  for (let i = 0; i < points * 2; i++) {
    const r = i % 2 ? inner : outer;
    const t = turnRad - Math.PI / 2 + (Math.PI * i) / points;
    out.push([cx + r * Math.cos(t), cy + r * Math.sin(t)]);
  }
  return polygon(out);
}

/** The one contour of some path data. */
export const path = (data: string): Contour => parsePath(data)[0];

/** A circle as two half circles, as traces have them. */
export function circleOfArcs(cx: number, cy: number, radius: number): Contour {
  const half = (to: Point): Segment => ({ kind: 'arc', radius, large: false, clockwise: true, to });
  return { start: [cx - radius, cy], segments: [half([cx + radius, cy]), half([cx - radius, cy])] };
}

/** A rectangle with upright sides, its corners rounded by arcs of a radius; clockwise from the left end of its upper side. */
export function rectangleOfArcs(x: number, y: number, width: number, height: number, r = 0): Contour {
  const [x1, y1] = [x + width, y + height];
  const line = (to: Point): Segment => ({ kind: 'line', to });
  if (!(r > 0)) return { start: [x, y], segments: [line([x1, y]), line([x1, y1]), line([x, y1]), line([x, y])] };
  const arc = (to: Point): Segment => ({ kind: 'arc', radius: r, large: false, clockwise: true, to });
  return {
    start: [x + r, y],
    segments: [
      line([x1 - r, y]),
      arc([x1, y + r]),
      line([x1, y1 - r]),
      arc([x1 - r, y1]),
      line([x + r, y1]),
      arc([x, y1 - r]),
      line([x, y + r]),
      arc([x + r, y]),
    ],
  };
}
