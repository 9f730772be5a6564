// `npm start`: installs what is missing, starts PostgreSQL, the stand-in image engine and the application, puts the demo data in place
// when the database is empty, and prints the address. Ctrl-C stops all of it.
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import {
  DATA,
  ensureBuild,
  ensureDataFolder,
  ensureModules,
  ensurePackages,
  ROOT,
  SetupError,
  startProgram,
} from './setup.mjs';

const ownDatabase = !process.env.ODD_QUILL_DATABASE_URL;
const ownEngine = !process.env.ODD_QUILL_ENGINE_URL;
const stops = [];
let stopping = false;

async function stopAll(code) {
  if (stopping) return;
  stopping = true;
  for (const stop of stops.reverse()) await stop();
  process.exit(code);
}

const ended = (child) =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    const hard = setTimeout(() => child.kill('SIGKILL'), 5000);
    child.once('exit', () => (clearTimeout(hard), resolve()));
    child.kill('SIGTERM');
  });

function launch(args, options) {
  const started = startProgram(process.execPath, args, options);
  stops.push(() => ended(started.child));
  started.child.once('exit', () => {
    if (!stopping) console.error(`${options.name} ended; stopping`);
    void stopAll(1);
  });
  return started.line;
}

async function start() {
  if (ownDatabase) ensurePackages();
  ensureModules();
  ensureDataFolder();
  const { migrateAndPrepare } = await import('./prepare.mjs');

  let databaseUrl = process.env.ODD_QUILL_DATABASE_URL;
  if (ownDatabase) {
    const { startPostgres } = await import('./postgres.mjs');
    const postgres = await startPostgres(join(DATA, 'postgres'));
    stops.push(postgres.stop);
    databaseUrl = `${postgres.url}/odd_quill`;
  }
  if (!ensureBuild()) throw new SetupError('The application could not be built: look at the lines above');
  await migrateAndPrepare(databaseUrl);

  const env = { ODD_QUILL_DATABASE_URL: databaseUrl, ODD_QUILL_ROOT: ROOT, NODE_ENV: 'production' };
  if (ownEngine) {
    // Whoever else is on this machine does not have the token, and cannot draw at our cost.
    env.ODD_QUILL_ENGINE_TOKEN = randomBytes(24).toString('base64url');
    const [, address] = await launch(['--import', 'tsx', join(ROOT, 'engine/main.ts')], {
      name: 'the image engine',
      env: { ODD_QUILL_ENGINE_TOKEN: env.ODD_QUILL_ENGINE_TOKEN },
      ready: /at (http:\S+)/,
    });
    env.ODD_QUILL_ENGINE_URL = address;
  }
  // A known port makes a bookmark last; where it is taken, any other will do.
  env.ODD_QUILL_PORT = process.env.ODD_QUILL_PORT ?? String(await portOr(4710));
  const [, address] = await launch([join(ROOT, 'serve.mjs')], { name: 'the application', env, ready: /at (http:\S+)/ });
  const { ensureDemo } = await import('./prepare.mjs');
  await ensureDemo(address);
  console.log(`\nOdd Quill is at ${address}`);
}

async function portOr(wanted) {
  const { createServer } = await import('node:net');
  const { freePort } = await import('./setup.mjs');
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(freePort()));
    server.listen(wanted, '127.0.0.1', () => server.close(() => resolve(wanted)));
  });
}

process.on('SIGINT', () => void stopAll(0));
process.on('SIGTERM', () => void stopAll(0));
start().catch((error) => {
  console.error(error instanceof SetupError ? `odd-quill: ${error.message}` : error);
  void stopAll(1);
});
