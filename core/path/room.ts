import polylabel from 'polylabel';
import { boxOfRuns, signedArea } from './contour';
import { sizeOf, type Area } from './polygon';

/** A circle within an area. */
export interface Room {
  readonly x: number;
  readonly y: number;
  /** Of the largest circle about that place. */
  readonly r: number;
}

/** The roomiest place of an area, the middle of the largest circle in it, within `precision` units; null when it has none. */
export function roomIn(area: Area, precision = 0.1): Room | null {
  const pairs = (ring: readonly number[]): [number, number][] =>
    Array.from({ length: ring.length / 2 }, (_, i) => [ring[2 * i], ring[2 * i + 1]]);
  // Rings that stand apart are areas of their own: each outer one is looked through with the holes that lie in its box.
  const outer = area.filter((ring) => isOuter(ring));
  const holes = area.filter((ring) => !isOuter(ring));
  let best: Room | null = null;
  for (const ring of [...outer].sort((p, q) => sizeOf([q]) - sizeOf([p]))) {
    const b = boxOfRuns([ring])!;
    // No circle in a box is larger than the box.
    if (best && Math.min(b.width, b.height) / 2 <= best.r) continue;
    const within = holes.filter((h) => h[0] >= b.x && h[0] <= b.x + b.width && h[1] >= b.y && h[1] <= b.y + b.height);
    const found = polylabel([pairs(ring), ...within.map(pairs)], precision);
    if (found.distance > (best?.r ?? 0)) best = { x: found[0], y: found[1], r: found.distance };
  }
  return best;
}

const isOuter = (ring: readonly number[]): boolean => signedArea(ring) > 0;
