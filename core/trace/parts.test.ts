/** The steps of a trace, each on its own. */
import { describe, expect, it } from 'vitest';
import { blankPicture, cover, findRegions, layColour, type Picture } from '../raster';
import {
  circle,
  type Contour,
  ellipse,
  flatten,
  type Point,
  polygon,
  rectangle,
  roundedPolygon,
  signedArea,
  tangentsOf,
  turnsOf,
} from '../path';
import { NOTHING, type Cells } from './cells';
import { unmix } from './unmix';
import { BEYOND, findChains, loopsOf } from './chains';
import { findCorners, Track, fitChain, fitArc, fitCubic, fitLine, measure, type Run } from '../fit';
import { evennessOf, findInks, flatPixels } from './inks';
import { locate, REACH_PX } from './locate';
import { nowherePlain, plainsOf } from './plains';
import { neighboursOf } from './regions';
import { economyOf, smoothnessOf, toleranceOf, trace } from './trace';
import { allPieces } from '../vector';

const SIZE = 120;

function pictureOf(...shapes: readonly [readonly [number, number, number], Contour][]): Picture {
  const picture = blankPicture(SIZE, SIZE, [255, 255, 255]);
  for (const [rgb, contour] of shapes) layColour(picture, cover([flatten(contour, 0.005)], SIZE, SIZE)!, rgb);
  return picture;
}

function cellsOf(picture: Picture): Cells {
  const plains = plainsOf(picture);
  const flat = flatPixels(picture, plains);
  return unmix(picture, flat, plains, findInks(picture, flat, plains, 'auto', evennessOf(picture, flat, plains)));
}

const located = (contour: Contour) => {
  const cells = cellsOf(pictureOf([[20, 30, 80], contour]));
  const chain = findChains(cells).chains.find((c) => c.left !== BEYOND && c.right !== BEYOND)!;
  return locate(chain, cells, REACH_PX.crisp);
};
const strokeOf = (contour: Contour) =>
  fitChain(located(contour), true, null, { tolerancePx: 0.2, cornerRad: 0.3, softPx: 1.5 });
const runOf = (n: number, at: (t: number) => Point): Run => ({
  xs: Float64Array.from({ length: n }, (_, i) => at(i / (n - 1))[0]),
  ys: Float64Array.from({ length: n }, (_, i) => at(i / (n - 1))[1]),
});
const ends = (run: Run): [Point, Point] => [
  [run.xs[0], run.ys[0]],
  [run.xs[run.xs.length - 1], run.ys[run.ys.length - 1]],
];

describe('areas', () => {
  const map = (rows: string[]) => Uint8Array.from(rows.join('').split('').map(Number));

  it('are joined by sides and not by corners', () => {
    const { of, label, sizePx2, atBorder } = findRegions(map(['1011', '1110', '0001', '1111']), 4, 4);
    expect(label.length).toBe(5);
    expect(of[0]).toBe(of[6]);
    expect(of[0]).not.toBe(of[11]);
    expect([...sizePx2].reduce((a, b) => a + b)).toBe(16);
    expect([...atBorder]).toEqual([1, 1, 1, 1, 1]);
  });

  it('know their neighbours, those at corners too', () => {
    const regions = findRegions(map(['110', '101', '011']), 3, 3);
    for (const [k, list] of neighboursOf(regions, 3, 3).entries())
      for (const q of list) expect(neighboursOf(regions, 3, 3)[q]).toContain(k);
    expect(neighboursOf(findRegions(map(['12', '21']), 2, 2), 2, 2).map((l) => l.length)).toEqual([3, 3, 3, 3]);
  });
});

describe('chains', () => {
  it('go round an area once, closed, with the same area on each side', () => {
    const cells = cellsOf(pictureOf([[20, 30, 80], circle(60, 60, 30)]));
    const { chains } = findChains(cells);
    expect(chains).toHaveLength(2);
    const inner = chains.find((c) => c.left !== BEYOND && c.right !== BEYOND)!;
    expect(inner.closed).toBe(true);
    expect(Math.abs(Math.abs(signedArea(inner.corners)) - Math.PI * 900)).toBeLessThan(60);
  });

  it('meet where three areas do, and close every loop', () => {
    const cells = cellsOf(
      pictureOf([[200, 60, 30], rectangle(20, 20, 40, 80)], [[20, 30, 80], rectangle(60, 20, 40, 80)]),
    );
    const map = findChains(cells);
    expect(map.chains.filter((c) => !c.closed)).toHaveLength(3);
    for (const label of new Set(cells.first)) {
      const loops = loopsOf(map, label, SIZE);
      const all = loops.flat();
      expect(new Set(all).size).toBe(all.length);
    }
  });

  it('survive any label map', () => {
    let a = 1;
    for (let round = 0; round < 30; round++) {
      const n = 24;
      const first = Uint8Array.from({ length: n * n }, () => ((a = (a * 1103515245 + 12345) & 0x7fffffff) >> 16) % 3);
      if (round % 3 === 0) first.fill(NOTHING, 0, n * 3);
      const map = findChains({
        widthPx: n,
        heightPx: n,
        first,
        second: first.slice(),
        share: new Float32Array(n * n).fill(1),
        plains: nowherePlain(n, n),
        aliased: false,
        doubtPx: () => 0,
      });
      for (let label = 0; label < 3; label++) {
        let area = 0;
        for (const loop of loopsOf(map, label, n))
          for (const k of loop) {
            const { corners, closed } = map.chains[k < 0 ? -k - 1 : k];
            const m = corners.length / 2;
            for (let i = 0; i < (closed ? m : m - 1); i++) {
              const j = (i + 1) % m;
              area +=
                ((k < 0 ? -1 : 1) * (corners[2 * i] * corners[2 * j + 1] - corners[2 * j] * corners[2 * i + 1])) / 2;
            }
          }
        // The loops round all areas of a label enclose just its pixels.
        expect(area).toBe(first.filter((l) => l === label).length);
      }
    }
  });
});

