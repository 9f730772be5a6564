/** Which ink lies where in a hole, between the walls that edges make in it. */
import { nearestShare, type Point } from '../../path';
import type { Wall } from './carry';
import type { Hole, Window } from './hole';

/** How far about a hole inks are looked for, in pixels. */
export const RIM_PX = 3;

/** A pixel that is so much of its ink has nothing else in it. */
const PURE = 0.97;

/** Cells across a pixel: four, fewer in holes so large that they would take too much room. */
const finenessOf = (areaPx2: number): number => (areaPx2 <= 1_500_000 ? 4 : areaPx2 <= 6_000_000 ? 2 : 1);

/** Shares of inks in the pixels of a box about a hole. */
export interface Faces {
  /** The box, in pixels of the window. */
  readonly x0: number;
  readonly y0: number;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Cells across a pixel. */
  readonly fineness: number;
  /** The ink of each cell, row by row; NONE where none is known. */
  readonly inks: Uint8Array;
}

export const NONE = 255;

/**
 * Gives every part of a hole its ink: from the pixels at its rim inwards, nearest first, and never through a wall. What lies on a wall goes to the side of
 * it that its middle is on. Without `islands`, what stands alone in a hole gives it nothing of its inks.
 */
export function facesOf(window: Window, holeNumber: number, walls: readonly Wall[], islands = true): Faces {
  const hole: Hole = window.holes[holeNumber];
  const { widthPx: w, heightPx: h } = window.picture;
  const { first, share } = window.apart.cells;
  const [x0, y0] = [Math.max(0, hole.x0 - RIM_PX), Math.max(0, hole.y0 - RIM_PX)];
  const widthPx = Math.min(w, hole.x1 + RIM_PX) - x0;
  const heightPx = Math.min(h, hole.y1 + RIM_PX) - y0;
  const fineness = finenessOf(hole.areaPx2);
  const across = widthPx * fineness;
  const down = heightPx * fineness;
  const inks = new Uint8Array(across * down).fill(NONE);
  /** 1 where a cell lies in the hole or at its rim. */
  const inside = domainOf(window, holeNumber, x0, y0, widthPx, heightPx);
  const open = new Uint8Array(across * down);
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++)
      if (inside[y * widthPx + x])
        for (let v = y * fineness; v < (y + 1) * fineness; v++)
          open.fill(1, v * across + x * fineness, v * across + (x + 1) * fineness);

  const segments: (readonly [Point, Point])[] = [];
  const wallAt = new Int32Array(across * down).fill(-1);
  for (const wall of walls) {
    if (wall.group !== window.groups[holeNumber]) continue;
    const points = wall.points.map(([x, y]): Point => [(x - x0) * fineness, (y - y0) * fineness]);
    for (let k = 1; k < points.length; k++) {
      const number = segments.push([points[k - 1], points[k]]) - 1;
      markLine(points[k - 1], points[k], across, down, (cell) => {
        if (wallAt[cell] < 0) wallAt[cell] = number;
      });
    }
  }

  /** Cells in the order in which they were given an ink. */
  const queue = new Int32Array(across * down);
  /** Spreads inks from the first so many cells of the queue to those beside them that have none. */
  const spread = (count: number): void => {
    let end = count;
    for (let k = 0; k < end; k++) {
      const cell = queue[k];
      const x = cell % across;
      for (let side = 0; side < 4; side++) {
        const to = side === 0 ? cell - 1 : side === 1 ? cell + 1 : side === 2 ? cell - across : cell + across;
        if ((side === 0 && x === 0) || (side === 1 && x + 1 === across) || to < 0 || to >= inks.length) continue;
        if (inks[to] !== NONE || wallAt[to] >= 0 || !open[to]) continue;
        inks[to] = inks[cell];
        queue[end++] = to;
      }
    }
  };
  const crossed = pixelsBy(wallAt, across, widthPx, heightPx, fineness, window.prepared.soft ? 2 : 1);
  /** Cells of the rim's pixels whose ink is known so well. Beside a wall pixels are mixed, also where nothing but one ink is found in what is left of their surroundings. */
  const sources = (least: number): number => {
    let count = 0;
    for (let y = 0; y < heightPx; y++)
      for (let x = 0; x < widthPx; x++) {
        if (inside[y * widthPx + x] !== 2) continue;
        const i = (y + y0) * w + x + x0;
        if (!islands && least > 0 && window.isIsland[i]) continue;
        if (share[i] < least || first[i] === NONE || (least > 0 && crossed[y * widthPx + x])) continue;
        // Where less is known, the pixel's middle alone.
        const [from, to] = least === PURE ? [0, fineness] : [fineness >> 1, (fineness >> 1) + 1];
        for (let v = from; v < to; v++)
          for (let u = from; u < to; u++) {
            const cell = (y * fineness + v) * across + x * fineness + u;
            if (inks[cell] !== NONE || wallAt[cell] >= 0) continue;
            inks[cell] = first[i];
            queue[count++] = cell;
          }
      }
    return count;
  };
  spread(sources(PURE));
  // A stripe so thin that no pixel is of it alone.
  spread(sources(0));
  sideOfWalls(inks, wallAt, segments, across, open);
  let left = 0;
  for (let cell = 0; cell < inks.length; cell++) if (inks[cell] !== NONE) queue[left++] = cell;
  // What walls shut in, without an ink at the rim, goes to what is next to it.
  wallAt.fill(-1);
  spread(left);
  return { x0, y0, widthPx, heightPx, fineness, inks };
}

