/** What is measured of candidates, for tests and figures alike. */
import { hexToOklab, oklabDistance, rgbToOklab } from '../core/colour';
import { differenceOf, outsideOf, type Picture } from '../core/raster';

/** Mean difference over all pairs. */
export function spreadOf(pictures: readonly Picture[]): number {
  let sum = 0;
  let pairs = 0;
  for (let i = 0; i < pictures.length; i++)
    for (let j = 0; j < i; j++, pairs++) sum += differenceOf(pictures[i], pictures[j]);
  return sum / pairs;
}

/** Pixels that differ clearly from the ground (the corner's colour). */
export function inkedMask({ rgba, widthPx, heightPx }: Picture, least = 36): Uint8Array {
  const out = new Uint8Array(widthPx * heightPx);
  for (let i = 0; i < out.length; i++) {
    const d =
      Math.abs(rgba[4 * i] - rgba[0]) + Math.abs(rgba[4 * i + 1] - rgba[1]) + Math.abs(rgba[4 * i + 2] - rgba[2]);
    out[i] = d > least ? 1 : 0;
  }
  return out;
}

/** The mask with what it encloses filled. */
export const filledMask = (mask: Uint8Array, w: number, h: number): Uint8Array =>
  outsideOf(w, h, (i) => mask[i] !== 0).map((v) => 1 - v);

export function intersectionOverUnion(a: Uint8Array, b: Uint8Array): number {
  let [both, either] = [0, 0];
  for (let i = 0; i < a.length; i++) {
    if (a[i] && b[i]) both++;
    if (a[i] || b[i]) either++;
  }
  return either ? both / either : 0;
}

/** Share of what is not ground that lies within 0.06 in OKLab of one of some colours. */
export function shareNear({ rgba }: Picture, hexes: readonly string[], within = 0.06): number {
  const labs = hexes.map(hexToOklab);
  const ground = rgbToOklab(rgba[0], rgba[1], rgba[2]);
  let [near, all] = [0, 0];
  for (let i = 0; i < rgba.length; i += 4) {
    const lab = rgbToOklab(rgba[i], rgba[i + 1], rgba[i + 2]);
    if (oklabDistance(lab, ground) < within) continue;
    all++;
    if (labs.some((l) => oklabDistance(l, lab) < within)) near++;
  }
  return all ? near / all : 1;
}

/** Colours that cover more than a share of the picture flatly (a pixel and its four neighbours alike), as OKLab distances apart. */
export function flatColours({ rgba, widthPx: w, heightPx: h }: Picture, share = 0.002, apart = 0.03): string[] {
  const counts = new Map<number, number>();
  let flat = 0;
  const key = (i: number): number => (rgba[4 * i] << 16) | (rgba[4 * i + 1] << 8) | rgba[4 * i + 2];
  for (let y = 1; y < h - 1; y++)
    for (let x = 1; x < w - 1; x++) {
      const i = y * w + x;
      const k = key(i);
      if (key(i - 1) !== k || key(i + 1) !== k || key(i - w) !== k || key(i + w) !== k) continue;
      counts.set(k, (counts.get(k) ?? 0) + 1);
      flat++;
    }
  const found: number[] = [];
  for (const [k, n] of [...counts].sort((p, q) => q[1] - p[1])) {
    if (n < share * flat) break;
    const lab = rgbToOklab(k >> 16, (k >> 8) & 255, k & 255);
    if (!found.some((f) => oklabDistance(rgbToOklab(f >> 16, (f >> 8) & 255, f & 255), lab) < apart)) found.push(k);
  }
  return found.map((k) => `#${k.toString(16).padStart(6, '0').toUpperCase()}`);
}

/** Pixels on an edge: those that differ clearly from the one to the right or below. */
export function edgeLength({ rgba, widthPx: w, heightPx: h }: Picture): number {
  let n = 0;
  for (let y = 0; y < h - 1; y++)
    for (let x = 0; x < w - 1; x++) {
      const i = (y * w + x) * 4;
      for (const j of [i + 4, i + 4 * w])
        if (
          Math.abs(rgba[i] - rgba[j]) + Math.abs(rgba[i + 1] - rgba[j + 1]) + Math.abs(rgba[i + 2] - rgba[j + 2]) >
          60
        ) {
          n++;
          break;
        }
    }
  return n;
}

/** Peak signal to noise ratio in decibels. */
export function psnr(p: Picture, q: Picture): number {
  let sum = 0;
  let n = 0;
  for (let i = 0; i < p.rgba.length; i += 4)
    for (let c = 0; c < 3; c++, n++) sum += (p.rgba[i + c] - q.rgba[i + c]) ** 2;
  return sum ? 10 * Math.log10((255 * 255 * n) / sum) : Infinity;
}

/** Mean steepness of a picture's edges: what is sharper has more of its change in fewer pixels. */
export function sharpness({ rgba, widthPx: w, heightPx: h }: Picture): number {
  let [squares, sum] = [0, 0];
  for (let y = 0; y < h; y++)
    for (let x = 0; x + 1 < w; x++) {
      const i = (y * w + x) * 4;
      const d =
        Math.abs(rgba[i] - rgba[i + 4]) + Math.abs(rgba[i + 1] - rgba[i + 5]) + Math.abs(rgba[i + 2] - rgba[i + 6]);
      squares += d * d;
      sum += d;
    }
  return sum ? squares / sum : 0;
}
