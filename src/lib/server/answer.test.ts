import * as v from 'valibot';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { ProblemAnswer, WatchEvent } from '$lib/contract/answers';
import { answer, bodyOf, parse } from './answer';
import { eventStream } from './event-stream';
import { readBody, reencode } from './pictures';
import { asProblem, databaseIsGone, Problem, problemResponse, unknown } from './problem';
import { settings } from './settings';

const Body = v.object({
  name: v.pipe(v.string(), v.minLength(1, 'a name')),
  size: v.pipe(v.number(), v.maxValue(9, '9 or less')),
});

const request = (body: BodyInit | null, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1/', {
    method: 'POST',
    body,
    headers,
    ...(body ? { duplex: 'half' } : {}),
  } as RequestInit);

/** A body that comes in pieces, and may break off. */
const pieces = (sizes: readonly number[], breaks = false) =>
  new ReadableStream<Uint8Array>({
    start(controller) {
      for (const size of sizes) controller.enqueue(new Uint8Array(size).fill(65));
      if (breaks) controller.error(new Error('gone'));
      else controller.close();
    },
  });
const refusal = async (work: Promise<unknown>): Promise<Problem> => {
  try {
    await work;
  } catch (error) {
    if (error instanceof Problem) return error;
    throw error;
  }
  throw new Error('nothing was refused');
};

describe('what is asked', () => {
  it('is read by a schema, or refused with each field that is wrong', async () => {
    expect(parse(Body, { name: 'Noctule', size: 3 })).toEqual({ name: 'Noctule', size: 3 });
    const wrong = await refusal((async () => parse(Body, { name: '', size: 12 }))());
    expect(wrong).toMatchObject({ status: 400, code: 'bad_request', fields: { name: 'a name', size: '9 or less' } });
    expect(wrong.message).toContain('name: a name');
    expect((await refusal((async () => parse(Body, null))())).fields).toHaveProperty('request');
  });

  it('is JSON', async () => {
    expect(await bodyOf(Body, request('{"name":"Noctule","size":3}'))).toEqual({ name: 'Noctule', size: 3 });
    for (const text of ['{"name":', 'name=Noctule', '\u0000'])
      expect(await refusal(bodyOf(Body, request(text)))).toMatchObject({ status: 400, code: 'bad_json' });
    expect(await refusal(bodyOf(Body, request(null)))).toMatchObject({ code: 'bad_json' });
  });
});

describe('a body', () => {
  it('is put together from its pieces', async () => {
    const body = await readBody(request(pieces([3, 4, 5])));
    expect([body.length, new Set(body)]).toEqual([12, new Set([65])]);
    expect(await readBody(request(null))).toHaveLength(0);
  });

  it('is refused once it is over the limit, said or not', async () => {
    const tooLarge = { status: 413, code: 'too_large' };
    expect(await refusal(readBody(request(pieces([60, 60])), 100))).toMatchObject(tooLarge);
    expect(await refusal(readBody(request(pieces([1]), { 'content-length': '101' }), 100))).toMatchObject(tooLarge);
    expect(await readBody(request(pieces([60, 40])), 100)).toHaveLength(100);
  });

  it('that was cut off is not taken for a whole one', async () => {
    const cutOff = { status: 400, code: 'upload_cut_off' };
    expect(await refusal(readBody(request(pieces([10], true))))).toMatchObject(cutOff);
    expect(await refusal(readBody(request(pieces([10]), { 'content-length': '20' })))).toMatchObject(cutOff);
    expect(await refusal(readBody(request(null, { 'content-length': '20' })))).toMatchObject({ status: 415 });
  });

  it('that should be a picture is one of ours, or refused', async () => {
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAABAAAAAQCAIAAACQkWg2AAAAF0lEQVR42mNk+M9AEmAiTfmohlENQ0kDAD6fAR9vGDHDAAAAAElFTkSuQmCC',
      'base64',
    );
    for (const file of [Buffer.alloc(0), Buffer.from('<svg/>'), png.subarray(0, 30)])
      expect(await refusal(reencode(file))).toMatchObject({ status: 422 });
  });
});

