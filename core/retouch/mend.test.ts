import { describe, expect, it } from 'vitest';
import { hexToRgb } from '../colour';
import { circle, flatten, rectangle, type Contour } from '../path';
import { blankPicture, blurred, cover, layColour, type Picture } from '../raster';
import { grownMask, maskOf, mended, mendFills, mendWith, MEND_WAYS, type Mask } from './index';
import { alongBow, bowAt, bowThrough } from './mend/bow';

const SIDE = 220;
const rgb = (hex: string) => hexToRgb(hex) as [number, number, number];

function drawn(shapes: readonly (readonly [string, Contour])[], ground: string | null = '#F2EBDC'): Picture {
  const picture = blankPicture(SIDE, SIDE, ground === null ? undefined : rgb(ground));
  for (const [hex, contour] of shapes) layColour(picture, cover([flatten(contour, 0.02)], SIDE, SIDE)!, rgb(hex));
  return picture;
}

/** Everything within some boxes. */
function boxes(...list: readonly (readonly [number, number, number, number])[]): Mask {
  const covers = new Uint8Array(SIDE * SIDE);
  for (const [x0, y0, w, h] of list) for (let y = y0; y < y0 + h; y++) covers.fill(1, y * SIDE + x0, y * SIDE + x0 + w);
  return { widthPx: SIDE, heightPx: SIDE, covers };
}

/** A picture whose masked pixels are scribbled over. */
function scribbled(picture: Picture, { covers }: Mask): Picture {
  const rgba = new Uint8ClampedArray(picture.rgba);
  covers.forEach((c, i) => c && rgba.set([(i * 37) % 256, (i * 91) % 256, 200, 255], 4 * i));
  return { ...picture, rgba };
}

/** How far two pictures differ within a mask, in levels: on the mean. */
function off(p: Picture, q: Picture, { covers }: Mask): number {
  let [sum, n] = [0, 0];
  for (let i = 0; i < covers.length; i++) {
    if (!covers[i]) continue;
    for (let c = 0; c < 4; c++) sum += Math.abs(p.rgba[4 * i + c] - q.rgba[4 * i + c]);
    n += 4;
  }
  return sum / n;
}

const isSameOutside = (p: Picture, q: Picture, { covers }: Mask): boolean =>
  covers.every((c, i) => c === 1 || [0, 1, 2, 3].every((k) => p.rgba[4 * i + k] === q.rgba[4 * i + k]));

const HOLE = boxes([90, 60, 34, 40], [130, 64, 20, 30]);

