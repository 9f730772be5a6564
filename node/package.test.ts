import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { optimize } from 'svgo';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { artworkToSvg, icoOf, sceneToEps, sceneToPdf } from '../core/export';
import { readSvg } from '../core/import';
import { checkGrounds, checkLook, checkSize, cutLine, FORS, ONE_COLOUR, placedOn, planPackage, REVERSED, sensibleFor, SETS, setsWith, subjectOf, weightOf, bytesOf, type PackageSets, type PlannedFile } from '../core/package'; // prettier-ignore
import { drawScene, sceneOf } from '../core/scene';
import type { Picture } from '../core/raster';
import type { Artwork } from '../core/vector';
import { ensurePackages } from '../scripts/setup.mjs';
import { chunksOf } from './apng';
import { checkFile, drawPdf } from './package-checks';
import { makePackage, type PackageOrder, type RunTask } from './package-run';
import { packageFile, packageLook } from './package-tasks';
import { packed, unpacked, zipStream } from './zip';

const artworkFrom = (inner: string, box = '0 0 128 128'): Artwork =>
  readSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}">${inner}</svg>`).artwork;

/** An artwork with its lowest piece blurred, and a shadow of its highest. */
const softened = (artwork: Artwork): Artwork => {
  const [inkId] = artwork.inks.map((i) => i.id);
  const effects = [
    [{ kind: 'blur', radiusPx: 4 }],
    [{ kind: 'shadow', dxPx: 2, dyPx: 5, blurPx: 3, inkId, opacity: 0.5 }],
  ] as const;
  return { ...artwork, nodes: artwork.nodes.map((node, k) => ({ ...node, effects: effects[k] })) };
};

/** One of each kind of thing that a page must draw. */
const DRAWINGS: Readonly<Record<string, Artwork>> = {
  'curves, holes by either rule and lines': artworkFrom(
    '<path fill="#182A5C" fill-rule="evenodd" d="M64 8A56 56 0 1 1 63.9 8ZM64 30A34 34 0 1 1 63.9 30Z"/><path d="M20 100Q64 40 108 100" fill="none" stroke="#B5402A" stroke-width="7" stroke-linecap="round" stroke-dasharray="14 9"/><path d="M40 60L64 20L88 60" fill="none" stroke="#F2C14E" stroke-width="5" stroke-linejoin="bevel"/>',
  ),
  'gradients, straight, from a focus, and that come again': artworkFrom(
    '<defs><linearGradient id="a" x1="0" y1="0" x2=".3" y2=".1" spreadMethod="reflect"><stop offset=".1" stop-color="#B5402A"/><stop offset=".9" stop-color="#F2C14E"/></linearGradient><radialGradient id="b" fx=".3" fy=".35"><stop offset="0" stop-color="#fff"/><stop offset="1" stop-color="#182A5C"/></radialGradient></defs><rect x="8" y="8" width="112" height="50" fill="url(#a)"/><ellipse cx="64" cy="92" rx="50" ry="28" fill="url(#b)"/>',
  ),
  'what is seen through, clipped and masked': artworkFrom(
    '<defs><clipPath id="c"><circle cx="40" cy="40" r="30"/><circle cx="88" cy="40" r="30"/></clipPath><mask id="m"><linearGradient id="l"><stop stop-color="#fff"/><stop offset="1" stop-color="#000"/></linearGradient><rect width="128" height="128" fill="url(#l)"/></mask></defs><g clip-path="url(#c)"><rect width="128" height="80" fill="#3E7D5A"/></g><rect x="20" y="30" width="88" height="40" fill="#F2C14E" opacity=".6"/><g opacity=".5"><circle cx="50" cy="96" r="24" fill="#182A5C"/><circle cx="76" cy="96" r="24" fill="#B5402A"/></g><g mask="url(#m)"><rect x="8" y="110" width="112" height="14" fill="#182A5C"/></g>',
  ),
  'soft shadows': softened(
    artworkFrom('<circle cx="66" cy="72" r="36" fill="#182A5C"/><circle cx="62" cy="60" r="36" fill="#F2C14E"/>'),
  ),
};

