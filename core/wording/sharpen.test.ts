import { describe, expect, it } from 'vitest';
import { understand } from '../engine';
import { sharpen } from '.';

const of = (prompt: string) => sharpen(understand(prompt).parts);

describe('sharpening a prompt', () => {
  it('has nothing to say of a clear one', () => {
    for (const prompt of ['a fox', 'badge of an otter with a lantern, navy and gold, flat', 'a running hare, one continuous line', 'icon sheet: tree, car, house, key, lamp, bell'])
      expect(of(prompt), prompt).toEqual({ noticed: [], shorter: null }); // prettier-ignore
  });
  it('names figures that crowd a mark, and leaves the last ones out', () => {
    const { noticed, shorter } = of('a fox with a lantern, a moon, a tree and a bell, flat');
    expect(noticed[0].told).toMatch(/^5 figures/);
    expect(noticed[0].without).toEqual(['tree', 'bell']);
    expect(shorter).toMatch(/fox/);
    expect(shorter).not.toMatch(/bell/);
  });
  it('names colours that are too many', () => {
    const { noticed, shorter } = of('a fox, orange, navy, gold, teal and pink');
    expect(noticed.map((n) => n.told).join()).toMatch(/5 colours/);
    expect(shorter).toBe('a fox, orange and navy and gold');
  });
  it('names what contradicts itself, and says which side is taken', () => {
    const { noticed } = of('emblem of a fox, wordmark');
    expect(noticed.map((n) => n.told).join()).toMatch(/cannot both be/);
  });
  it('gives a prompt that is read as what it kept, and says nothing more of', () => {
    for (const prompt of ['a fox with a lantern, a moon, a tree and a bell, flat', 'a smiling bear with a balloon, a cake, a drum and a hat, red, blue, green and gold, very detailed']) {
      const first = of(prompt);
      const again = understand(first.shorter!).parts;
      const kept = understand(prompt).parts.figures.slice(0, 3).map((f) => f.drawn);
      expect(again.figures.map((f) => f.drawn)).toEqual(kept);
      expect(sharpen(again).noticed.filter((n) => /figures crowd|colours:/.test(n.told))).toEqual([]);
    }
  }); // prettier-ignore
  it('offers nothing where nothing would be left', () => {
    expect(of('').shorter).toBeNull();
  });
});
