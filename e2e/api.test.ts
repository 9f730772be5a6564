import { request as httpRequest } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drawCandidate } from '../core/engine';
import { blankPicture, type Picture } from '../core/raster';
import { reportOf, trace } from '../core/trace';
import { encodePng } from '../node/pictures';
import { blackPng } from '../node/testing';
import type { Candidate, Commission, ProblemAnswer, Round } from '../src/lib/contract/answers';
import { apiOf, startApp, until, type App } from './app';

let app: App;
let call: ReturnType<typeof apiOf>;
let commission: Commission;
let png: Buffer;

beforeAll(async () => {
  app = await startApp();
  call = apiOf(app.address);
  commission = (await call<Commission>('POST', '/api/commissions', { name: 'Noctule Night Rail' })).body;
  png = await encodePng(
    drawCandidate({ prompt: 'bat over a moon, midnight blue and lamp yellow', sizePx: 256 }, 0).picture,
  );
});
afterAll(() => app.stop());

const code = (answer: { status: number; body: unknown }) => [answer.status, (answer.body as ProblemAnswer).error?.code];
const bringIn = (file: Uint8Array, name = 'x.png') =>
  call<Candidate & ProblemAnswer>('POST', `/api/commissions/${commission.id}/pictures?name=${name}`, file);

/** A request whose headers a browser, or somebody hostile, chose. */
const raw = (
  path: string,
  options: { method?: string; headers?: Record<string, string>; body?: Buffer; cutOffAt?: number },
) =>
  new Promise<{ status: number; body: string }>((done, fail) => {
    const { hostname, port } = new URL(app.address);
    const request = httpRequest(
      { hostname, port, path, method: options.method ?? 'GET', headers: options.headers },
      (response) => {
        let body = '';
        response.on('data', (chunk: Buffer) => (body += chunk.toString()));
        response.on('end', () => done({ status: response.statusCode!, body }));
      },
    );
    request.on('error', (error) => (options.cutOffAt === undefined ? fail(error) : done({ status: 0, body: '' })));
    if (options.body && options.cutOffAt !== undefined) {
      request.write(options.body.subarray(0, options.cutOffAt), () => request.destroy());
    } else request.end(options.body);
  });

/** A picture that goes from dark to light, downwards. */
function slope(): Picture {
  const picture = blankPicture(120, 120, [0, 0, 0]);
  for (let i = 0; i < 120 * 120; i++) picture.rgba.set([40, 60 + Math.floor(i / 120), 160], i * 4);
  return picture;
}

/** A dark square on white with a white square in it. */
function eye(): Picture {
  const picture = blankPicture(120, 120, [255, 255, 255]);
  for (let y = 20; y < 100; y++) {
    for (let x = 20; x < 100; x++) {
      if (Math.max(Math.abs(x - 60), Math.abs(y - 60)) > 15) picture.rgba.set([24, 42, 92], (y * 120 + x) * 4);
    }
  }
  return picture;
}

