import type * as v from 'valibot';
import type { ChangesOf } from '../contract/requests';
import { sql, transaction, type Sql } from './database';
import { Problem } from './problem';

/** Tables whose fields may be changed and changed back. */
export type Subject = 'commission' | 'candidate' | 'client_name';

/** Columns that a change may touch: names go into the statement, so they are checked against this. */
const COLUMNS: Readonly<Record<Subject, ReadonlySet<string>>> = {
  commission: new Set(
    'name client trade audience mood colours_wanted colours_unwanted grounds kind_of_mark notes allowance archived'.split(
      ' ',
    ),
  ),
  candidate: new Set(['decision']),
  client_name: new Set(['decision']),
};

export type Fields = Readonly<Record<string, unknown>>;

const stored = (value: unknown): unknown =>
  typeof value === 'object' && value !== null ? JSON.stringify(value) : value;

async function write(tx: Sql, subject: Subject, id: string, fields: Fields): Promise<void> {
  const names = Object.keys(fields);
  for (const name of names) if (!COLUMNS[subject].has(name)) throw new Error(`${subject}.${name} cannot be changed`);
  const sets = names.map((name, i) => `${name} = $${i + 2}`);
  if (subject === 'commission') sets.push('revision = revision + 1');
  await tx(`update ${subject} set ${sets.join(', ')} where id = $1`, [id, ...names.map((n) => stored(fields[n]))]);
}

/**
 * Changes fields of a commission or a candidate and keeps what they were. Fields that already have the value are left out; what of the brief, or of decisions,
 * was undone before can no longer be redone.
 */
export async function change(
  tx: Sql,
  commissionId: string,
  subject: Subject,
  id: string,
  fields: Fields,
  told: string,
): Promise<void> {
  const names = Object.keys(fields).filter((n) => COLUMNS[subject].has(n));
  // The commission first, as everywhere: whoever waits for the other's row holds nothing that the other wants.
  await tx('select 1 from commission where id = $1 for update', [commissionId]);
  const [now] = await tx<Fields>(`select ${names.join(', ')} from ${subject} where id = $1 for update`, [id]);
  const changed = names.filter((n) => JSON.stringify(now[n]) !== JSON.stringify(fields[n]));
  if (!changed.length) return;
  const pick = (from: Fields) => JSON.stringify(Object.fromEntries(changed.map((n) => [n, from[n]])));
  await tx(`update change set state = 'abandoned' where commission_id = $1 and subject = $2 and state = 'undone'`, [
    commissionId,
    subject,
  ]);
  await tx(
    'insert into change (commission_id, subject, subject_id, before, after, told) values ($1, $2, $3, $4, $5, $6)',
    [commissionId, subject, id, pick(now), pick(fields), told],
  );
  await write(tx, subject, id, Object.fromEntries(changed.map((n) => [n, fields[n]])));
}

interface ChangeRow {
  id: number;
  subject: Subject;
  subject_id: string;
  before: Fields;
  after: Fields;
  told: string;
}

/** Which of a commission's changes are meant: each kind has an undo of its own, and so has each candidate. */
export type Scope = v.InferOutput<typeof ChangesOf>;

/** The newest change that is done, and the oldest that is undone, within a scope: $1 commission, $2 subject, $3 candidate. */
const next = (direction: 'undo' | 'redo', columns: string): string => `
  select ${columns} from change
  where commission_id = $1 and ($2::text is null or subject = $2) and ($3::uuid is null or subject_id = $3)
    and state = ${direction === 'undo' ? `'done' order by id desc` : `'undone' order by id`} limit 1`;

const scoped = (commissionId: string, { of, candidateId }: Scope) => [
  commissionId,
  candidateId || of === 'decisions'
    ? 'candidate'
    : of === 'brief'
      ? 'commission'
      : of === 'names'
        ? 'client_name'
        : null,
  candidateId ?? null,
];

/** What can be undone and redone next, in words; null when nothing can. */
export async function undoable(
  commissionId: string,
  scope: Scope = {},
): Promise<{ undo: string | null; redo: string | null }> {
  const [row] = await sql<{ undo: string | null; redo: string | null }>(
    `select (${next('undo', 'told')}) as undo, (${next('redo', 'told')}) as redo`,
    scoped(commissionId, scope),
  );
  return row;
}

/** Takes the last change of a scope back, or does the last undone one again; gives its words. */
export function step(commissionId: string, direction: 'undo' | 'redo', scope: Scope = {}): Promise<string> {
  return transaction(async (tx) => {
    // The commission's row is the lock: two tabs that undo at once take two steps.
    await tx('select 1 from commission where id = $1 for update', [commissionId]);
    const [row] = await tx<ChangeRow>(next(direction, '*'), scoped(commissionId, scope));
    if (!row) throw new Problem(409, `nothing_to_${direction}`, `There is nothing to ${direction}`);
    await write(tx, row.subject, row.subject_id, direction === 'undo' ? row.before : row.after);
    await tx('update change set state = $2 where id = $1', [row.id, direction === 'undo' ? 'undone' : 'done']);
    return row.told;
  });
}
