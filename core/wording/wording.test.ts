import { describe, expect, it } from 'vitest';
import { economyOf, filled, hasGap, patternFrom, thingsIn, threadsOf, wordingOf, wordsThatLed, type Told } from '.';

const round = (number: number, prompt: string, kept: number, aside: number, more: Partial<Told> = {}): Told => ({
  id: `r${number}`,
  number,
  prompt,
  figure: null,
  credits: 4,
  kept,
  aside,
  undecided: 4 - kept - aside,
  from: [],
  createdAt: `2026-03-0${number}T10:00:00.000Z`,
  ...more,
});
const rounds = [
  round(1, 'a fox, engraved lines', 0, 3),
  round(2, 'a fox inside a lantern, flat', 2, 1),
  round(3, 'a lantern, flat', 1, 0),
  round(4, 'a fox, engraved lines, bold', 0, 4, { credits: 8 }),
];

describe('wording', () => {
  it('has what was kept first, the newest before older ones', () => {
    expect(wordingOf(rounds).map((r) => r.number)).toEqual([2, 3, 4, 1]);
  });
  it('is searched by all words', () => {
    expect(wordingOf(rounds, 'FOX flat').map((r) => r.number)).toEqual([2]);
    expect(wordingOf(rounds, 'owl')).toEqual([]);
  });
  it('tells words that led to what was kept from those that led to what was set aside', () => {
    const { kept, aside } = wordsThatLed(rounds);
    expect(kept.map((w) => w.word)).toEqual(expect.arrayContaining(['lantern', 'flat']));
    expect(aside.map((w) => w.word)).toEqual(expect.arrayContaining(['engraved', 'lines', 'bold']));
    expect(kept.find((w) => w.word === 'lantern')).toEqual({ word: 'lantern', kept: 3, aside: 1 });
    for (const w of kept) expect(aside.some((a) => a.word === w.word)).toBe(false);
    expect(wordsThatLed([round(1, 'a fox', 0, 0)])).toEqual({ kept: [], aside: [] });
  });
});

describe('threads', () => {
  const end = (candidateId: string, roundId: string) => ({ candidateId, roundId, pictureId: `p-${candidateId}` });
  const grown = [
    round(1, 'a fox', 1, 0),
    round(2, 'an owl', 1, 0),
    round(3, 'a fox', 1, 0, { from: ['r1'], credits: 2 }),
    round(4, 'a fox', 1, 0, { from: ['r3', 'r2'], credits: 1 }),
    round(5, 'a boat', 0, 4),
    round(6, 'a whale', 1, 0, { credits: 8 }),
  ];
  it('cost the rounds that they came through, each once, and take in those of kept ones on the way', () => {
    const { threads, besides } = threadsOf(grown, [end('a', 'r1'), end('b', 'r4'), end('c', 'r6'), end('d', 'r3')]);
    expect(threads.map((t) => [t.candidateId, t.rounds, t.credits])).toEqual([['b', [1, 2, 3, 4], 11], ['c', [6], 8]]); // prettier-ignore
    expect(besides).toBe(4);
  });
  it('are two where two of one round are kept, and end where a round is not known or leads back to itself', () => {
    expect(threadsOf(grown, [end('a', 'r1'), end('b', 'r1')]).threads).toHaveLength(2);
    const odd = [round(1, 'a fox', 1, 0, { from: ['r2', 'gone'] }), round(2, 'a fox', 0, 0, { from: ['r1'] })];
    expect(threadsOf(odd, [end('a', 'r1')])).toMatchObject({ threads: [{ rounds: [1, 2], credits: 8 }], besides: 0 });
    expect(threadsOf(odd, [])).toEqual({ threads: [], besides: 8 });
    expect(threadsOf([], [end('a', 'r1')])).toEqual({ threads: [], besides: 0 });
  });
});

describe('cost and time', () => {
  it('adds up, and says where one could have stopped', () => {
    const told = economyOf(rounds, '2026-03-05T10:00:00.000Z');
    expect(told).toEqual({ credits: 20, hours: 96, days: 4, first: { number: 2, credits: 8 }, last: { number: 3, credits: 12 }, forNothing: 12 }); // prettier-ignore
  });
  it('does not mind the order, and says nothing of none', () => {
    expect(economyOf([...rounds].reverse())).toEqual(economyOf(rounds));
    expect(economyOf([])).toEqual({ credits: 0, hours: 0, days: 0, first: null, last: null, forNothing: 0 });
  });
});

describe('patterns', () => {
  it('have a gap where words were', () => {
    expect(patternFrom('a Fox inside a lantern', 'fox')).toBe('a ___ inside a lantern');
    expect(patternFrom('a fox', 'owl')).toBeNull();
    expect(patternFrom('a fox', ' ')).toBeNull();
    expect(hasGap('a ___ in a ring')).toBe(true);
    expect(hasGap('a fox in a ring')).toBe(false);
  });
  it('are filled with one thing or many, articles following', () => {
    expect(thingsIn('tree, car ,house,tree,')).toEqual(['tree', 'car', 'house']);
    expect(filled('a ___ in a ring', ['owl', 'house'])).toEqual(['an owl in a ring', 'a house in a ring']);
    expect(filled('An ___, flat', ['house'])).toEqual(['A house, flat']);
    expect(filled('icon of ___', ['$& tree'])).toEqual(['icon of $& tree']);
  });
  it('filled again with what was taken out are the prompt', () => {
    const prompt = 'badge of an otter with a lantern, two colours';
    expect(filled(patternFrom(prompt, 'otter')!, ['otter'])).toEqual([prompt]);
  });
});
