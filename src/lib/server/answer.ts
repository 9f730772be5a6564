import type { RequestEvent } from '@sveltejs/kit';
import * as v from 'valibot';
import { sql } from './database';
import { KEY_HEADER, once } from './once';
import { readBody, UPLOAD_LIMIT_BYTES } from './pictures';
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
      // Nobody hears the answer, and nothing failed.
      if (request.signal.aborted && (error as Error).name === 'AbortError') return new Response(null, { status: GONE });
      return problemResponse(asProblem(error));
    }
  };
}

/** What logs call an answer to somebody who has gone. */
const GONE = 499;

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
  return parse(schema, jsonOf(await readBody(request, JSON_LIMIT_BYTES)));
}

/** Bytes as JSON; throws a 400 Problem where they are none. */
export function jsonOf(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(Buffer.from(bytes).toString('utf8'));
  } catch {
    throw new Problem(400, 'bad_json', 'The request is not JSON');
  }
}

/** The parts of a form by their names, each as bytes; throws a 400 Problem where one is missing. */
export async function formOf<N extends string>(request: Request, names: readonly N[]): Promise<Record<N, Uint8Array>> {
  const type = request.headers.get('content-type') ?? '';
  if (!/^multipart\/form-data\b/i.test(type))
    throw new Problem(415, 'no_form', `The request is to be a form (multipart/form-data) of ${names.join(' and ')}`);
  // Read with its limit first: a form may be of any size.
  const body = await readBody(request, 2 * UPLOAD_LIMIT_BYTES);
  let form: FormData;
  try {
    form = await new Response(new Uint8Array(body), { headers: { 'content-type': type } }).formData();
  } catch {
    throw new Problem(400, 'bad_form', 'The form cannot be read: it was cut off, or is none');
  }
  const parts = {} as Record<N, Uint8Array>;
  for (const name of names) {
    const part = form.get(name);
    if (part === null) throw new Problem(400, 'bad_form', `The form has no part ${name}`, { [name]: 'missing' });
    parts[name] = typeof part === 'string' ? new TextEncoder().encode(part) : new Uint8Array(await part.arrayBuffer());
  }
  return parts;
}
