// `npm start`: installs what is missing, starts PostgreSQL, the stand-in image engine and the application, puts the demo data in place
// when the database is empty, and prints the address. What dies is started again. Ctrl-C stops all of it. A second start in one checkout finds the first.
import { randomBytes } from 'node:crypto';
import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { endProcess, identityOf, isAlive } from './processes.mjs';
import { SPARING } from './memory.mjs';
import {
  DATA,
  ensureBuild,
  ensureDataFolder,
  ensureModules,
  ensurePackages,
  freePort,
  ROOT,
  SetupError,
  startProgram,
} from './setup.mjs';

const ownDatabase = !process.env.ODD_QUILL_DATABASE_URL;
const ownEngine = !process.env.ODD_QUILL_ENGINE_URL;
const stops = [];
let stopping = false;

/** Who runs in this checkout: the start itself and its parts, each by what names a process for good. */
const RECORD = join(DATA, 'running.json');
const record = { start: identityOf(process.pid), address: null, parts: {} };
let isRecorded = false;

function readRecord() {
  try {
    return JSON.parse(readFileSync(RECORD, 'utf8'));
  } catch {
    return null;
  }
}
function writeRecord() {
  if (!isRecorded) return;
  writeFileSync(`${RECORD}.new`, JSON.stringify(record));
  renameSync(`${RECORD}.new`, RECORD);
}

/** Gives the address of a start that is running here; ends what one that was killed left behind. */
async function findOther() {
  const other = readRecord();
  if (!other) return null;
  if (isAlive(other.start) && other.start.pid !== process.pid) return other;
  for (const [name, part] of Object.entries(other.parts ?? {})) {
    if (!isAlive(part)) continue;
    console.log(`ending ${name}, which an earlier start left behind`);
    await endProcess(part);
  }
  return null;
}

async function stopAll(code) {
  if (stopping) return;
  stopping = true;
  for (const stop of stops.reverse()) await stop();
  if (isRecorded) rmSync(RECORD, { force: true });
  process.exit(code);
}

/** One that dies so often in this time is not started again. */
const DEATHS_MOST = 5;
const DEATHS_MS = 60_000;

/** Starts a part again when it died, after a pause that grows; ends everything when it dies again and again. */
function keeper(name, again) {
  let deaths = [];
  return async function died() {
    if (stopping) return;
    const now = Date.now();
    deaths = [...deaths.filter((at) => now - at < DEATHS_MS), now];
    if (deaths.length >= DEATHS_MOST) {
      console.error(`${name} ended ${DEATHS_MOST} times within a minute; stopping`);
      return stopAll(1);
    }
    console.error(`${name} ended; starting it again`);
    await pause(250 * 2 ** (deaths.length - 1));
    if (stopping) return;
    try {
      await again();
      if (!stopping) console.error(`${name} is back`);
    } catch (error) {
      console.error(error instanceof SetupError ? `odd-quill: ${error.message}` : error);
      await died();
    }
  };
}

/** Starts a program that is started again when it dies; gives the match of the line that said it was ready. */
async function launch(args, { name, env, ready }) {
  let identity = null;
  const begin = async () => {
    const started = startProgram(process.execPath, args, { name, env, ready });
    identity = identityOf(started.child.pid);
    record.parts[name] = identity;
    writeRecord();
    const line = await started.line;
    // Only now: one that never became ready is told of by the line's failure.
    started.child.once('exit', () => void died());
    if (started.child.exitCode !== null || started.child.signalCode !== null) void died();
    return line;
  };
  const died = keeper(name, begin);
  stops.push(() => endProcess(identity));
  return begin();
}

async function start() {
  if (ownDatabase) ensurePackages();
  ensureModules();
  ensureDataFolder();
  const other = await findOther();
  if (other) {
    console.log(
      other.address
        ? `Odd Quill is running already, at ${other.address}`
        : 'Odd Quill is being started already, by another npm start in this folder',
    );
    process.exit(0);
  }
  isRecorded = true;
  writeRecord();
  const { migrateAndPrepare } = await import('./prepare.mjs');

  let databaseUrl = process.env.ODD_QUILL_DATABASE_URL;
  if (ownDatabase) {
    const { startPostgres } = await import('./postgres.mjs');
    const postgres = await startPostgres(join(DATA, 'postgres'));
    stops.push(postgres.stop);
    postgres.watch(
      keeper('the database', async () => {
        if (postgres.again) return postgres.again();
        throw new SetupError('The database, which an earlier start had left behind, ended: start again');
      }),
    );
    databaseUrl = `${postgres.url}/odd_quill`;
  }
  if (!ensureBuild()) throw new SetupError('The application could not be built: look at the lines above');
  await migrateAndPrepare(databaseUrl);

  const env = { ODD_QUILL_DATABASE_URL: databaseUrl, ODD_QUILL_ROOT: ROOT, NODE_ENV: 'production', ...SPARING };
  if (ownEngine) {
    // Whoever else is on this machine does not have the token, and cannot draw at our cost.
    env.ODD_QUILL_ENGINE_TOKEN = randomBytes(24).toString('base64url');
    // A port of its own, so that it comes back where the application looks for it.
    const [, address] = await launch(['--import', 'tsx', join(ROOT, 'engine/main.ts')], {
      name: 'the image engine',
      env: { ODD_QUILL_ENGINE_TOKEN: env.ODD_QUILL_ENGINE_TOKEN, ODD_QUILL_ENGINE_PORT: String(await freePort()) },
      ready: /at (http:\S+)/,
    });
    env.ODD_QUILL_ENGINE_URL = address;
  }
  // A known port makes a bookmark last; where it is taken, any other will do.
  env.ODD_QUILL_PORT = process.env.ODD_QUILL_PORT ?? String(await portOr(4710));
  const [, address] = await launch([join(ROOT, 'serve.mjs')], { name: 'the application', env, ready: /at (http:\S+)/ });
  record.address = address;
  writeRecord();
  const { ensureDemo } = await import('./prepare.mjs');
  if (process.env.ODD_QUILL_DEMO !== 'no') await ensureDemo(address);
  console.log(`\nOdd Quill is at ${address}`);
}

async function portOr(wanted) {
  const { createServer } = await import('node:net');
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(freePort()));
    server.listen(wanted, '127.0.0.1', () => server.close(() => resolve(wanted)));
  });
}

process.on('SIGINT', () => void stopAll(0));
process.on('SIGTERM', () => void stopAll(0));
process.on('SIGHUP', () => void stopAll(0));
start().catch((error) => {
  console.error(error instanceof SetupError ? `odd-quill: ${error.message}` : error);
  void stopAll(1);
});
