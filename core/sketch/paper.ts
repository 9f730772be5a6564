/** A photographed sheet: its light, its paper and what is drawn on it. */
import { distanceTo, shrinkToFit, type Picture } from '../raster';

/** Luminance 0..1 of the picture on white. */
function greyOf({ rgba, widthPx, heightPx }: Picture): Float32Array {
  const out = new Float32Array(widthPx * heightPx);
  for (let i = 0; i < out.length; i++) {
    const a = rgba[4 * i + 3] / 255;
    const y = 0.2126 * rgba[4 * i] + 0.7152 * rgba[4 * i + 1] + 0.0722 * rgba[4 * i + 2];
    out[i] = (y * a + 255 * (1 - a)) / 255;
  }
  return out;
}

/** A running mean over (2r+1)² pixels, edges repeated, by sums of rows and columns. */
export function boxed(values: Float32Array, w: number, h: number, r: number): Float32Array {
  const rows = new Float32Array(w * h);
  const out = new Float32Array(w * h);
  const at = (i: number, n: number) => (i < 0 ? 0 : i >= n ? n - 1 : i);
  for (let y = 0; y < h; y++) {
    let sum = 0;
    for (let x = -r; x <= r; x++) sum += values[y * w + at(x, w)];
    for (let x = 0; x < w; x++) {
      rows[y * w + x] = sum / (2 * r + 1);
      sum += values[y * w + at(x + r + 1, w)] - values[y * w + at(x - r, w)];
    }
  }
  for (let x = 0; x < w; x++) {
    let sum = 0;
    for (let y = -r; y <= r; y++) sum += rows[at(y, h) * w + x];
    for (let y = 0; y < h; y++) {
      out[y * w + x] = sum / (2 * r + 1);
      sum += rows[at(y + r + 1, h) * w + x] - rows[at(y - r, h) * w + x];
    }
  }
  return out;
}

/** The paper's brightness everywhere: the bright side of each tile, smoothed, so that shadows and a lamp's falloff divide out. */
function paperOf(grey: Float32Array, w: number, h: number): Float32Array {
  const tile = Math.max(8, Math.round(Math.max(w, h) / 14));
  const [tw, th] = [Math.ceil(w / tile), Math.ceil(h / tile)];
  const bright = new Float32Array(tw * th);
  for (let ty = 0; ty < th; ty++)
    for (let tx = 0; tx < tw; tx++) {
      const seen: number[] = [];
      for (let y = ty * tile; y < Math.min(h, (ty + 1) * tile); y++)
        for (let x = tx * tile; x < Math.min(w, (tx + 1) * tile); x++) seen.push(grey[y * w + x]);
      seen.sort((p, q) => p - q);
      bright[ty * tw + tx] = seen[Math.floor(seen.length * 0.82)];
    }
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const [fx, fy] = [Math.max(0, Math.min(tw - 1, x / tile - 0.5)), Math.max(0, Math.min(th - 1, y / tile - 0.5))];
      const [i, j] = [Math.min(tw - 1, Math.floor(fx)), Math.min(th - 1, Math.floor(fy))];
      const [i1, j1] = [Math.min(tw - 1, i + 1), Math.min(th - 1, j + 1)];
      const [u, v] = [fx - i, fy - j];
      out[y * w + x] =
        (bright[j * tw + i] * (1 - u) + bright[j * tw + i1] * u) * (1 - v) +
        (bright[j1 * tw + i] * (1 - u) + bright[j1 * tw + i1] * u) * v;
    }
  return boxed(out, w, h, Math.round(tile / 2));
}

/** Labels of connected areas (4 neighbours) where `on` holds: 1.. by order found, with their sizes. */
export function labelled(on: (i: number) => boolean, w: number, h: number): { label: Int32Array; sizes: number[] } {
  const label = new Int32Array(w * h);
  const sizes = [0];
  const stack: number[] = [];
  /** What has no label yet, and is to have one. */
  const NEW = -1;
  for (let i = 0; i < w * h; i++) if (on(i)) label[i] = NEW;
  const reach = (i: number, id: number): void => {
    if (label[i] !== NEW) return;
    label[i] = id;
    sizes[id]++;
    stack.push(i);
  };
  for (let s = 0; s < w * h; s++) {
    if (label[s] !== NEW) continue;
    const id = sizes.push(0) - 1;
    for (reach(s, id); stack.length;) {
      const i = stack.pop()!;
      const x = i % w;
      if (x > 0) reach(i - 1, id);
      if (x < w - 1) reach(i + 1, id);
      if (i >= w) reach(i - w, id);
      if (i < w * (h - 1)) reach(i + w, id);
    }
  }
  return { label, sizes };
}

