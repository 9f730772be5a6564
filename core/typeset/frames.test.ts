/** Frames about what is in them: rings that clear it, bands of one depth, edges that text stands on. */
import { describe, expect, it } from 'vitest';
import type { FramePart } from '../lockup';
import {
  areaFrom,
  boxOfRuns,
  flatten,
  grown,
  intersect,
  polygon,
  sizeOf,
  subtract,
  union,
  type Box,
  type Contour,
} from '../path';
import { dividers, frameShapes, reachOf, standingOn, type Around } from './frames';

const BOX: Box = { x: 10, y: 20, width: 60, height: 30 };
const inside = polygon([[10, 20], [70, 20], [70, 50], [10, 50]]); // prettier-ignore
const around: Around = { contours: [inside], box: BOX, arc: null, capHeightPx: 12 };
const frameOf = (shape: FramePart['shape'], more: Partial<FramePart> = {}): FramePart =>
  ({ id: 'f', kind: 'frame', shape, gapPx: 6, bandPx: 14, linePx: 2, fillInkId: 'ink', lineInkId: 'ink', divider: 'none', ...more }) as unknown as FramePart; // prettier-ignore
const areaOf = (contours: readonly Contour[]) => areaFrom([...contours]);
const own = areaOf([inside]);

describe('rings', () => {
  it('clear what is in them by the gap, and are as deep as the band', () => {
    const { centre, reach } = reachOf(around);
    expect(centre).toEqual([40, 35]);
    expect(reach).toBeCloseTo(Math.hypot(30, 15), 3);
    const { ring, lines, box } = frameShapes(frameOf('ring'), around);
    expect(ring!.inner - reach).toBeCloseTo(6, 6);
    expect(ring!.outer - ring!.inner).toBeCloseTo(14, 6);
    expect(box.width / 2).toBeCloseTo(ring!.outer + 2, 6);
    // A line as wide as asked for, by the area between its circles.
    const { outer } = ring!;
    expect(sizeOf(areaOf(lines))).toBeCloseTo(Math.PI * ((outer + 2) ** 2 - outer ** 2), -1);
  });

  it('are two lines and a band between them where they are double', () => {
    const { ring, fill, lines } = frameShapes(frameOf('double-ring'), around);
    expect(sizeOf(areaOf(fill))).toBeCloseTo(Math.PI * (ring!.outer ** 2 - ring!.inner ** 2), -1);
    expect(lines).toHaveLength(4);
    expect(sizeOf(intersect(areaOf(fill), own))).toBe(0);
  });

  it('go round text on a circle from the middle of that', () => {
    const { ring } = frameShapes(frameOf('ring'), { ...around, arc: { centre: [40, 90], radiusPx: 50, side: 'above', halfRad: 0.8 } }); // prettier-ignore
    expect(ring!.centre).toEqual([40, 90]);
    expect(ring!.inner).toBeCloseTo(Math.hypot(30, 70) + 6, 3);
  });

  it('have their text half-way in the band, or outside where there is none', () => {
    const frame = frameOf('ring');
    const shapes = frameShapes(frame, around);
    const { inner, outer } = shapes.ring!;
    const above = standingOn(frame, shapes, 'above', 8);
    const below = standingOn(frame, shapes, 'below', 8);
    expect(above).toMatchObject({ kind: 'arc', side: 'above', radiusPx: inner + 3 });
    // Below, letters stand on the outer side and reach inwards: the same band is covered.
    expect(below).toMatchObject({ kind: 'arc', side: 'below', radiusPx: inner + 3 + 8 });
    const bare = frameOf('ring', { bandPx: 0 });
    const free = standingOn(bare, frameShapes(bare, around), 'above', 8);
    expect(free).toMatchObject({ kind: 'arc' });
    if (free.kind === 'arc') expect(free.radiusPx).toBeGreaterThan(frameShapes(bare, around).ring!.outer + 2);
    expect(outer).toBeGreaterThan(inner);
  });

  it('have a sign half-way between two texts, on both sides', () => {
    for (const divider of ['dot', 'star', 'diamond'] as const) {
      const frame = frameOf('ring', { divider } as Partial<FramePart>);
      const shapes = frameShapes(frame, around);
      const [left, right] = dividers(frame, shapes, 1, 0.6).map((c) => boxOfRuns([flatten(c, 0.05)])!);
      const { centre, inner, outer } = shapes.ring!;
      expect(left.x + left.width / 2 + right.x + right.width / 2).toBeCloseTo(2 * centre[0], 1);
      for (const b of [left, right]) {
        const far = Math.hypot(b.x + b.width / 2 - centre[0], b.y + b.height / 2 - centre[1]);
        expect(far > inner && far < outer).toBe(true);
      }
    }
    expect(dividers(frameOf('ring'), frameShapes(frameOf('ring'), around), 1, 1)).toEqual([]);
  });
});

