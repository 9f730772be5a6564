import { describe, expect, it } from 'vitest';
import { hexToRgb } from '../colour';
import { randomFrom } from '../random';
import { circle, flatten, rectangle, type Contour } from '../path';
import { blankPicture, blurred, cover, layColour, type Picture } from '../raster';
import { lookAt, meanAt, withStep } from './index';

const noticedIn = (picture: Picture) => lookAt(picture).noticed;

const SIDE = 200;
function drawn(shapes: readonly (readonly [string, Contour])[], ground = '#FFFFFF'): Picture {
  const picture = blankPicture(SIDE, SIDE, hexToRgb(ground));
  for (const [hex, contour] of shapes) layColour(picture, cover([flatten(contour, 0.02)], SIDE, SIDE)!, hexToRgb(hex));
  return picture;
}
const kinds = (picture: Picture) => noticedIn(picture).map((n) => n.kind);

describe('what is noticed in a picture', () => {
  it('is nothing where all is well', () => {
    expect(noticedIn(drawn([['#182A5C', circle(100, 100, 70)]]))).toEqual([]);
    expect(noticedIn(drawn([]))).toEqual([]);
    expect(noticedIn(blankPicture(1, 1))).toEqual([]);
  });

  it('is near-black, off-white and stray marks, each gone once it is put right', () => {
    let picture = drawn(
      [
        ['#14161B', circle(100, 100, 70)],
        ['#14161B', circle(14, 20, 2.2)],
        ['#14161B', rectangle(180, 170, 3, 4)],
      ],
      '#FDFCF8',
    );
    const noticed = noticedIn(picture);
    expect(noticed.map((n) => [n.kind, n.told])).toEqual([
      ['off-white', 'ground is off white, #FDFCF8'],
      ['near-black', 'black is #14161B'],
      ['strays', '2 stray marks'],
    ]);
    const strays = noticed[2].boxes;
    expect(strays).toHaveLength(2);
    expect(strays[1]).toEqual([180, 170, 3, 4]);
    for (const { step, isSmall } of noticed) {
      expect(isSmall).toBe(true);
      picture = withStep(picture, step!);
    }
    expect(kinds(picture)).toEqual([]);
  });

  it('is soft edges and noise, which drawing it again takes away', () => {
    const soft = blurred(drawn([['#182A5C', circle(100, 100, 60)]]), 1.4);
    for (let i = 3; i < soft.rgba.length; i += 4) soft.rgba[i] = 255;
    const found = noticedIn(soft).find((n) => n.kind === 'soft');
    expect(found).toBeDefined();
    expect(kinds(withStep(soft, found!.step!))).not.toContain('soft');
    const noisy = drawn([['#B06A3C', circle(100, 100, 60)]], '#AABBCC');
    const random = randomFrom(3);
    for (let i = 0; i < noisy.rgba.length; i++)
      if (i % 4 < 3) noisy.rgba[i] += 12 * (random() + random() + random() - 1.5);
    const noise = noticedIn(noisy).find((n) => n.kind === 'noise');
    expect(noise?.told).toMatch(/^noise of \d+\.\d levels$/);
    expect(kinds(withStep(noisy, noise!.step!))).not.toContain('noise');
  });

  it('is no softness where a drawing is shaded', () => {
    const shaded = drawn([['#182A5C', circle(100, 100, 70)]]);
    for (let i = 0; i < shaded.rgba.length; i += 4)
      if (shaded.rgba[i] < 30) shaded.rgba.set([24 + i / 4 / SIDE / 4, 42 + i / 4 / SIDE / 2, 92], i);
    expect(kinds(blurred(shaded, 0))).not.toContain('soft');
  });

  it('is halves that are nearly alike, and a figure off the middle', () => {
    const face = drawn([
      ['#182A5C', circle(100, 100, 70)],
      ['#F2C14E', circle(75, 90, 11)],
      ['#F2C14E', circle(125, 90, 16)],
    ]);
    const halves = noticedIn(face).find((n) => n.kind === 'unlike-halves')!;
    expect(halves.told).toMatch(/not alike$/);
    expect(kinds(withStep(face, halves.step!))).not.toContain('unlike-halves');
    const aside = drawn([['#182A5C', rectangle(10, 30, 60, 90)]]);
    const off = noticedIn(aside).find((n) => n.kind === 'off-centre')!;
    expect(off.boxes).toEqual([[10, 30, 60, 90]]);
    expect(kinds(withStep(aside, off.step!))).not.toContain('off-centre');
  });
});

describe('colours of a picture', () => {
  const picture = drawn([
    ['#182A5C', rectangle(0, 0, SIDE, 50)],
    ['#F2C14E', rectangle(50, 100, 40, 50)],
  ]);

  it('come with their shares, commonest first', () => {
    expect(lookAt(picture).palette).toEqual([
      { hex: '#FFFFFF', share: expect.closeTo(0.7, 2), isGround: true },
      { hex: '#182A5C', share: expect.closeTo(0.25, 2), isGround: false },
      { hex: '#F2C14E', share: expect.closeTo(0.05, 2), isGround: false },
    ]);
  });

  it('are picked as the mean of some pixels', () => {
    expect([meanAt(picture, 10.5, 10.5, 1), meanAt(picture, 60, 120, 5)]).toEqual(['#182A5C', '#F2C14E']);
    const between = meanAt(picture, 100, 49.5, 3);
    expect(between).not.toBe('#182A5C');
    expect(between).not.toBe('#FFFFFF');
    expect(meanAt(picture, -5, 10, 1)).toBeNull();
    expect(meanAt(blankPicture(3, 3), 1, 1, 3)).toBeNull();
  });
});
