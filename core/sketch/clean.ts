import { distanceTo, shrinkToFit, type Picture } from '../raster';
import { outlinesAt, type Rings } from './field';

/** What a sketch was found to show; rings are in pixels of the picture it came from. */
export interface CleanedSketch {
  /** The figure's outline, closed, holes filled. */
  readonly outline: Rings;
  /** The areas that the sketch's own lines divide it into, largest first, each with the share 0..1 of it that is hatched. */
  readonly areas: readonly { readonly rings: Rings; readonly hatched: number }[];
  /** The lines within. */
  readonly lines: Rings;
  /** Weight of the pencil lines, in pixels of the picture. */
  readonly lineWeight: number;
}

const WORK_SIDE = 360;

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
function boxed(values: Float32Array, w: number, h: number, r: number): Float32Array {
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
function labelled(on: (i: number) => boolean, w: number, h: number): { label: Int32Array; sizes: number[] } {
  const label = new Int32Array(w * h);
  const sizes = [0];
  const stack: number[] = [];
  for (let s = 0; s < w * h; s++) {
    if (label[s] || !on(s)) continue;
    const id = sizes.length;
    sizes.push(0);
    label[s] = id;
    stack.push(s);
    while (stack.length) {
      const i = stack.pop()!;
      sizes[id]++;
      const x = i % w;
      for (const j of [x > 0 ? i - 1 : -1, x < w - 1 ? i + 1 : -1, i - w, i + w])
        if (j >= 0 && j < w * h && !label[j] && on(j)) {
          label[j] = id;
          stack.push(j);
        }
    }
  }
  return { label, sizes };
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

/**
 * Finds the figure of a photographed sketch: divides out uneven light, tells lines from paper and its texture, closes gaps in the
 * outline, and gives the figure's closed outline and the areas its lines divide it into. Null when there are no lines.
 */
export function cleanSketch(picture: Picture): CleanedSketch | null {
  const small = shrinkToFit(picture, WORK_SIDE);
  const { widthPx: w, heightPx: h } = small;
  const back = picture.widthPx / w;
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
  const ink = labelled((i) => calm[i] < level, w, h);
  const least = Math.max(14, 0.00022 * w * h);
  const isInk = (i: number): boolean => ink.label[i] > 0 && ink.sizes[ink.label[i]] >= least;
  let inked = 0;
  for (let i = 0; i < w * h; i++) if (isInk(i)) inked++;
  if (inked < 24) return null;

  const toInk = distanceTo(isInk, w, h);
  const within = distanceTo((i) => !isInk(i), w, h);
  let ridge = 0;
  let ridges = 0;
  for (let i = 0; i < w * h; i++)
    if (
      isInk(i) &&
      within[i] >= within[i - 1] &&
      within[i] >= within[i + 1] &&
      within[i] >= within[i - w] &&
      within[i] >= within[i + w]
    ) {
      ridge += within[i];
      ridges++;
    }
  const lineWeight = ridges ? (2 * ridge) / ridges : 2;

  /** What cannot be reached from the border without coming nearer than r to a line, grown back by what r kept away. */
  const closedBy = (r: number): Uint8Array => {
    const open = labelled((i) => toInk[i] > r, w, h);
    const outside = new Set<number>();
    for (let x = 0; x < w; x++) {
      outside.add(open.label[x]);
      outside.add(open.label[(h - 1) * w + x]);
    }
    for (let y = 0; y < h; y++) {
      outside.add(open.label[y * w]);
      outside.add(open.label[y * w + w - 1]);
    }
    outside.delete(0);
    const toOutside = distanceTo((i) => outside.has(open.label[i]), w, h);
    const mask = new Uint8Array(w * h);
    // The outline runs along the middle of the line, half its weight within its outer edge.
    for (let i = 0; i < w * h; i++) mask[i] = toOutside[i] > r + lineWeight * 0.35 ? 1 : 0;
    return mask;
  };
  const tries = [0.6, 1.5, 2.5, 4, 6, 9, 13].map((r) => ({ r, mask: closedBy(r) }));
  const size = (mask: Uint8Array): number => mask.reduce((s, v) => s + v, 0);
  const most = Math.max(...tries.map((t) => size(t.mask)));
  const mask = (
    tries.find((t) => size(t.mask) >= 0.8 * most && size(t.mask) > inked * 1.4) ??
    tries.find((t) => size(t.mask) >= 0.8 * most) ??
    tries[tries.length - 1]
  ).mask;
  const bodies = labelled((i) => mask[i] === 1, w, h);
  const largest = Math.max(...bodies.sizes);
  if (largest < 60) return null;
  // The edge of the paper or of the desk encloses long thin strips near the picture's border; they are no part of the figure.
  const extent = bodies.sizes.map(() => [w, h, 0, 0]);
  for (let i = 0; i < w * h; i++) {
    const e = extent[bodies.label[i]];
    const [x, y] = [i % w, Math.floor(i / w)];
    if (x < e[0]) e[0] = x;
    if (y < e[1]) e[1] = y;
    if (x > e[2]) e[2] = x;
    if (y > e[3]) e[3] = y;
  }
  const margin = 0.14 * Math.max(w, h);
  const counts = bodies.sizes.map((area, id) => {
    if (!id || area < 0.02 * largest) return false;
    if (area === largest) return true;
    const [bx0, by0, bx1, by1] = extent[id];
    const length = Math.hypot(bx1 - bx0, by1 - by0);
    const strip = area / length ** 2 < 0.06 && length > 0.2 * Math.max(w, h);
    const outer = bx1 < margin || by1 < margin || bx0 > w - margin || by0 > h - margin;
    return !(strip && outer) && area >= (outer ? 0.07 : 0.02) * largest;
  });
  const isBody = (i: number): boolean => counts[bodies.label[i]];

  const ringsOf = (on: (i: number) => boolean, blur: number): Rings => {
    const field = boxed(
      boxed(
        Float32Array.from({ length: w * h }, (_, i) => (on(i) ? 1 : 0)),
        w,
        h,
        blur,
      ),
      w,
      h,
      blur,
    );
    return outlinesAt(field, w, h, 0.5).map((ring) => ring.map((v) => v * back));
  };
  const outline = ringsOf(isBody, 1);
  const toEdge = distanceTo((i) => !isBody(i), w, h);
  // Lines of the drawing are as dark as the outline; hatching is lighter or thinner, and only says that an area is dark.
  const depths: number[] = [];
  for (let i = 0; i < w * h; i++)
    if (isInk(i) && toEdge[i] < lineWeight * 1.2 && toEdge[i] > 0) depths.push(mean - calm[i]);
  depths.sort((p, q) => p - q);
  const strong = 0.72 * (depths[Math.floor(depths.length * 0.55)] ?? 0.2);
  const drawn = labelled((i) => isInk(i) && mean - calm[i] > strong, w, h);
  const isLine = (i: number): boolean => drawn.label[i] > 0 && drawn.sizes[drawn.label[i]] >= least * 1.5;
  const toLine = distanceTo(isLine, w, h);
  const gap = Math.max(1.1, lineWeight * 0.3);
  const inner = labelled((i) => isBody(i) && toLine[i] > gap, w, h);
  const order = inner.sizes
    .map((size, id) => [size, id] as const)
    .slice(1)
    .filter(([size]) => size > Math.max(16, 0.0016 * largest))
    .sort((p, q) => q[0] - p[0]);
  const areas = order.slice(0, 24).map(([area, id]) => {
    let hatch = 0;
    for (let i = 0; i < w * h; i++) if (inner.label[i] === id && isInk(i)) hatch++;
    const toArea = distanceTo((i) => inner.label[i] === id, w, h);
    return { rings: ringsOf((i) => isBody(i) && toArea[i] < gap + 0.6, 1), hatched: hatch / area };
  });
  const lines = ringsOf((i) => isLine(i) && toEdge[i] > lineWeight * 1.1, 0);
  return { outline, areas, lines, lineWeight: lineWeight * back };
}
