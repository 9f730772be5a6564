import { randomInt } from 'node:crypto';
import type * as v from 'valibot';
import { creditsFor, SIZE_MOST_PX } from '$core/credit';
import { letteringAsked, type PromptParts } from '$core/prompt';
import type { Round, RoundReference, RoundState, RoundWay } from '../contract/answers';
import type { RoundStart } from '../contract/requests';
import { getCommission, isUuid } from './commissions';
import { sql, transaction, type Row, type Sql } from './database';
import { EngineError, type EngineRequest, type EngineResult, type Recipe } from './engine-client';
import { takeLease, writeOwned, type Lease } from './leases';
import { picturePng, storePicture } from './pictures';
import { Problem, unknown } from './problem';

/** The longer side of a round's candidates. */
export const CANDIDATE_SIZE_PX = 1024;

type RoundRow = Omit<Round, 'candidates'> & { commissionId: string; sizePx: number; attempt: number };

/** What was chosen outside the prompt, as it is kept. */
interface Choices {
  readonly finish?: string | null;
  readonly kind?: Round['kind'];
  readonly detail?: number | null;
  readonly flaws?: number;
  readonly drift?: number;
  readonly balance?: number;
  readonly area?: { x: number; y: number; width: number; height: number };
  readonly factor?: number;
}

const labelOf = (number: unknown, position: unknown, fileName: unknown): string =>
  number === null || number === undefined
    ? ((fileName as string | null) ?? '')
    : `${number as number}.${(position as number) + 1}`;

function wayFrom(row: Row, references: readonly RoundReference[]): RoundWay {
  const choices = row.choices as Choices;
  const from = labelOf(row.parent_number, row.parent_position, row.parent_file);
  const candidateId = row.parent_id as string;
  switch (row.way as RoundWay['kind']) {
    case 'offshoot':
      return { kind: 'offshoot', from, candidateId, drift: choices.drift ?? 25 };
    case 'crossing': {
      const second = (row.labels as Record<string, string> | null)?.[references[1]?.candidateId ?? ''] ?? '';
      return { kind: 'crossing', from, with: second, balance: choices.balance ?? 50 };
    }
    case 'redo':
      return { kind: 'redo', from, candidateId };
    case 'enlarge':
      return { kind: 'enlarge', from, candidateId, factor: choices.factor ?? 2 };
    default:
      return { kind: 'prompt' };
  }
}

const SELECT = `
  select r.*, pr.number as parent_number, pk.position as parent_position, pk.file_name as parent_file,
    (select json_agg(json_build_object('pictureId', f.picture_id, 'closeness', f.closeness, 'candidateId', f.candidate_id) order by f.position)
       from round_reference f where f.round_id = r.id) as refs,
    (select json_object_agg(k.id, case when kr.number is null then k.file_name else kr.number || '.' || (k.position + 1) end)
       from round_reference f join candidate k on k.id = f.candidate_id left join round kr on kr.id = k.round_id where f.round_id = r.id) as labels
  from round r left join candidate pk on pk.id = r.parent_id left join round pr on pr.id = pk.round_id`;

function roundFrom(row: Row): RoundRow {
  const choices = (row.choices ?? {}) as Choices;
  const references = (row.refs ?? []) as readonly RoundReference[];
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
    settled: (row.parts as PromptParts | null)?.settled ?? [],
    finish: choices.finish ?? null,
    kind: choices.kind ?? null,
    detail: choices.detail ?? null,
    flaws: choices.flaws ?? 20,
    references,
    way: wayFrom(row, references),
    creditsCharged: row.credits_charged as number,
    createdAt: (row.created_at as Date).toISOString(),
  };
}

/** Rounds of a commission, newest first. */
export async function listRounds(commissionId: string): Promise<RoundRow[]> {
  return (await sql(`${SELECT} where r.commission_id = $1 order by r.number desc`, [commissionId])).map(roundFrom);
}

