import { hexToOklab, mix, oklabDistance } from '../colour';
import { shrinkToFit, type Picture } from '../raster';
import { between, looksLikeSketch, overlapOf } from '../sketch';
import { trace } from '../trace';
import { allPieces } from '../vector';
import { boundsOf } from './area';
import { intersect, evenOdd, moved, sizeOf, smoothed, sparse, union, areaFrom, type Area } from '../path';
import { silhouetteOf, type Figure, type Part } from './figure';
import { figureOfSketch } from './sketched';

/** What a picture given with a prompt was found to show, in a field of 100 x 100 that holds the whole picture. */
export interface Reference {
  readonly kind: 'sketch' | 'picture';
  /** Closed, holes filled. */
  readonly outline: Area;
  readonly figure: Figure;
  /** Colours of a finished picture, the one most seen first; none of a sketch. */
  readonly hexes: readonly string[];
}

/** The picture cannot serve as a reference; the message says why. */
export class ReferenceError extends Error {}

const WORK_SIDE = 420;

/** The map from a picture's pixels to a field of 100 x 100 that the picture lies in the middle of. */
const fieldMap = (w: number, h: number): readonly [number, number, number, number, number, number] => {
  const k = 100 / Math.max(w, h);
  return [k, 0, 0, k, 50 - (k * w) / 2, 50 - (k * h) / 2];
};

const calmed = (area: Area): Area => smoothed(sparse(area, 0.32), 2);

function fromSketch(picture: Picture): Reference {
  const figure = figureOfSketch(picture, fieldMap(picture.widthPx, picture.heightPx));
  if (!figure) throw new ReferenceError('No figure was found in the reference: it needs dark lines');
  return { kind: 'sketch', outline: silhouetteOf(figure), figure, hexes: [] };
}

function fromPicture(picture: Picture): Reference {
  const small = shrinkToFit(picture, WORK_SIDE);
  const { artwork } = trace(small, {
    colours: 'auto',
    ground: 'drop',
    stacking: 'stacked',
    speckPx2: 16,
    smoothness: 42,
  });
  const map = fieldMap(small.widthPx, small.heightPx);
  const hexes = artwork.inks.map((i) => i.hex);
  const raw: Part[] = allPieces(artwork).map((p) => ({
    tone: artwork.inks.findIndex((i) => i.id === p.inkId),
    area: moved(areaFrom(p.contours, 0.08), map),
  }));
  if (!raw.length) throw new ReferenceError('No figure was found in the reference: it is of one colour');
  const seen = hexes.map((_, t) => raw.filter((p) => p.tone === t).reduce((s, p) => s + sizeOf(p.area), 0));
  const order = hexes.map((_, t) => t).sort((p, q) => seen[q] - seen[p]);
  const parts = raw.map((p) => ({ ...p, tone: order.indexOf(p.tone) }));
  const figure: Figure = { name: 'picture', tones: order.map((t) => hexToOklab(hexes[t]).L), parts };
  const outline = silhouetteOf(figure);
  const frame = (1e4 * Math.min(small.widthPx, small.heightPx)) / Math.max(small.widthPx, small.heightPx);
  if (hexes.length < 2 && sizeOf(outline) > 0.97 * frame)
    throw new ReferenceError('No figure was found in the reference: it is of one colour');
  return { kind: 'picture', outline, figure, hexes: order.map((t) => hexes[t]) };
}

/** Reads a picture given with a prompt: a sketch by its lines, a finished picture by its areas. Throws a ReferenceError. */
export function readReference(picture: Picture): Reference {
  if (picture.widthPx < 16 || picture.heightPx < 16)
    throw new ReferenceError('The reference is too small: it needs 16 px or more a side');
  return looksLikeSketch(picture) ? fromSketch(picture) : fromPicture(picture);
}

/** Moves and scales an area from one box into another. */
function intoBox(area: Area, from: Area, to: Area): Area {
  const [p, q] = [boundsOf(from), boundsOf(to)];
  const [sx, sy] = [q.width / Math.max(1e-6, p.width), q.height / Math.max(1e-6, p.height)];
  return moved(area, [sx, 0, 0, sy, q.x - sx * p.x, q.y - sy * p.y]);
}

/**
 * The figure between a drawn one and a reference's: its outline is that share of the way from one to the other, and the parts
 * within are of whichever is nearer. `share` 0 is the drawn figure, 1 the reference's.
 */
export function blendFigures(drawn: Figure, target: Figure, share: number): Figure {
  if (share <= 0.02) return drawn;
  const to = silhouetteOf(target);
  if (share >= 0.995) return target;
  const from = intoBox(silhouetteOf(drawn), silhouetteOf(drawn), to);
  const outline = union(calmed(evenOdd(between(from, to, share))));
  const [source, base] = share < 0.5 ? [drawn, silhouetteOf(drawn)] : [target, to];
  const hull: Part = { tone: source.parts[0]?.tone ?? 0, area: outline };
  const inner = source.parts
    .map((p) => ({ tone: p.tone, area: intersect(intoBox(p.area, base, outline), outline) }))
    .filter((p) => sizeOf(p.area) > 0.3 && sizeOf(p.area) < 0.93 * sizeOf(outline));
  return { name: drawn.name, tones: source.tones, parts: [hull, ...inner] };
}

/** Two figures mixed with a balance 0..1, and their palettes with it. */
export function crossFigures(
  first: Reference,
  second: Reference,
  balance: number,
): { figure: Figure; hexes: string[] } {
  const figure = blendFigures(
    first.figure,
    {
      ...second.figure,
      parts: second.figure.parts.map((p) => ({ ...p, area: intoBox(p.area, second.outline, first.outline) })),
    },
    balance,
  );
  const [a, b] = [first.hexes, second.hexes];
  const n = Math.max(a.length, b.length);
  const hexes: string[] = [];
  for (let i = 0; i < n; i++) {
    const [p, q] = [a[i] ?? b[i], b[i] ?? a[i]];
    const hex = mix(p, q, balance);
    if (!hexes.some((h) => oklabDistance(hexToOklab(h), hexToOklab(hex)) < 0.05)) hexes.push(hex);
  }
  return { figure, hexes: hexes.slice(0, 5) };
}

/** How much of a reference's figure is left in another: intersection over union of their outlines. */
export const shareKept = (reference: Area, figure: Figure): number => overlapOf(reference, silhouetteOf(figure));
