import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  circle,
  circleOfArcs,
  contains,
  flatten,
  mapContour,
  parsePath,
  polygon,
  rectangle,
  rectangleOfArcs,
  signedArea,
  star,
  type Contour,
  type Point,
} from '../index';
import { combined, cutApart, offsetOf, type Combination, type Enclosed } from './index';

const area = (...contours: Contour[]): Enclosed => ({ contours });
const sizeOf = (contours: readonly Contour[]): number =>
  contours.reduce((sum, c) => sum + signedArea(flatten(c, 1e-4)), 0);
const kindsOf = (contours: readonly Contour[]): string => contours.map((c) => c.segments.map((s) => s.kind[0]).join('')).join(' '); // prettier-ignore
const pointsOf = (contours: readonly Contour[]): number => contours.reduce((n, c) => n + c.segments.length, 0);
const isClosed = ({ start, segments }: Contour): boolean => {
  const { to } = segments[segments.length - 1];
  return Math.hypot(to[0] - start[0], to[1] - start[1]) < 1e-9;
};
const box = (x: number, y: number, w: number, h: number) => area(rectangle(x, y, w, h));
const disc = (x: number, y: number, r: number) => area(circleOfArcs(x, y, r));
const turned = ({ contours, rule }: Enclosed, angleRad: number, x: number, y: number): Enclosed => {
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  return { contours: contours.map((c) => mapContour([cos, sin, -sin, cos, x, y], c)), rule };
};

