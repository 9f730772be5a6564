import { arcGeometry, type Point, type Segment } from '../vector';
import { findCorners, Track, type Corner } from './corners';
import { fitArc, fitCubic, fitLine, measure, tangentsOf, type Fit, type Run } from './span';
import { asRectangle, straightened, wholeEllipse } from './exact';
import type { Located } from './locate';
import { turnBetween, unit } from './points';
import { touchLines } from './tangent';

export interface FitOptions {
  /** How far a segment may stray from the points, in pixels. */
  readonly tolerancePx: number;
  readonly cornerRad: number;
  /** How far from a corner the picture is softened, in pixels. */
  readonly softPx: number;
  /** How far noise may move points, in pixels; it then goes on from one to the next. 0 when left out. */
  readonly doubtPx?: number;
}

/** How far located points lie from what was fitted to them, in pixels; making it exact afterwards moves points by less than a fifth of one. */
export interface Deviation {
  sum: number;
  greatest: number;
  count: number;
}

/** A chain as segments; in a closed one the last ends where the first starts. */
export interface Stroke {
  readonly start: Point;
  readonly segments: readonly Segment[];
  /** Of the points that no corner spoils. */
  readonly deviation?: Deviation;
}

/** Sums of squares of a span above this times the tolerance squared and its points are too much, whatever the greatest distance. */
const RMS_SHARE = 0.4;

/** Where a smooth stretch ends: at a corner, or at an end of the track. */
type Stop = Pick<Corner, 'index' | 'point' | 'spoiltPx'>;

/** A fit that begins this many tolerances off will not come to be true. */
const HOPELESS = 8;

/** Points that a cubic is tried on while breaks are looked for: every third, but some at least and not too many. */
const samplesFor = (count: number): number => Math.max(40, Math.min(96, count / 3));

/** One smooth stretch between two corners (or ends): points, with the exact ends put in front and behind. */
class Smooth {
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

/** The furthest index that one segment reaches from `i` in steps of `way`, by doubling and halving. */
function reach(smooth: Smooth, i: number, way: 1 | -1): number {
  const last = way > 0 ? smooth.n - 1 : 0;
  const room = Math.abs(last - i);
  const fits = (d: number) => (way > 0 ? smooth.fit(i, i + d) : smooth.fit(i - d, i)) !== null;
  let good = Math.min(room, 1);
  let bad = room + 1;
  for (let d = 4; good < room;) {
    const at = Math.min(d, room);
    if (fits(at)) {
      good = at;
      d *= 2;
    } else {
      // One failure may be chance: a little further, it may hold again.
      const beyond = Math.min(room, at + Math.max(2, at >> 2));
      if (beyond > at && fits(beyond)) {
        good = beyond;
        d = beyond * 2;
        continue;
      }
      bad = at;
      break;
    }
  }
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (fits(middle)) good = middle;
    else bad = middle;
  }
  return i + way * good;
}

/** Cost of a fit among those with as many segments: how far off it is, and how complicated. */
function costOf(smooth: Smooth, fit: Fit): number {
  const kind = fit.segment.kind === 'line' ? 0 : fit.segment.kind === 'arc' ? 1 : 2.5;
  return fit.squares / (0.25 * smooth.tolerance) ** 2 + kind * 3;
}

/**
 * The fewest segments that follow a smooth stretch, and among those the truest. Spans of spans that fit do fit, so going as far as one can is
 * the least number; going so from both ends gives for each break the earliest and the latest place, and dynamic programming chooses within.
 */
