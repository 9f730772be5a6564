/** Drawings with known outlines, out of permissively licensed packs, and what a trace of them is measured by. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { Resvg } from '@resvg/resvg-js';
import sharp, { type Sharp } from 'sharp';
import { oklabDistance, rgbToOklab, type Oklab } from '../core/colour';
import { randomFrom } from '../core/random';
import { blankPicture, type Picture } from '../core/raster';
import { parsePath } from '../core/path';
import { decodePicture } from '../node/pictures';

const require = createRequire(import.meta.url);

export interface Drawing {
  readonly name: string;
  readonly svg: string;
  /** Lines, curves and arcs of its paths. */
  readonly segments: number;
  /** Fills that it has, on a white ground. */
  readonly hexes: readonly string[];
}

export const SIDE_PX = 512;
/** Enlargement at which a trace is compared with its drawing. */
const FINE = 4;

const PACKS = {
  single: ['maki', 'temaki', 'ph', 'healthicons'],
  many: ['fluent-emoji-flat', 'noto'],
} as const;
export type DrawingKind = keyof typeof PACKS;

interface Pack {
  readonly width?: number;
  readonly height?: number;
  readonly icons: Readonly<Record<string, { body: string; width?: number; height?: number }>>;
}

/** Whether a drawing is made of filled paths alone, whose segments can be counted. */
const isPlain = (body: string): boolean =>
  !/stroke|transform|<defs|<mask|<clip|gradient|opacity|<(?:circle|ellipse|rect|polygon|use|text|line|polyline)\b/i.test(
    body,
  ) && /<path/.test(body);

function drawingFrom(name: string, body: string, w: number, h: number): Drawing | null {
  const paths = [...body.matchAll(/\bd="([^"]+)"/g)].map((m) => m[1]);
  let segments = 0;
  try {
    for (const d of paths) for (const c of parsePath(d)) segments += c.segments.length;
  } catch {
    return null;
  }
  if (!segments) return null;
  const coloured = body.replaceAll('currentColor', '#000000');
  const hexes = [...new Set([...coloured.matchAll(/fill="(#[0-9a-f]{3,6})"/gi)].map((m) => m[1].toLowerCase()))];
  const side = Math.max(w, h);
  // A margin, so that no edge lies on the picture's border.
  const m = side / 16;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${-m - (side - w) / 2} ${-m - (side - h) / 2} ${side + 2 * m} ${side + 2 * m}">${coloured}</svg>`;
  return { name, svg, segments, hexes };
}

/** A drawing of our own, of SVG elements on 512 by 512 pixels. */
export const drawnOf = (elements: string): Drawing => ({
  name: 'made up',
  svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${SIDE_PX} ${SIDE_PX}">${elements}</svg>`,
  segments: 1,
  hexes: [],
});

/** Some drawings of a kind, the same for the same seed. */
export function drawingsOf(kind: DrawingKind, count: number, seed = 1): Drawing[] {
  const random = randomFrom(seed);
  const each = Math.ceil(count / PACKS[kind].length);
  return PACKS[kind].flatMap((packName) => {
    const pack = JSON.parse(readFileSync(require.resolve(`@iconify-json/${packName}/icons.json`), 'utf8')) as Pack;
    const names = Object.keys(pack.icons);
    const out: Drawing[] = [];
    for (let tries = 0; out.length < each && tries < 4000; tries++) {
      const name = names[Math.floor(random() * names.length)];
      const icon = pack.icons[name];
      if (!isPlain(icon.body) || out.some((d) => d.name === `${packName}/${name}`)) continue;
      const drawing = drawingFrom(
        `${packName}/${name}`,
        icon.body,
        icon.width ?? pack.width ?? 16,
        icon.height ?? pack.height ?? 16,
      );
      if (drawing && (kind === 'single' ? drawing.hexes.length <= 1 : drawing.hexes.length >= 3)) out.push(drawing);
    }
    return out;
  });
}

const render = (svg: string, sidePx: number): Buffer =>
  new Resvg(svg, { background: '#ffffff', fitTo: { mode: 'width', value: sidePx }, font: { loadSystemFonts: false } })
    .render()
    .asPng();

/** A picture worn as those are that come from a client: blurred by 0.8 px, noisy, and saved as JPEG. */
export async function worn(png: Buffer, quality: number): Promise<Buffer> {
  const { data, info } = await sharp(png).removeAlpha().blur(0.8).raw().toBuffer({ resolveWithObject: true });
  const random = randomFrom(7);
  // Sums of uniform numbers are nearly normal: a standard deviation of 4 levels.
  for (let i = 0; i < data.length; i++)
    data[i] = Math.max(0, Math.min(255, Math.round(data[i] + 8 * (random() + random() + random() - 1.5))));
  const jpeg = await sharp(data, { raw: { width: info.width, height: info.height, channels: 3 } })
    .jpeg({ quality })
    .toBuffer();
  return sharp(jpeg).png().toBuffer();
}

/** The drawing as a picture, anti-aliased, or worn. */
export async function pictureOf(
  drawing: Drawing,
  isWorn: boolean,
  sidePx = SIDE_PX,
): Promise<{ png: Buffer; picture: Picture }> {
  const clean = render(drawing.svg, sidePx);
  const png = isWorn ? await worn(clean, 75) : clean;
  return { png, picture: await decodePicture(png) };
}

/** Drawn some times as large without anti-aliasing. */
async function crisp(svg: string, times = FINE): Promise<Uint8ClampedArray> {
  const plain = svg.replace('<svg ', '<svg shape-rendering="crispEdges" ');
  return (await decodePicture(render(plain, SIDE_PX * times))).rgba;
}

