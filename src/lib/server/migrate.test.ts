import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { artworkToSvg } from '$core/export';
import { bareDatabase } from '../../../e2e/database';
import { ROOT } from '../../../scripts/setup.mjs';
import { listCandidates, wall } from './candidates';
import { listCommissions } from './commissions';
import { closeDatabase, sql } from './database';
import { fileStem } from '$core/package';
import { cancelDelivery, deliveryZip, listDeliveries, remakeDelivery, takeDelivery } from './deliveries';
import { handBack } from './leases';
import { migrate } from './migrate';
import { threadOf } from './thread';
import { actOn, getStep, getWork } from './works';

/** A database as it was before there were works, with artworks, branches, a delivery and changes that were taken back. */
const DUMP = join(ROOT, 'e2e/fixtures/before-works.sql.gz');

interface OldStep {
  readonly id: string;
  readonly artwork_id: string;
  readonly number: number;
  readonly parent: string | null;
  readonly told: string;
  readonly ground_hex: string | null;
  readonly drawing: {
    readonly pieces: readonly { id: string; inkId: string; contours: unknown }[];
    readonly inks: unknown;
  };
}

let drop: () => Promise<void>;
let before: {
  steps: OldStep[];
  heads: Map<string, string>;
  pictures: string;
  zip: Buffer;
  counts: object;
  applied: string[];
};

const COUNTS = `select (select count(*) from commission) as commissions, (select count(*) from round) as rounds, (select count(*) from candidate) as candidates,
  (select count(*) from picture) as pictures, (select count(*) from change) as changes, (select count(*) from delivery) as deliveries`;
const PICTURES = `select md5(string_agg(id || md5(png), ',' order by id)) as all from picture`;

beforeAll(async () => {
  const database = await bareDatabase();
  drop = database.drop;
  process.env.ODD_QUILL_DATABASE_URL = database.url;
  const client = new pg.Client({ connectionString: database.url });
  await client.connect();
  await client.query(gunzipSync(await readFile(DUMP)).toString('utf8'));
  await client.query(`set search_path to public`);
  const rows = async <T>(text: string) => (await client.query(text)).rows as T[];
  const steps = await rows<OldStep>('select * from artwork_step order by artwork_id, number');
  const heads = new Map(
    (await rows<{ id: string; head: string }>('select id, head from artwork')).map((a) => [a.id, a.head]),
  );
  const [{ all: pictures }] = await rows<{ all: string }>(PICTURES);
  const [{ zip }] = await rows<{ zip: Buffer }>('select zip from delivery where zip is not null');
  const [counts] = await rows<object>(COUNTS);
  await client.end();
  const applied = await migrate(database.url, join(ROOT, 'db/migrations'));
  before = { steps, heads, pictures, zip, counts, applied };
});
afterAll(async () => {
  await closeDatabase();
  await drop();
});

describe('a database of before there were works', () => {
  it('is brought up to date with what is new alone', () => {
    expect(before.applied[0]).toBe('003_works.sql');
    expect(before.steps.length).toBeGreaterThan(5);
  });

  it('loses no row and no pixel', async () => {
    const [counts] = await sql<object>(COUNTS);
    expect(counts).toEqual(Object.fromEntries(Object.entries(before.counts).map(([k, n]) => [k, Number(n)])));
    expect((await sql<{ all: string }>(PICTURES))[0].all).toBe(before.pictures);
  });

  it('has every state of every artwork, on its branch, told as it was', async () => {
    for (const old of before.steps) {
      const { drawing, number } = await getStep(old.artwork_id, old.id);
      expect(number).toBe(old.number);
      expect(drawing.inks).toEqual(old.drawing.inks);
      expect(drawing.nodes).toEqual(old.drawing.pieces.map((p) => ({ kind: 'piece', ...p })));
      expect(artworkToSvg(drawing)).toContain('<svg');
    }
    for (const [id, head] of before.heads) {
      const work = await getWork(id, 'artwork');
      const own = before.steps.filter((s) => s.artwork_id === id);
      expect(work.head).toBe(head);
      expect(work.steps.map((s) => [s.id, s.parent, s.told])).toEqual(
        own.map((s) => [s.id, s.parent, s.told]).reverse(),
      );
      expect(work.groundHex).toBe(own[0].ground_hex);
      expect(work.candidateId).not.toBeNull();
    }
  });

  it('goes on: undo and redo along the old steps, and edits on top of them', async () => {
    const [id] = [...before.heads].find(([a]) => before.steps.filter((s) => s.artwork_id === a).length > 3)!;
    const work = await getWork(id);
    await actOn(id, { head: work.head, acts: [{ kind: 'undo', key: 'after-migrating-1' }] });
    const back = await getWork(id);
    expect(back.drawing.inks).toEqual(before.steps.find((s) => s.id === back.head)!.drawing.inks);
    await actOn(id, {
      head: back.head,
      acts: [
        { kind: 'redo', key: 'after-migrating-2' },
        {
          kind: 'edit',
          key: 'after-migrating-3',
          edits: [{ kind: 'ink-name', inkId: work.drawing.inks[0].id, name: 'new' }],
        },
      ],
    });
    expect((await getWork(id)).drawing.inks[0].name).toBe('new');
  });

  it('has its package byte for byte, its wall, its thread, and what candidates can become', async () => {
    const cards = await listCommissions();
    expect(cards.some((c) => c.artworks > 0 && c.pictures[0].href.startsWith('/api/works/'))).toBe(true);
    let packages = 0;
    for (const { id } of cards) {
      for (const delivery of await listDeliveries(id)) {
        expect(delivery).toMatchObject({ state: 'done', packages: [{ sha256: delivery.sha256 }] });
        expect(delivery.fileCount).toBeGreaterThan(3);
        expect(delivery).toMatchObject({ asked: null, changes: null, bytes: before.zip.length });
        const chunks: Uint8Array[] = [];
        for await (const chunk of (await deliveryZip(delivery.id)).zip) chunks.push(chunk);
        expect(Buffer.concat(chunks).equals(before.zip)).toBe(true);
        // Made again it has the sets of today, in names that begin as the client knows them; what was delivered stays.
        await remakeDelivery(delivery.id);
        const { lease, order } = (await takeDelivery(delivery.id))!;
        expect((await order()).rows.map((r) => [r.stem, r.for])).toEqual([
          [delivery.about.stem ?? fileStem(delivery.about.commission), ['print', 'web', 'developers']],
        ]);
        expect(await handBack(lease)).toBe(true);
        expect(await cancelDelivery(delivery.id)).toMatchObject({ state: 'done', sha256: delivery.sha256 });
        packages++;
      }
      const candidates = await listCandidates(id);
      for (const k of candidates.filter((c) => c.roundId)) expect([k.grows, k.enlarges]).toEqual([true, true]);
      expect((await wall(id)).rounds.every((r) => r.candidates.length >= 0)).toBe(true);
      const thread = await threadOf(id);
      for (const branch of thread.branches.filter((b) => b.works.length))
        expect(branch.candidate!.artworkId).toBe(branch.works[0].id);
    }
    expect(packages).toBe(1);
  });
});
