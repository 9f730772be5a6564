import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import { drawCandidate } from '../core/engine';
import { trace } from '../core/trace';
import { decodePicture, encodePng } from './pictures';
import { Pool } from './pool';
import { blackPng } from './testing';

const candidate = drawCandidate({ prompt: 'bat over a moon, midnight blue and lamp yellow', sizePx: 256 }, 0).picture;
const raw = (channels: 1 | 2 | 3 | 4, widthPx = 40, heightPx = 20) =>
  sharp(Buffer.alloc(widthPx * heightPx * channels, 120), { raw: { width: widthPx, height: heightPx, channels } });

describe('picture files', () => {
  it('come back as they went', async () => {
    const back = await decodePicture(await encodePng(candidate));
    expect([back.widthPx, back.heightPx]).toEqual([256, 256]);
    expect(Buffer.from(back.rgba).equals(Buffer.from(candidate.rgba))).toBe(true);
  });

  it('are read whatever their kind', async () => {
    const files = {
      png: await raw(3).png().toBuffer(),
      palette: await raw(3).png({ palette: true }).toBuffer(),
      grey: await raw(1).png().toBuffer(),
      deep: await raw(3).toColourspace('rgb16').png().toBuffer(),
      jpeg: await raw(3).jpeg({ quality: 60 }).toBuffer(),
      webp: await raw(4).webp().toBuffer(),
    };
    for (const [name, file] of Object.entries(files)) {
      const picture = await decodePicture(file);
      expect([name, picture.widthPx, picture.heightPx, picture.rgba.length]).toEqual([name, 40, 20, 40 * 20 * 4]);
    }
  });

  it('are turned upright', async () => {
    const { widthPx, heightPx } = await decodePicture(await raw(3).jpeg().withMetadata({ orientation: 6 }).toBuffer());
    expect([widthPx, heightPx]).toEqual([20, 40]);
  });

  it('lose everything but their pixels', async () => {
    const tagged = await raw(3)
      .withExif({ IFD0: { Copyright: 'SECRET-PLACE' } })
      .jpeg()
      .toBuffer();
    expect(tagged.includes('SECRET-PLACE')).toBe(true);
    expect((await encodePng(await decodePicture(tagged))).includes('SECRET-PLACE')).toBe(false);
  });

  const refusal = (file: Uint8Array) =>
    decodePicture(file).then(
      () => 'taken',
      (e: { code: string }) => e.code,
    );

  it('are refused when they are something else, broken, cut off, or too small', async () => {
    const png = await encodePng(candidate);
    expect(await refusal(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).toBe('not_a_picture');
    expect(await refusal(Buffer.from('GIF89a not really'))).toBe('not_a_picture');
    expect(await refusal(Buffer.alloc(0))).toBe('not_a_picture');
    expect(await refusal(png.subarray(0, Math.floor(png.length / 2)))).toBe('broken_picture');
    expect(await refusal(await raw(3, 4, 4).png().toBuffer())).toBe('too_small');
  });

  it('are refused by their size before they are decoded', async () => {
    const giant = blackPng(30_000, 30_000);
    expect(giant.length).toBeLessThan(1_000_000);
    const before = process.memoryUsage().rss;
    expect(await refusal(giant)).toBe('too_large');
    expect(process.memoryUsage().rss - before).toBeLessThan(100_000_000);
    expect(await refusal(blackPng(11_000, 4000))).toBe('too_large');
  });
});

describe('worker threads', () => {
  const pool = new Pool(fileURLToPath(new URL('./thread.mjs', import.meta.url)), 2);
  afterAll(() => pool.close());
  const request = { prompt: 'owl', sizePx: 128, seed: 5 };

  it('draw what the same code draws here', async () => {
    const { png } = await pool.run('draw', { request, position: 2 });
    const here = drawCandidate(request, 2).picture;
    expect(Buffer.from((await decodePicture(png)).rgba).equals(Buffer.from(here.rgba))).toBe(true);
  });

  it('does all tasks of a lane in one thread, others meanwhile in another', async () => {
    const own = new Pool(fileURLToPath(new URL('./thread.mjs', import.meta.url)), 2);
    const [first, ...rest] = await Promise.all(
      ['a', 'a', 'b', 'b'].map((lane) => own.run('readSvg', '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><path d="M0 0H9V9Z"/></svg>', { lane })),
    );
    for (const read of rest) expect(read).toEqual(first);
    // One that is stopped while its lane is busy leaves the lane to the next.
    const stop = new AbortController();
    const busy = own.run('draw', { request, position: 0 }, { lane: 'a' });
    const stopped = own.run('draw', { request, position: 1 }, { lane: 'a', signal: stop.signal });
    stop.abort();
    await expect(stopped).rejects.toMatchObject({ name: 'AbortError' });
    expect((await busy).widthPx).toBe(128);
    expect((await own.run('draw', { request, position: 2 }, { lane: 'a' })).widthPx).toBe(128);
    // Its thread goes, and the next task of it has another.
    own.endLane('a');
    expect((await own.run('draw', { request, position: 2 }, { lane: 'a' })).widthPx).toBe(128);
    await own.close();
  }); // prettier-ignore

  it('trace, and tell how far they are', async () => {
    const heard: number[] = [];
    const result = await pool.run(
      'trace',
      { picture: candidate, options: {} },
      { onProgress: (done) => heard.push(done) },
    );
    expect(result.artwork).toEqual(trace(candidate).artwork);
    expect(heard.length).toBeGreaterThan(1);
  });

  it('stop when nobody wants the result, and go on with the next', async () => {
    const abort = new AbortController();
    const big = pool.run('draw', { request: { ...request, sizePx: 2048 }, position: 0 }, { signal: abort.signal });
    const waiting = Array.from({ length: 4 }, (_, i) => pool.run('draw', { request, position: i }));
    abort.abort();
    await expect(big).rejects.toMatchObject({ name: 'AbortError' });
    await expect(pool.run('draw', { request, position: 0 }, { signal: AbortSignal.abort() })).rejects.toMatchObject({
      name: 'AbortError',
    });
    expect(await Promise.all(waiting)).toHaveLength(4);
  });

  it('report what went wrong in a thread', async () => {
    await expect(pool.run('draw', { request: { prompt: '' }, position: 0 })).rejects.toMatchObject({
      code: 'empty_prompt',
    });
  });
});
