import { arcGeometry, arcToCurves, similarity, type ArcSegment } from './arc';

/** A point, in pixels of the artwork, y downwards. */
export type Point = readonly [number, number];

/** One stretch of an outline: a straight line, a cubic Bézier with its two handles, or part of a circle. */
export type Segment =
  | { readonly kind: 'line'; readonly to: Point }
  | { readonly kind: 'curve'; readonly c1: Point; readonly c2: Point; readonly to: Point }
  | ArcSegment;

/** A closed outline; its end is its start. */
export interface Contour {
  readonly start: Point;
  readonly segments: readonly Segment[];
}

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
  return { start: mapPoint(map, contour.start), segments };
}

/**
 * A contour as points, x and y in turn, the start not repeated. Each curve is cut so that no chord strays more than
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
  if (n > 2 && Math.abs(out[n - 2] - out[0]) < 1e-6 && Math.abs(out[n - 1] - out[1]) < 1e-6) out.length = n - 2;
  return out;
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
  return { start: points[points.length - 1], segments };
}

/** Closes a contour with a line where its end is not its start. */
export function closeContour(contour: Contour): Contour {
  const last = contour.segments[contour.segments.length - 1];
  if (!last || (last.to[0] === contour.start[0] && last.to[1] === contour.start[1])) return contour;
  return { start: contour.start, segments: [...contour.segments, { kind: 'line', to: contour.start }] };
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The smallest box round flattened contours; zero-sized at the origin when there are none. */
export function boxOf(contours: readonly Contour[]): Box {
  let x0 = Infinity;
  let y0 = Infinity;
  let x1 = -Infinity;
  let y1 = -Infinity;
  for (const c of contours) {
    const p = flatten(c);
    for (let i = 0; i < p.length; i += 2) {
      x0 = Math.min(x0, p[i]);
      x1 = Math.max(x1, p[i]);
      y0 = Math.min(y0, p[i + 1]);
      y1 = Math.max(y1, p[i + 1]);
    }
  }
  return x1 >= x0 ? { x: x0, y: y0, width: x1 - x0, height: y1 - y0 } : { x: 0, y: 0, width: 0, height: 0 };
}

/** Whether a point lies inside the contours by the non-zero rule. */
export function contains(contours: readonly Contour[], [x, y]: Point): boolean {
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
  return winding !== 0;
}
