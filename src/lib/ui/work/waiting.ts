import type * as v from 'valibot';
import type { WorkActs } from '$lib/contract/requests';

export type Act = v.InferOutput<typeof WorkActs>['acts'][number];

/** Acts on a work that the server has not answered yet, from the head that the first of them builds on. */
export interface Waiting {
  readonly head: string;
  readonly acts: readonly Act[];
}

const PREFIX = 'odd-quill:acts:';

/** Each tab keeps its own: two that wrote at one place would lose each other's. */
let tab: string | null = null;

const placeOf = (workId: string, of: string): string => `${PREFIX}${workId}:${of}`;

/**
 * Gives this tab a name that no other one has. A name is held by a lock for as long as the tab lives, so that what a tab that is gone left behind can be told
 * from what another one still sends. Without locks (a browser of long ago) every tab is new, and leaves nothing to anybody.
 */
async function nameTab(): Promise<string> {
  if (tab) return tab;
  const wanted = sessionStorage.getItem(`${PREFIX}tab`) ?? crypto.randomUUID();
  const held = (await hold(wanted)) ? wanted : crypto.randomUUID();
  if (held !== wanted) await hold(held);
  sessionStorage.setItem(`${PREFIX}tab`, held);
  return (tab = held);
}

/** Takes the lock of a tab's name for good, if nobody has it. */
const hold = (name: string): Promise<boolean> =>
  new Promise((resolve) => {
    if (!navigator.locks) return resolve(true);
    void navigator.locks.request(PREFIX + name, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise(() => {}) : undefined;
    });
  });

/** What is waiting for a work: of this tab, and of those that are gone. */
export async function adopt(workId: string): Promise<Waiting | null> {
  try {
    const own = await nameTab();
    const found: Waiting[] = [];
    for (const key of Object.keys(localStorage)) {
      if (!key.startsWith(`${PREFIX}${workId}:`)) continue;
      const of = key.slice(PREFIX.length + workId.length + 1);
      if (of !== own && !(await isGone(of))) continue;
      const read = JSON.parse(localStorage.getItem(key) ?? 'null') as Waiting | null;
      localStorage.removeItem(key);
      if (read?.acts?.length) found.push(read);
    }
    // Several tabs that went at once: the first one's goes on; the rest would be refused, and offered again one by one.
    return found.length ? { head: found[0].head, acts: found.flatMap((w) => w.acts) } : null;
  } catch {
    return null;
  }
}

const isGone = (of: string): Promise<boolean> =>
  new Promise((resolve) => {
    if (!navigator.locks) return resolve(false);
    void navigator.locks.request(PREFIX + of, { ifAvailable: true }, (lock) => resolve(lock !== null));
  });

/** Keeps what is waiting in this browser, so that it outlives the page, the tab and a network that goes away. */
export function keepWaiting(workId: string, waiting: Waiting): void {
  try {
    if (!tab) return;
    if (waiting.acts.length) localStorage.setItem(placeOf(workId, tab), JSON.stringify(waiting));
    else localStorage.removeItem(placeOf(workId, tab));
  } catch {
    // A browser without storage, or a full one, loses it with the tab.
  }
}
