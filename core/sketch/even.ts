/** What a hand meant by a line that trembles: nearly round is round, nearly straight is straight, and only real corners are left. */
import { fitChain, Track, wholeCircle, wholeEllipse } from '../fit';
import { atEqualSteps, flatten, type Point } from '../path';

/** Units between samples of a line, in a field of 100 x 100. */
const STEP = 0.7;
/** Over how many samples to each side a corner is judged. */
const REACH = 2;
/** Least turn of a corner, in radians. */
const CORNER = 0.9;
/** A fair curve drops waves shorter than some nine units and does not shrink (Taubin 1995). */
const [SHRINK, SWELL, PASSES] = [0.5, -0.53, 10];
/** How far a hand trembles at most, in units. */
const MOST_OFF = 1.3;
/** How far what is nearly round may be off it, as a share of the diagonal of its box; and the share of that that it may be off in the mean square. */
const [ROUND_OFF, ROUND_RMS] = [0.06, 0.55];
/** Pixels that this is for the fit. */
const ROUND_PX = 4;

type P = readonly [number, number];

const pointsOf = (run: readonly number[]): P[] =>
  Array.from({ length: run.length / 2 }, (_, i) => [run[2 * i], run[2 * i + 1]]);

const sampled = (points: readonly P[], closed: boolean): Point[] => atEqualSteps(points, STEP, closed);

/** By how much a closed line turns at each of its samples, in radians, judged over a stretch to both sides. */
function turnsOf(points: readonly P[]): number[] {
  const n = points.length;
  const w = Math.max(1, Math.min(REACH, Math.floor(n / 4)));
  return points.map((p, i) => {
    const [a, b] = [points[(i - w + n) % n], points[(i + w) % n]];
    const [ux, uy, vx, vy] = [p[0] - a[0], p[1] - a[1], b[0] - p[0], b[1] - p[1]];
    return Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy));
  });
}

/** How many corners a closed line has: places where it turns by half a radian or more within three units. */
export function cornerCount(ring: readonly number[]): number {
  const turns = turnsOf(sampled(pointsOf(ring), true));
  const n = turns.length;
  return turns.filter((turn, i) => {
    if (turn < 0.5) return false;
    for (let d = -REACH; d <= REACH; d++) {
      const other = turns[(i + d + 2 * n) % n];
      if (d && (other > turn || (other === turn && d < 0))) return false;
    }
    return true;
  }).length;
}

/** A line without its tremble; the ends of an open one stay. */
function faired(points: readonly P[], closed: boolean): P[] {
  let out = [...points];
  const n = out.length;
  for (let pass = 0; pass < 2 * PASSES; pass++) {
    const by = pass % 2 ? SWELL : SHRINK;
    out = out.map((p, i) => {
      if (!closed && (i === 0 || i === n - 1)) return p;
      const [a, b] = [out[(i - 1 + n) % n], out[(i + 1) % n]];
      return [p[0] + by * ((a[0] + b[0]) / 2 - p[0]), p[1] + by * ((a[1] + b[1]) / 2 - p[1])];
    });
  }
  return out;
}

/** The circle, or else the ellipse, that a closed line nearly is, as a ring of points; null where it is neither. */
export function nearlyRound(ring: readonly number[]): number[] | null {
  const points = sampled(pointsOf(ring), true);
  const size = sizeOf(points);
  // The fit measures in pixels: the line is made large enough for a share of its size to be some.
  const k = ROUND_PX / (ROUND_OFF * size);
  const track = Track.through(Float64Array.from(points.flatMap(([x, y]) => [x * k, y * k])), true);
  const round = wholeCircle(track, ROUND_PX, ROUND_RMS, null) ?? wholeEllipse(track, ROUND_PX, ROUND_RMS, null);
  return round && flatten(round, 0.04 * k).map((v) => v / k);
}

/** How far from what was drawn a line may go: as much as a hand trembles, and less for what is small, in units. */
const toleranceOf = (points: readonly P[]): number => Math.max(0.12, Math.min(MOST_OFF, 0.032 * sizeOf(points)));

/** The diagonal of the box that points lie in. */
function sizeOf(points: readonly P[]): number {
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  return Math.hypot(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
}

/** How much farther a line may go where a hand trembled more, and what share of its pieces that may leave at most. */
const [FARTHER, FEWER] = [1.6, 0.55];

/** A line followed by as few straight lines, arcs and curves as keep near it, as points; x and y in turn. Where twice as few do a little farther off, it trembled that much. */
function followed(points: readonly P[], closed: boolean): number[] {
  const tolerance = toleranceOf(points);
  const [near, far] = [tolerance, FARTHER * tolerance].map((t) => fittedTo(points, closed, t));
  return far.pieces <= FEWER * near.pieces ? far.line : near.line;
}

/** A line in few pieces that keep within a tolerance, in units. */
function fittedTo(points: readonly P[], closed: boolean, tolerance: number): { line: number[]; pieces: number } {
  const k = 1 / tolerance;
  const flat = Float64Array.from(points.flatMap(([x, y]) => [x * k, y * k]));
  const ends = [points[0], points.at(-1)!].map(([x, y]): P => [x * k, y * k]) as [P, P];
  const located = { points: flat, scatterPx: new Float64Array(points.length).fill(0.5), doubtPx: 0.5 };
  const { start, segments } = fitChain(located, closed, closed ? null : ends, { tolerancePx: 1, cornerRad: CORNER, softPx: 1 }); // prettier-ignore
  return { line: flatten({ start, segments }, 0.04).map((v) => v / k), pieces: segments.length };
}

/** A closed line as it was meant, in a field of 100 x 100; x and y in turn. */
export function evenedRing(ring: readonly number[]): number[] {
  if (ring.length < 8) return [...ring];
  return nearlyRound(ring) ?? followed(faired(sampled(pointsOf(ring), true), true), true);
}

/** An open line, or one that ends where it begins, as it was meant. */
export function evenedRun(run: readonly number[]): number[] {
  const all = pointsOf(run);
  if (all.length < 4) return [...run];
  const isClosed = Math.hypot(all[0][0] - all.at(-1)![0], all[0][1] - all.at(-1)![1]) < 0.9;
  if (!isClosed) return followed(faired(sampled(all, false), false), false);
  const ring = evenedRing(run.slice(0, -2));
  return [...ring, ring[0], ring[1]];
}
