import { describe, expect, it } from 'vitest';
import { arcGeometry, circleOfArcs, flatten, nearestPlace, polygon, rectangle, signedArea, star, type Contour, type Point } from '../path'; // prettier-ignore
import { artworkOf, pieceOf } from '../vector/testing';
import type { Piece } from '../vector';
import {
  arcOnwards,
  awayFromGuide,
  contourOf,
  deviationFrom,
  EMPTY_PATH,
  figureBy,
  figureSoFar,
  guideFrom,
  isTaken,
  mirroredWith,
  offeredGuides,
  pictureEdges,
  withClosed,
  withDragged,
  withOtherHalf,
  withoutLast,
  withPlace,
  type PenPath,
  type PenWay,
} from './index';
import { followedBy, imageAmong } from './mirrored';

const sizeOf = (contours: readonly Contour[]): number =>
  contours.reduce((sum, c) => sum + Math.abs(signedArea(flatten(c, 1e-3))), 0);
const plain = { radiusPx: 0, sides: 6 };
const UPRIGHT = { through: [100, 0], angleDeg: 90 } as const;

describe('plain shapes', () => {
  it('are drawn by their places', () => {
    const by = (kind: Parameters<typeof figureBy>[0], ...places: Point[]) => figureBy(kind, places, plain);
    expect(sizeOf([by('circle-centre', [50, 50], [80, 90])!])).toBeCloseTo(Math.PI * 2500, 0);
    expect(by('circle-ends', [0, 0], [20, 0])!.segments[0]).toMatchObject({ kind: 'arc', radius: 10 });
    const three = by('circle-three', [10, 0], [0, 10], [-10, 0])!;
    expect(three.segments[0]).toMatchObject({ kind: 'arc' });
    expect(sizeOf([three])).toBeCloseTo(Math.PI * 100, 1);
    expect(sizeOf([by('ellipse-box', [0, 0], [40, 20])!])).toBeCloseTo(Math.PI * 200, 0);
    // A box that is square gives a circle, which stays one.
    expect(by('ellipse-box', [0, 0], [20, 20])!.segments[0].kind).toBe('arc');
    expect(sizeOf([by('ellipse-axis', [0, 0], [40, 0], [13, 7])!])).toBeCloseTo(Math.PI * 20 * 7, 0);
    expect(sizeOf([by('polygon', [0, 0], [10, 0])!])).toBeCloseTo(1.5 * Math.sqrt(3) * 100, 6);
    expect(by('line', [0, 0], [10, 0])).toMatchObject({ open: true });
    const soft = figureBy('rectangle', [[40, 30], [0, 0]], { ...plain, radiusPx: 5 })!; // prettier-ignore
    expect(sizeOf([soft])).toBeCloseTo(1200 - (4 - Math.PI) * 25, 1);
  });

  it('are none while places are wanting, or lie where nothing comes of them', () => {
    expect(figureBy('circle-three', [[0, 0], [5, 5]], plain)).toBeNull(); // prettier-ignore
    expect(figureSoFar('circle-three', [[0, 0], [5, 5]])).toMatchObject({ open: true }); // prettier-ignore
    expect(figureSoFar('rectangle', [[0, 0], [5, 5]])).toBeNull(); // prettier-ignore
    expect(figureBy('circle-three', [[0, 0], [5, 5], [10, 10]], plain)).toBeNull(); // prettier-ignore
    for (const kind of ['circle-centre', 'rectangle', 'polygon', 'line', 'ellipse-box'] as const)
      expect(figureBy(kind, [[3, 3], [3, 3]], plain)).toBeNull(); // prettier-ignore
  });
});

describe('the pen', () => {
  const path = (...places: [Point, PenWay][]): PenPath =>
    places.reduce((p, [at, way]) => withPlace(p, { at, way, out: null, by: null }), EMPTY_PATH);

  it('draws lines, curves by their handles, and arcs that go on smoothly or come through a place', () => {
    expect(contourOf(path([[0, 0], 'line']))).toBeNull();
    expect(contourOf(path([[0, 0], 'line'], [[10, 0], 'curve']))!.segments).toEqual([{ kind: 'line', to: [10, 0] }]);
    const bent = withDragged(path([[0, 0], 'line'], [[10, 0], 'curve']), [12, 4]);
    expect(contourOf(bent)!.segments).toEqual([{ kind: 'curve', c1: [0, 0], c2: [8, -4], to: [10, 0] }]);
    const on = contourOf(path([[0, 0], 'line'], [[10, 0], 'line'], [[20, 10], 'arc']))!;
    // Level out of the line, it comes down upright.
    expect(on.segments[1]).toMatchObject({ kind: 'arc', radius: 10, clockwise: true, large: false });
    const through = withDragged(path([[0, 0], 'line'], [[20, 0], 'arc']), [10, -10]);
    expect(contourOf(through)!.segments[0]).toMatchObject({ kind: 'arc', radius: expect.closeTo(10, 9) });
    expect(nearestPlace(contourOf(through)!, [10, -10])!.distancePx).toBeLessThan(1e-5);
    expect(arcOnwards([0, 0], [1, 0], [10, 0])).toEqual({ kind: 'line', to: [10, 0] });
    const back = arcOnwards([0, 0], [1, 0], [0, 20]);
    expect(back).toMatchObject({ kind: 'arc', radius: 10 });
    expect(Math.abs(arcGeometry([0, 0], back as never).sweepRad)).toBeCloseTo(Math.PI, 6);
  });

  it('closes a path in any way, and takes places back one by one', () => {
    const open = path([[0, 0], 'line'], [[10, 0], 'line'], [[10, 10], 'line']);
    const closed = withClosed(open, 'line');
    expect(contourOf(closed)).toEqual(polygon([[0, 0], [10, 0], [10, 10]])); // prettier-ignore
    expect(withoutLast(closed).closed).toBe(false);
    expect(withoutLast(withoutLast(closed)).places).toHaveLength(2);
    expect(withoutLast(EMPTY_PATH)).toEqual(EMPTY_PATH);
    expect(contourOf(withDragged(withClosed(open, 'curve'), [-4, -4]))!.segments[2]).toMatchObject({
      kind: 'curve',
      to: [0, 0],
      c2: [4, 4],
    });
  });
});

