/** What lies on either side of each edge: how often each area winds about it. */
import type { Point } from '../point';
import type { Arrangement, Edge } from './arrange';
import { whereAt } from './curve';

/** For each edge, of each area how often it winds about what is to its left and to its right, seen along it with y downwards. */
export interface Sides {
  readonly left: Int32Array;
  readonly right: Int32Array;
}

/** Edges in bands across one axis (0 for x, 1 for y), so that a ray along the other meets few of them. */
class Bands {
  /** Numbers of the edges in each band. */
  private readonly bands: number[][];
  private readonly lo: number;
  private readonly size: number;
  /** Of each edge, where it begins and ends along the axis, and between what it lies across it. */
  private readonly begins: Float64Array;
  private readonly ends: Float64Array;
  private readonly least: Float64Array;
  private readonly most: Float64Array;

  constructor(
    private readonly edges: readonly Edge[],
    places: readonly Point[],
    private readonly axis: 0 | 1,
  ) {
    const other = axis === 0 ? 1 : 0;
    // Of their places, where the next edge begins with the same number: between their own ends a ray could slip through.
    this.begins = Float64Array.from(edges, (e) => places[e.from][axis]);
    this.ends = Float64Array.from(edges, (e) => places[e.to][axis]);
    this.least = Float64Array.from(edges, (e) => Math.min(e.stretch.p0[other], e.stretch.p1[other]));
    this.most = Float64Array.from(edges, (e) => Math.max(e.stretch.p0[other], e.stretch.p1[other]));
    let [lo, hi] = [Infinity, -Infinity];
    for (let k = 0; k < edges.length; k++) {
      lo = Math.min(lo, this.begins[k], this.ends[k]);
      hi = Math.max(hi, this.begins[k], this.ends[k]);
    }
    const count = Math.max(1, Math.min(MOST_BANDS, edges.length));
    this.lo = lo;
    this.size = (hi - lo) / count || 1;
    this.bands = Array.from({ length: count + 1 }, () => []);
    for (let k = 0; k < edges.length; k++) {
      const [a, b] = [this.bandOf(this.begins[k]), this.bandOf(this.ends[k])];
      for (let band = Math.min(a, b); band <= Math.max(a, b); band++) this.bands[band].push(k);
    }
  }

  private bandOf(value: number): number {
    return Math.max(0, Math.min(this.bands.length - 1, Math.floor((value - this.lo) / this.size)));
  }

  /** How many edges a ray at a value may meet. */
  countAt(value: number): number {
    return this.bands[this.bandOf(value)].length;
  }

  /** Counts what a ray from an edge towards less of the other axis meets, where that edge has a value of this one; false where something lies too near to say. */
  look(number: number, value: number, into: Int32Array): boolean {
    const { axis, begins, ends, least, most, edges } = this;
    const other = axis === 0 ? 1 : 0;
    const { stretch } = edges[number];
    const place = stretch.curve.at(whereAt(stretch, axis, value))[other];
    into.fill(0);
    let clear = true;
    for (const k of this.bands[this.bandOf(value)]) {
      const [a, b] = [begins[k], ends[k]];
      // Half open, so that where one ends and the next begins just one of them counts.
      if (!(a <= value ? b > value : b <= value) || least[k] > place || k === number) continue;
      const { stretch: met, runs } = edges[k];
      if (most[k] >= place) {
        const at = met.curve.at(whereAt(met, axis, value))[other];
        if (Math.abs(at - place) < CLEAR_PX) clear = false;
        if (at > place) continue;
      }
      const way = (axis === 1 ? b < a : b > a) ? 1 : -1;
      for (let area = 0; area < into.length; area++) into[area] += runs[area] * way;
    }
    return clear;
  }
}

const MOST_BANDS = 4096;
/** Where along an edge its sides are looked at: the first place from which it is clear on which side everything else lies. */
const SHARES = [0.5, 0.37, 0.66, 0.21, 0.83, 0.45, 0.59];
/** Nearer than this to the place is not clear, in pixels. */
const CLEAR_PX = 1e-6;
/** An edge wider and higher than this is met well enough by rays along either axis, in pixels. */
const SLANTS_PX = 0.001;

/** The windings on both sides of every edge, by a ray from a place on it across the way it runs. */
export function sidesOf({ edges, places }: Arrangement, areas: number): Sides[] {
  if (!edges.length) return [];
  const byY = new Bands(edges, places, 1);
  const byX = new Bands(edges, places, 0);
  return edges.map((edge, number) => {
    const { p0, p1 } = edge.stretch;
    const [wide, high] = [Math.abs(p1[0] - p0[0]), Math.abs(p1[1] - p0[1])];
    // A ray across the way it runs is surest; one that meets far less will do where the edge does not lie along it.
    const [inX, inY] = [byX.countAt((p0[0] + p1[0]) / 2), byY.countAt((p0[1] + p1[1]) / 2)];
    const isSteep = high >= wide ? !(wide > SLANTS_PX && 4 * inX < inY) : high > SLANTS_PX && 4 * inY < inX;
    const along = isSteep ? 1 : 0;
    const before = new Int32Array(areas);
    for (const share of SHARES) {
      const value = p0[along] + share * (p1[along] - p0[along]);
      if ((isSteep ? byY : byX).look(number, value, before)) break;
    }
    // Up a steep edge, or to the right along a flat one, the side with more x, or more y, is the right one.
    const isOn = isSteep ? p1[1] < p0[1] : p1[0] > p0[0];
    const after = before.map((w, k) => w + edge.runs[k] * (isOn ? 1 : -1));
    return isOn ? { left: before, right: after } : { left: after, right: before };
  });
}
