/** Outlines of lower inks, run a little way under what lies above them. */
import {
  arcGeometry,
  arcToCurves,
  type Contour,
  cross,
  dot,
  length,
  minus,
  partOf,
  plus,
  type Point,
  pointAt,
  type Segment,
  tangentsOf,
  unit,
} from '../path';
import { steady, type Stroke } from '../fit';

/** How far a lower ink runs under an upper one that it touches, in pixels: enough that no seam shows at any size. */
const UNDERLAP_PX = 1;

/** Edges that go on under an upper ink are carried on by no more than this, in pixels, and by no more than this share of their last segment. */
const MOST_CARRIED_PX = 3;
const MOST_CARRIED = 0.5;

/** How far apart places are, in pixels, where a moved edge is looked at, and how many there are between two points at least. */
const LOOK_PX = 2;
const LEAST_LOOKS = 5;

/** So near the ends of an edge pixels are of too many inks to tell what hides it, in pixels. */
const UNSURE_PX = 1.6;

/** A segment of less than this is carried on nowhere, in pixels. */
const LEAST_PX = 0.5;

/** An arc that is carried on stays less than this, in radians. */
const MOST_SWEEP_RAD = 1.9 * Math.PI;

/** A part of the outline of an area, which lies to its right. */
export interface Part {
  readonly stroke: Stroke;
  /** Whether what lies to the left covers it, so that it may go further there. */
  readonly isUnder: boolean;
}

/** To the left of a direction of length 1, with y downwards. */
const leftOf = (t: Point): Point => [t[1], -t[0]];

/** Where two lines meet that are each moved to their left: by how much their common point moves; null where it would move far. */
function miter(n: Point, m: Point, px: number): Point | null {
  const whole = 1 + n[0] * m[0] + n[1] * m[1];
  // Sharper than about 120 degrees.
  return whole < 0.5 ? null : [((n[0] + m[0]) * px) / whole, ((n[1] + m[1]) * px) / whole];
}

/** The sides of a curve's frame (start, handles, end) as normals to the left; a side of no length takes the next one's. */
function normalsOf(from: Point, s: Extract<Segment, { kind: 'curve' }>): [Point, Point, Point] {
  const [a, b] = tangentsOf(from, s);
  const middle = minus(s.c2, s.c1);
  return [leftOf(a), length(middle) < 1e-3 ? leftOf(a) : leftOf(unit(middle)), leftOf(b)];
}

/** By how much an end of a part is moved. */
interface Shift {
  readonly by: Point;
  /** How far the part that it meets goes on to there, as a share of its last segment. */
  readonly carried: number;
  /** That part stays, and this one dives in by itself. */
  readonly dives?: boolean;
}

/** What becomes of the two ends of an outline; null for one that stays. A closed outline has none. */
type Shifts = readonly [Shift | null, Shift | null] | 'closed';

/** A segment whose two ends are kept bulges by this share more on its way. */
const BULGE = 4 / 3;

/** Handles of a line that dives are so many times as long as the dive of a point would be. */
const DIVE = 1.5;

/** Ways to dive, as steps to the left and along: halfway between, and where that would show. */
const DIVES = [
  [1, 1],
  [1, 0.2],
  [0.7, 1.6],
  [0.8, -0.5],
] as const;

/** How the sharp tip of an area between two others moves: on. */
function tipOf(into: Point, out: Point): Point {
  const d = unit(minus(into, out));
  return [d[0] * UNDERLAP_PX, d[1] * UNDERLAP_PX];
}

/** Moves a line to its left, as pushedLeft does; where it is to dive, short handles do it without any more points. */
function pushedLine(a: Point, b: Point, ends: readonly [Shift | null, Shift | null], px: number): Contour | null {
  const way = unit(minus(b, a));
  const third = length(minus(b, a)) / 3;
  const [[start, c1], [to, c2]] = ends.map((end, k): [Point, Point] => {
    const p = k ? b : a;
    if (end?.dives) return [p, plus(p, end.by, DIVE)];
    const at = end ? plus(p, end.by) : p;
    const handle = plus(at, way, k ? -third : third);
    return [at, end ? handle : plus(handle, leftOf(way), BULGE * px)];
  });
  const isMoved = ends.every((end) => end && !end.dives);
  const segment: Segment = isMoved ? { kind: 'line', to } : { kind: 'curve', c1, c2, to };
  return keepsLeft(a, [{ kind: 'line', to: b }], start, [segment]) ? { start, segments: [segment] } : null;
}

/**
 * Moves a stroke to its left by up to `px`, its ends as given, so that it comes to lie under what is there. Each side of a curve's frame is moved
 * for itself, and handles lie where moved sides meet (Tiller and Hanson 1984). Null where that does not keep left of the stroke.
 */
