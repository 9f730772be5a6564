/** Landscapes: which prompts ask for one, and what one sees in it; the hour and the colours. */
import { describe, expect, it } from 'vitest';
import { hexToOklab, oklabToOklch } from '../colour';
import { boundsOf } from './area';
import { compose } from './compose';
import { castOf, isScene, landIn } from './grounds';
import { understand } from './request';
import { scene } from './scene';
import { schemeFor } from './schemes';
import { around, hueOf, knobsAt, requestOf, stageOf } from './testing';
import { intersect } from '../path';

describe('what is a landscape', () => {
  const figuresOf = (prompt: string) => understand(prompt).parts.figures;

  it.each([
    ['a moose in a lake', 'wet'],
    ['three sheep in a field under the sun', 'green'],
    ['a mountain with a river', 'stream'],
    ['a bicycle on a road with mountains', 'dry'],
    ['a cabin by a lake under the stars', 'wet'],
  ])('%s: %s', (prompt, land) => {
    expect(isScene(figuresOf(prompt))).toBe(true);
    expect(landIn(figuresOf(prompt))).toBe(land);
  });

  it.each([
    'a fox',
    'a lake',
    'a forest in a bottle',
    'a mountain reflected in a lake',
    'a jug pouring water',
    'a field made of buttons',
    'a bear holding a fish',
    'a girl with a field on her hat',
  ])('%s is none', (prompt) => expect(isScene(figuresOf(prompt))).toBe(false));

  it('knows who is in it, what is behind and what shines', () => {
    const cast = castOf(figuresOf('a bear in a river under the moon'))!;
    expect(cast).toMatchObject({ ground: 'river', at: 1, sky: [2], back: [], actors: [0] });
  });
});

describe('a landscape', () => {
  const PROMPTS = ['a moose in a lake', 'a barn in a meadow', 'a camel in the desert under the sun', 'a tractor on a field', 'a deer in a forest', 'a bridge over a river']; // prettier-ignore

  it('stays within its window, whatever is in it', () => {
    for (const prompt of PROMPTS)
      for (const position of [0, 1, 2, 3]) {
        const layers = scene(stageOf(prompt, position, 50));
        const window = around(layers.filter((l) => !l.clip));
        for (const l of layers.filter((x) => x.clip)) {
          const seen = boundsOf(intersect(l.area, l.clip!));
          expect(seen.x).toBeGreaterThan(window.x - 0.5);
          expect(seen.x + seen.width).toBeLessThan(window.x + window.width + 0.5);
          expect(seen.y + seen.height).toBeLessThan(window.y + window.height + 0.5);
        }
      }
  });

  it('shows animals whole, and what swims to the water alone', () => {
    for (const position of [0, 1, 2]) {
      const stage = stageOf('a moose in a lake', position, 50);
      const water = scene(stage).findLastIndex((l) => l.isFigure && boundsOf(intersect(l.area, l.clip ?? l.area)).width > 60); // prettier-ignore
      // The water is painted last, over the legs.
      expect(water).toBe(scene(stage).findLastIndex((l) => l.isFigure));
      const swimmer = scene(stage).filter((l, i) => l.isFigure && i < water).map((l) => boundsOf(l.area)); // prettier-ignore
      expect(swimmer.length).toBeGreaterThan(0);
      expect(Math.max(...swimmer.map((b) => b.y + b.height))).toBeLessThan(66);
    }
  });

  it('sets stars all over its sky and none over what stands there', () => {
    const layers = scene(stageOf('a cabin by a lake under the stars'));
    const stars = layers.filter((l) => l.isFigure && boundsOf(l.area).width < 14 && boundsOf(l.area).y < 50);
    expect(stars.length).toBeGreaterThanOrEqual(5);
    const xs = stars.map((l) => boundsOf(l.area).x);
    expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan(30);
  });

  it('has as many stars as are counted, no rim where none is wanted, and no window without a ground', () => {
    const starsIn = (prompt: string): number => compose(requestOf(prompt)).layers.filter((l) => l.isFigure && boundsOf(l.area).width < 12 && boundsOf(l.area).y < 45).length; // prettier-ignore
    expect(starsIn('a cabin by a lake under two stars')).toBe(starsIn('a cabin by a lake under the stars') - 4);
    const rims = (prompt: string): number => compose(requestOf(prompt)).layers.filter((l) => l.area.length === 2 && boundsOf(l.area).width > 80).length; // prettier-ignore
    expect(rims('a barn in a meadow')).toBeGreaterThan(0);
    expect(rims('a barn in a meadow, no border')).toBe(0);
    expect(compose(requestOf('a barn in a meadow, no background')).layers.some((l) => l.clip)).toBe(false);
  });

  it('has water that is blue and grass that is green, whoever is in it', () => {
    for (let seed = 1; seed < 30; seed++) {
      const knobs = knobsAt(seed);
      for (const name of ['moose', 'barn', 'zebra', 'fox', null]) {
        expect(hueOf(schemeFor(name, knobs, { land: 'wet' })[1])).toBeGreaterThan(170);
        expect(hueOf(schemeFor(name, knobs, { land: 'stream' })[2])).toBeGreaterThan(200);
        const green = hueOf(schemeFor(name, knobs, { land: 'green' })[1]);
        expect(green).toBeGreaterThan(95);
        expect(green).toBeLessThan(160);
      }
    }
  });

  it('is night where the moon shines: a dark window, the moon light on it', () => {
    for (const position of [0, 1, 2, 3]) {
      const [window, ...rest] = scene(stageOf('a fox on a hill under the moon', position, 50));
      expect(hexToOklab(window.fill as string).L).toBeLessThan(0.45);
      const moon = rest.find((l) => l.isFigure)!;
      expect(hexToOklab(moon.fill as string).L).toBeGreaterThan(hexToOklab(window.fill as string).L + 0.25);
    }
  });
});

