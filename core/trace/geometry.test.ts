/** Points, lines, tones, scatter and noise, each against what is known of it. */
import { describe, expect, it } from 'vitest';
import type { Rgb } from '../colour';
import { randomFrom } from '../random';
import { blankPicture, type Picture } from '../raster';
import {
  cross,
  crossingOf,
  dot,
  length,
  minus,
  nearestShare,
  offLine,
  plus,
  type Point,
  straightThrough,
  turnBetween,
  unit,
} from '../path';
import { calmed, NOISY, noiseOf } from './calm';
import { Track, limitsOf, scatterOf, softened, fitCubic, type Run } from '../fit';
import { findGround } from './ground';
import { evennessOf, findInks, flatPixels, inksFrom, nearestOf } from './inks';
import { nowherePlain, plainsOf } from './plains';
import { distance, mixtureAt, mixtureOfThree, mixtureThrough, tonesFor } from './tone';

const random = randomFrom(11);
const within = (low: number, high: number): number => low + (high - low) * random();
const somePoint = (): Point => [within(-50, 50), within(-50, 50)];
const someColour = (): Rgb => [within(0, 255), within(0, 255), within(0, 255)];
/** Nearly normal, with a standard deviation of 1. */
const normal = (): number => 2 * (random() + random() + random() - 1.5);

describe('points and directions', () => {
  it('turn and add up as they should', () => {
    for (let k = 0; k < 100; k++) {
      const [p, q] = [somePoint(), somePoint()];
      expect(length(minus(plus(p, q), p))).toBeCloseTo(length(q), 9);
      expect(dot(p, q) ** 2 + cross(p, q) ** 2).toBeCloseTo(dot(p, p) * dot(q, q), 4);
      expect(turnBetween(unit(p), unit(q))).toBeCloseTo(Math.abs(Math.atan2(cross(p, q), dot(p, q))), 6);
    }
    expect(unit([0, 0])).toEqual([0, 0]);
  });

  it('cross where both lines go through, unless they hardly turn', () => {
    for (let k = 0; k < 100; k++) {
      const [at, d, e] = [somePoint(), unit(somePoint()), unit(somePoint())];
      const met = crossingOf(plus(at, d, within(-9, 9)), d, plus(at, e, within(-9, 9)), e, 0.05);
      if (Math.abs(cross(d, e)) < 0.05) expect(met).toBeNull();
      else expect(length(minus(met!, at))).toBeLessThan(1e-6);
    }
  });

  it('have the nearest place on a way between its ends', () => {
    for (let k = 0; k < 100; k++) {
      const [p, a, b] = [somePoint(), somePoint(), somePoint()];
      const away = (t: number) => length(minus(p, plus(a, minus(b, a), t)));
      const t = nearestShare(p, a, b);
      for (let s = 0; s <= 1; s += 0.05) expect(away(t)).toBeLessThanOrEqual(away(s) + 1e-9);
    }
    expect(nearestShare([3, 4], [1, 1], [1, 1])).toBe(0);
  });
});

describe('the line through points', () => {
  it('is the one they lie on, whichever way it goes', () => {
    for (let k = 0; k < 50; k++) {
      const [through, way] = [somePoint(), unit(somePoint())];
      const line = straightThrough(Array.from({ length: 12 }, () => plus(through, way, within(-20, 20))));
      expect(Math.abs(cross(line.direction, way))).toBeLessThan(1e-6);
      expect(Math.abs(offLine(through, line))).toBeLessThan(1e-6);
      // To the right is where clockwise of the direction is.
      const aside: Point = [-line.direction[1], line.direction[0]];
      expect(offLine(plus(through, aside, 2), line)).toBeCloseTo(2, 6);
    }
  });

  it('goes by weights', () => {
    const points: Point[] = [
      [0, 0],
      [10, 0],
      [20, 0],
      [10, 9],
    ];
    const line = straightThrough(points, [1, 1, 1, 0]);
    expect(line.middle).toEqual([10, 0]);
    expect(Math.abs(line.direction[1])).toBeLessThan(1e-12);
    expect(straightThrough(points).middle[1]).toBeCloseTo(2.25, 9);
  });
});

