import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circleOfArcs, contains, ellipse, flatten, rectangle, signedArea, sweptArea, type Contour } from '../index';

const sizeOf = (contours: readonly Contour[]): number =>
  contours.reduce((sum, c) => sum + signedArea(flatten(c, 1e-3)), 0);

describe('what an area covers on its way', () => {
  it('is known for a rectangle, a disc and a ring', () => {
    expect(sizeOf(sweptArea({ contours: [rectangle(0, 0, 20, 10)] }, [30, 0]))).toBeCloseTo(500, 6);
    expect(sizeOf(sweptArea({ contours: [rectangle(0, 0, 20, 10)] }, [30, 30]))).toBeCloseTo(200 + 30 * 30, 6);
    const disc = sweptArea({ contours: [circleOfArcs(50, 50, 20)] }, [60, 80]);
    expect(sizeOf(disc)).toBeCloseTo(Math.PI * 400 + 40 * 100, 0);
    // Arcs at both ends, lines that touch them between.
    expect(new Set(disc[0].segments.map((s) => s.kind))).toEqual(new Set(['arc', 'line']));
    const ring = [circleOfArcs(50, 50, 20), circleOfArcs(50, 50, 10)];
    // The hole is what the hole and the moved hole have in common.
    const lens = 2 * 100 * Math.acos(3 / 20) - 1.5 * Math.sqrt(4 * 100 - 9);
    expect(sizeOf(sweptArea({ contours: ring, rule: 'evenodd' }, [3, 0]))).toBeCloseTo(Math.PI * 400 + 120 - lens, 0);
  });

  it('is the area itself where it stays', () => {
    const own = [circleOfArcs(50, 50, 20)];
    expect(sizeOf(sweptArea({ contours: own }, [0, 0]))).toBeCloseTo(sizeOf(own), 6);
  });

  it('has every place of the area at every share of the way, and none that no share has', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 40, noNaN: true }),
        fc.double({ min: 4, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.integer({ min: -90, max: 90 }),
        fc.integer({ min: -90, max: 90 }),
        (rx, ry, turn, dx, dy) => {
          fc.pre(Math.hypot(dx, dy) > 1);
          const own = [ellipse(0, 0, rx, ry, turn)];
          const swept = sweptArea({ contours: own }, [dx, dy]);
          const isOn = (x: number, y: number): boolean =>
            Array.from({ length: 41 }, (_, k) => k / 40).some((t) => contains(own, [x - t * dx, y - t * dy]));
          for (let k = 0; k < 24; k++) {
            const [t, rad, r] = [k / 23, k * 2.4, 0.9];
            const [u, v] = [r * rx * Math.cos(rad), r * ry * Math.sin(rad)];
            const p = [
              u * Math.cos(turn) - v * Math.sin(turn) + t * dx,
              u * Math.sin(turn) + v * Math.cos(turn) + t * dy,
            ] as const;
            expect(contains(swept, p)).toBe(true);
          }
          const reach = Math.max(rx, ry) + 3;
          for (let k = 0; k < 24; k++) {
            const p = [-reach + (k % 6) * ((dx + 2 * reach) / 5), -reach + Math.floor(k / 6) * ((dy + 2 * reach) / 3)] as const; // prettier-ignore
            // Beside its border the steps of the way count.
            if (!contains(swept, p)) expect(isOn(...p)).toBe(false);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
