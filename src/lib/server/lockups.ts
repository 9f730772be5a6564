/** Lockups: begun from an artwork and a name, drawn for whoever asks, spelt alike. */
import type * as v from 'valibot';
import { artworkIn, MASTER, type Artwork } from '$core/vector';
import { editedLockup, marksOf, nameOfLockup, respelled, textsOf, type Lockup, type LockupFault } from '$core/lockup';
import type { LockupAnswer, WorkKind, WorkState } from '../contract/answers';
import type { LockupStart, Respell } from '../contract/requests';
import { getArtwork } from './artworks';
import { getCommission } from './commissions';
import { computed } from './computing';
import { sql, transaction } from './database';
import { ownFaces } from './faces';
import { Problem, unknown } from './problem';
import { told } from './setting';
import { addStep, stateAt } from './work-history';
import { freeName, newWork } from './work-kinds';
import { getWork, lockWork, workRow } from './works';

/** Lockups that were drawn lately, by their step: what a step is never changes. */
const drawn = new Map<string, Promise<{ artwork: Artwork; faults: readonly LockupFault[] }>>();
const DRAWN_MOST = 48;

/** The artworks that a lockup's marks show, by their step. */
async function artworksOf(lockup: Lockup): Promise<Record<string, Artwork>> {
  const steps = [...new Set(marksOf(lockup).map((m) => m.stepId))];
  const known = await sql<{ id: string }>(
    `select s.id from work_step s join work w on w.id = s.work_id where s.id = any($1::uuid[]) and w.kind = 'artwork'`,
    [steps],
  );
  return Object.fromEntries(await Promise.all(known.map(async ({ id }) => [id, await stateAt<Artwork>(id)] as const)));
}

/** A lockup as an artwork, worked out in a thread. */
export async function drawnLockup(
  lockup: Lockup,
  caller: AbortSignal,
): Promise<{ artwork: Artwork; faults: readonly LockupFault[] }> {
  const faces = await ownFaces(textsOf(lockup).map((t) => t.face.family));
  return computed('drawLockup', { lockup, artworks: await artworksOf(lockup), faces }, caller);
}

/** The artwork that a step of a work is: an artwork's own, a lockup's as it is drawn. */
export async function drawnAt(stepId: string, kind: WorkKind): Promise<Artwork> {
  if (kind === 'artwork') return stateAt<Artwork>(stepId);
  if (kind !== 'lockup') throw unknown('artwork');
  let own = drawn.get(stepId);
  if (!own) {
    // For all that ask, so that none of them going away ends it.
    own = stateAt<Lockup>(stepId).then((lockup) => drawnLockup(lockup, new AbortController().signal));
    drawn.set(stepId, own);
    own.catch(() => drawn.delete(stepId));
    for (const first of drawn.keys()) {
      if (drawn.size <= DRAWN_MOST) break;
      drawn.delete(first);
    }
  }
  return (await own).artwork;
}

/** A work that can be shown and delivered as an artwork, at its head or one of its steps. A 404 Problem for any other. */
export async function drawnWork(id: string, step: string | null = null): Promise<WorkState> {
  const state = await getWork(id);
  if (state.kind !== 'artwork' && state.kind !== 'lockup') throw unknown('artwork');
  if (step && !state.steps.some((s) => s.id === step)) throw unknown('version');
  return { ...state, drawing: await drawnAt(step ?? state.head, state.kind) };
}

/** The same of a commission. A 404 Problem where that has none of the id. */
export async function drawnOfCommission(commissionId: string, id: string): Promise<WorkState> {
  const work = await drawnWork(id);
  if (work.commissionId !== commissionId) throw unknown('lockup');
  return work;
}

