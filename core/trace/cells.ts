import { rgbToOklab, type Rgb } from '../colour';
import type { Picture } from '../raster';
import { paintOf } from '../vector';
import { NO_GRADIENT } from './gradients';
import { findRegions } from './regions';
import { nearestInk, type FoundInk } from './inks';

/** A transparent pixel, or one of a ground that is left out. */
export const NOTHING = 255;

/**
 * What each pixel is made of: mostly `first`, with `share` (0.5..1) of it, and of `second` for the rest. Ink numbers, or
 * NOTHING.
 */
export interface Cells {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly first: Uint8Array;
  readonly second: Uint8Array;
  readonly share: Float32Array;
}

/** By how many levels a mixture must match better for each pixel that its inks lie further off. */
const FURTHER = 3;

/**
 * Tells for each pixel which inks it is made of. Flat pixels take the nearest ink. A pixel on an anti-aliased edge is a mixture in
 * sRGB of two inks that are found near it, and the mixture says how much of it each of them covers. `painted` gives for each pixel the
 * gradient that paints it; gradients are the last of the inks, in order.
 */
export function unmix(
  picture: Picture,
  flatPixels: Uint8Array,
  inks: readonly FoundInk[],
  painted: Uint8Array | null = null,
): Cells {
  const { widthPx: w, heightPx: h, rgba } = picture;
  const n = w * h;
  const paints = inks.map((i) => i.gradient && paintOf(i.gradient));
  const colourOf = (k: number, i: number): Rgb => {
    const x = i % w;
    return paints[k]?.(x + 0.5, (i - x) / w + 0.5) ?? inks[k].rgb;
  };
  const first = new Uint8Array(n);
  const second = new Uint8Array(n);
  const share = new Float32Array(n).fill(1);
  const cache = new Int16Array(1 << 18).fill(-1);
  const labelOf = (o: number): number => {
    if (rgba[o + 3] < 128) return NOTHING;
    const key = ((rgba[o] >> 2) << 12) | ((rgba[o + 1] >> 2) << 6) | (rgba[o + 2] >> 2);
    if (cache[key] < 0) cache[key] = nearestInk(rgbToOklab(rgba[o], rgba[o + 1], rgba[o + 2]), inks);
    return cache[key];
  };
  // Flat pictures are long runs of one colour: what the pixel before was, this one mostly is.
  const whole = new Uint32Array(rgba.buffer, rgba.byteOffset, n);
  for (let i = 0; i < n; i++) first[i] = second[i] = i > 0 && whole[i] === whole[i - 1] ? first[i - 1] : labelOf(i * 4);

  const flat = painted ? flatPixels.map((f, i) => f || Number(painted[i] !== NO_GRADIENT)) : flatPixels;
  if (painted) {
    const firstGradient = paints.findIndex((p) => p !== undefined);
    for (let i = 0; i < n; i++) if (painted[i] !== NO_GRADIENT) first[i] = second[i] = firstGradient + painted[i];
  }

  const nearby: number[] = [];
  /** How far off a flat pixel of each ink is, while one pixel is looked at; 0 for none near by. */
  const found = new Uint8Array(256);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const i = y * w + x;
      if (flat[i]) continue;
      // Inks of flat pixels near by; on the soft ramps of a blurred picture they lie further off.
      nearby.length = 0;
      for (let reach = 2; reach <= 4 && nearby.length < 2; reach += 2)
        for (let dy = -reach; dy <= reach; dy++)
          for (let dx = -reach; dx <= reach; dx++) {
            const nx = x + dx;
            const ny = y + dy;
            if (nx < 0 || ny < 0 || nx >= w || ny >= h) continue;
            const j = ny * w + nx;
            if (!flat[j]) continue;
            const off = Math.max(Math.abs(dx), Math.abs(dy));
            if (!found[first[j]]) {
              found[first[j]] = off;
              nearby.push(first[j]);
            } else if (off < found[first[j]]) found[first[j]] = off;
          }
      mixture(i);
      for (const k of nearby) found[k] = 0;
    }
  return { widthPx: w, heightPx: h, first, second, share };

  function mixture(i: number): void {
    const o = i * 4;
    const alpha = rgba[o + 3] / 255;
    if (nearby.includes(NOTHING) || alpha < 0.5) {
      // Against nothing, alpha is the coverage.
      if (alpha > 0.98 || alpha < 0.02) return;
      const ink = nearby.find((k) => k !== NOTHING) ?? nearestInk(rgbToOklab(rgba[o], rgba[o + 1], rgba[o + 2]), inks);
      set(i, alpha >= 0.5 ? ink : NOTHING, alpha >= 0.5 ? NOTHING : ink, Math.max(alpha, 1 - alpha));
      return;
    }
    const [r, g, b] = [rgba[o], rgba[o + 1], rgba[o + 2]];
    let best = Infinity;
    let bestPair: [number, number, number] = [first[i], first[i], 1];
    const tryPair = (p: number, q: number, penalty: number): void => {
      const [pr, pg, pb] = colourOf(p, i);
      const other = colourOf(q, i);
      const [dr, dg, db] = [other[0] - pr, other[1] - pg, other[2] - pb];
      const length = dr * dr + dg * dg + db * db;
      const t = length ? Math.max(0, Math.min(1, ((r - pr) * dr + (g - pg) * dg + (b - pb) * db) / length)) : 0;
      const off = Math.hypot(r - pr - t * dr, g - pg - t * dg, b - pb - t * db) + penalty;
      if (off < best) {
        best = off;
        bestPair = [p, q, 1 - t];
      }
    };
    for (let a = 0; a < nearby.length; a++)
      for (let c = a + 1; c < nearby.length; c++)
        tryPair(nearby[a], nearby[c], FURTHER * (found[nearby[a]] + found[nearby[c]] - 2));
    if (best > 30) {
      // Nothing near explains it: one end may be an ink that has no flat pixel here.
      for (const a of nearby) for (let c = 0; c < inks.length; c++) if (!nearby.includes(c)) tryPair(a, c, 18);
      if (!nearby.length) tryPair(first[i], first[i], 0);
    }
    const [p, q, t] = bestPair;
    if (t >= 0.5) set(i, p, q, t);
    else set(i, q, p, 1 - t);
  }

  function set(i: number, a: number, b: number, t: number): void {
    first[i] = a;
    second[i] = b;
    share[i] = t;
  }
}

