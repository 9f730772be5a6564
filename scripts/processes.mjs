// Which process is whose. A process id alone proves nothing: it may have gone to another program since it was written down. What is told by here is the id
// together with the moment that the process began, as the kernel counts it.
import { existsSync, readFileSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';

/** When a process began, in ticks since the machine did; null when there is no such process (any more). */
function beganAt(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The name, in parentheses, may hold anything; what follows it does not. A zombie has ended.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    return fields[0] === 'Z' ? null : fields[19];
  } catch {
    return null;
  }
}

/** What names a process for good. */
export const identityOf = (pid) => ({ pid, began: beganAt(pid) });

/** Whether the very process that an identity names is still there. */
export const isAlive = (identity) =>
  Number.isInteger(identity?.pid) && typeof identity.began === 'string' && beganAt(identity.pid) === identity.began;

/** The words that a process was started with; none when it is not there or not to be read. */
export function wordsOf(pid) {
  const path = `/proc/${pid}/cmdline`;
  try {
    return existsSync(path) ? readFileSync(path, 'utf8').split('\0').filter(Boolean) : [];
  } catch {
    return [];
  }
}

/** Ends a process that is proven to be the one meant: asks it to, waits, and insists. */
export async function endProcess(identity, { signal = 'SIGTERM', waitMs = 6000 } = {}) {
  if (!isAlive(identity)) return;
  try {
    process.kill(identity.pid, signal);
  } catch {
    return;
  }
  for (const end = Date.now() + waitMs; Date.now() < end && isAlive(identity);) await pause(50);
  if (!isAlive(identity)) return;
  try {
    process.kill(identity.pid, 'SIGKILL');
  } catch {
    // It ended just now.
  }
  for (let i = 0; i < 40 && isAlive(identity); i++) await pause(50);
}