describe('combining', () => {
  it('gives known areas and points of rectangles', () => {
    const [a, b] = [box(0, 0, 10, 10), box(5, 5, 10, 10)];
    for (const [how, size, points] of [
      ['unite', 175, 8],
      ['subtract', 75, 6],
      ['intersect', 25, 4],
    ] as const) {
      const got = combined(how, [a, b]);
      expect([how, sizeOf(got), pointsOf(got)]).toEqual([how, size, points]);
    }
  });

  it('unites neighbours that share an edge, or a part of one, without a sliver or a point too many', () => {
    expect(combined('unite', [box(0, 0, 10, 10), box(10, 0, 10, 10)]).map((c) => c.segments.length)).toEqual([4]);
    expect(combined('unite', [box(0, 0, 10, 10), box(10, 3, 10, 4)]).map((c) => c.segments.length)).toEqual([8]);
    // A circle cut by a wave, its halves put together again.
    const wave = 'C34 40 44 60 60 50';
    const [upper, lower] = [parsePath(`M20 50A20 20 0 0 1 60 50C44 60 34 40 20 50Z`), parsePath(`M20 50${wave}A20 20 0 0 1 20 50Z`)]; // prettier-ignore
    const whole = combined('unite', [{ contours: upper }, { contours: lower }]);
    expect(kindsOf(whole)).toBe('aa');
    expect(sizeOf(whole)).toBeCloseTo(Math.PI * 400, 1);
  });

  it('keeps arcs as arcs, and what meets nothing as it was', () => {
    const lens = combined('intersect', [disc(0, 0, 10), disc(12, 0, 10)]);
    expect(kindsOf(lens)).toMatch(/^a+$/);
    expect(lens.flatMap((c) => c.segments).every((s) => s.kind === 'arc' && s.radius === 10)).toBe(true);
    // Two segments of circles, each of half an angle whose cosine is 6 over 10.
    const half = Math.acos(0.6);
    expect(sizeOf(lens)).toBeCloseTo(2 * 100 * (half - Math.sin(half) * Math.cos(half)), 2);
    const apart = combined('unite', [disc(0, 0, 10), area(circle(100, 0, 10))]);
    expect(kindsOf(apart)).toBe('aa cccc');
    expect(apart[1].segments).toEqual(expect.arrayContaining([...circle(100, 0, 10).segments]));
  });

  it('makes holes, fills by either rule, and takes crossings of one outline apart', () => {
    const ring = combined('subtract', [disc(0, 0, 20), disc(0, 0, 10)]);
    expect(ring.map((c) => Math.sign(sizeOf([c])))).toEqual([1, -1]);
    expect(sizeOf(ring)).toBeCloseTo(300 * Math.PI, 1);
    const pentagram = polygon([[0, -10], [6, 8], [-9.5, -3], [9.5, -3], [-6, 8]]); // prettier-ignore
    const all = combined('unite', [area(pentagram)]);
    expect(pointsOf(all)).toBe(10);
    const odd = combined('unite', [{ contours: [pentagram], rule: 'evenodd' }]);
    expect(odd).toHaveLength(5);
    expect(sizeOf(odd)).toBeLessThan(sizeOf(all));
  });

  it('gives nothing where nothing is left, and all where the other is nothing', () => {
    expect(combined('intersect', [disc(0, 0, 5), disc(100, 0, 5)])).toEqual([]);
    expect(combined('subtract', [box(2, 2, 4, 4), box(0, 0, 10, 10)])).toEqual([]);
    expect(combined('subtract', [disc(0, 0, 5), disc(0, 0, 5)])).toEqual([]);
    expect(combined('unite', [area()])).toEqual([]);
    expect(sizeOf(combined('subtract', [box(0, 0, 10, 10), area()]))).toBe(100);
  });

  it('bears outlines of no length, of no width, far away and of many points', () => {
    const spot: Contour = { start: [5, 5], segments: [{ kind: 'line', to: [5, 5] }] };
    const hair: Contour = { start: [0, 5], segments: [{ kind: 'line', to: [20, 5] }, { kind: 'line', to: [0, 5] }] }; // prettier-ignore
    for (const odd of [spot, hair]) expect(sizeOf(combined('unite', [box(0, 0, 10, 10), area(odd)]))).toBeCloseTo(100);
    expect(sizeOf(combined('unite', [box(9e5, 9e5, 10, 10), box(9e5 + 5, 9e5, 10, 10)]))).toBeCloseTo(150, 3);
    const comb = polygon(Array.from({ length: 4000 }, (_, k): Point => [k * 0.25, k % 2 ? 40 : 60 + (k % 7)]).concat([[1000, 200], [0, 200]])); // prettier-ignore
    const cut = combined('subtract', [area(comb), box(-10, 50, 1200, 4)]);
    expect(cut.every(isClosed)).toBe(true);
    expect(pointsOf(cut)).toBeGreaterThan(8000);
  });

  it('holds of every place, whatever is put together: inside by the parts is inside by the whole', () => {
    const shape = fc.oneof(
      fc.record({ r: fc.double({ min: 6, max: 30, noNaN: true }), arcs: fc.boolean() }).map(({ r, arcs }) => (arcs ? disc(0, 0, r) : area(circle(0, 0, r)))), // prettier-ignore
      fc.record({ w: fc.integer({ min: 6, max: 50 }), h: fc.integer({ min: 6, max: 50 }), r: fc.integer({ min: 0, max: 3 }) }).map(({ w, h, r }) => area(rectangleOfArcs(-w / 2, -h / 2, w, h, r))), // prettier-ignore
      fc.integer({ min: 3, max: 9 }).map((n) => area(star(0, 0, n, 30, 12))),
    );
    const placed = fc.record({
      shape,
      t: fc.oneof(fc.constantFrom(0, Math.PI / 2, Math.PI / 4), fc.double({ min: 0, max: 6, noNaN: true })),
      x: fc.integer({ min: -20, max: 20 }),
      y: fc.integer({ min: -20, max: 20 }),
    });
    fc.assert(
      fc.property(placed, placed, fc.constantFrom<Combination>('unite', 'subtract', 'intersect'), (p, q, how) => {
        const [a, b] = [turned(p.shape, p.t, p.x, p.y), turned(q.shape, q.t, q.x, q.y)];
        const got = combined(how, [a, b]);
        expect(got.every(isClosed)).toBe(true);
        // Areas add up: what both enclose and what either does are together what each does. A hundred times as large, where no part is too thin to be kept.
        const [la, lb] = [a, b].map((e) => area(...e.contours.map((c) => mapContour([100, 0, 0, 100, 0, 0], c))));
        const large = (e: readonly Contour[]) => e.reduce((sum, c) => sum + signedArea(flatten(c, 0.05)), 0) / 1e4;
        const [sa, sb] = [la, lb].map(({ contours }) => Math.abs(large(contours)));
        const both = large(combined('intersect', [la, lb]));
        const size = { unite: sa + sb - both, subtract: sa - both, intersect: both }[how];
        expect(Math.abs(large(combined(how, [la, lb])) - size)).toBeLessThan(0.01);
        for (let y = -48; y <= 48; y += 7.3)
          for (let x = -48; x <= 48; x += 7.1) {
            const [ia, ib] = [a, b].map(({ contours }) => contains(contours, [x, y]));
            const wanted = { unite: ia || ib, subtract: ia && !ib, intersect: ia && ib }[how];
            // Flattened edges stray a quarter of a pixel: only what is further inside or outside is asked.
            const near = [a, b].some(({ contours }) => [[0.6, 0], [-0.6, 0], [0, 0.6], [0, -0.6]].some(([dx, dy]) => contains(contours, [x + dx, y + dy]) !== contains(contours, [x, y]))); // prettier-ignore
            if (!near) expect([x, y, contains(got, [x, y])]).toEqual([x, y, wanted]);
          }
      }),
      { numRuns: 120 },
    );
  });
});

