import { describe, expect, it } from 'vitest';
import { artworkToSvg } from '../export';
import { polygon, type Contour, type Point } from '../path';
import { drawnOf, errorOf, pictureOf, type Drawing } from '../../bench/drawings';
import { madeAlike } from './alike';
import type { Stroke } from '../fit';
import { trace } from '.';

/** A circle as the tracer makes one: two half circles. */
const disc = (cx: number, cy: number, radius: number): Stroke => {
  const half = (to: Point) => ({ kind: 'arc', radius, large: false, clockwise: true, to }) as const;
  return { start: [cx - radius, cy], segments: [half([cx + radius, cy]), half([cx - radius, cy])] };
};
const stroke = ({ start, segments }: Contour): Stroke => ({ start, segments });
const nodesOf = ({ start, segments }: Stroke): Point[] => [start, ...segments.map((s) => s.to)];
const angleOf = (p: Point, q: Point): number => (Math.atan2(q[1] - p[1], q[0] - p[0]) + Math.PI) % Math.PI;
const tracedSvg = async (drawing: Drawing, worn = false): Promise<string> =>
  artworkToSvg(trace((await pictureOf(drawing, worn)).picture, { ground: 'keep' }).artwork);

describe('circles that are nearly alike', () => {
  it('get one size and stand in line', () => {
    const dots = [disc(40.02, 50.01, 12.03), disc(80, 49.97, 11.98), disc(120.01, 50.02, 12.01)];
    const made = madeAlike(dots, [true, true, true]);
    const radii = made.map(({ segments: [s] }) => (s.kind === 'arc' ? s.radius : NaN));
    expect(new Set(radii).size).toBe(1);
    expect(radii[0]).toBeCloseTo(12.007, 2);
    expect(new Set(made.map((m) => m.start[1])).size).toBe(1);
  });

  it('stay apart where they are not', () => {
    const dots = [disc(40, 50, 12), disc(80, 50.4, 12.4)];
    const made = madeAlike(dots, [true, true]);
    expect(made.map((m) => m.segments)).toEqual(dots.map((d) => d.segments));
  });

  it('come out of a picture as such, clean or worn', async () => {
    const dots = [0, 1, 2, 3].map((k) => `<circle cx="${90.3 + 110 * k}" cy="256.2" r="31.4"/>`);
    for (const worn of [false, true]) {
      const found = [...(await tracedSvg(drawnOf(dots.join('')), worn)).matchAll(/cy="([\d.]+)" r="([\d.]+)"/g)];
      expect(found).toHaveLength(4);
      expect(new Set(found.map((m) => m[1])).size).toBe(1);
      expect(new Set(found.map((m) => m[2])).size).toBe(1);
    }
  });
});

describe('slanting lines that are nearly parallel', () => {
  /** A slanting bar, one of its corners moved. */
  const bar = (x: number, dx: number, off: number): Contour =>
    polygon([
      [x, 20],
      [x + 10, 20],
      [x + 10 + dx + off, 100],
      [x + dx, 100],
    ]);

  it('get one direction, and no corner moves far', () => {
    const bars = [bar(20, 30, 0.06), bar(60, 30, -0.05), bar(100, 30.05, 0.02)];
    const made = madeAlike(bars.map(stroke), [true, true, true]);
    const angles = made.flatMap((m) => {
      const nodes = nodesOf(m);
      return [angleOf(nodes[1], nodes[2]), angleOf(nodes[3], nodes[4])];
    });
    expect(Math.max(...angles) - Math.min(...angles)).toBeLessThan(1e-9);
    made.forEach((m, k) =>
      nodesOf(m).forEach((p, i) => {
        const was = nodesOf(stroke(bars[k]))[i];
        expect(Math.hypot(p[0] - was[0], p[1] - was[1])).toBeLessThan(0.18);
      }),
    );
  });

  it('are at 45 degrees where they nearly were', () => {
    const [made] = madeAlike([stroke(bar(20, 80.04, 0.03))], [true]);
    const nodes = nodesOf(made);
    expect(angleOf(nodes[1], nodes[2])).toBeCloseTo(Math.PI / 4, 9);
  });

  it('keep directions of their own where they differ, and outlines stay closed', () => {
    const bars = [bar(20, 30, 0), bar(60, 34, 0)];
    const made = madeAlike(bars.map(stroke), [true, true]);
    expect(angleOf(nodesOf(made[0])[1], nodesOf(made[0])[2])).not.toBeCloseTo(
      angleOf(nodesOf(made[1])[1], nodesOf(made[1])[2]),
      3,
    );
    for (const m of made) expect(nodesOf(m)[0]).toEqual(nodesOf(m).at(-1));
  });

  it('leave the ends of open strokes where they are', () => {
    const open: Stroke = {
      start: [0, 0],
      segments: [
        { kind: 'line', to: [40, 40.05] },
        { kind: 'line', to: [80, 0.02] },
        { kind: 'line', to: [120, 40] },
      ],
    };
    const [made] = madeAlike([open], [false]);
    expect(made.start).toEqual([0, 0]);
    expect(made.segments.at(-1)!.to).toEqual([120, 40]);
  });

  it('follow the drawing as closely as before', async () => {
    const hatching = [0, 1, 2, 3, 4].map((k) => `<path d="M${60 + 80 * k} 90l22 6-31 290-22-6z"/>`);
    const drawing = drawnOf(hatching.join(''));
    for (const worn of [false, true]) expect(await errorOf(drawing, await tracedSvg(drawing, worn))).toBeLessThan(0.09);
  });
});

describe('arcs of nearly one radius', () => {
  it('get the same', () => {
    const lens = (x: number, radius: number): Stroke => ({
      start: [x, 20],
      segments: [
        { kind: 'arc', radius, large: false, clockwise: true, to: [x, 60] },
        { kind: 'arc', radius: radius + 0.1, large: false, clockwise: true, to: [x, 20] },
      ],
    });
    const made = madeAlike([lens(20, 50), lens(80, 50.2)], [true, true]);
    const radii = made.flatMap((m) => m.segments.map((s) => (s.kind === 'arc' ? s.radius : NaN)));
    expect(new Set(radii).size).toBe(1);
    expect(radii[0]).toBeGreaterThan(50);
    expect(radii[0]).toBeLessThan(50.3);
  });

  it('keep their own where the middle of a greater arc would move far', () => {
    // The same change of radius hardly moves the middle of a flat arc, and moves that of a greater one by twice as much as it is.
    const drop = (x: number, radius: number, large: boolean): Stroke => ({
      start: [x, 20],
      segments: [
        { kind: 'arc', radius, large, clockwise: true, to: [x, 60] },
        { kind: 'line', to: [x, 20] },
      ],
    });
    const radiiOf = (large: boolean) =>
      madeAlike([drop(20, 50, large), drop(200, 50.2, large)], [true, true]).map(({ segments: [s] }) =>
        s.kind === 'arc' ? s.radius : NaN,
      );
    expect(new Set(radiiOf(false)).size).toBe(1);
    expect(radiiOf(true)).toEqual([50, 50.2]);
  });
});
