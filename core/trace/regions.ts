import type { Regions } from '../raster';
import { nowherePlain, type Plains } from './plains';

/** Which areas touch which, also at a corner only. */
export function neighboursOf(
  { of, label }: Regions,
  w: number,
  h: number,
  { busy }: Plains = nowherePlain(w, h),
): number[][] {
  const seen = new Set<number>();
  const out: number[][] = Array.from(label, () => []);
  const touch = (p: number, q: number): void => {
    if (p === q) return;
    const key = p < q ? p * label.length + q : q * label.length + p;
    if (seen.has(key)) return;
    seen.add(key);
    out[p].push(q);
    out[q].push(p);
  };
  for (let s = 0; s < busy.length; s += 2) {
    const y = Math.floor(busy[s] / w);
    for (let i = busy[s], x = i - y * w; i < busy[s + 1]; i++, x++) {
      const mine = of[i];
      // Most pixels lie within one area, with their neighbours.
      if (
        x > 0 &&
        x + 1 < w &&
        y + 1 < h &&
        of[i + 1] === mine &&
        of[i + w] === mine &&
        of[i + w - 1] === mine &&
        of[i + w + 1] === mine
      )
        continue;
      if (x + 1 < w) touch(of[i], of[i + 1]);
      if (y + 1 >= h) continue;
      touch(of[i], of[i + w]);
      if (x > 0) touch(of[i], of[i + w - 1]);
      if (x + 1 < w) touch(of[i], of[i + w + 1]);
    }
  }
  return out;
}

/** The pixels at the sides of one, by number, in a picture `w` wide with `n` pixels in all. */
export function sidesOf(i: number, w: number, n: number): number[] {
  const x = i % w;
  const out = i >= w ? [i - w] : [];
  if (x > 0) out.push(i - 1);
  if (x < w - 1) out.push(i + 1);
  if (i + w < n) out.push(i + w);
  return out;
}
