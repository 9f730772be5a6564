/**
 * Edges that go on where others end on them. Where three areas meet, mostly one of the edges is the outline of what lies in front, and the third
 * ends on it: the two that go on in each other are fitted as one, which is then smooth there, and cut where the third one ends.
 */
import { crossingOf, dot, length, minus, plus, type Point, straightThrough, unit } from '../path';
import { BEYOND, chainOf, cornerOf, type Chain, type ChainMap } from './chains';
import type { Located } from '../fit';

/** Chains that go on in each other. */
export interface Route {
  /** Numbers of chains in order; negative minus one where a chain is run backwards. */
  readonly chains: readonly number[];
  readonly closed: boolean;
  readonly located: Located;
  /** Where each joint of two chains lies, as an index of a located point: one less than the chains, or as many when closed. */
  readonly joints: readonly number[];
}

/** An end of a chain: twice its number, and one more for its last end. */
type End = number;

/** A place where edges meet. */
export interface Meeting {
  readonly corner: Point;
  /** All ends of chains there. */
  readonly ends: readonly End[];
  /** Of those, the two that go on in each other, if any do. */
  readonly through: readonly [End, End] | null;
  /** Where the others end on those, about. */
  readonly pin: Point | null;
}

export interface Routes {
  readonly list: readonly Route[];
  /** By the corner's number. */
  readonly meetings: ReadonlyMap<number, Meeting>;
}

/**
 * How far from a meeting edges are spoilt by it, against how far a picture is softened, and how many pixels of them from there on are asked how they
 * go on: in turn, until some do.
 */
const ASKED = [
  [1, 7],
  [1, 4],
  [1.5, 7],
  [2, 8],
] as const;

/** How far off a curve points of edges that go on in each other may lie, in pixels: at least, and against what noise may move them by. */
const OFF_PX = 0.1;
const OFF_DOUBT = 1;

/** The most that an edge bends about a meeting, in radians. */
const MOST_TURN_RAD = 1.3;

/** A corner is told from a bend when two lines explain it so much better than a curve does, and turn by more than this. */
const CORNER_BETTER = 1.7;
const CORNER_RAD = 0.15;

/** So far from a meeting, beyond what that spoils, is asked where an edge ends. */
const PIN_REACH_PX = 4;

/** What ends on an edge at an angle of a lesser sine than this ends there nobody knows where. */
const GRAZING = 0.25;

/** A place where an edge ends on another is not further than this from the corner of the pixels, in pixels. */
const FAR_PX = 1.8;

/** What of an edge leads to a meeting. */
interface Arm {
  readonly end: End;
  /** Points from near the meeting outwards. */
  readonly points: readonly Point[];
  /** How many points lie nearer to the meeting and are spoilt by it. */
  readonly spoilt: number;
}

/** How two arms go on in each other. */
interface Bend {
  readonly ends: readonly [End, End];
  /** How far along a point lies, from the meeting; and the point of the bend that lies so far along, and its direction there. */
  readonly alongOf: (p: Point) => number;
  readonly at: (along: number) => Point;
  readonly directionAt: (along: number) => Point;
  readonly score: number;
  /** Points between the arms, from the first to the second. */
  readonly fill: readonly Point[];
}

/** Finds which chains go on in each other. */
export function findRoutes(
  { chains }: ChainMap,
  located: readonly Located[],
  w: number,
  h: number,
  softPx: number,
): Routes {
  const bends = new Bends(chains, located, w, h, softPx);
  const joined = new Joined(chains, located);
  const meetings = new Map<number, Meeting>();
  for (const [key, list] of endsByCorner(chains, w)) {
    const x = key % (w + 1);
    const corner: Point = [x, (key - x) / (w + 1)];
    const found = bends.bendAt(corner, list);
    if (!found) {
      meetings.set(key, { corner, ends: list, through: null, pin: null });
      continue;
    }
    joined.join(found.bend, found.spoilt);
    meetings.set(key, { corner, ends: list, through: found.bend.ends, pin: bends.pinOf(found.bend, corner, list) });
  }
  return { list: joined.walk(), meetings };
}