describe('a hole', () => {
  for (const [what, picture] of [
    ['of one colour', drawn([])],
    [
      'across a straight edge',
      drawn([
        [
          '#182A5C',
          {
            start: [-10, 20],
            segments: [
              { kind: 'line', to: [230, 120] },
              { kind: 'line', to: [230, 230] },
              { kind: 'line', to: [-10, 230] },
            ],
          },
        ],
      ]),
    ],
    ['across a circle', drawn([['#182A5C', circle(108, 150, 72)]])],
    [
      'across a ring that ends on a bar',
      drawn([
        ['#182A5C', circle(108, 110, 60)],
        ['#F2C14E', circle(108, 110, 38)],
        ['#B5402A', rectangle(0, 86, SIDE, 134)],
      ]),
    ],
    [
      'over stripes',
      drawn([0, 1, 2, 3].map((k) => [['#182A5C', '#B5402A'][k % 2], rectangle(70 + 26 * k, -5, 13, 240)] as const)),
    ],
    ['over a corner', drawn([['#182A5C', rectangle(107, 81, 130, 150)]])],
  ] as const)
    it(`${what} is filled as if nothing had been there`, () => {
      const [fill] = mended(scribbled(picture, HOLE), HOLE, { count: 1 });
      expect(off(fill.picture, picture, HOLE)).toBeLessThan(1.2);
      expect(isSameOutside(fill.picture, picture, HOLE)).toBe(true);
    });

  it('that runs along an edge, and holds half of its pixels, takes up the edge where it left it', () => {
    const picture = drawn([
      ['#182A5C', circle(110, 60, 90)],
      ['#F2EBDC', circle(110, 60, 70)],
      ['#F2C14E', circle(110, 240, 95)],
    ]);
    const points = Array.from({ length: 21 }, (_, k) => [60 + 5 * k, 128 - Math.abs(k - 10)] as [number, number]);
    const mask = maskOf([{ by: 'brush', points, widthPx: 15 }], picture);
    const [fill] = mended(scribbled(picture, mask), mask, { count: 1 });
    expect(off(fill.picture, picture, mask)).toBeLessThan(1.2);
  });

  it('takes the softness of the edges about it', () => {
    const soft = blurred(drawn([['#182A5C', circle(108, 150, 72)]]), 1.2);
    const [fill] = mended(scribbled(soft, HOLE), HOLE, { count: 1 });
    expect(off(fill.picture, soft, HOLE)).toBeLessThan(1.2);
  });

  it('in a gradient goes over evenly, without a seam', () => {
    const picture = blankPicture(SIDE, SIDE);
    for (let i = 0; i < SIDE * SIDE; i++) {
      const [x, y] = [i % SIDE, Math.floor(i / SIDE)];
      picture.rgba.set([40 + 0.7 * x, 60 + 0.5 * y, 200 - 0.3 * (x + y), 255], 4 * i);
    }
    const [fill] = mended(scribbled(picture, HOLE), HOLE, { count: 1 });
    expect(off(fill.picture, picture, HOLE)).toBeLessThan(1);
  });

  it('of a cut-out figure leaves what is transparent transparent', () => {
    const picture = drawn([['#182A5C', circle(108, 150, 72)]], null);
    const [fill] = mended(scribbled(picture, HOLE), HOLE, { count: 1 });
    expect(off(fill.picture, picture, HOLE)).toBeLessThan(2);
    expect(fill.picture.rgba[4 * (62 * SIDE + 92) + 3]).toBe(0);
  });

  it('mirrors what only the other side knows', () => {
    // An ear on either side; the right one is to be mended whole.
    const picture = drawn([
      ['#182A5C', circle(110, 130, 60)],
      ['#B5402A', circle(60, 60, 18)],
      ['#B5402A', circle(160, 60, 18)],
    ]);
    const mask = boxes([138, 38, 46, 46]);
    const filled = mendWith(scribbled(picture, mask), mask, 'mirrored')!;
    expect(off(filled, picture, mask)).toBeLessThan(1.5);
  });

  it('in a texture is filled with patches of it, the same for the same seed', () => {
    const picture = blankPicture(SIDE, SIDE);
    for (let i = 0; i < SIDE * SIDE; i++) {
      const [x, y] = [i % SIDE, Math.floor(i / SIDE)];
      const v = 128 + 60 * Math.sin(x * 0.9) * Math.cos(y * 0.7);
      picture.rgba.set([v, v * 0.8, 90, 255], 4 * i);
    }
    const mask = boxes([90, 90, 26, 26]);
    const [p, q] = [1, 1].map((seed) => mendWith(scribbled(picture, mask), mask, 'from patches', { seed })!);
    expect(p.rgba).toEqual(q.rgba);
    // A flat fill would be off by some 30 levels.
    expect(off(p, picture, mask)).toBeLessThan(12);
    // In such surroundings that is the likeliest.
    expect(mended(scribbled(picture, mask), mask, { count: 1 })[0].how).toBe('from patches');
  });

  it('of a cut-out figure has no colour that the figure does not have, in whatever way it is filled', () => {
    const picture = drawn([['#182A5C', circle(108, 150, 72)]], null);
    for (const { how, picture: filled } of mended(scribbled(picture, HOLE), HOLE, { count: 6 }))
      for (let i = 0; i < HOLE.covers.length; i++) {
        if (!HOLE.covers[i] || filled.rgba[4 * i + 3] < 8) continue;
        const [r, g, b] = filled.rgba.subarray(4 * i, 4 * i + 3);
        expect([how, Math.abs(r - 24) < 12, Math.abs(g - 42) < 12, Math.abs(b - 92) < 12]).toEqual([
          how,
          true,
          true,
          true,
        ]);
      }
  });
});

