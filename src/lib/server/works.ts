import * as v from 'valibot';
import { DeltaError } from '$core/history';
import { editedLockup, LockupEditSchema, LockupError, type Lockup, type LockupEdit } from '$core/lockup';
import { editedListBy, ListEditError, ListEditSchema, type ListEdit, type Retouched } from '$core/retouch';
import { applyEdits, EditError, EditSchema, isWorkedOut, type Artwork, type Edit } from '$core/vector';
import { TaskError } from '../../../node/pool';
import type { ActsAnswer, WorkKind, WorkState, WorkStep } from '../contract/answers';
import type { WorkActs } from '../contract/requests';
import { isUuid } from './commissions';
import { computed } from './computing';
import { sql, transaction, type Row, type Sql } from './database';
import { Problem, unknown } from './problem';
import { addStep, stateAt } from './work-history';

type AnyEdit = Edit | ListEdit | LockupEdit;

interface Applied {
  readonly state: unknown;
  readonly told: string;
}

interface Editing {
  readonly edit: v.GenericSchema;
  readonly apply: (state: never, edits: readonly never[]) => Applied | Promise<Applied>;
}

/**
 * What each kind of work makes of edits that belong together. History, branches, heads and the rest of this file are the same for all.
 */
const EDITS: Record<WorkKind, Editing> = {
  artwork: {
    edit: EditSchema,
    async apply(state: Artwork, edits: readonly Edit[]) {
      // Shapes are worked out in a thread of their own: whoever asks for something else does not wait for them.
      const { artwork, told } = edits.some(isWorkedOut)
        ? await computed('applyEdits', { artwork: state, edits }, new AbortController().signal)
        : applyEdits(state, edits);
      return { state: artwork, told };
    },
  },
  retouched: {
    edit: ListEditSchema,
    apply: (state: Retouched, edits: readonly ListEdit[]) => editedListBy(state, edits),
  },
  lockup: {
    edit: LockupEditSchema,
    apply: (state: Lockup, edits: readonly LockupEdit[]) => editedLockup(state, edits),
  },
};

/** The state of a work after edits. Throws a 422 Problem where they are none of its kind, and what the kind itself throws. */
async function edited(kind: WorkKind, state: unknown, edits: readonly AnyEdit[]): Promise<Applied> {
  const editing = EDITS[kind];
  if (!edits.every((e) => v.is(editing.edit, e)))
    throw new Problem(422, 'bad_edit', `That is nothing that can be done to a work of the kind ${kind}`);
  return editing.apply(state as never, edits as readonly never[]);
}

interface WorkRow {
  readonly id: string;
  readonly commission_id: string;
  readonly kind: WorkKind;
  readonly name: string;
  readonly head: string;
}

export const movedOn = (done: readonly string[] = []) =>
  new Problem(
    409,
    'changed_elsewhere',
    'This work was changed in another tab: what is shown now is its newest state, and your own change is kept to be made again',
    done.length ? { done: done.join(',') } : undefined,
  );

const stepFrom = (row: Row): WorkStep => ({
  id: row.id as string,
  number: row.number as number,
  parent: row.parent as string | null,
  kind: (row.asked_kind as WorkStep['kind'] | null) ?? 'edits',
  told: row.told as string,
  createdAt: (row.created_at as Date).toISOString(),
});

const STEP_COLUMNS = `id, number, parent, asked ->> 'kind' as asked_kind, told, created_at`;

/** A work's row; throws a 404 Problem, also when it is of another kind than asked for. */
export async function workRow(id: string, kind?: WorkKind, run: Sql = sql): Promise<WorkRow> {
  const [row] = isUuid(id)
    ? await run<WorkRow>('select id, commission_id, kind, name, head from work where id = $1', [id])
    : [];
  if (!row || (kind && row.kind !== kind)) throw unknown(kind ?? 'work');
  return row;
}

/** The work's row, locked until the transaction ends. */
export async function lockWork(tx: Sql, id: string): Promise<WorkRow> {
  const [row] = await tx<WorkRow>('select id, commission_id, kind, name, head from work where id = $1 for update', [
    id,
  ]);
  if (!row) throw unknown('work');
  return row;
}

/** Where a head stands: its number, and whether there is a step before and after it. */
async function standing(run: Sql, head: string): Promise<{ version: number; canUndo: boolean; canRedo: boolean }> {
  const [row] = await run<{ number: number; parent: string | null; can_redo: boolean }>(
    'select number, parent, exists (select 1 from work_step c where c.parent = s.id) as can_redo from work_step s where id = $1',
    [head],
  );
  return { version: row.number, canUndo: row.parent !== null, canRedo: row.can_redo };
}

