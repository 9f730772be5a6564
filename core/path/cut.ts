/** Places on segments, cutting there, and joining what was cut. */
import { arcGeometry } from './arc';
import { closeContour } from './contour';
import { length, minus, plus, type Point } from './point';
import type { Contour, Segment } from './outline';

/** A cubic cut at a parameter (de Casteljau). */
function cutCurve(from: Point, s: Extract<Segment, { kind: 'curve' }>, t: number): [Segment, Segment] {
  const mid = (p: Point, q: Point): Point => [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t];
  const [a, b, c] = [mid(from, s.c1), mid(s.c1, s.c2), mid(s.c2, s.to)];
  const [d, e] = [mid(a, b), mid(b, c)];
  const at = mid(d, e);
  return [
    { kind: 'curve', c1: a, c2: d, to: at },
    { kind: 'curve', c1: e, c2: c, to: s.to },
  ];
}

/** The point of a segment at a parameter 0..1. */
export function pointAt(from: Point, s: Segment, t: number): Point {
  const u = 1 - t;
  if (s.kind === 'line') return [u * from[0] + t * s.to[0], u * from[1] + t * s.to[1]];
  if (s.kind === 'arc') {
    const g = arcGeometry(from, s);
    const angle = g.startRad + t * g.sweepRad;
    return [g.cx + g.radius * Math.cos(angle), g.cy + g.radius * Math.sin(angle)];
  }
  const [a, b, c, d] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
  return [a * from[0] + b * s.c1[0] + c * s.c2[0] + d * s.to[0], a * from[1] + b * s.c1[1] + c * s.c2[1] + d * s.to[1]];
}

/** What of a segment lies between two parameters, and where that starts: part of it for 0 <= t0 < t1 <= 1, beyond those it is carried on. */
export function partOf(from: Point, s: Segment, t0: number, t1: number): { start: Point; segment: Segment } {
  if (t0 === 0 && t1 === 1) return { start: from, segment: s };
  const start = t0 === 0 ? from : pointAt(from, s, t0);
  const to = t1 === 1 ? s.to : pointAt(from, s, t1);
  if (s.kind === 'line') return { start, segment: { kind: 'line', to } };
  if (s.kind === 'arc') {
    const { sweepRad, radius } = arcGeometry(from, s);
    const sweep = Math.abs(sweepRad) * (t1 - t0);
    // A radius too small for the whole chord, which counts as just large enough for it, would be too small for the part's circle.
    return { start, segment: { ...s, radius, large: sweep > Math.PI, to } };
  }
  const rest = t0 === 0 ? s : (cutCurve(from, s, t0)[1] as typeof s);
  return { start, segment: t1 === 1 ? rest : cutCurve(start, rest, (t1 - t0) / (1 - t0))[0] };
}

/** Two lines in one direction as one; an arc carried on in the same circle as one arc. */
export function joined(start: Point, segments: readonly Segment[]): Segment[] {
  const out: Segment[] = [];
  let from = start;
  let before: Point = start;
  for (const s of segments) {
    const last = out[out.length - 1];
    if (last?.kind === 'line' && s.kind === 'line') {
      const [[ax, ay], [bx, by]] = [minus(from, before), minus(s.to, from)];
      if (Math.abs(ax * by - ay * bx) < 1e-3 * Math.hypot(ax, ay) * Math.hypot(bx, by) && ax * bx + ay * by > 0) {
        out[out.length - 1] = { kind: 'line', to: s.to };
        from = s.to;
        continue;
      }
    }
    if (
      last?.kind === 'arc' &&
      s.kind === 'arc' &&
      last.clockwise === s.clockwise &&
      Math.abs(last.radius - s.radius) < 0.02
    ) {
      const [g, q] = [arcGeometry(before, last), arcGeometry(from, s)];
      const sweep = Math.abs(g.sweepRad) + Math.abs(q.sweepRad);
      if (Math.hypot(g.cx - q.cx, g.cy - q.cy) < 0.05 && sweep < 1.9 * Math.PI) {
        out[out.length - 1] = { ...last, large: sweep > Math.PI, to: s.to };
        from = s.to;
        continue;
      }
    }
    out.push(s);
    before = from;
    from = s.to;
  }
  return out;
}

/** An open outline with its ends at given points; directions of curves there stay. */
export function withEnds<S extends Contour>(stroke: S, start: Point, end: Point): S {
  const { segments } = stroke;
  const last = segments.length - 1;
  let from = stroke.start;
  return {
    ...stroke,
    start,
    segments: segments.map((s, k): Segment => {
      const d: Point = k === 0 ? minus(start, stroke.start) : [0, 0];
      const e: Point = k === last ? minus(end, s.to) : [0, 0];
      const at = from;
      from = s.to;
      const to = k === last ? end : s.to;
      if (s.kind === 'line') return { ...s, to };
      if (s.kind === 'curve') return { ...s, c1: plus(s.c1, d), c2: plus(s.c2, e), to };
      const [was, is] = [length(minus(s.to, at)), length(minus(to, k === 0 ? start : at))];
      // Half a circle stays one.
      return { ...s, radius: Math.abs(s.radius - was / 2) < 1e-6 * was ? is / 2 : s.radius, to };
    }),
  };
}

/** A segment cut in two at a parameter 0..1. */
export function splitSegment(from: Point, s: Segment, t: number): [Segment, Segment] {
  if (s.kind === 'curve') return cutCurve(from, s, t);
  const first = partOf(from, s, 0, t);
  return [first.segment, partOf(from, s, t, 1).segment];
}

/** An outline with one more point, on a segment at a parameter between 0 and 1; its shape stays. */
export function withPoint(contour: Contour, index: number, t: number): Contour {
  const { segments } = contour;
  const from = index ? segments[index - 1].to : contour.start;
  return {
    ...contour,
    segments: [...segments.slice(0, index), ...splitSegment(from, segments[index], t), ...segments.slice(index + 1)],
  };
}

/** An outline cut open at a point of it: a closed one becomes one open one that starts there, an open one becomes two. */
export function cutOpen(contour: Contour, point: number): Contour[] {
  const { start, segments, open } = contour;
  const at = point ? segments[point - 1].to : start;
  if (!open) {
    const closed = closeContour(contour).segments;
    return [{ start: at, segments: [...closed.slice(point), ...closed.slice(0, point)], open: true }];
  }
  if (point === 0 || point === segments.length) return [contour];
  return [
    { start, segments: segments.slice(0, point), open: true },
    { start: at, segments: segments.slice(point), open: true },
  ];
}
