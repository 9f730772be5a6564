import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { describe, expect, it } from 'vitest';
import { endProcess, identityOf, isAlive, wordsOf } from './processes.mjs';

const idle = (source: string) => spawn(process.execPath, ['-e', source], { stdio: ['ignore', 'pipe', 'ignore'] });

describe('which process is whose', () => {
  it('tells a process from another that was given its number', () => {
    const own = identityOf(process.pid);
    expect(isAlive(own)).toBe(true);
    expect(isAlive({ ...own, began: String(Number(own.began) - 1) })).toBe(false);
    expect(isAlive({ pid: process.pid, began: null })).toBe(false);
    expect(isAlive(null)).toBe(false);
  });

  it('gives the words it was started with, and none for one that is not there', async () => {
    const child = idle('console.log(1); setInterval(() => {}, 1000)');
    await once(child.stdout, 'data');
    expect(wordsOf(child.pid ?? 0)[1]).toBe('-e');
    child.kill('SIGKILL');
    await once(child, 'exit');
    expect(wordsOf(child.pid ?? 0)).toEqual([]);
  });

  it('asks a process to end, and insists where it does not listen', async () => {
    const deaf = idle("process.on('SIGTERM', () => {}); console.log(1); setInterval(() => {}, 1000)");
    await once(deaf.stdout, 'data');
    const identity = identityOf(deaf.pid ?? 0);
    const ended = once(deaf, 'exit');
    await endProcess(identity, { waitMs: 200 });
    expect(await ended).toEqual([null, 'SIGKILL']);
    expect(isAlive(identity)).toBe(false);
  });

  it('leaves a process alone that only has the number of the one meant', async () => {
    const child = idle('console.log(1); setInterval(() => {}, 1000)');
    await once(child.stdout, 'data');
    await endProcess({ pid: child.pid ?? 0, began: '1' });
    expect(child.exitCode ?? child.signalCode).toBeNull();
    child.kill('SIGKILL');
    await once(child, 'exit');
  });
});
