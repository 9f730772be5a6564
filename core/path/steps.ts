import type { Point } from './point';

/** How long a run of x and y in turn is. */
export function runLength(run: ArrayLike<number>): number {
  let sum = 0;
  for (let k = 2; k < run.length; k += 2) sum += Math.hypot(run[k] - run[k - 2], run[k + 1] - run[k - 1]);
  return sum;
}

/** A line through points, at equal steps of about `step`; a closed one does not end with its first point. */
export function atEqualSteps(points: readonly Point[], step: number, closed: boolean): Point[] {
  const line = closed ? [...points, points[0]] : points;
  const length = runLength(line.flat());
  const n = Math.max(closed ? 8 : 2, Math.round(length / step));
  const out: Point[] = [];
  let [i, done] = [1, 0];
  for (let k = 0; k < (closed ? n : n + 1); k++) {
    const at = (length * k) / n;
    let part = Math.hypot(line[i][0] - line[i - 1][0], line[i][1] - line[i - 1][1]);
    while (i < line.length - 1 && done + part < at) {
      done += part;
      i++;
      part = Math.hypot(line[i][0] - line[i - 1][0], line[i][1] - line[i - 1][1]);
    }
    const t = part > 0 ? Math.min(1, (at - done) / part) : 0;
    out.push([line[i - 1][0] + t * (line[i][0] - line[i - 1][0]), line[i - 1][1] + t * (line[i][1] - line[i - 1][1])]);
  }
  return out;
}
