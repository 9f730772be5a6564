import { describe, expect, it } from 'vitest';
import { flatten, length, minus, nearestShare, tangentsOf, turnBetween, type Contour, type Point, type Segment } from '../path'; // prettier-ignore
import { randomFrom } from '../random';
import { onCircles } from './index';

describe('curves on circles', () => {
  it('are arcs and lines that run into one another and stay near the curve, whatever it is', () => {
    const random = randomFrom(11);
    for (let k = 0; k < 200; k++) {
      const at = (): Point => [100 * random(), 100 * random()];
      const [start, c1, c2, to] = [at(), at(), at(), at()];
      const contour: Contour = { start, segments: [{ kind: 'curve', c1, c2, to }], open: true };
      const made = onCircles(contour, 0.5);
      expect(made.segments.every((s) => s.kind !== 'curve')).toBe(true);
      expect(made.segments.at(-1)!.to).toEqual(to);
      const curve = flatten(contour, 0.02);
      const run = flatten(made, 0.02);
      const near = (list: number[], x: number, y: number): number => {
        let best = Infinity;
        for (let i = 0; i + 3 < list.length; i += 2) {
          const [from, to]: Point[] = [[list[i], list[i + 1]], [list[i + 2], list[i + 3]]]; // prettier-ignore
          const t = nearestShare([x, y], from, to);
          best = Math.min(
            best,
            length(minus([x, y], [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])])),
          );
        }
        return best;
      };
      for (let i = 0; i < run.length; i += 6) expect(near(curve, run[i], run[i + 1])).toBeLessThan(1.2);
      for (let i = 0; i < curve.length; i += 6) expect(near(run, curve[i], curve[i + 1])).toBeLessThan(1.2);
    }
  });

  it('keep the directions of a smooth curve at both ends and between arcs', () => {
    const segments: Segment[] = [
      { kind: 'curve', c1: [10, 40], c2: [40, 5], to: [70, 20] },
      { kind: 'curve', c1: [100, 35], c2: [95, 80], to: [60, 90] },
    ];
    const made = onCircles({ start: [10, 80], segments, open: true }, 0.3);
    expect(made.segments.length).toBeLessThan(13);
    let from: Point = [10, 80];
    let last = tangentsOf(from, segments[0])[0];
    for (const s of made.segments) {
      const [leaves, arrives] = tangentsOf(from, s);
      expect(turnBetween(leaves, last)).toBeLessThan(0.02);
      [from, last] = [s.to, arrives];
    }
    expect(turnBetween(last, tangentsOf([70, 20], segments[1])[1])).toBeLessThan(0.02);
  });

  it('leave lines and arcs as they are, and a curve that is a circle is one', () => {
    const plain: Contour = { start: [0, 0], segments: [{ kind: 'line', to: [10, 0] }, { kind: 'arc', radius: 5, large: false, clockwise: true, to: [10, 10] }] }; // prettier-ignore
    expect(onCircles(plain, 0.1)).toEqual(plain);
    const k = 0.5522847;
    const quarter: Contour = { start: [50, 0], segments: [{ kind: 'curve', c1: [50, 50 * k], c2: [50 * k, 50], to: [0, 50] }], open: true }; // prettier-ignore
    for (const s of onCircles(quarter, 0.1).segments) expect(s.kind === 'arc' && s.radius).toBeCloseTo(50, 0);
  });
});
