/** Pictures without anti-aliasing. */
import { beforeAll, describe, expect, it } from 'vitest';
import { drawingsOf, drawnOf, errorOf, OTHERWISE, pictureOf } from '../../bench/drawings';
import type { Rgb } from '../colour';
import { randomFrom } from '../random';
import { blankPicture, type Picture } from '../raster';
import { artworkToSvg } from '../export';
import { renderArtwork } from '../scene';
import { type Point } from '../path';
import { isAliased, wholePixels } from './aliased';
import { tellApart, trace } from '.';
import { BEYOND, findChains } from './chains';
import { locate, REACH_PX } from './locate';
import { plainsOf } from './plains';
import { allPieces } from '../vector';

const [WHITE, NAVY]: readonly Rgb[] = [
  [255, 255, 255],
  [24, 42, 92],
];

/** A picture of which each pixel has the colour of its middle. */
function drawn(colourAt: (x: number, y: number) => Rgb, side = 128): Picture {
  const picture = blankPicture(side, side, WHITE);
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) picture.rgba.set(colourAt(x + 0.5, y + 0.5), 4 * (y * side + x));
  return picture;
}
const figure = (inside: (x: number, y: number) => boolean): Picture => drawn((x, y) => (inside(x, y) ? NAVY : WHITE));
const disc = (r: number) => figure((x, y) => Math.hypot(x - 60.37, y - 59.81) < r);

/** The points of the only edge of a figure. */
function pointsOf(picture: Picture): Point[] {
  const { cells } = tellApart(picture, 'auto');
  const chains = findChains(cells).chains.filter((c) => c.left !== BEYOND && c.right !== BEYOND);
  expect(chains).toHaveLength(1);
  const { points, doubtPx } = locate(chains[0], cells, REACH_PX.crisp);
  expect(doubtPx).toBeGreaterThan(0);
  return Array.from({ length: points.length / 2 }, (_, k) => [points[2 * k], points[2 * k + 1]]);
}
const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;

describe('a picture without anti-aliasing', () => {
  it('is told from one with it, and from noise', async () => {
    const of = (picture: Picture) => isAliased(picture, plainsOf(picture));
    expect(of(disc(40))).toBe(true);
    expect(of(drawn((x, y) => (x < y ? NAVY : x + y < 100 ? [200, 30, 40] : WHITE)))).toBe(true);
    const shapes = '<circle cx="150" cy="160" r="90.3"/><path d="M300 256L400 156L500 256L400 356Z"/>';
    expect(of((await pictureOf(drawnOf(shapes), false)).picture)).toBe(false);
    expect(of(await OTHERWISE.aliased(drawnOf(shapes)))).toBe(true);
    const random = randomFrom(3);
    expect(of(drawn(() => (random() < 0.5 ? NAVY : WHITE)))).toBe(false);
    expect(of(drawn((x, y) => [x, y, 2 * x].map(Math.floor) as unknown as Rgb))).toBe(false);
    expect(of(blankPicture(16, 16, WHITE))).toBe(false);
  });

  it('has inks in all pixels that are not alone, in lines of one pixel, too', () => {
    const line = figure((x, y) => (Math.floor(y) === 40 && x > 10 && x < 90) || Math.floor(x) === Math.floor(y) + 20);
    line.rgba.set([200, 0, 0], 4 * (100 * 128 + 30));
    const whole = wholePixels(line, plainsOf(line));
    expect(whole.reduce((sum, v) => sum + v, 0)).toBe(128 * 128 - 1);
    expect(whole[100 * 128 + 30]).toBe(0);
    expect(tellApart(line, 'auto').inks.map((i) => i.hex)).toEqual(['#FFFFFF', '#182A5C']);
  });
});

describe('edges in steps', () => {
  it('are placed near to a circle that has them', () => {
    for (const r of [12.2, 26, 40.3, 55.5]) {
      const off = pointsOf(disc(r)).map(([x, y]) => Math.abs(Math.hypot(x - 60.37, y - 59.81) - r));
      // Steps themselves are a quarter of a pixel off on the mean.
      expect(mean(off)).toBeLessThan(0.12);
      expect(Math.max(...off)).toBeLessThan(0.5);
    }
  });

  it('are placed near to slanting lines, whatever their slope, and go to the corners between', () => {
    for (const turn of [0.05, 0.3, 0.6, 0.75]) {
      const [c, s] = [Math.cos(turn), Math.sin(turn)];
      const across = (x: number, y: number): [number, number] => [
        (x - 64.2) * c + (y - 63.7) * s,
        (y - 63.7) * c - (x - 64.2) * s,
      ];
      const points = pointsOf(figure((x, y) => Math.max(...across(x, y).map(Math.abs)) < 36.4));
      const off = points
        .map(([x, y]) => across(x, y).map(Math.abs))
        .filter((uv) => Math.min(...uv) < 33)
        .map((uv) => Math.abs(Math.max(...uv) - 36.4));
      expect(mean(off)).toBeLessThan(0.12);
      const nearest = Math.min(...points.map(([x, y]) => Math.hypot(...across(x, y).map((v) => v - 36.4))));
      expect(nearest).toBeLessThan(1.2);
    }
  });

  it('are straight along diagonals, of which nothing tells where in a third of a pixel they lie', () => {
    const sums = pointsOf(figure((x, y) => Math.abs(x - 64.1) + Math.abs(y - 63.8) < 40.2))
      .filter(([x, y]) => x > 67 && y > 67)
      .map(([x, y]) => x + y);
    expect(sums.length).toBeGreaterThan(50);
    expect(Math.max(...sums) - Math.min(...sums)).toBeLessThan(0.02);
    expect(Math.abs(mean(sums) - (64.1 + 63.8 + 40.2))).toBeLessThan(0.71);
  });

  it('stay where they are along level and upright edges, and do not bow between round corners', () => {
    const box = pointsOf(figure((x, y) => x > 20 && x < 110 && y > 30 && y < 90));
    for (const [x, y] of box) expect(Math.min(...[x - 20, x - 110, y - 30, y - 90].map(Math.abs))).toBe(0);
    const round = figure((x, y) => {
      const [u, v] = [Math.max(0, Math.abs(x - 64) - 38), Math.max(0, Math.abs(y - 64) - 18)];
      return Math.hypot(u, v) < 12;
    });
    for (const [x, y] of pointsOf(round))
      if (Math.abs(x - 64) < 34) expect(Math.abs(Math.abs(y - 64) - 30)).toBeLessThan(0.03);
  });
});

