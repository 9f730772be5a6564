import { onFreshDatabase } from './testing';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { startFakeEngine, type FakeEngine } from '../../../e2e/fake-engine';
import type { WatchEvent } from '../contract/answers';
import { CommissionStart, RoundStart } from '../contract/requests';
import { listCandidates, wall } from './candidates';
import { getCommission, startCommission } from './commissions';
import { sql } from './database';
import { startEvents, stopEvents, watch } from './events';
import { enqueue, startJobs, stopJobs } from './jobs';
import { cancelRound, getRound, startRound, takeRound, tryAgain } from './rounds';

onFreshDatabase();

let engine: FakeEngine;
let commissionId: string;
let count = 0;

beforeAll(async () => {
  process.env.ODD_QUILL_ENGINE_TIMEOUT_MS = '400';
  process.env.ODD_QUILL_ENGINE_AWAY_MS = '1200';
  engine = await startFakeEngine();
  await startEvents();
  await startJobs();
});
afterAll(async () => {
  await stopJobs();
  await stopEvents();
  engine.close();
});
beforeEach(async () => {
  process.env.ODD_QUILL_ENGINE_URL = engine.address;
  Object.assign(engine, { fault: 'none', progress: 1 });
  commissionId = (await startCommission(v.parse(CommissionStart, { name: 'Noctule', allowance: 10 }))).id;
});
afterEach(async () => {
  await sql(`update round set state = 'cancelled' where state in ('waiting', 'drawing')`);
});

async function ask(more: object = {}) {
  const round = await startRound(
    commissionId,
    v.parse(RoundStart, { requestKey: `test-round-${++count}`, prompt: 'an owl', ...more }),
  );
  await enqueue('round', round.id);
  return round.id;
}

async function until<T>(what: () => Promise<T | false | null | undefined>, ms = 15_000): Promise<T> {
  for (const end = Date.now() + ms; Date.now() < end;) {
    const got = await what();
    if (got) return got;
    await new Promise((resolve) => setTimeout(resolve, 40));
  }
  throw new Error('waited too long');
}

const ended = (id: string) =>
  until(async () => {
    const round = await getRound(id);
    return ['done', 'failed', 'cancelled'].includes(round.state) && round;
  });

describe('a round', () => {
  it('is drawn, charged, and hung on the wall', async () => {
    const id = await ask();
    expect(await ended(id)).toMatchObject({ state: 'done', progress: 1, creditsCharged: 4, error: null });
    const { rounds } = await wall(commissionId);
    expect(rounds[0].candidates.map((k) => [k.label, k.widthPx, k.seed])).toEqual([
      ['1.1', 128, 1],
      ['1.2', 128, 2],
      ['1.3', 128, 3],
      ['1.4', 128, 4],
    ]);
    expect(await getCommission(commissionId)).toMatchObject({ creditsSpent: 4, creditsReserved: 0 });
  });

  it('is one round when it is asked for twice with one key', async () => {
    const request = v.parse(RoundStart, { requestKey: 'twice-the-same', prompt: 'an owl' });
    const [p, q] = await Promise.all([startRound(commissionId, request), startRound(commissionId, request)]);
    expect(p.id).toBe(q.id);
    expect((await wall(commissionId)).rounds).toHaveLength(1);
  });

  it('is not begun beyond the allowance, also when two are asked for at once', async () => {
    engine.progress = 0.3;
    await ask();
    await ask();
    await expect(ask()).rejects.toMatchObject({ status: 409, code: 'allowance_spent' });
    expect((await getCommission(commissionId)).creditsReserved).toBe(8);
    const small = await Promise.allSettled([ask({ count: 2 }), ask({ count: 2 })]);
    expect(small.map((r) => r.status).sort()).toEqual(['fulfilled', 'rejected']);
  });

  it('tells those who watch how far it is', async () => {
    const heard: WatchEvent[] = [];
    const unwatch = watch((e) => e.subject === 'round' && heard.push(e));
    engine.progress = 0.5;
    const id = await ask();
    await until(async () => heard.some((e) => e.id === id && (e.progress ?? 0) > 0.4));
    engine.progress = 1;
    await ended(id);
    await until(async () => heard.some((e) => e.id === id && e.state === 'done'));
    unwatch();
    const shares = heard.filter((e) => e.id === id).map((e) => e.progress ?? 0);
    expect(shares).toEqual([...shares].sort((p, q) => p - q));
  });

  it('is cancelled at the engine too, and costs nothing', async () => {
    engine.progress = 0.2;
    const id = await ask();
    await until(async () => (await getRound(id)).progress > 0);
    await cancelRound(id);
    await until(async () => engine.cancelled.some((k) => k.startsWith(id)));
    expect(await getRound(id)).toMatchObject({ state: 'cancelled', creditsCharged: 0 });
    expect(await listCandidates(commissionId)).toEqual([]);
    expect((await getCommission(commissionId)).creditsReserved).toBe(0);
  });
});

