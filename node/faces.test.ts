/** Lettering with the faces that ship. */
import { readFileSync, readdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import * as fontkit from 'fontkit';
import { describe, expect, it } from 'vitest';
import {
  ArcError,
  CATALOGUE,
  Face,
  faceLook,
  facesFor,
  facesLike,
  Family,
  FitError,
  fittedTo,
  FontFileError,
  inkBox,
  inkWidth,
  lettersArtwork,
  LICENCES,
  lookOf,
  onArc,
  openFontFile,
  opticalKern,
  pairOf,
  setText,
  spaceBetween,
} from '../core/lettering';
import { circleOfArcs, rectangle } from '../core/path';
import { licenceOf, familiesWith, familyNamed, missingPackages, openFamily, shippedFamilies } from './faces';

const require = createRequire(import.meta.url);
const filesOf = (id: string): string => join(dirname(require.resolve(`@fontsource/${id}/package.json`)), 'files');
const family = (name: string, text: string, weight = 400) => openFamily(familyNamed(name)!, text, { weight });
const textsOf = (text: string, f: Family): string => setText(text, f, { sizePx: 100 }).lines[0].glyphs.map((g) => g.text).join('|'); // prettier-ignore

describe('the faces that ship', () => {
  it('are sixty families and more, of every class, each with a licence that allows business use and its text', () => {
    const all = shippedFamilies();
    expect(all.length).toBeGreaterThanOrEqual(60);
    expect(missingPackages()).toEqual([]);
    expect(new Set(CATALOGUE.map((c) => c.id)).size).toBe(CATALOGUE.length);
    for (const f of all) {
      expect(LICENCES.has(f.licence), `${f.name}: ${f.licence}`).toBe(true);
      expect(licenceOf(f).length).toBeGreaterThan(1000);
      expect(f.moods.length).toBeGreaterThan(1);
    }
    for (const script of ['greek', 'cyrillic', 'arabic', 'hebrew', 'devanagari', 'thai', 'japanese'])
      expect(all.filter((f) => f.scripts.includes(script)).length, script).toBeGreaterThan(0);
  });

  it('are found by moods, the best first, with why', () => {
    const [first] = facesFor(shippedFamilies(), 'quiet, punctual');
    expect(first.because).toEqual(['quiet', 'punctual']);
    expect(facesFor(shippedFamilies(), 'Nineteen Twenties').map((f) => f.face.id)).toContain('limelight');
    expect(facesFor(shippedFamilies(), 'blackletter').every((f) => f.face.class === 'blackletter')).toBe(true);
    expect(facesFor(shippedFamilies(), 'zzz')).toEqual([]);
    expect(facesFor(shippedFamilies(), '')).toHaveLength(CATALOGUE.length);
  });

  it('are found by the mark: thin goes with light, solid with bold, round with round', async () => {
    const all = shippedFamilies();
    const line = lookOf([[...[50, 47].map((r) => circleOfArcs(50, 50, r))]], 100, 100)!;
    expect(line.weight).toBeCloseTo(0.03, 2);
    expect(facesLike(all, line)[0].weight).toBeLessThan(400);
    const solid = lookOf([[rectangle(0, 0, 34, 100, 15)], [rectangle(50, 0, 34, 100, 15)]], 100, 84)!;
    const [likest] = facesLike(all, solid);
    expect(likest.weight).toBeGreaterThan(500);
    expect(likest.face.class).toBe('rounded');
    expect(likest.because.length).toBeGreaterThan(0);
    // What is measured now is what was measured when they were compiled.
    for (const id of ['inter', 'bodoni-moda', 'nunito']) {
      const now = faceLook((await openFamily(familyNamed(id)!, 'HOnoaeRS', { weight: 400 })).main)!;
      const kept = facesLike([familyNamed(id)!], now)[0];
      expect(Math.abs(kept.look.weight - now.weight)).toBeLessThan(0.12);
      expect(kept.off).toBeLessThan(1.6);
    }
  });
});

describe('font files', () => {
  const woff = () => readFileSync(join(filesOf('zilla-slab'), 'zilla-slab-latin-400-normal.woff'));
  const woff2 = () => readFileSync(join(filesOf('zilla-slab'), 'zilla-slab-latin-400-normal.woff2'));

  it('are the same face as WOFF, WOFF2 and SFNT, many opened at once', async () => {
    const [a, b, ...more] = await Promise.all([woff(), woff2(), ...Array.from({ length: 6 }, woff2)].map(openFontFile));
    const [p, q] = [new Face(a), new Face(b)];
    const outline = (f: Face) => JSON.stringify(f.outline(f.shape('R')[0].id));
    expect(outline(p)).toBe(outline(q));
    for (const m of more) expect(Buffer.from(m).equals(Buffer.from(b))).toBe(true);
    expect(outline(new Face(await openFontFile(a)))).toBe(outline(p));
    // What one file became stays that when another is opened.
    const kept = Buffer.from(b);
    await openFontFile(readFileSync(join(filesOf('poppins'), 'poppins-latin-700-normal.woff2')));
    expect(Buffer.from(b).equals(kept)).toBe(true);
    expect(p.embedding).toBe('free');
    expect(p.features).toContain('kern');
    expect(p.said(1)).toContain('Zilla');
    expect(p.said(9999)).toBe('');
  });

  it('that are cut off, broken, empty or none are refused with a reason', async () => {
    const wrong: [Uint8Array, RegExp][] = [
      [new Uint8Array(0), /cut off/],
      [new Uint8Array([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13]), /no font file/],
      [woff().subarray(0, 3000), /cut off/],
      [woff2().subarray(0, 3000), /broken/],
      [Buffer.concat([Buffer.from('wOF2'), Buffer.alloc(400, 7)]), /broken/],
      [Buffer.concat([Buffer.from('ttcf'), Buffer.alloc(400)]), /collection/],
      [(await openFontFile(woff())).subarray(0, 900), /cut off/],
      [Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), /no font file/],
    ];
    for (const [bytes, why] of wrong) {
      await expect(openFontFile(bytes)).rejects.toThrow(FontFileError);
      await expect(openFontFile(bytes)).rejects.toThrow(why);
    }
    // One after a broken one is opened as if nothing had been.
    expect((await openFontFile(woff2())).length).toBeGreaterThan(10_000);
    // A table that is said to lie beyond the file.
    const bent = Buffer.from(await openFontFile(woff()));
    bent.writeUInt32BE(bent.length, 12 + 8);
    await expect(openFontFile(bent)).rejects.toThrow(/cut off/);
  });
});

