/** Polygons: corners where they are, lines between them, and nothing else. */
import { beforeAll, describe, expect, it } from 'vitest';
import { drawnOf, pictureOf } from '../../bench/drawings';
import type { Contour, Point } from '../path';
import { trace } from '.';
import { allPieces } from '../vector';

/** A regular polygon that leans, as its corners. */
const regular = (n: number, turn: number): Point[] =>
  Array.from({ length: n }, (_, i) => {
    const a = (2 * Math.PI * i) / n + turn;
    return [256 + 2 * n + 180 * Math.cos(a), 250 + 180 * Math.sin(a)];
  });

describe.each([
  ['clean', false],
  ['worn', true],
] as const)('regular polygons, %s', (_, worn) => {
  const made: { corners: Point[]; contour: Contour }[] = [];
  beforeAll(async () => {
    for (const n of [3, 5, 6, 7, 8, 10, 12])
      for (const turn of [0.11, 0.37 * n]) {
        const corners = regular(n, turn);
        const drawing = drawnOf(`<path d="M${corners.map((p) => p.join(' ')).join('L')}Z"/>`);
        const { artwork } = trace((await pictureOf(drawing, worn)).picture, { ground: 'drop' });
        expect(allPieces(artwork)).toHaveLength(1);
        made.push({ corners, contour: allPieces(artwork)[0].contours[0] });
      }
  }, 60_000);

  it('have as many sides as were drawn, but for few, and those are lines', () => {
    const more = made.map(({ corners, contour }) => contour.segments.length - corners.length);
    expect(Math.min(...more)).toBe(0);
    expect(more.reduce((sum, m) => sum + m, 0)).toBeLessThanOrEqual(4);
    expect(more.filter((m) => m === 0).length).toBeGreaterThanOrEqual(12);
    const sides = made.flatMap(({ contour }) => contour.segments);
    expect(sides.filter((s) => s.kind !== 'line').length).toBeLessThanOrEqual(5);
  });

  it('have their corners where those were drawn', () => {
    const off = made.flatMap(({ corners, contour }) =>
      corners.map(([x, y]) => Math.min(...contour.segments.map(({ to }) => Math.hypot(to[0] - x, to[1] - y)))),
    );
    off.sort((p, q) => p - q);
    expect(off[off.length >> 1]).toBeLessThan(0.06);
    expect(off[Math.floor(0.95 * off.length)]).toBeLessThan(0.4);
  });
});
