/** Round parts of a drawing, as wheels, lenses and dials are. */
import { boundsOf } from './area';
import { sizeOf } from '../path';
import { outlineOf, type Figure } from './figure';

export interface Round {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** Its area by that of a circle as long round: 1 for a circle (the isoperimetric quotient). */
function roundness(ring: readonly number[]): number {
  let length = 0;
  for (let i = 0; i < ring.length; i += 2) {
    const j = (i + 2) % ring.length;
    length += Math.hypot(ring[j] - ring[i], ring[j + 1] - ring[i + 1]);
  }
  return (4 * Math.PI * Math.abs(sizeOf([ring]))) / Math.max(1e-6, length * length);
}

/** The circles in a figure that are seen as parts of it, the largest first; of those about one middle the outermost. */
export function roundsIn(figure: Figure): Round[] {
  const whole = boundsOf(outlineOf(figure));
  const least = 0.07 * Math.max(whole.width, whole.height);
  const most = 0.34 * Math.max(whole.width, whole.height);
  const found: Round[] = [];
  for (const { area } of figure.parts)
    for (const ring of area) {
      const b = boundsOf([ring]);
      const r = (b.width + b.height) / 4;
      if (r < least || r > most || Math.abs(b.width - b.height) > 0.16 * r || roundness(ring) < 0.9) continue;
      found.push({ x: b.x + b.width / 2, y: b.y + b.height / 2, r });
    }
  const rounds: Round[] = [];
  for (const one of found.sort((p, q) => q.r - p.r))
    if (rounds.every((o) => Math.hypot(o.x - one.x, o.y - one.y) > 0.8 * o.r)) rounds.push(one);
  return rounds;
}

/** The two largest rounds at one height in the lower part of a figure, from the left; null where there are none. */
export function wheelsOf(figure: Figure): readonly [Round, Round] | null {
  const whole = boundsOf(outlineOf(figure));
  const low = roundsIn(figure).filter((o) => o.y > whole.y + 0.5 * whole.height);
  const second = low[0] && low.slice(1).find((o) => o.r > 0.6 * low[0].r && Math.abs(o.x - low[0].x) > low[0].r);
  if (!second) return null;
  return low[0].x < second.x ? [low[0], second] : [second, low[0]];
}