/** The ends of chains by the number of the corner that they lie at. */
function endsByCorner(chains: readonly Chain[], w: number): Map<number, End[]> {
  const ends = new Map<number, End[]>();
  chains.forEach((c, i) => {
    if (c.closed) return;
    for (const last of [0, 1]) {
      const key = cornerOf(chains, i, last === 1, w);
      const list = ends.get(key);
      if (list) list.push(2 * i + last);
      else ends.set(key, [2 * i + last]);
    }
  });
  return ends;
}

/** How edges bend about their meetings: parabolas through points of two arms, by least squares (their normal equations solved by Cramer's rule). */
class Bends {
  constructor(
    private readonly chains: readonly Chain[],
    private readonly located: readonly Located[],
    private readonly w: number,
    private readonly h: number,
    private readonly softPx: number,
  ) {}

  private armOf(end: End, corner: Point, nearPx: number, reachPx: number): Arm | null {
    const chain = this.chains[end >> 1];
    if (chain.left === BEYOND || chain.right === BEYOND) return null;
    const { points } = this.located[end >> 1];
    const n = points.length / 2;
    const at = (k: number): Point => {
      const i = end & 1 ? n - 1 - k : k;
      return [points[2 * i], points[2 * i + 1]];
    };
    const far = chain.corners.length - 2;
    const other: Point = end & 1 ? [chain.corners[0], chain.corners[1]] : [chain.corners[far], chain.corners[far + 1]];
    let first = 0;
    while (first < n && length(minus(at(first), corner)) < nearPx) first++;
    const out: Point[] = [];
    for (let k = first; k < n; k++) {
      const p = at(k);
      if (length(minus(p, corner)) > nearPx + reachPx || length(minus(p, other)) < this.softPx) break;
      out.push(p);
    }
    return out.length < 3 ? null : { end, points: out, spoilt: first };
  }

  /** The two ends at a corner that go on in each other best, or null when none do. */
  bendAt(corner: Point, list: readonly End[]): { bend: Bend; spoilt: readonly (readonly [End, number])[] } | null {
    if (list.length < 3 || corner[0] === 0 || corner[1] === 0 || corner[0] === this.w || corner[1] === this.h)
      return null;
    for (const [near, reachPx] of ASKED) {
      const arms = list.map((e) => this.armOf(e, corner, near * this.softPx, reachPx)).filter((a) => a !== null);
      let best: Bend | null = null;
      for (const [k, q] of arms.entries())
        for (const p of arms.slice(0, k)) {
          const bend = this.bendOf(corner, p, q);
          if (bend && (!best || bend.score < best.score)) best = bend;
        }
      if (!best) continue;
      const { ends } = best;
      return { bend: best, spoilt: arms.filter((a) => ends.includes(a.end)).map((a) => [a.end, a.spoilt] as const) };
    }
    return null;
  }

