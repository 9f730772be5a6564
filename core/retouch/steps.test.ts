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

  it('leaves no seam where a stroke bends', () => {
    const points = Array.from({ length: 30 }, (_, k) => [20 + 4 * k, 80 + 20 * Math.sin(k / 4)]);
    const out = after(drawn([]), { kind: 'cover', points, widthPx: 16, hex: '#000000' });
    for (const [x, y] of points)
      for (let v = -4; v <= 4; v++) expect(at(out, Math.floor(x), Math.floor(y + v))).toEqual([0, 0, 0, 255]);
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

describe('mending and taking out', () => {
  const bars = drawn([
    ['#182A5C', rectangle(0, 90, SIDE, 70)],
    ['#F2C14E', circle(80, 86, 18)],
    ['#AA0000', rectangle(20, 20, 12, 12)],
  ]);

  it('fills an area by what is about it', () => {
    const out = after(bars, { kind: 'mend', areas: [{ by: 'box', box: [56, 62, 48, 48] }] });
    expect([at(out, 80, 84), at(out, 80, 96)]).toEqual([
      [255, 255, 255, 255],
      [24, 42, 92, 255],
    ]);
    const alone = after(bars, {
      kind: 'mend',
      areas: [{ by: 'brush', points: [[80, 86]], widthPx: 46 }],
      how: 'ground alone',
    });
    expect(at(alone, 80, 96)).toEqual([255, 255, 255, 255]);
  });

  it('takes a part out, and what lay behind it comes forward', () => {
    const out = after(bars, { kind: 'take-out', at: [[80, 86]] });
    expect([at(out, 80, 84), at(out, 80, 96)]).toEqual([
      [255, 255, 255, 255],
      [24, 42, 92, 255],
    ]);
    const piece = after(bars, { kind: 'take-out', at: [[25, 25]], part: 'piece' });
    expect(at(piece, 25, 25)).toEqual([255, 255, 255, 255]);
    expect(() => after(bars, { kind: 'take-out', at: [[150, 10]] })).toThrow('nothing but the ground');
    expect(() => after(bars, { kind: 'take-out', at: [[-4, 10]] })).toThrow('outside');
  });

  it('leaves what stood on a part as large as it was', () => {
    const lamp = drawn([
      ['#182A5C', rectangle(40, 40, 80, 80)],
      ['#FFFFFF', circle(80, 80, 30)],
      ['#F2C14E', circle(80, 80, 8)],
    ]);
    const out = after(lamp, { kind: 'take-out', at: [[80, 60]] });
    expect([at(out, 80, 80), at(out, 80, 66), at(out, 80, 94), at(out, 66, 80)]).toEqual([
      [242, 193, 78, 255],
      [24, 42, 92, 255],
      [24, 42, 92, 255],
      [24, 42, 92, 255],
    ]);
  });

  it('says what is wrong with an area', () => {
    const mend = (area: object) => () => after(bars, { kind: 'mend', areas: [area] });
    expect(mend({ by: 'box', box: [-90, -90, 20, 20] })).toThrow('outside the picture');
    expect(mend({ by: 'box', box: [-5, -5, 400, 400] })).toThrow('the whole picture');
    expect(mend({ by: 'outline', outline: 'nonsense' })).toThrow('path data');
  });
});

describe('a figure that was cut out', () => {
  const two = drawn([
    ['#182A5C', circle(60, 90, 40)],
    ['#FFFFFF', circle(60, 90, 16)],
    ['#AA0000', circle(130, 40, 10)],
  ]);

  it('has its parts kept or dropped one by one, and is painted back and away', () => {
    const alpha = (p: Picture, x: number, y: number) => at(p, x, y)[3];
    const cut = (more: object) => after(two, { kind: 'cut-out', ...more });
    expect([alpha(cut({}), 60, 90), alpha(cut({}), 130, 40)]).toEqual([0, 255]);
    const chosen = cut({
      parts: [
        { at: [60, 90], dropped: false },
        { at: [130, 40], dropped: true },
      ],
    });
    expect([alpha(chosen, 60, 90), alpha(chosen, 130, 40), alpha(chosen, 30, 90)]).toEqual([255, 0, 255]);
    // Nothing of the edge of what went is left.
    for (let y = 20; y < 60; y++) for (let x = 112; x < 150; x++) expect(alpha(chosen, x, y)).toBe(0);
    const painted = cut({
      strokes: [
        { points: [[60, 130]], widthPx: 30, back: false },
        { points: [[150, 150]], widthPx: 8, back: true },
      ],
    });
    expect([alpha(painted, 60, 125), alpha(painted, 150, 150), at(painted, 150, 150)[0]]).toEqual([0, 255, 255]);
  });
});

describe('the frame', () => {
  const off = drawn([['#182A5C', rectangle(20, 30, 40, 60)]]);

  it('is cut to the figure with a margin, to a box, and made square about the figure', () => {
    const cut = after(off, { kind: 'crop', margin: 0.1 });
    expect([cut.widthPx, cut.heightPx]).toEqual([52, 72]);
    expect([at(cut, 5, 36)[0], at(cut, 6, 36)[0]]).toEqual([255, 24]);
    const box = after(off, { kind: 'crop', box: [0, 30, 60, 900] });
    expect([box.widthPx, box.heightPx]).toEqual([60, 130]);
    const square = after(cut, { kind: 'square' });
    expect([square.widthPx, square.heightPx]).toEqual([72, 72]);
    expect([at(square, 15, 36)[0], at(square, 16, 36)[0]]).toEqual([255, 24]);
    expect(() => after(off, { kind: 'crop', box: [400, 0, 5, 5] })).toThrow('outside');
    expect(() => after(drawn([]), { kind: 'crop' })).toThrow('of one colour');
  });

  it('is turned about its middle, and turned back is nearly as it was', () => {
    const there = after(off, { kind: 'turn', degrees: 90 });
    // A box on the left comes to the top.
    expect(at(there, 100, 30)[0]).toBe(24);
    const back = after(off, { kind: 'turn', degrees: 7 }, { kind: 'turn', degrees: -7 });
    let sum = 0;
    for (let i = 0; i < off.rgba.length; i++) sum += Math.abs(off.rgba[i] - back.rgba[i]);
    expect(sum / off.rgba.length).toBeLessThan(1);
  });

  it('is turned so that its axis stands upright', () => {
    const arrow = drawn([
      ['#182A5C', rectangle(70, 40, 20, 90)],
      ['#182A5C', circle(80, 40, 26)],
    ]);
    const leaning = after(arrow, { kind: 'turn', degrees: 11 });
    const upright = after(leaning, { kind: 'turn', degrees: null });
    let sum = 0;
    for (let i = 0; i < arrow.rgba.length; i++) sum += Math.abs(arrow.rgba[i] - upright.rgba[i]);
    expect(sum / arrow.rgba.length).toBeLessThan(2.5);
    expect(tellStep(stepOf({ kind: 'turn', degrees: null }))).toBe('turned by its axis');
  });

  it('has one half mirrored onto the other, about an axis found or given', () => {
    const lopsided = drawn([
      ['#182A5C', circle(80, 80, 50)],
      ['#AA0000', circle(55, 66, 6)],
      ['#AA0000', circle(80, 110, 9)],
    ]);
    const left = after(lopsided, { kind: 'mirror' });
    expect([at(left, 55, 66), at(left, 104, 66)]).toEqual([at(lopsided, 55, 66), at(lopsided, 55, 66)]);
    const right = after(lopsided, { kind: 'mirror', keep: 'right' });
    expect(at(right, 55, 66)).toEqual([24, 42, 92, 255]);
    const level = after(lopsided, { kind: 'mirror', axis: { x: 0, y: 60, angleRad: 0 }, keep: 'left' });
    expect(at(level, 80, 88)).toEqual(at(lopsided, 80, 31));
    expect(() =>
      after(
        drawn([
          ['#182A5C', rectangle(10, 10, 50, 20)],
          ['#182A5C', rectangle(10, 10, 12, 120)],
        ]),
        { kind: 'mirror' },
      ),
    ).toThrow('No axis');
  });
});

describe('colours as a whole', () => {
  const three = drawn([
    ['#1A2C5E', circle(50, 80, 40)],
    ['#F0C050', circle(110, 80, 30)],
  ]);

  it('become those of a list, each the one most like it', () => {
    const out = after(three, { kind: 'palette', hexes: ['#FFFFFF', '#182A5C', '#F2C14E'] });
    expect(inksOf(out)).toEqual(['#182A5C', '#F2C14E', '#FFFFFF'].sort());
    expect(() => after(out, { kind: 'palette', hexes: ['#FFFFFF', '#182A5C', '#F2C14E'] })).toThrow('already');
  });

  it('grow lighter, stronger, greyer and warmer', () => {
    const lightness = (p: Picture) =>
      at(p, 50, 80)
        .slice(0, 3)
        .reduce((a, b) => a + b, 0);
    expect(lightness(after(three, { kind: 'tone', brightness: 40 }))).toBeGreaterThan(lightness(three));
    expect(lightness(after(three, { kind: 'tone', contrast: 40 }))).toBeLessThan(lightness(three));
    const grey = at(after(three, { kind: 'tone', saturation: -100 }), 110, 80);
    expect(Math.max(...grey.slice(0, 3)) - Math.min(...grey.slice(0, 3))).toBeLessThan(3);
    const [r, , b] = at(after(three, { kind: 'tone', warmth: 80 }), 110, 80);
    const before = at(three, 110, 80);
    expect(r - b).toBeGreaterThan(before[0] - before[2]);
    expect(after(three, { kind: 'tone' }).rgba).toEqual(three.rgba);
  });

  it('are drawn again crisp and without noise', () => {
    const rgba = new Uint8ClampedArray(three.rgba);
    for (let i = 0; i < rgba.length; i++) if (i % 4 < 3) rgba[i] += ((i * 7919) % 13) - 6;
    const out = after({ ...three, rgba }, { kind: 'redraw' });
    let sum = 0;
    for (let i = 0; i < rgba.length; i++) sum += Math.abs(three.rgba[i] - out.rgba[i]);
    expect(sum / rgba.length).toBeLessThan(0.8);
  });
});

describe('a brush that stays on one side of an edge', () => {
  it('covers what lies within the area it began in, and leaves its rim', () => {
    const banner = drawn([
      ['#182A5C', rectangle(20, 50, 120, 60)],
      ['#F2C14E', circle(70, 80, 12)],
    ]);
    const points = [
      [30, 80],
      [130, 80],
    ];
    const step = { kind: 'cover', points, widthPx: 90, hex: '#182A5C' };
    const out = after(banner, { ...step, oneSide: true });
    expect([at(out, 70, 80), at(out, 70, 51), at(out, 70, 48)]).toEqual([
      [24, 42, 92, 255],
      [24, 42, 92, 255],
      [255, 255, 255, 255],
    ]);
    expect(at(after(banner, step), 70, 48)).toEqual([24, 42, 92, 255]);
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
    expect(STEP_KINDS).toHaveLength(15);
    for (const step of [
      { kind: 'mend', areas: [{ by: 'box', box: [1, 1, 5, 5] }], what: 'lettering' },
      { kind: 'take-out', at: [[9, 9]] },
      { kind: 'palette', hexes: ['#abc'], of: 'the brief' },
      { kind: 'tone', contrast: 20, warmth: -5 },
      { kind: 'turn', degrees: -2.25 },
      { kind: 'crop' },
    ])
      expect(tellStep(stepOf(step))).toMatch(
        /^(mended lettering|taken out: a part|colours of the brief for all|contrast \+20, warmth -5|turned by -2.3°|cut to the figure, margin 8%)$/,
      );
    expect(tellStep(stepOf({ kind: 'cover', points: [[1, 1]], widthPx: 12, hex: 'abc' }))).toBe(
      'covered with #AABBCC, 12 px wide',
    );
    expect(tellStep(stepOf({ kind: 'cut-out', inner: 'drop' }))).toBe('cut out, enclosed areas dropped');
    expect(tellStep(stepOf({ kind: 'true-ends', white: false }))).toBe('true black');
  });
});
