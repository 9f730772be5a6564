/** Which inks of an artwork touch one another, and the ground. */
import { evenOddFine, flatten, mapContour, scaleAndMove } from '../path';
import { cover } from '../raster';
import type { Artwork } from './artwork';
import { drawnShapes, type DrawnShape } from './outlines';

/** Inks as they are seen, by their number in the artwork's list. */
export interface Touching {
  /** Pairs of inks whose areas touch along more than a point, the lower number first. */
  readonly pairs: readonly (readonly [number, number])[];
  /** Of each ink, whether it touches the ground. */
  readonly touchesGround: readonly boolean[];
  /** All contacts, those of inks with the ground too, each with how many cells lie side by side; those of a corner alone are left out. */
  readonly contacts: readonly { readonly a: number; readonly b: number; readonly cells: number }[];
  /** Of each ink, its share 0..1 of what is not ground. */
  readonly shares: readonly number[];
}

/** The longer side of the grid on which that is seen, in cells. */
const CELLS = 360;
/** Areas touch where this share of the grid's longer side has them side by side: less is a corner. */
const TOUCH_SHARE = 0.008;
/** The ground in a grid of inks. */
export const GROUND = -1;

/** A grid of what is seen: for each cell a number, that of the ground where there is nothing; row by row. */
export interface SeenGrid {
  readonly cells: Int16Array;
  readonly width: number;
  readonly height: number;
}

/** How far flattened outlines stray, in cells. */
const FLAT_CELLS = 0.25;

/** Numbers of shapes as they are seen: for each cell that of the topmost one that has most of it. There are fewer than 32,768 shapes, or the rest is not seen. */
export function seenGrid(
  { widthPx, heightPx }: Pick<Artwork, 'widthPx' | 'heightPx'>,
  shapes: readonly DrawnShape[],
  numberOf: (shape: DrawnShape, k: number) => number,
  longerSide = CELLS,
): SeenGrid {
  const scale = longerSide / Math.max(widthPx, heightPx);
  const [width, height] = [widthPx, heightPx].map((v) => Math.max(1, Math.round(v * scale)));
  const cells = new Int16Array(width * height).fill(GROUND);
  const map = scaleAndMove(scale, 0, 0);
  shapes.slice(0, 32_767).forEach((shape, k) => {
    const outlines = shape.contours.map((c) => flatten(mapContour(map, c), FLAT_CELLS));
    const covered = cover(shape.rule === 'evenodd' ? evenOddFine(outlines) : outlines, width, height);
    if (!covered) return;
    const number = numberOf(shape, k);
    for (let y = 0; y < covered.heightPx; y++)
      for (let x = 0; x < covered.widthPx; x++)
        if (covered.share[y * covered.widthPx + x] > 0.5) cells[(y + covered.y0) * width + x + covered.x0] = number;
  });
  return { cells, width, height };
}

/** The same with the numbers of inks in the artwork's list. */
export function inkGrid(artwork: Artwork, longerSide = CELLS): SeenGrid {
  const numbers = new Map(artwork.inks.map((i, k) => [i.id, k]));
  return seenGrid(artwork, drawnShapes(artwork), (s) => numbers.get(s.inkId)!, longerSide);
}

/** Visits all pairs of cells side by side that have not the same. */
export function eachBorder({ cells, width, height }: SeenGrid, visit: (i: number, j: number) => void): void {
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const i = row * width + column;
      if (column + 1 < width && cells[i] !== cells[i + 1]) visit(i, i + 1);
      if (row + 1 < height && cells[i] !== cells[i + width]) visit(i, i + width);
    }
}

/** Which inks touch, from what is seen. The sheet's border touches nothing. */
export function touchingOf(artwork: Artwork): Touching {
  const seen = inkGrid(artwork);
  const { cells, width, height } = seen;
  const n = artwork.inks.length;
  const least = Math.max(2, Math.round(TOUCH_SHARE * Math.max(width, height)));
  const areas = new Float64Array(n);
  for (const ink of cells) if (ink !== GROUND) areas[ink]++;
  const beside = new Map<number, number>();
  eachBorder(seen, (i, j) => {
    const [a, b] = cells[i] < cells[j] ? [cells[i], cells[j]] : [cells[j], cells[i]];
    const key = (a + 1) * (n + 1) + b + 1;
    beside.set(key, (beside.get(key) ?? 0) + 1);
  });
  const contacts = [...beside]
    .filter(([, count]) => count >= least)
    .map(([key, count]) => ({ a: Math.floor(key / (n + 1)) - 1, b: (key % (n + 1)) - 1, cells: count }))
    .sort((p, q) => p.a - q.a || p.b - q.b);
  const all = areas.reduce((sum, x) => sum + x, 0) || 1;
  return {
    pairs: contacts.filter((c) => c.a !== GROUND).map(({ a, b }) => [a, b] as const),
    touchesGround: artwork.inks.map((_, k) => contacts.some((c) => c.a === GROUND && c.b === k)),
    contacts,
    shares: [...areas].map((x) => x / all),
  };
}
