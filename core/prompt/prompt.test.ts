import { describe, expect, it } from 'vitest';
import { understand } from '../engine';
import { diffWords, splitList } from './index';

const partsOf = (prompt: string, leaveOut = '') => understand(prompt, leaveOut).parts;

describe('reading a prompt', () => {
  it('finds figures, their relation, kind, finish, colours, ground and count', () => {
    const parts = partsOf(
      'emblem of a noctule bat over a crescent moon, two colours midnight blue and lamp yellow, flat, few details, white ground',
    );
    expect(parts.figures.map((f) => [f.word, f.drawn, f.via, f.relation])).toEqual([
      ['noctule bat', 'bat', 'synonym', null],
      ['crescent moon', 'crescent moon', 'name', 'over'],
    ]);
    expect(parts).toMatchObject({ kind: 'emblem', finish: 'flat', colourCount: 2, detail: 20 });
    expect(parts.colours.map((c) => c.hex)).toEqual(['#182A5C', '#F2C14E']);
    expect(parts.ground?.hex).toBe('#FFFFFF');
    expect(parts.notUnderstood).toEqual([]);
  });

  it.each([
    ['an owl reading a book', ['owl', 'book holding']],
    ['a hand holding a seedling', ['hand', 'seedling holding']],
    ['a bear drawn by hand', ['bear']],
    ['a snail with a house as its shell', ['snail', 'house with']],
    ['a hedgehog with a leaf on its nose', ['hedgehog', 'leaf with']],
    ['a key whose bow is a heart', ['key', 'heart with']],
    ['a butterfly landing on a finger', ['butterfly', 'finger on']],
    ['a fox curled around a lantern', ['fox', 'lantern with']],
    ['a lighthouse between two waves', ['lighthouse', '2 waves with']],
    ['a penguin waiter carrying a cup', ['penguin', 'cup holding']],
    ["a shield with a stag's head", ['shield', 'stag with']],
    ['a loaf of bread on a plate', ['bread', 'plate on']],
    ['a dozen eggs in a nest', ['12 eggs', 'nest inside']],
    ['a pair of swans, seal', ['2 swans']],
    ['a rocket rising from a book', ['rocket', 'book coming out of']],
  ])('has every figure of "%s", and how they stand to one another', (prompt, figures) => {
    const { figures: found, notUnderstood } = partsOf(prompt);
    const told = found.map((f) => `${f.count > 1 ? `${f.count} ` : ''}${f.word}${f.relation ? ` ${f.relation}` : ''}`);
    expect([told, notUnderstood]).toEqual([figures, []]);
  });

  it('guesses what was mistyped, where letters changed places or were doubled, and nothing else', () => {
    expect(partsOf('a pengiun on a bycicle').figures.map((f) => [f.word, f.drawn])).toEqual([['pengiun', 'penguin'], ['bycicle', 'bicycle']]); // prettier-ignore
    expect(partsOf('a girafe').figures[0]).toMatchObject({ word: 'girafe', drawn: 'giraffe', via: 'synonym' });
    for (const word of ['filled', 'seahorses', 'blorfing'])
      expect(partsOf(`a cat, ${word}`).figures[0].word).toBe('cat');
  });

  it('takes letters that are named by themselves, and a stamp or a seal as a kind', () => {
    expect(partsOf('monogram of M and T').lettering).toEqual(['MT']);
    expect(partsOf('letters A, B and C').lettering).toEqual(['ABC']);
    expect(partsOf('number 7 in green').lettering).toEqual(['7']);
    expect(partsOf('a seal on a rock').figures[0].drawn).toBe('seal');
    expect(partsOf('a barn, stamp, red')).toMatchObject({ kind: 'emblem', figures: [{ word: 'barn' }] });
    expect(partsOf('a quill, not black').leaveOut).toEqual(['black']);
  });

  it('reads hex colours, black and white, and a ground on a colour', () => {
    expect(partsOf('fox, #ab3412').colours[0].hex).toBe('#AB3412');
    expect(partsOf('fox, black and white').colourCount).toBe(1);
    expect(partsOf('fox on a navy ground').ground?.word).toBe('navy');
  });

  it('takes lettering out of the sentence', () => {
    const parts = partsOf('owl with a book, "Night Owl Books"');
    expect(parts.lettering).toEqual(['Night Owl Books']);
    expect(parts.figures.map((f) => f.drawn)).toEqual(['owl', 'book']);
  });

  it('leaves out what the sentence or the field says', () => {
    expect(partsOf('fox and a star, no stars').figures.map((f) => f.drawn)).toEqual(['fox']);
    expect(partsOf('fox and a moon', 'moon, text').figures.map((f) => f.drawn)).toEqual(['fox']);
    expect(partsOf('fox without a tail').leaveOut).toEqual(['tail']);
  });

  it('says how a figure was found, and what was not understood', () => {
    expect(understand('robin').figures[0]).toEqual({ word: 'robin', drawn: 'bird', via: 'broader' });
    expect(understand('zorgle').figures[0]).toEqual({ word: 'zorgle', drawn: 'abstract', via: 'none' });
    expect(partsOf('fox quux').notUnderstood).toEqual(['quux']);
  });

  it('knows what a mascot is by trade', () => {
    const parts = partsOf('mascot: a bat conductor holding a lantern');
    expect(parts).toMatchObject({ kind: 'mascot', role: 'conductor', notUnderstood: [] });
    expect(parts.figures[1]).toMatchObject({ drawn: 'lantern', relation: 'holding' });
  });

  it('reads a sheet of icons', () => {
    const parts = partsOf('sheet of icons: berth, lamp, washroom, bicycle, luggage, breakfast, 2 rows 3 columns');
    expect(parts.kind).toBe('icon sheet');
    expect(parts.figures).toHaveLength(6);
    expect([parts.rows, parts.columns]).toEqual([2, 3]);
  });

  it('reads letters and names with their capitals, and what kind they make', () => {
    expect(partsOf('letter K in the manner of a fox')).toMatchObject({ kind: 'lettermark', lettering: ['K'] });
    expect(partsOf('letter K in the manner of a fox').figures[0]).toMatchObject({
      drawn: 'fox',
      relation: 'in the manner of',
    });
    expect(partsOf('logo for a bakery named Three Larks, owl').lettering).toEqual(['Three Larks']);
    expect(partsOf('wordmark "Olive Grove"').kind).toBe('wordmark');
    expect(partsOf('fox, "Night Rail"', 'text').lettering).toEqual([]);
  });

  it('takes the figure from the trade only when nothing else is named', () => {
    expect(partsOf('logo for a bakery').figures[0].word).toBe('bakery');
    expect(partsOf('owl logo for a bakery').figures.map((f) => f.drawn)).toEqual(['owl']);
  });

  it('reads gradients, moods, shapes, counts and rows', () => {
    expect(partsOf('whale, gradient from plum to apricot').gradient?.map((c) => c.word)).toEqual(['plum', 'apricot']);
    expect(partsOf('fox, warm colours').mood).toBe('warm');
    expect(partsOf('owl in a shield shape').shape).toBe('shield');
    expect(partsOf('three stars in a row')).toMatchObject({ rows: 1, figures: [{ drawn: 'star', count: 3 }] });
    expect(partsOf('fox, no shading').noShading).toBe(true);
    expect(partsOf('icons: fox, owl, 2 by 3')).toMatchObject({ rows: 2, columns: 3 });
  });

  it('takes the second of two names side by side, and a colour word alone for the thing', () => {
    expect(partsOf('lighthouse keeper').figures).toHaveLength(1);
    expect(partsOf('a salmon').figures[0].drawn).toBe(partsOf('one salmon').figures[0].drawn);
    expect(partsOf('salmon fox').colours[0].word).toBe('salmon');
  });

  it('survives anything', () => {
    for (const text of [
      '',
      '   ',
      '|||',
      '"',
      '#',
      'no',
      'a'.repeat(5000),
      '🦇'.repeat(500),
      'with with with',
      '\u0000\uffff',
    ])
      expect(() => partsOf(text)).not.toThrow();
  });

  it('splits lists as people write them', () => {
    expect(splitList('no stars, text and a night sky or  moon;')).toEqual(['stars', 'text', 'night sky', 'moon']);
  });
});

