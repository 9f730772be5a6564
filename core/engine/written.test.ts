/** The reader against prompts whose reading was written down before they were read: shares that it must not fall below. */
import { readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { scoreOf, writtenFile, type Part } from '../../bench/written';
import { understand } from './request';

const FILES = readdirSync(new URL('../../bench/reading/', import.meta.url)).sort();

describe('prompts whose reading was written down', () => {
  const prompts = FILES.flatMap(writtenFile);
  const score = scoreOf(prompts);
  const share = (part: Part): number => score.right[part] / score.asked[part];

  it('are some thousands, and ask for everything', () => {
    expect(prompts.length).toBeGreaterThan(2000);
    expect(Math.min(...Object.values(score.asked))).toBeGreaterThan(50);
    expect(new Set(prompts.map((p) => p.prompt)).size).toBeGreaterThan(0.9 * prompts.length);
  });

  it.each([
    ['figures', 0.9],
    ['relations', 0.85],
    ['counts', 0.9],
    ['leaveOut', 0.95],
    ['lettering', 0.95],
    ['kind', 0.95],
  ] as const)('are read as they were written: %s in %f', (part, least) => {
    expect(share(part), score.wrong.join('\n')).toBeGreaterThanOrEqual(least);
  });

  it('have few words that are not understood', () => {
    expect(score.notUnderstood / score.words).toBeLessThan(0.08);
  });

  it('are counted wrong where they are', () => {
    const [first] = prompts;
    const { right, asked, wrong } = scoreOf([
      { ...first, figures: [{ word: 'nothing of the kind', count: 1 }], relations: [], kind: '' },
    ]);
    expect([right.figures, asked.figures, wrong.length]).toEqual([0, 1, 1]);
  });

  it('lose no word: each has a part in what was read', () => {
    for (const { prompt } of prompts.filter((_, i) => i % 8 === 0)) {
      const { words } = understand(prompt).parts;
      const spoken = prompt.toLowerCase().match(/[\p{L}\p{N}]+(?:['.-][\p{L}\p{N}]+)*/gu)!;
      expect(words.map((w) => w.word).join(' ').length, prompt).toBeGreaterThan(0.8 * spoken.join(' ').length);
      expect(words.every((w) => w.part.length > 0)).toBe(true);
    }
  });
});
