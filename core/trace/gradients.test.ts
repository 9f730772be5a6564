import { describe, expect, it } from 'vitest';
import { hexToRgb } from '../colour';
import { randomFrom } from '../random';
import { onGround, type Picture } from '../raster';
import { artworkFromSvg } from '../import';
import { artworkToSvg } from '../export';
import { allPieces, mapGradient, colourIn, type Artwork, type Gradient, type Ink } from '../vector';
import { renderArtwork } from '../scene';
import { circle, rectangle, rectangleOfArcs, reverseContour, type Contour } from '../path';
import { trace } from './index';

const SIDE = 240;
const DAWN: Gradient = {
  kind: 'linear',
  from: [60, 40],
  to: [180, 200],
  stops: [
    { at: 0, hex: '#2560C4' },
    { at: 1, hex: '#9FDCC0' },
  ],
};
const GLOW: Gradient = {
  kind: 'radial',
  from: [100, 90],
  to: [220, 90],
  stops: [
    { at: 0, hex: '#FFF2C0' },
    { at: 1, hex: '#B5673A' },
  ],
};

/** A drawing of pieces on white, each with a colour or a gradient. */
function pictureOf(...shapes: readonly [string | Gradient, ...Contour[]][]): Picture {
  const inks = shapes.map(([fill], k): Ink =>
    typeof fill === 'string'
      ? { id: `ink-${k}`, hex: fill, name: `${k}` }
      : { id: `ink-${k}`, hex: '#808080', name: `${k}`, gradient: fill },
  );
  const artwork: Artwork = {
    widthPx: SIDE,
    heightPx: SIDE,
    inks,
    nodes: shapes.map(([, ...contours], k) => ({
      kind: 'piece' as const,
      id: `piece-${k}`,
      inkId: `ink-${k}`,
      contours,
    })),
    guides: [],
  };
  return onGround(renderArtwork(artwork, SIDE), [255, 255, 255]);
}

/** How far two gradients are apart over the places where one contour's box lies, in levels, at most. */
function apart(p: Gradient, q: Gradient, inside: (x: number, y: number) => boolean): number {
  const [a, b] = [colourIn(p), colourIn(q)];
  let most = 0;
  for (let y = 0; y < SIDE; y += 5)
    for (let x = 0; x < SIDE; x += 5)
      if (inside(x, y)) a(x, y).forEach((v, c) => (most = Math.max(most, Math.abs(v - b(x, y)[c]))));
  return most;
}

const made = (picture: Picture) => trace(picture, { ground: 'drop', gradients: true });
const gradientsIn = (artwork: Artwork): Gradient[] => artwork.inks.flatMap((i) => (i.gradient ? [i.gradient] : []));

