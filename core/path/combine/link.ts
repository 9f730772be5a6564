/** Edges that bound an area, put together to contours with as few points as the outlines that they came from had. */
import { partOf } from '../cut';
import { flatten, reverseContour, signedArea } from '../contour';
import type { Contour, Segment } from '../outline';
import type { Point } from '../point';
import type { Arrangement, Edge } from './arrange';
import type { Curve } from './curve';

/** An edge as a contour runs along it: what it bounds lies to the right. */
export interface Way {
  readonly edge: Edge;
  readonly isBack: boolean;
}

/** An outline that does not come back to where it began: numbers were not exact enough. */
export class OpenEnd extends Error {}

/** What is thinner than this on the mean is no piece, in pixels. */
const THIN_PX = 0.05;

const startOf = ({ edge, isBack }: Way): number => (isBack ? edge.to : edge.from);
const endOf = ({ edge, isBack }: Way): number => (isBack ? edge.from : edge.to);

/** The direction in which a way leaves its start, as an angle, and how it bends from there. */
function leaving({ edge, isBack }: Way): { angle: number; later: number } {
  const { curve, t0, t1, p0, p1 } = edge.stretch;
  const [from, by] = isBack ? [t1, t0 - t1] : [t0, t1 - t0];
  const start = isBack ? p1 : p0;
  const towards = (share: number): number => {
    const [x, y] = curve.at(from + share * by);
    return Math.atan2(y - start[1], x - start[0]);
  };
  return { angle: towards(0.02), later: towards(0.3) };
}

/** From one angle clockwise to another, 0 to a full turn. */
const clockwise = (from: number, to: number): number => {
  const turn = (to - from) % (2 * Math.PI);
  return turn < 0 ? turn + 2 * Math.PI : turn;
};

/** Contours along ways, each of which is run once. Where several go on, the one that keeps closest to what is bounded is taken. Throws an OpenEnd. */
export function linked(arrangement: Arrangement, ways: readonly Way[]): Contour[] {
  const out = new Map<number, Way[]>();
  for (const way of ways) out.set(startOf(way), [...(out.get(startOf(way)) ?? []), way]);
  const used = new Set<Way>();
  const contours: Contour[] = [];
  for (const first of ways) {
    if (used.has(first)) continue;
    const loop: Way[] = [];
    let way = first;
    do {
      used.add(way);
      loop.push(way);
      const next = following(
        way,
        (out.get(endOf(way)) ?? []).filter((w) => !used.has(w) || w === first),
      );
      if (!next) throw new OpenEnd('an outline does not close');
      way = next;
    } while (way !== first);
    const contour = contourOf(arrangement, loop);
    if (contour) contours.push(contour);
  }
  return contours;
}

function following(way: Way, candidates: readonly Way[]): Way | null {
  if (candidates.length < 2) return candidates[0] ?? null;
  const back = leaving({ edge: way.edge, isBack: !way.isBack });
  const turned = candidates.map((candidate) => {
    const { angle, later } = leaving(candidate);
    // What is bounded lies to the right: the first one counter-clockwise from where one came.
    const turn = clockwise(angle, back.angle);
    return {
      candidate,
      turn: Math.abs(turn) < 1e-4 || turn > 2 * Math.PI - 1e-4 ? clockwise(later, back.later) : turn,
    };
  });
  return turned.reduce((p, q) => (q.turn < p.turn ? q : p)).candidate;
}

/** A run along one curve. */
interface Run {
  readonly curve: number;
  readonly t0: number;
  readonly t1: number;
  readonly from: number;
  readonly to: number;
}

