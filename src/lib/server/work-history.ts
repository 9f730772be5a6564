import { applyDelta, deltaBetween, keepsWhole, type Delta } from '$core/history';
import { compactArtwork, expandedArtwork } from '$core/vector';
import type { WorkKind } from '../contract/answers';
import { sql, type Sql } from './database';

/** What a step was made from. */
export interface StepSource {
  readonly role: string;
  readonly candidateId?: string;
  readonly pictureId?: string;
  readonly fileId?: string;
  readonly stepId?: string;
}

/** How whole states of each kind of work are written down; as they are, where nothing is said. Both take what was written before. */
const WRITTEN: Partial<
  Record<WorkKind, { readonly write: (state: never) => unknown; readonly read: (kept: unknown) => unknown }>
> = {
  artwork: { write: compactArtwork, read: expandedArtwork },
};

/** States by the id of their step. A step never changes, so neither does its state: what is here is never out of date. */
class States {
  private readonly known = new Map<string, { state: unknown; bytes: number }>();
  private bytes = 0;

  get(stepId: string): { state: unknown; bytes: number } | undefined {
    const found = this.known.get(stepId);
    if (found) {
      // Back to the young end.
      this.known.delete(stepId);
      this.known.set(stepId, found);
    }
    return found;
  }

  /** All that are remembered now, whatever is forgotten later. */
  all(): ReadonlyMap<string, { state: unknown; bytes: number }> {
    return new Map(this.known);
  }

  clear(): void {
    this.known.clear();
    this.bytes = 0;
  }

  keep(stepId: string, state: unknown, bytes: number): void {
    if (bytes > STATES_BYTES / 4 || this.known.has(stepId)) return;
    this.known.set(stepId, { state, bytes });
    this.bytes += bytes;
    for (const [oldest, { bytes: size }] of this.known) {
      if (this.bytes <= STATES_BYTES) break;
      this.known.delete(oldest);
      this.bytes -= size;
    }
  }
}

/** Nothing is remembered any more: states are found in the database again. */
export const forgetStates = (): void => states.clear();

/** Counted as JSON; as objects they take some times as much. */
const STATES_BYTES = 24 * 1024 * 1024;
const states = new States();

interface LineRow {
  readonly id: string;
  readonly changed: Delta | null;
  readonly whole: string | null;
  readonly kind: WorkKind | null;
}

/**
 * The state of a work at a step: the nearest state on the way to the root that is remembered or kept whole, and what each step from there on changed. A whole one
 * that was read is remembered too, since steps beside this one lead to it.
 */
export async function stateAt<T>(stepId: string, run: Sql = sql): Promise<T> {
  const had = states.get(stepId);
  if (had) return had.state as T;
  const remembered = states.all();
  const [first, ...rest] = await run<LineRow>(
    `with recursive line as (
       select id, parent, changed, whole, 0 as depth from work_step where id = $1
       union all
       select p.id, p.parent, p.changed, p.whole, l.depth + 1 from line l join work_step p on p.id = l.parent
         where l.whole is null and l.id <> all($2::uuid[]))
     select id, case when whole is null and id <> all($2::uuid[]) then changed end as changed,
       case when id <> all($2::uuid[]) then whole::text end as whole,
       case when whole is not null then (select w.kind from work w join work_step s on s.work_id = w.id where s.id = line.id) end as kind
     from line order by depth desc`,
    [stepId, [...remembered.keys()]],
  );
  const known = remembered.get(first.id);
  const bytes = known?.bytes ?? first.whole!.length;
  let state = known?.state ?? readWhole(first);
  if (!known) states.keep(first.id, state, bytes);
  for (const { changed } of rest) state = applyDelta(state, changed!);
  states.keep(stepId, state, bytes);
  return state as T;
}

function readWhole({ whole, kind }: LineRow): unknown {
  const kept = JSON.parse(whole!) as unknown;
  return WRITTEN[kind!]?.read(kept) ?? kept;
}

/** Adds a step to a work that is locked, and moves its head there. Gives the step's id and number. */
export async function addStep<T>(
  tx: Sql,
  workId: string,
  parent: { readonly id: string; readonly state: T } | null,
  step: {
    readonly asked: object;
    readonly told: string;
    readonly state: T;
    /** It did not edit what was there but made it. */
    readonly isOrigin?: boolean;
    readonly sources?: readonly StepSource[];
  },
): Promise<{ id: string; number: number }> {
  const delta = parent && (deltaBetween(parent.state, step.state) ?? { fields: {} });
  const changed = delta && JSON.stringify(delta);
  const [{ kind }] = await tx<{ kind: WorkKind }>('select kind from work where id = $1', [workId]);
  const whole = JSON.stringify(WRITTEN[kind]?.write(step.state as never) ?? step.state);
  const [since] = parent
    ? await tx<{ steps_since: number; bytes_since: number }>(
        'select steps_since, bytes_since from work_step where id = $1',
        [parent.id],
      )
    : [{ steps_since: 0, bytes_since: 0 }];
  const [steps, bytes] = [since.steps_since + 1, since.bytes_since + (changed?.length ?? 0)];
  const keeps = !changed || keepsWhole(steps, bytes, whole.length);
  const [made] = await tx<{ id: string; number: number }>(
    `insert into work_step (work_id, number, parent, asked, told, changed, whole, steps_since, bytes_since)
     values ($1, (select coalesce(max(number), 0) + 1 from work_step where work_id = $1), $2, $3, $4, $5, $6, $7, $8) returning id, number`,
    [
      workId,
      parent?.id ?? null,
      JSON.stringify(step.asked),
      step.told,
      // A change that takes more than the state it leads to says nothing that the two states do not.
      changed && !(keeps && changed.length > whole.length) ? changed : null,
      keeps ? whole : null,
      keeps ? 0 : steps,
      keeps ? 0 : bytes,
    ],
  );
  await tx('update work_step set origin = coalesce((select origin from work_step where id = $2), $1) where id = $1', [
    made.id,
    step.isOrigin ? null : (parent?.id ?? null),
  ]);
  for (const [position, s] of (step.sources ?? []).entries())
    await tx(
      'insert into work_source (step_id, position, role, candidate_id, picture_id, file_id, source_step_id) values ($1, $2, $3, $4, $5, $6, $7)',
      [made.id, position, s.role, s.candidateId ?? null, s.pictureId ?? null, s.fileId ?? null, s.stepId ?? null],
    );
  await tx('update work set head = $2 where id = $1', [workId, made.id]);
  states.keep(made.id, step.state, whole.length);
  return made;
}
