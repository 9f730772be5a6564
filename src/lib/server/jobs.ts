import { createHash } from 'node:crypto';
import PgBoss from 'pg-boss';
import { Pool } from '../../../node/pool';
import { finishDelivery, failDelivery, orphanedDeliveries, takeDelivery } from './deliveries';
import { drawRound } from './engine-client';
import { watch } from './events';
import { reencode } from './pictures';
import { databaseIsGone } from './problem';
import { previews } from './previews';
import { askedOf, failRound, finishRound, orphanedRounds, reportProgress, takeRound } from './rounds';
import { settings } from './settings';

type Queue = 'round' | 'delivery';

/** Jobs of one kind that one server does at a time. */
const AT_ONCE = 2;
const SWEEP_MS = 3000;
const HEARTBEAT_MS = 1500;

const workers: Record<Queue, string[]> = { round: [], delivery: [] };
let boss: PgBoss | null = null;
let sweeper: NodeJS.Timeout | undefined;
let pool: Pool | null = null;

/** Worker threads for what would hold the server up. */
export const threads = (): Pool => (pool ??= new Pool(settings.threadFile()));

/** Asks the engine for a round, reports how far it is, and keeps what came. */
async function doRound(id: string): Promise<void> {
  const round = await takeRound(id);
  if (!round) return;
  const abort = new AbortController();
  let progress = 0;
  let saying = false;
  const say = async (): Promise<void> => {
    if (saying) return;
    saying = true;
    try {
      if (!(await reportProgress(round, progress))) abort.abort(new Error('cancelled'));
    } catch (error) {
      if (!databaseIsGone(error)) abort.abort(error);
    } finally {
      saying = false;
    }
  };
  const pulse = setInterval(() => void say(), HEARTBEAT_MS);
  // A cancelled round is heard of at once.
  const unwatch = watch((e) => {
    if (e.subject === 'round' && e.id === id && e.state === 'cancelled') abort.abort(new Error('cancelled'));
  });
  try {
    const { prompt, leaveOut, leeway, ratio, colours, count, seed, sizePx, attempt } = round;
    const request = {
      requestId: `${id}-${attempt}`,
      prompt,
      leaveOut,
      leeway,
      ratio,
      colours,
      count,
      seed,
      sizePx,
      ...(await askedOf(round)),
    };
    const result = await drawRound(
      request,
      (done) => {
        progress = Math.max(progress, done * 0.95);
        void say();
      },
      abort.signal,
      (position, _step, png) => previews.keep(id, position, png),
    );
    const pictures = await Promise.all(
      result.candidates.map(async ({ position, seed: own, recipe, sketch, file }) => ({
        position,
        seed: own,
        recipe,
        sketch,
        ...(await reencode(file)),
      })),
    );
    await finishRound(round, result, pictures);
  } catch (error) {
    if (!abort.signal.aborted) await failRound(round, error);
  } finally {
    clearInterval(pulse);
    unwatch();
    previews.drop(id);
  }
}

async function doDelivery(id: string): Promise<void> {
  const work = await takeDelivery(id);
  if (!work) return;
  try {
    const { zip, files } = await threads().run('pack', { artwork: work.drawing, about: work.about });
    await finishDelivery(id, zip, createHash('sha256').update(zip).digest('hex'), files);
  } catch (error) {
    console.error('a delivery failed:', error);
    await failDelivery(id);
  }
}

const HANDLERS: Readonly<Record<Queue, (id: string) => Promise<void>>> = { round: doRound, delivery: doDelivery };

/** Puts a round or a delivery in the queue; one that cannot be put there now is found by the sweep. */
export async function enqueue(queue: Queue, id: string): Promise<void> {
  try {
    await boss?.send(queue, { id }, { retryLimit: 3, retryDelay: 1, expireInMinutes: 10 });
    // This server's own workers need not wait for their next look.
    for (const workerId of workers[queue]) boss?.notifyWorker(workerId);
  } catch (error) {
    if (!databaseIsGone(error)) throw error;
  }
}

/** Takes up what a server that has gone left behind. */
async function sweep(): Promise<void> {
  try {
    for (const id of await orphanedRounds()) await enqueue('round', id);
    for (const id of await orphanedDeliveries()) await enqueue('delivery', id);
  } catch (error) {
    if (!databaseIsGone(error)) console.error('sweep:', error);
  }
}

/** Starts doing jobs; several servers on one database share them. */
export async function startJobs(): Promise<void> {
  const made = new PgBoss({ connectionString: settings.databaseUrl(), max: 4, application_name: 'odd-quill jobs' });
  made.on('error', (error) => {
    if (!databaseIsGone(error)) console.error('jobs:', error);
  });
  await made.start();
  for (const queue of Object.keys(HANDLERS) as Queue[]) {
    await made.createQueue(queue);
    for (let i = 0; i < AT_ONCE; i++) {
      const workerId = await made.work<{ id: string }>(
        queue,
        { batchSize: 1, pollingIntervalSeconds: 1 },
        async ([job]) => {
          await HANDLERS[queue](job.data.id);
        },
      );
      workers[queue].push(workerId);
    }
  }
  boss = made;
  sweeper = setInterval(() => void sweep(), SWEEP_MS);
}

export async function stopJobs(): Promise<void> {
  clearInterval(sweeper);
  await boss?.stop({ graceful: false, wait: false }).catch(() => {});
  boss = null;
  await pool?.close();
  pool = null;
}
