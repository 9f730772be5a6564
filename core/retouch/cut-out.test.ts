import { describe, expect, it } from 'vitest';
import { hexToRgb } from '../colour';
import { circle, flatten, rectangle, reverseContour, star, type Contour } from '../path';
import { blankPicture, blurred, cover, layColour, onGround, type Picture } from '../raster';
import { cutOut } from './index';

const NAVY = '#182A5C';
const LAMP = '#F2C14E';
const SIDE = 200;

/** Contours of one colour after the other, each list of them as one shape. */
function drawn(shapes: readonly (readonly [string, ...Contour[]])[], ground: string | null): Picture {
  const picture = blankPicture(
    SIDE,
    SIDE,
    ground === null ? undefined : (hexToRgb(ground) as [number, number, number]),
  );
  for (const [hex, ...contours] of shapes) {
    const covered = cover(
      contours.map((c) => flatten(c, 0.02)),
      SIDE,
      SIDE,
    )!;
    layColour(picture, covered, hexToRgb(hex) as [number, number, number]);
  }
  return picture;
}

const RING = [circle(100, 100, 80), reverseContour(circle(100, 100, 50))] as const;

/** The greatest and the mean difference in levels of two pictures, each laid on a ground. */
function away(p: Picture, q: Picture, hex: string): { most: number; mean: number } {
  const rgb = hexToRgb(hex) as [number, number, number];
  const [a, b] = [onGround(p, rgb).rgba, onGround(q, rgb).rgba];
  let [most, sum] = [0, 0];
  for (let i = 0; i < a.length; i++) {
    const d = Math.abs(a[i] - b[i]);
    most = Math.max(most, d);
    sum += d;
  }
  return { most, mean: sum / a.length };
}

describe('a figure that is cut out', () => {
  const shapes = [
    [NAVY, circle(90.3, 95.7, 60.2)],
    [LAMP, star(120, 120, 5, 55, 24)],
  ] as const;

  it('sits on any other ground as if it had been drawn there', () => {
    for (const ground of ['#FFFFFF', '#F2EBDC', '#77AA88']) {
      const { picture, groundHex } = cutOut(drawn(shapes, ground));
      expect(groundHex).toBe(ground);
      for (const onto of ['#000000', '#FF00FF', '#FFFFFF']) {
        const { most, mean } = away(picture, drawn(shapes, null), onto);
        expect(mean).toBeLessThan(0.05);
        // Where both colours meet on the ground a pixel is of three.
        expect(most).toBeLessThan(70);
      }
    }
  });

  it('has no halo in a picture that was blurred', () => {
    const soft = blurred(drawn(shapes, '#FFFFFF'), 0.9);
    const { picture } = cutOut(soft);
    expect(away(picture, blurred(drawn(shapes, null), 0.9), '#000000').mean).toBeLessThan(0.4);
  });

  it('is what was given where there is no ground, or nothing but one', () => {
    const free = drawn(shapes, null);
    expect(cutOut(free)).toEqual({ picture: free, groundHex: null, enclosed: [] });
    const plain = blankPicture(64, 64, [200, 30, 30]);
    expect(cutOut(plain).picture).toBe(plain);
    const tiny = blankPicture(1, 1, [255, 255, 255]);
    expect(cutOut(tiny).picture).toBe(tiny);
  });

  it('stays as it is when it is cut out again', () => {
    const once = cutOut(drawn(shapes, '#FFFFFF')).picture;
    expect(cutOut(once).picture).toBe(once);
  });
});

describe('what a figure encloses', () => {
  it('is a hole of a ring, and a spot on a face', () => {
    const ring = cutOut(drawn([[NAVY, ...RING]], '#FFFFFF'));
    expect(ring.enclosed).toHaveLength(1);
    expect(ring.enclosed[0].dropped).toBe(true);
    expect(ring.picture.rgba[4 * (100 * SIDE + 100) + 3]).toBe(0);
    const face = cutOut(
      drawn(
        [
          [NAVY, circle(100, 100, 80)],
          ['#FFFFFF', circle(70, 80, 9)],
          ['#FFFFFF', circle(130, 80, 9)],
          [LAMP, circle(100, 120, 12)],
        ],
        '#FFFFFF',
      ),
    );
    expect(face.enclosed.map((e) => e.dropped)).toEqual([false, false]);
    expect([...face.picture.rgba.subarray(4 * (80 * SIDE + 70), 4 * (80 * SIDE + 70) + 4)]).toEqual([
      255, 255, 255, 255,
    ]);
  });

  it('is all holes in a figure of one colour, and on a ground that nobody paints with', () => {
    const eyes = (hex: string) =>
      [
        [NAVY, circle(100, 100, 80)],
        [hex, circle(70, 80, 9)],
      ] as const;
    expect(cutOut(drawn(eyes('#FFFFFF'), '#FFFFFF')).enclosed.map((e) => e.dropped)).toEqual([true]);
    const two = [...eyes('#DDE7EE'), [LAMP, circle(100, 120, 12)]] as const;
    expect(cutOut(drawn(two, '#DDE7EE')).enclosed.map((e) => e.dropped)).toEqual([true]);
  });

  it('is listed with where it is, and kept or dropped as is said', () => {
    const picture = drawn([[NAVY, ...RING]], '#FFFFFF');
    const [{ box, areaPx2 }] = cutOut(picture).enclosed;
    [50, 50, 100, 100].forEach((v, k) => expect(Math.abs(box[k] - v)).toBeLessThanOrEqual(1));
    expect(areaPx2 / (Math.PI * 50 ** 2)).toBeCloseTo(1, 1);
    for (const inner of ['keep', 'drop'] as const) {
      const { picture: cut, enclosed } = cutOut(picture, { inner });
      expect(enclosed.map((e) => e.dropped)).toEqual([inner === 'drop']);
      expect(cut.rgba[4 * (100 * SIDE + 100) + 3]).toBe(inner === 'drop' ? 0 : 255);
      expect(cut.rgba[3]).toBe(0);
    }
    const chosen = cutOut(picture, { choose: (place, isHole) => place === 0 && !isHole });
    expect(chosen.enclosed[0].dropped).toBe(false);
  });

  it('keeps its edge sharp on both sides where one hole goes and another stays', () => {
    const two = drawn(
      [
        [NAVY, rectangle(20, 40, 160, 120)],
        ['#FFFFFF', circle(60, 100, 30)],
        ['#FFFFFF', circle(140, 100, 30)],
      ],
      '#FFFFFF',
    );
    const { picture } = cutOut(two, { choose: (place) => place === 0 });
    const wanted = cutOut(two, { inner: 'keep' }).picture.rgba;
    // On the right half nothing was dropped: it is just as when all is kept; on the left half the hole is transparent.
    let differing = 0;
    for (let y = 0; y < SIDE; y++)
      for (let x = 100; x < SIDE; x++)
        if (picture.rgba[4 * (y * SIDE + x) + 3] !== wanted[4 * (y * SIDE + x) + 3]) differing++;
    const alpha = (x: number) => picture.rgba[4 * (100 * SIDE + x) + 3];
    expect([differing === 0 || alpha(140) === 0, alpha(60) === 0 || alpha(140) === 0, alpha(60) + alpha(140)]).toEqual([
      true,
      true,
      255,
    ]);
  });
});
