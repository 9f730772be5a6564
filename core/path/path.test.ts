import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  axisOf,
  bent,
  boxOf,
  boxOfRuns,
  centroidOf,
  circle,
  circleOfArcs,
  closeContour,
  compose,
  contains,
  cutOpen,
  decimalsFor,
  ellipse,
  flatten,
  formatPath,
  grown,
  intersect,
  inverse,
  mapContour,
  mapPoint,
  nearestPlace,
  parsePath,
  PLAIN_STROKE,
  plainShapeOf,
  pointAt,
  rectangle,
  rectangleOfArcs,
  reverseContour,
  roomIn,
  roundedPolygon,
  shortNumber,
  signedArea,
  sizeOf,
  splitSegment,
  star,
  strokeArea,
  subtract,
  union,
  withPointsBetween,
  type Contour,
  type Point,
  type Segment,
  type StrokeStyle,
} from './index';

const ring = [circle(10, 10, 5), reverseContour(circle(10, 10, 2))];

describe('outlines', () => {
  it('flatten within the tolerance', () => {
    for (const tolerance of [1, 0.1, 0.01]) {
      const points = flatten(circle(0, 0, 100), tolerance);
      const n = points.length / 2;
      for (let i = 0; i < n; i++) {
        const j = (i + 1) % n;
        const middle = Math.hypot((points[2 * i] + points[2 * j]) / 2, (points[2 * i + 1] + points[2 * j + 1]) / 2);
        expect(100 - middle).toBeLessThan(tolerance + 0.03);
      }
    }
  });

  it('have the area of a circle, positive clockwise, negative when reversed', () => {
    const c = circle(30, 40, 20);
    expect(signedArea(flatten(c, 0.001))).toBeCloseTo(Math.PI * 400, 0);
    expect(signedArea(flatten(reverseContour(c), 0.001))).toBeCloseTo(-Math.PI * 400, 0);
    expect(reverseContour(reverseContour(c))).toEqual(c);
  });

  it('keep their area when turned and moved, and scale it when scaled', () => {
    const turned = ellipse(0, 0, 30, 10, 0.7);
    expect(signedArea(flatten(turned, 0.001))).toBeCloseTo(Math.PI * 300, 0);
    const doubled = mapContour([2, 0, 0, 2, 5, -3], turned);
    expect(signedArea(flatten(doubled, 0.001))).toBeCloseTo(4 * Math.PI * 300, -1);
  });

  it('are mapped by composed maps as by one after the other', () => {
    const first = [2, 1, -1, 3, 4, 5] as const;
    const second = [0.5, -1, 1, 0.25, -6, 7] as const;
    const [x, y] = mapPoint(second, mapPoint(first, [3, -2]));
    expect(mapPoint(compose(first, second), [3, -2])[0]).toBeCloseTo(x, 10);
    expect(mapPoint(compose(first, second), [3, -2])[1]).toBeCloseTo(y, 10);
  });

  it('tell what is inside, with holes', () => {
    expect(contains(ring, [13.5, 10])).toBe(true);
    expect(contains(ring, [10, 10])).toBe(false);
    expect(contains(ring, [16, 10])).toBe(false);
  });

  it('have the boxes one expects of shapes', () => {
    expect(boxOf([rectangle(3, 4, 10, 20, 4)])).toEqual({ x: 3, y: 4, width: 10, height: 20 });
    expect(boxOf([])).toEqual({ x: 0, y: 0, width: 0, height: 0 });
    const s = boxOf([star(0, 0, 5, 10, 4)]);
    expect(s.y).toBeCloseTo(-10, 6);
    const rounded = roundedPolygon(
      [
        [0, 0],
        [10, 0],
        [10, 10],
        [0, 10],
      ],
      3,
    );
    expect(signedArea(flatten(rounded))).toBeLessThan(100);
    expect(signedArea(flatten(rounded))).toBeGreaterThan(90);
  });
});

