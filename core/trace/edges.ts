/** Strokes of chains, cut out of those of routes. */
import {
  cross,
  joined,
  length,
  minus,
  nearestShare,
  partOf,
  plus,
  type Point,
  pointAt,
  reverseContour,
  type Segment,
  unit,
  withEnds,
} from '../path';
import { chainOf, cornerOf, type Chain } from './chains';
import { steady, type Stroke } from '../fit';
import type { Route, Routes } from './routes';

/** The fitted edges of a picture. */
export interface Edges {
  /** A stroke for each chain. */
  readonly strokes: readonly Stroke[];
  /** The signed chain that goes on from another in the same outline, or null. */
  readonly next: (n: number) => number | null;
  /** The stroke of signed chains that go on in each other, in one. */
  readonly together: (list: readonly number[]) => Stroke;
}

/** A place on a stroke. */
interface Place {
  /** Segment and parameter in one: 2.25 is a quarter along the third. */
  readonly at: number;
  readonly point: Point;
}

/** How far along a stroke a place may lie from where it is expected: this much, and a share of the length, in pixels. */
const AMISS_PX = 5;
const AMISS_SHARE = 0.02;

/** A place this near the end of a segment is there, in pixels: nobody would set two points so close. */
const AT_JOINT_PX = 0.3;

/** Shorter lines tell nothing of where they go on to, in pixels. */
const LEAST_LINE_PX = 2;

/** What ends on an edge may end this far from where it was thought to, in pixels. */
const SLIDE_PX = 1;

/** How long a stretch of a chain is at least, in pixels. */
const LEAST_PX = 0.2;

/** A stroke as a line of points with their places along it. */
class Line {
  readonly points: Point[] = [];
  readonly places: number[] = [];
  readonly along: number[] = [];

  constructor(stroke: Stroke) {
    let from = stroke.start;
    const add = (p: Point, at: number): void => {
      const before = this.points[this.points.length - 1];
      this.along.push(before ? this.along[this.along.length - 1] + length(minus(p, before)) : 0);
      this.points.push(p);
      this.places.push(at);
    };
    add(from, 0);
    stroke.segments.forEach((s, k) => {
      const far =
        s.kind === 'curve'
          ? length(minus(s.c1, from)) + length(minus(s.c2, s.c1)) + length(minus(s.to, s.c2))
          : 1.6 * length(minus(s.to, from));
      const n = s.kind === 'line' ? 1 : Math.max(8, Math.min(400, Math.ceil(far * 1.5)));
      for (let m = 1; m <= n; m++) add(m === n ? s.to : pointAt(from, s, m / n), k + m / n);
      from = s.to;
    });
  }

  get length(): number {
    return this.along[this.along.length - 1];
  }

  /** The place between a point and the next, at a share of the way. */
  private between(k: number, t: number): Place {
    const point = plus(this.points[k], minus(this.points[k + 1], this.points[k]), t);
    return { at: this.places[k] + (this.places[k + 1] - this.places[k]) * t, point };
  }

  /** Of the pieces whose length along is `expected` or near by, what `find` gives the least distance for: that place. */
  private best(
    expected: number | null,
    closed: boolean,
    find: (a: Point, b: Point) => { t: number; away: number } | null,
  ): Place | null {
    const room = AMISS_PX + AMISS_SHARE * this.length;
    let least = Infinity;
    let out: Place | null = null;
    for (let k = 0; k + 1 < this.points.length; k++) {
      if (expected !== null) {
        const off = (end: number) => {
          const d = Math.abs(this.along[end] - expected);
          return closed ? Math.min(d, Math.abs(this.length - d)) : d;
        };
        const inside = this.along[k] <= expected && this.along[k + 1] >= expected;
        if (!inside && Math.min(off(k), off(k + 1)) > room) continue;
      }
      const found = find(this.points[k], this.points[k + 1]);
      if (found && found.away < least) {
        least = found.away;
        out = this.between(k, found.t);
      }
    }
    return out;
  }

  nearest(p: Point, expected: number | null, closed: boolean): Place | null {
    return this.best(expected, closed, (a, b) => {
      const t = nearestShare(p, a, b);
      return { t, away: length(minus(p, plus(a, minus(b, a), t))) };
    });
  }

