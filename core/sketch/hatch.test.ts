import { describe, expect, it } from 'vitest';
import { grown, intersect, evenOdd, sizeOf, union, type Area } from '../path';
import { cleanSketch, overlapOf } from './index';
import { boxRun, drawnOn, roundRun, sheetWith, SIDE_PX, WAVE, type Run } from './testing';

const ringOf = (run: Run): Area => [run.slice(0, -1).flat()];

/** Slanting strokes that fill a box. */
function hatched(x0: number, y0: number, x1: number, y1: number, gap: number, slope = -1): Run[] {
  const runs: Run[] = [];
  for (let c = x0 - (y1 - y0); c < x1 + (y1 - y0); c += gap) {
    const at = (y: number): number => c + (slope < 0 ? y1 - y : y - y0);
    const inside = Array.from({ length: 81 }, (_, i) => y0 + ((y1 - y0) * i) / 80).filter((y) => at(y) > x0 && at(y) < x1); // prettier-ignore
    if (inside.length > 12) runs.push([[at(inside[0]), inside[0]], [at(inside.at(-1)!), inside.at(-1)!]]); // prettier-ignore
  }
  return runs;
}
const inField = (rings: Area): Area => evenOdd(rings.map((ring) => ring.map((v) => (v * 100) / SIDE_PX)));

describe('hatching', () => {
  it.each([[1], [0.5]])('is a tone where it fills a part that lines bound, drawn %s as dark as they are', (dark) => {
    const found = cleanSketch(drawnOn(sheetWith(boxRun(20, 20, 80, 80), [[20, 50], [80, 50]]), hatched(21, 21, 79, 49, 3), dark))!; // prettier-ignore
    expect(found.areas).toHaveLength(2);
    const [plain, full] = [...found.areas].sort((p, q) => p.hatched - q.hatched);
    expect(plain.hatched).toBeLessThan(0.1);
    expect(full.hatched).toBeGreaterThan(0.8);
    expect(overlapOf(inField(full.rings), ringOf(boxRun(20, 20, 80, 50)))).toBeGreaterThan(0.9);
    expect(found.shade).toEqual([]);
    // None of its strokes is left as a line.
    expect(sizeOf(intersect(inField(found.lines), ringOf(boxRun(24, 24, 76, 46))))).toBeLessThan(6);
  });

  it('is a shade where it fills a part that nothing bounds, crossed or not', () => {
    for (const slopes of [[-1], [-1, 1]]) {
      const strokes = slopes.flatMap((slope) => hatched(52, 22, 79, 78, 3.4, slope));
      const found = cleanSketch(sheetWith(boxRun(20, 20, 80, 80), ...strokes))!;
      expect(found.areas).toHaveLength(1);
      expect(overlapOf(grown(union(inField(found.shade)), 0.4), ringOf(boxRun(52, 20, 80, 80)))).toBeGreaterThan(0.85);
    }
  });

  it('is none where few lines lie side by side, wide apart, or outside', () => {
    const three = [38, 50, 62].map((x): Run => [[x, 36], [x, 62]]); // prettier-ignore
    const wide = [28, 37, 46, 55, 64, 73].map((x): Run => [[x, 26], [x, 74]]); // prettier-ignore
    for (const stripes of [three, wide]) {
      const found = cleanSketch(sheetWith(boxRun(20, 20, 80, 80), ...stripes))!;
      expect(found.shade).toEqual([]);
      expect(Math.max(...found.areas.map((a) => a.hatched))).toBeLessThan(0.2);
      expect(sizeOf(inField(found.lines))).toBeGreaterThan(0.5 * stripes.length * 20 * 0.8);
    }
    const teeth = Array.from({ length: 11 }, (_, i): Run => [[22 + 5.6 * i, 42], [22 + 5.6 * i, 72]]); // prettier-ignore
    const comb = cleanSketch(sheetWith(boxRun(20, 30, 80, 42), ...teeth))!;
    expect(comb.shade).toEqual([]);
    expect(overlapOf(inField(comb.outline), ringOf(boxRun(20, 30, 80, 42)))).toBeGreaterThan(0.85);
  });
});

describe('what lines go round', () => {
  it('is the body, not the space between rays', () => {
    const rays = Array.from({ length: 12 }, (_, i): Run => {
      const a = (2 * Math.PI * i) / 12;
      return [[50 + 22 * Math.cos(a), 50 + 22 * Math.sin(a)], [50 + 32 * Math.cos(a), 50 + 32 * Math.sin(a)]]; // prettier-ignore
    });
    const found = cleanSketch(sheetWith(roundRun(50, 50, 17), ...rays))!;
    expect(overlapOf(inField(found.outline), ringOf(roundRun(50, 50, 17)))).toBeGreaterThan(0.93);
    expect(found.loose).toHaveLength(12);
  });

  it('is closed across a gap, and a line that leaves it is loose', () => {
    const open = roundRun(50, 55, 24).slice(2);
    const stem: Run = [[50, 31], [52, 22], [57, 14]]; // prettier-ignore
    const found = cleanSketch(sheetWith(open, stem))!;
    expect(overlapOf(inField(found.outline), ringOf(roundRun(50, 55, 24)))).toBeGreaterThan(0.93);
    expect(found.loose).toHaveLength(1);
    expect(Math.min(...found.loose[0].filter((_, i) => i % 2)) * (100 / SIDE_PX)).toBeLessThan(16);
  });

  it('is nothing in a drawing of open lines, all of which are loose', () => {
    const found = cleanSketch(sheetWith(WAVE))!;
    expect(found.outline).toEqual([]);
    expect(found.loose).toHaveLength(1);
  });
});