describe('path data', () => {
  it('is short', () => {
    expect([0.5, -0.5, 3, 3.1, 3.14159, -0.001, 100].map((v) => shortNumber(v))).toEqual([
      '.5',
      '-.5',
      '3',
      '3.1',
      '3.14',
      '0',
      '100',
    ]);
    expect(formatPath([rectangle(0, 0, 10, 5)])).toBe('M0 0H10V5H0Z');
  });

  it('reads back what it wrote', () => {
    const contours = [circle(50, 50, 33.33), rectangle(2, 3, 40.5, 20), reverseContour(star(20, 20, 5, 9, 4))];
    const text = formatPath(contours);
    expect(formatPath(parsePath(text))).toBe(text);
    expect(parsePath(text)).toHaveLength(3);
  });

  it('reads relative, smooth and quadratic commands', () => {
    const [c] = parsePath('m10 10 l10 0 v10 h-10 z');
    expect(flatten(c)).toEqual([10, 10, 20, 10, 20, 20, 10, 20]);
    const [q] = parsePath('M0 0Q10 0 10 10');
    expect(q.segments[0]).toMatchObject({ kind: 'curve', to: [10, 10] });
    const [s] = parsePath('M0 0C0 5 5 10 10 10S20 5 20 0');
    expect(s.segments[1]).toMatchObject({ c1: [15, 10] });
  });

  it('reads arcs, of circles as arcs and of ellipses as curves, with flags that run together', () => {
    const [c] = parsePath('M104 60a12 12 0 1 1-12-12a12 12 0 0112 12');
    expect(c.segments.map((s) => s.kind)).toEqual(['arc', 'arc']);
    expect(signedArea(flatten(c, 0.001))).toBeCloseTo(Math.PI * 144, 0);
    const [e] = parsePath('M10 0A10 5 0 0 1 -10 0A10 5 0 0 1 10 0Z');
    expect(signedArea(flatten(e, 0.001))).toBeCloseTo(Math.PI * 50, 1);
    expect(formatPath([c])).toBe('M104 60A12 12 0 1 1 92 48A12 12 0 0 1 104 60Z');
  });

  it('keeps arcs under turns, mirrors and scalings, and makes curves of them under others', () => {
    const [c] = parsePath('M10 0A10 10 0 1 1 0 -10L0 0Z');
    const area = signedArea(flatten(c, 0.001));
    for (const map of [
      [0, 2, -2, 0, 5, 5],
      [-1, 0, 0, 1, 0, 0],
      [0.6, 0.8, 0.8, -0.6, 1, 2],
    ] as const) {
      const mapped = mapContour(map, c);
      expect(mapped.segments[0].kind).toBe('arc');
      expect(signedArea(flatten(mapped, 0.001))).toBeCloseTo(area * (map[0] * map[3] - map[1] * map[2]), 0);
      expect(signedArea(flatten(reverseContour(mapped), 0.001))).toBeCloseTo(-signedArea(flatten(mapped, 0.001)), 6);
    }
    const squeezed = mapContour([1, 0, 0, 3, 0, 0], c);
    expect(squeezed.segments.every((s) => s.kind !== 'arc')).toBe(true);
    expect(signedArea(flatten(squeezed, 0.001))).toBeCloseTo(3 * area, 0);
  });

  it('says where it stopped understanding', () => {
    expect(() => parsePath('M0 0X5 5')).toThrow(/bad command X/);
    expect(() => parsePath('M0 0L5')).toThrow(SyntaxError);
  });

  it('closes what is open', () => {
    expect(closeContour({ start: [0, 0], segments: [{ kind: 'line', to: [5, 5] }] }).segments).toHaveLength(2);
  });
});

