import { describe, expect, it } from 'vitest';
import { hexToOklab } from '../colour';
import { intersect, runLength, sizeOf } from '../path';
import type { Picture } from '../raster';
import { boxRun, paper, sheetWith, WAVE, type Run } from '../sketch/testing';
import { boundsOf, box } from './area';
import { seenParts, silhouetteOf } from './figure';
import { readReference } from './reference';
import { tintFor } from './tint';

const strokes = (x0: number, x1: number, y0: number, y1: number): Run[] => Array.from({ length: Math.floor((y1 - y0 - 8) / 3) }, (_, i) => [[x0, y0 + 8 + 3 * i], [x1, y0 + 1 + 3 * i]]); // prettier-ignore

describe('a sketch drawn anew', () => {
  const mug = (): Picture =>
    sheetWith(boxRun(25, 30, 65, 80), [[66, 40], [76, 42], [80, 54], [76, 66], [66, 68]], ...strokes(46, 64, 31, 79)); // prettier-ignore

  it('has a darker tone where it was hatched, and an open handle', () => {
    const { figure } = readReference(mug());
    const toneAt = (x: number, y: number): number => seenParts(figure).find((p) => sizeOf(intersect(p.area, box(x - 1, y - 1, 2, 2))) > 2)!.tone; // prettier-ignore
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
    const { figure } = readReference(sheetWith(WAVE));
    expect(figure.parts).toHaveLength(1);
    const length = runLength(WAVE.flat());
    expect(sizeOf(figure.parts[0].area) / length).toBeGreaterThan(2.4);
    expect(sizeOf(figure.parts[0].area) / length).toBeLessThan(4);
    expect(() => readReference(paper())).toThrow('No figure was found');
  });
});
