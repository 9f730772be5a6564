import { describe, expect, it } from 'vitest';
import { blankPicture, type Picture } from '../raster';
import { stroked, union } from '../path';
import { distanceTo } from '../raster';
import { between, centreLines, cleanSketch, cornerCount, evenedRing, evenedRun, looksLikeSketch, nearlyRound, outlinesAt, overlapOf, signedField } from './index'; // prettier-ignore

const disc = (cx: number, cy: number, r: number): number[] =>
  Array.from({ length: 90 }, (_, i) => [
    cx + r * Math.cos((2 * Math.PI * i) / 90),
    cy + r * Math.sin((2 * Math.PI * i) / 90),
  ]).flat();
const areaOf = (ring: readonly number[]): number => {
  let twice = 0;
  for (let i = 0; i < ring.length; i += 2) {
    const j = (i + 2) % ring.length;
    twice += ring[i] * ring[j + 1] - ring[j] * ring[i + 1];
  }
  return Math.abs(twice / 2);
};

/** A ring drawn in pencil on a lit desk: uneven light, grain, a gap in the line. */
function ringOnPaper(gap: number, noise: number): Picture {
  const picture = blankPicture(400, 400, [255, 255, 255]);
  let seed = 7;
  const random = () => (seed = (Math.imul(seed, 1103515245) + 12345) >>> 0) / 4294967296 - 0.5;
  for (let y = 0; y < 400; y++)
    for (let x = 0; x < 400; x++) {
      const light = 0.95 - 0.4 * (x / 400) * (y / 400);
      const r = Math.hypot(x - 200, y - 200);
      const turn = Math.atan2(y - 200, x - 200);
      const line = Math.abs(r - 120 - 2 * Math.sin(5 * turn)) < 2.2 && Math.abs(turn) > gap;
      const eye = Math.hypot(x - 160, y - 170) < 12 && Math.hypot(x - 160, y - 170) > 8;
      const v = (line || eye ? 90 : 240) * light + noise * random();
      picture.rgba.set([v, v * 0.97, v * 0.92], (y * 400 + x) * 4);
    }
  return picture;
}

describe('cleaning a sketch', () => {
  it('finds the closed outline under uneven light, grain and a gap', () => {
    for (const [gap, noise] of [
      [0, 0],
      [0, 24],
      [0.08, 16],
    ]) {
      const picture = ringOnPaper(gap, noise);
      expect(looksLikeSketch(picture)).toBe(true);
      const found = cleanSketch(picture)!;
      expect(overlapOf(found.outline, [disc(200, 200, 120)], 400, 200)).toBeGreaterThan(0.94);
    }
  });

  it('finds what its lines enclose', () => {
    const found = cleanSketch(ringOnPaper(0, 10))!;
    expect(found.areas.length).toBeGreaterThanOrEqual(2);
    const sizes = found.areas.map((a) => Math.max(...a.rings.map(areaOf)));
    expect(sizes[0]).toBeGreaterThan(sizes[1]);
  });

  it('gives nothing for an empty sheet, and takes a finished picture for none', () => {
    expect(cleanSketch(blankPicture(200, 200, [240, 238, 230]))).toBeNull();
    const red = blankPicture(200, 200, [255, 255, 255]);
    for (let y = 50; y < 150; y++) for (let x = 50; x < 150; x++) red.rgba.set([200, 30, 40], (y * 200 + x) * 4);
    expect(looksLikeSketch(red)).toBe(false);
  });
});

