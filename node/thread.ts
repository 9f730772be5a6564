/** A worker thread: does one task at a time. */
import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { parentPort, workerData } from 'node:worker_threads';
import { shrinkToFit, type Picture } from '../core/raster';
import { encodePng } from './pictures';
import type { TaskKind, TaskMessage, TaskReply, Tasks } from './tasks';

type Run = {
  [K in TaskKind]: (
    input: Tasks[K]['input'],
    onProgress: (done: number, picture?: Picture) => void,
  ) => Promise<Tasks[K]['output']>;
};

// What each does it with is loaded when it is first asked for: most threads do but a few of these.
const engine = () => import('../core/engine');
const retouching = () => import('../core/retouch');
const vector = () => import('../core/vector');

const run: Run = {
  async draw({ request, position }, onProgress) {
    const { drawCandidate } = await engine();
    const { picture, ...rest } = drawCandidate(request, position, (done, soFar) => onProgress(done * 0.9, soFar));
    const png = await encodePng(picture);
    return { png, ...rest, widthPx: picture.widthPx, heightPx: picture.heightPx };
  },
  example: async ({ finish }) => encodePng((await engine()).finishExample(finish)),
  trace: async ({ picture, options }, onProgress) =>
    (await import('../core/trace')).trace(picture, options, { onProgress }),
  readSvg: async (text) => (await import('../core/import')).readSvg(text),
  async retouch({ picture, entries }, onProgress) {
    const { Maker } = await retouching();
    const made = new Maker(picture).make(entries, (k, of) => onProgress(k / of));
    const { widthPx, heightPx } = made.picture;
    return { png: await encodePng(made.picture), widthPx, heightPx, faults: made.faults };
  },
  async mend({ picture, area, count, seed }) {
    const { maskFrom, mended } = await retouching();
    const fills = mended(picture, maskFrom(area, picture), { count, seed });
    return Promise.all(fills.map(async ({ how, picture: filled }) => ({ how, png: await encodePng(filled) })));
  },
  async cutOut({ picture, inner }) {
    const cut = (await retouching()).cutOut(picture, { inner });
    return { png: await encodePng(cut.picture), groundHex: cut.groundHex, inner: cut.enclosed };
  },
  applyEdits: async ({ artwork, edits }) => (await vector()).applyEdits(artwork, edits),
  construct: async ({ artwork, nodes }) => (await vector()).constructionOfArtwork(artwork, nodes),
  shuffle: async ({ artwork, ask }) => (await vector()).shuffledFor(artwork, ask),
  oneColour: async ({ artwork, options }) => (await vector()).oneColoured(artwork, options),
  // The shaper is large: only threads that set something have it.
  setLettering: async (ask) => (await import('./set-lettering')).setLettering(ask),
  lockups: async (ask) => (await import('./make-lockups')).makeLockups(ask),
  async drawLockup(ask) {
    const { artwork, faults } = await (await import('./make-lockups')).drawnLockup(ask);
    return { artwork, faults };
  },
  facesLike: async (artwork) => (await import('./make-lockups')).likeFaces(artwork),
  faceFor: async ({ artwork, text }) => (await import('./make-lockups')).faceFor(artwork, text),
  faceFile: async (ask) => (await import('./faces')).openedFile(ask),
  specimens: async (ask) => (await import('./specimens')).specimens(ask),
  readFace: async (file) => (await import('./own-face')).readOwnFace(file),
  readLettering: async ({ picture, asked }) => (await import('./lettering')).letteringOf(picture, asked),
  packageLook: async (ask) => (await import('./package-tasks')).packageLook(ask),
  packageFile: async (ask) => (await import('./package-tasks')).packageFile(ask),
};

/** The longer side of what is shown of a candidate before it is finished. */
const PREVIEW_SIDE_PX = 192;

const port = parentPort!;

/** How far a quiet thread stands back, and those that it starts: what nobody waits for takes no time from what somebody does. */
const QUIET_NICENESS = 15;

if ((workerData as { quiet?: boolean } | null)?.quiet) {
  try {
    // On Linux a thread has a number of its own, and a priority.
    setPriority(Number(readlinkSync('/proc/thread-self').split('/').pop()), QUIET_NICENESS);
  } catch {
    // Elsewhere it is as any other.
  }
}

port.on('message', async ({ kind, input, stop }: TaskMessage) => {
  const reply = (message: TaskReply) => port.postMessage(message);
  let told = 0;
  let shownAt = 0;
  const onProgress = (done: number, picture?: Picture): void => {
    if (Atomics.load(stop, 0) !== 0) throw Object.assign(new Error('stopped'), { name: 'AbortError' });
    // The first look after a quarter, then a few a second: shrinking costs time as well.
    if (picture && done >= 0.25 && Date.now() - shownAt > 220) {
      shownAt = Date.now();
      reply({ what: 'preview', picture: shrinkToFit(picture, PREVIEW_SIDE_PX) });
    }
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
