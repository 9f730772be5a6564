/** What fitting is made of: breaks, lengths along points, corners, smoothing, and systems of equations. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { breaksOf, type Spans } from './breaks';
import { findCorners, Track } from './corners';
import { limitsOf, scatterOf, softened } from './scatter';
import { solved } from './solve';
import { fitLine, type Fit } from './span';
import { randomFrom } from '../random';

/** Spans over points on a broken line through some joints, each one unit apart: a line fits where no joint is passed. */
function brokenLine(joints: readonly number[], n: number): { spans: Spans; asked: () => number } {
  let count = 0;
  const heightAt = (i: number): number => {
    let y = 0;
    for (let k = 0; k < i; k++) y += joints.filter((j) => j <= k).length % 2 ? 1 : -0.5;
    return y;
  };
  const run = { xs: Float64Array.from({ length: n }, (_, i) => i), ys: Float64Array.from({ length: n }, (_, i) => heightAt(i)) }; // prettier-ignore
  const line = (from: number, to: number): Fit => { count++; return fitLine(run, from, to, [run.xs[from], run.ys[from]], [run.xs[to], run.ys[to]]); }; // prettier-ignore
  const fit = (from: number, to: number): Fit | null => { const f = line(from, to); return f.greatest < 0.05 ? f : null; }; // prettier-ignore
  return { spans: { n, tolerance: 0.05, fit, least: (i) => line(i, i + 1) }, asked: () => count };
}

describe('breaks', () => {
  it('are where a broken line turns, and nowhere else', () => {
    for (const joints of [[], [20], [13, 40], [5, 9, 30, 52]]) {
      const { spans } = brokenLine(joints, 60);
      expect(breaksOf(spans)).toEqual([0, ...joints, 59]);
    }
  });

  it('are as few as can be, in any order of turns, without asking for every pair', () => {
    const joint = fc.uniqueArray(fc.integer({ min: 3, max: 95 }), { maxLength: 6 });
    fc.assert(
      fc.property(joint, (places) => {
        const joints = [...places].sort((p, q) => p - q).filter((j, i, all) => i === 0 || j - all[i - 1] > 2);
        const { spans, asked } = brokenLine(joints, 100);
        const breaks = breaksOf(spans);
        expect(breaks).toEqual([0, ...joints, 99]);
        expect(asked()).toBeLessThan(1500);
      }),
      { numRuns: 60 },
    );
  });
});

describe('lengths along points', () => {
  const square = (side: number, step: number): Float64Array => {
    const n = side / step;
    const out: number[] = [];
    for (const [dx, dy, x, y] of [[1, 0, 0, 0], [0, 1, side, 0], [-1, 0, side, side], [0, -1, 0, side]]) for (let i = 0; i < n; i++) out.push(x + dx * i * step, y + dy * i * step); // prettier-ignore
    return Float64Array.from(out);
  };

  it('go round a closed track, and past its ends', () => {
    const track = Track.through(square(20, 1), true);
    expect(track.length).toBeCloseTo(80, 9);
    expect(track.at(20)).toBeCloseTo(20, 9);
    expect(track.at(80 + 5)).toBeCloseTo(85, 9);
    expect(track.at(-1)).toBeCloseTo(-1, 9);
    expect(track.index(-1)).toBe(79);
    const open = Track.through(Float64Array.from([0, 0, 3, 4, 3, 10]), false);
    expect(open.length).toBeCloseTo(11, 9);
  });

  it('find the corners of a square, each a quarter of a turn, and none on a circle', () => {
    const limits = (n: number) => ({ leastRad: new Float64Array(n).fill(0.5), softPx: new Float64Array(n).fill(1.2) });
    const track = Track.through(square(40, 1), true);
    const corners = findCorners(track, limits(track.n));
    expect(corners).toHaveLength(4);
    for (const c of corners) {
      expect(Math.abs(c.turnRad)).toBeCloseTo(Math.PI / 2, 1);
      expect([0, 40].some((x) => Math.abs(c.point[0] - x) < 0.6) && [0, 40].some((y) => Math.abs(c.point[1] - y) < 0.6)).toBe(true); // prettier-ignore
    }
    const circle = Track.through(Float64Array.from({ length: 400 }, (_, i) => { const a = (Math.PI * (i >> 1)) / 100; return 40 * (i % 2 ? Math.sin(a) : Math.cos(a)); }), true); // prettier-ignore
    expect(findCorners(circle, limits(circle.n))).toEqual([]);
  });
});

