import { describe, expect, it } from 'vitest';
import { circleOfArcs, mapContour, polygon, rectangleOfArcs, type Contour, type Point } from '../../path';
import { allPieces, countPoints, findNode, type Artwork, type Piece } from '../artwork';
import { greatestStray } from '../outlines';
import { artworkOf as artworkWith, pieceOf } from '../testing';
import { symmetriesOfArtwork } from './exact';
import { applyEdit, applyEdits, describeEdit, EditError, EditSchema, type Edit } from './index';
import * as v from 'valibot';

/** A box whose sides are each cut in four. */
const cutBox = (x: number, y: number, side: number): Contour => {
  const at = (k: number): Point => {
    const s = (k % 4) * (side / 4);
    return [
      [x + s, y],
      [x + side, y + s],
      [x + side - s, y + side],
      [x, y + side - s],
    ][Math.floor(k / 4)] as unknown as Point;
  };
  return polygon(Array.from({ length: 16 }, (_, k) => at(k)));
};
const artworkOf = (...nodes: Artwork['nodes']): Artwork => artworkWith(nodes);
const piece = (artwork: Artwork, id: string): Piece => findNode(artwork, id)!.node as Piece;

describe('thinning out an artwork', () => {
  const artwork = artworkOf(pieceOf('n1', 'a', [cutBox(10, 10, 40), cutBox(20, 20, 10)], { rule: 'evenodd' }), {
    kind: 'group',
    id: 'g',
    transform: [2, 0, 0, 2, 0, 0],
    nodes: [pieceOf('n2', 'b', [cutBox(50, 50, 20)])],
  });

  it('takes points out of what is named, keeps its rule and numbers points anew', () => {
    const after = applyEdit(artwork, { kind: 'economy', nodes: ['n1'], tolerancePx: 0.05 });
    expect(allPieces(after).map((p) => p.contours.map((c) => c.segments.length))).toEqual([[4, 4], [16]]);
    expect(piece(after, 'n1')).toMatchObject({ rule: 'evenodd', numbers: { next: 40 } });
    expect(piece(after, 'n2')).toBe(piece(artwork, 'n2'));
    expect(countPoints(applyEdit(artwork, { kind: 'economy', nodes: 'all', tolerancePx: 0.05 }))).toBe(12);
    expect(describeEdit(artwork, { kind: 'economy', nodes: ['n1'], tolerancePx: 0.05 })).toBe(
      'one piece thinned out within 0.05 px',
    );
  });

  it('counts the tolerance in pixels of the sheet', () => {
    // In a group of twice the size a bump of 0.3 is 0.6 on the sheet.
    const bumpy = polygon([
      [0, 0],
      [20, 0.3],
      [40, 0],
      [40, 20],
      [0, 20],
    ]);
    const grown = artworkOf({
      kind: 'group',
      id: 'g',
      transform: [2, 0, 0, 2, 0, 0],
      nodes: [pieceOf('n1', 'a', [bumpy])],
    });
    // A line does for it where that may stray so far; where not, it takes an arc.
    const kinds = (tolerancePx: number): string =>
      piece(applyEdit(grown, { kind: 'economy', nodes: 'all', tolerancePx }), 'n1')
        .contours[0].segments.map((s) => s.kind[0])
        .sort()
        .join('');
    expect([kinds(0.5), kinds(0.65)]).toEqual(['alll', 'llll']);
  });

  it('is the same artwork where no point can go', () => {
    const thin = artworkOf(pieceOf('n1', 'a', [rectangleOfArcs(10, 10, 80, 60, 8)]));
    expect(applyEdit(thin, { kind: 'economy', nodes: 'all', tolerancePx: 0.1 })).toBe(thin);
    expect(v.safeParse(EditSchema, { kind: 'economy', nodes: 'all', tolerancePx: 0 }).success).toBe(false);
  });
});

