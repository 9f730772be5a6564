import { afterAll, afterEach, describe, expect, it } from 'vitest';
import type { Picture } from '$core/raster';
import { computed, stopComputing } from './computing';

process.env.ODD_QUILL_ROOT = process.cwd();
afterEach(() => {
  delete process.env.ODD_QUILL_COMPUTE_TIMEOUT_MS;
});
afterAll(stopComputing);

const nobodyLeaves = () => new AbortController().signal;
const small = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><rect width="5" height="5"/></svg>';

/** A picture of nothing but noise, which takes a trace very long. */
function noise(sidePx: number): Picture {
  const rgba = new Uint8ClampedArray(sidePx * sidePx * 4);
  let seed = 7;
  for (let i = 0; i < rgba.length; i++) {
    seed = (seed * 1103515245 + 12345) & 0x7fffffff;
    rgba[i] = i % 4 === 3 ? 255 : seed >> 16;
  }
  return { widthPx: sidePx, heightPx: sidePx, rgba };
}

describe('what is computed on request', () => {
  it('is computed, and what is wrong with it comes back with its name', async () => {
    expect((await computed('readSvg', small, nobodyLeaves())).artwork.nodes).toHaveLength(1);
    await expect(computed('readSvg', 'none', nobodyLeaves())).rejects.toMatchObject({ name: 'SvgError' });
  });

  it('ends when its caller goes, however busy it is, and the next one is done at once', async () => {
    const caller = new AbortController();
    const long = computed('trace', { picture: noise(1200), options: {} }, caller.signal);
    const failed = expect(long).rejects.toMatchObject({ name: 'AbortError' });
    setTimeout(() => caller.abort(), 600);
    await failed;
    const at = performance.now();
    await computed('readSvg', small, nobodyLeaves());
    // A thread in the middle of something is given a moment to hear of it, and ended then.
    expect(performance.now() - at).toBeLessThan(8000);
  });

  it('is given up after the time that it may take, with a sentence', async () => {
    process.env.ODD_QUILL_COMPUTE_TIMEOUT_MS = '700';
    await expect(computed('trace', { picture: noise(1200), options: {} }, nobodyLeaves())).rejects.toMatchObject({
      status: 422,
      code: 'takes_too_long',
    });
  });

  it('waits in a queue with an end, and says when to come again', async () => {
    const caller = new AbortController();
    const first = computed('trace', { picture: noise(1200), options: {} }, caller.signal).catch(() => 'gone');
    const waiting = Array.from({ length: 8 }, () => computed('readSvg', small, caller.signal).catch(() => 'gone'));
    await expect(computed('readSvg', small, nobodyLeaves())).rejects.toMatchObject({
      status: 503,
      code: 'busy',
      retryAfterSeconds: 10,
    });
    caller.abort();
    expect(await Promise.all([first, ...waiting])).toEqual(Array(9).fill('gone'));
  });
});