function contourOf({ curves, places }: Arrangement, loop: readonly Way[]): Contour | null {
  const runs: Run[] = [];
  const add = (run: Run): void => {
    const last = runs[runs.length - 1];
    if (last && goesOn(last, run)) runs[runs.length - 1] = { ...last, t1: run.t1, to: run.to };
    else runs.push(run);
  };
  for (const { edge, isBack } of loop)
    add(
      isBack
        ? { curve: edge.curve, t0: edge.t1, t1: edge.t0, from: edge.to, to: edge.from }
        : { curve: edge.curve, t0: edge.t0, t1: edge.t1, from: edge.from, to: edge.to },
    );
  const [first] = runs;
  const last = runs[runs.length - 1];
  if (runs.length > 1 && goesOn(last, first)) {
    runs[0] = { ...first, t0: last.t0, from: last.from };
    runs.pop();
  }
  const segments = runs.map((run) => segmentOf(curves[run.curve], run, places));
  const contour = begunAtCorner(places[runs[0].from], straightened(places[runs[0].from], segments));
  return isThin(contour) ? null : contour;
}

const goesOn = (p: Run, q: Run): boolean =>
  p.curve === q.curve && Math.abs(p.t1 - q.t0) < 1e-9 && (p.t1 - p.t0) * (q.t1 - q.t0) > 0;

/** The segment of a run, from place to place. */
function segmentOf({ from, segment }: Curve, run: Run, places: readonly Point[]): Segment {
  const [start, to] = [places[run.from], places[run.to]];
  const [lo, hi] = [Math.min(run.t0, run.t1), Math.max(run.t0, run.t1)];
  const part = partOf(from, segment, lo, hi);
  const whole: Contour = { start: part.start, segments: [part.segment] };
  const way = run.t1 > run.t0 ? whole : reverseContour(whole);
  const [one] = way.segments;
  if (one.kind === 'line') return { kind: 'line', to };
  if (one.kind === 'arc') return { ...one, to };
  // Handles go with their ends, which are no further than a thousandth of a pixel from where they were.
  const moved = (p: Point, was: Point, is: Point): Point => [p[0] + is[0] - was[0], p[1] + is[1] - was[1]];
  return { kind: 'curve', c1: moved(one.c1, way.start, start), c2: moved(one.c2, one.to, to), to };
}

/** How far a point between two lines may lie off the line that takes their place, in pixels. */
const STRAIGHT_PX = 1e-3;

/** Lines that go on in one direction as one: where something was taken away from along an edge, no point needs to stay. */
function straightened(start: Point, segments: readonly Segment[]): Segment[] {
  const out: Segment[] = [];
  let before = start;
  for (const s of segments) {
    const last = out[out.length - 1];
    if (s.kind === 'line' && last?.kind === 'line' && isBetween(before, last.to, s.to)) out[out.length - 1] = s;
    else {
      if (last) before = last.to;
      out.push(s);
    }
  }
  return out;
}

/** A closed outline that does not begin in the middle of a line. */
function begunAtCorner(start: Point, segments: readonly Segment[]): Contour {
  const [first] = segments;
  const last = segments[segments.length - 1];
  const before = segments[segments.length - 2];
  if (segments.length > 2 && first.kind === 'line' && last.kind === 'line' && isBetween(before.to, start, first.to))
    return { start: before.to, segments: segments.slice(0, -1) };
  return { start, segments };
}

function isBetween(p: Point, q: Point, r: Point): boolean {
  const [dx, dy] = [r[0] - p[0], r[1] - p[1]];
  const length = Math.hypot(dx, dy);
  if (length === 0) return false;
  const along = ((q[0] - p[0]) * dx + (q[1] - p[1]) * dy) / length;
  const off = ((q[0] - p[0]) * dy - (q[1] - p[1]) * dx) / length;
  return Math.abs(off) < STRAIGHT_PX && along > 0 && along < length;
}

/** Whether a contour encloses next to nothing for its length. */
function isThin(contour: Contour): boolean {
  const points = flatten(contour, 0.01);
  let around = 0;
  for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2)
    around += Math.hypot(points[i] - points[j], points[i + 1] - points[j + 1]);
  return 2 * Math.abs(signedArea(points)) < THIN_PX * around;
}
