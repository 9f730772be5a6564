import { onFreshDatabase } from './testing';
import { describe, expect, it } from 'vitest';
import { answer, bodyOf } from './answer';
import { CommissionStart } from '../contract/requests';
import { startCommission } from './commissions';
import { sql, transaction } from './database';
import { forgetRequests, KEY_HEADER } from './once';

onFreshDatabase();

const keyOf = () => crypto.randomUUID();

interface Sent {
  readonly key?: string;
  readonly name?: string;
  readonly path?: string;
}

/** Asks a route for something, as a page does. */
const send = (work: (request: Request) => unknown, { key, name = 'Once', path = '/api/x' }: Sent = {}) => {
  const url = new URL(`http://127.0.0.1${path}`);
  const request = new Request(url, {
    method: 'POST',
    body: JSON.stringify({ name }),
    headers: { 'content-type': 'application/json', ...(key ? { [KEY_HEADER]: key } : {}) },
  });
  return answer((event: { request: Request }) => work(event.request), 201)({ request, url } as never);
};

const start = async (request: Request) => startCommission(await bodyOf(CommissionStart, request));
const count = async (name: string) =>
  (await sql<{ n: number }>('select count(*)::int as n from commission where name = $1', [name]))[0].n;

describe('a request with a key', () => {
  it('is done once, and answered the same each time', async () => {
    const key = keyOf();
    const first = await send(start, { key, name: key });
    const again = await send(start, { key, name: key });
    expect([first.status, again.status]).toEqual([201, 201]);
    expect(await again.json()).toEqual(await first.json());
    expect(await count(key)).toBe(1);
  });

  it('is done once when it comes ten times at once', async () => {
    const key = keyOf();
    const answers = await Promise.all(Array.from({ length: 10 }, () => send(start, { key, name: key })));
    const ids = await Promise.all(answers.map(async (a) => ((await a.json()) as { id: string }).id));
    expect(answers.map((a) => a.ok)).toEqual(Array.from({ length: 10 }, () => true));
    expect(new Set(ids).size).toBe(1);
    expect(await count(key)).toBe(1);
  });

  it('is done twice without one', async () => {
    const name = keyOf();
    await send(start, { name });
    await send(start, { name });
    expect(await count(name)).toBe(2);
  });

  it('tells what was made when the server ended before it had answered', async () => {
    const key = keyOf();
    const { id } = (await (await send(start, { key, name: key })).json()) as { id: string };
    await sql('update request set status = null, answer = null where key = $1', [key]);
    expect(await (await send(start, { key, name: key })).json()).toEqual({ id });
    expect(await count(key)).toBe(1);
  });

  it('leaves nothing behind when it is refused, and may be put right under the same key', async () => {
    const key = keyOf();
    expect((await send(start, { key, name: ' ' })).status).toBe(400);
    expect((await send(start, { key, name: key })).status).toBe(201);
    expect(await count(key)).toBe(1);
  });

  it('is done once when the database does not answer its commit', async () => {
    const key = keyOf();
    let tries = 0;
    const lost = async (request: Request) => {
      const { name } = await bodyOf(CommissionStart, request);
      return transaction(async (tx) => {
        tries++;
        const made = await tx<{ id: string }>('insert into commission (name) values ($1) returning id', [name]);
        if (tries > 1) return made;
        // What was written takes effect, and its answer is lost.
        const [{ pid }] = await tx<{ pid: number }>('select pg_backend_pid() as pid');
        await tx('update request set made = $2 where key = $1', [key, made[0].id]);
        await tx('commit');
        await sql('select pg_terminate_backend($1)', [pid]);
        return made;
      });
    };
    const answered = (await (await send(lost, { key, name: key })).json()) as { id: string };
    expect(answered.id).toMatch(/-/);
    expect(await count(key)).toBe(1);
    expect(tries).toBe(1);
  });

  it('is refused where the key was used for something else, or is none', async () => {
    const key = keyOf();
    await send(start, { key, name: key });
    const other = await send(start, { key, name: key, path: '/api/y' });
    expect([other.status, ((await other.json()) as { error: { code: string } }).error.code]).toEqual([422, 'key_used']);
    for (const bad of ['short', 'a key with spaces', 'x'.repeat(65)])
      expect((await send(start, { key: bad })).status).toBe(400);
  });

  it('keeps of a large answer the id of what was made', async () => {
    const key = keyOf();
    const large = async (request: Request) => ({ ...(await start(request)), drawing: 'x'.repeat(100_000) });
    const { id } = (await (await send(large, { key, name: key })).json()) as { id: string };
    expect(await (await send(large, { key, name: key })).json()).toEqual({ id });
  });

  it('is forgotten when no browser can still send it', async () => {
    const [old, fresh] = [keyOf(), keyOf()];
    await send(start, { key: old });
    await send(start, { key: fresh });
    await sql(`update request set created_at = now() - interval '40 days' where key = $1`, [old]);
    await forgetRequests(sql);
    const left = await sql<{ key: string }>('select key from request where key = any($1)', [[old, fresh]]);
    expect(left.map((r) => r.key)).toEqual([fresh]);
  });
});
