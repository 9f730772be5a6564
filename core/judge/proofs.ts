import { contrastRatio, hexToOklab, hexToRgb, oklabDistance, rgbToOklab } from '../colour';
import { onGround, shrinkToFit, type Picture } from '../raster';
import { NOTHING } from '../trace';
import { markOf, type Mark } from './mark';

export const SMALL_SIZES_PX = [16, 24, 32, 64] as const;

export interface SmallProof {
  readonly sizePx: number;
  readonly picture: Picture;
  /** Share of the mark's edges, 0..1, that cannot be found again at this size. */
  readonly lostShare: number;
}

export interface ProofSheet {
  readonly small: readonly SmallProof[];
  /** The mark in black alone, by the split into black and ground that loses least. */
  readonly oneColour: { readonly picture: Picture; readonly lostShare: number };
  /** The mark on near-black, inks that would drown there turned to white. */
  readonly reversed: { readonly picture: Picture; readonly contrast: number };
  /** The mark as it is, for laying on any ground. */
  readonly mark: Picture;
  /** The inks that make at least 4% of the mark. */
  readonly inks: readonly string[];
}

/** The near-black of reversed proofs. */
export const REVERSED_HEX = '#111111';

/** Least contrast (WCAG 2.2) of graphics against what they stand on. */
export const GRAPHIC_CONTRAST = 3;

/** The least contrast that any of some inks has with a ground. */
export const leastContrast = (inks: readonly string[], groundHex: string): number =>
  inks.length ? Math.min(...inks.map((hex) => contrastRatio(hex, groundHex))) : 1;

/** Which of some grounds the inks stand out on best: its place in the list; 0 when there are none. */
export function clearestGround(groundHexes: readonly string[], inks: readonly string[]): number {
  const contrasts = groundHexes.map((hex) => leastContrast(inks, hex));
  return Math.max(0, contrasts.indexOf(Math.max(...contrasts)));
}

/** Marks the pixels that differ from their right or lower neighbour. */
function edgesOf(labels: ArrayLike<number>, w: number, h: number): Uint8Array {
  const out = new Uint8Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const i = y * w + x;
      if ((x + 1 < w && labels[i] !== labels[i + 1]) || (y + 1 < h && labels[i] !== labels[i + w])) out[i] = 1;
    }
  return out;
}

/** Share of the marked pixels of `edges` with none of `others` within `reach` pixels; 0 when there are no edges. */
function shareLost(edges: Uint8Array, others: Uint8Array, w: number, h: number, reach: number): number {
  // Summed-area table: the count of others in any window in four look-ups.
  const sum = new Int32Array((w + 1) * (h + 1));
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++)
      sum[(y + 1) * (w + 1) + x + 1] =
        others[y * w + x] + sum[y * (w + 1) + x + 1] + sum[(y + 1) * (w + 1) + x] - sum[y * (w + 1) + x];
  let all = 0;
  let lost = 0;
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      if (!edges[y * w + x]) continue;
      all++;
      const x0 = Math.max(0, x - reach);
      const y0 = Math.max(0, y - reach);
      const x1 = Math.min(w, x + reach + 1);
      const y1 = Math.min(h, y + reach + 1);
      if (sum[y1 * (w + 1) + x1] - sum[y0 * (w + 1) + x1] - sum[y1 * (w + 1) + x0] + sum[y0 * (w + 1) + x0] === 0)
        lost++;
    }
  return all ? lost / all : 0;
}

/** Which ink of a mark, or its white ground, a colour is nearest to; remembered by 6 bits a channel. */
function nearestLabel(mark: Mark): (r: number, g: number, b: number) => number {
  const labs = mark.inks.map((i) => hexToOklab(i.hex));
  const ground = hexToOklab('#FFFFFF');
  const known = new Int16Array(1 << 18).fill(-1);
  return (r, g, b) => {
    const key = ((r >> 2) << 12) | ((g >> 2) << 6) | (b >> 2);
    if (known[key] >= 0) return known[key];
    const lab = rgbToOklab(r, g, b);
    let best: number = NOTHING;
    let least = oklabDistance(lab, ground);
    for (let k = 0; k < labs.length; k++) {
      const d = oklabDistance(lab, labs[k]);
      if (d < least) {
        least = d;
        best = k;
      }
    }
    return (known[key] = best);
  };
}

type LabelOf = ReturnType<typeof nearestLabel>;

