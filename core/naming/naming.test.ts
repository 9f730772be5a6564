import { distance } from 'fastest-levenshtein';
import { describe, expect, it } from 'vitest';
import { canBeSaid, firstSound, NAME_WAYS, NAMES_MOST, namesFor, rhythmOf, stressOf, syllablesOf } from './index'; // prettier-ignore

const ASKED = { trade: 'a bakery with its own mill', place: 'Harbour Lane, a small port', mood: 'warm, honest' };

describe('how a name is said', () => {
  it('has as many syllables as one hears', () => {
    const heard = { crumb: 1, oven: 2, table: 2, lantern: 2, grain: 1, honey: 2, botanic: 3, flare: 1, orchard: 2, canoe: 2, harvest: 2, juniper: 3, quay: 1 }; // prettier-ignore
    for (const [word, n] of Object.entries(heard)) expect(syllablesOf(word), word).toBe(n);
  });

  it('falls where one would stress it', () => {
    expect([stressOf('lantern'), stressOf('panora'), stressOf('noctaria'), stressOf('balloon'), stressOf('loaf')]).toEqual([1, 2, 2, 2, 1]); // prettier-ignore
    expect(rhythmOf('Oven Row')).toBe('Xx X');
  });

  it('can be said, or not', () => {
    for (const word of ['Crumbrow', 'Fernholt', 'Panora', 'Lumen', 'Oakstride'])
      expect(canBeSaid(word), word).toBe(true);
    for (const word of ['Xkcd', 'Brrt', 'Aaeio', 'Mptkla', 'Zq']) expect(canBeSaid(word), word).toBe(false);
  });

  it('begins with a sound and not a letter', () => {
    expect(['phone', 'knead', 'cedar', 'cake', 'quay', 'kite', 'chalk'].map(firstSound)).toEqual(['f', 'n', 's', 'k', 'qu', 'k', 'ch']); // prettier-ignore
  });
});

describe('names', () => {
  it('are fifty, in six ways, none twice, each told how it was made', () => {
    const names = namesFor(ASKED);
    expect(names).toHaveLength(50);
    expect(new Set(names.map((n) => n.way))).toEqual(new Set(NAME_WAYS));
    for (const [i, a] of names.entries()) {
      expect(a.told).not.toBe('');
      expect(a.of.length).toBeGreaterThan(0);
      expect(a.name).toMatch(/^\p{Lu}/u);
      expect(a.name.length).toBeLessThanOrEqual(18);
      for (const b of names.slice(i + 1))
        expect(distance(a.name.toLowerCase(), b.name.toLowerCase()), `${a.name} ${b.name}`).toBeGreaterThan(1);
      for (const word of a.name.split(/[\s&]+/)) expect(canBeSaid(word), a.name).toBe(true);
    }
  });

  it('are the same for the same seed, and others for another', () => {
    const told = (seed: number) => namesFor({ ...ASKED, seed }).map((n) => n.name);
    expect(told(4)).toEqual(told(4));
    expect(told(5).filter((n) => told(4).includes(n)).length).toBeLessThan(15);
  });

  it('come of the trade, the place and the mood that were given', () => {
    const of = namesFor({ ...ASKED, count: 100 }).flatMap((n) => n.of);
    for (const word of ['crumb', 'harbour', 'hearth']) expect(of, word).toContain(word);
    // Of a trade that no field has, its own words.
    expect(namesFor({ trade: 'falconry displays', count: 40 }).flatMap((n) => n.of)).toContain('falconry');
    expect(namesFor({ ...ASKED, figures: ['a noctule'], count: 100 }).flatMap((n) => n.of)).toContain('noctule');
  });

  it('are marked where they are common words, or nearly one that there was', () => {
    const [first] = namesFor(ASKED);
    const again = namesFor({ ...ASKED, earlier: [first.name] });
    expect(again[0].marks.join()).toContain(first.name);
    const twin = namesFor({ ...ASKED, earlier: [`${first.name}s`] });
    expect(twin[0].marks.join()).toContain(`nearly ${first.name}s`);
    for (const n of namesFor({ ...ASKED, count: 150 }))
      if (n.marks.includes('a common word')) expect(n.name).not.toContain(' ');
  });

  it('are more of one that is liked', () => {
    const liked = namesFor(ASKED).find((n) => n.way === 'compound')!;
    const more = namesFor({ ...ASKED, like: liked, count: 20 });
    expect(more.filter((n) => n.way === 'compound' || n.of.some((w) => liked.of.includes(w))).length).toBeGreaterThan(
      10,
    );
    expect(more.map((n) => n.name)).not.toContain(liked.name);
  });

  it('want a trade and a number that is one', () => {
    expect(() => namesFor({ trade: ' ' })).toThrow(RangeError);
    for (const count of [0, 1.5, NAMES_MOST + 1, Number.NaN])
      expect(() => namesFor({ ...ASKED, count })).toThrow(RangeError);
  });
});
