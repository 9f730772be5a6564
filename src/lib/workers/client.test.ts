import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Reply } from './messages';
import { traceWorker } from './client';

/** A worker that does nothing by itself: tests answer for it. */
class FakeWorker {
  static all: FakeWorker[] = [];
  readonly asked: { id: number; href: string; stop: Int32Array | null }[] = [];
  ended = false;
  onmessage: ((event: { data: Reply<unknown> }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;
  constructor() {
    FakeWorker.all.push(this);
  }
  postMessage(message: never): void {
    this.asked.push(message);
  }
  terminate(): void {
    this.ended = true;
  }
  reply(message: Reply<unknown>): void {
    this.onmessage!({ data: message });
  }
}

/** Hooks that keep what they hear. */
function hearing() {
  const heard: unknown[] = [];
  return {
    heard,
    hooks: {
      onResult: (r: unknown) => heard.push(['result', r]),
      onCoarse: (r: unknown) => heard.push(['coarse', r]),
      onError: (m: string) => heard.push(['error', m]),
      onProgress: (d: number) => heard.push(['progress', d]),
    },
  };
}
const request = (href: string) => ({ want: 'trace', href, options: {} }) as never;

beforeEach(() => {
  FakeWorker.all = [];
  vi.stubGlobal('Worker', FakeWorker);
  vi.stubGlobal('crossOriginIsolated', true);
});
afterEach(() => vi.unstubAllGlobals());

describe('a worker of which only the newest request matters', () => {
  it('is started with the first request, and hands on what it hears', () => {
    const tracer = traceWorker();
    expect(FakeWorker.all).toHaveLength(0);
    const { heard, hooks } = hearing();
    tracer.ask(request('a'), hooks);
    const [worker] = FakeWorker.all;
    expect(worker.asked).toMatchObject([{ id: 1, href: 'a' }]);
    worker.reply({ id: 1, what: 'progress', done: 0.4 });
    worker.reply({ id: 1, what: 'coarse', result: 'small' });
    worker.reply({ id: 1, what: 'result', result: 'whole' });
    expect(heard).toEqual([
      ['progress', 0.4],
      ['coarse', 'small'],
      ['result', 'whole'],
    ]);
  });

  it('is told to stop what is overtaken, which is not heard of again', () => {
    const tracer = traceWorker();
    const [one, two] = [hearing(), hearing()];
    tracer.ask(request('a'), one.hooks);
    const [worker] = FakeWorker.all;
    const { stop } = worker.asked[0];
    expect(stop![0]).toBe(0);
    tracer.ask(request('b'), two.hooks);
    expect(stop![0]).toBe(1);
    // It is still at it: what it says of the first goes nowhere.
    worker.reply({ id: 1, what: 'progress', done: 0.9 });
    expect(worker.asked).toHaveLength(1);
    worker.reply({ id: 1, what: 'stopped' });
    expect(worker.asked).toMatchObject([{ href: 'a' }, { href: 'b', id: 2 }]);
    expect(worker.asked[1].stop![0]).toBe(0);
    worker.reply({ id: 2, what: 'result', result: 'b' });
    expect([one.heard, two.heard]).toEqual([[], [['result', 'b']]]);
  });

  it('skips what waits when something newer comes', () => {
    const tracer = traceWorker();
    const all = ['a', 'b', 'c', 'd'].map((href) => {
      const hearer = hearing();
      tracer.ask(request(href), hearer.hooks);
      return hearer;
    });
    const [worker] = FakeWorker.all;
    worker.reply({ id: 1, what: 'result', result: 'too late' });
    worker.reply({ id: 2, what: 'result', result: 'd' });
    expect(worker.asked.map((a) => a.href)).toEqual(['a', 'd']);
    expect(all.map((h) => h.heard)).toEqual([[], [], [], [['result', 'd']]]);
  });

  it('hands on errors and goes on', () => {
    const tracer = traceWorker();
    const [one, two] = [hearing(), hearing()];
    tracer.ask(request('a'), one.hooks);
    FakeWorker.all[0].reply({ id: 1, what: 'error', message: 'The picture could not be loaded' });
    tracer.ask(request('b'), two.hooks);
    FakeWorker.all[0].reply({ id: 2, what: 'result', result: 'b' });
    expect([one.heard, two.heard]).toEqual([[['error', 'The picture could not be loaded']], [['result', 'b']]]);
  });

  it('is replaced when it breaks, with what waited', () => {
    const tracer = traceWorker();
    const [one, two] = [hearing(), hearing()];
    tracer.ask(request('a'), one.hooks);
    const logged = vi.spyOn(console, 'error').mockImplementation(() => {});
    FakeWorker.all[0].onerror!({ message: 'out of memory' });
    // What the worker says of itself is for the console.
    expect(logged).toHaveBeenCalledWith('out of memory');
    logged.mockRestore();
    expect(one.heard).toEqual([['error', expect.stringContaining('broken off')]]);
    expect(FakeWorker.all[0].ended).toBe(true);
    tracer.ask(request('b'), two.hooks);
    expect(FakeWorker.all).toHaveLength(2);
    FakeWorker.all[1].reply({ id: 2, what: 'result', result: 'b' });
    expect(two.heard).toEqual([['result', 'b']]);
  });

  it('needs no shared memory', () => {
    vi.stubGlobal('crossOriginIsolated', false);
    const tracer = traceWorker();
    const [one, two] = [hearing(), hearing()];
    tracer.ask(request('a'), one.hooks);
    tracer.ask(request('b'), two.hooks);
    const [worker] = FakeWorker.all;
    expect(worker.asked[0].stop).toBeNull();
    worker.reply({ id: 1, what: 'result', result: 'a' });
    worker.reply({ id: 2, what: 'result', result: 'b' });
    expect([one.heard, two.heard]).toEqual([[], [['result', 'b']]]);
  });

  it('says nothing any more once it is closed', () => {
    const tracer = traceWorker();
    const { heard, hooks } = hearing();
    tracer.ask(request('a'), hooks);
    tracer.close();
    expect(FakeWorker.all[0].ended).toBe(true);
    FakeWorker.all[0].reply({ id: 1, what: 'result', result: 'a' });
    expect(heard).toEqual([]);
  });
});
