import { oklabDistance, readHex } from '../colour';
import { artworkToSvg } from '../export';
import { findRegions, type Picture } from '../raster';
import {
  allPieces,
  countPieces,
  countPoints,
  namesOf,
  type Artwork,
  type Gradient,
  type Ink,
  type Piece,
} from '../vector';
import { flatten, signedArea, turnsOf } from '../path';
import { contoursOf, onSheet, piecesFrom } from './assemble';
import { NOTHING } from './cells';
import { tellApart } from './apart';
import { dropSpecks } from './specks';
import { dropAll, dropOutside } from './ground';
import { certaintyOf } from './inks';
import { neighboursOf } from './regions';
import { deviationOf, fitAll, prepare } from './strokes';
import { findSymmetry, madeSymmetrical, type Symmetry } from './symmetry';

/** How a picture is to become an artwork. */
export interface TraceOptions {
  /** Colours in all, ground included, 1..32; or found by itself. */
  readonly colours: number | 'auto';
  /** A ground that is dropped is left out wherever its colour shows, or outside the figure alone: there what it encloses is a piece. */
  readonly ground: 'keep' | 'drop' | 'outside';
  /** Lower inks run under upper ones, or every ink is cut out of the others. */
  readonly stacking: 'stacked' | 'cutout';
  /** Areas smaller than this go to their surroundings, in px². */
  readonly speckPx2: number;
  /** 0 follows every wobble, 100 is smoothest. */
  readonly smoothness: number;
  /** Inks that are given, as hex; found in the picture when left out. */
  readonly palette?: readonly string[] | null;
  /** 'auto' looks for an axis of symmetry and tells of it, 'exact' makes the artwork symmetrical about it as well. */
  readonly symmetry?: 'auto' | 'off' | 'exact';
  /** Areas whose colours change evenly become one ink with a gradient, instead of bands of several. */
  readonly gradients?: boolean;
}

export const TRACE_DEFAULTS: TraceOptions = {
  colours: 'auto',
  ground: 'drop',
  stacking: 'stacked',
  speckPx2: 12,
  smoothness: 30,
  symmetry: 'auto',
  gradients: false,
};

/** What a trace came to. */
export interface TraceFigures {
  readonly inks: readonly { readonly hex: string; readonly pieces: number; readonly gradient?: Gradient }[];
  readonly pieces: number;
  /** Lines and curves of all contours; each is one point to a designer. */
  readonly segments: number;
  /** Joints that turn sharply. */
  readonly corners: number;
  /** How far the trace lies from the edges that were found, in pixels, where no corner spoils them. */
  readonly fit: { readonly meanPx: number; readonly maxPx: number };
  /** Of the SVG, in UTF-8. */
  readonly bytes: number;
}

export interface Trace {
  readonly artwork: Artwork;
  readonly figures: TraceFigures;
  /** The colour of the ground, kept or not; null when the picture's ground is transparent. */
  readonly groundHex: string | null;
  /** The axis about which the picture is nearly symmetrical, or null when there is none or none was looked for. */
  readonly symmetry: Symmetry | null;
  /** How many gradients the picture has, whether they were made or not. */
  readonly gradients: number;
  /** How sure the number of inks is, 0..1: whether the nearest two could as well be one, or one as well two. 1 when it was given. */
  readonly certainty: number;
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
  if (!['keep', 'drop', 'outside'].includes(o.ground))
    throw new TraceOptionsError('ground is "keep", "drop" or "outside"');
  if (o.stacking !== 'stacked' && o.stacking !== 'cutout')
    throw new TraceOptionsError('stacking is "stacked" or "cutout"');
  if (o.symmetry !== undefined && !['auto', 'off', 'exact'].includes(o.symmetry))
    throw new TraceOptionsError('symmetry is "auto", "off" or "exact"');
  if (o.gradients !== undefined && typeof o.gradients !== 'boolean')
    throw new TraceOptionsError('gradients is true or false');
  if (!within(o.speckPx2, 0, 100_000)) throw new TraceOptionsError('the size of specks is from 0 to 100000 px²');
  if (!within(o.smoothness, 0, 100)) throw new TraceOptionsError('smoothness is from 0 to 100');
  if (o.palette && (o.palette.length > 32 || o.palette.some((hex) => !readHex(hex))))
    throw new TraceOptionsError('a palette is a list of at most 32 hex colours such as #1D2E4E');
  return o;
}

/** How far a trace may stray from the edges found, in pixels, at a smoothness: 0.2 at 30, halved and doubled every 15. */
export const toleranceOf = (smoothness: number): number => 0.2 * 2 ** ((smoothness - 30) / 15);

/** The smoothness of a tolerance in pixels, 0..100. */
export const smoothnessOf = (tolerancePx: number): number =>
  Math.max(0, Math.min(100, 30 + 15 * Math.log2(tolerancePx / 0.2)));

/** Contours that enclose less than this enclose nothing. Specks went before: to leave out more here would let the ground show. */
const LEAST_CONTOUR_PX2 = 0.05;

/** Joints of contours that turn by more than this are corners, in radians. */
const CORNER_RAD = 0.26;

const countCorners = (artwork: Artwork): number =>
  allPieces(artwork)
    .flatMap((p) => p.contours.flatMap(turnsOf))
    .filter((turn) => turn > CORNER_RAD).length;

