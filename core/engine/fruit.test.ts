/** Fruit bitten and cut in two. */
import { describe, expect, it } from 'vitest';
import { bitten, CUT, halved } from './fruit';
import { outlineOf, silhouetteOf } from './figure';
import { build } from './testing';
import { intersect, sizeOf, subtract } from '../path';

describe('fruit that is cut', () => {
  it.each(['pear', 'apple', 'tomato'])('shows of a %s its skin as a rim, light flesh and two seeds', (name) => {
    const whole = build(name);
    const half = halved(whole);
    expect(sizeOf(subtract(silhouetteOf(half), silhouetteOf(whole)))).toBeLessThan(1);
    const [skin, flesh, seeds] = half.parts.map((p) => p.area);
    expect(sizeOf(subtract(flesh, skin))).toBeLessThan(0.5);
    expect(sizeOf(subtract(seeds, flesh))).toBeLessThan(0.5);
    expect(seeds.filter((ring) => sizeOf([ring]) > 0)).toHaveLength(2);
    expect(half.tones[1]).toBeGreaterThan(0.9);
  });
  it('shows of a plum one stone, and leaves what has neither as it is', () => {
    const plum = { ...build('apple'), name: 'plum' };
    expect(halved(plum).parts[2].area.filter((ring) => sizeOf([ring]) > 0)).toHaveLength(1);
    const anvil = build('anvil');
    expect(halved(anvil)).toBe(anvil);
  });
  it('is asked for by a word', () => {
    expect(['half', 'halved', 'cut', 'sliced', 'split'].every((w) => CUT.test(w))).toBe(true);
    expect(['whole', 'cute', 'halves', 'red'].some((w) => CUT.test(w))).toBe(false);
  });
});

describe('fruit that is bitten', () => {
  it('has lost a piece of its right side, and nothing else', () => {
    const whole = outlineOf(build('apple'));
    const rest = outlineOf(bitten(build('apple')));
    const lost = subtract(whole, rest);
    expect(sizeOf(lost)).toBeGreaterThan(0.02 * sizeOf(whole));
    expect(sizeOf(lost)).toBeLessThan(0.25 * sizeOf(whole));
    const xs = whole.flatMap((ring) => ring.filter((_, i) => i % 2 === 0));
    const middle = (Math.min(...xs) + Math.max(...xs)) / 2;
    const left = [[0, 0, middle, 0, middle, 100, 0, 100]];
    expect(sizeOf(intersect(lost, left))).toBeLessThan(1);
  });
});
