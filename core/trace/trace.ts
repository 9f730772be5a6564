import { nameColours } from '../colour';
import type { Picture } from '../raster';
import {
  artworkToSvg,
  contains,
  countPoints,
  flatten,
  signedArea,
  type Artwork,
  type Contour,
  type Ink,
  type Piece,
} from '../vector';
import { dropSpecks, NOTHING, unmix } from './cells';
import { halfLines } from './contours';
import { fitLoop, type FitOptions } from './fit';
import { findGround, findInks, flatPixels } from './inks';
import { inkField } from './layers';

/** How a picture is to become an artwork. */
export interface TraceOptions {
  /** Colours in all, ground included, 1..32; or found by itself. */
  readonly colours: number | 'auto';
  readonly ground: 'keep' | 'drop';
  /** Lower inks run under upper ones, or every ink is cut out of the others. */
  readonly stacking: 'stacked' | 'cutout';
  /** Areas smaller than this go to their surroundings, in px². */
  readonly speckPx2: number;
  /** 0 follows every wobble, 100 is smoothest. */
  readonly smoothness: number;
}

export const TRACE_DEFAULTS: TraceOptions = {
  colours: 'auto',
  ground: 'drop',
  stacking: 'stacked',
  speckPx2: 12,
  smoothness: 30,
};

/** What a trace came to. */
export interface TraceFigures {
  readonly inks: readonly { readonly hex: string; readonly pieces: number }[];
  readonly pieces: number;
  /** Lines and curves of all contours; each is one point to a designer. */
  readonly segments: number;
  /** Of the SVG, in UTF-8. */
  readonly bytes: number;
}

export interface Trace {
  readonly artwork: Artwork;
  readonly figures: TraceFigures;
  /** The colour of the ground, kept or not; null when the picture's ground is transparent. */
  readonly groundHex: string | null;
}

export interface TraceHooks {
  /** Hears the share done, 0..1; may throw to stop. */
  readonly onProgress?: (done: number) => void;
}

/** The options make no sense; the message says which. */
export class TraceOptionsError extends Error {}

export function checkTraceOptions(options: Partial<TraceOptions>): TraceOptions {
  const o = { ...TRACE_DEFAULTS, ...options };
  const within = (v: number, low: number, high: number) => Number.isFinite(v) && v >= low && v <= high;
  if (o.colours !== 'auto' && !(Number.isInteger(o.colours) && within(o.colours, 1, 32)))
    throw new TraceOptionsError('colours is "auto" or a whole number from 1 to 32');
  if (o.ground !== 'keep' && o.ground !== 'drop') throw new TraceOptionsError('ground is "keep" or "drop"');
  if (o.stacking !== 'stacked' && o.stacking !== 'cutout')
    throw new TraceOptionsError('stacking is "stacked" or "cutout"');
  if (!within(o.speckPx2, 0, 100_000)) throw new TraceOptionsError('the size of specks is from 0 to 100000 px²');
  if (!within(o.smoothness, 0, 100)) throw new TraceOptionsError('smoothness is from 0 to 100');
  return o;
}

const fitOptions = (smoothness: number): FitOptions => ({
  tolerancePx: 0.18 + 2.2 * (smoothness / 100) ** 2,
  cornerRad: ((32 + 0.4 * smoothness) * Math.PI) / 180,
});

/** Makes pieces of contours: each outer one with the holes that lie in it. */
function piecesOf(contours: readonly Contour[], inkId: string): Omit<Piece, 'id'>[] {
  const areas = contours.map((c) => signedArea(flatten(c, 0.5)));
  const outer = contours
    .map((contour, i) => ({ contour, area: areas[i], holes: [] as Contour[] }))
    .filter((o) => o.area > 0);
  contours.forEach((hole, i) => {
    if (areas[i] >= 0) return;
    let home: (typeof outer)[number] | null = null;
    for (const o of outer)
      if (o.area > -areas[i] && (!home || o.area < home.area) && contains([o.contour], hole.start)) home = o;
    home?.holes.push(hole);
  });
  return outer.sort((p, q) => q.area - p.area).map((o) => ({ inkId, contours: [o.contour, ...o.holes] }));
}