describe('the cubic through points', () => {
  const CURVE: [Point, Point, Point, Point] = [
    [10, 20],
    [30, 80],
    [90, 90],
    [120, 30],
  ];
  const at = (t: number): Point => {
    const u = 1 - t;
    return [0, 1].map(
      (c) => u ** 3 * CURVE[0][c] + 3 * u * u * t * CURVE[1][c] + 3 * u * t * t * CURVE[2][c] + t ** 3 * CURVE[3][c],
    ) as unknown as Point;
  };
  const runOf = (n: number, noise = 0, weights?: Float64Array): Run => {
    const points = Array.from({ length: n }, (_, k) => {
      const p = at(k / (n - 1));
      return k === 0 || k === n - 1 ? p : plus(p, [noise * normal(), noise * normal()]);
    });
    return {
      xs: Float64Array.from(points, (p) => p[0]),
      ys: Float64Array.from(points, (p) => p[1]),
      ...(weights ? { weights } : {}),
    };
  };
  const tangent = (from: Point, to: Point) => unit(minus(to, from));

  it('is the one they lie on, with its directions given or not', () => {
    const [out, into] = [tangent(CURVE[0], CURVE[1]), tangent(CURVE[2], CURVE[3])];
    for (const [a, b] of [
      [null, null],
      [out, null],
      [null, into],
      [out, into],
    ] as const) {
      const fit = fitCubic(runOf(80), 0, 79, CURVE[0], CURVE[3], a, b, 12)!;
      expect(fit.greatest).toBeLessThan(0.02);
      const { c1, c2 } = fit.segment as Extract<typeof fit.segment, { kind: 'curve' }>;
      expect(length(minus(c1, CURVE[1]))).toBeLessThan(2);
      expect(length(minus(c2, CURVE[2]))).toBeLessThan(2);
      if (a) expect(Math.abs(cross(unit(minus(c1, CURVE[0])), a))).toBeLessThan(1e-9);
      if (b) expect(Math.abs(cross(unit(minus(CURVE[3], c2)), b))).toBeLessThan(1e-9);
    }
  });

  it('is the same wherever the picture lies', () => {
    const run = runOf(60, 0.1);
    const by: Point = [1000, -400];
    const moved: Run = { xs: run.xs.map((x) => x + by[0]), ys: run.ys.map((y) => y + by[1]) };
    const [fit, again] = [
      fitCubic(run, 0, 59, CURVE[0], CURVE[3], null, null)!,
      fitCubic(moved, 0, 59, plus(CURVE[0], by), plus(CURVE[3], by), null, null)!,
    ];
    expect(again.squares).toBeCloseTo(fit.squares, 6);
    const [p, q] = [fit.segment, again.segment] as Extract<typeof fit.segment, { kind: 'curve' }>[];
    expect(length(minus(minus(q.c1, by), p.c1))).toBeLessThan(1e-3);
  });

  it('heeds no point that counts for nothing', () => {
    const weights = new Float64Array(80).fill(1);
    const run = runOf(80, 0, weights);
    run.xs[40] += 30;
    weights[40] = 0;
    expect(fitCubic(run, 0, 79, CURVE[0], CURVE[3], null, null, 8)!.greatest).toBeLessThan(0.3);
    weights[40] = 1;
    expect(fitCubic(run, 0, 79, CURVE[0], CURVE[3], null, null, 8)?.greatest ?? Infinity).toBeGreaterThan(3);
  });

  it('is none where it would swing away from the points, or go backwards', () => {
    // Points of the last third of a line only: anything may lie before them.
    const xs = [0, 7, 7.5, 8, 8.6, 9.3, 10];
    const ys = [0, 1.2, 0.4, -0.9, -0.5, 0.6, 0];
    const fit = fitCubic(
      { xs: Float64Array.from(xs), ys: Float64Array.from(ys) },
      0,
      6,
      [0, 0],
      [10, 0],
      null,
      null,
      10,
    );
    if (fit) {
      const { c1, c2 } = fit.segment as Extract<typeof fit.segment, { kind: 'curve' }>;
      expect(length(c1) + length(minus(c2, c1)) + length(minus([10, 0], c2))).toBeLessThan(2 * 13);
    }
    const back = fitCubic(runOf(40), 0, 39, CURVE[0], CURVE[3], tangent(CURVE[1], CURVE[0]), null);
    expect(back).toBeNull();
    expect(fitCubic(runOf(3), 0, 1, CURVE[0], CURVE[3], null, null)).toBeNull();
  });
});