describe('what is offered over HTTP', () => {
  it('traces like the command line', async () => {
    const { status, body } = await call<Record<string, unknown>>('POST', '/api/trace?ground=drop&colours=auto', png);
    expect(status).toBe(200);
    const told = Object.keys(reportOf(trace(blankPicture(8, 8)), 0, 0));
    expect(Object.keys(body)).toEqual(['svg', ...told]);
    expect(body.svg).toContain('viewBox="0 0 256 256"');
    expect(Buffer.byteLength(body.svg as string)).toBe(body.bytes);
    const given = await call<{ inks: { hex: string }[] }>(
      'POST',
      '/api/trace?palette=%23ffffff,%23000080&tolerance=0.5&specks=20',
      png,
    );
    expect(given.body.inks.map((i) => i.hex).sort()).toEqual(['#000080', '#FFFFFF']);
    const shaded = await call<{ gradients: number; inks: { gradient?: { kind: string } }[]; svg: string }>(
      'POST',
      '/api/trace?gradients=true',
      await encodePng(slope()),
    );
    expect(shaded.body.gradients).toBe(1);
    expect(shaded.body.inks[0].gradient?.kind).toBe('linear');
    expect(shaded.body.svg).toContain('<linearGradient ');
    const withGround = async (ground: string): Promise<readonly [string[], boolean]> => {
      const path = `/api/trace?ground=${ground}`;
      const { body: answer } = await call<{ svg: string; inks: { hex: string }[] }>(
        'POST',
        path,
        await encodePng(eye()),
      );
      return [answer.inks.map((i) => i.hex).sort(), answer.svg.includes('<rect width="120" height="120"/>')];
    };
    expect(await withGround('keep')).toEqual([['#182A5C', '#FFFFFF'], true]);
    expect(await withGround('outside')).toEqual([['#182A5C', '#FFFFFF'], false]);
    expect(await withGround('drop')).toEqual([['#182A5C'], false]);
    expect(code(await call('POST', '/api/trace?gradients=maybe', png))).toEqual([400, 'bad_request']);
    expect(code(await call('POST', '/api/trace?tolerance=-1', png))).toEqual([400, 'bad_request']);
    expect(code(await call('POST', '/api/trace?ground=maybe', png))).toEqual([400, 'bad_request']);
    expect(code(await call('POST', '/api/trace?colours=99', png))).toEqual([400, 'bad_request']);
    expect(code(await call('POST', '/api/trace', Buffer.from('<svg onload="alert(1)"/>')))).toEqual([
      422,
      'not_a_picture',
    ]);
  });

  it('draws candidates like the command line', async () => {
    const { body } = await call<{
      candidates: { file: string; widthPx: number }[];
      figures: unknown[];
      credits: number;
    }>('POST', '/api/candidates', {
      prompt: 'noctule over a moon',
      count: 2,
      size: 128,
      seed: 3,
    });
    expect(body).toMatchObject({
      credits: 2,
      figures: [{ word: 'noctule', drawn: 'bat', via: 'synonym' }, { drawn: 'moon' }],
    });
    const picture = await call<ArrayBuffer>('GET', body.candidates[0].file);
    expect(picture.headers.get('content-type')).toBe('image/png');
    expect(picture.headers.get('cache-control')).toContain('immutable');
    expect(code(await call('POST', '/api/candidates', { prompt: 'the blue' }))).toEqual([422, 'no_figure']);
  });

  it('describes itself', async () => {
    const { body } = await call<{ openapi: string; paths: object }>('GET', '/api/openapi.json');
    expect(body.openapi).toBe('3.1.0');
    expect(Object.keys(body.paths)).toContain('/api/trace');
  });
});

describe('bad input', () => {
  it('is refused with a sentence and a code', async () => {
    const round = (body: object) =>
      call('POST', `/api/commissions/${commission.id}/rounds`, { requestKey: 'bad-input-1', ...body });
    expect(code(await round({ prompt: '' }))).toEqual([400, 'bad_request']);
    const long = await round({ prompt: 'x'.repeat(20_000) });
    expect((long.body as ProblemAnswer).error.message).toContain('20000 characters');
    expect(code(await call('POST', '/api/commissions', { name: '' }))).toEqual([400, 'bad_request']);
    expect(
      code(
        await raw('/api/commissions', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: Buffer.from('{'),
        }).then((r) => ({ ...r, body: JSON.parse(r.body) as unknown })),
      ),
    ).toEqual([400, 'bad_json']);
    expect((await call<Round[]>('GET', `/api/commissions/${commission.id}/rounds`)).body).toMatchObject({ rounds: [] });
  });

  it('of unknown ids is told apart from nothing there', async () => {
    const none = '00000000-0000-4000-8000-000000000000';
    for (const [method, path, body] of [
      ['GET', `/api/commissions/${none}`],
      ['GET', '/api/commissions/nonsense'],
      ['GET', `/api/commissions/${none}/events`],
      ['POST', `/api/rounds/${none}/again`],
      ['PATCH', `/api/candidates/${none}`, { decision: 'kept' }],
      ['GET', '/api/works/nonsense/drawing.svg'],
      ['GET', `/api/deliveries/${none}/package.zip`],
      ['GET', '/api/pictures/abc'],
      ['GET', `/api/pictures/${'0'.repeat(64)}`],
    ] as const) {
      const answer = await call(method, path, body);
      expect([path, answer.status, (answer.body as ProblemAnswer).error.code]).toEqual([
        path,
        404,
        expect.stringMatching(/^unknown_/),
      ]);
    }
    for (const path of ['/commissions/nonsense', `/commissions/${none}/brief`, '/nowhere'])
      expect((await fetch(app.address + path)).status).toBe(404);
  });

  it('of files: a wrong kind behind a right name, one cut off, one of 30,000 px a side', async () => {
    expect(code(await bringIn(Buffer.from('<script>alert(1)</script>'), 'logo.png'))).toEqual([422, 'not_a_picture']);
    expect(code(await bringIn(png.subarray(0, png.length / 2)))).toEqual([422, 'broken_picture']);
    expect(code(await bringIn(blackPng(30_000, 30_000)))).toEqual([422, 'too_large']);
    expect(
      (await call<{ broughtIn: unknown[] }>('GET', `/api/commissions/${commission.id}/rounds`)).body.broughtIn,
    ).toEqual([]);
  });

  it('of 100 MB is refused by its length, and where that is not said, as soon as it is too much', async () => {
    const path = `/api/commissions/${commission.id}/pictures?name=big.png`;
    const said = await raw(path, {
      method: 'POST',
      headers: { 'content-type': 'image/png', 'content-length': String(100 * 1024 * 1024) },
      body: Buffer.alloc(1000),
      cutOffAt: undefined,
    }).catch(() => ({ status: 413, body: '' }));
    expect(said.status).toBe(413);
    const big = Buffer.alloc(100 * 1024 * 1024);
    const streamed = await fetch(app.address + path, {
      method: 'POST',
      headers: { 'content-type': 'image/png' },
      body: new ReadableStream({
        start(controller) {
          for (let i = 0; i < 100; i++) controller.enqueue(big.subarray(i << 20, (i + 1) << 20));
          controller.close();
        },
      }),
      duplex: 'half',
    } as RequestInit).catch(() => null);
    if (streamed) expect(streamed.status).toBe(413);
    expect((await call('GET', '/api/health')).status).toBe(200);
  });

  it('that is cut off on the way leaves nothing behind', async () => {
    await raw(`/api/commissions/${commission.id}/pictures?name=cut.png`, {
      method: 'POST',
      headers: { 'content-type': 'image/png', 'content-length': String(png.length) },
      body: png,
      cutOffAt: 500,
    });
    expect(
      (await call<{ broughtIn: unknown[] }>('GET', `/api/commissions/${commission.id}/rounds`)).body.broughtIn,
    ).toEqual([]);
  });
});

