#!/usr/bin/env node
// The command is TypeScript like the rest: made into plain modules once, or read as it is where that cannot be, so that it works right after `npm ci`.
import { bundled } from '../scripts/bundle.mjs';

// What was to be read by another program that has ended is wanted no more; anything else that cannot be written is told.
process.stdout.on('error', ({ code, message }) => {
  if (code !== 'EPIPE')
    console.error(`odd-quill: standard output: ${code === 'ENOSPC' ? 'the disk is full' : message}`);
  process.exit(1);
});

const plain = await bundled('command');
if (!plain) (await import('tsx/esm/api')).register();
const { main } = await import(plain ?? './main.ts');
process.exitCode = await main(process.argv.slice(2));
