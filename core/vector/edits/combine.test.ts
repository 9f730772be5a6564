import { describe, expect, it } from 'vitest';
import { circleOfArcs, flatten, mapContour, rectangle, signedArea, type Contour } from '../../path';
import { allPieces, findNode, type Artwork } from '../artwork';
import { pieceOf } from '../testing';
import { applyEdit, describeEdit, EditError, type Edit } from './index';

const artwork: Artwork = {
  widthPx: 100,
  heightPx: 100,
  inks: [
    { id: 'a', hex: '#182A5C', name: 'midnight' },
    { id: 'b', hex: '#F2C14E', name: 'lamp' },
  ],
  nodes: [
    pieceOf('n1', 'a', [rectangle(0, 0, 40, 40)]),
    pieceOf('n2', 'b', [rectangle(20, 20, 40, 40)]),
    { kind: 'group', id: 'g', transform: [2, 0, 0, 2, 0, 0], nodes: [pieceOf('n3', 'a', [circleOfArcs(25, 25, 10)])] },
    pieceOf('n4', 'b', [rectangle(80, 80, 10, 10)], { name: 'dot' }),
    pieceOf('line', null, [{ start: [0, 90], segments: [{ kind: 'line', to: [50, 90] }], open: true }], {
      stroke: { inkId: 'a', widthPx: 4, cap: 'butt', join: 'mitre', mitreLimit: 4 },
    }),
  ],
  guides: [],
};
const sizeOf = (contours: readonly Contour[]): number => contours.reduce((s, c) => s + signedArea(flatten(c, 1e-3)), 0);
/** Its area on the sheet. */
function size(a: Artwork, id: string): number {
  const placed = findNode(a, id)!;
  return placed.node.kind === 'piece' ? sizeOf(placed.node.contours.map((c) => mapContour(placed.map, c))) : NaN;
}
const ids = (a: Artwork) => allPieces(a).map((p) => p.id);
const edit = (e: Edit) => applyEdit(artwork, e);
const refused = (e: Edit): string => {
  try {
    edit(e);
  } catch (error) {
    if (error instanceof EditError) return error.message;
  }
  return 'it was done';
};

describe('combining pieces', () => {
  it('unites, subtracts and intersects, the first keeping its look and place', () => {
    for (const [kind, area] of [
      ['unite', 2800],
      ['subtract', 1200],
      ['intersect', 400],
    ] as const) {
      const after = edit({ kind, nodes: ['n1', 'n2'] });
      expect([kind, ids(after), size(after, 'n1')]).toEqual([kind, ['n1', 'n3', 'n4', 'line'], area]);
      expect(allPieces(after)[0].inkId).toBe('a');
    }
    // The order in which they are named decides, not the stack.
    expect(ids(edit({ kind: 'subtract', nodes: ['n2', 'n1'] }))).toEqual(['n2', 'n3', 'n4', 'line']);
    expect(describeEdit(artwork, { kind: 'unite', nodes: ['n1', 'n2'] })).toBe('2 pieces united');
  });

  it('combines what lies in groups of other coordinates, where it stands on the sheet', () => {
    const after = edit({ kind: 'intersect', nodes: ['g', 'n2'] });
    // A disc about 50, 50 of radius 20, of which the square has what is above and to the left of 60.
    expect(findNode(after, 'n2')).toBeUndefined();
    const lost = (h: number) => 400 * Math.acos(h / 20) - h * Math.sqrt(400 - h * h);
    const corner = () => {
      let sum = 0;
      for (let x = 10; x < Math.sqrt(300); x += 1e-3) sum += (Math.sqrt(400 - x * x) - 10) * 1e-3;
      return sum;
    };
    expect(size(after, 'n3')).toBeCloseTo(Math.PI * 400 - 2 * lost(10) + corner(), 0);
    const { node } = findNode(after, 'n3')!;
    expect(node.kind === 'piece' && node.contours[0].segments.some((s) => s.kind === 'arc' && s.radius === 10)).toBe(
      true,
    );
  });

  it('gives points numbers that none had before', () => {
    const { numbers } = allPieces(edit({ kind: 'unite', nodes: ['n1', 'n2'] }))[0];
    expect(numbers!.of.flat()).toEqual([4, 5, 6, 7, 8, 9, 10, 11]);
    expect(numbers!.next).toBe(12);
  });

  it('cuts pieces apart, what lies in several with the look of the topmost', () => {
    const after = edit({ kind: 'cut-apart', nodes: ['n2', 'n1'] });
    expect(ids(after)).toEqual(['n1', 'n2', 'n2-2', 'n3', 'n4', 'line']);
    expect(['n1', 'n2', 'n2-2'].map((i) => size(after, i))).toEqual([1200, 1200, 400]);
    expect(allPieces(after)[2].inkId).toBe('b');
  });

  it('fills holes, and cuts away what is hidden', () => {
    const ring = { ...artwork, nodes: [pieceOf('r', 'a', [circleOfArcs(50, 50, 30), circleOfArcs(50, 50, 10)], { rule: 'evenodd' })] } as Artwork; // prettier-ignore
    const filled = applyEdit(ring, { kind: 'fill-holes', nodes: 'all' });
    expect(size(filled, 'r')).toBeCloseTo(900 * Math.PI, 0);
    expect(allPieces(filled)[0].rule).toBeUndefined();
    const trimmed = edit({ kind: 'trim-hidden', nodes: 'all' });
    expect([size(trimmed, 'n1'), ids(trimmed)]).toEqual([1200, ids(artwork)]);
    const covered = { ...artwork, nodes: [pieceOf('below', 'b', [rectangle(5, 5, 10, 10)]), artwork.nodes[0]] };
    expect(ids(applyEdit(covered, { kind: 'trim-hidden', nodes: ['below'] }))).toEqual(['n1']);
    const faint = { ...covered, nodes: [covered.nodes[0], { ...covered.nodes[1], opacity: 0.5 }] };
    expect(() => applyEdit(faint, { kind: 'trim-hidden', nodes: 'all' })).toThrow('nothing is hidden');
  });

  it('refuses what makes no sense, and loses nothing by it', () => {
    expect(refused({ kind: 'intersect', nodes: ['n1', 'n4'] })).toBe('nothing would be left of them');
    expect(refused({ kind: 'unite', nodes: ['n1', 'nowhere'] })).toMatch(/no such piece/);
    expect(refused({ kind: 'unite', nodes: ['n1', 'n1'] })).toBe('two pieces or more');
    expect(refused({ kind: 'unite', nodes: ['n1', 'line'] })).toMatch(/encloses nothing/);
    expect(refused({ kind: 'fill-holes', nodes: 'all' })).toMatch(/no holes/);
  });
});