describe('points that scatter', () => {
  it('stay on a parabola that they lie on, and come nearer to a line that they scatter about', () => {
    const xs = Float64Array.from({ length: 60 }, (_, i) => i);
    const bow = softened({ xs, ys: xs.map((x) => 0.03 * x * x - x) }, 6);
    bow.ys.forEach((y, i) => expect(y).toBeCloseTo(0.03 * i * i - i, 6));
    const random = randomFrom(7);
    const noisy = xs.map(() => 2 * random() - 1);
    const soft = softened({ xs, ys: noisy }, 8).ys;
    const rms = (v: Float64Array): number => Math.sqrt(v.slice(10, 50).reduce((s, y) => s + y * y, 0) / 40);
    expect(rms(soft)).toBeLessThan(0.6 * rms(noisy));
    // Ends stay where they are.
    expect([soft[0], soft[59]]).toEqual([noisy[0], noisy[59]]);
  });

  it('are measured as a standard deviation, and loosen what is asked of them', () => {
    const random = randomFrom(3);
    const normal = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    for (const sigma of [0, 0.05, 0.2]) {
      const points = Float64Array.from({ length: 2400 }, (_, i) => (i % 2 ? sigma * normal() : i / 2));
      const track = Track.through(points, false);
      expect(Math.abs(scatterOf(track, 0) - sigma)).toBeLessThan(0.2 * sigma + 1e-9);
    }
    expect(scatterOf(Track.through(Float64Array.from([0, 0, 1, 1]), false), 0)).toBe(0);
    const asked = { tolerancePx: 0.2, cornerRad: 0.5, softPx: 1 };
    const clean = limitsOf({ points: new Float64Array(8), scatterPx: new Float64Array(4), doubtPx: 0 }, asked);
    expect([clean.tolerancePx, clean.weights]).toEqual([0.2, null]);
    const rough = limitsOf({ points: new Float64Array(8), scatterPx: Float64Array.from([0.02, 0.2, 0.2, 0.4]), doubtPx: 0.5 }, asked); // prettier-ignore
    expect(rough.tolerancePx).toBeCloseTo(0.2, 9);
    // What scatters more counts less, and its corners must turn more.
    expect(rough.weights![3]).toBeLessThan(rough.weights![0]);
    expect(rough.cornerRad[3]).toBeGreaterThan(rough.cornerRad[0]);
    expect(rough.softPx[3]).toBeLessThanOrEqual(1 + 3);
  });
});

describe('systems of equations', () => {
  it('are solved for any number of right-hand sides', () => {
    const number = fc.integer({ min: -9, max: 9 });
    fc.assert(
      fc.property(fc.array(fc.tuple(number, number, number), { minLength: 3, maxLength: 3 }), fc.tuple(number, number, number), fc.tuple(number, number, number), (m, x, y) => {
        const [[a, b, c], [d, e, f], [g, h, i]] = m;
        fc.pre(Math.abs(a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g)) > 1);
        const times = (v: readonly number[]): number[] => m.map((row) => row.reduce((s, k, j) => s + k * v[j], 0));
        const [p, q] = [times(x), times(y)];
        const rows = solved(m.map((row, k) => Float64Array.from([...row, p[k], q[k]])), 3);
        rows.forEach((row, k) => {
          expect(row[3]).toBeCloseTo(x[k], 5);
          expect(row[4]).toBeCloseTo(y[k], 5);
        });
      }),
      { numRuns: 100 },
    );
  }); // prettier-ignore
});