  private bendOf(origin: Point, p: Arm, q: Arm): Bend | null {
    const along = unit(minus(meanOf(q.points), meanOf(p.points)));
    const across: Point = [-along[1], along[0]];
    const placed = (points: readonly Point[]) =>
      points.map((point) => {
        const d = minus(point, origin);
        return [dot(d, along), dot(d, across)] as const;
      });
    const [before, after] = [placed(p.points), placed(q.points)];
    const [from, to] = [Math.max(...before.map(([u]) => u)), Math.min(...after.map(([u]) => u))];
    if (from >= to) return null;
    const all = [...before, ...after];
    const by = parabola(all);
    if (!by) return null;
    const off = all.map(([u, v]) => v - by[0] - by[1] * u - by[2] * u * u);
    const rms = Math.sqrt(off.reduce((sum, v) => sum + v * v, 0) / off.length);
    const doubt = Math.max(this.located[p.end >> 1].doubtPx, this.located[q.end >> 1].doubtPx);
    const limit = OFF_PX + OFF_DOUBT * doubt;
    if (rms > limit / 2 || off.some((v) => Math.abs(v) > limit)) return null;
    const us = all.map(([u]) => u);
    const slope = (u: number) => Math.atan(by[1] + 2 * by[2] * u);
    const turn = Math.abs(slope(Math.max(...us)) - slope(Math.min(...us)));
    if (turn > MOST_TURN_RAD) return null;
    const lines = [before, after].map(lineThrough);
    const kink = Math.abs(Math.atan(lines[0].slope) - Math.atan(lines[1].slope));
    const asLines = Math.sqrt((lines[0].squares + lines[1].squares) / all.length);
    if (kink > CORNER_RAD && CORNER_BETTER * asLines + 0.01 < rms) return null;
    const at = (u: number): Point => plus(plus(origin, along, u), across, by[0] + by[1] * u + by[2] * u * u);
    const steps = Math.max(1, Math.round(to - from));
    return {
      ends: [p.end, q.end],
      alongOf: (point) => dot(minus(point, origin), along),
      at,
      directionAt: (u) => unit(plus(along, across, by[1] + 2 * by[2] * u)),
      score: rms + 0.2 * turn,
      fill: Array.from({ length: steps - 1 }, (_, k) => at(from + ((to - from) * (k + 1)) / steps)),
    };
  }

  /** Where the edges that end on a bend do so. */
  pinOf({ ends: through, alongOf, at, directionAt }: Bend, corner: Point, list: readonly End[]): Point {
    for (const end of list) {
      if (through.includes(end)) continue;
      const arm = this.armOf(end, corner, this.softPx, PIN_REACH_PX);
      if (!arm) continue;
      const { middle, direction } = straightThrough(arm.points);
      // The tangent at the crossing before, twice again.
      let u = 0;
      for (let round = 0; round < 3; round++) {
        const crossing = crossingOf(at(u), directionAt(u), middle, direction, GRAZING);
        if (!crossing) break;
        u = alongOf(crossing);
        if (Math.abs(u) > FAR_PX) break;
        if (round === 2) return at(u);
      }
    }
    return at(0);
  }
}

/** Ends that go on in each other, and the routes that this makes. */
class Joined {
  private readonly partner = new Map<End, End>();
  private readonly spoilt = new Map<End, number>();
  private readonly fills = new Map<End, readonly Point[]>();

  constructor(
    private readonly chains: readonly Chain[],
    private readonly located: readonly Located[],
  ) {}

  /** Takes note of two ends that go on in each other, and of how many points of each are spoilt by the meeting. */
  join({ ends: [p, q], fill }: Bend, spoilt: readonly (readonly [End, number])[]): void {
    this.partner.set(p, q);
    this.partner.set(q, p);
    this.fills.set(p, fill);
    this.fills.set(q, [...fill].reverse());
    for (const [end, points] of spoilt) this.spoilt.set(end, points);
  }

  walk(): Route[] {
    const out: Route[] = [];
    const { chains, located, partner } = this;
    const used = new Uint8Array(chains.length);
    /** From an end of a chain that a route comes out of, to the signed number of the next chain. */
    const next = (n: number): number | null => {
      const leaves = n < 0 ? 2 * (-n - 1) : 2 * n + 1;
      const enters = partner.get(leaves);
      return enters === undefined ? null : enters & 1 ? -(enters >> 1) - 1 : enters >> 1;
    };
    chains.forEach((chain, i) => {
      if (used[i]) return;
      if (chain.closed) {
        used[i] = 1;
        out.push({ chains: [i], closed: true, located: located[i], joints: [] });
        return;
      }
      // Back to where the route begins, which is here again when it is closed.
      let first = -i - 1;
      let closed = false;
      for (let n = next(first); n !== null; n = next(n)) {
        if (n === -i - 1) {
          closed = true;
          break;
        }
        first = n;
      }
      const start = closed ? i : -first - 1;
      const list: number[] = [];
      for (let n: number | null = start; n !== null && (list.length === 0 || n !== start); n = next(n)) {
        list.push(n);
        used[chainOf(n)] = 1;
      }
      out.push(this.routeOf(list, closed));
    });
    return out;
  }

