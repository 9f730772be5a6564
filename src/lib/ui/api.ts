import type { ProblemAnswer } from '$lib/contract/answers';
import { notices } from './notices.svelte';

/** A refusal by the server, or no answer at all (status 0). */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly fields: Readonly<Record<string, string>> = {},
  ) {
    super(message);
  }
}

const RETRY_MS = [300, 700, 1500, 3000, 5000];
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function once<T>(method: string, path: string, body: unknown): Promise<T> {
  const file = body instanceof Blob;
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers: body === undefined ? {} : { 'content-type': file ? 'application/octet-stream' : 'application/json' },
      body: body === undefined ? undefined : file ? body : JSON.stringify(body),
    });
  } catch {
    throw new ApiError(0, 'no_answer', 'Odd Quill is not answering: what you made is still here; it is tried again');
  }
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) return answer as T;
  const problem = (answer as ProblemAnswer | null)?.error;
  throw new ApiError(
    response.status,
    problem?.code ?? 'failed',
    problem?.message ?? 'Something failed on the server: nothing was changed; try again',
    problem?.fields,
  );
}

/** Whether asking again cannot do the same thing twice. */
function safeToRepeat(error: ApiError, method: string, body: unknown): boolean {
  if (error.code === 'database_away' || error.code === 'busy') return true;
  return (
    error.status === 0 &&
    (method === 'GET' || (typeof body === 'object' && body !== null && ('requestKey' in body || 'acts' in body)))
  );
}

/** Asks the server; while it or its database is away, it is asked again for some ten seconds. Throws an ApiError. */
export async function api<T>(method: 'GET' | 'POST' | 'PATCH', path: string, body?: unknown): Promise<T> {
  for (let attempt = 0; ; attempt++) {
    try {
      const result = await once<T>(method, path, body);
      if (attempt) notices.drop('connection');
      return result;
    } catch (error) {
      if (!(error instanceof ApiError) || attempt >= RETRY_MS.length || !safeToRepeat(error, method, body)) throw error;
      notices.tell(error.message, { id: 'connection' });
      await pause(RETRY_MS[attempt]);
    }
  }
}

/** A key that makes a request the same request when it is sent again. */
export const requestKey = (): string => crypto.randomUUID();
