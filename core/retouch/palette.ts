import { oklabToHex, rgbToHex, rgbToOklab } from '../colour';
import type { Picture } from '../raster';
import { NOTHING, type Apart } from '../trace';

/** A colour of a picture and how much of what is not transparent it covers, 0..1. */
export interface PaletteColour {
  readonly hex: string;
  readonly share: number;
  readonly isGround: boolean;
}

/** The colours of a picture with their shares, commonest first; a gradient counts as its mean. */
export function paletteOf({ inks, cells, ground }: Apart): PaletteColour[] {
  const covered = new Float64Array(256);
  for (let i = 0; i < cells.first.length; i++) {
    covered[cells.first[i]] += cells.share[i];
    covered[cells.second[i]] += 1 - cells.share[i];
  }
  const all = covered.reduce((sum, v, k) => (k === NOTHING ? sum : sum + v), 0);
  return inks
    .map(({ hex }, k) => ({ hex, share: all ? covered[k] / all : 0, isGround: k === ground }))
    .filter((c) => c.share > 0)
    .sort((p, q) => q.share - p.share);
}

/** The mean colour, in OKLab, of a square of pixels about a place; null where all of it is transparent or outside. */
export function meanAt(
  { widthPx: w, heightPx: h, rgba }: Picture,
  x: number,
  y: number,
  sidePx: number,
): string | null {
  const r = (sidePx - 1) / 2;
  let [L, a, b, n] = [0, 0, 0, 0];
  let only: [number, number, number] | null = null;
  for (let v = Math.floor(y) - r; v <= Math.floor(y) + r; v++)
    for (let u = Math.floor(x) - r; u <= Math.floor(x) + r; u++) {
      if (u < 0 || v < 0 || u >= w || v >= h) continue;
      const i = 4 * (v * w + u);
      const weight = rgba[i + 3] / 255;
      if (!weight) continue;
      const lab = rgbToOklab(rgba[i], rgba[i + 1], rgba[i + 2]);
      [L, a, b, n] = [L + weight * lab.L, a + weight * lab.a, b + weight * lab.b, n + weight];
      only = [rgba[i], rgba[i + 1], rgba[i + 2]];
    }
  if (!only) return null;
  return sidePx === 1 ? rgbToHex(only) : oklabToHex({ L: L / n, a: a / n, b: b / n });
}
