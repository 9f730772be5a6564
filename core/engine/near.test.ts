import { describe, expect, it } from 'vitest';
import { hexToOklab, oklabDistance } from '../colour';
import { compose } from './compose';
import { nearThings } from './near';
import { checkRequest, drawCandidate, RequestError, sceneOf, understand } from './request';
import { BESIDE, isThing } from './things';

describe('what is near a word without a drawing', () => {
  it('is what it was meant to be spelled, what it is made up of, and what has it in its name', () => {
    expect(nearThings('hedgehg')).toContain('hedgehog');
    expect(nearThings('elefant')).toContain('elephant');
    expect(nearThings('umbrelas')).toContain('umbrella');
    expect(nearThings('dragon boat race').slice(0, 2)).toEqual(['boat', 'dragon']);
  });
  it('can be drawn, is three at most, and nothing where nothing is near', () => {
    for (const word of ['steam locomotive engine', 'windmil', 'axolotle', 'sunflowr', 'zzzyx'])
      for (const near of nearThings(word)) expect(isThing(near)).toBe(true);
    expect(nearThings('steam locomotive engine').length).toBeLessThanOrEqual(3);
    expect(nearThings('zzzyx')).toEqual([]);
    expect(nearThings('')).toEqual([]);
  });
  it('is what is of its kind, where the word is known and has no drawing', () => {
    expect(nearThings('liver')).toContain('heart');
    expect(nearThings('quasars')).toEqual(expect.arrayContaining(['star', 'planet']));
    expect(nearThings('tundra')).toContain('forest');
    expect(understand('a badge with a kidney').near).toMatchObject({ kidney: ['heart'] });
    for (const [word, names] of BESIDE) {
      expect(names.length, word).toBeLessThanOrEqual(3);
      for (const name of names) expect(isThing(name), `${word}: ${name}`).toBe(true);
    }
  });
  it('comes with the reading, for what has no drawing alone', () => {
    expect(understand('a fox and an elefant').near).toMatchObject({ elefant: expect.arrayContaining(['elephant']) });
    expect(understand('a fox and an elephant').near).toEqual({});
  });
});

describe('usual colours', () => {
  const usualColours = 'midnight blue, lamp yellow';
  const asked = understand(usualColours).parts.colours.map((c) => c.hex);
  const inksOf = (prompt: string, position = 0) => compose({ ...sceneOf({ prompt, usualColours, flaws: 0 }, position) }).stage.palette.inks; // prettier-ignore

  it('are taken where the prompt says nothing of colours, in every candidate', () => {
    expect(asked).toHaveLength(2);
    for (let position = 0; position < 4; position++)
      for (const hex of inksOf('a fox', position))
        expect(Math.min(...asked.map((a) => oklabDistance(hexToOklab(a), hexToOklab(hex))))).toBeLessThan(0.02);
  });
  it('give way to colours, gradients and moods of the prompt', () => {
    for (const prompt of ['a red fox', 'fox, gradient from plum to apricot', 'fox, warm colours'])
      expect(inksOf(prompt)).toEqual(compose({ ...sceneOf({ prompt, flaws: 0 }, 0) }).stage.palette.inks);
  });
  it('stay in the recipe, so that an offshoot has them too', () => {
    const { recipe } = drawCandidate({ prompt: 'a fox', usualColours, sizePx: 64, seed: 3 }, 0);
    expect(recipe.usualColours).toBe(usualColours);
    expect(checkRequest({ prompt: '', offshootOf: recipe }).usualColours).toBe(usualColours);
    expect('usualColours' in drawCandidate({ prompt: 'a fox', sizePx: 64, seed: 3 }, 0).recipe).toBe(false);
  });
  it('are none where the words name none, and are not read without end', () => {
    expect(inksOf('a fox').length).toBe(2);
    expect(compose({ ...sceneOf({ prompt: 'a fox', usualColours: 'none of that', flaws: 0 }, 0) }).stage.palette.inks.length).toBeGreaterThan(2); // prettier-ignore
    expect(() => checkRequest({ prompt: 'a fox', usualColours: 'x'.repeat(2001) })).toThrow(RequestError);
  });
});
