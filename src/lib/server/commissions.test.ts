import { onFreshDatabase } from './testing';
import { describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { CommissionChange, CommissionStart } from '../contract/requests';
import { step, undoable } from './changes';
import { bringIn, decide, listCandidates } from './candidates';
import { changeCommission, getCommission, listCommissions, startCommission } from './commissions';
import { threadOf } from './thread';
import { encodePng } from '../../../node/pictures';
import { drawCandidate } from '$core/engine';
import { GET as PROMPTS } from '../../routes/api/commissions/[id]/prompts/+server';
import { POST as NAMES } from '../../routes/api/names/+server';

onFreshDatabase();

const start = (more: object = {}) => startCommission(v.parse(CommissionStart, { name: 'Noctule Night Rail', ...more }));
const change = (id: string, revision: number, more: object) =>
  changeCommission(id, v.parse(CommissionChange, { revision, ...more }));

describe('commissions', () => {
  it('give prompts and names over HTTP, or say what they lack', async () => {
    const prompts = async (id: string, query = '') =>
      PROMPTS({ params: { id }, url: new URL(`http://x/api/commissions/${id}/prompts${query}`), request: new Request('http://x') } as never); // prettier-ignore
    const { id } = await start({ trade: 'sleeper trains', mood: 'quiet', coloursWanted: 'midnight blue' });
    const first = (await (await prompts(id)).json()) as { prompt: string; reasons: string[] }[];
    expect(first).toHaveLength(3);
    expect(first[0].prompt).toContain('midnight blue');
    expect(await (await prompts(id, '?seed=1')).json()).toEqual(first);
    expect((await prompts(id, '?seed=x')).status).toBe(400);
    // With nothing to go by there are pairs of unlike things.
    expect(await (await prompts((await start()).id)).json()).toMatchObject([{ title: 'two fields' }, {}, {}]);
    expect((await prompts('6b0c7f0e-0000-4000-8000-000000000000')).status).toBe(404);
    const names = (body: object) =>
      NAMES({ request: new Request('http://x/api/names', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }) } as never); // prettier-ignore
    expect((await (await names({ trade: 'a bakery', count: 7 })).json()) as unknown[]).toHaveLength(7);
    const like = { name: 'Oakloaf', way: 'compound', of: ['oak', 'loaf'] };
    const more = (await (await names({ trade: 'a bakery', count: 12, like })).json()) as { way: string }[];
    expect(more.filter((n) => n.way === 'compound').length).toBeGreaterThan(6);
    for (const body of [
      {},
      { trade: 'a bakery', like: { name: 'x' } },
      { trade: ' ' },
      { trade: 'a bakery', count: 0 },
    ])
      expect((await names(body)).status).toBe(400);
  });

  it('keep the whole brief', async () => {
    const brief = {
      client: 'Maren Holt',
      trade: 'sleeper trains',
      audience: 'sleepers',
      mood: 'quiet',
      coloursWanted: 'midnight blue',
      coloursUnwanted: 'red',
      grounds: [{ name: 'carriage blue', hex: '#20346e' }],
      kindOfMark: 'emblem',
      notes: "it's; drop table commission; --",
      allowance: 40,
    };
    const { id } = await start(brief);
    expect(await getCommission(id)).toMatchObject({
      ...brief,
      grounds: [{ name: 'carriage blue', hex: '#20346E' }],
      creditsSpent: 0,
      archived: false,
    });
  });

  it('need a name, and sizes that are sensible', () => {
    expect(() => v.parse(CommissionStart, { name: '  ' })).toThrow(/needs a name/);
    expect(() => v.parse(CommissionStart, { name: 'x'.repeat(121) })).toThrow();
    expect(() => v.parse(CommissionStart, { name: 'x', grounds: [{ name: 'a', hex: 'blue' }] })).toThrow(/#1D2E4E/);
    expect(() => v.parse(CommissionStart, { name: 'x', allowance: -1 })).toThrow();
  });

  it('are unknown by ids that are none', async () => {
    for (const id of ['nonsense', "' or 1=1 --", '00000000-0000-4000-8000-000000000000'])
      await expect(getCommission(id)).rejects.toMatchObject({ status: 404, code: 'unknown_commission' });
  });

  it('are renamed, archived and brought back, and all of that is undone and redone step by step', async () => {
    let c = await start();
    c = await change(c.id, c.revision, { name: 'Noctule' });
    c = await change(c.id, c.revision, { grounds: [], mood: 'calm' });
    c = await change(c.id, c.revision, { archived: true });
    expect(c).toMatchObject({ name: 'Noctule', mood: 'calm', archived: true, grounds: [] });
    expect(await undoable(c.id)).toEqual({ undo: 'archived', redo: null });
    expect(await step(c.id, 'undo')).toBe('archived');
    expect(await step(c.id, 'undo')).toBe('brief: mood, grounds');
    expect(await getCommission(c.id)).toMatchObject({
      archived: false,
      mood: '',
      grounds: [{ name: 'white' }, { name: 'black' }],
    });
    await step(c.id, 'undo');
    expect((await getCommission(c.id)).name).toBe('Noctule Night Rail');
    await expect(step(c.id, 'undo')).rejects.toMatchObject({ code: 'nothing_to_undo' });
    await step(c.id, 'redo');
    await step(c.id, 'redo');
    expect(await getCommission(c.id)).toMatchObject({ name: 'Noctule', mood: 'calm', archived: false });
    const now = await getCommission(c.id);
    await change(c.id, now.revision, { client: 'somebody else' });
    await expect(step(c.id, 'redo')).rejects.toMatchObject({ code: 'nothing_to_redo' });
  });

  it('tell the second of two tabs, and keep what the first wrote', async () => {
    const c = await start();
    await change(c.id, c.revision, { notes: 'first tab' });
    await expect(change(c.id, c.revision, { notes: 'second tab' })).rejects.toMatchObject({
      status: 409,
      code: 'changed_elsewhere',
    });
    expect((await getCommission(c.id)).notes).toBe('first tab');
  });

  it('let two tabs change different fields, each by what it saw, and tell the one that changes what it has not seen', async () => {
    const c = await start();
    const seen = (fields: object, was: object) =>
      changeCommission(c.id, v.parse(CommissionChange, { ...fields, seen: was }));
    await seen({ notes: 'first tab' }, { notes: '' });
    await seen({ mood: 'calm' }, { mood: '' });
    await expect(seen({ notes: 'second tab' }, { notes: '' })).rejects.toMatchObject({ code: 'changed_elsewhere' });
    const grounds = [{ hex: '#FFFFFF', name: 'white' }];
    await seen({ grounds }, { grounds: c.grounds });
    await expect(seen({ grounds: [] }, { grounds: c.grounds })).rejects.toMatchObject({ code: 'changed_elsewhere' });
    // Both wanted the same: nobody loses anything.
    await seen({ grounds }, { grounds: c.grounds });
    expect(await getCommission(c.id)).toMatchObject({ notes: 'first tab', mood: 'calm', grounds });
    expect(() => v.parse(CommissionChange, { notes: 'blind' })).toThrow(/names the revision/);
    expect(() => v.parse(CommissionChange, { notes: 'blind', seen: { mood: '' } })).toThrow(/names the revision/);
  });

  it('have an undo of their own for the brief, for decisions, and for each candidate', async () => {
    const c = await start();
    const png = await encodePng(drawCandidate({ prompt: 'owl', sizePx: 64 }, 0).picture);
    const [a, b] = [await bringIn(c.id, png, 'a.png'), await bringIn(c.id, png, 'b.png')];
    await decide(a.id, 'kept');
    await change(c.id, c.revision, { mood: 'calm' });
    await decide(b.id, 'aside');
    expect(await undoable(c.id, { of: 'brief' })).toEqual({ undo: 'brief: mood', redo: null });
    expect(await undoable(c.id, { of: 'decisions' })).toEqual({ undo: 'b.png set aside', redo: null });
    expect(await undoable(c.id, { candidateId: a.id })).toEqual({ undo: 'a.png kept', redo: null });
    expect(await step(c.id, 'undo', { candidateId: a.id })).toBe('a.png kept');
    expect(await step(c.id, 'undo', { of: 'brief' })).toBe('brief: mood');
    await decide(b.id, 'kept');
    // A new decision ends what could be decided again; the brief's is still there.
    expect(await undoable(c.id, { candidateId: a.id })).toEqual({ undo: null, redo: null });
    expect(await step(c.id, 'redo', { of: 'brief' })).toBe('brief: mood');
    expect((await getCommission(c.id)).mood).toBe('calm');
  });

  it('leave no trace of a change that changes nothing', async () => {
    const c = await start();
    await change(c.id, c.revision, { name: c.name });
    expect(await undoable(c.id)).toEqual({ undo: null, redo: null });
  });

  it('are listed with where they stand', async () => {
    const c = await start({ name: 'Listed' });
    const card = async () => (await listCommissions()).find((k) => k.id === c.id)!;
    expect(await card()).toMatchObject({ station: 'brief', pictures: [], rounds: 0 });
    const png = await encodePng(drawCandidate({ prompt: 'owl', sizePx: 64 }, 0).picture);
    const candidate = await bringIn(c.id, png, 'C:\\desk\\sketch\u202e.png');
    expect(candidate.label).toBe('sketch.png');
    expect(await card()).toMatchObject({
      station: 'rounds',
      pictures: [{ href: `/api/pictures/${candidate.pictureId}`, label: 'sketch.png' }],
    });
  });
});

describe('candidates', () => {
  it('are kept, set aside, and left undecided again, each undone in turn', async () => {
    const c = await start();
    const png = await encodePng(drawCandidate({ prompt: 'owl', sizePx: 64 }, 0).picture);
    const { id } = await bringIn(c.id, png, 'owl.png');
    await decide(id, 'kept');
    expect((await threadOf(c.id)).branches).toHaveLength(1);
    await decide(id, 'aside');
    expect((await listCandidates(c.id))[0].decision).toBe('aside');
    expect(await step(c.id, 'undo')).toBe('owl.png set aside');
    expect((await listCandidates(c.id))[0].decision).toBe('kept');
    await decide(id, 'undecided');
    expect((await threadOf(c.id)).branches).toHaveLength(0);
  });

  it('share the pixels of pictures that are the same', async () => {
    const c = await start();
    const png = await encodePng(drawCandidate({ prompt: 'owl', sizePx: 64 }, 0).picture);
    const [p, q] = [await bringIn(c.id, png, 'a.png'), await bringIn(c.id, png, 'b.png')];
    expect(p.pictureId).toBe(q.pictureId);
    expect(p.id).not.toBe(q.id);
  });

  it('are not made of files that cannot be read, and nothing is left behind', async () => {
    const c = await start();
    for (const file of [Buffer.from('hello'), Buffer.alloc(0)])
      await expect(bringIn(c.id, file, 'x.png')).rejects.toMatchObject({ status: 422 });
    expect(await listCandidates(c.id)).toEqual([]);
  });
});
