import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxOfRuns, circleOfArcs, flatten, tightBox, type Contour, type Point } from './index';

const place = fc.tuple(fc.double({ min: -50, max: 50, noNaN: true }), fc.double({ min: -50, max: 50, noNaN: true })); // prettier-ignore

describe('the tight box', () => {
  it('holds curves where they turn, and no more', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(place, place, place), { minLength: 1, maxLength: 4 }), place, (curves, start) => {
        const contour: Contour = {
          start,
          segments: curves.map(([c1, c2, to]) => ({ kind: 'curve', c1, c2, to: to as Point })),
        };
        const [tight, fine] = [tightBox([contour])!, boxOfRuns([flatten(contour, 1e-4)])!];
        for (const key of ['x', 'y', 'width', 'height'] as const) expect(tight[key]).toBeCloseTo(fine[key], 2);
        expect(tight.width).toBeGreaterThanOrEqual(fine.width - 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it('is known for a circle, and none for nothing', () => {
    const box = tightBox([circleOfArcs(10, 20, 5)])!;
    expect(box.x).toBeCloseTo(5, 2);
    expect(box.height).toBeCloseTo(10, 2);
    expect(tightBox([])).toBeNull();
  });
});