function breaksOf(smooth: Smooth): number[] {
  const last = smooth.n - 1;
  const latest: number[] = [];
  for (let i = 0; i < last; i = latest[latest.length - 1]) latest.push(Math.max(i + 1, reach(smooth, i, 1)));
  if (latest.length === 1) return [0, last];
  const earliest: number[] = [];
  for (let j = last; j > 0;) {
    j = Math.min(j - 1, reach(smooth, j, -1));
    earliest.unshift(j);
  }
  const count = latest.length;
  const places: number[][] = [[0]];
  for (let k = 0; k < count - 1; k++) {
    const to = latest[k];
    const from = earliest.length === count ? Math.min(earliest[k + 1], to) : Math.max(1, to - 8);
    const step = Math.max(1, Math.ceil((to - from) / 7));
    const list: number[] = [];
    for (let i = from; i < to; i += step) list.push(i);
    list.push(to);
    places.push(list);
  }
  places.push([last]);
  // best[k][m]: the least cost of coming to the m-th place of break k, and from where.
  let costs = [0];
  const from: number[][] = [];
  for (let k = 1; k <= count; k++) {
    const next = places[k].map(() => Infinity);
    const origin = places[k].map(() => 0);
    for (let m = 0; m < places[k].length; m++)
      for (let p = 0; p < places[k - 1].length; p++) {
        const [i, j] = [places[k - 1][p], places[k][m]];
        if (j <= i || costs[p] === Infinity) continue;
        const fit = j === i + 1 ? fitLine(smooth.run, i, j, smooth.point(i), smooth.point(j)) : smooth.fit(i, j);
        if (!fit) continue;
        const cost = costs[p] + costOf(smooth, fit);
        if (cost < next[m]) {
          next[m] = cost;
          origin[m] = p;
        }
      }
    from.push(origin);
    costs = next;
  }
  if (costs[0] === Infinity) return [0, ...latest];
  const breaks = [last];
  for (let k = count, m = 0; k >= 1; k--) {
    m = from[k - 1][m];
    breaks.unshift(places[k - 1][m]);
  }
  return improved(smooth, breaks);
}

/** Moves each break a little to where its two segments are truest. */
function improved(smooth: Smooth, breaks: number[]): number[] {
  const out = [...breaks];
  for (let round = 0; round < 3; round++) {
    let moved = false;
    for (let k = 1; k + 1 < out.length; k++) {
      const cost = (at: number): number => {
        if (at <= out[k - 1] || at >= out[k + 1]) return Infinity;
        const [p, q] = [smooth.fit(out[k - 1], at), smooth.fit(at, out[k + 1])];
        return p && q ? costOf(smooth, p) + costOf(smooth, q) : Infinity;
      };
      const now = cost(out[k]);
      for (const d of [-2, -1, 1, 2]) {
        if (cost(out[k] + d) < now - 1e-9) {
          out[k] += d;
          moved = true;
          break;
        }
      }
    }
    if (!moved) break;
  }
  return out;
}

