/**
 * How alike the files of a delivery are to the scene they were written of, drawn by other renderers: `npx tsx bench/delivery.ts [COUNT] [FROM]`. Wants pdftoppm, gs and rsvg-convert.
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { artworkToSvg, sceneToEps, sceneToPdf } from '../core/export';
import { readSvg } from '../core/import';
import { drawScene, sceneOf } from '../core/scene';
import type { Artwork } from '../core/vector';
import { makeLockups } from '../node/make-lockups';
import { packDrawings } from './packs';

const SIDE_PX = 1024;
const count = Number(process.argv[2] ?? 200);
const from = Number(process.argv[3] ?? 0);
const folder = mkdtempSync(join(tmpdir(), 'odd-quill-delivery-'));

interface Grey {
  readonly rgb: Buffer;
  readonly widthPx: number;
  readonly heightPx: number;
}

async function flat(png: Buffer | Uint8Array, widthPx: number, heightPx: number): Promise<Grey> {
  const { data, info } = await sharp(png)
    .flatten({ background: '#ffffff' })
    .removeAlpha()
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  if (info.width !== widthPx || info.height !== heightPx)
    throw new Error(`drawn ${info.width} x ${info.height} instead of ${widthPx} x ${heightPx}`);
  return { rgb: data, widthPx, heightPx };
}

const difference = (a: Grey, b: Grey): number => {
  let sum = 0;
  for (let i = 0; i < a.rgb.length; i++) sum += Math.abs(a.rgb[i] - b.rgb[i]);
  return (100 * sum) / 255 / a.rgb.length;
};

const NAMES = ['pdf poppler', 'pdf cmyk shapes', 'eps ghostscript', 'svg resvg', 'svg librsvg'] as const;
const found = new Map<string, { name: string; percent: number }[]>(NAMES.map((n) => [n, []]));

async function measure(name: string, artwork: Artwork): Promise<void> {
  const scene = sceneOf(artwork, { strokes: 'kept' });
  const drawn = drawScene(scene, SIDE_PX);
  const { widthPx: w, heightPx: h } = drawn;
  const truth = await flat(
    await sharp(Buffer.from(drawn.rgba.buffer), { raw: { width: w, height: h, channels: 4 } })
      .png()
      .toBuffer(),
    w,
    h,
  );
  const note = (what: string, percent: number): void => void found.get(what)!.push({ name, percent });
  const common = { title: name, date: '2026-11-28', longerMm: 100 };
  const poppler = async (colours: 'rgb' | 'cmyk'): Promise<Grey> => {
    writeFileSync(join(folder, 'a.pdf'), sceneToPdf(scene, { ...common, colours }));
    execFileSync('pdftoppm', ['-png', '-singlefile', '-scale-to-x', `${w}`, '-scale-to-y', `${h}`, join(folder, 'a.pdf'), join(folder, 'a')], { stdio: ['ignore', 'ignore', 'inherit'] }); // prettier-ignore
    return flat(readFileSync(join(folder, 'a.png')), w, h);
  };
  note('pdf poppler', difference(truth, await poppler('rgb')));
  writeFileSync(join(folder, 'a.eps'), sceneToEps(scene, common));
  const dpi = (SIDE_PX / common.longerMm) * 25.4;
  execFileSync('gs', ['-q', '-dSAFER', '-dBATCH', '-dNOPAUSE', '-sDEVICE=png16m', `-r${dpi * 4}`, `-g${w * 4}x${h * 4}`, '-dDownScaleFactor=4', `-sOutputFile=${join(folder, 'e.png')}`, join(folder, 'a.eps')], { stdio: ['ignore', 'ignore', 'inherit'] }); // prettier-ignore
  note('eps ghostscript', difference(truth, await flat(readFileSync(join(folder, 'e.png')), w, h)));
  const svg = artworkToSvg(artwork);
  note('svg resvg', difference(truth, await flat(new Resvg(svg, { fitTo: w >= h ? { mode: 'width', value: w } : { mode: 'height', value: h } }).render().asPng(), w, h))); // prettier-ignore
  writeFileSync(join(folder, 'a.svg'), svg);
  execFileSync('rsvg-convert', ['-w', `${w}`, '-h', `${h}`, '-o', join(folder, 's.png'), join(folder, 'a.svg')]);
  note('svg librsvg', difference(truth, await flat(readFileSync(join(folder, 's.png')), w, h)));
}

const read = packDrawings(count, from).map(({ name, svg }) => ({ name, artwork: readSvg(svg).artwork }));
for (const { name, artwork } of read)
  await measure(name, artwork).catch((error: Error) => console.error(name, error.message.split('\n')[0]));
void makeLockups;
for (const [what, list] of found) {
  if (!list.length) continue;
  const worst = [...list].sort((a, b) => b.percent - a.percent);
  const mean = list.reduce((sum, d) => sum + d.percent, 0) / list.length;
  console.log(
    `${what.padEnd(18)} mean ${mean.toFixed(3)}%  worst ${worst
      .slice(0, 4)
      .map((d) => `${d.percent.toFixed(3)}% ${d.name}`)
      .join(', ')}`,
  );
}
rmSync(folder, { recursive: true });
