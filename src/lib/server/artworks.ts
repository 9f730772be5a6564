import type * as v from 'valibot';
import { applyEdit, checkArtwork, describeEdit, EditError, type Artwork, type Edit } from '$core/vector';
import type { TraceOptions } from '$core/trace';
import type { ArtworkState, ArtworkStep } from '../contract/answers';
import type { TraceKeep } from '../contract/requests';
import { getCandidate } from './candidates';
import { getCommission, isUuid } from './commissions';
import { sql, transaction, type Row, type Sql } from './database';
import { Problem, unknown } from './problem';

interface Step {
  id: string;
  artwork_id: string;
  number: number;
  parent: string | null;
  kind: 'trace' | 'edit';
  told: string;
  trace_options: TraceOptions;
  ground_hex: string | null;
  drawing: Artwork;
  created_at: Date;
}

const NEWEST_CHILD = 'select id from artwork_step where parent = $1 order by number desc limit 1';

const movedOn = () =>
  new Problem(
    409,
    'changed_elsewhere',
    'This artwork was changed in another tab: what is shown now is its newest state, and your own change is kept to be made again',
  );

const stepFrom = (row: Row): ArtworkStep => ({
  id: row.id as string,
  number: row.number as number,
  parent: row.parent as string | null,
  kind: row.kind as ArtworkStep['kind'],
  told: row.told as string,
  createdAt: (row.created_at as Date).toISOString(),
});

/** An artwork with its head's drawing and the list of its steps. Throws a 404 Problem. */
export async function getArtwork(id: string): Promise<ArtworkState> {
  const [row] = isUuid(id)
    ? await sql<Row & Step>(
        `select s.*, a.commission_id, a.candidate_id, a.name, exists (select 1 from artwork_step c where c.parent = s.id) as can_redo
         from artwork a join artwork_step s on s.id = a.head where a.id = $1`,
        [id],
      )
    : [];
  if (!row) throw unknown('artwork');
  const steps = await sql(
    'select id, number, parent, kind, told, created_at from artwork_step where artwork_id = $1 order by number desc',
    [id],
  );
  return {
    id,
    commissionId: row.commission_id as string,
    candidateId: row.candidate_id as string,
    name: row.name as string,
    head: row.id,
    version: row.number,
    drawing: row.drawing,
    groundHex: row.ground_hex,
    traceOptions: row.trace_options,
    canUndo: row.parent !== null,
    canRedo: row.can_redo as boolean,
    steps: steps.map(stepFrom),
  };
}

/** The drawing of one step of an artwork. */
export async function getStep(artworkId: string, stepId: string): Promise<{ drawing: Artwork; number: number }> {
  const [row] =
    isUuid(artworkId) && isUuid(stepId)
      ? await sql<Step>('select drawing, number from artwork_step where artwork_id = $1 and id = $2', [
          artworkId,
          stepId,
        ])
      : [];
  if (!row) throw unknown('version');
  return row;
}

async function addStep(
  tx: Sql,
  artworkId: string,
  parent: string | null,
  step: {
    kind: 'trace' | 'edit';
    told: string;
    edit?: Edit;
    options: TraceOptions;
    groundHex: string | null;
    drawing: Artwork;
  },
): Promise<void> {
  const [{ id }] = await tx<{ id: string }>(
    `insert into artwork_step (artwork_id, number, parent, kind, told, edit, trace_options, ground_hex, drawing)
     values ($1, (select coalesce(max(number), 0) + 1 from artwork_step where artwork_id = $1), $2, $3, $4, $5, $6, $7, $8) returning id`,
    [
      artworkId,
      parent,
      step.kind,
      step.told,
      step.edit ? JSON.stringify(step.edit) : null,
      JSON.stringify(step.options),
      step.groundHex,
      JSON.stringify(step.drawing),
    ],
  );
  await tx('update artwork set head = $2 where id = $1', [artworkId, id]);
}

