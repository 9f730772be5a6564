import { onFreshDatabase } from './testing';
import { createHash } from 'node:crypto';
import { unzipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { drawCandidate } from '$core/engine';
import { TRACE_DEFAULTS, trace } from '$core/trace';
import { encodePng } from '../../../node/pictures';
import { randomUUID } from 'node:crypto';
import { countPoints, type Edit } from '$core/vector';
import { circleOfArcs } from '$core/path';
import type { ThreadWork, WorkState } from '../contract/answers';
import {
  CommissionStart,
  DeliveryStart,
  InOneColour,
  LockupsAsked,
  RetouchStart,
  Shuffle,
  TraceKeep,
  WorkActs,
} from '../contract/requests';
import {
  bringInSvg,
  constructionOfWork,
  copyWork,
  getArtwork,
  inOneColour,
  keepTrace,
  shuffledSchemes,
  startArtwork,
} from './artworks';
import { picturesBelow } from './below';
import { bringIn, getCandidate } from './candidates';
import { otherColourways } from './colourways';
import { startCommission } from './commissions';
import { sql } from './database';
import { cancelDelivery, deliveryFile, deliveryZip, getDelivery, listDeliveries, remakeDelivery, startDelivery } from './deliveries'; // prettier-ignore
import { lookFacts, packagePlan } from './packable';
import { enqueue, startJobs, stopJobs } from './jobs';
import { stopComputing } from './computing';
import { startRetouching } from './retouching';
import { lockupsFor } from './setting';
import { threadOf } from './thread';
import { forgetStates, stateAt } from './work-history';
import { actOn, getStep, getWork } from './works';

onFreshDatabase();

const picture = drawCandidate({ prompt: 'bat over a moon, midnight blue and lamp yellow', sizePx: 200 }, 0).picture;
const traced = trace(picture);
let commissionId: string;

beforeAll(async () => {
  commissionId = (await startCommission(v.parse(CommissionStart, { name: 'Noctule Night Rail', client: 'Maren Holt' })))
    .id;
  await startJobs();
});
afterAll(async () => {
  await stopJobs();
  await stopComputing();
});

const newCandidate = async () => (await bringIn(commissionId, await encodePng(picture), 'mark.png')).id;
const keep = (candidateId: string, head: string | null = null, more: object = {}) =>
  keepTrace(
    { candidateId },
    v.parse(TraceKeep, { options: TRACE_DEFAULTS, groundHex: '#FFFFFF', drawing: traced.artwork, head, ...more }),
  );
type Act = v.InferOutput<typeof WorkActs>['acts'][number];
const editing = (...edits: Edit[]): Act => ({ kind: 'edit', key: randomUUID(), edits });
const undoing = (): Act => ({ kind: 'undo', key: randomUUID() });
const redoing = (): Act => ({ kind: 'redo', key: randomUUID() });
/** Does acts from the head that was seen, and gives the work as it stands then. */
async function act({ id, head }: WorkState, ...acts: Act[]): Promise<WorkState> {
  await actOn(id, v.parse(WorkActs, { head, acts }));
  return getWork(id);
}
const inkTo = ({ drawing }: WorkState, hex: string): Act =>
  editing({ kind: 'ink-colour', inkId: drawing.inks[0].id, hex });
const recolour = (work: WorkState, hex: string) => act(work, inkTo(work, hex));

describe('artworks', () => {
  it('begin with a trace, and hold just what was traced', async () => {
    const candidateId = await newCandidate();
    const artwork = await keep(candidateId);
    expect(artwork).toMatchObject({ version: 1, canUndo: false, canRedo: false, groundHex: '#FFFFFF', candidateId });
    expect(artwork.name).toMatch(/^Noctule Night Rail mark.png/);
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
      [3, 'edits'],
      [2, 'trace'],
      [1, 'trace'],
    ]);
    expect((await getStep(first.id, first.head)).drawing).toEqual(traced.artwork);
    expect(third.traceOptions).toMatchObject({ smoothness: TRACE_DEFAULTS.smoothness });
  });

  it('are several of one candidate where that is asked for, each with a name of its own', async () => {
    const candidateId = await newCandidate();
    const [a, b] = [await keep(candidateId), await keep(candidateId, null, { another: true })];
    expect(a.id).not.toBe(b.id);
    expect(a.name).not.toBe(b.name);
    const branch = (await threadOf(commissionId)).branches.find((k) => k.candidate?.id === candidateId)!;
    expect(branch.works.map((w) => w.id)).toEqual([a.id, b.id]);
    expect((await keep(candidateId, b.head)).id).toBe(b.id);
  });

  it('undo and redo step by step, and lose nothing to an edit after an undo', async () => {
    const a1 = await keep(await newCandidate());
    const a2 = await recolour(a1, '#AA0000');
    const a3 = await recolour(a2, '#00AA00');
    const back = await act(a3, undoing());
    expect([back.version, back.drawing.inks[0].hex, back.canRedo]).toEqual([2, '#AA0000', true]);
    expect((await act(back, redoing())).version).toBe(3);
    const again = await act(a3, undoing());
    const forked = await recolour(again, '#0000AA');
    expect([forked.version, forked.canRedo]).toEqual([4, false]);
    expect(forked.steps).toHaveLength(4);
    expect((await getStep(a1.id, a3.head)).drawing.inks[0].hex).toBe('#00AA00');
    const returned = await act(forked, { kind: 'return', key: randomUUID(), stepId: a3.head });
    expect(returned.drawing.inks[0].hex).toBe('#00AA00');
    const first = await act(returned, undoing(), undoing());
    expect(first.canUndo).toBe(false);
    await expect(act(first, undoing())).rejects.toMatchObject({ code: 'nothing_to_undo' });
    expect((await act(first, redoing())).version).toBe(2);
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
    await expect(act(artwork, editing({ kind: 'remove-nodes', nodeIds: ['nope'] }))).rejects.toMatchObject({
      status: 422,
      code: 'bad_edit',
    });
    const kept = (drawing: object) =>
      v.parse(TraceKeep, { options: TRACE_DEFAULTS, groundHex: null, drawing, head: null });
    const strange = { ...traced.artwork, nodes: [{ ...traced.artwork.nodes[0], inkId: 'ink-99' }] };
    expect(() => kept(strange)).toThrow(/does not have/);
    await expect(
      keepTrace({ candidateId: await newCandidate() }, kept({ ...traced.artwork, nodes: [] })),
    ).rejects.toMatchObject({
      code: 'nothing_traced',
    });
    expect((await getArtwork(artwork.id)).version).toBe(1);
    await expect(getArtwork('nonsense')).rejects.toMatchObject({ status: 404 });
  });

  it('keep everything: no step can be changed or lost without the database noticing', async () => {
    const artwork = await keep(await newCandidate());
    await expect(sql('delete from work_step where id = $1', [artwork.head])).rejects.toMatchObject({ code: '23503' });
  });

  it('come from a copy of another, from nothing, and from an SVG, and stand on the thread under what they came from', async () => {
    const from = await recolour(await keep(await newCandidate()), '#ABCDEF');
    const copy = await copyWork(from.id);
    expect(copy.drawing).toEqual(from.drawing);
    expect(copy.steps).toHaveLength(1);
    await recolour(copy, '#000000');
    expect((await getArtwork(from.id)).drawing.inks[0].hex).toBe('#ABCDEF');
    const old = await copyWork(from.id, from.steps[1].id);
    expect(old.drawing).toEqual(traced.artwork);

    const blank = await startArtwork(commissionId, { name: 'redrawn', widthPx: 512, heightPx: 512 });
    const drawn = await act(
      blank,
      editing({ kind: 'add-ink', ink: { id: 'ink-1', hex: '#182A5C', name: 'midnight' } }),
    );
    expect(drawn.drawing.inks).toHaveLength(1);

    const file = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><text>a</text><rect width="5" height="5"/></svg>',
    );
    const { artwork, leftOut } = await bringInSvg(commissionId, file, '../evil/Mark.svg', new AbortController().signal);
    expect([artwork.name, leftOut]).toEqual(['Mark', [{ what: 'text', count: 1 }]]);
    const [kept] = await sql<{ bytes: Buffer }>(
      'select f.bytes from work_source r join file f on f.id = r.file_id where r.step_id = $1',
      [artwork.head],
    );
    expect(kept.bytes.equals(file)).toBe(true);

    const { branches } = await threadOf(commissionId);
    const traceBranch = branches.find((b) => b.works[0]?.id === from.id)!;
    expect(traceBranch.works[0].works.map((w) => w.id)).toEqual([copy.id, old.id]);
    for (const id of [blank.id, artwork.id]) expect(branches.find((b) => b.works[0]?.id === id)?.candidate).toBeNull();
    // A copy of what was copied hangs under its copy.
    const third = await copyWork(copy.id);
    expect(
      (await threadOf(commissionId)).branches.flatMap((b) => b.works).find((w) => w.id === from.id)!.works[0].works[0]
        .id,
    ).toBe(third.id);
  });

  it('are drawn over a candidate or a retouched picture, which lies below them first, with what else there is', async () => {
    const candidateId = await newCandidate();
    const over = await startArtwork(commissionId, { name: 'over', widthPx: 64, heightPx: 64, overCandidateId: candidateId }); // prettier-ignore
    expect((await picturesBelow(over))[0]).toMatchObject({ id: candidateId, isSource: true, label: 'mark.png' });
    const retouched = await startRetouching(candidateId, v.parse(RetouchStart, {}));
    const drawn = await startArtwork(commissionId, { name: 'again', widthPx: 64, heightPx: 64, overWorkId: retouched.id }); // prettier-ignore
    const below = await picturesBelow(drawn);
    expect(below[0]).toMatchObject({ id: retouched.id, isSource: true });
    expect(below[0].href).toBe(`/api/works/${retouched.id}/picture.png?step=${retouched.head}`);
    expect(below.some((p) => p.id === candidateId)).toBe(true);
    // A copy is drawn over the same.
    expect((await picturesBelow(await copyWork(drawn.id)))[0].id).toBe(retouched.id);
    const thread = await threadOf(commissionId);
    const works = (list: readonly ThreadWork[]): ThreadWork[] => list.flatMap((w) => [w, ...works(w.works)]);
    const onThread = works(thread.branches.flatMap((b) => b.works));
    expect(onThread.find((w) => w.id === drawn.id)).toMatchObject({ isDrawn: true });
    expect(onThread.find((w) => w.id === retouched.id)!.works.map((w) => w.id)).toContain(drawn.id);
    const other = await startCommission(v.parse(CommissionStart, { name: 'Another' }));
    for (const wrong of [{ overWorkId: retouched.id }, { overCandidateId: candidateId }, { overWorkId: over.id }])
      await expect(startArtwork(other.id, { name: 'x', widthPx: 9, heightPx: 9, ...wrong })).rejects.toMatchObject({ status: 404 }); // prettier-ignore
  });

  it('say what they are constructed of, at their head and at any step', async () => {
    const caller = new AbortController().signal;
    const blank = await startArtwork(commissionId, { name: 'constructed', widthPx: 200, heightPx: 200 });
    await expect(constructionOfWork(blank.id, null, caller)).rejects.toMatchObject({ status: 422 });
    const ink = { id: 'ink-1', hex: '#182A5C', name: 'midnight' };
    const put = (id: string, r: number): Edit => ({
      kind: 'put-pieces',
      pieces: [{ piece: { kind: 'piece', id, inkId: 'ink-1', contours: [circleOfArcs(100, 100, r)] }, above: null }],
      gone: [],
      told: 'drawn',
    });
    const one = await act(blank, editing({ kind: 'add-ink', ink }, put('a', 60)));
    await act(one, editing(put('b', 30)));
    const radii = async (step: string | null) =>
      (await constructionOfWork(blank.id, step, caller)).construction.circles.map((c) => Math.round(c.radiusPx));
    // The smaller lies below the larger, in one ink: it is not seen.
    expect(await radii(null)).toEqual([60]);
    expect(await radii(one.head)).toEqual([60]);
  });

  it('are shuffled and seen in one colour over HTTP, nothing of which is kept', async () => {
    const caller = new AbortController().signal;
    const artwork = await keep(await newCandidate());
    const { schemes } = await shuffledSchemes(artwork.id, v.parse(Shuffle, { count: 4, least: 1.5, seed: 2 }), caller);
    expect(schemes).toHaveLength(4);
    expect(schemes[0].hexes).toHaveLength(artwork.drawing.inks.length);
    await expect(shuffledSchemes(artwork.id, v.parse(Shuffle, { locked: ['none'] }), caller)).rejects.toMatchObject({ status: 422 }); // prettier-ignore
    const one = await inOneColour(artwork.id, v.parse(InOneColour, { hex: '#111111' }), caller);
    expect(one.svg).toContain('#111111');
    expect(Object.keys(one.states)).toHaveLength(artwork.drawing.inks.length);
    expect((await getArtwork(artwork.id)).version).toBe(1);
  });

  it('are arranged with a name over HTTP, in a colourway, nothing of which is kept', async () => {
    const caller = new AbortController().signal;
    const artwork = await keep(await newCandidate());
    const colourway = { id: 'w1', name: 'ember', inks: artwork.drawing.inks.map((i) => ({ inkId: i.id, hex: '#5A1A14' })) }; // prettier-ignore
    await act(artwork, editing({ kind: 'add-colourway', colourway }));
    const ask = (more: object) => lockupsFor(artwork.id, v.parse(LockupsAsked, { name: 'Noctule Night Rail', ...more }), caller); // prettier-ignore
    const all = await ask({ line: 'Sleeper trains', face: 'Jost', weight: 600, colourwayId: 'w1' });
    expect(all).toMatchObject({ face: 'Jost', weight: 600, licence: 'OFL-1.1' });
    expect(all.lockups.length).toBeGreaterThanOrEqual(12);
    expect(all.lockups.find((l) => l.layout === 'emblem')!.svg).toContain('#5A1A14');
    expect((await ask({ layout: 'name' })).lockups).toHaveLength(1);
    await expect(ask({ colourwayId: 'nobody' })).rejects.toMatchObject({ status: 404 });
    await expect(ask({ layout: 'sideways' })).rejects.toMatchObject({ status: 422, code: 'cannot_be_set' });
    await expect(ask({ face: 'Jost', line: '夜' })).rejects.toMatchObject({ status: 422 });
    expect(v.safeParse(LockupsAsked, { name: ' ' }).success).toBe(false);
    expect((await getArtwork(artwork.id)).version).toBe(2);
  });

  it('have their colourways kept with every step, and undone', async () => {
    const artwork = await keep(await newCandidate());
    const colourway = {
      id: 'w1',
      name: 'ember',
      inks: artwork.drawing.inks.map((i) => ({ inkId: i.id, hex: '#5A1A14' })),
    };
    const one = await act(artwork, editing({ kind: 'add-colourway', colourway }));
    expect(one.drawing.colourways).toEqual([colourway]);
    const two = await act(one, editing({ kind: 'colourway-name', colourwayId: 'w1', name: 'glow' }));
    forgetStates();
    expect((await getArtwork(artwork.id)).drawing.colourways![0].name).toBe('glow');
    const back = await act(await act(two, undoing()), undoing());
    expect(back.drawing.colourways).toBeUndefined();
  });

  it('refuse an SVG that is none, and say so', async () => {
    const bring = (text: string | Buffer) =>
      bringInSvg(commissionId, Buffer.from(text), 'x.svg', new AbortController().signal);
    await expect(bring('<svg viewBox="0 0 9 9"><rect')).rejects.toMatchObject({ status: 422, code: 'broken_svg' });
    await expect(
      bring('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><text>a</text></svg>'),
    ).rejects.toMatchObject({ code: 'nothing_drawn' });
    await expect(bring(Buffer.from([0xff, 0xfe, 0x3c]))).rejects.toMatchObject({ code: 'broken_svg' });
  });
});

