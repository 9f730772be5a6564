import { describe, expect, it } from 'vitest';
import { randomFrom } from '../random';
import {
  circleOfArcs,
  flatten,
  mapContour,
  mapPoint,
  mirrorIn,
  partOf,
  path,
  polygon,
  rectangleOfArcs,
  reverseContour,
  star,
  turnAbout,
  type Contour,
  type Point,
  type Segment,
} from '../path';
import { chainsOf, halved, Lines, madeSymmetrical, polylineOf, straightened, strayOf } from './index';
import { symmetriesOf, SymmetryError, thinned } from './index';
import { nearestUnder } from './least';

const between = (a: readonly Contour[], b: readonly Contour[]): number => {
  const [p, q] = [a, b].map((list) => list.map((c) => polylineOf(c, 0.002)));
  return Math.max(strayOf(p, new Lines(q), 0.25), strayOf(q, new Lines(p), 0.25));
};
const kinds = (c: Contour): string => c.segments.map((s) => s.kind[0]).join('');
/** Every segment cut in some parts. */
const cut = (c: Contour, parts: number): Contour => {
  let from = c.start;
  const segments = c.segments.flatMap((s) => {
    const at = from;
    from = s.to;
    return Array.from({ length: parts }, (_, k) => partOf(at, s, k / parts, (k + 1) / parts).segment);
  });
  return { ...c, segments };
};

describe('lines in a grid', () => {
  it('tells the distance that looking at all of them tells', () => {
    const random = randomFrom(4);
    const lines = Array.from({ length: 30 }, () => {
      const [x, y] = [400 * random(), 300 * random()];
      return Float64Array.from([x, y, x + 80 * random() - 40, y + 3 * random(), x + 10, y + 60 * random()]);
    });
    const grid = new Lines(lines);
    const away = ([x, y]: Point): number =>
      Math.min(
        ...lines.flatMap((l) =>
          [0, 2].map((i) => {
            const [dx, dy] = [l[i + 2] - l[i], l[i + 3] - l[i + 1]];
            const t = Math.max(0, Math.min(1, ((x - l[i]) * dx + (y - l[i + 1]) * dy) / (dx * dx + dy * dy)));
            return Math.hypot(x - l[i] - t * dx, y - l[i + 1] - t * dy);
          }),
        ),
      );
    for (let k = 0; k < 300; k++) {
      // Far outside as well.
      const p: Point = [1200 * random() - 400, 900 * random() - 300];
      expect(grid.distance(p)).toBeCloseTo(away(p), 9);
      const near = grid.nearest(p)!;
      expect(Math.hypot(near[0] - p[0], near[1] - p[1])).toBeCloseTo(away(p), 9);
    }
    expect(new Lines([]).distance([0, 0])).toBe(Infinity);
    expect(new Lines([]).nearest([0, 0])).toBeNull();
  });

  it('finds where lines cross, not where they meet at their ends', () => {
    const lines = [
      [0, 0, 10, 10],
      [0, 10, 10, 0, 20, 0],
      [10, 10, 20, 10],
    ].map((l) => Float64Array.from(l));
    expect(new Lines(lines).crossings()).toEqual([{ a: 0, b: 1, at: [5, 5] }]);
  });
});

