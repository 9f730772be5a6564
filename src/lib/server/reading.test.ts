import { onFreshDatabase } from './testing';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { drawCandidate } from '$core/engine';
import { mendLettering } from '$core/retouch';
import { encodePng } from '../../../node/pictures';
import { CommissionStart } from '../contract/requests';
import { bringIn, getCandidate } from './candidates';
import { startCommission } from './commissions';
import { stopComputing } from './computing';
import { sql } from './database';
import { startEvents, stopEvents } from './events';
import { candidateLettering, readFile, readingIsOff, retouchedLettering, startReading, stopReading } from './reading';
import { startRetouching } from './retouching';

onFreshDatabase();

const nobody = new AbortController().signal;
let commissionId: string;
let png: Buffer;

beforeAll(async () => {
  commissionId = (await startCommission(v.parse(CommissionStart, { name: 'Juniper Row' }))).id;
  const prompt = 'emblem of a hedgehog in a ring, named Juniper Row, green';
  png = await encodePng(drawCandidate({ prompt, sizePx: 512, seed: 3, flaws: 0, leeway: 0 }, 0).picture);
});
afterEach(() => stopReading());
afterAll(async () => {
  await stopComputing();
  await stopEvents();
});

/** A candidate as a round leaves it; each has a picture of its own, by a pixel. */
let count = 0;
async function newCandidate(asked: string): Promise<string> {
  const picture = drawCandidate({ prompt: 'emblem of a hedgehog in a ring, named Juniper Row, green', sizePx: 512, seed: 3, flaws: 0, leeway: 0 }, 0).picture; // prettier-ignore
  picture.rgba[count++ * 4] ^= 1;
  const { id } = await bringIn(commissionId, await encodePng(picture), 'mark.png');
  await sql('update candidate set lettering_asked = $2 where id = $1', [id, asked]);
  return id;
}
const readState = async (id: string) =>
  (
    await sql<{ state: string; takes: number; owner: string }>(
      `select l.state, l.takes, l.owner from picture_lettering l join candidate k using (picture_id)
       where k.id = $1 and l.asked = k.lettering_asked`,
      [id],
    )
  )[0];

async function until<T>(what: () => Promise<T | null | undefined | false>): Promise<T> {
  for (let turn = 0; turn < 300; turn++) {
    const got = await what();
    if (got) return got;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('it did not come to pass');
}

describe('lettering of candidates', () => {
  it('is read by itself, held against what was asked, and told', async () => {
    const [right, wrong] = [await newCandidate('Juniper Row'), await newCandidate('Jupiter Row')];
    expect((await getCandidate(right)).lettering).toBeNull();
    await startEvents();
    startReading();
    const told = await until(async () => (await getCandidate(right)).lettering);
    expect(told).toMatchObject({ verdict: 'right', asked: 'Juniper Row' });
    expect(told.reads.toLowerCase()).toBe('juniper row');
    expect((await until(async () => (await getCandidate(wrong)).lettering)).verdict).toBe('wrong');
  });

  it('waits while rounds are being drawn', async () => {
    const id = await newCandidate('Juniper Row');
    const [{ id: round }] = await sql<{ id: string }>(
      `insert into round (commission_id, number, request_key, prompt, leave_out, leeway, ratio, count, seed, size_px, credits_reserved, state)
       values ($1, 900, 'waiting-round', 'owl', '', 35, '1:1', 4, 1, 512, 4, 'waiting') returning id`,
      [commissionId],
    );
    startReading();
    await new Promise((resolve) => setTimeout(resolve, 6500));
    expect(await readState(id)).toBeUndefined();
    await sql(`update round set state = 'cancelled' where id = $1`, [round]);
    await until(async () => (await readState(id))?.state === 'done');
  });

  it('that a server left is taken up by another, and given up after three', async () => {
    const [left, hopeless] = [await newCandidate('Juniper Row'), await newCandidate('Juniper Row')];
    for (const [id, takes] of [
      [left, 1],
      [hopeless, 3],
    ] as const)
      // prettier-ignore
      await sql(
        `insert into picture_lettering (picture_id, asked, claimed_at, takes) select picture_id, lettering_asked, now() - interval '5 minutes', $2 from candidate where id = $1`,
        [id, takes],
      );
    expect((await candidateLettering(left, nobody)).verdict).toBe('right');
    expect(await readState(left)).toMatchObject({ state: 'done', takes: 2 });
    expect((await candidateLettering(hopeless, nobody)).lines).toEqual([]);
    expect(await readState(hopeless)).toMatchObject({ state: 'failed', takes: 3 });
  });

  it('is waited for where somebody else is reading it, and read once', async () => {
    const id = await newCandidate('Juniper Row');
    const both = await Promise.all([candidateLettering(id, nobody), candidateLettering(id, nobody)]);
    expect(both.map((l) => l.verdict)).toEqual(['right', 'right']);
    expect(await readState(id)).toMatchObject({ state: 'done', takes: 1 });
  });

  it('goes with a retouched picture as that is', async () => {
    const id = await newCandidate('Juniper Row');
    const { lines } = await candidateLettering(id, nobody);
    const kept = await startRetouching(id, { steps: [] });
    expect((await retouchedLettering(kept.id, nobody)).verdict).toBe('right');
    const gone = await startRetouching(id, { steps: [mendLettering(lines, 512)] });
    expect(await retouchedLettering(gone.id, nobody)).toMatchObject({ verdict: 'none', lines: [] });
  });

  it('of a picture that was sent is told, and what is no picture refused', async () => {
    const { found, verdict } = await readFile(png, 'Juniper Row', nobody);
    expect([verdict, found.map((w) => w.text.toLowerCase())]).toEqual(['right', ['juniper', 'row']]);
    await expect(readFile(Buffer.from('no picture'), '', nobody)).rejects.toMatchObject({ status: 422 });
  });

  it('is not read where recognition does not start: that is said, and nothing is lost', async () => {
    process.env.ODD_QUILL_RECOGNITION_DATA = '/nowhere';
    try {
      const id = await newCandidate('Juniper Row');
      await expect(candidateLettering(id, nobody)).rejects.toMatchObject({ status: 503, code: 'no_recognition' });
      expect(readingIsOff()).toMatch(/recognition does not start/);
      // Handed back, for when it works again.
      expect(await readState(id)).toBeUndefined();
      expect((await getCandidate(id)).lettering).toBeNull();
    } finally {
      delete process.env.ODD_QUILL_RECOGNITION_DATA;
    }
  });
});