describe('path data written', () => {
  it('keeps how far arcs rise, however near half a circle they are', () => {
    for (const [r, sweep] of [
      [88, 3.02],
      [88, 3.141],
      [88, 3.1416],
      [88, 3.15],
      [14.2, 3.3],
      [8, 1],
      [300, 0.02],
      [21.33, 6.1],
    ]) {
      const to = [100 + r * Math.cos(sweep), 100 + r * Math.sin(sweep)] as const;
      const arc = { kind: 'arc', radius: r, large: sweep > Math.PI, clockwise: true, to } as const;
      const drawn: Contour = { start: [100 + r, 100], segments: [arc], open: true };
      const [again] = parsePath(formatPath([drawn]), { close: false });
      for (const t of [0.25, 0.5, 0.75]) {
        const [p, q] = [pointAt(drawn.start, arc, t), pointAt(again.start, again.segments[0], t)];
        expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeLessThan(0.03);
      }
      expect(formatPath(parsePath(formatPath([drawn]), { close: false }))).toBe(formatPath([drawn]));
    }
  });

  it('writes a cubic that is a quadratic curve as one', () => {
    const text = formatPath(parsePath('M0 0Q10 0 10 10L0 10Z'));
    expect(text).toBe('M0 0Q10 0 10 10H0Z');
    expect(formatPath(parsePath('M0 0C5 0 10 4 10 10Z'))).toContain('C');
  });

  it('leaves open what is open, and closes what Z closes', () => {
    const [open, closed] = parsePath('M0 0L5 5M10 10h5v5z', { close: false });
    expect([open.open, closed.open]).toEqual([true, undefined]);
    expect(formatPath([open, closed])).toBe('M0 0L5 5M10 10H15V15Z');
    expect(parsePath('M3 3z', { close: false })[0].segments).toHaveLength(1);
  });

  it('gives what came before an error to those who ask for it', () => {
    expect(parsePath('M0 0L5 5X', { lenient: true })).toHaveLength(1);
    expect(parsePath('nothing', { lenient: true })).toEqual([]);
  });

  it('has as many decimals as a drawing in small units needs', () => {
    expect([1024, 512, 256, 24, 1].map(decimalsFor)).toEqual([2, 2, 3, 4, 5]);
  });

  it('is read in a time that grows with its length only', () => {
    const path = (n: number) => 'M0 0' + Array.from({ length: n }, (_, i) => `L${i} ${i % 7}`).join('');
    const time = (n: number) => {
      const text = path(n);
      const at = performance.now();
      parsePath(text);
      return performance.now() - at;
    };
    time(10_000);
    // Four times as long takes nowhere near sixteen times as long.
    expect(time(120_000)).toBeLessThan(12 * Math.max(1, time(30_000)) + 100);
  });
});

const coordinate = fc.double({ min: -200, max: 200, noNaN: true });
const anyPoint = fc.tuple(coordinate, coordinate);
const anySegment = fc.oneof(
  anyPoint.map((to): Segment => ({ kind: 'line', to })),
  fc.tuple(anyPoint, anyPoint, anyPoint).map(([c1, c2, to]): Segment => ({ kind: 'curve', c1, c2, to })),
  fc
    .tuple(anyPoint, fc.double({ min: 1, max: 300, noNaN: true }), fc.boolean(), fc.boolean())
    .map(([to, radius, large, clockwise]): Segment => ({ kind: 'arc', radius, large, clockwise, to })),
);
const anyContour = fc
  .tuple(anyPoint, fc.array(anySegment, { minLength: 1, maxLength: 6 }))
  .map(([start, segments]): Contour => ({ start, segments, open: true }));
const away = (p: Point, q: Point) => Math.hypot(p[0] - q[0], p[1] - q[1]);

describe('places on outlines', () => {
  it('lie where cutting there leaves both parts on what was', () => {
    fc.assert(
      fc.property(anyPoint, anySegment, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (from, s, t) => {
        fc.pre(away(from, s.to) > 1);
        const at = pointAt(from, s, t);
        const [a, b] = splitSegment(from, s, t);
        expect(away(a.to, at)).toBeLessThan(1e-6);
        expect(away(b.to, s.to)).toBeLessThan(1e-9);
        expect(away(pointAt(from, a, 0.5), pointAt(from, s, t / 2))).toBeLessThan(1e-3);
        expect(away(pointAt(at, b, 0.5), pointAt(from, s, (1 + t) / 2))).toBeLessThan(1e-3);
      }),
      { numRuns: 300 },
    );
  });

  it('are that place itself on an arc that ends where it starts', () => {
    const nowhere = {
      start: [3, 4] as const,
      segments: [{ kind: 'arc', radius: 2, large: false, clockwise: false, to: [3, 4] } as const],
      open: true as const,
    };
    expect(nearestPlace(nowhere, [3, 4])).toMatchObject({ t: 0, point: [3, 4], distancePx: 0 });
    expect(pointAt([3, 4], nowhere.segments[0], 0.5)).toEqual([3, 4]);
  });

  it('are found on an arc whose chord is too short to have a direction', () => {
    const contour = { start: [0, 0], segments: [{ kind: 'arc', radius: 1, large: false, clockwise: false, to: [0, -5e-324] }], open: true } as const; // prettier-ignore
    expect(nearestPlace(contour, [0, 0])!.distancePx).toBe(0);
    expect(nearestPlace(contour, [3, 4])!.distancePx).toBeCloseTo(5, 9);
  });

  it('are the nearest of all', () => {
    fc.assert(
      fc.property(anyContour, anyPoint, (contour, p) => {
        const found = nearestPlace(contour, p)!;
        const flat = flatten(contour, 0.05);
        let least = Infinity;
        for (let i = 0; i < flat.length; i += 2) least = Math.min(least, away(p, [flat[i], flat[i + 1]]));
        expect(found.distancePx).toBeLessThanOrEqual(least + 0.1);
        const from = found.segment ? contour.segments[found.segment - 1].to : contour.start;
        expect(away(found.point, pointAt(from, contour.segments[found.segment], found.t))).toBeLessThan(1e-9);
      }),
      { numRuns: 200 },
    );
  });

  it('are kept when a map is done and taken back', () => {
    const map = [1.5, 0.4, -0.7, 2, 11, -3] as const;
    const back = inverse(map)!;
    fc.assert(fc.property(anyPoint, (p) => away(mapPoint(back, mapPoint(map, p)), p) < 1e-9));
    expect(inverse([1, 2, 2, 4, 0, 0])).toBeNull();
  });

  it('can be cut open, once round or in two', () => {
    const square = rectangleOfArcs(0, 0, 10, 10);
    const [opened] = cutOpen(square, 1);
    expect(opened).toMatchObject({ start: [10, 0], open: true });
    expect(opened.segments).toHaveLength(4);
    expect(cutOpen(opened, 2).map((c) => c.segments.length)).toEqual([2, 2]);
  });
});