describe('tones', () => {
  it('keep mixtures mixtures, noisy or not', () => {
    for (const noise of [0, 2]) {
      const toned = tonesFor(noise);
      for (let k = 0; k < 60; k++) {
        const [p, q, t] = [someColour(), someColour(), random()];
        const mixed = p.map((v, c) => v + t * (q[c] - v)) as unknown as Rgb;
        const [share, off] = mixtureAt(toned(...mixed), toned(...p), toned(...q));
        expect(off).toBeLessThan(1e-6);
        if (distance(p, q) > 20) expect(share).toBeCloseTo(t, 5);
      }
    }
  });

  it('of a noisy picture count light for more than colour', () => {
    const toned = tonesFor(2);
    const grey = toned(120, 120, 120);
    expect(distance(grey, toned(130, 130, 130))).toBeCloseTo(10 * Math.sqrt(3), 6);
    // Of the same light, but red and blue instead of green.
    const aside: Rgb = [140, 103.6, 151];
    expect(0.299 * aside[0] + 0.587 * aside[1] + 0.114 * aside[2]).toBeCloseTo(120, 0);
    expect(distance(grey, toned(...aside))).toBeLessThan(0.6 * distance([120, 120, 120], aside));
  });

  it('of three inks tell how much there is of each', () => {
    for (let k = 0; k < 60; k++) {
      const [a, b, c] = [someColour(), someColour(), someColour()];
      const [s, t] = [within(0, 0.5), within(0, 0.5)];
      const mixed = [0, 1, 2].map((n) => a[n] + s * (b[n] - a[n]) + t * (c[n] - a[n])) as unknown as Rgb;
      const [second, third, off] = mixtureOfThree(mixed, a, b, c);
      if (off === Infinity) continue;
      expect(off).toBeLessThan(1e-6);
      expect([second, third]).toEqual([expect.closeTo(s, 4), expect.closeTo(t, 4)]);
    }
    expect(mixtureOfThree([5, 5, 5], [0, 0, 0], [10, 10, 10], [20, 20, 20])[2]).toBe(Infinity);
    expect(mixtureOfThree([-50, 0, 0], [0, 0, 0], [10, 0, 0], [0, 10, 0])[2]).toBe(Infinity);
  });

  it('of layers that each cover the same share of what is below tell that share', () => {
    for (let k = 0; k < 60; k++) {
      const layers = [someColour(), someColour(), someColour(), someColour()] as const;
      const s = within(0.05, 0.95);
      const seen = layers.reduceRight(
        (below, top) => (below ? (top.map((v, c) => s * v + (1 - s) * below[c]) as unknown as Rgb) : top),
        null as Rgb | null,
      )!;
      const [share, off] = mixtureThrough(seen, ...layers, 4);
      expect(off).toBeLessThan(6);
      // The mixture of the share found is the colour that was seen, whichever of several shares it is.
      const made = layers.reduceRight(
        (below, top) => (below ? (top.map((v, c) => share * v + (1 - share) * below[c]) as unknown as Rgb) : top),
        null as Rgb | null,
      )!;
      expect(distance(made, seen)).toBeCloseTo(off, 6);
    }
    // Nothing near is said to be far.
    expect(mixtureThrough([255, 0, 0], [0, 0, 255], [0, 0, 200], [0, 60, 255], [0, 0, 100], 4)[1]).toBeGreaterThan(200);
  });
});

