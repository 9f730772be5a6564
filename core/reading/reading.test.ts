import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hexToRgb } from '../colour';
import { FACE_NAMES, lineIn, lineOnArc } from '../engine/letters';
import { circle, flatten, moved, rectangle, type Area } from '../path';
import { blankPicture, cover, layColour, type Picture } from '../raster';
import { tellApart } from '../trace';
import { readLettering, type Recognise, type Recognised } from './index';
import { hullOf, partsOf, reachOf } from './parts';
import { findRows, type Row } from './rows';
import { likeness, lettersOf, readsAs, runOf } from './spelling';
import { stripOf, type Strip } from './strip';

const SIDE = 480;
const rgb = (hex: string) => hexToRgb(hex) as [number, number, number];

function drawn(...shapes: readonly (readonly [string, readonly Area[]])[]): Picture {
  const picture = blankPicture(SIDE, SIDE, rgb('#F2EBDC'));
  for (const [hex, areas] of shapes) {
    for (const area of areas) layColour(picture, cover(area, SIDE, SIDE)!, rgb(hex));
  }
  return picture;
}
const ring = (r: number): Area => [flatten(circle(240, 240, r), 0.05)];
const turned = (areas: readonly Area[], angleRad: number, x: number, y: number): Area[] => {
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  return areas.map((a) => moved(a, [cos, sin, -sin, cos, x, y]));
};
const PLAIN = { lettersPx: 44, stretch: 1, spread: 0, weight: null };
const sourceOf = (picture: Picture) => {
  const apart = tellApart(picture, 'auto');
  return { picture, apart, parts: partsOf(apart) };
};
const rowsOf = (picture: Picture): Row[] => findRows(sourceOf(picture).parts.parts, SIDE, SIDE);

/** For each part of a strip, the lowest row that has ink in it. */
function feetOf({ widthPx, heightPx, grey, parts }: Strip): number[] {
  return parts.map(({ from, to }) => {
    for (let y = heightPx - 1; y >= 0; y--)
      for (let x = Math.max(0, Math.floor(from)); x < Math.min(widthPx, to); x++)
        if (grey[y * widthPx + x] < 128) return y;
    return -1;
  });
}

const spread = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

describe('parts', () => {
  it('reach as far as they are wide, and their hull holds them', () => {
    const { parts } = sourceOf(drawn(['#182A5C', [ring(60)]])).parts;
    const disc = parts.find((p) => p.x1 - p.x0 < 200)!;
    for (let t = 0; t < 6.3; t += 0.37) expect(Math.abs(reachOf(disc, t) - 60)).toBeLessThan(1);
    const numbers = hullOf([disc])
      .match(/-?[\d.]+/g)!
      .map(Number);
    const radii = numbers.flatMap((x, k) => (k % 2 ? [] : [Math.hypot(x - 240, numbers[k + 1] - 240)]));
    expect(Math.min(...radii)).toBeGreaterThan(59.5);
    expect(Math.max(...radii)).toBeLessThan(62);
  });
});

describe('rows', () => {
  for (const face of FACE_NAMES) {
    it(`of letters set straight are found in ${face}`, () => {
      const rows = rowsOf(drawn(['#182A5C', lineIn('HALLOW', { face, tracking: 40 }, 240, 240, 380, 60)]));
      expect(rows[0].parts).toHaveLength(6);
      expect(rows[0].course).toMatchObject({ kind: 'line' });
      expect(rows[0].parts.map((p) => p.x0)).toEqual([...rows[0].parts.map((p) => p.x0)].sort((a, b) => a - b));
    });

    it(`of letters on an arc are found in ${face}, about its middle`, () => {
      for (const upper of [true, false]) {
        const letters = lineOnArc('MARSHLAND', { face, tracking: 120 }, 240, 240, 170, 40, upper);
        const [row] = rowsOf(drawn(['#2F6B4F', [ring(215)]], ['#F2EBDC', letters], ['#F2C14E', [ring(120)]]));
        // In one face hairlines are too thin to hold letters together, or serifs touch.
        if (face === 'serif') expect(row.parts.length).toBeGreaterThan(7);
        else expect(row.parts).toHaveLength(9);
        const { course } = row;
        if (course.kind !== 'arc') throw new Error('the row is no arc');
        expect(Math.hypot(course.x - 240, course.y - 240)).toBeLessThan(3);
        expect(Math.abs(course.radiusPx - 170)).toBeLessThan(4);
      }
    });
  }

  it('of sloping letters are found along their slope', () => {
    for (const angleRad of [-0.5, 0.3, -Math.PI / 2]) {
      const letters = turned(lineIn('TIMBER', { face: 'plain', tracking: 50 }, 0, 0, 300, 44), angleRad, 240, 240);
      const [{ parts, course }] = rowsOf(drawn(['#182A5C', letters]));
      expect(parts).toHaveLength(6);
      if (course.kind !== 'line') throw new Error('the row is no line');
      expect(Math.abs(Math.sin(course.angleRad - angleRad))).toBeLessThan(0.04);
    }
  });

  it('are none where a few shapes of unlike size stand about', () => {
    const blobs: Area[] = [
      [flatten(circle(120, 100, 50), 0.05)],
      [flatten(circle(330, 180, 14), 0.05)],
      [flatten(rectangle(60, 300, 200, 30, 0), 0.05)],
      [flatten(circle(380, 400, 32), 0.05)],
    ];
    expect(rowsOf(drawn(['#182A5C', blobs])).filter((r) => r.parts.length > 2)).toEqual([]);
  });
});

