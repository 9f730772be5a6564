import { describe, expect, it } from 'vitest';
import { drawCandidate, FINISHES } from '../engine';
import { randomFrom } from '../random';
import type { Picture } from '../raster';
import { withoutChaos } from './chaos';
import { trace } from './index';

const drawing = (more: object, sizePx: number) =>
  drawCandidate({ prompt: 'a fox with a lantern, three colours', leeway: 35, sizePx, ...more }, 0).picture;

type Inside = (x: number, y: number) => boolean;
const disc =
  (cx: number, cy: number, r: number): Inside =>
  (x, y) =>
    Math.hypot(x - cx, y - cy) < r;
const bar = (left: number, top: number, width: number, height: number): Inside => (x, y) => x >= left && x < left + width && y >= top && y < top + height; // prettier-ignore
const INK = { rust: [181, 72, 42], cream: [245, 224, 190], dark: [43, 45, 51], paper: [255, 253, 248] } as const;
/** A head of known pieces with a lantern beside it, from the bottom up, in a field of 100 x 100. */
const SHAPES: readonly (readonly [Inside, keyof typeof INK])[] = [
  [disc(26, 26, 13), 'rust'], [disc(62, 26, 13), 'rust'], [disc(26, 26, 6), 'cream'], [disc(62, 26, 6), 'cream'], [disc(44, 55, 34), 'rust'],
  [disc(32, 50, 9), 'cream'], [disc(56, 50, 9), 'cream'], [disc(32, 50, 4), 'dark'], [disc(56, 50, 4), 'dark'], [disc(44, 70, 6), 'dark'], [bar(36, 80, 16, 3), 'cream'],
  [bar(82, 52, 14, 36), 'dark'], [bar(85, 58, 8, 10), 'cream'], [bar(85, 72, 8, 10), 'rust'], [bar(87, 42, 4, 8), 'dark'],
]; // prettier-ignore

/** The shapes as a picture, each pixel the mean of nine samples. It stays as it is whatever the engine draws. */
function head(sizePx: number): Picture {
  const rgba = new Uint8ClampedArray(sizePx * sizePx * 4).fill(255);
  for (let i = 0; i < sizePx * sizePx; i++)
    for (let c = 0; c < 3; c++) {
      let sum = 0;
      for (let k = 0; k < 9; k++) {
        const x = (((i % sizePx) + ((k % 3) + 0.5) / 3) * 100) / sizePx;
        const y = ((Math.floor(i / sizePx) + (Math.floor(k / 3) + 0.5) / 3) * 100) / sizePx;
        sum += INK[SHAPES.findLast(([inside]) => inside(x, y))?.[1] ?? 'paper'][c];
      }
      rgba[4 * i + c] = sum / 9;
    }
  return { widthPx: sizePx, heightPx: sizePx, rgba };
}

/** A picture with uniform noise on it: of so much of the whole range, in a share of its width. */
function noisy({ widthPx, heightPx, rgba }: Picture, amount: number, part = 1): Picture {
  const random = randomFrom(3);
  const out = rgba.map((v, i) => {
    const x = (i >> 2) % widthPx;
    return i % 4 === 3 || x > part * widthPx ? v : v + amount * 255 * (random() - 0.5);
  });
  return { widthPx, heightPx, rgba: out };
}

describe('noise', () => {
  it('is not seen in any finish, with all its flaws', () => {
    const tripped = Object.keys(FINISHES).filter((finish) => {
      const picture = drawing({ finish, flaws: 100 }, 384);
      return withoutChaos(picture) !== picture;
    });
    expect(tripped).toEqual([]);
  });

  it('alone is an even area, whatever its strength', () => {
    const grey = {
      widthPx: 256,
      heightPx: 256,
      rgba: new Uint8ClampedArray(256 * 256 * 4).fill(128).map((v, i) => (i % 4 === 3 ? 255 : v)),
    };
    for (const amount of [0.15, 0.2, 0.35, 0.6, 1]) {
      const { figures } = trace(noisy(grey, amount), { ground: 'keep' });
      expect([amount, figures.pieces < 40]).toEqual([amount, true]);
    }
  });

  it('over a drawing leaves its figure in a few pieces', () => {
    const plain = head(384);
    const { pieces } = trace(plain, { ground: 'drop' }).figures;
    expect(pieces).toBeGreaterThanOrEqual(13);
    expect(pieces).toBeLessThanOrEqual(SHAPES.length + 2);
    for (const amount of [0.2, 0.25]) {
      const { artwork, figures } = trace(noisy(plain, amount), { ground: 'drop' });
      expect([amount, figures.pieces > 0 && figures.pieces < 1.5 * pieces + 10]).toEqual([amount, true]);
      expect(artwork.inks.length).toBeLessThanOrEqual(5);
    }
  });

  it('in a part of a picture leaves the rest as it is', () => {
    const plain = head(384);
    const half = withoutChaos(noisy(plain, 1, 0.5));
    let differing = 0;
    for (let y = 0; y < 384; y++)
      for (let x = 224; x < 384; x++) {
        const i = 4 * (y * 384 + x);
        if (half.rgba[i] !== plain.rgba[i]) differing++;
      }
    expect(differing).toBe(0);
    // What is left of it is in pieces of more than eighty pixels on average, where noise has them of one or two.
    expect(trace(noisy(plain, 1, 0.5)).figures.pieces).toBeLessThan((384 * 192) / 80);
  });
});
