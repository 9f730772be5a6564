import type { ProblemAnswer } from '$lib/contract/answers';
import { notices } from './notices.svelte';

/** A refusal by the server, or no answer at all (status 0). */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly fields: Readonly<Record<string, string>> = {},
    /** When it makes sense to ask again, in seconds. */
    readonly retryAfterS: number | null = null,
  ) {
    super(message);
  }

  /** Whether this passes by itself, so that one may ask again: nobody answered, or somebody who had no time, no database or no room. */
  get isPassing(): boolean {
    return this.status === 0 || [429, 502, 503, 504, 507].includes(this.status);
  }
}

export type Method = 'GET' | 'POST' | 'PATCH' | 'PUT';

/** How long to wait before asking again: a moment after the first failure, longer after the next. */
const PAUSES_MS = [300, 700, 1500, 3000, 5000, 8000];
const pauseOf = (failures: number, error: ApiError): number =>
  error.retryAfterS !== null ? error.retryAfterS * 1000 : PAUSES_MS[Math.min(failures, PAUSES_MS.length - 1)];
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Asks the server once; with a key, what is asked is done once however often it is sent. Throws an ApiError. */
export async function ask<T>(method: Method, path: string, body?: unknown, key?: string): Promise<T> {
  const file = body instanceof Blob;
  const type = file ? 'application/octet-stream' : 'application/json';
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      // Nothing that is asked so is kept; and a browser makes what asks for the same wait up to 20 s for one another if it might be.
      cache: 'no-store',
      headers: {
        ...(body === undefined ? {} : { 'content-type': type }),
        ...(key === undefined ? {} : { 'idempotency-key': key }),
      },
      body: body === undefined ? undefined : file ? body : JSON.stringify(body),
    });
  } catch {
    throw new ApiError(0, 'no_answer', 'Odd Quill is not answering: what you made is still here; it is tried again');
  }
  let answer: unknown;
  try {
    answer = await response.json();
  } catch {
    // Cut off on its way: what was asked may well have been done.
    if (response.ok)
      throw new ApiError(0, 'cut_off', 'The answer was cut off: what you made is still here; it is tried again');
  }
  if (response.ok) return answer as T;
  const problem = (answer as ProblemAnswer | undefined)?.error;
  throw new ApiError(
    response.status,
    problem?.code ?? 'failed',
    problem?.message ?? 'Something failed on the server: nothing was changed; try again',
    problem?.fields,
    Number(response.headers.get('retry-after')) || null,
  );
}

/**
 * Does something that may be asked for twice until it is answered, and tells meanwhile that nobody answers; `onFailure` hears of each time. Throws the ApiError of a
 * refusal, which asking again does not change.
 */
export async function untilAnswered<T>(work: () => Promise<T>, onFailure: () => void = () => {}): Promise<T> {
  for (let failures = 0; ; failures++) {
    try {
      const answer = await work();
      if (failures) notices.drop('connection');
      return answer;
    } catch (error) {
      if (!(error instanceof ApiError) || !error.isPassing) throw error;
      onFailure();
      notices.tell(error.message, { id: 'connection' });
      await pause(pauseOf(failures, error));
    }
  }
}
