import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { coloursOf, drawingsOf, errorOf, pictureOf, type Drawing } from '../../bench/drawings';
import { decodePicture } from '../../node/pictures';
import { hexToOklab, oklabDistance } from '../colour';
import { randomFrom } from '../random';
import type { Picture } from '../raster';
import { artworkFromSvg } from '../import';
import { artworkToSvg } from '../export';
import { allPieces, countPoints, type Artwork } from '../vector';
import { trace } from './index';

/** How much of a rendering on magenta shows the magenta, in pixels. */
async function magentaIn(artwork: Artwork): Promise<number> {
  const png = new Resvg(artworkToSvg(artwork), { background: '#ff00ff', fitTo: { mode: 'width', value: 1024 } })
    .render()
    .asPng();
  const { rgba } = await decodePicture(png);
  let seen = 0;
  for (let i = 0; i < rgba.length; i += 4) if (rgba[i] > 235 && rgba[i + 1] < 60 && rgba[i + 2] > 235) seen++;
  return seen;
}

const middle = (values: readonly number[]): number => [...values].sort((p, q) => p - q)[values.length >> 1];

describe('drawings of packs', () => {
  const traced: { drawing: Drawing; picture: Picture; worn: boolean; artwork: Artwork; error: number }[] = [];
  beforeAll(async () => {
    for (const [kind, count, worn] of [
      ['single', 8, false],
      ['single', 8, true],
      ['many', 8, false],
      ['many', 6, true],
    ] as const)
      for (const drawing of drawingsOf(kind, count, 11)) {
        const { picture } = await pictureOf(drawing, worn);
        const { artwork } = trace(picture, { ground: 'keep' });
        traced.push({ drawing, picture, worn, artwork, error: await errorOf(drawing, artworkToSvg(artwork)) });
      }
  }, 240_000);
  const of = (many: boolean, worn: boolean) =>
    traced.filter((t) => t.drawing.hexes.length > 1 === many && t.worn === worn);

  it('come back within the bars, clean and worn', () => {
    expect(middle(of(false, false).map((t) => t.error))).toBeLessThan(0.05);
    expect(middle(of(false, true).map((t) => t.error))).toBeLessThan(0.07);
    expect(middle(of(true, false).map((t) => t.error))).toBeLessThan(0.08);
    expect(middle(of(true, true).map((t) => t.error))).toBeLessThan(0.2);
  });

  it('come back with as few segments as they had', () => {
    const ratios = (many: boolean, worn: boolean) =>
      of(many, worn).map((t) => (countPoints(t.artwork) - 4) / t.drawing.segments);
    expect(middle(ratios(false, false))).toBeLessThan(1.1);
    expect(middle(ratios(false, true))).toBeLessThan(1.15);
    expect(middle(ratios(true, false))).toBeLessThan(1.3);
  });

  it('let no ground through between pieces, however worn', async () => {
    for (const { artwork, drawing } of traced)
      expect([drawing.name, await magentaIn(artwork)]).toEqual([drawing.name, 0]);
  });

  it('are white and black where noise had no room', () => {
    for (const { artwork } of of(false, true))
      expect(artwork.inks.map((i) => i.hex).sort()).toEqual(['#000000', '#FFFFFF']);
  });

  it('keep their colours', async () => {
    for (const { drawing, artwork } of of(true, false)) {
      const got = artwork.inks.map((i) => hexToOklab(i.hex));
      for (const { lab } of (await coloursOf(drawing)).slice(0, 4))
        expect(Math.min(...got.map((g) => oklabDistance(g, lab)))).toBeLessThan(0.02);
    }
  });

  it('do not grow points when the trace is traced again', async () => {
    const grown: number[] = [];
    for (const { artwork } of of(false, false)) {
      const png = new Resvg(artworkToSvg(artwork)).render().asPng();
      const again = trace(await decodePicture(png), { ground: 'keep' }).artwork;
      grown.push(countPoints(again) / countPoints(artwork));
    }
    expect(middle(grown)).toBeLessThanOrEqual(1.02);
  });

  it('are read back from SVG as they were', () => {
    for (const { artwork } of traced) {
      const svg = artworkToSvg(artwork);
      expect(artworkToSvg(artworkFromSvg(svg))).toBe(svg);
    }
  });
});

describe('files of every sort', () => {
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="160" height="160"><rect width="160" height="160" fill="#fff"/><circle cx="78" cy="83" r="50" fill="#14264F"/></svg>';
  const png = () => sharp(Buffer.from(svg));

  it.each([
    ['8-bit PNG', () => png().png().toBuffer()],
    ['16-bit PNG', () => png().toColourspace('rgb16').png().toBuffer()],
    ['PNG with a palette', () => png().png({ palette: true, colours: 16 }).toBuffer()],
    ['grey PNG', () => png().greyscale().png().toBuffer()],
    ['JPEG of quality 60', () => png().jpeg({ quality: 60 }).toBuffer()],
    ['WebP', () => png().webp({ quality: 80 }).toBuffer()],
    [
      'enlarged, soft PNG',
      () =>
        png()
          .resize(60)
          .png()
          .toBuffer()
          .then((small) => sharp(small).resize(160).png().toBuffer()),
    ],
  ])('%s: gives the disc back', async (_, file) => {
    const { artwork } = trace(await decodePicture(await file()), { ground: 'drop' });
    expect(allPieces(artwork)).toHaveLength(1);
    const m = /<circle cx="([\d.]+)" cy="([\d.]+)" r="([\d.]+)"\/>/.exec(artworkToSvg(artwork));
    expect(m).not.toBeNull();
    [78, 83, 50].forEach((v, k) => expect(Math.abs(Number(m![k + 1]) - v)).toBeLessThan(0.6));
  });

  it.each([1, 2, 3, 4, 5])('gives a usable poster of a picture like a photograph, without a gap (%i)', async (seed) => {
    const random = randomFrom(seed);
    const grain = Uint8Array.from({ length: 200 * 150 * 3 }, () => 255 * random());
    const photograph = await sharp(grain, { raw: { width: 200, height: 150, channels: 3 } })
      .blur(6)
      .normalise()
      .jpeg({ quality: 80 })
      .toBuffer();
    for (const stacking of ['stacked', 'cutout'] as const) {
      const { artwork } = trace(await decodePicture(photograph), { colours: 6, ground: 'keep', stacking });
      expect(artwork.inks.length).toBeGreaterThan(2);
      expect(artwork.inks.length).toBeLessThanOrEqual(6);
      expect(await magentaIn(artwork)).toBe(0);
    }
  });
});
