/** Curves as arcs of circles that run into one another without a corner. */
import { arcGeometry, arcThrough, cross, dot, length, minus, nearestShare, plus, pointAt, reverseContour, splitSegment, tangentsOf, type Contour, type Point, type Segment } from '../path'; // prettier-ignore

/** Halvings of a curve, at most. */
const DEEPEST = 5;

/** The arc that leaves a point in a direction and ends at another, or the straight line between them. */
function leaving(from: Point, t: Point, to: Point): Segment {
  const d = minus(to, from);
  const chord = length(d);
  // Twice the angle between tangent and chord is what the arc turns by.
  const turn = 2 * Math.atan2(cross(t, d), dot(t, d));
  if (chord < 1e-9 || Math.abs(turn) < 1e-4) return { kind: 'line', to };
  const sag = Math.tan(turn / 4) / 2;
  const middle = plus(plus(from, d, 0.5), [d[1], -d[0]], sag);
  return arcThrough(from, middle, to) ?? { kind: 'line', to };
}

/** Two arcs from one point and direction to another, equally far along both tangents (Bolton 1975); null where no two do. */
function biarc(p: Point, tp: Point, q: Point, tq: Point): [Segment, Segment] | null {
  const v = minus(q, p);
  const [vv, vt] = [dot(v, v), dot(v, plus(tp, tq))];
  const w = 2 * (1 - dot(tp, tq));
  const d = w < 1e-9 ? vv / Math.max(1e-12, 2 * vt) : (Math.sqrt(vt * vt + w * vv) - vt) / w;
  if (!Number.isFinite(d) || d <= 0 || d > 4 * Math.sqrt(vv)) return null;
  const middle = plus(plus(p, v, 0.5), minus(tp, tq), d / 2);
  const back = reverseContour({ start: q, segments: [leaving(q, [-tq[0], -tq[1]], middle)], open: true });
  return [leaving(p, tp, middle), back.segments[0]];
}

/** How far a place is from a segment's straight line or whole circle, in px. */
function offOf(from: Point, s: Segment, p: Point): number {
  if (s.kind !== 'arc') return length(minus(p, pointAt(from, s, nearestShare(p, from, s.to))));
  const { cx, cy, radius } = arcGeometry(from, s);
  return Math.abs(length(minus(p, [cx, cy])) - radius);
}

function followed(from: Point, curve: Segment, tolerancePx: number, depth: number): Segment[] {
  const [leaves, arrives] = tangentsOf(from, curve);
  const pair = biarc(from, leaves, curve.to, arrives);
  if (pair) {
    const [one, other] = pair;
    const far = Array.from({ length: 9 }, (_, i) => {
      const place = pointAt(from, curve, (i + 1) / 10);
      return Math.min(offOf(from, one, place), offOf(one.to, other, place));
    });
    if (Math.max(...far) <= tolerancePx) return pair;
  }
  if (depth >= DEEPEST) return [{ kind: 'line', to: curve.to }];
  const [first, second] = splitSegment(from, curve, 0.5);
  return [...followed(from, first, tolerancePx, depth + 1), ...followed(first.to, second, tolerancePx, depth + 1)];
}

/** An outline of straight lines and arcs alone: each curve becomes arcs that have its directions at both ends and stray from it by no more than a tolerance, in px. */
export function onCircles({ start, segments, open }: Contour, tolerancePx: number): Contour {
  let from = start;
  const out: Segment[] = [];
  for (const s of segments) {
    out.push(...(s.kind === 'curve' ? followed(from, s, tolerancePx, 0) : [s]));
    from = s.to;
  }
  return { start, segments: out, ...(open ? { open } : {}) };
}
