/** What is at a mouth, on a nose, on a summit, tied or bound, and what two of a thing are in lettering. */
import { describe, expect, it } from 'vitest';
import { boundsOf, box } from './area';
import { pairAsLetter } from './as-letter';
import { compose } from './compose';
import { hatParts, dressFrom } from './creature';
import { outlineOf } from './figure';
import { atLips } from './pairings-heads';
import { waysFor } from './pairs';
import type { PromptFigure } from '../prompt';
import { drawnFor, footOf, middleOf, around, arranged, build, parted, requestOf, stageOf } from './testing';
import { understand } from './request';
import { intersect, sizeOf } from '../path';

describe('what is tasted', () => {
  it.each([
    ['a bear drinking from a cup', 'bear', 'cup'],
    ['a squirrel nibbling an acorn', 'squirrel', 'acorn'],
    ['a mouse eating cheese', 'mouse', 'cheese'],
  ])('is at the mouth: %s', (prompt, a, b) => {
    const layers = arranged(prompt, a, b);
    const all = around(layers);
    const { groundHex } = stageOf(prompt).palette;
    const [first, last] = layers.flatMap((l, i) => (l.fill === groundHex && !l.isFigure ? [i] : [])).slice(-2);
    const thing = around(layers.slice(first + 1, last));
    // Under the eyes, in the middle, and between two paws that are as high as it.
    expect(Math.abs(middleOf(thing) - middleOf(all))).toBeLessThan(0.16 * all.width);
    expect(thing.y).toBeGreaterThan(all.y + 0.4 * all.height);
    const paws = layers.slice(last + 1).flatMap((l) => l.area.map((ring) => boundsOf([ring])));
    expect(paws).toHaveLength(2);
    for (const paw of paws) expect(paw.y > thing.y && paw.y < footOf(thing)).toBe(true);
  });

  it('hangs out of the mouth of what has hooves', () => {
    const { back: head, front: flower } = parted('a goat eating a flower', 'goat', 'flower');
    expect(middleOf(flower)).toBeGreaterThan(middleOf(head));
    expect(flower.y).toBeGreaterThan(head.y + 0.4 * head.height);
  });

  it('is held otherwise by a bird, which has its beak', () => {
    const ways = (prompt: string) => waysFor(...(understand(prompt).parts.figures as [PromptFigure, PromptFigure]));
    expect(ways('a hummingbird drinking from a flower')).not.toContain(atLips);
    expect(ways('a bear drinking from a cup')).toContain(atLips);
  });
});

describe('what is over something', () => {
  it('is on the nose of a seal, and a flag on the highest place of a castle', () => {
    const { back: seal, front: ball } = parted('a seal balancing a ball', 'seal', 'ball');
    expect(Math.abs(footOf(ball) - seal.y)).toBeLessThan(4);
    expect(middleOf(ball)).toBeGreaterThan(middleOf(seal));
    const { back: flag, front: castle } = parted('a sandcastle with a flag', 'sandcastle', 'flag');
    expect(flag.y).toBeLessThan(castle.y - 10);
    expect(flag.width).toBeLessThan(0.5 * castle.width);
  });

  it('is one mountain between the antlers, though mountains are said', () => {
    const { front, all } = parted('a stag head with mountains between its antlers', 'stag', 'mountains');
    expect(Math.abs(middleOf(front) - middleOf(all))).toBeLessThan(4);
    expect(front.width).toBeGreaterThan(0.15 * all.width);
  });

  it('is on the face of what it is said to be on, and not on who holds that', () => {
    const figures = understand('a bear holding a mug with a star on it').parts.figures;
    expect(figures.map((f) => f.to)).toEqual([null, 0, 1]);
    expect(understand('a snail with a house on it').parts.figures.map((f) => f.to)).toEqual([null, 0]);
    const { back: bottle, front: face } = parted("a milk bottle with a cow's face", 'milk bottle', 'cow');
    expect(face.y > bottle.y && footOf(face) <= footOf(bottle) + 1).toBe(true);
  });
});

describe('what is tied or bound', () => {
  it('is a sheaf of five with a band about it', () => {
    expect(drawnFor('a bunch of wheat').map((f) => [f.drawn, f.count, f.said])).toEqual([['wheat', 5, null], ['ribbon', 1, 'tied with']]); // prettier-ignore
    const { front: band, all } = parted('a sheaf of wheat tied with a ribbon', 'wheat', 'ribbon');
    expect(band.width).toBeLessThan(0.5 * all.width);
    expect(band.y).toBeGreaterThan(all.y + 0.4 * all.height);
  });

  it('is a wreath of what it is said to be of, about what stands in it', () => {
    for (const prompt of ['a wreath of wheat with a windmill', 'a windmill in a wreath of wheat'])
      expect(drawnFor(prompt).map((f) => [f.drawn, f.relation, f.turned]), prompt).toEqual([['windmill', null, false], ['wheat', 'around', true]]); // prettier-ignore
    expect(drawnFor('bread in a wreath of olive branches').map((f) => f.drawn)).toEqual(['bread', 'olive branch']);
    const alone = around(arranged('a wreath of wheat', 'wreath', 'wheat'));
    expect(alone.width / alone.height).toBeGreaterThan(0.8);
    expect(alone.width / alone.height).toBeLessThan(1.35);
  });
});

