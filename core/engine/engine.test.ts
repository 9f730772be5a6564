import { describe, expect, it } from 'vitest';
import { hexToOklab, oklabDistance, rgbToOklab } from '../colour';
import type { Picture } from '../raster';
import {
  checkRequest,
  COUNT_LIMIT,
  creditsFor,
  drawCandidate,
  FIGURES,
  findFigure,
  FINISHES,
  PROMPT_LIMIT,
  RequestError,
  seedAt,
  sizeFor,
} from './index';

const SIZE = 128;
const draw = (prompt: string, position = 0, more: object = {}): Picture =>
  drawCandidate({ prompt, sizePx: SIZE, ...more }, position).picture;

/** Share of the picture that differs clearly from its corner, which is ground. */
function inked({ rgba, widthPx, heightPx }: Picture): number {
  let n = 0;
  for (let i = 0; i < rgba.length; i += 4)
    if (Math.abs(rgba[i] - rgba[0]) + Math.abs(rgba[i + 1] - rgba[1]) + Math.abs(rgba[i + 2] - rgba[2]) > 40) n++;
  return n / (widthPx * heightPx);
}

function distance(p: Picture, q: Picture): number {
  let sum = 0;
  for (let i = 0; i < p.rgba.length; i++) sum += Math.abs(p.rgba[i] - q.rgba[i]);
  return sum / p.rgba.length;
}

describe('the stand-in engine', () => {
  it('has at least 30 figures and 6 finishes', () => {
    expect(Object.keys(FIGURES).length).toBeGreaterThanOrEqual(30);
    expect(Object.keys(FINISHES).length).toBeGreaterThanOrEqual(6);
  });

  it.each(Object.keys(FIGURES))('draws %s, and fills its field', (figure) => {
    const share = inked(draw(figure, 0, { leeway: 0 }));
    expect(share).toBeGreaterThan(0.04);
    expect(share).toBeLessThan(0.9);
  });

  it('gives every finish a look of its own', () => {
    const pictures = Object.keys(FINISHES).map((finish) => draw(`owl, ${finish}, navy and amber`, 0, { leeway: 0 }));
    for (let i = 0; i < pictures.length; i++)
      for (let j = 0; j < i; j++) expect(distance(pictures[i], pictures[j])).toBeGreaterThan(0.4);
  });

  it('gives the same pixels for the same request, and others for another seed', () => {
    const ask = (seed: number) => draw('bat over a moon, midnight blue and lamp yellow', 1, { seed });
    expect(Buffer.from(ask(7).rgba.buffer).equals(Buffer.from(ask(7).rgba.buffer))).toBe(true);
    expect(distance(ask(7), ask(8))).toBeGreaterThan(0);
    expect(seedAt(7, 0)).not.toBe(seedAt(7, 1));
  });

  it('gives four candidates that differ, more so with leeway', () => {
    const spread = (leeway: number): number => {
      const four = [0, 1, 2, 3].map((position) =>
        draw('hedgehog with a leaf, green and brown', position, { leeway, seed: 3 }),
      );
      let sum = 0;
      for (let i = 0; i < 4; i++) for (let j = 0; j < i; j++) sum += distance(four[i], four[j]);
      return sum;
    };
    expect(spread(0)).toBeGreaterThan(0);
    expect(spread(100)).toBeGreaterThan(spread(0));
  });

  it('obeys colours: nearly all that is not ground is of them', () => {
    const asked = ['#182A5C', '#F2C14E'];
    for (const prompt of ['bat over a crescent moon', 'fox', 'emblem of an owl']) {
      const { rgba } = draw(`${prompt}, ${asked.join(' and ')}, flat, white ground`, 0, { sizePx: 256 });
      const labs = asked.map(hexToOklab);
      let near = 0;
      let all = 0;
      for (let i = 0; i < rgba.length; i += 4) {
        const lab = rgbToOklab(rgba[i], rgba[i + 1], rgba[i + 2]);
        if (oklabDistance(lab, hexToOklab('#FFFFFF')) < 0.06) continue;
        all++;
        if (labs.some((l) => oklabDistance(l, lab) < 0.06)) near++;
      }
      expect(near / all).toBeGreaterThan(0.8);
    }
  });

  it('obeys the ground and the ratio', () => {
    const picture = draw('fox, rust, on a navy ground', 0, { ratio: '3:2', sizePx: 300 });
    expect([picture.widthPx, picture.heightPx]).toEqual([300, 200]);
    expect([...picture.rgba.slice(0, 3)]).toEqual([0x14, 0x26, 0x4f]);
    expect(sizeFor('9:16', 1024)).toEqual({ widthPx: 576, heightPx: 1024 });
  });

  it('smooths its edges', () => {
    const { rgba } = draw('moon, black, flat', 0, { leeway: 0 });
    const greys = new Set<number>();
    for (let i = 0; i < rgba.length; i += 4) greys.add(rgba[i]);
    expect(greys.size).toBeGreaterThan(20);
  });

  it('draws every kind of mark it names', () => {
    for (const kind of ['logo', 'abstract mark', 'emblem', 'negative space', 'mascot', 'app icon', 'icon sheet'])
      expect(inked(draw(`${kind}: owl, moon, book, lamp; navy and amber`))).toBeGreaterThan(0.02);
  });

  it('finds plurals and phrases', () => {
    expect(findFigure('leaves')?.drawn).toBe('leaf');
    expect(findFigure('berries')).toBeNull();
    expect(findFigure('constructor')).toBeNull();
    expect(findFigure('foxes')?.drawn).toBe('fox');
  });

  it('refuses what it cannot draw, with the reason', () => {
    const refused = (more: object): string => {
      try {
        checkRequest({ prompt: 'fox', ...more });
      } catch (error) {
        return (error as RequestError).code;
      }
      return 'taken';
    };
    expect(refused({ prompt: '  ' })).toBe('empty_prompt');
    expect(refused({ prompt: 'fox '.repeat(PROMPT_LIMIT) })).toBe('prompt_too_long');
    expect(refused({ prompt: 'a the of, blue' })).toBe('no_figure');
    expect(refused({ ratio: '10:1' })).toBe('bad_ratio');
    expect(refused({ ratio: 'wide' })).toBe('bad_ratio');
    expect(refused({ sizePx: 8000 })).toBe('bad_size');
    expect(refused({ count: COUNT_LIMIT + 1 })).toBe('bad_count');
    expect(refused({ colours: 0 })).toBe('bad_colours');
    expect(refused({ leeway: 101 })).toBe('bad_leeway');
    expect(refused({})).toBe('taken');
  });

  it('charges by count and size', () => {
    expect([creditsFor(4, 1024), creditsFor(4, 2048), creditsFor(1, 64)]).toEqual([4, 8, 1]);
  });

  it('tells how far it is, and stops when told to', () => {
    const heard: number[] = [];
    drawCandidate({ prompt: 'emblem of an owl', sizePx: SIZE }, 0, (done) => heard.push(done));
    expect(heard.length).toBeGreaterThan(2);
    expect(heard[heard.length - 1]).toBe(1);
    expect(() =>
      drawCandidate({ prompt: 'owl', sizePx: SIZE }, 0, () => {
        throw new Error('stop');
      }),
    ).toThrow('stop');
  });
});