describe('set text', () => {
  it('has the advances that another shaper gives, kerning and ligatures among them', async () => {
    const text = 'AVATAR Toffee Way 1710 fjord';
    const ids = ['zilla-slab', 'young-serif', 'dm-serif-display', 'alfa-slab-one', 'libre-baskerville', 'allerta-stencil', 'barlow-condensed', 'bebas-neue', 'varela-round', 'pacifico', 'lobster', 'kaushan-script', 'pirata-one', 'federo', 'limelight', 'poiret-one', 'audiowide', 'bungee', 'abril-fatface', 'shrikhand']; // prettier-ignore
    for (const id of ids) {
      const weight = familyNamed(id)!.weights.includes(400) ? 400 : familyNamed(id)!.weights[0];
      const other = fontkit.openSync(join(filesOf(id), `${id}-latin-${weight}-normal.woff`)) as fontkit.Font;
      let pen = 0;
      // Where each glyph stands: an old table of kerning may be counted to either side.
      const theirs = other.layout(text).positions.map(({ xAdvance, xOffset }) => {
        const at = pen + xOffset;
        pen += xAdvance;
        return (at / other.unitsPerEm) * 100;
      });
      const { glyphs } = setText(text, await family(id, text, weight), { sizePx: 100 }).lines[0];
      const ours = glyphs.map((g) => g.x + g.dx);
      expect(ours.length, id).toBe(theirs.length);
      ours.forEach((a, k) => expect(a, `${id} ${k}`).toBeCloseTo(theirs[k], 6));
    }
  });

  it('is right in all scripts and directions', async () => {
    expect(textsOf('שלום', await family('Noto Sans Hebrew', 'שלום'))).toBe('ם|ו|ל|ש');
    const arabic = await family('Cairo', 'مرحبا');
    const joined = setText('مرحبا', arabic, { sizePx: 100 }).lines[0].glyphs.map((g) => g.id);
    const apart = [...'ابحرم'].map((c) => arabic.main.shape(c, { isRightToLeft: true })[0].id);
    expect(joined.some((id, k) => id !== apart[k])).toBe(true);
    // Tracking would break what joins.
    const wide = (tracking: number) => setText('مرحبا', arabic, { sizePx: 100, tracking }).lines[0].widthPx;
    expect(wide(0.3)).toBeCloseTo(wide(0), 6);
    expect(textsOf('नमस्ते', await family('Noto Sans Devanagari', 'नमस्ते'))).toContain('स्ते'.slice(0, 2));
    const mixed = await family('Rubik', 'Hello שלום 12');
    expect(textsOf('Hello שלום', mixed)).toBe('H|e|l|l|o| |ם|ו|ל|ש');
    expect(textsOf('שלום Hello', mixed)).toBe('H|e|l|l|o| |ם|ו|ל|ש');
    expect(mixed.faces.length).toBeGreaterThan(1);
    const greek = await family('Inter', 'Ελλάδα Москва Łódź');
    expect(greek.missing('Ελλάδα Москва Łódź')).toEqual([]);
    expect((await family('Noto Sans JP', '夜行列車')).missing('夜行列車')).toEqual([]);
  });

  it('says which characters a face does not have, and which faces do', async () => {
    const jost = await family('Jost', '夜 🎉a');
    expect(jost.missing('夜 🎉a')).toEqual(['夜', '🎉']);
    expect(familiesWith('夜').map((f) => f.id)).toContain('noto-sans-jp');
    expect(familiesWith('🎉')).toEqual([]);
    expect(jost.plain('it’s')).toBe('it’s');
  });

  it('has lines, alignment, tracking, and what was moved by hand', async () => {
    const inter = await family('Inter', 'Juniper Row');
    const set = setText('Juniper Row\nSeed', inter, { sizePx: 50, leading: 1.5, align: 'right' });
    expect(set.lines.map((l) => l.y)).toEqual([0, 75]);
    const ends = set.lines.map((l) => l.glyphs[l.glyphs.length - 1]).map((g) => g.x + g.advance);
    expect(ends[0]).toBeCloseTo(ends[1], 6);
    const plain = setText('Row', inter, { sizePx: 100 }).lines[0];
    const tracked = setText('Row', inter, { sizePx: 100, tracking: 0.1 }).lines[0];
    expect(tracked.widthPx - plain.widthPx).toBeCloseTo(20, 6);
    const moved = setText('Row', inter, { sizePx: 100, byHand: { 1: 0.25 } }).lines[0];
    expect(moved.glyphs[2].x - plain.glyphs[2].x).toBeCloseTo(25, 6);
    expect(moved.glyphs[1].x).toBeCloseTo(plain.glyphs[1].x, 6);
    expect(setText('', inter, { sizePx: 100 }).lines).toMatchObject([{ glyphs: [], widthPx: 0 }]);
  });

  it('is made as wide as is asked for, by its size or its tracking', async () => {
    for (const [name, text] of [['Fraunces', 'Noctule Night Rail'], ['Pacifico', 'Juniper'], ['Noto Sans Hebrew', 'שלום']] as const) {
      const f = await family(name, text);
      for (const by of ['size', 'tracking'] as const) {
        if (by === 'tracking' && name === 'Pacifico') continue;
        const wide = 1.3 * inkWidth(text, f, { sizePx: 80 });
        const options = fittedTo(wide, text, f, { sizePx: 80 }, by);
        expect(Math.abs(inkWidth(text, f, options) / wide - 1)).toBeLessThan(5e-4);
      }
    } // prettier-ignore
    const inter = await family('Inter', 'a');
    expect(() => fittedTo(400, 'a', inter, { sizePx: 80 }, 'tracking')).toThrow(FitError);
    expect(() => fittedTo(400, ' ', inter, { sizePx: 80 }, 'size')).toThrow('nothing of this text');
  });

  it('becomes outlines: a piece for each letter, named, where it stands', async () => {
    const set = setText('Hi o', await family('Inter', 'Hi o'), { sizePx: 100 });
    const made = lettersArtwork(set.lines[0].glyphs, '#123456')!;
    expect(made.artwork.nodes.map((n) => n.name)).toEqual(['H', 'i', 'o']);
    expect(made.box).toEqual(inkBox(set.lines[0].glyphs));
    expect(made.box.height).toBeGreaterThan(set.capHeightPx * 0.95);
    expect(lettersArtwork([], '#123456')).toBeNull();
  });
});