function pushedLeft(stroke: Stroke, ends: Shifts, px: number): Contour | null {
  // Arcs become curves, whose handles can be moved.
  const segments: Segment[] = [];
  let from = stroke.start;
  for (const s of stroke.segments) {
    segments.push(...(s.kind === 'arc' ? arcToCurves(from, s) : [s]));
    from = s.to;
  }
  const n = segments.length;
  const points: Point[] = [stroke.start, ...segments.map((s) => s.to)];
  if (ends !== 'closed' && n === 1 && segments[0].kind === 'line') return pushedLine(points[0], points[1], ends, px);
  const tangents = segments.map((s, k) => tangentsOf(points[k], s));
  const [first, last] = ends === 'closed' ? [null, null] : ends;
  const by = ends !== 'closed' && n === 1 && !first && !last ? BULGE * px : px;
  const shifts: Point[] = [];
  for (let k = 0; k <= n; k++) {
    if (ends !== 'closed' && (k === 0 || k === n)) {
      shifts.push((k ? last : first)?.by ?? [0, 0]);
      continue;
    }
    const [before, after] = [leftOf(tangents[(k + n - 1) % n][1]), leftOf(tangents[k % n][0])];
    const middle = plus(before, after);
    const far = length(middle);
    // At a sharp corner less than a whole mitre, which would stick out; at a spike nothing.
    shifts.push(miter(before, after, px) ?? (far < 0.3 ? [0, 0] : plus([0, 0], middle, px / far)));
  }
  const moved = segments.map((s, k): Segment => {
    const to = plus(s.to, shifts[k + 1]);
    if (s.kind !== 'curve') return { kind: 'line', to };
    const [out, middle, into] = normalsOf(points[k], s);
    return {
      kind: 'curve',
      c1: plus(s.c1, miter(out, middle, by) ?? shifts[k]),
      c2: plus(s.c2, miter(middle, into, by) ?? shifts[k + 1]),
      to,
    };
  });
  const start = plus(points[0], shifts[0]);
  if (!keepsLeft(points[0], segments, start, moved)) return null;
  // Lines to it from where the stroke itself began, and back to where that ended, where it dives.
  const dive = (end: Shift | null, to: Point): Segment[] => (end?.dives ? [{ kind: 'line', to }] : []);
  return {
    start: first?.dives ? points[0] : start,
    segments: [...dive(first, start), ...moved, ...dive(last, points[n])],
  };
}

/** Where along a segment a moved one is compared with it. */
const LOOKED_AT = [0.05, 0.15, 0.3, 0.5, 0.7, 0.85, 0.95] as const;

/** Whether moved segments lie to the left of those they came from, or on them, all along, and never turn back. */
function keepsLeft(start: Point, segments: readonly Segment[], movedStart: Point, moved: readonly Segment[]): boolean {
  let [from, movedFrom] = [start, movedStart];
  for (const [k, s] of segments.entries()) {
    const m = moved[k];
    for (const t of LOOKED_AT) {
      const p = pointAt(from, s, t);
      const q = pointAt(movedFrom, m, t);
      const d = minus(pointAt(from, s, t + 0.01), p);
      const e = minus(pointAt(movedFrom, m, t + 0.01), q);
      if (cross(minus(q, p), d) < 0 || dot(d, e) <= 0) return false;
    }
    [from, movedFrom] = [s.to, m.to];
  }
  return true;
}

/** Where an end of a stroke comes to when it is carried on: its last segment, or its first one backwards, goes on to that parameter. */
interface Carried {
  readonly by: number;
  readonly point: Point;
}

/** Carries a stroke on beyond its end, or back beyond its start, to where it is `px` to the left of a direction there; null where it would be far. */
function carriedOn({ start, segments }: Contour, atStart: boolean, left: Point, px: number): Carried | null {
  const k = atStart ? 0 : segments.length - 1;
  const s = segments[k];
  const from = k > 0 ? segments[k - 1].to : start;
  const [out, into] = tangentsOf(from, s);
  const reach = px / dot(atStart ? [-out[0], -out[1]] : into, left);
  if (!(reach > 0 && reach <= MOST_CARRIED_PX)) return null;
  // How fast the segment runs there against its parameter.
  const speed =
    s.kind === 'line'
      ? length(minus(s.to, from))
      : s.kind === 'arc'
        ? s.radius * Math.abs(arcGeometry(from, s).sweepRad)
        : 3 * length(atStart ? minus(s.c1, from) : minus(s.to, s.c2));
  const by = reach / speed;
  if (speed < LEAST_PX || by > MOST_CARRIED) return null;
  if (s.kind === 'arc' && Math.abs(arcGeometry(from, s).sweepRad) * (1 + 2 * by) > MOST_SWEEP_RAD) return null;
  return { by, point: pointAt(from, s, atStart ? -by : 1 + by) };
}

