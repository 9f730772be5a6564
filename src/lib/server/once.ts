import { AsyncLocalStorage } from 'node:async_hooks';
import { setTimeout as pause } from 'node:timers/promises';
import { Problem } from './problem';

/** The standard header with the key of a request that is to be done once, however often it is sent. */
export const KEY_HEADER = 'idempotency-key';

/** A request that is being done under a key. */
interface Claim {
  readonly key: string;
  /** Method and path. */
  readonly asked: string;
  /** Whether a transaction has written it down. */
  isWritten: boolean;
}

type Statement = <R>(text: string, values?: readonly unknown[]) => Promise<R[]>;

const claims = new AsyncLocalStorage<Claim>();

/** The request had been done before: what it was answered is to be answered again. */
class DoneBefore extends Error {}

/** Answers larger than this are kept as the id of what was made. */
const ANSWER_MOST_BYTES = 32_000;

/** Kept for as long as a browser may still send what waits in it. */
const KEPT_FOR = '14 days';

/** Within the first transaction of a request with a key: writes the key down, so that either both take effect or neither does. */
export async function claim(tx: Statement): Promise<void> {
  const own = claims.getStore();
  if (!own || own.isWritten) return;
  // Another one with the same key that is under way is waited for here.
  const rows = await tx('insert into request (key, asked) values ($1, $2) on conflict do nothing returning key', [
    own.key,
    own.asked,
  ]);
  if (!rows.length) throw new DoneBefore('done before');
}

/** At the end of that transaction: what it made, so that it can be told even if the server ends before it has answered. */
export async function claimMade(tx: Statement, result: unknown): Promise<void> {
  const own = claims.getStore();
  const made = (Array.isArray(result) ? (result[0] as unknown) : result) as { id?: unknown } | string | undefined;
  const id = typeof made === 'string' ? made : made?.id;
  if (own && !own.isWritten && typeof id === 'string')
    await tx('update request set made = $2 where key = $1', [own.key, id]);
}

/** After its commit. */
export function claimed(): void {
  const own = claims.getStore();
  if (own) own.isWritten = true;
}

/** Whether what is being done has a key, and may therefore be tried again without being done twice. */
export const isClaiming = (): boolean => claims.getStore()?.isWritten === false;

/** What a request is answered. */
export interface Answered {
  readonly status: number;
  readonly body: unknown;
}

interface RequestRow {
  readonly asked: string;
  readonly made: string | null;
  readonly status: number | null;
  readonly answer: unknown;
}

/** A key that was used before: what it was answered then; null for a new one. Throws a 422 Problem where it was used for something else. */
async function answeredBefore(sql: Statement, key: string, asked: string): Promise<Answered | null> {
  for (let tries = 0; ; tries++) {
    const [row] = await sql<RequestRow>('select asked, made, status, answer from request where key = $1', [key]);
    if (!row) return null;
    if (row.asked !== asked)
      throw new Problem(422, 'key_used', 'This idempotency key was used for another request: give each its own');
    if (row.status !== null) return { status: row.status, body: row.answer };
    // Either it is being answered at this moment, or the server ended before it could be.
    if (tries >= 8) return { status: 200, body: row.made ? { id: row.made } : {} };
    await pause(60);
  }
}

function shortened(body: unknown): string {
  const text = JSON.stringify(body ?? null);
  if (text.length <= ANSWER_MOST_BYTES) return text;
  const { id, artwork } = body as { id?: unknown; artwork?: { id?: unknown } };
  return JSON.stringify(artwork ? { artwork: { id: artwork.id }, leftOut: [] } : { id });
}

/** Does what a request with a key asks for, or answers what it was answered when it was done. */
export async function once(
  sql: Statement,
  key: string,
  asked: string,
  work: () => Promise<Answered>,
): Promise<Answered> {
  if (!/^[\w-]{8,64}$/.test(key))
    throw new Problem(400, 'bad_key', 'An idempotency key has 8 to 64 letters, digits and hyphens');
  const before = await answeredBefore(sql, key, asked);
  if (before) return before;
  const own: Claim = { key, asked, isWritten: false };
  let answered: Answered;
  try {
    answered = await claims.run(own, work);
  } catch (error) {
    if (!(error instanceof DoneBefore)) throw error;
    return (await answeredBefore(sql, key, asked)) ?? { status: 200, body: {} };
  }
  if (own.isWritten)
    await sql('update request set status = $2, answer = $3 where key = $1', [
      key,
      answered.status,
      shortened(answered.body),
      // It took effect: that its answer could not be kept is no reason to call it failed.
    ]).catch(() => {});
  return answered;
}

/** Forgets keys that nobody will send again. */
export const forgetRequests = (sql: Statement): Promise<unknown> =>
  sql(`delete from request where created_at < now() - interval '${KEPT_FOR}'`);
