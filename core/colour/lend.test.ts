import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contrastRatio, heldApart, hexToOklab, lentColours, luminance, type Shared } from './index';

const of = (...hexes: string[]): Shared[] => hexes.map((hex) => ({ hex, share: 1 / hexes.length }));
const INKS = of('#182A5C', '#F2C14E', '#FFFFFF');
const anyHex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0').toUpperCase()}`);
const light = (hex: string): number => hexToOklab(hex).L;

describe('colours lent from a palette', () => {
  it('go to inks by light: the darkest to the darkest', () => {
    expect(lentColours(INKS, of('#F4E9D8', '#2E3B2B', '#C9643B'))).toEqual(['#2E3B2B', '#C9643B', '#F4E9D8']);
  });

  it('are all used where there are fewer than inks, one of them lighter and darker', () => {
    const lent = lentColours(INKS, of('#402010', '#E0C0A0'));
    expect(lent).toContain('#402010');
    expect(lent).toContain('#E0C0A0');
    expect(new Set(lent).size).toBe(3);
    expect(light(lent[0])).toBeLessThan(light(lent[1]));
    expect(light(lent[1])).toBeLessThan(light(lent[2]));
    expect(lentColours(INKS, [])).toEqual(INKS.map((i) => i.hex));
    expect(lentColours([], of('#402010'))).toEqual([]);
  });

  it('keep the order from dark to light, whatever the palette', () => {
    const shared = fc.array(fc.record({ hex: anyHex, share: fc.double({ min: 0, max: 1, noNaN: true }) }), { minLength: 1, maxLength: 9 }); // prettier-ignore
    fc.assert(
      fc.property(shared, shared, (inks, palette) => {
        const lent = lentColours(inks, palette);
        expect(lent).toHaveLength(inks.length);
        if (palette.length >= inks.length) for (const hex of lent) expect(palette.map((p) => p.hex)).toContain(hex);
        else for (const { hex } of palette) expect(lent).toContain(hex);
        if (palette.length < inks.length) return;
        inks.forEach((p, i) =>
          inks.forEach((q, j) => {
            if (light(p.hex) < light(q.hex) - 1e-6) expect(light(lent[i])).toBeLessThanOrEqual(light(lent[j]) + 1e-6);
          }),
        );
      }),
    );
  });
});

describe('colours held apart', () => {
  const inks = INKS.map((i) => ({ ...i, touchesGround: false }));
  const touching = [[0, 1], [1, 2], [0, 2]] as const; // prettier-ignore

  it('stay as they are where they hold the contrast', () => {
    const hexes = ['#1A1A2E', '#A8762E', '#FDF6E3'];
    expect(heldApart({ inks, touching, grounds: [], least: 3 }, hexes)).toEqual(hexes);
  });

  it('become lighter and darker where they do not, in the order of the inks', () => {
    const hexes = ['#563210', '#5F3A1C', '#7A5433'];
    const held = heldApart({ inks, touching, grounds: [], least: 3 }, hexes);
    for (const [p, q] of touching) expect(contrastRatio(held[p], held[q])).toBeGreaterThanOrEqual(3);
    expect(luminance(held[0])).toBeLessThan(luminance(held[1]));
    expect(luminance(held[1])).toBeLessThan(luminance(held[2]));
  });

  it('hold as much as can be had, and leave what is locked', () => {
    const locked = inks.map((i, k) => (k === 1 ? { ...i, locked: true } : i));
    const held = heldApart({ inks: locked, touching, grounds: [], least: 12 }, ['#563210', '#000000', '#7A5433']);
    expect(held[1]).toBe('#F2C14E');
    expect(contrastRatio(held[0], held[1])).toBeGreaterThan(1.2);
    expect(contrastRatio(held[1], held[2])).toBeGreaterThan(1.2);
  });
});
