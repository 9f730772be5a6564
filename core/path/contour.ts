import { mapPoint, similarity, type Affine } from './affine';
import { arcGeometry, arcToCurves } from './arc';
import type { Contour, FillRule, Segment } from './outline';
import type { Point } from './point';

/** The contour under a map; arcs stay arcs where the map keeps circles circles, and become curves elsewhere. */
export function mapContour(map: Affine, contour: Contour): Contour {
  const kept = similarity(map);
  const segments: Segment[] = [];
  let from = contour.start;
  for (const s of contour.segments) {
    if (s.kind === 'arc' && kept)
      segments.push({
        ...s,
        radius: s.radius * kept.scale,
        clockwise: s.clockwise !== kept.flips,
        to: mapPoint(map, s.to),
      });
    else
      for (const part of s.kind === 'arc' ? arcToCurves(from, s) : [s])
        segments.push(
          part.kind === 'curve'
            ? { kind: 'curve', c1: mapPoint(map, part.c1), c2: mapPoint(map, part.c2), to: mapPoint(map, part.to) }
            : { kind: 'line', to: mapPoint(map, part.to) },
        );
    from = s.to;
  }
  return { ...contour, start: mapPoint(map, contour.start), segments };
}

/**
 * A contour as points, x and y in turn; of a closed one the start is not repeated. Each curve is cut so that no chord strays more than
 * `tolerancePx` from it (the bound on the second difference of a cubic, as in Sederberg's notes).
 */
export function flatten(contour: Contour, tolerancePx = 0.1): number[] {
  const out: number[] = [contour.start[0], contour.start[1]];
  let [px, py] = contour.start;
  for (const s of contour.segments) {
    if (s.kind === 'curve') {
      const ddx = Math.max(Math.abs(px - 2 * s.c1[0] + s.c2[0]), Math.abs(s.c1[0] - 2 * s.c2[0] + s.to[0]));
      const ddy = Math.max(Math.abs(py - 2 * s.c1[1] + s.c2[1]), Math.abs(s.c1[1] - 2 * s.c2[1] + s.to[1]));
      const n = Math.max(1, Math.min(200, Math.ceil(Math.sqrt((0.75 * Math.hypot(ddx, ddy)) / tolerancePx))));
      for (let k = 1; k < n; k++) {
        const t = k / n;
        const u = 1 - t;
        const w0 = u * u * u;
        const w1 = 3 * u * u * t;
        const w2 = 3 * u * t * t;
        const w3 = t * t * t;
        out.push(
          w0 * px + w1 * s.c1[0] + w2 * s.c2[0] + w3 * s.to[0],
          w0 * py + w1 * s.c1[1] + w2 * s.c2[1] + w3 * s.to[1],
        );
      }
    }
    if (s.kind === 'arc') {
      const g = arcGeometry([px, py], s);
      const stepRad = 2 * Math.acos(Math.max(0, 1 - tolerancePx / Math.max(g.radius, tolerancePx)));
      const n = Math.max(1, Math.min(400, Math.ceil(Math.abs(g.sweepRad) / Math.max(stepRad, 1e-3))));
      for (let k = 1; k < n; k++) {
        const t = g.startRad + (g.sweepRad * k) / n;
        out.push(g.cx + g.radius * Math.cos(t), g.cy + g.radius * Math.sin(t));
      }
    }
    [px, py] = s.to;
    out.push(px, py);
  }
  const n = out.length;
  if (!contour.open && n > 2 && Math.abs(out[n - 2] - out[0]) < 1e-6 && Math.abs(out[n - 1] - out[1]) < 1e-6)
    out.length = n - 2;
  return out;
}

/** A contour as points, one after the other. */
export function pointsAlong(contour: Contour, tolerancePx = 0.1): Point[] {
  const flat = flatten(contour, tolerancePx);
  return Array.from({ length: flat.length / 2 }, (_, k): Point => [flat[2 * k], flat[2 * k + 1]]);
}

/** A closed contour of straight lines in place of another: whether a place lies in it is quickly told. */
export function asLines(contour: Contour, tolerancePx = 0.25): Contour {
  const [start, ...rest] = pointsAlong(contour, tolerancePx);
  return { start, segments: [...rest, start].map((to) => ({ kind: 'line', to })) };
}

/** Signed area of a line of points in px²; positive when clockwise on a screen. */
export function signedArea(points: ArrayLike<number>): number {
  let sum = 0;
  const n = points.length >> 1;
  for (let i = 0, j = n - 1; i < n; j = i++)
    sum += points[2 * j] * points[2 * i + 1] - points[2 * i] * points[2 * j + 1];
  return sum / 2;
}

/** The same outline run the other way. */
export function reverseContour(contour: Contour): Contour {
  const points: Point[] = [contour.start, ...contour.segments.map((s) => s.to)];
  const segments: Segment[] = [];
  for (let i = contour.segments.length - 1; i >= 0; i--) {
    const s = contour.segments[i];
    if (s.kind === 'line') segments.push({ kind: 'line', to: points[i] });
    else if (s.kind === 'curve') segments.push({ kind: 'curve', c1: s.c2, c2: s.c1, to: points[i] });
    else segments.push({ ...s, clockwise: !s.clockwise, to: points[i] });
  }
  return { ...contour, start: points[points.length - 1], segments };
}

/** Closes a contour, with a line where its end is not its start. */
export function closeContour(contour: Contour): Contour {
  const { start, segments, open } = contour;
  const last = segments[segments.length - 1];
  if (!last) return contour;
  if (last.to[0] === start[0] && last.to[1] === start[1]) return open ? { start, segments } : contour;
  return { start, segments: [...segments, { kind: 'line', to: start }] };
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The smallest box round runs of points, x and y in turn; null when there are none. */
export function boxOfRuns(runs: Iterable<ArrayLike<number>>): Box | null {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const run of runs)
    for (let i = 0; i + 1 < run.length; i += 2) {
      if (run[i] < x0) x0 = run[i];
      if (run[i] > x1) x1 = run[i];
      if (run[i + 1] < y0) y0 = run[i + 1];
      if (run[i + 1] > y1) y1 = run[i + 1];
    }
  return x1 >= x0 ? { x: x0, y: y0, width: x1 - x0, height: y1 - y0 } : null;
}

/** The smallest box round flattened contours; zero-sized at the origin when there are none. */
export const boxOf = (contours: readonly Contour[]): Box =>
  boxOfRuns(contours.map((c) => flatten(c))) ?? { x: 0, y: 0, width: 0, height: 0 };

/** Whether a point lies inside the contours, by the non-zero rule or the even-odd one. */
export function contains(contours: readonly Contour[], [x, y]: Point, rule: FillRule = 'nonzero'): boolean {
  let winding = 0;
  for (const c of contours) {
    const p = flatten(c, 0.25);
    const n = p.length >> 1;
    for (let i = 0, j = n - 1; i < n; j = i++) {
      const [ax, ay, bx, by] = [p[2 * j], p[2 * j + 1], p[2 * i], p[2 * i + 1]];
      const side = (bx - ax) * (y - ay) - (x - ax) * (by - ay);
      if (ay <= y && by > y && side > 0) winding++;
      else if (ay > y && by <= y && side < 0) winding--;
    }
  }
  return rule === 'nonzero' ? winding !== 0 : winding % 2 !== 0;
}
