import { unzlibSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { cmykOf } from '../colour';
import { readSvg } from '../import';
import { sceneOf, type Scene } from '../scene';
import { icoOf, MOST_INK_PERCENT, pressShares, sceneToEps, sceneToPdf, totalInk } from '.';

const latin = (bytes: Uint8Array): string => Buffer.from(bytes).toString('latin1');
const sceneFrom = (inner: string, box = '0 0 100 100'): Scene =>
  sceneOf(readSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}">${inner}</svg>`).artwork, { strokes: 'kept' }); // prettier-ignore

const MIXED = `<defs><linearGradient id="g"><stop offset="0" stop-color="#f00"/><stop offset="1" stop-color="#00f" stop-opacity=".4"/></linearGradient>
  <clipPath id="c"><circle cx="50" cy="50" r="30"/></clipPath><mask id="m"><rect width="100" height="40" fill="#fff"/></mask></defs>
  <rect x="5" y="5" width="40" height="30" fill="#182A5C"/><path d="M50 5L90 5L70 40Z" fill="url(#g)"/>
  <g clip-path="url(#c)"><rect width="100" height="100" fill="#F2C14E"/></g>
  <g mask="url(#m)" opacity=".5"><rect x="10" y="30" width="80" height="30" fill="#B5402A"/></g>
  <path d="M10 80H90" fill="none" stroke="#000" stroke-width="4" stroke-dasharray="6 3" stroke-linecap="round"/>`;

const options = { title: 'Fuchs & Лиса (1)', date: '2026-11-24', longerMm: 100 } as const;

/** The streams of a PDF that are not pictures, unpacked, in their order. */
function pagesOf(pdf: Uint8Array): string[] {
  const text = latin(pdf);
  return [...text.matchAll(/<<((?:(?!endobj).)*?)\/Length (\d+) \/Filter \/FlateDecode >>\nstream\n/gs)].flatMap(
    (m) => {
      if (/\/Subtype \/Image/.test(m[1])) return [];
      const from = m.index + m[0].length;
      return [latin(unzlibSync(pdf.subarray(from, from + Number(m[2]))))];
    },
  );
}

const withoutColours = (page: string): string =>
  page.replace(/^[\d. ]+ (rg|RG|k|K)\n/gm, 'COLOUR\n').replace(/^\/Plate\d+ (cs|CS) 1 (scn|SCN)\n/gm, 'COLOUR\n');

describe('PDF', () => {
  it('says where each of its objects lies, and is the same each time', () => {
    const pdf = sceneToPdf(sceneFrom(MIXED), { ...options, colours: 'rgb' });
    const text = latin(pdf);
    const xref = Number(/startxref\n(\d+)/.exec(text)![1]);
    expect(text.slice(xref, xref + 4)).toBe('xref');
    const rows = [...text.slice(xref).matchAll(/^(\d{10}) 00000 n /gm)];
    expect(rows.length).toBeGreaterThan(5);
    rows.forEach((row, k) => expect(text.slice(Number(row[1])).startsWith(`${k + 1} 0 obj\n`)).toBe(true));
    expect(Buffer.from(sceneToPdf(sceneFrom(MIXED), { ...options, colours: 'rgb' })).equals(Buffer.from(pdf))).toBe(
      true,
    );
    expect(text).toContain('/Title <FEFF');
  });

  it('has exactly the same shapes in RGB, in CMYK and in plates', () => {
    const scene = sceneFrom(MIXED.replace(/url\(#g\)/, '#F2C14E'));
    const [rgb, cmyk, plates] = (['rgb', 'cmyk', 'plates'] as const).map((colours) =>
      pagesOf(sceneToPdf(scene, { ...options, colours })).map(withoutColours),
    );
    expect(rgb.join('').match(/COLOUR/g)!.length).toBeGreaterThan(4);
    expect(cmyk).toEqual(rgb);
    expect(plates).toEqual(rgb);
  });

  it('is as large as asked, with its bleed about the trim, and with larger units where a page has too many', () => {
    const scene = sceneFrom('<rect width="200" height="100" fill="#123456"/>', '0 0 200 100');
    const box = (text: string, name: string) => new RegExp(`/${name} \\[([^\\]]*)\\]`).exec(text)![1].split(' ').map(Number); // prettier-ignore
    const plain = latin(sceneToPdf(scene, { ...options, colours: 'rgb' }));
    expect(box(plain, 'MediaBox').map((v) => Math.round((v / 72) * 25.4 * 100) / 100)).toEqual([0, 0, 100, 50]);
    const bled = latin(sceneToPdf(scene, { ...options, colours: 'rgb', bleedMm: 3, groundHex: '#FFFFFF' }));
    const [x0, , x1] = box(bled, 'TrimBox').map((v) => (v / 72) * 25.4);
    expect(x0).toBeCloseTo(3, 3);
    expect(x1).toBeCloseTo(103, 3);
    expect((box(bled, 'MediaBox')[2] / 72) * 25.4).toBeCloseTo(106, 3);
    const vast = latin(sceneToPdf(scene, { ...options, colours: 'rgb', longerMm: 12_000 }));
    const unit = Number(/\/UserUnit (\d+)/.exec(vast)![1]);
    expect((box(vast, 'MediaBox')[2] * unit * 25.4) / 72).toBeCloseTo(12_000, 0);
    expect(box(vast, 'MediaBox')[2]).toBeLessThanOrEqual(14_400);
  });

  it('has inks as they are given: shares, and names of spot inks as plates', () => {
    const scene = sceneFrom(
      '<rect width="50" height="50" fill="#182A5C"/><circle cx="70" cy="70" r="20" fill="#F2C14E"/>',
    );
    const [blue, lamp] = scene.shapes.map((s) => s.paint.inkId);
    const press = { [blue]: { cmyk: [100, 80, 0, 40] }, [lamp]: { spot: 'Lamp (warm) 7' } } as const;
    const pdf = sceneToPdf(scene, { ...options, colours: 'cmyk', press });
    expect(pagesOf(pdf).join('')).toContain('1 .8 0 .4 k');
    expect(latin(pdf)).toContain('/Separation /Lamp#20#28warm#29#207 /DeviceCMYK');
  });
});

describe('CMYK', () => {
  it('never has more ink than dries, and gives greys to black alone', () => {
    for (let r = 0; r < 256; r += 15)
      for (let g = 0; g < 256; g += 15)
        for (let b = 0; b < 256; b += 15) {
          const shares = cmykOf(`#${[r, g, b].map((v) => v.toString(16).padStart(2, '0')).join('')}`);
          expect(totalInk(shares)).toBeLessThan(MOST_INK_PERCENT);
          expect(Math.min(shares[0], shares[1], shares[2])).toBeCloseTo(0, 9);
          // Back by the same formula.
          const back = [0, 1, 2].map((c) => Math.round(255 * (1 - shares[c]) * (1 - shares[3])));
          expect(back).toEqual([r, g, b]);
        }
    expect(cmykOf('#808080').slice(0, 3)).toEqual([0, 0, 0]);
    expect(pressShares('#808080', { cmyk: [10, 20, 30, 140] })).toEqual([0.1, 0.2, 0.3, 1]);
  });
});

describe('EPS', () => {
  it('says how large it is, is plain ASCII with short lines, and is the same each time', () => {
    const eps = sceneToEps(sceneFrom(MIXED, '0 0 100 50'), options);
    expect(eps.startsWith('%!PS-Adobe-3.0 EPSF-3.0\n%%BoundingBox: 0 0 284 142\n%%HiResBoundingBox: 0 0 283.4646 141.7323\n')).toBe(true); // prettier-ignore
    expect(eps).toMatch(/^[\n\x20-\x7e]*$/);
    expect(eps).toContain('%%Title: (Fuchs &  \\(1\\))');
    expect(Math.max(...eps.split('\n').map((l) => l.length))).toBeLessThan(255 * 4);
    expect(sceneToEps(sceneFrom(MIXED, '0 0 100 50'), options)).toBe(eps);
  });

  it('has no picture in it where nothing is seen through', () => {
    expect(sceneToEps(sceneFrom('<rect width="50" height="50" fill="#182A5C" opacity=".5"/>'), options)).not.toMatch(/image\b/); // prettier-ignore
    expect(sceneToEps(sceneFrom(MIXED), options)).toMatch(/ image\n/);
  });
});

describe('ICO', () => {
  it('holds pictures of several sizes where it says', () => {
    const pictures = [16, 256].map((sidePx) => ({ sidePx, png: new Uint8Array([137, 80, 78, 71, sidePx % 256]) }));
    const ico = Buffer.from(icoOf(pictures));
    expect([ico.readUInt16LE(0), ico.readUInt16LE(2), ico.readUInt16LE(4)]).toEqual([0, 1, 2]);
    pictures.forEach(({ sidePx, png }, k) => {
      const at = 6 + 16 * k;
      expect(ico[at]).toBe(sidePx % 256);
      const from = ico.readUInt32LE(at + 12);
      expect([...ico.subarray(from, from + ico.readUInt32LE(at + 8))]).toEqual([...png]);
    });
    expect(() => icoOf([{ sidePx: 512, png: new Uint8Array() }])).toThrow(RangeError);
  });
});