/** Each point moved to a parabola through its neighbours, across the run; ends stay. */
function softened(run: Run, half: number): Run {
  const n = run.xs.length;
  const xs = Float64Array.from(run.xs);
  const ys = Float64Array.from(run.ys);
  for (let i = 1; i < n - 1; i++) {
    const h = Math.min(half, i - 1, n - 2 - i);
    if (h < 2) continue;
    // Weights of the middle of a least-squares parabola over 2h + 1 points (Savitzky and Golay 1964).
    const m = 2 * h + 1;
    const s2 = (h * (h + 1) * m) / 3;
    const s4 = (h * (h + 1) * m * (3 * h * h + 3 * h - 1)) / 15;
    const d = m * s4 - s2 * s2;
    let [x, y] = [0, 0];
    for (let k = -h; k <= h; k++) {
      const weight = (s4 - s2 * k * k) / d;
      x += weight * run.xs[i + k];
      y += weight * run.ys[i + k];
    }
    xs[i] = x;
    ys[i] = y;
  }
  return { xs, ys };
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
function fitSmooth(run: Run, options: FitOptions, deviation: Deviation, around = false): Segment[] {
  const half = options.softPx > 1.8 ? 5 : 3;
  const smooth = new Smooth(run, softened(run, half), options.tolerancePx);
  const breaks = breaksOf(smooth);
  const fits = breaks.slice(1).map((j, k) => {
    const i = breaks[k];
    return smooth.fit(i, j) ?? fitLine(run, i, j, smooth.point(i), smooth.point(j));
  });
  const nodes: Node[] = breaks.map((i) => ({ point: smooth.point(i), tangent: null }));
  touchLines(nodes, fits, breaks, run, options.tolerancePx);
  join(nodes, fits, breaks, run, around);
  return fits.flatMap((fit, k) => {
    const segment = redrawn(smooth, breaks[k], breaks[k + 1], nodes[k], nodes[k + 1], fit);
    const { sum, greatest, count } = measure(run, breaks[k], breaks[k + 1], nodes[k].point, segment);
    deviation.sum += sum;
    deviation.count += count;
    deviation.greatest = Math.max(deviation.greatest, greatest);
    return steady(nodes[k].point, segment);
  });
}

/** An arc that is nearly half a circle, and yet not, as two: rounded to hundredths, one alone would wander. */
function steady(from: Point, s: Segment): Segment[] {
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

/** How far to each side of a slight corner one looks whether a smooth curve would do, in pixels, and how truly it must. */
const ROUND_REACH_PX = 8;
const ROUND_TOLERANCE_PX = 0.12;
const SLIGHT_RAD = 0.9;

/** How true a line must be to count as straight beside a corner, in pixels, and how near the corner points are not asked. */
const STRAIGHT_PX = 0.045;
const SPOILT_PX = 1.7;

/** Whether the points from `SPOILT_PX` to `ROUND_REACH_PX` from a corner, on one side, lie on a line. */
function straightBeside(track: Track, corner: Corner, way: 1 | -1): boolean {
  const here = track.at(corner.index);
  const px: number[] = [];
  const py: number[] = [];
  for (let k = corner.index; px.length < 40; k += way) {
    if (!track.closed && (k < 0 || k >= track.n)) break;
    if (track.closed && Math.abs(k - corner.index) > track.n / 2) break;
    const s = Math.abs(track.at(k) - here);
    if (s > ROUND_REACH_PX) break;
    if (s < SPOILT_PX) continue;
    px.push(track.xs[track.index(k)]);
    py.push(track.ys[track.index(k)]);
  }
  if (px.length < 4) return false;
  const n = px.length;
  const [mx, my] = [px.reduce((p, q) => p + q, 0) / n, py.reduce((p, q) => p + q, 0) / n];
  let [xx, xy, yy] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    xx += (px[i] - mx) ** 2;
    xy += (px[i] - mx) * (py[i] - my);
    yy += (py[i] - my) ** 2;
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  const [nx, ny] = [-Math.sin(angle), Math.cos(angle)];
  return px.every((x, i) => Math.abs((x - mx) * nx + (py[i] - my) * ny) < STRAIGHT_PX);
}

/** Corners that are none: bends so slight that one curve follows all points around them. */
function withoutRound(track: Track, corners: Corner[], roundPx: number): Corner[] {
  return corners.filter((corner) => {
    if (corner.turnRad > SLIGHT_RAD) return true;
    // Between two straight sides a bend is a corner, however slight.
    if (corner.turnRad > 0.3 && straightBeside(track, corner, 1) && straightBeside(track, corner, -1)) return true;
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
    const run = between(track, end(a), end(b), false);
    const last = run.xs.length - 1;
    const fit = fitCubic(run, 0, last, [run.xs[0], run.ys[0]], [run.xs[last], run.ys[last]], null, null);
    return !fit || fit.greatest > roundPx;
  });
}

/** The corners of a track, without those that a curve would follow as well. */
const cornersOf = (track: Track, { cornerRad, softPx, roundPx }: ReturnType<typeof loosened>): Corner[] =>
  withoutRound(track, findCorners(track, { leastRad: cornerRad, softPx }), roundPx);

/** Points of a track from one place to another, without those near the two ends, and with the ends themselves. */
function between(track: Track, from: Stop, to: Stop, wraps: boolean): Run {
  const xs: number[] = [from.point[0]];
  const ys: number[] = [from.point[1]];
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
  }
  xs.push(to.point[0]);
  ys.push(to.point[1]);
  return { xs: Float64Array.from(xs), ys: Float64Array.from(ys) };
}

/** The circle nearest to points on it, by Gauss and Newton from the mean; null when they do not lie on one. */
function wholeCircle(track: Track, tolerancePx: number): Stroke | null {
  const { xs, ys, n } = track;
  let [cx, cy, r] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    cx += xs[i] / n;
    cy += ys[i] / n;
  }
  for (let i = 0; i < n; i++) r += Math.hypot(xs[i] - cx, ys[i] - cy) / n;
  for (let round = 0; round < 6; round++) {
    let [sx, sy, sr, xx, xy, yy, sdx, sdy] = [0, 0, 0, 0, 0, 0, 0, 0];
    for (let i = 0; i < n; i++) {
      const d = Math.hypot(xs[i] - cx, ys[i] - cy) || 1e-9;
      const [ux, uy] = [(xs[i] - cx) / d, (ys[i] - cy) / d];
      const off = d - r;
      sx += ux * off;
      sy += uy * off;
      sr += off;
      xx += ux * ux;
      xy += ux * uy;
      yy += uy * uy;
      sdx += ux;
      sdy += uy;
    }
    // Centre and radius are nearly independent on a whole circle.
    const det = (xx - (sdx * sdx) / n) * (yy - (sdy * sdy) / n) - (xy - (sdx * sdy) / n) ** 2;
    if (Math.abs(det) < 1e-9) return null;
    const [gx, gy] = [sx - (sdx * sr) / n, sy - (sdy * sr) / n];
    const mx = (gx * (yy - (sdy * sdy) / n) - gy * (xy - (sdx * sdy) / n)) / det;
    const my = (gy * (xx - (sdx * sdx) / n) - gx * (xy - (sdx * sdy) / n)) / det;
    cx += mx;
    cy += my;
    r += (sr - sdx * mx - sdy * my) / n;
  }
  let greatest = 0;
  let squares = 0;
  let sum = 0;
  let area = 0;
  for (let i = 0; i < n; i++) {
    const off = Math.hypot(xs[i] - cx, ys[i] - cy) - r;
    greatest = Math.max(greatest, Math.abs(off));
    squares += off * off;
    sum += Math.abs(off);
    const j = (i + 1) % n;
    area += xs[i] * ys[j] - xs[j] * ys[i];
  }
  if (!(r > 0) || greatest > tolerancePx || squares > (RMS_SHARE * tolerancePx) ** 2 * n) return null;
  const clockwise = area > 0;
  const [left, right]: Point[] = [
    [cx - r, cy],
    [cx + r, cy],
  ];
  const half = (to: Point): Segment => ({ kind: 'arc', radius: r, large: false, clockwise, to });
  return { start: left, segments: [half(right), half(left)], deviation: { sum, greatest, count: n } };
}

