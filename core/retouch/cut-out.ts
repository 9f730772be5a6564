/** Taking the ground off a picture: what is left has true partial coverage at its edges, and sits on any other ground without a halo. */
import { findRegions, stepsFrom, type Picture, type Regions } from '../raster';
import { dropAreas, neighboursOf, NOTHING, tellApart, type Apart, type Cells, type FoundInk } from '../trace';
import { colourIn } from '../vector';

/** An area of the ground's colour that the figure encloses: a hole of it, or a part of it that happens to have that colour. */
export interface EnclosedArea {
  /** Left, top, width and height in pixels. */
  readonly box: readonly [number, number, number, number];
  readonly areaPx2: number;
  /** A place in it. */
  readonly at: readonly [number, number];
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

/** White and black, within so many levels, are colours that a figure has spots of. */
const PAINTED_LEVELS = 8;

/**
 * Whether all that a figure encloses are holes: where it has one colour, or stands on a ground of a colour that nobody would have painted it with as well.
 */
function isPierced({ cells, inks, ground }: Apart): boolean {
  const { rgb } = inks[ground!];
  const isWhite = rgb.every((v) => v >= 255 - PAINTED_LEVELS);
  const isBlack = rgb.every((v) => v <= PAINTED_LEVELS);
  if (!isWhite && !isBlack) return true;
  const seen = new Set(cells.first);
  seen.delete(ground!);
  seen.delete(NOTHING);
  return seen.size <= 1;
}

/** A place whose part goes or stays: the area of the ground's colour that it lies in, or the separate piece of the figure. */
export interface PartChoice {
  readonly at: readonly [number, number];
  readonly dropped: boolean;
}

export interface CutOutOptions {
  readonly inner?: InnerChoice;
  /** Decides about enclosed areas one by one, by their place in the list, instead of `inner`. */
  readonly choose?: (place: number, isHole: boolean) => boolean;
  /** In turn, over what `inner` says. */
  readonly parts?: readonly PartChoice[];
}

/**
 * Takes the ground off. Each pixel at an edge is told apart into ground and figure: its coverage becomes alpha, its colour that of the figure alone. A picture whose
 * border is transparent has no ground, and one of a single colour no figure: both stay as they are.
 */
export function cutOut(source: Picture, { inner = 'auto', choose, parts = [] }: CutOutOptions = {}): CutOut {
  const apart = tellApart(source, 'auto', { gradients: true });
  const { cells, ground, inks } = apart;
  if (ground === null || inks.length < 2) return { picture: source, groundHex: null, enclosed: [] };
  const { widthPx, heightPx } = source;
  const regions = findRegions(cells.first, widthPx, heightPx);
  const areas = enclosedAreas(regions, ground, widthPx, heightPx);
  const pierced = isPierced(apart);
  const enclosed = areas.map(({ area, isHole: isLarge, ...told }, place) => {
    const isHole = isLarge || pierced;
    const asked = parts.filter(({ at }) => areaAt(regions, at, widthPx, heightPx) === area).at(-1);
    const dropped = asked?.dropped ?? (choose ? choose(place, isHole) : inner === 'auto' ? isHole : inner === 'drop');
    return { area, ...told, dropped };
  });
  const gone = piecesAt(cells, ground, parts);
  const goes = new Uint8Array(regions.label.length);
  for (let k = 0; k < goes.length; k++) goes[k] = regions.atBorder[k];
  for (const { area, dropped } of enclosed) goes[area] = dropped ? 1 : 0;
  dropAreas(cells, ground, regions, (area) => goes[area] === 1);
  const picture = withoutNothing(source, apart);
  if (apart.noise) dropCrumbs(picture);
  if (gone) dropPieces(picture, gone);
  return {
    picture,
    groundHex: inks[ground].hex,
    enclosed: enclosed.map(({ area: _, ...told }) => told),
  };
}

const areaAt = ({ of }: Regions, [x, y]: readonly [number, number], w: number, h: number): number =>
  x >= 0 && y >= 0 && x < w && y < h ? of[Math.floor(y) * w + Math.floor(x)] : -1;

/** How far from a piece its own edge reaches, in pixels. */
const FRINGE_PX = 4;

/** 1 for each pixel of the separate pieces that are to go, 2 for those of the others, 0 for the ground; null where none goes. */
function piecesAt(
  { first, widthPx: w, heightPx: h }: Cells,
  ground: number,
  parts: readonly PartChoice[],
): Uint8Array | null {
  const figure = first.map((k) => Number(k !== ground && k !== NOTHING));
  const pieces = findRegions(figure, w, h);
  const goes = new Uint8Array(pieces.label.length);
  for (const { at, dropped } of parts) {
    const piece = areaAt(pieces, at, w, h);
    if (piece >= 0 && pieces.label[piece] === 1) goes[piece] = Number(dropped);
  }
  return goes.includes(1) ? figure.map((f, i) => (f ? 2 - goes[pieces.of[i]] : 0)) : null;
}

/** Takes pieces away with their edges, up to half way to what stays; in place. */
function dropPieces({ widthPx: w, heightPx: h, rgba }: Picture, pieces: Uint8Array): void {
  const [near, other] = [1, 2].map((kind) =>
    stepsFrom(
      pieces.map((k) => Number(k === kind)),
      w,
      h,
      FRINGE_PX,
    ),
  );
  for (let i = 0; i < pieces.length; i++)
    if (pieces[i] === 1 || (pieces[i] === 0 && near[i] <= FRINGE_PX && near[i] < other[i]))
      rgba.fill(0, 4 * i, 4 * i + 4);
}

/** The picture with coverage for alpha, where cells say how much of a pixel is nothing. */
function withoutNothing({ widthPx, heightPx, rgba }: Picture, { cells, inks, noise }: Apart): Picture {
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
  if (noise) calmEdges({ widthPx, heightPx, rgba: out }, cells, inks);
  return { widthPx, heightPx, rgba: out };
}

/** In a noisy picture what stands alone and is smaller than this is noise, in px²; what is fainter, in levels of alpha, holds nothing together. */
const CRUMB_PX2 = 12;
const FAINT = 12;

/** Takes away what is left of noise on the ground, in place. */
function dropCrumbs({ widthPx, heightPx, rgba }: Picture): void {
  const has = new Uint8Array(widthPx * heightPx);
  for (let i = 0; i < has.length; i++) has[i] = Number(rgba[4 * i + 3] > FAINT);
  const { of, label, sizePx2 } = findRegions(has, widthPx, heightPx);
  for (let i = 0; i < has.length; i++)
    if (label[of[i]] === 1 && sizePx2[of[i]] < CRUMB_PX2) rgba.fill(0, 4 * i, 4 * i + 4);
}

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
  const isOff = first.map((k, i) => Number(k === NOTHING || second[i] === NOTHING));
  const steps = stepsFrom(isOff, w, h, CALM_PX);
  for (let i = 0; i < steps.length; i++) {
    const ink = inks[first[i]];
    if (steps[i] === 0 || steps[i] > CALM_PX || first[i] !== second[i] || !ink || ink.gradient) continue;
    if (ink.rgb.every((v, c) => Math.abs(v - rgba[4 * i + c]) <= CALM_LEVELS)) rgba.set(ink.rgb, 4 * i);
  }
}

