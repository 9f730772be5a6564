/**
 * Depth measured: drawings out of packs on the tile of an app icon, with gradients mixed in OKLab over pieces, soft effects and all parts of depth, written as SVG and drawn by resvg, librsvg and Chromium, and
 * by our own renderer: the mean difference between each two, as a share of white against black over all pixels and channels, laid on white.
 * `npx tsx bench/alike.ts [--drawings 24] [--seed 3] [--out DIR]`, the latter for pictures side by side.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { artworkToSvg } from '../core/export';
import { readSvg } from '../core/import';
import { rectangleOfArcs } from '../core/path';
import { randomFrom } from '../core/random';
import { renderArtwork } from '../core/scene';
import { allPieces, appIconDepth, applyEdits, DEPTH_PARTS, plainPart, type Artwork, type Edit } from '../core/vector';
import { openBrowser } from '../e2e/browser';
import { drawingsOf } from './drawings';
import { quantile } from './quantile';

const { values } = parseArgs({
  options: {
    drawings: { type: 'string', default: '24' },
    seed: { type: 'string', default: '3' },
    out: { type: 'string' },
  },
});
const SIDE = 512;
const random = randomFrom(Number(values.seed));
const hex = (): string => `#${Math.floor(random() * 0x1000000).toString(16).padStart(6, '0').toUpperCase()}`; // prettier-ignore
const place = (size: number): [number, number] => [random() * size, random() * size];

/** A drawing on a tile, and depth of all kinds: every third with the set of an app icon, others with what chance gives. */
function iconOf(svg: string, k: number): Artwork {
  const { artwork: mark } = readSvg(svg);
  const size = Math.max(mark.widthPx, mark.heightPx);
  const tile = { id: 'tile', kind: 'piece' as const, inkId: 'tile', contours: [rectangleOfArcs(0, 0, size, size, 0.22 * size)] }; // prettier-ignore
  const artwork: Artwork = {
    ...mark,
    widthPx: size,
    heightPx: size,
    inks: [{ id: 'tile', hex: hex(), name: 'tile' }, ...mark.inks],
    nodes: [tile, { kind: 'group', id: 'mark', name: 'Mark', nodes: mark.nodes, transform: [0.62, 0, 0, 0.62, 0.19 * size, 0.19 * size] }], // prettier-ignore
  };
  const edits: Edit[] = [];
  const pieces = allPieces(mark).map((p) => p.id);
  const gradient = (kind: 'linear' | 'radial') => ({
    kind,
    from: place(size),
    to: place(size),
    stops: [0, 0.4, 1].map((at) => ({ at, hex: hex() })),
    mixed: 'oklab' as const,
  });
  edits.push({
    kind: 'fill-gradient',
    nodeIds: pieces.filter(() => random() < 0.5).concat(pieces[0]),
    inkId: 'fill',
    name: 'fill',
    gradient: gradient(k % 2 ? 'linear' : 'radial'),
  });
  if (k % 3) {
    edits.push({ kind: 'ink-gradient', inkId: 'tile', gradient: gradient('linear') });
    edits.push({
      kind: 'node-effects',
      nodeIds: ['mark'],
      effects: [
        { kind: 'shadow', dxPx: 0.02 * size, dyPx: 0.03 * size, blurPx: 0.02 * size * random(), inkId: 'tile', opacity: 0.6 },
        ...(random() < 0.3 ? [{ kind: 'blur' as const, radiusPx: 0.004 * size }] : []),
      ],
    }); // prettier-ignore
    edits.push({
      kind: 'depth',
      of: [],
      parts: DEPTH_PARTS.filter(() => random() < 0.7)
        .concat('rim')
        .filter((p, m, all) => all.indexOf(p) === m)
        .map((p) => plainPart(p, size)),
    });
  } else edits.push({ kind: 'depth', of: [], parts: appIconDepth(size, k % 2 ? 'soft' : 'long') });
  return applyEdits(artwork, edits).artwork;
}

type Pixels = Uint8Array;
const onWhite = async (png: Buffer): Promise<Pixels> =>
  new Uint8Array(await sharp(png).flatten({ background: '#ffffff' }).removeAlpha().raw().toBuffer());

const { browser, close } = await openBrowser();
const page = await browser.newPage();
await page.setViewport({ width: SIDE, height: SIDE });

async function drawn(artwork: Artwork): Promise<Record<string, Pixels>> {
  const svg = artworkToSvg(artwork, { decimals: 3 }).replace(/width="[^"]+" height="[^"]+"/, `width="${SIDE}" height="${SIDE}"`); // prettier-ignore
  const own = renderArtwork(artwork, SIDE);
  await page.setContent(`<body style="margin:0;background:#fff"></body>`);
  // As it stands in a page, not as a picture: that is how the screen draws it.
  await page.evaluate(
    `document.body.innerHTML = ${JSON.stringify(svg)}; document.querySelector('svg').style.display = 'block'`,
  );
  return {
    resvg: await onWhite(Buffer.from(new Resvg(svg, { fitTo: { mode: 'width', value: SIDE } }).render().asPng())),
    librsvg: await onWhite(await sharp(Buffer.from(svg)).resize(SIDE, SIDE).png().toBuffer()),
    chromium: await onWhite(Buffer.from(await page.screenshot({ type: 'png' }))),
    own: await onWhite(await sharp(Buffer.from(own.rgba.buffer), { raw: { width: SIDE, height: SIDE, channels: 4 } }).png().toBuffer()), // prettier-ignore
  };
}

const off = (a: Pixels, b: Pixels): number => {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += Math.abs(a[i] - b[i]);
  return sum / a.length / 255;
};

const found = new Map<string, number[]>();
let k = 0;
for (const { svg, name } of drawingsOf('many', Number(values.drawings), Number(values.seed))) {
  const artwork = iconOf(svg, k++);
  const all = await drawn(artwork);
  const names = Object.keys(all);
  names.forEach((a, m) =>
    names.slice(m + 1).forEach((b) => {
      const key = `${a}, ${b}`;
      found.set(key, [...(found.get(key) ?? []), off(all[a], all[b])]);
    }),
  );
  if (values.out) {
    mkdirSync(values.out, { recursive: true });
    const tiles = names.map((n, m) => ({ input: Buffer.from(all[n]), raw: { width: SIDE, height: SIDE, channels: 3 as const }, left: m * SIDE, top: 0 })); // prettier-ignore
    const sheet = sharp({ create: { width: names.length * SIDE, height: SIDE, channels: 3, background: '#fff' } });
    writeFileSync(
      join(values.out, `${k}-${name.replace(/\W+/g, '-')}.png`),
      await sheet.composite(tiles).png().toBuffer(),
    );
  }
}
await close();
for (const [pair, shares] of found)
  console.log(
    `${pair}: ${(100 * quantile(shares, 0.5)).toFixed(3)}% at the median, ${(100 * Math.max(...shares)).toFixed(3)}% at most, of ${shares.length}`,
  );
