import { distanceTo, type Picture } from '../raster';
import { bodiesOf } from './bodies';
import { outlinesAt, type Rings } from './field';
import { filledUp, hatchingOf, type Hatching } from './hatch';
import { boxed, boxesOf, labelled, sheetOf, type Box, type Sheet } from './paper';

/** What a sketch was found to show; rings are in pixels of the picture it came from. */
export interface CleanedSketch {
  /** The figure's outline, closed, holes filled; empty where the lines go round nothing. */
  readonly outline: Rings;
  /** The areas that the sketch's own lines divide it into, largest first, each with the share 0..1 of it that is hatched. */
  readonly areas: readonly { readonly rings: Rings; readonly hatched: number }[];
  /** Hatched places that are only a part of their area. */
  readonly shade: Rings;
  /** The lines within. */
  readonly lines: Rings;
  /** The lines outside that go round nothing: a stem, a handle, rays. */
  readonly loose: Rings;
}

/** Share of an area that is hatched from which on all of it was meant. */
export const WHOLLY = 0.66;
/** How far strokes of a hatching lie apart, at most: as a share of the drawing's extent, and in times their weight. */
const [APART, SPACED] = [0.075, 6.5];
/** Share of what is hatched of an area that strokes within it are, at least. */
const OWN = 0.1;
/** Share of the outline's darkness from which on ink is a line; below which most of the hatching lies where it is lighter. */
const [LINE, FAINT] = [0.72, 0.8];

/** Which pixels belong to the figure: not the edge of the paper or of the desk, which encloses long thin strips near the picture's border. */
function figureOf(mask: Uint8Array, { w, h, whole, from }: Sheet): { body: Uint8Array; largest: number } {
  const bodies = labelled((i) => mask[i] === 1, w, h);
  const largest = Math.max(0, ...bodies.sizes);
  const extent = boxesOf(bodies.label, bodies.sizes.length, w);
  const side = Math.max(whole.w, whole.h);
  const margin = 0.14 * side;
  const counts = bodies.sizes.map((area, id) => {
    if (!id || area < 0.02 * largest) return false;
    if (area === largest) return true;
    const { x0, y0, x1, y1 } = extent[id];
    const length = Math.hypot(x1 - x0, y1 - y0);
    const strip = area / length ** 2 < 0.06 && length > 0.2 * side;
    const [left, top] = [x0 + from.x, y0 + from.y];
    const [right, bottom] = [x1 + from.x, y1 + from.y];
    const outer = right < margin || bottom < margin || left > whole.w - margin || top > whole.h - margin;
    return !(strip && outer) && area >= (outer ? 0.07 : 0.02) * largest;
  });
  return { body: mask.map((_, i) => (counts[bodies.label[i]] ? 1 : 0)), largest: largest < 60 ? 0 : largest };
}

/** How dark most of the ink is in some places, 0..1. */
function strongOf({ ink, depth }: Pick<Sheet, 'ink' | 'depth'>, where: (i: number) => boolean): number {
  const depths = [...depth.filter((_, i) => ink[i] === 1 && where(i))].sort((p, q) => p - q);
  return depths[Math.floor(depths.length * 0.55)] ?? 0.2;
}

/** The hatching within a figure, and the ink without it and without the stubs that it leaves. */
function withoutHatching(sheet: Sheet, body: Uint8Array): { hatching: Hatching; ink: Uint8Array } {
  const { w, h, ink, weight } = sheet;
  const toEdge = distanceTo((i) => !body[i], w, h, 2 * weight);
  const { x0, y0, x1, y1 } = boxesOf(Int32Array.from(body), 2, w)[1];
  const isInner = (i: number): boolean => toEdge[i] > 1.6 * weight;
  // A few lines within are not hatching.
  const inked = ink.reduce((sum, on, i) => sum + (on && isInner(i) ? 1 : 0), 0);
  if (inked < 60 * weight)
    return { hatching: { strokes: new Uint8Array(w * h), places: new Uint8Array(w * h), gap: 0 }, ink };
  const hatching = hatchingOf(
    (i) => ink[i] === 1,
    isInner,
    w,
    h,
    weight,
    Math.min(APART * Math.max(x1 - x0, y1 - y0), SPACED * weight),
  );
  if (!hatching.strokes.includes(1)) return { hatching, ink };
  // Where it is lighter than the outline, what is as dark as that is none of it.
  const strong = strongOf(sheet, (i) => toEdge[i] > 0 && toEdge[i] < 1.2 * weight);
  const usual = strongOf(sheet, (i) => hatching.strokes[i] === 1);
  const isLight = usual < FAINT * strong;
  const isStroke = (i: number): boolean =>
    hatching.strokes[i] === 1 && (!isLight || sheet.depth[i] < (usual + strong) / 2);
  const toPlace = distanceTo((i) => hatching.places[i] === 1, w, h, 2 * weight);
  const left = labelled((i) => ink[i] === 1 && !isStroke(i) && isInner(i), w, h);
  const isStub = (i: number): boolean => left.label[i] > 0 && !isLight && toPlace[i] < 2 * weight && left.sizes[left.label[i]] < 8 * weight * weight; // prettier-ignore
  return { hatching, ink: ink.map((on, i) => (on && !isStroke(i) && !isStub(i) ? 1 : 0)) };
}

/**
 * Finds the figure of a photographed sketch: divides out uneven light, tells lines from paper and its texture and from hatching, closes gaps in the outline, and gives the
 * figure's closed outline, the areas its lines divide it into, and the lines that go round nothing. Null when there are no lines.
 */
