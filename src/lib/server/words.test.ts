import { onFreshDatabase } from './testing';
import { describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { encodePng } from '../../../node/pictures';
import { CommissionStart } from '../contract/requests';
import { bringIn, decide } from './candidates';
import { step, undoable } from './changes';
import { startCommission } from './commissions';
import { sql } from './database';
import { changePattern, decideName, listNames, listPatterns, startPattern, wordingFor } from './words';
import { GET as NAMES, POST as DECIDE } from '../../routes/api/commissions/[id]/names/+server';
import { GET as WORDING } from '../../routes/api/commissions/[id]/wording/+server';
import { PATCH } from '../../routes/api/patterns/[id]/+server';
import { GET as PATTERNS, POST as KEEP } from '../../routes/api/patterns/+server';

onFreshDatabase();

const NOBODY = '6b0c7f0e-0000-4000-8000-000000000000';
const start = () => startCommission(v.parse(CommissionStart, { name: 'Noctule Night Rail' }));
const oak = { name: 'Oakloaf', way: 'compound' as const, of: ['oak', 'loaf'], told: 'oak + loaf' };
const posted = (body: unknown, method = 'POST') => new Request('http://x', { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }); // prettier-ignore

describe('names', () => {
  it('are kept, set aside and taken back, each once, and undone like all decisions', async () => {
    const { id } = await start();
    expect(await listNames(id)).toEqual([]);
    const kept = await decideName(id, { ...oak, decision: 'kept' });
    await decideName(id, { ...oak, name: 'Fell & Spade', decision: 'aside' });
    const again = await decideName(id, { ...oak, decision: 'aside' });
    expect(again.id).toBe(kept.id);
    expect((await listNames(id)).map((n) => [n.name, n.decision])).toEqual([['Oakloaf', 'aside'], ['Fell & Spade', 'aside']]); // prettier-ignore
    expect(await undoable(id, { of: 'names' })).toEqual({ undo: 'Oakloaf set aside', redo: null });
    expect(await step(id, 'undo', { of: 'names' })).toBe('Oakloaf set aside');
    expect((await listNames(id))[0]).toMatchObject({ name: 'Oakloaf', decision: 'kept', of: ['oak', 'loaf'] });
    await step(id, 'redo', { of: 'names' });
    expect((await listNames(id)).find((n) => n.name === 'Oakloaf')!.decision).toBe('aside');
    // Another commission has names of its own, and what is undone here is no brief.
    expect(await listNames((await start()).id)).toEqual([]);
    expect(await undoable(id, { of: 'brief' })).toEqual({ undo: null, redo: null });
  });
  it('of two tabs at once are one', async () => {
    const { id } = await start();
    await Promise.all([1, 2, 3, 4].map(() => decideName(id, { ...oak, decision: 'kept' })));
    expect(await listNames(id)).toHaveLength(1);
  });
  it('are given and taken over HTTP, or refused with a reason', async () => {
    const { id } = await start();
    const decided = (body: unknown, to = id) => DECIDE({ params: { id: to }, request: posted(body), url: new URL('http://x') } as never); // prettier-ignore
    expect((await decided({ ...oak, decision: 'kept' })).status).toBe(200);
    expect((await decided({ ...oak, decision: 'loved' })).status).toBe(400);
    expect((await decided({ ...oak, name: ' ', decision: 'kept' })).status).toBe(400);
    expect((await decided({ ...oak, decision: 'kept' }, NOBODY)).status).toBe(404);
    const list = await NAMES({ params: { id }, request: new Request('http://x'), url: new URL('http://x') } as never);
    expect(await list.json()).toMatchObject([{ name: 'Oakloaf', decision: 'kept' }]);
  });
});

describe('patterns', () => {
  it('are for every commission, each once, put away and brought back', async () => {
    const settings = { leaveOut: '', leeway: 35, finish: null, kind: null, detail: null, colours: null, count: 4 };
    const one = await startPattern({ prompt: 'badge of a ___ in a ring', settings });
    await startPattern({ prompt: 'icon of ___', settings });
    expect((await changePattern(one.id, { archived: true })).archived).toBe(true);
    expect((await listPatterns()).map((p) => p.prompt)).toEqual(['icon of ___', 'badge of a ___ in a ring']);
    // Kept again it is back, and still one.
    const back = await startPattern({ prompt: 'badge of a ___ in a ring', settings: { ...settings, count: 2 } });
    expect(back).toMatchObject({ id: one.id, archived: false, settings: { count: 2 } });
    expect(await listPatterns()).toHaveLength(2);
    await expect(changePattern(NOBODY, { archived: true })).rejects.toMatchObject({ status: 404 });
  });
  it('over HTTP must have a gap', async () => {
    const keep = (body: unknown) => KEEP({ request: posted(body), url: new URL('http://x') } as never);
    const refused = await keep({ prompt: 'a fox' });
    expect(refused.status).toBe(400);
    expect(JSON.stringify(await refused.json())).toContain('put ___ where the figure goes');
    const kept = await keep({ prompt: 'a ___, flat' });
    expect(kept.status).toBe(201);
    const { id } = (await kept.json()) as { id: string };
    const away = await PATCH({ params: { id }, request: posted({ archived: true }, 'PATCH'), url: new URL('http://x') } as never); // prettier-ignore
    expect(await away.json()).toMatchObject({ archived: true });
    const list = await PATTERNS({ request: new Request('http://x'), url: new URL('http://x') } as never);
    expect(((await list.json()) as unknown[]).length).toBeGreaterThan(1);
  });
});

describe('wording', () => {
  it('has what each prompt gave, kept ones first, and what it cost', async () => {
    const { id } = await start();
    const png = await encodePng({ widthPx: 16, heightPx: 16, rgba: new Uint8ClampedArray(1024).fill(255) });
    const round = async (number: number, prompt: string, decisions: readonly ('kept' | 'aside' | 'undecided')[], state = 'done') => {
      const [{ id: roundId }] = await sql<{ id: string }>(
        `insert into round (commission_id, number, request_key, prompt, leave_out, leeway, ratio, count, seed, size_px, credits_reserved, credits_charged, state, figures)
         values ($1, $2, $3, $4, '', 35, '1:1', 4, 1, 1024, 4, 4, $5, '[{"word": "fox", "drawn": "fox", "via": "name"}]') returning id`,
        [id, number, `key${number}`, prompt, state],
      );
      for (const [position, decision] of decisions.entries()) {
        const candidate = await bringIn(id, png, 'probe.png');
        await sql('update candidate set round_id = $2, position = $3 where id = $1', [candidate.id, roundId, position]);
        if (decision !== 'undecided') await decide(candidate.id, decision);
      }
    }; // prettier-ignore
    await round(1, 'a fox, engraved', ['aside', 'aside']);
    await round(2, 'a fox, flat', ['kept', 'undecided']);
    await round(3, 'a fox, failed', [], 'failed');
    const told = await wordingFor(id);
    expect(told.prompts.map((p) => [p.number, p.kept, p.aside, p.undecided, p.credits, p.figure])).toEqual([[2, 1, 0, 1, 4, 'fox'], [1, 0, 2, 0, 4, 'fox']]); // prettier-ignore
    expect(told.words.kept.map((w) => w.word)).toEqual(['flat', 'fox']);
    expect(told.words.aside.map((w) => w.word)).toEqual(['engraved']);
    expect(told.economy).toMatchObject({ credits: 8, forNothing: 4, first: { number: 2, credits: 8 } });
    const [kept] = await sql<{ id: string; round_id: string }>("select id, round_id from candidate where commission_id = $1 and decision = 'kept'", [id]); // prettier-ignore
    expect(told.threads).toMatchObject([{ candidateId: kept.id, rounds: [2], credits: 4 }]);
    expect(told.besides).toBe(4);
    // Grown from one that was set aside, then kept: its thread goes through both.
    const [aside] = await sql<{ id: string }>("select id from candidate where commission_id = $1 and decision = 'aside' limit 1", [id]); // prettier-ignore
    await sql('update round set parent_id = $1 where id = $2', [aside.id, kept.round_id]);
    expect(await wordingFor(id)).toMatchObject({ threads: [{ rounds: [1, 2], credits: 8 }], besides: 0 });
    const over = await WORDING({ params: { id }, url: new URL('http://x/?search=flat'), request: new Request('http://x') } as never); // prettier-ignore
    expect(((await over.json()) as typeof told).prompts.map((p) => p.number)).toEqual([2]);
    await expect(wordingFor(NOBODY)).rejects.toMatchObject({ status: 404 });
  });
});
