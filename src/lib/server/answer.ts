import type { RequestEvent } from '@sveltejs/kit';
import * as v from 'valibot';
import { sql } from './database';
import { KEY_HEADER, once } from './once';
import { readBody } from './pictures';
import { asProblem, Problem, problemResponse } from './problem';

const JSON_LIMIT_BYTES = 16 * 1024 * 1024;

/**
 * A server route out of a function: what it gives is sent as JSON (a Response as it is), what it throws as a refusal. A request that has an idempotency key and
 * changes something is done once, however often it is sent; `hasOwnKeys` is for those whose body has keys that see to that.
 */
export function answer<E extends RequestEvent>(
  work: (event: E) => unknown,
  status = 200,
  { hasOwnKeys = false } = {},
): (event: E) => Promise<Response> {
  return async (event) => {
    const { request, url } = event;
    const key = hasOwnKeys || request.method === 'GET' ? null : request.headers.get(KEY_HEADER);
    try {
      if (key !== null) {
        const asked = `${request.method} ${url.pathname}`;
        const { status: given, body } = await once(sql, key, asked, async () => ({ status, body: await work(event) }));
        return asJson(body, given);
      }
      const result = await work(event);
      return result instanceof Response ? result : asJson(result, status);
    } catch (error) {
      return problemResponse(asProblem(error));
    }
  };
}

const asJson = (body: unknown, status: number): Response =>
  Response.json(body, { status, headers: { 'cache-control': 'no-store' } });

/** What stands for a field's name where a request is wrong as a whole. */
const WHOLE = 'request';

/** A value by a schema; throws a 400 Problem with a sentence for each field that is wrong. */
export function parse<T extends v.GenericSchema>(schema: T, value: unknown): v.InferOutput<T> {
  const result = v.safeParse(schema, value);
  if (result.success) return result.output;
  const fields: Record<string, string> = {};
  for (const issue of result.issues) fields[v.getDotPath(issue) ?? WHOLE] ??= issue.message;
  const [[field, message]] = Object.entries(fields);
  // What is wrong with a request as a whole is a sentence of its own.
  const sentence = field === WHOLE ? message : `Not understood: ${field}: ${message}`;
  throw new Problem(400, 'bad_request', sentence, fields);
}

/** A JSON body by a schema. */
export async function bodyOf<T extends v.GenericSchema>(schema: T, request: Request): Promise<v.InferOutput<T>> {
  const text = (await readBody(request, JSON_LIMIT_BYTES)).toString('utf8');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new Problem(400, 'bad_json', 'The request is not JSON');
  }
  return parse(schema, value);
}
