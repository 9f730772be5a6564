/** Inks of a noisy picture that are two after all: near alike, but each with areas of its own. */
import { rgbToOklab, type Rgb } from '../colour';
import type { Picture } from '../raster';
import { NO_GRADIENT } from './gradients';
import { AUTOMATIC_LIMIT, inkOf, nearestOf, type FoundInk } from './inks';

/** Fewer pixels than this are no ink of their own. */
const LEAST_PX2 = 200;

/** Means must lie this many standard deviations of the pixels about them apart; pixels all along a slow change lie 3.5 apart. */
const APART = 5;

/** The least such deviation, in levels: pixels are whole levels. */
const LEAST_DEVIATION = 0.5;

/** Pixels of the two lie side by side at most this often, against how often those of the rarer lie beside themselves: along edges, not wherever noise puts them. */
const MIXED = 0.25;

/** Colours along their main axis are counted by halves of a level. */
const BINS = 2048;
const BINS_A_LEVEL = 2;

const ROUNDS = 30;

/** The direction in which colours of some pixels vary the most, of length 1, and their mean. */
function mainAxis(rgba: Picture['rgba'], pixels: Uint32Array): { mean: Rgb; axis: Rgb } {
  const sum = [0, 0, 0];
  const products = new Float64Array(9);
  for (const i of pixels) {
    const colour = [rgba[4 * i], rgba[4 * i + 1], rgba[4 * i + 2]];
    for (let p = 0; p < 3; p++) {
      sum[p] += colour[p];
      for (let q = 0; q < 3; q++) products[3 * p + q] += colour[p] * colour[q];
    }
  }
  const n = pixels.length;
  const mean = sum.map((s) => s / n) as unknown as Rgb;
  const covariance = products.map((s, k) => s / n - mean[Math.floor(k / 3)] * mean[k % 3]);
  // By powers, from the column that varies the most.
  const widest = [0, 4, 8].reduce((p, q) => (covariance[q] > covariance[p] ? q : p)) / 4;
  let axis = [0, 1, 2].map((p) => covariance[3 * p + widest]);
  for (let round = 0; round < ROUNDS; round++) {
    const next = [0, 1, 2].map((p) => axis.reduce((s, v, q) => s + covariance[3 * p + q] * v, 0));
    const size = Math.hypot(...next);
    if (size < 1e-9) break;
    axis = next.map((v) => v / size);
  }
  return { mean, axis: axis as unknown as Rgb };
}

/** Where counts along an axis fall into two (the two means of Lloyd 1982): the bin that begins the second; null where they are one. */
function valleyOf(counts: Uint32Array): number | null {
  let [low, high] = [counts.findIndex((c) => c > 0), counts.length - 1];
  while (high > low && !counts[high]) high--;
  let sums = { n: [0, 0], mean: [low, high], square: [0, 0] };
  for (let round = 0; round < ROUNDS; round++) {
    const middle = (sums.mean[0] + sums.mean[1]) / 2;
    const [n, sum, square] = [
      [0, 0],
      [0, 0],
      [0, 0],
    ];
    for (let k = low; k <= high; k++) {
      const side = k < middle ? 0 : 1;
      n[side] += counts[k];
      sum[side] += counts[k] * k;
      square[side] += counts[k] * k * k;
    }
    if (!n[0] || !n[1]) return null;
    sums = { n, mean: [sum[0] / n[0], sum[1] / n[1]], square };
  }
  const { n, mean, square } = sums;
  if (Math.min(...n) < LEAST_PX2) return null;
  const variance = (square[0] - n[0] * mean[0] ** 2 + square[1] - n[1] * mean[1] ** 2) / (n[0] + n[1]);
  const deviation = Math.max(LEAST_DEVIATION * BINS_A_LEVEL, Math.sqrt(Math.max(0, variance)));
  return mean[1] - mean[0] >= APART * deviation ? Math.ceil((mean[0] + mean[1]) / 2) : null;
}

/** Pixels of one ink as those of two; null where they are one, or noise mixes them. */
function twoOf({ widthPx: w, rgba }: Picture, pixels: Uint32Array, side: Uint8Array): Uint32Array[] | null {
  if (pixels.length < 2 * LEAST_PX2) return null;
  const { mean, axis } = mainAxis(rgba, pixels);
  const binOf = (i: number): number => {
    const along = [0, 1, 2].reduce((s, c) => s + (rgba[4 * i + c] - mean[c]) * axis[c], 0);
    return Math.max(0, Math.min(BINS - 1, Math.round(BINS / 2 + BINS_A_LEVEL * along)));
  };
  const counts = new Uint32Array(BINS);
  for (const i of pixels) counts[binOf(i)]++;
  const valley = valleyOf(counts);
  if (valley === null) return null;
  for (const i of pixels) side[i] = binOf(i) < valley ? 1 : 2;
  // How often two pixels of the first, of both, and of the second lie side by side.
  const beside = [0, 0, 0];
  for (const i of pixels)
    for (const j of [i + 1, i + w]) if (j < side.length && side[j]) beside[side[i] + side[j] - 2]++;
  const parts = [1, 2].map((s) => pixels.filter((i) => side[i] === s));
  for (const i of pixels) side[i] = 0;
  return beside[1] <= MIXED * Math.min(beside[0], beside[2]) ? parts : null;
}

/**
 * Inks of a noisy picture, those that are two made two: colours that fall into two heaps well apart, whose pixels lie in areas of their own. `flat` are the
 * pixels that inks were read from, but for those that gradients paint. No more are given than an automatic trace may have.
 */
export function splitInks(
  picture: Picture,
  flat: Uint8Array,
  inks: readonly FoundInk[],
  painted: Uint8Array | null = null,
): FoundInk[] {
  const { rgba } = picture;
  const labels = new Uint8Array(flat.length);
  const counts = new Uint32Array(inks.length);
  const isRead = (i: number): boolean =>
    flat[i] === 1 && rgba[4 * i + 3] >= 128 && !(painted && painted[i] !== NO_GRADIENT);
  let total = 0;
  for (let i = 0; i < flat.length; i++) {
    if (!isRead(i)) continue;
    labels[i] = nearestOf(rgbToOklab(rgba[4 * i], rgba[4 * i + 1], rgba[4 * i + 2]), inks);
    counts[labels[i]]++;
    total++;
  }
  const pixels = inks.map((_, k) => new Uint32Array(counts[k]));
  counts.fill(0);
  for (let i = 0; i < flat.length; i++) if (isRead(i)) pixels[labels[i]][counts[labels[i]]++] = i;
  const side = new Uint8Array(flat.length);
  const out: FoundInk[] = [];
  const left: { ink: FoundInk; pixels: Uint32Array }[] = inks.map((ink, k) => ({ ink, pixels: pixels[k] }));
  for (let next = left.pop(); next; next = left.pop()) {
    const parts = out.length + left.length + 1 < AUTOMATIC_LIMIT ? twoOf(picture, next.pixels, side) : null;
    if (parts)
      left.push(...parts.map((part) => ({ ink: inkOf(meanOf(rgba, part), part.length / total), pixels: part })));
    else out.push(next.ink);
  }
  return out.sort((p, q) => q.share - p.share);
}

/** The mean colour of some pixels, in whole levels. */
function meanOf(rgba: Picture['rgba'], pixels: Uint32Array): Rgb {
  const sum = [0, 0, 0];
  for (const i of pixels) for (let c = 0; c < 3; c++) sum[c] += rgba[4 * i + c];
  return sum.map((s) => Math.round(s / pixels.length)) as unknown as Rgb;
}
