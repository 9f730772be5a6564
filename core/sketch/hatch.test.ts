import { describe, expect, it } from 'vitest';
import { grown, intersect, evenOdd, sizeOf, stroked, union, type Area } from '../path';
import { blankPicture, cover, type Picture } from '../raster';
import { cleanSketch, overlapOf } from './index';

const SIDE = 400;
type Run = readonly (readonly [number, number])[];

const disc = (cx: number, cy: number, r: number): Run => Array.from({ length: 73 }, (_, i) => [cx + r * Math.cos((2 * Math.PI * i) / 72), cy + r * Math.sin((2 * Math.PI * i) / 72)]); // prettier-ignore
const ringOf = (run: Run): Area => [run.slice(0, -1).flat()];

/** Pencil lines on paper, each with how dark it is, in a field of 100 x 100. */
function sheetWith(lines: readonly { run: Run; dark?: number }[], weight = 0.8): Picture {
  const picture = blankPicture(SIDE, SIDE, [244, 240, 230]);
  for (const { run, dark = 1 } of lines) {
    const c = cover(
      stroked([run.flat()], weight, false).map((ring) => ring.map((v) => (v * SIDE) / 100)),
      SIDE,
      SIDE,
    )!;
    for (let y = 0; y < c.heightPx; y++)
      for (let x = 0; x < c.widthPx; x++) {
        const at = 4 * ((y + c.y0) * SIDE + x + c.x0);
        for (let k = 0; k < 3; k++) picture.rgba[at + k] -= c.share[y * c.widthPx + x] * dark * (picture.rgba[at + k] - 60); // prettier-ignore
      }
  }
  return picture;
}

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
const box = (x0: number, y0: number, x1: number, y1: number): Run => [[x0, y0], [x1, y0], [x1, y1], [x0, y1], [x0, y0]]; // prettier-ignore
const inField = (rings: Area): Area => evenOdd(rings.map((ring) => ring.map((v) => (v * 100) / SIDE)));

describe('hatching', () => {
  it.each([[1], [0.5]])('is a tone where it fills a part that lines bound, drawn %s as dark as they are', (dark) => {
    const found = cleanSketch(sheetWith([{ run: box(20, 20, 80, 80) }, { run: [[20, 50], [80, 50]] }, ...hatched(21, 21, 79, 49, 3).map((run) => ({ run, dark }))]))!; // prettier-ignore
    expect(found.areas).toHaveLength(2);
    const [plain, full] = [...found.areas].sort((p, q) => p.hatched - q.hatched);
    expect(plain.hatched).toBeLessThan(0.1);
    expect(full.hatched).toBeGreaterThan(0.8);
    expect(overlapOf(inField(full.rings), ringOf(box(20, 20, 80, 50)))).toBeGreaterThan(0.9);
    expect(found.shade).toEqual([]);
    // None of its strokes is left as a line.
    expect(sizeOf(intersect(inField(found.lines), ringOf(box(24, 24, 76, 46))))).toBeLessThan(6);
  });

  it('is a shade where it fills a part that nothing bounds, crossed or not', () => {
    for (const slopes of [[-1], [-1, 1]]) {
      const strokes = slopes.flatMap((slope) => hatched(52, 22, 79, 78, 3.4, slope));
      const found = cleanSketch(sheetWith([{ run: box(20, 20, 80, 80) }, ...strokes.map((run) => ({ run }))]))!;
      expect(found.areas).toHaveLength(1);
      expect(overlapOf(grown(union(inField(found.shade)), 0.4), ringOf(box(52, 20, 80, 80)))).toBeGreaterThan(0.85);
    }
  });

  it('is none where few lines lie side by side, wide apart, or outside', () => {
    const three = [38, 50, 62].map((x): Run => [[x, 36], [x, 62]]); // prettier-ignore
    const wide = [28, 37, 46, 55, 64, 73].map((x): Run => [[x, 26], [x, 74]]); // prettier-ignore
    for (const stripes of [three, wide]) {
      const found = cleanSketch(sheetWith([{ run: box(20, 20, 80, 80) }, ...stripes.map((run) => ({ run }))]))!;
      expect(found.shade).toEqual([]);
      expect(Math.max(...found.areas.map((a) => a.hatched))).toBeLessThan(0.2);
      expect(sizeOf(inField(found.lines))).toBeGreaterThan(0.5 * stripes.length * 20 * 0.8);
    }
    const teeth = Array.from({ length: 11 }, (_, i): Run => [[22 + 5.6 * i, 42], [22 + 5.6 * i, 72]]); // prettier-ignore
    const comb = cleanSketch(sheetWith([{ run: box(20, 30, 80, 42) }, ...teeth.map((run) => ({ run }))]))!;
    expect(comb.shade).toEqual([]);
    expect(overlapOf(inField(comb.outline), ringOf(box(20, 30, 80, 42)))).toBeGreaterThan(0.85);
  });
});

describe('what lines go round', () => {
  it('is the body, not the space between rays', () => {
    const rays = Array.from({ length: 12 }, (_, i): Run => {
      const a = (2 * Math.PI * i) / 12;
      return [[50 + 22 * Math.cos(a), 50 + 22 * Math.sin(a)], [50 + 32 * Math.cos(a), 50 + 32 * Math.sin(a)]]; // prettier-ignore
    });
    const found = cleanSketch(sheetWith([{ run: disc(50, 50, 17) }, ...rays.map((run) => ({ run }))]))!;
    expect(overlapOf(inField(found.outline), ringOf(disc(50, 50, 17)))).toBeGreaterThan(0.93);
    expect(found.loose).toHaveLength(12);
  });

  it('is closed across a gap, and a line that leaves it is loose', () => {
    const open = disc(50, 55, 24).slice(2);
    const stem: Run = [[50, 31], [52, 22], [57, 14]]; // prettier-ignore
    const found = cleanSketch(sheetWith([{ run: open }, { run: stem }]))!;
    expect(overlapOf(inField(found.outline), ringOf(disc(50, 55, 24)))).toBeGreaterThan(0.93);
    expect(found.loose).toHaveLength(1);
    expect(Math.min(...found.loose[0].filter((_, i) => i % 2)) * (100 / SIDE)).toBeLessThan(16);
  });

  it('is nothing in a drawing of open lines, all of which are loose', () => {
    const wave: Run = Array.from({ length: 60 }, (_, i) => [20 + i, 50 + 12 * Math.sin(i / 6)]);
    const found = cleanSketch(sheetWith([{ run: wave }]))!;
    expect(found.outline).toEqual([]);
    expect(found.loose).toHaveLength(1);
  });
});
