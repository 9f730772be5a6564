// What start and test have in common: seeing to it that everything they need is installed. Plain Node, nothing from npm.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
/** Where a start keeps its database and what it knows of itself. */
export const DATA = resolve(process.env.ODD_QUILL_DATA || join(ROOT, '.odd-quill'));
export const isRoot = process.getuid?.() === 0;

/** Ends with a sentence for the person, without a trace of calls. */
export class SetupError extends Error {}

const has = (command) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;

/** The folder of PostgreSQL's programs, newest version first; null when it is not installed. */
export function postgresPrograms() {
  const versions = existsSync('/usr/lib/postgresql') ? readdirSync('/usr/lib/postgresql') : [];
  const folders = versions.sort((p, q) => Number(q) - Number(p)).map((v) => `/usr/lib/postgresql/${v}/bin`);
  return folders.find((f) => existsSync(join(f, 'initdb')) && existsSync(join(f, 'postgres'))) ?? null;
}

export const chromiumPath = () => ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((p) => existsSync(p)) ?? null;

/** Installs Debian packages. As anybody but root it needs sudo that does not ask. */
function installPackages(packages) {
  if (!has('apt-get'))
    throw new SetupError(
      `Please install ${packages.join(' and ')} with your system's own package manager, then start again`,
    );
  const prefix = isRoot ? [] : ['sudo', '-n'];
  if (!isRoot && (!has('sudo') || spawnSync('sudo', ['-n', 'true']).status !== 0))
    throw new SetupError(
      `Installing needs root: run "apt-get install ${packages.join(' ')}" as root, then start again`,
    );
  console.log(`installing ${packages.join(', ')}`);
  const apt = (...args) => {
    const [command, ...rest] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', '-qq', ...args];
    return spawnSync(command, rest, { stdio: ['ignore', 'ignore', 'inherit'] }).status === 0;
  };
  // A cluster of the system's own is not wanted: each of ours is made where it is used.
  if (!apt('install', '-y', '--no-install-recommends', ...packages)) {
    apt('update');
    if (!apt('install', '-y', '--no-install-recommends', ...packages))
      throw new SetupError(
        `Debian's packages ${packages.join(' and ')} could not be installed: look at the lines above`,
      );
  }
}

/** Other renderers, by which tests draw what we write, and the packages they come in. */
const RENDERERS = { gs: 'ghostscript', pdftoppm: 'poppler-utils', 'rsvg-convert': 'librsvg2-bin' };

export function ensurePackages({ browser = false, renderers = false } = {}) {
  const missing = [];
  if (!postgresPrograms()) missing.push('postgresql');
  if (browser && !chromiumPath()) missing.push('chromium');
  if (renderers) missing.push(...Object.entries(RENDERERS).flatMap(([command, name]) => (has(command) ? [] : [name])));
  if (missing.length) installPackages(missing);
}

const digestOf = (path) => createHash('sha256').update(readFileSync(path)).digest('hex');

/** Installs the packages of the lock file when they are not, or no longer, the ones that are there. */
export function ensureModules() {
  const stamp = join(ROOT, 'node_modules/.odd-quill-lock');
  const wanted = digestOf(join(ROOT, 'package-lock.json'));
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('installing packages (npm ci)');
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    env: { ...process.env, npm_config_update_notifier: 'false' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (done.status !== 0) throw new SetupError('npm ci failed: look at the lines above');
  writeFileSync(stamp, wanted);
}

function newestChange(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newestChange(join(path, name))));
}

/** Builds the application unless what is built is newer than all it is built from. */
export function ensureBuild() {
  const stamp = join(ROOT, 'build/.built');
  const sources = ['src', 'core', 'node', 'static', 'svelte.config.js', 'vite.config.ts', 'package-lock.json'];
  if (existsSync(stamp) && statSync(stamp).mtimeMs > Math.max(...sources.map((s) => newestChange(join(ROOT, s)))))
    return true;
  console.log('building');
  const done = spawnSync(
    process.execPath,
    [join(ROOT, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'],
    {
      cwd: ROOT,
      encoding: 'utf8',
    },
  );
  if (done.status !== 0) {
    process.stderr.write(done.stdout + done.stderr);
    return false;
  }
  writeFileSync(stamp, '');
  return true;
}

/** A port on loopback that is free now. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

export function ensureDataFolder() {
  mkdirSync(DATA, { recursive: true });
}

/** Starts a program that ends with this one; gives it, and the first line of its output that matches. */
export function startProgram(command, args, { env = {}, ready, name }) {
  const child = spawn(command, args, {
    cwd: ROOT,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'inherit'],
    detached: false,
  });
  const line = new Promise((resolve, reject) => {
    let text = '';
    child.stdout.on('data', (chunk) => {
      text += chunk;
      const found = ready.exec(text);
      if (found) resolve(found);
    });
    child.once('exit', (code) => reject(new SetupError(`${name} ended with code ${code} before it was ready`)));
    child.once('error', reject);
  });
  return { child, line };
}

/** Whether a user may pass through every folder to a path. */
export function reachable(path, uid, gid) {
  try {
    execFileSync('test', ['-x', path], { uid, gid, stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
}