describe('acts', () => {
  it('are done in their order in one request, and each step keeps what was asked and what it changed', async () => {
    const first = await keep(await newCandidate());
    const answer = await actOn(first.id, {
      head: first.head,
      acts: [
        inkTo(first, '#AA0000'),
        inkTo(first, '#00AA00'),
        editing(
          { kind: 'ink-name', inkId: first.drawing.inks[0].id, name: 'signal' },
          { kind: 'remove-nodes', nodeIds: [first.drawing.nodes[0].id] },
        ),
      ],
    });
    expect(answer).toMatchObject({ version: 4, canUndo: true, refused: null, drawing: null });
    expect(answer.added.map((s) => s.number)).toEqual([4, 3, 2]);
    const steps = await sql<{ asked: { edits: unknown[] }; changed: object; whole: unknown }>(
      'select asked, changed, whole from work_step where work_id = $1 order by number',
      [first.id],
    );
    expect(steps[3].asked.edits).toHaveLength(2);
    expect(JSON.stringify(steps[3].changed)).toContain('signal');
    // A colour alone is little; the first step has nothing before it.
    expect(steps.map((s) => [s.changed !== null, s.whole !== null]).slice(0, 2)).toEqual([
      [false, true],
      [true, false],
    ]);
  });

  it('are done once, however often they are sent, and whatever was answered', async () => {
    const first = await keep(await newCandidate());
    const acts = [inkTo(first, '#AA0000'), undoing(), inkTo(first, '#0000AA')];
    const once = await actOn(first.id, { head: first.head, acts });
    const twice = await actOn(first.id, { head: first.head, acts });
    expect(twice.head).toBe(once.head);
    expect(twice.drawing?.inks[0].hex).toBe('#0000AA');
    const more = await actOn(first.id, { head: first.head, acts: [...acts, inkTo(first, '#123456')] });
    expect((await getWork(first.id)).steps).toHaveLength(4);
    expect(more.drawing?.inks[0].hex).toBe('#123456');
    // At the same time, too.
    const seen = await getWork(first.id);
    const same = [inkTo(first, '#654321')];
    const both = await Promise.all([1, 2, 3].map(() => actOn(first.id, { head: seen.head, acts: same })));
    expect(new Set(both.map((b) => b.head)).size).toBe(1);
    expect((await getWork(first.id)).steps).toHaveLength(5);
  });

  it('stop at the first that cannot be done, and keep what was done before it', async () => {
    const first = await keep(await newCandidate());
    const bad = editing({ kind: 'remove-nodes', nodeIds: ['nope'] });
    const answer = await actOn(first.id, {
      head: first.head,
      acts: [inkTo(first, '#AA0000'), bad, inkTo(first, '#00AA00')],
    });
    expect(answer.refused).toMatchObject({ key: bad.key, code: 'bad_edit' });
    expect(answer.drawing?.inks[0].hex).toBe('#AA0000');
    expect((await getWork(first.id)).version).toBe(2);
  });

  it('that work shapes out are made in a thread of their own, and refused in their own words', async () => {
    const first = await keep(await newCandidate());
    let isAnswering = 0;
    const beat = setInterval(() => isAnswering++, 5);
    const thin = await act(first, editing({ kind: 'economy', nodes: 'all', tolerancePx: 0.5 }));
    clearInterval(beat);
    expect(countPoints(thin.drawing)).toBeLessThan(countPoints(first.drawing));
    expect(thin.steps[0].told).toBe('all pieces thinned out within 0.5 px');
    // Whoever else asks is answered meanwhile.
    expect(isAnswering).toBeGreaterThan(3);
    const [node] = first.drawing.nodes;
    const alone = editing({ kind: 'unite', nodes: [node.id, node.id] });
    await expect(actOn(first.id, { head: thin.head, acts: [alone] })).rejects.toMatchObject({
      status: 422,
      code: 'bad_edit',
      message: 'That cannot be done: two pieces or more',
    });
    expect((await getWork(first.id)).head).toBe(thin.head);
  });

  it('tell which of them were done before somebody else moved the head', async () => {
    const first = await keep(await newCandidate());
    const mine = inkTo(first, '#AA0000');
    const after = await act(first, mine);
    await recolour(after, '#00AA00');
    await expect(actOn(first.id, { head: first.head, acts: [mine, inkTo(first, '#0000AA')] })).rejects.toMatchObject({
      status: 409,
      fields: { done: mine.key },
    });
  });
});

