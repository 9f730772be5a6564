import PgBoss from 'pg-boss';
import { Pool } from '../../../node/pool';
import { sql } from './database';
import { failDelivery, PackageKeeper, reportPacked, takeDelivery } from './deliveries';
import { drawRound } from './engine-client';
import { watch } from './events';
import { handBack, orphans, type Lease, type LeasedTable } from './leases';
import { forgetRequests } from './once';
import { reencode } from './pictures';
import { databaseIsGone } from './problem';
import { previews } from './previews';
import { makePackage } from '../../../node/package-run';
import { askedOf, failRound, finishRound, reportProgress, takeRound } from './rounds';
import { settings } from './settings';

/** Jobs of one kind that one server does at a time. */
const AT_ONCE = 2;
const SWEEP_MS = 3000;
const HEARTBEAT_MS = 1500;
/** How long a server that is told to stop waits for its jobs before it hands them back. */
const STOP_WAIT_MS = 1500;

/** Names of the queues: of their own policy, under which a job that waits is not put in twice. */
const QUEUES: Readonly<Record<LeasedTable, string>> = { round: 'rounds', delivery: 'deliveries' };

let boss: PgBoss | null = null;
let sweeper: NodeJS.Timeout | undefined;
/** Worker threads for what would hold the server up. */
let pool: Pool | null = null;
const threads = (): Pool => (pool ??= new Pool(settings.threadFile(), undefined, { maxYoungGenerationSizeMb: 16 }));
let stopping = false;
const workers: Record<LeasedTable, string[]> = { round: [], delivery: [] };
/** What this server does now, and what stops it. */
const running = new Map<Lease, { readonly abort: AbortController; readonly ended: Promise<void> }>();

/**
 * Does something with a lease, saying so now and then, until it is done, cancelled or taken by somebody else, in which case its signal aborts. `say`
 * reports, and tells whether it is still one's own.
 */
async function holding(
  lease: Lease,
  say: () => Promise<boolean>,
  work: (signal: AbortSignal, report: () => void, stop: () => void) => Promise<void>,
): Promise<void> {
  const abort = new AbortController();
  let saying = false;
  const report = async (): Promise<void> => {
    if (saying) return;
    saying = true;
    try {
      if (!(await say())) abort.abort(new Error('cancelled'));
    } catch (error) {
      if (!databaseIsGone(error)) abort.abort(error);
    } finally {
      saying = false;
    }
  };
  const pulse = setInterval(() => void report(), HEARTBEAT_MS);
  const stop = (): void => abort.abort(new Error('cancelled'));
  const done = work(abort.signal, () => void report(), stop).finally(() => clearInterval(pulse));
  running.set(lease, { abort, ended: done.catch(() => {}) });
  try {
    await done;
  } finally {
    running.delete(lease);
  }
}

/** Asks the engine for a round, reports how far it is, and keeps what came. */
async function doRound(id: string): Promise<void> {
  const taken = await takeRound(id);
  if (!taken) return;
  const { lease, round } = taken;
  let progress = 0;
  let cancelled = () => {};
  // A cancelled round is heard of at once.
  const unwatch = watch((e) => {
    if (e.subject === 'round' && e.id === id && e.state === 'cancelled') cancelled();
  });
  try {
    await holding(
      lease,
      () => reportProgress(lease, progress),
      async (signal, report) => {
        cancelled = report;
        try {
          const { prompt, leaveOut, leeway, ratio, colours, count, seed, sizePx, attempt } = round;
          const result = await drawRound(
            {
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
            },
            (done) => {
              progress = Math.max(progress, done * 0.95);
              report();
            },
            signal,
            (position, _step, png) => previews.keep(id, position, png),
          );
          const pictures = await Promise.all(
            result.candidates.map(async ({ file, ...told }) => ({ ...told, ...(await reencode(file)) })),
          );
          await finishRound(lease, round, result, pictures);
        } catch (error) {
          if (!signal.aborted) await failRound(lease, error);
        }
      },
    );
  } finally {
    unwatch();
    previews.drop(id);
  }
}

