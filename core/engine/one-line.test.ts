import { describe, expect, it } from 'vitest';
import { grown, sizeOf, stroked, subtract, rim, type Area } from '../path';
import { disc, box } from './area';
import { buildFigure } from './build';
import { silhouetteOf, type Figure } from './figure';
import { knobsFrom } from './knobs';
import { oneLineOf } from './one-line';

const figure = (...areas: Area[]): Figure => ({ name: 'probe', tones: [0.3, 1], parts: areas.map((area, i) => ({ tone: i ? 1 : 0, area })) }); // prettier-ignore
const drawn = (run: readonly number[]): Area => stroked([run], 2, false);

describe('one continuous line', () => {
  it('goes round a disc, from the left to the right', () => {
    const run = oneLineOf(figure(disc(50, 50, 30)), 1);
    expect(run[0]).toBeLessThan(20);
    expect(run[run.length - 2]).toBeGreaterThan(80);
    const line = drawn(run);
    // All of the edge is drawn, but for what a rounded line cannot reach.
    expect(sizeOf(subtract(rim(disc(50, 50, 30), 1), grown(line, 0.4)))).toBeLessThan(1);
    expect(line.filter((ring) => sizeOf([ring]) > 0)).toHaveLength(2);
  });
  it('goes into the figure for what is in it, and out of it for what stands beside it', () => {
    const run = oneLineOf(figure(disc(50, 50, 30), disc(42, 46, 8)), 1);
    expect(sizeOf(subtract(rim(disc(42, 46, 8), 0.6), grown(drawn(run), 0.5)))).toBeLessThan(1);
    const two = oneLineOf(figure([...disc(30, 50, 20), ...box(70, 40, 20, 20)]), 1);
    expect(sizeOf(subtract(rim(box(70, 40, 20, 20), 0.4), grown(drawn(two), 0.9)))).toBeLessThan(3);
  });
  it.each(['fox', 'cup', 'swan', 'rose', 'owl', 'house', 'bicycle', 'hand'])('never leaves the paper for a %s', (name) => {
    for (const seed of [1, 2, 3]) {
      const built = buildFigure(name, { knobs: knobsFrom([{ seed, drift: 1 }]), leeway: 40, detail: 45 });
      const run = oneLineOf(built, 1);
      const hull = silhouetteOf(built);
      // One line has one piece, and every step of it within the figure is small but for the way to something that stands apart.
      const outer = drawn(run).filter((ring) => sizeOf([ring]) > 0.5);
      expect(outer.length).toBeGreaterThan(0);
      let long = 0;
      for (let i = 2; i < run.length; i += 2)
        if (Math.hypot(run[i] - run[i - 2], run[i + 1] - run[i - 1]) > 14) long++;
      expect(long).toBeLessThan(14);
      // It shows the outline.
      expect(sizeOf(subtract(rim(hull, 0.4), grown(drawn(run), 1.6)))).toBeLessThan(0.2 * sizeOf(rim(hull, 0.4)));
    }
  }); // prettier-ignore
  it('draws nothing for nothing', () => {
    expect(oneLineOf(figure([]), 1)).toEqual([]);
  });
});
