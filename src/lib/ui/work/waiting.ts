import type * as v from 'valibot';
import type { WorkActs } from '$lib/contract/requests';
import { isGone, nameTab, tabName } from '../tab';

export type Act = v.InferOutput<typeof WorkActs>['acts'][number];

/** Acts on a work that the server has not answered yet, from the head that the first of them builds on. */
export interface Waiting {
  readonly head: string;
  readonly acts: readonly Act[];
}

const PREFIX = 'odd-quill:acts:';

/** Each tab keeps its own: two that wrote at one place would lose each other's. */
const placeOf = (workId: string, of: string): string => `${PREFIX}${workId}:${of}`;

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

/** Keeps what is waiting in this browser, so that it outlives the page, the tab and a network that goes away. */
export function keepWaiting(workId: string, waiting: Waiting): void {
  try {
    const tab = tabName();
    if (!tab) return;
    if (waiting.acts.length) localStorage.setItem(placeOf(workId, tab), JSON.stringify(waiting));
    else localStorage.removeItem(placeOf(workId, tab));
  } catch {
    // A browser without storage, or a full one, loses it with the tab.
  }
}