describe('states', () => {
  it('are the same found through changes as when they were made, on every branch', async () => {
    const first = await keep(await newCandidate());
    let work = first;
    const made = new Map<string, string>();
    const nodes = first.drawing.nodes.map((n) => n.id);
    for (let k = 0; k < 90; k++) {
      if (k % 17 === 16) work = await act(work, undoing(), undoing());
      const edit: Edit =
        k % 3 === 0
          ? { kind: 'node-transform', nodeIds: [nodes[k % nodes.length]], by: [1, 0, 0, 1, k, 1] }
          : k % 3 === 1
            ? { kind: 'move-nodes', nodeIds: [nodes[k % nodes.length]], intoId: null, at: (k * 7) % nodes.length }
            : { kind: 'move-point', nodeId: nodes[k % nodes.length], point: 1, to: [k, 2 * k] };
      work = await act(work, editing(edit));
      made.set(work.head, JSON.stringify(work.drawing));
    }
    // As another server would find them, which has none of them in memory.
    const rows = await sql<{ id: string; whole: unknown }>('select id, whole from work_step where work_id = $1', [
      first.id,
    ]);
    expect(rows.filter((r) => r.whole !== null).length).toBeLessThan(8);
    forgetStates();
    for (const [id, text] of made) expect(JSON.stringify(await stateAt(id))).toBe(text);
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

/** All of a package, as it is sent. */
async function zipOf(id: string, sha256?: string): Promise<Buffer> {
  const { zip, bytes } = await deliveryZip(id, sha256);
  const chunks: Uint8Array[] = [];
  for await (const chunk of zip) chunks.push(chunk);
  const whole = Buffer.concat(chunks);
  expect(whole.length).toBe(bytes);
  return whole;
}

describe('deliveries', () => {
  /** Of what is made fastest. */
  const little = (artwork: WorkState) => [{ workId: artwork.id, head: artwork.head, look: 'master', for: ['developers', 'large'] }]; // prettier-ignore
  const start = async (artwork: WorkState, key: string, rows: unknown = little(artwork), more: object = {}) => {
    const delivery = await startDelivery(
      artwork.id,
      v.parse(DeliveryStart, { requestKey: key, head: artwork.head, note: 'signs', rows, ...more }),
    );
    await enqueue('delivery', delivery.id);
    return delivery;
  };

  it('pack an artwork as it stood, and can be made again to the byte', async () => {
    const artwork = await recolour(await keep(await newCandidate()), '#ABCDEF');
    const { id } = await start(artwork, 'delivery-one', [{ ...little(artwork)[0], for: ['print', 'developers'] }]);
    const done = await packed(id);
    expect(done).toMatchObject({ state: 'done', version: 2, note: 'signs', stepId: artwork.head, progress: 1, doing: null }); // prettier-ignore
    const first = await zipOf(id);
    expect(createHash('sha256').update(first).digest('hex')).toBe(done.sha256);
    const entries = unzipSync(first);
    expect(Object.keys(entries)).toEqual(done.files.map((f) => f.name));
    for (const { name, sha256, bytes } of done.files) {
      expect([createHash('sha256').update(entries[name]).digest('hex'), entries[name].length]).toEqual([sha256, bytes]);
      expect(Buffer.from(await deliveryFile(id, name)).equals(entries[name])).toBe(true);
    }
    await expect(deliveryFile(id, 'print/../../etc/passwd')).rejects.toMatchObject({ status: 404 });
    const svg = `print/${done.about.stem}.svg`;
    expect(svg).toMatch(/noctule-night-rail-.+\.svg$/);
    expect(new TextDecoder().decode(entries[svg])).toContain('#ABCDEF');
    expect(done.checks.filter((c) => c.what === 'alike' && c.ok).length).toBeGreaterThan(1);
    // Where it came from, as it was when it was asked for.
    const descent = JSON.parse(new TextDecoder().decode(entries['descent.json'])) as { brief: { name: string }; works: { version: number; steps: { told: string }[] }[]; again: string }; // prettier-ignore
    expect(descent.brief.name).toBe('Noctule Night Rail');
    expect(descent.works[0].steps).toHaveLength(2);
    expect(descent.again).toContain(`Delivery ${done.number}`);
    await recolour(artwork, '#000000');
    await remakeDelivery(id);
    await enqueue('delivery', id);
    const again = await packed(id);
    expect(again.sha256).toBe(done.sha256);
    expect(again.packages).toHaveLength(1);
    expect(first.equals(await zipOf(id))).toBe(true);
  });

  it('keep what was delivered when making it again gives other bytes', async () => {
    const artwork = await keep(await newCandidate());
    const { id } = await start(artwork, 'delivery-six');
    const done = await packed(id);
    const first = await zipOf(id);
    // As a newer version of the application might pack it.
    await sql(`update delivery set about = jsonb_set(about, '{client}', '"somebody else"') where id = $1`, [id]);
    await remakeDelivery(id);
    await enqueue('delivery', id);
    const again = await packed(id);
    expect(again.sha256).not.toBe(done.sha256);
    expect(again.packages.map((p) => p.sha256)).toEqual([again.sha256, done.sha256]);
    expect((await zipOf(id, done.sha256!)).equals(first)).toBe(true);
    await expect(deliveryZip(id, '0'.repeat(64))).rejects.toMatchObject({ status: 404 });
  });

  it('are one when asked for twice, and refused when the artwork moved on', async () => {
    const artwork = await keep(await newCandidate());
    const [p, q] = [await start(artwork, 'delivery-two'), await start(artwork, 'delivery-two')];
    expect(p.id).toBe(q.id);
    await recolour(artwork, '#010101');
    await expect(start(artwork, 'delivery-three')).rejects.toMatchObject({ status: 409 });
    await packed(p.id);
    expect(
      (await threadOf(commissionId)).branches.flatMap((b) => b.works).find((w) => w.id === artwork.id)?.deliveries,
    ).toBe(1);
  });

  it('are of a colourway where one is named, and refused where it is not there', async () => {
    const artwork = await keep(await newCandidate());
    const colourway = { id: 'ember', name: 'Ember', inks: artwork.drawing.inks.map((i) => ({ inkId: i.id, hex: '#7A2E3A' })) }; // prettier-ignore
    const { head } = await actOn(artwork.id, {
      head: artwork.head,
      acts: [{ kind: 'edit', key: 'ember-added', edits: [{ kind: 'add-colourway', colourway }] }],
    });
    const asked = (key: string, colourwayId: string) =>
      startDelivery(artwork.id, v.parse(DeliveryStart, { requestKey: key, head, colourwayId }));
    expect((await packagePlan(artwork.id)).works.find((w) => w.workId === artwork.id)!.looks.map((l) => l.look.key)).toEqual(['master', 'ember', 'one-colour', 'reversed']); // prettier-ignore
    await expect(asked('delivery-eight', 'nobody')).rejects.toMatchObject({ status: 422, code: 'unknown_colourway' });
    const { id } = await asked('delivery-nine', 'ember');
    await enqueue('delivery', id);
    const done = await packed(id);
    expect(done.about.colourway).toEqual({ id: 'ember', name: 'Ember' });
    const entries = unzipSync(await zipOf(id));
    const svg = Object.keys(entries).find((name) => name.endsWith('.svg'))!;
    expect(svg).toMatch(/-ember\.svg$/);
    const text = new TextDecoder().decode(entries[svg]);
    expect(text).toContain('#7A2E3A');
    expect(text).not.toContain(artwork.drawing.inks[0].hex);
    // The master and other commissions' work is what colours are taken from.
    const other = await startCommission(v.parse(CommissionStart, { name: 'Juniper Row' }));
    const list = (await otherColourways(other.id)).filter((c) => c.workId === artwork.id);
    expect(list.map((c) => [c.commission, c.name])).toEqual([
      ['Noctule Night Rail', 'master'],
      ['Noctule Night Rail', 'Ember'],
    ]);
    expect(list[1].hexes).toEqual(artwork.drawing.inks.map(() => '#7A2E3A'));
    expect(await otherColourways(commissionId)).toEqual([]);
  });

  it('are of several works and looks as they were looked at; nothing of it changes what was delivered', async () => {
    const [one, two] = [await keep(await newCandidate()), await keep(await newCandidate())];
    const row = (work: WorkState, look: string, fors: string[]) => ({ workId: work.id, head: work.head, look, for: fors }); // prettier-ignore
    const rows = [row(one, 'master', ['large']), row(one, 'reversed', ['large']), row(two, 'master', ['developers'])];
    await expect(start(one, 'delivery-ten', [])).rejects.toMatchObject({ status: 422, code: 'nothing_wanted' });
    await expect(start(one, 'delivery-ten', [row(one, 'nobody', ['web'])])).rejects.toMatchObject({ status: 422 });
    const { id } = await start(one, 'delivery-ten', rows, { sets: { large: [{ name: 'flag', longerMm: 1500 }] } });
    const done = await packed(id);
    expect(done.asked!.works.map((w) => w.workId).sort()).toEqual([one.id, two.id].sort());
    const names = done.files.map((f) => f.name).filter((n) => n.includes('/'));
    expect(names.map((n) => n.replace(/noctule-night-rail-[a-z\d-]+?(?=-reversed|-flag|-inks|-work)/, 'X'))).toEqual([
      'large/X-flag-1.5m.pdf', 'large/X-reversed-flag-1.5m.pdf', 'developers/X-inks.json', 'developers/X-inks.css', 'developers/X-work.json',
    ]);
    // Another version of one: what changed is told, file by file; the other's files have the same bytes.
    const newer = await recolour(two, '#123456');
    await expect(start(one, 'delivery-eleven', rows)).rejects.toMatchObject({ status: 409, code: 'changed_elsewhere' });
    const next = await start(one, 'delivery-eleven', [rows[0], row(newer, 'master', ['developers'])], { sets: { large: [{ name: 'flag', longerMm: 1500 }] } });
    const { changes } = await packed(next.id);
    expect(changes!.since).toBe(done.number);
    expect(changes!.removed).toEqual([names[1]]);
    expect(changes!.added).toEqual([]);
    expect(changes!.changed.filter((n) => n.includes('/'))).toEqual(names.slice(2));
    expect((await listDeliveries(commissionId))[0]).toMatchObject({ id: next.id, files: [], checks: [], changes });
  }); // prettier-ignore

  it('are stopped at once, and were nothing then; one that was made before is as it was', async () => {
    const artwork = await keep(await newCandidate());
    const { id } = await start(artwork, 'delivery-twelve', [{ ...little(artwork)[0], for: ['print', 'shops', 'motion'] }]);
    while (!(await getDelivery(id)).progress) await new Promise((resolve) => setTimeout(resolve, 10));
    expect((await cancelDelivery(id)).state).toBe('cancelled');
    const made = async () => (await sql<{ n: number }>('select count(*)::int as n from packed_file'))[0].n;
    // What was being made just then may still come, however long it takes; nothing else is begun.
    const then = await made();
    for (let last = -1, now = then; last !== now; [last, now] = [now, await made()]) await new Promise((resolve) => setTimeout(resolve, 700));
    expect((await made()) - then).toBeLessThan(6);
    expect((await getDelivery(id)).state).toBe('cancelled');
    await expect(deliveryZip(id)).rejects.toMatchObject({ status: 409 });
    const other = (await start(artwork, 'delivery-thirteen')).id;
    const { sha256 } = await packed(other);
    await remakeDelivery(other);
    expect(await cancelDelivery(other)).toMatchObject({ state: 'done', sha256 });
  }); // prettier-ignore

  it('say that the disk is full when it is, lose nothing, and are made when there is room', async () => {
    const artwork = await recolour(await keep(await newCandidate()), '#0A0B0C');
    await sql(`create function no_room() returns trigger language plpgsql as $$ begin raise exception 'could not extend file' using errcode = '53100'; end $$`);
    await sql('create trigger no_room before insert on packed_file for each row execute function no_room()');
    const { id } = await start(artwork, 'delivery-fourteen');
    const failed = await packed(id);
    await sql('drop trigger no_room on packed_file');
    expect(failed).toMatchObject({ state: 'failed', packages: [], error: expect.stringMatching(/disk is full.*nothing was lost/) });
    await remakeDelivery(id);
    await enqueue('delivery', id);
    expect(await packed(id)).toMatchObject({ state: 'done', error: null });
  }); // prettier-ignore

  it('tell what is wrong with a look before anything is made of it', async () => {
    const artwork = await recolour(await keep(await newCandidate()), '#F2C14E');
    const facts = await lookFacts(artwork.id, { look: 'master', sets: {} });
    expect(facts.inks.map((i) => i.hex)).toContain('#F2C14E');
    expect(facts.weight.svgBytes).toBeGreaterThan(100);
    const ink = (all: typeof facts) => all.checks.find((c) => c.what === 'ink')!;
    expect(ink(facts).ok).toBe(true);
    const over = await lookFacts(artwork.id, { look: 'master', sets: { press: { '#F2C14E': { cmyk: [100, 100, 90, 90] } } } });
    expect(ink(over)).toMatchObject({ ok: false, figure: 380 });
    await expect(lookFacts(artwork.id, { look: 'none', sets: {} })).rejects.toMatchObject({ status: 422 });
  }); // prettier-ignore

  it('are taken up when their server was killed', async () => {
    const artwork = await keep(await newCandidate());
    const { id } = await startDelivery(
      artwork.id,
      v.parse(DeliveryStart, { requestKey: 'delivery-four', head: artwork.head, rows: little(artwork) }),
    );
    await sql(
      `update delivery set state = 'packing', owner = gen_random_uuid(), heartbeat_at = now() - interval '10 minutes' where id = $1`,
      [id],
    );
    expect((await packed(id)).state).toBe('done');
  });

  it('are given up when they were begun too often', async () => {
    const artwork = await keep(await newCandidate());
    const { id } = await startDelivery(
      artwork.id,
      v.parse(DeliveryStart, { requestKey: 'delivery-seven', head: artwork.head, rows: little(artwork) }),
    );
    await sql(
      `update delivery set state = 'packing', takes = 4, heartbeat_at = now() - interval '10 minutes' where id = $1`,
      [id],
    );
    expect(await packed(id)).toMatchObject({ state: 'failed', error: expect.stringMatching(/4 times/) });
    await remakeDelivery(id);
    await enqueue('delivery', id);
    expect((await packed(id)).state).toBe('done');
  });

  it('are not handed out before they are made', async () => {
    const artwork = await keep(await newCandidate());
    const { id } = await startDelivery(
      artwork.id,
      v.parse(DeliveryStart, { requestKey: 'delivery-five', head: artwork.head, rows: little(artwork) }),
    );
    await expect(deliveryZip(id)).rejects.toMatchObject({ status: 409, code: 'not_packed' });
    await packed(id);
    expect((await listDeliveries(commissionId))[0].id).toBe(id);
  });
});