describe('two of a thing in lettering', () => {
  it('stand as an H with a bar between them', () => {
    const tree = build('pine');
    const letter = pairAsLetter(tree, 'H')!;
    const bar = boundsOf(letter.parts.at(-1)!.area);
    const all = boundsOf(outlineOf(letter));
    expect(bar.height).toBeLessThan(0.2 * all.height);
    expect(bar.x > all.x && bar.x + bar.width < all.x + all.width).toBe(true);
    expect(pairAsLetter(tree, 'O')).toBeNull();
  });

  it('are both round letters of a name', () => {
    const prompt = 'wordmark "Loop" with two rings for the o\'s';
    expect(understand(prompt).parts.letterAt).toEqual({ letter: 'o', isDot: false });
    const { layers } = compose({ ...requestOf(prompt), kind: 'wordmark' as const });
    const [word, ...rings] = layers.filter((l) => l.isFigure);
    // L, and p with its counter.
    expect(word.area).toHaveLength(3);
    expect(rings.map((l) => l.area.length)).toEqual([2, 2]);
  });

  it('counts ink drops as drops and inks as colours', () => {
    expect(understand('two ink drops').parts.figures.map((f) => f.count)).toEqual([2]);
    expect(understand('a fox in two inks').parts.colourCount).toBe(2);
  });
});

describe('what one wears', () => {
  it('is a hood behind the head, with what hangs from it', () => {
    expect(dressFrom('a red hood')).toMatchObject({ hat: 'hood', hasCape: true });
    expect(understand('a wolf in a hood').parts.figures[1].relation).toBe('wearing');
    const { behind, front } = hatParts('hood', { x: 50, y: 30, half: 20, middle: 50, cheek: 24 }, 1, 2);
    expect(front).toEqual([]);
    expect(sizeOf(behind[0].area)).toBeGreaterThan(Math.PI * 24 * 24);
  });

  it('is the hat that is said: a knitted one has its bobble', () => {
    const [knitted, plain] = ['a sheep wearing a knitted hat', 'a sheep wearing a hat'].map((p) => arranged(p, 'sheep', 'hat')); // prettier-ignore
    expect(around(knitted)).not.toEqual(around(plain));
  });
});

describe('what stands on the ground', () => {
  it('has a ladder that leans on it, trees at both sides, and hides what of a sun is under it', () => {
    const { back: tree, front: ladder } = parted('a tree with a ladder', 'tree', 'ladder');
    expect(Math.abs(footOf(ladder) - footOf(tree))).toBeLessThan(3);
    expect(middleOf(ladder)).toBeGreaterThan(middleOf(tree));
    const fire = arranged('a campfire under pine trees', 'campfire', 'pine tree');
    const at = fire.filter((l) => l.isFigure).flatMap((l) => l.area.map((ring) => middleOf(boundsOf([ring]))));
    expect(Math.min(...at)).toBeLessThan(28);
    expect(Math.max(...at)).toBeGreaterThan(72);
    const { all: whole, front: barn } = parted('a sun behind a barn', 'sun', 'barn');
    expect(footOf(whole) - footOf(barn)).toBeLessThan(3);
  });

  it('holds one thing in each hand, though one of them is wide', () => {
    const parts = compose(requestOf('a fox with a book and a torch')).layers.filter((l) => l.isFigure);
    const all = around(parts);
    const sides = parts.map((l) => middleOf(boundsOf(l.area)) - middleOf(all));
    expect(Math.min(...sides)).toBeLessThan(-0.2 * all.width);
    expect(Math.max(...sides)).toBeGreaterThan(0.2 * all.width);
  });

  it('meditates where it does yoga, alone', () => {
    expect(drawnFor('a panda doing yoga').map((f) => [f.drawn, f.pose])).toEqual([['panda', 'meditating']]);
    expect(dressFrom('a graduation cap').hat).toBe('mortarboard');
    expect(dressFrom("a sailor's cap").hat).toBe('sailor');
    expect(dressFrom('a red cap').hat).toBe('cap');
  });
});

describe('one thing as a letter', () => {
  it('is an M of two peaks where mountains are it, and a tree where that is a T', () => {
    const layersOf = (prompt: string) => compose({ ...requestOf(prompt), kind: 'lettermark' as const }).layers.filter((l) => l.isFigure); // prettier-ignore
    const m = around(layersOf('letter M as mountains'));
    // Between the peaks it is open from above.
    const between = layersOf('letter M as mountains').flatMap((l) => intersect(l.area, box(middleOf(m) - 1, m.y, 2, 0.25 * m.height))); // prettier-ignore
    expect(between).toEqual([]);
    const t = around(layersOf('letter T as a tree'));
    expect(t.height).toBeGreaterThan(t.width);
  });
});
