import { onFreshDatabase } from './testing';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { hexToRgb } from '$core/colour';
import { circle, flatten } from '$core/path';
import { blankPicture, cover, layColour } from '$core/raster';
import type { ListEdit, RetouchStep } from '$core/retouch';
import { trace, TRACE_DEFAULTS } from '$core/trace';
import { decodePicture, encodePng } from '../../../node/pictures';
import type { RetouchedState } from '../contract/answers';
import { CommissionStart, TraceKeep, WorkActs } from '../contract/requests';
import { artworkOf, copyWork, keepTrace } from './artworks';
import { bringIn, getCandidate } from './candidates';
import { startCommission } from './commissions';
import { stopComputing } from './computing';
import { sql } from './database';
import { picturePng } from './pictures';
import {
  cutOutFile,
  getRetouched,
  mendFile,
  pickColour,
  pickedColours,
  retouchedPicture,
  retouchFile,
  startRetouching,
} from './retouching';
import { threadOf } from './thread';
import { actOn } from './works';

onFreshDatabase();

const picture = blankPicture(160, 160, [255, 255, 255]);
layColour(picture, cover([flatten(circle(80, 80, 50), 0.02)], 160, 160)!, hexToRgb('#182A5C'));
layColour(picture, cover([flatten(circle(80, 80, 12), 0.02)], 160, 160)!, hexToRgb('#F2C14E'));
const nobody = new AbortController().signal;

let commissionId: string;

beforeAll(async () => {
  commissionId = (await startCommission(v.parse(CommissionStart, { name: 'Juniper Row' }))).id;
});
afterAll(async () => {
  await stopComputing();
});

const newCandidate = async () => (await bringIn(commissionId, await encodePng(picture), 'mark.png')).id;
const begun = async (...steps: RetouchStep[]) => startRetouching(await newCandidate(), { steps });
async function act({ id, head }: { id: string; head: string }, ...edits: ListEdit[]): Promise<RetouchedState> {
  await actOn(id, v.parse(WorkActs, { head, acts: [{ kind: 'edit', key: randomUUID(), edits }] }));
  return getRetouched(id);
}
const spotGone: RetouchStep = { kind: 'take-out', at: [[80, 80]], part: 'colour', how: null, what: '' };
const add = (id: string, step: RetouchStep): ListEdit => ({ kind: 'add-step', id, step });
const made = async (id: string, step: string | null = null) => {
  const told = await retouchedPicture(id, step, nobody);
  return { ...told, rgba: (await decodePicture(await picturePng(told.pictureId))).rgba };
};
const middle = (rgba: Uint8ClampedArray) => [...rgba.subarray(4 * (80 * 160 + 80), 4 * (80 * 160 + 80) + 3)];

