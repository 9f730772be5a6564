import { describe, expect, it } from 'vitest';
import { circleOfArcs, flatten, rectangle, signedArea, type Contour } from '../../path';
import { allPieces, type Artwork, type Piece, type PieceStroke } from '../artwork';
import { constructionOfArtwork, drawnShapes, telling } from '../index';
import { nearlyLines } from '../nearly';
import { artworkOf as artworkWith, pieceOf } from '../testing';
import { applyEdit, describeEdit, EditError } from './index';

const stroke: PieceStroke = { inkId: 'b', widthPx: 6, cap: 'butt', join: 'mitre', mitreLimit: 4 };
const bar: Contour = { start: [20, 20], segments: [{ kind: 'line', to: [80, 20] }], open: true };
const artworkOf = (...nodes: Artwork['nodes']): Artwork => artworkWith(nodes);
const sizeOf = ({ contours }: Piece): number => contours.reduce((sum, c) => sum + signedArea(flatten(c, 1e-3)), 0);

describe('lines made areas', () => {
  const lineAlone: Piece = { ...pieceOf('n1', 'a', [bar], { name: 'rail' }), inkId: null, stroke };
  const lined = pieceOf('n2', 'a', [rectangle(20, 60, 40, 40)], { name: 'box', stroke: { ...stroke, opacity: 0.5 } });

  it('a line alone becomes what it covers, in its ink and its place', () => {
    const [piece] = allPieces(applyEdit(artworkOf(lineAlone), { kind: 'outline-strokes', nodes: ['n1'] }));
    expect(piece).toMatchObject({ id: 'n1', name: 'rail', inkId: 'b' });
    expect(piece.stroke).toBeUndefined();
    expect(sizeOf(piece)).toBeCloseTo(360, 6);
    expect(piece.contours[0].open).toBeUndefined();
  });

  it('what is filled as well keeps its fill, and gets the line as a piece right above', () => {
    const other = pieceOf('top', 'a', [rectangle(0, 0, 5, 5)]);
    const after = applyEdit(artworkOf(lined, other), { kind: 'outline-strokes', nodes: 'all' });
    expect(after.nodes.map((n) => n.id)).toEqual(['n2', 'n2-line', 'top']);
    const [fill, line] = allPieces(after);
    expect(fill).toMatchObject({ inkId: 'a', name: 'box' });
    expect(fill.stroke).toBeUndefined();
    expect(line).toMatchObject({ inkId: 'b', fillOpacity: 0.5, name: 'box, line' });
    expect(sizeOf(line)).toBeCloseTo(46 ** 2 - 34 ** 2, 6);
    // Once more there is an id like it already.
    const again = applyEdit(artworkOf(lined, { ...other, id: 'n2-line' }), { kind: 'outline-strokes', nodes: 'all' });
    expect(again.nodes.map((n) => n.id)).toEqual(['n2', 'n2-line-2', 'n2-line']);
  });

  it('says what it did, and that there is nothing to do', () => {
    const edit = { kind: 'outline-strokes', nodes: ['n1'] } as const;
    expect(describeEdit(artworkOf(lineAlone), { ...edit, nodes: [...edit.nodes] })).toBe(
      'lines of one piece made areas',
    );
    expect(() => applyEdit(artworkOf(pieceOf('n1', 'a', [rectangle(0, 0, 9, 9)])), { kind: 'outline-strokes', nodes: 'all' })).toThrow(EditError); // prettier-ignore
  });
});

describe('what is seen of an artwork', () => {
  it('is its outlines on the sheet, of a line its sides, and nothing that is hidden', () => {
    const shapes = drawnShapes(
      artworkOf(
        { ...pieceOf('n1', 'a', [bar]), inkId: null, stroke },
        { kind: 'group', id: 'g', transform: [2, 0, 0, 2, 0, 0], nodes: [pieceOf('n2', 'a', [rectangle(10, 10, 20, 20)])] },
        pieceOf('n3', 'a', [rectangle(0, 0, 9, 9)], { hidden: true }),
      ), // prettier-ignore
    );
    expect(shapes.map((s) => s.inkId)).toEqual(['b', 'a']);
    expect(Math.abs(signedArea(flatten(shapes[0].contours[0])))).toBeCloseTo(360, 6);
    expect(Math.abs(signedArea(flatten(shapes[1].contours[0])))).toBe(1600);
  });

  it('alone says what it is constructed of: edges under other pieces do not count', () => {
    const below = pieceOf('low', 'a', [circleOfArcs(100, 100, 60)]);
    const above = pieceOf('high', 'b', [rectangle(20, 100, 160, 80)]);
    const all = constructionOfArtwork(artworkOf(below, above), 'all');
    // Half of the circle is hidden.
    expect(all.circles.map((c) => Math.round(c.lengthPx / Math.PI))).toEqual([60]);
    expect(constructionOfArtwork(artworkOf(above, below), 'all').circles[0].lengthPx).toBeGreaterThan(370);
    const glass = artworkOf(below, { ...above, fillOpacity: 0.5 });
    expect(constructionOfArtwork(glass, 'all').circles[0].lengthPx).toBeGreaterThan(370);
    expect(constructionOfArtwork(artworkOf(below, above), ['high']).circles).toEqual([]);
    expect(telling(all)).toEqual({ lines: all.lines, circles: all.circles });
  });
});

describe('one of several relations made exact', () => {
  const slab = (id: string, y: number, lean: number): Piece =>
    pieceOf(id, 'a', [
      {
        start: [20, y],
        segments: [[120, y + lean], [120, y + 20], [20, y + 20], [20, y]].map((to) => ({ kind: 'line', to: to as [number, number] })), // prettier-ignore
      },
    ]);

  it('leaves the others as they are', () => {
    const artwork = artworkOf(slab('n1', 20, 0.3), slab('n2', 90, 0.25));
    const level = nearlyLines(artwork, 'all').find((l) => l.key === 'level')!;
    expect(level.each).toHaveLength(2);
    const after = applyEdit(artwork, level.each![0].edit);
    const left = nearlyLines(after, 'all').find((l) => l.key === 'level')!;
    expect(left.told).toMatch(/^one line nearly level/);
    expect(left.each).toBeUndefined();
    expect(level.each![0].told).toMatch(/^a line of 100.0 px, off by 0\.\d+ px$/);
  });

  it('makes gaps even by themselves, without anything being turned', () => {
    const artwork = artworkOf(
      ...[20, 50.4, 80, 110.3].map((y, k) => pieceOf(`n${k}`, 'a', [rectangle(50, y, 100, 12)])),
    );
    const gaps = nearlyLines(artwork, 'all').find((l) => l.key === 'gaps')!;
    expect(gaps).toBeDefined();
    const after = applyEdit(artwork, gaps.edit);
    expect(after).not.toEqual(artwork);
    const off = (a: Artwork) => nearlyLines(a, 'all').find((l) => l.key === 'gaps')?.told ?? '';
    expect(off(after)).not.toBe(off(artwork));
  });
});
