/**
 * What retouching is worth: `npx tsx bench/retouch.ts [--count 40]`. Cut out: drawings of known coverage on grounds of several colours, clean and worn, against
 * what a renderer makes of them on nothing at all.
 */
import { parseArgs } from 'node:util';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { hexToRgb, oklabDistance, rgbToOklab } from '../core/colour';
import { randomFrom } from '../core/engine';
import { onGround, type Picture } from '../core/raster';
import { cutOut } from '../core/retouch';
import { decodePicture } from '../node/pictures';
import { drawingsOf, type Drawing } from './drawings';

const { values } = parseArgs({ options: { count: { type: 'string', default: '40' } } });
const COUNT = Number(values.count);
const SIDE_PX = 1024;
const GROUNDS = ['#FFFFFF', '#F2EBDC', '#DDE7EE', '#20346E'];
const ONTO = ['#000000', '#FF00FF', '#FFFFFF'];
const BAND_PX = 3;

const render = (svg: string, background?: string): Buffer =>
  new Resvg(svg, {
    ...(background ? { background } : {}),
    fitTo: { mode: 'width', value: SIDE_PX },
    font: { loadSystemFonts: false },
  })
    .render()
    .asPng();

/** Blurred by 0.8 px, noisy, and saved as JPEG of quality 80. */
async function worn(png: Buffer): Promise<Picture> {
  const { data, info } = await sharp(png).removeAlpha().blur(0.8).raw().toBuffer({ resolveWithObject: true });
  const random = randomFrom(7);
  for (let i = 0; i < data.length; i++)
    data[i] = Math.max(0, Math.min(255, Math.round(data[i] + 8 * (random() + random() + random() - 1.5))));
  const jpeg = await sharp(data, { raw: { width: info.width, height: info.height, channels: 3 } })
    .jpeg({ quality: 80 })
    .toBuffer();
  return decodePicture(await sharp(jpeg).png().toBuffer());
}

/** The drawing on nothing, softened as a worn picture of it is. */
async function truthOf(drawing: Drawing, isWorn: boolean): Promise<Picture> {
  const png = render(drawing.svg);
  return decodePicture(isWorn ? await sharp(png).blur(0.8).png().toBuffer() : png);
}

/** Pixels within some pixels of one that is partly covered, or where coverage changes. */
function bandOf({ widthPx: w, heightPx: h, rgba }: Picture): Uint8Array {
  const edge = new Uint8Array(w * h);
  for (let i = 0; i < edge.length; i++) {
    const a = rgba[4 * i + 3];
    const x = i % w;
    if (
      (a > 0 && a < 255) ||
      (x + 1 < w && rgba[4 * i + 7] !== a) ||
      (i + w < edge.length && rgba[4 * (i + w) + 3] !== a)
    )
      edge[i] = 1;
  }
  let near = edge;
  for (let step = 0; step < BAND_PX; step++) {
    const next = near.slice();
    for (let i = 0; i < near.length; i++)
      if (near[i]) {
        const x = i % w;
        for (const j of [x > 0 ? i - 1 : i, x + 1 < w ? i + 1 : i, i - w, i + w])
          if (j >= 0 && j < next.length) next[j] = 1;
      }
    near = next;
  }
  return near;
}

interface Row {
  readonly coverage: number;
  readonly onto: number;
  /** Pixels beyond the band outside that have coverage, and inside that lost some. */
  readonly strays: number;
  readonly eaten: number;
  readonly found: number;
  readonly holes: number;
  readonly ms: number;
}

async function measure(drawing: Drawing, groundHex: string, isWorn: boolean): Promise<Row> {
  const truth = await truthOf(drawing, isWorn);
  const png = render(drawing.svg, groundHex);
  const picture = isWorn ? await worn(png) : await decodePicture(png);
  const at = performance.now();
  // Which enclosed areas are holes the drawing knows.
  const isHole = (box: readonly number[]): boolean => {
    const [x, y, width, height] = box;
    let [alpha, n] = [0, 0];
    for (let dy = 0; dy < height; dy++)
      for (let dx = 0; dx < width; dx++, n++) alpha += truth.rgba[4 * ((y + dy) * SIDE_PX + x + dx) + 3];
    return alpha / n < 200;
  };
  const first = cutOut(picture);
  const ms = performance.now() - at;
  const { picture: cut } = cutOut(picture, { choose: (place) => isHole(first.enclosed[place].box) });
  const band = bandOf(truth);
  let [coverage, onto, n, strays, eaten] = [0, 0, 0, 0, 0];
  const laid = ONTO.map((hex) => [onGround(cut, hexToRgb(hex)).rgba, onGround(truth, hexToRgb(hex)).rgba] as const);
  for (let i = 0; i < band.length; i++) {
    const [got, want] = [cut.rgba[4 * i + 3] / 255, truth.rgba[4 * i + 3] / 255];
    if (!band[i]) {
      if (want === 0 && got > 0.05) strays++;
      if (want === 1 && got < 0.95) eaten++;
      continue;
    }
    n++;
    coverage += Math.abs(got - want);
    for (const [p, q] of laid)
      onto +=
        oklabDistance(
          rgbToOklab(p[4 * i], p[4 * i + 1], p[4 * i + 2]),
          rgbToOklab(q[4 * i], q[4 * i + 1], q[4 * i + 2]),
        ) / laid.length;
  }
  return { coverage: coverage / n, onto: onto / n, strays, eaten, found: 0, holes: 0, ms };
}

const middle = (list: number[], share = 0.5) => [...list].sort((p, q) => p - q)[Math.floor(list.length * share)];

for (const kind of ['single', 'many'] as const)
  for (const isWorn of [false, true]) {
    const rows: Row[] = [];
    for (const [k, drawing] of drawingsOf(kind, COUNT, 5).entries())
      rows.push(await measure(drawing, GROUNDS[k % GROUNDS.length], isWorn));
    const of = (pick: (r: Row) => number) => rows.map(pick);
    console.log(
      `${kind}, ${isWorn ? 'worn' : 'clean'}: coverage off by ${middle(of((r) => r.coverage)).toFixed(4)} (95 %: ${middle(
        of((r) => r.coverage),
        0.95,
      ).toFixed(4)}), ` +
        `on other grounds ${middle(of((r) => r.onto)).toFixed(4)} (95 %: ${middle(
          of((r) => r.onto),
          0.95,
        ).toFixed(4)}), ` +
        `strays in ${rows.filter((r) => r.strays).length}, eaten in ${rows.filter((r) => r.eaten).length} of ${rows.length}, ${Math.round(middle(of((r) => r.ms)))} ms`,
    );
  }
