import { describe, expect, it } from 'vitest';
import { hexToOklab, hexToRgb, oklabDistance } from '../colour';
import { randomFrom } from '../random';
import { blankPicture, type Picture } from '../raster';
import { drawnOf, pictureOf } from '../../bench/drawings';
import { trace } from '.';
import { inksFrom } from './inks';
import { splitInks } from './split';

const SIDE = 100;

/** A picture whose pixels have given colours, and noise of some levels on top. */
function noisy(colourAt: (x: number, y: number) => readonly number[], levels: number): Picture {
  const picture = blankPicture(SIDE, SIDE, [0, 0, 0]);
  const random = randomFrom(3);
  for (let y = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE; x++)
      colourAt(x, y).forEach((v, c) => {
        picture.rgba[4 * (y * SIDE + x) + c] = v + levels * (random() + random() + random() - 1.5);
      });
  return picture;
}
const ALL = new Uint8Array(SIDE * SIDE).fill(1);
const [AMBER, ORANGE, BETWEEN] = ['#ED9200', '#EA9129', '#EC9114'];
const split = (picture: Picture, flat = ALL) => splitInks(picture, flat, inksFrom([BETWEEN]));

describe('an ink of a noisy picture', () => {
  it('is two where near colours have areas of their own, side by side or apart', () => {
    for (const isAmber of [
      (x: number) => x < 30,
      (x: number, y: number) => Math.hypot(x - 50, y - 50) < 20,
      (x: number, y: number) => (x < 25 && y < 25) || (x > 60 && y > 60),
      // A shadow under a chin.
      (x: number, y: number) => Math.abs(Math.hypot(x - 50, y + 20) - 80) < 4,
    ]) {
      const found = split(noisy((x, y) => hexToRgb(isAmber(x, y) ? AMBER : ORANGE), 4));
      expect(found).toHaveLength(2);
      for (const hex of [AMBER, ORANGE])
        expect(Math.min(...found.map((k) => oklabDistance(k.lab, hexToOklab(hex))))).toBeLessThan(0.004);
      expect(found[0].share + found[1].share).toBeCloseTo(1, 6);
      expect(found[0].share).toBeGreaterThan(found[1].share);
    }
  });

  it('is three where three have', () => {
    const found = split(noisy((x) => [[150, 215, 240][Math.floor(x / 34)], 140, 20], 3));
    expect(found.map((k) => k.rgb[0]).sort()).toEqual([150, 215, 240]);
  });

  it('stays one where noise, a slow change or fine stripes spread it', () => {
    for (const picture of [
      noisy(() => hexToRgb(BETWEEN), 8),
      noisy((x, y) => [200 + (x + y) / 5, 140, 20], 3),
      noisy((x) => hexToRgb(x % 2 ? AMBER : ORANGE), 2),
      noisy(() => hexToRgb(BETWEEN), 0),
    ])
      expect(split(picture)).toEqual(inksFrom([BETWEEN]));
  });

  it('stays one where what differs is small, was not read, or there are inks enough', () => {
    const corner = noisy((x, y) => hexToRgb(x < 13 && y < 13 ? AMBER : ORANGE), 4);
    expect(split(corner)).toHaveLength(1);
    const half = noisy((x) => hexToRgb(x < 50 ? AMBER : ORANGE), 4);
    expect(
      split(
        half,
        ALL.map((_, i) => Number(i % SIDE < 50)),
      ),
    ).toHaveLength(1);
    const others = (count: number) => Array.from({ length: count }, (_, k) => `#0000${(40 + 6 * k).toString(16)}`);
    expect(splitInks(half, ALL, inksFrom([BETWEEN, ...others(30)]))).toHaveLength(32);
    expect(splitInks(half, ALL, inksFrom([BETWEEN, ...others(31)]))).toHaveLength(32);
  });

  it('is two in a trace, however worn', async () => {
    const face = `<circle cx="256" cy="256" r="180" fill="#FDC83D"/><path d="M90 300A170 170 0 0 0 422 300Z" fill="${ORANGE}"/>`;
    const nose = `<path d="M256 160L296 260H216Z" fill="${AMBER}"/>`;
    const { picture } = await pictureOf(drawnOf(face + nose), true);
    const { artwork } = trace(picture, { ground: 'keep' });
    expect(artwork.inks).toHaveLength(4);
    for (const hex of [AMBER, ORANGE])
      expect(Math.min(...artwork.inks.map((k) => oklabDistance(hexToOklab(k.hex), hexToOklab(hex))))).toBeLessThan(
        0.02,
      );
  });
});
