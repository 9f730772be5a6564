/** Fruit that somebody has bitten, or cut in two. */
import { boundsOf, disc } from './area';
import { outlineOf, silhouetteOf, without, type Figure } from './figure';
import { areaFrom, grown, moved, parsePath, roomIn, sizeOf, turnAbout, union, type Area } from '../path';

/** A figure with a bite taken out of its right side, as three teeth leave it. */
export function bitten(figure: Figure): Figure {
  const b = boundsOf(outlineOf(figure));
  const r = 0.13 * Math.min(b.width, b.height);
  const marks = [-0.85, 0, 0.85].map((k) => disc(b.x + b.width - (k ? 0.1 : 0.5) * r, b.y + 0.42 * b.height + 1.3 * k * r, 1.15 * r, 40)); // prettier-ignore
  return without(figure, union(...marks));
}

/** A word for what has been cut through. */
export const CUT = /^(?:half|halved|cut|sliced|split)$/;
export const CITRUS = /^(?:lemon|lime|orange|grapefruit|mandarin|tangerine)$/;
const SEEDED = /^(?:apple|pear|tomato|melon|pumpkin|quince|fig)$/;
const STONED = /^(?:peach|plum|mango|cherry|apricot|nectarine|olive|date)$/;

/** A seed, its tip up. */
const seed = (x: number, y: number, size: number, rad: number): Area =>
  moved(
    moved(areaFrom(parsePath('M0 -1C0.5 -0.4 0.7 0.1 0.6 0.5C0.5 0.9 -0.5 0.9 -0.6 0.5C-0.7 0.1 -0.5 -0.4 0 -1Z')), [size, 0, 0, size, x, y]),
    turnAbout([x, y], rad),
  ); // prettier-ignore

/** The cut side of a fruit: its skin as a rim, light flesh, and two seeds or a stone in the middle; what has neither stays as it is. */
export function halved(figure: Figure): Figure {
  const isStoned = STONED.test(figure.name);
  if (!isStoned && !SEEDED.test(figure.name)) return figure;
  const hull = silhouetteOf(figure);
  // A stem and a leaf stay on it.
  const body = grown(grown(hull, -4), 4);
  const flesh = grown(body, -3.6);
  const room = roomIn(flesh);
  if (!room || sizeOf(flesh) < 0.4 * sizeOf(hull)) return figure;
  const { x, y, r } = room;
  const inner = isStoned
    ? disc(x, y, 0.42 * r, 60)
    : union(seed(x - 0.26 * r, y, 0.34 * r, 0.24), seed(x + 0.26 * r, y, 0.34 * r, -0.24));
  // prettier-ignore
  return { ...figure, tones: [0.42, 0.97, 0.25], parts: [{ tone: 0, area: hull }, { tone: 1, area: flesh }, { tone: 2, area: inner }], isBuilt: true };
}
