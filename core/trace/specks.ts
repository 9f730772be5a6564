import { findRegions } from '../raster';
import { NOTHING, type Cells } from './cells';
import { sidesOf } from './regions';

/** A speck this far from its surroundings in OKLab catches the eye, as a highlight in an eye does: it may be smaller by the share. */
const DISTINCT = 0.3;
const DISTINCT_SHARE = 0.4;

/** Of neighbours that it touches alike, a speck goes to the one of the nearest colour: differences in OKLab count from this on. */
const ALIKE = 0.1;

/**
 * Gives every connected area smaller than `leastPx2` to a neighbour, by how much it touches that and how like it is; the cells given are changed in
 * place. Areas of inks that differ much from that neighbour, as `apartOf` tells in OKLab, may be smaller. Returns how many areas went.
 */
export function dropSpecks(
  cells: Cells,
  leastPx2: number,
  apartOf: (p: number, q: number) => number = () => 0,
): number {
  const { widthPx: w, heightPx: h, first, second, share } = cells;
  if (leastPx2 <= 1) return 0;
  const { of, sizePx2, label } = findRegions(first, w, h);
  const members = new Map<number, number[]>();
  let count = 0;
  for (const stretches of [cells.plains.busy, cells.plains.plain])
    for (let s = 0; s < stretches.length; s += 2) {
      // A plain stretch lies in one area.
      if (stretches === cells.plains.plain && sizePx2[of[stretches[s]]] >= leastPx2) continue;
      for (let i = stretches[s]; i < stretches[s + 1]; i++) {
        if (sizePx2[of[i]] >= leastPx2) continue;
        const list = members.get(of[i]);
        if (list) list.push(i);
        else members.set(of[i], [i]);
      }
    }
  for (const [k, pixels] of members) {
    const touch = new Map<number, number>();
    const sides = (i: number) => sidesOf(i, w, first.length);
    for (const i of pixels)
      for (const j of sides(i)) if (of[j] !== k) touch.set(first[j], (touch.get(first[j]) ?? 0) + 1);
    const claimOf = ([ink, steps]: readonly [number, number]): number =>
      steps / (ALIKE + (ink === NOTHING ? 1 : apartOf(label[k], ink)));
    const [heir] = [...touch].sort((p, q) => claimOf(q) - claimOf(p))[0] ?? [];
    if (heir === undefined) continue;
    if (pixels.length >= DISTINCT_SHARE * leastPx2 && apartOf(label[k], heir) >= DISTINCT) continue;
    count++;
    for (const i of pixels) {
      first[i] = heir;
      second[i] = heir;
      share[i] = 1;
    }
    // What the speck mixed into its rim goes with it.
    for (const i of pixels)
      for (const j of sides(i))
        if (first[j] !== label[k] && second[j] === label[k]) {
          second[j] = first[j];
          share[j] = 1;
        }
  }
  return count;
}
