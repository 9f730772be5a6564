/** The private cluster, when what it stands on goes away. */
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { passingFolder, startPostgres, type Cluster } from '../../../scripts/postgres.mjs';

const folder = passingFolder('cluster');
let cluster: Cluster;

const answers = async (of: Cluster) => {
  const client = new pg.Client({ connectionString: `${of.url}/postgres` });
  client.on('error', () => {});
  await client.connect();
  try {
    return (await client.query<{ one: number }>('select 1 as one')).rows[0].one;
  } finally {
    await client.end();
  }
};
const pidOf = async () => Number((await readFile(join(folder, 'postmaster.pid'), 'utf8')).split('\n')[0]);

beforeAll(async () => {
  await mkdir(dirname(folder), { recursive: true });
  cluster = await startPostgres(folder, { sync: false });
});
afterAll(async () => {
  await cluster.stop();
  await rm(dirname(folder), { recursive: true, force: true });
});

describe('the private cluster', () => {
  it('says when it was killed, and comes back on the same port', async () => {
    const ended = new Promise<void>((resolve) => cluster.watch(resolve));
    process.kill(await pidOf(), 'SIGKILL');
    await ended;
    await expect(answers(cluster)).rejects.toThrow();
    await cluster.again?.();
    expect(await answers(cluster)).toBe(1);
  });

  it('finds the server that runs on its folder already', async () => {
    const second = await startPostgres(folder, { sync: false });
    expect(second.url).toBe(cluster.url);
    expect(second.again).toBeNull();
    expect(await answers(second)).toBe(1);
  });

  it('is not kept from starting, nor misled, by a lock file that names a process of somebody else', async () => {
    await cluster.stop();
    await writeFile(join(folder, 'postmaster.pid'), `${process.pid}\n${folder}\n1\n5432\n\n127.0.0.1\n`);
    cluster = await startPostgres(folder, { sync: false });
    expect(await answers(cluster)).toBe(1);
    expect(await pidOf()).not.toBe(process.pid);
  });
});