describe('scatter', () => {
  const trackOf = (n: number, scatter: number, closed = false): Track => {
    const points = Array.from({ length: n }, (_, k): Point => {
      if (!closed) return [k, 0.0003 * k * k + scatter * normal()];
      const [turn, r] = [(2 * Math.PI * k) / n, n / (2 * Math.PI) + scatter * normal()];
      return [r * Math.cos(turn), r * Math.sin(turn)];
    });
    return new Track(
      Float64Array.from(points, (p) => p[0]),
      Float64Array.from(points, (p) => p[1]),
      closed,
    );
  };

  it('is told of points about a curve, open or closed', () => {
    for (const closed of [false, true])
      for (const scatter of [0.02, 0.05, 0.12]) {
        const found = scatterOf(trackOf(400, scatter, closed), 0);
        expect(found / scatter).toBeGreaterThan(0.8);
        expect(found / scatter).toBeLessThan(1.25);
      }
    expect(scatterOf(trackOf(2, 0), 0)).toBe(0);
  });

  it('goes, mostly, when points are softened, which leaves a parabola as it is', () => {
    const run = {
      xs: Float64Array.from({ length: 60 }, (_, k) => k),
      ys: Float64Array.from({ length: 60 }, (_, k) => 0.05 * k * k),
    };
    const same = softened(run, 5);
    for (let k = 0; k < 60; k++) expect(same.ys[k]).toBeCloseTo(run.ys[k], 9);
    const noisy = { xs: run.xs, ys: run.ys.map((y) => y + 0.1 * normal()) };
    const soft = softened(noisy, 5);
    const off = (ys: Float64Array) => Math.hypot(...run.ys.slice(8, 52).map((y, k) => ys[k + 8] - y));
    expect(off(soft.ys)).toBeLessThan(0.7 * off(noisy.ys));
    expect([soft.ys[0], soft.ys[59]]).toEqual([noisy.ys[0], noisy.ys[59]]);
  });

  it('loosens what is asked of points, and no more than there is', () => {
    const options = { tolerancePx: 0.2, cornerRad: 0.3, softPx: 1.5 };
    const located = (scatterPx: number[], doubtPx: number) => ({
      points: new Float64Array(2 * scatterPx.length),
      scatterPx: Float64Array.from(scatterPx),
      doubtPx,
    });
    const clean = limitsOf(located([0, 0.01, 0.02], 0), options);
    expect(clean).toMatchObject({ tolerancePx: 0.2, weights: null });
    expect([...clean.cornerRad]).toEqual([0.3, 0.3, 0.3]);
    const mixed = limitsOf(located([0.02, 0.2, 5], 0.3), options);
    expect(mixed.tolerancePx).toBeCloseTo(0.2, 9);
    expect(mixed.weights![0]).toBe(1);
    expect(mixed.weights![1]).toBeLessThan(0.5);
    // However far points scatter, a pixel is a pixel.
    expect(0.2 / mixed.weights![2]).toBeLessThan(1);
    expect(mixed.cornerRad[1]).toBeGreaterThan(mixed.cornerRad[0]);
    expect(mixed.softPx[2]).toBeLessThan(5);
  });
});