/** The most that noise may loosen the tolerance to, in pixels. */
const LOOSEST_PX = 0.9;

/** How far to both sides a point's neighbours are looked at in a noisy picture, where noise goes on from one point to the next. */
const NOISY_REACH = 12;

/** The same for noisy pictures: how far points lie from a parabola through those around them. */
function noisyScatterOf(track: Track): number {
  const { xs, ys, n, closed } = track;
  const run: Run = closed
    ? {
        xs: Float64Array.from({ length: n + 2 * NOISY_REACH }, (_, i) => xs[track.index(i - NOISY_REACH)]),
        ys: Float64Array.from({ length: n + 2 * NOISY_REACH }, (_, i) => ys[track.index(i - NOISY_REACH)]),
      }
    : { xs, ys };
  const soft = softened(run, NOISY_REACH);
  const off: number[] = [];
  for (let i = NOISY_REACH + 1; i + NOISY_REACH + 1 < run.xs.length; i++) {
    const [dx, dy] = [soft.xs[i + 1] - soft.xs[i - 1], soft.ys[i + 1] - soft.ys[i - 1]];
    const length = Math.hypot(dx, dy);
    if (length > 1e-6) off.push(Math.abs(((run.xs[i] - soft.xs[i]) * dy - (run.ys[i] - soft.ys[i]) * dx) / length));
  }
  off.sort((p, q) => p - q);
  return off.length ? off[off.length >> 1] / 0.6745 : 0;
}

/**
 * How far points scatter about the edge they lie on, in pixels: the median of how far each lies from the middle of its neighbours, across the
 * track, brought to a standard deviation.
 */
function scatterOf({ xs, ys, n, closed }: Track): number {
  const off: number[] = [];
  for (let i = closed ? 0 : 1; i < (closed ? n : n - 1); i++) {
    const [a, b] = [(i + n - 1) % n, (i + 1) % n];
    const [dx, dy] = [xs[b] - xs[a], ys[b] - ys[a]];
    const length = Math.hypot(dx, dy);
    if (length > 1e-6) off.push(Math.abs(((xs[i] - xs[a]) * dy - (ys[i] - ys[a]) * dx) / length));
  }
  off.sort((p, q) => p - q);
  // A normal scatter s gives these a standard deviation of s times the root of 1.5.
  return off.length ? off[off.length >> 1] / 0.6745 / Math.sqrt(1.5) : 0;
}

/** Options that ask no more of the points of a track than they can tell: a tolerance no finer than their scatter, corners that stand out of it. */
function loosened(track: Track, options: FitOptions): FitOptions & { readonly roundPx: number } {
  const { doubtPx = 0 } = options;
  const scatter = Math.max(scatterOf(track), doubtPx > 0 ? Math.min(doubtPx, noisyScatterOf(track)) : 0);
  const doubt = doubtPx > 0 ? Math.max(0, scatter - SURE_PX) : 0;
  return {
    ...options,
    tolerancePx: Math.max(options.tolerancePx, Math.min(LOOSEST_PX, 3.1 * scatter)),
    softPx: options.softPx + Math.min(3, SOFTER * doubt),
    cornerRad: options.cornerRad + Math.min(0.6, TURN * doubt),
    roundPx: doubtPx > 0 ? Math.max(ROUND_TOLERANCE_PX, 2.5 * scatter) : ROUND_TOLERANCE_PX,
  };
}

