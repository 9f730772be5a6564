import type * as v from 'valibot';
import type { WorkActs } from '$lib/contract/requests';
import { forget, keep } from '../kept';
import { leftBehind, placeIn } from '../tab';

export type Act = v.InferOutput<typeof WorkActs>['acts'][number];

/** Acts on a work that the server has not answered yet, from the head that the first of them builds on. */
export interface Waiting {
  readonly head: string;
  readonly acts: readonly Act[];
}

/** Each tab keeps its own: two that wrote at one place would lose each other's. */
const placeOf = (workId: string): string => `odd-quill:acts:${workId}`;

/** What is waiting for a work: of this tab, and of those that are gone. */
export async function adopt(workId: string): Promise<Waiting | null> {
  try {
    const found = (await leftBehind(placeOf(workId)))
      .map(({ text }) => JSON.parse(text) as Waiting | null)
      .filter((w) => w !== null && w.acts?.length > 0) as Waiting[];
    // Several tabs that went at once: the first one's goes on; the rest would be refused, and offered again one by one.
    return found.length ? { head: found[0].head, acts: found.flatMap((w) => w.acts) } : null;
  } catch {
    return null;
  }
}

/** Keeps what is waiting in this browser, so that it outlives the page, the tab and a network that goes away. */
export function keepWaiting(workId: string, waiting: Waiting): void {
  const place = placeIn(placeOf(workId));
  if (!place) return;
  if (waiting.acts.length) keep(place, waiting);
  else forget(place);
}
