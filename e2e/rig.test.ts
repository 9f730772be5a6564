/** The rig, shortly; `npm run rig` is for long. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { isRoot } from '../scripts/setup.mjs';
import type { Commission } from '../src/lib/contract/answers';
import { apiOf, startApp, type App } from './app';
import { cutsUnderLoad } from './rig/cuts';
import { designersAtOnce } from './rig/designers';
import { fullDisk } from './rig/disk';
import { killsUnderLoad } from './rig/kills';
import { mutatedPictures } from './rig/mutations';

let app: App;
beforeAll(async () => void (app = await startApp()));
afterAll(() => app.stop());

describe('under load', () => {
  it('each part is killed, stands again, and no acknowledged change is lost or made twice', async () => {
    const report = await killsUnderLoad({ times: 2, designers: 3, restS: 9, changes: 240 });
    expect(report).toMatchObject({ kills: 6, lost: [], doubled: [], failedRounds: [], faults: [] });
    // Somebody wrote all the while, and found the part away.
    expect(report.acknowledged).toBeGreaterThanOrEqual(240);
    expect(report.rounds).toBeGreaterThan(5);
    expect(report.askedAgain).toBeGreaterThan(0);
    for (const seconds of Object.values(report.standAgainS).flat()) expect(seconds).toBeLessThan(30);
  });

  it('connections are cut in both directions, and every change is made once', async () => {
    const report = await cutsUnderLoad(app, { seconds: 5, changes: 60 });
    expect(report).toMatchObject({ lost: [], doubled: [], faults: [] });
    expect(report.cuts).toBeGreaterThan(20);
    expect(report.acknowledged).toBeGreaterThanOrEqual(60);
  });

  it('twelve designers go from brief to package at once', async () => {
    const report = await designersAtOnce(app.address, 12);
    expect(report).toMatchObject({ finished: 12, failed: [], faults: [] });
  });
});

describe('hostile files', () => {
  it('are taken or refused with a sentence, and nothing else happens', async () => {
    const { id } = (await apiOf(app.address)<Commission>('POST', '/api/commissions', { name: 'Spoilt' })).body;
    const report = await mutatedPictures(app.address, id, { each: 25 });
    expect(report.faults).toEqual([]);
    expect(report.tried).toBeGreaterThanOrEqual(100);
    // Both happen, or the files were not spoilt by the right amount.
    expect(report.taken).toBeGreaterThan(5);
    expect(report.refused).toBeGreaterThan(20);
  });
});

describe('a full disk', () => {
  // Nobody but root may mount a small one.
  it.skipIf(!isRoot)('refuses what cannot be kept, loses nothing, and goes on when there is room', async () => {
    const report = await fullDisk();
    expect(report).toMatchObject({ lost: [], goesOn: true });
    expect(report.acknowledged).toBeGreaterThan(3);
    expect(Object.keys(report.refusals).length).toBeGreaterThan(0);
    for (const how of Object.keys(report.refusals))
      expect(how).toMatch(/^(507 disk_full|503 database_away|503 |no answer)/);
  });
});
