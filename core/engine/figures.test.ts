/** The drawings made by hand for this engine, each by itself. */
import { describe, expect, it } from 'vitest';
import { sizeOf } from '../path';
import { boundsOf } from './area';
import { figureOf, outlineOf, seenParts } from './figure';
import { EVERYDAY } from './figures-everyday';
import { FINDS } from './figures-finds';
import { HOME } from './figures-home';
import { PLACES } from './figures-places';
import { SHOP } from './figures-shop';
import { TOOLS } from './figures-tools';
import { findFigure } from './lexicon';
import { isThing } from './things';

const all = Object.entries({ ...HOME, ...TOOLS, ...PLACES, ...FINDS, ...EVERYDAY, ...SHOP });

describe('drawings of tools, household things and places', () => {
  it.each(all)('%s lies in the field, is large enough to tell, and shows all its parts', (name, draw) => {
    for (const by of [0, -1, 1]) {
      const figure = figureOf(
        name,
        draw(() => by),
      );
      const box = boundsOf(outlineOf(figure));
      expect(box.x).toBeGreaterThan(-6);
      expect(box.y).toBeGreaterThan(-8);
      expect(box.x + box.width).toBeLessThan(106);
      expect(box.y + box.height).toBeLessThan(106);
      expect(Math.max(box.width, box.height)).toBeGreaterThan(55);
      expect(sizeOf(outlineOf(figure))).toBeGreaterThan(350);
      // Nothing is drawn that cannot be seen.
      expect(seenParts(figure)).toHaveLength(figure.parts.length);
    }
  });
  it('are found by their names, and no name is drawn twice', () => {
    const names = [HOME, TOOLS, PLACES, FINDS, EVERYDAY, SHOP].flatMap((group) => Object.keys(group));
    expect(new Set(names).size).toBe(names.length);
    for (const [name] of all) {
      expect(isThing(name)).toBe(true);
      expect(findFigure(name)?.drawn).toBe(name);
    }
  });
  it('lead other words to them', () => {
    for (const [word, drawn] of [
      ['jumper', 'sweater'],
      ['bean bag', 'beanbag'],
      ['zeppelin', 'airship'],
      ['duvet', 'blanket'],
      ['waistcoat', 'vest'],
      ['beetroot', 'beet'],
      ['chess piece', 'chess knight'],
      ['pond', 'lake'],
      ['eggs', 'egg'],
      ['flying saucer', 'ufo'],
      ['plow', 'plough'],
      ['magic lamp', 'oil lamp'],
    ])
      // prettier-ignore
      expect(findFigure(word)?.drawn).toBe(drawn);
  });
});

describe('broader terms', () => {
  it('are near, or none', () => {
    expect(findFigure('ankle')).toMatchObject({ drawn: 'foot', via: 'broader' });
    // What only a word list would call the same kind of thing stands for nothing.
    for (const word of ['muzzle', 'gramophone needle'])
      expect(findFigure(word)?.drawn ?? null).not.toBe('location exit');
  });
});
