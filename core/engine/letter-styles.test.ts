/** What is done to letters that were set. */
import { describe, expect, it } from 'vitest';
import { sizeOf, union, type Area } from '../path';
import type { LetterStyle } from '../prompt';
import { boundsOf } from './area';
import { casedAs, facesFor, styledLetters, trackingFor } from './letter-styles';
import { ALL_FACES, FACE_NAMES, lineIn } from './letters';
import { knobsAt } from './testing';

const set = lineIn('Hedge', { face: 'plain' }, 50, 50, 90, 30);
const styled = (...styles: LetterStyle[]): readonly Area[] => styledLetters(set, styles, knobsAt()).letters;
const inkOf = (areas: readonly Area[]): number => sizeOf(union(...areas));

describe('styled letters', () => {
  it('are as they were set where nothing is said of them', () => {
    expect(styled()).toBe(set);
    expect(styledLetters(set, [], knobsAt()).behind).toEqual([]);
  });
  it.each(['bold', 'thin', 'slanted', 'wavy', 'arched', 'sliced', 'stencil', 'striped', 'cracked', 'dripping', 'pixel', 'outlined'] as const)('%s: one area for each letter, no wider than before, in the same middle', (style) => {
    const letters = styled(style, 'serif');
    expect(letters).toHaveLength(set.length);
    const [b, was] = [boundsOf(letters.flat()), boundsOf(set.flat())];
    expect(b.width).toBeLessThan(was.width + 0.5);
    expect(b.x + b.width / 2).toBeCloseTo(was.x + was.width / 2, 1);
    expect(inkOf(letters)).toBeGreaterThan(0.2 * inkOf(set));
    expect(Math.abs(inkOf(letters) / inkOf(set) - 1) + Math.abs(b.height / was.height - 1)).toBeGreaterThan(0.004);
  }); // prettier-ignore
  it('have less ink where something is cut out of them, and more where something is added', () => {
    for (const style of ['thin', 'stencil', 'striped', 'cracked', 'outlined'] as const) expect(inkOf(styled(style, 'serif'))).toBeLessThan(inkOf(set)); // prettier-ignore
    const bold = styled('bold', 'serif');
    const grown = inkOf(bold) / boundsOf(bold.flat()).height ** 2;
    expect(grown).toBeGreaterThan(inkOf(set) / boundsOf(set.flat()).height ** 2);
  });
  it('of pixels have only level and upright edges', () => {
    for (const ring of styled('pixel').flat())
      for (let i = 0; i < ring.length; i += 2) {
        const [dx, dy] = [ring[(i + 2) % ring.length] - ring[i], ring[(i + 3) % ring.length] - ring[i + 1]];
        expect(Math.min(Math.abs(dx), Math.abs(dy))).toBeLessThan(0.05);
      }
  });
  it('cast a shadow that lies beside and not under them', () => {
    const { letters, behind } = styledLetters(set, ['shadow'], knobsAt());
    expect(sizeOf(behind)).toBeGreaterThan(10);
    expect(sizeOf(union(behind, ...letters))).toBeCloseTo(sizeOf(behind) + inkOf(letters), 0);
  });
  it('have faces that there are, those that nothing is said by where none is asked for', () => {
    expect(facesFor([])).toBe(FACE_NAMES);
    for (const style of ['script', 'gothic', 'deco', 'stencil', 'slab', 'serif', 'round', 'narrow', 'thin', 'bold', 'sans'] as const)
      for (const face of facesFor([style])) expect(ALL_FACES).toContain(face); // prettier-ignore
    expect(facesFor(['bold', 'slab'])).toEqual(['fat slab']);
    expect(facesFor(['wavy', 'script'])).toContain('script');
  });
  it('stand in the case and as far apart as is said', () => {
    expect(casedAs('Old Fen', ['lower'], 'OLD FEN')).toBe('old fen');
    expect(casedAs('Old Fen', ['upper'], 'Old Fen')).toBe('OLD FEN');
    expect(casedAs('Old Fen', ['gothic'], 'OLD FEN')).toBe('Old Fen');
    expect(trackingFor(['spaced'], 0)).toBeGreaterThan(trackingFor([], 70));
    expect(trackingFor(['tight'], 0)).toBeLessThan(0);
  });
});
