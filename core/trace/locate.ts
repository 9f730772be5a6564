import { bendLeast } from './aliased';
import type { Cells } from './cells';
import { BEYOND, type Chain } from './chains';
import { Track, scatterOf, type Located } from '../fit';

/** How far a ramp of coverage may reach to each side of the edge, in pixels; soft pictures want more. */
export const REACH_PX = { crisp: 3, soft: 6 } as const;

/**
 * Places a chain between pixels. Along an edge that runs more across than down, the coverage of a column of pixels, summed from where there
 * is none to where it is whole, is the mean height of the edge in that column: exact for an area-sampled picture, and unchanged by any
 * symmetric blur. Rows serve in the same way where the edge runs more down than across. Edges of an aliased picture are smoothed instead.
 */
export function locate(chain: Chain, cells: Cells, reachPx: number): Located {
  const { corners, closed, left, right } = chain;
  const { widthPx: w, heightPx: h, first, second, share, aliased } = cells;
  const n = corners.length / 2;
  const steps = closed ? n : n - 1;
  const points: number[] = [];
  /** The number of the step that each lies on. */
  const taken: number[] = [];
  const at = (i: number): number => (closed ? ((i % n) + n) % n : Math.max(0, Math.min(n - 1, i)));

  /** How much of a pixel is on the right of the chain, or -1 when it belongs to neither side. */
  const rightShare = (x: number, y: number): number => {
    if (x < 0 || y < 0 || x >= w || y >= h) return right === BEYOND ? 1 : left === BEYOND ? 0 : -1;
    const i = y * w + x;
    if (first[i] === right) return second[i] === left ? share[i] : 1;
    if (first[i] === left) return second[i] === right ? 1 - share[i] : 0;
    return -1;
  };

  const border = left === BEYOND || right === BEYOND;
  for (let i = 0; i < steps; i++) {
    const [a, b] = [at(i), at(i + 1)];
    const [ax, ay, bx, by] = [corners[2 * a], corners[2 * a + 1], corners[2 * b], corners[2 * b + 1]];
    const across = ay === by;
    const [p, q] = [at(i - 2), at(i + 3)];
    const dx = Math.abs(corners[2 * q] - corners[2 * p]);
    const dy = Math.abs(corners[2 * q + 1] - corners[2 * p + 1]);
    if (dx === dy ? !across && dx > 0 : across !== dx > dy) continue;
    taken.push(i);
    const mx = (ax + bx) / 2;
    const my = (ay + by) / 2;
    if (border || aliased) {
      points.push(mx, my);
      continue;
    }
    // Pixels on the two sides of this step, going away from it: to the left of the chain and to the right.
    const lx = across ? 0 : ay < by ? 1 : -1;
    const ly = across ? (ax < bx ? -1 : 1) : 0;
    const px = Math.floor(mx);
    const py = Math.floor(my);
    const firstLeftX = across ? px : lx > 0 ? ax : ax - 1;
    const firstLeftY = across ? (ly > 0 ? ay : ay - 1) : py;
    const firstRightX = across ? px : lx > 0 ? ax - 1 : ax;
    const firstRightY = across ? (ly > 0 ? ay - 1 : ay) : py;
    let offset = 0;
    let last = 2;
    for (let k = 0; k < reachPx; k++) {
      const t = rightShare(firstLeftX + lx * k, firstLeftY + ly * k);
      if (t < 0 || t > last + 0.1) break;
      offset += t;
      last = t;
      if (t < 0.004) break;
    }
    last = 2;
    for (let k = 0; k < reachPx; k++) {
      const t = rightShare(firstRightX - lx * k, firstRightY - ly * k);
      const u = 1 - t;
      if (t < 0 || u > last + 0.1) break;
      offset -= u;
      last = u;
      if (u < 0.004) break;
    }
    offset = Math.max(-1.5, Math.min(1.5, offset));
    points.push(mx + lx * offset, my + ly * offset);
  }
  const doubtPx = border ? 0 : cells.doubtPx(left, right);
  const placed = aliased && !border ? bendLeast(points, corners, taken, closed) : Float64Array.from(points);
  const scatter = border ? 0 : aliased ? doubtPx : scatterOf(Track.through(placed, closed), doubtPx);
  return { points: placed, scatterPx: new Float64Array(placed.length / 2).fill(scatter), doubtPx };
}