describe('traces of pictures without anti-aliasing', () => {
  it('have circles, lines and corners for steps', () => {
    const round = artworkToSvg(trace(disc(40.3), { ground: 'drop' }).artwork);
    const [, cx, cy, r] = round.match(/<circle cx="([\d.]+)" cy="([\d.]+)" r="([\d.]+)"/)!.map(Number);
    expect(Math.hypot(cx - 60.37, cy - 59.81)).toBeLessThan(0.15);
    expect(Math.abs(r - 40.3)).toBeLessThan(0.15);
    const corners: Point[] = [
      [20.3, 90.1],
      [70.6, 12.4],
      [115.2, 101.9],
    ];
    const side = ([x, y]: Point, [u, v]: Point, px: number, py: number) => (u - x) * (py - y) - (v - y) * (px - x) > 0;
    const triangle = figure((x, y) => corners.every((p, k) => side(p, corners[(k + 1) % 3], x, y)));
    const [contour] = allPieces(trace(triangle, { ground: 'drop' }).artwork)[0].contours;
    expect(contour.segments.map((s) => s.kind)).toEqual(['line', 'line', 'line']);
    for (const { to } of contour.segments)
      expect(Math.min(...corners.map((c) => Math.hypot(to[0] - c[0], to[1] - c[1])))).toBeLessThan(0.7);
  });

  it('keep every pixel of what is made of squares', () => {
    const random = randomFrom(5);
    const cells = Array.from({ length: 256 }, () => random() < 0.5);
    const picture = figure((x, y) => cells[Math.floor(y / 8) * 16 + Math.floor(x / 8)]);
    const { artwork, figures } = trace(picture, { ground: 'keep' });
    const { rgba } = renderArtwork(artwork, 128);
    let differing = 0;
    for (let i = 0; i < rgba.length; i += 4) if (Math.abs(rgba[i] - picture.rgba[i]) > 8) differing++;
    expect(differing).toBe(0);
    expect(allPieces(artwork).every((p) => p.contours.every((c) => c.segments.every((s) => s.kind === 'line')))).toBe(
      true,
    );
    expect(figures.fit.maxPx).toBeLessThan(0.01);
  });

  it('tell three inks in one line of colour apart', () => {
    const grey = (v: number): Rgb => [v, v, v];
    const picture = drawn((x, y) => {
      const d = Math.hypot(x - 64, y - 64);
      return d < 25.3 ? grey(90) : d < 40.7 ? grey(160) : d < 50.2 ? grey(210) : WHITE;
    });
    const { figures } = trace(picture, { ground: 'drop' });
    expect(figures.inks.map((i) => i.hex).sort()).toEqual(['#5A5A5A', '#A0A0A0', '#D2D2D2']);
    expect(figures.segments).toBeLessThanOrEqual(12);
  });

  describe('of drawings', () => {
    const rows: { error: number; ratio: number; many: boolean }[] = [];
    beforeAll(async () => {
      for (const drawing of [...drawingsOf('single', 12, 3), ...drawingsOf('many', 6, 3)]) {
        const { artwork, figures } = trace(await OTHERWISE.aliased(drawing), { ground: 'keep' });
        const error = await errorOf(drawing, artworkToSvg(artwork));
        rows.push({
          error,
          ratio: (figures.segments - 4) / drawing.segments,
          many: drawing.hexes.length > 1,
        });
      }
    }, 180_000);
    const middleOf = (values: readonly number[]) => [...values].sort((p, q) => p - q)[values.length >> 1];

    it('are truer than the steps, with about as many segments as the drawing had', () => {
      expect(rows).toHaveLength(18);
      expect(middleOf(rows.map((r) => r.error))).toBeLessThan(0.16);
      expect(middleOf(rows.map((r) => r.ratio))).toBeLessThan(1.15);
      // Steps would be some ten times as many.
      expect(Math.max(...rows.filter((r) => !r.many).map((r) => r.ratio))).toBeLessThan(1.3);
      expect(Math.max(...rows.map((r) => r.ratio))).toBeLessThan(3);
    });
  });
});
