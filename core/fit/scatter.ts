/** How far points scatter about the edges they lie on, and what may be asked of them. */
import type { Track } from './corners';
import type { FitOptions, Located } from './stroke';
import type { Run } from './span';

/** Each point moved to a parabola through its neighbours, across the run; ends stay. */
export function softened({ xs: fromX, ys: fromY }: Pick<Run, 'xs' | 'ys'>, half: number): Run {
  const n = fromX.length;
  const xs = Float64Array.from(fromX);
  const ys = Float64Array.from(fromY);
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
      x += weight * fromX[i + k];
      y += weight * fromY[i + k];
    }
    xs[i] = x;
    ys[i] = y;
  }
  return { xs, ys };
}

/** How far to both sides a point's neighbours are looked at in a noisy picture, where noise goes on from one point to the next. */
const NOISY_REACH = 12;

/** The scatter of points in a noisy picture: how far they lie from a parabola through those around them. */
function noisyScatterOf(track: Track): number {
  const { xs, ys, n, closed } = track;
  const run = closed
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

/** The scatter of points from one to the next: the median of how far each lies from the middle of its neighbours, across the track. */
function nextScatterOf({ xs, ys, n, closed }: Track): number {
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

/** How far points scatter about the edge they lie on, in pixels, as a standard deviation. Noise may move them by `doubtPx`. */
export const scatterOf = (track: Track, doubtPx: number): number =>
  track.n < 3 ? 0 : Math.max(nextScatterOf(track), doubtPx > 0 ? Math.min(doubtPx, noisyScatterOf(track)) : 0);

/** The most that noise may loosen the tolerance to, in pixels; and the tolerance against the scatter. */
const LOOSEST_PX = 0.9;
const LOOSE = 3.1;

/** Points of a noisy picture that scatter by less than this are as good as any, in pixels. */
const SURE_PX = 0.06;

/** By how much, for each pixel of scatter beyond that, corners are looked for further off, in pixels, and must turn more, in radians. */
const SOFTER = 10;
const TURN = 3;

/** How truly a smooth curve must follow the points about a slight corner for that to be none, in pixels; and in noisy pictures against the scatter. */
const ROUND_TOLERANCE_PX = 0.12;
const ROUND_LOOSE = 2.5;

/** How far off a straight line points may lie, in pixels: at least, and against the scatter, in clean pictures and in noisy ones. */
const STRAIGHT_PX = 0.06;
const STRAIGHT_LOOSE = 4.3;
const STRAIGHT_IF_NOISY = 2;

/** What is asked of the points of a track. */
export interface Limits {
  /** The tolerance where it is strictest, in pixels. */
  readonly tolerancePx: number;
  /** What distances of each point count for, so that this tolerance is right for it; null where all count alike. */
  readonly weights: Float64Array | null;
  /** For each point, how far from corners there the picture is softened, in pixels. */
  readonly softPx: Float64Array;
  /** For each point, the least turn that is a corner, in radians. */
  readonly cornerRad: Float64Array;
  /** For each point, how truly a curve must follow for a slight corner to be none, in pixels. */
  readonly roundPx: Float64Array;
  /** For each point, how true a line beside a slight corner must be to count as straight, in pixels. */
  readonly straightPx: Float64Array;
}

/** Limits that ask no more of points than they can tell: a tolerance no finer than their scatter, corners that stand out of it. */
export function limitsOf({ scatterPx, doubtPx }: Located, { tolerancePx, softPx, cornerRad }: FitOptions): Limits {
  const tolerances = scatterPx.map((s) => Math.max(tolerancePx, Math.min(LOOSEST_PX, LOOSE * s)));
  const doubts = scatterPx.map((s) => (doubtPx ? Math.max(0, s - SURE_PX) : 0));
  let [least, most] = [Infinity, 0];
  for (const t of tolerances) {
    least = Math.min(least, t);
    most = Math.max(most, t);
  }
  return {
    tolerancePx: least,
    weights: most > least * 1.001 ? tolerances.map((t) => least / t) : null,
    softPx: doubts.map((d) => softPx + Math.min(3, SOFTER * d)),
    cornerRad: doubts.map((d) => cornerRad + Math.min(0.6, TURN * d)),
    roundPx: scatterPx.map((s) => (doubtPx ? Math.max(ROUND_TOLERANCE_PX, ROUND_LOOSE * s) : ROUND_TOLERANCE_PX)),
    straightPx: scatterPx.map((s) => Math.max(STRAIGHT_PX, (doubtPx ? STRAIGHT_IF_NOISY : STRAIGHT_LOOSE) * s)),
  };
}
