import { TaskError, Pool, type TaskHooks } from '../../../node/pool';
import type { Tasks } from '../../../node/tasks';
import { Problem } from './problem';
import { settings } from './settings';

/** What may be computed for whoever asks over HTTP: in threads of its own, so that neither rounds nor deliveries wait behind it. */
const THREADS = 1;
const WAITING_MOST = 8;
/** Of one thread's heap: more is a picture that is noise all over, or a hostile file. */
const HEAP_MB = 1536;
const RETRY_SECONDS = 10;

let pool: Pool | null = null;

const threads = (): Pool => (pool ??= new Pool(settings.threadFile(), THREADS, { maxOldGenerationSizeMb: HEAP_MB }));

/**
 * Computes something while somebody waits for it: in turn, within limits of time and memory, and no longer than its caller stays. Throws a 503 Problem
 * with a time to wait when too many wait already, and a 422 Problem when it takes too much.
 */
export const computed = <K extends keyof Tasks>(
  kind: K,
  input: Tasks[K]['input'],
  caller: AbortSignal,
  hooks: Pick<TaskHooks, 'onProgress'> = {},
): Promise<Tasks[K]['output']> => computedIn(threads(), kind, input, caller, hooks);

/** The same in threads that are given. */
export async function computedIn<K extends keyof Tasks>(
  pool: Pool,
  kind: K,
  input: Tasks[K]['input'],
  caller: AbortSignal,
  hooks: Pick<TaskHooks, 'onProgress'> = {},
): Promise<Tasks[K]['output']> {
  if (pool.queued >= WAITING_MOST)
    throw new Problem(
      503,
      'busy',
      `${WAITING_MOST} others wait to be computed already: nothing was begun; ask again in ${RETRY_SECONDS} s`,
      undefined,
      RETRY_SECONDS,
    );
  const limit = AbortSignal.timeout(settings.computeTimeoutMs());
  try {
    return await pool.run(kind, input, { ...hooks, signal: AbortSignal.any([caller, limit]) });
  } catch (error) {
    if (limit.aborted && !caller.aborted)
      throw new Problem(
        422,
        'takes_too_long',
        `It took longer than ${Math.round(settings.computeTimeoutMs() / 1000)} s and was given up: a smaller or calmer file goes faster`,
      );
    if (error instanceof TaskError && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
      throw new Problem(
        422,
        'takes_too_much',
        'It took more memory than there is for it and was given up: a smaller or calmer file takes less',
      );
    throw error;
  }
}

export async function stopComputing(): Promise<void> {
  await pool?.close();
  pool = null;
}
