import { shrinkToFit, type Picture } from '$core/raster';
import { economyOf, trace } from '$core/trace';
import { scaledArtwork } from '$core/vector';
import { loadPicture } from './load';
import type { EconomyReply, TraceReply, TraceRequest } from './messages';
import { sentenceOf } from './told';

const reply = (message: TraceReply | EconomyReply) => postMessage(message);

/** The picture that is being worked on, decoded once. */
let held: { href: string; picture: Promise<Picture>; small: Promise<Picture> } | null = null;

/** A picture larger than this is traced small first, so that a control shows what it does at once. */
const COARSE_SIDE_PX = 440;

class Stopped extends Error {}

self.onmessage = async ({ data: { id, want, href, options, stop } }: MessageEvent<TraceRequest>) => {
  try {
    if (held?.href !== href) {
      const loaded = loadPicture(href);
      held = { href, picture: loaded, small: loaded.then((p) => shrinkToFit(p, COARSE_SIDE_PX)) };
    }
    const picture = await held.picture;
    const onProgress = (done: number): void => {
      if (stop && Atomics.load(stop, 0) !== 0) throw new Stopped();
      reply({ id, what: 'progress', done });
    };
    onProgress(0);
    if (want === 'trace') {
      const small = await held.small;
      const scale = picture.widthPx / small.widthPx;
      if (scale > 1.2) {
        const speckPx2 = options.speckPx2 / scale ** 2;
        const coarse = trace(small, { ...options, speckPx2 }, { onProgress: (done) => onProgress(done * 0.2) });
        reply({ id, what: 'coarse', result: { ...coarse, artwork: scaledArtwork(coarse.artwork, scale) } });
      }
      reply({
        id,
        what: 'result',
        result: trace(picture, options, { onProgress: (done) => onProgress(0.2 + 0.8 * done) }),
      });
    } else reply({ id, what: 'result', result: economyOf(picture, options, { onProgress }) });
  } catch (error) {
    if (error instanceof Stopped) return reply({ id, what: 'stopped' });
    held = null;
    reply({ id, what: 'error', message: sentenceOf(error) });
  }
};
