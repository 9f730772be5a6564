import { describe, expect, it } from 'vitest';
import { drawCandidate, FINISHES } from '../engine';
import { randomFrom } from '../random';
import type { Picture } from '../raster';
import { withoutChaos } from './chaos';
import { trace } from './index';

const drawing = (more: object, sizePx: number) =>
  drawCandidate({ prompt: 'a fox with a lantern, three colours', leeway: 35, sizePx, ...more }, 0).picture;

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
    const plain = drawing({ finish: 'flat' }, 384);
    const { pieces } = trace(plain, { ground: 'drop' }).figures;
    for (const amount of [0.2, 0.25]) {
      const { artwork, figures } = trace(noisy(plain, amount), { ground: 'drop' });
      expect([amount, figures.pieces > 0 && figures.pieces < 1.5 * pieces + 10]).toEqual([amount, true]);
      expect(artwork.inks.length).toBeLessThanOrEqual(5);
    }
  });

  it('in a part of a picture leaves the rest as it is', () => {
    const plain = drawing({ finish: 'flat' }, 384);
    const half = withoutChaos(noisy(plain, 1, 0.5));
    let differing = 0;
    for (let y = 0; y < 384; y++)
      for (let x = 224; x < 384; x++) {
        const i = 4 * (y * 384 + x);
        if (half.rgba[i] !== plain.rgba[i]) differing++;
      }
    expect(differing).toBe(0);
    expect(trace(noisy(plain, 1, 0.5)).figures.pieces).toBeLessThan(600);
  });
});
