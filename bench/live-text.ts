/**
 * Outlines of lettering against live text as Chromium draws it: of names in faces that ship, the share of pixels by which they differ, as the mean difference of white against black over the picture.
 * `npx tsx bench/live-text.ts [--faces 20]`.
 */
import { readFileSync, readdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { artworkToSvg } from '../core/export';
import { CATALOGUE, lettersArtwork, setText } from '../core/lettering';
import { openBrowser } from '../e2e/browser';
import { familyNamed, openFamily } from '../node/faces';
import { quantile } from './quantile';

const { values } = parseArgs({ options: { faces: { type: 'string', default: '20' } } });
const require = createRequire(import.meta.url);
const TEXT = 'AVATAR Toffee Way 1710 fjord';
const [WIDTH, HEIGHT, SIZE, LEFT, BASE] = [1500, 220, 96, 20, 140];

const { browser, close } = await openBrowser();
const page = await browser.newPage();
await page.setViewport({ width: WIDTH, height: HEIGHT });
const found: number[] = [];
for (const { id } of CATALOGUE.filter((c) => !c.isVariable).slice(0, Number(values.faces))) {
  const facts = familyNamed(id)!;
  const weight = facts.weights.includes(400) ? 400 : facts.weights[0];
  const files = join(dirname(require.resolve(`@fontsource/${id}/package.json`)), 'files');
  const file = readdirSync(files).find((f) => f === `${id}-latin-${weight}-normal.woff2`);
  if (!file) continue;
  const family = await openFamily(facts, TEXT, { weight });
  const set = setText(TEXT, family, { sizePx: SIZE });
  const made = lettersArtwork(set.lines[0].glyphs, '#000000')!;
  const svg = artworkToSvg(
    { ...made.artwork, widthPx: WIDTH, heightPx: HEIGHT },
    { origin: [-LEFT, -BASE], decimals: 3 },
  );
  const ours = await sharp(Buffer.from(new Resvg(svg, { background: '#fff' }).render().asPng())).removeAlpha().greyscale().raw().toBuffer(); // prettier-ignore
  // Without hints and without the colours of subpixels, as a picture of it is drawn.
  await page.setContent(
    `<style>@font-face{font-family:own;src:url(data:font/woff2;base64,${readFileSync(join(files, file)).toString('base64')})}body{margin:0;background:#fff}svg{display:block;will-change:transform}</style>` +
      `<svg width="${WIDTH}" height="${HEIGHT}" text-rendering="geometricPrecision"><text x="${LEFT}" y="${BASE}" font-family="own" font-size="${SIZE}" style="font-kerning:normal">${TEXT}</text></svg>`,
  );
  await page.evaluate('document.fonts.load("96px own").then(() => document.fonts.ready)');
  const shot = await sharp(Buffer.from(await page.screenshot({ type: 'png' }))).removeAlpha().greyscale().raw().toBuffer(); // prettier-ignore
  let sum = 0;
  for (let i = 0; i < ours.length; i++) sum += Math.abs(ours[i] - shot[i]);
  found.push(sum / ours.length / 255);
  console.log(`${id}: ${(100 * found[found.length - 1]).toFixed(3)}%`);
}
await close();
console.log(`${(100 * quantile(found, 0.5)).toFixed(3)}% at the median, ${(100 * Math.max(...found)).toFixed(3)}% at most, of ${found.length} faces`); // prettier-ignore
