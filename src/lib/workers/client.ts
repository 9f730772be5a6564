import type { Schemes } from '$core/colour';
import type { ProofSheet } from '$core/judge';
import type { EconomyPoint, Trace, TraceOptions } from '$core/trace';
import type { EnclosedArea } from '$core/retouch';
import type { Deviation, OfferedGuide } from '$core/redraw';
import type { DrawnLockup } from '$core/lockup';
import type { NearlyLine, Touching } from '$core/vector';
import type {
  ConstructionFound,
  CurvePoint,
  DepthSeen,
  FillShown,
  InOneColour,
  AlternatesShown,
  LayoutShown,
  LetteringWant,
  LockupLook,
  Look,
  MadePicture,
  ProofSource,
  Reply,
  RetouchResult,
  RetouchWant,
  ShapesMade,
  ShapesResult,
  ShapesWant,
} from './messages';

export interface WorkHooks<T> {
  readonly onResult: (result: T) => void;
  readonly onError: (message: string) => void;
  readonly onProgress?: (done: number) => void;
  /** Sees a coarse result that a better one follows. */
  readonly onCoarse?: (result: T) => void;
}

/**
 * A worker of which only the newest request matters: one that is overtaken is stopped where the worker looks for that, and never
 * heard of again; one that waits is replaced.
 */
class Latest<Request extends object, Result> {
  private worker: Answering | null = null;
  private running: { id: number; stop: Int32Array | null; hooks: WorkHooks<Result> | null } | null = null;
  private waiting: { request: Request; hooks: WorkHooks<Result> } | null = null;
  private count = 0;

  constructor(private readonly start: () => Answering) {}

  ask(request: Request, hooks: WorkHooks<Result>): void {
    this.waiting = { request, hooks };
    if (this.running) {
      if (this.running.stop) Atomics.store(this.running.stop, 0, 1);
      this.running.hooks = null;
    } else this.next();
  }

  close(): void {
    this.worker?.terminate();
    this.worker = this.running = this.waiting = null;
  }

  private next(): void {
    if (!this.waiting) return;
    const { request, hooks } = this.waiting;
    this.waiting = null;
    const id = ++this.count;
    const stop = crossOriginIsolated ? new Int32Array(new SharedArrayBuffer(4)) : null;
    this.running = { id, stop, hooks };
    this.worker ??= this.spawn();
    this.worker.postMessage({ ...request, id, stop });
  }

  private spawn(): Answering {
    const worker = this.start();
    worker.onmessage = ({ data }: MessageEvent<Reply<Result>>) => {
      if (data.id !== this.running?.id) return;
      const { hooks } = this.running;
      if (data.what === 'progress') return hooks?.onProgress?.(data.done);
      if (data.what === 'coarse') return hooks?.onCoarse?.(data.result);
      this.running = null;
      if (data.what === 'result') hooks?.onResult(data.result);
      else if (data.what === 'error') hooks?.onError(data.message);
      this.next();
    };
    worker.onerror = (event) => {
      const hooks = this.running?.hooks;
      this.worker?.terminate();
      this.worker = this.running = null;
      if (event.message) console.error(event.message);
      hooks?.onError('The work was broken off: change a control to try again');
      this.next();
    };
    return worker;
  }
}

/** A worker that judges marks. */
export const proofsWorker = () =>
  new Latest<{ source: ProofSource }, ProofSheet>(
    () => new Worker(new URL('./proofs.worker.ts', import.meta.url), { type: 'module' }),
  );

const newTracer = () => new Worker(new URL('./trace.worker.ts', import.meta.url), { type: 'module' });

/** A worker that traces pictures. */
export const traceWorker = () => new Latest<{ want: 'trace'; href: string; options: TraceOptions }, Trace>(newTracer);

/** A worker that finds economy curves; one of its own, so that it never keeps a trace waiting. */
export const economyWorker = () =>
  new Latest<{ want: 'economy'; href: string; options: TraceOptions }, readonly EconomyPoint[]>(newTracer);

const newRetoucher = <R extends RetouchResult>() =>
  new Latest<RetouchWant, R>(() => new Worker(new URL('./retouch.worker.ts', import.meta.url), { type: 'module' }));