let folder: string;
beforeAll(() => {
  ensurePackages({ renderers: true });
  folder = mkdtempSync(join(tmpdir(), 'odd-quill-package-'));
});
afterAll(() => rmSync(folder, { recursive: true }));

/** What threads do, done here. */
const here: RunTask = async (kind, input) =>
  (kind === 'packageLook' ? packageLook(input as never) : await packageFile(input as never)) as never;

/** All that a package has, by its name. */
async function allOf(order: PackageOrder) {
  const made = new Map<string, Uint8Array>();
  const { files, checks } = await makePackage(order, here, { put: async ({ name }, bytes) => void made.set(name, bytes) });
  return { made, files, checks };
} // prettier-ignore

const SIDE = 512;
const flat = async (picture: Buffer | Uint8Array): Promise<Buffer> =>
  sharp(picture).flatten({ background: '#fff' }).removeAlpha().toColourspace('srgb').raw().toBuffer();
const percent = (a: Uint8Array, b: Uint8Array): number => {
  expect(b.length).toBe(a.length);
  return (100 * a.reduce((sum, v, i) => sum + Math.abs(v - b[i]), 0)) / 255 / a.length;
};
const rgbOf = ({ rgba }: Picture): Uint8Array => Uint8Array.from(rgba.filter((_, i) => i % 4 !== 3));
const truthOf = (artwork: Artwork): Promise<Buffer> => {
  const { rgba, widthPx: width, heightPx: height } = drawScene(sceneOf(artwork, { strokes: 'kept' }), SIDE);
  return sharp(Buffer.from(rgba.buffer), { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer()
    .then(flat);
};
const draw = (command: string, args: string[], out: string): Promise<Buffer> => {
  execFileSync(command, args, { stdio: ['ignore', 'ignore', 'pipe'] });
  return flat(readFileSync(out));
};

describe('drawn again by others', () => {
  it.each(Object.keys(DRAWINGS))('is the same: %s', async (name) => {
    const artwork = DRAWINGS[name];
    const scene = sceneOf(artwork, { strokes: 'kept' });
    const common = { title: name, date: '2026-11-24', longerMm: 100 };
    const [pdf, eps, svg, png] = ['a.pdf', 'a.eps', 'a.svg', 'a.png'].map((f) => join(folder, f));
    const truth = await truthOf(artwork);
    const rgb = sceneToPdf(scene, { ...common, colours: 'rgb' });
    writeFileSync(pdf, rgb);
    writeFileSync(eps, sceneToEps(scene, common));
    writeFileSync(svg, artworkToSvg(artwork));
    const size = ['-scale-to-x', `${SIDE}`, '-scale-to-y', `${SIDE}`];
    // Soft things are pictures in pages: what is measured of them is how smoothly they are enlarged.
    const most = name.startsWith('soft') ? 0.5 : 0.35;
    expect(percent(truth, await draw('pdftoppm', ['-png', '-singlefile', ...size, pdf, join(folder, 'a')], png))).toBeLessThan(most);
    // What is masked by light it does not know.
    if (!Buffer.from(rgb).includes('/S /Luminosity')) expect(percent(truth, rgbOf(await drawPdf(rgb, SIDE, SIDE)))).toBeLessThan(most);
    const dots = `-r${(4 * SIDE * 25.4) / 100}`;
    expect(percent(truth, await draw('gs', ['-q', '-dSAFER', '-dBATCH', '-dNOPAUSE', '-sDEVICE=png16m', dots, `-g${4 * SIDE}x${4 * SIDE}`, '-dDownScaleFactor=4', `-sOutputFile=${png}`, eps], png))).toBeLessThan(name.startsWith('soft') ? 1.2 : 0.5);
    expect(percent(truth, await draw('rsvg-convert', ['-w', `${SIDE}`, '-o', png, svg], png))).toBeLessThan(0.35);
  }); // prettier-ignore

  it('is the same in both renderers where it is clipped by several and seen through', async () => {
    const artwork = artworkFrom('<defs><clipPath id="c"><circle cx="40" cy="40" r="30"/><path d="M58 10L118 10L88 70Z"/></clipPath><mask id="w"><circle cx="64" cy="96" r="24" fill="#fff" opacity=".7"/></mask></defs><g clip-path="url(#c)"><rect width="128" height="80" fill="#3E7D5A"/></g><g mask="url(#w)"><rect y="70" width="128" height="50" fill="#182A5C"/></g>'); // prettier-ignore
    const pdf = sceneToPdf(sceneOf(artwork, { strokes: 'kept' }), { title: '', date: '2026-11-24', longerMm: 60, colours: 'rgb' }); // prettier-ignore
    expect(percent(await truthOf(artwork), rgbOf(await drawPdf(pdf, SIDE, SIDE)))).toBeLessThan(0.35);
  });

  it('is told where it is not', async () => {
    const artwork = DRAWINGS['curves, holes by either rule and lines'];
    const [subject] = [subjectOf(artwork, { key: 's', name: 'Noctule', stem: 'noctule', kind: 'mark' })];
    const look = { key: 'master', name: 'own', kind: 'own' } as const;
    const plan = planPackage([{ subject, look, for: ['print'] }]);
    const other = sceneToPdf(sceneOf(DRAWINGS['soft shadows'], { strokes: 'kept' }), { title: '', date: '2026-11-24', longerMm: 100, colours: 'rgb' }); // prettier-ignore
    const pdf = plan.find((f) => f.name.endsWith('-rgb.pdf'))!;
    expect(await checkFile(pdf, other, artwork, SETS)).toMatchObject([{ what: 'alike', ok: false }]);
    const svg = plan.find((f) => f.name.endsWith('.svg'))!;
    const live = artworkToSvg(artwork).replace('</svg>', '<text x="5" y="20">Noctule</text></svg>');
    const [icon, movement] = planPackage([{ subject: { ...subject, motions: ['turned'] }, look, for: ['web', 'motion'] }], setsWith({ motion: { ...SETS.motion, kinds: ['turned'] } })).filter((f) => f.making.as === 'ico' || f.making.as === 'motion-json'); // prettier-ignore
    const one = icoOf([{ sidePx: 16, png: await sharp({ create: { width: 32, height: 32, channels: 4, background: '#fff' } }).png().toBuffer() }]); // prettier-ignore
    expect(await checkFile(icon, one, artwork, SETS)).toMatchObject([{ what: 'picture', ok: false }]);
    expect(await checkFile(movement, Buffer.from('{}'), DRAWINGS['soft shadows'], SETS)).toMatchObject([{ what: 'movement', ok: false }]); // prettier-ignore
    expect((await checkFile(svg, Buffer.from(live), artwork, SETS)).map((c) => [c.what, c.ok])).toContainEqual([
      'text',
      false,
    ]);
  });
});

describe('a full package', () => {
  const mark = artworkFrom('<path fill="#B5402A" d="M24 24L64 50L104 24L96 80L64 110L32 80Z"/><circle cx="50" cy="68" r="7" fill="#182A5C"/><circle cx="78" cy="68" r="7" fill="#182A5C"/>'); // prettier-ignore
  const subject = subjectOf(mark, { key: 'fox', name: 'Лиса 🦊', stem: 'lisa-fox', kind: 'mark' });
  const own = { key: 'master', name: 'own', kind: 'own' } as const;
  const looks = [own, ONE_COLOUR, REVERSED];
  const rows = looks.map((look) => ({
    subject: { ...subject, date: '2026-11-20' },
    look,
    for: sensibleFor(subject, look),
  }));
  const plan = planPackage(rows);
  const order: PackageOrder = {
    title: 'Лиса',
    date: '2026-11-24',
    grounds: [{ name: 'linen', hex: '#F1E3CB' }],
    sets: SETS,
    rows,
    made: ['For Søren'],
    descent: { works: ['fox'] },
  };
  let made = new Map<string, Uint8Array>();
  let files: Awaited<ReturnType<typeof allOf>>['files'] = [];
  let checks: Awaited<ReturnType<typeof allOf>>['checks'] = [];
  const file = (end: string): PlannedFile => plan.find((f) => f.name.endsWith(end))!;
  const bytes = (end: string): Buffer => Buffer.from(made.get(file(end).name)!);

  beforeAll(async () => {
    ({ made, files, checks } = await allOf(order));
  }, 60_000);

  it('has each file under a name of its own, and every picture as large as it says', async () => {
    expect(new Set(plan.map((f) => f.name)).size).toBe(plan.length);
    expect(plan.every((f) => /^[a-z]+\/[a-z0-9.-]+$/.test(f.name) && FORS.includes(f.for))).toBe(true);
    expect(checks.filter((c) => !c.ok && c.file !== null).map((c) => `${c.file} ${c.said}`)).toEqual([]);
    expect(checks.filter((c) => c.what === 'alike').length).toBeGreaterThan(6);
    expect(files.map((f) => f.name)).toEqual([...plan.map((f) => f.name), 'checks.txt', 'descent.json', 'README.txt']);
  });

  it('tells where it came from, with the SHA-256 of every file, and what was looked at', () => {
    const text = (name: string): string => Buffer.from(made.get(name)!).toString();
    const descent = JSON.parse(text('descent.json')) as { title: string; works: string[]; files: { name: string; sha256: string }[] };
    expect([descent.title, descent.works]).toEqual(['Лиса', ['fox']]);
    for (const { name, sha256 } of descent.files) expect(createHash('sha256').update(made.get(name)!).digest('hex')).toBe(sha256);
    expect(descent.files.length).toBe(plan.length + 1);
    for (const { name } of plan) expect(text('README.txt')).toContain(name);
    expect(text('README.txt')).toContain('For Søren');
    expect(text('checks.txt').split('\n').filter((l) => /^(ok|LOOK) /.test(l))).toHaveLength(checks.length);
  }); // prettier-ignore

  it('is as large as was said before it was made, in sum within a quarter', () => {
    const sum = { said: 0, is: 0 };
    for (const f of plan) {
      const { artwork } = subject;
      sum.said += bytesOf(f, weightOf(artwork));
      sum.is += made.get(f.name)!.length;
    }
    expect(sum.said / sum.is).toBeGreaterThan(0.75);
    expect(sum.said / sum.is).toBeLessThan(1.25);
  });

  it('hands its files on in their order while others are made, and stops when it is told to', async () => {
    const stop = new AbortController();
    const had: string[] = [];
    const under = makePackage(order, here, {
      put: async ({ name }) => void (had.push(name) === 5 && stop.abort()),
      signal: stop.signal,
    });
    await expect(under).rejects.toMatchObject({ name: 'AbortError' });
    expect(had).toEqual(plan.slice(0, 5).map((f) => f.name));
    await expect(makePackage({ ...order, rows: [] }, here, { put: async () => {} })).rejects.toThrow(RangeError);
    await expect(makePackage(order, here, { put: () => Promise.reject(Object.assign(new Error('full'), { code: 'ENOSPC' })) })).rejects.toMatchObject({ code: 'ENOSPC' }); // prettier-ignore
  });

  it('is of the sets that are asked for: sizes, kinds of files, inks as given', async () => {
    const sets: PackageSets = setsWith({
      print: { longerMm: 60, bleedMm: 3 },
      shops: { storePx: [256, 256], iconPx: [64], layerPx: [108] },
      leftOut: ['print/eps', 'shops/layers'],
      press: { '#B5402A': { spot: 'Lisa Red', cmyk: [0, 80, 90, 10] } },
    });
    const of = await allOf({ ...order, sets, rows: [{ ...rows[0], for: ['print', 'shops'] }] });
    expect(of.files.map((f) => f.name).filter((n) => n.includes('/'))).toEqual([
      'print/lisa-fox.svg', 'print/lisa-fox-rgb.pdf', 'print/lisa-fox-cmyk.pdf', 'print/lisa-fox-plates.pdf',
      'shops/lisa-fox-icon-256.png', 'shops/lisa-fox-icon-64.png', 'shops/lisa-fox-monochrome-108.png',
    ]);
    const pdf = Buffer.from(of.made.get('print/lisa-fox-plates.pdf')!).toString('latin1');
    expect(pdf).toContain('/Separation /Lisa#20Red');
    const points = (mm: number): string => String(Number(((mm * 72) / 25.4).toFixed(2)));
    expect(pdf).toContain('/TrimBox');
    expect(/\/MediaBox \[0 0 ([\d.]+)/.exec(pdf)![1].slice(0, 5)).toBe(points(66).slice(0, 5));
  }); // prettier-ignore

  it('is the same zip whenever it is put together, its files deflated where that gains', async () => {
    const zipped = async (): Promise<Buffer> => {
      const chunks: Uint8Array[] = [];
      const zip = zipStream('2026-11-24', (chunk) => chunks.push(chunk));
      for (const [name, bytes] of made) {
        const own = await packed(name, bytes);
        expect(Buffer.from(unpacked(own)).equals(bytes)).toBe(true);
        expect(own.content.length).toBeLessThanOrEqual(bytes.length);
        zip.add(name, own);
      }
      zip.end();
      return Buffer.concat(chunks);
    };
    const zip = await zipped();
    expect(zip.equals(await zipped())).toBe(true);
    const read = unzipSync(zip);
    expect(Object.keys(read)).toEqual([...made.keys()]);
    for (const [name, bytes] of made) expect(Buffer.from(read[name]).equals(bytes)).toBe(true);
  });

  it('has icons for shops that are opaque, layers, and all that matters within safe circles', async () => {
    for (const px of [1024, 512, 180, 167, 152, 120])
      expect(await sharp(bytes(`shops/lisa-fox-icon-${px}.png`)).metadata()).toMatchObject({ width: px, height: px, hasAlpha: false });
    expect(await sharp(bytes('-background-432.png')).metadata()).toMatchObject({ width: 432, hasAlpha: false });
    for (const [end, share] of [['-foreground-432.png', 0.611], ['-monochrome-432.png', 0.611], ['-icon-maskable-512.png', 0.8]] as const) {
      const { data, info } = await sharp(bytes(end)).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
      const [r0, g0, b0] = data;
      let far = 0;
      for (let y = 0; y < info.height; y++)
        for (let x = 0; x < info.width; x++) {
          const i = 4 * (y * info.width + x);
          const shows = data[i + 3] > 40 && (data[3] < 40 || Math.abs(data[i] - r0) + Math.abs(data[i + 1] - g0) + Math.abs(data[i + 2] - b0) > 60);
          if (shows) far = Math.max(far, Math.hypot(x + 0.5 - info.width / 2, y + 0.5 - info.height / 2));
        }
      expect(far).toBeLessThanOrEqual((share * info.width) / 2 + 1);
      expect(far).toBeGreaterThan(0.4 * share * info.width);
    }
  }); // prettier-ignore

  it('has a favicon with each of its sizes, and a manifest that names files which are there', async () => {
    const ico = bytes('-icon.ico');
    const sides = Array.from({ length: ico.readUInt16LE(4) }, (_, k) => 6 + 16 * k);
    const found = await Promise.all(
      sides.map(async (at) => {
        const from = ico.readUInt32LE(at + 12);
        const { width, height, format } = await sharp(ico.subarray(from, from + ico.readUInt32LE(at + 8))).metadata();
        return [ico[at], width, height, format];
      }),
    );
    expect(found).toEqual([16, 32, 48].map((px) => [px, px, px, 'png']));
    const manifest = JSON.parse(bytes('.webmanifest').toString()) as {
      name: string;
      icons: { src: string; sizes: string; purpose: string }[];
    };
    expect(manifest.name).toBe('Лиса 🦊');
    for (const { src, sizes } of manifest.icons) {
      const { width, height } = await sharp(made.get(`web/${src}`)!).metadata();
      expect(`${width}x${height}`).toBe(sizes);
    }
    for (const [, href] of bytes('-head.html')
      .toString()
      .matchAll(/href="\/([^"]+)"/g))
      expect([...made.keys()]).toContain(`web/${href}`);
  });

  it('has SVG no larger than an optimizer makes it, tokens, variables, and a work that reads back', () => {
    const small = bytes('web/lisa-fox.svg').toString();
    expect(Buffer.byteLength(small)).toBeLessThanOrEqual(1.02 * Buffer.byteLength(optimize(small, { multipass: true }).data)); // prettier-ignore
    expect(decodeURIComponent(bytes('-inline.txt').toString().trim().replace('data:image/svg+xml,', ''))).toBe(small);
    expect(bytes('-inks.css').toString()).toMatch(/--ink-[a-z-]+: #b5402a;/);
    expect((JSON.parse(bytes('-work.json').toString()) as { artwork: Artwork }).artwork).toEqual(JSON.parse(JSON.stringify(mark))); // prettier-ignore
  });

  it('has a cut line that is as far outside as it says, without holes', () => {
    const square = artworkFrom('<path fill="#111" fill-rule="evenodd" d="M40 40H88V88H40ZM54 54H74V74H54Z"/>');
    const lines = cutLine(square, 10);
    expect(lines).toHaveLength(1);
    const xs = lines[0].segments.map((s) => s.to[0]);
    expect(Math.min(...xs)).toBeCloseTo(30, 1);
    expect(Math.max(...xs)).toBeCloseTo(98, 1);
    expect(bytes('-sticker-40mm.svg').toString()).toMatch(/width="46mm" height="46mm"/);
    expect(bytes('-sticker-40mm.pdf').toString('latin1')).toContain('/Separation /Cut#20line');
  });

  it('is the same bytes when made again, and those of a version do not hang on the day of delivery', async () => {
    const again = await allOf({ ...order, date: '2027-01-09', rows: rows.map((r) => ({ ...r, for: r.for.filter((f) => f !== 'motion') })) }); // prettier-ignore
    for (const f of plan.filter((p) => p.for !== 'motion' && p.for !== 'sheet'))
      expect(Buffer.from(again.made.get(f.name)!).equals(made.get(f.name)!), f.name).toBe(true);
    expect(Buffer.from(again.made.get('README.txt')!).equals(made.get('README.txt')!)).toBe(false);
  });

  it('says what a press would stumble over', () => {
    const drawing = artworkFrom('<rect width="60" height="60" fill="#00000F"/><rect x="60" width="60" height="60" fill="#3E7D5A"/><rect y="60" width="60" height="60" fill="#86606F"/><path d="M70 70H120" stroke="#111" stroke-width=".3"/>'); // prettier-ignore
    const at = { subject: 's', look: 'master' };
    const sets = (press: PackageSets['press']) => setsWith({ press, print: { longerMm: 40, bleedMm: 0 } });
    const checks = checkLook('mark', drawing, sets({}), at);
    expect(checks.find((c) => c.what === 'ink')).toMatchObject({ ok: true, figure: 294 });
    expect(checks.find((c) => c.what === 'line')).toMatchObject({ ok: false, figure: 0.09 });
    expect(checks.filter((c) => c.what === 'grey').map((c) => c.figure)).toEqual(expect.arrayContaining([2]));
    const over = checkLook('mark', drawing, sets({ '#00000F': { cmyk: [90, 90, 90, 90] }, '#86606F': { cmyk: [50, 0, 0, 20] }, '#3E7D5A': { cmyk: [52, 0, 0, 22] } }), at);
    expect(over.find((c) => c.what === 'ink')).toMatchObject({ ok: false, figure: 360 });
    const together = (all: typeof checks) => all.filter((c) => c.what === 'press').map((c) => c.figure);
    expect(together(over)).toContain(4);
    expect(together(checks)).not.toContain(4);
    expect(checkGrounds('mark', drawing, [{ name: 'night', hex: '#101018' }], at)).toMatchObject([{ what: 'contrast', ok: false, figure: expect.any(Number), at: { groundHex: '#101018' } }]);
    expect(checkSize({ name: 'shops/a.png', for: 'shops' }, 2_000_000, SETS)).toMatchObject({ ok: false, figure: 2000 });
    expect(checkSize({ name: 'print/a.pdf', for: 'print' }, 2_000_000, SETS)).toBeNull();
  }); // prettier-ignore

  it('has movements in pairs that share their names, and a picture of each that plays', async () => {
    const pairs = plan.filter((f) => f.making.as === 'motion-svg').map((f) => f.name.replace(/\.svg$/, ''));
    expect(pairs.map((p) => p.replace(/^.*-/, ''))).toEqual(['drawn', 'assembled', 'floated', 'blinked']);
    for (const pair of pairs) {
      expect(JSON.parse(Buffer.from(made.get(`${pair}.json`)!).toString())).toMatchObject({ w: 128, h: 128 });
      const chunks = chunksOf(made.get(`${pair}.png`)!).map((c) => c.type);
      expect(chunks.filter((c) => c === 'fcTL').length).toBe(chunks.filter((c) => c === 'fdAT').length + 1);
      const { width, hasAlpha } = await sharp(made.get(`${pair}-poster.png`)!).metadata();
      expect([width, hasAlpha]).toEqual([480, true]);
      // A reader that knows no movement shows the first frame.
      expect(await sharp(made.get(`${pair}.png`)!).metadata()).toMatchObject({ width: 480, height: 480 });
    }
  });

  it('has a brand sheet of eleven pages, its text real, tagged, with its face in it, the same each time', async () => {
    const pdf = bytes('-brand-sheet.pdf');
    const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    const loading = getDocument({ data: new Uint8Array(pdf), verbosity: 0 });
    const read = await loading.promise;
    expect(read.numPages).toBe(11);
    const pages = await Promise.all(
      Array.from({ length: 11 }, async (_, k) => {
        const { items } = await (await read.getPage(k + 1)).getTextContent();
        return items.map((i) => ('str' in i ? i.str : '')).join('');
      }),
    );
    expect(pages[0]).toContain('Лиса');
    expect(pages[6]).toContain('#B5402A');
    expect(pages[4]).toMatch(/at least (16|24|32|64) px/);
    const { info } = await read.getMetadata();
    expect((info as { Title: string; Language: string }).Title).toBe('Лиса: brand sheet');
    await loading.destroy();
    for (const said of ['/MarkInfo', '/Marked true', '/StructTreeRoot', '/FontFile2', '/Lang (en)'])
      expect(pdf.includes(said), said).toBe(true);
    const again = await allOf({ ...order, rows: [{ ...rows[0], for: ['sheet'] }] });
    expect(Buffer.from(again.made.get(file('-brand-sheet.pdf').name)!).length).toBeGreaterThan(0.8 * pdf.length);
  });

  it('puts an opaque artwork over a whole icon, and leaves none of a figure out on a wide sheet', () => {
    const wide = placedOn(mark, { widthPx: 1500, heightPx: 500, within: 'box', share: 0.5, groundHex: '#FFFFFF' });
    expect([wide.widthPx, wide.heightPx]).toEqual([1500, 500]);
    const full = subjectOf(artworkFrom('<rect width="128" height="128" fill="#182A5C"/>'), { key: 'x', name: 'x', stem: 'x', kind: 'mark' }); // prettier-ignore
    expect(full.isOpaque).toBe(true);
    const icon = planPackage([{ subject: full, look: own, for: ['shops'] }]).find((f) => f.name.endsWith('-icon-180.png'))!;
    expect(icon.making).toMatchObject({ place: { within: 'cover', share: 1 } });
  }); // prettier-ignore
});
