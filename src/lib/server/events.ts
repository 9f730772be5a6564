import pg from 'pg';
import type { WatchEvent } from '../contract/answers';
import { settings } from './settings';

type Watcher = (event: WatchEvent) => void;

const watchers = new Set<Watcher>();
let client: pg.Client | null = null;
let stopped = true;
const RECONNECT_MS = 500;

/** Told to everybody when some changes may have been missed. */
const EVERYTHING: WatchEvent = { subject: 'everything', id: '', commissionId: '' };

async function connect(): Promise<void> {
  const made = new pg.Client({ connectionString: settings.databaseUrl(), keepAlive: true });
  const again = (): void => {
    if (client !== made) return;
    client = null;
    setTimeout(() => void listen(), RECONNECT_MS);
  };
  client = made;
  made.on('error', again);
  made.on('end', again);
  made.on('notification', ({ payload }) => {
    const event = JSON.parse(payload ?? '{}') as WatchEvent;
    for (const watcher of [...watchers]) watcher(event);
  });
  try {
    await made.connect();
    await made.query('listen odd_quill');
  } catch {
    made.end().catch(() => {});
    again();
  }
}

async function listen(): Promise<void> {
  if (stopped) return;
  await connect();
  // Whatever happened while nobody listened was missed: those who watch look again.
  if (client) for (const watcher of [...watchers]) watcher(EVERYTHING);
}

/** Starts hearing of changes in the database, from whichever server. */
export async function startEvents(): Promise<void> {
  if (!stopped) return;
  stopped = false;
  await listen();
}

export async function stopEvents(): Promise<void> {
  stopped = true;
  const last = client;
  client = null;
  await last?.end().catch(() => {});
}

/** Calls back for every change until the function it gives is called. */
export function watch(watcher: Watcher): () => void {
  watchers.add(watcher);
  return () => watchers.delete(watcher);
}