describe('a strip', () => {
  it('lays letters of an arc on one line, whichever way they stand', () => {
    for (const upper of [true, false]) {
      const letters = lineOnArc('HELMET', { face: 'slab', tracking: 60 }, 240, 240, 170, 44, upper);
      const source = sourceOf(drawn(['#182A5C', letters]));
      const [row] = findRows(source.parts.parts, SIDE, SIDE);
      const strip = stripOf(source, row, !upper, PLAIN);
      expect(strip.parts).toHaveLength(6);
      expect(spread(feetOf(strip))).toBeLessThanOrEqual(2);
      const heads = strip.parts.map(({ part }) => part);
      // The first letter is the leftmost of the word.
      expect(heads[0].x0).toBeLessThan(heads[5].x0);
    }
  });

  it('has the letters as high as asked, stretched and spread', () => {
    const source = sourceOf(drawn(['#182A5C', lineIn('HINH', { face: 'plain', tracking: 40 }, 240, 240, 380, 60)]));
    const [row] = findRows(source.parts.parts, SIDE, SIDE);
    const widthOf = (s: Strip) => s.parts[3].to - s.parts[0].from;
    const plain = stripOf(source, row, false, PLAIN);
    const [first] = feetOf(plain);
    const top = [...Array(plain.heightPx).keys()].find((y) => plain.grey.subarray(y * plain.widthPx, (y + 1) * plain.widthPx).some((g) => g < 128))!; // prettier-ignore
    expect(Math.abs(first - top + 1 - 44)).toBeLessThanOrEqual(2);
    expect(widthOf(stripOf(source, row, false, { ...PLAIN, stretch: 1.5 })) / widthOf(plain)).toBeCloseTo(1.5, 1);
    expect(widthOf(stripOf(source, row, false, { ...PLAIN, spread: 0.2 })) - widthOf(plain)).toBeCloseTo(3 * 0.2 * 44, -1); // prettier-ignore
    const inkOf = (weight: number) => stripOf(source, row, false, { ...PLAIN, weight }).grey.filter((g) => g < 128).length; // prettier-ignore
    expect(inkOf(0.3)).toBeGreaterThan(inkOf(0.6));
  });

  it('leaves out what is of the same ink beside it', () => {
    const bar: Area = [flatten(rectangle(40, 284, 400, 12, 0), 0.05)];
    const letters = lineIn('HUM', { face: 'plain', tracking: 40 }, 240, 240, 380, 60);
    const source = sourceOf(drawn(['#182A5C', [...letters, bar]]));
    const row = findRows(source.parts.parts, SIDE, SIDE).find((r) => r.parts.length === 3)!;
    const strip = stripOf(source, row, false, PLAIN);
    const last = strip.grey.subarray((strip.heightPx - 8) * strip.widthPx);
    expect(last.every((g) => g > 200)).toBe(true);
  });
});