describe('noise', () => {
  const SIDE = 120;
  const noisy = (levels: number): Picture => {
    const picture = blankPicture(SIDE, SIDE, [90, 140, 60]);
    for (let i = 0; i < SIDE * SIDE; i++) {
      if (i % SIDE >= 60) picture.rgba.set([190, 70, 120], 4 * i);
      for (let c = 0; c < 3; c++) picture.rgba[4 * i + c] += levels * normal();
    }
    return picture;
  };

  it('is measured in levels', () => {
    for (const levels of [0, 1.5, 3]) {
      const picture = noisy(levels);
      const found = noiseOf(picture, new Uint8Array(SIDE * SIDE).fill(1), 0);
      if (levels === 0) expect(found).toBeLessThan(NOISY);
      // A pixel against the middle of two others: the root of six, in steps of half a level.
      else expect(found / levels).toBeGreaterThan(1);
    }
    expect(noiseOf(noisy(3), new Uint8Array(SIDE * SIDE).fill(1), 0)).toBeGreaterThan(
      1.6 * noiseOf(noisy(1.5), new Uint8Array(SIDE * SIDE).fill(1), 0),
    );
  });

  it('is taken away, and edges stay where they are', () => {
    const picture = noisy(3);
    const calm = calmed(picture, nowherePlain(SIDE, SIDE), 3);
    const spread = ({ rgba }: Picture, x0: number, x1: number, mean: number) => {
      let [squares, n] = [0, 0];
      for (let y = 10; y < 110; y++)
        for (let x = x0; x < x1; x++, n++) squares += (rgba[4 * (y * SIDE + x)] - mean) ** 2;
      return Math.sqrt(squares / n);
    };
    expect(spread(calm, 5, 55, 90)).toBeLessThan(0.6 * spread(picture, 5, 55, 90));
    for (let y = 10; y < 110; y++) {
      expect(Math.abs(calm.rgba[4 * (y * SIDE + 59)] - 90)).toBeLessThan(12);
      expect(Math.abs(calm.rgba[4 * (y * SIDE + 60)] - 190)).toBeLessThan(12);
    }
  });
});

describe('inks', () => {
  const SIDE = 64;
  const halves = (left: Rgb, right: Rgb): Picture => {
    const picture = blankPicture(SIDE, SIDE, right);
    for (let i = 0; i < SIDE * SIDE; i++) if (i % SIDE < 24) picture.rgba.set(left, 4 * i);
    return picture;
  };
  const found = (picture: Picture, count: number | 'auto' = 'auto') => {
    const plains = plainsOf(picture);
    const flat = flatPixels(picture, plains);
    return findInks(picture, flat, plains, count, evennessOf(picture, flat, plains));
  };

  it('are the flat colours, the commonest first, with their shares', () => {
    const inks = found(halves([32, 52, 110], [255, 255, 255]));
    expect(inks.map((k) => k.hex)).toEqual(['#FFFFFF', '#20346E']);
    expect(inks[1].share).toBeCloseTo(23 / 62, 1);
  });

  it('are no more than asked for, and none of a picture of nothing', () => {
    expect(found(halves([32, 52, 110], [255, 255, 255]), 1)).toHaveLength(1);
    expect(found(blankPicture(8, 8))).toEqual([]);
  });

  it('of which the nearest is found, but for gradients', () => {
    const inks = inksFrom(['#FFFFFF', '#20346E', '#C22A3A']);
    expect(nearestOf(inksFrom(['#1F3070'])[0].lab, inks)).toBe(1);
    const gradient = { kind: 'linear', from: [0, 0], to: [1, 0], stops: [] } as const;
    expect(nearestOf(inksFrom(['#1F3070'])[0].lab, [inks[0], { ...inks[1], gradient }, inks[2]])).not.toBe(1);
    expect(() => inksFrom(['navy'])).toThrow(RangeError);
  });

  it('of which the ground is the one that has the border', () => {
    const cells = (first: Uint8Array) => ({ widthPx: 4, heightPx: 4, first }) as never;
    const map = (rows: string) => Uint8Array.from(rows.replace(/\s/g, ''), (c) => (c === '.' ? 255 : Number(c)));
    expect(findGround(cells(map('0000 0110 0110 0000')))).toBe(0);
    expect(findGround(cells(map('1110 1000 1001 1111')))).toBe(1);
    expect(findGround(cells(map('.... .11. .11. ....')))).toBeNull();
  });
});