describe('making an artwork exact', () => {
  const turned = mapContour(
    [0, 1, -1, 0, 0, 0],
    polygon([
      [10, -90.3],
      [90, -90],
      [90.2, -10],
      [10, -10],
    ]),
  );

  it('straightens on the sheet, whatever its pieces are drawn in', () => {
    const artwork = artworkOf({
      kind: 'group',
      id: 'g',
      transform: [0, -1, 1, 0, 0, 0],
      nodes: [pieceOf('n1', 'a', [turned])],
    });
    const after = applyEdit(artwork, { kind: 'straighten', nodes: 'all', withinPx: 0.6 });
    const placed = findNode(after, 'n1')!;
    const [c] = (placed.node as Piece).contours.map((one) => mapContour(placed.map, one));
    const [p, q] = [c.start, c.segments[0].to];
    expect(Math.min(Math.abs(p[0] - q[0]), Math.abs(p[1] - q[1]))).toBeLessThan(1e-6);
    expect(greatestStray(artwork, after)).toBeGreaterThan(0.05);
    expect(greatestStray(artwork, after)).toBeLessThan(0.6);
    expect(greatestStray(artwork, artwork)).toBe(0);
  });

  it('makes exact what is asked for alone', () => {
    const artwork = artworkOf(
      pieceOf('n1', 'a', [circleOfArcs(40, 40, 20.2)]),
      pieceOf('n2', 'b', [circleOfArcs(120, 40, 19.8)]),
      pieceOf('n3', 'b', [
        polygon([
          [10, 100],
          [90, 100.4],
          [50, 150],
        ]),
      ]),
    );
    const edit: Edit = { kind: 'straighten', nodes: 'all', withinPx: 0.6, only: ['radii'] };
    const after = applyEdit(artwork, edit);
    const [arc] = piece(after, 'n1').contours[0].segments;
    expect(arc.kind === 'arc' && arc.radius).toBeCloseTo(20, 9);
    expect(piece(after, 'n3')).toBe(piece(artwork, 'n3'));
    expect(describeEdit(artwork, edit)).toBe('radii of all pieces made exact');
  });

  it('makes pieces symmetrical that are images of one another, of one ink', () => {
    const ear = (x: number, to: 1 | -1) =>
      polygon([
        [x, 30],
        [x + 30 * to, 40.2],
        [x + 12 * to, 80],
      ]);
    const artwork = artworkOf(
      pieceOf('left', 'a', [ear(80, -1)]),
      pieceOf('right', 'a', [ear(120.4, 1)]),
      pieceOf('tail', 'b', [
        polygon([
          [150, 150],
          [158, 150],
          [154, 157],
        ]),
      ]),
    );
    expect(symmetriesOfArtwork(artwork, ['left', 'right'])[0]).toMatchObject({ kind: 'mirror', angleDeg: 90 });
    const { artwork: after, told } = applyEdits(artwork, [{ kind: 'symmetry', nodes: ['left', 'right'] }]);
    const [left, right] = ['left', 'right'].map((k) => piece(after, k).contours[0]);
    expect(left.start[0] + right.start[0]).toBeCloseTo(200, 6);
    expect(left.start[1]).toBeCloseTo(right.start[1], 6);
    expect(piece(after, 'tail')).toBe(piece(artwork, 'tail'));
    expect(told).toBe('2 pieces made symmetrical');
    // Of two inks they are no images of one another.
    const unlike = artworkOf(pieceOf('left', 'a', [ear(80, -1)]), pieceOf('right', 'b', [ear(120.4, 1)]));
    expect(() => applyEdit(unlike, { kind: 'symmetry', nodes: 'all' })).toThrow(EditError);
  });

  it('takes an axis that is given', () => {
    const artwork = artworkOf(
      pieceOf('n1', 'a', [
        polygon([
          [10.3, 10],
          [90, 10],
          [90, 50],
          [10, 50],
        ]),
      ]),
    );
    const after = applyEdit(artwork, {
      kind: 'symmetry',
      nodes: 'all',
      about: { kind: 'mirror', through: [50, 0], angleDeg: 90 },
    });
    expect(piece(after, 'n1').contours[0].start[0]).toBeCloseTo(10.15, 6);
  });
});
