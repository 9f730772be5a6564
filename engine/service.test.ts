import { request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { decodePicture } from '../node/pictures';
import { Pool } from '../node/pool';
import type { RoundAnswer } from './rounds';
import { createEngineServer } from './service';

const pool = new Pool(fileURLToPath(new URL('../node/thread.mjs', import.meta.url)), 2);
const server = createEngineServer(pool);
const guarded = createEngineServer(pool, 'secret');
let address: string;

const listen = (s: typeof server) =>
  new Promise<string>((done) =>
    s.listen(0, '127.0.0.1', () => done(`http://127.0.0.1:${(s.address() as AddressInfo).port}`)),
  );
const call = async <T>(method: string, path: string, body?: unknown): Promise<{ status: number; body: T }> => {
  const response = await fetch(address + path, {
    method,
    ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  });
  return { status: response.status, body: (await response.json()) as T };
};
const ask = (more: object = {}) =>
  call<RoundAnswer & { error: { code: string } }>('POST', '/v1/rounds', {
    prompt: 'owl',
    sizePx: 128,
    seed: 4,
    ...more,
  });

async function finished(id: string): Promise<RoundAnswer> {
  let round: RoundAnswer;
  let after = 0;
  do {
    ({ body: round } = await call<RoundAnswer>('GET', `/v1/rounds/${id}?after=${after}&waitMs=2000`));
    after = round.revision;
  } while (round.state === 'drawing');
  return round;
}

beforeAll(async () => {
  address = await listen(server);
});
afterAll(async () => {
  server.close();
  guarded.close();
  await pool.close();
});

describe('the engine contract', () => {
  it('says what it is', async () => {
    const { body } = await call<{ standIn: boolean; finishes: { name: string; about: string }[]; figures: number }>(
      'GET',
      '/v1/about',
    );
    expect(body.standIn).toBe(true);
    expect(body.finishes[0]).toEqual({ name: 'flat', about: 'even areas of colour' });
    expect(body.figures).toBeGreaterThan(1500);
  });

  it('reads a prompt without drawing', async () => {
    const { body } = await call<{ figures: unknown }>('POST', '/v1/read', { prompt: 'noctule over a moon' });
    expect(body.figures).toEqual([
      { word: 'noctule', drawn: 'bat', via: 'synonym' },
      { word: 'moon', drawn: 'moon', via: 'name' },
    ]);
  });

  it('takes a round, tells how far it is, and gives its pictures and its price', async () => {
    const { status, body } = await ask();
    expect(status).toBe(202);
    expect(body).toMatchObject({ state: 'drawing', credits: 0 });
    const round = await finished(body.id);
    expect(round).toMatchObject({ state: 'done', progress: 1, credits: 4, error: null });
    expect(round.candidates.map((c) => c.position)).toEqual([0, 1, 2, 3]);
    const file = await fetch(`${address}/v1/rounds/${body.id}/candidates/2`);
    expect(file.headers.get('content-type')).toBe('image/png');
    expect((await decodePicture(new Uint8Array(await file.arrayBuffer()))).widthPx).toBe(128);
  });

  it('gives the round it gave before for a request id it has seen', async () => {
    const [first, second] = [await ask({ requestId: 'r1' }), await ask({ requestId: 'r1' })];
    expect(second.body.id).toBe(first.body.id);
    expect((await ask({ requestId: 'r2' })).body.id).not.toBe(first.body.id);
  });

  it('cancels, charges only what it drew, and starts anew when asked again', async () => {
    const { body } = await ask({ requestId: 'r3', sizePx: 2048, count: 8 });
    const cancelled = await call<RoundAnswer>('DELETE', `/v1/rounds/${body.id}`);
    expect(cancelled.body.state).toBe('cancelled');
    expect(cancelled.body.credits).toBe(2 * cancelled.body.candidates.length);
    expect((await ask({ requestId: 'r3' })).body.id).not.toBe(body.id);
  });

  it('refuses with a code and a sentence', async () => {
    for (const [more, status, code] of [
      [{ prompt: '' }, 422, 'empty_prompt'],
      [{ prompt: 'x'.repeat(20_000) }, 422, 'prompt_too_long'],
      [{ prompt: 'the blue' }, 422, 'no_figure'],
      [{ ratio: '9:1' }, 422, 'bad_ratio'],
      [{ seed: -1 }, 400, 'bad_request'],
      [{ prompt: 7 }, 400, 'bad_request'],
      [{ references: [{ picture: 'bm90IGEgcGljdHVyZQ==', closeness: 50 }] }, 422, 'broken_reference'],
      [{ references: [{ picture: '\u0000', closeness: 50 }] }, 400, 'bad_request'],
      [{ finish: 'marzipan' }, 422, 'unknown_finish'],
      [{ prompt: 'fox, no fox' }, 422, 'contradiction'],
      [{ offshootOf: { version: 1, prompt: 'fox', descent: [] } }, 422, 'bad_recipe'],
    ] as const) {
      const answer = await ask(more);
      expect([answer.status, answer.body.error.code]).toEqual([status, code]);
    }
    expect((await call('POST', '/v1/read', { prompt: 'x'.repeat(100_000) })).status).toBe(413);
    const raw = (body: string, headers: Record<string, string>) =>
      fetch(`${address}/v1/rounds`, { method: 'POST', body, headers });
    expect((await raw('{', { 'content-type': 'application/json' })).status).toBe(400);
    expect((await call('GET', '/v1/rounds/none')).status).toBe(404);
    expect((await call('GET', '/v1/rounds/none/candidates/0')).status).toBe(404);
    expect((await call('GET', '/elsewhere')).status).toBe(404);
  });

  it('draws an example of each finish, once', async () => {
    const file = await fetch(`${address}/v1/finishes/${encodeURIComponent('cut paper')}`);
    expect(file.headers.get('content-type')).toBe('image/png');
    expect((await decodePicture(new Uint8Array(await file.arrayBuffer()))).widthPx).toBe(256);
    expect((await fetch(`${address}/v1/finishes/constructor`)).status).toBe(404);
  });

  it('grows from a recipe, follows a reference, crosses, mends and enlarges', async () => {
    const first = await finished((await ask({ prompt: 'whale, navy', count: 2, sizePx: 256 })).body.id);
    const pngOf = async (round: RoundAnswer, position = 0) =>
      Buffer.from(
        await (await fetch(`${address}/v1/rounds/${round.id}/candidates/${position}`)).arrayBuffer(),
      ).toString('base64');
    const [{ recipe }] = first.candidates;
    const picture = await pngOf(first);
    const grown = await finished((await ask({ prompt: '', offshootOf: recipe, drift: 30, count: 1 })).body.id);
    expect(grown.candidates[0].recipe.descent.length).toBe(recipe.descent.length + 1);
    const followed = await finished(
      (await ask({ prompt: 'fox', references: [{ picture, closeness: 90 }], count: 1 })).body.id,
    );
    expect(followed.state).toBe('done');
    const crossed = await finished(
      (
        await ask({
          prompt: '',
          references: [
            { picture, closeness: 50 },
            { picture: await pngOf(first, 1), closeness: 50 },
          ],
          balance: 40,
          count: 1,
        })
      ).body.id,
    );
    expect(crossed.state).toBe('done');
    const mended = await finished(
      (
        await ask({
          prompt: 'star',
          redo: { picture, area: { x: 0, y: 0, width: 0.4, height: 0.4 }, recipe },
          count: 1,
        })
      ).body.id,
    );
    expect(mended.candidates[0]).toMatchObject({ widthPx: 256, grows: false, enlarges: false });
    expect(first.candidates[0]).toMatchObject({ grows: true, enlarges: true });
    const large = await finished((await ask({ prompt: '', enlarge: recipe, sizePx: 512, count: 1 })).body.id);
    expect(large.candidates[0].widthPx).toBe(512);
  });

  it('lets a running round be seen, and takes a cancel within 200 ms', async () => {
    const { body } = await ask({ prompt: 'emblem of an owl, woodcut', sizePx: 4096, count: 4 });
    let seen = 0;
    let round = body as RoundAnswer;
    while (round.state === 'drawing' && !seen) {
      ({ body: round } = await call<RoundAnswer>('GET', `/v1/rounds/${body.id}?after=${round.revision}&waitMs=2000`));
      for (const { position } of round.previews)
        if (
          (await fetch(`${address}/v1/rounds/${body.id}/previews/${position}`)).headers.get('content-type') ===
          'image/png'
        )
          seen++;
    }
    expect(seen).toBeGreaterThan(0);
    const at = performance.now();
    const { body: cancelled } = await call<RoundAnswer>('DELETE', `/v1/rounds/${body.id}`);
    expect(cancelled.state).toBe('cancelled');
    // A machine under load may be late; what matters is that no drawing is waited for, which takes seconds at this size.
    expect(performance.now() - at).toBeLessThan(1000);
    expect((await fetch(`${address}/v1/rounds/${body.id}/previews/0`)).status).toBe(404);
  });

  it('asks for its token when it has one', async () => {
    const other = await listen(guarded);
    expect((await fetch(`${other}/v1/about`)).status).toBe(401);
    expect((await fetch(`${other}/v1/about`, { headers: { authorization: 'Bearer secret' } })).status).toBe(200);
  });

  it('refuses what a page of some site could send, before it reads any of it', async () => {
    const post = (headers: Record<string, string>, body = JSON.stringify({ prompt: 'owl' })) =>
      new Promise<number>((resolve, reject) => {
        const { hostname, port } = new URL(address);
        const sent = request({ hostname, port, path: '/v1/read', method: 'POST', headers }, (answer) => {
          answer.resume();
          resolve(answer.statusCode!);
        });
        sent.on('error', reject);
        sent.end(body);
      });
    const json = { 'content-type': 'application/json' };
    expect(await post(json)).toBe(200);
    expect(await post({ 'content-type': 'text/plain' })).toBe(415);
    expect(await post({ ...json, host: 'rebound.example' })).toBe(403);
    expect(await post({ ...json, origin: 'https://elsewhere.example' })).toBe(403);
    expect(await post({ ...json, 'content-length': '999999999' })).toBe(413);
  });

  it('decodes no picture of a request that it refuses anyhow', async () => {
    // Were it decoded first, the broken picture would be what is wrong.
    const answer = await ask({
      prompt: 'fox',
      leeway: 300,
      references: [{ picture: 'bm90IGEgcGljdHVyZQ==', closeness: 50 }],
    });
    expect([answer.status, answer.body.error.code]).toEqual([422, 'bad_leeway']);
  });

  it('says what it can do', async () => {
    const { body } = await call<{ can: string[] }>('GET', '/v1/about');
    expect(body.can).toEqual(expect.arrayContaining(['offshoot', 'crossing', 'redo', 'enlarge']));
  });
});