describe('a figure alone, by the hour', () => {
  it('stands by night in a night of its own, with stars', () => {
    const [night, ...rest] = compose(requestOf('a barn at night')).layers;
    expect(boundsOf(night.area).width).toBeGreaterThan(86);
    expect(rest.at(-1)!.area).toHaveLength(4);
    expect(compose(requestOf('a barn')).layers.length).toBeLessThan(rest.length + 1);
  });

  it('rides waves in a landscape where something swims, and not where the sun rises over them', () => {
    expect(isScene(understand('a feather on waves').parts.figures)).toBe(false);
    expect(isScene(understand('a ship on waves').parts.figures)).toBe(true);
    expect(isScene(understand('sun rising over waves').parts.figures)).toBe(false);
  });

  it('stands before a low sun at sunset, on the line that cuts it', () => {
    const [sun, , ...rest] = compose(requestOf('a sailboat at sunset')).layers;
    const disc = boundsOf(sun.area);
    const boat = around(rest.filter((l) => l.isFigure));
    expect(disc.width).toBeGreaterThan(1.3 * disc.height);
    expect(Math.abs(boat.y + boat.height - (disc.y + disc.height))).toBeLessThan(3);
    expect(compose(requestOf('a sailboat')).layers.length).toBeLessThan(rest.length + 2);
  });
});

describe('colours of two', () => {
  it('have that of the second figure too, where a scheme has both', () => {
    for (let seed = 1; seed < 20; seed++) {
      const [, support] = schemeFor('octopus', knobsAt(seed), { second: 'lemon' });
      expect(hueOf(support)).toBeGreaterThan(50);
      expect(hueOf(support)).toBeLessThan(124);
    }
  });

  it('keeps what is black and white so', () => {
    for (let seed = 1; seed < 12; seed++)
      for (const hex of schemeFor('panda', knobsAt(seed))) expect(oklabToOklch(hexToOklab(hex)).C).toBeLessThan(0.03);
  });
});
