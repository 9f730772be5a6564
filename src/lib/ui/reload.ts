import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

/** A turn of the page, so that what waits for a navigation sees its end. */
const turn = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/**
 * Loads data again: what is named, or all there is. Doing so breaks off a navigation that is under way, so that a press on a link would be lost: it waits for its end.
 */
export async function reload(...what: readonly ('odd-quill:commission' | 'odd-quill:work')[]): Promise<void> {
  while (navigating.complete) {
    await navigating.complete.catch(() => undefined);
    await turn();
  }
  await (what.length ? Promise.all(what.map((w) => invalidate(w))) : invalidateAll());
}