describe('frames of straight sides', () => {
  it.each(['box', 'hexagon', 'diamond', 'shield'] as const)('hold what is in them, clear of it by the gap: %s', (shape) => {
    const { fill, lines, box, edges } = frameShapes(frameOf(shape), around);
    // All of it, and a margin of nearly the gap, lies within.
    expect(sizeOf(subtract(own, areaOf(fill)))).toBeLessThan(1e-6);
    const margin = shape === 'shield' ? 0.2 : 5.8;
    expect(sizeOf(intersect(areaOf(lines), grown(own, margin)))).toBeLessThan(1);
    expect(box.x).toBeLessThan(10);
    expect(box.x + box.width).toBeGreaterThan(70);
    // Text goes from left to right.
    for (const edge of [edges!.above, edges!.below]) expect(edge.segments.at(-1)!.to[0]).toBeGreaterThan(edge.start[0]);
  }); // prettier-ignore

  it('grow by the band on every side', () => {
    const [thin, thick] = [0, 20].map((bandPx) => frameShapes(frameOf('box', { bandPx }), around).box);
    expect(thick.width - thin.width).toBeCloseTo(40, 6);
    expect(thick.height - thin.height).toBeCloseTo(40, 6);
  });

  it('have no fill and no lines where none are asked for', () => {
    const { fill, lines } = frameShapes(
      frameOf('hexagon', { fillInkId: null, linePx: 0 } as Partial<FramePart>),
      around,
    );
    expect([fill, lines]).toEqual([[], []]);
  });
});

describe('cloth', () => {
  it.each(['banner', 'ribbon'] as const)('covers the text, with ends beyond it on both sides alike: %s', (shape) => {
    const { fill, folds, box } = frameShapes(frameOf(shape), around);
    expect(sizeOf(subtract(own, areaOf(fill)))).toBeLessThan(1e-6);
    expect(10 - box.x).toBeCloseTo(box.x + box.width - 70, 1);
    expect(folds).toHaveLength(shape === 'ribbon' ? 2 : 0);
  });

  it('follows the circle that its text stands on', () => {
    const arc = { centre: [40, 120] as const, radiusPx: 90, side: 'above' as const, halfRad: 0.4 };
    const { fill } = frameShapes(frameOf('banner'), { ...around, arc: { ...arc, centre: [40, 120] } });
    const run = flatten(fill[0], 0.05);
    const far = Array.from({ length: run.length / 2 }, (_, k) => Math.hypot(run[2 * k] - 40, run[2 * k + 1] - 120));
    // From the gap below the baseline to the gap above the capitals.
    expect(Math.min(...far)).toBeCloseTo(90 - 6, 0);
    expect(Math.max(...far)).toBeCloseTo(90 + 12 + 6, 0);
  });
});

describe('rules', () => {
  it('stand left and right of a text at half the height of its capitals, or under it', () => {
    const { lines } = frameShapes(frameOf('rules'), around);
    const [left, right] = lines.map((c) => boxOfRuns([flatten(c, 0.05)])!);
    expect(left.x + left.width).toBeCloseTo(10 - 6, 6);
    expect(right.x).toBeCloseTo(70 + 6, 6);
    expect(left.y + left.height / 2).toBeCloseTo(50 - 6, 6);
    expect([left.width, left.height]).toEqual([14, 2]);
    const [under] = frameShapes(frameOf('underline'), around).lines.map((c) => boxOfRuns([flatten(c, 0.05)])!);
    expect([under.x, under.width, under.y]).toEqual([10, 60, 56]);
    expect(sizeOf(intersect(areaOf(lines), union(own)))).toBe(0);
  });
});
