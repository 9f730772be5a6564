// The steps of a start that need what npm installed: the database's tables, and the demo data.
import { join } from 'node:path';
import { register } from 'tsx/esm/api';
import { ROOT } from './setup.mjs';

register();

/** Makes the database when it is not there, and brings its tables up to date. */
export async function migrateAndPrepare(databaseUrl) {
  const { default: pg } = await import('pg');
  const { migrate } = await import('../src/lib/server/migrate.ts');
  const url = new URL(databaseUrl);
  const name = decodeURIComponent(url.pathname.slice(1));
  const probe = new pg.Client({ connectionString: databaseUrl });
  try {
    await probe.connect();
  } catch (error) {
    if (error.code !== '3D000') throw error;
    url.pathname = '/postgres';
    const admin = new pg.Client({ connectionString: url.href });
    await admin.connect();
    await admin.query(`create database "${name.replaceAll('"', '""')}"`);
    await admin.end();
  } finally {
    await probe.end().catch(() => {});
  }
  await migrate(databaseUrl, join(ROOT, 'db/migrations'));
}

/** Makes the demo data through the running application, when there is no commission yet. */
export async function ensureDemo(address) {
  const { loadDemo } = await import('../db/demo.ts');
  await loadDemo(address, (line) => console.log(line));
}
