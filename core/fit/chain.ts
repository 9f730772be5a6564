import {
  arcGeometry,
  crossingOf,
  dot,
  length,
  minus,
  offLine,
  plus,
  type Point,
  type Segment,
  type Straight,
  straightThrough,
  tangentsOf,
  turnBetween,
  unit,
  withEnds,
} from '../path';
import { breaksOf, type Spans } from './breaks';
import { findCorners, Track, type Corner } from './corners';
import { fitArc, fitCubic, fitLine, measure, type Fit, type Run } from './span';
import { asRectangle, straightened, wholeCircle, wholeEllipse } from './whole';
import type { Deviation, FitOptions, Located, Stroke } from './stroke';
import { limitsOf, softened, type Limits } from './scatter';
import { touchLines } from './tangent';

/** Sums of squares of a span above this times the tolerance squared and its points are too much, whatever the greatest distance. */
const RMS_SHARE = 0.4;

/** Where a smooth stretch ends: at a corner, or at an end of the track. */
type Stop = Pick<Corner, 'index' | 'point' | 'spoiltPx'>;

/** A fit that begins this many tolerances off will not come to be true. */
const HOPELESS = 8;

/** Points that a cubic is tried on while breaks are looked for: every third, but some at least and not too many. */
const samplesFor = (count: number): number => Math.max(40, Math.min(96, count / 3));

/** One smooth stretch between two corners (or ends): points, with the exact ends put in front and behind. */
class Smooth implements Spans {
  private readonly known = new Map<number, Fit | null>();
  readonly n: number;

  constructor(
    readonly run: Run,
    /** Points averaged with their neighbours: where breaks are put. */
    readonly soft: Run,
    readonly tolerance: number,
  ) {
    this.n = run.xs.length;
  }

  point(i: number): Point {
    return i === 0 || i === this.n - 1 ? [this.run.xs[i], this.run.ys[i]] : [this.soft.xs[i], this.soft.ys[i]];
  }

  least(i: number): Fit {
    return fitLine(this.run, i, i + 1, this.point(i), this.point(i + 1));
  }

  allowed(fit: Fit, i: number, j: number): boolean {
    return fit.greatest <= this.tolerance && fit.squares <= (RMS_SHARE * this.tolerance) ** 2 * Math.max(3, j - i - 1);
  }

  /** The plainest segment that is true enough, else null. */
  fit(i: number, j: number): Fit | null {
    const key = i * this.n + j;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const [from, to] = [this.point(i), this.point(j)];
    const line = fitLine(this.run, i, j, from, to);
    let best: Fit | null = this.allowed(line, i, j) ? line : null;
    if (!best) {
      const hopeless = HOPELESS * this.tolerance;
      const arc = line.greatest > 0.3 ? fitArc(this.run, i, j, from, to, hopeless) : null;
      if (arc && this.allowed(arc, i, j)) best = arc;
      else {
        const cubic = fitCubic(this.run, i, j, from, to, null, null, 4, 2 * hopeless, samplesFor(j - i));
        if (cubic && this.allowed(cubic, i, j)) best = cubic;
      }
    }
    this.known.set(key, best);
    return best;
  }
}

/** Two fits whose directions differ by more than this where they meet do not meet smoothly, in radians. */
const SMOOTH_RAD = 0.35;

/** A break between two fitted segments. */
interface Node {
  point: Point;
  /** Both sides go on in one direction; null at a corner. */
  tangent: Point | null;
}

/**
 * Fits one smooth stretch between two fixed ends, and adds to a deviation how far its points lie off. A stretch that goes `around` ends where it
 * starts, and is smooth there as well.
 */
function fitSmooth(run: Run, { tolerancePx, softPx }: Limits, deviation: Deviation, around = false): Stretch {
  const half = softPx[0] > 1.8 ? 5 : 3;
  const smooth = new Smooth(run, softened(run, half), tolerancePx);
  const straight = around ? null : straightOf(smooth);
  if (straight) {
    measured(deviation, straight.off);
    const to = smooth.point(smooth.n - 1);
    return { start: smooth.point(0), segments: [{ kind: 'line', to }], lines: [straight, straight] };
  }
  const breaks = breaksOf(smooth);
  const fits = breaks.slice(1).map((j, k) => {
    const i = breaks[k];
    return smooth.fit(i, j) ?? fitLine(run, i, j, smooth.point(i), smooth.point(j));
  });
  const nodes: Node[] = breaks.map((i) => ({ point: smooth.point(i), tangent: null }));
  touchLines(nodes, fits, breaks, run, tolerancePx);
  join(nodes, fits, breaks, run, around);
  turn(nodes, fits, breaks, smooth);
  const segments = fits.flatMap((fit, k) => {
    const segment = redrawn(smooth, breaks[k], breaks[k + 1], nodes[k], nodes[k + 1], fit);
    measured(deviation, measure(run, breaks[k], breaks[k + 1], nodes[k].point, segment));
    return steady(nodes[k].point, segment);
  });
  const last = fits.length - 1;
  return {
    start: nodes[0].point,
    segments,
    lines: [
      fits[0].segment.kind === 'line' ? lineOf(run, breaks[0], breaks[1]) : null,
      fits[last].segment.kind === 'line' ? lineOf(run, breaks[last], breaks[last + 1]) : null,
    ],
  };
}