  /** Where a line through a point crosses the stroke, nearest to that point. */
  crossing(p: Point, way: Point, expected: number | null, closed: boolean): Place | null {
    return this.best(expected, closed, (a, b) => {
      const d = minus(b, a);
      const turn = cross(way, d);
      if (Math.abs(turn) < 0.2 * length(d)) return null;
      const t = cross(minus(p, a), way) / -turn;
      return t < 0 || t > 1 ? null : { t, away: length(minus(plus(a, d, t), p)) };
    });
  }

  alongAt({ at }: Place): number {
    let k = 0;
    while (k + 2 < this.places.length && this.places[k + 1] < at) k++;
    const t = (at - this.places[k]) / (this.places[k + 1] - this.places[k] || 1);
    return this.along[k] + t * (this.along[k + 1] - this.along[k]);
  }
}

/** What of a stroke lies between two places; round and past its start where that is closed. */
function stretchOf(stroke: Stroke, from: number, to: number, closed: boolean): Stroke {
  const n = stroke.segments.length;
  const starts: Point[] = [stroke.start, ...stroke.segments.map((s) => s.to)];
  const end = closed && to <= from + 1e-9 ? to + n : to;
  const segments: Segment[] = [];
  let start: Point | null = null;
  for (let k = Math.floor(from); k < end - 1e-9; k++) {
    const [t0, t1] = [Math.max(0, from - k), Math.min(1, end - k)];
    if (t1 - t0 < 1e-6) continue;
    const part = partOf(starts[k % n], stroke.segments[k % n], t0, t1);
    start ??= part.start;
    segments.push(part.segment);
  }
  const at = start ?? starts[Math.floor(from) % n];
  let before = at;
  return {
    start: at,
    segments: joined(at, segments).flatMap((s) => {
      const here = before;
      before = s.to;
      return steady(here, s);
    }),
  };
}

/**
 * Cuts the strokes of routes where others end on them, and moves the ends of those there. `meetingAt` tells about where edges meet at a corner;
 * `alone` fits a chain by itself between its ends, where the stroke of a route cannot be cut.
 */
