import { setTimeout as pause } from 'node:timers/promises';
import pg from 'pg';
import { claim, claimed, claimMade, isClaiming } from './once';
import { databaseIsGone, Problem } from './problem';
import { settings } from './settings';

// bigint (20) as a number: seeds and identities stay far below 2^53.
pg.types.setTypeParser(20, Number);

let pool: pg.Pool | null = null;

function database(): pg.Pool {
  if (!pool) {
    pool = new pg.Pool({ connectionString: settings.databaseUrl(), max: 8, connectionTimeoutMillis: 3000 });
    // An idle connection that breaks is dropped by the pool; without a listener it would end the process.
    pool.on('error', () => {});
  }
  return pool;
}

export async function closeDatabase(): Promise<void> {
  await pool?.end();
  pool = null;
}

const RETRY_MS = [50, 150, 400, 900, 1500, 2500];

/** Two transactions stood in each other's way, and this one was taken back whole: done again, it most likely goes through. */
const isCollision = (error: unknown): boolean => ['40P01', '40001'].includes((error as { code?: string }).code ?? '');

/** Does something again while the database is away, for about six seconds: as long as a restart takes; and what collided with something else. */
async function retrying<T>(work: () => Promise<T>): Promise<T> {
  for (const wait of RETRY_MS) {
    try {
      return await work();
    } catch (error) {
      if (!databaseIsGone(error) && !isCollision(error)) throw error;
      // Not both at the same moment again.
      await pause(wait * (0.5 + Math.random()));
    }
  }
  return work();
}

export type Row = Record<string, unknown>;

/** Something that takes statements: the pool, or one transaction. */
export interface Sql {
  <R = Row>(text: string, values?: readonly unknown[]): Promise<R[]>;
}

/** One reading statement, or one that may safely be done twice. */
export const sql: Sql = <R>(text: string, values: readonly unknown[] = []) =>
  retrying(async () => (await database().query(text, [...values])).rows as R[]);

/**
 * Statements that are done together or not at all. Rows are locked in one order, so that no two wait for each other: commission, round, candidate, work,
 * delivery. A transaction that broke before its commit is done again; one whose commit was not answered only for a request with a key, since else nobody
 * knows whether it took effect.
 */
export function transaction<T>(work: (sql: Sql) => Promise<T>): Promise<T> {
  return retrying(async () => {
    const client = await database().connect();
    client.on('error', () => {});
    let broken: Error | undefined;
    try {
      await client.query('begin');
      const tx: Sql = async <R>(text: string, values: readonly unknown[] = []) =>
        (await client.query(text, [...values])).rows as R[];
      await claim(tx);
      const result = await work(tx);
      await claimMade(tx, result);
      try {
        await client.query('commit');
      } catch (error) {
        broken = error as Error;
        // Under a key it is done again: if it took effect, its key is there.
        throw databaseIsGone(error) && !isClaiming() ? commitUnknown() : error;
      }
      claimed();
      return result;
    } catch (error) {
      if (databaseIsGone(error)) broken = error as Error;
      else if (!broken) await client.query('rollback').catch((e: Error) => (broken = e));
      throw error;
    } finally {
      client.removeAllListeners('error');
      client.release(broken);
    }
  });
}

const commitUnknown = () =>
  new Problem(
    503,
    'commit_unknown',
    'The database went away while it was saving: look whether the last change is there, and make it again if not',
  );
