/** A figure drawn without lifting the pen: one line that goes round it and, on its way, into it and back. */
import { dense, grown, roundedOff, sizeOf, stroked, type Area } from '../path';
import { boundsOf } from './area';
import { seenParts, silhouetteOf, type Figure } from './figure';
import type { Draw } from './finishes-solid';
import { layerOf } from './layer';

type P = readonly [number, number];
const pointsOf = (ring: readonly number[]): P[] => Array.from({ length: ring.length / 2 }, (_, i) => [ring[2 * i], ring[2 * i + 1]]); // prettier-ignore
const apart = (p: P, q: P): number => Math.hypot(p[0] - q[0], p[1] - q[1]);

/** Whether a point lies in an area, by the even-odd rule. */
function isIn(area: Area, [x, y]: P): boolean {
  let inside = false;
  for (const ring of area)
    for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2)
      if (ring[i + 1] > y !== ring[j + 1] > y && x < ((ring[j] - ring[i]) * (y - ring[i + 1])) / (ring[j + 1] - ring[i + 1]) + ring[i]) inside = !inside; // prettier-ignore
  return inside;
}

/** Lines within a figure, off its edge: closed ones, and open ones that begin and end near it. */
function innerRuns(figure: Figure, hull: Area, u: number): P[][] {
  const core = grown(hull, -2.6 * u);
  const runs: P[][] = [];
  for (const part of seenParts(figure))
    for (const ring of roundedOff(part.area, 0.5 * u)) {
      if (sizeOf([ring]) < 5 * u * u) continue;
      const points = pointsOf(dense([ring], 0.9 * u)[0]);
      const within = points.map((p) => isIn(core, p));
      if (within.every(Boolean)) runs.push([...points, points[0]]);
      else {
        const start = within.findIndex((w, i) => w && !within.at(i - 1));
        if (start < 0) continue;
        let run: P[] = [];
        for (let k = 0; k <= points.length; k++) {
          const i = (start + k) % points.length;
          if (within[i] && k < points.length) run.push(points[i]);
          else if (run.length) {
            if (run.length > 5) runs.push(run);
            run = [];
          }
        }
      }
    }
  return runs.sort((p, q) => q.length - p.length);
}

/** Inner lines that one line takes in at most. */
const RUNS_MOST = 9;

/** The one line of a figure, x and y in turn, from where it comes in on the left to where it leaves on the right; `u` is its unit. */
export function oneLineOf(figure: Figure, u: number): number[] {
  const hull = roundedOff(silhouetteOf(figure), 0.9 * u);
  const largest = [...hull].sort((p, q) => sizeOf([q]) - sizeOf([p]))[0];
  if (!largest) return [];
  const ring = pointsOf(dense([largest], 0.9 * u)[0]);
  const b = boundsOf([largest]);
  // It comes in at the foot of the figure, from the left.
  const foot = ring.reduce((best, p, i) => (p[1] - 0.2 * p[0] > ring[best][1] - 0.2 * ring[best][0] ? i : best), 0);
  let path: P[] = [...ring.slice(foot), ...ring.slice(0, foot), ring[foot]];
  const rest = [...hull].filter((r) => r !== largest && sizeOf([r]) > 8 * u * u).map((r): P[] => { const p = pointsOf(dense([r], 0.9 * u)[0]); return [...p, p[0]]; }); // prettier-ignore
  let taken = 0;
  for (const run of [...rest, ...innerRuns(figure, hull, u)]) {
    if (taken >= RUNS_MOST + rest.length) break;
    // What two parts share is drawn once.
    const near = run.filter((p) => path.some((q) => apart(p, q) < 2.9 * u)).length;
    if (near > 0.55 * run.length) continue;
    const isClosed = apart(run[0], run[run.length - 1]) < 1e-6;
    let best = { d: Infinity, i: 0, j: 0 };
    const ends = isClosed ? run.map((_, j) => j) : [0, run.length - 1];
    for (const j of ends)
      path.forEach((q, i) => {
        const d = apart(run[j], q);
        if (d < best.d) best = { d, i, j };
      });
    const there = isClosed ? [...run.slice(best.j), ...run.slice(1, best.j + 1)] : best.j === 0 ? [...run, ...[...run].reverse()] : [...[...run].reverse(), ...run]; // prettier-ignore
    path = [...path.slice(0, best.i + 1), ...there, ...path.slice(best.i)];
    taken++;
  }
  const [x, y] = ring[foot];
  const tail = 0.22 * b.width;
  const lead = Array.from({ length: 8 }, (_, k): P => { const t = k / 8; return [x - (1 - t) * (x - b.x + tail), y + 1.6 * u * Math.sin(Math.PI * 2 * t)]; }); // prettier-ignore
  const out = Array.from({ length: 8 }, (_, k): P => { const t = (k + 1) / 8; return [x + t * (b.x + b.width + tail - x), y + 1.6 * u * Math.sin(Math.PI * 2 * t)]; }); // prettier-ignore
  return [...lead, ...path, ...out].flat();
}

/** The figure as one line of one weight. */
export const oneLine: Draw = ({ figure, tint, u }) => {
  const run = oneLineOf(figure, u);
  return run.length ? [layerOf(stroked([run], 1.9 * u, false), tint.inks[0])] : [];
};
