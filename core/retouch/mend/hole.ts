import { blankPicture, boxWhere, outsideOf, stepsFrom, type Picture } from '../../raster';
import { NOTHING, prepare, tellApart, type Apart, type Prepared } from '../../trace';
import { colourIn } from '../../vector';

/** Where a picture is to be mended: 1 a pixel, row by row. */
export interface Mask {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly covers: Uint8Array;
}

/** How far around what is mended the picture is looked at, in pixels. */
const LOOK_PX = 64;

/** A connected part of what is mended; boxes are in pixels of the window. */
export interface Hole {
  readonly x0: number;
  readonly y0: number;
  /** Beyond the last column and row. */
  readonly x1: number;
  readonly y1: number;
  readonly areaPx2: number;
}

/** The surroundings of what is mended, told apart into inks. */
export interface Window {
  /** Where it lies in the picture. */
  readonly left: number;
  readonly top: number;
  /** Transparent where it is mended, opaque elsewhere. */
  readonly picture: Picture;
  readonly holes: readonly Hole[];
  /** Number of the hole of each pixel, or -1. */
  readonly holeOf: Int32Array;
  /**
   * Number of the group of each pixel, or -1: holes so near that of an edge between them nothing can be told, with the pixels at their rim that are mixed of who
   * knows what.
   */
  readonly groupOf: Int32Array;
  /** 1 for pixels that holes shut off from the rest. */
  readonly isIsland: Uint8Array;
  /** The group of each hole. */
  readonly groups: readonly number[];
  readonly apart: Apart;
  readonly prepared: Prepared;
  /** The ink that stands for nothing, in a picture with transparent parts. */
  readonly clear: number | null;
}

/** Holes so near each other are looked at as one, half way, in pixels: in a crisp and in a soft picture. */
const NEAR_PX = { crisp: 3, soft: 4.6 } as const;

/** A stand-in that no ink is so near to, in levels, is hardly there. */
const IS_STAND_IN = 40;

/** Colours that transparent parts are given while a picture is told apart; the one furthest from those it has is taken. */
const STAND_INS = [
  [255, 0, 255],
  [0, 255, 0],
  [0, 255, 255],
  [255, 255, 0],
  [255, 0, 0],
] as const;

/** Looks at what is around a mask; null where that covers nothing, or everything there is. */
export function windowAround(source: Picture, mask: Mask): Window | null {
  const box = boxWhere(mask.widthPx, mask.heightPx, (i) => mask.covers[i] === 1);
  if (!box) return null;
  const [left, top] = [Math.max(0, box[0] - LOOK_PX), Math.max(0, box[1] - LOOK_PX)];
  const w = Math.min(source.widthPx, box[0] + box[2] + LOOK_PX) - left;
  const h = Math.min(source.heightPx, box[1] + box[3] + LOOK_PX) - top;
  const picture = blankPicture(w, h);
  const covers = new Uint8Array(w * h);
  let [known, hasClear] = [0, false];
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const from = (y + top) * source.widthPx + x + left;
      if (mask.covers[from]) {
        covers[y * w + x] = 1;
        continue;
      }
      known++;
      if (source.rgba[4 * from + 3] < 255) hasClear = true;
      picture.rgba.set(source.rgba.subarray(4 * from, 4 * from + 4), 4 * (y * w + x));
    }
  if (!known) return null;
  const standIn = hasClear ? standInFor(picture, covers) : null;
  if (standIn) layUnder(picture, covers, standIn);
  const apart = tellApart(picture, 'auto', { gradients: true });
  takeIntoGradients(picture, apart);
  const clear = standIn && nearestInk(apart, standIn);
  const unknown = withMixed(picture, covers, apart);
  const prepared = prepare(apart.cells);
  const near = prepared.soft ? NEAR_PX.soft : NEAR_PX.crisp;
  return {
    left,
    top,
    picture,
    ...holesOf(covers, w, h),
    ...groupsOf(covers, unknown, w, h, near),
    isIsland: islandsOf(covers, w, h),
    apart,
    prepared,
    clear,
  };
}

/** Pixels within so many levels of a gradient's colour there are of it, and as much more as there is noise. */
const LIKE_GRADIENT = 3;

/** Bands of colours at the ends of gradients, found as inks of their own, are of the gradient. */
function takeIntoGradients({ widthPx: w, rgba }: Picture, { cells, inks, noise }: Apart): void {
  const paints = inks.map(({ gradient }) => gradient && colourIn(gradient));
  if (!paints.some(Boolean)) return;
  const { first, second, share } = cells;
  for (let i = 0; i < first.length; i++) {
    if (first[i] === NOTHING || (paints[first[i]] && first[i] === second[i])) continue;
    const x = i % w;
    for (const [k, paint] of paints.entries()) {
      const rgb = paint?.(x + 0.5, (i - x) / w + 0.5);
      if (!rgb || rgb.some((v, c) => Math.abs(v - rgba[4 * i + c]) > LIKE_GRADIENT + 2 * noise)) continue;
      first[i] = second[i] = k;
      share[i] = 1;
      break;
    }
  }
}

function standInFor({ rgba }: Picture, covers: Uint8Array): readonly [number, number, number] {
  const away = STAND_INS.map(() => Infinity);
  for (let i = 0; i < covers.length; i++)
    if (!covers[i] && rgba[4 * i + 3] > 127)
      STAND_INS.forEach((rgb, k) => {
        const d = rgb.reduce<number>((sum, v, c) => sum + (v - rgba[4 * i + c]) ** 2, 0);
        if (d < away[k]) away[k] = d;
      });
  return STAND_INS[away.indexOf(Math.max(...away))];
}

