import type { Picture } from '$core/raster';
import { economyOf, trace } from '$core/trace';
import { loadPicture } from './load';
import type { EconomyReply, TraceReply, TraceRequest } from './messages';

const reply = (message: TraceReply | EconomyReply) => postMessage(message);

/** The picture that is being worked on, decoded once. */
let held: { href: string; picture: Promise<Picture> } | null = null;

class Stopped extends Error {}

self.onmessage = async ({ data: { id, want, href, options, stop } }: MessageEvent<TraceRequest>) => {
  try {
    if (held?.href !== href) held = { href, picture: loadPicture(href) };
    const picture = await held.picture;
    const onProgress = (done: number): void => {
      if (stop && Atomics.load(stop, 0) !== 0) throw new Stopped();
      reply({ id, what: 'progress', done });
    };
    onProgress(0);
    if (want === 'trace') reply({ id, what: 'result', result: trace(picture, options, { onProgress }) });
    else reply({ id, what: 'result', result: economyOf(picture, options, { onProgress }) });
  } catch (error) {
    if (error instanceof Stopped) return reply({ id, what: 'stopped' });
    held = null;
    reply({ id, what: 'error', message: (error as Error).message });
  }
};
