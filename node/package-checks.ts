/** What is looked at before a package leaves: each drawing drawn again by another renderer than wrote it, each picture decoded, and what a press or a shop would stumble over. */
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { MOST_INK_PERCENT, pressShares, totalInk, type PressInk } from '../core/export';
import type { PlannedFile } from '../core/package';
import { drawScene, sceneOf } from '../core/scene';
import { seenInks, type Artwork } from '../core/vector';

/** One thing that was looked at. */
export interface PackageCheck {
  readonly what: 'alike' | 'picture' | 'ink' | 'grey' | 'line' | 'text';
  /** The file it is about; null for the package as a whole. */
  readonly file: string | null;
  readonly ok: boolean;
  /** What was measured: a difference or ink in percent, a line in mm. */
  readonly figure: number | null;
  /** In a sentence. */
  readonly said: string;
}

/** Drawings are held against their scene at so many pixels of the longer side. */
const DRAWN_PX = 512;
/** Mean difference in percent of full, over the whole picture, from which a drawing is not the same any more. */
const ALIKE_PERCENT = 0.6;
/** Lines thinner than this do not print, in mm. */
const LEAST_LINE_MM = 0.15;
/** Inks nearer to each other than this in grey fall together, of 255. */
const GREY_LEVELS = 16;

const require = createRequire(import.meta.url);

/** A scene's own picture on white. */
function truth(artwork: Artwork): { rgb: Uint8Array; widthPx: number; heightPx: number } {
  const { rgba, widthPx, heightPx } = drawScene(sceneOf(artwork, { strokes: 'kept' }), DRAWN_PX);
  return { rgb: onWhite(rgba), widthPx, heightPx };
}

function onWhite(rgba: ArrayLike<number>): Uint8Array {
  const rgb = new Uint8Array((rgba.length / 4) * 3);
  for (let i = 0; i < rgba.length / 4; i++) {
    const a = rgba[4 * i + 3] / 255;
    for (let c = 0; c < 3; c++) rgb[3 * i + c] = Math.round(255 + a * (rgba[4 * i + c] - 255));
  }
  return rgb;
}

const difference = (a: Uint8Array, b: Uint8Array): number => {
  if (a.length !== b.length) return 100;
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += Math.abs(a[i] - b[i]);
  return (100 * sum) / 255 / a.length;
};

/** A page of PDF as pixels on white, drawn by pdf.js. */
export async function drawPdf(pdf: Uint8Array, widthPx: number, heightPx: number): Promise<Uint8Array> {
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const { createCanvas } = await import('@napi-rs/canvas');
  const fonts = `${join(dirname(require.resolve('pdfjs-dist/package.json')), 'standard_fonts')}/`;
  const loading = getDocument({ data: new Uint8Array(pdf), verbosity: 0, standardFontDataUrl: fonts });
  try {
    const page = await (await loading.promise).getPage(1);
    const unscaled = page.getViewport({ scale: 1 });
    const viewport = page.getViewport({ scale: widthPx / unscaled.width });
    const canvas = createCanvas(widthPx, heightPx);
    const context = canvas.getContext('2d');
    context.fillStyle = '#fff';
    context.fillRect(0, 0, widthPx, heightPx);
    await page.render({ canvas: null, canvasContext: context as never, viewport }).promise;
    return onWhite(context.getImageData(0, 0, widthPx, heightPx).data);
  } finally {
    await loading.destroy();
  }
}

