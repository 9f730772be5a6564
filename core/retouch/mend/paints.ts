/** The colours of inks about holes, as they are there: flat, or changing evenly. */
import { solved } from '../../fit';
import type { Rgb } from '../../colour';
import { NOTHING } from '../../trace';
import type { Faces } from './faces';
import type { Window } from './hole';

/** The colour of an ink at a place of the window. */
export type Paint = (x: number, y: number) => Rgb;

/** How far around a hole colours are taken from, in pixels: enough of them near by, or more from further off. */
const NEAR_PX = [10, 26, 70];
const ENOUGH = 120;

/** What is left of a colour's changes beyond noise is none, in levels. */
const FLAT_LEVELS = 0.6;

/** Pixels whose neighbours are all of one ink. */
export function pureOf({ apart: { cells }, picture: { widthPx: w, heightPx: h } }: Window): Uint8Array {
  const { first, share } = cells;
  const out = new Uint8Array(first.length);
  for (let y = 1; y + 1 < h; y++)
    for (let x = 1, i = y * w + 1; x + 1 < w; x++, i++) {
      const ink = first[i];
      if (ink === NOTHING || share[i] < 0.97) continue;
      out[i] = Number(
        first[i - 1] === ink &&
          first[i + 1] === ink &&
          first[i - w] === ink &&
          first[i + w] === ink &&
          first[i - w - 1] === ink &&
          first[i - w + 1] === ink &&
          first[i + w - 1] === ink &&
          first[i + w + 1] === ink,
      );
    }
  return out;
}

interface Sample {
  readonly x: number;
  readonly y: number;
  readonly i: number;
}

/** The paint of an ink about a box: as even as the pixels near by are. */
export function paintOf(window: Window, pure: Uint8Array, ink: number, box: Omit<Faces, 'inks' | 'fineness'>): Paint {
  const { picture, apart } = window;
  const { widthPx: w, heightPx: h, rgba } = picture;
  let samples: Sample[] = [];
  for (const near of NEAR_PX) {
    samples = [];
    const [x0, y0] = [Math.max(0, box.x0 - near), Math.max(0, box.y0 - near)];
    const [x1, y1] = [Math.min(w, box.x0 + box.widthPx + near), Math.min(h, box.y0 + box.heightPx + near)];
    const step = Math.max(1, Math.floor(Math.sqrt(((x1 - x0) * (y1 - y0)) / 40_000)));
    for (let y = y0; y < y1; y += step)
      for (let x = x0; x < x1; x += step) {
        const i = y * w + x;
        if (pure[i] && apart.cells.first[i] === ink) samples.push({ x: x + 0.5, y: y + 0.5, i });
      }
    if (samples.length >= ENOUGH) break;
  }
  const known = apart.inks[ink];
  if (samples.length < 8) return () => known.rgb;
  const mean = [0, 1, 2].map((c) => samples.reduce((sum, s) => sum + rgba[4 * s.i + c], 0) / samples.length);
  const spread = (paint: Paint): number => {
    let sum = 0;
    for (const s of samples) {
      const rgb = paint(s.x, s.y);
      for (let c = 0; c < 3; c++) sum += (rgba[4 * s.i + c] - rgb[c]) ** 2;
    }
    return Math.sqrt(sum / samples.length / 3);
  };
  const flat: Paint = () => mean as unknown as Rgb;
  const off = spread(flat);
  if (off < FLAT_LEVELS || (!known.gradient && samples.length < ENOUGH)) return flat;
  for (const order of [1, 2, 3] as const) {
    const paint = evenPaint(samples, rgba, order);
    if (!paint) continue;
    const left = spread(paint);
    // A gradient within a level of what can be, or one that explains most of what changes.
    if (left < FLAT_LEVELS + apart.noise || (order === 3 && left < 0.7 * off)) return paint;
    if (!known.gradient && left > 0.8 * off) return flat;
  }
  return evenPaint(samples, rgba, 2) ?? flat;
}

/** Powers of x and y up to an order. */
const termsOf = (x: number, y: number, order: 1 | 2 | 3): number[] => {
  const out = [1, x, y];
  if (order > 1) out.push(x * x, x * y, y * y);
  if (order > 2) out.push(x * x * x, x * x * y, x * y * y, y * y * y);
  return out;
};

/** A polynomial in x and y for each channel, by least squares. */
function evenPaint(samples: readonly Sample[], rgba: Uint8ClampedArray, order: 1 | 2 | 3): Paint | null {
  const [mx, my] = [samples.reduce((s, p) => s + p.x, 0), samples.reduce((s, p) => s + p.y, 0)].map(
    (v) => v / samples.length,
  );
  const scale = 1 / Math.max(1, ...samples.map((p) => Math.max(Math.abs(p.x - mx), Math.abs(p.y - my))));
  const n = termsOf(0, 0, order).length;
  if (samples.length < 4 * n) return null;
  const normal = Array.from({ length: n }, () => new Float64Array(n + 3));
  for (const s of samples) {
    const terms = termsOf((s.x - mx) * scale, (s.y - my) * scale, order);
    for (let r = 0; r < n; r++) {
      for (let c = 0; c < n; c++) normal[r][c] += terms[r] * terms[c];
      for (let c = 0; c < 3; c++) normal[r][n + c] += terms[r] * rgba[4 * s.i + c];
    }
  }
  for (let r = 0; r < n; r++) normal[r][r] += 1e-6 * samples.length;
  const by = solved(normal, n);
  return (x, y) => {
    const terms = termsOf((x - mx) * scale, (y - my) * scale, order);
    return [0, 1, 2].map((c) =>
      Math.max(
        0,
        Math.min(
          255,
          terms.reduce((sum, t, k) => sum + t * by[k][n + c], 0),
        ),
      ),
    ) as unknown as Rgb;
  };
}