describe('gradients in a picture', () => {
  it('finds a straight one at its angle, with its colours', () => {
    const { artwork, gradients } = made(pictureOf([DAWN, circle(120, 120, 90)]));
    expect(gradients).toBe(1);
    expect(allPieces(artwork)).toHaveLength(1);
    const [found] = gradientsIn(artwork);
    expect(found.kind).toBe('linear');
    expect(found.stops).toHaveLength(2);
    expect(apart(found, DAWN, (x, y) => Math.hypot(x - 120, y - 120) < 88)).toBeLessThan(4);
  });

  it('finds one that goes straight down, and one across a full ground', () => {
    for (const [from, to] of [
      [
        [0, 0],
        [0, 240],
      ],
      [
        [0, 0],
        [240, 0],
      ],
    ] as const) {
      const full = { ...DAWN, from, to };
      const { artwork } = trace(pictureOf([full, rectangle(0, 0, SIDE, SIDE)], ['#FFFFFF', circle(120, 120, 50)]), {
        ground: 'keep',
        gradients: true,
      });
      expect(artwork.inks).toHaveLength(2);
      expect(apart(gradientsIn(artwork)[0], full, () => true)).toBeLessThan(4);
    }
  });

  it('finds a round one, with things lying on it', () => {
    const { artwork } = made(
      pictureOf([GLOW, circle(120, 120, 95)], ['#14264F', circle(90, 100, 14)], ['#14264F', circle(150, 100, 14)]),
    );
    const [found] = gradientsIn(artwork);
    expect(found.kind).toBe('radial');
    expect(Math.hypot(found.from[0] - 100, found.from[1] - 90)).toBeLessThan(2);
    expect(apart(found, GLOW, (x, y) => Math.hypot(x - 120, y - 120) < 93)).toBeLessThan(5);
    expect(artwork.inks).toHaveLength(2);
  });

  it('finds a stop between the ends', () => {
    const three: Gradient = {
      ...DAWN,
      stops: [
        { at: 0, hex: '#F2A71B' },
        { at: 0.4, hex: '#F2705A' },
        { at: 1, hex: '#6B2F8C' },
      ],
    };
    const [found] = gradientsIn(made(pictureOf([three, rectangleOfArcs(20, 20, 200, 200, 40)])).artwork);
    expect(found.stops.length).toBeLessThanOrEqual(5);
    expect(apart(found, three, (x, y) => x > 40 && x < 200 && y > 40 && y < 200)).toBeLessThan(5);
  });

  it('gives one gradient to areas that it runs through', () => {
    const ring = [circle(120, 120, 100), reverseContour(circle(120, 120, 70))];
    const { artwork } = made(pictureOf([DAWN, ...ring], [DAWN, circle(120, 120, 50)]));
    expect(artwork.inks).toHaveLength(1);
    expect(allPieces(artwork)).toHaveLength(2);
  });

  it('makes bands where gradients are not asked for, but tells of them', () => {
    const { artwork, gradients } = trace(pictureOf([DAWN, circle(120, 120, 90)]), { ground: 'drop' });
    expect(gradients).toBe(1);
    expect(gradientsIn(artwork)).toHaveLength(0);
    expect(artwork.inks.length).toBeGreaterThan(3);
  });

  it('finds none in flat drawings, blurred or not, and then changes nothing', () => {
    const flat = pictureOf(['#2560C4', circle(120, 120, 90)], ['#2E6CD0', circle(120, 120, 40)]);
    const blurred = pictureOf();
    for (let y = 3; y < SIDE - 3; y++)
      for (let x = 3; x < SIDE - 3; x++)
        for (let c = 0; c < 3; c++) {
          let sum = 0;
          for (let d = -3; d <= 3; d++) sum += flat.rgba[4 * (y * SIDE + x + d) + c];
          blurred.rgba[4 * (y * SIDE + x) + c] = sum / 7;
        }
    for (const picture of [flat, blurred]) {
      expect(trace(picture).gradients).toBe(0);
      expect(trace(picture, { gradients: true }).artwork).toEqual(trace(picture).artwork);
    }
  });

  it('finds them under noise', () => {
    const picture = pictureOf([DAWN, circle(120, 120, 90)]);
    const random = randomFrom(5);
    for (let i = 0; i < picture.rgba.length; i++)
      if (i % 4 < 3) picture.rgba[i] += 10 * (random() + random() + random() - 1.5);
    const { artwork } = made(picture);
    const [found] = gradientsIn(artwork);
    expect(apart(found, DAWN, (x, y) => Math.hypot(x - 120, y - 120) < 85)).toBeLessThan(8);
    expect(allPieces(artwork).length).toBeLessThanOrEqual(3);
  });

  it('is drawn as the picture was, and comes back from SVG the same', () => {
    const picture = pictureOf([GLOW, circle(120, 120, 95)], [DAWN, rectangle(90, 90, 60, 60)]);
    const { artwork } = trace(picture, { ground: 'keep', gradients: true });
    const drawn = renderArtwork(artwork, SIDE);
    let sum = 0;
    for (let i = 0; i < drawn.rgba.length; i++) sum += Math.abs(drawn.rgba[i] - picture.rgba[i]);
    expect(sum / drawn.rgba.length).toBeLessThan(0.8);
    const svg = artworkToSvg(artwork);
    expect(svg).toMatch(/<radialGradient id="[\w-]+-gradient" gradientUnits="userSpaceOnUse"/);
    expect(svg).toMatch(/fill="url\(#[\w-]+-gradient\)"/);
    expect(artworkToSvg(artworkFromSvg(svg))).toBe(svg);
  });
});

describe('a gradient', () => {
  it('goes on beyond its stops, and moves with its artwork', () => {
    const paint = colourIn(DAWN);
    expect(paint(-500, -500)).toEqual(hexToRgb('#2560C4'));
    expect(paint(900, 900)).toEqual(hexToRgb('#9FDCC0'));
    const moved = colourIn(mapGradient([2, 0, 0, 2, 10, 20], DAWN));
    for (const [x, y] of [
      [70, 70],
      [120, 120],
      [150, 180],
    ])
      moved(2 * x + 10, 2 * y + 20).forEach((v, c) => expect(v).toBeCloseTo(paint(x, y)[c], 6));
  });
});
