import fc from 'fast-check';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { hexToRgb } from '../colour';
import { circle, flatten, rectangle, type Contour } from '../path';
import { blankPicture, cover, layColour, type Picture } from '../raster';
import { trace } from '../trace';
import { retouched, RetouchError, STEP_KINDS, StepSchema, tellStep, type RetouchStep } from './index';

const SIDE = 160;

function drawn(shapes: readonly (readonly [string, Contour])[], ground = '#FFFFFF'): Picture {
  const picture = blankPicture(SIDE, SIDE, hexToRgb(ground));
  for (const [hex, contour] of shapes) layColour(picture, cover([flatten(contour, 0.02)], SIDE, SIDE)!, hexToRgb(hex));
  return picture;
}

const stepOf = (step: object): RetouchStep => v.parse(StepSchema, step);
const after = (picture: Picture, ...steps: object[]): Picture => retouched(picture, steps.map(stepOf));
const at = ({ rgba, widthPx }: Picture, x: number, y: number) => [
  ...rgba.subarray(4 * (y * widthPx + x), 4 * (y * widthPx + x) + 4),
];
const inksOf = (picture: Picture) =>
  trace(picture, { ground: 'keep' })
    .artwork.inks.map((i) => i.hex)
    .sort();

describe('covering', () => {
  const spotted = drawn([
    ['#182A5C', rectangle(0, 0, SIDE, 80)],
    ['#F2C14E', circle(60, 40, 8)],
    ['#AA0000', circle(60, 120, 8)],
  ]);

  it('takes the colour that is around, and leaves a picture as if nothing had been there', () => {
    const clean = after(
      spotted,
      { kind: 'cover', points: [[60, 40]], widthPx: 22 },
      {
        kind: 'cover',
        points: [
          [50, 120],
          [70, 120],
        ],
        widthPx: 24,
      },
    );
    expect(clean.rgba).toEqual(drawn([['#182A5C', rectangle(0, 0, SIDE, 80)]]).rgba);
  });

  it('has an edge that is covered as a renderer does it', () => {
    const one = after(blankPicture(SIDE, SIDE, [255, 255, 255]), {
      kind: 'cover',
      points: [[80, 80]],
      widthPx: 40,
      hex: '000000',
    });
    const disc = drawn([['#000000', circle(80, 80, 20)]]);
    let most = 0;
    for (let i = 0; i < one.rgba.length; i++) most = Math.max(most, Math.abs(one.rgba[i] - disc.rgba[i]));
    expect(most).toBeLessThan(4);
    // Large brushes have no sides either, and a stroke is as wide all along.
    const stroke = after(blankPicture(SIDE, SIDE, [255, 255, 255]), {
      kind: 'cover',
      points: [
        [80, 80],
        [80, 80.5],
      ],
      widthPx: 140,
      hex: '000000',
    });
    for (let k = 0; k < 64; k++) {
      const [x, y] = [80 + 68.5 * Math.cos((k * Math.PI) / 32), 80.25 + 68.5 * Math.sin((k * Math.PI) / 32)];
      expect(at(stroke, Math.floor(x), Math.floor(y))[0]).toBeLessThan(90);
    }
    const { artwork } = trace(one, { ground: 'drop' });
    expect(artwork.nodes).toHaveLength(1);
  });

  it('fills an outline at once', () => {
    const filled = after(spotted, { kind: 'fill', outline: 'M45 25L75 25L75 55L45 55Z' });
    expect(at(filled, 60, 40)).toEqual([24, 42, 92, 255]);
    expect(at(after(spotted, { kind: 'fill', outline: 'M0 0H160V160H0Z', hex: '#00ff00' }), 5, 150)).toEqual([
      0, 255, 0, 255,
    ]);
  });

  it('refuses what covers nothing, and tells it', () => {
    for (const step of [
      { kind: 'cover', points: [[-500, -500]], widthPx: 20 },
      { kind: 'fill', outline: 'M500 500h10v10z' },
      { kind: 'fill', outline: 'nonsense' },
      { kind: 'fill', outline: 'M0 0H160V160H0Z' },
      { kind: 'cut-out' },
    ])
      expect(() => after(blankPicture(SIDE, SIDE, [9, 9, 9]), step)).toThrow(RetouchError);
    for (const step of [
      { kind: 'cover', points: [], widthPx: 5 },
      { kind: 'cover', points: [[1, 1]], widthPx: 0 },
      { kind: 'cover', points: [[1, NaN]], widthPx: 5 },
      { kind: 'ground', hex: 'blue' },
      { kind: 'true-ends', black: false, white: false },
      { kind: 'paint' },
    ])
      expect(v.safeParse(StepSchema, step).success).toBe(false);
  });
});

