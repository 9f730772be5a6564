#!/usr/bin/env node
// The command is TypeScript like the rest; tsx reads it as it is, so that it works right after `npm ci`.
import { register } from 'tsx/esm/api';

register();
const { main } = await import('./main.ts');
process.exitCode = await main(process.argv.slice(2));