/** Points of a noisy picture that scatter by less than this are as good as any, in pixels. */
const SURE_PX = 0.06;

/** By how much, for each pixel of scatter beyond that, corners are looked for further off, in pixels, and must turn more, in radians. */
const SOFTER = 10;
const TURN = 3;

/**
 * A chain as lines, arcs and curves. Corners are found first; the smooth stretches between them are then followed by as few segments as keep to
 * the tolerance. The ends of an open chain are given, and are kept.
 */
export function fitChain(
  located: Located,
  closed: boolean,
  ends: readonly [Point, Point] | null,
  wanted: FitOptions,
): Stroke {
  const stroke = straightened(fitted(located, closed, ends, wanted), closed);
  return (closed ? asRectangle(stroke) : null) ?? stroke;
}

function fitted(located: Located, closed: boolean, ends: readonly [Point, Point] | null, wanted: FitOptions): Stroke {
  const n = located.points.length / 2;
  const xs = new Float64Array(n);
  const ys = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    xs[i] = located.points[2 * i];
    ys[i] = located.points[2 * i + 1];
  }
  if (!closed && ends) {
    if (n < 3) return { start: ends[0], segments: [{ kind: 'line', to: ends[1] }] };
    const track = new Track(xs, ys, false);
    const options = loosened(track, wanted);
    const corners = cornersOf(track, options);
    const stops = [
      { index: 0, point: ends[0], spoiltPx: options.softPx },
      ...corners.filter((c) => track.at(c.index) > 2 && track.length - track.at(c.index) > 2),
      { index: n - 1, point: ends[1], spoiltPx: options.softPx },
    ];
    const deviation: Deviation = { sum: 0, greatest: 0, count: 0 };
    const segments = stops
      .slice(1)
      .flatMap((to, k) => fitSmooth(between(track, stops[k], to, false), options, deviation));
    return { start: ends[0], segments, deviation };
  }
  if (n < 4) return { start: [xs[0] ?? 0, ys[0] ?? 0], segments: [] };
  const track = new Track(xs, ys, true);
  const options = loosened(track, wanted);
  const circle = wholeCircle(track, options.tolerancePx * 1.15);
  if (circle) return circle;
  const oval = wholeEllipse(track, options.tolerancePx * 1.15, RMS_SHARE);
  if (oval) return oval;
  const corners = cornersOf(track, options);
  if (corners.length) return closedFrom(track, corners, options);
  // Smooth all round: a first fit from anywhere shows where a break would be put, and the second starts there.
  const anywhere = (index: number): Stop => {
    const soft = softened(
      between(
        track,
        { index: index - 6, point: [0, 0], spoiltPx: 0 },
        { index: index + 6, point: [0, 0], spoiltPx: 0 },
        false,
      ),
      4,
    );
    const middle = 7;
    return { index, point: [soft.xs[middle], soft.ys[middle]], spoiltPx: 0 };
  };
  const first = new Smooth(...loopRun(track, anywhere(0)), options.tolerancePx);
  const breaks = breaksOf(first);
  const start = breaks.length > 2 ? breaks[1 + ((breaks.length - 2) >> 1)] : 0;
  return closedFrom(track, [anywhere(track.index(start - 1))], options, true);
}

function loopRun(track: Track, from: Stop): [Run, Run] {
  const run = between(track, from, from, true);
  return [run, softened(run, 3)];
}

/** A closed track cut at its corners, each stretch fitted; with `smoothStart` the one place where it is cut is no corner. */
function closedFrom(track: Track, corners: readonly Stop[], options: FitOptions, smoothStart = false): Stroke {
  const segments: Segment[] = [];
  const deviation: Deviation = { sum: 0, greatest: 0, count: 0 };
  corners.forEach((from, k) => {
    const to = corners[(k + 1) % corners.length];
    segments.push(...fitSmooth(between(track, from, to, k === corners.length - 1), options, deviation, smoothStart));
  });
  return { start: corners[0].point, segments, deviation };
}
