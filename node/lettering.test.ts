import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { afterAll, describe, expect, it } from 'vitest';
import { drawCandidate } from '../core/engine';
import { startRecognition } from './recognise';
import { Pool } from './pool';

const pool = new Pool(fileURLToPath(new URL('./thread.mjs', import.meta.url)), 1, undefined, true);
afterAll(() => pool.close());

const candidate = (prompt: string, seed: number) =>
  drawCandidate({ prompt, sizePx: 640, seed, flaws: 0, leeway: 0 }, 0).picture;

describe('recognition', () => {
  it('reads lettering on an arc and beneath a mark, and knows whether it is what was asked', async () => {
    const emblem = candidate('emblem of a hedgehog in a ring, named Juniper Row, green', 3);
    const right = await pool.run('readLettering', { picture: emblem, asked: 'Juniper Row' });
    expect(right.verdict).toBe('right');
    expect(right.lines.flatMap((l) => l.words.map((w) => w.text.toLowerCase()))).toEqual(['juniper', 'row']);
    expect(right.lines[0].words[0].onArc).toBe(true);
    const other = await pool.run('readLettering', { picture: emblem, asked: 'Jupiter Row' });
    expect(other.verdict).toBe('wrong');
  });

  it('finds none in a mark without any', async () => {
    const mark = candidate('fox, flat, orange', 5);
    expect(await pool.run('readLettering', { picture: mark, asked: null })).toEqual({ lines: [], verdict: 'none' });
  });

  it('says so when its data is missing or broken', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'odd-quill-data-'));
    try {
      await expect(startRecognition(folder)).rejects.toMatchObject({ code: 'no_recognition' });
      for (const data of [Buffer.from('this is no such data'), gzipSync('nor is this'), gzipSync(Buffer.alloc(1e6))]) {
        await writeFile(join(folder, 'eng.traineddata.gz'), data);
        await expect(startRecognition(folder)).rejects.toMatchObject({ code: 'no_recognition' });
      }
    } finally {
      await rm(folder, { recursive: true });
    }
  });
});
