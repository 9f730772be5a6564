/** Outlines cut where they meet, and for every edge between two such places what lies on its either side. */
import { closeContour } from '../contour';
import type { Contour, FillRule } from '../outline';
import type { Point } from '../point';
import { curveOf, stretchesOf, whereAt, type Curve, type Stretch } from './curve';
import { meetings } from './meet';

/** An area: what contours enclose by a rule. */
export interface Enclosed {
  readonly contours: readonly Contour[];
  readonly rule?: FillRule;
}

/** A part of a curve between two places where outlines meet or turn back. */
export interface Edge {
  /** The curve that it is part of, by number. */
  readonly curve: number;
  readonly t0: number;
  readonly t1: number;
  /** Numbers of the places at its ends. */
  readonly from: number;
  readonly to: number;
  readonly stretch: Stretch;
  /** For each area how often it runs along here in this direction, less how often in the other. */
  readonly runs: Int32Array;
}

export interface Arrangement {
  readonly curves: readonly Curve[];
  readonly places: readonly Point[];
  readonly edges: readonly Edge[];
}

/** Places nearer than this are one, in pixels. */
const SNAP_PX = 1.5e-3;
/** Edges between the same two places that lie nearer than this are one: what is between is no piece. */
const MERGE_PX = 0.02;

/** Numbers of places, so that those near each other have one. */
class Places {
  readonly list: Point[] = [];
  private readonly cells = new Map<string, number[]>();

  constructor(private readonly snapPx: number) {}

  of(point: Point): number {
    const [cx, cy] = [Math.floor(point[0] / this.snapPx), Math.floor(point[1] / this.snapPx)];
    let [best, least] = [-1, this.snapPx];
    for (let y = cy - 1; y <= cy + 1; y++)
      for (let x = cx - 1; x <= cx + 1; x++)
        for (const k of this.cells.get(`${x} ${y}`) ?? []) {
          const far = Math.hypot(this.list[k][0] - point[0], this.list[k][1] - point[1]);
          if (far < least) [best, least] = [k, far];
        }
    if (best >= 0) return best;
    const key = `${cx} ${cy}`;
    this.cells.set(key, [...(this.cells.get(key) ?? []), this.list.length]);
    this.list.push(point);
    return this.list.length - 1;
  }
}

/** Cuts the outlines of areas wherever they meet. */
export function arrange(areas: readonly Enclosed[], slack = 1): Arrangement {
  const curves: Curve[] = [];
  const area: number[] = [];
  areas.forEach(({ contours }, k) => {
    for (const contour of contours) {
      const closed = closeContour(contour);
      let from = closed.start;
      for (const segment of closed.segments) {
        const curve = curveOf(from, segment);
        // What goes nowhere bounds nothing.
        const goes = segment.to[0] !== from[0] || segment.to[1] !== from[1] || segment.kind === 'curve';
        if (goes) {
          curves.push(curve);
          area.push(k);
        }
        from = segment.to;
      }
    }
  });
  const cuts = cutsOf(curves);
  const places = new Places(SNAP_PX * slack);
  // Ends of segments are places before any crossing is: those are where they were drawn.
  for (const { from, segment } of curves) {
    places.of(from);
    places.of(segment.to);
  }
  const byEnds = new Map<string, Edge[]>();
  const edges: Edge[] = [];
  curves.forEach((curve, number) => {
    for (const stretch of stretchesOf(curve, cuts[number])) {
      const [from, to] = [places.of(stretch.p0), places.of(stretch.p1)];
      if (from === to) continue;
      const middle = curve.at((stretch.t0 + stretch.t1) / 2);
      const key = from < to ? `${from} ${to}` : `${to} ${from}`;
      const same = byEnds.get(key)?.find((e) => runsWith(e.stretch, middle));
      if (same) {
        same.runs[area[number]] += same.from === from ? 1 : -1;
        continue;
      }
      const runs = new Int32Array(areas.length);
      runs[area[number]] = 1;
      const edge: Edge = { curve: number, t0: stretch.t0, t1: stretch.t1, from, to, stretch, runs };
      byEnds.set(key, [...(byEnds.get(key) ?? []), edge]);
      edges.push(edge);
    }
  });
  return { curves, places: places.list, edges: edges.filter((e) => e.runs.some((n) => n !== 0)) };
}

/** Whether a stretch comes as near to a point as makes it the same as one through it. */
function runsWith(stretch: Stretch, [x, y]: Point): boolean {
  const { curve, t0, t1 } = stretch;
  const [px, py] = curve.at((t0 + t1) / 2);
  if (Math.hypot(px - x, py - y) < MERGE_PX) return true;
  // Parameters run unevenly along curves of different kinds: the point of the same height, or breadth, is compared too.
  const axis = Math.abs(stretch.p1[0] - stretch.p0[0]) > Math.abs(stretch.p1[1] - stretch.p0[1]) ? 0 : 1;
  const value = axis === 0 ? x : y;
  const [lo, hi] = [Math.min(stretch.p0[axis], stretch.p1[axis]), Math.max(stretch.p0[axis], stretch.p1[axis])];
  if (value < lo || value > hi) return false;
  const at = curve.at(whereAt(stretch, axis, value));
  return Math.abs(at[1 - axis] - (axis === 0 ? y : x)) < MERGE_PX;
}

/** For each curve the parameters at which others, or itself, meet it. */
function cutsOf(curves: readonly Curve[]): number[][] {
  const all = curves.flatMap((curve, number) =>
    stretchesOf(curve).map((stretch) => {
      const { p0, p1 } = stretch;
      return {
        number,
        stretch,
        x0: Math.min(p0[0], p1[0]) - NEAR_PX,
        x1: Math.max(p0[0], p1[0]) + NEAR_PX,
        y0: Math.min(p0[1], p1[1]) - NEAR_PX,
        y1: Math.max(p0[1], p1[1]) + NEAR_PX,
      };
    }),
  );
  all.sort((p, q) => p.x0 - q.x0);
  const cuts: number[][] = curves.map(() => []);
  let active: typeof all = [];
  for (const one of all) {
    active = active.filter((o) => o.x1 >= one.x0);
    for (const other of active) {
      if (other.y1 < one.y0 || other.y0 > one.y1) continue;
      for (const { t, u } of meetings(one.stretch, other.stretch)) {
        cuts[one.number].push(t);
        cuts[other.number].push(u);
      }
    }
    active.push(one);
  }
  return cuts.map((ts) => tidied(ts));
}

const NEAR_PX = 2e-3;

/** Parameters in order, each once, without the ends. */
function tidied(ts: readonly number[]): number[] {
  const out: number[] = [];
  for (const t of [...ts].sort((p, q) => p - q))
    if (t > 1e-9 && t < 1 - 1e-9 && (!out.length || t - out[out.length - 1] > 1e-10)) out.push(t);
  return out;
}
