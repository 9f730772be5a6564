import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Candidate, Round, Wall } from '$lib/contract/answers';
import { ask, untilAnswered, type ApiError } from './api';
import { forget, keep, kept } from './kept';
import { keyLabel } from './keys.svelte';
import { fitView, pointUnder, ZOOM_LEAST, ZOOM_MOST, zoomAbout } from './sheet/view';
import { canAsk, crossingOf, draftFrom, keepDraft, keptDraft, offshootOf, requestOf } from './wall/draft';
import { stripsOf } from './wall/strips';

// Runes are compiled away in the application; here plain values do.
vi.mock('./notices.svelte', () => ({ notices: { tell: () => {}, drop: () => {}, fail: () => {} } }));
vi.mock('svelte', () => ({ untrack: (f: () => unknown) => f() }));
vi.stubGlobal(
  '$state',
  Object.assign((v: unknown) => v, { raw: (v: unknown) => v }),
);

describe('the view of a sheet', () => {
  it('fits the whole work in the middle', () => {
    const view = fitView(900, 600, 1024, 512, 20);
    expect([view.x + 1024 * view.zoom + view.x, view.y + 512 * view.zoom + view.y]).toEqual([900, 600]);
    expect(view.zoom).toBeCloseTo(860 / 1024, 6);
  });

  it('keeps the point under the pointer where it is, whatever the zoom', () => {
    let view = fitView(900, 600, 1024, 1024);
    const before = pointUnder(view, 300, 200);
    for (const factor of [2, 3, 0.1, 7]) view = zoomAbout(view, view.zoom * factor, 300, 200);
    pointUnder(view, 300, 200).forEach((v, i) => expect(v).toBeCloseTo(before[i], 6));
  });

  it('has a least and a greatest zoom', () => {
    const view = fitView(900, 600, 100, 100);
    expect(zoomAbout(view, 1e9, 0, 0).zoom).toBe(ZOOM_MOST);
    expect(zoomAbout(view, 0, 0, 0).zoom).toBe(ZOOM_LEAST);
    expect(fitView(10, 10, 5000, 5000).zoom).toBe(ZOOM_LEAST);
  });
});

describe('the wall', () => {
  const candidate = (id: string, createdAt: string, roundId: string | null = null) =>
    ({ id, createdAt, roundId }) as Candidate;
  const round = (number: number, createdAt: string, prompt: string) =>
    ({
      id: `r${number}`,
      number,
      createdAt,
      prompt,
      candidates: [candidate(`k${number}`, createdAt, `r${number}`)],
    }) as unknown as Round;
  const wall: Wall = {
    rounds: [round(2, '2026-01-04', 'second'), round(1, '2026-01-02', 'first')],
    broughtIn: [candidate('c', '2026-01-05'), candidate('b', '2026-01-03T12'), candidate('a', '2026-01-03T11')],
  };

  it('hangs newest first, and gathers what was brought in between two rounds', () => {
    expect(stripsOf(wall).map((s) => s.candidates.map((k) => k.id))).toEqual([['c'], ['k2'], ['b', 'a'], ['k1']]);
  });

  it('knows the prompt before, to mark what changed', () => {
    expect(stripsOf(wall).map((s) => s.promptBefore)).toEqual([null, 'first', null, null]);
  });
});

