import { nameColours } from '../colour';
import type { Picture } from '../raster';
import {
  artworkToSvg,
  countPoints,
  flatten,
  signedArea,
  type Artwork,
  type Contour,
  type Ink,
  type Piece,
  type Point,
} from '../vector';
import { contoursOf, piecesOf } from './assemble';
import { dropSpecks, NOTHING, unmix, type Cells } from './cells';
import { BEYOND, findChains, type ChainMap } from './chains';
import { fitChain, type FitOptions, type Stroke } from './fit';
import { findGround, findInks, flatPixels } from './inks';
import { locate, REACH_PX, type Located } from './locate';

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

/** Contours within a quarter of a pixel of the picture's border lie on it. */
function snapToBorder(contour: Contour, w: number, h: number): Contour {
  const snap = ([x, y]: Point): Point => [
    Math.abs(x) < 0.3 ? 0 : Math.abs(x - w) < 0.3 ? w : x,
    Math.abs(y) < 0.3 ? 0 : Math.abs(y - h) < 0.3 ? h : y,
  ];
  return { start: snap(contour.start), segments: contour.segments.map((s) => ({ ...s, to: snap(s.to) })) };
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

/** Tolerance in pixels of a smoothness: 0.12 at 30, halved and doubled every 15. */
const toleranceOf = (smoothness: number): number => 0.12 * 2 ** ((smoothness - 30) / 15);

/** How many pixels a ramp of coverage takes, on the mean: about 1.3 where a picture is crisp. */
function rampPx(cells: Cells, map: ChainMap): number {
  let mixed = 0;
  for (let i = 0; i < cells.share.length; i++) if (cells.share[i] < 0.985) mixed++;
  let steps = 0;
  for (const c of map.chains) if (c.left !== BEYOND && c.right !== BEYOND) steps += c.corners.length / 2;
  return steps ? mixed / steps : 1;
}

/** Where the chains that meet at a corner would meet if they were carried on: the point that lies nearest to all of them. */
function meetingPoint(corner: Point, ends: readonly Located[], starts: readonly boolean[], softPx: number): Point {
  // A little pull towards the corner of the pixels keeps near-parallel chains from meeting far away.
  let [xx, xy, yy, bx, by] = [0.03, 0, 0.03, 0, 0];
  ends.forEach(({ points }, k) => {
    const n = points.length / 2;
    const near: number[] = [];
    for (let m = 0; m < n && near.length < 7; m++) {
      const i = starts[k] ? m : n - 1 - m;
      if (Math.hypot(points[2 * i] - corner[0], points[2 * i + 1] - corner[1]) >= softPx * 0.8) near.push(i);
    }
    if (near.length < 3) return;
    let [mx, my] = [0, 0];
    for (const i of near) {
      mx += points[2 * i] / near.length;
      my += points[2 * i + 1] / near.length;
    }
    let [sxx, sxy, syy] = [0, 0, 0];
    for (const i of near) {
      const [dx, dy] = [points[2 * i] - mx, points[2 * i + 1] - my];
      sxx += dx * dx;
      sxy += dx * dy;
      syy += dy * dy;
    }
    const angle = 0.5 * Math.atan2(2 * sxy, sxx - syy);
    const [nx, ny] = [-Math.sin(angle), Math.cos(angle)];
    const off = nx * (mx - corner[0]) + ny * (my - corner[1]);
    xx += nx * nx;
    xy += nx * ny;
    yy += ny * ny;
    bx += nx * off;
    by += ny * off;
  });
  const det = xx * yy - xy * xy;
  const [dx, dy] = [(bx * yy - by * xy) / det, (by * xx - bx * xy) / det];
  const far = Math.hypot(dx, dy);
  const scale = far > 1.2 ? 1.2 / far : 1;
  return [corner[0] + dx * scale, corner[1] + dy * scale];
}

/** Fits every chain once; those that meet share the point where they do. */
function fitAll(
  map: ChainMap,
  cells: Cells,
  fit: FitOptions,
  reachPx: number,
  onDone: (share: number) => void,
): Stroke[] {
  const { widthPx: w, heightPx: h } = cells;
  const located = map.chains.map((c) => locate(c, cells, reachPx));
  const meets = new Map<number, { ends: Located[]; starts: boolean[]; point?: Point }>();
  const keyOf = (c: { corners: Int32Array }, atStart: boolean): number => {
    const k = atStart ? 0 : c.corners.length / 2 - 1;
    return c.corners[2 * k + 1] * (w + 1) + c.corners[2 * k];
  };
  map.chains.forEach((c, i) => {
    if (c.closed) return;
    for (const atStart of [true, false]) {
      const key = keyOf(c, atStart);
      const meet = meets.get(key) ?? { ends: [], starts: [] };
      meet.ends.push(located[i]);
      meet.starts.push(atStart);
      meets.set(key, meet);
    }
  });
  const pointAt = (key: number): Point => {
    const meet = meets.get(key)!;
    if (meet.point) return meet.point;
    const x = key % (w + 1);
    const y = (key - x) / (w + 1);
    const [px, py] = meetingPoint([x, y], meet.ends, meet.starts, fit.softPx);
    // What meets the border meets it on the border.
    meet.point = [x === 0 || x === w ? x : px, y === 0 || y === h ? y : py];
    return meet.point;
  };
  return map.chains.map((c, i) => {
    const ends = c.closed ? null : ([pointAt(keyOf(c, true)), pointAt(keyOf(c, false))] as const);
    const stroke = fitChain(
      located[i],
      c.closed,
      ends,
      c.left === BEYOND || c.right === BEYOND ? { ...fit, softPx: 0.5 } : fit,
    );
    onDone((i + 1) / map.chains.length);
    return stroke;
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

  const map = findChains(cells);
  const soft = rampPx(cells, map) > 2.4;
  const fit: FitOptions = {
    tolerancePx: toleranceOf(options.smoothness) * (soft ? 1.6 : 1),
    cornerRad: 0.3,
    softPx: soft ? 2.6 : 1.5,
  };
  progress(0.45);
  const strokes = fitAll(map, cells, fit, soft ? REACH_PX.soft : REACH_PX.crisp, (share) =>
    progress(0.45 + 0.45 * share),
  );

  const inks: Ink[] = [];
  const pieces: Piece[] = [];
  order.forEach((k, r) => {
    const inkId = `ink-${inks.length + 1}`;
    const above = new Uint8Array(256);
    for (const [other, place] of rank) above[other] = place > r ? 1 : 0;
    const contours = contoursOf(map, strokes, cells, k, above, options.stacking === 'stacked')
      .filter((c) => Math.abs(signedArea(flatten(c, 0.25))) >= Math.max(0.6, Math.min(options.speckPx2, 60) * 0.5))
      .map((c) => snapToBorder(c, widthPx, heightPx));
    const made = piecesOf(contours, inkId);
    if (made.length) {
      inks.push({ id: inkId, hex: found[k].hex, name: names[r] });
      for (const piece of made) pieces.push({ id: `piece-${pieces.length + 1}`, ...piece });
    }
    progress(0.9 + (0.1 * (r + 1)) / order.length);
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
