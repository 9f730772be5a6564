import { JUDGED_SIDE_PX } from '$core/judge';
import { boxWhere, shrinkToFit, type Picture } from '$core/raster';
import { cutOut, lookAt, Maker, maskOf, mendFills, part, type RetouchEntry } from '$core/retouch';
import { loadPicture } from './load';
import type { FillShown, Reply, RetouchRequest, RetouchResult } from './messages';
import { sentenceOf } from './told';

const reply = (message: Reply<RetouchResult>, transfer: Transferable[] = []) => postMessage(message, { transfer });

/** The picture that is being retouched, decoded once, with what was made of it before. */
let held: { href: string; maker: Promise<Maker> } | null = null;

/** How much around a mended area is shown with its fills, as a share of its longer side, and how large they are shown, in pixels. */
const AROUND = 0.25;
const SHOWN_PX = 168;

class Stopped extends Error {}

async function makerOf(href: string): Promise<Maker> {
  if (held?.href !== href) held = { href, maker: loadPicture(href).then((p) => new Maker(p)) };
  return held.maker;
}

self.onmessage = async ({ data }: MessageEvent<RetouchRequest>) => {
  const { id, stop } = data;
  const onProgress = (done: number): void => {
    if (stop && Atomics.load(stop, 0) !== 0) throw new Stopped();
    reply({ id, what: 'progress', done });
  };
  try {
    const maker = await makerOf(data.href);
    onProgress(0);
    const made = (entries: readonly RetouchEntry[]) => maker.make(entries, (k, of) => onProgress(k / of));
    if (data.want === 'make') {
      const { picture, faults } = made(data.entries);
      const { widthPx, heightPx, rgba } = picture;
      const bitmap = await createImageBitmap(new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, widthPx, heightPx), {
        premultiplyAlpha: 'none',
        colorSpaceConversion: 'none',
      });
      const small = shrinkToFit(picture, JUDGED_SIDE_PX);
      reply({ id, what: 'result', result: { bitmap, widthPx, heightPx, faults, small } }, [bitmap]);
    } else if (data.want === 'look') {
      const { picture } = made(data.entries);
      reply({ id, what: 'result', result: lookAt(picture) });
    } else if (data.want === 'enclosed') {
      const { picture } = made(data.entries);
      const { inner, parts } = data.step;
      reply({ id, what: 'result', result: cutOut(picture, { inner, parts }).enclosed });
    } else {
      const { picture } = made(data.entries);
      const shown: FillShown[] = [];
      const mask = maskOf(data.step.areas, picture, data.step.growPx);
      for (const { how, seed, picture: filled } of mendFills(picture, mask, {
        count: data.count,
        seed: data.step.seed,
      })) {
        shown.push({ how, seed, picture: shownFill(filled, mask.covers) });
        onProgress(shown.length / data.count);
        reply({ id, what: 'coarse', result: [...shown] });
      }
      reply({ id, what: 'result', result: shown });
    }
  } catch (error) {
    if (error instanceof Stopped) return reply({ id, what: 'stopped' });
    // A list that does not fit says nothing against the picture.
    if ((error as Error).name !== 'AreaError') held = null;
    reply({ id, what: 'error', message: sentenceOf(error) });
  }
};

function shownFill(filled: Picture, covers: Uint8Array): Picture {
  const [x, y, w, h] = boxWhere(filled.widthPx, filled.heightPx, (i) => covers[i] === 1)!;
  const around = AROUND * Math.max(w, h, 24);
  return shrinkToFit(part(filled, x - around, y - around, x + w + around, y + h + around).picture, SHOWN_PX);
}