describe('an answer', () => {
  const event = { request: request(null), url: new URL('http://127.0.0.1/') } as never;

  it('is JSON that nobody keeps, or the response that was made', async () => {
    const made = await answer(() => ({ ok: 1 }), 201)(event);
    expect([made.status, made.headers.get('cache-control'), await made.json()]).toEqual([201, 'no-store', { ok: 1 }]);
    const own = new Response('as it is', { status: 299 });
    expect(await answer(() => own)(event)).toBe(own);
  });

  it('tells what is refused, and hides what failed', async () => {
    const refused = await answer(() => {
      throw new Problem(409, 'stale', 'Somebody changed it: nothing was lost', { head: 'another' });
    })(event);
    expect([refused.status, await refused.json()]).toEqual([
      409,
      { error: { code: 'stale', message: 'Somebody changed it: nothing was lost', fields: { head: 'another' } } },
    ]);
    const quiet = vi.spyOn(console, 'error').mockImplementation(() => {});
    const failed = await answer(async () => {
      throw new Error('select secret from cellar');
    })(event);
    expect(failed.status).toBe(500);
    expect(await failed.text()).not.toContain('secret');
    expect(quiet).toHaveBeenCalledOnce();
    quiet.mockRestore();
  });

  it('says 503 while the database is away and 507 when the disk is full', () => {
    for (const error of [
      { code: 'ECONNREFUSED' },
      { code: '57P01' },
      { code: '08006' },
      { errors: [{ code: 'ECONNREFUSED' }, {}] },
      { message: 'Connection terminated unexpectedly' },
    ]) {
      expect(databaseIsGone(error)).toBe(true);
      expect(asProblem(error)).toMatchObject({ status: 503, code: 'database_away' });
    }
    expect(databaseIsGone({ code: '42601', message: 'syntax error' })).toBe(false);
    for (const code of ['53100', 'ENOSPC']) expect(asProblem({ code })).toMatchObject({ status: 507 });
    expect(unknown('picture')).toMatchObject({ status: 404, code: 'unknown_picture' });
  });

  it('has one shape for every refusal', async () => {
    const body = (await problemResponse(new Problem(418, 'short', 'A sentence')).json()) as ProblemAnswer;
    expect(body).toEqual({ error: { code: 'short', message: 'A sentence' } });
  });
});

describe('an event stream', () => {
  afterEach(() => vi.useRealTimers());

  /** Reads as many events as there are by now. */
  const reading = async (response: Response, count: number): Promise<string[]> => {
    const reader = response.body!.getReader();
    const out: string[] = [];
    while (out.length < count) out.push(new TextDecoder().decode((await reader.read()).value));
    await reader.cancel();
    return out;
  };

  it('first says to look, and beats when nothing happens', async () => {
    vi.useFakeTimers();
    const response = eventStream('c-1');
    expect(response.headers.get('content-type')).toBe('text/event-stream');
    vi.advanceTimersByTime(31_000);
    const [retry, first, ...beats] = await reading(response, 4);
    expect(retry).toBe('retry: 1000\n\n');
    expect(JSON.parse(first.slice('data: '.length)) as WatchEvent).toMatchObject({
      subject: 'everything',
      commissionId: 'c-1',
    });
    expect(beats).toEqual([': here\n\n', ': here\n\n']);
    // Nothing is left ticking for a reader that is gone.
    expect(vi.getTimerCount()).toBe(0);
  });
});

describe('settings', () => {
  afterEach(() => vi.unstubAllEnvs());

  it('come from the environment when they are asked for', () => {
    vi.stubEnv('ODD_QUILL_ENGINE_URL', ' http://127.0.0.1:9 ');
    vi.stubEnv('ODD_QUILL_ENGINE_TIMEOUT_MS', '250');
    vi.stubEnv('ODD_QUILL_HOST_NAMES', 'quill.example,,other.example');
    expect(settings.engineUrl()).toBe('http://127.0.0.1:9');
    expect(settings.engineTimeoutMs()).toBe(250);
    expect(settings.hostNames()).toEqual(['quill.example', 'other.example']);
    vi.stubEnv('ODD_QUILL_ENGINE_URL', '');
    expect(settings.engineUrl()).toBe('http://127.0.0.1:4711');
    vi.stubEnv('ODD_QUILL_DATABASE_URL', '');
    expect(() => settings.databaseUrl()).toThrow('npm start');
  });
});
