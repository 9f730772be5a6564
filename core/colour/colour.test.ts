import { converter } from 'culori';
import { describe, expect, it } from 'vitest';
import {
  contrastRatio,
  hexToOklab,
  hexToRgb,
  linearOf,
  mix,
  nameColour,
  nameColours,
  oklabDistance,
  oklabToHex,
  oklabToOklch,
  oklchToOklab,
  readHex,
  rgbToHex,
  rgbToOklab,
} from './index';

describe('OKLab', () => {
  it('has the published values for white and the primaries', () => {
    const known: [string, number, number, number][] = [
      ['#FFFFFF', 1, 0, 0],
      ['#000000', 0, 0, 0],
      ['#FF0000', 0.62796, 0.22486, 0.12585],
      ['#00FF00', 0.86644, -0.23389, 0.1795],
      ['#0000FF', 0.45201, -0.03246, -0.31153],
    ];
    for (const [hex, L, a, b] of known) {
      const lab = hexToOklab(hex);
      expect(lab.L).toBeCloseTo(L, 3);
      expect(lab.a).toBeCloseTo(a, 3);
      expect(lab.b).toBeCloseTo(b, 3);
    }
  });

  it('is what a colour library has, though pictures are converted by a table', () => {
    const theirs = converter('oklab');
    for (let k = 0; k < 400; k++) {
      const [r, g, b] = [(k * 37) % 256, (k * 101) % 256, (k * 197) % 256];
      const [own, other] = [rgbToOklab(r, g, b), theirs({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 })];
      expect(Math.hypot(own.L - other.l, own.a - other.a, own.b - other.b)).toBeLessThan(1e-6);
    }
  });

  it('comes back to the same sRGB colour', () => {
    for (let r = 0; r < 256; r += 51)
      for (let g = 0; g < 256; g += 51)
        for (let b = 0; b < 256; b += 51) {
          const hex = rgbToHex([r, g, b]);
          expect(oklabToHex(rgbToOklab(r, g, b))).toBe(hex);
          expect(oklabDistance(oklchToOklab(oklabToOklch(hexToOklab(hex))), hexToOklab(hex))).toBeLessThan(1e-9);
        }
  });

  it('mixes to the ends at 0 and 1', () => {
    expect(mix('#182A5C', '#F2C14E', 0)).toBe('#182A5C');
    expect(mix('#182A5C', '#F2C14E', 1)).toBe('#F2C14E');
  });
});

describe('hex colours', () => {
  it('reads what people write and nothing else', () => {
    expect(readHex('#abc')).toBe('#AABBCC');
    expect(readHex(' 1d2e4e ')).toBe('#1D2E4E');
    for (const text of ['', '#12', '#12345', 'blue', '#GGGGGG', '#1234567']) expect(readHex(text)).toBeNull();
    expect(() => hexToRgb('blue')).toThrow(RangeError);
  });
});

describe('contrast', () => {
  it('is 21 for black on white, 1 for a colour on itself, and the same both ways', () => {
    expect(contrastRatio('#000000', '#FFFFFF')).toBeCloseTo(21, 6);
    expect(contrastRatio('#20346E', '#20346E')).toBe(1);
    expect(contrastRatio('#20346E', '#F2C14E')).toBe(contrastRatio('#F2C14E', '#20346E'));
  });
});

describe('names of colours', () => {
  it('are what one would say', () => {
    expect(nameColour('#FFFFFF')).toBe('white');
    expect(nameColour('#000000')).toBe('black');
    expect(nameColour('#D42A2A')).toMatch(/red/);
    expect(nameColour('#3B5F5B')).toMatch(/juniper/);
  });

  it('are distinct for colours that are alike', () => {
    const names = nameColours(['#182A5C', '#192B5D', '#182A5B']);
    expect(new Set(names).size).toBe(3);
  });

  it('are not rounded to whole levels on the way to linear light', () => {
    expect(linearOf(127.5)).toBeGreaterThan(linearOf(127));
    expect(linearOf(127.5)).toBeLessThan(linearOf(128));
    expect(rgbToOklab(100.4, 50, 50).L).not.toBe(rgbToOklab(100, 50, 50).L);
    expect([linearOf(-3), linearOf(0), linearOf(255), linearOf(300)]).toEqual([0, 0, 1, 1]);
  });
});