describe('a round whose engine', () => {
  const faults = [
    ['is slow', 'slow', /not answering/],
    ['fails with 500', 'failing', /engine failed/],
    ['drops the connection midway', 'dropping', /not answering/],
    ['answers nonsense', 'garbled', /engine failed/],
    ['gives up midway', 'fails-midway', /could not finish/],
    ['gives a picture that is cut off', 'bad-picture', /broken or cut off/],
  ] as const;

  it.each(faults)('%s fails with a sentence, costs nothing, and can be tried again', async (_, fault, words) => {
    engine.fault = fault;
    const id = await ask();
    const failed = await ended(id);
    expect(failed).toMatchObject({ state: 'failed', creditsCharged: 0 });
    expect(failed.error).toMatch(words);
    expect(failed.error).not.toContain('inner details');
    expect(await getCommission(commissionId)).toMatchObject({ creditsSpent: 0, creditsReserved: 0 });
    engine.fault = 'none';
    await tryAgain(id);
    await enqueue('round', id);
    expect(await ended(id)).toMatchObject({ state: 'done', creditsCharged: 4, error: null });
    expect((await listCandidates(commissionId)).length).toBe(4);
  });

  it('is off fails in the same way', async () => {
    process.env.ODD_QUILL_ENGINE_URL = 'http://127.0.0.1:9';
    const id = await ask();
    expect(await ended(id)).toMatchObject({
      state: 'failed',
      error: expect.stringContaining('not answering') as string,
    });
  });

  it.each(['dropping', 'slow'] as const)('is away (%s) for a while is waited for', async (fault) => {
    process.env.ODD_QUILL_ENGINE_AWAY_MS = '20000';
    engine.fault = fault;
    const id = await ask();
    // Longer than several tries, one soon after the other, would take.
    await new Promise((resolve) => setTimeout(resolve, 3500));
    expect(await getRound(id)).toMatchObject({ state: 'drawing', error: null });
    engine.fault = 'none';
    expect(await ended(id)).toMatchObject({ state: 'done', creditsCharged: 4 });
    process.env.ODD_QUILL_ENGINE_AWAY_MS = '1200';
  });

  it('forgets a picture that it drew is asked for all of them again', async () => {
    engine.fault = 'forgets-pictures';
    const id = await ask();
    expect(await ended(id)).toMatchObject({ state: 'done', creditsCharged: 4 });
    expect(engine.asked.get(`${id}-1`)).toBe(2);
  });

  it('refuses the prompt gets the reason across, without asking three times', async () => {
    engine.fault = 'refusing';
    const before = [...engine.asked.keys()].length;
    const failed = await ended(await ask());
    expect(failed.error).toBe('No figure was found in the prompt');
    expect([...engine.asked.keys()].length).toBe(before);
  });

  it('was restarted midway is asked again, with the same request id', async () => {
    Object.assign(engine, { fault: 'forgets', progress: 0.4 });
    const id = await ask();
    await until(async () => engine.asked.get(`${id}-1`) === 2);
    engine.progress = 1;
    expect(await ended(id)).toMatchObject({ state: 'done', creditsCharged: 4 });
  });
});

describe('a round whose server was killed', () => {
  it('is taken up by another when there was no sign of life for a while', async () => {
    const round = await startRound(
      commissionId,
      v.parse(RoundStart, { requestKey: 'of-a-dead-server', prompt: 'an owl' }),
    );
    expect(await takeRound(round.id)).toMatchObject({ round: { state: 'drawing' } });
    expect(await takeRound(round.id)).toBeNull();
    await sql(`update round set heartbeat_at = now() - interval '1 minute' where id = $1`, [round.id]);
    expect(await ended(round.id)).toMatchObject({ state: 'done', creditsCharged: 4 });
  });

  it('is found when it never came into the queue', async () => {
    const round = await startRound(
      commissionId,
      v.parse(RoundStart, { requestKey: 'never-queued-1', prompt: 'an owl' }),
    );
    expect(await ended(round.id)).toMatchObject({ state: 'done' });
  });
});