/** A worker that makes the pictures of lists. */
export const makingWorker = () => newRetoucher<MadePicture>();
/** One that looks at them for what is worth a look; of its own, so that it keeps no picture waiting. */
export const lookingWorker = () => newRetoucher<Look>();
/** One that finds the fills of a mend. */
export const fillsWorker = () => newRetoucher<readonly FillShown[]>();
/** One that finds what a cut-out encloses. */
export const enclosedWorker = () => newRetoucher<readonly EnclosedArea[]>();

const newShaper = <R extends ShapesResult>() =>
  new Latest<ShapesWant, R>(() => new Worker(new URL('./shapes.worker.ts', import.meta.url), { type: 'module' }));

/** A worker that makes edits of shapes that take a while. */
export const shapingWorker = () => newShaper<ShapesMade>();
/** One that finds what shapes nearly are. */
export const nearlyWorker = () => newShaper<readonly NearlyLine[]>();
/** One that finds what they are constructed of. */
export const constructionWorker = () => newShaper<ConstructionFound>();
/** One that finds how many points do. */
export const curveWorker = () => newShaper<readonly CurvePoint[]>();
/** One that finds the guides a picture offers. */
export const offeredWorker = () => newShaper<readonly OfferedGuide[]>();
/** One that sees which inks touch. */
export const touchingWorker = () => newShaper<Touching>();
/** One that finds other colours. */
export const schemesWorker = () => newShaper<Schemes>();
/** One that makes artworks of one colour. */
export const oneColourWorker = () => newShaper<InOneColour>();
/** One that looks at depth. */
export const depthWorker = () => newShaper<DepthSeen>();
/** One that measures how far a drawing lies from its picture. */
export const deviationWorker = () => newShaper<Deviation>();

/** What a Latest needs of a worker. */
type Answering = Pick<Worker, 'postMessage' | 'onmessage' | 'onerror' | 'terminate'>;

/**
 * One worker for several that ask: the shaper is large, and each worker that has it loads it. It lives as long as the page, and answers each on the channel that
 * the request came on.
 */
class Shared {
  private worker: Worker | null = null;
  /** What was asked while it was being loaded. */
  private waiting: object[] | null = null;
  private readonly channels = new Map<number, Answering>();
  private count = 0;

  channel = (): Answering => {
    const number = ++this.count;
    const own: Answering = {
      onmessage: null,
      onerror: null,
      postMessage: (message: object) => this.post({ ...message, channel: number }),
      terminate: () => void this.channels.delete(number),
    };
    this.channels.set(number, own);
    return own;
  };

  private post(message: object): void {
    const worker = this.started();
    if (this.waiting) this.waiting.push(message);
    else worker.postMessage(message);
  }

  private started(): Worker {
    if (this.worker) return this.worker;
    this.waiting = [];
    const worker = new Worker(new URL('./lettering.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = (event: MessageEvent<'ready' | { channel: number }>) => {
      if (event.data !== 'ready') return void this.channels.get(event.data.channel)?.onmessage?.call(worker, event);
      this.waiting?.forEach((message) => worker.postMessage(message));
      this.waiting = null;
    };
    worker.onerror = (event) => {
      worker.terminate();
      this.worker = null;
      for (const channel of this.channels.values()) channel.onerror?.call(worker, event);
    };
    // A page that is kept for the way back with such a worker takes Chromium's renderer down (seen with 156), and the page after it too: it goes without.
    const leave = (): void => {
      worker.terminate();
      // Brought back, it has no worker any more: it is loaded anew.
      addEventListener('pageshow', () => location.reload(), { once: true });
    };
    addEventListener('pagehide', leave, { once: true });
    return (this.worker = worker);
  }
}

/** Lockups that are shown while something moves wait for nothing else. */
const drawing = new Shared();
const setting = new Shared();

/** A worker that draws lockups. */
export const drawingWorker = () => new Latest<LetteringWant, DrawnLockup>(drawing.channel);
/** One that draws them as they are judged and delivered. */
export const cuttingWorker = () => new Latest<LetteringWant, DrawnLockup>(setting.channel);
/** One that arranges marks and names. */
export const layoutsWorker = () => new Latest<LetteringWant, readonly LayoutShown[]>(setting.channel);
/** One that looks at lockups. */
export const lockupLookWorker = () => new Latest<LetteringWant, LockupLook>(setting.channel);
/** One that finds what faces have beside their plain letters. */
export const alternatesWorker = () => new Latest<LetteringWant, AlternatesShown>(setting.channel);