describe('growing and shrinking', () => {
  it('moves outlines by a distance on the sheet, whatever group they lie in', () => {
    const grown = edit({ kind: 'offset', nodes: ['n1'], byPx: 5, join: 'mitre' });
    expect(size(grown, 'n1')).toBe(2500);
    const disc = edit({ kind: 'offset', nodes: ['n3'], byPx: -4, join: 'round' });
    expect(size(disc, 'n3')).toBeCloseTo(256 * Math.PI, 0);
    const { node } = findNode(disc, 'n3')!;
    expect(node.kind === 'piece' && node.contours[0].segments).toMatchObject([{ kind: 'arc', radius: 8 }, {}]);
    expect(size(edit({ kind: 'offset', nodes: 'all', byPx: 1, join: 'bevel' }), 'n4')).toBe(144 - 2);
    expect(describeEdit(artwork, { kind: 'offset', nodes: 'all', byPx: -2, join: 'round' })).toBe('all pieces shrunk by 2 px'); // prettier-ignore
  });

  it('is even on the sheet where a piece is squeezed', () => {
    const squeezed = applyEdit(artwork, { kind: 'node-transform', nodeIds: ['n4'], by: [3, 0, 0, 1, 0, 0] });
    expect(size(applyEdit(squeezed, { kind: 'offset', nodes: ['n4'], byPx: 2, join: 'mitre' }), 'n4')).toBeCloseTo(34 * 14); // prettier-ignore
  });

  it('refuses what would lose a piece', () => {
    expect(refused({ kind: 'offset', nodes: 'all', byPx: -6, join: 'round' })).toBe(
      'nothing would be left of one piece',
    );
    expect(refused({ kind: 'offset', nodes: ['n1'], byPx: 0, join: 'round' })).toMatch(/other than 0/);
  });

  it('puts a border behind everything, in an ink; its holes can be filled like others', () => {
    const ring = { ...artwork, nodes: [pieceOf('r', 'a', [circleOfArcs(50, 50, 30), circleOfArcs(50, 50, 10)], { rule: 'evenodd' })] } as Artwork; // prettier-ignore
    const border: Edit = { kind: 'border', nodes: 'all', byPx: 4, join: 'round', inkId: 'b', pieceId: 'edge' };
    const after = applyEdit(ring, border);
    expect(ids(after)).toEqual(['edge', 'r']);
    expect(size(after, 'edge')).toBeCloseTo((34 * 34 - 36) * Math.PI, 0);
    const filled = applyEdit(after, { kind: 'fill-holes', nodes: ['edge'] });
    expect(size(filled, 'edge')).toBeCloseTo(34 * 34 * Math.PI, 0);
    expect(refused({ ...border, pieceId: 'n1' })).toMatch(/id already/);
  });
});