describe('plain shapes', () => {
  it('are known however they were made, and others are not', () => {
    expect(plainShapeOf(circleOfArcs(5, 6, 3))).toEqual({ kind: 'circle', cx: 5, cy: 6, r: 3 });
    expect(plainShapeOf(rectangleOfArcs(1, 2, 30, 20))).toEqual({
      kind: 'rectangle',
      x: 1,
      y: 2,
      width: 30,
      height: 20,
      r: 0,
    });
    expect(plainShapeOf(rectangleOfArcs(1, 2, 30, 20, 4))).toMatchObject({
      kind: 'rectangle',
      x: 1,
      y: 2,
      width: 30,
      r: 4,
    });
    expect(plainShapeOf(ellipse(50, 50, 30, 10, 0.5))).toMatchObject({
      kind: 'ellipse',
      rx: expect.closeTo(30, 6),
      ry: expect.closeTo(10, 6),
    });
    expect(plainShapeOf(star(5, 5, 4, 3, 1))).toBeNull();
    expect(plainShapeOf({ ...rectangleOfArcs(1, 2, 30, 20), open: true })).toBeNull();
  });
});

describe('areas', () => {
  it('have points along their edges, none far from the next, and the same outline', () => {
    const area = [flatten(rectangle(0, 0, 40, 10), 0.1)];
    const dense = withPointsBetween(area, 3);
    expect(sizeOf(dense)).toBeCloseTo(400, 6);
    const [one] = dense;
    for (let i = 0; i < one.length; i += 2)
      expect(Math.hypot(one[(i + 2) % one.length] - one[i], one[(i + 3) % one.length] - one[i + 1])).toBeLessThan(3 + 1e-9); // prettier-ignore
    // What is bent has the points to bend at: a bar's long edges follow a wave.
    const wave = bent(dense, (x, y) => [x, y + 3 * Math.sin(x / 4)]);
    expect(boxOfRuns(wave)!.height).toBeGreaterThan(14);
  });
  const square = (x: number, y: number, side: number) => [[x, y, x + side, y, x + side, y + side, x, y + side]];
  it('unite, subtract and intersect', () => {
    const [a, b] = [square(0, 0, 10), square(5, 5, 10)];
    expect(sizeOf(union(a, b))).toBeCloseTo(175, 6);
    expect(sizeOf(subtract(a, b))).toBeCloseTo(75, 6);
    expect(sizeOf(intersect(a, b))).toBeCloseTo(25, 6);
    expect(centroidOf(square(2, 4, 6))).toEqual([5, 7]);
    expect(centroidOf([])).toBeNull();
  });
  it('grow and shrink by what is asked', () => {
    expect(sizeOf(grown(square(0, 0, 10), 2, 'sharp'))).toBeCloseTo(196, 3);
    expect(sizeOf(grown(square(0, 0, 10), -2))).toBeCloseTo(36, 3);
  });
  it('have an axis along which they are longest', () => {
    const bar = [[0, 0, 20, 0, 20, 4, 0, 4]];
    expect(axisOf(bar)).toMatchObject({ angleRad: expect.closeTo(0, 9), longer: expect.closeTo(5, 9) });
    fc.assert(
      fc.property(fc.double({ min: -1.5, max: 1.5, noNaN: true }), (t) => {
        const turned = bar.map((ring) => ring.map((_, i) => (i % 2 ? ring[i - 1] * Math.sin(t) + ring[i] * Math.cos(t) : ring[i] * Math.cos(t) - ring[i + 1] * Math.sin(t)))); // prettier-ignore
        expect(axisOf(turned)!.angleRad).toBeCloseTo(t, 6);
      }),
      { numRuns: 30 },
    );
    expect(axisOf(square(3, 3, 5))!.longer).toBeCloseTo(1, 6);
    expect(axisOf([])).toBeNull();
  });
  it('have their roomiest place where the largest circle fits', () => {
    expect(roomIn(square(0, 0, 10), 0.01)).toMatchObject({
      x: expect.closeTo(5, 1),
      y: expect.closeTo(5, 1),
      r: expect.closeTo(5, 1),
    });
    // A hole takes the middle; what is left is a band of four.
    const holed = subtract(square(0, 0, 20), square(4, 4, 12));
    expect(roomIn(holed, 0.01)!.r).toBeLessThan(2.5);
    expect(roomIn([...square(0, 0, 4), ...square(50, 50, 20)], 0.01)).toMatchObject({ r: expect.closeTo(10, 1) });
    expect(roomIn([])).toBeNull();
  });
});

