/** Fewer points for the same shape. */
import { breaksOf, fitArc, fitChain, fitCubic, fitLine, measure, type Fit, type Run, type Spans } from '../fit';
import {
  arcGeometry,
  length,
  mapContour,
  minus,
  plus,
  pointAt,
  scaleAndMove,
  tangentsOf,
  turnBetween,
  turnsOf,
  unit,
  type Contour,
  type Point,
  type Segment,
} from '../path';
import { chainsOf, walked, type Chain } from './chains';
import { Lines, polylineOf, strayOf } from './lines';

type Line = Pick<Chain, 'start' | 'segments'>;

/** Outlines are fitted at a scale at which the tolerance is this long, in px, and no larger than the second. */
const TOLERANCE_PX = 0.2;
const SCALE_MOST = 100;

/** Directions at a joint that differ by less than this go on in one another, in radians. */
const SMOOTH_RAD = 0.06;

/** An arc turns by no more than this: beyond, the smallest rounding of its radius moves it. */
const ARC_MOST_RAD = 1.2 * Math.PI;

/** A segment is looked at in so many places, lines and others at least, and about every pixel between. */
const [LINE_PLACES, CURVE_PLACES, PLACES_MOST] = [2, 8, 64];

/** Corners that are looked for among places of no joint turn by at least this, in radians, as in traces. */
const CORNER_RAD = 0.5;

/** More places than this on one chain are too many to look for breaks anywhere: joints are left out alone. */
const FREE_MOST = 30_000;

/** How near, against the tolerance, a chain is followed anew, one after the other. */
const FOLLOWED = [0.75, 0.5] as const;

/** How finely outlines are drawn to be measured, and how far apart they are measured, against the tolerance. */
const FINE = 0.02;
const STEP = 2;

/** Outlines nearer to one another than this share of the tolerance touch. */
const TOUCHING = 0.25;

/** By how much the tolerance is made finer when outlines would cross that did not, one after the other; then they stay. */
const FINER = [0.5, 0.25] as const;

/** The joints of a chain as places to break it at: each joint stays where it is, or goes. */
class Joints implements Spans {
  readonly n: number;
  readonly tolerance: number;
  private readonly run: Run;
  /** Where each joint lies in the run. */
  private readonly at: number[] = [0];
  private readonly points: Point[];
  /** The directions in which each joint is come to and left. */
  private readonly into: (Point | null)[] = [null];
  private readonly out: (Point | null)[] = [];
  private readonly known = new Map<number, Fit | null>();

  constructor(
    private readonly chain: Line,
    tolerance: number,
    /** Of a closed chain: what comes to its start goes on there. */
    closed: boolean,
  ) {
    const { start, segments } = chain;
    this.tolerance = tolerance;
    this.n = segments.length + 1;
    this.points = [start, ...segments.map((s) => s.to)];
    const xs = [start[0]];
    const ys = [start[1]];
    segments.forEach((s, k) => {
      const from = this.points[k];
      const [out, into] = tangentsOf(from, s);
      this.out.push(out);
      this.into.push(into);
      const places = placesOn(from, s);
      for (let m = 1; m <= places; m++) {
        const [x, y] = m === places ? s.to : pointAt(from, s, m / places);
        xs.push(x);
        ys.push(y);
      }
      this.at.push(xs.length - 1);
    });
    this.out.push(null);
    if (closed) {
      this.into[0] = this.into[this.n - 1];
      this.out[this.n - 1] = this.out[0];
    }
    this.run = { xs: Float64Array.from(xs), ys: Float64Array.from(ys) };
  }

  least(i: number): Fit {
    return { segment: this.chain.segments[i], greatest: 0, squares: 0 };
  }

  fit(i: number, j: number): Fit | null {
    if (j === i + 1) return this.least(i);
    const key = i * this.n + j;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const fit = this.fitted(i, j);
    this.known.set(key, fit);
    return fit;
  }

