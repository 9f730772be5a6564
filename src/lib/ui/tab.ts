/** Names of tabs: what one leaves behind in this browser can be told from what another one still uses. */

const PREFIX = 'odd-quill:tab:';

let name: string | null = null;
let naming: Promise<string> | null = null;

/** This tab's name, once it has one. */
export const tabName = (): string | null => name;

/**
 * Gives this tab a name that no other one has. It is held by a lock for as long as the tab lives, and is the same after a reload. Without locks (a browser of
 * long ago, or a page that did not come over a safe connection) every tab is new, and leaves nothing to anybody.
 */
export const nameTab = (): Promise<string> => (naming ??= makeName());

async function makeName(): Promise<string> {
  const wanted = sessionStorage.getItem(PREFIX) ?? freshKey();
  const held = (await hold(wanted)) ? wanted : freshKey();
  if (held !== wanted) await hold(held);
  sessionStorage.setItem(PREFIX, held);
  return (name = held);
}

/** Takes the lock of a tab's name for good, if nobody has it. */
const hold = (of: string): Promise<boolean> =>
  new Promise((resolve) => {
    if (!navigator.locks) return resolve(true);
    void navigator.locks.request(PREFIX + of, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise(() => {}) : undefined;
    });
  });

/** Whether the tab of that name is no more. */
const isGone = (of: string): Promise<boolean> =>
  new Promise((resolve) => {
    if (!navigator.locks) return resolve(false);
    void navigator.locks.request(PREFIX + of, { ifAvailable: true }, (lock) => resolve(lock !== null));
  });

/** Where a tab keeps something of its own in this browser; null while it has no name. */
export const placeIn = (place: string, tab = name): string | null => (tab ? `${place}@${tab}` : null);

/** Something that a tab kept. */
export interface Left {
  readonly place: string;
  readonly text: string;
}

/**
 * What is kept in this browser at places that begin so: by tabs that are gone, and where wanted by this one before it was reloaded. What tabs that are gone kept
 * is taken out, so that one tab alone has it.
 */
export async function leftBehind(prefix: string, isOwnToo = true): Promise<Left[]> {
  const found: Left[] = [];
  try {
    const own = await nameTab();
    for (const key of Object.keys(localStorage)) {
      if (!key.startsWith(prefix)) continue;
      const at = key.lastIndexOf('@');
      const of = key.slice(at + 1);
      if (at < 0 || (of === own ? !isOwnToo : !(await isGone(of)))) continue;
      const text = localStorage.getItem(key);
      if (of !== own) localStorage.removeItem(key);
      if (text) found.push({ place: key.slice(0, at), text });
    }
  } catch {
    // A browser without storage has nothing left behind.
  }
  return found;
}

/** A key that nothing else has. Pages over plain HTTP from elsewhere have no `randomUUID`. */
export function freshKey(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID();
  return [...crypto.getRandomValues(new Uint8Array(16))].map((b) => b.toString(16).padStart(2, '0')).join('');
}