describe('thinning out', () => {
  it('brings back what was cut: lines, arcs and curves', () => {
    const blob = path('M20 60C20 20 60 10 90 30C120 50 130 90 90 100C50 110 20 100 20 60Z');
    for (const [whole, at] of [
      [rectangleOfArcs(10, 10, 90, 60), 'llll'],
      [rectangleOfArcs(10, 10, 90, 60, 12), 'lalalala'],
      [circleOfArcs(50, 50, 30), 'aa'],
      [blob, kinds(blob)],
    ] as const) {
      const { contours, greatestPx } = thinned([cut(whole, 4)], 0.05);
      const [one] = contours;
      expect([...kinds(one)].sort().join('')).toBe([...at].sort().join(''));
      expect(greatestPx).toBeLessThan(0.05);
      expect(between([one], [whole])).toBeLessThan(0.05);
    }
  });

  it('makes a circle of many lines a circle, and leaves corners where they are', () => {
    const many = polygon(
      Array.from({ length: 90 }, (_, k): Point => [100 + 40 * Math.cos(k / 14.3239), 100 + 40 * Math.sin(k / 14.3239)]),
    );
    const { contours, greatestPx } = thinned([many], 0.3);
    expect(contours[0].segments.length).toBeLessThan(7);
    expect(greatestPx).toBeLessThan(0.3);
    const tips = star(100, 100, 5, 60, 25);
    const again = thinned([cut(tips, 3)], 0.1).contours[0];
    expect(again.segments.length).toBe(10);
    const corners = new Set(again.segments.map((s) => s.to.map((x) => x.toFixed(6)).join()));
    for (const s of tips.segments) expect(corners).toContain(s.to.map((x) => x.toFixed(6)).join());
  });

  it('lets neighbours share what they shared', () => {
    const wave = (k: number): Point => [100 + 6 * Math.sin(k / 3), 20 + 4 * k];
    const edge = Array.from({ length: 31 }, (_, k) => wave(k));
    const left = polygon([...edge, [20, 140], [20, 20]]);
    const right = polygon([...[...edge].reverse(), [180, 20], [180, 140]]);
    const { contours } = thinned([left, right], 0.4);
    const { chains, walks } = chainsOf(contours);
    const shared = chains.findIndex((c) => c.of.size === 2);
    expect(chains[shared].segments.length).toBeLessThan(16);
    expect(walks.map((w) => w.parts.some((p) => p.chain === shared))).toEqual([true, true]);
    // Asked of one alone, the other goes along where they share, and nowhere else.
    const one = thinned([cut(left, 2), cut(right, 2)], 0.4, (k) => k === 0).contours;
    const rest = one[1].segments.filter((s) => s.to[0] > 150);
    expect(rest.length).toBe(3);
    expect(chainsOf(one).chains.filter((c) => c.of.size === 2)).toHaveLength(1);
  });

  it('crosses nothing that it did not cross', () => {
    const wavy = (by: number): Contour => ({
      start: [10, 50 + by],
      segments: Array.from({ length: 60 }, (_, k): Segment => ({
        kind: 'line',
        to: [13 + 3 * k, 50 + by + 0.7 * Math.sin(k * 1.1)],
      })),
      open: true,
    });
    const drawn = [wavy(0), wavy(0.35)];
    const { contours } = thinned(drawn, 0.6);
    expect(new Lines(contours.map((c) => polylineOf(c, 0.005))).crossings()).toEqual([]);
    expect(contours[0].start).toEqual([10, 50]);
    expect(contours[0].segments.at(-1)!.to).toEqual(drawn[0].segments.at(-1)!.to);
  });

  it('takes what is odd as it is', () => {
    const nothing: Contour = { start: [5, 5], segments: [] };
    const spot: Contour = { start: [5, 5], segments: [{ kind: 'line', to: [5, 5] }] };
    const bow = path('M0 0L60 60L60 0L0 60Z');
    const far = mapContour([1, 0, 0, 1, 9e5, -9e5], rectangleOfArcs(0, 0, 50, 50));
    const { contours } = thinned([nothing, spot, bow, far], 0.1);
    expect(contours).toEqual([nothing, spot, bow, far]);
  });
});

