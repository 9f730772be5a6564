import { describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { contrastRatio } from '../colour';
import { circleOfArcs, contains, rectangle } from '../path';
import {
  allPieces,
  applyEdit,
  applyEdits,
  artworkFault,
  artworkIn,
  ArtworkSchema,
  colourwayFrom,
  colourwaysOf,
  describeEdit,
  EditError,
  leastContrastOf,
  MASTER,
  oneColoured,
  shuffledFor,
  touchingOf,
  weakPairs,
  type Artwork,
  type Edit,
} from './index';
import { artworkOf, pieceOf } from './testing';

/** A dark disc with a light one on it, and a stripe beside: three inks, of which one lies within another. */
const MARK: Artwork = {
  ...artworkOf([
    pieceOf('body', 'a', [circleOfArcs(80, 100, 60)]),
    pieceOf('eye', 'b', [circleOfArcs(80, 100, 20)]),
    pieceOf('stripe', 'c', [rectangle(143, 40, 30, 120)]),
  ]),
  inks: [
    { id: 'a', hex: '#182A5C', name: 'midnight' },
    { id: 'b', hex: '#F2C14E', name: 'lamp' },
    { id: 'c', hex: '#3B5F5B', name: 'fen' },
  ],
};
const ember = colourwayFrom(MARK, 'w1', 'ember', ['#5A1A14', '#F08A3C', '#7A3B2E'], 'two neighbours');
const add: Edit = { kind: 'add-colourway', colourway: ember as never };

describe('inks that touch', () => {
  it('are seen from the shapes, those under others and corners left out', () => {
    const { pairs, touchesGround, shares } = touchingOf(MARK);
    expect(pairs).toEqual([[0, 1]]);
    expect(touchesGround).toEqual([true, false, true]);
    expect(shares.reduce((s, x) => s + x, 0)).toBeCloseTo(1, 6);
    const near = { ...MARK, nodes: [MARK.nodes[0], MARK.nodes[1], pieceOf('stripe', 'c', [rectangle(120, 40, 30, 120)])] }; // prettier-ignore
    expect(touchingOf(near).pairs).toEqual([
      [0, 1],
      [0, 2],
    ]);
    const hidden = { ...MARK, nodes: [MARK.nodes[1], MARK.nodes[0], { ...MARK.nodes[2], hidden: true as const }] };
    expect(touchingOf(hidden)).toMatchObject({ pairs: [], touchesGround: [true, false, false] });
  });
});

describe('colourways', () => {
  it('are full sets of inks over the same shapes: what changes a shape is in all, an ink changed in one is in that', () => {
    const artwork = applyEdits(MARK, [add, { kind: 'colourway-inks', colourwayId: 'w1', inks: [{ inkId: 'b', hex: '#FFCC88' }] }, { kind: 'remove-nodes', nodeIds: ['stripe'] }]).artwork; // prettier-ignore
    const own = artworkIn(artwork, 'w1');
    expect(own.inks.map((i) => i.hex)).toEqual(['#5A1A14', '#FFCC88', '#7A3B2E']);
    expect(own.nodes).toBe(artwork.nodes);
    expect(artworkIn(artwork, MASTER)).toBe(artwork);
    expect(artworkIn(artwork, 'none')).toBe(artwork);
    expect(colourwaysOf(artwork).map((c) => [c.id, c.name, c.how])).toEqual([
      ['master', 'master', 'its own inks'],
      ['w1', 'ember', 'two neighbours'],
    ]);
    // An ink that came later has the master's colour until it is given one.
    const more = applyEdit(artwork, { kind: 'add-ink', ink: { id: 'd', hex: '#FFFFFF', name: 'snow' } });
    expect(artworkIn(more, 'w1').inks[3].hex).toBe('#FFFFFF');
    expect(v.parse(ArtworkSchema, artwork)).toEqual(artwork);
  });

  it('are named, made the master, and removed', () => {
    const artwork = applyEdits(MARK, [add, { kind: 'colourway-name', colourwayId: 'w1', name: 'glow' }, { kind: 'make-master', colourwayId: 'w1' }]).artwork; // prettier-ignore
    expect(artwork.inks.map((i) => i.hex)).toEqual(ember.inks.map((i) => i.hex));
    expect(artwork.masterName).toBe('glow');
    expect(artworkIn(artwork, 'w1').inks.map((i) => i.hex)).toEqual(MARK.inks.map((i) => i.hex));
    const back = applyEdit(artwork, { kind: 'make-master', colourwayId: 'w1' });
    expect(back.inks).toEqual(MARK.inks);
    const gone = applyEdit(back, { kind: 'remove-colourway', colourwayId: 'w1' });
    expect(gone).not.toHaveProperty('colourways');
    expect(describeEdit(back, { kind: 'make-master', colourwayId: 'w1' })).toBe('glow made the master');
    expect(applyEdit(MARK, { kind: 'colourway-name', colourwayId: null, name: 'dusk' }).masterName).toBe('dusk');
    for (const wrong of [
      { kind: 'remove-colourway', colourwayId: 'w9' },
      { kind: 'make-master', colourwayId: 'w9' },
    ] as const)
      // prettier-ignore
      expect(() => applyEdit(MARK, wrong)).toThrow(EditError);
    expect(() => applyEdits(MARK, [add, add])).toThrow(EditError);
    expect(() => applyEdits(MARK, [add, { kind: 'colourway-inks', colourwayId: 'w1', inks: [{ inkId: 'x', hex: '#000000' }] }])).toThrow(EditError); // prettier-ignore
    expect(artworkFault({ ...MARK, colourways: [ember, ember] })).toMatch(/one id/);
  });

  it('are shuffled from what touches in the artwork, and say what their least contrast is between', () => {
    const { schemes } = shuffledFor(MARK, { locked: ['c'], grounds: ['#FFFFFF'], least: 2, count: 5, seed: 4 });
    expect(schemes).toHaveLength(5);
    for (const s of schemes) {
      expect(s.hexes[2]).toBe('#3B5F5B');
      expect(contrastRatio(s.hexes[0], s.hexes[1])).toBeGreaterThanOrEqual(2);
      expect(leastContrastOf(MARK, s.hexes, ['#FFFFFF']).least).toBeCloseTo(s.leastContrast, 9);
    }
    const own = MARK.inks.map((i) => i.hex);
    expect(leastContrastOf(MARK, own, ['#3B5F5B'])).toEqual({ least: 1, between: ['fen', '#3B5F5B'] });
    expect(leastContrastOf({ ...MARK, nodes: [] }, own, ['#FFFFFF'])).toEqual({ least: Infinity, between: null });
  });
});

describe('what has too little contrast', () => {
  it('is told, the least first, with the ink to change and what it is to stand out from', () => {
    const touching = touchingOf(MARK);
    const hexes = ['#182A5C', '#24386E', '#3B5F5B'];
    const weak = weakPairs(MARK, hexes, [{ name: 'linen', hex: '#F2EBDC' }, { name: 'fen', hex: '#3B5F5B' }], 3, touching); // prettier-ignore
    expect(weak.map((w) => w.names.join())).toEqual(['fen,fen', 'midnight,lamp', 'midnight,fen']);
    expect(weak[0]).toMatchObject({ inkId: 'c', against: '#3B5F5B', isGround: true, ratio: 1 });
    // Of two inks the one with less of the mark is to be changed.
    expect(weak[1]).toMatchObject({ inkId: 'b', against: '#182A5C', isGround: false });
    expect(weakPairs(MARK, MARK.inks.map((i) => i.hex), [], 3, touching)).toEqual([]); // prettier-ignore
  });
});

describe('one colour', () => {
  const inks = (artwork: Artwork): string[] => artwork.inks.map((i) => i.hex);
  const isInked = (artwork: Artwork, x: number, y: number): boolean =>
    allPieces(artwork).some((p) => contains(p.contours, [x, y], p.rule));

  it('leaves out what lies within what is filled: an eye stays an eye', () => {
    const { artwork, states, merged } = oneColoured(MARK, { hex: '#111111' });
    expect(states).toEqual({ a: 'filled', b: 'left', c: 'filled' });
    expect(merged).toEqual([]);
    expect(inks(artwork)).toEqual(['#111111']);
    expect([isInked(artwork, 40, 100), isInked(artwork, 80, 100), isInked(artwork, 155, 100)]).toEqual([true, false, true]); // prettier-ignore
  });

  it('parts filled areas that touch by a gap, and lines what is left out on the ground', () => {
    const three = {
      ...MARK,
      nodes: [pieceOf('body', 'a', [rectangle(20, 20, 100, 100)]), pieceOf('eye', 'b', [rectangle(120, 20, 60, 100)]), pieceOf('stripe', 'c', [rectangle(20, 120, 160, 40)])], // prettier-ignore
    };
    const { artwork, merged } = oneColoured(three, { hex: '#000000', states: { a: 'filled', b: 'filled', c: 'left' }, gapPx: 4 }); // prettier-ignore
    expect(merged).toEqual([]);
    // The upper one keeps its size, the lower one gives way.
    expect([isInked(artwork, 117, 60), isInked(artwork, 114, 60), isInked(artwork, 121, 60)]).toEqual([false, true, true]); // prettier-ignore
    // A line inside what is left out, but not beside what is filled.
    expect([isInked(artwork, 100, 158), isInked(artwork, 100, 140), isInked(artwork, 60, 122)]).toEqual([true, false, false]); // prettier-ignore
  });

  it('does what was decided by hand, which is kept with the artwork and undone', () => {
    const by = (state: 'filled' | 'left' | null, on: 'plain' | 'reversed' = 'plain'): Edit => ({ kind: 'one-colour', inkId: 'b', on, state }); // prettier-ignore
    const artwork = applyEdit(MARK, by('filled'));
    expect(artwork.oneColour).toEqual([{ inkId: 'b', plain: 'filled' }]);
    expect(v.parse(ArtworkSchema, artwork)).toEqual(artwork);
    const made = oneColoured(artwork, { hex: '#111111' });
    expect(made.states.b).toBe('filled');
    // Filled as well, it is parted from what lies about it.
    expect([isInked(made.artwork, 80, 100), made.merged]).toEqual([true, []]);
    const both = applyEdit(artwork, by('left', 'reversed'));
    expect(oneColoured(both, { hex: '#FFFFFF', reversed: true }).states.b).toBe('left');
    expect(applyEdit(applyEdit(both, by(null)), by(null, 'reversed'))).not.toHaveProperty('oneColour');
    expect(describeEdit(MARK, by('left'))).toBe('lamp left out in one colour');
    expect(() => applyEdit(MARK, { kind: 'one-colour', inkId: 'x', on: 'plain', state: 'left' })).toThrow(EditError);
  });

  it('fills what is light where it is reversed, and tells what could not be kept apart', () => {
    const light = { ...MARK, nodes: [pieceOf('eye', 'b', [circleOfArcs(80, 100, 60)]), pieceOf('body', 'a', [circleOfArcs(80, 100, 30)])] }; // prettier-ignore
    const { states } = oneColoured(light, { hex: '#FFFFFF', reversed: true });
    expect(states).toMatchObject({ a: 'left', b: 'filled' });
    const told = oneColoured(MARK, { hex: '#000000', gapPx: 0.01, states: { a: 'filled', b: 'filled' } });
    expect(told.merged).toEqual([['lamp', 'midnight']]);
    expect(oneColoured({ ...MARK, nodes: [] }, { hex: '#000000' }).artwork.nodes).toEqual([]);
  });
});
