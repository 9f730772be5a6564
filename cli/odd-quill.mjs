#!/usr/bin/env node
// The command is TypeScript like the rest: made into plain modules once, or read as it is where that cannot be, so that it works right after `npm ci`.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { bundled } from '../scripts/bundle.mjs';
import { SPARING } from '../scripts/memory.mjs';

// What was to be read by another program that has ended is wanted no more; anything else that cannot be written is told.
process.stdout.on('error', ({ code, message }) => {
  if (code !== 'EPIPE')
    console.error(`odd-quill: standard output: ${code === 'ENOSPC' ? 'the disk is full' : message}`);
  process.exit(1);
});

/** It is asked for before a process begins: what needs it has one of its own. */
const isLarge = process.argv[2] === 'package' && process.platform === 'linux' && !process.env.MALLOC_ARENA_MAX;

async function inProcessOfItsOwn() {
  const env = { ...process.env, ...SPARING };
  const child = spawn(process.execPath, [...process.execArgv, ...process.argv.slice(1)], { env, stdio: 'inherit' });
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill(signal));
  const [code, signal] = await once(child, 'close');
  return signal ? 1 : code;
}

async function here() {
  const plain = await bundled('command');
  if (!plain) (await import('tsx/esm/api')).register();
  const { main } = await import(plain ?? './main.ts');
  return main(process.argv.slice(2));
}

process.exitCode = isLarge ? await inProcessOfItsOwn() : await here();