/** A stroke carried on at its two ends, by shares of its first and last segment. */
function withCarried({ start, segments }: Contour, first: number, last: number): Contour {
  let from = start;
  let begin = start;
  const out = segments.flatMap((s, k) => {
    const part = partOf(from, s, k === 0 ? -first : 0, k === segments.length - 1 ? 1 + last : 1);
    if (k === 0) begin = part.start;
    from = s.to;
    return part.segment === s ? [s] : steady(part.start, part.segment);
  });
  return { start: begin, segments: out };
}

/**
 * The parts of a closed outline, in order, with those that are covered moved a little further under what covers them. Edges that come to such a part go
 * on in their own way until they are as far in: were they to end on it, what is below would shine through beside them. Nothing is moved where
 * it would show: to points that nothing `hides`. `closed` is whether the only part has no end.
 */
export function runUnder(parts: readonly Part[], closed: boolean, hides: (p: Point) => boolean): Contour[] {
  if (!parts.some((p) => p.isUnder)) return parts.map((p) => p.stroke);
  const n = parts.length;
  /** Whether all of a stroke but its ends lies on pixels of inks above, so that what it bounds stays hidden there. */
  const isHidden = ({ start, segments }: Contour): boolean => {
    const end = segments[segments.length - 1].to;
    let from = start;
    return segments.every((s) => {
      const here = from;
      from = s.to;
      const steps = Math.max(LEAST_LOOKS, Math.ceil(length(minus(s.to, here)) / LOOK_PX));
      for (let k = 1; k < steps; k++) {
        const p = pointAt(here, s, k / steps);
        if (!hides(p) && Math.min(length(minus(p, start)), length(minus(p, end))) > UNSURE_PX) return false;
      }
      return true;
    });
  };
  const pushed = (stroke: Stroke, ends: Shifts): Contour | null => {
    for (const px of [UNDERLAP_PX, UNDERLAP_PX / 2]) {
      const moved = pushedLeft(stroke, ends, px);
      if (moved && isHidden(moved)) return moved;
    }
    return null;
  };
  if (n === 1 && closed) return [pushed(parts[0].stroke, 'closed') ?? parts[0].stroke];

  /** What becomes of the places where parts meet, by the number of the second one. */
  const joints = parts.map((after, k): Shift | null => {
    const before = parts[(k + n - 1) % n];
    if (!before.stroke.segments.length || !after.stroke.segments.length) return null;
    if (!before.isUnder && !after.isUnder) return null;
    const point = after.stroke.start;
    const isIn = (by: Point): boolean => hides(plus(point, by)) && hides(plus(point, by, 0.5));
    const into = directionAtEnd(before.stroke);
    const [out] = tangentsOf(point, after.stroke.segments[0]);
    if (before.isUnder && after.isUnder) {
      const by = miter(leftOf(into), leftOf(out), UNDERLAP_PX) ?? tipOf(into, out);
      return isIn(by) ? { by, carried: 0 } : null;
    }
    // The way along the covered part, away from here.
    const away: Point = before.isUnder ? [-into[0], -into[1]] : out;
    const left = leftOf(before.isUnder ? into : out);
    const on = carriedOn((before.isUnder ? after : before).stroke, before.isUnder, left, UNDERLAP_PX);
    if (on) {
      const by = minus(on.point, point);
      if (isIn(by)) return { by, carried: on.by };
    }
    // An edge that goes straight on beside what covers it: there the covered part dives in.
    for (const [aside, along] of DIVES) {
      const by = plus(plus([0, 0], left, aside * UNDERLAP_PX), away, along * UNDERLAP_PX);
      if (isIn(by)) return { by, carried: 0, dives: true };
    }
    return null;
  });
  const out: Contour[] = parts.map((p) => p.stroke);
  const waiting = parts.map((_, k) => k);
  for (let k = waiting.pop(); k !== undefined; k = waiting.pop()) {
    const { stroke, isUnder } = parts[k];
    const [first, last] = [joints[k], joints[(k + 1) % n]];
    const moved = isUnder
      ? pushed(stroke, [first, last])
      : withCarried(stroke, first?.carried ?? 0, last?.carried ?? 0);
    out[k] = moved ?? stroke;
    if (moved || (!first && !last)) continue;
    // What cannot be moved with its ends is moved between them, or not at all; those that share them follow.
    joints[k] = joints[(k + 1) % n] = null;
    waiting.push(k, (k + n - 1) % n, (k + 1) % n);
  }
  return out;
}

/** The direction of a stroke at its end. */
function directionAtEnd({ start, segments }: Contour): Point {
  const last = segments.length - 1;
  return tangentsOf(last > 0 ? segments[last - 1].to : start, segments[last])[1];
}