/** Labels that one would read off the small picture: enlarged smoothly, each pixel to the nearest ink. */
function readBack(small: Picture, w: number, h: number, labelOf: LabelOf): Uint8Array {
  const out = new Uint8Array(w * h);
  const { rgba, widthPx: sw, heightPx: sh } = small;
  for (let y = 0; y < h; y++) {
    const fy = Math.max(0, Math.min(sh - 1, ((y + 0.5) * sh) / h - 0.5));
    const y0 = Math.floor(fy);
    const ty = fy - y0;
    const top = y0 * sw;
    const bottom = Math.min(sh - 1, y0 + 1) * sw;
    for (let x = 0; x < w; x++) {
      const fx = Math.max(0, Math.min(sw - 1, ((x + 0.5) * sw) / w - 0.5));
      const x0 = Math.floor(fx);
      const x1 = Math.min(sw - 1, x0 + 1);
      const tx = fx - x0;
      const [a, b, c, d] = [(top + x0) * 4, (top + x1) * 4, (bottom + x0) * 4, (bottom + x1) * 4];
      const [wa, wb, wc, wd] = [(1 - tx) * (1 - ty), tx * (1 - ty), (1 - tx) * ty, tx * ty];
      out[y * w + x] = labelOf(
        rgba[a] * wa + rgba[b] * wb + rgba[c] * wc + rgba[d] * wd,
        rgba[a + 1] * wa + rgba[b + 1] * wb + rgba[c + 1] * wc + rgba[d + 1] * wd,
        rgba[a + 2] * wa + rgba[b + 2] * wb + rgba[c + 2] * wc + rgba[d + 2] * wd,
      );
    }
  }
  return out;
}

function smallProof(mark: Mark, sizePx: number, edges: Uint8Array, labelOf: LabelOf): SmallProof {
  const picture = shrinkToFit(mark.picture, sizePx);
  const { widthPx: w, heightPx: h } = mark.picture;
  const read = readBack(onGround(picture, [255, 255, 255]), w, h, labelOf);
  const reach = Math.max(1, Math.round((0.5 * Math.max(w, h)) / sizePx));
  return { sizePx, picture, lostShare: shareLost(edges, edgesOf(read, w, h), w, h, reach) };
}

const recoloured = (mark: Mark, hexOf: (ink: number) => string | null): Picture => {
  const rgba = new Uint8ClampedArray(mark.picture.rgba);
  const colours = mark.inks.map((_, k) => {
    const hex = hexOf(k);
    return hex ? hexToRgb(hex) : null;
  });
  const labs = mark.inks.map((i) => hexToOklab(i.hex));
  for (let i = 0; i < mark.labels.length; i++) {
    const o = i * 4;
    if (!rgba[o + 3]) continue;
    let k = mark.labels[i];
    if (k === NOTHING) {
      // The faint side of an edge: its colour tells the ink.
      const lab = rgbToOklab(rgba[o], rgba[o + 1], rgba[o + 2]);
      k = 0;
      for (let c = 1; c < labs.length; c++) if (oklabDistance(lab, labs[c]) < oklabDistance(lab, labs[k])) k = c;
    }
    const colour = colours[k];
    if (colour) {
      rgba[o] = colour[0];
      rgba[o + 1] = colour[1];
      rgba[o + 2] = colour[2];
    } else rgba[o + 3] = 0;
  }
  return { ...mark.picture, rgba };
};

function oneColour(mark: Mark, edges: Uint8Array): ProofSheet['oneColour'] {
  const { widthPx: w, heightPx: h } = mark.picture;
  const byDarkness = mark.inks
    .map((ink, k) => ({ k, L: hexToOklab(ink.hex).L, share: ink.share }))
    .filter((i) => i.share > 0)
    .sort((p, q) => p.L - q.L);
  let best: { lostShare: number; black: Set<number> } = { lostShare: Infinity, black: new Set() };
  for (let n = byDarkness.length; n >= 1; n--) {
    const black = new Set(byDarkness.slice(0, n).map((i) => i.k));
    const split = mark.labels.map((l) => (black.has(l) ? 1 : 0));
    const lostShare = shareLost(edges, edgesOf(split, w, h), w, h, 1);
    if (lostShare < best.lostShare - 0.01) best = { lostShare, black };
  }
  return {
    picture: recoloured(mark, (k) => (best.black.has(k) ? '#000000' : null)),
    lostShare: Number.isFinite(best.lostShare) ? best.lostShare : 0,
  };
}

/**
 * Everything the proofs strip shows of a mark, with its figures. The picture may have a ground of its own, which is taken away, or be
 * transparent. What is lost at a size is measured on edges: the small picture is enlarged smoothly, each pixel read as the nearest
 * ink, and an edge of the mark counts as lost when no edge lies within half a small pixel of it.
 */
export function proofsOf(picture: Picture): ProofSheet {
  const mark = markOf(picture);
  const edges = edgesOf(mark.labels, mark.picture.widthPx, mark.picture.heightPx);
  const labelOf = nearestLabel(mark);
  const inks = mark.inks.filter((i) => i.share >= 0.04).map((i) => i.hex);
  const reversedInks = mark.inks.map((i) =>
    contrastRatio(i.hex, REVERSED_HEX) < GRAPHIC_CONTRAST ? '#FFFFFF' : i.hex,
  );
  return {
    small: SMALL_SIZES_PX.map((sizePx) => smallProof(mark, sizePx, edges, labelOf)),
    oneColour: oneColour(mark, edges),
    reversed: {
      picture: recoloured(mark, (k) => reversedInks[k]),
      contrast: leastContrast(
        mark.inks.map((i, k) => (i.share >= 0.04 ? reversedInks[k] : '#FFFFFF')),
        REVERSED_HEX,
      ),
    },
    mark: mark.picture,
    inks,
  };
}
