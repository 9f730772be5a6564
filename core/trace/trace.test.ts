import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { hexToOklab, hexToRgb, oklabDistance } from '../colour';
import { drawCandidate } from '../engine';
import { blankPicture, cover, layColour, onGround, type Picture } from '../raster';
import { artworkToSvg } from '../export';
import { renderArtwork } from '../scene';
import { boxOf, circle, flatten, rectangle, star, type Contour } from '../path';
import { decodePicture } from '../../node/pictures';
import { checkTraceOptions, TRACE_DEFAULTS, trace, TraceOptionsError } from './index';
import { allPieces } from '../vector';

/** A picture of contours in colours on a ground. */
function pictureOf(shapes: readonly [string, ...Contour[]][], size = 160, ground: string | null = '#FFFFFF'): Picture {
  const picture = blankPicture(size, size, ground ? hexToRgb(ground) : undefined);
  for (const [hex, ...contours] of shapes) {
    const c = cover(
      contours.map((k) => flatten(k, 0.01)),
      size,
      size,
    );
    if (c) layColour(picture, c, hexToRgb(hex));
  }
  return picture;
}

/** A picture made larger, soft between its pixels. */
async function enlarged({ widthPx, heightPx, rgba }: Picture, times: number): Promise<Picture> {
  const raw = { width: widthPx, height: heightPx, channels: 4 } as const;
  return decodePicture(
    await sharp(rgba, { raw })
      .resize(widthPx * times)
      .png()
      .toBuffer(),
  );
}

/** Mean difference of two pictures, 0..255, over opaque white. */
function difference(p: Picture, q: Picture): number {
  const [a, b] = [onGround(p, [255, 255, 255]).rgba, onGround(q, [255, 255, 255]).rgba];
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += Math.abs(a[i] - b[i]);
  return sum / a.length;
}

const NAVY = '#182A5C';
const LAMP = '#F2C14E';