describe('colours', () => {
  const soft = drawn(
    [
      ['#1A1C22', circle(80, 80, 60)],
      ['#F2C14E', circle(80, 80, 30)],
    ],
    '#FBFAF7',
  );

  it('become truly black and white, with no rim of what was there', () => {
    expect(inksOf(soft)).toEqual(['#1A1C22', '#F2C14E', '#FBFAF7']);
    const clean = after(soft, { kind: 'true-ends' });
    expect(inksOf(clean)).toEqual(['#000000', '#F2C14E', '#FFFFFF']);
    const wanted = drawn(
      [
        ['#000000', circle(80, 80, 60)],
        ['#F2C14E', circle(80, 80, 30)],
      ],
      '#FFFFFF',
    );
    let most = 0;
    for (let i = 0; i < clean.rgba.length; i++) most = Math.max(most, Math.abs(clean.rgba[i] - wanted.rgba[i]));
    expect(most).toBeLessThanOrEqual(4);
    expect(() => after(clean, { kind: 'true-ends' })).toThrow(/Nothing in the picture/);
  });

  it('change one for another', () => {
    const blue = after(soft, { kind: 'recolour', from: '#F2C14E', to: '#2255AA' });
    expect(inksOf(blue)).toEqual(['#1A1C22', '#2255AA', '#FBFAF7']);
    expect(() => after(soft, { kind: 'recolour', from: '#00FF00', to: '#2255AA' })).toThrow(/No area/);
  });

  it('of the ground change when it was cut out and another is laid under', () => {
    const moved = after(soft, { kind: 'cut-out', inner: 'keep' }, { kind: 'ground', hex: '#20346E' });
    expect(at(moved, 2, 2)).toEqual([32, 52, 110, 255]);
    const wanted = drawn(
      [
        ['#1A1C22', circle(80, 80, 60)],
        ['#F2C14E', circle(80, 80, 30)],
      ],
      '#20346E',
    );
    let sum = 0;
    for (let i = 0; i < moved.rgba.length; i++) sum += Math.abs(moved.rgba[i] - wanted.rgba[i]);
    expect(sum / moved.rgba.length).toBeLessThan(0.1);
  });
});

describe('a list of steps', () => {
  const picture = drawn([['#182A5C', circle(80, 80, 50)]]);

  it('leaves the picture that was given, whatever they are', () => {
    const before = new Uint8ClampedArray(picture.rgba);
    const point = fc.tuple(fc.integer({ min: -50, max: 250 }), fc.integer({ min: -50, max: 250 }));
    const step = fc.oneof(
      fc.record({
        kind: fc.constant('cover'),
        points: fc.array(point, { minLength: 1, maxLength: 4 }),
        widthPx: fc.integer({ min: 1, max: 500 }),
      }),
      fc.constant({ kind: 'cut-out' }),
      fc.constant({ kind: 'ground', hex: '#ABCDEF' }),
      fc.constant({ kind: 'true-ends' }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 4 }), (steps) => {
        try {
          const out = after(picture, ...steps);
          expect([out.widthPx, out.heightPx]).toEqual([SIDE, SIDE]);
        } catch (error) {
          expect(error).toBeInstanceOf(RetouchError);
        }
        expect(picture.rgba).toEqual(before);
      }),
      { numRuns: 12 },
    );
  });

  it('is the picture where it is empty, and names the step that does not fit', () => {
    expect(retouched(picture, [])).toBe(picture);
    const outside = { kind: 'cover', points: [[-500, 0]], widthPx: 9 };
    expect(() => after(picture, { kind: 'ground', hex: '#000000' }, outside)).toThrow(
      /^step 2: The stroke lies outside/,
    );
  });

  it('tells each in a few words', () => {
    expect([...STEP_KINDS].sort()).toEqual(['cover', 'cut-out', 'fill', 'ground', 'recolour', 'true-ends']);
    expect(tellStep(stepOf({ kind: 'cover', points: [[1, 1]], widthPx: 12, hex: 'abc' }))).toBe(
      'covered with #AABBCC, 12 px wide',
    );
    expect(tellStep(stepOf({ kind: 'cut-out', inner: 'drop' }))).toBe('cut out, enclosed areas dropped');
    expect(tellStep(stepOf({ kind: 'true-ends', white: false }))).toBe('true black');
  });
});