describe('text on a circle', () => {
  it('has every origin on it, turned as the circle is, to be read from left to right above and below', async () => {
    const jost = await family('Jost', 'NOCTULE NIGHT RAIL');
    const set = setText('NOCTULE NIGHT RAIL', jost, { sizePx: 40, tracking: 0.08 });
    for (const side of ['above', 'below'] as const)
      for (const evenAt of ['baseline', 'middle', 'outside'] as const) {
        const glyphs = onArc(set.lines[0], set, { radiusPx: 200, side, evenAt });
        for (const g of glyphs) expect(Math.hypot(g.x, g.y)).toBeCloseTo(200, 9);
        const xs = glyphs.map((g) => g.x);
        expect(xs).toEqual([...xs].sort((p, q) => p - q));
        expect(glyphs.every((g) => (side === 'above' ? g.y < 0 : g.y > 0) === Math.abs(g.x) < 200)).toBe(true);
        // In the middle: as far to the left of the top as to the right of it.
        const even = side === 'above' ? 200 + { baseline: 0, middle: 0.5, outside: 1 }[evenAt] * set.xHeightPx : 200 - { baseline: 0, middle: 0.5, outside: 1 }[evenAt] * set.xHeightPx; // prettier-ignore
        const angle = (g: (typeof glyphs)[number]) => Math.atan2(g.x, Math.abs(g.y));
        const [first, last] = [glyphs[0], glyphs[glyphs.length - 1]];
        const whole = set.lines[0].widthPx / even;
        if (whole < Math.PI) expect(angle(first)).toBeCloseTo(-whole / 2, 6);
        expect(last.x).toBeGreaterThan(0);
      }
  });

  it('keeps its space at the baseline, or where it is asked for, and has room or says how much it needs', async () => {
    const inter = await family('Inter', 'HHHHHHHH');
    const set = setText('HHHHHHHH', inter, { sizePx: 40 });
    const step = (evenAt: 'baseline' | 'outside', side: 'above' | 'below') => {
      const [a, b] = onArc(set.lines[0], set, { radiusPx: 150, side, evenAt });
      return (Math.abs(b.turnDeg - a.turnDeg) * Math.PI) / 180;
    };
    const { advance } = set.lines[0].glyphs[0];
    expect(step('baseline', 'above')).toBeCloseTo(advance / 150, 9);
    expect(step('outside', 'above')).toBeCloseTo(advance / (150 + set.xHeightPx), 9);
    expect(step('outside', 'below')).toBeCloseTo(advance / (150 - set.xHeightPx), 9);
    expect(() => onArc(set.lines[0], set, { radiusPx: 20, side: 'above' })).toThrow(ArcError);
    const { radius } = /(?<radius>\d+) px or more/.exec(String(catching(() => onArc(set.lines[0], set, { radiusPx: 20, side: 'above' }))))!.groups!; // prettier-ignore
    expect(onArc(set.lines[0], set, { radiusPx: Number(radius), side: 'above' })).toHaveLength(8);
    expect(() => onArc(set.lines[0], set, { radiusPx: 0, side: 'above' })).toThrow(ArcError);
  });
});

