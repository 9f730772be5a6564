/** How edges become pieces, and what becomes of specks, slivers and mixtures, on small maps that can be counted by hand. */
import { describe, expect, it } from 'vitest';
import { hexToRgb } from '../colour';
import { randomFrom } from '../random';
import { blankPicture, cover, layColour, type Picture } from '../raster';
import { circle, flatten, polygon, rectangle, signedArea, type Contour } from '../path';
import { tellApart } from './apart';
import { piecesFrom } from './assemble';
import { NOTHING, type Cells } from './cells';
import { dropSpecks } from './specks';
import { nowherePlain } from './plains';
import { reportOf } from './report';
import { findSymmetry } from './symmetry';
import { trace } from './trace';

const SIDE = 96;
function pictureOf(...shapes: readonly (readonly [string, Contour])[]): Picture {
  const picture = blankPicture(SIDE, SIDE, [255, 255, 255]);
  for (const [hex, contour] of shapes) layColour(picture, cover([flatten(contour, 0.01)], SIDE, SIDE)!, hexToRgb(hex));
  return picture;
}
const backwards = ({ start, segments }: Contour): Contour => {
  const points = [start, ...segments.map((s) => s.to)].reverse();
  return { start: points[0], segments: points.slice(1).map((to) => ({ kind: 'line', to })) };
};

/** Cells of a map of digits, every pixel of one ink. */
function cellsOf(...rows: string[]): Cells {
  const first = Uint8Array.from(rows.join(''), (c) => (c === '.' ? NOTHING : Number(c)));
  return {
    widthPx: rows[0].length,
    heightPx: rows.length,
    first,
    second: first.slice(),
    share: new Float32Array(first.length).fill(1),
    plains: nowherePlain(rows[0].length, rows.length),
    aliased: false,
    doubtPx: () => 0,
  };
}
const rowsOf = ({ first, widthPx }: Cells): string[] =>
  Array.from({ length: first.length / widthPx }, (_, y) =>
    [...first.subarray(y * widthPx, (y + 1) * widthPx)].map((k) => (k === NOTHING ? '.' : k)).join(''),
  );

describe('pieces', () => {
  const square = (x: number, y: number, side: number) => rectangle(x, y, side, side);

  it('have the holes that lie in them, the biggest piece first', () => {
    const pieces = piecesFrom(
      [
        backwards(square(12, 12, 6)),
        square(60, 60, 10),
        square(10, 10, 30),
        backwards(square(62, 62, 3)),
        backwards(square(20, 30, 5)),
      ],
      'ink-1',
    );
    expect(pieces.map((p) => p.contours.length)).toEqual([3, 2]);
    expect(pieces.map((p) => p.inkId)).toEqual(['ink-1', 'ink-1']);
    expect(pieces[0].contours.map((c) => Math.sign(signedArea(flatten(c, 0.1))))).toEqual([1, -1, -1]);
  });

  it('may lie in the holes of others', () => {
    const pieces = piecesFrom(
      [square(0, 0, 50), backwards(square(10, 10, 30)), square(20, 20, 10), backwards(square(22, 22, 4))],
      'a',
    );
    expect(pieces.map((p) => p.contours.map((c) => Math.round(Math.abs(signedArea(flatten(c, 0.1))))))).toEqual([
      [2500, 900],
      [100, 16],
    ]);
  });

  it('are none of holes alone', () => {
    expect(piecesFrom([backwards(square(0, 0, 9))], 'a')).toEqual([]);
    expect(piecesFrom([], 'a')).toEqual([]);
  });
});

describe('specks', () => {
  /** Inks are as far apart as their numbers. */
  const apart = (p: number, q: number) => Math.abs(p - q) / 10;

  it('go to what surrounds them, most of all to what is like them', () => {
    const cells = cellsOf('1111333', '1112333', '1111333');
    dropSpecks(cells, 3, apart);
    expect(rowsOf(cells)).toEqual(['1111333', '1111333', '1111333']);
    const near = cellsOf('11188', '11788', '11888');
    dropSpecks(near, 3, apart);
    expect(rowsOf(near)[1]).toBe('11888');
  });

  it('stay when they are as large as asked, or none are to go', () => {
    const rows = ['11111', '12211', '12211', '11111'];
    const cells = cellsOf(...rows);
    dropSpecks(cells, 4, () => 0.01);
    expect(rowsOf(cells)).toEqual(rows);
    dropSpecks(cells, 5, () => 0.01);
    expect(new Set(rowsOf(cells).join(''))).toEqual(new Set('1'));
    const single = cellsOf('111', '121', '111');
    dropSpecks(single, 0, apart);
    expect(rowsOf(single)[1]).toBe('121');
  });

  it('never leave a hole, whatever there is', () => {
    const random = randomFrom(5);
    for (let k = 0; k < 60; k++) {
      const rows = Array.from({ length: 14 }, () =>
        Array.from({ length: 14 }, () => Math.floor(random() * 4)).join(''),
      );
      const cells = cellsOf(...rows);
      dropSpecks(cells, 6, apart);
      for (const [i, ink] of cells.first.entries()) {
        expect(ink).toBeLessThan(4);
        expect([ink, cells.second[i]]).toContain(cells.second[i]);
        expect(cells.share[i]).toBeGreaterThanOrEqual(0.5 - 1e-6);
      }
    }
  });
});

