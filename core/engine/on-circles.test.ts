import { describe, expect, it } from 'vitest';
import { intersect, sizeOf, union, type Area } from '../path';
import { seenParts, silhouetteOf } from './figure';
import { FINISHES } from './finish';
import { boundsOf, box, disc, ringOf, turnedBy } from './area';
import { areaOnCircles, constructionOf, figureOnCircles } from './on-circles';
import { symmetryOf } from './symmetry';
import { figureFor } from './stage';
import { knobsAt, stageOf } from './testing';

const overlap = (p: Area, q: Area): number => sizeOf(intersect(p, q)) / sizeOf(union(p, q));

describe('outlines on circles', () => {
  it('are circles and lines where the shape is made of them', () => {
    const { area, contours } = areaOnCircles(union(disc(50, 50, 20, 90)));
    const { circles, lines } = constructionOf(contours);
    expect(circles).toHaveLength(1);
    expect(circles[0].r).toBeCloseTo(20, 0);
    expect(lines).toEqual([]);
    expect(overlap(area, disc(50, 50, 20, 90))).toBeGreaterThan(0.99);
    const bar = turnedBy(box(20, 40, 60, 20), 0.3, 50, 50);
    const straight = constructionOf(areaOnCircles(bar).contours);
    expect(straight.lines.length).toBeGreaterThanOrEqual(4);
    expect(straight.circles.reduce((sum, c) => sum + c.length, 0)).toBeLessThan(4);
  });

  it('stay near what figures were, lie on few circles, and stay even where they were', () => {
    for (const name of ['whale', 'apple', 'owl', 'rabbit', 'teapot', 'bear']) {
      const stage = stageOf(`${name}, flat`);
      const figure = figureFor(stage, stage.parts.figures[0], 0);
      const { figure: made, contours } = figureOnCircles(figure);
      expect(overlap(silhouetteOf(figure), silhouetteOf(made)), name).toBeGreaterThan(0.95);
      expect(
        contours.every((c) => c.segments.every((s) => s.kind !== 'curve')),
        name,
      ).toBe(true);
      const { circles } = constructionOf(contours);
      expect(circles.length, name).toBeGreaterThan(0);
      expect(symmetryOf(made), name).toBeGreaterThan(symmetryOf(figure) - 0.03);
    }
  });
});

describe('a geometric construction', () => {
  it('shows circles that its outlines lie on', () => {
    for (const name of ['whale', 'fox', 'apple']) {
      const stage = stageOf(`${name}, geometric construction`);
      const figure = figureFor(stage, stage.parts.figures[0], 0);
      const tint = { on: '#ffffff', hexOf: figure.tones.map(() => '#203040'), inks: ['#203040'], line: '#203040', strict: false, named: false }; // prettier-ignore
      const [, thin, ink] = FINISHES['geometric construction'].draw({ figure, tint, knobs: knobsAt(), u: 1 } as never);
      const { circles } = constructionOf(figureOnCircles({ ...figure, parts: seenParts(figure) }).contours);
      const b = boundsOf(silhouetteOf(figure));
      const shown = circles.filter((c) => c.r > 2 && c.r < 0.5 * Math.max(b.width, b.height)).slice(0, 4);
      expect(shown.length, name).toBeGreaterThan(1);
      for (const c of shown) {
        const thread = [...ringOf(c.x, c.y, c.r + 0.1, c.r - 0.1)];
        expect(sizeOf(intersect(thread, thin.area)) / sizeOf(thread), name).toBeGreaterThan(0.95);
        expect(sizeOf(intersect(thread, ink.area)) / 0.2, name).toBeGreaterThan(3);
      }
    }
  });

  it('is obeyed by the manner too: figures said to be geometric are lines and arcs', () => {
    const [told, plain] = ['an apple, built on circles', 'an apple'].map((prompt) => {
      const stage = stageOf(prompt);
      return figureFor(stage, stage.parts.figures[0], 0);
    });
    expect(JSON.stringify(told)).not.toBe(JSON.stringify(plain));
    expect(overlap(silhouetteOf(told), silhouetteOf(plain))).toBeGreaterThan(0.95);
  });
});