/** A work with its head's state and the list of its steps. Throws a 404 Problem. */
export async function getWork(id: string, kind?: WorkKind): Promise<WorkState> {
  const row = await workRow(id, kind);
  const [drawing, stands, steps, [made]] = await Promise.all([
    stateAt<Artwork>(row.head),
    standing(sql, row.head),
    sql(`select ${STEP_COLUMNS} from work_step where work_id = $1 order by number desc`, [id]),
    sql<{ asked: { options?: WorkState['traceOptions']; groundHex?: string | null }; candidate_id: string | null }>(
      `select o.asked, (select candidate_id from work_source where step_id = o.id and candidate_id is not null order by position limit 1) as candidate_id
       from work_step s join work_step o on o.id = s.origin where s.id = $1`,
      [row.head],
    ),
  ]);
  return {
    id,
    commissionId: row.commission_id,
    kind: row.kind,
    name: row.name,
    head: row.head,
    ...stands,
    drawing,
    candidateId: made?.candidate_id ?? null,
    groundHex: made?.asked.groundHex ?? null,
    traceOptions: made?.asked.options ?? null,
    steps: steps.map(stepFrom),
  };
}

/** The state of one step of a work. Throws a 404 Problem. */
export async function getStep(workId: string, stepId: string): Promise<{ drawing: Artwork; number: number }> {
  const [row] =
    isUuid(workId) && isUuid(stepId)
      ? await sql<{ number: number }>('select number from work_step where work_id = $1 and id = $2', [workId, stepId])
      : [];
  if (!row) throw unknown('version');
  return { number: row.number, drawing: await stateAt<Artwork>(stepId) };
}

type Act = v.InferOutput<typeof WorkActs>['acts'][number];

/** Where one act leads from a head: the id of the step that is the head after it. Throws a Problem where it cannot be done. */
async function doAct(tx: Sql, work: WorkRow, head: string, act: Act): Promise<string> {
  switch (act.kind) {
    case 'edit': {
      const state = await stateAt(head, tx);
      try {
        const after = await edited(work.kind, state, act.edits);
        const { id } = await addStep(
          tx,
          work.id,
          { id: head, state },
          { asked: { kind: 'edits', edits: act.edits }, told: after.told, state: after.state },
        );
        return id;
      } catch (error) {
        const isRefused =
          error instanceof EditError ||
          error instanceof ListEditError ||
          error instanceof LockupError ||
          error instanceof DeltaError ||
          (error instanceof TaskError && error.name === 'EditError');
        if (isRefused) throw new Problem(422, 'bad_edit', `That cannot be done: ${(error as Error).message}`);
        throw error;
      }
    }
    case 'undo': {
      const [{ parent }] = await tx<{ parent: string | null }>('select parent from work_step where id = $1', [head]);
      if (!parent) throw new Problem(409, 'nothing_to_undo', 'There is nothing to undo');
      return parent;
    }
    case 'redo': {
      const [child] = await tx<{ id: string }>(
        'select id from work_step where parent = $1 order by number desc limit 1',
        [head],
      );
      if (!child) throw new Problem(409, 'nothing_to_redo', 'There is nothing to redo');
      return child.id;
    }
    case 'return': {
      const [step] = await tx('select 1 from work_step where id = $1 and work_id = $2', [act.stepId, work.id]);
      if (!step) throw unknown('version');
      return act.stepId;
    }
  }
}

/**
 * Does acts on a work, one after the other, from the head that the caller saw. An act whose key was done before is not done again. The first that cannot be
 * done ends it: as a refusal when it is the first of all, else told beside what was done before it. Throws a 409 Problem when the head has moved on.
 */
export async function actOn(id: string, { head: seen, acts }: v.InferOutput<typeof WorkActs>): Promise<ActsAnswer> {
  await workRow(id);
  return transaction(async (tx) => {
    const work = await lockWork(tx, id);
    const known = new Map(
      (
        await tx<{ key: string; head: string }>('select key, head from work_act where work_id = $1 and key = any($2)', [
          id,
          acts.map((a) => a.key),
        ])
      ).map((k) => [k.key, k.head]),
    );
    let expected = seen;
    let moved = known.size > 0;
    let refused: ActsAnswer['refused'] = null;
    let head = work.head;
    const added: string[] = [];
    const done: string[] = [];
    for (const act of acts) {
      const before = known.get(act.key);
      if (before !== undefined) {
        expected = before;
        done.push(act.key);
        continue;
      }
      if (head !== expected) throw movedOn(done);
      try {
        head = await doAct(tx, work, head, act);
      } catch (error) {
        if (!(error instanceof Problem) || !added.length) throw error;
        refused = { key: act.key, code: error.code, message: error.message };
        break;
      }
      expected = head;
      added.push(act.key);
      if (act.kind !== 'edit') {
        moved = true;
        await tx('update work set head = $2 where id = $1', [id, head]);
      }
      await tx('insert into work_act (work_id, key, head) values ($1, $2, $3)', [id, act.key, head]);
    }
    const steps = await tx(
      `select ${STEP_COLUMNS} from work_step where work_id = $1 and id in (select head from work_act where work_id = $1 and key = any($2)) order by number desc`,
      [id, acts.map((a) => a.key)],
    );
    return {
      head,
      ...(await standing(tx, head)),
      added: steps.map(stepFrom),
      // Whoever only edited has made the same of the same state already.
      drawing: moved || refused ? await stateAt<Artwork>(head, tx) : null,
      refused,
    };
  });
}
