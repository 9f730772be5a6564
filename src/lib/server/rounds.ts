import { randomInt } from 'node:crypto';
import type * as v from 'valibot';
import { creditsFor } from '$core/engine';
import type { Round, RoundState } from '../contract/answers';
import type { RoundStart } from '../contract/requests';
import { getCommission, isUuid } from './commissions';
import { sql, transaction, type Row, type Sql } from './database';
import { EngineError, type EngineResult } from './engine-client';
import { storePicture } from './pictures';
import { Problem, unknown } from './problem';

/** The longer side of a round's candidates. */
export const CANDIDATE_SIZE_PX = 1024;

type RoundRow = Omit<Round, 'candidates'> & { commissionId: string; sizePx: number; attempt: number };

function roundFrom(row: Row): RoundRow {
  return {
    id: row.id as string,
    commissionId: row.commission_id as string,
    number: row.number as number,
    prompt: row.prompt as string,
    leaveOut: row.leave_out as string,
    leeway: row.leeway as number,
    ratio: row.ratio as string,
    colours: row.colours as number | null,
    count: row.count as number,
    seed: row.seed as number,
    sizePx: row.size_px as number,
    attempt: row.attempt as number,
    state: row.state as RoundState,
    progress: row.progress as number,
    error: row.error as string | null,
    figures: row.figures as Round['figures'],
    creditsCharged: row.credits_charged as number,
    createdAt: (row.created_at as Date).toISOString(),
  };
}

/** Rounds of a commission, newest first. */
export async function listRounds(commissionId: string): Promise<RoundRow[]> {
  return (await sql('select * from round where commission_id = $1 order by number desc', [commissionId])).map(
    roundFrom,
  );
}

export async function getRound(id: string): Promise<RoundRow> {
  const [row] = isUuid(id) ? await sql('select * from round where id = $1', [id]) : [];
  if (!row) throw unknown('round');
  return roundFrom(row);
}

/** Sees to it that the allowance covers some more credits; the commission's row is locked until the transaction ends. */
async function reserve(tx: Sql, commissionId: string, credits: number): Promise<void> {
  const [{ allowance }] = await tx<{ allowance: number }>('select allowance from commission where id = $1 for update', [
    commissionId,
  ]);
  // A statement of its own: one that waited for the lock would count what stood there before it waited.
  const [{ used }] = await tx<{ used: number }>(
    `select (coalesce(sum(credits_charged), 0) + coalesce(sum(credits_reserved) filter (where state in ('waiting', 'drawing')), 0))::int as used
     from round where commission_id = $1`,
    [commissionId],
  );
  const left = allowance - used;
  if (credits > left)
    throw new Problem(
      409,
      'allowance_spent',
      `This round costs ${credits} credits and ${Math.max(0, left)} of the allowance are left: raise the allowance in the brief, or ask for fewer`,
    );
}

/** Takes a round on, to be drawn by a job; asked twice with one request key, it is the same round. Throws a 409 Problem when credits do not suffice. */
export async function startRound(commissionId: string, asked: v.InferOutput<typeof RoundStart>): Promise<RoundRow> {
  const commission = await getCommission(commissionId);
  if (commission.archived) throw new Problem(409, 'archived', 'This commission is archived: bring it back first');
  const { requestKey, prompt, leaveOut, leeway, ratio, colours, count, seed = randomInt(0x7fffffff) } = asked;
  const id = await transaction(async (tx) => {
    const known = await tx<{ id: string }>('select id from round where commission_id = $1 and request_key = $2', [
      commissionId,
      requestKey,
    ]);
    if (known.length) return known[0].id;
    const credits = creditsFor(count, CANDIDATE_SIZE_PX);
    await reserve(tx, commissionId, credits);
    const [made] = await tx<{ id: string }>(
      `insert into round (commission_id, number, request_key, prompt, leave_out, leeway, ratio, colours, count, seed, size_px, credits_reserved)
       values ($1, (select coalesce(max(number), 0) + 1 from round where commission_id = $1), $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)
       on conflict (commission_id, request_key) do update set request_key = excluded.request_key returning id`,
      [
        commissionId,
        requestKey,
        prompt.trim(),
        leaveOut.trim(),
        leeway,
        ratio,
        colours,
        count,
        seed,
        CANDIDATE_SIZE_PX,
        credits,
      ],
    );
    return made.id;
  });
  return getRound(id);
}

