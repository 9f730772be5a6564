/** Each part of a whole Odd Quill killed in turn, while designers write. */
import { setTimeout as pause } from 'node:timers/promises';
import { clientOf } from './client';
import { PARTS, startWhole, type Part } from './start';
import { write } from './writers';

export interface KillReport {
  readonly kills: number;
  readonly acknowledged: number;
  readonly lost: readonly string[];
  readonly doubled: readonly string[];
  readonly rounds: number;
  readonly failedRounds: readonly string[];
  /** Answers of status 500. */
  readonly faults: readonly string[];
  readonly askedAgain: number;
  /** Seconds from a kill until the part answered again, by part. */
  readonly standAgainS: Readonly<Record<Part, readonly number[]>>;
}

/** Answered only when the part is there. */
const PROBES: Readonly<Record<Part, string>> = {
  'the application': '/api/health',
  'the database': '/api/health',
  'the image engine': '/api/finishes',
};

async function answers(url: string): Promise<boolean> {
  const answer = await fetch(url, { signal: AbortSignal.timeout(2000) }).catch(() => null);
  await answer?.arrayBuffer().catch(() => null);
  return answer?.ok ?? false;
}

/** Kills every part so many times. Between two kills of one part lie at least `restS`, since five deaths within a minute end a start. Writing goes on until so many changes were made. */
export async function killsUnderLoad({ times = 2, designers = 4, restS = 16, changes = 0 } = {}): Promise<KillReport> {
  const started = await startWhole();
  const client = clientOf(() => started.address);
  const standAgainS: Record<Part, number[]> = { 'the application': [], 'the database': [], 'the image engine': [] };
  try {
    const writing = await write(client, designers);
    for (let n = 0; n < times; n++)
      for (const part of PARTS) {
        const rested = pause((restS * 1000) / PARTS.length);
        const since = Date.now();
        started.kill(part);
        // A moment in which whoever asks finds out.
        await pause(30);
        while (!(await answers(started.address + PROBES[part]))) {
          if (Date.now() - since > 60_000) throw new Error(`${part} did not come back: ${started.printed()}`);
          await pause(50);
        }
        standAgainS[part].push((Date.now() - since) / 1000);
        await rested;
      }
    await writing.until(changes);
    const { acknowledged, lost, doubled, rounds, failed } = await writing.finish();
    return {
      kills: times * PARTS.length,
      acknowledged,
      lost,
      doubled,
      rounds,
      failedRounds: failed,
      faults: client.faults,
      askedAgain: client.again,
      standAgainS,
    };
  } catch (error) {
    console.error(started.printed());
    throw error;
  } finally {
    await started.stop();
  }
}
