/** The parts of the grammar by themselves: units, phrases, relations. */
import { describe, expect, it } from 'vitest';
import { findFigure } from '../engine/lexicon';
import { isRole } from '../engine/creature';
import { readPhrase } from './phrase';
import type { Token } from './reading';
import { phraseAt, RELATION_NAMES } from './relations';
import { numberOf, readUnits } from './units';
import type { Lexicon } from './words';

const lexicon: Lexicon = { findFigure, isRole, finishes: {}, moods: [] };
const tokens = (text: string): Token[] => text.split(' ').map((word, i) => ({ text: word, at: i, part: null, figure: null })); // prettier-ignore
const phrase = (text: string) => readPhrase(tokens(text), 0, text.split(' ').length, lexicon);

describe('numbers', () => {
  it('are words, digits and dozens', () => {
    expect(numberOf('three')).toBe(3);
    expect(numberOf('12')).toBe(12);
    expect(numberOf('dozen')).toBe(12);
    expect(numberOf('fox')).toBeNull();
  });
});

describe('units', () => {
  it('take compounds before their words', () => {
    expect(readUnits(tokens('small watering can'), 0, 3, lexicon, true).map((u) => [u.text, u.as])).toEqual([['small', 'modifier'], ['watering can', 'noun']]); // prettier-ignore
  });
  it('tell poses and faces from what else is said', () => {
    expect(readUnits(tokens('running grumpy fox'), 0, 3, lexicon, true).map((u) => u.as)).toEqual(['pose', 'expression', 'noun']); // prettier-ignore
  });
});

describe('noun phrases', () => {
  it('have a count, what is said in front, and a head', () => {
    expect(phrase('three small red foxes')).toMatchObject({ count: 3, head: 'foxes', to: 4 });
    expect(phrase('a crescent moon')).toMatchObject({ count: 1, hasArticle: true, isNamed: true });
    expect(phrase('two pairs of scissors')!.count).toBe(2);
    expect(phrase('a flock of swallows')).toMatchObject({ head: 'swallows', count: 5 });
    expect(phrase('a family of ducks crossing a road')).toMatchObject({ head: 'ducks', count: 4, to: 4 });
    expect(phrase('a duck family')).toMatchObject({ head: 'duck', count: 4 });
  });
  it('know an animal by its trade, and whose a thing is', () => {
    expect(phrase('a penguin waiter')).toMatchObject({ head: 'penguin', role: 'waiter' });
    expect(phrase('a badger beekeeper')).toMatchObject({ head: 'badger', role: 'beekeeper' });
    expect(phrase('a wizard frog')).toMatchObject({ head: 'frog', role: 'wizard' });
    expect(phrase("a stag's head")).toMatchObject({ modifiers: ['head'] });
    expect(phrase("a pirate's boat")!.owner?.word).toBe('pirate');
  });
  it('end before what is no noun', () => {
    expect(phrase('over the')).toBeNull();
    expect(phrase('a fox over a wall')!.to).toBe(2);
    expect(phrase('a pencil drawing a heart')).toMatchObject({ head: 'pencil', to: 2 });
  });
});

describe('relations', () => {
  it('are found by the longest words that say them', () => {
    expect(phraseAt(['in', 'front', 'of', 'a'])).toMatchObject({ link: { relation: 'in front of' }, length: 3 });
    expect(phraseAt(['made', 'out', 'of', 'leaves'])).toMatchObject({ link: { relation: 'made of' }, length: 3 });
    expect(phraseAt(['fox'])).toBeNull();
  });
  it('have names, each once', () => {
    expect(new Set(RELATION_NAMES).size).toBe(RELATION_NAMES.length);
  });
});