  private routeOf(list: readonly number[], closed: boolean): Route {
    const { located, spoilt, fills } = this;
    const points: number[] = [];
    const scatter: number[] = [];
    const joints: number[] = [];
    list.forEach((n, k) => {
      const i = chainOf(n);
      const from = located[i];
      const count = from.points.length / 2;
      const [enters, leaves] = n < 0 ? [2 * i + 1, 2 * i] : [2 * i, 2 * i + 1];
      // Only ends that go on in another have points that are spoilt.
      const [skip, drop] = [spoilt.get(enters) ?? 0, spoilt.get(leaves) ?? 0];
      for (let m = skip; m < count - drop; m++) {
        const j = n < 0 ? count - 1 - m : m;
        points.push(from.points[2 * j], from.points[2 * j + 1]);
        scatter.push(from.scatterPx[j]);
      }
      if (!closed && k === list.length - 1) return;
      const fill = fills.get(leaves) ?? [];
      const after = chainOf(list[(k + 1) % list.length]);
      joints.push(points.length / 2 + (fill.length >> 1));
      for (const p of fill) {
        points.push(p[0], p[1]);
        scatter.push(Math.max(from.scatterPx[0], located[after].scatterPx[0]));
      }
    });
    return {
      chains: list,
      closed,
      located: {
        points: Float64Array.from(points),
        scatterPx: Float64Array.from(scatter),
        doubtPx: Math.max(...list.map((n) => located[chainOf(n)].doubtPx)),
      },
      joints,
    };
  }
}

const meanOf = (points: readonly Point[]): Point => {
  let [x, y] = [0, 0];
  for (const p of points) {
    x += p[0] / points.length;
    y += p[1] / points.length;
  }
  return [x, y];
};

function lineThrough(points: readonly (readonly [number, number])[]): { slope: number; squares: number } {
  const n = points.length;
  const [mu, mv] = [0, 1].map((c) => points.reduce((sum, p) => sum + p[c], 0) / n);
  let [uu, uv] = [1e-9, 0];
  for (const [u, v] of points) {
    uu += (u - mu) ** 2;
    uv += (u - mu) * (v - mv);
  }
  const slope = uv / uu;
  return { slope, squares: points.reduce((sum, [u, v]) => sum + (v - mv - slope * (u - mu)) ** 2, 0) };
}

/** The parabola that lies nearest to points, by least squares: its height by powers; null where they say too little. */
function parabola(points: readonly (readonly [number, number])[]): [number, number, number] | null {
  const s = [0, 0, 0, 0, 0];
  const t = [0, 0, 0];
  for (const [u, v] of points) {
    let power = 1;
    for (let k = 0; k < 5; k++) {
      s[k] += power;
      if (k < 3) t[k] += power * v;
      power *= u;
    }
  }
  const column = (k: number): [number, number, number] => [s[k], s[k + 1], s[k + 2]];
  const det = (a: number[], b: number[], c: number[]): number =>
    a[0] * (b[1] * c[2] - b[2] * c[1]) - b[0] * (a[1] * c[2] - a[2] * c[1]) + c[0] * (a[1] * b[2] - a[2] * b[1]);
  const [a, b, c] = [column(0), column(1), column(2)];
  const whole = det(a, b, c);
  if (Math.abs(whole) < 1e-6) return null;
  return [det(t, b, c) / whole, det(a, t, c) / whole, det(a, b, t) / whole];
}
