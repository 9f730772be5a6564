/** Taking the ground off a picture: what is left has true partial coverage at its edges, and sits on any other ground without a halo. */
import type { Picture } from '../raster';
import {
  dropAreas,
  findRegions,
  NOTHING,
  tellApart,
  type Apart,
  type Cells,
  type FoundInk,
  type Regions,
} from '../trace';
import { colourIn } from '../vector';

/** An area of the ground's colour that the figure encloses: a hole of it, or a part of it that happens to have that colour. */
export interface EnclosedArea {
  /** Left, top, width and height in pixels. */
  readonly box: readonly [number, number, number, number];
  readonly areaPx2: number;
  /** Whether it goes with the ground. */
  readonly dropped: boolean;
}

/** What becomes of enclosed areas: told for each of them, all kept, or all dropped. */
export type InnerChoice = 'auto' | 'keep' | 'drop';

export interface CutOut {
  readonly picture: Picture;
  /** The ground that was taken off; null where there was none, and nothing was done. */
  readonly groundHex: string | null;
  /** Largest first. */
  readonly enclosed: readonly EnclosedArea[];
}

/** Enclosed areas smaller than this are what edges leave, and go with what encloses them. */
const LEAST_ENCLOSED_PX2 = 20;

/** An enclosed area that is more than this share of itself and what it lies in is a hole of that, as in a ring; less, a spot on it, as an eye is. */
const HOLE_SHARE = 0.1;

/**
 * Takes the ground off. Each pixel at an edge is told apart into ground and figure: its coverage becomes alpha, its colour that of the figure alone. A picture whose
 * border is transparent has no ground, and one of a single colour no figure: both stay as they are. `choose` decides about enclosed areas one by one, by their
 * place in the list, instead of `inner`.
 */
export function cutOut(
  source: Picture,
  { inner = 'auto', choose }: { inner?: InnerChoice; choose?: (place: number, isHole: boolean) => boolean } = {},
): CutOut {
  const apart = tellApart(source, 'auto', { gradients: true });
  const { cells, ground, inks } = apart;
  if (ground === null || inks.length < 2) return { picture: source, groundHex: null, enclosed: [] };
  const { widthPx, heightPx } = source;
  const regions = findRegions(cells.first, widthPx, heightPx);
  const areas = enclosedAreas(regions, ground, widthPx, heightPx);
  const enclosed = areas.map(({ area, isHole, ...told }, place) => {
    const dropped = choose ? choose(place, isHole) : inner === 'auto' ? isHole : inner === 'drop';
    return { area, ...told, dropped };
  });
  const goes = new Uint8Array(regions.label.length);
  for (let k = 0; k < goes.length; k++) goes[k] = regions.atBorder[k];
  for (const { area, dropped } of enclosed) goes[area] = dropped ? 1 : 0;
  dropAreas(cells, ground, regions, (area) => goes[area] === 1);
  return {
    picture: withoutNothing(source, apart),
    groundHex: inks[ground].hex,
    enclosed: enclosed.map(({ area: _, ...told }) => told),
  };
}

/** The picture with coverage for alpha, where cells say how much of a pixel is nothing. */
function withoutNothing({ widthPx, heightPx, rgba }: Picture, { cells, inks }: Apart): Picture {
  const { first, second, share } = cells;
  const out = new Uint8ClampedArray(rgba);
  const paints = inks.map((ink) => ink.gradient && colourIn(ink.gradient));
  for (let i = 0; i < first.length; i++) {
    const [a, b] = [first[i], second[i]];
    if (a !== NOTHING && b !== NOTHING) continue;
    const ink = a === NOTHING ? b : a;
    const coverage = ink === NOTHING ? 0 : a === NOTHING ? 1 - share[i] : share[i];
    const alpha = coverage * rgba[4 * i + 3];
    if (alpha < 0.5) {
      out.fill(0, 4 * i, 4 * i + 4);
      continue;
    }
    const x = i % widthPx;
    const rgb = paints[ink]?.(x + 0.5, (i - x) / widthPx + 0.5) ?? inks[ink].rgb;
    out[4 * i] = rgb[0];
    out[4 * i + 1] = rgb[1];
    out[4 * i + 2] = rgb[2];
    out[4 * i + 3] = alpha;
  }
  if (isNoisy(inks.length, cells)) calmEdges({ widthPx, heightPx, rgba: out }, cells, inks);
  return { widthPx, heightPx, rgba: out };
}

