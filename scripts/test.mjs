// `npm test`: installs what is missing, then checks form, lint, types, and runs every test on a database and ports of its own. Its last
// line counts what the runners reported.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { DATA, ensureBuild, ensureModules, ensurePackages, ROOT, SetupError } from './setup.mjs';

let passed = 0;
let failed = 0;

const bin = (name) => join(ROOT, 'node_modules/.bin', name);

/** Runs a program to its end; gives its exit code and what it printed. */
function run(command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, NO_COLOR: '1' },
    });
    let text = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (text += chunk));
    child.once('error', (error) => resolve({ code: 1, text: String(error) }));
    child.once('exit', (code) => resolve({ code: code ?? 1, text }));
  });
}

const seconds = (since) => `${((Date.now() - since) / 1000).toFixed(1)} s`;

/** One check that holds or does not. */
async function check(name, ...commands) {
  const since = Date.now();
  for (const [command, ...args] of commands) {
    const { code, text } = await run(command, args);
    if (code === 0) continue;
    failed++;
    console.log(`FAILED  ${name} (${seconds(since)})\n${text}`);
    return;
  }
  passed++;
  console.log(`passed  ${name} (${seconds(since)})`);
}

/** Tests of some Vitest projects, counted from Vitest's own report. */
async function tests(...projects) {
  const since = Date.now();
  const report = join(DATA, `report-${projects.join('-')}.json`);
  rmSync(report, { force: true });
  const args = [
    'run',
    ...projects.flatMap((p) => ['--project', p]),
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ];
  const { code, text } = await run(bin('vitest'), args);
  if (!existsSync(report)) {
    failed++;
    console.log(`FAILED  ${projects.join(', ')}: no report\n${text}`);
    return;
  }
  const { numPassedTests, numFailedTests, testResults } = JSON.parse(readFileSync(report, 'utf8'));
  // A file that could not be loaded has no tests, yet it failed.
  const unloaded = testResults.filter(
    (f) => f.status === 'failed' && f.assertionResults.every((a) => a.status !== 'failed'),
  ).length;
  const wrong = numFailedTests + unloaded || (code === 0 ? 0 : 1);
  passed += numPassedTests;
  failed += wrong;
  console.log(
    `${wrong ? 'FAILED ' : 'passed '} ${projects.join(', ')}: ${numPassedTests} passed, ${wrong} failed (${seconds(since)})`,
  );
  if (wrong) console.log(text);
}

async function all() {
  ensurePackages({ browser: true, renderers: true });
  ensureModules();
  mkdirSync(DATA, { recursive: true });
  // Each keeps one core busy.
  await Promise.all([
    check(
      'types',
      [bin('svelte-kit'), 'sync'],
      [bin('svelte-check'), '--tsconfig', './tsconfig.json', '--fail-on-warnings'],
      [bin('tsc'), '-p', 'core/tsconfig.json'],
    ),
    check('form', [bin('prettier'), '--check', '.']).then(() =>
      check('lint', [bin('eslint'), '--max-warnings', '0', '.']),
    ),
  ]);
  await tests('core', 'server');
  const since = Date.now();
  if (ensureBuild()) {
    passed++;
    console.log(`passed  build (${seconds(since)})`);
    await tests('e2e');
  } else {
    failed++;
    console.log('FAILED  build');
  }
}

try {
  await all();
} catch (error) {
  failed++;
  console.error(error instanceof SetupError ? `odd-quill: ${error.message}` : error);
}
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
