/** What is drawn by hand and built: more drawings of one thing, people by their sport, every creature. */
import { describe, expect, it } from 'vitest';
import { boundsOf } from './area';
import { drawingCount } from './build';
import { builtDrawings } from './built';
import { BUILT_NAMES } from './creature';
import { figureOf, outlineOf, placed, type Figure } from './figure';
import { MORE } from './figures-more';
import { PEOPLE } from './figures-people';
import { understand } from './request';
import { figureFor } from './stage';
import { build, knobsAt, stageOf } from './testing';
import { isThing } from './things';
import { sizeOf } from '../path';

describe('more drawings', () => {
  it('are of things there are, each with an outline of its own', () => {
    for (const [name, draws] of Object.entries(MORE)) {
      expect(isThing(name), name).toBe(true);
      const knobs = knobsAt();
      expect(drawingCount(name, {}, knobs), name).toBeGreaterThan(draws.length);
      for (const draw of draws) {
        const b = boundsOf(
          outlineOf(
            figureOf(
              name,
              draw(() => 0),
            ),
          ),
        );
        expect(b.x, name).toBeGreaterThan(-5);
        expect(b.x + b.width, name).toBeLessThan(105);
        expect(Math.max(b.width, b.height), name).toBeGreaterThan(74);
      }
    }
  });
});

describe('people by their sport', () => {
  it.each(Object.keys(PEOPLE))('%s: one sign in its field, the head apart from what is ridden or used', (name) => {
    const figure = build(name);
    const b = boundsOf(outlineOf(figure));
    expect(Math.max(b.width, b.height)).toBeCloseTo(100, 0);
    expect(figure.parts.length).toBeGreaterThanOrEqual(4);
    const small = placed(figure, { cx: 50, cy: 50, side: 80, fill: 1 });
    expect(sizeOf(outlineOf(small))).toBeGreaterThan(0.1 * 6400 * 0.6);
  });

  it('are that where nothing is said of them, and dressed as mascots', () => {
    expect(understand('a cyclist from the side, flat').parts.figures).toMatchObject([{ drawn: 'cyclist' }]);
    expect(understand('a cyclist from the side, flat').parts.notUnderstood).toEqual([]);
    const { figures, role } = understand('a fox cyclist, mascot').parts;
    expect([figures[0].drawn, role]).toEqual(['fox', 'cyclist']);
  });
});

describe('every creature', () => {
  it.each([{}, { isWhole: true }, { pose: 'sleeping' }, { pose: 'running' }, { pose: 'flying', isWhole: true }, { expression: 'happy', isWhole: true }])('can be drawn with %j', (said) => {
    const knobs = knobsAt();
    const none = BUILT_NAMES.filter((name) => drawingCount(name, said, knobs) === 0);
    expect(none).toEqual([]);
  });
}); // prettier-ignore

describe('names', () => {
  it('takes for a thing what is one by another name, after its article', () => {
    expect(understand('a scissor and a comb crossed').parts.figures.map((f) => f.drawn)).toEqual(['scissors', 'comb']);
  });
});

describe('birds', () => {
  it('turns a bird that dives head down', () => {
    const knobs = knobsAt();
    const [flying, diving] = ['flying', 'diving'].map((pose) => outlineOf(builtDrawings('hawk', { pose }, knobs)[0]()));
    const [f, d] = [boundsOf(flying), boundsOf(diving)];
    expect(d.height / d.width).not.toBeCloseTo(f.height / f.width, 1);
    expect(builtDrawings('hawk', { pose: 'flying' }, knobs)).toHaveLength(1);
  });
});

describe('closed eyes', () => {
  it('are closed, whatever face is drawn', () => {
    const stage = stageOf('an owl with closed eyes');
    const areasOf = (figure: Figure): string => JSON.stringify(figure.parts.map((p) => p.area));
    const asleep = areasOf(figureFor(stage, stage.parts.figures[0], 0));
    const [calm] = stageOf('an owl').parts.figures;
    expect(asleep).toBe(areasOf(figureFor(stage, { ...calm, expression: 'sleepy' }, 0)));
    expect(asleep).not.toBe(areasOf(figureFor(stage, { ...calm, expression: 'happy' }, 0)));
  });
});