const catching = (work: () => unknown): unknown => {
  try {
    return work();
  } catch (error) {
    return error;
  }
};

describe('optical kerning', () => {
  const PAIRS = 'AV VA To Te LT LV rn ry vo 17 71 74 HO OH NE RA TH AT Ho Na Re De Va We'.split(' ');

  it('makes space even, near the mean that the face has, and no pair nearer than its nearest', async () => {
    for (const name of ['Libre Baskerville', 'Oswald', 'Abril Fatface', 'Jost', 'Bodoni Moda', 'Roboto Slab']) {
      const { main } = await family(name, PAIRS.join(''));
      const all = PAIRS.map((t) => {
        const pair = pairOf(main, t)!;
        return [
          spaceBetween(main, pair)!,
          spaceBetween(main, { ...pair, kern: opticalKern(main, pair, [t[0], t[1]]) })!,
        ];
      });
      const mean = (list: number[]) => list.reduce((s, x) => s + x, 0) / list.length;
      const spread = (list: number[]) => Math.sqrt(mean(list.map((x) => (x - mean(list)) ** 2)));
      const [own, ours] = [0, 1].map((k) => all.map((a) => a[k].space));
      expect(spread(ours) / spread(own), name).toBeLessThan(0.7);
      expect(Math.abs(mean(ours) / mean(own) - 1), name).toBeLessThan(0.06);
      const nearest = (k: number) => Math.min(...all.map((a) => a[k].nearest));
      expect(nearest(1), name).toBeGreaterThan(nearest(0) - 1e-3);
    }
  });

  it('is used where it is asked for, and leaves spaces and signs alone', async () => {
    const inter = await family('Inter', 'AV To, L-T');
    const widths = (kerning: 'face' | 'optical' | 'none') => setText('AV To, L-T', inter, { sizePx: 100, kerning }).lines[0].glyphs.map((g) => g.advance); // prettier-ignore
    const [own, ours, none] = [widths('face'), widths('optical'), widths('none')];
    expect(ours[0]).not.toBeCloseTo(own[0], 3);
    expect(ours[4]).toBeCloseTo(own[4], 9);
    expect(ours[2]).toBeCloseTo(own[2], 9);
    expect(none[0]).toBeGreaterThan(own[0]);
  });
});

it('every file of a shipped face opens', async () => {
  const sample = readdirSync(filesOf('nunito')).filter((f) => f.endsWith('.woff2')).slice(0, 6); // prettier-ignore
  for (const f of sample)
    expect((await openFontFile(readFileSync(join(filesOf('nunito'), f)))).length).toBeGreaterThan(1000);
});
