import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import pg from 'pg';

/** Brings a database up to date with the numbered files of a folder; several servers may do so at once. Gives what it applied. */
export async function migrate(databaseUrl: string, folder: string): Promise<string[]> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock(714)');
    await client.query(
      'create table if not exists migration (name text primary key, applied_at timestamptz not null default now())',
    );
    const done = new Set((await client.query<{ name: string }>('select name from migration')).rows.map((r) => r.name));
    const names = (await readdir(folder)).filter((n) => /^\d+_.*\.sql$/.test(n)).sort();
    const applied: string[] = [];
    for (const name of names) {
      if (done.has(name)) continue;
      await client.query('begin');
      await client.query(await readFile(join(folder, name), 'utf8'));
      await client.query('insert into migration (name) values ($1)', [name]);
      await client.query('commit');
      applied.push(name);
    }
    return applied;
  } finally {
    await client.end();
  }
}