describe('lines with a width', () => {
  const areaOf = (data: string, style: Partial<StrokeStyle>) =>
    sizeOf(strokeArea(parsePath(data, { close: false }), { ...PLAIN_STROKE, ...style }, 0.002));
  it('cover what their length, width, caps and joins say', () => {
    expect(areaOf('M0 0H100', { widthPx: 10 })).toBeCloseTo(1000, 2);
    expect(areaOf('M0 0H100', { widthPx: 10, cap: 'square' })).toBeCloseTo(1100, 2);
    expect(areaOf('M0 0H100', { widthPx: 10, cap: 'round' })).toBeCloseTo(1000 + Math.PI * 25, 0);
    expect(areaOf('M0 0H100V100', { widthPx: 10 })).toBeCloseTo(2000, 1);
    expect(areaOf('M0 0H100V100', { widthPx: 10, join: 'bevel' })).toBeCloseTo(2000 - 12.5, 1);
    expect(areaOf('M0 0H100V100', { widthPx: 10, join: 'round' })).toBeCloseTo(2000 - 25 + (Math.PI * 25) / 4, 0);
    // A mitre beyond its limit is bevelled.
    expect(areaOf('M0 0H100L0 10', { widthPx: 10, mitreLimit: 4 })).toBeCloseTo(
      areaOf('M0 0H100L0 10', { widthPx: 10, join: 'bevel' }),
      3,
    );
  });
  it('go round circles evenly', () => {
    const ring = strokeArea([circleOfArcs(0, 0, 50)], { ...PLAIN_STROKE, widthPx: 10 }, 0.002);
    expect(sizeOf(ring)).toBeCloseTo(Math.PI * (55 ** 2 - 45 ** 2), -1);
  });
  it('are dashed from their start on, by an offset too', () => {
    expect(areaOf('M0 0H100', { widthPx: 2, dash: [10, 10] })).toBeCloseTo(100, 3);
    expect(areaOf('M0 0H100', { widthPx: 2, dash: [10, 30], dashOffset: 5 })).toBeCloseTo(2 * (5 + 10 + 10), 3);
    expect(areaOf('M0 0H100', { widthPx: 2, dash: [15] })).toBeCloseTo(2 * (15 + 15 + 15 + 10), 3);
    expect(areaOf('M0 0H100', { widthPx: 2, dash: [0, 0] })).toBeCloseTo(200, 3);
  });
  it('swell and taper as their profile says', () => {
    const profile = [
      { at: 0, share: 0 },
      { at: 1, share: 1 },
    ];
    expect(areaOf('M0 0H100', { widthPx: 10, profile })).toBeCloseTo(500, 2);
  });
  it('show a point by its caps alone', () => {
    expect(areaOf('M5 5h0', { widthPx: 10, cap: 'round' })).toBeCloseTo(Math.PI * 25, 0);
    expect(areaOf('M5 5h0', { widthPx: 10 })).toBe(0);
  });
  it('are as fine in drawings of a few units', () => {
    const small = strokeArea(parsePath('M0 0H1', { close: false }), { ...PLAIN_STROKE, widthPx: 0.1 }, 1e-4);
    expect(sizeOf(small)).toBeCloseTo(0.1, 4);
  });
});