describe('comparing prompts', () => {
  const words = (text: string) => text.split(/\s+/).filter(Boolean);
  const pairs = [
    ['a bat and a moon, night sky', 'a bat over a moon, two colours'],
    ['', 'new words'],
    ['old words', ''],
    ['same words', 'same words'],
    ['one two three four', 'four three two one'],
  ];

  it('gives back both prompts', () => {
    for (const [before, after] of pairs) {
      const changes = diffWords(before, after);
      const of = (...kinds: string[]) => changes.filter((c) => kinds.includes(c.change)).flatMap((c) => words(c.text));
      expect(of('same', 'added')).toEqual(words(after));
      expect(of('same', 'dropped').map((w) => w.replace(/[,]/g, ''))).toEqual(
        words(before).map((w) => w.replace(/[,]/g, '')),
      );
    }
  });

  it('marks only what changed, without regard to commas', () => {
    expect(diffWords('a bat and a moon, flat', 'a bat over a moon flat')).toEqual([
      { change: 'same', text: 'a bat' },
      { change: 'dropped', text: 'and' },
      { change: 'added', text: 'over' },
      { change: 'same', text: 'a moon flat' },
    ]);
  });

  it('is quick on long texts', () => {
    const long = Array.from({ length: 4000 }, (_, i) => `w${i % 97}`).join(' ');
    expect(diffWords(long, long + ' end').some((c) => c.change === 'same')).toBe(true);
  });
});