interface Found extends Omit<EnclosedArea, 'dropped'> {
  readonly area: number;
  readonly isHole: boolean;
}

/** Areas of the ground that do not reach the border, largest first, each with whether it is a hole of what it lies in. */
function enclosedAreas(regions: Regions, ground: number, w: number, h: number): Found[] {
  const { of, label, sizePx2, atBorder } = regions;
  const boxes = new Map<number, [number, number, number, number]>();
  const places = new Map<number, readonly [number, number]>();
  for (let i = 0; i < of.length; i++) {
    const k = of[i];
    if (label[k] !== ground || atBorder[k] || sizePx2[k] < LEAST_ENCLOSED_PX2) continue;
    const x = i % w;
    const y = (i - x) / w;
    const box = boxes.get(k);
    if (!box) {
      boxes.set(k, [x, y, x, y]);
      places.set(k, [x + 0.5, y + 0.5]);
    } else {
      if (x < box[0]) box[0] = x;
      if (x > box[2]) box[2] = x;
      box[3] = y;
    }
  }
  const neighbours = neighboursOf(regions, w, h);
  const around = (area: number) => neighbours[area].reduce((sum, k) => sum + sizePx2[k], 0);
  return [...boxes]
    .map(([area, [x0, y0, x1, y1]]): Found => ({
      area,
      box: [x0, y0, x1 - x0 + 1, y1 - y0 + 1],
      areaPx2: sizePx2[area],
      at: places.get(area)!,
      isHole: sizePx2[area] > HOLE_SHARE * (sizePx2[area] + around(area)),
    }))
    .sort((p, q) => q.areaPx2 - p.areaPx2);
}