describe('fields between shapes', () => {
  it('measures distances exactly', () => {
    const d = distanceTo((i) => i === 5 * 20 + 7, 20, 20);
    for (let y = 0; y < 20; y++)
      for (let x = 0; x < 20; x++) expect(d[y * 20 + x]).toBeCloseTo(Math.hypot(x - 7, y - 5), 4);
  });

  it('has the distance to the edge, positive inside', () => {
    const field = signedField([disc(50, 50, 30)], 200, 100);
    for (const [x, y] of [
      [100, 100],
      [100, 60],
      [20, 100],
    ])
      expect(field[y * 200 + x]).toBeCloseTo(30 - Math.hypot(x / 2 + 0.25 - 50, y / 2 + 0.25 - 50), 0);
  });

  it('goes from one shape to the other', () => {
    const [small, large] = [[disc(50, 50, 15)], [disc(50, 50, 35)]];
    const middle = between(small, large, 0.5);
    expect(Math.sqrt(areaOf(middle[0]) / Math.PI)).toBeCloseTo(25, 0);
    expect(between(small, large, 0)).toBe(small);
    expect(between(small, large, 1)).toBe(large);
  });

  it('outlines a level, holes and all', () => {
    const field = Float32Array.from({ length: 100 * 100 }, (_, i) => {
      const r = Math.hypot((i % 100) - 50, Math.floor(i / 100) - 50);
      return r < 30 && r > 12 ? 1 : 0;
    });
    expect(outlinesAt(field, 100, 100, 0.5)).toHaveLength(2);
  });

  it('knows how much two shapes share', () => {
    expect(overlapOf([disc(50, 50, 20)], [disc(50, 50, 20)])).toBeGreaterThan(0.999);
    expect(overlapOf([disc(20, 50, 10)], [disc(80, 50, 10)])).toBe(0);
  });
});

describe('lines redrawn', () => {
  const along = (run: readonly (readonly [number, number])[], w: number) => stroked([run.flat()], w, false);
  const far = (run: readonly number[], from: (x: number, y: number) => number): number => Math.max(...Array.from({ length: run.length / 2 }, (_, i) => from(run[2 * i], run[2 * i + 1]))); // prettier-ignore

  it('lie along the middle of a stroke, whatever its weight', () => {
    for (const weight of [1, 2, 4]) {
      const [run, ...more] = centreLines(along([[20, 30], [80, 60]], weight)); // prettier-ignore
      expect(more).toEqual([]);
      expect(far(run, (x, y) => Math.abs((60 * (y - 30) - 30 * (x - 20)) / Math.hypot(60, 30)))).toBeLessThan(0.5);
      expect(Math.hypot(run[0] - run.at(-2)!, run[1] - run.at(-1)!)).toBeGreaterThan(62);
    }
  });
  it('are one where a stroke was drawn twice', () => {
    const twice = [...along([[20, 50], [80, 50]], 1), ...along([[22, 51.6], [81, 51.4]], 1)]; // prettier-ignore
    const runs = centreLines(twice);
    expect(runs).toHaveLength(1);
    expect(far(runs[0], (_x, y) => Math.abs(y - 50.8))).toBeLessThan(1);
  });
  it('go round where a stroke did, and lose its bumps', () => {
    const bumpy = Array.from({ length: 90 }, (_, i): readonly [number, number] => {
      const a = (2 * Math.PI * i) / 90;
      const r = 24 + (i % 2 ? 0.4 : -0.4);
      return [50 + r * Math.cos(a), 50 + r * Math.sin(a)];
    });
    const runs = centreLines(stroked([bumpy.flat()], 1.5, true));
    expect(runs).toHaveLength(1);
    expect(far(runs[0], (x, y) => Math.abs(Math.hypot(x - 50, y - 50) - 24))).toBeLessThan(0.6);
  });
  it('meet where strokes cross, without the stubs of a rough edge', () => {
    const cross = [...along([[20, 50], [80, 50]], 1.4), ...along([[50, 20], [50, 80]], 1.4), ...along([[35, 50], [35, 51.4]], 1.4)]; // prettier-ignore
    const runs = centreLines(union(cross));
    expect(runs.length).toBeGreaterThanOrEqual(4);
    expect(runs.length).toBeLessThanOrEqual(6);
    const total = runs.reduce((s, run) => s + Array.from({ length: run.length / 2 - 1 }, (_, i) => Math.hypot(run[2 * i + 2] - run[2 * i], run[2 * i + 3] - run[2 * i + 1])).reduce((a, b) => a + b, 0), 0); // prettier-ignore
    expect(total).toBeGreaterThan(108);
    expect(total).toBeLessThan(124);
  });
  it('are none of nothing', () => {
    expect(centreLines([])).toEqual([]);
  });
});