describe('tracing', () => {
  it('gives back a circle in place', () => {
    const { artwork, groundHex } = trace(pictureOf([[NAVY, circle(80.3, 79.6, 50.4)]]));
    expect(groundHex).toBe('#FFFFFF');
    expect(artwork.inks.map((i) => i.hex)).toEqual([NAVY]);
    expect(allPieces(artwork)).toHaveLength(1);
    const points = flatten(allPieces(artwork)[0].contours[0], 0.01);
    for (let i = 0; i < points.length; i += 2)
      expect(Math.abs(Math.hypot(points[i] - 80.3, points[i + 1] - 79.6) - 50.4)).toBeLessThan(0.5);
  });

  it('keeps the corners of a rectangle and a star', () => {
    const { artwork } = trace(pictureOf([[NAVY, rectangle(30, 40, 90, 60)]]), { smoothness: 0 });
    const box = boxOf(allPieces(artwork)[0].contours);
    for (const [got, want] of [
      [box.x, 30],
      [box.y, 40],
      [box.width, 90],
      [box.height, 60],
    ])
      expect(Math.abs(got - want)).toBeLessThan(0.4);
    expect(allPieces(artwork)[0].contours[0].segments.length).toBeLessThanOrEqual(8);
    const five = allPieces(trace(pictureOf([[NAVY, star(80, 80, 5, 70, 30)]])).artwork)[0].contours[0];
    expect(five.segments.length).toBeLessThanOrEqual(20);
  });

  it('drops or keeps the ground, which lies below all', () => {
    const picture = pictureOf([[NAVY, circle(80, 80, 40)]], 160, '#F2EBDC');
    expect(trace(picture, { ground: 'drop' }).artwork.inks.map((i) => i.hex)).toEqual([NAVY]);
    const kept = trace(picture, { ground: 'keep' }).artwork;
    expect(kept.inks[0].hex).toBe('#F2EBDC');
    expect(allPieces(kept)[0].inkId).toBe(kept.inks[0].id);
    expect(boxOf(allPieces(kept)[0].contours)).toEqual({ x: 0, y: 0, width: 160, height: 160 });
  });

  it('drops the ground outside the figure alone, where that is asked', () => {
    const face = pictureOf([
      [NAVY, circle(80, 80, 60)],
      ['#FFFFFF', circle(80, 80, 40)],
      [NAVY, circle(70, 75, 8)],
    ]);
    const { artwork } = trace(face, { ground: 'outside' });
    expect(artwork.inks.map((i) => i.hex).sort()).toEqual([NAVY, '#FFFFFF']);
    const [white] = allPieces(artwork).filter((p) => artwork.inks.find((k) => k.id === p.inkId)!.hex === '#FFFFFF');
    // What is enclosed is a piece of its own, below the ring and a little under it.
    expect(allPieces(artwork)[0]).toBe(white);
    const box = boxOf(white.contours);
    expect(box.width).toBeGreaterThan(80);
    expect(box.width).toBeLessThan(84);
    const { rgba } = renderArtwork(artwork, 160);
    expect([rgba[3], rgba[4 * (80 * 160 + 90) + 3], rgba[4 * (80 * 160 + 25) + 3]]).toEqual([0, 255, 255]);
    // Nothing enclosed: as if it were dropped.
    const disc = pictureOf([[NAVY, circle(80, 80, 60)]]);
    expect(trace(disc, { ground: 'outside' }).artwork).toEqual(trace(disc, { ground: 'drop' }).artwork);
  });

  it('places the edges of what is enclosed as truly as others, in soft pictures too', async () => {
    const soft = await enlarged(
      pictureOf(
        [
          [NAVY, circle(40, 40, 30)],
          ['#FFFFFF', circle(40, 40, 20)],
        ],
        80,
      ),
      2,
    );
    const { artwork } = trace(soft, { ground: 'outside', stacking: 'cutout' });
    expect(allPieces(artwork)).toHaveLength(2);
    // Made twice as large, the picture lies half a pixel further.
    for (const contour of allPieces(artwork).flatMap((p) => p.contours)) {
      const points = flatten(contour, 0.01);
      for (let i = 0; i < points.length; i += 2) {
        const r = Math.hypot(points[i] - 80.5, points[i + 1] - 80.5);
        expect(Math.min(Math.abs(r - 60), Math.abs(r - 40))).toBeLessThan(0.3);
      }
    }
  });

  it('makes holes of what shows the ground', () => {
    const { artwork } = trace(
      pictureOf([
        [NAVY, circle(80, 80, 60)],
        ['#FFFFFF', circle(80, 80, 30)],
      ]),
    );
    expect(allPieces(artwork)).toHaveLength(1);
    expect(allPieces(artwork)[0].contours).toHaveLength(2);
  });

  it('stacks pieces on each other, or cuts them out, and draws alike both ways', () => {
    const picture = pictureOf([
      [LAMP, circle(80, 80, 60)],
      [NAVY, circle(80, 80, 30)],
    ]);
    const stacked = trace(picture, { stacking: 'stacked' }).artwork;
    const cutout = trace(picture, { stacking: 'cutout' }).artwork;
    expect(allPieces(stacked).map((p) => p.contours.length)).toEqual([1, 1]);
    expect(allPieces(cutout).map((p) => p.contours.length)).toEqual([2, 1]);
    for (const artwork of [stacked, cutout]) expect(difference(renderArtwork(artwork, 160), picture)).toBeLessThan(1.2);
  });

  it('lets nothing through where pieces are cut out and the ground is kept, and keeps pieces of the ground inside the figure', () => {
    const picture = pictureOf([
      [NAVY, circle(80, 80, 60)],
      ['#FFFFFF', circle(60, 70, 14)],
      ['#FFFFFF', circle(100, 70, 14)],
    ]);
    const { artwork } = trace(picture, { stacking: 'cutout', ground: 'keep' });
    const { rgba } = renderArtwork(artwork, 320);
    let through = 0;
    for (let i = 3; i < rgba.length; i += 4) if (rgba[i] < 255) through++;
    expect(through).toBe(0);
    expect(allPieces(artwork)).toHaveLength(4);
    expect(difference(renderArtwork(artwork, 160), picture)).toBeLessThan(1.2);
    // Without the ground, what it covered is nothing.
    const dropped = renderArtwork(trace(picture, { stacking: 'cutout', ground: 'drop' }).artwork, 160);
    expect(dropped.rgba[3]).toBe(0);
  });

  it('leaves no gap between stacked colours', () => {
    const picture = pictureOf([
      [LAMP, rectangle(20, 20, 60, 120)],
      [NAVY, rectangle(80, 20, 60, 120)],
    ]);
    const { rgba } = onGround(renderArtwork(trace(picture).artwork, 640), [255, 0, 255]);
    for (let x = 300; x < 340; x++) {
      const i = (320 * 640 + x) * 4;
      const magenta = rgba[i] > 200 && rgba[i + 1] < 120 && rgba[i + 2] > 200;
      expect(magenta).toBe(false);
    }
  });

  it('finds as many inks as there are, and none in the mixtures of edges', () => {
    const hexes = ['#182A5C', '#F2C14E', '#D42A2A', '#3B5F5B', '#7A5433'];
    const picture = pictureOf(hexes.map((hex, i) => [hex, circle(30 + 26 * i, 80, 12.3)]));
    const { artwork } = trace(picture);
    expect(artwork.inks).toHaveLength(5);
    for (const hex of hexes)
      expect(artwork.inks.some((i) => oklabDistance(hexToOklab(i.hex), hexToOklab(hex)) < 0.02)).toBe(true);
  });

  it('keeps to the number of colours asked for, ground included', () => {
    const { picture } = drawCandidate(
      { prompt: 'bat over a moon, midnight blue and lamp yellow, white ground', sizePx: 256 },
      0,
    );
    expect(trace(picture, { colours: 2, ground: 'keep' }).artwork.inks).toHaveLength(2);
    expect(trace(picture, { colours: 2, ground: 'drop' }).artwork.inks).toHaveLength(1);
    expect(trace(picture, { colours: 3, ground: 'keep' }).artwork.inks).toHaveLength(3);
  });

  it('leaves specks out', () => {
    const picture = pictureOf([
      [NAVY, circle(80, 80, 40)],
      [NAVY, circle(20, 20, 1.6)],
    ]);
    expect(allPieces(trace(picture, { speckPx2: 30 }).artwork)).toHaveLength(1);
    expect(allPieces(trace(picture, { speckPx2: 0 }).artwork)).toHaveLength(2);
  });

  it('gives fewer points when it is smoother', () => {
    const { picture } = drawCandidate({ prompt: 'emblem of a hedgehog with a leaf', sizePx: 256 }, 0);
    const points = [0, 40, 100].map((smoothness) => trace(picture, { smoothness }).figures.segments);
    expect(points[0]).toBeGreaterThanOrEqual(points[1]);
    expect(points[1]).toBeGreaterThan(points[2]);
  });

  it('draws candidates again, close to what they were', () => {
    for (const prompt of [
      'emblem of a hedgehog with a leaf',
      'mascot: a bat conductor holding a lantern',
      'app icon of a fox, two colours rust and cream',
    ]) {
      const { picture } = drawCandidate({ prompt, sizePx: 512 }, 0);
      const { artwork } = trace(picture, { ground: 'keep' });
      expect(difference(renderArtwork(artwork, 512), picture)).toBeLessThan(1.5);
    }
  });

  it('reads alpha as cover', () => {
    const { artwork, groundHex } = trace(pictureOf([[NAVY, circle(80, 80, 50)]], 160, null));
    expect(groundHex).toBeNull();
    expect(artwork.inks.map((i) => i.hex)).toEqual([NAVY]);
    expect(Math.abs(boxOf(allPieces(artwork)[0].contours).width - 100)).toBeLessThan(0.6);
  });

  it('answers for pictures with nothing to trace', () => {
    expect(allPieces(trace(blankPicture(20, 20)).artwork)).toEqual([]);
    expect(trace(blankPicture(20, 20, [9, 9, 9])).artwork.inks).toHaveLength(1);
    const noise = blankPicture(64, 64, [0, 0, 0]);
    for (let i = 0, a = 1; i < noise.rgba.length; i++)
      noise.rgba[i] = i % 4 === 3 ? 255 : (a = (a * 1103515245 + 12345) & 0x7fffffff) >> 16;
    expect(trace(noise).artwork.inks.length).toBeGreaterThan(0);
    expect(trace(blankPicture(1, 1, [0, 0, 0])).artwork.widthPx).toBe(1);
  });

  it('gives figures that are true', () => {
    const { artwork, figures } = trace(
      pictureOf([
        [LAMP, circle(80, 80, 60)],
        [NAVY, circle(80, 80, 30)],
      ]),
    );
    expect(figures.pieces).toBe(allPieces(artwork).length);
    expect(figures.inks.reduce((n, i) => n + i.pieces, 0)).toBe(figures.pieces);
    expect(figures.bytes).toBe(artworkToSvg(artwork, { lines: false }).length);
  });

  it('refuses options that make no sense', () => {
    expect(checkTraceOptions({})).toEqual(TRACE_DEFAULTS);
    for (const options of [
      { colours: 0 },
      { colours: 2.5 },
      { ground: 'maybe' },
      { stacking: 'piled' },
      { speckPx2: -1 },
      { smoothness: 101 },
      { smoothness: NaN },
    ])
      expect(() => checkTraceOptions(options as object)).toThrow(TraceOptionsError);
  });

  it('tells how far it is, and stops when told to', () => {
    const heard: number[] = [];
    trace(pictureOf([[NAVY, circle(80, 80, 50)]]), {}, { onProgress: (done) => heard.push(done) });
    expect(heard).toEqual([...heard].sort((p, q) => p - q));
    expect(heard[heard.length - 1]).toBe(1);
    const stop = () => {
      throw new Error('stop');
    };
    expect(() => trace(pictureOf([[NAVY, circle(80, 80, 50)]]), {}, { onProgress: stop })).toThrow('stop');
  });
});

describe('pictures that are see-through in part and saved with loss', () => {
  // Two areas that lie over each other: there nothing at all comes near to mixtures of three.
  it.each([50, 65, 80])('are traced, at a quality of %i, however the ground is asked for', async (quality) => {
    const svg = (k: number) => `<svg xmlns="http://www.w3.org/2000/svg" width="256" height="256" fill-opacity="0.5">
      <circle cx="${96 + k}" cy="120" r="${58 + k}" fill="#CC3333"/><circle cx="152" cy="${128 + k}" r="60" fill="#3366CC"/></svg>`;
    for (const k of [0, 5, 11]) {
      const picture = await decodePicture(
        await sharp(Buffer.from(svg(k)))
          .webp({ quality })
          .toBuffer(),
      );
      for (const ground of ['keep', 'drop', 'outside'] as const) {
        const { figures } = trace(picture, { ground });
        expect(figures.pieces).toBeGreaterThan(1);
        expect(figures.pieces).toBeLessThan(60);
      }
    }
  });
});
