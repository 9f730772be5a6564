/** Lockups and faces against a real database. */
import { onFreshDatabase } from './testing';
import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { unzipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { openFontFile } from '$core/lettering';
import { nameOfLockup, textsOf, type Lockup, type LockupEdit } from '$core/lockup';
import { fontSaying } from '../../../node/testing';
import type { WorkState } from '../contract/answers';
import { CommissionStart, DeliveryStart, FavouriteFace, LockupStart, Respell, SpecimensAsked, WorkActs } from '../contract/requests'; // prettier-ignore
import { bringInSvg } from './artworks';
import { startCommission } from './commissions';
import { stopComputing } from './computing';
import { deliveryZip, getDelivery, listDeliveries, startDelivery } from './deliveries';
import { bringInFace, broughtFaces, faceFile, facesLikeWork, faceToldOf, favouriteFaces, markFavourite, specimensOf } from './faces'; // prettier-ignore
import { enqueue, startJobs, stopJobs } from './jobs';
import { commissionLockup, drawnOfCommission, drawnWork, respellLockups, startLockup } from './lockups';
import { threadOf } from './thread';
import { actOn, getWork } from './works';

onFreshDatabase();

const MARK = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><circle cx="50" cy="50" r="40" fill="#F2C14E"/><rect x="20" y="45" width="60" height="10" fill="#182A5C"/></svg>'; // prettier-ignore
const caller = new AbortController().signal;
const require = createRequire(import.meta.url);
const fontOf = (id: string): Buffer => {
  const files = join(dirname(require.resolve(`@fontsource/${id}/package.json`)), 'files');
  return readFileSync(
    join(
      files,
      readdirSync(files).find((f) => /latin-400-normal\.woff2$/.test(f))!,
    ),
  );
};
let commissionId: string;
let artwork: WorkState;

beforeAll(async () => {
  commissionId = (await startCommission(v.parse(CommissionStart, { name: 'Noctule Night Rail' }))).id;
  artwork = (await bringInSvg(commissionId, Buffer.from(MARK), 'mark.svg', caller)).artwork;
  await startJobs();
});
afterAll(async () => {
  await stopJobs();
  await stopComputing();
});

const start = (more: object = {}) =>
  startLockup(commissionId, v.parse(LockupStart, { artworkId: artwork.id, face: 'Jost', ...more }), caller);
const act = async (work: { id: string; head: string }, ...edits: LockupEdit[]): Promise<WorkState<Lockup>> => {
  await actOn(work.id, v.parse(WorkActs, { head: work.head, acts: [{ kind: 'edit', key: randomUUID(), edits }] }));
  return (await getWork(work.id)) as unknown as WorkState<Lockup>;
};
const undo = async (work: { id: string; head: string }): Promise<WorkState<Lockup>> => {
  await actOn(work.id, v.parse(WorkActs, { head: work.head, acts: [{ kind: 'undo', key: randomUUID() }] }));
  return (await getWork(work.id)) as unknown as WorkState<Lockup>;
};

describe('lockups', () => {
  it('begin with an artwork and the commission’s name, in a layout, and hang under it on the thread', async () => {
    const lockup = await start({ line: 'Sleeper trains', layout: 'emblem' });
    expect(lockup).toMatchObject({ kind: 'lockup', version: 1, canUndo: false, name: 'lockup, emblem' });
    expect(nameOfLockup(lockup.drawing)).toBe('Noctule Night Rail');
    const [mark] = lockup.drawing.parts.filter((p) => p.kind === 'mark');
    expect(mark).toMatchObject({ workId: artwork.id, stepId: artwork.head });
    const thread = await threadOf(commissionId);
    const [own] = thread.branches.flatMap((b) => b.works).filter((w) => w.id === artwork.id);
    expect(own.works.map((w) => [w.kind, w.name])).toContainEqual(['lockup', 'lockup, emblem']);
    expect((await start({ layout: 'emblem' })).name).toBe('lockup, emblem (2)');
  });

  it('cannot begin with what is not there, or has no letters for it', async () => {
    await expect(start({ artworkId: randomUUID() })).rejects.toMatchObject({ status: 404 });
    await expect(start({ face: 'Nobody' })).rejects.toMatchObject({ status: 422, code: 'cannot_be_set' });
    await expect(start({ name: '夜行' })).rejects.toMatchObject({ status: 422 });
    await expect(start({ layout: 'nonsense' })).rejects.toMatchObject({ status: 422 });
    await expect(start({ colourwayId: 'none' })).rejects.toMatchObject({ status: 404 });
  });

  it('are changed, undone and done again like all works; what does not fit is refused and nothing is lost', async () => {
    const first = await start({ layout: 'above' });
    const second = await act(first, { kind: 'change-part', id: 't1', set: { text: 'Noctule', tracking: 0.1 } });
    expect(second.version).toBe(2);
    expect(second.steps[0].told).toBe('“Noctule” typed');
    await expect(act(second, { kind: 'change-part', id: 't1', set: { sizePx: 0 } })).rejects.toMatchObject({
      status: 422,
    });
    const back = await undo(second);
    expect(back.drawing).toEqual(first.drawing);
    // Another tab, which saw an older head.
    await expect(act(second, { kind: 'clear-space', clear: 2 })).rejects.toMatchObject({ status: 409 });
    await expect(actOn(first.id, v.parse(WorkActs, { head: back.head, acts: [{ kind: 'edit', key: randomUUID(), edits: [{ kind: 'ink-name', inkId: 'x', name: 'y' }] }] }))).rejects.toMatchObject({ status: 422, code: 'bad_edit' }); // prettier-ignore
  });

  it('are drawn as artworks, in the inks of their mark, and the same for the same step', async () => {
    const lockup = await start({ layout: 'beside' });
    const drawn = await drawnWork(lockup.id);
    expect(drawn.drawing.nodes.map((n) => n.name)).toEqual(['Mark', 'Name']);
    expect(drawn.drawing.inks).toEqual(artwork.drawing.inks);
    const later = await act(lockup, { kind: 'change-part', id: 't1', set: { text: 'Rail' } });
    expect((await drawnWork(later.id)).drawing.widthPx).toBeLessThan(drawn.drawing.widthPx);
    expect((await drawnWork(later.id, lockup.head)).drawing).toEqual(drawn.drawing);
    await expect(drawnWork(later.id, randomUUID())).rejects.toMatchObject({ status: 404 });
  });

  it('keep the step of the mark that they show, and know of a newer one', async () => {
    const lockup = await start({ layout: 'beside' });
    const own = (await bringInSvg(commissionId, Buffer.from(MARK), 'other.svg', caller)).artwork;
    const of = await start({ artworkId: own.id, layout: 'beside' });
    await actOn(own.id, v.parse(WorkActs, { head: own.head, acts: [{ kind: 'edit', key: randomUUID(), edits: [{ kind: 'ink-colour', inkId: own.drawing.inks[0].id, hex: '#00FF00' }] }] })); // prettier-ignore
    const seen = await commissionLockup(commissionId, of.id);
    expect(seen.marks[0].head).not.toBe(own.head);
    expect(seen.versions[own.head]).toBe(1);
    expect(seen.artworks[own.head].inks[0].hex).toBe('#F2C14E');
    expect((await commissionLockup(commissionId, lockup.id)).marks[0].head).toBe(artwork.head);
    await expect(commissionLockup(randomUUID(), of.id)).rejects.toMatchObject({ status: 404 });
  });

  it('have colourways of their own, and are delivered in one', async () => {
    const lockup = await start({ layout: 'name-line', line: 'Sleeper trains' });
    const colourway = { id: 'night', name: 'Night', inks: lockup.drawing.inks.map((i) => ({ inkId: i.id, hex: '#FFFFFF' })) }; // prettier-ignore
    const coloured = await act(lockup, { kind: 'palette', edit: { kind: 'add-colourway', colourway } });
    const delivery = await startDelivery(coloured.id, v.parse(DeliveryStart, { requestKey: randomUUID(), head: coloured.head, colourwayId: 'night' })); // prettier-ignore
    await enqueue('delivery', delivery.id);
    while (!['done', 'failed'].includes((await getDelivery(delivery.id)).state)) await new Promise((done) => setTimeout(done, 50)); // prettier-ignore
    expect((await getDelivery(delivery.id)).state).toBe('done');
    const chunks: Uint8Array[] = [];
    for await (const chunk of (await deliveryZip(delivery.id)).zip) chunks.push(chunk);
    const files = unzipSync(Buffer.concat(chunks));
    const svg = Object.entries(files).find(([name]) => name.endsWith('.svg'))!;
    const text = new TextDecoder().decode(svg[1]);
    expect(text).not.toContain('<text');
    expect(text.toLowerCase()).toMatch(/#fff\b|#ffffff/);
    expect((await drawnOfCommission(commissionId, coloured.id)).id).toBe(coloured.id);
    expect((await listDeliveries(commissionId)).map((d) => [d.id, d.workId])).toEqual([[delivery.id, coloured.id]]);
  });

  it('are spelt alike at one press, each as a step that can be undone', async () => {
    const other = (await startCommission(v.parse(CommissionStart, { name: 'Juniper Row' }))).id;
    const mark = (await bringInSvg(other, Buffer.from(MARK), 'mark.svg', caller)).artwork;
    const of = (layout: string) => startLockup(other, v.parse(LockupStart, { artworkId: mark.id, face: 'Jost', layout }), caller); // prettier-ignore
    const [wide, stacked, emblem] = [await of('beside'), await of('stacked'), await of('emblem')];
    await act(wide, { kind: 'change-part', id: 't1', set: { text: 'Juniper Lane' } });
    const seen = await commissionLockup(other, wide.id);
    expect(seen.others.map((o) => o.spelling)).toEqual(['Juniper Row', 'Juniper Row']);
    const ids = seen.others.map((o) => o.id);
    expect(ids).toEqual([stacked.id, emblem.id]);
    expect(await respellLockups(other, v.parse(Respell, { name: 'Juniper Lane', ids }))).toEqual({ changed: 2 });
    const now = (await getWork(stacked.id)) as unknown as WorkState<Lockup>;
    expect(textsOf(now.drawing)[0].text).toBe('Juniper\nLane');
    expect(nameOfLockup((await undo(now)).drawing)).toBe('Juniper Row');
    expect((await commissionLockup(other, wide.id)).others.map((o) => o.id)).toEqual([stacked.id]);
    await expect(respellLockups(commissionId, { name: 'x', ids })).rejects.toMatchObject({ status: 404 });
  });
});

describe('faces of a commission', () => {
  it('are brought in with what their file says, and set lockups', async () => {
    const file0 = fontSaying(await openFontFile(fontOf('rye')), { 0: 'Drawn by nobody', 1: 'Ironwood', 2: 'Black', 13: 'For use on signs of this house.\nAnd no others.', 14: 'https://example.org/licence' }, 4); // prettier-ignore
    const face = await bringInFace(commissionId, file0, caller);
    expect(face).toMatchObject({ name: 'Ironwood', style: 'Black', weight: 900, embedding: 'view', licenceUrl: 'https://example.org/licence' }); // prettier-ignore
    expect(face.licence).toBe('For use on signs of this house.\nAnd no others.');
    expect(face.scripts).toContain('latin');
    expect(await broughtFaces(commissionId)).toEqual([face]);
    // Brought in again it is the same one.
    expect((await bringInFace(commissionId, file0, caller)).id).toBe(face.id);
    expect(await broughtFaces(commissionId)).toHaveLength(1);
    expect((await faceToldOf(face.id)).licenceText).toBe(face.licence);
    const file = await faceFile(face.id, 'all', 400, false, caller);
    expect([0x00010000, 0x4f54544f]).toContain(new DataView(file.buffer, file.byteOffset).getUint32(0));
    const lockup = await start({ layout: 'name' });
    const before = (await drawnWork(lockup.id)).drawing.widthPx;
    const own = await act(lockup, { kind: 'change-part', id: 't1', set: { face: { family: face.id, weight: 900 } } });
    expect((await drawnWork(own.id)).drawing.widthPx).not.toBeCloseTo(before, 0);
    const [specimen] = await specimensOf(v.parse(SpecimensAsked, { text: 'Rail', faces: [{ family: face.id, weight: 400 }] }), caller); // prettier-ignore
    expect(specimen.d).toMatch(/^M/);
  });

  it('that are broken, cut off or no fonts are refused with a reason', async () => {
    const whole = fontOf('rye');
    for (const file of [Buffer.from('GIF89a, and no font'), whole.subarray(0, whole.length / 2), Buffer.alloc(0)])
      await expect(bringInFace(commissionId, file, caller)).rejects.toMatchObject({ status: 422, code: 'broken_face' });
    expect(await broughtFaces(commissionId)).toHaveLength(1);
  });

  it('that ship are told with their files and licence; a name with dots and slashes is none', async () => {
    const jost = await faceToldOf('jost');
    expect(jost.licenceText).toMatch(/Open Font License/i);
    expect(jost.files.parts.map((p) => p.name)).toContain('latin');
    expect((await faceFile('jost', 'latin', 500, false, caller)).length).toBeGreaterThan(10_000);
    for (const [id, part] of [['jost', '../../package'], ['../jost', 'latin'], ['own-zz', 'all'], ['jost', 'klingon']])
      await expect(faceFile(id, part, 400, false, caller)).rejects.toMatchObject({ status: 404 }); // prettier-ignore
    await expect(faceToldOf('nobody')).rejects.toMatchObject({ status: 404 });
  });

  it('are favourites until they are not', async () => {
    const mark = (family: string, kept: boolean) =>
      markFavourite(commissionId, v.parse(FavouriteFace, { family, kept }));
    expect(await mark('jost', true)).toEqual(['jost']);
    expect(await mark('jost', true)).toEqual(['jost']);
    expect(await mark('rubik', true)).toEqual(['jost', 'rubik']);
    expect(await mark('jost', false)).toEqual(['rubik']);
    expect(await favouriteFaces(commissionId)).toEqual(['rubik']);
  });

  it('show a text, and say which characters they have not', async () => {
    const faces = [{ family: 'jost', weight: 500 }, { family: 'noto-sans-jp', weight: 400 }, { family: 'gone', weight: 400 }]; // prettier-ignore
    const shown = await specimensOf(v.parse(SpecimensAsked, { text: '夜 Rail', faces }), caller);
    expect(shown.map((s) => [s.family, s.d === null, s.missing])).toEqual([['jost', true, ['夜']], ['noto-sans-jp', false, []]]); // prettier-ignore
    expect(v.safeParse(SpecimensAsked, { text: ' ', faces }).success).toBe(false);
  });

  it('come likest to the mark first', async () => {
    const like = await facesLikeWork(artwork.id, caller);
    expect(like.length).toBeGreaterThanOrEqual(60);
    expect(like[0].because.length).toBeGreaterThan(0);
  });
});