/** A smooth stretch as segments, and the lines that its first and last one lie on, where they are lines that points tell well. */
interface Stretch {
  readonly start: Point;
  readonly segments: readonly Segment[];
  readonly lines: readonly [Straight | null, Straight | null];
}

/** A line whose middle half lies off its ends by more than this share of the tolerance, on the mean, is a slight curve. */
const BOW_SHARE = 0.25;

function measured(deviation: Deviation, { sum, greatest, count }: Deviation): void {
  deviation.sum += sum;
  deviation.count += count;
  deviation.greatest = Math.max(deviation.greatest, greatest);
}

/** The line that all points of a stretch lie on, and how far off they are; null where they do not, or its ends lie too far from it to be moved there. */
function straightOf({ run, n, tolerance }: Smooth): (Straight & { off: Deviation }) | null {
  const line = lineOf(run, 0, n - 1);
  if (!line) return null;
  const { xs, ys, weights } = run;
  const off: Deviation = { sum: 0, greatest: 0, count: n - 2 };
  let squares = 0;
  let bow = 0;
  for (let k = 0; k < n; k++) {
    const signed = offLine([xs[k], ys[k]], line);
    const away = Math.abs(signed);
    const counts = away * (weights?.[k] ?? 1);
    if (k === 0 || k === n - 1) {
      if (away > SETTLE_PX) return null;
      continue;
    }
    if (counts > tolerance) return null;
    // The middle half against the rest.
    bow += ((4 * k > n && 4 * k < 3 * n ? 2 : -2) * signed * (weights?.[k] ?? 1)) / n;
    squares += counts * counts;
    off.sum += away;
    off.greatest = Math.max(off.greatest, away);
  }
  if (Math.abs(bow) > BOW_SHARE * tolerance) return null;
  return squares <= (RMS_SHARE * tolerance) ** 2 * Math.max(3, n - 2) ? { ...line, off } : null;
}

/** Fewer points than these, or shorter ones, do not tell a line well, in pixels. */
const LEAST_POINTS = 6;
const LEAST_TOLD_PX = 6;

/** The line nearest to the points between two of a run, by the squares of distances across it. */
function lineOf({ xs, ys, weights }: Run, i: number, j: number): Straight | null {
  if (j - i - 1 < LEAST_POINTS) return null;
  if (Math.hypot(xs[j - 1] - xs[i + 1], ys[j - 1] - ys[i + 1]) < LEAST_TOLD_PX) return null;
  return straightThrough(
    Array.from(xs.subarray(i + 1, j), (x, k): Point => [x, ys[i + 1 + k]]),
    weights?.subarray(i + 1, j),
  );
}

/** Corners move by no more than this to lie on the lines that meet there, in pixels; and lines that turn less than the angle with this sine do not meet. */
const SETTLE_PX = 0.35;
const LEAST_MEETING = 0.2;

/** A point moved onto the lines that meet there, if there are such. */
function settled(point: Point, before: Straight | null, after: Straight | null): Point {
  const across =
    before && after ? crossingOf(before.middle, before.direction, after.middle, after.direction, LEAST_MEETING) : null;
  const line = before && after ? null : (before ?? after);
  const at = across ?? (line && plus(line.middle, line.direction, dot(minus(point, line.middle), line.direction)));
  return at && length(minus(at, point)) <= SETTLE_PX ? at : point;
}

/** Stretches one after the other, corners between them where their lines meet. */
function assembled(stretches: readonly Stretch[], closed: boolean, slides: readonly [boolean, boolean]): Stroke {
  const n = stretches.length;
  const points = stretches.map(({ start, lines }, k) => {
    if (k === 0 && !closed) return slides[0] ? settled(start, null, lines[0]) : start;
    return settled(start, stretches[(k + n - 1) % n].lines[1], lines[0]);
  });
  const { segments, lines } = stretches[n - 1];
  const end = segments[segments.length - 1].to;
  const last = closed ? points[0] : slides[1] ? settled(end, lines[1], null) : end;
  return {
    start: points[0],
    segments: stretches.flatMap((s, k) => withEnds(s, points[k], k + 1 < n ? points[k + 1] : last).segments),
  };
}