/** Inks that no piece has any more are none. */
const withoutMissing = (artwork: Artwork): Artwork => ({
  ...artwork,
  inks: artwork.inks.filter((i) => countPieces(artwork, i.id) > 0),
});

/** Tells a picture's inks and ground, and what each pixel is made of. */
function separate(picture: Picture, options: TraceOptions, progress: (done: number) => void) {
  const { inks: found, ground, cells, gradients } = tellApart(picture, options.colours, options);
  progress(0.35);
  dropSpecks(cells, options.speckPx2, (p, q) => (found[p] && found[q] ? oklabDistance(found[p].lab, found[q].lab) : 0));
  const isFound = ground !== null && found.length > 1;
  if (isFound && options.ground === 'outside') dropOutside(cells, ground);
  const dropped = isFound && options.ground === 'drop' ? ground : null;
  if (dropped !== null) dropAll(cells, dropped);
  progress(0.4);
  return { found, ground, dropped, cells, gradients };
}

/** One point of the economy curve: what a smoothness costs in segments, and how far off it is. */
export interface EconomyPoint {
  readonly smoothness: number;
  readonly segments: number;
  readonly meanPx: number;
}

/** Smoothnesses that the economy curve is made of. */
const ECONOMY_AT = [0, 15, 30, 45, 60, 75, 90] as const;

/**
 * Segments against error for a range of smoothnesses, from one look at the picture. Every boundary counts once, whichever sides share it.
 * Throws a TraceOptionsError, and whatever a hook throws.
 */
export function economyOf(
  picture: Picture,
  partial: Partial<TraceOptions> = {},
  hooks: TraceHooks = {},
): EconomyPoint[] {
  const prepared = prepare(separate(picture, checkTraceOptions(partial), () => {}).cells);
  return ECONOMY_AT.map((smoothness, k) => {
    const { strokes } = fitAll(prepared, toleranceOf(smoothness));
    hooks.onProgress?.((k + 1) / ECONOMY_AT.length);
    return {
      smoothness,
      segments: strokes.reduce((n, s) => n + s.segments.length, 0),
      meanPx: deviationOf(strokes).meanPx,
    };
  });
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
  const { found, ground, dropped, cells, gradients } = separate(picture, options, progress);

  // The ground lies below all, then the biggest ink.
  const areaOf = new Float64Array(256);
  const { plain, busy } = cells.plains;
  for (let s = 0; s < plain.length; s += 2) areaOf[cells.first[plain[s]]] += plain[s + 1] - plain[s];
  for (let s = 0; s < busy.length; s += 2) for (let i = busy[s]; i < busy[s + 1]; i++) areaOf[cells.first[i]]++;
  const order = found
    .map((_, k) => k)
    .filter((k) => k !== dropped && areaOf[k] > 0)
    .sort((p, q) => (q === ground ? 1 : 0) - (p === ground ? 1 : 0) || areaOf[q] - areaOf[p]);
  const rank = new Map(order.map((k, r) => [k, r]));
  const names = namesOf(order.map((k) => found[k]));

  const prepared = prepare(cells);
  progress(0.45);
  const edges = fitAll(prepared, toleranceOf(options.smoothness), (share) => progress(0.45 + 0.45 * share));

  const regions = options.stacking === 'stacked' ? findRegions(cells.first, widthPx, heightPx) : null;
  const under = regions && { regions, neighbours: neighboursOf(regions, widthPx, heightPx, cells.plains) };
  const inks: Ink[] = [];
  const pieces: Piece[] = [];
  order.forEach((k, r) => {
    const inkId = `ink-${inks.length + 1}`;
    const above = new Uint8Array(256);
    for (const [other, place] of rank) above[other] = place > r ? 1 : 0;
    const contours = contoursOf(prepared.map, edges, cells, k, above, under).filter(
      (c) => Math.abs(signedArea(flatten(c, 0.25))) >= LEAST_CONTOUR_PX2,
    );
    const isSheet = k === ground && !under && areaOf[NOTHING] === 0;
    const made = isSheet ? onSheet(piecesFrom(contours, inkId), inkId, widthPx, heightPx) : piecesFrom(contours, inkId);
    if (made.length) {
      const { hex, gradient } = found[k];
      inks.push({ id: inkId, hex, name: names[r], ...(gradient ? { gradient } : {}) });
      for (const piece of made) pieces.push({ id: `piece-${pieces.length + 1}`, ...piece });
    }
    progress(0.9 + (0.1 * (r + 1)) / order.length);
  });

  const symmetry = options.symmetry === 'off' ? null : findSymmetry(cells, ground);
  const traced: Artwork = { widthPx, heightPx, inks, nodes: pieces, guides: [] };
  const artwork = symmetry && options.symmetry === 'exact' ? withoutMissing(madeSymmetrical(traced, symmetry)) : traced;
  return {
    artwork,
    symmetry,
    gradients,
    certainty:
      options.colours === 'auto' && !options.palette?.length ? certaintyOf(found.filter((i) => !i.gradient)) : 1,
    groundHex: ground === null ? null : found[ground].hex,
    figures: {
      inks: artwork.inks.map(({ id, hex, gradient }) => ({
        hex,
        pieces: countPieces(artwork, id),
        ...(gradient ? { gradient } : {}),
      })),
      pieces: countPieces(artwork),
      segments: countPoints(artwork),
      corners: countCorners(artwork),
      fit: deviationOf(edges.strokes),
      bytes: artworkToSvg(artwork, { lines: false }).length,
    },
  };
}