/** Puts a failed or cancelled round back in the queue. */
export async function tryAgain(id: string): Promise<RoundRow> {
  const round = await getRound(id);
  await transaction(async (tx) => {
    await reserve(tx, round.commissionId, creditsFor(round.count, round.sizePx));
    const moved = await tx(
      `update round set state = 'waiting', attempt = attempt + 1, progress = 0, error = null, heartbeat_at = null, finished_at = null
       where id = $1 and state in ('failed', 'cancelled') returning id`,
      [id],
    );
    if (!moved.length)
      throw new Problem(409, 'not_failed', 'This round did not fail, so there is nothing to try again');
  });
  return getRound(id);
}

/** Cancels a round that is not finished; what draws it hears of it and stops. */
export async function cancelRound(id: string): Promise<RoundRow> {
  await getRound(id);
  await sql(
    `update round set state = 'cancelled', finished_at = now() where id = $1 and state in ('waiting', 'drawing')`,
    [id],
  );
  return getRound(id);
}

/** How long a round or delivery may go without a sign of life before another server takes it up. */
export const STALE_SECONDS = 10;

/** Takes a round for drawing; null when it is finished, cancelled, or drawn by somebody who is alive. */
export async function takeRound(id: string): Promise<RoundRow | null> {
  const [row] = await sql(
    `update round set state = 'drawing', heartbeat_at = now() where id = $1 and (state = 'waiting'
       or (state = 'drawing' and heartbeat_at < now() - make_interval(secs => $2))) returning *`,
    [id, STALE_SECONDS],
  );
  return row ? roundFrom(row) : null;
}

/** Tells how far a round is; false when it was cancelled or is being tried again, so that its drawing can stop. */
export async function reportProgress(round: RoundRow, progress: number): Promise<boolean> {
  const rows = await sql(
    `update round set heartbeat_at = now(), progress = greatest(progress, $3) where id = $1 and attempt = $2 and state = 'drawing' returning id`,
    [round.id, round.attempt, progress],
  );
  return rows.length > 0;
}

export interface DeliveredPicture {
  readonly position: number;
  readonly seed: number;
  readonly png: Uint8Array;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Keeps what a round gave, all of it together with its charge; nothing when the round was cancelled meanwhile. */
export async function finishRound(
  round: RoundRow,
  result: EngineResult,
  pictures: readonly DeliveredPicture[],
): Promise<void> {
  await transaction(async (tx) => {
    const held = await tx(
      `update round set state = 'done', progress = 1, finished_at = now(), figures = $3, parts = $4, credits_charged = $5
       where id = $1 and attempt = $2 and state = 'drawing' returning id`,
      [round.id, round.attempt, JSON.stringify(result.figures), JSON.stringify(result.parts), result.credits],
    );
    if (!held.length) return;
    for (const p of pictures) {
      const { id } = await storePicture(tx, p.png, p.widthPx, p.heightPx);
      await tx(
        'insert into candidate (commission_id, round_id, position, picture_id, seed) values ($1, $2, $3, $4, $5)',
        [round.commissionId, round.id, p.position, id, p.seed],
      );
    }
  });
}

/** Marks a round as failed, with a sentence for the designer; no credit is charged. */
export async function failRound(round: RoundRow, error: unknown): Promise<void> {
  const message =
    error instanceof EngineError || error instanceof Problem
      ? error.message
      : 'This round failed on the server: nothing was charged, and the prompt is kept; try again';
  await sql(
    `update round set state = 'failed', error = $3, finished_at = now() where id = $1 and attempt = $2 and state = 'drawing'`,
    [round.id, round.attempt, message],
  );
}

/** Rounds that wait, or whose server has gone. */
export async function orphanedRounds(): Promise<string[]> {
  const rows = await sql<{ id: string }>(
    `select id from round where (state = 'waiting' and created_at < now() - interval '3 seconds')
       or (state = 'drawing' and heartbeat_at < now() - make_interval(secs => $1))`,
    [STALE_SECONDS],
  );
  return rows.map((r) => r.id);
}