describe('telling apart', () => {
  it('gives each pixel its inks, and by how much', () => {
    const { inks, cells, ground } = tellApart(pictureOf(['#20346E', rectangle(20.25, 30, 40, 40)]), 'auto');
    expect(inks.map((k) => k.hex)).toEqual(['#FFFFFF', '#20346E']);
    expect(ground).toBe(0);
    const at = (x: number, y: number) => y * SIDE + x;
    expect([cells.first[at(5, 5)], cells.first[at(40, 50)]]).toEqual([0, 1]);
    // The left edge covers three quarters of its pixels.
    expect([cells.first[at(20, 50)], cells.second[at(20, 50)]]).toEqual([1, 0]);
    expect(cells.share[at(20, 50)]).toBeCloseTo(0.75, 1);
    expect(cells.share[at(60, 50)]).toBeCloseTo(0.75, 1);
    expect(cells.first[at(60, 50)]).toBe(0);
  });

  it('keeps to inks that are given, and to their order', () => {
    const picture = pictureOf(['#20346E', circle(48, 48, 30)]);
    const { inks, cells } = tellApart(picture, 'auto', { palette: ['#C22A3A', '#203570', '#FDFDFD'] });
    expect(inks.map((k) => k.hex)).toEqual(['#C22A3A', '#203570', '#FDFDFD']);
    expect([cells.first[48 * SIDE + 48], cells.first[0]]).toEqual([1, 2]);
  });

  it('has no ground where the border is transparent', () => {
    const picture = blankPicture(SIDE, SIDE);
    layColour(picture, cover([flatten(circle(48, 48, 30), 0.01)], SIDE, SIDE)!, hexToRgb('#20346E'));
    const { cells, ground } = tellApart(picture, 'auto');
    expect(ground).toBeNull();
    expect(cells.first[0]).toBe(NOTHING);
  });
});

describe('symmetry', () => {
  const TENT = polygon([
    [30, 20],
    [50, 60],
    [10, 60],
  ]);

  it('is about the middle of the figure, not of the picture', () => {
    const picture = pictureOf(['#20346E', TENT], ['#C22A3A', circle(30, 48, 6)]);
    const { cells, ground } = tellApart(picture, 'auto');
    const found = findSymmetry(cells, ground)!;
    expect(found.angleRad).toBeCloseTo(Math.PI / 2, 6);
    expect(found.x).toBeCloseTo(30, 1);
    expect(found.share).toBeGreaterThan(0.97);
    const lopsided = pictureOf(['#20346E', TENT], ['#C22A3A', circle(40, 52, 6)]);
    const other = tellApart(lopsided, 'auto');
    expect(findSymmetry(other.cells, other.ground)).toBeNull();
  });
});

describe('a report', () => {
  it('says of a trace what there is to say', () => {
    const traced = trace(pictureOf(['#20346E', circle(48, 48, 30)], ['#C22A3A', rectangle(40, 40, 16, 16)]), {
      ground: 'drop',
    });
    const report = reportOf(traced, 1234, 56.7);
    expect(report).toMatchObject({ widthPx: SIDE, bytes: 1234, ms: 57, corners: 4, gradients: 0 });
    expect(report.inks.map((k) => [k.hex, k.pieces])).toEqual([
      ['#20346E', 1],
      ['#C22A3A', 1],
    ]);
    expect(report.segments).toBe(traced.figures.segments);
    expect(report.fit.meanPx).toBeLessThan(0.1);
    // Both shapes are symmetrical about an upright line through the middle.
    expect(Math.abs(report.symmetry!.x - 48)).toBeLessThan(0.5);
  });
});
