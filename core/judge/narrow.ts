/** Where a figure, or the ground within it, is narrower than it may be. */
import { distanceTo, type Picture } from '../raster';
import type { Box } from '../path';

export interface NarrowPlace extends Box {
  /** How wide it is there at its narrowest, in px of the picture. */
  readonly widthPx: number;
}

/** What covers a pixel by so much may be a part, what covers it by less than so much a gap, of 255: lines finer than a pixel are seen too. */
const SEEN = { part: 48, gap: 208 };
/** A narrow place is so many times longer than it is wide: less are corners, which are narrow in any drawing. */
const LONGER = 2.5;

/**
 * Places where what `holds` is narrower than `leastPx`, the narrowest first. What is left out by opening with a disc (Serra 1982) is narrow; corners are left out by
 * how long they are. Sizes in px of the grid.
 */
function narrowWhere(holds: (i: number) => boolean, w: number, h: number, leastPx: number): NarrowPlace[] {
  const depth = distanceTo((i) => !holds(i), w, h);
  const radius = leastPx / 2;
  const within = distanceTo((i) => depth[i] >= radius, w, h);
  const isNarrow = new Uint8Array(w * h);
  for (let i = 0; i < isNarrow.length; i++) if (holds(i) && within[i] > radius + 0.75) isNarrow[i] = 1;
  const out: NarrowPlace[] = [];
  const stack: number[] = [];
  for (let from = 0; from < isNarrow.length; from++) {
    if (isNarrow[from] !== 1) continue;
    isNarrow[from] = 2;
    stack.push(from);
    let [count, deepest] = [0, 0];
    let [x0, y0, x1, y1] = [w, h, 0, 0];
    while (stack.length) {
      const i = stack.pop()!;
      const [x, y] = [i % w, (i - (i % w)) / w];
      count++;
      deepest = Math.max(deepest, depth[i]);
      [x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)];
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const [nx, ny] = [x + dx, y + dy];
          const n = ny * w + nx;
          if (nx < 0 || ny < 0 || nx >= w || ny >= h || isNarrow[n] !== 1) continue;
          isNarrow[n] = 2;
          stack.push(n);
        }
    }
    const widthPx = Math.max(1, 2 * deepest - 1);
    // A strip is as long as its area by its width.
    if (count / widthPx >= LONGER * Math.max(widthPx, leastPx / 2))
      out.push({ x: x0, y: y0, width: x1 - x0 + 1, height: y1 - y0 + 1, widthPx });
  }
  return out.sort((a, b) => a.widthPx - b.widthPx);
}

/** Parts of a figure that are narrower than `leastPx`, and gaps in it that are; both in px of the picture, which is best some ten times finer than that. */
export function narrowPlaces(
  { widthPx: w, heightPx: h, rgba }: Picture,
  leastPx: number,
): { parts: NarrowPlace[]; gaps: NarrowPlace[] } {
  return {
    parts: narrowWhere((i) => rgba[4 * i + 3] >= SEEN.part, w, h, leastPx),
    gaps: narrowWhere((i) => rgba[4 * i + 3] < SEEN.gap, w, h, leastPx),
  };
}
