import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { randomFrom } from '../../random';
import {
  circle,
  circleOfArcs,
  combined,
  mapContour,
  path,
  pointsAlong,
  polygon,
  rectangle,
  rectangleOfArcs,
  turnAbout,
  type Contour,
  type Point,
} from '../../path';
import { constructionOf } from '../index';

const WITHIN = 0.5;
const of = (...contours: Contour[]) => constructionOf(contours, WITHIN);
const radii = (c: ReturnType<typeof of>): number[] => c.circles.map((x) => Math.round(x.radiusPx * 10) / 10).sort((p, q) => p - q); // prettier-ignore

describe('construction', () => {
  it('finds the two circles that a crescent is cut from, whether of arcs or of curves', () => {
    for (const round of [circleOfArcs, circle]) {
      const moon = combined('subtract', [{ contours: [round(200, 200, 160)] }, { contours: [round(260, 180, 140)] }]);
      const found = of(...moon);
      expect(found.lines).toEqual([]);
      expect(radii(found)).toEqual([140, 160]);
      for (const { centre, radiusPx } of found.circles) {
        const [x, y] = radiusPx > 150 ? [200, 200] : [260, 180];
        expect(Math.hypot(centre[0] - x, centre[1] - y)).toBeLessThan(0.06);
      }
      expect(found.share).toBeCloseTo(1, 6);
    }
  });

  it('counts what lies on one line or circle once, however many pieces it is in', () => {
    // Two bars that stand in line, and a ring whose halves are two pieces.
    const bars = of(rectangle(20, 100, 60, 40), rectangle(220, 100, 60, 40));
    expect(bars.lines.filter((l) => l.angleDeg === 0)).toHaveLength(2);
    expect(bars.lines.map((l) => Math.round(l.lengthPx)).slice(0, 2)).toEqual([120, 120]);
    const halves = [path('M100 40A60 60 0 0 1 100 160Z'), path('M100 160A60 60 0 0 1 100 40Z')];
    const disc = of(...halves);
    expect(radii(disc)).toEqual([60]);
    // The edge that they share counts once.
    expect(disc.lines.map((l) => Math.round(l.lengthPx))).toEqual([120]);
  });

  it('tells directions, those that nearly agree together', () => {
    const turned = (deg: number, x: number): Contour =>
      mapContour(turnAbout([x, 100], (deg * Math.PI) / 180), rectangle(x - 40, 80, 80, 40));
    const { angles } = of(turned(0, 60), turned(30, 200), turned(30.2, 340));
    expect(angles.map((a) => [Math.round(a.deg), a.lines])).toEqual([
      [30, 4],
      [120, 4],
      [0, 2],
      [90, 2],
    ]);
  });

  it('finds the unit that radii and distances share, and none where there is none', () => {
    const found = of(
      circleOfArcs(200, 200, 160),
      circleOfArcs(200, 200, 140),
      rectangleOfArcs(120, 160, 160, 80, 20),
      circleOfArcs(140, 120, 40),
    );
    expect(found.unit?.px).toBeCloseTo(20, 2);
    expect(found.unit!.fit / found.unit!.of).toBeGreaterThan(0.85);
    const odd = of(circleOfArcs(200, 200, 157), circleOfArcs(213, 188, 91), circleOfArcs(90, 71, 38), circleOfArcs(333, 44, 23.7)); // prettier-ignore
    expect(odd.unit).toBeNull();
  });

  it('leaves free curves free, and passes over what is too short or not seen', () => {
    const wave = of(path('M20 200C80 20 140 380 200 200C210 170 260 160 300 200L300 300L20 300Z'));
    expect(wave.share).toBeLessThan(1);
    expect(wave.lines.length).toBe(3);
    expect(of(polygon([[0, 0], [200, 0], [200, 3], [0, 3]])).lines).toHaveLength(2); // prettier-ignore
    const above = (p: Point): boolean => p[1] < 100;
    const half = constructionOf([circleOfArcs(100, 100, 60)], WITHIN, above);
    expect(half.circles[0].lengthPx).toBeLessThan(Math.PI * 60 + 2);
    expect(half.circles[0].radiusPx).toBeCloseTo(60, 1);
    expect(constructionOf([], WITHIN)).toMatchObject({ lines: [], circles: [], share: 0, unit: null });
  });

  it('never says that outlines lie further from what they lie on than was allowed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const random = randomFrom(seed);
        const within = 0.2 + random() * 2;
        const points = Array.from({ length: 7 }, (): Point => [random() * 400, random() * 400]);
        const blob: Contour = {
          start: points[0],
          segments: [
            { kind: 'curve', c1: points[1], c2: points[2], to: points[3] },
            { kind: 'curve', c1: points[4], c2: points[5], to: points[6] },
            { kind: 'line', to: points[0] },
          ],
        };
        const found = constructionOf([blob, circle(200, 200, 30 + 100 * random())], within);
        expect(found.greatestPx).toBeLessThanOrEqual(within + 1e-9);
        expect(found.share).toBeLessThanOrEqual(1 + 1e-9);
        // What a circle carries is not more than the circle, but for what lies beside it within the distance.
        for (const c of found.circles) expect(c.lengthPx).toBeLessThan(4 * Math.PI * (c.radiusPx + within));
      }),
      { numRuns: 40 },
    );
  });

  it('stands a drawing of thousands of points', () => {
    const dense: Contour = polygon(pointsAlong(circle(500, 500, 400), 1e-5));
    expect(dense.segments.length).toBeGreaterThan(500);
    // Straight between places, it is a circle still.
    const found = of(dense);
    expect(found.circles.map((c) => Math.round(c.radiusPx))).toEqual([400]);
    expect(found.greatestPx).toBeLessThanOrEqual(WITHIN);
  });
});