describe('a retouched picture', () => {
  it('is begun from a candidate, which stays as it was, and more than one can be', async () => {
    const candidateId = await newCandidate();
    const before = await getCandidate(candidateId);
    const [one, two] = [
      await startRetouching(candidateId, { steps: [] }),
      await startRetouching(candidateId, { steps: [spotGone] }),
    ];
    expect(one).toMatchObject({ kind: 'retouched', version: 1, drawing: { pictureId: before.pictureId, entries: [] } });
    expect(one.name).not.toBe(two.name);
    expect(await getCandidate(candidateId)).toEqual(before);
    expect((await made(one.id)).pictureId).toBe(before.pictureId);
    expect(middle((await made(two.id)).rgba)).toEqual([24, 42, 92]);
  });

  it('has its list edited with a history, each version of which has its picture', async () => {
    const work = await begun();
    const second = await act(work, add('a', spotGone));
    const third = await act(second, { kind: 'hide-step', id: 'a', hidden: true });
    expect(third.steps.map((s) => s.told)).toEqual(['taken out: a part, hidden', 'taken out: a part', 'begun']);
    expect(middle((await made(work.id, second.head)).rgba)).toEqual([24, 42, 92]);
    expect(middle((await made(work.id)).rgba)).toEqual([242, 193, 78]);
    // Made once: the second time the picture that is kept.
    const [{ n }] = await sql<{ n: number }>('select count(*)::int as n from work_step_picture where step_id = $1', [
      second.head,
    ]);
    expect(n).toBe(1);
    await sql('update work_step_picture set picture_id = $2 where step_id = $1', [second.head, work.drawing.pictureId]);
    expect((await retouchedPicture(work.id, second.head, nobody)).pictureId).toBe(work.drawing.pictureId);
  });

  it('tells which of its steps do not fit, and is made without them', async () => {
    const work = await act(
      await begun(),
      add('out', {
        kind: 'mend',
        areas: [{ by: 'box', box: [900, 900, 5, 5] }],
        growPx: 0,
        how: null,
        seed: 1,
        what: '',
      }),
      add('in', spotGone),
    );
    const { faults, rgba } = await made(work.id);
    expect(faults).toEqual([{ id: 'out', message: 'The area lies outside the picture' }]);
    expect(middle(rgba)).toEqual([24, 42, 92]);
  });

  it('takes no edits of an artwork, nor one that its list has no place for, and a second tab hears of the first', async () => {
    const work = await begun();
    const ink = { kind: 'ink-colour', inkId: 'x', hex: '#123456' } as never;
    await expect(act(work, ink)).rejects.toMatchObject({ status: 422, code: 'bad_edit' });
    await expect(act(work, { kind: 'remove-step', id: 'none' })).rejects.toMatchObject({ code: 'bad_edit' });
    await act(work, add('a', spotGone));
    await expect(act(work, add('b', spotGone))).rejects.toMatchObject({ status: 409, code: 'changed_elsewhere' });
    expect((await getRetouched(work.id)).drawing.entries.map((e) => e.id)).toEqual(['a']);
  });

  it('is traced like a candidate, hangs between it and the artwork on the thread, and is copied', async () => {
    const work = await begun(spotGone);
    const source = await decodePicture(await picturePng((await made(work.id)).pictureId));
    const traced = trace(source);
    const kept = (more: object) =>
      keepTrace(
        { workId: work.id },
        v.parse(TraceKeep, {
          options: TRACE_DEFAULTS,
          groundHex: '#FFFFFF',
          drawing: traced.artwork,
          head: null,
          ...more,
        }),
      );
    const artwork = await kept({ stepId: work.head });
    expect(artwork.drawing.inks.map((i) => i.hex)).not.toContain('#F2C14E');
    await expect(kept({})).rejects.toMatchObject({ status: 409 });
    expect(await kept({ head: artwork.head })).toMatchObject({ id: artwork.id, version: 2 });
    expect((await kept({ another: true })).id).not.toBe(artwork.id);
    expect((await artworkOf(work.id))?.id).toBe(artwork.id);
    const branch = (await threadOf(commissionId)).branches.find((b) => b.works.some((w) => w.id === work.id))!;
    expect(branch.candidate).not.toBeNull();
    expect(branch.works[0]).toMatchObject({ kind: 'retouched', works: [{ kind: 'artwork' }, { kind: 'artwork' }] });
    const copy = await copyWork(work.id);
    expect(copy).toMatchObject({ kind: 'retouched', drawing: work.drawing });
  });
});

describe('pictures sent along', () => {
  it('are mended, cut out and retouched', async () => {
    const file = await encodePng(picture);
    const area = blankPicture(160, 160, [0, 0, 0]);
    layColour(area, cover([flatten(circle(80, 80, 16), 0.02)], 160, 160)!, [255, 255, 255]);
    const { fills } = await mendFile(file, await encodePng(area), { count: 2, seed: 1 }, nobody);
    expect(fills).toHaveLength(2);
    const decoded = async (png: string) => (await decodePicture(Buffer.from(png, 'base64'))).rgba;
    expect(middle(await decoded(fills[0].png))).toEqual([24, 42, 92]);
    const cut = await cutOutFile(file, 'auto', nobody);
    expect([(await decoded(cut.png))[3], cut.groundHex]).toEqual([0, '#FFFFFF']);
    const done = await retouchFile(file, [spotGone, { kind: 'square' }], nobody);
    expect([middle(await decoded(done.png)), done.faults]).toEqual([[24, 42, 92], []]);
  });

  it('are refused with a sentence', async () => {
    const file = await encodePng(picture);
    const black = await encodePng(blankPicture(160, 160, [0, 0, 0]));
    const white = await encodePng(blankPicture(160, 160, [255, 255, 255]));
    const mend = (a: Uint8Array, b: Uint8Array) => mendFile(a, b, { count: 1, seed: 1 }, nobody);
    await expect(mend(file, black)).rejects.toMatchObject({ status: 422, message: expect.stringContaining('empty') });
    await expect(mend(file, white)).rejects.toMatchObject({ status: 422, message: expect.stringContaining('whole') });
    await expect(mend(Buffer.from('no picture'), white)).rejects.toMatchObject({ status: 422 });
    await expect(cutOutFile(Buffer.from('x'), 'auto', nobody)).rejects.toMatchObject({ status: 422 });
  });
});

describe('picked colours', () => {
  it('are kept with their commission, once each, and dropped', async () => {
    const pick = (hex: string, kept = true) => pickColour(commissionId, { hex, kept });
    await pick('#182A5C');
    await pick('#F2C14E');
    expect(await pick('#182A5C')).toEqual(['#182A5C', '#F2C14E']);
    expect(await pick('#182A5C', false)).toEqual(['#F2C14E']);
    expect(await pickedColours(commissionId)).toEqual(['#F2C14E']);
  });
});
