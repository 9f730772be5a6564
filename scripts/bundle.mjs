/** TypeScript made into plain modules, for what is started again and again: the command and the threads. Loaded so the command starts in about half the time, and a thread takes a little over half the memory. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
const CACHE = join(ROOT, 'node_modules/.cache/odd-quill');
const FOLDERS = ['core', 'node', 'cli'];
const ENTRIES = { thread: 'node/thread.ts', command: 'cli/main.ts' };
/** Of earlier sources: those that run may still load parts of theirs. */
const KEPT = 20;

/** Changes whenever a source does. */
function stampOfSources() {
  const hash = createHash('sha256').update(statSync(join(ROOT, 'package.json')).mtimeMs + process.version);
  for (const folder of FOLDERS)
    for (const entry of readdirSync(join(ROOT, folder), { recursive: true, withFileTypes: true })) {
      if (!entry.isFile() || !/\.(ts|json)$/.test(entry.name) || entry.name.endsWith('.test.ts')) continue;
      const path = join(entry.parentPath ?? entry.path, entry.name);
      const { mtimeMs, size } = statSync(path);
      hash.update(`${path} ${mtimeMs} ${size}\n`);
    }
  return hash.digest('hex').slice(0, 16);
}

/** What a module says of its own place is that of its source. */
const placed = {
  name: 'placed',
  setup(build) {
    build.onLoad({ filter: /\.ts$/ }, ({ path }) => {
      const source = readFileSync(path, 'utf8');
      if (!source.includes('import.meta.url')) return undefined;
      const url = JSON.stringify(pathToFileURL(path).href);
      return { contents: source.replaceAll('import.meta.url', url), loader: 'ts' };
    });
  },
};

function forget() {
  const made = readdirSync(CACHE)
    .map((name) => ({ path: join(CACHE, name), at: statSync(join(CACHE, name)).mtimeMs }))
    .sort((a, b) => b.at - a.at);
  for (const { path } of made.slice(KEPT)) rmSync(path, { recursive: true, force: true });
}

/** The address of an entry as a plain module, made now if its sources changed; null where that cannot be, as in a folder that takes no files. */
export async function bundled(entry) {
  try {
    const folder = join(CACHE, stampOfSources());
    const file = join(folder, `${entry}.js`);
    if (!existsSync(file)) {
      const { build } = await import('esbuild');
      const partial = `${folder}.${process.pid}.${Math.random().toString(36).slice(2)}`;
      mkdirSync(dirname(partial), { recursive: true });
      await build({
        entryPoints: Object.fromEntries(Object.entries(ENTRIES).map(([name, path]) => [name, join(ROOT, path)])),
        outdir: partial,
        bundle: true,
        splitting: true,
        platform: 'node',
        format: 'esm',
        target: 'node20',
        packages: 'external',
        keepNames: true,
        logLevel: 'silent',
        plugins: [placed],
      });
      try {
        renameSync(partial, folder);
      } catch {
        // Somebody else was faster: theirs is the same.
        rmSync(partial, { recursive: true, force: true });
      }
      forget();
    }
    return pathToFileURL(file).href;
  } catch {
    return null;
  }
}
