import { describe, expect, it } from 'vitest';
import { stroked } from '../path';
import { blankPicture, cover, type Picture } from '../raster';
import { seenParts, silhouetteOf } from './figure';
import { readReference } from './reference';
import { boundsOf } from './area';
import { sizeOf, intersect, type Area } from '../path';
import { tintFor } from './tint';
import { hexToOklab } from '../colour';

const SIDE = 400;
type Run = readonly (readonly [number, number])[];
const box = (x0: number, y0: number, x1: number, y1: number): Run => [[x0, y0], [x1, y0], [x1, y1], [x0, y1], [x0, y0]]; // prettier-ignore
const area = (run: Run): Area => [run.slice(0, -1).flat()];

function sheetWith(...runs: readonly Run[]): Picture {
  const picture = blankPicture(SIDE, SIDE, [250, 250, 248]);
  const c = cover(stroked(runs.map((run) => run.flat()), 0.8, false).map((ring) => ring.map((v) => (v * SIDE) / 100)), SIDE, SIDE)!; // prettier-ignore
  for (let y = 0; y < c.heightPx; y++)
    for (let x = 0; x < c.widthPx; x++)
      for (let k = 0; k < 3; k++) picture.rgba[4 * ((y + c.y0) * SIDE + x + c.x0) + k] -= c.share[y * c.widthPx + x] * 190; // prettier-ignore
  return picture;
}
const strokes = (x0: number, x1: number, y0: number, y1: number): Run[] => Array.from({ length: Math.floor((y1 - y0 - 8) / 3) }, (_, i) => [[x0, y0 + 8 + 3 * i], [x1, y0 + 1 + 3 * i]]); // prettier-ignore

describe('a sketch drawn anew', () => {
  const mug = (): Picture =>
    sheetWith(box(25, 30, 65, 80), [[66, 40], [76, 42], [80, 54], [76, 66], [66, 68]], ...strokes(46, 64, 31, 79)); // prettier-ignore

  it('has a darker tone where it was hatched, and an open handle', () => {
    const { figure } = readReference(mug());
    const toneAt = (x: number, y: number): number => seenParts(figure).find((p) => sizeOf(intersect(p.area, area(box(x - 1, y - 1, x + 1, y + 1)))) > 2)!.tone; // prettier-ignore
    expect(figure.tones[toneAt(55, 60)]).toBeLessThan(figure.tones[toneAt(35, 60)]);
    expect(boundsOf(silhouetteOf(figure)).x + boundsOf(silhouetteOf(figure)).width).toBeGreaterThan(78);
  });

  it('keeps its shade the darker in whatever colours it is drawn', () => {
    const { figure } = readReference(mug());
    for (const inks of [
      ['#1d3557', '#a8dadc'],
      ['#f4c26b', '#7a2f1d'],
      ['#e9d8ff', '#54318c', '#2f9e8f'],
    ]) {
      // prettier-ignore
      const { hexOf, on } = tintFor(figure, { inks, groundHex: '#ffffff', strict: false, named: false } as never);
      const [dark, light] = [hexOf[0], hexOf[1]];
      expect(dark).not.toBe(on);
      if (light !== on && light !== dark) expect(hexToOklab(dark).L).toBeLessThan(hexToOklab(light).L);
    }
  });

  it('is lines of one weight where they go round nothing', () => {
    const wave: Run = Array.from({ length: 60 }, (_, i) => [20 + i, 50 + 12 * Math.sin(i / 6)]);
    const { figure } = readReference(sheetWith(wave));
    expect(figure.parts).toHaveLength(1);
    const length = wave.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - wave[i][0], y - wave[i][1]), 0);
    expect(sizeOf(figure.parts[0].area) / length).toBeGreaterThan(2.4);
    expect(sizeOf(figure.parts[0].area) / length).toBeLessThan(4);
    expect(() => readReference(blankPicture(SIDE, SIDE, [250, 250, 248]))).toThrow('No figure was found');
  });
});