export function cutRoutes(
  { list, meetings }: Routes,
  whole: readonly Stroke[],
  chains: readonly Chain[],
  widthPx: number,
  meetingAt: (key: number) => Point,
  alone: (chain: number, ends: readonly [Point, Point]) => Stroke,
): Edges {
  const keyAt = (n: number, last: boolean): number => cornerOf(chains, n, last, widthPx);
  // Where each chain lies in a route, and the ends of routes by the corner they lie at.
  const home = new Map<number, { route: number; at: number }>();
  const endsAt = new Map<number, { route: number; last: boolean }[]>();
  list.forEach(({ chains: of, closed }, route) => {
    of.forEach((n, at) => home.set(chainOf(n), { route, at }));
    if (closed) return;
    for (const last of [false, true]) {
      const key = keyAt(of[last ? of.length - 1 : 0], last);
      endsAt.set(key, [...(endsAt.get(key) ?? []), { route, last }]);
    }
  });

  const placed = new Map<number, Point>();
  const cuts = list.map((route, r) => cutsOf(route, whole[r]));
  const pointOf = (key: number): Point => placed.get(key) ?? meetingAt(key);
  const ended = list.map(({ chains: of, closed }, r): Stroke =>
    closed || !whole[r].segments.length
      ? whole[r]
      : withEnds(whole[r], pointOf(keyAt(of[0], false)), pointOf(keyAt(of[of.length - 1], true))),
  );
  const strokes = chains.map((_, i): Stroke => {
    const { route, at } = home.get(i)!;
    if (!cuts[route]) return alone(i, [pointOf(keyAt(i, false)), pointOf(keyAt(i, true))]);
    if (!cuts[route].length) return ended[route];
    const stroke = stretch(route, at, at);
    const turned = list[route].chains[at] < 0 ? reversed(stroke) : stroke;
    // How far a route is off is told once.
    const { deviation } = whole[route];
    return at === 0 && deviation ? { ...turned, deviation } : turned;
  });
  return { strokes, next, together };

  function next(n: number): number | null {
    const { route, at } = home.get(chainOf(n))!;
    const { chains: of, closed } = list[route];
    if (!cuts[route]?.length || of.length < 2) return null;
    const isBack = of[at] !== n;
    const after = at + (isBack ? -1 : 1);
    if (!closed && (after < 0 || after >= of.length)) return null;
    const signed = of[(after + of.length) % of.length];
    return isBack ? -signed - 1 : signed;
  }

  /** Where a route is cut; null where it cannot be. */
  function cutsOf({ chains: of, closed, joints, located }: Route, stroke: Stroke): readonly Place[] | null {
    if (!joints.length) return [];
    const line = new Line(stroke);
    if (line.points.length < 2 || line.length < 1) return null;
    const { points } = located;
    const lengths = [0];
    for (let k = 1; 2 * k < points.length; k++)
      lengths.push(
        lengths[k - 1] + Math.hypot(points[2 * k] - points[2 * k - 2], points[2 * k + 1] - points[2 * k - 1]),
      );
    const total = lengths[lengths.length - 1];
    const keys = joints.map((_, k) => keyAt(of[k], true));
    const out: Place[] = [];
    let shift = 0;
    for (const [k, key] of keys.entries()) {
      const pin = meetings.get(key)!.pin!;
      const share = (lengths[Math.min(joints[k], lengths.length - 1)] / total) * line.length;
      const expected = closed ? (k === 0 ? null : (share + shift + line.length) % line.length) : share;
      const near = line.nearest(pin, expected, closed);
      if (!near) return null;
      if (closed && k === 0) shift = line.alongAt(near) - share;
      const crossed = crossedAt(key, pin, line, expected, closed);
      out.push(crossed ? atJoint(stroke, crossed, AT_JOINT_PX / 3) : atJoint(stroke, near, AT_JOINT_PX));
    }
    // In order, once round at most, and none too close to the next.
    const at = out.map((p) => line.alongAt(p));
    const size = line.length;
    const gaps = closed
      ? at.map((a, k) => (at[(k + 1) % at.length] - a + size) % size || size)
      : [...at, size].map((a, k) => a - (k ? at[k - 1] : 0));
    const round = gaps.reduce((sum, g) => sum + g, 0);
    if (gaps.some((g) => g < LEAST_PX) || Math.abs(round - size) > 1e-6 * size) return null;
    for (const [k, key] of keys.entries()) placed.set(key, out[k].point);
    return out;
  }

  /** Where the line that ends at a meeting comes to the stroke, or null. */
  function crossedAt(key: number, pin: Point, line: Line, expected: number | null, closed: boolean): Place | null {
    for (const { route, last } of endsAt.get(key) ?? []) {
      const { start, segments } = whole[route];
      const k = last ? segments.length - 1 : 0;
      const s = segments[k];
      const from = k > 0 ? segments[k - 1].to : start;
      if (s?.kind !== 'line' || length(minus(s.to, from)) < LEAST_LINE_PX) continue;
      const place = line.crossing(last ? s.to : from, unit(minus(s.to, from)), expected, closed);
      if (place && length(minus(place.point, pin)) < SLIDE_PX) return place;
    }
    return null;
  }

  /** The stroke of some chains of a route, by their places in it. */
  function stretch(r: number, first: number, last: number): Stroke {
    const { chains: of, closed } = list[r];
    const places = cuts[r]!;
    const stroke = ended[r];
    const n = stroke.segments.length;
    const from = first > 0 ? places[first - 1].at : closed ? places[places.length - 1].at : 0;
    const to = last < of.length - 1 || closed ? places[last].at : n;
    return withEnds(
      stretchOf(stroke, from, to, closed),
      pointOf(keyAt(of[first], false)),
      pointOf(keyAt(of[last], true)),
    );
  }

  function together(signed: readonly number[]): Stroke {
    const { route, at } = home.get(chainOf(signed[0]))!;
    const { closed, chains: of } = list[route];
    const isBack = of[at] !== signed[0];
    const last = home.get(chainOf(signed[signed.length - 1]))!.at;
    const stroke =
      closed && signed.length === of.length
        ? whole[route]
        : isBack
          ? stretch(route, last, at)
          : stretch(route, at, last);
    return isBack ? reversed(stroke) : stroke;
  }
}

const reversed = (stroke: Stroke): Stroke => reverseContour({ start: stroke.start, segments: stroke.segments });

/** The place of a joint, when that is hardly away from a place. */
function atJoint(stroke: Stroke, place: Place, withinPx: number): Place {
  const n = stroke.segments.length;
  const k = Math.min(n - 1, Math.floor(place.at));
  const from = k > 0 ? stroke.segments[k - 1].to : stroke.start;
  for (const [at, point] of [
    [k, from],
    [k + 1, stroke.segments[k].to],
  ] as const)
    if (at > 0 && at < n && length(minus(point, place.point)) < withinPx) return { at, point };
  return place;
}