describe('one half with the other', () => {
  it('closes a half that begins and ends on the axis, a little beside it too', () => {
    const half: Contour = { start: [100.3, 0], segments: [{ kind: 'line', to: [160, 40] }, { kind: 'line', to: [99.8, 80] }], open: true }; // prettier-ignore
    const [[whole], ...more] = mirroredWith(half, UPRIGHT);
    expect(more).toEqual([]);
    expect(whole.open).toBeUndefined();
    expect(whole.start[0]).toBeCloseTo(100, 9);
    expect(sizeOf([whole])).toBeCloseTo(60 * 80, 6);
  });

  it('gives an image beside, one shape across, and nothing more where a shape is its own image', () => {
    expect(mirroredWith(rectangle(120, 0, 20, 20), UPRIGHT)).toHaveLength(2);
    const across = mirroredWith(rectangle(90, 0, 40, 20), UPRIGHT);
    expect(across).toHaveLength(1);
    expect(sizeOf(across[0])).toBeCloseTo(60 * 20, 6);
    const circle = circleOfArcs(100, 50, 30);
    expect(mirroredWith(circle, UPRIGHT)).toEqual([[circle]]);
    expect(mirroredWith(circleOfArcs(50, 50, 10), { through: [0, 0], angleDeg: 45 })).toEqual([
      [circleOfArcs(50, 50, 10)],
    ]);
  });

  it('has the other half follow the one that changed, and finds the image of what lies beside', () => {
    const lopsided = polygon([[60, 0], [100, 10], [150, 0], [150, 40], [60, 40]]); // prettier-ignore
    const right = followedBy(lopsided, UPRIGHT, [150, 20]);
    const left = followedBy(lopsided, UPRIGHT, [60, 20]);
    const wide = (c: Contour): number => {
      const xs = flatten(c).filter((_, k) => k % 2 === 0);
      return Math.max(...xs) - Math.min(...xs);
    };
    expect(wide(right[0])).toBeCloseTo(100, 6);
    expect(wide(left[0])).toBeCloseTo(80, 6);
    const beside = rectangle(120, 0, 20, 20);
    expect(followedBy(beside, UPRIGHT, [130, 10])[0]).toBe(beside);
    const list = [beside, rectangle(10, 0, 20, 20), rectangle(60, 0, 20, 20)];
    expect(imageAmong(list, 0, UPRIGHT)).toBe(2);
    expect(imageAmong(list, 1, UPRIGHT)).toBeNull();
  });
});

describe('points of which the other half follows', () => {
  const change = (piece: Piece, x: number): Piece => ({
    ...piece,
    contours: piece.contours.map((c) => ({ ...c, segments: c.segments.map((s, k) => (k === 0 ? { kind: 'line', to: [x, s.to[1]] } : s)) })), // prettier-ignore
  });

  it('change a piece across the axis on both sides, and the image of one beside it', () => {
    const across = pieceOf('across', 'a', [rectangle(60, 0, 80, 40)]);
    const [own] = withOtherHalf(artworkOf([across]), [change(across, 160)], UPRIGHT, [160, 0]);
    const xs = flatten(own.contours[0]).filter((_, k) => k % 2 === 0);
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([expect.closeTo(40, 6), expect.closeTo(160, 6)]);

    const [right, left] = [pieceOf('right', 'a', [rectangle(120, 0, 20, 20)]), pieceOf('left', 'a', [rectangle(60, 0, 20, 20)])]; // prettier-ignore
    const both = withOtherHalf(artworkOf([right, left]), [change(right, 150)], UPRIGHT, [150, 0]);
    expect(both.map((p) => p.id).sort()).toEqual(['left', 'right']);
    expect(Math.min(...flatten(both.find((p) => p.id === 'left')!.contours[0]).filter((_, k) => k % 2 === 0))).toBeCloseTo(50, 6); // prettier-ignore
  });

  it('leave pieces as they are given where an outline came or went', () => {
    const piece = pieceOf('p', 'a', [rectangle(60, 0, 80, 40)]);
    const more = { ...piece, contours: [...piece.contours, rectangle(0, 0, 5, 5)] };
    const given = [more];
    expect(withOtherHalf(artworkOf([piece]), given, UPRIGHT, [0, 0])).toBe(given);
  });
});

