/**
 * What the history of works costs: `npx tsx bench/works.ts`. On a database of its own: the bytes that 1,000 small edits of an artwork of 300 KB take, and how
 * long any state of a work of 5,000 pieces and 500 steps takes to be found, by a server that remembers none.
 */
import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { dirname } from 'node:path';
import type { Artwork, Edit, Piece } from '../core/vector';
import { passingFolder, startPostgres } from '../scripts/postgres.mjs';
import { ROOT } from '../scripts/setup.mjs';
import { randomFrom } from '../core/random';
import { quantile } from './quantile';

const postgres = await startPostgres(passingFolder('bench'), { sync: false });
process.env.ODD_QUILL_TEST_SERVER = postgres.url;
const { freshDatabase } = await import('../e2e/database');
const { url } = await freshDatabase(postgres.url);
process.env.ODD_QUILL_DATABASE_URL = url;
process.env.ODD_QUILL_ROOT = ROOT;
const { closeDatabase, sql, transaction } = await import('../src/lib/server/database');
const { addStep, forgetStates, stateAt } = await import('../src/lib/server/work-history');
const { actOn } = await import('../src/lib/server/works');

const random = randomFrom(7);
const coordinate = () => Number((random() * 1024).toFixed(2));

/** An artwork of so many pieces with so many curves each. */
function artworkOf(pieces: number, curves: number): Artwork {
  const point = () => [coordinate(), coordinate()] as const;
  const piece = (k: number): Piece => {
    const start = point();
    return {
      kind: 'piece',
      id: `piece-${k + 1}`,
      inkId: `ink-${(k % 6) + 1}`,
      contours: [
        {
          start,
          segments: Array.from({ length: curves }, (_, i) => ({
            kind: 'curve' as const,
            c1: point(),
            c2: point(),
            to: i + 1 === curves ? start : point(),
          })),
        },
      ],
    };
  };
  return {
    widthPx: 1024,
    heightPx: 1024,
    inks: Array.from({ length: 6 }, (_, k) => ({ id: `ink-${k + 1}`, hex: '#20346E', name: `ink ${k + 1}` })),
    nodes: Array.from({ length: pieces }, (_, k) => piece(k)),
    guides: [],
  };
}

/** A small edit, as one after the other is made: colours, points, moves, the stack, names. */
function smallEdit(k: number, pieces: number): Edit {
  const nodeId = `piece-${1 + Math.floor(random() * pieces)}`;
  const hex = `#${Math.floor(random() * 0xffffff)
    .toString(16)
    .padStart(6, '0')}`;
  const edits: readonly Edit[] = [
    { kind: 'ink-colour', inkId: `ink-${(k % 6) + 1}`, hex },
    { kind: 'move-point', nodeId, point: 0, to: [coordinate(), coordinate()] },
    { kind: 'node-transform', nodeIds: [nodeId], by: [1, 0, 0, 1, 1, 2] },
    { kind: 'move-nodes', nodeIds: [nodeId], intoId: null, at: Math.floor(random() * (pieces - 1)) },
    { kind: 'piece-ink', nodeIds: [nodeId], inkId: `ink-${1 + Math.floor(random() * 6)}` },
  ];
  return edits[k % edits.length];
}

const [{ id: commission }] = await sql<{ id: string }>(`insert into commission (name) values ('bench') returning id`);

async function workOf(artwork: Artwork): Promise<{ id: string; head: string }> {
  const [{ id }] = await sql<{ id: string }>(
    `insert into work (commission_id, kind, name) values ($1, 'artwork', 'bench') returning id`,
    [commission],
  );
  const { id: head } = await transaction((tx) =>
    addStep(tx, id, null, { asked: { kind: 'blank' }, told: 'begun', state: artwork, isOrigin: true }),
  );
  return { id, head };
}

async function edited(work: { id: string; head: string }, steps: number, pieces: number): Promise<number[]> {
  const times: number[] = [];
  let { head } = work;
  for (let k = 0; k < steps; k++) {
    const at = performance.now();
    ({ head } = await actOn(work.id, {
      head,
      acts: [{ kind: 'edit', key: randomUUID(), edits: [smallEdit(k, pieces)] as [Edit] }],
    }));
    times.push(performance.now() - at);
  }
  return times.sort((p, q) => p - q);
}

const sizeOf = async () => {
  await sql('vacuum full work_step');
  const [{ bytes }] = await sql<{ bytes: number }>(
    `select (pg_total_relation_size('work_step') + pg_total_relation_size('work_act') + pg_total_relation_size('work_source'))::bigint as bytes`,
  );
  return bytes;
};

const small = artworkOf(330, 10);
const first = await workOf(small);
const before = await sizeOf();
const times = await edited(first, 1000, 330);
const after = await sizeOf();
console.log(
  `1000 small edits of an artwork of ${Math.round(JSON.stringify(small).length / 1000)} KB: ${((after - before) / 1e6).toFixed(2)} MB in the database, ` +
    `${times[500].toFixed(1)} ms each on the median, ${times[950].toFixed(1)} ms at the 95th percentile`,
);

const large = artworkOf(5000, 3);
const second = await workOf(large);
await edited(second, 500, 5000);
const ids = (await sql<{ id: string }>('select id from work_step where work_id = $1 order by number', [second.id])).map(
  (r) => r.id,
);
const found: number[] = [];
for (const id of ids) {
  forgetStates();
  const at = performance.now();
  await stateAt(id);
  found.push(performance.now() - at);
}
forgetStates();
const wandering: number[] = [];
for (let k = 0; k < 500; k++) {
  const at = performance.now();
  await stateAt(ids[Math.floor(random() * ids.length)]);
  wandering.push(performance.now() - at);
}
const sorted = found.slice(1).sort((p, q) => p - q);
console.log(
  `a state of ${Math.round(JSON.stringify(large).length / 1000)} KB, 5000 pieces, among 500 steps: found in ${sorted[250].toFixed(1)} ms on the median, ` +
    `${sorted[475].toFixed(1)} ms at the 95th percentile, ${sorted[sorted.length - 1].toFixed(1)} ms at most by a server that remembers none; ` +
    `looked at one after the other, in no order, ${quantile(wandering, 0.5).toFixed(1)} ms, ${quantile(wandering, 0.95).toFixed(1)} ms and ${Math.max(...wandering).toFixed(1)} ms`,
);
await closeDatabase();
await postgres.stop();
await rm(dirname(postgres.folder), { recursive: true, force: true });
process.exit(0);
