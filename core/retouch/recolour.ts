/** Colours changed in a whole picture: at edges, where a pixel is mixed of two, each keeps its share, so that no rim of the old colour stays. */
import { hexToRgb, type Rgb } from '../colour';
import type { Picture } from '../raster';
import { NOTHING, tellApart, type FoundInk } from '../trace';

/**
 * Changes inks of a picture. `change` gives the new colour of an ink, or null where it stays. A pixel moves by as much as its inks do, each by its share: what is on
 * top of flat colours, such as noise or grain, stays. Gradients are left alone. Gives the picture and how many inks were changed.
 */
export function recoloured(
  picture: Picture,
  change: (ink: FoundInk) => string | null,
): { picture: Picture; changed: number } {
  const { cells, inks } = tellApart(picture, 'auto', { gradients: true });
  const moves = inks.map((ink): Rgb | null => {
    const to = ink.gradient ? null : change(ink);
    if (to === null) return null;
    const rgb = hexToRgb(to);
    return [rgb[0] - ink.rgb[0], rgb[1] - ink.rgb[1], rgb[2] - ink.rgb[2]];
  });
  const changed = moves.filter((m) => m?.some((v) => v !== 0)).length;
  if (!changed) return { picture, changed };
  const { first, second, share } = cells;
  const rgba = new Uint8ClampedArray(picture.rgba);
  for (let i = 0; i < first.length; i++) {
    const [a, b] = [first[i] === NOTHING ? null : moves[first[i]], second[i] === NOTHING ? null : moves[second[i]]];
    if (!a && !b) continue;
    // Beside nothing, coverage is in alpha, and the colour is the ink's alone.
    const t = first[i] === NOTHING ? 0 : second[i] === NOTHING ? 1 : share[i];
    for (let c = 0; c < 3; c++) rgba[4 * i + c] = picture.rgba[4 * i + c] + (a?.[c] ?? 0) * t + (b?.[c] ?? 0) * (1 - t);
  }
  return { picture: { ...picture, rgba }, changed };
}
