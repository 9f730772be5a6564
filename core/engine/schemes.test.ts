import { describe, expect, it } from 'vitest';
import { contrastRatio, hexToOklab } from '../colour';
import { knobsFrom } from './knobs';
import { naturalHues, schemeFor, SCHEMES } from './schemes';
import { chromaOf, hueOf, knobsAt } from './testing';

describe('colour schemes', () => {
  it.each(SCHEMES.map((s) => [s.join(' '), s] as const))('%s is kept apart in lightness, and led by what stands out from paper', (_, scheme) => {
    const L = scheme.map((hex) => hexToOklab(hex).L);
    for (const [i, a] of L.entries()) for (const b of L.slice(i + 1)) expect(Math.abs(a - b)).toBeGreaterThan(0.08);
    expect(contrastRatio(scheme[0], '#FFFFFF')).toBeGreaterThan(1.9);
  }); // prettier-ignore
  it('are each once', () => {
    expect(new Set(SCHEMES.map(([dominant]) => dominant)).size).toBe(SCHEMES.length);
  });
  it('lead with what a thing is by nature', () => {
    for (const seed of [1, 2, 3, 4, 5, 6, 7, 8]) {
      const knobs = knobsFrom([{ seed, drift: 1 }]);
      const { a, b } = hexToOklab(schemeFor('leaf', knobs)[0]);
      // Green: neither red nor blue.
      expect(a).toBeLessThan(0);
      expect(Math.abs(b)).toBeLessThan(0.2);
      expect(SCHEMES).toContainEqual(schemeFor(null, knobs));
    }
    expect(naturalHues('fox')).not.toBeNull();
    expect(naturalHues('peach')).toEqual(naturalHues('fox'));
    expect(naturalHues('teapot')).toBeNull();
    // What no list names is as green as plants are, or as brown as what is baked.
    expect(naturalHues('toast')).toEqual(naturalHues('bread'));
    expect(naturalHues('spinach')).toEqual(naturalHues('leaf'));
    expect(naturalHues('dogwood')).toEqual(naturalHues('leaf'));
    // A name of two words may have its own.
    expect(naturalHues('red panda')).not.toEqual(naturalHues('panda'));
    expect(naturalHues('lily pad')).toEqual(naturalHues('leaf'));
    // The last word says what it is; what lives on ice is as cool.
    expect(naturalHues('clown fish')).toEqual(naturalHues('fish'));
    expect(naturalHues('polar bear')).not.toEqual(naturalHues('bear'));
  });
  it('are never green on skin or fur, and neutral for what is black and white', () => {
    const isGreen = (hex: string): boolean => {
      const { a, b } = hexToOklab(hex);
      return a < -0.03 && b > -0.02;
    };
    for (let seed = 1; seed < 40; seed++) {
      const knobs = knobsFrom([{ seed, drift: 1 }]);
      for (const name of ['baker', 'girl']) expect(isGreen(schemeFor(name, knobs)[1])).toBe(false);
      expect(isGreen(schemeFor('lynx', knobs)[0])).toBe(false);
      const { a, b } = hexToOklab(schemeFor('panda', knobs)[0]);
      expect(Math.hypot(a, b)).toBeLessThan(0.03);
    }
  });

  it('leaves the second figure its own colour where the first may be of any', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const [dominant, support] = schemeFor('bag', knobsAt(seed), { second: 'orange' });
      const [from, to] = naturalHues('orange')!;
      expect(hueOf(support)).toBeGreaterThanOrEqual(from - 12);
      expect(hueOf(support)).toBeLessThanOrEqual(to + 12);
      expect(hueOf(dominant) >= from - 12 && hueOf(dominant) <= to + 12 && chromaOf(dominant) > 0.045).toBe(false);
    }
  });
});
