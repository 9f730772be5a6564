/** One PostgreSQL cluster for all tests of a run, thrown away at its end. */
import { rm } from 'node:fs/promises';
import { dirname } from 'node:path';
import { ensurePackages } from '../scripts/setup.mjs';
import { passingFolder, startPostgres } from '../scripts/postgres.mjs';

let started: Promise<() => Promise<void>> | null = null;

async function start(): Promise<() => Promise<void>> {
  ensurePackages();
  const postgres = await startPostgres(passingFolder('test'), { sync: false });
  process.env.ODD_QUILL_TEST_SERVER = postgres.url;
  return async () => {
    await postgres.stop();
    await rm(dirname(postgres.folder), { recursive: true, force: true });
  };
}

/** Called once for each project that needs the cluster; the first call makes it, the last to end takes it away. */
let users = 0;
export default async function setup(): Promise<() => Promise<void>> {
  users++;
  const stop = await (started ??= start());
  return async () => {
    if (--users === 0) await stop();
  };
}
