import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import * as v from 'valibot';
import {
  checkRequest,
  COUNT_LIMIT,
  creditsFor,
  FINISHES,
  PROMPT_LIMIT,
  REFERENCE_LIMIT,
  RequestError,
  SIZE_LIMITS,
  THING_NAMES,
  understand,
  type CandidateRequest,
} from '../core/engine';
import { KINDS } from '../core/prompt';
import { shrinkToFit, type Picture } from '../core/raster';
import { decodePicture, PictureFileError } from '../node/pictures';
import type { Pool } from '../node/pool';
import { Rounds } from './rounds';

/** Pictures come inside the request, in base64. */
const BODY_LIMIT = 48 * 1024 * 1024;
const READ_LIMIT = 64 * 1024;
/** Rounds that are drawn or wait to be drawn at a time; more are turned away for a moment. */
const DRAWING_MOST = 64;

const number = v.pipe(v.number(), v.finite());
const Base64 = v.pipe(v.string(), v.regex(/^[A-Za-z0-9+/=\s]+$/, 'not base64'));
const Words = v.nullable(v.pipe(v.string(), v.maxLength(80)));
const RecipeGiven = v.nullable(
  v.looseObject({
    version: v.literal(1),
    prompt: v.string(),
    descent: v.array(v.object({ seed: number, drift: number })),
  }),
);
const share = v.pipe(number, v.minValue(0), v.maxValue(1));
const RoundRequest = v.object({
  requestId: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(200))),
  prompt: v.string(),
  leaveOut: v.optional(v.pipe(v.string(), v.maxLength(PROMPT_LIMIT))),
  usualColours: v.optional(v.pipe(v.string(), v.maxLength(PROMPT_LIMIT))),
  leeway: v.optional(number),
  ratio: v.optional(v.string()),
  colours: v.optional(v.nullable(number)),
  count: v.optional(number),
  seed: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(0xffffffff))),
  sizePx: v.optional(number),
  finish: v.optional(Words),
  kind: v.optional(Words),
  detail: v.optional(v.nullable(number)),
  flaws: v.optional(number),
  references: v.optional(
    v.pipe(v.array(v.object({ picture: Base64, closeness: number })), v.maxLength(REFERENCE_LIMIT)),
  ),
  balance: v.optional(v.nullable(number)),
  offshootOf: v.optional(RecipeGiven),
  drift: v.optional(number),
  enlarge: v.optional(RecipeGiven),
  redo: v.optional(
    v.nullable(
      v.object({
        picture: Base64,
        area: v.object({ x: share, y: share, width: share, height: share }),
        recipe: RecipeGiven,
      }),
    ),
  ),
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

/** Longer side that a reference is shrunk to: its shape and colours are read, not its pixels kept. */
const REFERENCE_SIDE_PX = 1024;

/** The request with its pictures decoded. Throws an HttpError for one that is none. */
async function withPictures({
  references,
  redo,
  ...rest
}: Omit<v.InferOutput<typeof RoundRequest>, 'requestId'>): Promise<CandidateRequest> {
  const decoded = async (base64: string): Promise<Picture> => {
    try {
      return await decodePicture(Buffer.from(base64, 'base64'));
    } catch (error) {
      if (error instanceof PictureFileError) throw new HttpError(422, 'broken_reference', error.message);
      throw error;
    }
  };
  return {
    ...rest,
    ...(references
      ? {
          references: await Promise.all(
            references.map(async ({ picture, closeness }) => ({
              picture: shrinkToFit(await decoded(picture), REFERENCE_SIDE_PX),
              closeness,
            })),
          ),
        }
      : {}),
    ...(redo ? { redo: { ...redo, picture: await decoded(redo.picture) } } : {}),
  } as CandidateRequest;
}

/** Names by which a program on this machine may call the engine. */
const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);

