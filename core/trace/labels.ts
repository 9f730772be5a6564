import { rgbToOklab } from '../colour';
import type { Picture } from '../raster';
import { NOTHING } from './cells';
import { nearestOf, type FoundInk } from './inks';
import type { Plains } from './plains';
import { distance, tonesFor } from './tone';

/** The ink nearest to each pixel's colour, and how far off that is, in levels; NOTHING where a pixel is more transparent than not. */
export function nearestInks(
  { widthPx: w, heightPx: h, rgba }: Picture,
  { plain, busy }: Plains,
  inks: readonly FoundInk[],
  noise: number,
): { first: Uint8Array; off: Uint8ClampedArray } {
  const n = w * h;
  const toned = tonesFor(noise);
  const tones = inks.map((ink) => toned(...ink.rgb));
  const first = new Uint8Array(n);
  const off = new Uint8ClampedArray(n);
  // The last colour seen in each of some places, and its ink: near inks differ by a level or two, so that colours must not be rounded.
  const colours = new Int32Array(1 << 14).fill(-1);
  const labels = new Uint8Array(1 << 14);
  const label = (i: number): void => {
    const o = 4 * i;
    if (rgba[o + 3] < 128) {
      first[i] = NOTHING;
      return;
    }
    const colour = (rgba[o] << 16) | (rgba[o + 1] << 8) | rgba[o + 2];
    const place = Math.imul(colour, 0x9e3779b1) >>> 18;
    if (colours[place] !== colour) {
      colours[place] = colour;
      labels[place] = nearestOf(rgbToOklab(rgba[o], rgba[o + 1], rgba[o + 2]), inks);
    }
    first[i] = labels[place];
    off[i] = distance(toned(rgba[o], rgba[o + 1], rgba[o + 2]), tones[first[i]]);
  };
  // Flat pictures are long runs of one colour: what the pixel before was, this one mostly is.
  const whole = new Uint32Array(rgba.buffer, rgba.byteOffset, n);
  for (let s = 0; s < plain.length; s += 2) {
    const [from, to] = [plain[s], plain[s + 1]];
    label(from);
    first.fill(first[from], from, to);
    off.fill(off[from], from, to);
  }
  for (let s = 0; s < busy.length; s += 2)
    for (let i = busy[s]; i < busy[s + 1]; i++) {
      if (i > 0 && whole[i] === whole[i - 1]) {
        first[i] = first[i - 1];
        off[i] = off[i - 1];
      } else label(i);
    }
  return { first, off };
}
