import { describe, expect, it } from 'vitest';
import { FINISHES, understand } from '../engine';
import { lookOf, promptsFor, readApp, TRADE_SYMBOLS, type BriefSaid } from './index';
import { blankPicture, type Picture } from '../raster';
import { UNLIKE } from './symbols';

const NOCTULE: BriefSaid = {
  name: 'Noctule Night Rail',
  trade: 'sleeper trains between northern cities',
  mood: 'quiet, punctual, a little magical',
  coloursWanted: 'midnight blue, lamp yellow',
  coloursUnwanted: 'red',
  kindOfMark: 'emblem',
  notes: 'On carriages and tickets. No stars, no Halloween.',
};

describe('prompts from a brief', () => {
  it('go in three directions, each with figures that can be drawn, and a reason for each', () => {
    for (let seed = 1; seed < 12; seed++) {
      const directions = promptsFor(NOCTULE, seed);
      expect(directions.map((d) => d.title)).toEqual(['what it does', 'what it means', 'the two in one']);
      expect(new Set(directions.map((d) => d.prompt)).size).toBe(3);
      for (const { prompt, reasons } of directions) {
        const { parts } = understand(prompt);
        expect(parts.figures.length, prompt).toBeGreaterThan(0);
        for (const figure of parts.figures) expect(figure.via, `${prompt}: ${figure.word}`).not.toBe('none');
        expect(parts.notUnderstood, prompt).toEqual([]);
        expect(parts.settled, prompt).toEqual([]);
        expect(reasons.length).toBeGreaterThan(0);
      }
      expect(understand(directions[2].prompt).parts.figures).toHaveLength(2);
    }
  });

  it('take kind, colours and what is not wanted from it', () => {
    for (const { prompt, leaveOut } of promptsFor(NOCTULE)) {
      const { parts } = understand(prompt, leaveOut);
      expect(parts.kind).toBe('emblem');
      expect(parts.colours.map((c) => c.word)).toEqual(['midnight blue', 'lamp yellow']);
      expect(parts.leaveOut).toEqual(expect.arrayContaining(['red', 'stars', 'halloween']));
    }
  });

  it('are drawn in a hand that goes with the mood', () => {
    const finish = (mood: string) => understand(promptsFor({ trade: 'a bakery', mood })[0].prompt).parts;
    expect(finish('old, honoured').finish).toBe('woodcut');
    expect(finish('playful').finish).toBe('cut paper');
    expect(finish('refined').manner).toContain('one line weight');
  });

  it('are the same for the same seed, others for another', () => {
    expect(promptsFor(NOCTULE, 3)).toEqual(promptsFor(NOCTULE, 3));
    const all = Array.from({ length: 12 }, (_, seed) => promptsFor(NOCTULE, seed)[2].prompt);
    expect(new Set(all).size).toBeGreaterThan(4);
  });

  it('show what is spoken of most, and not the hall that it is done in', () => {
    const brief = { name: 'Alder Lane Seed Library', trade: 'a shelf in the town hall from which seeds are lent' };
    const plants = TRADE_SYMBOLS.find((s) => s.things.includes('seedling'))!;
    for (let seed = 1; seed < 12; seed++) {
      const [shown, meant] = promptsFor(brief, seed);
      expect(
        plants.things.some((thing) => shown.prompt.includes(thing)),
        shown.prompt,
      ).toBe(true);
      expect(
        plants.meant.some(([figure]) => meant.prompt.includes(figure)),
        meant.prompt,
      ).toBe(true);
    }
  });

  it('have something to go by for any trade', () => {
    expect(promptsFor({ trade: 'falconry displays' })).toHaveLength(3);
    expect(promptsFor({ mood: 'quiet' })).toHaveLength(3);
  });

  it('start from things of unlike fields where there is nothing', () => {
    const pairs = Array.from({ length: 30 }, (_, seed) => promptsFor({ name: 'Only a name' }, seed)).flat();
    expect(new Set(pairs.map((d) => d.prompt)).size).toBeGreaterThan(70);
    const fieldOf = (word: string) => UNLIKE.findIndex((f) => f.includes(word));
    for (const { title, prompt } of pairs) {
      expect(title).toBe('two fields');
      const [a, b] = understand(prompt).parts.figures;
      expect([a?.via, b?.via], prompt).not.toContain('none');
      expect(fieldOf(a.word), prompt).not.toBe(fieldOf(b.word));
    }
  });

  it('name nothing that cannot be drawn', () => {
    for (const { things, meant } of TRADE_SYMBOLS)
      for (const thing of [...things, ...meant.map(([m]) => m)]) {
        const figures = understand(thing).parts.figures;
        expect(figures, thing).toHaveLength(1);
        expect(figures[0].via, thing).not.toBe('none');
      }
    expect(Object.keys(FINISHES)).toEqual(expect.arrayContaining(['woodcut', 'cut paper', 'lino print', 'angular']));
  });
});

describe('an app', () => {
  const HIKES =
    'Track your hikes in the mountains. Record routes on a map, photograph birds, and share trails with friends.';
  const screenOf = (colours: readonly (readonly number[])[], isShaded = false): Picture => {
    const picture = blankPicture(90, 60, [255, 255, 255]);
    for (let y = 0; y < 60; y++)
      for (let x = 0; x < 90; x++) {
        const colour = colours[Math.floor((x / 90) * colours.length)];
        picture.rgba.set(
          colour.map((v) => (isShaded ? Math.max(0, v - 2 * (x % 30)) : v)),
          4 * (y * 90 + x),
        );
      }
    return picture;
  };

  it('is told by its nouns and verbs, the first sentence before the others', () => {
    const { things, acts, look } = readApp(HIKES);
    expect(things[0]).toEqual({ word: 'mountain', weight: 1 });
    expect(things.map((t) => t.word)).toEqual(expect.arrayContaining(['map', 'bird']));
    expect(acts.map((t) => t.word)).toEqual(expect.arrayContaining(['track', 'record', 'share']));
    expect(acts[0].weight).toBeGreaterThan(acts.at(-1)!.weight);
    expect(look).toBeNull();
    // What every app has says nothing.
    expect(readApp('An app that helps users with features on screens.').things).toEqual([]);
  });

  it('leads to three prompts for icons that the engine understands, in the colours of its screens', () => {
    const { directions, look } = readApp(HIKES, [screenOf([[24, 90, 60], [240, 240, 240], [230, 140, 30]])]); // prettier-ignore
    expect(look!.colours).toHaveLength(2);
    expect(look!.isShaded).toBe(false);
    expect(directions).toHaveLength(3);
    for (const { prompt } of directions) {
      const { parts } = understand(prompt);
      expect(parts.kind).toBe('app icon');
      expect(parts.figures.length).toBeGreaterThan(0);
      expect(parts.figures.every((f) => f.via !== 'none')).toBe(true);
      expect(parts.notUnderstood).toEqual([]);
      expect(parts.colours.map((c) => c.hex)).toEqual(look!.colours.map((c) => c.hex));
    }
  });

  it('is shaded where its screens are, and has no colours where they are grey', () => {
    expect(lookOf([screenOf([[60, 120, 220]], true)])!.isShaded).toBe(true);
    expect(lookOf([screenOf([[255, 255, 255], [20, 20, 20]])])!.colours).toEqual([]); // prettier-ignore
    expect(lookOf([])).toBeNull();
  });

  it('gives nothing for words without a thing or an act', () => {
    expect(readApp('')).toMatchObject({ things: [], acts: [], directions: [] });
    expect(readApp('qwxz vvv').directions).toEqual([]);
  });
});