describe('a draft', () => {
  beforeEach(() => {
    const kept = new Map<string, string>();
    vi.stubGlobal('localStorage', {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => kept.set(k, v),
      removeItem: (k: string) => kept.delete(k),
    });
  });

  it('starts plain, or where a round was', () => {
    expect(draftFrom(null)).toMatchObject({ prompt: '', count: 4, leeway: 50, ratio: '1:1' });
    const round = {
      prompt: 'owl',
      leaveOut: 'stars',
      leeway: 70,
      ratio: '3:2',
      colours: 2,
      count: 6,
      seed: 9,
      finish: 'woodcut',
      kind: null,
      detail: 50,
      references: [{ pictureId: 'a', closeness: 80, candidateId: null }],
      way: { kind: 'prompt' },
    } as unknown as Round;
    expect(draftFrom(round)).toEqual({
      prompt: 'owl',
      leaveOut: 'stars',
      leeway: 70,
      ratio: '3:2',
      colours: 2,
      count: 6,
      finish: 'woodcut',
      kind: null,
      detail: 50,
      references: [{ pictureId: 'a', closeness: 80 }],
      way: null,
    });
    // What a round grew from stays with that round.
    expect(
      draftFrom({ ...round, way: { kind: 'offshoot', from: '1.1', candidateId: 'c', drift: 5 } }).references,
    ).toEqual([]);
  });

  it('grows from a candidate, or crosses two, and can be sent without words', () => {
    const candidate = (id: string, label: string) => ({ id, label, pictureId: `p${id}` }) as unknown as Candidate;
    const grown = offshootOf(draftFrom(null), candidate('a', '1.1'), null);
    expect(requestOf(grown)).toMatchObject({ way: { kind: 'offshoot', candidateId: 'a', drift: 25 } });
    expect(canAsk(grown)).toBe(true);
    const crossed = crossingOf(draftFrom(null), candidate('a', '1.1'), candidate('b', '1.2'));
    expect(requestOf(crossed)).toMatchObject({
      prompt: '',
      way: { kind: 'crossing', candidateIds: ['a', 'b'], balance: 50 },
    });
    expect(canAsk(draftFrom(null))).toBe(false);
    expect(canAsk({ ...draftFrom(null), references: [{ pictureId: 'p', closeness: 50 }] })).toBe(true);
  });

  it('is there again, each for its commission', () => {
    keepDraft('one', { ...draftFrom(null), prompt: 'a bat' });
    expect(keptDraft('one')?.prompt).toBe('a bat');
    expect(keptDraft('two')).toBeNull();
  });

  it('is no trouble in a browser without storage, or with a broken one', () => {
    vi.stubGlobal('localStorage', {
      getItem: () => '{broken',
      setItem: () => {
        throw new Error('full');
      },
    });
    expect(keptDraft('one')).toBeNull();
    expect(() => keepDraft('one', draftFrom(null))).not.toThrow();
    expect(() => forget('one')).not.toThrow();
  });

  it('is laid over what there is to begin with, and is forgotten when it has been sent', () => {
    const fresh = { name: '', allowance: 120 };
    keep('brief', { name: 'Noctule' });
    expect(kept('brief', fresh)).toEqual({ name: 'Noctule', allowance: 120 });
    forget('brief');
    expect(kept('brief', fresh)).toBeNull();
    for (const text of ['null', '[1]', '"a"', '7', '']) {
      vi.stubGlobal('localStorage', { getItem: () => text });
      expect(kept('brief', fresh)).toBeNull();
    }
  });
});

describe('asking the server', () => {
  const answers = (...list: (Response | Error)[]) => {
    const asked = vi.fn(() => {
      const next = list.shift()!;
      return next instanceof Error ? Promise.reject(next) : Promise.resolve(next);
    });
    vi.stubGlobal('fetch', asked);
    return asked;
  };
  const refusal = (status: number, code: string) =>
    Response.json({ error: { code, message: 'why', fields: { name: 'wanted' } } }, { status });
  beforeEach(() => void vi.useFakeTimers({ shouldAdvanceTime: true, advanceTimeDelta: 200 }));

  const look = () => untilAnswered(() => ask('GET', '/x'));

  it('gives what it answers, and throws what it refuses', async () => {
    answers(Response.json({ ok: 1 }));
    expect(await look()).toEqual({ ok: 1 });
    const refused = answers(refusal(422, 'bad'));
    const error = await look().catch((e: ApiError) => e);
    expect(error).toMatchObject({ status: 422, code: 'bad', message: 'why', fields: { name: 'wanted' } });
    expect(refused).toHaveBeenCalledTimes(1);
  });

  it('asks again while the database is away, no sooner than it is told to', async () => {
    const away = refusal(503, 'database_away');
    away.headers.set('retry-after', '2');
    const asked = answers(away, refusal(503, 'database_away'), Response.json(7));
    const from = Date.now();
    expect(await look()).toBe(7);
    expect(asked).toHaveBeenCalledTimes(3);
    expect(Date.now() - from).toBeGreaterThanOrEqual(2000);
  });

  it('asks again after a broken connection or an answer that was cut off, and says each time that it did', async () => {
    const get = answers(new TypeError('broken'), new Response('{"cut'), Response.json(1));
    const failed = vi.fn();
    expect(await untilAnswered(() => ask('GET', '/x'), failed)).toBe(1);
    expect([get.mock.calls.length, failed.mock.calls.length]).toEqual([3, 2]);
  });

  it('says what a file is when it brings one', async () => {
    const asked = answers(Response.json({}));
    await ask('POST', '/x', new Blob([new Uint8Array(3)]));
    expect((asked.mock.calls[0] as unknown as [string, RequestInit])[1].headers).toEqual({
      'content-type': 'application/octet-stream',
    });
  });
});

describe('keys', () => {
  it('are named as they are printed', () => {
    expect(['Mod+z', 'Mod+Shift+z', 'ArrowLeft', 'k', '?', 'Mod+Enter'].map(keyLabel)).toEqual([
      'Ctrl Z',
      'Ctrl Shift Z',
      '←',
      'K',
      '?',
      'Ctrl Enter',
    ]);
  });
});
