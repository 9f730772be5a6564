import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  APART,
  coloursIn,
  contrasting,
  contrastOf,
  contrastRatio,
  hexToCmyk,
  hexToOklab,
  hexToOklch,
  inGamut,
  isInGamut,
  luminance,
  oklabToOklch,
  oklchToHex,
  oklchToOklab,
  schemeDistance,
  schemesFor,
  seenAs,
  tuned,
  TUNINGS,
  type SchemeAsk,
} from './index';

const ink = (hex: string, more: object = {}) => ({ hex, share: 0.2, touchesGround: false, ...more });
const MARK: SchemeAsk = {
  inks: [ink('#182A5C', { share: 0.5, touchesGround: true }), ink('#F4C552', { share: 0.4 }), ink('#FFFFFF')],
  touching: [
    [0, 1],
    [0, 2],
  ],
  grounds: ['#FFFFFF', '#F2EBDC'],
  least: 3,
  count: 12,
  seed: 1,
};

describe('schemes', () => {
  it('are as many as were asked for, hold the contrast, and are no two alike; the same seed gives the same', () => {
    const { schemes, told, least } = schemesFor(MARK);
    expect([schemes.length, told, least]).toEqual([12, [], 3]);
    const all = [MARK.inks.map((i) => i.hex), ...schemes.map((s) => s.hexes)];
    for (const { hexes, leastContrast, how } of schemes) {
      expect(contrastOf(hexes, MARK).least).toBe(leastContrast);
      expect(leastContrast).toBeGreaterThanOrEqual(3);
      expect(how).toMatch(/, (quiet|calm|full|strong), dark to light kept$/);
      // A face still reads as a face.
      expect(luminance(hexes[0])).toBeLessThan(luminance(hexes[1]));
    }
    for (const [k, p] of all.entries())
      for (const q of all.slice(k + 1)) expect(schemeDistance(p, q)).toBeGreaterThanOrEqual(APART);
    expect(schemesFor(MARK)).toEqual({ schemes, told, least });
    expect(schemesFor({ ...MARK, seed: 2 }).schemes).not.toEqual(schemes);
  });

  it('keep inks that are locked, have colours that are wanted in them, and none that are not', () => {
    const locked = schemesFor({ ...MARK, inks: [{ ...MARK.inks[0], locked: true }, ...MARK.inks.slice(1)] });
    expect(locked.schemes).toHaveLength(12);
    for (const s of locked.schemes) expect(s.hexes[0]).toBe('#182A5C');
    const wanted = schemesFor({ ...MARK, wanted: ['#3B5F5B'] });
    for (const s of wanted.schemes) expect(s.hexes).toContain('#3B5F5B');
    // Where all inks would be settled by colours that are wanted, each scheme has some of them.
    const two = schemesFor({
      ...MARK,
      inks: MARK.inks.slice(0, 2),
      touching: [[0, 1]],
      wanted: ['#182A5C', '#F2C14E'],
    });
    expect(two.schemes.length).toBeGreaterThan(4);
    for (const s of two.schemes) expect(s.hexes.includes('#182A5C') || s.hexes.includes('#F2C14E')).toBe(true);
    const red = schemesFor({ ...MARK, unwanted: ['#C0392B'], count: 40 });
    for (const hex of red.schemes.flatMap((s) => s.hexes)) {
      const { C, hDeg, L } = oklabToOklch(hexToOklab(hex));
      const turn = Math.abs(((hDeg - oklabToOklch(hexToOklab('#C0392B')).hDeg + 540) % 360) - 180);
      expect(C > 0.07 && turn < 24 && Math.abs(L - hexToOklab('#C0392B').L) < 0.35).toBe(false);
    }
    const yellow = schemesFor({ ...MARK, wanted: ['#FFF7C0'], inks: MARK.inks.map((i) => ({ ...i, touchesGround: true })) }); // prettier-ignore
    expect(yellow.told.join()).toContain('#FFF7C0 could not be had');
  });

  it('say what cannot be had, and hold as much as can', () => {
    // Three that touch one another cannot stand five to one each.
    const three: SchemeAsk = { ...MARK, least: 5, touching: [[0, 1], [0, 2], [1, 2]], grounds: [] }; // prettier-ignore
    const { schemes, told, least } = schemesFor(three);
    expect(told[0]).toMatch(/5 : 1 cannot be had everywhere; 4\.\d : 1 is held/);
    expect(least).toBeGreaterThan(4);
    expect(schemes.length).toBeGreaterThan(0);
    for (const s of schemes) expect(s.leastContrast).toBeGreaterThanOrEqual(least);
    expect(schemesFor({ ...MARK, inks: [] }).told).toEqual(['there is no ink']);
    expect(schemesFor({ ...MARK, inks: MARK.inks.map((i) => ({ ...i, locked: true })) }).told).toEqual(['all inks are locked']); // prettier-ignore
    // All equal, one alone, thirty.
    const equal = schemesFor({ ...MARK, inks: MARK.inks.map((i) => ({ ...i, hex: '#888888' })) });
    expect(equal.schemes.length).toBeGreaterThan(0);
    expect(schemesFor({ ...MARK, inks: [MARK.inks[0]], touching: [] }).schemes.length).toBeGreaterThan(0);
    const many = Array.from({ length: 30 }, (_, k) => ink(`#${(8 * k).toString(16).padStart(2, '0').repeat(3)}`));
    const chain = many.slice(1).map((_, k) => [k, k + 1] as const);
    expect(schemesFor({ ...MARK, inks: many, touching: chain, least: 1.05 }).schemes.length).toBeGreaterThan(0);
  });

  it('may free what is dark and what is light', () => {
    const freed = schemesFor({ ...MARK, free: true, count: 30 }).schemes;
    expect(freed.some((s) => luminance(s.hexes[0]) > luminance(s.hexes[1]))).toBe(true);
    for (const s of freed) expect(s.leastContrast).toBeGreaterThanOrEqual(3);
  });

  it('hold whatever contrast they say, for any inks', () => {
    const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0').toUpperCase()}`);
    fc.assert(
      fc.property(
        fc.array(hex, { minLength: 1, maxLength: 9 }),
        fc.array(hex, { maxLength: 3 }),
        fc.double({ min: 1.1, max: 7, noNaN: true }),
        fc.integer({ min: 0, max: 999 }),
        (hexes, grounds, least, seed) => {
          const inks = hexes.map((h, k) => ink(h, { share: 1 / (k + 1), touchesGround: (seed >> k) % 2 === 0, locked: k === 2 })); // prettier-ignore
          const touching = hexes.slice(1).map((_, k) => [k, k + 1] as const);
          const ask = { inks, touching, grounds, least, count: 4, seed };
          const got = schemesFor(ask);
          const lockedGround = inks[2]?.touchesGround ? Math.min(...grounds.map((g) => contrastRatio(inks[2].hex, g))) : Infinity; // prettier-ignore
          for (const s of got.schemes) {
            expect(s.leastContrast).toBeGreaterThanOrEqual(Math.min(got.least, lockedGround) - 1e-9);
            if (inks[2]) expect(s.hexes[2]).toBe(inks[2].hex);
          }
          if (got.least < least || got.schemes.length < 4) expect(got.told.length).toBeGreaterThan(0);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('colours', () => {
  it('keep to what sRGB has by their chroma alone', () => {
    const strong = inGamut({ L: 0.6, C: 0.4, hDeg: 145 });
    expect(strong.L).toBe(0.6);
    expect(strong.C).toBeLessThan(0.4);
    expect(isInGamut(oklchToOklab(strong))).toBe(true);
    expect(isInGamut(oklchToOklab({ ...strong, C: strong.C + 0.01 }))).toBe(false);
    expect(inGamut({ L: 0.5, C: 0.05, hDeg: 20 })).toEqual({ L: 0.5, C: 0.05, hDeg: 20 });
    expect(isInGamut(hexToOklab('#FFFFFF'))).toBe(true);
  });

  it('are seen as those see them who tell fewer apart', () => {
    expect(seenAs('#C0392B', 'all')).toBe('#C0392B');
    const grey = seenAs('#C0392B', 'grey');
    expect(grey.slice(1, 3)).toBe(grey.slice(3, 5));
    const apart = (vision: 'red-weak' | 'green-weak' | 'blue-weak', p: string, q: string) =>
      schemeDistance([seenAs(p, vision)], [seenAs(q, vision)]);
    // Red and green of one lightness fall together for two of the three.
    for (const vision of ['red-weak', 'green-weak'] as const)
      expect(apart(vision, '#B5572B', '#6B7A1E')).toBeLessThan(0.6 * schemeDistance(['#B5572B'], ['#6B7A1E']));
    expect(seenAs('#FFFFFF', 'blue-weak')).toBe('#FFFFFF');
  });
});

describe('colours a step on', () => {
  it('change in one way alone, and stay within sRGB', () => {
    const was = hexToOklch('#B33A2B');
    const now = Object.fromEntries(TUNINGS.map((how) => [how, hexToOklch(tuned('#B33A2B', how))]));
    expect(now.lighter.L).toBeGreaterThan(was.L + 0.02);
    expect(now.darker.L).toBeLessThan(was.L - 0.02);
    expect(now.calmer.C).toBeLessThan(was.C);
    expect(now.stronger.C).toBeGreaterThanOrEqual(was.C - 0.003);
    const off = (hDeg: number, to: number) => Math.abs(((to - hDeg + 540) % 360) - 180);
    expect(off(now.warmer.hDeg, 60)).toBeLessThan(off(was.hDeg, 60));
    expect(off(now.cooler.hDeg, 240)).toBeLessThan(off(was.hDeg, 240));
    // White has no lighter one, and black no darker.
    expect([tuned('#FFFFFF', 'lighter'), tuned('#000000', 'darker')]).toEqual(['#FFFFFF', '#000000']);
    expect(oklchToHex(hexToOklch('#3B5F5B'))).toBe('#3B5F5B');
  });

  it('are brought to a contrast by their lightness, if it can be had', () => {
    const better = contrasting('#F4C552', '#FFFFFF', 3)!;
    expect(contrastRatio(better, '#FFFFFF')).toBeGreaterThanOrEqual(3);
    expect(Math.abs(hexToOklch(better).hDeg - hexToOklch('#F4C552').hDeg)).toBeLessThan(6);
    expect(contrasting('#182A5C', '#FFFFFF', 3)).toBe('#182A5C');
    expect(contrasting('#808080', '#808080', 10)).toBeNull();
  });

  it('are told in shares of cyan, magenta, yellow and black', () => {
    expect(hexToCmyk('#000000')).toEqual([0, 0, 0, 100]);
    expect(hexToCmyk('#FFFFFF')).toEqual([0, 0, 0, 0]);
    expect(hexToCmyk('#00FFFF')).toEqual([100, 0, 0, 0]);
    expect(hexToCmyk('#804000')).toEqual([0, 50, 100, 50]);
  });

  it('are read out of a text that names them', () => {
    expect(coloursIn('midnight blue, #f4c552 and red')).toEqual(['#182A5C', '#F4C552', coloursIn('red')[0]]);
    expect(coloursIn('neon, a quiet juniper green; nothing')).toHaveLength(1);
    expect(coloursIn('')).toEqual([]);
  });
});