describe('what may be asked', () => {
  it('grows from a candidate, crosses two, mends an area and enlarges, and says so on the wall', async () => {
    const finishedRound = async (more: object) => {
      const id = await ask(more);
      await until(async () => (await getRound(id)).state === 'done');
      return id;
    };
    const first = await finishedRound({ count: 2 });
    const [a, b] = (await listCandidates(commissionId)).filter((k) => k.roundId === first);
    expect([a.grows, a.enlarges]).toEqual([true, true]);

    const offshoot = await finishedRound({
      prompt: '',
      count: 1,
      way: { kind: 'offshoot', candidateId: a.id, drift: 40 },
    });
    expect(engine.last).toMatchObject({ prompt: 'an owl', drift: 40, offshootOf: { version: 1 } });
    expect((await getRound(offshoot)).way).toEqual({ kind: 'offshoot', from: '1.1', candidateId: a.id, drift: 40 });

    const crossing = await finishedRound({
      prompt: '',
      count: 1,
      way: { kind: 'crossing', candidateIds: [a.id, b.id], balance: 30 },
    });
    expect(engine.last).toMatchObject({ balance: 30 });
    expect((engine.last.references as unknown[]).length).toBe(2);
    expect((await getRound(crossing)).way).toEqual({ kind: 'crossing', from: '1.1', with: '1.2', balance: 30 });

    const redo = await finishedRound({
      prompt: 'a star',
      count: 4,
      way: { kind: 'redo', candidateId: b.id, area: { x: 0, y: 0, width: 0.5, height: 0.5 } },
    });
    expect(engine.last).toMatchObject({ count: 1, redo: { area: { width: 0.5 } } });
    expect((await getRound(redo)).way).toMatchObject({ kind: 'redo', from: '1.2' });

    const large = await finishedRound({ prompt: '', way: { kind: 'enlarge', candidateId: a.id, factor: 4 } });
    expect(engine.last).toMatchObject({ count: 1, sizePx: 512, enlarge: { version: 1 } });
    expect((await getRound(large)).way).toMatchObject({ kind: 'enlarge', factor: 4 });
  });

  it('gives its references along, and keeps them', async () => {
    const first = await ask({ count: 1 });
    await until(async () => (await getRound(first)).state === 'done');
    const [{ pictureId }] = (await listCandidates(commissionId)).filter((k) => k.roundId === first);
    const id = await ask({ count: 1, finish: 'woodcut', detail: 75, references: [{ pictureId, closeness: 80 }] });
    await until(async () => (await getRound(id)).state === 'done');
    expect(engine.last).toMatchObject({ finish: 'woodcut', detail: 75, references: [{ closeness: 80 }] });
    expect(await getRound(id)).toMatchObject({
      finish: 'woodcut',
      detail: 75,
      references: [{ pictureId, closeness: 80 }],
    });
  });

  it("asks for the brief's colours, which stand where the prompt names none", async () => {
    const { id: ownId } = await startCommission(v.parse(CommissionStart, { name: 'Blue', coloursWanted: 'midnight blue', allowance: 9 })); // prettier-ignore
    const round = await startRound(
      ownId,
      v.parse(RoundStart, { requestKey: 'blue-round-1', prompt: 'a bat', count: 1 }),
    );
    await enqueue('round', round.id);
    await until(async () => (await getRound(round.id)).state === 'done');
    expect(engine.last).toMatchObject({ prompt: 'a bat', usualColours: 'midnight blue' });
  });

  it('refuses to grow from a candidate of another commission, and to enlarge what was brought in', async () => {
    const first = await ask({ count: 1 });
    await until(async () => (await getRound(first)).state === 'done');
    const [own] = (await listCandidates(commissionId)).filter((k) => k.roundId === first);
    await sql('update candidate set recipe = null, grows = false, enlarges = false where id = $1', [own.id]);
    await expect(ask({ prompt: '', way: { kind: 'enlarge', candidateId: own.id, factor: 2 } })).rejects.toThrow(
      /brought in/,
    );
    // What has no recipe is followed as a reference instead.
    const grown = await ask({ prompt: '', count: 1, way: { kind: 'offshoot', candidateId: own.id, drift: 30 } });
    await until(async () => (await getRound(grown)).state === 'done');
    expect(engine.last).toMatchObject({ references: [{ closeness: 70 }] });
    commissionId = (await startCommission(v.parse(CommissionStart, { name: 'Another', allowance: 10 }))).id;
    await expect(ask({ prompt: '', way: { kind: 'offshoot', candidateId: own.id } })).rejects.toThrow(
      /no such candidate/,
    );
  });

  it('is checked before anything is charged', () => {
    const refused = (more: object) =>
      v.safeParse(RoundStart, { requestKey: 'check-check', prompt: 'owl', ...more }).issues?.[0].message;
    expect(refused({ prompt: '   ' })).toMatch(/prompt is empty/);
    expect(refused({ prompt: 'x'.repeat(20_000) })).toMatch(/20000 characters; at most 2000/);
    expect(refused({ leeway: 101 })).toBe('100 or less');
    expect(refused({ leeway: 1.5 })).toBe('a whole number');
    expect(refused({ ratio: 'wide' })).toMatch(/3:2/);
    expect(refused({ count: 9 })).toBe('8 or less');
    expect(refused({})).toBeUndefined();
  });
});