export async function getRound(id: string): Promise<RoundRow> {
  const [row] = isUuid(id) ? await sql(`${SELECT} where r.id = $1`, [id]) : [];
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

interface Parent {
  readonly id: string;
  readonly pictureId: string;
  readonly longPx: number;
  readonly grows: boolean;
  readonly enlarges: boolean;
  /** What it was drawn from; empty for a picture that was brought in. */
  readonly prompt: string;
  readonly ratio: string;
}

async function parentFrom(commissionId: string, candidateId: string): Promise<Parent> {
  const [row] = await sql(
    `select k.id, k.commission_id, k.picture_id, k.grows, k.enlarges, greatest(p.width_px, p.height_px) as long_px, p.width_px, p.height_px,
       coalesce(k.prompt, r.prompt, '') as prompt, k.ratio
     from candidate k join picture p on p.id = k.picture_id left join round r on r.id = k.round_id where k.id = $1`,
    [candidateId],
  );
  if (!row || row.commission_id !== commissionId) throw unknown('candidate');
  return {
    id: row.id as string,
    pictureId: row.picture_id as string,
    longPx: row.long_px as number,
    grows: row.grows as boolean,
    enlarges: row.enlarges as boolean,
    prompt: row.prompt as string,
    ratio: (row.ratio as string | null) ?? nearestRatio(row.width_px as number, row.height_px as number),
  };
}

/** The ratio of a picture that was brought in, within what an engine draws. */
function nearestRatio(widthPx: number, heightPx: number): string {
  const aspect = Math.max(1 / 3, Math.min(3, widthPx / heightPx));
  return aspect >= 1 ? `${Math.round(aspect * 1000)}:1000` : `1000:${Math.round(1000 / aspect)}`;
}

/** Sees to it that a picture may be a reference of a commission's: brought in for it, or one of its candidates'. Throws a 404 Problem that names it. */
async function referable(tx: Sql, commissionId: string, pictureId: string): Promise<void> {
  const [row] = await tx(
    `select 1 from picture p where p.id = $2 and (
       exists (select 1 from candidate k where k.picture_id = p.id and k.commission_id = $1)
       or exists (select 1 from commission_picture c where c.picture_id = p.id and c.commission_id = $1))`,
    [commissionId, pictureId],
  );
  if (!row)
    throw new Problem(
      404,
      'unknown_picture',
      `This commission has no picture ${pictureId} to refer to: bring it in first`,
    );
}

/** What a round starts from: its parent, its size, and the references that its way brings with it. */
async function startOf(
  commissionId: string,
  way: v.InferOutput<typeof RoundStart>['way'],
): Promise<{ parent: Parent | null; sizePx: number; references?: readonly RoundReference[] }> {
  if (!way) return { parent: null, sizePx: CANDIDATE_SIZE_PX };
  if (way.kind === 'crossing') {
    const [first, second] = await Promise.all(way.candidateIds.map((id) => parentFrom(commissionId, id)));
    return {
      parent: first,
      sizePx: CANDIDATE_SIZE_PX,
      references: [first, second].map((p) => ({ pictureId: p.pictureId, closeness: 50, candidateId: p.id })),
    };
  }
  const parent = await parentFrom(commissionId, way.candidateId);
  if (way.kind === 'redo') return { parent, sizePx: Math.min(SIZE_MOST_PX, parent.longPx), references: [] };
  if (way.kind === 'enlarge') {
    if (!parent.enlarges)
      throw new Problem(
        409,
        'no_recipe',
        'This picture was brought in or mended, so the engine cannot draw it again larger: trace it instead, and it is sharp at every size',
      );
    const sizePx = parent.longPx * way.factor;
    if (sizePx > SIZE_MOST_PX)
      throw new Problem(
        422,
        'too_large',
        `${way.factor} times would be ${sizePx} px; the engine draws at most ${SIZE_MOST_PX} px`,
      );
    return { parent, sizePx, references: await referencesOf(parent.id) };
  }
  // What the parent was drawn from stays under its offshoots; a picture that the engine cannot grow from is followed as a reference.
  if (!parent.grows)
    return {
      parent,
      sizePx: CANDIDATE_SIZE_PX,
      references: [{ pictureId: parent.pictureId, closeness: 100 - way.drift, candidateId: parent.id }],
    };
  return { parent, sizePx: CANDIDATE_SIZE_PX, references: await referencesOf(parent.id) };
}

/** The references that a candidate was drawn from. */
async function referencesOf(candidateId: string): Promise<RoundReference[]> {
  const rows = await sql(
    `select f.picture_id, f.closeness, f.candidate_id from candidate k join round_reference f on f.round_id = k.round_id
     where k.id = $1 order by f.position`,
    [candidateId],
  );
  return rows.map((r) => ({
    pictureId: r.picture_id as string,
    closeness: r.closeness as number,
    candidateId: r.candidate_id as string | null,
  }));
}

/** What the engine is asked beside words: the parent's recipe and the pictures, read from the database. */
export async function askedOf(round: RoundRow): Promise<Partial<EngineRequest>> {
  const [row] = await sql(
    `select r.choices, k.recipe, k.grows, p.png, c.colours_wanted from round r join commission c on c.id = r.commission_id left join candidate k on k.id = r.parent_id left join picture p on p.id = k.picture_id where r.id = $1`,
    [round.id],
  );
  const choices = row.choices as Choices;
  const recipe = row.recipe as Recipe;
  const references = await Promise.all(
    round.references.map(async ({ pictureId, closeness }) => ({
      picture: (await picturePng(pictureId)).toString('base64'),
      closeness,
    })),
  );
  return {
    finish: round.finish,
    kind: round.kind,
    detail: round.detail,
    flaws: round.flaws,
    references,
    // What grows from a candidate keeps the colours that it was asked in.
    ...(round.way.kind === 'prompt' ? { usualColours: row.colours_wanted as string } : {}),
    ...(round.way.kind === 'crossing' ? { balance: choices.balance ?? 50 } : {}),
    ...(round.way.kind === 'offshoot' && row.grows ? { offshootOf: recipe, drift: choices.drift ?? 25 } : {}),
    ...(round.way.kind === 'enlarge' ? { enlarge: recipe } : {}),
    ...(round.way.kind === 'redo'
      ? { redo: { picture: (row.png as Buffer).toString('base64'), area: choices.area!, recipe } }
      : {}),
  };
}

/** Takes a round on, to be drawn by a job; asked twice with one request key, it is the same round. Throws a 409 Problem when credits do not suffice. */
export async function startRound(commissionId: string, asked: v.InferOutput<typeof RoundStart>): Promise<RoundRow> {
  const commission = await getCommission(commissionId);
  if (commission.archived) throw new Problem(409, 'archived', 'This commission is archived: bring it back first');
  const {
    requestKey,
    leaveOut,
    leeway,
    colours,
    seed = randomInt(0x7fffffff),
    way,
    finish,
    kind,
    detail,
    flaws,
  } = asked;
  const start = await startOf(commissionId, way);
  const { references, sizePx, parent } = { references: start.references ?? asked.references, ...start };
  const prompt =
    asked.prompt.trim() || (way?.kind === 'redo' || way?.kind === 'crossing' ? '' : (parent?.prompt ?? ''));
  const count = way?.kind === 'redo' || way?.kind === 'enlarge' ? 1 : asked.count;
  const ratio = way && way.kind !== 'crossing' ? (parent?.ratio ?? asked.ratio) : asked.ratio;
  const choices: Choices = {
    finish,
    kind,
    detail,
    flaws,
    ...(way?.kind === 'offshoot' ? { drift: way.drift } : {}),
    ...(way?.kind === 'crossing' ? { balance: way.balance } : {}),
    ...(way?.kind === 'redo' ? { area: way.area } : {}),
    ...(way?.kind === 'enlarge' ? { factor: way.factor } : {}),
  };
  const id = await transaction(async (tx) => {
    // Looked up under the lock: of two that come at once with one key, the second finds the first's round.
    await tx('select 1 from commission where id = $1 for update', [commissionId]);
    const known = await tx<{ id: string }>('select id from round where commission_id = $1 and request_key = $2', [
      commissionId,
      requestKey,
    ]);
    if (known.length) return known[0].id;
    for (const { pictureId } of references) await referable(tx, commissionId, pictureId);
    const credits = creditsFor(count, sizePx);
    await reserve(tx, commissionId, credits);
    const [made] = await tx<{ id: string }>(
      `insert into round (commission_id, number, request_key, prompt, leave_out, leeway, ratio, colours, count, seed, size_px, credits_reserved, way, parent_id, choices)
       values ($1, (select coalesce(max(number), 0) + 1 from round where commission_id = $1), $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14)
       returning id`,
      [
        commissionId,
        requestKey,
        prompt,
        leaveOut.trim(),
        leeway,
        ratio,
        colours,
        count,
        seed,
        sizePx,
        credits,
        way?.kind ?? 'prompt',
        parent?.id ?? null,
        JSON.stringify(choices),
      ],
    );
    for (const [position, reference] of references.entries())
      await tx(
        `insert into round_reference (round_id, position, picture_id, closeness, candidate_id) values ($1, $2, $3, $4, $5)`,
        [
          made.id,
          position,
          reference.pictureId,
          reference.closeness,
          'candidateId' in reference ? reference.candidateId : null,
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
      `update round set state = 'waiting', attempt = attempt + 1, takes = 0, owner = null, progress = 0, error = null, heartbeat_at = null, finished_at = null
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

/** Takes a round for drawing; null when it is finished, cancelled, or drawn by somebody who is alive. */
export async function takeRound(id: string): Promise<{ lease: Lease; round: RoundRow } | null> {
  const lease = await takeLease('round', id);
  return lease && { lease, round: await getRound(id) };
}

/** Tells how far a round is; false when it was cancelled or is somebody else's now, so that its drawing can stop. */
export const reportProgress = (lease: Lease, progress: number): Promise<boolean> =>
  writeOwned(sql, lease, 'heartbeat_at = now(), progress = greatest(progress, $4)', [progress]);

export interface DeliveredPicture {
  readonly position: number;
  readonly seed: number;
  readonly png: Uint8Array;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly recipe: Recipe | null;
  readonly grows: boolean;
  readonly enlarges: boolean;
  readonly sketch: unknown;
}

/** Keeps what a round gave, all of it together with its charge; nothing when the round was cancelled meanwhile, or is somebody else's. */
export async function finishRound(
  lease: Lease,
  round: RoundRow,
  result: EngineResult,
  pictures: readonly DeliveredPicture[],
): Promise<void> {
  await transaction(async (tx) => {
    const held = await writeOwned(
      tx,
      lease,
      `state = 'done', owner = null, progress = 1, finished_at = now(), figures = $4, parts = $5, credits_charged = $6`,
      [JSON.stringify(result.figures), JSON.stringify(result.parts), result.credits],
    );
    if (!held) return;
    // What is made again in part goes on being drawn from what its parent was.
    const [parent] = await tx<{ prompt: string | null; ratio: string | null }>(
      `select k.prompt, k.ratio from round r join candidate k on k.id = r.parent_id where r.id = $1 and r.way = 'redo'`,
      [round.id],
    );
    for (const p of pictures) {
      const { id } = await storePicture(tx, p.png, p.widthPx, p.heightPx);
      await tx(
        `insert into candidate (commission_id, round_id, position, picture_id, seed, recipe, sketch, grows, enlarges, prompt, ratio, lettering_asked)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)`,
        [
          round.commissionId,
          round.id,
          p.position,
          id,
          p.seed,
          p.recipe ? JSON.stringify(p.recipe) : null,
          p.sketch ? JSON.stringify(p.sketch) : null,
          p.grows,
          p.enlarges,
          parent ? parent.prompt : round.prompt,
          parent ? parent.ratio : round.ratio,
          letteringAsked(parent ? (parent.prompt ?? '') : round.prompt, round.leaveOut),
        ],
      );
    }
  });
}

/** Marks a round as failed, with a sentence for the designer; no credit is charged. */
export async function failRound(lease: Lease, error: unknown): Promise<void> {
  const message =
    error instanceof EngineError || error instanceof Problem
      ? error.message
      : 'This round failed on the server: nothing was charged, and the prompt is kept; try again';
  await writeOwned(sql, lease, `state = 'failed', owner = null, error = $4, finished_at = now()`, [message]);
}
