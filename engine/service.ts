import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import * as v from 'valibot';
import {
  COUNT_LIMIT,
  creditsFor,
  FIGURES,
  FINISHES,
  PROMPT_LIMIT,
  RequestError,
  SIZE_LIMITS,
  understand,
} from '../core/engine';
import type { Pool } from '../node/pool';
import { Rounds } from './rounds';

const BODY_LIMIT = 64 * 1024;

const number = v.pipe(v.number(), v.finite());
const RoundRequest = v.object({
  requestId: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(200))),
  prompt: v.string(),
  leaveOut: v.optional(v.pipe(v.string(), v.maxLength(PROMPT_LIMIT))),
  leeway: v.optional(number),
  ratio: v.optional(v.string()),
  colours: v.optional(v.nullable(number)),
  count: v.optional(number),
  seed: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(0xffffffff))),
  sizePx: v.optional(number),
});
const ReadRequest = v.object({
  prompt: v.pipe(v.string(), v.maxLength(PROMPT_LIMIT)),
  leaveOut: v.optional(v.pipe(v.string(), v.maxLength(PROMPT_LIMIT))),
});

class HttpError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
  ) {
    super(message);
  }
}

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > BODY_LIMIT) throw new HttpError(413, 'too_large', `A request is at most ${BODY_LIMIT} bytes`);
    chunks.push(chunk);
  }
  try {
    return JSON.parse(Buffer.concat(chunks).toString('utf8'));
  } catch {
    throw new HttpError(400, 'bad_json', 'The request is not JSON');
  }
}

function parse<T extends v.GenericSchema>(schema: T, value: unknown): v.InferOutput<T> {
  const result = v.safeParse(schema, value);
  if (result.success) return result.output;
  const [issue] = result.issues;
  throw new HttpError(400, 'bad_request', `${v.getDotPath(issue) ?? 'request'}: ${issue.message}`);
}

const ABOUT = {
  name: 'Odd Quill stand-in image engine',
  standIn: true,
  contract: 1,
  limits: { promptCharacters: PROMPT_LIMIT, candidates: COUNT_LIMIT, sizePx: SIZE_LIMITS },
  credits: { upTo1024Px: creditsFor(1, 1024), above: creditsFor(1, 2048) },
  figures: Object.keys(FIGURES).length,
  finishes: Object.keys(FINISHES),
};

/** The stand-in image engine as an HTTP service; docs/engine-contract.md says what it answers. With a token, requests must carry it. */
export function createEngineServer(pool: Pool, token?: string): Server {
  const rounds = new Rounds(pool);
  const json = (response: ServerResponse, status: number, body: unknown): void => {
    response.writeHead(status, { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store' });
    response.end(JSON.stringify(body));
  };

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    if (token && request.headers.authorization !== `Bearer ${token}`)
      throw new HttpError(401, 'not_allowed', 'The token is missing or wrong');
    const url = new URL(request.url ?? '/', 'http://engine');
    const [, version, subject, id, part, position] = url.pathname.split('/');
    const route = `${request.method} ${version}/${subject}`;
    if (route === 'GET v1/about') return json(response, 200, ABOUT);
    if (route === 'POST v1/read') {
      const { prompt, leaveOut } = parse(ReadRequest, await bodyOf(request));
      return json(response, 200, understand(prompt, leaveOut));
    }
    if (route === 'POST v1/rounds' && !id) {
      const { requestId, ...asked } = parse(RoundRequest, await bodyOf(request));
      return json(response, 202, rounds.start(requestId, asked));
    }
    if (route === 'GET v1/rounds' && id && part === 'candidates') {
      const png = rounds.png(id, Number(position));
      if (!png) throw new HttpError(404, 'unknown_candidate', 'This engine has no such candidate');
      response.writeHead(200, { 'content-type': 'image/png', 'content-length': png.byteLength });
      response.end(png);
      return;
    }
    if (id && !part && (route === 'GET v1/rounds' || route === 'DELETE v1/rounds')) {
      const after = Number(url.searchParams.get('after') ?? 0);
      const waitMs = Math.max(0, Math.min(30_000, Number(url.searchParams.get('waitMs') ?? 0)));
      const found = request.method === 'DELETE' ? rounds.cancel(id) : await rounds.get(id, after, waitMs);
      if (!found) throw new HttpError(404, 'unknown_round', 'This engine has no such round');
      return json(response, 200, found);
    }
    throw new HttpError(404, 'unknown_address', 'There is nothing at this address');
  }

  return createServer((request, response) => {
    answer(request, response).catch((error: unknown) => {
      if (response.headersSent) return response.destroy();
      if (error instanceof HttpError)
        return json(response, error.status, { error: { code: error.code, message: error.message } });
      if (error instanceof RequestError)
        return json(response, 422, { error: { code: error.code, message: error.message } });
      console.error('engine:', error);
      json(response, 500, { error: { code: 'engine_failed', message: 'The image engine failed' } });
    });
  });
}
