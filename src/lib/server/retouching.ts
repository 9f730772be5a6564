/** Retouched pictures: lists of steps on a candidate, as works, and the pictures that they make. */
import type * as v from 'valibot';
import type { EntryFault, InnerChoice, Retouched, RetouchStep } from '$core/retouch';
import { decodePicture } from '../../../node/pictures';
import { TaskError } from '../../../node/pool';
import type { RetouchedPicture, RetouchedState } from '../contract/answers';
import type { ColourPicked, RetouchStart } from '../contract/requests';
import { getCandidate } from './candidates';
import { getCommission } from './commissions';
import { computed } from './computing';
import { sql, transaction } from './database';
import { pictureFrom, picturePng, storePicture } from './pictures';
import { Problem, unknown } from './problem';
import { freeName, newWork } from './work-kinds';
import { stateAt } from './work-history';
import { getWork, workRow } from './works';

export const getRetouched = async (id: string): Promise<RetouchedState> =>
  (await getWork(id, 'retouched')) as unknown as RetouchedState;

/** A retouched picture of a commission. Throws a 404 Problem. */
export async function retouchedOf(commissionId: string, id: string): Promise<RetouchedState> {
  const retouched = await getRetouched(id);
  if (retouched.commissionId !== commissionId)
    throw new Problem(404, 'unknown_picture', 'This commission has no such retouched picture');
  return retouched;
}

/** Begins a retouched picture of a candidate; a candidate can have several. */
export async function startRetouching(
  candidateId: string,
  { steps }: v.InferOutput<typeof RetouchStart>,
): Promise<RetouchedState> {
  const candidate = await getCandidate(candidateId);
  const state: Retouched = {
    pictureId: candidate.pictureId,
    widthPx: candidate.widthPx,
    heightPx: candidate.heightPx,
    entries: steps.map((step, k) => ({ id: `s${k + 1}`, step, hidden: false })),
  };
  const id = await transaction(async (tx) => {
    await tx('select 1 from commission where id = $1 for update', [candidate.commissionId]);
    return newWork(
      tx,
      'retouched',
      candidate.commissionId,
      await freeName(tx, candidate.commissionId, `${candidate.label} retouched`),
      {
        asked: { kind: 'retouch' },
        told: steps.length ? `begun with ${steps.length} ${steps.length === 1 ? 'step' : 'steps'}` : 'begun',
        state,
        sources: [{ role: 'retouched', candidateId }],
      },
    );
  });
  return getRetouched(id);
}

/**
 * The picture that a retouched picture is at one of its steps, or its head. It is made once, and kept with the step: whatever becomes of the code that makes it, that step's
 * picture stays.
 */
export async function retouchedPicture(
  id: string,
  stepId: string | null,
  caller: AbortSignal,
): Promise<RetouchedPicture> {
  const work = await workRow(id, 'retouched');
  const step = stepId ?? work.head;
  const [belongs] = await sql('select 1 from work_step where id::text = $1 and work_id = $2', [step, id]);
  if (!belongs) throw unknown('version');
  const known = await keptPicture(step);
  if (known) return known;
  const { pictureId, entries } = await stateAt<Retouched>(step);
  const picture = await decodePicture(await picturePng(pictureId));
  const { png, widthPx, heightPx, faults } = await computed('retouch', { picture, entries }, caller);
  await transaction(async (tx) => {
    const stored = await storePicture(tx, png, widthPx, heightPx);
    await tx(
      'insert into work_step_picture (step_id, picture_id, faults) values ($1, $2, $3) on conflict (step_id) do nothing',
      [step, stored.id, JSON.stringify(faults)],
    );
  });
  return (await keptPicture(step))!;
}

async function keptPicture(stepId: string): Promise<RetouchedPicture | null> {
  const [row] = await sql<{ picture_id: string; width_px: number; height_px: number; faults: EntryFault[] }>(
    `select k.picture_id, p.width_px, p.height_px, k.faults
     from work_step_picture k join picture p on p.id = k.picture_id where k.step_id = $1`,
    [stepId],
  );
  return row ? { pictureId: row.picture_id, widthPx: row.width_px, heightPx: row.height_px, faults: row.faults } : null;
}

/** Keeps a colour that was picked with its commission, or drops it; gives all that are kept, oldest first. */
export async function pickColour(
  commissionId: string,
  { hex, kept }: v.InferOutput<typeof ColourPicked>,
): Promise<string[]> {
  await getCommission(commissionId);
  if (kept)
    await sql('insert into picked_colour (commission_id, hex) values ($1, $2) on conflict do nothing', [
      commissionId,
      hex,
    ]);
  else await sql('delete from picked_colour where commission_id = $1 and hex = $2', [commissionId, hex]);
  return pickedColours(commissionId);
}

export const pickedColours = async (commissionId: string): Promise<string[]> =>
  (
    await sql<{ hex: string }>('select hex from picked_colour where commission_id = $1 order by created_at, hex', [
      commissionId,
    ])
  ).map((r) => r.hex);

/** What goes wrong with an area that was sent along, as a refusal. */
async function refusing<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    // What went wrong in the thread has its name only.
    if (error instanceof TaskError && (error.name === 'AreaError' || error.name === 'RetouchError'))
      throw new Problem(422, 'bad_area', error.message);
    throw error;
  }
}

const base64 = (png: Uint8Array): string => Buffer.from(png).toString('base64');

/** A picture retouched by steps, and the steps that did not fit. Throws a 422 Problem. */
export const retouchFile = (file: Uint8Array, steps: readonly RetouchStep[], caller: AbortSignal) =>
  refusing(async () => {
    const started = performance.now();
    const entries = steps.map((step, k) => ({ id: `${k + 1}`, step, hidden: false }));
    const { png, widthPx, heightPx, faults } = await computed(
      'retouch',
      { picture: await pictureFrom(file), entries },
      caller,
    );
    return { png: base64(png), widthPx, heightPx, faults, ms: Math.round(performance.now() - started) };
  });

/** An area of a picture mended in as many ways as asked for. Throws a 422 Problem. */
export const mendFile = (
  file: Uint8Array,
  area: Uint8Array,
  { count, seed }: { count: number; seed: number },
  caller: AbortSignal,
) =>
  refusing(async () => {
    const started = performance.now();
    const [picture, mask] = await Promise.all([pictureFrom(file), pictureFrom(area)]);
    const fills = await computed('mend', { picture, area: mask, count, seed }, caller);
    if (!fills.length)
      throw new Problem(422, 'bad_area', 'The area is the whole picture: there is nothing around it to go by');
    return {
      fills: fills.map(({ how, png }) => ({ how, png: base64(png) })),
      ms: Math.round(performance.now() - started),
    };
  });

/** A picture without its ground. Throws a 422 Problem. */
export const cutOutFile = (file: Uint8Array, inner: InnerChoice, caller: AbortSignal) =>
  refusing(async () => {
    const started = performance.now();
    const cut = await computed('cutOut', { picture: await pictureFrom(file), inner }, caller);
    return {
      png: base64(cut.png),
      groundHex: cut.groundHex,
      inner: cut.inner.map(({ box, dropped }) => ({ box, dropped })),
      ms: Math.round(performance.now() - started),
    };
  });
