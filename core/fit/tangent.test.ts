import { describe, expect, it } from 'vitest';
import { artworkToSvg } from '../export';
import { type Point, roundedPolygon, turnsOf } from '../path';
import { drawnOf, errorOf, pictureOf } from '../../bench/drawings';
import { type Fit, type Run } from './span';
import { touchLines } from './tangent';
import { trace } from '../trace';
import { allPieces } from '../vector';

describe('arcs between lines', () => {
  // Along the x axis, round a quarter circle of radius 20 about (40, 20), and down.
  const at = (s: number): Point => {
    const bend = 10 * Math.PI;
    if (s < 40) return [s, 0];
    if (s < 40 + bend) return [40 + 20 * Math.sin((s - 40) / 20), 20 - 20 * Math.cos((s - 40) / 20)];
    return [60, 20 + s - 40 - bend];
  };
  const run: Run = {
    xs: Float64Array.from({ length: 112 }, (_, i) => at(i)[0]),
    ys: Float64Array.from({ length: 112 }, (_, i) => at(i)[1]),
  };
  const stretch = (first: number, second: number, radius: number) => {
    const breaks = [0, first, second, 111];
    const nodes = breaks.map((i) => ({ point: at(i) }));
    const line = (k: number): Fit => ({ segment: { kind: 'line', to: nodes[k].point }, greatest: 0.05, squares: 0 });
    const arc: Fit = {
      segment: { kind: 'arc', radius, large: false, clockwise: true, to: nodes[2].point },
      greatest: 0.1,
      squares: 0,
    };
    const fits = [line(1), arc, line(3)];
    touchLines(nodes, fits, breaks, run, 0.2);
    return { start: nodes[0].point, segments: fits.map((f) => f.segment) };
  };

  it('touch both of them, wherever the break was put', () => {
    for (const [first, second] of [
      [38, 73],
      [42, 70],
      [41, 73],
    ]) {
      const made = stretch(first, second, 20.3);
      const [, before, after] = turnsOf(made);
      expect(Math.max(before, after)).toBeLessThan(1e-6);
      const [, arc] = made.segments;
      expect(arc.kind === 'arc' && Math.abs(arc.radius - 20)).toBeLessThan(0.5);
    }
  });

  it('stay as they are where nothing of a line would be left, or points would be far off', () => {
    const made = stretch(50, 62, 60);
    expect(made.segments[1]).toMatchObject({ kind: 'arc', radius: 60, to: at(62) });
    expect(made.segments[0].to).toEqual(at(50));
  });
});

describe('smooth joints', () => {
  it('are smooth in a trace of a rounded polygon that leans', async () => {
    const corners: Point[] = [
      [90, 140],
      [300, 70],
      [430, 250],
      [330, 440],
      [120, 380],
    ];
    const outline = roundedPolygon(corners, 40);
    const svg = artworkToSvg({
      widthPx: 512,
      heightPx: 512,
      inks: [{ id: 'ink-1', hex: '#203050', name: 'navy' }],
      nodes: [{ kind: 'piece', id: 'piece-1', inkId: 'ink-1', contours: [outline] }],
      guides: [],
    });
    const drawing = { ...drawnOf(''), svg };
    const { artwork } = trace((await pictureOf(drawing, false)).picture, { ground: 'drop' });
    expect(allPieces(artwork)).toHaveLength(1);
    const [contour] = allPieces(artwork)[0].contours;
    expect(contour.segments.length).toBeLessThanOrEqual(11);
    expect(Math.max(...turnsOf(contour))).toBeLessThan(0.03);
    const kept = trace((await pictureOf(drawing, false)).picture, { ground: 'keep' }).artwork;
    expect(await errorOf(drawing, artworkToSvg(kept))).toBeLessThan(0.05);
  });
});
