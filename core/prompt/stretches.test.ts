import { describe, expect, it } from 'vitest';
import { understand } from '../engine';
import { stretchesOf } from './stretches';

const told = (prompt: string): string[] =>
  stretchesOf(understand(prompt).parts).map((s) => `${s.name}: ${prompt.slice(s.from, s.to)}`);

describe('the line under a prompt', () => {
  it('shows parts in the order of the prompt, each with its own words', () => {
    expect(told('Emblem of three herons in the  reeds, flat, no text')).toEqual([
      'kind: Emblem',
      'figure: three herons',
      'relation: in',
      'figure: reeds',
      'finish: flat',
      'leave out: no text',
    ]);
  });

  it('marks what was not understood', () => {
    expect(stretchesOf(understand('a fox, blorfing').parts).find((s) => s.isUnknown)).toMatchObject({
      from: 7,
      to: 15,
    });
    expect(stretchesOf(understand('').parts)).toEqual([]);
  });
});