describe('cutting apart', () => {
  it('gives each set of areas that anything is in', () => {
    const regions = cutApart([box(0, 0, 10, 10), box(5, 0, 10, 10), box(5, 5, 20, 10)]);
    const sizes = Object.fromEntries(regions.map(({ within, contours }) => [within.join(''), sizeOf(contours)]));
    expect(sizes).toEqual({ 0: 50, 1: 25, 2: 150, 12: 25, '01': 25, '012': 25 });
  });
});

describe('growing and shrinking', () => {
  const size = (e: Enclosed, by: number, join: 'round' | 'mitre' | 'bevel' = 'round') => sizeOf(offsetOf(e, by, join));

  it('gives known areas, by how corners are made', () => {
    const r = box(0, 0, 20, 10);
    expect(size(r, 2, 'mitre')).toBeCloseTo(24 * 14, 6);
    expect(size(r, 2, 'bevel')).toBeCloseTo(200 + 120 + 8, 6);
    expect(size(r, 2)).toBeCloseTo(200 + 120 + 4 * Math.PI, 1);
    expect(size(r, -2)).toBeCloseTo(96, 6);
    expect(offsetOf(r, -5.1)).toEqual([]);
    expect(pointsOf(offsetOf(r, 2, 'mitre'))).toBe(4);
  });

  it('keeps circles circles, and rings rings until they close', () => {
    expect(kindsOf(offsetOf(disc(0, 0, 10), 3))).toBe('aa');
    expect(offsetOf(disc(0, 0, 10), 3)[0].segments).toMatchObject([{ radius: 13 }, { radius: 13 }]);
    expect(offsetOf(disc(0, 0, 10), -10.5)).toEqual([]);
    const ring: Enclosed = { contours: [circleOfArcs(0, 0, 20), circleOfArcs(0, 0, 10)], rule: 'evenodd' };
    expect(size(ring, 4)).toBeCloseTo((24 * 24 - 36) * Math.PI, 0);
    expect(size(ring, 12)).toBeCloseTo(32 * 32 * Math.PI, 0);
    expect(size(ring, -4.9)).toBeCloseTo((15.1 ** 2 - 14.9 ** 2) * Math.PI, 1);
    expect(offsetOf(ring, -5.1)).toEqual([]);
  });

  it('lies at the distance everywhere, and nowhere within it', () => {
    const blob = parsePath('M10 50C10 10 50 20 60 40S110 30 100 70S40 60 30 90S10 70 10 50Z')[0];
    const outline = flatten(blob, 0.002);
    const far = (x: number, y: number): number => {
      let least = Infinity;
      for (let i = 0, j = outline.length - 2; i < outline.length; j = i, i += 2) {
        const [dx, dy] = [outline[i] - outline[j], outline[i + 1] - outline[j + 1]];
        const t = Math.max(0, Math.min(1, ((x - outline[j]) * dx + (y - outline[j + 1]) * dy) / (dx * dx + dy * dy)));
        least = Math.min(least, Math.hypot(outline[j] + t * dx - x, outline[j + 1] + t * dy - y));
      }
      return least;
    };
    for (const by of [-6, -2, 1, 5, 15]) {
      const made = offsetOf(area(blob), by);
      expect(made.length).toBeGreaterThan(0);
      for (const c of made) {
        const p = flatten(c, 0.01);
        for (let i = 0; i < p.length; i += 2) expect(Math.abs(far(p[i], p[i + 1]) - Math.abs(by))).toBeLessThan(0.06);
      }
    }
  });
});