const isNoisy = (count: number, { doubtPx }: Cells): boolean =>
  Array.from({ length: count - 1 }, (_, k) => doubtPx(k, k + 1)).some((doubt) => doubt > 0);

/** How far from where the ground was noise is taken out, in pixels, and how many levels of a colour it may be. */
const CALM_PX = 4;
const CALM_LEVELS = 40;

/**
 * Gives pixels of the figure near its edge the colour of their ink, where they nearly have it: what is left of the ground beside an edge in a picture that was
 * blurred and saved with loss would show as a rim on any other ground.
 */
function calmEdges(
  { widthPx: w, heightPx: h, rgba }: Picture,
  { first, second }: Cells,
  inks: readonly FoundInk[],
): void {
  const near = new Uint8Array(first.length);
  let front: number[] = [];
  for (let i = 0; i < near.length; i++)
    if (first[i] === NOTHING || second[i] === NOTHING) {
      near[i] = 1;
      front.push(i);
    }
  for (let step = 0; step < CALM_PX; step++) {
    const next: number[] = [];
    for (const i of front) {
      const x = i % w;
      for (const j of [x > 0 ? i - 1 : -1, x + 1 < w ? i + 1 : -1, i - w, i + w < w * h ? i + w : -1])
        if (j >= 0 && !near[j]) {
          near[j] = 1;
          next.push(j);
        }
    }
    front = next;
    for (const i of next) {
      const ink = inks[first[i]];
      if (first[i] !== second[i] || !ink || ink.gradient) continue;
      if (ink.rgb.every((v, c) => Math.abs(v - rgba[4 * i + c]) <= CALM_LEVELS)) rgba.set(ink.rgb, 4 * i);
    }
  }
}

interface Found extends Omit<EnclosedArea, 'dropped'> {
  readonly area: number;
  readonly isHole: boolean;
}

/** Areas of the ground that do not reach the border, largest first, each with whether it is a hole of what it lies in. */
function enclosedAreas({ of, label, sizePx2, atBorder }: Regions, ground: number, w: number, h: number): Found[] {
  const boxes = new Map<number, [number, number, number, number]>();
  for (let i = 0; i < of.length; i++) {
    const k = of[i];
    if (label[k] !== ground || atBorder[k] || sizePx2[k] < LEAST_ENCLOSED_PX2) continue;
    const x = i % w;
    const y = (i - x) / w;
    const box = boxes.get(k);
    if (!box) boxes.set(k, [x, y, x, y]);
    else {
      if (x < box[0]) box[0] = x;
      if (x > box[2]) box[2] = x;
      box[3] = y;
    }
  }
  const hosts = hostSizes({ of, label, sizePx2, atBorder }, [...boxes.keys()], w, h);
  return [...boxes]
    .map(([area, [x0, y0, x1, y1]]): Found => ({
      area,
      box: [x0, y0, x1 - x0 + 1, y1 - y0 + 1],
      areaPx2: sizePx2[area],
      isHole: sizePx2[area] > HOLE_SHARE * (sizePx2[area] + (hosts.get(area) ?? 0)),
    }))
    .sort((p, q) => q.areaPx2 - p.areaPx2);
}

/** The size of the areas that each of some areas touches, in px². */
function hostSizes({ of, sizePx2 }: Regions, areas: readonly number[], w: number, h: number): Map<number, number> {
  const wanted = new Set(areas);
  const around = new Map<number, Set<number>>(areas.map((a) => [a, new Set<number>()]));
  const touch = (p: number, q: number): void => {
    if (p === q) return;
    if (wanted.has(p)) around.get(p)!.add(q);
    if (wanted.has(q)) around.get(q)!.add(p);
  };
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const i = y * w + x;
      if (x + 1 < w) touch(of[i], of[i + 1]);
      if (y + 1 < h) touch(of[i], of[i + w]);
    }
  return new Map([...around].map(([area, set]) => [area, [...set].reduce((sum, k) => sum + sizePx2[k], 0)]));
}
