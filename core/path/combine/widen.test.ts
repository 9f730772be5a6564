import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { flatten, nearestPlace, parsePath, PLAIN_STROKE, pointsAlong, signedArea, strokeArea, widened, type Contour, type Point, type StrokeStyle } from '../index'; // prettier-ignore

const line = (d: string): Contour => {
  const [{ start, segments }] = parsePath(`${d}Z`);
  // Path data closes what it fills: a line ends where it was drawn to.
  return { start, segments: segments.slice(0, -1), open: true };
};
const sizeOf = (contours: readonly Contour[]): number =>
  contours.reduce((sum, c) => sum + signedArea(flatten(c, 1e-3)), 0);
const style = (more: Partial<StrokeStyle>): StrokeStyle => ({ ...PLAIN_STROKE, ...more });
const round = (widthPx: number): StrokeStyle => style({ widthPx, cap: 'round', join: 'round' });
const kindsOf = (contours: readonly Contour[]): string =>
  contours
    .map((c) =>
      c.segments
        .map((s) => s.kind[0])
        .sort()
        .join(''),
    )
    .join(' ');

describe('lines made areas', () => {
  it('have known areas and as few points as their shape needs', () => {
    const bar = line('M10 10H110');
    expect(widened([bar], style({ widthPx: 20 })).map((c) => [sizeOf([c]), c.segments.length])).toEqual([[2000, 4]]);
    expect(sizeOf(widened([bar], style({ widthPx: 20, cap: 'square' })))).toBeCloseTo(2400, 6);
    const rounded = widened([bar], round(20));
    expect(sizeOf(rounded)).toBeCloseTo(2000 + 100 * Math.PI, 1);
    expect(kindsOf(rounded)).toBe('aall');
    const corner = line('M0 0H100V100');
    expect(sizeOf(widened([corner], style({ widthPx: 20 })))).toBeCloseTo(4000, 6);
    expect(sizeOf(widened([corner], style({ widthPx: 20, join: 'bevel' })))).toBeCloseTo(3950, 6);
    expect(sizeOf(widened([corner], style({ widthPx: 20, join: 'round' })))).toBeCloseTo(3900 + 25 * Math.PI, 1);
    // A mitre too long is cut off.
    expect(sizeOf(widened([line('M0 0H100L0 10')], style({ widthPx: 10, mitreLimit: 4 })))).toBeLessThan(1700);
  });

  it('keep arcs as arcs: a ring of one circle is two', () => {
    const [ring] = parsePath('M40 100A60 60 0 1 1 160 100A60 60 0 1 1 40 100Z');
    const got = widened([ring], style({ widthPx: 16 }));
    expect(kindsOf(got)).toBe('aa aa');
    expect(Math.abs(sizeOf(got))).toBeCloseTo(Math.PI * (68 ** 2 - 52 ** 2), 0);
  });

  it('taper as a profile says, with the widest place where it says', () => {
    const profile = [
      { at: 0, share: 0 },
      { at: 0.25, share: 1 },
      { at: 1, share: 0.5 },
    ];
    const got = widened([line('M0 50H200')], style({ widthPx: 40, profile }));
    expect(sizeOf(got)).toBeCloseTo(50 * 20 + 150 * 30, 6);
    const points = flatten(got[0]);
    const widest = Math.max(...points.filter((_, k) => k % 2));
    expect(widest).toBeCloseTo(70, 6);
    expect(points[points.indexOf(widest) - 1]).toBeCloseTo(50, 6);
    // As it is drawn, so it is made an area.
    expect(strokeArea([line('M0 50H200')], style({ widthPx: 40, profile })).reduce((s, r) => s + Math.abs(signedArea(r)), 0)).toBeCloseTo(5500, 3); // prettier-ignore
  });

  it('are dashes where they are dashed, and nothing where they have no width', () => {
    expect(widened([line('M0 0H100')], style({ widthPx: 4, dash: [10, 10] })).map((c) => sizeOf([c]))).toEqual([40, 40, 40, 40, 40]); // prettier-ignore
    expect(widened([line('M0 0H100')], style({ widthPx: 0 }))).toEqual([]);
    expect(widened([{ start: [5, 5], segments: [], open: true }], style({ widthPx: 4 }))).toEqual([]);
    expect(sizeOf(widened([{ start: [5, 5], segments: [], open: true }], round(4)))).toBeCloseTo(4 * Math.PI, 1);
  });

  it('have sides half their width away from where they are drawn, whatever they cross', () => {
    const at = fc.double({ min: 0, max: 200, noNaN: true });
    const point = fc.tuple(at, at);
    fc.assert(
      fc.property(point, point, point, point, point, fc.integer({ min: 2, max: 40 }), (a, b, c, d, e, widthPx) => {
        const long = (p: Point, q: Point) => Math.hypot(p[0] - q[0], p[1] - q[1]);
        fc.pre(long(a, d) > 20 && long(d, e) > 20 && long(a, b) > 5 && long(c, d) > 5);
        const course: Contour = {
          start: a,
          segments: [
            { kind: 'curve', c1: b, c2: c, to: d },
            { kind: 'line', to: e },
          ],
          open: true,
        };
        const offs = widened([course], round(widthPx)).flatMap((contour) =>
          pointsAlong(contour, 0.005).map((p) => Math.abs(nearestPlace(course, p)!.distancePx - widthPx / 2)),
        );
        offs.sort((p, q) => p - q);
        expect(offs[Math.floor(0.95 * (offs.length - 1))]).toBeLessThan(0.04);
        // The inmost corner of a fold alone may lie a little off.
        expect(offs[offs.length - 1]).toBeLessThan(0.7);
      }),
      { numRuns: 60, seed: 7 },
    );
  });
});