/** 1 where a wall goes through a pixel, or through one so near. */
function pixelsBy(
  wallAt: Int32Array,
  across: number,
  widthPx: number,
  heightPx: number,
  fineness: number,
  nearPx: number,
): Uint8Array {
  const out = new Uint8Array(widthPx * heightPx);
  for (let cell = 0; cell < wallAt.length; cell++) {
    if (wallAt[cell] < 0) continue;
    const [x, y] = [Math.floor((cell % across) / fineness), Math.floor(cell / across / fineness)];
    for (let v = Math.max(0, y - nearPx); v <= Math.min(heightPx - 1, y + nearPx); v++)
      for (let u = Math.max(0, x - nearPx); u <= Math.min(widthPx - 1, x + nearPx); u++) out[v * widthPx + u] = 1;
  }
  return out;
}

/** 1 in the hole, 2 at its rim, 0 elsewhere. */
function domainOf(
  { holeOf, picture }: Window,
  hole: number,
  x0: number,
  y0: number,
  widthPx: number,
  heightPx: number,
): Uint8Array {
  const out = new Uint8Array(widthPx * heightPx);
  const w = picture.widthPx;
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++) {
      if (holeOf[(y + y0) * w + x + x0] !== hole) continue;
      out[y * widthPx + x] = 1;
      for (let v = Math.max(0, y - RIM_PX); v <= Math.min(heightPx - 1, y + RIM_PX); v++)
        for (let u = Math.max(0, x - RIM_PX); u <= Math.min(widthPx - 1, x + RIM_PX); u++) {
          const k = v * widthPx + u;
          if (out[k] === 0 && holeOf[(v + y0) * w + u + x0] < 0) out[k] = 2;
        }
    }
  return out;
}

/** Marks the cells that a line goes through, so that no step from side to side leads across it. */
function markLine(a: Point, b: Point, across: number, down: number, mark: (cell: number) => void): void {
  const n = Math.max(1, Math.ceil(4 * Math.max(Math.abs(b[0] - a[0]), Math.abs(b[1] - a[1]))));
  let [lastX, lastY] = [NaN, NaN];
  for (let k = 0; k <= n; k++) {
    const x = Math.floor(a[0] + ((b[0] - a[0]) * k) / n);
    const y = Math.floor(a[1] + ((b[1] - a[1]) * k) / n);
    if (x === lastX && y === lastY) continue;
    const at = (u: number, v: number): void => {
      if (u >= 0 && v >= 0 && u < across && v < down) mark(v * across + u);
    };
    at(x, y);
    // Across a corner of cells the wall has to be two thick.
    if (x !== lastX && y !== lastY && !Number.isNaN(lastX)) at(x, lastY);
    [lastX, lastY] = [x, y];
  }
}

/** Gives cells on walls the ink of the side that their middle lies on. */
function sideOfWalls(
  inks: Uint8Array,
  wallAt: Int32Array,
  segments: readonly (readonly [Point, Point])[],
  across: number,
  open: Uint8Array,
): void {
  const down = inks.length / across;
  for (let cell = 0; cell < inks.length; cell++) {
    if (wallAt[cell] < 0 || !open[cell]) continue;
    const x = cell % across;
    const middle: Point = [x + 0.5, (cell - x) / across + 0.5];
    // The segment that was marked, or one beside it, whichever is nearest.
    let [best, nearest] = [segments[wallAt[cell]], Infinity];
    for (let s = Math.max(0, wallAt[cell] - 2); s <= Math.min(segments.length - 1, wallAt[cell] + 2); s++) {
      const [a, b] = segments[s];
      const t = nearestShare(middle, a, b);
      const d = Math.hypot(a[0] + t * (b[0] - a[0]) - middle[0], a[1] + t * (b[1] - a[1]) - middle[1]);
      if (d < nearest) [best, nearest] = [segments[s], d];
    }
    const [a, b] = best;
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const n = Math.hypot(dx, dy) || 1;
    const side = dx * (middle[1] - a[1]) - dy * (middle[0] - a[0]) >= 0 ? 1 : -1;
    for (const far of [1, 1.5, 2, 3, 4]) {
      const u = Math.floor(middle[0] - (side * far * dy) / n);
      const v = Math.floor(middle[1] + (side * far * dx) / n);
      if (u < 0 || v < 0 || u >= across || v >= down) break;
      const to = v * across + u;
      if (wallAt[to] >= 0 || inks[to] === NONE) continue;
      inks[cell] = inks[to];
      break;
    }
  }
}