/** Pixels from the first to the last, both included. */
export interface Box {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

/** The boxes that labels lie in. */
export function boxesOf(label: Int32Array, count: number, w: number): Box[] {
  const out = Array.from({ length: count }, () => ({ x0: Infinity, y0: Infinity, x1: 0, y1: 0 }));
  label.forEach((id, i) => {
    const [box, x, y] = [out[id], i % w, Math.floor(i / w)];
    if (x < box.x0) box.x0 = x;
    if (y < box.y0) box.y0 = y;
    if (x > box.x1) box.x1 = x;
    if (y > box.y1) box.y1 = y;
  });
  return out;
}

/** The level that divides two groups of values best (Otsu 1979), on 128 steps from 0 to 1. */
function otsu(values: Float32Array): number {
  const bins = new Float64Array(128);
  for (const v of values) bins[Math.max(0, Math.min(127, Math.floor(v * 127)))]++;
  const total = values.length;
  let sumAll = 0;
  for (let i = 0; i < 128; i++) sumAll += i * bins[i];
  let [below, sum, best, at] = [0, 0, -1, 64];
  for (let i = 0; i < 127; i++) {
    below += bins[i];
    sum += i * bins[i];
    if (!below || below === total) continue;
    const d = sum / below - (sumAll - sum) / (total - below);
    const score = below * (total - below) * d * d;
    if (score > best) [best, at] = [score, i];
  }
  return (at + 0.5) / 127;
}

/** Whether a picture looks like pencil or ink lines on paper: hardly any colour, mostly bright, little dark. */
export function looksLikeSketch(picture: Picture): boolean {
  const small = shrinkToFit(picture, 160);
  const { rgba, widthPx: w, heightPx: h } = small;
  const grey = greyOf(small);
  const paper = paperOf(grey, w, h);
  let [coloured, dark, middling] = [0, 0, 0];
  for (let i = 0; i < w * h; i++) {
    const [r, g, b] = [rgba[4 * i], rgba[4 * i + 1], rgba[4 * i + 2]];
    const chroma = (Math.max(r, g, b) - Math.min(r, g, b)) / Math.max(60, r, g, b);
    const ratio = grey[i] / Math.max(0.05, paper[i]);
    if (chroma > 0.42 && ratio < 0.9) coloured++;
    if (ratio < 0.75) dark++;
    if (paper[i] < 0.25) middling++;
  }
  const n = w * h;
  return coloured / n < 0.02 && dark / n < 0.24 && dark > 12 && middling / n < 0.5;
}

const WORK_SIDE = 360;
/** Paper kept around the ink, in pixels: more than a gap in a line may be closed by. */
const AROUND = 16;

/** What is drawn on a sheet, at the size it is worked on, cut to where there is ink. */
export interface Sheet {
  readonly w: number;
  readonly h: number;
  /** The whole sheet, in pixels of that size, and where in it the cut begins. */
  readonly whole: { readonly w: number; readonly h: number };
  readonly from: { readonly x: number; readonly y: number };
  /** 1 for each pixel of ink. */
  readonly ink: Uint8Array;
  /** How much darker than the paper each pixel is, 0..1. */
  readonly depth: Float32Array;
  /** Weight of its lines, in pixels. */
  readonly weight: number;
  /** Pixels of the smallest piece of ink that is no speck. */
  readonly least: number;
}

/** Divides out uneven light and tells ink from paper and its texture; null where there is none. */
export function sheetOf(picture: Picture): Sheet | null {
  const small = shrinkToFit(picture, WORK_SIDE);
  const { widthPx: w, heightPx: h } = small;
  const grey = greyOf(small);
  const paper = paperOf(grey, w, h);
  const ratio = grey.map((v, i) => Math.min(1.1, v / Math.max(0.04, paper[i])));
  const calm = boxed(ratio, w, h, 1);
  // Texture is what varies within bright paper; a line is darker than that by far.
  let [n, sum, squares] = [0, 0, 0];
  for (const v of calm)
    if (v > 0.86) {
      n++;
      sum += v;
      squares += v * v;
    }
  const mean = n ? sum / n : 1;
  const spread = n ? Math.sqrt(Math.max(0, squares / n - mean * mean)) : 0.02;
  const level = Math.max(0.55, Math.min(0.93, mean - Math.max(0.055, 3.2 * spread), Math.max(0.72, otsu(calm) + 0.06)));
  const found = labelled((i) => calm[i] < level, w, h);
  const least = Math.max(14, 0.00022 * w * h);
  const ink = new Uint8Array(w * h);
  for (let i = 0; i < w * h; i++) ink[i] = found.label[i] && found.sizes[found.label[i]] >= least ? 1 : 0;
  if (ink.reduce((s, v) => s + v, 0) < 24) return null;
  const { x0, y0, x1, y1 } = boxesOf(Int32Array.from(ink), 2, w)[1];
  const weight = weightOf(ink, w, h);
  const margin = Math.ceil(AROUND + 3 * weight);
  const from = { x: Math.max(0, x0 - margin), y: Math.max(0, y0 - margin) };
  const [cutW, cutH] = [Math.min(w, x1 + margin + 1) - from.x, Math.min(h, y1 + margin + 1) - from.y];
  const cut = { w: cutW, h: cutH, ink: new Uint8Array(cutW * cutH), depth: new Float32Array(cutW * cutH) };
  for (let y = 0; y < cutH; y++)
    for (let x = 0; x < cutW; x++) {
      const i = (y + from.y) * w + x + from.x;
      cut.ink[y * cutW + x] = ink[i];
      cut.depth[y * cutW + x] = mean - calm[i];
    }
  return { ...cut, whole: { w, h }, from, weight, least };
}

/** Weight of the lines in a mask of ink, in pixels. */
function weightOf(ink: Uint8Array, w: number, h: number): number {
  const within = distanceTo((i) => !ink[i], w, h);
  let [ridge, ridges] = [0, 0];
  for (let i = 0; i < w * h; i++) {
    if (!ink[i] || [i - 1, i + 1, i - w, i + w].some((j) => within[j] > within[i])) continue;
    ridge += within[i];
    ridges++;
  }
  return ridges ? (2 * ridge) / ridges : 2;
}
