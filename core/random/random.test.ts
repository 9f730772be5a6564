/** Seeded numbers: the same on every machine, spread evenly, and apart for seeds that are near one another. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hashOf, pick, randomFrom } from '.';

describe('numbers from a seed', () => {
  it('are the same again, in 0 to 1', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffffff }), (seed) => {
        const [a, b] = [randomFrom(seed), randomFrom(seed)];
        for (let i = 0; i < 20; i++) {
          const v = a();
          expect(v).toBe(b());
          expect(v >= 0 && v < 1).toBe(true);
        }
      }),
      { numRuns: 50 },
    );
  });

  it('are spread evenly: by chi squared over sixteen bins', () => {
    for (const seed of [1, 2, 3, 1000]) {
      const random = randomFrom(seed);
      const bins = new Array<number>(16).fill(0);
      for (let i = 0; i < 16_000; i++) bins[Math.floor(16 * random())]++;
      const chi = bins.reduce((sum, n) => sum + (n - 1000) ** 2 / 1000, 0);
      // With 15 degrees of freedom less than one in a thousand is above 37.7.
      expect(chi).toBeLessThan(37.7);
    }
  });

  it('differ for seeds beside one another', () => {
    const firsts = Array.from({ length: 500 }, (_, seed) => randomFrom(seed)());
    expect(new Set(firsts).size).toBe(500);
    const [a, b] = [firsts.slice(0, 499), firsts.slice(1)];
    const mean = firsts.reduce((s, v) => s + v, 0) / 500;
    const covariance = a.reduce((s, v, i) => s + (v - mean) * (b[i] - mean), 0) / 499;
    expect(Math.abs(covariance)).toBeLessThan(0.02);
  });
});

describe('a number from texts', () => {
  it('is that of FNV-1a for one text, and tells where one ends and the next begins', () => {
    // Published values of the 32-bit hash.
    expect(hashOf('')).toBe(0x811c9dc5);
    expect(hashOf('a')).toBe(0xe40c292c);
    expect(hashOf('foobar')).toBe(0xbf9cf968);
    expect(hashOf('ab', 'c')).not.toBe(hashOf('a', 'bc'));
    expect(hashOf(12)).toBe(hashOf('12'));
  });

  it('picks every item sooner or later', () => {
    const random = randomFrom(9);
    const items = ['quill', 'bat', 'seed'];
    const seen = new Set(Array.from({ length: 60 }, () => pick(random, items)));
    expect([...seen].sort()).toEqual([...items].sort());
  });
});
