/** A worker thread: does one task at a time. */
import { parentPort } from 'node:worker_threads';
import { drawCandidate } from '../core/engine';
import { trace } from '../core/trace';
import { packArtwork } from './packing';
import { encodePng } from './pictures';
import type { TaskKind, TaskMessage, TaskReply, Tasks } from './tasks';

type Run = {
  [K in TaskKind]: (input: Tasks[K]['input'], onProgress: (done: number) => void) => Promise<Tasks[K]['output']>;
};

const run: Run = {
  async draw({ request, position }, onProgress) {
    const { picture, seed } = drawCandidate(request, position, (done) => onProgress(done * 0.9));
    const png = await encodePng(picture);
    return { png, seed, widthPx: picture.widthPx, heightPx: picture.heightPx };
  },
  trace: async ({ picture, options }, onProgress) => trace(picture, options, { onProgress }),
  pack: async ({ artwork, about }) => packArtwork(artwork, about),
};

const port = parentPort!;

port.on('message', async ({ kind, input, stop }: TaskMessage) => {
  const reply = (message: TaskReply) => port.postMessage(message);
  let told = 0;
  const onProgress = (done: number): void => {
    if (Atomics.load(stop, 0) !== 0) throw Object.assign(new Error('stopped'), { name: 'AbortError' });
    if (done - told < 0.02) return;
    told = done;
    reply({ what: 'progress', done });
  };
  try {
    onProgress(0);
    const output = await (run[kind] as Run[typeof kind])(input as never, onProgress);
    reply({ what: 'result', output });
  } catch (error) {
    const { name, message, code } = error as Error & { code?: string };
    reply({ what: 'error', name, message, ...(typeof code === 'string' ? { code } : {}) });
  }
});
