import { NOTHING, type Unmixed } from './cells';
import type { Mixtures } from './mixtures';
import { sidesOf } from './regions';

/** Larger areas are no slivers. */
const SLIVER_PX2 = 600;

/** How far the pixels of a sliver may be from mixtures of the inks around it, in levels: at least, and for each level of noise. */
const SLIVER_LEVELS = 12;
const SLIVER_NOISE = 15;

/**
 * Areas without a single pure pixel, whose pixels are mixtures of what lies around them as well: ramps that pass by the colour of a third ink on
 * their way from one to another. They go to the inks around them. Tells whether there were any.
 */
export function takeSlivers(unmixed: Unmixed, mixtures: Mixtures, noise: number): boolean {
  const {
    first,
    pure,
    plains: { busy },
    widthPx: w,
  } = unmixed;
  const n = first.length;
  const sliverLevels = SLIVER_LEVELS + SLIVER_NOISE * noise;
  let any = false;
  const seen = new Uint8Array(n);
  const pixels: number[] = [];
  for (let s = 0; s < busy.length; s += 2)
    for (let start = busy[s]; start < busy[s + 1]; start++) {
      if (pure[start] || seen[start] || first[start] === NOTHING) continue;
      // The impure pixels of one ink about this one, and whether a pure one of the same ink touches them.
      pixels.length = 0;
      pixels.push(start);
      seen[start] = 1;
      let alone = true;
      for (let at = 0; at < pixels.length; at++)
        for (const j of sidesOf(pixels[at], w, n)) {
          if (first[j] !== first[start]) continue;
          if (pure[j]) alone = false;
          else if (!seen[j]) {
            seen[j] = 1;
            pixels.push(j);
          }
        }
      if (alone && pixels.length <= SLIVER_PX2 && takeSliver(unmixed, mixtures, pixels, sliverLevels)) any = true;
    }
  return any;
}

function takeSliver(
  { first, second, share, widthPx: w }: Unmixed,
  mixtures: Mixtures,
  pixels: readonly number[],
  sliverLevels: number,
): boolean {
  const n = first.length;
  const around = new Set(pixels.flatMap((i) => sidesOf(i, w, n)).map((j) => first[j]));
  around.delete(first[pixels[0]]);
  if (around.size < 2 || around.has(NOTHING)) return false;
  mixtures.clear();
  mixtures.nearby.push(...around);
  const best = pixels.map((i) => mixtures.best(i, 0, first[i]));
  mixtures.clear();
  if (best.reduce((sum, m) => sum + m.off, 0) > sliverLevels * pixels.length) return false;
  pixels.forEach((i, k) => {
    first[i] = best[k].a;
    second[i] = best[k].b;
    share[i] = best[k].share;
  });
  return true;
}
