import { beforeEach, describe, expect, it, vi } from 'vitest';

const told: string[] = [];
vi.mock('./notices.svelte', () => ({
  notices: { tell: (t: string) => told.push(t), drop: () => {}, fail: (e: Error) => told.push(e.message) },
}));
const files = new Map<string, unknown>();
vi.mock('idb-keyval', () => ({
  set: async (k: string, v: unknown) => void files.set(k, v),
  get: async (k: string) => files.get(k),
  del: async (k: string) => void files.delete(k),
}));
vi.stubGlobal(
  '$state',
  Object.assign((v: unknown) => v, { raw: (v: unknown) => v }),
);

const store = new Map<string, string>();
/** Names that live tabs hold. */
const held = new Set<string>();
/** What the server was sent: method, path, key. */
let sent: { path: string; key: string; body: unknown }[] = [];
let answering: (path: string) => Response | Error = () => Response.json({ ok: 1 });

const refusal = (status: number, code: string, message = 'why') =>
  Response.json({ error: { code, message } }, { status });

/** A tab that was just opened in the same browser. */
async function openTab(session = new Map<string, string>()) {
  vi.resetModules();
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => session.get(k) ?? null,
    setItem: (k: string, v: string) => session.set(k, v),
  });
  return { ...(await import('./outbox.svelte')), session };
}

beforeEach(() => {
  for (const kept of [store, files, held]) kept.clear();
  [told.length, sent] = [0, []];
  answering = () => Response.json({ ok: 1 });
  vi.useFakeTimers({ shouldAdvanceTime: true, advanceTimeDelta: 200 });
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => store.set(k, v),
    removeItem: (k: string) => store.delete(k),
  });
  // The real one has its items as properties.
  vi.stubGlobal(
    'localStorage',
    new Proxy(localStorage, {
      ownKeys: () => [...store.keys()],
      getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
    }),
  );
  vi.stubGlobal('navigator', {
    locks: {
      request: async (name: string, _: unknown, run: (lock: object | null) => unknown) => {
        const free = !held.has(name);
        if (free) held.add(name);
        const running = run(free ? {} : null);
        if (free && !(running instanceof Promise)) held.delete(name);
      },
    },
  });
  vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
    sent.push({ path, key: (init.headers as Record<string, string>)['idempotency-key'], body: init.body });
    const answer = answering(path);
    return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer.clone());
  });
});

const change = (path: string, more: object = {}) => ({
  method: 'POST' as const,
  path,
  body: { n: 1 },
  what: path,
  ...more,
});
const keptChanges = () => [...store.keys()].filter((k) => k.startsWith('odd-quill:change:'));

describe('changes', () => {
  it('are sent, answered, and no longer kept', async () => {
    const { outbox } = await openTab();
    expect(await outbox.send(change('/a'))).toEqual({ ok: 1 });
    await vi.waitFor(() => expect([outbox.list, keptChanges()]).toEqual([[], []]));
    expect(sent.map((s) => s.path)).toEqual(['/a']);
  });

  it('are sent again under the same key until they are answered, in the order in which they were made', async () => {
    const { outbox } = await openTab();
    let failures = 0;
    answering = (path) =>
      path === '/a' && failures++ < 3
        ? [new TypeError('gone'), refusal(503, 'database_away'), refusal(503, 'commit_unknown')][failures - 1]
        : Response.json({ path });
    const answers = await Promise.all(['/a', '/b', '/c'].map((p) => outbox.send(change(p))));
    expect(answers).toEqual([{ path: '/a' }, { path: '/b' }, { path: '/c' }]);
    expect(sent.map((s) => s.path)).toEqual(['/a', '/a', '/a', '/a', '/b', '/c']);
    expect(new Set(sent.map((s) => s.key)).size).toBe(3);
    expect(told).toContainEqual(expect.stringContaining('is not answering'));
  });

  it('are told to wait once they are late, and kept meanwhile', async () => {
    const { outbox } = await openTab();
    answering = () => new TypeError('gone');
    void outbox.send(change('/a'));
    await vi.waitFor(() => expect(outbox.late.map((w) => w.what)).toEqual(['/a']));
    await vi.waitFor(() => expect(keptChanges()).toHaveLength(1));
    answering = () => Response.json({});
    await vi.waitFor(() => expect(outbox.late).toEqual([]), { timeout: 20_000 });
    expect(keptChanges()).toEqual([]);
  });

  it('are refused with the reason, and let the next go', async () => {
    const { outbox } = await openTab();
    answering = (path) => (path === '/a' ? refusal(409, 'changed_elsewhere') : Response.json(2));
    const [a, b] = await Promise.allSettled([outbox.send(change('/a')), outbox.send(change('/b'))]);
    expect(a).toMatchObject({ status: 'rejected', reason: { code: 'changed_elsewhere' } });
    expect(b).toEqual({ status: 'fulfilled', value: 2 });
    await vi.waitFor(() => expect(keptChanges()).toEqual([]));
  });

  it('are shown as made until the page has what is new', async () => {
    const { outbox } = await openTab();
    let arrived = () => {};
    const settle = () => new Promise<void>((resolve) => (arrived = resolve));
    await outbox.send(change('/a', { settle }));
    expect(outbox.list.map((w) => [w.path, w.isAnswered])).toEqual([['/a', true]]);
    arrived();
    await vi.waitFor(() => expect(outbox.list).toEqual([]));
  });

  it('go on while a file is being sent', async () => {
    const { outbox } = await openTab();
    answering = (path) => (path === '/file' ? new TypeError('gone') : Response.json(1));
    void outbox.send(change('/file', { body: undefined, file: new Blob(['x']) }));
    expect(await outbox.send(change('/a'))).toBe(1);
    expect(outbox.list.map((w) => w.path)).toContain('/file');
  });
});

