import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSvg } from '../import';
import { renderArtwork } from '../scene';
import { narrowPlaces } from './index';

const SIDE = 400;
const seen = (inner: string) =>
  renderArtwork(readSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${SIDE} ${SIDE}">${inner}</svg>`).artwork, SIDE); // prettier-ignore

describe('what is too narrow', () => {
  it('is a part that is thinner than asked, where it is, and as wide as it is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 14 }), fc.integer({ min: 40, max: 300 }), (wide, y) => {
        const picture = seen(`<circle cx="70" cy="200" r="60"/><rect x="120" y="${y}" width="200" height="${wide}"/>`);
        const { parts } = narrowPlaces(picture, 10);
        expect(parts).toHaveLength(wide < 9 ? 1 : wide > 10 ? 0 : parts.length);
        if (wide >= 9) return;
        expect(Math.abs(parts[0].widthPx - wide)).toBeLessThanOrEqual(1);
        expect(parts[0].x).toBeGreaterThan(100);
        expect(Math.abs(parts[0].y - y)).toBeLessThanOrEqual(1);
      }),
      { numRuns: 15 },
    );
  });

  it('is a gap that is narrower than asked, and none that is wider', () => {
    const gap = (px: number) => narrowPlaces(seen(`<rect x="20" y="20" width="150" height="300"/><rect x="${170 + px}" y="20" width="150" height="300"/>`), 8).gaps; // prettier-ignore
    expect(gap(4)).toMatchObject([{ x: 170, y: expect.closeTo(20, -1), width: 4 }]);
    expect(gap(12)).toEqual([]);
  });

  it('is no corner, however sharp, nor the edge of what is round', () => {
    const plain = '<path d="M30 370L200 30L370 370Z"/><circle cx="200" cy="300" r="40" fill="#fff"/>';
    expect(narrowPlaces(seen(plain), 6)).toEqual({ parts: [], gaps: [] });
    expect(narrowPlaces(seen(''), 6).parts).toEqual([]);
  });

  it('is a line finer than a pixel as well, slanted or not', () => {
    for (const line of ['M20 200H380', 'M20 30L380 350'])
      expect(narrowPlaces(seen(`<path d="${line}" fill="none" stroke="#000" stroke-width=".6"/>`), 4).parts.length).toBeGreaterThan(0); // prettier-ignore
  });
});
