/** Recognition of letters by `tesseract.js`, whose data ships with it: nothing is fetched. */
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { createWorker, OEM, PSM, type Worker } from 'tesseract.js';
import type { Recognise, Recognised } from '../core/reading';

const require = createRequire(import.meta.url);

/** Recognition did not start, or stopped answering; the message says what to do. */
export class RecognitionError extends Error {
  override readonly name = 'RecognitionError';
  readonly code = 'no_recognition';
}

const LIMIT_MS = { start: 60_000, line: 20_000 } as const;

function within<T>(promise: Promise<T>, ms: number, what: string): Promise<T> {
  let timer: NodeJS.Timeout;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new RecognitionError(`${what} within ${ms / 1000} s`)), ms);
  });
  return Promise.race([promise, late]).finally(() => clearTimeout(timer));
}

/** A grey picture as a file that needs no packing (portable greymap). */
function pgm(widthPx: number, heightPx: number, grey: Uint8Array): Buffer {
  return Buffer.concat([Buffer.from(`P5\n${widthPx} ${heightPx}\n255\n`), grey]);
}

const dataFolder = (): string =>
  process.env.ODD_QUILL_RECOGNITION_DATA ??
  join(dirname(require.resolve('@tesseract.js-data/eng/package.json')), '4.0.0_best_int');

/** So much is at least in such data, in bytes, and its parts are so many at most. */
const DATA = { leastBytes: 500_000, mostParts: 64 } as const;

/** Looks at what recognition is to know of the language: data that it cannot use would end the thread that it is in. */
async function checkData(folder: string): Promise<void> {
  const data = gunzipSync(await readFile(join(folder, 'eng.traineddata.gz')));
  const parts = data.length >= DATA.leastBytes ? data.readUInt32LE(0) : 0;
  if (parts < 1 || parts > DATA.mostParts) throw new Error('its data is none');
}

export interface Recognition {
  readonly recognise: Recognise;
  readonly stop: () => Promise<void>;
}

/** Starts recognition, which takes a second or two. Throws a RecognitionError. */
export async function startRecognition(langPath = dataFolder()): Promise<Recognition> {
  let worker: Worker;
  try {
    await checkData(langPath);
    const starting = new Promise<Worker>((resolve, reject) => {
      // What goes wrong on the way is told here alone; without a listener it would be thrown where nobody can catch it.
      const errorHandler = (error: unknown): void => reject(error instanceof Error ? error : new Error(String(error)));
      createWorker('eng', OEM.LSTM_ONLY, { langPath, gzip: true, cacheMethod: 'none', errorHandler }).then(
        resolve,
        reject,
      );
    });
    worker = await within(starting, LIMIT_MS.start, 'It did not start');
    await worker.setParameters({ tessedit_pageseg_mode: PSM.SINGLE_LINE, user_defined_dpi: '150' });
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new RecognitionError(`Lettering cannot be read here: recognition does not start (${why})`);
  }
  let wasWhole = false;
  const recognise: Recognise = async ({ widthPx, heightPx, grey }, isWhole): Promise<Recognised> => {
    if (isWhole !== wasWhole)
      await worker.setParameters({ tessedit_pageseg_mode: isWhole ? PSM.RAW_LINE : PSM.SINGLE_LINE });
    wasWhole = isWhole;
    const reading = worker.recognize(pgm(widthPx, heightPx, grey), {}, { text: false, blocks: true });
    const { data } = await within(reading, LIMIT_MS.line, 'Recognition gave no answer');
    const words = (data.blocks ?? []).flatMap((b) => b.paragraphs.flatMap((p) => p.lines.flatMap((l) => l.words)));
    return {
      letters: words.flatMap(({ symbols }) =>
        symbols.map(({ text, confidence, bbox }, k) => ({
          text,
          confidence: confidence / 100,
          from: bbox.x0,
          to: bbox.x1,
          begins: k === 0,
        })),
      ),
    };
  };
  return { recognise, stop: async () => void (await worker.terminate()) };
}