describe('located points', () => {
  it('lie on a circle to a fiftieth of a pixel', () => {
    const { points, scatterPx, doubtPx } = located(circle(60.37, 59.81, 33.4));
    let sum = 0;
    for (let i = 0; i < points.length; i += 2) {
      const off = Math.abs(Math.hypot(points[i] - 60.37, points[i + 1] - 59.81) - 33.4);
      sum += off;
      expect(off).toBeLessThan(0.06);
    }
    expect(sum / (points.length / 2)).toBeLessThan(0.02);
    expect(scatterPx).toHaveLength(points.length / 2);
    expect(Math.max(...scatterPx)).toBeLessThan(0.05);
    expect(doubtPx).toBe(0);
  });

  it('lie on straight edges of any slope', () => {
    for (const turn of [0, 0.1, 0.4, 0.7853, 1.2]) {
      const corners = [0, 1, 2, 3].map((k): Point => [
        60 + 40 * Math.cos(turn + (k * Math.PI) / 2),
        60 + 40 * Math.sin(turn + (k * Math.PI) / 2),
      ]);
      const { points } = located(polygon(corners));
      const apothem = 40 * Math.SQRT1_2;
      const off: number[] = [];
      for (let i = 0; i < points.length; i += 2) {
        const d = Math.max(
          ...[0, 1, 2, 3].map((k) => {
            const t = turn + Math.PI / 4 + (k * Math.PI) / 2;
            return (points[i] - 60) * Math.cos(t) + (points[i + 1] - 60) * Math.sin(t);
          }),
        );
        off.push(Math.abs(d - apothem));
      }
      off.sort((p, q) => p - q);
      expect(off[Math.floor(off.length * 0.9)]).toBeLessThan(0.05);
    }
  });
});

describe('corners', () => {
  const cornersOf = (contour: Contour) => {
    const { points } = located(contour);
    const n = points.length / 2;
    const pick = (k: number) => Float64Array.from({ length: n }, (_, i) => points[2 * i + k]);
    const all = (v: number) => new Float64Array(n).fill(v);
    return findCorners(new Track(pick(0), pick(1), true), { leastRad: all(0.3), softPx: all(1.5) });
  };

  it('are found where they are, to a tenth of a pixel', () => {
    const points: Point[] = [
      [20.3, 25.6],
      [95.2, 31.1],
      [80.7, 98.4],
      [30.9, 88.2],
    ];
    const corners = cornersOf(polygon(points));
    expect(corners).toHaveLength(4);
    for (const p of points)
      expect(Math.min(...corners.map((c) => Math.hypot(c.point[0] - p[0], c.point[1] - p[1])))).toBeLessThan(0.12);
  });

  it('are not found on what is round', () => {
    for (const round of [
      circle(60, 60, 20),
      ellipse(60, 60, 45, 25, 0.4),
      roundedPolygon(
        [
          [20, 20],
          [100, 20],
          [100, 100],
          [20, 100],
        ],
        16,
      ),
    ])
      expect(cornersOf(round)).toEqual([]);
  });
});

describe('spans', () => {
  it('are lines when they are straight', () => {
    const run = runOf(20, (t) => [10 + 50 * t, 5 + 20 * t]);
    expect(fitLine(run, 0, 19, ...ends(run)).greatest).toBeLessThan(1e-9);
    const back = runOf(21, (t) => [10 + 50 * Math.sin(Math.PI * t), 5]);
    expect(fitLine(back, 0, 20, ...ends(back)).greatest).toBeGreaterThan(20);
  });

  it.each([0.5, 1.5, Math.PI, 4, 5.5])('are arcs when they turn %f radians round a centre', (sweep) => {
    for (const way of [1, -1]) {
      const run = runOf(60, (t) => [50 + 30 * Math.cos(1 + way * sweep * t), 40 + 30 * Math.sin(1 + way * sweep * t)]);
      const fit = fitArc(run, 0, 59, ...ends(run))!;
      expect(fit.greatest).toBeLessThan(1e-4);
      expect(fit.segment).toMatchObject({ kind: 'arc', clockwise: way > 0 });
      expect(measure(run, 0, 59, ends(run)[0], fit.segment).greatest).toBeLessThan(0.02);
      const [into] = tangentsOf(ends(run)[0], fit.segment);
      expect(into[0]).toBeCloseTo(-Math.sin(1) * way, 3);
    }
  });

  it('are the cubic they were taken from', () => {
    const [p, a, b, q]: Point[] = [
      [0, 0],
      [70, -10],
      [-10, 60],
      [60, 50],
    ];
    const run = runOf(120, (t) => {
      const u = 1 - t;
      return [0, 1].map(
        (k) => u ** 3 * p[k] + 3 * u * u * t * a[k] + 3 * u * t * t * b[k] + t ** 3 * q[k],
      ) as unknown as Point;
    });
    const fit = fitCubic(run, 0, 119, p, q, null, null, 8)!;
    expect(fit.greatest).toBeLessThan(0.05);
    const length = Math.hypot(...a);
    const kept = fitCubic(run, 0, 119, p, q, [a[0] / length, a[1] / length], null, 8)!;
    const [into] = tangentsOf(p, kept.segment);
    expect(into[1] / into[0]).toBeCloseTo(a[1] / a[0], 6);
  });
});

