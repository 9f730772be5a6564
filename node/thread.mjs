// A worker thread's first file: becomes node/thread.ts, as plain modules where they can be made, else by teaching the thread to read TypeScript.
import { bundled } from '../scripts/bundle.mjs';

const plain = await bundled('thread');
if (plain) await import(plain);
else {
  const { register } = await import('tsx/esm/api');
  register();
  await import('./thread.ts');
}
