import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { stopComputing } from '$lib/server/computing';
import { closeDatabase } from '$lib/server/database';
import { startEvents, stopEvents } from '$lib/server/events';
import { startJobs, stopJobs } from '$lib/server/jobs';
import { startReading, stopReading } from '$lib/server/reading';
import { databaseIsGone, Problem, problemResponse } from '$lib/server/problem';
import { settings } from '$lib/server/settings';

export const init: ServerInit = async () => {
  // Nothing that a dependency rejects by itself, such as a queue whose database is gone, may end the server.
  process.on('unhandledRejection', (error) => {
    if (!databaseIsGone(error)) console.error('unhandled:', error);
  });
  await startEvents();
  await startJobs();
  if (settings.readsByItself()) startReading();
  // Called by serve.mjs before it ends: jobs come to their end or are handed back.
  Object.assign(globalThis, {
    [Symbol.for('odd-quill.stop')]: async () => {
      await Promise.all([stopJobs(), stopReading()]);
      await Promise.all([stopComputing(), stopEvents()]);
      await closeDatabase();
    },
  });
};

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);
const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);

const hostOf = (url: string): string | null => {
  try {
    return new URL(url).host;
  } catch {
    return null;
  }
};

/** Why a request is not let in; null when it is. A page of another site can neither change nor, by a name of its own for this machine, read anything. */
function refusal(request: Request): Problem | null {
  const host = request.headers.get('host') ?? '';
  const name = host.replace(/:\d+$/, '');
  if (!LOOPBACK.has(name) && !settings.hostNames().includes(name))
    return new Problem(
      403,
      'unknown_host',
      'This server does not answer to that name; ODD_QUILL_HOST_NAMES lists the ones it may be called by',
    );
  if (SAFE.has(request.method)) return null;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  if ((origin !== null && hostOf(origin) !== host) || (site !== null && site !== 'same-origin' && site !== 'none'))
    return new Problem(403, 'other_origin', 'This request comes from another site, so nothing was changed');
  return null;
}

export const handle: Handle = async ({ event, resolve }) => {
  const refused = refusal(event.request);
  const surround = event.cookies.get('surround') === 'dark' ? 'dark' : 'light';
  if (refused) return problemResponse(refused);
  return resolve(event, { transformPageChunk: ({ html }) => html.replace('%surround%', surround) });
};

export const handleError: HandleServerError = ({ error, status }) => {
  if (status !== 404) console.error(error);
  return {
    message:
      status === 404
        ? 'There is nothing at this address'
        : 'Something failed on the server: nothing was changed; try again',
  };
};