  private fitted(i: number, j: number): Fit | null {
    const { run } = this;
    const [a, b] = [this.at[i], this.at[j]];
    const [from, to] = [this.points[i], this.points[j]];
    const [first, last] = [this.directionAt(i, 'out'), this.directionAt(j, 'into')];
    // Lines and arcs are held against all places, curves against some of them.
    const isNear = (fit: Fit | null): fit is Fit => fit !== null && fit.greatest <= this.tolerance;
    const isTrue = (fit: Fit | null): fit is Fit =>
      isNear(fit) && measure(run, a, b, from, fit.segment).greatest <= this.tolerance;
    const goesOn = ({ segment }: Fit): boolean => {
      const [out, into] = tangentsOf(from, segment);
      return (
        (!first.smooth || turnBetween(out, first.way) < SMOOTH_RAD) &&
        (!last.smooth || turnBetween(into, last.way) < SMOOTH_RAD)
      );
    };
    const line = fitLine(run, a, b, from, to);
    if (isNear(line) && goesOn(line)) return line;
    const arc = fitArc(run, a, b, from, to, 8 * this.tolerance);
    if (isNear(arc) && goesOn(arc) && turnOf(from, arc.segment) < ARC_MOST_RAD) return arc;
    const whole = this.rejoined(i, j);
    if (whole) {
      const off = measure(run, a, b, from, whole);
      if (off.greatest <= this.tolerance)
        return { segment: whole, greatest: off.greatest, squares: off.greatest * off.sum };
    }
    const cubic = fitCubic(run, a, b, from, to, first.way, last.way, 6, 16 * this.tolerance);
    if (isTrue(cubic)) return cubic;
    if (first.smooth && last.smooth) return null;
    // Where it ends in a corner, nothing holds its direction.
    const free = fitCubic(
      run,
      a,
      b,
      from,
      to,
      first.smooth ? first.way : null,
      last.smooth ? last.way : null,
      6,
      16 * this.tolerance,
    );
    return isTrue(free) ? free : null;
  }

  /** The one cubic that curves between two joints were cut from, if they were: their shares of it show in how their handles grow. */
  private rejoined(i: number, j: number): Segment | null {
    let [shares, last] = [1, 1];
    for (let k = i; k < j; k++) {
      const s = this.chain.segments[k];
      if (s.kind !== 'curve') return null;
      if (k === i) continue;
      const before = this.chain.segments[k - 1] as typeof s;
      const [into, out] = [length(minus(before.to, before.c2)), length(minus(s.c1, before.to))];
      if (into < 1e-9 || out < 1e-9) return null;
      last *= out / into;
      shares += last;
    }
    const [first, end] = [this.chain.segments[i], this.chain.segments[j - 1]];
    if (first.kind !== 'curve' || end.kind !== 'curve') return null;
    const from = this.points[i];
    return {
      kind: 'curve',
      c1: plus(from, minus(first.c1, from), shares),
      c2: plus(end.to, minus(end.c2, end.to), shares / last),
      to: end.to,
    };
  }

  /** In which direction a joint is left, or come to, and whether it is a smooth one. */
  private directionAt(k: number, side: 'into' | 'out'): { way: Point; smooth: boolean } {
    const [into, out] = [this.into[k], this.out[k]];
    if (!into || !out) return { way: (side === 'into' ? into : out) ?? into ?? out!, smooth: false };
    if (turnBetween(into, out) >= SMOOTH_RAD) return { way: side === 'into' ? into : out, smooth: false };
    return { way: unit([into[0] + out[0], into[1] + out[1]]), smooth: true };
  }

  /** The chain with as few of its joints as follow it, and how far off they are. */
  thinned(): { segments: Segment[]; squares: number } {
    const breaks = breaksOf(this);
    const fits = breaks.slice(1).map((j, k) => this.fit(breaks[k], j) ?? this.least(breaks[k]));
    return { segments: fits.map((f) => f.segment), squares: fits.reduce((sum, f) => sum + f.squares, 0) };
  }
}

const turnOf = (from: Point, s: Segment): number => (s.kind === 'arc' ? Math.abs(arcGeometry(from, s).sweepRad) : 0);