describe('who may ask', () => {
  const body = Buffer.from(JSON.stringify({ name: 'From elsewhere' }));
  const post = (headers: Record<string, string>) =>
    raw('/api/commissions', { method: 'POST', headers: { 'content-type': 'application/json', ...headers }, body });

  it('is not a page of another site', async () => {
    expect((await post({ origin: 'https://elsewhere.example' })).status).toBe(403);
    expect((await post({ origin: 'null' })).status).toBe(403);
    expect((await post({ 'sec-fetch-site': 'cross-site' })).status).toBe(403);
    expect((await post({ 'sec-fetch-site': 'same-site' })).status).toBe(403);
    expect((await post({ origin: 'https://elsewhere.example', 'content-type': 'text/plain' })).status).toBe(403);
    expect((await post({ origin: app.address, 'sec-fetch-site': 'same-origin' })).status).toBe(201);
  });

  it('is not a name that somebody else gave this machine', async () => {
    expect((await raw('/api/commissions', { headers: { host: 'rebound.example' } })).status).toBe(403);
    expect(
      (await raw('/api/commissions', { headers: { host: `localhost:${new URL(app.address).port}` } })).status,
    ).toBe(200);
  });

  it('gets pages that run nothing but their own scripts', async () => {
    const { headers } = await fetch(app.address);
    const policy = headers.get('content-security-policy')!;
    expect(policy).toMatch(/default-src 'none'/);
    expect(policy).toMatch(/script-src 'self'( 'nonce-[^']+'| 'sha256-[^']+')*/);
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    for (const name of ['x-content-type-options', 'cross-origin-opener-policy', 'referrer-policy'])
      expect(headers.get(name)).toBeTruthy();
  });

  it('gets what was brought in as a picture and nothing else', async () => {
    const { body: candidate } = await bringIn(png, 'evil.svg');
    const picture = await call('GET', `/api/pictures/${candidate.pictureId}`);
    expect([picture.headers.get('content-type'), picture.headers.get('x-content-type-options')]).toEqual([
      'image/png',
      'nosniff',
    ]);
  });
});

describe('an SSE stream', () => {
  it('tells of a round from its start to its end', async () => {
    const abort = new AbortController();
    const stream = await fetch(`${app.address}/api/commissions/${commission.id}/events`, { signal: abort.signal });
    expect(stream.headers.get('content-type')).toBe('text/event-stream');
    let text = '';
    const reading = (async () => {
      for await (const chunk of stream.body as unknown as AsyncIterable<Uint8Array>)
        text += new TextDecoder().decode(chunk);
    })().catch(() => {});
    await call('POST', `/api/commissions/${commission.id}/rounds`, {
      requestKey: 'for-the-stream',
      prompt: 'an owl',
      count: 2,
    });
    await until(async () => text.includes('"state": "done"') || text.includes('"state":"done"'));
    abort.abort();
    await reading;
    const events = text
      .split('\n')
      .filter((l) => l.startsWith('data: '))
      .map((l) => JSON.parse(l.slice(6)) as { subject: string; state?: string });
    const states = events.filter((e) => e.subject === 'round').map((e) => e.state);
    expect(states[0]).toBe('waiting');
    expect(states).toContain('drawing');
    expect(states[states.length - 1]).toBe('done');
  });
});