function layUnder({ rgba }: Picture, covers: Uint8Array, rgb: readonly [number, number, number]): void {
  for (let i = 0; i < covers.length; i++) {
    if (covers[i]) continue;
    const t = rgba[4 * i + 3] / 255;
    for (let c = 0; c < 3; c++) rgba[4 * i + c] = rgba[4 * i + c] * t + rgb[c] * (1 - t);
    rgba[4 * i + 3] = 255;
  }
}

function nearestInk({ inks }: Apart, rgb: readonly [number, number, number]): number | null {
  const away = inks.map((ink) => (ink.gradient ? Infinity : Math.hypot(...ink.rgb.map((v, c) => v - rgb[c]))));
  const least = Math.min(...away);
  return least > IS_STAND_IN ? null : away.indexOf(least);
}

/** Pixels so near a hole, and so far from the colour of their ink, in levels, are mixed of what nobody can tell: one half of it may lie in the hole. */
const RIM_PX = 2;
const MIXED_LEVELS = 8;

/** Makes nothing of the mixed pixels about the holes; gives the holes with them. */
function withMixed(
  { widthPx: w, heightPx: h, rgba }: Picture,
  covers: Uint8Array,
  { cells, inks, noise }: Apart,
): Uint8Array {
  const { first, second, share } = cells;
  const near = stepsFrom(covers, w, h, RIM_PX);
  const out = new Uint8Array(covers);
  const paints = inks.map(({ gradient }) => gradient && colourIn(gradient));
  for (let i = 0; i < out.length; i++) {
    if (near[i] === 0 || near[i] > RIM_PX) continue;
    const ink = first[i];
    const x = i % w;
    const rgb = ink === NOTHING ? null : (paints[ink]?.(x + 0.5, (i - x) / w + 0.5) ?? inks[ink].rgb);
    if (rgb && share[i] > 0.97 && rgb.every((v, c) => Math.abs(v - rgba[4 * i + c]) < MIXED_LEVELS + 4 * noise))
      continue;
    out[i] = 1;
    first[i] = second[i] = NOTHING;
    share[i] = 1;
  }
  return out;
}

/** What holes surround: all that no way leads to from the window's border. */
const islandsOf = (covers: Uint8Array, w: number, h: number): Uint8Array =>
  outsideOf(w, h, (i) => covers[i] === 1).map((outside, i) => Number(!outside && !covers[i]));

/** Holes that nearly touch, as groups, with what is unknown at their rims. */
function groupsOf(
  covers: Uint8Array,
  unknown: Uint8Array,
  w: number,
  h: number,
  nearPx: number,
): Pick<Window, 'groupOf' | 'groups'> {
  const { covers: grown } = grownMask({ widthPx: w, heightPx: h, covers }, nearPx);
  const { holes, holeOf } = holesOf(covers, w, h);
  const { holeOf: groupOf } = holesOf(grown, w, h);
  const groups = holes.map(() => -1);
  for (let i = 0; i < holeOf.length; i++) {
    if (holeOf[i] >= 0) groups[holeOf[i]] = groupOf[i];
    else if (!unknown[i]) groupOf[i] = -1;
  }
  return { groupOf, groups };
}

/** The connected parts of a mask, also those that touch at a corner only. */
function holesOf(covers: Uint8Array, w: number, h: number): Pick<Window, 'holes' | 'holeOf'> {
  const holeOf = new Int32Array(w * h).fill(-1);
  const holes: Hole[] = [];
  const stack: number[] = [];
  for (let start = 0; start < covers.length; start++) {
    if (!covers[start] || holeOf[start] >= 0) continue;
    let [x0, y0, x1, y1, areaPx2] = [w, h, 0, 0, 0];
    stack.push(start);
    holeOf[start] = holes.length;
    while (stack.length) {
      const i = stack.pop()!;
      const x = i % w;
      const y = (i - x) / w;
      x0 = Math.min(x0, x);
      y0 = Math.min(y0, y);
      x1 = Math.max(x1, x + 1);
      y1 = Math.max(y1, y + 1);
      areaPx2++;
      for (let v = Math.max(0, y - 1); v <= Math.min(h - 1, y + 1); v++)
        for (let u = Math.max(0, x - 1); u <= Math.min(w - 1, x + 1); u++) {
          const j = v * w + u;
          if (!covers[j] || holeOf[j] >= 0) continue;
          holeOf[j] = holes.length;
          stack.push(j);
        }
    }
    holes.push({ x0, y0, x1, y1, areaPx2 });
  }
  return { holes, holeOf };
}

/** A mask grown by some steps, from side to side and across corners in turn, so that it grows about round. */
export function grownMask({ widthPx: w, heightPx: h, covers }: Mask, byPx: number): Mask {
  const near = stepsFrom(covers, w, h, Math.min(254, Math.ceil(1.5 * byPx)));
  const out = new Uint8Array(covers.length);
  // Steps from side to side overrate what lies across a corner; a disc about each pixel of the edge does not.
  for (let i = 0; i < out.length; i++) out[i] = Number(near[i] <= byPx);
  const r = Math.ceil(byPx);
  for (let i = 0; i < out.length; i++) {
    if (!covers[i]) continue;
    const x = i % w;
    const y = (i - x) / w;
    const inside =
      x > 0 && y > 0 && x + 1 < w && y + 1 < h && covers[i - 1] && covers[i + 1] && covers[i - w] && covers[i + w];
    if (inside) continue;
    for (let v = Math.max(0, y - r); v <= Math.min(h - 1, y + r); v++)
      for (let u = Math.max(0, x - r); u <= Math.min(w - 1, x + r); u++)
        if ((u - x) ** 2 + (v - y) ** 2 <= byPx * byPx) out[v * w + u] = 1;
  }
  return { widthPx: w, heightPx: h, covers: out };
}
