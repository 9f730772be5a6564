/** A client that does not give up: what a page does with what it sends, for the rig. */
import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';

export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly answer: unknown,
    what: string,
  ) {
    super(`${what} was answered ${status}: ${JSON.stringify(answer)?.slice(0, 300)}`);
  }
}

/** Answers that pass by themselves. */
const PASSING = new Set([429, 502, 503, 504, 507]);

export interface Client {
  /** Asks until there is an answer that holds; what changes something has a key, and is done once. Throws Refused. */
  ask: <T>(method: string, path: string, body?: unknown) => Promise<T>;
  /** Answers that nobody should get. */
  readonly faults: string[];
  /** How often something was asked again. */
  again: number;
}

/** A client of an address, which may change when a server comes back elsewhere. */
export function clientOf(address: () => string, giveUpMs = 120_000): Client {
  const client: Client = {
    faults: [],
    again: 0,
    async ask<T>(method: string, path: string, body?: unknown): Promise<T> {
      const bytes = body instanceof Uint8Array;
      const headers = {
        ...(body === undefined ? {} : { 'content-type': bytes ? 'application/octet-stream' : 'application/json' }),
        ...(method === 'GET' ? {} : { 'idempotency-key': randomUUID() }),
      };
      for (const end = Date.now() + giveUpMs; ;) {
        try {
          const response = await fetch(address() + path, {
            method,
            headers,
            body: body === undefined ? undefined : bytes ? new Uint8Array(body) : JSON.stringify(body),
          });
          const answer: unknown = await response.json();
          if (response.ok) return answer as T;
          if (response.status === 500) client.faults.push(`${method} ${path}: ${JSON.stringify(answer)}`);
          if (!PASSING.has(response.status) && response.status !== 500)
            throw new Refused(response.status, answer, `${method} ${path}`);
        } catch (error) {
          if (error instanceof Refused) throw error;
          // Nobody answered, or the answer was cut off.
        }
        if (Date.now() > end) throw new Error(`${method} ${path} was not answered within ${giveUpMs / 1000} s`);
        client.again++;
        await pause(100 + Math.random() * 200);
      }
    },
  };
  return client;
}
