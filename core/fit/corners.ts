import { crossingOf, length, minus, nearestShare, plus, type Point, turnBetween } from '../path';

/** Located points of a chain with their length along it. */
export class Track {
  readonly n: number;
  /** Length along the points up to each; one more than the points in a closed track: the whole way round. */
  readonly along: Float64Array;
  readonly length: number;

  constructor(
    readonly xs: Float64Array,
    readonly ys: Float64Array,
    readonly closed: boolean,
  ) {
    this.n = xs.length;
    this.along = new Float64Array(this.n + 1);
    for (let i = 0; i < this.n; i++) {
      const j = (i + 1) % this.n;
      this.along[i + 1] = this.along[i] + Math.hypot(xs[j] - xs[i], ys[j] - ys[i]);
    }
    this.length = closed ? this.along[this.n] : this.along[this.n - 1];
  }

  /** A track of points given as x and y in turn. */
  static through(points: Float64Array, closed: boolean): Track {
    const [xs, ys] = [0, 1].map((c) => points.filter((_, i) => (i & 1) === c));
    return new Track(xs, ys, closed);
  }

  /** Length along the track at an index that may run past either end of a closed one. */
  at(k: number): number {
    const turns = Math.floor(k / this.n);
    return this.along[k - turns * this.n] + turns * this.length;
  }

  index(k: number): number {
    return ((k % this.n) + this.n) % this.n;
  }
}

/** A place where an edge turns sharply. */
export interface Corner {
  /** The point nearest to it. */
  readonly index: number;
  readonly point: Point;
  /** By how much it turns, in radians. */
  readonly turnRad: number;
  /** How far to each side of it points are spoilt by the other side, in pixels along the track. */
  readonly spoiltPx: number;
}

export interface CornerOptions {
  /** For each point, the least turn that is a corner there, in radians. */
  readonly leastRad: Float64Array;
  /** For each point, how far around a corner there the picture is softened, in pixels. */
  readonly softPx: Float64Array;
}

interface Side {
  /** Where the side, carried on, passes the place in question, and its direction there (away from it). */
  readonly at: Point;
  readonly direction: Point;
  readonly rms: number;
}

/** A place that scores less than this share of the least turn, as it lies off where its sides meet, is none. */
const SURE = 0.5;

/** Sides whose directions have no greater sine between them meet nowhere near. */
const NEARLY_PARALLEL = 0.12;

/** Fits x and y as polynomials of the length along the track over some points, and carries them on to length 0. */
function carryOn(track: Track, indices: readonly number[], from: number, degree: 1 | 2): Side | null {
  const m = degree + 1;
  if (indices.length < m + 1) return null;
  const a = new Float64Array(9);
  const bx = new Float64Array(3);
  const by = new Float64Array(3);
  for (const k of indices) {
    const s = Math.abs(track.at(k) - from);
    const i = track.index(k);
    const powers = [1, s, s * s];
    for (let r = 0; r < m; r++) {
      for (let c = 0; c < m; c++) a[r * m + c] += powers[r] * powers[c];
      bx[r] += powers[r] * track.xs[i];
      by[r] += powers[r] * track.ys[i];
    }
  }
  // Gauss's elimination on the small normal equations, both right sides at once.
  for (let c = 0; c < m; c++) {
    const pivot = a[c * m + c];
    if (Math.abs(pivot) < 1e-9) return null;
    for (let r = 0; r < m; r++) {
      if (r === c) continue;
      const f = a[r * m + c] / pivot;
      for (let k = c; k < m; k++) a[r * m + k] -= f * a[c * m + k];
      bx[r] -= f * bx[c];
      by[r] -= f * by[c];
    }
  }
  const [x, y] = [
    Array.from({ length: m }, (_, r) => bx[r] / a[r * m + r]),
    Array.from({ length: m }, (_, r) => by[r] / a[r * m + r]),
  ];
  const speed = Math.hypot(x[1], y[1]);
  if (speed < 0.2) return null;
  let squares = 0;
  for (const k of indices) {
    const s = Math.abs(track.at(k) - from);
    const i = track.index(k);
    const dx = track.xs[i] - (x[0] + x[1] * s + (x[2] ?? 0) * s * s);
    const dy = track.ys[i] - (y[0] + y[1] * s + (y[2] ?? 0) * s * s);
    const off = (dx * y[1] - dy * x[1]) / speed;
    squares += off * off;
  }
  return { at: [x[0], y[0]], direction: [x[1] / speed, y[1] / speed], rms: Math.sqrt(squares / indices.length) };
}

