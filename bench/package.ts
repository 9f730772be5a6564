/**
 * A whole package: how long it takes with one thread and with two, how much memory, how near the sizes that were told before, how soon it stops.
 * `npx tsx bench/package.ts [FILE.svg...]`; a made-up mark and its lockup without files. Wants Linux, which tells the most memory of a process.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { drawCandidate } from '../core/engine';
import { artworkToSvg } from '../core/export';
import { readSvg } from '../core/import';
import { bytesOf, inLook, ONE_COLOUR, planPackage, REVERSED, sensibleFor, SETS, subjectKind, subjectOf, weightOf, type Look } from '../core/package'; // prettier-ignore
import { trace } from '../core/trace';
import { makePackage, type OrderedFile, type PackageOrder } from '../node/package-run';
import { Pool } from '../node/pool';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'odd-quill-package-'));
const command = join(ROOT, 'cli/odd-quill.mjs');

/** A process and all that it began. */
const familyOf = (pid: number): number[] => [pid, ...readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').split(' ').filter(Boolean).flatMap((p) => familyOf(Number(p)))]; // prettier-ignore
const DATE = '2026-11-24';

/** Runs the command, and gives its seconds and the most memory that one process of it had, in MB. */
function measured(...args: string[]): Promise<{ seconds: number; mb: number; out: string }> {
  const began = performance.now();
  const child = spawn(process.execPath, [command, ...args], { cwd: folder, stdio: ['ignore', 'pipe', 'inherit'] });
  let mb = 0;
  let out = '';
  child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
  const look = setInterval(() => {
    try {
      const each = familyOf(child.pid!).map((pid) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0)); // prettier-ignore
      mb = Math.max(mb, Math.max(...each) / 1024);
    } catch {
      // It has ended.
    }
  }, 20);
  return new Promise((resolve, reject) =>
    child.on('close', (code) => {
      clearInterval(look);
      if (code) return reject(new Error(`${args[0]} ended with ${code}`));
      resolve({ seconds: (performance.now() - began) / 1000, mb, out });
    }),
  );
}

async function madeUp(): Promise<string[]> {
  const { picture } = drawCandidate(
    { prompt: 'bat over a moon, midnight blue and lamp yellow', sizePx: 1024, seed: 5 },
    0,
  );
  writeFileSync(join(folder, 'mark.svg'), artworkToSvg(trace(picture).artwork));
  await measured('lockup', '--mark', 'mark.svg', '--name', 'Noctule Night Rail', '--line', 'sleepers to the north', '--layout', 'beside-line', '--out', 'lockup.svg'); // prettier-ignore
  return [join(folder, 'mark.svg'), join(folder, 'lockup.svg')];
}

const own: Look = { key: 'master', name: 'own', kind: 'own' };

async function sizes(path: string): Promise<void> {
  const { artwork } = readSvg(readFileSync(path, 'utf8'));
  const subject = {
    ...subjectOf(artwork, { key: 's', name: 'Noctule', stem: 'noctule', kind: subjectKind(artwork) }),
    date: DATE,
  };
  const rows = [own, ONE_COLOUR, REVERSED].map((look) => ({ subject, look, for: sensibleFor(subject, look) }));
  const order: PackageOrder = { title: 'Noctule', date: DATE, grounds: [], sets: SETS, rows, descent: {} };
  const weights = new Map(rows.map(({ look }) => [look.key, weightOf(inLook(artwork, look))]));
  const plan = new Map(planPackage(rows).map((f) => [f.name, f]));
  const took: number[] = [];
  let files: OrderedFile[] = [];
  for (const threads of [1, 2]) {
    const pool = new Pool(join(ROOT, 'node/thread.mjs'), threads, { maxYoungGenerationSizeMb: 16 });
    const began = performance.now();
    ({ files } = await makePackage(order, (k, input, hooks) => pool.run(k, input, hooks), { put: async () => {} }));
    took.push(performance.now() - began);
    await pool.close();
  }
  const told = files.flatMap((f) => {
    const planned = plan.get(f.name);
    return planned ? [{ is: f.bytes, said: bytesOf(planned, weights.get(planned.look.key)!) }] : [];
  });
  const ratio = told.reduce((sum, t) => sum + t.said, 0) / told.reduce((sum, t) => sum + t.is, 0);
  const near = told.filter((t) => t.said / t.is > 2 / 3 && t.said / t.is < 1.5).length / told.length;
  console.log(`${basename(path)}: ${files.length} files; two threads take ${(took[1] / took[0]).toFixed(2)} of the time of one; size told before ${ratio.toFixed(2)} of what it is, ${Math.round(100 * near)}% of the files within a third`); // prettier-ignore

  const pool = new Pool(join(ROOT, 'node/thread.mjs'), 2);
  const stop = new AbortController();
  let stopped = 0;
  const ended = makePackage(order, (k, input, hooks) => pool.run(k, input, hooks), {
    put: async () => {},
    signal: stop.signal,
    onProgress(done, of) {
      if (done < of / 4 || stopped) return;
      stopped = performance.now();
      stop.abort();
    },
  });
  await ended.catch(() => {});
  console.log(`  stopped after ${(performance.now() - stopped).toFixed(1)} ms`);
  await pool.close();
}

const inputs = process.argv.length > 2 ? process.argv.slice(2) : await madeUp();
for (const input of inputs) {
  const looks = ['own', 'one-colour', 'reversed', '#A03020'];
  const { seconds, mb, out } = await measured('package', input, '--name', 'Noctule Night Rail', '--out', 'all.zip', '--for', 'all', '--colourways', looks.join(','), '--date', DATE); // prettier-ignore
  console.log(`${out.split('\n')[0]}; ${looks.length} looks in ${seconds.toFixed(1)} s, ${Math.round(mb)} MB at most`);
  const { seconds: sheet } = await measured('package', input, '--name', 'Noctule', '--out', 's.zip', '--for', 'sheet', '--colourways', 'own', '--date', DATE); // prettier-ignore
  const { seconds: none } = await measured('package', input, '--name', 'Noctule', '--out', 'd.zip', '--for', 'large', '--colourways', 'own', '--date', DATE); // prettier-ignore
  console.log(`  a brand sheet alone ${(sheet - none).toFixed(1)} s more than hardly anything`);
  await sizes(input);
}
rmSync(folder, { recursive: true });