describe('the nearest values under conditions', () => {
  it('moves no more than it must, and weighs', () => {
    // x = y, from 0 and 10: both go half way, or the lighter one further.
    const condition = [{ unknowns: [0, 1], factors: [1, -1] }];
    expect([...nearestUnder(Float64Array.of(0, 10, 7), Float64Array.of(1, 1, 1), condition)]).toEqual([5, 5, 7]);
    const [x, y] = nearestUnder(Float64Array.of(0, 10), Float64Array.of(4, 1), condition);
    expect(x).toBeCloseTo(2, 9);
    expect(y).toBeCloseTo(2, 9);
    // The same twice is no trouble.
    const twice = nearestUnder(Float64Array.of(0, 10), Float64Array.of(1, 1), [...condition, ...condition]);
    expect(twice[0]).toBeCloseTo(5, 9);
  });
});

describe('straightening', () => {
  const drawn = polygon([
    [10.2, 10],
    [90, 10.4],
    [90.3, 60],
    [70, 80.2],
    [10, 79.9],
  ]);

  it('makes lines level, upright and at 45 degrees, and tells of them', () => {
    const { contours, found } = straightened([drawn], 0.6, ['level', 'upright', 'diagonal']);
    const [[ax, ay], [bx, by], [cx, cy], [dx, dy], [ex, ey]] = [
      contours[0].start,
      ...contours[0].segments.map((s) => s.to),
    ];
    expect([by - ay, cx - bx, dy - ey, ex - ax].map((x) => Math.abs(x) < 1e-6)).toEqual([true, true, true, true]);
    expect(Math.abs(Math.abs(dx - cx) - Math.abs(dy - cy))).toBeLessThan(1e-6);
    expect(found.map((f) => [f.kind, f.members.length])).toEqual([
      ['level', 2],
      ['upright', 2],
      ['diagonal', 1],
    ]);
    expect(found[0].offPx).toBeCloseTo(0.2, 1);
    expect(between(contours, [drawn])).toBeLessThan(0.6);
  });

  it('leaves what is exact, what is far off, and what was not asked for', () => {
    const exact = [rectangleOfArcs(10, 10, 80, 60, 8), circleOfArcs(200, 50, 20)];
    expect(straightened(exact, 0.6).contours).toBe(exact);
    const slanting = polygon([
      [0, 0],
      [100, 4],
      [70, 50],
    ]);
    expect(straightened([slanting], 0.6, ['level', 'upright', 'diagonal', 'parallel', 'radii'])).toEqual({
      contours: [slanting],
      found: [],
    });
    expect(straightened([drawn], 0.6, ['radii']).found).toEqual([]);
    const other = straightened(
      [drawn, drawn.segments.length ? mapContour([1, 0, 0, 1, 200, 0], drawn) : drawn],
      0.6,
      undefined,
      (k) => k === 0,
    );
    expect(other.contours[1]).toEqual(mapContour([1, 0, 0, 1, 200, 0], drawn));
  });

  it('makes radii equal, tangent to the lines beside them', () => {
    const round = path(
      'M12 0H88A12.3 12.3 0 0 1 100.1 12V60A11.8 11.8 0 0 1 88 72.2H12A12.2 12.2 0 0 1 0 60V12A11.9 11.9 0 0 1 12 0Z',
    );
    const { contours, found } = straightened([round], 0.6);
    const radii = contours[0].segments.flatMap((s) => (s.kind === 'arc' ? [s.radius] : []));
    expect(Math.max(...radii) - Math.min(...radii)).toBeLessThan(1e-6);
    expect(found.find((f) => f.kind === 'radii')!.values.length).toBe(4);
    // Again a rectangle with round corners: what a level line ends at is a radius from the side.
    const [r] = radii;
    expect(contours[0].segments[1].to[0] - contours[0].segments[0].to[0]).toBeCloseTo(r, 5);
    const circles = straightened([circleOfArcs(30, 30, 20.2), circleOfArcs(90, 31, 19.8)], 0.5);
    expect(circles.contours.map((c) => c.segments.map((s) => s.kind === 'arc' && s.radius.toFixed(6)))).toEqual([
      ['20.000000', '20.000000'],
      ['20.000000', '20.000000'],
    ]);
  });

  it('makes slanting lines parallel, lengths equal and gaps even', () => {
    const bar = (x: number, dx = 0): Contour =>
      mapContour(
        [Math.cos(0.5), Math.sin(0.5), -Math.sin(0.5), Math.cos(0.5), 0, 0],
        rectangleOfArcs(x, 0, 14, 60 + dx),
      );
    const bars = [bar(0), bar(30), bar(60.5), bar(90, 0.4)];
    const { contours, found } = straightened(bars, 0.6);
    const kindsFound = found.map((f) => f.kind);
    for (const kind of ['lengths', 'gaps'] as const) expect(kindsFound).toContain(kind);
    const across: Point = [Math.cos(0.5), Math.sin(0.5)];
    const at = contours.map((c) => c.start[0] * across[0] + c.start[1] * across[1]);
    const gaps = at.slice(1).map((x, k) => x - at[k]);
    expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(1e-4);
  });

  it('moves nothing further than it may, whatever is drawn', () => {
    const random = randomFrom(12);
    for (let k = 0; k < 40; k++) {
      const points = Array.from({ length: 9 }, (_, m): Point => [
        100 + 60 * Math.cos((m * 2 * Math.PI) / 9) + 12 * random(),
        100 + 60 * Math.sin((m * 2 * Math.PI) / 9) + 12 * random(),
      ]);
      const one = polygon(points);
      const { contours } = straightened([one, rectangleOfArcs(10 * random(), 5, 40, 30 + random(), 6 + random())], 0.5);
      const moved = contours[0].segments.map((s, m) =>
        Math.hypot(s.to[0] - one.segments[m].to[0], s.to[1] - one.segments[m].to[1]),
      );
      expect(Math.max(...moved)).toBeLessThanOrEqual(0.5 + 1e-6);
    }
  });

  it('lets pieces that share an edge share it afterwards', () => {
    const left = polygon([
      [0, 0],
      [50.3, 0.2],
      [50, 60],
      [0, 60],
    ]);
    const right = polygon([
      [50.3, 0.2],
      [100, 0],
      [100, 60],
      [50, 60],
    ]);
    const { contours } = straightened([left, right], 0.6);
    expect(contours[0].segments[0].to).toEqual(contours[1].start);
    expect(contours[0].segments[1].to).toEqual(contours[1].segments[2].to);
    expect(contours[0].segments[0].to[0]).toBeCloseTo(contours[0].segments[1].to[0], 6);
  });
});