/** Looks at one made file. `artwork` is what it shows, for drawings. */
export async function checkFile(file: PlannedFile, bytes: Uint8Array, artwork: Artwork): Promise<PackageCheck[]> {
  const { making, name } = file;
  const alike = (percent: number, by: string): PackageCheck => ({
    what: 'alike',
    file: name,
    ok: percent <= ALIKE_PERCENT,
    figure: Number(percent.toFixed(3)),
    said: `drawn again by ${by}: ${percent.toFixed(2)}% off the artwork`,
  });
  if (making.as === 'svg') {
    const { rgb, widthPx, heightPx } = truth(artwork);
    const svg = Buffer.from(bytes).toString('utf8');
    const drawn = new Resvg(svg, { fitTo: widthPx >= heightPx ? { mode: 'width', value: widthPx } : { mode: 'height', value: heightPx }, font: { loadSystemFonts: false } }).render(); // prettier-ignore
    const out = [alike(difference(rgb, onWhite(drawn.pixels)), 'another renderer of SVG')];
    if (/<text[\s>]/.test(svg)) out.push({ what: 'text', file: name, ok: false, figure: null, said: 'has live text in it' }); // prettier-ignore
    return out;
  }
  // A conversion to CMYK is shown by each viewer as it thinks best: only RGB can be held against the scene.
  if (making.as === 'pdf' && making.colours === 'rgb') {
    if (Buffer.from(bytes).includes('/S /Luminosity'))
      return [{ what: 'alike', file: name, ok: true, figure: null, said: 'not drawn again: it has a mask by light, which the renderer of PDF that is here does not know' }]; // prettier-ignore
    const { rgb, widthPx, heightPx } = truth(artwork);
    return [alike(difference(rgb, await drawPdf(bytes, widthPx, heightPx)), 'another renderer of PDF')];
  }
  if (making.as === 'png' || making.as === 'jpeg' || making.as === 'ground') {
    const { width, height, hasAlpha } = await sharp(bytes).metadata();
    const opaque = making.as !== 'png' || making.place?.ground === 'ground';
    const ok = width === file.widthPx && height === file.heightPx && (!opaque || !hasAlpha);
    return [{ what: 'picture', file: name, ok, figure: null, said: `${width} x ${height} px, ${hasAlpha ? 'with' : 'without'} transparency` }]; // prettier-ignore
  }
  return [];
}

/** What a press would stumble over in a look of a work, printed so large. */
export function checkLook(
  name: string,
  artwork: Artwork,
  { longerMm, press = {} }: { longerMm: number; press?: Readonly<Record<string, PressInk>> },
): PackageCheck[] {
  const out: PackageCheck[] = [];
  const inks = seenInks(artwork);
  const most = inks.reduce(
    (best, ink) => {
      const percent = totalInk(pressShares(ink.hex, press[ink.id]));
      return percent > best.percent ? { ink, percent } : best;
    },
    { ink: inks[0], percent: 0 },
  );
  if (most.ink)
    out.push({
      what: 'ink',
      file: null,
      ok: most.percent <= MOST_INK_PERCENT,
      figure: Math.round(most.percent),
      said: `${name}: ${most.ink.name} has ${Math.round(most.percent)}% ink in all, of ${MOST_INK_PERCENT}% that dry`,
    });
  const greys = inks.map((i) => {
    const [r, g, b] = [1, 3, 5].map((k) => parseInt(i.hex.slice(k, k + 2), 16));
    return 0.299 * r + 0.587 * g + 0.114 * b;
  });
  for (let a = 0; a < inks.length; a++)
    for (let b = a + 1; b < inks.length; b++)
      if (Math.abs(greys[a] - greys[b]) < GREY_LEVELS)
        out.push({
          what: 'grey',
          file: null,
          ok: false,
          figure: Math.round(Math.abs(greys[a] - greys[b])),
          said: `${name}: ${inks[a].name} and ${inks[b].name} fall together in grey, ${Math.round(Math.abs(greys[a] - greys[b]))} levels of 255 apart`,
        });
  const perPx = longerMm / Math.max(artwork.widthPx, artwork.heightPx);
  const lines = sceneOf(artwork, { strokes: 'kept' }).shapes.flatMap((s) => (s.line ? [s.line.widthPx * perPx] : []));
  if (lines.length) {
    const least = Math.min(...lines);
    out.push({
      what: 'line',
      file: null,
      ok: least >= LEAST_LINE_MM,
      figure: Number(least.toFixed(2)),
      said: `${name}: the thinnest line is ${least.toFixed(2)} mm at ${longerMm} mm`,
    });
  }
  return out;
}
