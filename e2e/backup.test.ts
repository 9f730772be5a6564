/** Everything in one file, and back. */
import { mkdtemp, readFile, rm, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drawCandidate } from '../core/engine';
import { trace } from '../core/trace';
import { encodePng } from '../node/pictures';
import { backup, restore } from '../scripts/backup.mjs';
import type { Commission, Delivery } from '../src/lib/contract/answers';
import { apiOf, bodiesOf, startApp, until, type App } from './app';
import { bringInPicture, keepTrace } from './made';

let app: App;
let call: ReturnType<typeof apiOf>;
let ask: ReturnType<typeof bodiesOf>;
let folder: string;
beforeAll(async () => {
  app = await startApp();
  call = apiOf(app.address);
  ask = bodiesOf(call);
  folder = await mkdtemp(join(tmpdir(), 'odd-quill-backup-'));
});
afterAll(async () => {
  await app.stop();
  await rm(folder, { recursive: true, force: true });
});

/** A commission with a picture, an artwork and a package; gives the addresses of all there is to see of it. */
async function delivered(name: string): Promise<string[]> {
  const { id } = (await call<Commission>('POST', '/api/commissions', { name, notes: 'no wings' })).body;
  const picture = drawCandidate({ prompt: 'a bat over a moon', sizePx: 160 }, 0).picture;
  const candidate = await bringInPicture(ask, id, picture);
  await call('PATCH', `/api/candidates/${candidate.id}`, { decision: 'kept' });
  const work = await keepTrace(ask, candidate.id, trace(picture));
  const delivery = (
    await call<Delivery>('POST', `/api/works/${work.id}/deliveries`, {
      requestKey: `backup-${id}`,
      head: work.head,
      rows: [{ workId: work.id, head: work.head, look: 'master', for: ['web', 'developers'] }],
    })
  ).body;
  await until(async () => (await call<Delivery>('GET', `/api/deliveries/${delivery.id}`)).body.state === 'done');
  return [
    `/api/commissions/${id}`,
    `/api/commissions/${id}/rounds`,
    `/api/commissions/${id}/thread`,
    `/api/pictures/${candidate.pictureId}`,
    `/api/works/${work.id}`,
    `/api/works/${work.id}/drawing.svg`,
    `/api/deliveries/${delivery.id}/package.zip`,
  ];
}

const seen = async (addresses: readonly string[]) =>
  Promise.all(
    addresses.map(async (a) => {
      const answer = await fetch(app.address + a);
      return [a, answer.status, Buffer.from(await answer.arrayBuffer()).toString('base64')];
    }),
  );

describe('a backup', () => {
  it('is written while the application runs, and brings everything back bit for bit', async () => {
    const addresses = await delivered('Backed up');
    const before = await seen(addresses);
    const file = join(folder, 'all.backup');
    expect(await backup(app.databaseUrl, file)).toBe((await readFile(file)).length);

    const id = addresses[0].split('/').pop()!;
    await call('PATCH', `/api/commissions/${id}`, { notes: 'made after it', seen: { notes: 'no wings' } });
    const later = (await call<Commission>('POST', '/api/commissions', { name: 'Later' })).body;
    await expect(restore(app.databaseUrl, file)).rejects.toThrow(/in use/);
    await app.kill();
    // Connections of a server that was killed end a moment later.
    const kept = await until(() => restore(app.databaseUrl, file));
    await app.start();

    expect(await seen(addresses)).toEqual(before);
    expect((await call('GET', `/api/commissions/${later.id}`)).status).toBe(404);
    // What was there before it is kept.
    const client = new pg.Client({ connectionString: app.databaseUrl.replace(/[^/]+$/, kept) });
    await client.connect();
    const { rows } = await client.query<{ notes: string }>('select notes from commission where id = $1', [id]);
    expect(rows).toEqual([{ notes: 'made after it' }]);
    await client.query('select 1 from commission where id = $1', [later.id]);
    await client.end();
    // And it goes on from there.
    expect((await call('POST', '/api/commissions', { name: 'Afterwards' })).status).toBe(201);
  });

  it('that is cut off, is something else or is not there changes nothing', async () => {
    const { id } = (await call<Commission>('POST', '/api/commissions', { name: 'Unchanged' })).body;
    const file = join(folder, 'cut.backup');
    const size = await backup(app.databaseUrl, file);
    for (const share of [0.95, 0.5, 0.01]) {
      await truncate(file, Math.floor(size * share));
      await expect(restore(app.databaseUrl, file)).rejects.toThrow(/nothing was changed/);
    }
    await writeFile(
      join(folder, 'picture.png'),
      await encodePng(drawCandidate({ prompt: 'owl', sizePx: 64 }, 0).picture),
    );
    await expect(restore(app.databaseUrl, join(folder, 'picture.png'))).rejects.toThrow(/no backup of Odd Quill/);
    await expect(restore(app.databaseUrl, folder)).rejects.toThrow(/no backup of Odd Quill/);
    await expect(restore(app.databaseUrl, join(folder, 'nothing'))).rejects.toThrow(/is not there/);
    expect((await call<Commission>('GET', `/api/commissions/${id}`)).body.name).toBe('Unchanged');
  });

  it('is not written over another file, nor left behind in part', async () => {
    const file = join(folder, 'mine.txt');
    await writeFile(file, 'mine');
    await expect(backup(app.databaseUrl, file)).rejects.toThrow(/is there already/);
    expect(await readFile(file, 'utf8')).toBe('mine');
    await expect(backup(app.databaseUrl, '/proc/nowhere/x.backup')).rejects.toThrow(/no folder/);
    await expect(backup(app.databaseUrl, '/proc/x.backup')).rejects.toThrow(/could not be written/);
    await expect(backup(app.databaseUrl.replace(/[^/]+$/, 'unknown_one'), join(folder, 'x'))).rejects.toThrow(
      /could not be written/,
    );
    await expect(readFile(join(folder, 'x.part'))).rejects.toThrow();
  });
});