describe('symmetry', () => {
  const likes = (contours: readonly Contour[]) => ({ contours, like: () => 0 });
  const half: Point[] = [
    [100, 20],
    [150, 50],
    [130, 90],
    [160, 150],
    [100, 170],
  ];
  const figure = polygon([
    ...half,
    ...half
      .slice(1, -1)
      .reverse()
      .map(([x, y]): Point => [200 - x, y]),
  ]);
  const jittered = (by: number, seed: number): Contour => {
    const random = randomFrom(seed);
    const points = [figure.start, ...figure.segments.slice(0, -1).map((s) => s.to)];
    return polygon(points.map(([x, y]): Point => [x + by * (2 * random() - 1), y + by * (2 * random() - 1)]));
  };

  it('finds the axis, upright or slanting, and how far off it is', () => {
    const [exact] = symmetriesOf(likes([figure]), 2);
    expect(exact).toMatchObject({ kind: 'mirror', angleDeg: 90 });
    expect(exact.offPx).toBeLessThan(0.01);
    const slanting = mapContour(turnAbout([100, 100], 0.4), jittered(0.4, 3));
    const [found] = symmetriesOf(likes([slanting]), 2);
    if (found.kind !== 'mirror') throw new Error('no axis');
    expect(found.angleDeg).toBeCloseTo(90 + (0.4 * 180) / Math.PI, 0);
    expect(found.offPx).toBeGreaterThan(0.1);
    expect(found.offPx).toBeLessThan(1.2);
    expect(
      symmetriesOf(
        likes([
          polygon([
            [0, 0],
            [90, 10],
            [15, 70],
          ]),
        ]),
        1,
      ),
    ).toEqual([]);
  });

  it('makes halves exactly alike, nothing moving more than half of what it was off', () => {
    const drawn = [jittered(0.4, 5), circleOfArcs(60.2, 100, 8.3), circleOfArcs(140, 100.3, 8)];
    const [axis] = symmetriesOf(likes(drawn), 2);
    const made = madeSymmetrical(likes(drawn), axis, 2);
    if (axis.kind !== 'mirror') throw new Error('no axis');
    const map = mirrorIn(axis.through, axis.angleDeg);
    expect(
      between(
        made.map((c) => mapContour(map, c)),
        made,
      ),
    ).toBeLessThan(1e-3);
    expect(between(made, drawn)).toBeLessThan(0.6);
  });

  it('finds how often a figure turns into itself, and makes that exact', () => {
    const random = randomFrom(8);
    const five = polygon(
      star(100, 100, 5, 60, 25).segments.map((s): Point => [s.to[0] + 0.4 * random(), s.to[1] + 0.4 * random()]),
    );
    const turning = symmetriesOf(likes([five]), 2).find((s) => s.kind === 'turning')!;
    if (turning.kind !== 'turning') throw new Error('no centre');
    expect(turning.order).toBe(5);
    const made = madeSymmetrical(likes([five]), turning, 2);
    expect(
      between(
        made.map((c) => mapContour(turnAbout(turning.centre, (2 * Math.PI) / 5), c)),
        made,
      ),
    ).toBeLessThan(1e-3);
  });

  it('mirrors the half with fewer points where the halves have different ones', () => {
    const more = { ...figure, segments: cutSide(figure) };
    const [axis] = symmetriesOf(likes([more]), 2);
    const [made] = madeSymmetrical(likes([more]), axis, 2);
    expect(made.segments.length).toBe(figure.segments.length);
    expect(between([made], [figure])).toBeLessThan(0.01);
    const flower = cutSide(star(100, 100, 5, 60, 25));
    const uneven = { start: star(100, 100, 5, 60, 25).start, segments: flower };
    expect(() =>
      madeSymmetrical(likes([uneven]), { kind: 'turning', centre: [100, 100], order: 5, offPx: 0, share: 1 }, 2),
    ).toThrow(SymmetryError);
  });

  it('leaves alone what has no image', () => {
    const drawn = [
      jittered(0.4, 5),
      polygon([
        [170, 20],
        [177, 20],
        [172, 26],
      ]),
    ];
    const [axis] = symmetriesOf(likes(drawn), 2);
    const made = madeSymmetrical(likes(drawn), axis, 2);
    expect(made[1]).toBe(drawn[1]);
    expect(made[0]).not.toEqual(drawn[0]);
  });

  it('draws a half as a whole, run as it was', () => {
    const right = mapContour([1, 0, 0, 1, -100, 0], figure);
    const [one] = halved(right).across;
    expect(between([one], [right])).toBeLessThan(1e-6);
    expect(halved(mapContour([1, 0, 0, 1, 200, 0], right))).toMatchObject({ across: [] });
    expect(halved(reverseContour(right)).across).toHaveLength(1);
    expect(flatten(one).length).toBe(flatten(right).length);
    expect(mapPoint(mirrorIn([100, 0], 90), [130, 7])).toEqual([70, 7]);
  });

  /** The sides of a polygon, those on its first half each cut in two. */
  function cutSide(c: Contour): Segment[] {
    let from = c.start;
    return c.segments.flatMap((s, k): Segment[] => {
      const at = from;
      from = s.to;
      if (k > 3) return [s];
      return [{ kind: 'line', to: [(at[0] + s.to[0]) / 2, (at[1] + s.to[1]) / 2] }, s];
    });
  }
});