/** An arc that is nearly half a circle, and yet not, as two: rounded to hundredths, one alone would wander. */
export function steady(from: Point, s: Segment): Segment[] {
  if (s.kind !== 'arc') return [s];
  const g = arcGeometry(from, s);
  const rise = Math.abs(g.radius * Math.cos(g.sweepRad / 2));
  if (rise < 0.02 || g.radius / rise < 8) return [s];
  const middle = g.startRad + g.sweepRad / 2;
  const to: Point = [g.cx + g.radius * Math.cos(middle), g.cy + g.radius * Math.sin(middle)];
  return [
    { ...s, large: false, to },
    { ...s, large: false },
  ];
}

/** Makes the joints of a smooth stretch smooth: one direction for both sides, taken from a line or an arc where there is one. */
function join(nodes: Node[], fits: readonly Fit[], breaks: readonly number[], run: Run, around: boolean): void {
  const last = nodes.length - 1;
  const chord = (k: number): number =>
    Math.hypot(run.xs[breaks[k + 1]] - run.xs[breaks[k]], run.ys[breaks[k + 1]] - run.ys[breaks[k]]);
  /** The direction at the joint of two fits, given by number. */
  const tangentAt = (before: number, after: number): Point | null => {
    const [p, q] = [fits[before].segment, fits[after].segment];
    const [, into] = tangentsOf(nodes[before].point, p);
    const [out] = tangentsOf(nodes[after].point, q);
    if (turnBetween(into, out) > SMOOTH_RAD || (p.kind !== 'curve' && q.kind !== 'curve')) return null;
    // Lines and arcs are as they are; curves take on their directions.
    if (p.kind !== 'curve') return into;
    if (q.kind !== 'curve') return out;
    const [wp, wq] = [chord(before), chord(after)];
    return unit([into[0] * wp + out[0] * wq, into[1] * wp + out[1] * wq]);
  };
  for (let k = 1; k < last; k++) nodes[k].tangent = tangentAt(k - 1, k);
  if (around && last > 1) nodes[0].tangent = nodes[last].tangent = tangentAt(last - 1, 0);
}

/** By how much directions at joints are turned in search of truer ones, in radians, one after the other; curves need be improved that often for it. */
const TURNS = [0.04, -0.04, 0.015, -0.015] as const;
const TURN_ROUNDS = 5;

/** By how much joints are moved to their sides in that search, in pixels. */
const SHIFTS = [0.08, -0.08, 0.03, -0.03] as const;

/** Turns the common direction of two curves at their joint to where both are truest. */
function turn(nodes: readonly Node[], fits: readonly Fit[], breaks: readonly number[], smooth: Smooth): void {
  const offAt = (k: number): number => {
    const [from, to] = [nodes[k], nodes[k + 1]];
    const again = fitCubic(
      smooth.run,
      breaks[k],
      breaks[k + 1],
      from.point,
      to.point,
      from.tangent,
      to.tangent,
      TURN_ROUNDS,
    );
    return again ? again.squares : Infinity;
  };
  for (let k = 1; k + 1 < nodes.length; k++) {
    const node = nodes[k];
    if (!node.tangent || fits[k - 1].segment.kind !== 'curve' || fits[k].segment.kind !== 'curve') continue;
    // What is true enough already stays.
    let least = offAt(k - 1) + offAt(k);
    if (least <= WORSENED * (fits[k - 1].squares + fits[k].squares)) continue;
    let best: Point = node.tangent;
    for (const by of TURNS) {
      const [cos, sin] = [Math.cos(by), Math.sin(by)];
      node.tangent = [best[0] * cos - best[1] * sin, best[0] * sin + best[1] * cos];
      const off = offAt(k - 1) + offAt(k);
      if (off < least) [least, best] = [off, node.tangent];
    }
    node.tangent = best;
    let at = node.point;
    for (const by of SHIFTS) {
      node.point = plus(at, [-best[1], best[0]], by);
      const off = offAt(k - 1) + offAt(k);
      if (off < least) [least, at] = [off, node.point];
    }
    node.point = at;
  }
}

/** Curves whose squares grow by no more than this by being joined smoothly are as true as before. */
const WORSENED = 0;