const lengthOf = (from: Point, s: Segment): number => {
  if (s.kind === 'line') return Math.hypot(s.to[0] - from[0], s.to[1] - from[1]);
  if (s.kind === 'arc') return s.radius * turnOf(from, s);
  const legs = [from, s.c1, s.c2, s.to];
  return [1, 2, 3].reduce((sum, k) => sum + Math.hypot(legs[k][0] - legs[k - 1][0], legs[k][1] - legs[k - 1][1]), 0);
};

const placesOn = (from: Point, s: Segment): number =>
  Math.max(s.kind === 'line' ? LINE_PLACES : CURVE_PLACES, Math.min(PLACES_MOST, Math.ceil(lengthOf(from, s))));

/** A closed chain that begins at another of its joints. */
function begunAt({ start, segments }: Line, k: number): Line {
  return k === 0
    ? { start, segments }
    : { start: segments[k - 1].to, segments: [...segments.slice(k), ...segments.slice(0, k)] };
}

/** The joint of a closed chain at which it turns most. */
function sharpestOf(chain: Line): number {
  const turns = turnsOf(chain);
  return turns.indexOf(Math.max(...turns));
}

/** A chain with fewer of its own joints, the others where they were. */
function withFewerJoints(chain: Line, closed: boolean, tolerance: number): Line {
  const begun = closed ? begunAt(chain, sharpestOf(chain)) : chain;
  const first = new Joints(begun, tolerance, closed).thinned();
  if (!closed || first.segments.length < 3) return { start: begun.start, segments: first.segments };
  // Begun at one of the breaks that were found, the first joint may go as well.
  const middle = first.segments[(first.segments.length - 1) >> 1].to;
  const k = begun.segments.findIndex((s) => s.to[0] === middle[0] && s.to[1] === middle[1]);
  const again = begunAt(begun, (k + 1) % begun.segments.length);
  const second = new Joints(again, tolerance, true).thinned();
  return second.segments.length < first.segments.length
    ? { start: again.start, segments: second.segments }
    : { start: begun.start, segments: first.segments };
}

/** Whether joints may lie where none need be: where a line goes on gently in a line, or a curve in anything. */
function hasLooseJoints({ start, segments }: Line): boolean {
  let from = start;
  let before: { into: Point; kind: Segment['kind'] } | null = null;
  let loose = 0;
  for (const s of segments) {
    const [out, into] = tangentsOf(from, s);
    if (before && turnBetween(before.into, out) < CORNER_RAD) {
      const isDrawn = before.kind !== s.kind && before.kind !== 'curve' && s.kind !== 'curve';
      if (!isDrawn && ++loose > 1) return true;
    }
    before = { into, kind: s.kind };
    from = s.to;
  }
  return false;
}

/** A chain followed anew, as a trace follows an edge: breaks may lie anywhere. Null where that is no use. */
function followed(chain: Line, closed: boolean, tolerance: number): Line | null {
  const points: number[] = closed ? [] : [...chain.start];
  let from = chain.start;
  for (const s of chain.segments) {
    const places = Math.max(1, Math.ceil(lengthOf(from, s)));
    if (points.length / 2 + places > FREE_MOST) return null;
    for (let m = 1; m <= places; m++) points.push(...(m === places ? s.to : pointAt(from, s, m / places)));
    from = s.to;
  }
  const n = points.length / 2;
  if (n < 12) return null;
  const located = { points: Float64Array.from(points), scatterPx: new Float64Array(n), doubtPx: 0 };
  const options = { tolerancePx: tolerance, cornerRad: CORNER_RAD, softPx: 0.8 };
  const { start, segments } = fitChain(located, closed, closed ? null : [chain.start, from], options);
  return segments.length ? { start, segments } : null;
}

const asContour = ({ start, segments }: Line): Contour => ({ start, segments, open: true });

/** How far two lines lie from one another at most, whichever strays. */
function between(p: Line, q: Line, tolerance: number): number {
  const [a, b] = [p, q].map((l) => polylineOf(asContour(l), FINE * tolerance));
  const step = STEP * tolerance;
  return Math.max(strayOf([b], new Lines([a]), step), strayOf([a], new Lines([b]), step));
}

