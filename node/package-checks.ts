/** What is looked at before a package leaves: each drawing drawn again by another renderer than wrote it, each picture decoded, and what a press or a shop would stumble over. */
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import sharp from 'sharp';
import { leftOutOfLottie, motionOf } from '../core/motion';
import { motionWanted, type PackageCheck, type PackageSets, type PlannedFile } from '../core/package';
import { differenceOf, onGround, type Picture } from '../core/raster';
import { drawScene, sceneOf } from '../core/scene';
import type { Artwork } from '../core/vector';
import { drawSvg } from './draw-svg';
import { decodePicture } from './pictures';

/** Drawings are held against their scene at so many pixels of the longer side. */
const DRAWN_PX = { least: 512, most: 592 };
/** Mean difference in percent of full, over the whole picture, from which a drawing is not the same any more. */
const ALIKE_PERCENT = 0.6;

const require = createRequire(import.meta.url);

const WHITE = [255, 255, 255] as const;

/** So large that both sides are as nearly whole pixels as can be: what is rounded differs from renderer to renderer. */
function sideFor({ widthPx, heightPx }: Artwork): number {
  const ratio = Math.min(widthPx, heightPx) / Math.max(widthPx, heightPx);
  let best = { side: DRAWN_PX.least, off: 1 };
  for (let side = DRAWN_PX.least; side <= DRAWN_PX.most; side++) {
    const off = Math.abs(side * ratio - Math.round(side * ratio));
    if (off < best.off - 1e-9) best = { side, off };
  }
  return best.side;
}

const truths = new WeakMap<Artwork, Picture>();

/** A picture of a scene, on white. */
function truth(artwork: Artwork): Picture {
  const picture =
    truths.get(artwork) ?? onGround(drawScene(sceneOf(artwork, { strokes: 'kept' }), sideFor(artwork)), WHITE);
  truths.set(artwork, picture);
  return picture;
}

/** A page of PDF as a picture on white, drawn by pdf.js. */
export async function drawPdf(pdf: Uint8Array, widthPx: number, heightPx: number): Promise<Picture> {
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
    return { widthPx, heightPx, rgba: context.getImageData(0, 0, widthPx, heightPx).data };
  } finally {
    await loading.destroy();
  }
}

/** The pictures in an ICO file, each with the side that it is said to have. */
const iconsIn = (ico: Buffer): { side: number; png: Buffer }[] =>
  Array.from({ length: ico.readUInt16LE(4) }, (_, k) => {
    const at = 6 + 16 * k;
    const from = ico.readUInt32LE(at + 12);
    return { side: ico[at] || 256, png: ico.subarray(from, from + ico.readUInt32LE(at + 8)) };
  });

/** Looks at one made file. `artwork` is what it shows, for drawings. */
export async function checkFile(
  file: PlannedFile,
  bytes: Uint8Array,
  artwork: Artwork,
  sets: PackageSets,
): Promise<PackageCheck[]> {
  const { making, name } = file;
  const found = (
    what: PackageCheck['what'],
    ok: boolean,
    said: string,
    figure: number | null = null,
  ): PackageCheck => ({
    what,
    file: name,
    ok,
    figure,
    said,
  });
  const alike = (drawn: Picture, was: Picture, by: string): PackageCheck => {
    const isSize = drawn.widthPx === was.widthPx && drawn.heightPx === was.heightPx;
    const percent = isSize ? (100 * differenceOf(drawn, was)) / 255 : 100;
    const said = `drawn again by ${by}: ${percent.toFixed(2)}% off the artwork`;
    return found('alike', percent <= ALIKE_PERCENT, said, Number(percent.toFixed(3)));
  };
  switch (making.as) {
    case 'svg': {
      const was = truth(artwork);
      const svg = Buffer.from(bytes).toString('utf8');
      const png = drawSvg(svg, artwork.widthPx, artwork.heightPx, sideFor(artwork));
      const drawn = onGround(await decodePicture(png), WHITE);
      const live = /<text[\s>]/.test(svg) ? [found('text', false, 'has live text in it')] : [];
      return [alike(drawn, was, 'another renderer of SVG'), ...live];
    }
    case 'pdf': {
      // CMYK is shown by each viewer as it thinks best: only RGB can be held against the scene.
      if (making.colours !== 'rgb') return [];
      if (Buffer.from(bytes).includes('/S /Luminosity'))
        return [found('alike', true, 'not drawn again: it has a mask by light, which the renderer of PDF that is here does not know')]; // prettier-ignore
      const was = truth(artwork);
      return [alike(await drawPdf(bytes, was.widthPx, was.heightPx), was, 'another renderer of PDF')];
    }
    case 'png':
    case 'jpeg':
    case 'ground':
    case 'motion-picture':
    case 'motion-poster': {
      const { width, height, hasAlpha } = await sharp(bytes).metadata();
      const isOpaque = making.as === 'jpeg' || making.as === 'ground' || (making.as === 'png' && making.place?.ground === 'ground'); // prettier-ignore
      const ok = width === file.widthPx && height === file.heightPx && (!isOpaque || !hasAlpha);
      return [found('picture', ok, `${width} x ${height} px, ${hasAlpha ? 'with' : 'without'} transparency`)];
    }
    case 'ico': {
      const icons = iconsIn(Buffer.from(bytes));
      const sizes = await Promise.all(icons.map(async ({ png }) => (await sharp(png).metadata()).width));
      const ok = icons.every(({ side }, k) => side === sizes[k] && side === making.sidesPx[k]);
      return [found('picture', ok, `icons of ${sizes.join(', ')} px`)];
    }
    case 'motion-json': {
      const missing = leftOutOfLottie(motionOf(sceneOf(artwork, { strokes: 'kept' }), motionWanted(sets, making.kind)));
      return missing.length
        ? [found('movement', false, `without ${missing.join(', ')}, which this format has not`)]
        : [];
    }
    default:
      return [];
  }
}
