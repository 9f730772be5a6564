/** What works of every kind have in common when they are begun. */
import type { WorkKind } from '../contract/answers';
import type { Sql } from './database';
import { addStep, type StepSource } from './work-history';

/** Makes a work with its first step; gives its id. */
export async function newWork<T>(
  tx: Sql,
  kind: WorkKind,
  commissionId: string,
  name: string,
  first: { asked: object; told: string; state: T; sources?: readonly StepSource[] },
): Promise<string> {
  const [{ id }] = await tx<{ id: string }>(
    'insert into work (commission_id, kind, name) values ($1, $2, $3) returning id',
    [commissionId, kind, name],
  );
  await addStep(tx, id, null, { ...first, isOrigin: true });
  return id;
}

/** A name that no other work of the commission has: numbered, where it must be. */
export async function freeName(tx: Sql, commissionId: string, wanted: string): Promise<string> {
  const rows = await tx<{ name: string }>('select name from work where commission_id = $1', [commissionId]);
  const taken = new Set(rows.map((r) => r.name));
  if (!taken.has(wanted)) return wanted;
  let n = 2;
  while (taken.has(`${wanted} (${n})`)) n++;
  return `${wanted} (${n})`;
}