export function cleanSketch(picture: Picture): CleanedSketch | null {
  const sheet = sheetOf(picture);
  if (!sheet) return null;
  const { w, h, whole, from, depth, weight, least } = sheet;
  const back = picture.widthPx / whole.w;
  const bodiesIn = (ink: Uint8Array): ReturnType<typeof figureOf> => figureOf(bodiesOf((i) => ink[i] === 1, w, h, weight), sheet); // prettier-ignore
  const first = bodiesIn(sheet.ink);
  const { hatching, ink } = withoutHatching(sheet, first.body);
  const second = ink === sheet.ink ? first : bodiesIn(ink);
  // Where the hatching held the figure together it is as it was with it.
  const { body, largest } = second.largest > 0.8 * first.largest ? second : first;
  const isBody = (i: number): boolean => body[i] === 1;
  const isInk = (i: number): boolean => ink[i] === 1;

  /** Outlines of where something holds, looked for in a box of the sheet. */
  const ringsOf = (
    on: (i: number) => boolean,
    blur: number,
    box: Box = { x0: 0, y0: 0, x1: w - 1, y1: h - 1 },
  ): Rings => {
    const [width, height] = [box.x1 - box.x0 + 1, box.y1 - box.y0 + 1];
    const shown = new Float32Array(width * height);
    for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) if (on((y + box.y0) * w + x + box.x0)) shown[y * width + x] = 1; // prettier-ignore
    const field = boxed(boxed(shown, width, height, blur), width, height, blur);
    return outlinesAt(field, width, height, 0.5).map((ring) => ring.map((v, k) => (v + (k % 2 ? box.y0 + from.y : box.x0 + from.x)) * back)); // prettier-ignore
  };
  const outline = ringsOf(isBody, 1);
  const toEdge = distanceTo((i) => !isBody(i), w, h, 2 * weight);
  // Lines of the drawing are as dark as the outline; what is lighter or thinner only says that an area is dark.
  const strong = LINE * strongOf({ ink, depth }, (i) => !largest || (toEdge[i] < weight * 1.2 && toEdge[i] > 0));
  const drawn = labelled((i) => isInk(i) && depth[i] > strong, w, h);
  const isLine = (i: number): boolean => drawn.label[i] > 0 && drawn.sizes[drawn.label[i]] >= least * 1.5;
  const gap = Math.max(1.1, weight * 0.3);
  const toLine = distanceTo(isLine, w, h, gap + 1);
  const inner = labelled((i) => isBody(i) && toLine[i] > gap, w, h);
  const hatched = filledUp(hatching, (i) => !isBody(i) || toLine[i] <= gap, w, h);
  const order = inner.sizes
    .map((size, id) => [size, id] as const)
    .slice(1)
    .filter(([size]) => size > Math.max(16, 0.0016 * largest))
    .sort((p, q) => q[0] - p[0]);
  const shares = inner.sizes.map(() => [0, 0, 0]);
  for (let i = 0; i < w * h; i++) {
    const share = shares[inner.label[i]];
    if (hatched[i]) share[0]++;
    if (isInk(i)) share[1]++;
    if (hatching.strokes[i]) share[2]++;
  }
  // A small area between hatched ones has no strokes of its own.
  const isHatched = (i: number): boolean => hatched[i] === 1 && shares[inner.label[i]][2] > OWN * shares[inner.label[i]][0]; // prettier-ignore
  const hatchedOf = (id: number): number => {
    const [filled, inked, strokes] = shares[id].map((n) => n / inner.sizes[id]);
    // Strokes too fine to be told apart are a grey of their own.
    return inked > 0.2 ? 1 : strokes > OWN * filled ? filled : 0;
  };
  const boxes = boxesOf(inner.label, inner.sizes.length, w);
  const areas = order.slice(0, 24).map(([, id]) => {
    // To the lines about it and a little under them.
    const reach = Math.floor(gap + 0.6);
    const isNear = (i: number): boolean => {
      for (let dy = -reach; dy <= reach; dy++)
        for (let dx = -reach; dx <= reach; dx++)
          if (Math.hypot(dx, dy) < gap + 0.6 && inner.label[i + dy * w + dx] === id) return true;
      return false;
    };
    const box = boxes[id];
    const wide = { x0: Math.max(0, box.x0 - 6), y0: Math.max(0, box.y0 - 6), x1: Math.min(w - 1, box.x1 + 6), y1: Math.min(h - 1, box.y1 + 6) }; // prettier-ignore
    return { rings: ringsOf((i) => isBody(i) && isNear(i), 1, wide), hatched: hatchedOf(id) };
  });
  const partly = inner.sizes.map((_, id) => id > 0 && hatchedOf(id) <= WHOLLY);
  const shade = ringsOf((i) => isHatched(i) && partly[inner.label[i]], 2);
  const lines = ringsOf((i) => isLine(i) && toEdge[i] > weight * 1.1, 0);
  return { outline, areas, shade, lines, loose: looseLines() };

  /** Lines outside the figure, but the edges of the paper and of the desk. */
  function looseLines(): Rings {
    const toBody = distanceTo(isBody, w, h, weight);
    const each = labelled((i) => isLine(i) && (!largest || toBody[i] > 0.8 * weight), w, h);
    const margin = 0.03 * Math.max(whole.w, whole.h);
    const isOuter = each.sizes.map(() => false);
    for (let i = 0; i < w * h; i++) {
      const [x, y] = [(i % w) + from.x, Math.floor(i / w) + from.y];
      if (x < margin || y < margin || x > whole.w - margin || y > whole.h - margin) isOuter[each.label[i]] = true;
    }
    return ringsOf((i) => each.label[i] > 0 && !isOuter[each.label[i]], 0);
  }
}
