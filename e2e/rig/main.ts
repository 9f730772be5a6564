/** `npm run rig`: what broke once is tried for as long as one likes. Options: --kills 20 --cuts 60 --mutations 500 --seed 1 --designers 50 --disk yes */
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { DATA, ensureBuild, ensurePackages, isRoot } from '../../scripts/setup.mjs';
import { passingFolder, startPostgres } from '../../scripts/postgres.mjs';
import { apiOf, startApp } from '../app';
import type { Commission } from '../../src/lib/contract/answers';
import { cutsUnderLoad } from './cuts';
import { designersAtOnce } from './designers';
import { fullDisk } from './disk';
import { killsUnderLoad } from './kills';
import { mutatedPictures } from './mutations';

const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '20' },
    cuts: { type: 'string', default: '60' },
    mutations: { type: 'string', default: '500' },
    seed: { type: 'string', default: '1' },
    designers: { type: 'string', default: '50' },
    disk: { type: 'string', default: isRoot ? 'yes' : 'no' },
  },
});
const number = (text: string) => Math.max(0, Math.floor(Number(text) || 0));

function tell(title: string, report: object): void {
  console.log(`\n${title}`);
  for (const [name, value] of Object.entries(report))
    console.log(`  ${name.padEnd(14)} ${typeof value === 'object' ? JSON.stringify(value) : String(value)}`);
}

ensurePackages();
if (!ensureBuild()) process.exit(1);

const kills = number(values.kills);
if (kills) {
  const report = await killsUnderLoad({ times: kills });
  const least = Object.entries(report.standAgainS).map(([part, s]) => {
    const sorted = [...s].sort((p, q) => p - q);
    return [part, `${sorted[0]} to ${sorted[sorted.length - 1]} s, median ${sorted[sorted.length >> 1]}`];
  });
  tell('Each part killed in turn, four designers writing', { ...report, standAgainS: Object.fromEntries(least) });
}

const cluster = await startPostgres(passingFolder('rig'), { sync: false });
const app = await startApp({ serverUrl: cluster.url });
try {
  const cuts = number(values.cuts);
  if (cuts) tell('Connections cut', await cutsUnderLoad(app, { seconds: cuts }));
  const each = number(values.mutations);
  if (each) {
    const { id } = (await apiOf(app.address)<Commission>('POST', '/api/commissions', { name: 'Mutations' })).body;
    const keepIn = join(DATA, 'rig-worst');
    const report = await mutatedPictures(app.address, id, { each, seed: number(values.seed), keepIn });
    const slowest = report.slowest.map((t) => `${t.name} ${Math.round(t.ms)} ms, ${t.status}`);
    tell(`Spoilt files; the faulty and the slowest are in ${keepIn}`, { ...report, slowest });
  }
  const designers = number(values.designers);
  if (designers) tell('Designers at once', await designersAtOnce(app.address, designers));
} finally {
  await app.stop();
  await cluster.stop();
}
if (values.disk === 'yes') tell('A full disk', await fullDisk());