/** A chain with as few points as keep within a tolerance, and how far it strays; itself where it has no more. */
function thinnedChain(chain: Chain, tolerance: number): Line & { strayPx: number } {
  const count = chain.segments.length;
  const own = { start: chain.start, segments: chain.segments, strayPx: 0 };
  if (count < 2) return own;
  let best = own as Line & { strayPx: number };
  const consider = (line: Line | null): void => {
    if (!line || line.segments.length >= best.segments.length || (chain.closed && line.segments.length < 2)) return;
    const strayPx = between(chain, line, tolerance);
    if (strayPx <= tolerance) best = { ...line, strayPx };
  };
  consider(withFewerJoints(chain, chain.closed, 0.95 * tolerance));
  if (hasLooseJoints(best)) for (const by of FOLLOWED) consider(followed(chain, chain.closed, by * tolerance));
  return best;
}

/** Outlines with fewer points, and how far any of them strays from where it was, in px. */
export interface Thinned {
  readonly contours: readonly Contour[];
  readonly greatestPx: number;
}

/**
 * Outlines with as few points as keep within a tolerance, in px. Those that share edges share them afterwards, and none crosses another that it did not
 * cross before. `wanted` tells which outlines are to be thinned; others change only where they share an edge with one of those.
 */
export function thinned(
  contours: readonly Contour[],
  tolerancePx: number,
  wanted: (contour: number) => boolean = () => true,
): Thinned {
  const scale = Math.max(1, Math.min(SCALE_MOST, TOLERANCE_PX / tolerancePx));
  const tolerance = tolerancePx * scale;
  const up = scaleAndMove(scale, 0, 0);
  const down = scaleAndMove(1 / scale, 0, 0);
  const { chains, walks } = chainsOf(contours.map((c) => mapContour(up, c)));
  const isWanted = chains.map((c) => [...c.of].some(wanted));
  const after = chains.map((chain, k) => (isWanted[k] ? thinnedChain(chain, tolerance) : { ...chain, strayPx: 0 }));
  keepApart(chains, after, tolerance);
  let greatest = 0;
  after.forEach((line) => (greatest = Math.max(greatest, line.strayPx)));
  return {
    contours: walks.map((walk, k) => {
      if (walk.parts.every((p) => after[p.chain].segments === chains[p.chain].segments)) return contours[k];
      const contour = walked(walk, after);
      return contour ? mapContour(down, contour) : contours[k];
    }),
    greatestPx: greatest / scale,
  };
}

/** Puts back, finer or as they were, chains that would cross where they did not, and did not touch. */
function keepApart(chains: readonly Chain[], after: (Line & { strayPx: number })[], tolerance: number): void {
  const drawn = (list: readonly Line[]) => list.map((l) => polylineOf(asContour(l), FINE * tolerance));
  const pairOf = (p: { a: number; b: number }) => `${p.a},${p.b}`;
  const before = { pairs: null as Set<string> | null, lines: new Map<number, Lines>() };
  const beforeOf = (k: number): Lines => {
    const lines = before.lines.get(k) ?? new Lines(drawn([chains[k]]));
    before.lines.set(k, lines);
    return lines;
  };
  const touched = ({ a, b, at }: { a: number; b: number; at: Point }): boolean => {
    const place = a === b ? null : beforeOf(a).nearest(at);
    return place !== null && beforeOf(b).distance(place) < TOUCHING * tolerance;
  };
  for (let round = 0; round <= FINER.length; round++) {
    if (after.every((l, k) => l.segments === chains[k].segments)) return;
    const crossings = new Lines(drawn(after)).crossings();
    if (!crossings.length) return;
    before.pairs ??= new Set(new Lines(drawn(chains)).crossings().map(pairOf));
    const fresh = crossings.filter((p) => !before.pairs!.has(pairOf(p)) && !touched(p));
    if (!fresh.length) return;
    for (const k of new Set(fresh.flatMap((p) => [p.a, p.b]))) {
      if (after[k].segments === chains[k].segments) continue;
      after[k] =
        round < FINER.length ? thinnedChain(chains[k], FINER[round] * tolerance) : { ...chains[k], strayPx: 0 };
    }
  }
}
