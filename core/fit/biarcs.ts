/** Curves as arcs of circles that run into one another without a corner. */
import { arcGeometry, arcThrough, type Contour, type Point, type Segment } from '../path';

/** Halvings of a curve, at most. */
const DEEPEST = 5;

type Curve = readonly [Point, Point, Point, Point];

const at = ([p, q, r, s]: Curve, t: number): Point => {
  const u = 1 - t;
  const [a, b, c, d] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
  return [a * p[0] + b * q[0] + c * r[0] + d * s[0], a * p[1] + b * q[1] + c * r[1] + d * s[1]];
};
const half = (p: Point, q: Point): Point => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];

/** The two halves of a curve (de Casteljau). */
function halves([p, q, r, s]: Curve): [Curve, Curve] {
  const [a, b, c] = [half(p, q), half(q, r), half(r, s)];
  const [d, e] = [half(a, b), half(b, c)];
  const m = half(d, e);
  return [[p, a, d, m], [m, e, c, s]]; // prettier-ignore
}

/** The direction from one of some points to the first that is elsewhere; null where none is. */
function direction(from: Point, ...points: readonly Point[]): Point | null {
  for (const [x, y] of points) {
    const [dx, dy] = [x - from[0], y - from[1]];
    const length = Math.hypot(dx, dy);
    if (length > 1e-9) return [dx / length, dy / length];
  }
  return null;
}

/** The arc that leaves a point in a direction and ends at another, or the straight line between them. */
function leaving(from: Point, [tx, ty]: Point, to: Point): Segment {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const chord = Math.hypot(dx, dy);
  // Twice the angle between tangent and chord is what the arc turns by.
  const turn = 2 * Math.atan2(tx * dy - ty * dx, tx * dx + ty * dy);
  if (chord < 1e-9 || Math.abs(turn) < 1e-4) return { kind: 'line', to };
  const sag = (chord / 2) * Math.tan(turn / 4);
  const middle: Point = [(from[0] + to[0]) / 2 + (sag * dy) / chord, (from[1] + to[1]) / 2 - (sag * dx) / chord];
  return arcThrough(from, middle, to) ?? { kind: 'line', to };
}

/** Two arcs from one point and direction to another, equally far along both tangents (Bolton 1975); null where no two do. */
function biarc(p: Point, tp: Point, q: Point, tq: Point): [Segment, Segment] | null {
  const v: Point = [q[0] - p[0], q[1] - p[1]];
  const t: Point = [tp[0] + tq[0], tp[1] + tq[1]];
  const vv = v[0] * v[0] + v[1] * v[1];
  const vt = v[0] * t[0] + v[1] * t[1];
  const w = 2 * (1 - (tp[0] * tq[0] + tp[1] * tq[1]));
  const d = w < 1e-9 ? vv / Math.max(1e-12, 2 * vt) : (Math.sqrt(vt * vt + w * vv) - vt) / w;
  if (!Number.isFinite(d) || d <= 0 || d > 4 * Math.sqrt(vv)) return null;
  const m: Point = [(p[0] + q[0] + d * (tp[0] - tq[0])) / 2, (p[1] + q[1] + d * (tp[1] - tq[1])) / 2];
  const back = leaving(q, [-tq[0], -tq[1]], m);
  const second: Segment =
    back.kind === 'arc' ? { ...back, clockwise: !back.clockwise, to: q } : { kind: 'line', to: q };
  return [leaving(p, tp, m), second];
}

/** How far a place is from a segment's line or circle, in px. */
function offOf(from: Point, s: Segment, [x, y]: Point): number {
  if (s.kind === 'arc') {
    const { cx, cy, radius } = arcGeometry(from, s);
    return Math.abs(Math.hypot(x - cx, y - cy) - radius);
  }
  const [dx, dy] = [s.to[0] - from[0], s.to[1] - from[1]];
  return Math.abs((x - from[0]) * dy - (y - from[1]) * dx) / Math.max(1e-9, Math.hypot(dx, dy));
}

function followed(curve: Curve, tolerancePx: number, depth: number): Segment[] {
  const [p, c1, c2, q] = curve;
  const [tp, tq] = [direction(p, c1, c2, q), direction(q, c2, c1, p)];
  if (!tp || !tq) return [];
  const pair = biarc(p, tp, q, [-tq[0], -tq[1]]);
  if (pair) {
    const [one, other] = pair;
    const far = Math.max(...Array.from({ length: 9 }, (_, i) => {
      const place = at(curve, (i + 1) / 10);
      return Math.min(offOf(p, one, place), offOf(one.to, other, place));
    })); // prettier-ignore
    if (far <= tolerancePx) return [one, other];
  }
  if (depth >= DEEPEST) return [{ kind: 'line', to: q }];
  const [first, second] = halves(curve);
  return [...followed(first, tolerancePx, depth + 1), ...followed(second, tolerancePx, depth + 1)];
}

/** An outline of straight lines and arcs alone: each curve becomes arcs that have its directions at both ends and stray from it by no more than a tolerance, in px. */
export function onCircles({ start, segments, open }: Contour, tolerancePx: number): Contour {
  let from = start;
  const out: Segment[] = [];
  for (const s of segments) {
    out.push(...(s.kind === 'curve' ? followed([from, s.c1, s.c2, s.to], tolerancePx, 0) : [s]));
    from = s.to;
  }
  return { start, segments: out, ...(open ? { open } : {}) };
}