/**
 * Gives every connected area smaller than `leastPx2` to the neighbour it touches most; the cells given are changed in place.
 * Returns how many areas went.
 */
export function dropSpecks(cells: Cells, leastPx2: number): number {
  const { widthPx: w, heightPx: h, first, second, share } = cells;
  if (leastPx2 <= 1) return 0;
  const { of, sizePx2, label } = findRegions(first, w, h);
  const members = new Map<number, number[]>();
  for (let i = 0; i < of.length; i++) {
    if (sizePx2[of[i]] >= leastPx2) continue;
    const list = members.get(of[i]);
    if (list) list.push(i);
    else members.set(of[i], [i]);
  }
  for (const [k, pixels] of members) {
    const touch = new Map<number, number>();
    const sides = (i: number): number[] => {
      const x = i % w;
      return [x > 0 ? i - 1 : -1, x < w - 1 ? i + 1 : -1, i - w, i + w < first.length ? i + w : -1].filter(
        (j) => j >= 0,
      );
    };
    for (const i of pixels)
      for (const j of sides(i)) if (of[j] !== k) touch.set(first[j], (touch.get(first[j]) ?? 0) + 1);
    const [heir] = [...touch].sort((p, q) => q[1] - p[1])[0] ?? [];
    if (heir === undefined) continue;
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
  return members.size;
}
