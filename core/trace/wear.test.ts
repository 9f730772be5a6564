/** Pictures as clients send them: saved with loss, made smaller, blurred. */
import { beforeAll, describe, expect, it } from 'vitest';
import { drawingsOf, errorOf, OTHERWISE } from '../../bench/drawings';
import { blankPicture, type Picture } from '../raster';
import { artworkToSvg } from '../export';
import { noiseOf, NOISY } from './calm';
import { evennessOf, flatPixels } from './inks';
import { plainsOf } from './plains';
import { trace } from './trace';

interface Row {
  readonly error: number;
  readonly ratio: number;
  readonly inks: number;
}
const middleOf = (values: readonly number[]): number => [...values].sort((p, q) => p - q)[values.length >> 1];
const noiseIn = (picture: Picture): number => {
  const plains = plainsOf(picture);
  const flat = flatPixels(picture, plains);
  return noiseOf(picture, flat, evennessOf(picture, flat, plains).uneven);
};

describe.each([
  ['jpeg', 0.11, 1.5],
  ['webp', 0.13, 1.9],
  ['reduced', 0.09, 1.4],
  ['soft', 0.2, 1.8],
] as const)('drawings as %s', (as, mostError, mostSegments) => {
  const rows: Record<'single' | 'many', Row[]> = { single: [], many: [] };
  beforeAll(async () => {
    for (const kind of ['single', 'many'] as const)
      for (const drawing of drawingsOf(kind, kind === 'single' ? 6 : 4, 5)) {
        const { artwork, figures } = trace(await OTHERWISE[as](drawing), { ground: 'keep' });
        rows[kind].push({
          error: await errorOf(drawing, artworkToSvg(artwork)),
          ratio: (figures.segments - 4) / drawing.segments,
          inks: figures.inks.length,
        });
      }
  }, 300_000);

  it('of one colour have black and white, and hardly more segments than were drawn', () => {
    expect(rows.single).toHaveLength(8);
    expect(middleOf(rows.single.map((r) => r.inks))).toBe(2);
    expect(middleOf(rows.single.map((r) => r.ratio))).toBeLessThan(1.25);
    expect(middleOf(rows.single.map((r) => r.error))).toBeLessThan(0.06);
  });

  it('of many colours are followed closely, with few segments', () => {
    expect(rows.many).toHaveLength(4);
    expect(middleOf(rows.many.map((r) => r.error))).toBeLessThan(mostError);
    expect(middleOf(rows.many.map((r) => r.ratio))).toBeLessThan(mostSegments);
  });
});

describe('noise', () => {
  const gradient = (): Picture => {
    const picture = blankPicture(128, 128, [0, 0, 0]);
    for (let i = 0; i < 128 * 128; i++) picture.rgba.set([40 + (i % 128), 60 + Math.floor(i / 128), 90], 4 * i);
    return picture;
  };

  it('is in what was saved with loss, though most of it is flat, and not in slow changes of colour', async () => {
    for (const drawing of drawingsOf('many', 6, 5))
      expect(noiseIn(await OTHERWISE.jpeg(drawing))).toBeGreaterThan(NOISY);
    expect(noiseIn(gradient())).toBeLessThan(NOISY);
    for (const drawing of drawingsOf('many', 4, 5))
      expect(noiseIn(await OTHERWISE.reduced(drawing))).toBeLessThan(NOISY);
  });
});
