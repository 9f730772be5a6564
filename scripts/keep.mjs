// `npm run backup` and `npm run restore -- FILE`: everything in one file, and back. Both work with the database of this folder, or with the one that
// ODD_QUILL_DATABASE_URL names.
import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { isAlive } from './processes.mjs';
import { DATA, ensureDataFolder, ensureModules, ensurePackages, SetupError } from './setup.mjs';

/** Whether a start is running in this folder. */
function isRunning() {
  try {
    return isAlive(JSON.parse(readFileSync(join(DATA, 'running.json'), 'utf8')).start);
  } catch {
    return false;
  }
}

/** Calls back with the database's address; its server is started for that where it is not running. */
async function withDatabase(work) {
  if (process.env.ODD_QUILL_DATABASE_URL) return work(process.env.ODD_QUILL_DATABASE_URL);
  ensurePackages();
  ensureDataFolder();
  const { startPostgres } = await import('./postgres.mjs');
  const running = isRunning();
  const postgres = await startPostgres(join(DATA, 'postgres'));
  try {
    return await work(`${postgres.url}/odd_quill`);
  } finally {
    if (!running) await postgres.stop();
  }
}

const inMb = (bytes) => `${(bytes / 1e6).toFixed(1)} MB`;
const today = () => new Date().toISOString().slice(0, 16).replace('T', '-').replace(':', '');

async function main([what, named]) {
  ensureModules();
  const { backup, restore } = await import('./backup.mjs');
  if (what === 'backup') {
    const file = resolve(named ?? `odd-quill-${today()}.backup`);
    console.log(`${file}: ${inMb(await withDatabase((url) => backup(url, file)))}`);
  } else {
    if (!named) throw new SetupError('Which backup? npm run restore -- FILE');
    if (isRunning())
      throw new SetupError('Odd Quill is running: stop it first (Ctrl-C where it was started), then restore');
    const before = await withDatabase((url) => restore(url, resolve(named)));
    console.log(
      `Restored. npm start shows it${before ? `; what was there before is kept as the database ${before}` : ''}`,
    );
  }
}

main(process.argv.slice(2)).catch((error) => {
  console.error(error instanceof SetupError ? `odd-quill: ${error.message}` : error);
  process.exitCode = 1;
});