describe('changes that a page left behind', () => {
  it('are sent by it after a reload, with their keys and files, and told', async () => {
    const first = await openTab();
    answering = () => new TypeError('gone');
    void first.outbox.send(change('/a'));
    void first.outbox.send(change('/file', { body: undefined, file: new Blob(['picture']) }));
    await vi.waitFor(() => expect(keptChanges()).toHaveLength(2));
    const keys = new Set(sent.map((s) => s.key));
    // The page is gone, and with it what it held.
    held.clear();
    [sent, answering] = [[], () => Response.json({ id: 'made' })];
    const second = await openTab(first.session);
    const kept: unknown[] = [];
    const stop = second.outbox.adopt(({ path }, answer) => kept.push([path, answer]));
    await vi.waitFor(() => expect(kept).toHaveLength(2));
    stop();
    expect(kept).toEqual(
      expect.arrayContaining([
        ['/a', { id: 'made' }],
        ['/file', { id: 'made' }],
      ]),
    );
    expect(sent.every((s) => keys.has(s.key))).toBe(true);
    expect(await (sent.find((s) => s.path === '/file')!.body as Blob).text()).toBe('picture');
    await vi.waitFor(() => expect([keptChanges().length, files.size]).toEqual([0, 0]));
  });

  it('are left to a tab that still lives, and taken from one that is gone', async () => {
    const left = { method: 'POST', path: '/left', what: 'left', key: 'key-of-its-own', at: 1, hasFile: false };
    store.set('odd-quill:change:key-of-its-own@other', JSON.stringify(left));
    held.add('odd-quill:tab:other');
    const { outbox } = await openTab();
    const kept: string[] = [];
    const stop = outbox.adopt(({ path }) => kept.push(path));
    await vi.advanceTimersByTimeAsync(20_000);
    expect([kept, sent, keptChanges().length]).toEqual([[], [], 1]);
    held.delete('odd-quill:tab:other');
    await vi.advanceTimersByTimeAsync(20_000);
    await vi.waitFor(() => expect(kept).toEqual(['/left']));
    stop();
    expect(sent.map((s) => s.key)).toEqual(['key-of-its-own']);
    expect(keptChanges()).toEqual([]);
  });

  it('say so when their file is gone', async () => {
    const first = await openTab();
    answering = () => new TypeError('gone');
    void first.outbox.send(change('/file', { body: undefined, file: new Blob(['x']), what: 'owl.png' }));
    await vi.waitFor(() => expect(keptChanges()).toHaveLength(1));
    files.clear();
    held.clear();
    const second = await openTab(first.session);
    const stop = second.outbox.adopt(() => {});
    await vi.waitFor(() => expect(told).toContainEqual(expect.stringContaining('owl.png: the file is no longer')));
    stop();
  });
});
