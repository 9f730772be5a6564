import { sql, type Sql } from './database';

/**
 * Who does a job. A job that waits is taken with a token of its own; whatever is written about it afterwards names the token, so that one who was thought
 * dead, and whose job somebody else has taken since, can neither finish nor fail nor report it. Rounds and deliveries share this.
 */
export interface Lease {
  readonly table: LeasedTable;
  readonly id: string;
  readonly owner: string;
}

export type LeasedTable = 'round' | 'delivery';

/** The state of a job that somebody does, and how long it may go without a sign of life, in seconds. */
const BUSY: Readonly<Record<LeasedTable, { readonly state: string; readonly staleSeconds: number }>> = {
  round: { state: 'drawing', staleSeconds: 10 },
  delivery: { state: 'packing', staleSeconds: 10 },
};

/** A job that ends its server each time it is done is not done for ever. */
export const TAKES_MOST = 4;

const GIVEN_UP = `It was begun ${TAKES_MOST} times and never came to an end, so it was given up: nothing else was changed, and it can be tried again`;

/** Takes a job that waits, or whose owner has gone; null when it is done, or somebody alive does it. One that was taken too often fails with its reason. */
export async function takeLease(table: LeasedTable, id: string): Promise<Lease | null> {
  const { state, staleSeconds } = BUSY[table];
  const free = `(state = 'waiting' or (state = $2 and heartbeat_at < now() - make_interval(secs => $3)))`;
  const [row] = await sql<{ owner: string }>(
    `update ${table} set state = $2, owner = gen_random_uuid(), takes = takes + 1, heartbeat_at = now()
     where id = $1 and ${free} and takes < $4 returning owner`,
    [id, state, staleSeconds, TAKES_MOST],
  );
  if (row) return { table, id, owner: row.owner };
  await sql(
    `update ${table} set state = 'failed', error = $5, finished_at = now() where id = $1 and ${free} and takes >= $4`,
    [id, state, staleSeconds, TAKES_MOST, GIVEN_UP],
  );
  return null;
}

/**
 * Writes fields of a job that one owns, and gives whether one still does. `sets` is SQL whose values begin at $4.
 */
export async function writeOwned(
  run: Sql,
  { table, id, owner }: Lease,
  sets: string,
  values: readonly unknown[] = [],
): Promise<boolean> {
  const rows = await run(`update ${table} set ${sets} where id = $1 and owner = $2 and state = $3 returning id`, [
    id,
    owner,
    BUSY[table].state,
    ...values,
  ]);
  return rows.length > 0;
}

/** Says that one is still at it; false when it was cancelled, or taken by somebody else. */
export const beat = (lease: Lease): Promise<boolean> => writeOwned(sql, lease, 'heartbeat_at = now()');

/** Gives a job back as it was before it was taken, for whoever comes next; it does not count as taken. */
export const handBack = (lease: Lease): Promise<boolean> =>
  writeOwned(sql, lease, `state = 'waiting', owner = null, takes = takes - 1, heartbeat_at = null`);

/** Jobs that wait and were not just put in, and those whose owner has gone. */
export async function orphans(table: LeasedTable): Promise<string[]> {
  const { state, staleSeconds } = BUSY[table];
  const rows = await sql<{ id: string }>(
    `select id from ${table} where (state = 'waiting' and created_at < now() - interval '3 seconds')
       or (state = $1 and heartbeat_at < now() - make_interval(secs => $2)) order by created_at desc limit 200`,
    [state, staleSeconds],
  );
  return rows.map((r) => r.id);
}
