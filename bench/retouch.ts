/**
 * What retouching is worth: `npx tsx bench/retouch.ts [--count 40]`. Cut out: drawings of known coverage on grounds of several colours, clean and worn, against
 * what a renderer makes of them on nothing at all.
 */
import { parseArgs } from 'node:util';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { hexToRgb, oklabDistance, rgbToOklab } from '../core/colour';
import { findRegions, onGround, stepsFrom, type Picture } from '../core/raster';
import { cutOut } from '../core/retouch';
import { decodePicture } from '../node/pictures';
import { drawingsOf, worn, type Drawing } from './drawings';
import { quantile } from './quantile';

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
  return stepsFrom(edge, w, h, BAND_PX).map((steps) => Number(steps <= BAND_PX));
}

interface Row {
  readonly coverage: number;
  readonly onto: number;
  /** Pixels beyond the band outside that have coverage, and inside that lost some. */
  readonly strays: number;
  readonly eaten: number;
  readonly ms: number;
  /** Holes of the drawing from LEAST_HOLE_PX2 up, and how many of them were found. */
  readonly holes: number;
  readonly found: number;
  /** Areas that were listed, and how many of those `auto` chose for as the drawing is. */
  readonly listed: number;
  readonly right: number;
}

/** Holes smaller than this are not asked for. */
const LEAST_HOLE_PX2 = 150;

/** Boxes of what a drawing encloses that is transparent. */
function holesOf({ widthPx: w, heightPx: h, rgba }: Picture): (readonly number[])[] {
  const { of, label, sizePx2, atBorder } = findRegions(
    Uint8Array.from({ length: w * h }, (_, i) => Number(rgba[4 * i + 3] < 128)),
    w,
    h,
  );
  const boxes = new Map<number, [number, number, number, number]>();
  for (let i = 0; i < of.length; i++) {
    const k = of[i];
    if (label[k] !== 1 || atBorder[k] || sizePx2[k] < LEAST_HOLE_PX2) continue;
    const [x, y] = [i % w, Math.floor(i / w)];
    const box = boxes.get(k);
    if (!box) boxes.set(k, [x, y, x, y]);
    else {
      box[0] = Math.min(box[0], x);
      box[2] = Math.max(box[2], x);
      box[3] = y;
    }
  }
  return [...boxes.values()].map(([x0, y0, x1, y1]) => [x0, y0, x1 - x0 + 1, y1 - y0 + 1]);
}

/** Whether two boxes are nearly one. */
const isSameBox = (p: readonly number[], q: readonly number[]): boolean =>
  p.every((v, k) => Math.abs(v - q[k]) <= Math.max(3, 0.1 * Math.max(p[2], p[3])));

async function measure(drawing: Drawing, groundHex: string, isWorn: boolean): Promise<Row> {
  const truth = await truthOf(drawing, isWorn);
  const png = render(drawing.svg, groundHex);
  const picture = await decodePicture(isWorn ? await worn(png, 80) : png);
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
  const holes = holesOf(truth);
  const found = holes.filter((hole) => first.enclosed.some(({ box }) => isSameBox(hole, box))).length;
  const right = first.enclosed.filter(({ box, dropped }) => isHole(box) === dropped).length;
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
  const told = { holes: holes.length, found, listed: first.enclosed.length, right };
  return { coverage: coverage / n, onto: onto / n, strays, eaten, ms, ...told };
}

for (const kind of ['single', 'many'] as const)
  for (const isWorn of [false, true]) {
    const rows: Row[] = [];
    for (const [k, drawing] of drawingsOf(kind, COUNT, 5).entries())
      rows.push(await measure(drawing, GROUNDS[k % GROUNDS.length], isWorn));
    const of = (pick: (r: Row) => number) => rows.map(pick);
    const sum = (pick: (r: Row) => number) => of(pick).reduce((a, b) => a + b, 0);
    console.log(
      `${kind}, ${isWorn ? 'worn' : 'clean'}: coverage off by ${quantile(
        of((r) => r.coverage),
        0.5,
      ).toFixed(4)} (95 %: ${quantile(
        of((r) => r.coverage),
        0.95,
      ).toFixed(4)}), ` +
        `on other grounds ${quantile(
          of((r) => r.onto),
          0.5,
        ).toFixed(4)} (95 %: ${quantile(
          of((r) => r.onto),
          0.95,
        ).toFixed(4)}), ` +
        `strays in ${rows.filter((r) => r.strays).length}, eaten in ${rows.filter((r) => r.eaten).length} of ${rows.length}; ${sum((r) => r.found)} of ${sum((r) => r.holes)} holes found, auto right for ${sum((r) => r.right)} of ${sum((r) => r.listed)} areas; ${Math.round(
          quantile(
            of((r) => r.ms),
            0.5,
          ),
        )} ms`,
    );
  }
