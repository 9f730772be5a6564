/** What is said of letters is how they look, and never a thing beside them. */
import { describe, expect, it } from 'vitest';
import { FINISH_WORDS } from '../engine/finish';
import { findFigure } from '../engine/lexicon';
import { MOOD_NAMES } from '../engine/palette';
import { isRole } from '../engine/creature';
import { readPrompt } from './read';

const read = (prompt: string) => readPrompt(prompt, { findFigure, isRole, finishes: FINISH_WORDS, moods: MOOD_NAMES });

describe('how letters are to look', () => {
  it.each([
    ['wordmark "Drift" in wavy letters', ['wavy']],
    ['wordmark "Drift", letters like waves', ['wavy']],
    ['wordmark "Drift", bold rounded letters', ['bold', 'round']],
    ['wordmark "Drift" in wide letters and lower case', ['lower', 'spaced']],
    ['wordmark "Mist" in thin, widely spaced capitals', ['spaced', 'thin', 'upper']],
    ['wordmark "Mist" in lower case with wide spacing', ['lower', 'spaced']],
    ['wordmark "Bolt", the letters sliced through the middle', ['sliced']],
    ['wordmark "Fable", handwritten', ['script']],
    ['wordmark "Noir" in an elegant serif', ['serif']],
    ['wordmark "Oak & Ash", slab serif type', ['slab']],
    ['wordmark "Volt", italic', ['slanted']],
    ['monogram "AK", interlocking letters', ['linked']],
    ['wordmark "Arcade", outlined letters with a shadow', ['outlined', 'shadow']],
    ['a wordmark that says "Ember" in a dripping typeface', ['dripping']],
  ])('%s', (prompt, styles) => {
    const parts = read(prompt);
    expect([...parts.letterStyle].sort()).toEqual([...styles].sort());
    expect(parts.figures).toEqual([]);
    expect(parts.notUnderstood).toEqual([]);
  });
  it('leaves the figures that stand with them, and what they are made of', () => {
    expect(read('wordmark "Drift", letters made of rope').figures).toMatchObject([{ drawn: 'rope', relation: 'made of' }]); // prettier-ignore
    expect(read('wordmark "Fable" in a friendly handwritten font with a quill')).toMatchObject({ letterStyle: ['script'], figures: [{ word: 'quill' }] }); // prettier-ignore
    expect(read('wordmark "Saddler" with a needle through the letters').figures).toMatchObject([{ word: 'needle', modifiers: ['through'] }]); // prettier-ignore
    expect(read('a baker\'s monogram "JB" with a wheat ear between the letters').figures.map((f) => f.word)).toEqual(['wheat ear']); // prettier-ignore
  });
  it('is nothing where no lettering is asked for: a letter is a thing then', () => {
    expect(read('an envelope with a letter inside')).toMatchObject({ letterStyle: [], figures: [{ word: 'envelope' }, { word: 'letter' }] }); // prettier-ignore
    expect(read('a bold fox, rounded').letterStyle).toEqual([]);
  });
});
