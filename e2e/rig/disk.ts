/** A disk that fills up under the database, and gets room again. */
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import sharp from 'sharp';
import type { Candidate, Commission } from '../../src/lib/contract/answers';
import { clientOf } from './client';
import { startWhole, type Started } from './start';

const DISK_MB = 220;
const BALLAST_MB = 60;

export interface DiskReport {
  /** Pictures that were acknowledged before the disk was full. */
  readonly acknowledged: number;
  /** How requests were answered once it was full: status and code. */
  readonly refusals: Readonly<Record<string, number>>;
  /** Pictures that were acknowledged and are no longer there. */
  readonly lost: readonly string[];
  /** Whether the start ended, and had to be started again once there was room. */
  readonly ended: boolean;
  /** Whether something new could be kept once there was room. */
  readonly goesOn: boolean;
}

/** Noise, which no format makes small: some 3 MB that are like no others. */
const noise = (): Promise<Buffer> =>
  sharp(randomBytes(1000 * 1000 * 3), { raw: { width: 1000, height: 1000, channels: 3 } })
    .png({ compressionLevel: 0 })
    .toBuffer();

/** Fills a small disk with pictures; needs root, which alone may mount one. */
export async function fullDisk(): Promise<DiskReport> {
  const folder = mkdtempSync(join(tmpdir(), 'odd-quill-disk-'));
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK_MB}m`, 'tmpfs', folder], { encoding: 'utf8' });
  if (mounted.status !== 0) throw new Error(`no small disk could be mounted: ${mounted.stderr}`);
  let started: Started | null = null;
  let address = '';
  const client = clientOf(() => address, 30_000);
  const refusals: Record<string, number> = {};
  try {
    writeFileSync(join(folder, 'ballast'), Buffer.alloc(BALLAST_MB * 1024 * 1024));
    started = await startWhole(folder);
    address = started.address;
    const { id } = await client.ask<Commission>('POST', '/api/commissions', { name: 'Full' });
    const kept: Candidate[] = [];
    // A few refusals in a row: full, and not only for a moment.
    for (let refused = 0; refused < 6 && kept.length < 200;) {
      const answer = await fetch(`${address}/api/commissions/${id}/pictures?name=noise.png`, {
        method: 'POST',
        headers: { 'content-type': 'image/png' },
        body: new Uint8Array(await noise()),
      }).catch(() => null);
      const body = (await answer?.json().catch(() => null)) as (Candidate & { error?: { code: string } }) | null;
      if (answer?.ok && body) kept.push(body);
      else {
        refused++;
        const how = answer ? `${answer.status} ${body?.error?.code ?? ''}` : 'no answer';
        refusals[how] = (refusals[how] ?? 0) + 1;
        await pause(500);
      }
    }
    rmSync(join(folder, 'ballast'));
    const isThere = async () => (await fetch(`${address}/api/health`).catch(() => null))?.ok === true;
    for (let n = 0; n < 60 && !(await isThere()); n++) await pause(250);
    const ended = !(await isThere());
    if (ended) {
      await started.stop();
      started = await startWhole(folder);
      address = started.address;
    }
    const lost: string[] = [];
    for (const { id: candidateId, pictureId } of kept) {
      const picture = await fetch(`${address}/api/pictures/${pictureId}`);
      const there = picture.ok && (await picture.arrayBuffer()).byteLength > 1_000_000;
      if (!there || !(await fetch(`${address}/api/candidates/${candidateId}`)).ok) lost.push(candidateId);
    }
    const after = await client.ask<Candidate>('POST', `/api/commissions/${id}/pictures?name=after.png`, await noise());
    return { acknowledged: kept.length, refusals, lost, ended, goesOn: after.label === 'after.png' };
  } finally {
    await started?.stop();
    spawnSync('umount', ['-l', folder]);
    rmSync(folder, { recursive: true, force: true });
  }
}
