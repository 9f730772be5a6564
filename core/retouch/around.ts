import type { Rgb } from '../colour';
import { stepsFrom, type Cover, type Picture } from '../raster';

/** How far about what is covered the colour around it is looked for, in pixels: beyond the half-covered pixels of what stands there. */
const RIM_PX = [2, 5] as const;

/**
 * The colour that is commonest around what is covered, or null where nothing but the covered lies in the picture. Colours count as one that differ by a few levels, and
 * what they are on the mean is given.
 */
export function colourAround({ widthPx: w, heightPx: h, rgba }: Picture, covered: Cover): Rgb | null {
  const reach = RIM_PX[1];
  const [x0, y0] = [Math.max(0, covered.x0 - reach), Math.max(0, covered.y0 - reach)];
  const [x1, y1] = [
    Math.min(w, covered.x0 + covered.widthPx + reach),
    Math.min(h, covered.y0 + covered.heightPx + reach),
  ];
  const [bw, bh] = [x1 - x0, y1 - y0];
  if (bw <= 0 || bh <= 0) return null;
  const covers = new Uint8Array(bw * bh);
  for (let y = 0; y < covered.heightPx; y++)
    for (let x = 0; x < covered.widthPx; x++)
      covers[(y + covered.y0 - y0) * bw + x + covered.x0 - x0] = Number(covered.share[y * covered.widthPx + x] > 0);
  const away = stepsFrom(covers, bw, bh, reach);
  const heaps = new Map<number, { n: number; sum: [number, number, number] }>();
  for (let k = 0; k < away.length; k++) {
    if (away[k] < RIM_PX[0] || away[k] > reach) continue;
    const i = 4 * ((Math.floor(k / bw) + y0) * w + (k % bw) + x0);
    if (rgba[i + 3] < 128) continue;
    const key = ((rgba[i] >> 3) << 10) | ((rgba[i + 1] >> 3) << 5) | (rgba[i + 2] >> 3);
    const heap = heaps.get(key) ?? { n: 0, sum: [0, 0, 0] };
    heap.n++;
    for (let c = 0; c < 3; c++) heap.sum[c] += rgba[i + c];
    heaps.set(key, heap);
  }
  let best: { n: number; sum: [number, number, number] } | null = null;
  for (const heap of heaps.values()) if (!best || heap.n > best.n) best = heap;
  if (!best) return null;
  const { n, sum } = best;
  return [Math.round(sum[0] / n), Math.round(sum[1] / n), Math.round(sum[2] / n)];
}