/** Contours within a quarter of a pixel of the picture's border lie on it. */
function snapToBorder(contour: Contour, w: number, h: number): Contour {
  const snap = ([x, y]: readonly [number, number]): [number, number] => [
    Math.abs(x) < 0.3 ? 0 : Math.abs(x - w) < 0.3 ? w : x,
    Math.abs(y) < 0.3 ? 0 : Math.abs(y - h) < 0.3 ? h : y,
  ];
  return {
    start: snap(contour.start),
    segments: contour.segments.map((s) => (s.kind === 'line' ? { ...s, to: snap(s.to) } : { ...s, to: snap(s.to) })),
  };
}

/**
 * Turns a picture into an artwork. Colours are found in OKLab from flat areas; edges are placed between pixels from the mixtures along
 * them; contours are fitted by least squares with corners kept. A picture of nothing gives an artwork without pieces. Throws a
 * TraceOptionsError, and whatever a hook throws.
 */
export function trace(picture: Picture, partial: Partial<TraceOptions> = {}, hooks: TraceHooks = {}): Trace {
  const options = checkTraceOptions(partial);
  const { widthPx, heightPx } = picture;
  const progress = hooks.onProgress ?? (() => {});
  const flat = flatPixels(picture);
  const found = findInks(picture, flat, options.colours);
  progress(0.15);
  const ground = findGround(picture, found);
  const cells = unmix(picture, flat, found);
  progress(0.35);
  dropSpecks(cells, options.speckPx2);
  const dropped = options.ground === 'drop' && ground !== null && found.length > 1 ? ground : null;
  if (dropped !== null)
    for (const part of [cells.first, cells.second])
      for (let i = 0; i < part.length; i++) if (part[i] === dropped) part[i] = NOTHING;
  progress(0.4);

  // The ground lies below all, then the biggest ink.
  const areaOf = new Float64Array(256);
  for (const label of cells.first) areaOf[label]++;
  const order = found
    .map((_, k) => k)
    .filter((k) => k !== dropped && areaOf[k] > 0)
    .sort((p, q) => (q === ground ? 1 : 0) - (p === ground ? 1 : 0) || areaOf[q] - areaOf[p]);
  const rank = new Map(order.map((k, r) => [k, r]));
  const names = nameColours(order.map((k) => found[k].hex));

  const inks: Ink[] = [];
  const pieces: Piece[] = [];
  const fit = fitOptions(options.smoothness);
  order.forEach((k, r) => {
    const inkId = `ink-${inks.length + 1}`;
    const field = inkField(cells, k, rank, options.stacking === 'stacked');
    const contours = halfLines(field, widthPx, heightPx)
      .filter((loop) => Math.abs(signedArea(loop)) >= Math.max(0.6, Math.min(options.speckPx2, 60) * 0.5))
      .map((loop) => snapToBorder(fitLoop(loop, fit), widthPx, heightPx));
    const made = piecesOf(contours, inkId);
    if (made.length) {
      inks.push({ id: inkId, hex: found[k].hex, name: names[r] });
      for (const piece of made) pieces.push({ id: `piece-${pieces.length + 1}`, ...piece });
    }
    progress(0.4 + (0.6 * (r + 1)) / order.length);
  });

  const artwork: Artwork = { widthPx, heightPx, inks, pieces };
  return {
    artwork,
    groundHex: ground === null ? null : found[ground].hex,
    figures: {
      inks: inks.map((i) => ({ hex: i.hex, pieces: pieces.filter((p) => p.inkId === i.id).length })),
      pieces: pieces.length,
      segments: countPoints(artwork),
      bytes: artworkToSvg(artwork, { lines: false }).length,
    },
  };
}
