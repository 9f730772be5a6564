import { describe, expect, it } from 'vitest';
import { hexToOklab, mix, oklabDistance } from '../colour';
import { circleOfArcs, combined, flatten, rectangle, signedArea } from '../path';
import { allPieces, applyEdit, EditError, inkOf, rampsOf, type Artwork, type Edit, type Piece } from './index';
import { artworkOf, pieceOf } from './testing';

const SIDE = 400;
const DISC = [circleOfArcs(150, 200, 120)];

/** A flat ground, bands of a gradient in a disc with a piece on it, and rings of another one. */
function bands(count: number): Artwork {
  const nodes: Piece[] = [pieceOf('ground', 'ground', [rectangle(0, 0, SIDE, SIDE)])];
  const inks = [{ id: 'ground', hex: '#F4EEE2', name: 'paper' }, { id: 'flat', hex: '#203040', name: 'flat' }]; // prettier-ignore
  for (let k = 0; k < count; k++) {
    inks.push({ id: `b${k}`, hex: mix('#FFD040', '#C01060', k / (count - 1)), name: `b${k}` });
    const step = 240 / count;
    const band = combined('intersect', [{ contours: DISC }, { contours: [rectangle(0, 80 + step * k, SIDE, step)] }]);
    nodes.push(pieceOf(`b${k}`, `b${k}`, band));
  }
  nodes.push(pieceOf('flat', 'flat', [rectangle(120, 180, 50, 50)]));
  for (let k = 0; k < 7; k++) {
    inks.push({ id: `r${k}`, hex: mix('#DCE6F4', '#2040A0', k / 6), name: `r${k}` });
    nodes.push(pieceOf(`r${k}`, `r${k}`, [circleOfArcs(335, 160, 56 - 8 * k)]));
  }
  return { ...artworkOf(nodes, SIDE, SIDE), inks };
}

describe('pieces that are one gradient', () => {
  it('are found with the gradient that they were made of', () => {
    const [straight, round, ...more] = rampsOf(bands(10));
    expect(more).toEqual([]);
    expect(straight.ids).toEqual(Array.from({ length: 10 }, (_, k) => `b${k}`));
    expect(straight.gradient.kind).toBe('linear');
    expect(straight.gradient.stops).toHaveLength(2);
    const [dx, dy] = [straight.gradient.to[0] - straight.gradient.from[0], straight.gradient.to[1] - straight.gradient.from[1]]; // prettier-ignore
    expect(Math.abs(dx)).toBeLessThan(0.03 * Math.abs(dy));
    const ends = straight.gradient.stops.map((s) => s.hex).sort();
    expect(oklabDistance(hexToOklab(ends[0]), hexToOklab('#C01060'))).toBeLessThan(0.02);
    expect(oklabDistance(hexToOklab(ends[1]), hexToOklab('#FFD040'))).toBeLessThan(0.02);
    expect(straight.offBy).toBeLessThan(0.02);
    expect(round.gradient).toMatchObject({ kind: 'radial' });
    expect(Math.hypot(round.gradient.from[0] - 335, round.gradient.from[1] - 160)).toBeLessThan(1);
  });

  it('become one piece where the lowest lay, as large as all of them; the rest stays', () => {
    const before = bands(10);
    const [{ ids, gradient }] = rampsOf(before);
    const edit: Edit = {
      kind: 'one-gradient',
      nodes: [...ids],
      inkId: 'one',
      name: 'dusk',
      gradient: gradient as never,
    };
    const after = applyEdit(before, edit);
    expect(allPieces(after).map((p) => p.id)).toEqual(allPieces(before).map((p) => p.id).filter((id) => !ids.includes(id) || id === 'b0')); // prettier-ignore
    const made = allPieces(after).find((p) => p.id === 'b0')!;
    expect(made.inkId).toBe('one');
    expect(inkOf(after, 'one')!.name).toBe('dusk');
    const size = Math.abs(made.contours.reduce((s, c) => s + signedArea(flatten(c, 1e-3)), 0));
    expect(size / (Math.PI * 120 * 120)).toBeCloseTo(1, 2);
    expect(() => applyEdit(after, edit)).toThrow(EditError);
    expect(rampsOf(after).map((r) => r.gradient.kind)).toEqual(['radial']);
  });

  it('are none where colours jump, where two are alike, where something is done to them, or where they do not lie in order', () => {
    expect(rampsOf(artworkOf([pieceOf('p', 'a', DISC), pieceOf('q', 'b', [rectangle(0, 0, 100, 100)])]))).toEqual([]);
    expect(rampsOf(artworkOf([]))).toEqual([]);
    const own = bands(10);
    const shuffled = { ...own, inks: own.inks.map((ink, k) => ({ ...ink, hex: own.inks[/^b/.test(ink.id) ? 2 + ((k * 7) % 10) : k].hex })) }; // prettier-ignore
    expect(rampsOf(shuffled).every((r) => !r.ids.some((id) => id.startsWith('b')))).toBe(true);
    const faded = { ...own, nodes: own.nodes.map((n) => (n.id.startsWith('b') ? { ...n, opacity: 0.5 } : n)) };
    expect(rampsOf(faded).every((r) => !r.ids.some((id) => id.startsWith('b')))).toBe(true);
  });

  it('may have gradients among them already', () => {
    const own = bands(10);
    const gradient = { kind: 'linear' as const, from: [0, 80] as const, to: [0, 104] as const, stops: [{ at: 0, hex: '#FFD642' }, { at: 1, hex: '#FBC742' }] }; // prettier-ignore
    const mixed = { ...own, inks: own.inks.map((i) => (i.id === 'b0' ? { ...i, gradient } : i)) };
    expect(rampsOf(mixed)[0].ids).toHaveLength(10);
  });
});
