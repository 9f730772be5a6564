import { availableParallelism } from 'node:os';
import { Worker, type ResourceLimits } from 'node:worker_threads';
import type { Picture } from '../core/raster';
import type { TaskKind, TaskReply, Tasks } from './tasks';

/** A task that failed in its thread, with the name and code of the error there. */
export class TaskError extends Error {
  constructor(
    name: string,
    message: string,
    readonly code?: string,
  ) {
    super(message);
    this.name = name;
  }
}

interface Job {
  readonly kind: TaskKind;
  readonly lane: string | null;
  readonly input: Tasks[TaskKind]['input'];
  readonly stop: Int32Array;
  readonly onProgress: (done: number) => void;
  readonly onPreview: (picture: Picture) => void;
  readonly resolve: (output: never) => void;
  readonly reject: (error: Error) => void;
}

export interface TaskHooks {
  /** Hears the share done, 0..1. */
  readonly onProgress?: (done: number) => void;
  /** Sees what is drawn so far, small. */
  readonly onPreview?: (picture: Picture) => void;
  readonly signal?: AbortSignal;
  /** Tasks of one lane are all done by one thread, where what they load is large. */
  readonly lane?: string;
}

/** How long a thread may take to hear that nobody wants its result any more, before it is ended. */
const DEAF_MS = 1500;

/** Worker threads that do tasks in the order they came, one each at a time. A thread that dies fails its task and is replaced. */
export class Pool {
  private readonly idle: Worker[] = [];
  private readonly busy = new Map<Worker, Job>();
  private readonly waiting: Job[] = [];
  private readonly lanes = new Map<string, Worker>();
  private closed = false;

  /** `threadFile` is the path of node/thread.mjs. */
  constructor(
    private readonly threadFile: string,
    private readonly size = availableParallelism(),
    private readonly limits?: ResourceLimits,
    /** Whether its threads stand back behind all others. */
    private readonly quiet = false,
  ) {}

  /** How many tasks wait for a thread. */
  get queued(): number {
    return this.waiting.length;
  }

  run<K extends TaskKind>(kind: K, input: Tasks[K]['input'], hooks: TaskHooks = {}): Promise<Tasks[K]['output']> {
    const { signal, onProgress = () => {}, onPreview = () => {}, lane = null } = hooks;
    return new Promise((resolve, reject) => {
      if (this.closed) return reject(new TaskError('AbortError', 'the worker threads were closed'));
      const stop = new Int32Array(new SharedArrayBuffer(4));
      const job: Job = {
        kind,
        lane,
        input,
        stop,
        onProgress,
        onPreview,
        resolve(output) {
          settled();
          (resolve as (o: never) => void)(output);
        },
        reject(error) {
          settled();
          reject(error);
        },
      };
      const settled = (): void => signal?.removeEventListener('abort', abort);
      const abort = (): void => {
        Atomics.store(stop, 0, 1);
        const at = this.waiting.indexOf(job);
        if (at >= 0) this.waiting.splice(at, 1);
        // One that is in the middle of something long does not hear of it.
        const worker = [...this.busy].find(([, j]) => j === job)?.[0];
        if (worker) setTimeout(() => this.busy.get(worker) === job && void worker.terminate(), DEAF_MS).unref();
        job.reject(new TaskError('AbortError', 'cancelled'));
      };
      if (signal?.aborted) return abort();
      signal?.addEventListener('abort', abort, { once: true });
      this.waiting.push(job);
      this.next();
    });
  }

  /** Ends the thread of a lane, with all that it loaded, unless there is something of the lane to do: whatever comes of it later has a new one. */
  endLane(lane: string): void {
    const worker = this.lanes.get(lane);
    const at = worker ? this.idle.indexOf(worker) : -1;
    if (at < 0 || this.waiting.some((job) => job.lane === lane)) return;
    this.idle.splice(at, 1);
    this.lanes.delete(lane);
    void worker!.terminate();
  }

  async close(): Promise<void> {
    this.closed = true;
    for (const job of this.waiting.splice(0)) job.reject(new TaskError('AbortError', 'the worker threads were closed'));
    await Promise.all([...this.idle, ...this.busy.keys()].map((w) => w.terminate()));
  }

  private next(): void {
    for (let at = 0; at < this.waiting.length;) {
      const job = this.waiting[at];
      const worker = this.workerFor(job.lane);
      if (!worker) {
        // Others may have a thread where this one waits for its own.
        if (job.lane === null) return;
        at++;
        continue;
      }
      this.waiting.splice(at, 1);
      // A busy thread keeps the process alive, an idle one does not.
      worker.ref();
      this.busy.set(worker, job);
      worker.postMessage({ kind: job.kind, input: job.input, stop: job.stop });
    }
  }

  /** A thread that is free for a lane, or for whatever has none; null while there is none. */
  private workerFor(lane: string | null): Worker | null {
    const own = lane === null ? undefined : this.lanes.get(lane);
    if (own) {
      const at = this.idle.indexOf(own);
      return at < 0 ? null : this.idle.splice(at, 1)[0];
    }
    const worker = this.idle.pop() ?? (this.busy.size < this.size ? this.spawn() : null);
    if (worker && lane !== null) this.lanes.set(lane, worker);
    return worker;
  }

  private spawn(): Worker {
    const worker = new Worker(this.threadFile, { resourceLimits: this.limits, workerData: { quiet: this.quiet } });
    worker.on('message', (reply: TaskReply) => {
      const job = this.busy.get(worker);
      if (!job) return;
      if (reply.what === 'progress') return job.onProgress(reply.done);
      if (reply.what === 'preview') return job.onPreview(reply.picture);
      this.busy.delete(worker);
      this.idle.push(worker);
      worker.unref();
      if (reply.what === 'result') job.resolve(reply.output as never);
      else job.reject(new TaskError(reply.name, reply.message, reply.code));
      this.next();
    });
    const lost = (error?: Error): void => {
      const job = this.busy.get(worker);
      this.busy.delete(worker);
      const at = this.idle.indexOf(worker);
      if (at >= 0) this.idle.splice(at, 1);
      for (const [lane, own] of this.lanes) if (own === worker) this.lanes.delete(lane);
      job?.reject(
        new TaskError(
          'ThreadError',
          error?.message ?? 'the worker thread ended before its task',
          (error as { code?: string } | undefined)?.code,
        ),
      );
      if (!this.closed) this.next();
    };
    worker.on('error', lost);
    worker.on('exit', () => lost());
    return worker;
  }
}