/** Refuses what a page of some site could send, before anything of it is read: an engine is called by programs, with their token. */
function admit(request: IncomingMessage, token: string | undefined): void {
  const { authorization, host = '', origin } = request.headers;
  if (token && authorization !== `Bearer ${token}`)
    throw new HttpError(401, 'not_allowed', 'The token is missing or wrong');
  if (!LOOPBACK.has(host.replace(/:\d+$/, '')))
    throw new HttpError(403, 'unknown_host', 'This engine does not answer to that name');
  if (origin !== undefined) throw new HttpError(403, 'other_origin', 'This engine is not called from pages');
  if (request.method === 'POST' && !(request.headers['content-type'] ?? '').startsWith('application/json'))
    throw new HttpError(415, 'bad_content_type', 'A request is application/json');
}

async function bodyOf(request: IncomingMessage, limit = READ_LIMIT): Promise<unknown> {
  if (Number(request.headers['content-length'] ?? 0) > limit)
    throw new HttpError(413, 'too_large', `A request is at most ${limit} bytes`);
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > limit) throw new HttpError(413, 'too_large', `A request is at most ${limit} bytes`);
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
  limits: {
    promptCharacters: PROMPT_LIMIT,
    candidates: COUNT_LIMIT,
    sizePx: SIZE_LIMITS,
    references: REFERENCE_LIMIT,
    requestBytes: BODY_LIMIT,
  },
  credits: { upTo1024Px: creditsFor(1, 1024), upTo2048Px: creditsFor(1, 2048), above: creditsFor(1, 4096) },
  figures: THING_NAMES.length,
  kinds: KINDS,
  /** What it can do besides drawing a prompt. */
  can: ['references', 'offshoot', 'crossing', 'redo', 'enlarge', 'previews', 'finishes', 'read'],
  finishes: Object.entries(FINISHES).map(([name, { about }]) => ({ name, about })),
};

/** The stand-in image engine as an HTTP service; docs/engine-contract.md says what it answers. With a token, requests must carry it. */
export function createEngineServer(pool: Pool, token?: string): Server {
  const rounds = new Rounds(pool);
  const examples = new Map<string, Promise<Uint8Array>>();
  /** The example of a finish, drawn once. */
  const exampleOf = (finish: string): Promise<Uint8Array> => {
    let example = examples.get(finish);
    if (!example) {
      example = pool.run('example', { finish }).catch((error: unknown) => {
        examples.delete(finish);
        throw error;
      });
      examples.set(finish, example);
    }
    return example;
  };
  const json = (response: ServerResponse, status: number, body: unknown): void => {
    response.writeHead(status, { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store' });
    response.end(JSON.stringify(body));
  };

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    admit(request, token);
    const url = new URL(request.url ?? '/', 'http://engine');
    const [, version, subject, id, part, position] = url.pathname.split('/');
    const route = `${request.method} ${version}/${subject}`;
    if (route === 'GET v1/about') return json(response, 200, ABOUT);
    if (route === 'POST v1/read') {
      const { prompt, leaveOut } = parse(ReadRequest, await bodyOf(request));
      return json(response, 200, understand(prompt, leaveOut));
    }
    if (route === 'POST v1/rounds' && !id) {
      const { requestId, ...asked } = parse(RoundRequest, await bodyOf(request, BODY_LIMIT));
      const known = rounds.known(requestId);
      if (known) return json(response, 202, known);
      // All that can be refused is refused before a picture is decoded; where pictures will be there is base64 still, which nothing looks at.
      checkRequest(asked as unknown as CandidateRequest);
      if (rounds.drawing >= DRAWING_MOST) {
        response.setHeader('retry-after', '2');
        throw new HttpError(503, 'busy', `${DRAWING_MOST} rounds are being drawn already: ask again in a moment`);
      }
      return json(response, 202, rounds.start(requestId, await withPictures(asked)));
    }
    if (route === 'GET v1/finishes' && id) {
      const name = decodeURIComponent(id);
      if (!Object.hasOwn(FINISHES, name)) throw new HttpError(404, 'unknown_finish', 'This engine has no such finish');
      const png = await exampleOf(name);
      response.writeHead(200, {
        'content-type': 'image/png',
        'content-length': png.byteLength,
        'cache-control': 'public, max-age=86400',
      });
      response.end(png);
      return;
    }
    if (route === 'GET v1/rounds' && id && (part === 'candidates' || part === 'previews')) {
      const png = part === 'candidates' ? rounds.png(id, Number(position)) : rounds.preview(id, Number(position));
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