/** A lockup with the artworks in it, and the heads of those. A 404 Problem where the commission has none of the id. */
export async function commissionLockup(commissionId: string, id: string): Promise<LockupAnswer> {
  const work = (await getWork(id, 'lockup')) as unknown as WorkState<Lockup>;
  if (work.commissionId !== commissionId) throw unknown('lockup');
  const works = [...new Set(marksOf(work.drawing).map((m) => m.workId))];
  const rows = await sql<{ id: string; name: string; head: string; version: number }>(
    'select w.id, w.name, w.head, s.number as version from work w join work_step s on s.id = w.head where w.id = any($1::uuid[])',
    [works],
  );
  const numbers = await sql<{ id: string; number: number }>('select id, number from work_step where id = any($1::uuid[])', [marksOf(work.drawing).map((m) => m.stepId)]); // prettier-ignore
  const name = nameOfLockup(work.drawing);
  const others = (await lockupsOf(commissionId)).filter((l) => l.id !== id);
  return {
    work,
    artworks: await artworksOf(work.drawing),
    marks: rows,
    versions: Object.fromEntries(numbers.map((n) => [n.id, n.number])),
    others: others.map(({ id: other, name: called, lockup }) => ({ id: other, name: called, spelling: nameOfLockup(lockup) })).filter((o) => o.spelling !== null && name !== null && o.spelling !== name), // prettier-ignore
  };
}

/** All lockups of a commission as they stand. */
async function lockupsOf(commissionId: string): Promise<{ id: string; name: string; head: string; lockup: Lockup }[]> {
  const rows = await sql<{ id: string; name: string; head: string }>(
    `select id, name, head from work where commission_id = $1 and kind = 'lockup' order by created_at`,
    [commissionId],
  );
  return Promise.all(rows.map(async (r) => ({ ...r, lockup: await stateAt<Lockup>(r.head) })));
}

/** Begins a lockup of an artwork of the commission, in a layout. */
export async function startLockup(
  commissionId: string,
  ask: v.InferOutput<typeof LockupStart>,
  caller: AbortSignal,
): Promise<WorkState<Lockup>> {
  const commission = await getCommission(commissionId);
  const artwork = await getArtwork(ask.artworkId);
  if (artwork.commissionId !== commissionId) throw unknown('artwork');
  if (!artwork.drawing.nodes.length)
    throw new Problem(422, 'nothing_drawn', 'Nothing is drawn in this artwork yet, so there is no mark to set a name beside'); // prettier-ignore
  const { colourwayId = MASTER, layout, face, weight, line } = ask;
  if (colourwayId !== MASTER && !artwork.drawing.colourways?.some((c) => c.id === colourwayId))
    throw unknown('colourway');
  const name = ask.name || commission.name;
  const mark = artworkIn(artwork.drawing, colourwayId);
  const made = await told(
    computed('lockups', { mark, name, line, layout, face, weight, of: { workId: artwork.id, stepId: artwork.head } }, caller), // prettier-ignore
  );
  const lockup = made.lockups[0].lockup!;
  const id = await transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [commissionId]);
    const called = await freeName(tx, commissionId, ask.called ?? `lockup, ${made.lockups[0].use}`);
    return newWork(tx, 'lockup', commissionId, called, {
      asked: { kind: 'lockup', layout: made.lockups[0].layout },
      told: `begun with ${made.lockups[0].words}`,
      state: lockup,
      sources: [{ role: 'mark', stepId: artwork.head }],
    });
  });
  return (await getWork(id, 'lockup')) as unknown as WorkState<Lockup>;
}

/** Gives other lockups of the commission a spelling of the name, as a step of each. */
export async function respellLockups(
  commissionId: string,
  { name, ids }: v.InferOutput<typeof Respell>,
): Promise<{ changed: number }> {
  let changed = 0;
  await transaction(async (tx) => {
    for (const id of ids) {
      const row = await workRow(id, 'lockup', tx);
      if (row.commission_id !== commissionId) throw unknown('lockup');
      const { head } = await lockWork(tx, id);
      const state = await stateAt<Lockup>(head, tx);
      const edits = respelled(state, name);
      if (!edits.length) continue;
      const after = editedLockup(state, edits);
      await addStep(tx, id, { id: head, state }, { asked: { kind: 'edits', edits }, told: after.told, state: after.state }); // prettier-ignore
      changed++;
    }
  });
  return { changed };
}
