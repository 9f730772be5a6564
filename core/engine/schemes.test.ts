import { describe, expect, it } from 'vitest';
import { contrastRatio, hexToOklab } from '../colour';
import { knobsFrom } from './knobs';
import { naturalHues, schemeFor, SCHEMES } from './schemes';

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
      expect(SCHEMES).toContain(schemeFor(null, knobs));
    }
    expect(naturalHues('fox')).not.toBeNull();
    expect(naturalHues('teapot')).toBeNull();
    // The last word says what it is; what lives on ice is as cool.
    expect(naturalHues('clown fish')).toEqual(naturalHues('fish'));
    expect(naturalHues('polar bear')).not.toEqual(naturalHues('bear'));
  });
});
