import { del, get, set } from 'idb-keyval';
import { ask, untilAnswered } from './api';
import { notices } from './notices.svelte';
import { freshKey, leftBehind, nameTab, placeIn } from './tab';

/** Something that changes what the server has. */
export interface Change {
  readonly method: 'POST' | 'PATCH';
  readonly path: string;
  readonly body?: unknown;
  /** A file that is the body itself. */
  readonly file?: Blob;
  /** What it does, in a few words, for whoever is told that it waits: "2.1 kept". */
  readonly what: string;
  /** Called once it is answered; until that is done it is still shown as made, so that nothing flickers. */
  readonly settle?: () => Promise<unknown>;
}

/** A change that the server has not answered yet. */
export interface WaitingChange extends Omit<Change, 'file' | 'settle'> {
  /** Under which the server makes it once. */
  readonly key: string;
  /** When it was made, in ms: they are sent in this order. */
  readonly at: number;
  readonly hasFile: boolean;
  /** Whether it takes so long that one is told. */
  readonly isLate: boolean;
  /** Whether it was answered, and is shown only until the page has what is new. */
  readonly isAnswered: boolean;
}

const PREFIX = 'odd-quill:change:';
const placeOf = (key: string): string | null => placeIn(PREFIX + key);

/** An answer that takes longer than this is told to be waited for. */
const LATE_MS = 1200;
const LOOK_MS = 15_000;

type OnKept = (change: WaitingChange, answer: unknown) => void;

interface Asker {
  readonly resolve: (answer: unknown) => void;
  readonly reject: (error: unknown) => void;
  readonly settle?: () => Promise<unknown>;
}

/**
 * Everything that changes something goes through here, except acts on a work, which have a line of their own. A change is kept in this browser until it is
 * answered, with a key under which the server makes it once, and is sent again until then: neither a server that restarts, nor a reload, nor a closed tab
 * loses one. They go in the order in which they were made, files beside the others, which are small.
 */
class Outbox {
  /** What waits, oldest first. */
  list = $state.raw<readonly WaitingChange[]>([]);
  private readonly files = new Map<string, Blob>();
  private readonly askers = new Map<string, Asker>();
  private readonly sending = new Set<boolean>();
  private last = 0;

  /** What takes so long that it is told. */
  get late(): readonly WaitingChange[] {
    return this.list.filter((w) => w.isLate && !w.isAnswered);
  }

  /** Sends a change until it is answered; gives the answer, or throws an ApiError when it is refused. */
  send<T>({ file, settle, ...change }: Change): Promise<T> {
    // Two in one millisecond keep their order.
    this.last = Math.max(this.last + 1, Date.now());
    const waiting: WaitingChange = {
      ...change,
      key: freshKey(),
      at: this.last,
      hasFile: file !== undefined,
      isLate: false,
      isAnswered: false,
    };
    if (file) this.files.set(waiting.key, file);
    const answered = new Promise<T>((resolve, reject) =>
      this.askers.set(waiting.key, { resolve: resolve as Asker['resolve'], reject, settle }),
    );
    void this.keep(waiting, file);
    this.add(waiting);
    return answered;
  }

  /**
   * Takes over what this tab left behind when it was reloaded, and what tabs that are gone did, now and every so often. `onKept` hears what of it was kept, with
   * the answer. Gives the function that ends it.
   */
  adopt(onKept: OnKept): () => void {
    void this.takeOver(onKept, true);
    const timer = setInterval(() => void this.takeOver(onKept, false), LOOK_MS);
    return () => clearInterval(timer);
  }

  private async takeOver(onKept: OnKept, isFirst: boolean): Promise<void> {
    for (const waiting of await changesLeft(isFirst)) {
      if (this.list.some((w) => w.key === waiting.key)) continue;
      if (waiting.hasFile) {
        const file = await get<Blob>(waiting.key).catch(() => undefined);
        if (!file) {
          notices.fail(new Error(`${waiting.what}: the file is no longer in this browser; choose it again`));
          continue;
        }
        this.files.set(waiting.key, file);
      }
      this.askers.set(waiting.key, {
        resolve: (answer) => onKept(waiting, answer),
        reject: (error) => notices.fail(new Error(`${waiting.what}: ${(error as Error).message}`)),
      });
      void this.keep(waiting, this.files.get(waiting.key));
      this.add({ ...waiting, isLate: true, isAnswered: false });
    }
  }

  private add(waiting: WaitingChange): void {
    this.list = [...this.list, waiting].sort((p, q) => p.at - q.at);
    setTimeout(() => this.markLate(waiting.key), LATE_MS);
    void this.run(waiting.hasFile);
  }

  private markLate(key: string): void {
    if (this.list.some((w) => w.key === key && !w.isLate))
      this.list = this.list.map((w) => (w.key === key ? { ...w, isLate: true } : w));
  }

  /** Sends what waits, files or the others, one after the other. */
  private async run(files: boolean): Promise<void> {
    if (this.sending.has(files)) return;
    this.sending.add(files);
    for (;;) {
      const next = this.list.find((w) => w.hasFile === files && !w.isAnswered);
      if (!next) break;
      const send = () => ask(next.method, next.path, this.files.get(next.key) ?? next.body, next.key);
      try {
        const answer = await untilAnswered(send, () => this.markLate(next.key));
        this.end(next).resolve(answer);
      } catch (error) {
        this.end(next).reject(error);
      }
    }
    this.sending.delete(files);
  }

  private end({ key, hasFile }: WaitingChange): Asker {
    const asker = this.askers.get(key)!;
    this.askers.delete(key);
    this.files.delete(key);
    forgetKept(key, hasFile);
    this.list = this.list.map((w) => (w.key === key ? { ...w, isAnswered: true } : w));
    void Promise.resolve(asker.settle?.())
      .catch(() => {})
      .then(() => (this.list = this.list.filter((w) => w.key !== key)));
    return asker;
  }

  private async keep({ isLate: _late, isAnswered: _answered, ...waiting }: WaitingChange, file?: Blob): Promise<void> {
    try {
      // The file first: without it the rest is of no use.
      if (file) await set(waiting.key, file);
      await nameTab();
      if (this.askers.has(waiting.key)) localStorage.setItem(placeOf(waiting.key)!, JSON.stringify(waiting));
      // It was answered while it was being kept.
      else forgetKept(waiting.key, waiting.hasFile);
    } catch {
      // A browser without storage, or a full one, loses it with the tab.
    }
  }
}

function forgetKept(key: string, hasFile: boolean): void {
  const place = placeOf(key);
  try {
    if (place) localStorage.removeItem(place);
  } catch {
    // Then nothing was kept.
  }
  if (hasFile) void del(key).catch(() => {});
}

/** Changes that this tab or one that is gone left in this browser, oldest first. */
async function changesLeft(isOwnToo: boolean): Promise<WaitingChange[]> {
  const found: WaitingChange[] = [];
  for (const { text } of await leftBehind(PREFIX, isOwnToo))
    try {
      const waiting = JSON.parse(text) as WaitingChange | null;
      if (waiting?.key && waiting.path && waiting.method) found.push(waiting);
    } catch {
      // Cut off while it was being written: the gesture that was under way.
    }
  return found.sort((p, q) => p.at - q.at);
}

export const outbox = new Outbox();
