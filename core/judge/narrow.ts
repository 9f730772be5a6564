/** Where a figure, or the ground within it, is narrower than it may be. */
import { distanceTo, findRegions, type Picture } from '../raster';
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
  const isNarrow = Uint8Array.from(depth, (_, i) => (holds(i) && within[i] > radius + 0.75 ? 1 : 0));
  const { of, label, sizePx2 } = findRegions(isNarrow, w, h);
  const deepest = new Float32Array(label.length);
  const boxes = Array.from(label, () => [w, h, 0, 0]);
  for (let i = 0; i < of.length; i++) {
    if (!isNarrow[i]) continue;
    const [x, y] = [i % w, Math.floor(i / w)];
    const [x0, y0, x1, y1] = boxes[of[i]];
    boxes[of[i]] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)];
    deepest[of[i]] = Math.max(deepest[of[i]], depth[i]);
  }
  const out = boxes.flatMap(([x0, y0, x1, y1], k): NarrowPlace[] => {
    const widthPx = Math.max(1, 2 * deepest[k] - 1);
    // A strip is as long as its area by its width.
    const isLong = label[k] === 1 && sizePx2[k] / widthPx >= LONGER * Math.max(widthPx, leastPx / 2);
    return isLong ? [{ x: x0, y: y0, width: x1 - x0 + 1, height: y1 - y0 + 1, widthPx }] : [];
  });
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
