import { unzipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { drawCandidate } from '$core/engine';
import { TRACE_DEFAULTS, trace } from '$core/trace';
import { freshDatabase } from '../../../e2e/database';
import { encodePng } from '../../../node/pictures';
import type { ArtworkState } from '../contract/answers';
import { CommissionStart, DeliveryStart, TraceKeep } from '../contract/requests';
import { editArtwork, getArtwork, getStep, keepTrace, moveHead, returnTo } from './artworks';
import { bringIn, getCandidate } from './candidates';
import { startCommission } from './commissions';
import { closeDatabase, sql } from './database';
import { deliveryZip, getDelivery, listDeliveries, remakeDelivery, startDelivery } from './deliveries';
import { enqueue, startJobs, stopJobs } from './jobs';
import { threadOf } from './thread';

const picture = drawCandidate({ prompt: 'bat over a moon, midnight blue and lamp yellow', sizePx: 200 }, 0).picture;
const traced = trace(picture);
let drop: () => Promise<void>;
let commissionId: string;

beforeAll(async () => {
  const database = await freshDatabase();
  drop = database.drop;
  process.env.ODD_QUILL_DATABASE_URL = database.url;
  commissionId = (await startCommission(v.parse(CommissionStart, { name: 'Noctule Night Rail', client: 'Maren Holt' })))
    .id;
  await startJobs();
});
afterAll(async () => {
  await stopJobs();
  await closeDatabase();
  await drop();
});

const newCandidate = async () => (await bringIn(commissionId, await encodePng(picture), 'mark.png')).id;
const keep = (candidateId: string, head: string | null = null) =>
  keepTrace(
    candidateId,
    v.parse(TraceKeep, { options: TRACE_DEFAULTS, groundHex: '#FFFFFF', drawing: traced.artwork, head }),
  );
const recolour = ({ id, head, drawing }: ArtworkState, hex: string) =>
  editArtwork(id, head, { kind: 'ink-colour', inkId: drawing.inks[0].id, hex });

describe('artworks', () => {
  it('begin with a trace, and hold just what was traced', async () => {
    const candidateId = await newCandidate();
    const artwork = await keep(candidateId);
    expect(artwork).toMatchObject({
      version: 1,
      canUndo: false,
      canRedo: false,
      groundHex: '#FFFFFF',
      name: 'Noctule Night Rail mark.png',
    });
    expect(artwork.drawing).toEqual(traced.artwork);
    expect((await getCandidate(candidateId)).artworkId).toBe(artwork.id);
  });

  it('get a new version each time they are traced or edited', async () => {
    const candidateId = await newCandidate();
    const first = await keep(candidateId);
    const second = await keep(candidateId, first.head);
    const third = await recolour(second, '#112233');
    expect([second.id, third.id]).toEqual([first.id, first.id]);
    expect(third.steps.map((s) => [s.number, s.kind])).toEqual([
      [3, 'edit'],
      [2, 'trace'],
      [1, 'trace'],
    ]);
    expect((await getStep(first.id, first.head)).drawing).toEqual(traced.artwork);
  });

  it('undo and redo step by step, and lose nothing to an edit after an undo', async () => {
    const a1 = await keep(await newCandidate());
    const a2 = await recolour(a1, '#AA0000');
    const a3 = await recolour(a2, '#00AA00');
    const back = await moveHead(a1.id, a3.head, 'undo');
    expect([back.version, back.drawing.inks[0].hex, back.canRedo]).toEqual([2, '#AA0000', true]);
    expect((await moveHead(a1.id, back.head, 'redo')).version).toBe(3);
    const again = await moveHead(a1.id, a3.head, 'undo');
    const forked = await recolour(again, '#0000AA');
    expect([forked.version, forked.canRedo]).toEqual([4, false]);
    expect(forked.steps).toHaveLength(4);
    expect((await getStep(a1.id, a3.head)).drawing.inks[0].hex).toBe('#00AA00');
    const returned = await returnTo(a1.id, forked.head, a3.head);
    expect(returned.drawing.inks[0].hex).toBe('#00AA00');
    const first = await moveHead(a1.id, (await moveHead(a1.id, returned.head, 'undo')).head, 'undo');
    expect(first.canUndo).toBe(false);
    await expect(moveHead(a1.id, first.head, 'undo')).rejects.toMatchObject({ code: 'nothing_to_undo' });
    expect((await moveHead(a1.id, first.head, 'redo')).version).toBe(2);
  });

  it('tell the second of two tabs, and keep what the first did', async () => {
    const candidateId = await newCandidate();
    const seen = await keep(candidateId);
    await recolour(seen, '#AA0000');
    await expect(recolour(seen, '#00AA00')).rejects.toMatchObject({ status: 409, code: 'changed_elsewhere' });
    await expect(keep(candidateId, seen.head)).rejects.toMatchObject({ status: 409 });
    await expect(keep(candidateId, null)).rejects.toMatchObject({ status: 409 });
    expect((await getArtwork(seen.id)).drawing.inks[0].hex).toBe('#AA0000');
  });

  it('let one of many edits at once through', async () => {
    const seen = await keep(await newCandidate());
    const results = await Promise.allSettled(
      ['#111111', '#222222', '#333333', '#444444'].map((hex) => recolour(seen, hex)),
    );
    expect(results.filter((r) => r.status === 'fulfilled')).toHaveLength(1);
    expect((await getArtwork(seen.id)).steps).toHaveLength(2);
  });

  it('refuse what does not fit, and stay as they are', async () => {
    const artwork = await keep(await newCandidate());
    await expect(
      editArtwork(artwork.id, artwork.head, { kind: 'remove-piece', pieceId: 'nope' }),
    ).rejects.toMatchObject({ status: 422, code: 'bad_edit' });
    const kept = (drawing: object) =>
      v.parse(TraceKeep, { options: TRACE_DEFAULTS, groundHex: null, drawing, head: null });
    const strange = { ...traced.artwork, pieces: [{ ...traced.artwork.pieces[0], inkId: 'ink-99' }] };
    await expect(keepTrace(await newCandidate(), kept(strange))).rejects.toMatchObject({ code: 'bad_artwork' });
    const empty = { ...traced.artwork, pieces: [] };
    await expect(keepTrace(await newCandidate(), kept(empty))).rejects.toMatchObject({ code: 'nothing_traced' });
    expect((await getArtwork(artwork.id)).version).toBe(1);
    await expect(getArtwork('nonsense')).rejects.toMatchObject({ status: 404 });
  });

  it('keep everything: no step can be changed or lost without the database noticing', async () => {
    const artwork = await keep(await newCandidate());
    await expect(sql('delete from artwork_step where id = $1', [artwork.head])).rejects.toMatchObject({
      code: '23503',
    });
  });
});

async function packed(id: string) {
  for (let i = 0; i < 300; i++) {
    const delivery = await getDelivery(id);
    if (delivery.state === 'done' || delivery.state === 'failed') return delivery;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('waited too long');
}

describe('deliveries', () => {
  const start = async (artwork: ArtworkState, key: string) => {
    const delivery = await startDelivery(
      artwork.id,
      v.parse(DeliveryStart, { requestKey: key, head: artwork.head, note: 'signs' }),
    );
    await enqueue('delivery', delivery.id);
    return delivery;
  };

  it('pack an artwork as it stood, and can be made again to the byte', async () => {
    const artwork = await recolour(await keep(await newCandidate()), '#ABCDEF');
    const { id } = await start(artwork, 'delivery-one');
    const done = await packed(id);
    expect(done).toMatchObject({ state: 'done', version: 2, note: 'signs', stepId: artwork.head });
    const first = await deliveryZip(id);
    const entries = unzipSync(first.zip);
    expect(Object.keys(entries)).toEqual(done.files.map((f) => f.name));
    expect(new TextDecoder().decode(entries['noctule-night-rail.svg'])).toContain('#ABCDEF');
    await recolour(artwork, '#000000');
    await remakeDelivery(id);
    await enqueue('delivery', id);
    const again = await packed(id);
    expect(again.sha256).toBe(done.sha256);
    expect(first.zip.equals((await deliveryZip(id)).zip)).toBe(true);
  });

  it('are one when asked for twice, and refused when the artwork moved on', async () => {
    const artwork = await keep(await newCandidate());
    const [p, q] = [await start(artwork, 'delivery-two'), await start(artwork, 'delivery-two')];
    expect(p.id).toBe(q.id);
    await recolour(artwork, '#010101');
    await expect(start(artwork, 'delivery-three')).rejects.toMatchObject({ status: 409 });
    await packed(p.id);
    expect((await threadOf(commissionId)).branches.find((b) => b.artwork?.id === artwork.id)?.deliveries).toBe(1);
  });

  it('are taken up when their server was killed', async () => {
    const artwork = await keep(await newCandidate());
    const { id } = await startDelivery(
      artwork.id,
      v.parse(DeliveryStart, { requestKey: 'delivery-four', head: artwork.head }),
    );
    await sql(`update delivery set state = 'packing', heartbeat_at = now() - interval '10 minutes' where id = $1`, [
      id,
    ]);
    expect((await packed(id)).state).toBe('done');
  });

  it('are not handed out before they are made', async () => {
    const artwork = await keep(await newCandidate());
    const { id } = await startDelivery(
      artwork.id,
      v.parse(DeliveryStart, { requestKey: 'delivery-five', head: artwork.head }),
    );
    await expect(deliveryZip(id)).rejects.toMatchObject({ status: 409, code: 'not_packed' });
    await packed(id);
    expect((await listDeliveries(commissionId))[0].id).toBe(id);
  });
});