describe('the picture below', () => {
  it('offers guides at the turning points and tangents of its outlines, circles and slanting edges too', () => {
    const offered = offeredGuides([circleOfArcs(200, 150, 100), polygon([[20, 300], [380, 300], [200, 390]])], 400, 0.5); // prettier-ignore
    const levels = offered.flatMap((o) => (o.kind === 'line' && o.angleDeg === 0 ? [o.through[1]] : []));
    const uprights = offered.flatMap((o) => (o.kind === 'line' && o.angleDeg === 90 ? [o.through[0]] : []));
    for (const y of [50, 250, 300, 390]) expect(levels.some((l) => Math.abs(l - y) < 0.1)).toBe(true);
    for (const x of [100, 300, 20, 380]) expect(uprights.some((u) => Math.abs(u - x) < 0.1)).toBe(true);
    expect(offered.find((o) => o.kind === 'circle')).toMatchObject({ radiusPx: expect.closeTo(100, 1) });
    expect(offered.filter((o) => o.kind === 'line' && o.angleDeg % 90 !== 0)).toHaveLength(2);
    expect(new Set(offered.map((o) => o.key)).size).toBe(offered.length);
    expect(offeredGuides([], 400, 0.5)).toEqual([]);
  });

  it('tells which of the guides it offers were taken, and how far a place lies from one', () => {
    const offered = offeredGuides([circleOfArcs(200, 150, 100)], 400, 0.5);
    for (const o of offered) {
      expect(isTaken(o, [guideFrom(o, 'g')])).toBe(true);
      expect(
        isTaken(
          o,
          offered.filter((x) => x !== o).map((x, k) => guideFrom(x, `g${k}`)),
        ),
      ).toBe(false);
    }
    const round = offered.find((o) => o.kind === 'circle')!;
    expect(awayFromGuide(round, [200, 150])).toBeCloseTo(100, 1);
    expect(awayFromGuide({ id: 'g', kind: 'line', through: [0, 5], angleDeg: 0 }, [70, 9])).toBeCloseTo(4, 9);
  });

  it('offers no more for a star than its rays ask for: one guide where several tips lie level', () => {
    const offered = offeredGuides([star(200, 200, 6, 150, 80)], 400, 0.5);
    const levels = offered.filter((o) => o.kind === 'line' && o.angleDeg === 0);
    // Six tips, at four heights; valleys beside them turn as well.
    expect(levels.length).toBeGreaterThanOrEqual(4);
    expect(levels.length).toBeLessThanOrEqual(10);
  });

  it('says how far a drawing lies from it, where most, and how much of it is drawn', () => {
    const edges = pictureEdges([circleOfArcs(200, 200, 100)]);
    const exact = deviationFrom(edges, [{ contours: [circleOfArcs(200, 200, 100)], inkId: 'a' }]);
    expect(exact.greatestPx).toBeLessThan(0.1);
    expect(exact.drawnShare).toBe(1);
    const moved = deviationFrom(edges, [{ contours: [circleOfArcs(204, 200, 100)], inkId: 'a' }]);
    expect(moved.greatestPx).toBeCloseTo(4, 1);
    expect(Math.abs(moved.at![1] - 200)).toBeLessThan(12);
    const half: Contour = { start: [100, 200], segments: [{ kind: 'arc', radius: 100, large: false, clockwise: true, to: [300, 200] }], open: true }; // prettier-ignore
    expect(deviationFrom(edges, [{ contours: [half], inkId: 'a' }]).drawnShare).toBeCloseTo(0.5, 1);
    expect(deviationFrom(edges, [{ contours: [half], inkId: 'a' }], false).drawnShare).toBe(0);
    expect(deviationFrom(edges, [])).toEqual({ greatestPx: 0, at: null, meanPx: 0, drawnShare: 0 });
    expect(deviationFrom(pictureEdges([]), [{ contours: [half], inkId: 'a' }]).greatestPx).toBe(0);
  });

  it('does not count what another shape hides, or runs into in the same ink', () => {
    const edges = pictureEdges([rectangle(0, 0, 100, 50)]);
    const shape = (x: number, inkId: string) => ({ contours: [rectangle(x, 0, 60, 50)], inkId });
    expect(deviationFrom(edges, [shape(0, 'a'), shape(40, 'a')]).greatestPx).toBeLessThan(0.1);
    // Of another ink the upper one's edge is seen, the lower one's is not.
    const two = deviationFrom(edges, [shape(0, 'a'), shape(40, 'b')]);
    expect(two.greatestPx).toBeGreaterThan(23);
    expect(two.greatestPx).toBeLessThanOrEqual(25);
    expect(two.at![0]).toBe(40);
  });
});
