import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import pg from 'pg';
import { migrate } from '../src/lib/server/migrate';
import { ROOT } from '../scripts/setup.mjs';

async function asAdmin(serverUrl: string, statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: `${serverUrl}/postgres` });
  await client.connect();
  await client.query(statement);
  await client.end();
}

/** An empty database on the tests' server; `drop` takes it away. */
export async function bareDatabase(
  serverUrl = process.env.ODD_QUILL_TEST_SERVER!,
): Promise<{ url: string; drop: () => Promise<void> }> {
  const name = `test_${randomBytes(6).toString('hex')}`;
  await asAdmin(serverUrl, `create database ${name}`);
  const url = `${serverUrl}/${name}`;
  return { url, drop: () => asAdmin(serverUrl, `drop database ${name} with (force)`) };
}

/** A fresh database with its tables. */
export async function freshDatabase(serverUrl?: string): Promise<{ url: string; drop: () => Promise<void> }> {
  const made = await bareDatabase(serverUrl);
  await migrate(made.url, join(ROOT, 'db/migrations'));
  return made;
}