/** The side of a place that goes back (-1) or on (1): a straight line near by where that is true enough, else a parabola from further. */
function sideOf(track: Track, i: number, way: 1 | -1, soft: number): Side | null {
  const from = track.at(i);
  const near: number[] = [];
  const far: number[] = [];
  for (let k = i + way; ; k += way) {
    if (!track.closed && (k < 0 || k >= track.n)) break;
    const s = Math.abs(track.at(k) - from);
    if (s > 4.2 + 3 * soft || Math.abs(k - i) > track.n / 2) break;
    if (s < soft) continue;
    far.push(k);
    if (s <= 2.6 + 2 * soft) near.push(k);
  }
  const parabola = carryOn(track, far, from, 2);
  const long = carryOn(track, far, from, 1);
  if (long && long.rms < 0.05) return long;
  const short = carryOn(track, near, from, 1);
  if (parabola && (!short || parabola.rms < Math.max(0.06, short.rms * 1.2))) return parabola;
  return short ?? long;
}

/**
 * Finds the corners of a track. At each place the edge before it and the edge after it are carried on to it from points that the place has
 * not softened; a corner is where their directions differ most, and where they meet close by: a round bend meets far outside itself.
 */
export function findCorners(track: Track, limits: CornerOptions): Corner[] {
  const { n } = track;
  if (n < 8) return [];
  const turns = new Float64Array(n);
  const places: (Point | null)[] = new Array<Point | null>(n).fill(null);
  for (let i = 0; i < n; i++) {
    const [leastRad, softPx] = [limits.leastRad[i], limits.softPx[i]];
    const back = Math.round(3 + softPx);
    const [a, b] = [i - back, i + back];
    if (!track.closed && (a < 0 || b >= n)) continue;
    const [ia, ib] = [track.index(a), track.index(b)];
    const ux = track.xs[i] - track.xs[ia];
    const uy = track.ys[i] - track.ys[ia];
    const vx = track.xs[ib] - track.xs[i];
    const vy = track.ys[ib] - track.ys[i];
    // Hardly a turn at all: nothing to look at more closely.
    if (Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)) < leastRad * 0.45) continue;
    const before = sideOf(track, i, -1, softPx);
    const after = sideOf(track, i, 1, softPx);
    if (!before || !after) continue;
    const turn = Math.PI - turnBetween(before.direction, after.direction);
    if (turn < leastRad) continue;
    const place =
      crossingOf(before.at, before.direction, after.at, after.direction, NEARLY_PARALLEL) ??
      ([track.xs[i], track.ys[i]] as Point);
    let gap = Infinity;
    for (let k = i - back; k < i + back; k++) {
      if (!track.closed && (k < 0 || k + 1 >= n)) continue;
      const [from, to] = [k, k + 1].map((m): Point => [track.xs[track.index(m)], track.ys[track.index(m)]]);
      gap = Math.min(gap, length(minus(place, plus(from, minus(to, from), nearestShare(place, from, to)))));
    }
    // How far a sharp corner is cut by the pixels: more, the sharper it is.
    const cut = (0.36 + 0.25 * softPx) / Math.max(0.25, Math.cos(turn / 2));
    if (gap > cut) continue;
    turns[i] = turn - 0.15 * gap - 0.25 * Math.hypot(track.xs[i] - place[0], track.ys[i] - place[1]);
    places[i] = place;
  }
  const corners: Corner[] = [];
  for (let i = 0; i < n; i++) {
    const place = places[i];
    if (!place) continue;
    const softPx = limits.softPx[i];
    let top = turns[i] >= SURE * limits.leastRad[i];
    for (let k = i - 1; top && (track.closed || k >= 0) && track.at(i) - track.at(k) < 2 + softPx && i - k < n / 2; k--)
      if (turns[track.index(k)] >= turns[i]) top = false;
    for (let k = i + 1; top && (track.closed || k < n) && track.at(k) - track.at(i) < 2 + softPx && k - i < n / 2; k++)
      if (turns[track.index(k)] > turns[i]) top = false;
    if (!top) continue;
    // The sharper the corner, the further its two sides spoil each other.
    const half = Math.max(0.15, Math.cos(turns[i] / 2));
    corners.push({ index: i, point: place, turnRad: turns[i], spoiltPx: Math.min(7, (0.8 + 0.6 * softPx) / half) });
  }
  return corners;
}
