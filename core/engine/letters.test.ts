/** Letters that are figures, and letters in forms. */
import { describe, expect, it } from 'vitest';
import { boundsOf, disc } from './area';
import { compose } from './compose';
import { ALL_FACES, setLine } from './letters';
import { understand } from './request';
import { requestOf } from './testing';
import { sizeOf, subtract } from '../path';

describe('a line of letters', () => {
  it.each(ALL_FACES)('has no gap in %s where a typeface has two letters as one glyph', (face) => {
    const gapsIn = (all: readonly { x: number; width: number }[]): number[] => all.slice(1).map((b, i) => b.x - all[i].x - all[i].width); // prettier-ignore
    const between = Math.max(...gapsIn(setLine('nihil', { face }).map(boundsOf)));
    for (const text of ['Coffee', 'Office', 'Raffle', 'Fjord', 'fjord']) {
      const all = setLine(text, { face }).map(boundsOf);
      // A f may reach over what follows, and is no further from it than stems from one another.
      expect(Math.max(...gapsIn(all))).toBeLessThan(Math.max(1.25 * between, 100));
      expect(all.map((b) => b.x)).toEqual([...all.map((b) => b.x)].sort((p, q) => p - q));
    }
  });
});

describe('letters', () => {
  const letterAt = (prompt: string) => understand(prompt).parts.letterAt;

  it.each([
    ['wordmark "Lantern" with a lantern as the L', 'L', false],
    ['wordmark "Moss" with a leaf in place of the o', 'o', false],
    ['wordmark "Owl", the O is an owl', 'O', false],
    ['wordmark "Kite" with a kite as the dot of the i', 'i', true],
    ['wordmark "Pebble" with a pebble as the dot', null, true],
  ])('%s', (prompt, letter, isDot) => {
    expect(letterAt(prompt)).toEqual({ letter, isDot });
    expect(understand(prompt).parts.figures).toHaveLength(1);
    expect(understand(prompt).parts.notUnderstood).toEqual([]);
  });

  it('are no letters where nothing is set, or an article stands there', () => {
    expect(letterAt('a lantern as a moon')).toBeNull();
    expect(letterAt('wordmark "Moss" with a leaf as a bird')).toBeNull();
  });

  it('leaves the stem of an i whose dot is a figure', () => {
    const request = {
      ...requestOf('wordmark "Kite" with a kite as the dot of the i'),
      kind: 'wordmark' as const,
    };
    const { layers } = compose(request);
    const word = layers.filter((l) => l.isFigure)[0].area;
    // k, the stem of i, t, e with its counter: the dot is no piece of it.
    expect(word).toHaveLength(5);
  });

  it('stand in the form that is asked for, in every candidate', () => {
    for (const position of [0, 1, 2, 3]) {
      const { layers } = compose(requestOf('monogram "KM" in a circle', position, 50));
      const round = layers.find((l) => {
        const b = boundsOf(l.area);
        return b.width > 80 && sizeOf(subtract(disc(b.x + b.width / 2, b.y + b.height / 2, b.width / 2, 160), l.area)) < sizeOf(disc(50, 50, 42)) && Math.abs(b.width - b.height) < 0.6; // prettier-ignore
      });
      expect(round).toBeDefined();
    }
  });
});
