/** Which inks of an artwork touch one another, and the ground. */
import { boxOfRuns, flatten, mapContour, widened } from '../path';
import { placedNodes, type Artwork } from './artwork';

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

/** A grid of what is seen: for each cell the number of the topmost ink at its middle, or the ground; row by row. */
export function inkGrid(artwork: Artwork, cells = CELLS): { grid: Int16Array; width: number; height: number } {
  const scale = cells / Math.max(artwork.widthPx, artwork.heightPx);
  const width = Math.max(1, Math.round(artwork.widthPx * scale));
  const height = Math.max(1, Math.round(artwork.heightPx * scale));
  const grid = new Int16Array(width * height).fill(GROUND);
  const numbers = new Map(artwork.inks.map((i, k) => [i.id, k]));
  for (const { node, within, map } of placedNodes(artwork.nodes)) {
    if (node.kind !== 'piece' || [...within, node].some((n) => n.hidden)) continue;
    if (node.inkId !== null && node.contours.length)
      fill(grid, width, height, node.contours.map((c) => flatten(mapContour(map, c), 0.25 / scale)), node.rule === 'evenodd', scale, numbers.get(node.inkId)!); // prettier-ignore
    if (node.stroke && node.stroke.widthPx > 0) {
      const sides = widened(node.contours, node.stroke).map((c) => flatten(mapContour(map, c), 0.25 / scale));
      fill(grid, width, height, sides, false, scale, numbers.get(node.stroke.inkId)!);
    }
  }
  return { grid, width, height };
}

/** Gives the cells whose middle lies within rings a number. */
function fill(
  grid: Int16Array,
  width: number,
  height: number,
  rings: readonly number[][],
  evenOdd: boolean,
  scale: number,
  ink: number,
): void {
  // prettier-ignore
  const box = boxOfRuns(rings);
  if (!box) return;
  const first = Math.max(0, Math.ceil(box.y * scale - 0.5));
  const last = Math.min(height - 1, Math.floor((box.y + box.height) * scale - 0.5));
  for (let row = first; row <= last; row++) {
    const y = (row + 0.5) / scale;
    const crossings: { x: number; turn: number }[] = [];
    for (const ring of rings)
      for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
        const [y0, y1] = [ring[j + 1], ring[i + 1]];
        if (y0 <= y === y1 <= y) continue;
        crossings.push({ x: ring[j] + ((y - y0) / (y1 - y0)) * (ring[i] - ring[j]), turn: y1 > y0 ? 1 : -1 });
      }
    crossings.sort((p, q) => p.x - q.x);
    let winding = 0;
    for (let k = 0; k + 1 < crossings.length; k++) {
      winding += evenOdd ? 1 : crossings[k].turn;
      if (evenOdd ? winding % 2 === 0 : winding === 0) continue;
      const from = Math.max(0, Math.ceil(crossings[k].x * scale - 0.5));
      const to = Math.min(width - 1, Math.ceil(crossings[k + 1].x * scale - 0.5) - 1);
      if (to >= from) grid.fill(ink, row * width + from, row * width + to + 1);
    }
  }
}

/** Which inks touch, from what is seen. The sheet's border touches nothing. */
export function touchingOf(artwork: Artwork): Touching {
  const { grid, width, height } = inkGrid(artwork);
  const n = artwork.inks.length;
  const least = Math.max(2, Math.round(TOUCH_SHARE * Math.max(width, height)));
  const beside = new Map<number, number>();
  const areas = new Float64Array(n);
  const hear = (p: number, q: number): void => {
    if (p === q) return;
    const [a, b] = p < q ? [p, q] : [q, p];
    const key = (a + 1) * (n + 1) + b + 1;
    beside.set(key, (beside.get(key) ?? 0) + 1);
  };
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const own = grid[row * width + column];
      if (own >= 0) areas[own]++;
      if (column + 1 < width) hear(own, grid[row * width + column + 1]);
      if (row + 1 < height) hear(own, grid[(row + 1) * width + column]);
    }
  const pairs: [number, number][] = [];
  const contacts: { a: number; b: number; cells: number }[] = [];
  const touchesGround = artwork.inks.map(() => false);
  for (const [key, count] of beside) {
    if (count < least) continue;
    const [a, b] = [Math.floor(key / (n + 1)) - 1, (key % (n + 1)) - 1];
    contacts.push({ a, b, cells: count });
    if (a === GROUND) touchesGround[b] = true;
    else pairs.push([a, b]);
  }
  const all = areas.reduce((sum, x) => sum + x, 0) || 1;
  return {
    pairs: pairs.sort((p, q) => p[0] - q[0] || p[1] - q[1]),
    touchesGround,
    contacts,
    shares: [...areas].map((x) => x / all),
  };
}
