import { onFreshDatabase } from './testing';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { startFakeEngine, type FakeEngine } from '../../../e2e/fake-engine';
import { blackPng } from '../../../node/testing';
import { CommissionStart, RoundStart } from '../contract/requests';
import { bringIn, decide, keepReference } from './candidates';
import { step as stepChange } from './changes';
import { startCommission } from './commissions';
import { sql, transaction } from './database';
import { startEvents, stopEvents, watch } from './events';
import { enqueue, startJobs, stopJobs } from './jobs';
import { beat, handBack, orphans, takeLease, TAKES_MOST, writeOwned } from './leases';
import { failRound, finishRound, getRound, startRound, takeRound } from './rounds';

onFreshDatabase();

let engine: FakeEngine;
let commissionId: string;
let count = 0;

beforeAll(async () => {
  engine = await startFakeEngine();
  process.env.ODD_QUILL_ENGINE_URL = engine.address;
});
afterAll(async () => {
  await stopJobs();
  await stopEvents();
  engine.close();
});
beforeEach(async () => {
  Object.assign(engine, { fault: 'none', progress: 1 });
  commissionId = (await startCommission(v.parse(CommissionStart, { name: 'Noctule', allowance: 100 }))).id;
});

const start = (more: object = {}) =>
  startRound(
    commissionId,
    v.parse(RoundStart, { requestKey: `lease-round-${++count}`, prompt: 'an owl', count: 1, ...more }),
  );
const grewOld = (id: string) => sql(`update round set heartbeat_at = now() - interval '1 minute' where id = $1`, [id]);
const until = async <T>(what: () => Promise<T | false>): Promise<T> => {
  for (const end = Date.now() + 15_000; Date.now() < end;) {
    const got = await what();
    if (got) return got;
    await new Promise((resolve) => setTimeout(resolve, 40));
  }
  throw new Error('waited too long');
};

describe('who does a job', () => {
  it('is one, and when it has gone the next; the first can then write nothing any more', async () => {
    const { id } = await start();
    const first = (await takeRound(id))!;
    expect(await takeRound(id)).toBeNull();
    expect(await beat(first.lease)).toBe(true);
    await grewOld(id);
    const second = (await takeRound(id))!;
    expect(second.lease.owner).not.toBe(first.lease.owner);

    expect(await beat(first.lease)).toBe(false);
    await failRound(first.lease, new Error('late'));
    await finishRound(first.lease, first.round, { candidates: [], figures: [], parts: {} as never, credits: 1 }, []);
    expect(await handBack(first.lease)).toBe(false);
    expect(await getRound(id)).toMatchObject({ state: 'drawing', error: null, creditsCharged: 0 });

    await failRound(second.lease, new Error('for good'));
    expect(await getRound(id)).toMatchObject({ state: 'failed' });
    // What has ended is nobody's.
    expect(await writeOwned(sql, second.lease, `error = 'again'`)).toBe(false);
  });

  it('gives a job back as it was', async () => {
    const { id } = await start();
    for (let k = 0; k < TAKES_MOST + 2; k++) expect(await handBack((await takeLease('round', id))!)).toBe(true);
    expect((await getRound(id)).state).toBe('waiting');
  });

  it('gives one up that ended its server again and again, and says why', async () => {
    const { id } = await start();
    for (let k = 0; k < TAKES_MOST; k++) {
      expect(await takeLease('round', id)).not.toBeNull();
      await grewOld(id);
    }
    expect(await orphans('round')).toContain(id);
    expect(await takeLease('round', id)).toBeNull();
    expect(await getRound(id)).toMatchObject({ state: 'failed', error: expect.stringMatching(/4 times/) });
    expect(await orphans('round')).not.toContain(id);
  });
});

describe('what comes at once', () => {
  it('is one round when it has one key', async () => {
    const asked = { requestKey: 'same-key-at-once' };
    const made = await Promise.all(Array.from({ length: 12 }, () => start(asked)));
    expect(new Set(made.map((r) => r.id)).size).toBe(1);
    expect(await sql('select 1 from round where commission_id = $1', [commissionId])).toHaveLength(1);
  });

  it('does not stand in its own way: decisions, undo and redo from many tabs', async () => {
    const png = blackPng(16, 16);
    const ids = await Promise.all([1, 2, 3].map(async (k) => (await bringIn(commissionId, png, `k${k}.png`)).id));
    for (const id of ids) await decide(id, 'kept');
    const results = await Promise.allSettled(
      Array.from({ length: 60 }, (_, k) =>
        k % 3 === 0
          ? stepChange(commissionId, 'undo')
          : k % 3 === 1
            ? decide(ids[k % ids.length], k % 2 ? 'aside' : 'kept')
            : stepChange(commissionId, 'redo'),
      ),
    );
    const wrong = results.flatMap((r) => (r.status === 'rejected' ? [(r.reason as { code?: string }).code] : []));
    expect(wrong.filter((code) => !/^nothing_to_/.test(code ?? ''))).toEqual([]);
  });

  it('is done again when the database broke it off for standing in the way of something else', async () => {
    const [a, b] = await Promise.all(
      [1, 2].map(async (k) => (await bringIn(commissionId, blackPng(16, 16 + k), `${k}.png`)).id),
    );
    let tries = 0;
    const lock = (first: string, second: string) =>
      transaction(async (tx) => {
        tries++;
        await tx('select 1 from candidate where id = $1 for update', [first]);
        await new Promise((resolve) => setTimeout(resolve, 150));
        await tx('select 1 from candidate where id = $1 for update', [second]);
        return 'done';
      });
    expect(await Promise.all([lock(a, b), lock(b, a)])).toEqual(['done', 'done']);
    expect(tries).toBeGreaterThan(2);
  });

  it('is done again when its connection broke between two statements', async () => {
    let tries = 0;
    const work = transaction(async (tx) => {
      tries++;
      const [{ pid }] = await tx<{ pid: number }>('select pg_backend_pid() as pid');
      if (tries === 1) {
        await sql('select pg_terminate_backend($1)', [pid]);
        await new Promise((resolve) => setTimeout(resolve, 150));
      }
      return (await tx<{ two: number }>('select 2 as two'))[0].two;
    });
    expect(await work).toBe(2);
    expect(tries).toBe(2);
  });
});

