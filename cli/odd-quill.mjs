#!/usr/bin/env node
// The command is TypeScript like the rest; tsx reads it as it is, so that it works right after `npm ci`.
import { register } from 'tsx/esm/api';

// What was to be read by another program that has ended is wanted no more; anything else that cannot be written is told.
process.stdout.on('error', ({ code, message }) => {
  if (code !== 'EPIPE')
    console.error(`odd-quill: standard output: ${code === 'ENOSPC' ? 'the disk is full' : message}`);
  process.exit(1);
});

register();
const { main } = await import('./main.ts');
process.exitCode = await main(process.argv.slice(2));