/** By how much more than the tolerance a curve may be off so that its joints are smooth, and how often its parameters are improved for that. */
const SLACK = 2;
const ROUNDS = 10;

/** A segment fitted again between its two nodes, keeping their directions where that is true enough. */
function redrawn(smooth: Smooth, i: number, j: number, from: Node, to: Node, fit: Fit): Segment {
  if (fit.segment.kind !== 'curve') return fit.segment;
  if (!from.tangent && !to.tangent) return fit.segment;
  const slack = SLACK * Math.max(smooth.tolerance, fit.greatest);
  // Smooth at both ends, or else at one.
  const ways = [
    [from.tangent, to.tangent],
    [from.tangent, null],
    [null, to.tangent],
  ] as const;
  for (const [a, b] of ways) {
    if (!a && !b) continue;
    const again = fitCubic(smooth.run, i, j, from.point, to.point, a, b, ROUNDS);
    if (again && again.greatest <= slack) return again.segment;
  }
  return fit.segment;
}

/** How far to each side of a slight corner one looks whether a smooth curve would do, in pixels. */
const ROUND_REACH_PX = 8;
const SLIGHT_RAD = 0.9;

/** How near a corner points are not asked for that, in pixels, at least; and how far on from there they are. */
const SPOILT_PX = 1.7;
const STRAIGHT_REACH_PX = 6.3;

/** Whether the points on one side of a corner, from where it does not spoil them, lie on a line. */
function straightBeside(track: Track, corner: Corner, way: 1 | -1, straightPx: number): boolean {
  const here = track.at(corner.index);
  const from = Math.max(SPOILT_PX, corner.spoiltPx);
  const points: Point[] = [];
  for (let k = corner.index; points.length < 40; k += way) {
    if (!track.closed && (k < 0 || k >= track.n)) break;
    if (track.closed && Math.abs(k - corner.index) > track.n / 2) break;
    const s = Math.abs(track.at(k) - here);
    if (s > from + STRAIGHT_REACH_PX) break;
    if (s >= from) points.push([track.xs[track.index(k)], track.ys[track.index(k)]]);
  }
  if (points.length < 4) return false;
  const line = straightThrough(points);
  return points.every((p) => Math.abs(offLine(p, line)) < straightPx);
}

/** Corners that are none: bends so slight that one curve follows all points around them. */
function withoutRound(
  track: Track,
  corners: Corner[],
  { roundPx, straightPx }: Pick<Limits, 'roundPx' | 'straightPx'>,
): Corner[] {
  return corners.filter((corner) => {
    if (corner.turnRad > SLIGHT_RAD) return true;
    // Between two straight sides a bend is a corner, however slight.
    const limitPx = straightPx[corner.index];
    if (corner.turnRad > 0.3 && straightBeside(track, corner, -1, limitPx) && straightBeside(track, corner, 1, limitPx))
      return true;
    const here = track.at(corner.index);
    let [a, b] = [corner.index, corner.index];
    while ((track.closed ? corner.index - a < track.n / 2 : a > 0) && here - track.at(a) < ROUND_REACH_PX) a--;
    while ((track.closed ? b - corner.index < track.n / 2 : b < track.n - 1) && track.at(b) - here < ROUND_REACH_PX)
      b++;
    const end = (k: number) => ({
      index: k,
      point: [track.xs[track.index(k)], track.ys[track.index(k)]] as Point,
      spoiltPx: 0,
    });
    const run = between(track, null, end(a), end(b), false);
    const last = run.xs.length - 1;
    const fit = fitCubic(run, 0, last, [run.xs[0], run.ys[0]], [run.xs[last], run.ys[last]], null, null);
    return !fit || fit.greatest > roundPx[corner.index];
  });
}

/** The corners of a track, without those that a curve would follow as well. */
const cornersOf = (track: Track, limits: Limits): Corner[] =>
  withoutRound(track, findCorners(track, { leastRad: limits.cornerRad, softPx: limits.softPx }), limits);

/** Points of a track from one place to another, without those near the two ends, and with the ends themselves. */
function between(track: Track, weights: Float64Array | null, from: Stop, to: Stop, wraps: boolean): Run {
  const xs: number[] = [from.point[0]];
  const ys: number[] = [from.point[1]];
  const counts: number[] = [1];
  const last = wraps ? to.index + track.n : to.index;
  const [s0, s1] = [track.at(from.index), track.at(last)];
  const room = s1 - s0;
  // Short stretches keep at least their middle.
  const spare = Math.min(1, Math.max(0, (room - 2) / Math.max(1e-6, from.spoiltPx + to.spoiltPx)));
  for (let k = from.index; k <= last; k++) {
    const s = track.at(k);
    if (s - s0 < from.spoiltPx * spare || s1 - s < to.spoiltPx * spare) continue;
    const i = track.index(k);
    xs.push(track.xs[i]);
    ys.push(track.ys[i]);
    if (weights) counts.push(weights[i]);
  }
  xs.push(to.point[0]);
  ys.push(to.point[1]);
  const run = { xs: Float64Array.from(xs), ys: Float64Array.from(ys) };
  return weights ? { ...run, weights: Float64Array.from([...counts, 1]) } : run;
}

