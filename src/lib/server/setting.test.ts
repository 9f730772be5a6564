/** Lettering for whoever asks over HTTP. */
import { afterAll, describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { LetteringSet } from '../contract/requests';
import { stopComputing } from './computing';
import { listFaces, setInFace } from './setting';

afterAll(() => stopComputing());
const set = (ask: object) => setInFace(v.parse(LetteringSet, ask), new AbortController().signal);

describe('faces', () => {
  it('are listed with their licences, by class and by words', () => {
    const all = listFaces('', null);
    expect(all.length).toBeGreaterThanOrEqual(60);
    expect(all.every((f) => f.licence && /^https?:/.test(f.licenceUrl))).toBe(true);
    expect(new Set(listFaces('', 'slab').map((f) => f.class))).toEqual(new Set(['slab']));
    expect(listFaces('quiet punctual', null)[0].because).toEqual(['quiet', 'punctual']);
  });
});

describe('lettering', () => {
  it('is set as outlines, with where each glyph stands', async () => {
    const made = await set({
      text: 'Łódź café\nשלום',
      face: 'Rubik',
      weight: 700,
      size: 40,
      kerning: 'optical',
      hex: '#7A2E3A',
    });
    expect(made).toMatchObject({ face: 'Rubik', licence: 'OFL-1.1', weight: 700, sizePx: 40 });
    expect(made.glyphs.filter((g) => g.y > 0).map((g) => g.text).join('')).toBe('םולש'); // prettier-ignore
    expect(made.svg).toContain('#7A2E3A');
    expect(made.svg).not.toContain('<text');
  });

  it('that cannot be is refused in a sentence, and what is no request before that', async () => {
    await expect(set({ text: '夜', face: 'Jost' })).rejects.toMatchObject({ status: 422, code: 'cannot_be_set', message: expect.stringMatching(/^Jost has no "夜": Noto Sans JP/) }); // prettier-ignore
    await expect(set({ text: 'a', face: 'Nobody’s' })).rejects.toMatchObject({ status: 422 });
    await expect(set({ text: 'a long line of text', face: 'Jost', arc: 12 })).rejects.toMatchObject({ status: 422 });
    for (const wrong of [{ text: '', face: 'Jost' }, { text: 'a'.repeat(501), face: 'Jost' }, { text: 'a', face: 'Jost', size: -1 }, { text: 'a', face: 'Jost', hex: 'red' }])
      expect(v.safeParse(LetteringSet, wrong).success).toBe(false); // prettier-ignore
  });
});