describe('fills', () => {
  const picture = drawn([
    ['#182A5C', circle(108, 110, 60)],
    ['#F2C14E', circle(108, 110, 38)],
  ]);

  it('are as many as asked for, and differ in what they decide', () => {
    for (const count of [1, 4, 8]) {
      const fills = mended(scribbled(picture, HOLE), HOLE, { count });
      expect(fills).toHaveLength(count);
      for (const f of fills) expect(MEND_WAYS).toContain(f.how);
      // What the picture's list keeps of each tells it from the others.
      expect(new Set(fills.map((f) => `${f.how} ${f.seed}`)).size).toBe(count);
    }
    const four = mended(scribbled(picture, HOLE), HOLE, { count: 4 });
    expect(new Set(four.map((f) => f.how)).size).toBe(4);
    for (const [k, f] of four.entries())
      for (const g of four.slice(0, k)) expect(off(f.picture, g.picture, HOLE)).toBeGreaterThan(0.3);
  });

  it('are as many on one colour, where all come out the same', () => {
    const flat = drawn([]);
    const fills = mended(scribbled(flat, HOLE), HOLE, { count: 4 });
    expect(fills).toHaveLength(4);
    for (const f of fills) expect(off(f.picture, flat, HOLE)).toBeLessThan(0.5);
  });

  it('come one after the other: the first does not wait for the rest', () => {
    const first = mendFills(scribbled(picture, HOLE), HOLE).next();
    expect(first.value?.how).toBe('carried on');
  });

  it('are none where nothing is to be mended, or nothing is left to go by', () => {
    expect(mended(picture, boxes())).toEqual([]);
    expect(mended(picture, boxes([0, 0, SIDE, SIDE]))).toEqual([]);
  });

  it('of a hole at the border, of a single pixel, and of a picture of one pixel more than the hole', () => {
    for (const mask of [boxes([0, 0, 60, 60]), boxes([100, 100, 1, 1]), boxes([0, 0, SIDE, SIDE - 1])])
      expect(mended(picture, mask, { count: 2 })).toHaveLength(2);
    const transparent = drawn([], null);
    const [fill] = mended(transparent, HOLE, { count: 1 });
    expect(off(fill.picture, transparent, HOLE)).toBe(0);
  });
});

describe('a mask', () => {
  it('grows as a disc does', () => {
    const grown = grownMask(boxes([100, 100, 1, 1]), 6);
    let area = 0;
    for (let y = 0; y < SIDE; y++)
      for (let x = 0; x < SIDE; x++) {
        const covers = grown.covers[y * SIDE + x];
        area += covers;
        if (Math.hypot(x - 100, y - 100) <= 6) expect(covers).toBe(1);
      }
    expect(area).toBeLessThan(Math.PI * 8 ** 2);
  });
});

describe('a bow', () => {
  const onCircle = (turn: number, r = 50): [number, number] => [100 + r * Math.cos(turn), 80 + r * Math.sin(turn)];

  it('is found through points of a circle, either way round, and of a line', () => {
    for (const way of [1, -1]) {
      const bow = bowThrough(Array.from({ length: 20 }, (_, k) => onCircle(way * k * 0.05)));
      expect(bow.bend).toBeCloseTo(way / 50, 4);
      const { point, direction } = bowAt(bow, 25);
      expect(point[0]).toBeCloseTo(onCircle(way * 0.5)[0], 2);
      expect(point[1]).toBeCloseTo(onCircle(way * 0.5)[1], 2);
      expect(Math.hypot(...direction)).toBeCloseTo(1);
    }
    const line = bowThrough([0, 1, 2, 3, 4].map((k) => [3 * k, 4 * k] as const));
    expect([line.bend, line.direction[0], line.direction[1]]).toEqual([0, expect.closeTo(0.6), expect.closeTo(0.8)]);
  });

  it('tells how far along and how far off a place lies', () => {
    for (const bend of [0, 0.02, -0.02]) {
      const bow = { at: [10, 20], direction: [0.6, 0.8], bend } as const;
      for (const along of [5, 20, 40]) {
        const { point, direction } = bowAt(bow, along);
        const right = [point[0] - 3 * direction[1], point[1] + 3 * direction[0]] as const;
        const told = alongBow(bow, right);
        expect(told.along).toBeCloseTo(along, 4);
        expect(told.off).toBeCloseTo(3, 4);
      }
    }
  });
});