describe('fitted chains', () => {
  it('are two arcs for a circle, four lines for a rectangle, lines and arcs for a rounded one', () => {
    expect(strokeOf(circle(60.2, 59.7, 30.1)).segments.map((s) => s.kind)).toEqual(['arc', 'arc']);
    expect(strokeOf(rectangle(20.5, 30.25, 70, 50)).segments.map((s) => s.kind)).toEqual([
      'line',
      'line',
      'line',
      'line',
    ]);
    expect(strokeOf(rectangle(15, 20, 90, 80, 18)).segments.length).toBeLessThanOrEqual(10);
  });

  it('go on smoothly where there is no corner', () => {
    expect(Math.max(...turnsOf(strokeOf(ellipse(60, 60, 45, 22, 0.5))))).toBeLessThan(0.06);
  });
});

describe('the figures of a trace', () => {
  const picture = pictureOf(
    [[20, 30, 80], ellipse(60, 60, 45, 22, 0.5)],
    [
      [200, 60, 30],
      roundedPolygon(
        [
          [45, 45],
          [75, 45],
          [75, 75],
          [45, 75],
        ],
        5,
      ),
    ],
  );

  it('say how far it is off, and that a looser trace is further off', () => {
    const [tight, loose] = [15, 90].map((smoothness) => trace(picture, { smoothness }).figures);
    expect(tight.fit.meanPx).toBeLessThan(0.05);
    expect(tight.fit.meanPx).toBeLessThanOrEqual(tight.fit.maxPx);
    expect(loose.fit.meanPx).toBeGreaterThan(tight.fit.meanPx);
    expect(loose.segments).toBeLessThanOrEqual(tight.segments);
  });

  it('count corners', () => {
    expect(trace(pictureOf([[20, 30, 80], rectangle(30, 30, 50, 40)])).figures.corners).toBe(4);
    expect(trace(pictureOf([[20, 30, 80], circle(60, 60, 40)])).figures.corners).toBe(0);
  });

  it('make an economy curve that falls in points', () => {
    const curve = economyOf(picture);
    expect(curve.length).toBeGreaterThan(5);
    expect(curve[0].segments).toBeGreaterThan(curve[curve.length - 1].segments);
    expect(curve[0].meanPx).toBeLessThan(curve[curve.length - 1].meanPx);
  });

  it('are by a tolerance that a smoothness stands for', () => {
    for (const smoothness of [0, 20, 55, 100]) expect(smoothnessOf(toleranceOf(smoothness))).toBeCloseTo(smoothness, 9);
    expect(toleranceOf(30)).toBeCloseTo(0.2, 12);
  });

  it('keep to a palette', () => {
    const { artwork } = trace(picture, { palette: ['#FFFFFF', '#000080'], ground: 'drop' });
    expect(artwork.inks.map((i) => i.hex)).toEqual(['#000080']);
    expect(() => trace(picture, { palette: ['blue'] })).toThrow(/hex colours/);
  });
});

describe('a turned picture', () => {
  it('gives the same trace, turned', () => {
    const source = pictureOf([
      [20, 30, 80],
      polygon([
        [20, 30],
        [95, 40],
        [70, 100],
        [25, 80],
      ]),
    ]);
    const turned = blankPicture(SIZE, SIZE, [255, 255, 255]);
    for (let y = 0; y < SIZE; y++)
      for (let x = 0; x < SIZE; x++)
        turned.rgba.set(
          source.rgba.subarray((y * SIZE + x) * 4, (y * SIZE + x) * 4 + 4),
          (x * SIZE + SIZE - 1 - y) * 4,
        );
    const pointsOf = (p: Picture) => allPieces(trace(p).artwork)[0].contours[0].segments.map((s) => s.to);
    const back = pointsOf(turned).map(([x, y]): Point => [y, SIZE - x]);
    const there = pointsOf(source);
    expect(back).toHaveLength(there.length);
    for (const p of there)
      expect(Math.min(...back.map((q) => Math.hypot(p[0] - q[0], p[1] - q[1])))).toBeLessThan(0.05);
  });
});