/** Makes a package in threads, file by file, reports how far it is, and keeps what came. */
async function doDelivery(id: string): Promise<void> {
  const taken = await takeDelivery(id);
  if (!taken) return;
  const { lease, order: findOrder } = taken;
  let [share, doing] = [0, null as string | null];
  let cancelled = () => {};
  // One that is cancelled, or taken back to what it was, is heard of at once.
  const unwatch = watch((e) => {
    if (e.subject === 'delivery' && e.id === id && e.state !== 'packing') cancelled();
  });
  try {
    await holding(
      lease,
      () => reportPacked(lease, share, doing),
      async (signal, report, stop) => {
        cancelled = stop;
        try {
          const order = await findOrder();
          const keeper = new PackageKeeper(lease, order.date);
          const { files, checks } = await makePackage(order, (kind, input, hooks) => threads().run(kind, input, hooks), {
            put: (file, bytes) => keeper.put(file, bytes),
            onLaneDone: (lane) => threads().endLane(lane),
            onProgress(done, of, name) {
              [share, doing] = [done / of, name];
              report();
            },
            signal,
          });
          await keeper.finish(files, checks);
        } catch (error) {
          if (signal.aborted) return;
          console.error('a delivery failed:', error);
          await failDelivery(lease, error);
        }
      },
    );
  } finally {
    unwatch();
  }
} // prettier-ignore

const HANDLERS: Readonly<Record<LeasedTable, (id: string) => Promise<void>>> = { round: doRound, delivery: doDelivery };

/** Jobs' priorities are seconds since then, so that they fit. */
const EPOCH_MS = Date.UTC(2026, 0);

/**
 * Puts a round or a delivery in the queue, where it waits once; one that cannot be put there now is found by the sweep. What somebody asked for last is
 * done first, since it is most likely looked at; what the sweep found is done when there is nothing else.
 */
export async function enqueue(table: LeasedTable, id: string, isFound = false): Promise<void> {
  try {
    const priority = isFound ? 0 : Math.floor((Date.now() - EPOCH_MS) / 1000);
    await boss?.send(QUEUES[table], { id }, { singletonKey: id, retryLimit: 0, expireInMinutes: 10, priority });
    // This server's own workers need not wait for their next look.
    for (const workerId of workers[table]) boss?.notifyWorker(workerId);
  } catch (error) {
    if (!databaseIsGone(error)) throw error;
  }
}

/** Takes up what a server that has gone left behind. */
async function sweep(): Promise<void> {
  try {
    for (const table of Object.keys(QUEUES) as LeasedTable[])
      for (const id of await orphans(table)) await enqueue(table, id, true);
    await forgetRequests(sql);
  } catch (error) {
    if (!databaseIsGone(error)) console.error('sweep:', error);
  }
}

/** Starts doing jobs; several servers on one database share them. */
export async function startJobs(): Promise<void> {
  stopping = false;
  const made = new PgBoss({ connectionString: settings.databaseUrl(), max: 4, application_name: 'odd-quill jobs' });
  made.on('error', (error) => {
    if (!databaseIsGone(error)) console.error('jobs:', error);
  });
  await made.start();
  for (const table of Object.keys(QUEUES) as LeasedTable[]) {
    const name = QUEUES[table];
    await made.createQueue(name, { name, policy: 'short' });
    for (let i = 0; i < AT_ONCE; i++) {
      const workerId = await made.work<{ id: string }>(
        name,
        { batchSize: 1, pollingIntervalSeconds: 1 },
        async ([job]) => {
          if (stopping) return;
          try {
            await HANDLERS[table](job.data.id);
          } catch (error) {
            // Its lease runs out, and the sweep finds it again; the queue's own memory of it is not needed.
            if (!databaseIsGone(error)) console.error(`a ${table} job:`, error);
          }
        },
      );
      workers[table].push(workerId);
    }
  }
  boss = made;
  sweeper = setInterval(() => void sweep(), SWEEP_MS);
}

/** Stops doing jobs: what does not come to its end within a moment is handed back for another server, or this one started again. */
export async function stopJobs(): Promise<void> {
  stopping = true;
  clearInterval(sweeper);
  const jobs = [...running];
  let timer: NodeJS.Timeout | undefined;
  await Promise.race([
    Promise.all(jobs.map(([, { ended }]) => ended)),
    new Promise<void>((resolve) => (timer = setTimeout(resolve, STOP_WAIT_MS))),
  ]);
  clearTimeout(timer);
  const left = jobs.filter(([lease]) => running.has(lease));
  // Handed back first: an engine that hears of the abort must not lead to a failure that is written down.
  await Promise.all(left.map(([lease]) => handBack(lease).catch(() => false)));
  for (const [, { abort }] of left) abort.abort(new Error('the server stops'));
  await Promise.all(left.map(([, { ended }]) => ended));
  await boss?.stop({ graceful: false, wait: false }).catch(() => {});
  boss = null;
  for (const list of Object.values(workers)) list.length = 0;
  await pool?.close();
  pool = null;
}
