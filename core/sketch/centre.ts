/** The lines of a sketch as runs along their middle: doubled strokes are one, uneven ones have no width of their own. */
import { grown, moved, union, type Area } from '../path';
import { cover } from '../raster';

/** Cells to a unit of the field. */
const FINE = 4;
/** Strokes nearer to one another than this, in units, are one line. */
const DOUBLED = 1.1;
/** Loose ends shorter than this, in units, are none. */
const SPUR = 3;

type P = readonly [number, number];

/** Thins a mask to lines of one cell, in place (Zhang and Suen 1984). */
export function thinned(mask: Uint8Array, width: number, height: number): void {
  const around = [-width, -width + 1, 1, width + 1, width, width - 1, -1, -width - 1];
  for (let changed = true; changed;) {
    changed = false;
    for (const phase of [0, 1]) {
      const gone: number[] = [];
      for (let y = 1; y < height - 1; y++)
        for (let x = 1; x < width - 1; x++) {
          const i = y * width + x;
          if (!mask[i]) continue;
          const n = around.map((d) => mask[i + d]);
          const filled = n.reduce((s, v) => s + v, 0);
          if (filled < 2 || filled > 6) continue;
          let turns = 0;
          for (let k = 0; k < 8; k++) if (!n[k] && n[(k + 1) % 8]) turns++;
          if (turns !== 1) continue;
          const [up, , right, , down, , left] = n;
          if (phase === 0 ? up * right * down || right * down * left : up * right * left || up * down * left) continue;
          gone.push(i);
        }
      for (const i of gone) mask[i] = 0;
      changed ||= gone.length > 0;
    }
  }
}

/** Runs of a thinned mask from one end or meeting to the next, in cells. */
function runsOf(mask: Uint8Array, width: number): { run: P[]; ends: number }[] {
  const around = [-width, 1, width, -1, -width + 1, width + 1, width - 1, -width - 1];
  const next = (i: number): number[] => around.map((d) => i + d).filter((j) => mask[j]);
  const at = (i: number): P => [i % width, Math.floor(i / width)];
  const ring = [-width, -width + 1, 1, width + 1, width, width - 1, -1, -width - 1];
  /** How many lines leave a cell: a stair of cells is one line. */
  const leaving = (i: number): number => ring.filter((d, k) => !mask[i + d] && mask[i + ring[(k + 1) % 8]]).length;
  const isKnot = (i: number): boolean => leaving(i) !== 2;
  const seen = new Set<string>();
  const out: { run: P[]; ends: number }[] = [];
  const follow = (from: number, to: number): void => {
    const run = [from];
    const met = new Set(run);
    let [before, here] = [from, to];
    for (;;) {
      run.push(here);
      if (isKnot(here) || here === from) break;
      met.add(here);
      // Back to where it began, but never round and round.
      const onward = next(here).find((j) => j !== before && (j === from ? run.length > 4 : !met.has(j)));
      if (onward === undefined) break;
      [before, here] = [here, onward];
    }
    const key = [run[0], run[1], run.at(-2), run.at(-1)].sort((p, q) => p! - q!).join();
    if (seen.has(key)) return;
    seen.add(key);
    for (const i of run) used[i] = 1;
    out.push({ run: run.map(at), ends: [from, here].filter((i) => leaving(i) === 1).length });
  };
  const used = new Uint8Array(mask.length);
  for (let i = 0; i < mask.length; i++) if (mask[i] && isKnot(i)) for (const j of next(i)) follow(i, j);
  // What is left goes round.
  for (let i = 0; i < mask.length; i++) if (mask[i] && !used[i] && !isKnot(i)) follow(i, next(i)[0]);
  return out;
}

/** A run smoothed by the mean of its neighbours, its ends kept. */
function calm(run: readonly P[], times: number): P[] {
  let out = [...run];
  const isRound = Math.hypot(run[0][0] - run.at(-1)![0], run[0][1] - run.at(-1)![1]) < 1.6;
  for (let t = 0; t < times; t++)
    out = out.map((p, i) => {
      const a = i ? out[i - 1] : isRound ? out[out.length - 2] : p;
      const b = i < out.length - 1 ? out[i + 1] : isRound ? out[1] : p;
      return [(a[0] + 2 * p[0] + b[0]) / 4, (a[1] + 2 * p[1] + b[1]) / 4];
    });
  return out;
}

/** Middle lines of drawn strokes in a field of 100 x 100, as runs of x and y in turn; closed ones end where they begin. */
export function centreLines(lines: Area): number[][] {
  const side = 104 * FINE;
  const mask = new Uint8Array(side * side);
  const wide = union(grown(lines, DOUBLED / 2));
  const c = cover(moved(wide, [FINE, 0, 0, FINE, 2 * FINE, 2 * FINE]), side, side);
  if (!c) return [];
  for (let y = 0; y < c.heightPx; y++)
    for (let x = 0; x < c.widthPx; x++) if (c.share[y * c.widthPx + x] > 0.5) mask[(y + c.y0) * side + x + c.x0] = 1;
  thinned(mask, side, side);
  return runsOf(mask, side)
    .filter(({ run, ends }) => run.length > (ends === 2 ? 1.2 * FINE : ends === 1 ? SPUR * FINE : 2))
    .map(({ run }) => calm(run, 14).flatMap(([x, y]) => [(x + 0.5) / FINE - 2, (y + 0.5) / FINE - 2]));
}