/** How much larger a drawing is drawn whose pixels are to be those in the middle of others: renderers place edges to some part of a pixel. */
const MIDDLES = 5;

/** The drawing as a picture without anti-aliasing: each pixel has the colour of its middle. */
async function aliasedOf(drawing: Drawing): Promise<Picture> {
  const fine = await crisp(drawing.svg, MIDDLES);
  const picture = blankPicture(SIDE_PX, SIDE_PX, [255, 255, 255]);
  for (let y = 0; y < SIDE_PX; y++)
    for (let x = 0; x < SIDE_PX; x++) {
      const i = 4 * ((y * MIDDLES + (MIDDLES >> 1)) * SIDE_PX * MIDDLES + x * MIDDLES + (MIDDLES >> 1));
      picture.rgba.set(fine.subarray(i, i + 4), 4 * (y * SIDE_PX + x));
    }
  return picture;
}

const saved = (drawing: Drawing, as: (image: Sharp) => Sharp, sidePx = SIDE_PX): Promise<Picture> =>
  as(sharp(render(drawing.svg, sidePx)).removeAlpha())
    .toBuffer()
    .then((file) => decodePicture(file));

/** Other ways than pictureOf to make a picture of a drawing, as clients send them. */
export const OTHERWISE = {
  aliased: aliasedOf,
  jpeg: (d: Drawing) => saved(d, (image) => image.jpeg({ quality: 90 })),
  webp: (d: Drawing) => saved(d, (image) => image.webp({ quality: 80 })),
  /** Drawn larger, and made smaller by a filter that rings. */
  reduced: (d: Drawing) => saved(d, (image) => image.resize(SIDE_PX, SIDE_PX, { kernel: 'lanczos3' }).png(), 1400),
  soft: (d: Drawing) => saved(d, (image) => image.blur(1.2).png()),
} as const satisfies Record<string, (d: Drawing) => Promise<Picture>>;

/** Colours that cover less than the first are specks, in source pixels; those up to the second may be found or not. */
const [SPECK_PX2, SURE_PX2] = [12, 24];

/** Colours of a drawing that are nearer than this are one to any eye. */
const SAME_INK = 0.008;

/** An ink this near a colour of the drawing is that colour, in OKLab. */
const NEAR_INK = 0.02;

/** The colours that show in a drawing, ground included, in its drawing without anti-aliasing; sure are those that are more than a few pixels. */
export async function coloursOf(drawing: Drawing): Promise<{ lab: Oklab; sure: boolean }[]> {
  const rgba = await crisp(drawing.svg);
  const counts = new Map<number, number>();
  for (let i = 0; i < rgba.length; i += 4) {
    const key = (rgba[i] << 16) | (rgba[i + 1] << 8) | rgba[i + 2];
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  const out: { lab: Oklab; sure: boolean }[] = [];
  for (const [key, n] of [...counts].sort((p, q) => q[1] - p[1])) {
    const lab = rgbToOklab(key >> 16, (key >> 8) & 255, key & 255);
    const px2 = n / FINE ** 2;
    if (px2 >= SPECK_PX2 && !out.some((o) => oklabDistance(o.lab, lab) < SAME_INK))
      out.push({ lab, sure: px2 >= SURE_PX2 });
  }
  return out;
}

/** Whether inks are those of a drawing: for each of its colours just one, and none besides; what is not sure may be left out. */
export async function areInksOf(drawing: Drawing, inks: readonly Oklab[]): Promise<boolean> {
  const colours = await coloursOf(drawing);
  const near = (p: Oklab, q: Oklab) => oklabDistance(p, q) < NEAR_INK;
  const sure = colours.filter((c) => c.sure);
  return (
    sure.every((c) => inks.some((k) => near(k, c.lab))) &&
    inks.every((k) => colours.some((c) => near(k, c.lab))) &&
    inks.length >= sure.length &&
    inks.length <= colours.length
  );
}

/** Length of the edges between colours, in pixels of `side`: crossings counted in four directions (Cauchy and Crofton). */
function edgeLength(rgba: Uint8ClampedArray, side: number): number {
  const at = (i: number) => (rgba[4 * i] << 16) | (rgba[4 * i + 1] << 8) | rgba[4 * i + 2];
  let straight = 0;
  let diagonal = 0;
  for (let y = 0; y + 1 < side; y++)
    for (let x = 0; x + 1 < side; x++) {
      const i = y * side + x;
      if (at(i) !== at(i + 1)) straight++;
      if (at(i) !== at(i + side)) straight++;
      if (at(i) !== at(i + side + 1)) diagonal++;
      if (at(i + 1) !== at(i + side)) diagonal++;
    }
  return (Math.PI / 8) * (straight + diagonal / Math.SQRT2);
}

/** Area of pixels that differ over length of edges, in source pixels. */
export async function errorOf(drawing: Drawing, traced: string): Promise<number> {
  const [want, got] = await Promise.all([crisp(drawing.svg), crisp(traced)]);
  let differing = 0;
  for (let i = 0; i < want.length; i += 4)
    if (Math.abs(want[i] - got[i]) + Math.abs(want[i + 1] - got[i + 1]) + Math.abs(want[i + 2] - got[i + 2]) > 24)
      differing++;
  const length = edgeLength(want, SIDE_PX * FINE) / FINE;
  return differing / FINE ** 2 / Math.max(length, 1);
}
