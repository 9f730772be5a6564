/** Odd Quill as `npm start` runs it, in a folder of its own, with its parts to be killed. */
import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort, ROOT } from '../../scripts/setup.mjs';
import { endProcess, identityOf } from '../../scripts/processes.mjs';

export type Part = 'the application' | 'the database' | 'the image engine';
export const PARTS: readonly Part[] = ['the application', 'the database', 'the image engine'];

export interface Started {
  readonly address: string;
  readonly folder: string;
  /** Kills one of its parts as a crash would. */
  kill: (part: Part) => void;
  /** What it printed so far. */
  printed: () => string;
  stop: () => Promise<void>;
}

interface Record {
  readonly parts: { readonly [name: string]: { readonly pid: number } };
}

/** Starts it, with no demo data; `data` is where it keeps its database. */
export async function startWhole(data?: string): Promise<Started> {
  const folder = data ?? mkdtempSync(join(tmpdir(), 'odd-quill-rig-'));
  // PostgreSQL, which does not run as root, has to come by.
  chmodSync(folder, 0o755);
  const port = await freePort();
  const child = spawn(process.execPath, [join(ROOT, 'scripts/start.mjs')], {
    cwd: ROOT,
    env: { ...process.env, ODD_QUILL_DATA: folder, ODD_QUILL_DEMO: 'no', ODD_QUILL_PORT: String(port) },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const identity = identityOf(child.pid!);
  let text = '';
  const address = await new Promise<string>((resolve, reject) => {
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk: Buffer) => {
        text += chunk.toString();
        const found = /Odd Quill is at (\S+)/.exec(text);
        if (found) resolve(found[1]);
      });
    child.once('exit', () => reject(new Error(`npm start ended: ${text}`)));
  });
  const pidOf = (part: Part): number => {
    if (part === 'the database')
      return Number(readFileSync(join(folder, 'postgres/postmaster.pid'), 'utf8').split('\n')[0]);
    return (JSON.parse(readFileSync(join(folder, 'running.json'), 'utf8')) as Record).parts[part].pid;
  };
  return {
    address,
    folder,
    kill: (part) => process.kill(pidOf(part), 'SIGKILL'),
    printed: () => text,
    stop: async () => {
      await endProcess(identity, { waitMs: 20_000 });
      if (!data) rmSync(folder, { recursive: true, force: true });
    },
  };
}