/** The head of an artwork, locked; throws a 409 Problem when it is not the one that the caller saw. */
async function lockedHead(tx: Sql, artworkId: string, seen: string): Promise<Step> {
  const [artwork] = await tx<{ head: string }>('select head from artwork where id = $1 for update', [artworkId]);
  if (!artwork) throw unknown('artwork');
  if (artwork.head !== seen) throw movedOn();
  const [step] = await tx<Step>('select * from artwork_step where id = $1', [artwork.head]);
  return step;
}

function checked(drawing: Artwork): Artwork {
  try {
    checkArtwork(drawing);
  } catch (error) {
    throw new Problem(422, 'bad_artwork', `The artwork cannot be kept: ${(error as Error).message}`);
  }
  return drawing;
}

/** Keeps a trace of a candidate: its first makes the artwork, later ones become new versions of it. */
export async function keepTrace(candidateId: string, kept: v.InferOutput<typeof TraceKeep>): Promise<ArtworkState> {
  const candidate = await getCandidate(candidateId);
  const { name } = await getCommission(candidate.commissionId);
  const drawing = checked(kept.drawing);
  if (!drawing.pieces.length)
    throw new Problem(422, 'nothing_traced', 'The trace has no piece in it, so there is nothing to keep');
  const id = await transaction(async (tx) => {
    // Two tabs may keep a first trace at once: the candidate's row lets one through after the other.
    await tx('select 1 from candidate where id = $1 for update', [candidateId]);
    const [known] = await tx<{ id: string; head: string }>('select id, head from artwork where candidate_id = $1', [
      candidateId,
    ]);
    if ((known?.head ?? null) !== kept.head) throw movedOn();
    const artworkId =
      known?.id ??
      (
        await tx<{ id: string }>(
          'insert into artwork (commission_id, candidate_id, name) values ($1, $2, $3) returning id',
          [candidate.commissionId, candidateId, `${name} ${candidate.label}`],
        )
      )[0].id;
    await addStep(tx, artworkId, known?.head ?? null, {
      kind: 'trace',
      told: known ? 'traced again' : 'traced',
      options: kept.options,
      groundHex: kept.groundHex,
      drawing,
    });
    return artworkId;
  });
  return getArtwork(id);
}

/** Makes an edit to an artwork's head, as a new step; 409 when the head has moved on, 422 when the edit does not fit. */
export async function editArtwork(id: string, head: string, edit: Edit): Promise<ArtworkState> {
  await getArtwork(id);
  await transaction(async (tx) => {
    const step = await lockedHead(tx, id, head);
    try {
      await addStep(tx, id, step.id, {
        kind: 'edit',
        told: describeEdit(step.drawing, edit),
        edit,
        options: step.trace_options,
        groundHex: step.ground_hex,
        drawing: applyEdit(step.drawing, edit),
      });
    } catch (error) {
      if (error instanceof EditError) throw new Problem(422, 'bad_edit', `That cannot be done: ${error.message}`);
      throw error;
    }
  });
  return getArtwork(id);
}

/** Moves an artwork's head to the step before, or to the newest of those after. */
export async function moveHead(id: string, head: string, direction: 'undo' | 'redo'): Promise<ArtworkState> {
  await getArtwork(id);
  await transaction(async (tx) => {
    const step = await lockedHead(tx, id, head);
    const to = direction === 'undo' ? step.parent : (await tx<{ id: string }>(NEWEST_CHILD, [step.id]))[0]?.id;
    if (!to) throw new Problem(409, `nothing_to_${direction}`, `There is nothing to ${direction}`);
    await tx('update artwork set head = $2 where id = $1', [id, to]);
  });
  return getArtwork(id);
}

/** Makes an earlier step the head again; the steps after it stay. */
export async function returnTo(id: string, head: string, stepId: string): Promise<ArtworkState> {
  await getStep(id, stepId);
  await transaction(async (tx) => {
    await lockedHead(tx, id, head);
    await tx('update artwork set head = $2 where id = $1', [id, stepId]);
  });
  return getArtwork(id);
}