describe('spelling', () => {
  it('is the same whatever the case, accents and points, and letters that are drawn alike', () => {
    for (const [asked, read] of [
      ['Noctule', 'NOCTULE'],
      ['Café No. 9', 'CAFE NO 9'],
      ['Illum', 'lIlum'],
      ['OTTO', '0TT0'],
      ["Maren's", 'MARENS'],
      ['Hill', 'Hi||'],
    ])
      expect([asked, readsAs(asked, read)]).toEqual([asked, true]);
    for (const [asked, read] of [
      ['LUMEN', 'IUMEN'],
      ['Port', 'Porl'],
      ['Noctule', 'Noctul'],
      ['', ''],
      ['Clover', 'CIover'],
    ])
      expect([asked, read, readsAs(asked, read)]).toEqual([asked, read, asked === 'Clover']);
  });

  it('is always the same as itself, in any case, and as alike one way as the other', () => {
    const word = fc.stringMatching(/^[A-Za-z0-9 .'-]{1,12}$/);
    fc.assert(
      fc.property(word, word, (a, b) => {
        if (lettersOf(a)) expect([readsAs(a, a.toUpperCase()), readsAs(a, a.toLowerCase())]).toEqual([true, true]);
        expect(likeness(a, b)).toBeCloseTo(likeness(b, a));
      }),
    );
  });

  it('finds the run of the words that a line says', () => {
    const words = ['Noctule', 'Night', 'Rail'];
    expect(runOf(words, 'NIGHT RAIL')).toMatchObject({ from: 1, to: 3, isSame: true });
    expect(runOf(words, 'N7GHT')).toMatchObject({ from: 1, to: 2, isSame: false });
    expect(runOf(words, 'NNR')).toMatchObject({ from: 0, to: 3, isSame: true });
    expect(runOf(words, 'Nocutle')!.likeness).toBeGreaterThan(0.6);
    expect(likeness('Est 1921', 'Noctule')).toBeLessThan(0.4);
  });
});

/** A recognition that says a text of a strip's letters, one to a part, or all to the first. */
const saying =
  (text: string, confidence = 0.95): Recognise =>
  async ({ widthPx }): Promise<Recognised> => {
    const letters = [...text];
    const step = (widthPx - 44) / letters.length;
    let begins = true;
    return {
      letters: letters.flatMap((c, k) => {
        if (c === ' ') {
          begins = true;
          return [];
        }
        const one = { text: c, confidence, from: 22 + k * step, to: 22 + (k + 1) * step, begins };
        begins = false;
        return [one];
      }),
    };
  };

const read = (picture: Picture, text: string, asked: string | null, confidence?: number) =>
  readLettering(picture, {
    recognise: saying(text, confidence),
    asked,
    isWord: (w) => ['hallow', 'timber'].includes(w.toLowerCase()),
  });

describe('reading', () => {
  const word = drawn(['#182A5C', lineIn('HALLOW', { face: 'plain', tracking: 40 }, 240, 240, 380, 60)]);

  it('gives each word with its box, and the outline of its letters', async () => {
    const { lines, verdict } = await read(word, 'HALLOW', 'Hallow');
    expect(verdict).toBe('right');
    const [{ words, outline, asked, isRight }] = lines;
    expect([asked, isRight, words.map((w) => w.text)]).toEqual(['Hallow', true, ['HALLOW']]);
    const [x, y, w, h] = words[0].box;
    expect(Math.abs(x + w / 2 - 240)).toBeLessThan(4);
    expect(Math.abs(y + h / 2 - 240)).toBeLessThan(4);
    expect(outline.match(/M/g)).toHaveLength(6);
  });

  it('calls right what says the words asked for, whichever they are, and wrong what does not', async () => {
    expect((await read(word, 'HALLOW', 'Hallow')).verdict).toBe('right');
    expect((await read(word, 'HALIOW', 'Hallow')).verdict).toBe('wrong');
    expect((await read(word, 'HALLOW', 'Hallow Fern')).verdict).toBe('wrong');
    expect((await read(word, 'HALLOW', 'Kestrel')).verdict).toBe('wrong');
  });

  it('without words to hold it against, calls wrong what is no word and was read with doubt', async () => {
    expect((await read(word, 'HALLOW', null)).verdict).toBe('right');
    expect((await read(word, 'HAXLOW', null, 0.95)).verdict).toBe('right');
    let turn = 0;
    const doubting: Recognise = (strip) => saying(turn++ % 2 ? 'HAXLOW' : 'HAXIOW', 0.75)(strip, false);
    const { verdict } = await readLettering(word, { recognise: doubting, isWord: () => false });
    expect(verdict).toBe('wrong');
  });

  it('finds none in bars, dots and shapes, whatever recognition says of them', async () => {
    const bars = [60, 130, 200, 270, 340].map((x): Area => [flatten(rectangle(x, 200, 24, 80, 0), 0.05)]);
    const fence = drawn(['#182A5C', bars]);
    for (const said of ['IIIII', 'lIlIl', '11111', 'oo', ''])
      expect([said, (await read(fence, said, 'Hallow')).verdict]).toEqual([said, 'none']);
    expect((await read(drawn(['#182A5C', [ring(90)]]), 'HALLO', null)).verdict).toBe('none');
  });

  it('passes on that recognition failed', async () => {
    const failing: Recognise = () => Promise.reject(new Error('gone'));
    await expect(readLettering(word, { recognise: failing, isWord: () => true })).rejects.toThrow('gone');
  });
});
