import { describe, expect, it } from 'vitest';
import { hexToRgb } from '../colour';
import { drawCandidate } from '../engine';
import { blankPicture, cover, layColour, type Picture } from '../raster';
import { circle, flatten, rectangle, type Contour } from '../path';
import { clearestGround, JUDGED_SIDE_PX, leastContrast, markOf, proofsOf, SMALL_SIZES_PX } from './index';

function pictureOf(shapes: readonly [string, Contour][], size = 256): Picture {
  const picture = blankPicture(size, size, [255, 255, 255]);
  for (const [hex, contour] of shapes) layColour(picture, cover([flatten(contour, 0.01)], size, size)!, hexToRgb(hex));
  return picture;
}

describe('a mark', () => {
  it('loses its ground and keeps its inks', () => {
    const mark = markOf(pictureOf([['#182A5C', circle(128, 128, 80)]]));
    expect(mark.inks.map((i) => i.hex)).toContain('#182A5C');
    expect(mark.picture.rgba[3]).toBe(0);
    expect(mark.picture.rgba[(128 * 256 + 128) * 4 + 3]).toBe(255);
  });

  it('keeps its tile where that stands on nothing', () => {
    const tile = blankPicture(256, 256);
    for (const [hex, contour] of [['#F1E3CB', circle(128, 128, 120)], ['#182A5C', circle(128, 128, 50)]] as const)
      layColour(tile, cover([flatten(contour, 0.01)], 256, 256)!, hexToRgb(hex)); // prettier-ignore
    const { picture } = markOf(tile);
    const opacity = (x: number, y: number): number => picture.rgba[4 * (y * 256 + x) + 3];
    expect([opacity(2, 2), opacity(128, 30), opacity(128, 128)]).toEqual([0, 255, 255]);
  });

  it('is brought down to the size it is judged at', () => {
    const { picture } = markOf(drawCandidate({ prompt: 'fox', sizePx: 700, ratio: '3:2' }, 0).picture);
    expect(picture.widthPx).toBe(JUDGED_SIDE_PX);
  });
});

describe('proofs', () => {
  it('are made at the four sizes', () => {
    const sheet = proofsOf(pictureOf([['#182A5C', circle(128, 128, 80)]]));
    expect(sheet.small.map((s) => [s.sizePx, s.picture.widthPx])).toEqual(SMALL_SIZES_PX.map((s) => [s, s]));
    expect(sheet.inks).toEqual(['#182A5C']);
  });

  it('say that a bold mark survives and a fine one does not', () => {
    const bold = proofsOf(pictureOf([['#182A5C', circle(128, 128, 90)]]));
    const fine = proofsOf(
      pictureOf(
        Array.from({ length: 24 }, (_, i) => ['#182A5C', rectangle(20 + 9 * i, 20, 3, 216)] as [string, Contour]),
      ),
    );
    expect(bold.small[0].lostShare).toBeLessThan(0.1);
    expect(fine.small[0].lostShare).toBeGreaterThan(bold.small[0].lostShare + 0.3);
    expect(fine.small[0].lostShare).toBeGreaterThanOrEqual(fine.small[3].lostShare);
    for (const s of [...bold.small, ...fine.small]) expect(s.lostShare).toBeGreaterThanOrEqual(0);
  });

  it('measure what one colour costs', () => {
    const single = proofsOf(pictureOf([['#182A5C', circle(128, 128, 90)]])).oneColour;
    expect(single.lostShare).toBe(0);
    const alike = proofsOf(
      pictureOf([
        ['#333333', rectangle(40, 40, 88, 176)],
        ['#555555', rectangle(128, 40, 88, 176)],
      ]),
    ).oneColour;
    expect(alike.lostShare).toBeGreaterThan(0.1);
    for (let i = 0; i < single.picture.rgba.length; i += 4)
      if (single.picture.rgba[i + 3]) expect(single.picture.rgba[i]).toBe(0);
  });

  it('turn what would drown on near-black to white', () => {
    const { reversed } = proofsOf(pictureOf([['#182A5C', circle(128, 128, 90)]]));
    expect(reversed.contrast).toBeGreaterThan(15);
    expect([...reversed.picture.rgba.slice((128 * 256 + 128) * 4, (128 * 256 + 128) * 4 + 3)]).toEqual([255, 255, 255]);
  });

  it('give the least contrast with a ground', () => {
    expect(leastContrast(['#182A5C', '#F2C14E'], '#20346E')).toBeCloseTo(1.2, 1);
    expect(leastContrast([], '#20346E')).toBe(1);
  });

  it('know the ground on which a mark is seen best', () => {
    expect(clearestGround(['#20346E', '#F2EBDC', '#FFFFFF'], ['#182A5C'])).toBe(2);
    expect(clearestGround(['#20346E', '#F2EBDC'], ['#FFFFFF'])).toBe(0);
    expect(clearestGround([], ['#FFFFFF'])).toBe(0);
  });

  it('answer for pictures of nothing', () => {
    expect(() => proofsOf(blankPicture(20, 20))).not.toThrow();
    expect(() => proofsOf(blankPicture(3, 200, [0, 0, 0]))).not.toThrow();
  });
});
