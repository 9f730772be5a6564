import { describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { circleOfArcs, mapContour, path, polygon, rectangleOfArcs, type Contour, type Point } from '../path';
import {
  aligned,
  alignedPlaces,
  applyEdit,
  applyEdits,
  boxOfNode,
  cornersLike,
  economyLines,
  EditError,
  EditSchema,
  figuresOf,
  findNode,
  handlesAt,
  inStack,
  isEnd,
  isSmooth,
  movedOnSheet,
  nearlyLines,
  nodesAlike,
  nodesAt,
  nodesIn,
  nodesLeft,
  nodesOfInk,
  piecesChanged,
  pointsOf,
  restacked,
  snapped,
  snappedBox,
  snapTargets,
  speckLines,
  specksOf,
  spread,
  symmetryLines,
  withArcs,
  withCorner,
  withHandleAt,
  withJoined,
  withoutPoints,
  withPointsMoved,
  withRounded,
  withSmooth,
  withStraight,
  type Artwork,
  type ArtNode,
  type Edit,
  type Group,
  type Piece,
} from './index';
import { artworkOf as artworkWith, pieceOf } from './testing';

const artworkOf = (nodes: readonly ArtNode[]): Artwork => artworkWith(nodes, 400, 300);
const box = (id: string, inkId: string, x: number, y: number, w = 40, h = 40): Piece =>
  pieceOf(id, inkId, [rectangleOfArcs(x, y, w, h)]);
const artwork = artworkOf([
  box('ground', 'b', 0, 0, 400, 300),
  box('one', 'a', 20, 20),
  box('two', 'a', 120, 30),
  {
    kind: 'group',
    id: 'g',
    transform: [2, 0, 0, 2, 0, 0],
    nodes: [box('in', 'b', 100, 20), box('over', 'a', 110, 30, 4, 4)],
  },
  box('speck', 'a', 300, 250, 1, 1),
]);
const done = (edits: readonly Edit[], to = artwork): Artwork => (edits.length ? applyEdits(to, edits).artwork : to);
const at = (a: Artwork, id: string) => boxOfNode(a, id)!;

describe('choosing', () => {
  it('tells what a press may mean, from the top down, groups before what lies in them', () => {
    expect(nodesAt(artwork, [224, 64])).toEqual(['g', 'over', 'in', 'ground']);
    expect(nodesAt(artwork, [30, 30])).toEqual(['one', 'ground']);
    expect(nodesAt(artwork, [500, 30])).toEqual([]);
    const locked = done([{ kind: 'node-locked', nodeIds: ['ground'], locked: true }]);
    expect(nodesAt(locked, [30, 30])).toEqual(['one']);
  });

  it('chooses by a box, an ink, a likeness, and what is left', () => {
    expect(nodesIn(artwork, { x: 10, y: 10, width: 160, height: 70 })).toEqual(['one', 'two']);
    expect(nodesOfInk(artwork, 'a')).toEqual(['one', 'two', 'over', 'speck']);
    expect(nodesAlike(artwork, ['one'])).toEqual(['one', 'two']);
    expect(nodesLeft(artwork, ['one', 'in'])).toEqual(['ground', 'two', 'speck']);
    expect(specksOf(artwork, 4)).toEqual(['speck']);
    expect(specksOf(artwork, 100)).toEqual(['over', 'speck']);
  });

  it('tells figures and boxes on the sheet', () => {
    expect(figuresOf(artwork, ['g'])).toEqual({ pieces: 2, points: 8, areaPx2: 80 * 80 + 8 * 8 });
    expect(at(artwork, 'g')).toEqual({ x: 200, y: 40, width: 80, height: 80 });
    expect(boxOfNode(artwork, 'nobody')).toBeNull();
  });
});

describe('arranging', () => {
  it('moves on the sheet what lies in a group of another scale', () => {
    const after = done(movedOnSheet(artwork, ['in', 'one'], [1, 0, 0, 1, 10, -4]));
    expect(at(after, 'in')).toMatchObject({ x: 210, y: 36 });
    expect(at(after, 'one')).toMatchObject({ x: 30, y: 16 });
  });

  it('lines up with one another, or one alone with the sheet', () => {
    const after = done(aligned(artwork, ['one', 'two', 'g'], 'bottom', 'outline'));
    expect(['one', 'two', 'g'].map((k) => at(after, k).y + at(after, k).height)).toEqual([120, 120, 120]);
    const alone = done(aligned(artwork, ['one'], 'centre', 'outline'));
    expect(at(alone, 'one').x).toBe(180);
  });

  it('takes the middle of mass for the optical middle', () => {
    // A triangle's mass lies a third up from its base, its box's middle half way.
    const triangle = pieceOf('t', 'a', [
      polygon([
        [0, 0],
        [60, 0],
        [30, 90],
      ]),
    ]);
    const own = artworkOf([triangle]);
    const [by, optical] = (['outline', 'optical'] as const).map(
      (how) => at(done(aligned(own, ['t'], 'middle', how), own), 't').y,
    );
    expect(by).toBeCloseTo(105, 6);
    expect(optical).toBeCloseTo(120, 1);
  });

  it('spreads evenly between the outermost', () => {
    const row = artworkOf([box('p', 'a', 0, 0, 10, 10), box('q', 'a', 13, 0, 30, 10), box('r', 'a', 90, 0, 10, 10)]);
    const after = done(spread(row, ['r', 'p', 'q'], 0, 'outline'), row);
    expect(['p', 'q', 'r'].map((k) => at(after, k).x)).toEqual([0, 35, 90]);
    expect(spread(row, ['p', 'q'], 0, 'outline')).toEqual([]);
  });

  it('restacks, as far as that goes', () => {
    expect(inStack(artwork, ['over', 'one', 'in'])).toEqual(['one', 'in', 'over']);
    const ids = (a: Artwork) => a.nodes.map((n) => n.id);
    expect(ids(done(restacked(artwork, ['one'], 'forward')))).toEqual(['ground', 'two', 'one', 'g', 'speck']);
    expect(ids(done(restacked(artwork, ['one'], 'back')))).toEqual(['one', 'ground', 'two', 'g', 'speck']);
    expect(ids(done(restacked(artwork, ['one', 'g'], 'top')))).toEqual(['ground', 'two', 'speck', 'one', 'g']);
    expect(restacked(artwork, ['speck'], 'forward')).toEqual([]);
    const inner = done(restacked(artwork, ['in'], 'forward'));
    expect((findNode(inner, 'g')!.node as Group).nodes.map((n) => n.id)).toEqual(['over', 'in']);
  });
});

describe('pieces put in place of others', () => {
  it('says as one edit what several made, and makes it again', () => {
    const { artwork: after } = applyEdits(artwork, [
      { kind: 'cut-apart', nodes: ['one', 'ground'] },
      { kind: 'economy', nodes: 'all', tolerancePx: 0.1 },
      { kind: 'remove-nodes', nodeIds: ['speck'] },
    ]);
    const put = piecesChanged(artwork, after, 'cut apart')!;
    expect(v.is(EditSchema, put)).toBe(true);
    expect(applyEdit(artwork, put)).toEqual(after);
    expect(applyEdits(artwork, [put]).told).toBe('cut apart');
    expect(piecesChanged(artwork, artwork, 'nothing')).toBeNull();
  });

  it('refuses what does not fit', () => {
    const put = (more: object): Edit => ({ kind: 'put-pieces', pieces: [], gone: [], told: 'x', ...more });
    for (const bad of [
      put({}),
      put({ gone: ['nobody'] }),
      put({ pieces: [{ piece: { ...box('one', 'c', 0, 0) }, above: null }] }),
      put({ pieces: [{ piece: box('g', 'a', 0, 0), above: null }] }),
      put({ pieces: [{ piece: box('new', 'a', 0, 0), above: 'nobody' }] }),
    ])
      expect(() => applyEdit(artwork, bad)).toThrow(EditError);
  });
});

describe('changing points', () => {
  const one = (c: Contour): Piece => pieceOf('p', 'a', [c]);
  const square = one(
    polygon([
      [0, 0],
      [60, 0],
      [60, 60],
      [0, 60],
    ]),
  );
  const all = (p: Piece) => pointsOf(p);
  const places = (p: Piece): Point[] => [p.contours[0].start, ...p.contours[0].segments.slice(0, -1).map((s) => s.to)];

  it('moves points and handles, the opposite handle turning along where it is smooth', () => {
    const moved = withPointsMoved(
      square,
      [
        { contour: 0, index: 1 },
        { contour: 0, index: 2 },
      ],
      ([x, y]) => [x + 5, y],
    );
    expect(places(moved)).toEqual([
      [0, 0],
      [65, 0],
      [65, 60],
      [0, 60],
    ]);
    const round = one(path('M0 50C0 20 20 0 50 0C80 0 100 20 100 50C100 80 80 100 50 100C20 100 0 80 0 50Z'));
    const at = { contour: 0, index: 1 };
    expect(isSmooth(round, at)).toBe(true);
    const turned = withHandleAt(round, at, 'out', [80, 10]);
    expect(isSmooth(turned, at)).toBe(true);
    expect(handlesAt(turned, at).into![1]).toBeLessThan(0);
    expect(isSmooth(withHandleAt(round, at, 'out', [80, 10], true), at)).toBe(false);
  });

  it('makes them smooth, corners, straight, arcs', () => {
    const smooth = withSmooth(square, all(square));
    expect(all(smooth).every((p) => isSmooth(smooth, p))).toBe(true);
    expect(smooth.contours[0].segments.map((s) => s.kind)).toEqual(['curve', 'curve', 'curve', 'curve']);
    const corners = withCorner(smooth, all(smooth));
    expect(all(corners).some((p) => isSmooth(corners, p))).toBe(false);
    expect(withStraight(smooth, all(smooth)).contours[0].segments.every((s) => s.kind === 'line')).toBe(true);
    const arcs = withArcs(smooth, all(smooth));
    expect(arcs.contours[0].segments.every((s) => s.kind === 'arc' && !s.large && s.clockwise)).toBe(true);
    // A line has no middle off it, so it stays one.
    expect(withArcs(square, all(square))).toEqual(square);
    // Beside a line a curve takes the line's direction.
    const half = withSmooth(one(path('M0 0L50 0C60 20 60 40 50 60L0 60Z')), [{ contour: 0, index: 1 }]);
    expect(handlesAt(half, { contour: 0, index: 1 }).out![1]).toBeCloseTo(0, 9);
  });

  it('makes places level, upright, in one line', () => {
    const odd: Point[] = [
      [0, 0],
      [60, 4],
      [0, 60],
    ];
    expect(alignedPlaces(odd.slice(0, 2), 'level')).toEqual([
      [0, 2],
      [60, 2],
    ]);
    expect(alignedPlaces(odd.slice(0, 2), 'upright').map((p) => p[0])).toEqual([30, 30]);
    const [[ax, ay], [bx, by], [cx, cy]] = alignedPlaces(odd, 'line');
    expect((bx - ax) * (cy - ay) - (by - ay) * (cx - ax)).toBeCloseTo(0, 6);
  });

  it('finds corners alike', () => {
    const house = one(
      polygon([
        [0, 30],
        [30, 0],
        [60, 30],
        [60, 80],
        [0, 80],
      ]),
    );
    expect(cornersLike(house, { contour: 0, index: 3 }).map((p) => p.index)).toEqual([1, 3, 4]);
    expect(cornersLike(house, { contour: 0, index: 0 }).map((p) => p.index)).toEqual([0, 2]);
  });

  it('rounds corners by a radius, and by less where there is no room', () => {
    const round = withRounded(square, all(square), 10);
    expect(round.contours[0].segments.map((s) => s.kind[0]).join('')).toBe('lalalala');
    expect(round.contours[0].segments.every((s) => s.kind !== 'arc' || Math.abs(s.radius - 10) < 1e-9)).toBe(true);
    expect(round.contours[0].start).toEqual(round.contours[0].segments.at(-1)!.to);
    const most = withRounded(square, all(square), 500).contours[0].segments.flatMap((s) =>
      s.kind === 'arc' ? [s.radius] : [],
    );
    expect(Math.max(...most)).toBeLessThan(30.01);
    const circle = one(circleOfArcs(0, 0, 20));
    expect(withRounded(circle, all(circle), 4)).toBe(circle);
  });

  it('removes points and stays near where the outline was', () => {
    const whole = path('M0 50C0 20 20 0 50 0C80 0 100 20 100 50L100 100L0 100Z');
    const less = withoutPoints(one(whole), [{ contour: 0, index: 1 }])!;
    expect(less.contours[0].segments).toHaveLength(4);
    const [curve] = less.contours[0].segments;
    expect(curve.kind).toBe('curve');
    // Half way it is where it was, nearly.
    const middle = mapContour([1, 0, 0, 1, 0, 0], less.contours[0]).segments[0];
    expect(middle.kind === 'curve' && Math.abs((3 * middle.c1[1] + 3 * middle.c2[1] + 50 + 50) / 8)).toBeLessThan(3);
    expect(withoutPoints(square, all(square))).toBeNull();
  });
});

describe('what a drag is drawn to', () => {
  const targets = snapTargets({ ...artwork, guides: [{ id: 'k', kind: 'circle', centre: [300, 150], radiusPx: 50 }] }, [
    'two',
  ]);

  it('is drawn to points first, then guides, levels, edges, each by name', () => {
    expect(snapped([21, 22], targets, 4)).toEqual({ at: [20, 20], told: 'point' });
    expect(snapped([351, 153], targets, 4).told).toBe('guide');
    expect(snapped([202, 148], targets, 4)).toEqual({ at: [200, 150], told: "the sheet's middle" });
    expect(snapped([90, 21.5], targets, 3)).toMatchObject({
      at: [90, 20],
      told: expect.stringContaining('level with'),
    });
    expect(snapped([93, 133], targets, 2)).toEqual({ at: [93, 133], told: null });
    // What is dragged itself draws nothing.
    expect(targets.points.some((p) => p.at[0] === 120 && p.at[1] === 30)).toBe(false);
  });

  it('draws a box by its sides and middles', () => {
    const { by, told } = snappedBox({ x: 178, y: 131, width: 40, height: 40 }, targets, 4);
    expect(by).toEqual([2, -1]);
    expect(told).toBe("under the sheet's middle, level with the sheet's middle");
    expect(snappedBox({ x: 77, y: 163, width: 7, height: 9 }, targets, 1)).toEqual({ by: [0, 0], told: null });
  });
});

describe('what an artwork nearly is', () => {
  it('tells a line for each kind, with a figure and the edit that makes it so', () => {
    const uneven = artworkOf([
      pieceOf('p', 'a', [
        polygon([
          [20, 20],
          [120, 20.3],
          [120.2, 80],
          [20, 80],
        ]),
      ]),
      pieceOf('q', 'a', [circleOfArcs(200, 60, 20.2)]),
      pieceOf('r', 'a', [circleOfArcs(280, 60, 20)]),
    ]);
    const lines = nearlyLines(uneven, 'all');
    const radii = lines.find((l) => l.key === 'radii')!;
    expect(radii.told).toMatch(/^4 radii, 20\.0 to 20\.2 px$/);
    expect(radii.act).toBe('make equal');
    expect(radii.places.length).toBe(4);
    expect(lines.map((l) => l.key)).toEqual(expect.arrayContaining(['level', 'upright', 'radii']));
    // Done, it is told no more.
    const after = applyEdits(
      uneven,
      lines.map((l) => l.edit),
    ).artwork;
    expect(nearlyLines(after, 'all')).toEqual([]);
  });

  it('tells axes, specks and points that can go', () => {
    const ear = (x: number, to: 1 | -1) =>
      polygon([
        [x, 60],
        [x + 60 * to, 80.4],
        [x + 24 * to, 160],
      ]);
    const ears = artworkOf([pieceOf('l', 'a', [ear(180, -1)]), pieceOf('r', 'a', [ear(220.6, 1)])]);
    const [axis] = symmetryLines(ears, 'all');
    expect(axis).toMatchObject({
      act: 'make exact',
      told: expect.stringMatching(/^an upright axis, off by 0\.\d+ px/),
    });
    expect(symmetryLines(applyEdit(ears, axis.edit), 'all')).toEqual([]);
    expect(speckLines(artwork)).toMatchObject([{ told: 'one speck under 2 px²', edit: { nodeIds: ['speck'] } }]);
    const many = polygon(
      Array.from({ length: 60 }, (_, k): Point => [
        200 + 80 * Math.cos((k * Math.PI) / 30),
        150 + 80 * Math.sin((k * Math.PI) / 30),
      ]),
    );
    const [thin] = economyLines({ ...artworkOf([pieceOf('p', 'a', [many])]), widthPx: 20_000 }, 'all');
    expect(thin.told).toMatch(/^\d+ points do for 60, within 0\.\d\d px$/);
    expect(economyLines(artwork, 'all')).toEqual([]);
  });

  it('joins open ends: its own, which closes it, and those of another, the right way round', () => {
    const open = (d: string): Contour => ({ ...path(d), segments: path(d).segments.slice(0, -1), open: true });
    const piece = (...contours: Contour[]): Piece => pieceOf('p', 'a', contours);
    const [u, v] = [open('M0 0H40V40Z'), open('M100 40H60V0Z')];
    const closed = withJoined(piece(u), { contour: 0, index: 2 }, null, 0);
    expect(closed.contours[0]).toEqual({ start: [0, 0], segments: [...u.segments, { kind: 'line', to: [0, 0] }] });
    // The end of the one to the start of the other, and to its end: a line goes between.
    const on = withJoined(piece(u, v), { contour: 0, index: 2 }, v, 0);
    expect(on.contours).toHaveLength(1);
    expect(on.contours[0].segments.map((s) => s.to)).toEqual([[40, 0], [40, 40], [100, 40], [60, 40], [60, 0]]); // prettier-ignore
    const round = withJoined(piece(u, v), { contour: 0, index: 0 }, v, 2);
    expect(round.contours[0].start).toEqual([40, 40]);
    expect(round.contours[0].segments.map((s) => s.to)).toEqual([[40, 0], [0, 0], [60, 0], [60, 40], [100, 40]]); // prettier-ignore
    // Ends that nearly meet become one point.
    const near = open('M40.2 40.1H80Z');
    expect(withJoined(piece(u), { contour: 0, index: 2 }, near, 0).contours[0].segments.map((s) => s.to)).toEqual([[40, 0], [40, 40], [80, 40.1]]); // prettier-ignore
    expect([isEnd(piece(u), { contour: 0, index: 0 }), isEnd(piece(u), { contour: 0, index: 1 })]).toEqual([true, false]); // prettier-ignore
  });
});