/**
 * A chain as lines, arcs and curves. Corners are found first; the smooth stretches between them are then followed by as few segments as keep to
 * the tolerance. The ends of an open chain are given, and are kept but for those that may slide a little.
 */
export function fitChain(
  located: Located,
  closed: boolean,
  ends: readonly [Point, Point] | null,
  wanted: FitOptions,
  slides: readonly [boolean, boolean] = [false, false],
): Stroke {
  const stroke = straightened(fitted(located, closed, ends, wanted, slides), closed, slides);
  return (closed ? asRectangle(stroke) : null) ?? stroke;
}

function fitted(
  located: Located,
  closed: boolean,
  ends: readonly [Point, Point] | null,
  wanted: FitOptions,
  slides: readonly [boolean, boolean],
): Stroke {
  const n = located.points.length / 2;
  if (!closed && ends) {
    if (n < 3) return { start: ends[0], segments: [{ kind: 'line', to: ends[1] }] };
    const track = Track.through(located.points, false);
    const limits = limitsOf(located, wanted);
    const corners = cornersOf(track, limits);
    const stops = [
      { index: 0, point: ends[0], spoiltPx: limits.softPx[0] },
      ...corners.filter((c) => track.at(c.index) > 2 && track.length - track.at(c.index) > 2),
      { index: n - 1, point: ends[1], spoiltPx: limits.softPx[n - 1] },
    ];
    const deviation: Deviation = { sum: 0, greatest: 0, count: 0 };
    const stretches = stops
      .slice(1)
      .map((to, k) => fitSmooth(between(track, limits.weights, stops[k], to, false), limits, deviation));
    return { ...assembled(stretches, false, slides), deviation };
  }
  if (n < 4) return { start: [located.points[0] ?? 0, located.points[1] ?? 0], segments: [] };
  const track = Track.through(located.points, true);
  const limits = limitsOf(located, wanted);
  const circle = wholeCircle(track, limits.tolerancePx * 1.15, RMS_SHARE, limits.weights);
  if (circle) return circle;
  const oval = wholeEllipse(track, limits.tolerancePx * 1.15, RMS_SHARE, limits.weights);
  if (oval) return oval;
  const corners = cornersOf(track, limits);
  if (corners.length) return closedFrom(track, corners, limits);
  // Smooth all round: a first fit from anywhere shows where a break would be put, and the second starts there.
  const anywhere = (index: number): Stop => {
    const soft = softened(
      between(
        track,
        null,
        { index: index - 6, point: [0, 0], spoiltPx: 0 },
        { index: index + 6, point: [0, 0], spoiltPx: 0 },
        false,
      ),
      4,
    );
    const middle = 7;
    return { index, point: [soft.xs[middle], soft.ys[middle]], spoiltPx: 0 };
  };
  const first = new Smooth(...loopRun(track, limits.weights, anywhere(0)), limits.tolerancePx);
  const breaks = breaksOf(first);
  const start = breaks.length > 2 ? breaks[1 + ((breaks.length - 2) >> 1)] : 0;
  return closedFrom(track, [anywhere(track.index(start - 1))], limits, true);
}

function loopRun(track: Track, weights: Float64Array | null, from: Stop): [Run, Run] {
  const run = between(track, weights, from, from, true);
  return [run, softened(run, 3)];
}

/** A closed track cut at its corners, each stretch fitted; with `smoothStart` the one place where it is cut is no corner. */
function closedFrom(track: Track, corners: readonly Stop[], limits: Limits, smoothStart = false): Stroke {
  const stretches: Stretch[] = [];
  const deviation: Deviation = { sum: 0, greatest: 0, count: 0 };
  corners.forEach((from, k) => {
    const to = corners[(k + 1) % corners.length];
    const run = between(track, limits.weights, from, to, k === corners.length - 1);
    stretches.push(fitSmooth(run, limits, deviation, smoothStart));
  });
  return { ...assembled(stretches, true, [false, false]), deviation };
}
