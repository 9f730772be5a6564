// A worker thread's first file: teaches the thread to read TypeScript, then becomes node/thread.ts.
import { register } from 'tsx/esm/api';

register();
await import('./thread.ts');
