/**
 * How alike the files of a delivery are to the scene that they were written of, drawn by other renderers at 1024 px: mean difference in percent of drawings of packs and of lockups.
 * `npx tsx bench/delivery.ts [DRAWINGS] [FROM] [LOCKUPS]`. Wants pdftoppm, gs and rsvg-convert (`npm test` installs them).
 */
import { execFileSync, type ExecFileSyncOptions } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { artworkToSvg, sceneToEps, sceneToPdf } from '../core/export';
import { readSvg } from '../core/import';
import { differenceOf, onGround, type Picture } from '../core/raster';
import { drawScene, sceneOf } from '../core/scene';
import type { Artwork } from '../core/vector';
import { openBrowser } from '../e2e/browser';
import { makeLockups } from '../node/make-lockups';
import { drawPdf } from '../node/package-checks';
import { drawSvg } from '../node/draw-svg';
import { decodePicture } from '../node/pictures';
import { packDrawings } from './packs';

const SIDE_PX = 1024;
const LONGER_MM = 100;
const [count = 200, from = 0, lockupCount = 20] = process.argv.slice(2).map(Number);
const folder = mkdtempSync(join(tmpdir(), 'odd-quill-delivery-'));
const file = (name: string): string => join(folder, name);
const quiet: ExecFileSyncOptions = { stdio: ['ignore', 'ignore', 'inherit'] };
const { browser, close } = await openBrowser();
const page = await browser.newPage();

const found = new Map<string, { name: string; percent: number }[]>();

async function measure(kind: string, name: string, artwork: Artwork): Promise<void> {
  const scene = sceneOf(artwork, { strokes: 'kept' });
  const truth = onGround(drawScene(scene, SIDE_PX), [255, 255, 255]);
  const { widthPx: w, heightPx: h } = truth;
  const note = (what: string, picture: Picture): void => {
    const key = `${kind}: ${what}`;
    const drawn = onGround(picture, [255, 255, 255]);
    const percent = drawn.widthPx === w && drawn.heightPx === h ? (100 * differenceOf(truth, drawn)) / 255 : 100;
    found.set(key, [...(found.get(key) ?? []), { name, percent }]);
  };
  const read = (png: string): Promise<Picture> => decodePicture(readFileSync(file(png)));
  const common = { title: name, date: '2026-11-28', longerMm: LONGER_MM };
  const pdf = sceneToPdf(scene, { ...common, colours: 'rgb' });
  writeFileSync(file('a.pdf'), pdf);
  execFileSync('pdftoppm', ['-png', '-singlefile', '-scale-to-x', `${w}`, '-scale-to-y', `${h}`, file('a.pdf'), file('a')], quiet); // prettier-ignore
  note('PDF, poppler', await read('a.png'));
  // It knows no masks by light in Node.
  if (!Buffer.from(pdf).includes('/S /Luminosity')) note('PDF, pdf.js', await drawPdf(pdf, w, h));
  writeFileSync(file('a.eps'), sceneToEps(scene, common));
  const dots = (4 * SIDE_PX * 25.4) / LONGER_MM;
  execFileSync('gs', ['-q', '-dSAFER', '-dBATCH', '-dNOPAUSE', '-sDEVICE=png16m', `-r${dots}`, `-g${w * 4}x${h * 4}`, '-dDownScaleFactor=4', `-sOutputFile=${file('e.png')}`, file('a.eps')], quiet); // prettier-ignore
  note('EPS, Ghostscript', await read('e.png'));
  const svg = artworkToSvg(artwork);
  note('SVG, resvg', await decodePicture(drawSvg(svg, w, h, SIDE_PX)));
  writeFileSync(file('a.svg'), svg);
  execFileSync('rsvg-convert', ['-w', `${w}`, '-h', `${h}`, '-o', file('s.png'), file('a.svg')]);
  note('SVG, librsvg', await read('s.png'));
  await page.setViewport({ width: w, height: h });
  await page.setContent(`<!doctype html><style>body{margin:0;background:#fff}svg{display:block;width:${w}px;height:${h}px}</style>${svg}`); // prettier-ignore
  note('SVG, Chromium', await decodePicture(Buffer.from(await page.screenshot())));
}

const drawings = packDrawings(count, from).map(({ name, svg }) => ({ name, artwork: readSvg(svg).artwork }));
for (const { name, artwork } of drawings) await measure('drawings', name, artwork);

let lockups = 0;
for (const { name, artwork } of drawings) {
  if (lockups >= lockupCount) break;
  const made = await makeLockups({ mark: artwork, name: 'Noctule Night Rail', line: 'Sleeper trains' });
  for (const { layout, svg } of made.lockups.slice(0, Math.min(5, lockupCount - lockups))) {
    lockups++;
    await measure('lockups', `${name} ${layout}`, readSvg(svg).artwork);
  }
}
await close();
for (const [what, list] of found) {
  const sorted = [...list].sort((a, b) => b.percent - a.percent);
  const mean = list.reduce((sum, d) => sum + d.percent, 0) / list.length;
  const worst = sorted.slice(0, 3).map((d) => `${d.percent.toFixed(3)}% ${d.name}`);
  console.log(`${what.padEnd(28)} ${list.length}, mean ${mean.toFixed(3)}%, worst ${worst.join(', ')}`);
}
rmSync(folder, { recursive: true });