describe('a reference', () => {
  it('is a picture of the commission, or a 404 that names it', async () => {
    const unknownId = 'ab'.repeat(32);
    await expect(start({ references: [{ pictureId: unknownId, closeness: 50 }] })).rejects.toMatchObject({
      status: 404,
      message: expect.stringContaining(unknownId),
    });
    const { pictureId } = await keepReference(commissionId, blackPng(24, 24));
    expect((await start({ references: [{ pictureId, closeness: 50 }] })).references).toHaveLength(1);
    commissionId = (await startCommission(v.parse(CommissionStart, { name: 'Another', allowance: 9 }))).id;
    await expect(start({ references: [{ pictureId, closeness: 50 }] })).rejects.toMatchObject({ status: 404 });
    expect(await sql('select 1 from round where commission_id = $1', [commissionId])).toEqual([]);
  });
});

describe('jobs', () => {
  it('wait once in the queue, however often they are put there', async () => {
    await startEvents();
    await startJobs();
    engine.progress = 0.2;
    const busy = await Promise.all(Array.from({ length: 3 }, () => start()));
    for (const { id } of busy) await enqueue('round', id);
    const { id } = await start();
    for (let k = 0; k < 20; k++) await enqueue('round', id);
    const [{ n }] = await sql<{ n: number }>(
      `select count(*)::int as n from pgboss.job where state = 'created' and singleton_key = $1`,
      [id],
    );
    expect(n).toBeLessThanOrEqual(1);
    // Nothing stands in front of what comes after.
    engine.progress = 1;
    for (const round of [...busy.map((b) => b.id), id])
      expect(await until(async () => (await getRound(round)).state === 'done')).toBe(true);
  });

  it('are done for who asked last first, when there are more than can be done at once', async () => {
    engine.progress = 0.2;
    const busy = await Promise.all([start(), start()]);
    for (const { id } of busy) await enqueue('round', id);
    for (const { id } of busy) await until(async () => (await getRound(id)).state === 'drawing');
    const older = await Promise.all([start(), start()]);
    for (const { id } of older) await enqueue('round', id);
    await new Promise((resolve) => setTimeout(resolve, 1100));
    const { id: newest } = await start();
    await enqueue('round', newest);
    engine.progress = 1;
    for (const id of [newest, ...older.map((o) => o.id)])
      expect(await until(async () => (await getRound(id)).state === 'done')).toBe(true);
    // In the order in which the engine was asked; two at a time are taken.
    const order = [...engine.asked.keys()].map((key) => key.replace(/-1$/, ''));
    expect(order.indexOf(newest)).toBeLessThan(Math.max(...older.map((o) => order.indexOf(o.id))));
  });

  it('are handed back when their server stops, and end on the next one', async () => {
    engine.progress = 0.2;
    const { id: mine } = await start();
    await enqueue('round', mine);
    const drawing = await until(async () => {
      const rows = await sql<{ id: string }>(`select id from round where state = 'drawing' and id = $1`, [mine]);
      return rows.length > 0 && rows.map((r) => r.id);
    });
    await stopJobs();
    const rows = await sql<{ state: string; takes: number; error: string | null }>(
      'select state, takes, error from round where id = any($1)',
      [drawing],
    );
    for (const row of rows) expect(row).toEqual({ state: 'waiting', takes: 0, error: null });
    Object.assign(engine, { fault: 'none', progress: 1 });
    await startJobs();
    for (const id of drawing) expect(await until(async () => (await getRound(id)).state === 'done')).toBe(true);
  });

  it('tell of large things without their bytes', async () => {
    const heard: string[] = [];
    const unwatch = watch((e) => heard.push(JSON.stringify(e)));
    const { id } = await bringIn(commissionId, blackPng(600, 600), 'large.png');
    await decide(id, 'kept');
    await until(async () => heard.some((h) => h.includes(id)));
    unwatch();
    expect(Math.max(...heard.map((h) => h.length))).toBeLessThan(400);
  });
});