describe('what a trembling hand meant', () => {
  /** A closed line through corners, with a tremble of `by` units. */
  const trembling = (corners: readonly (readonly [number, number])[], by: number): number[] => {
    const out: number[] = [];
    corners.forEach(([x, y], k) => {
      const [u, v] = corners[(k + 1) % corners.length];
      const length = Math.hypot(u - x, v - y);
      for (let d = 0; d < length; d += 0.4) {
        const wave = by * (Math.sin(1.5 * d + 3 * k) * 0.7 + Math.sin(2.6 * d + k) * 0.3);
        out.push(x + ((u - x) * d + (v - y) * wave) / length, y + ((v - y) * d - (u - x) * wave) / length);
      }
    });
    return out;
  };
  const round = (a: number, b: number, by: number): number[] =>
    Array.from({ length: 160 }, (_, i) => {
      const t = (2 * Math.PI * i) / 160;
      const k = 1 + by * Math.sin(3 * t + 1) + 0.5 * by * Math.sin(7 * t);
      return [50 + a * k * Math.cos(t), 48 + b * k * Math.sin(t)];
    }).flat();

  it('is a circle where it is nearly round, and an ellipse where it is nearly one', () => {
    const circle = nearlyRound(round(20, 20.6, 0.03))!;
    for (let i = 0; i < circle.length; i += 2)
      expect(Math.hypot(circle[i] - 50, circle[i + 1] - 48)).toBeCloseTo(Math.hypot(circle[0] - 50, circle[1] - 48), 0);
    const oval = nearlyRound(round(30, 18, 0.03))!;
    expect(areaOf(oval)).toBeCloseTo(areaOf(round(30, 18, 0)), -2);
    expect(overlapOf([oval], [round(30, 18, 0)])).toBeGreaterThan(0.95);
    expect(nearlyRound(trembling([[20, 20], [80, 20], [80, 80], [20, 80]], 0))).toBeNull(); // prettier-ignore
    expect(nearlyRound(trembling([[50, 10], [90, 80], [10, 80]], 0.4))).toBeNull(); // prettier-ignore
  });

  it('keeps true corners and drops those of the tremble, and stays near what was drawn', () => {
    const shapes: [number, number][][] = [
      [[20, 20], [80, 24], [74, 82], [16, 70]],
      [[50, 10], [90, 80], [10, 80]],
      [[20, 20], [50, 34], [80, 20], [80, 80], [20, 80]],
    ]; // prettier-ignore
    for (const corners of shapes) {
      const drawn = trembling(corners, 0.8);
      const meant = evenedRing(drawn);
      expect(cornerCount(drawn)).toBeGreaterThan(2 * corners.length);
      expect(cornerCount(meant)).toBeLessThanOrEqual(corners.length);
      expect(overlapOf([drawn], [meant])).toBeGreaterThan(0.93);
      for (const [x, y] of corners) {
        const near = Array.from({ length: meant.length / 2 }, (_, i) =>
          Math.hypot(meant[2 * i] - x, meant[2 * i + 1] - y),
        );
        expect(Math.min(...near)).toBeLessThan(3);
      }
    }
  });

  it('straightens an open line that is nearly straight, keeps its ends, and closes one that goes round', () => {
    const line = trembling([[10, 50], [90, 52]], 0.5).slice(0, 2 * 200); // prettier-ignore
    const meant = evenedRun(line);
    expect(meant.slice(0, 2)).toEqual(line.slice(0, 2));
    expect(meant.length).toBeLessThanOrEqual(8);
    const ring = round(12, 12, 0.02);
    const closed = evenedRun([...ring, ring[0], ring[1]]);
    expect(closed.slice(0, 2)).toEqual(closed.slice(-2));
    expect(evenedRun([1, 1, 2, 2])).toEqual([1, 1, 2, 2]);
  });
});
