/** Where one stands to the other: in the distance, in the water, in a pouch, on a cone, after its mother. */
import { describe, expect, it } from 'vitest';
import { boundsOf, box } from './area';
import { asDrawn } from './as-drawn';
import { compose } from './compose';
import { cropOf } from './grounds';
import { severalAsOne } from './pairings';
import { waysFor } from './pairs';
import { around, arranged, build, gapsOf, parted, requestOf, stageOf } from './testing';
import { placed, silhouetteOf } from './figure';
import { grown, intersect, sizeOf, subtract, union, type Box } from '../path';

type Seen = ReturnType<typeof parted>;
const foot = (b: Box): number => b.y + b.height;
const right = (b: Box): number => b.x + b.width;
const middle = (b: Box): number => b.x + b.width / 2;

/** What a stranger would look for: a prompt, its two figures, and what is so of what is behind and in front. */
const ROWS: readonly (readonly [what: string, prompt: string, a: string, b: string, holds: (seen: Seen) => boolean])[] = [
  ['a castle behind somebody is larger, on one ground', 'a bear with a castle behind it', 'bear', 'castle', ({ back, front }) => back.height > front.height && foot(front) - foot(back) < 10 && foot(front) >= foot(back)],
  ['who is before a lighthouse is off its middle', 'a cat in front of a lighthouse', 'cat', 'lighthouse', ({ back, front }) => middle(front) < middle(back) && front.height < back.height],
  ['a whale is under the boat that floats over it', 'a whale swimming under a small boat', 'whale', 'boat', ({ layers }) => foot(around(layers.slice(0, 1))) < 50 && around(layers).height > 60],
  ['what is in a pouch is before the belly', 'a kangaroo with a carrot in its pouch', 'kangaroo', 'carrot', ({ front, all }) => front.y > all.y + 0.35 * all.height && front.width < 0.6 * all.width],
  ['a cup holds back the foot of what floats in it', 'a cup of coffee with a sailboat on its surface', 'cup', 'sailboat', ({ back, front }) => foot(back) < front.y + 0.2 * front.height && back.y < front.y - 10],
  ['a bird has a brush for its beak', 'a toucan with a paintbrush as its beak', 'toucan', 'paintbrush', ({ back, front }) => right(back) > right(front) + 5 && back.height < 0.5 * front.height],
  ['what sticks in a rock has its grip up', 'a sword in a stone', 'sword', 'rock', ({ back, front }) => back.y < front.y - 15 && foot(back) > front.y],
  ['a pen stands at the end of what it has drawn', 'a pencil drawing a heart', 'pencil', 'heart', ({ back, front }) => front.x > back.x + 0.5 * back.width && front.y < back.y],
  ['the scoop is on the cone', 'an ice cream cone with a planet as the scoop', 'ice cream', 'planet', ({ back, front }) => front.y < back.y && foot(front) < foot(back) && foot(front) > back.y],
  ['what is in a ring of steel is in its middle', 'a mountain inside a carabiner', 'mountain', 'carabiner', ({ front, all }) => front.height < 0.8 * all.height && Math.abs(middle(front) - middle(all)) < 0.2 * all.width],
  ['a basket hangs under what lifts it', 'a hot air balloon shaped like a strawberry', 'hot air balloon', 'strawberry', ({ back, front }) => foot(back) > foot(front) && front.width > back.width],
  ['branches bend up at both sides of what they go round', 'wheat around a rolling pin', 'wheat', 'rolling pin', ({ back, front }) => back.x < front.x && right(back) > right(front)],
  ['over crossed keys an owl is in front', 'an owl on two crossed keys', 'owl', 'key', ({ back, front }) => back.width > front.width],
  ['the top of one thing is on the rest of another', 'a lighthouse shaped like a pencil', 'lighthouse', 'pencil', ({ all }) => all.height > 1.5 * all.width || all.height > 80],
  ['a head is at the prow, which is highest', 'a viking ship with a dragon head', 'viking ship', 'dragon', ({ back, front }) => front.y < back.y + 0.5 * back.height && (front.x < back.x + 0.25 * back.width || right(front) > back.x + 0.75 * back.width)],
  ['a bird has what is light in its beak', 'a dove with an olive branch', 'dove', 'olive branch', ({ back, front }) => front.width < 0.7 * back.width && middle(front) > middle(back)],
  ['roots hang down from the trunk', 'a tree whose roots form a hand', 'tree', 'hand', ({ all }) => all.height > 1.15 * all.width],
  ['two that share an umbrella are under it', 'two cats sharing an umbrella', 'cat', 'umbrella', ({ back, front }) => back.y < front.y && front.height < back.height],
  ['a crack is on the face of what has it', 'a vase with a crack', 'vase', 'crack', ({ back, front }) => front.height < 0.8 * back.height && front.y > back.y && foot(front) < foot(back)],
  ['a trunk holds what flies over the head', 'an elephant holding a balloon with its trunk', 'elephant', 'balloon', ({ back, front }) => back.y < front.y && foot(back) < front.y + 0.5 * front.height && middle(back) > middle(front)],
  ['who is among clouds has one before and one behind', 'a whale swimming through clouds', 'whale', 'cloud', ({ all, front }) => front.width < 0.7 * all.width && foot(front) > all.y + 0.8 * all.height],
  ['who is under a table is between its legs', 'a dog under a table', 'dog', 'table', ({ back, front }) => front.x > back.x && right(front) < right(back) && front.y > back.y && Math.abs(foot(front) - foot(back)) < 2],
  ['an umbrella is over what it shields', 'an umbrella shielding a plant', 'umbrella', 'plant', ({ back, front }) => back.y < front.y && front.height < back.height],
  ['a guitar has a pear for its body, its neck over it', 'a guitar whose body is a pear', 'guitar', 'pear', ({ back, front }) => back.y < front.y && back.width < front.width],
  ['a candle is on its cake', 'a cupcake with a candle', 'cupcake', 'candle', ({ all }) => all.height > 1.1 * all.width],
  ['who rides a rooster sits on its back', 'a cowboy riding a rooster', 'cowboy', 'rooster', ({ all }) => all.height > 0.9 * all.width],
  ['an insect has pages for wings', 'a butterfly with book pages as wings', 'butterfly', 'page', ({ back, front }) => back.x < front.x - 10 && right(back) > right(front) + 10 && Math.abs(middle(back) - middle(front)) < 3],
]; // prettier-ignore

describe('where one stands to the other', () => {
  it.each(ROWS)('%s', (_, prompt, a, b, holds) => {
    const seen = gapsOf(arranged(prompt, a, b), prompt).length ? parted(prompt, a, b) : { layers: arranged(prompt, a, b), back: around([]), front: around([]), all: around(arranged(prompt, a, b)) }; // prettier-ignore
    expect(holds(seen), JSON.stringify({ back: seen.back, front: seen.front, all: seen.all })).toBe(true);
  });

  it('sets two lines of water under what floats, jumps or is crossed over it', () => {
    for (const [prompt, a, b] of [['a sailboat on a wave', 'sailboat', 'wave'], ['a trout jumping over a stream', 'fish', 'river'], ['two crossed oars over waves', 'paddle', 'wave']] as const) {
      const layers = arranged(prompt, a, b);
      const [water, high] = [boundsOf(layers.at(-1)!.area), around(layers.slice(0, -1))];
      expect(water.y, prompt).toBeGreaterThan(foot(high) - 1);
      expect(water.width, prompt).toBeGreaterThan(4 * water.height * 0.6);
    }
  }); // prettier-ignore

  it('has the young after their mother, as many as there are, each much smaller', () => {
    for (const [prompt, a, b, n] of [['a wolf with two cubs', 'wolf', 'wolf', 2], ['a hen with three chicks', 'chicken', 'chick', 3]] as const) {
      const stage = asDrawn(stageOf(prompt));
      const [first, second] = stage.parts.figures;
      const layers = waysFor(first, second)[0](stage, build(a), build(b));
      const gaps = gapsOf(layers, prompt);
      expect(gaps, prompt).toHaveLength(n);
      const mother = around(layers.slice(0, gaps[0]));
      for (const [i, at] of gaps.entries()) {
        const young = around(layers.slice(at + 1, gaps[i + 1] ?? layers.length));
        expect(young.height, prompt).toBeLessThan(0.6 * mother.height);
        expect(Math.abs(foot(young) - foot(mother)), prompt).toBeLessThan(6);
      }
    }
  }); // prettier-ignore

  it('gives a clock what stands for its hours, twelve times in a ring', () => {
    const layers = arranged('a clock with birds instead of numbers', 'clock', 'bird');
    const marks = layers.map((l) => boundsOf(l.area)).filter((m) => m.width < 20 && Math.hypot(m.x + m.width / 2 - 50, m.y + m.height / 2 - 50) > 24); // prettier-ignore
    expect(marks.length).toBeGreaterThanOrEqual(12);
    const quarters = [0, 1, 2, 3].map((q) => marks.filter((m) => m.x + m.width / 2 > 50 === q % 2 > 0 && m.y + m.height / 2 > 50 === q > 1).length); // prettier-ignore
    for (const n of quarters) expect(n).toBeGreaterThanOrEqual(2);
  });

  it('puts one of two things in each hand, and gloves on both', () => {
    for (const prompt of ['a monkey with maracas', 'a boxer dog with boxing gloves', 'a bear holding two carrots']) {
      const layers = compose(requestOf(prompt)).layers.filter((l) => l.isFigure);
      const all = around(layers);
      const half = (x: number): number => sizeOf(intersect(union(...layers.map((l) => l.area)), box(x, -50, all.width / 2, 200))); // prettier-ignore
      // What is held widens it at both sides.
      const ratio = half(all.x) / half(all.x + all.width / 2);
      expect(ratio, prompt).toBeGreaterThan(0.75);
      expect(ratio, prompt).toBeLessThan(1.33);
    }
  });

  it('makes a dial of what the face of a clock is, within a rim, its hands over it', () => {
    const layers = arranged('a clock whose face is a sunflower', 'clock', 'sunflower');
    const [rim, hands] = [boundsOf(layers[0].area), boundsOf(layers.at(-1)!.area)];
    expect(around(layers.slice(1)).width).toBeLessThan(rim.width);
    expect(hands.height).toBeLessThan(0.5 * rim.height);
    expect(hands.x).toBeGreaterThan(rim.x + 0.25 * rim.width);
  });

  it('lets two that hold hands meet in the middle, and two that curl into a ring lie about it', () => {
    const [pair, ring] = ['two bears holding paws', 'two foxes curled into a circle'].map((prompt) => compose(requestOf(prompt)).layers.filter((l) => l.isFigure)); // prettier-ignore
    const [p, r] = [around(pair), around(ring)];
    const between = intersect(union(...pair.map((l) => l.area)), box(p.x + p.width / 2 - 1, p.y, 2, p.height));
    expect(sizeOf(between)).toBeGreaterThan(2);
    // Nothing but the two arms is there.
    expect(boundsOf(between).height).toBeLessThan(0.3 * p.height);
    expect(Math.max(r.width / r.height, r.height / r.width)).toBeLessThan(1.7);
  });

  it('lays in the shell of a beetle as much of a map as it has room for', () => {
    const layers = arranged('a beetle whose shell is a map', 'beetle', 'map');
    const beetle = placed(build('beetle'), { cx: 50, cy: 50, side: 88, fill: 0.9 });
    // Nothing of the map is outside it, and none of the beetle but a gap is left out.
    const all = union(...layers.map((l) => l.area));
    expect(sizeOf(subtract(all, grown(silhouetteOf(beetle), 0.5)))).toBeLessThan(4);
    expect(sizeOf(all)).toBeGreaterThan(0.75 * sizeOf(silhouetteOf(beetle)));
  });

  it('has a hand over what it waters, and over what it pulls out of a hat', () => {
    const watering = arranged('a hand watering a small plant', 'hand', 'plant');
    const drops = boundsOf(watering.at(-1)!.area);
    expect(middle(drops)).toBeGreaterThan(middle(around(watering)));
    const prompt = 'a hand pulling a rabbit from a hat';
    const { layers } = compose(requestOf(prompt));
    const fist = around(layers.slice(gapsOf(layers, prompt).at(-1)! + 1));
    expect(fist.y).toBeLessThan(around(layers).y + 2);
    expect(fist.height).toBeLessThan(0.45 * around(layers).height);
  });

  it('puts a hat and boots on, and both of two things that a thing wears', () => {
    const height = (prompt: string): number => compose(requestOf(prompt)).layers.filter((l) => l.isFigure).length;
    expect(height('a cat wearing a hat and boots')).toBeGreaterThan(height('a cat wearing a hat'));
    const prompt = 'a pineapple wearing sunglasses and a hat';
    const gaps = gapsOf(compose(requestOf(prompt)).layers, prompt);
    expect(gaps).toHaveLength(2);
  });

  it('heaps in a barrow what is in it, before who pushes it', () => {
    const load = (prompt: string): Box => around(compose(requestOf(prompt)).layers);
    const [bare, full] = [load('a pig pushing a wheelbarrow'), load('a pig pushing a wheelbarrow of flowers')];
    expect(full.width / full.height).toBeGreaterThan(0.8 * (bare.width / bare.height));
    expect(compose(requestOf('a pig pushing a wheelbarrow of flowers')).layers.length).toBeGreaterThan(compose(requestOf('a pig pushing a wheelbarrow')).layers.length); // prettier-ignore
  });
});

/** What is so once a phrase is drawn as other figures than it names. */
const REDRAWN: readonly (readonly [what: string, prompt: string, holds: (seen: { back: Box; front: Box; all: Box }) => boolean])[] = [
  ['toast is half in its toaster', 'a toaster with toast popping out', ({ back, front }) => back.y < front.y && foot(back) < foot(front) && back.width < 0.8 * front.width],
  ['a heart-shaped door is at the foot of its house', 'a house with a heart-shaped door', ({ back, front }) => foot(front) > back.y + 0.85 * back.height && front.height < 0.5 * back.height],
  ['a fish is in the pouch of a pelican', 'a pelican with a fish in its pouch', ({ back, front }) => front.width < 0.5 * back.width && Math.abs(middle(front) - middle(back)) > 0.15 * back.width],
  ['candles are in a row on their cake', 'five candles on a cake', ({ back, front }) => back.width < 0.6 * front.width && foot(back) < front.y + 4 && back.height < 0.6 * front.height],
]; // prettier-ignore

describe('what is drawn otherwise than it is named', () => {
  it.each(REDRAWN)('%s', (_, prompt, holds) => {
    const stage = asDrawn(stageOf(prompt));
    const [first, second] = stage.parts.figures;
    const layers = waysFor(first, second)[0](stage, build(first.drawn), build(second.drawn));
    const at = gapsOf(layers, prompt).at(-1)!;
    const seen = { back: around(layers.slice(0, at)), front: around(layers.slice(at + 1)), all: around(layers) };
    expect(holds(seen), JSON.stringify(seen)).toBe(true);
  });
});

describe('what a picture is set in', () => {
  it('is a round of snow, its drift left open and flakes beside who stands there', () => {
    const { layers, groundHex } = compose(requestOf('a fox in the snow'));
    const [round, flakes] = layers;
    const b = boundsOf(round.area);
    expect(sizeOf(round.area) / (b.width * b.height)).toBeLessThan(0.9);
    expect(flakes.fill).toBe(groundHex);
    expect(flakes.area.length).toBeGreaterThan(5);
  });
  it('is a field of what it is named for, in two rows', () => {
    const count = (prompt: string): number => compose(requestOf(prompt)).layers.length;
    expect(count('a windmill in a tulip field')).toBeGreaterThan(count('a windmill in a field') + 16);
  });
  it('is the line of a heart round two', () => {
    const { layers } = compose(requestOf('a dog and a cat in a heart'));
    const [line, ...two] = layers;
    const [outer, inner] = [boundsOf(line.area), around(two)];
    expect(inner.x).toBeGreaterThan(outer.x);
    expect(right(inner)).toBeLessThan(right(outer));
    expect(sizeOf(line.area)).toBeLessThan(0.3 * outer.width * outer.height);
  });
  it('is turned over where that is said', () => {
    const [up, down] = ['an owl', 'an owl upside down'].map((prompt) => compose(requestOf(prompt)).layers.filter((l) => l.isFigure)); // prettier-ignore
    const low = (layers: typeof up): number => {
      const all = union(...layers.map((l) => l.area));
      const b = boundsOf(all);
      return sizeOf(intersect(all, box(b.x, b.y + b.height / 2, b.width, b.height))) / sizeOf(all);
    };
    expect(low(up) + low(down)).toBeGreaterThan(0.85);
    expect(low(up) + low(down)).toBeLessThan(1.15);
  });
});

describe('what a field bears', () => {
  it('is what grows, and no game', () => {
    const crop = (prompt: string): string | null => cropOf(stageOf(prompt).parts.figures.at(-1)!);
    expect(['a barn in a tulip field', 'a house in a cornfield', 'a shoe on a football field'].map(crop)).toEqual(['tulip', 'corn', null]); // prettier-ignore
  });
});

describe('an animal that is a machine', () => {
  it('has the ears of its kind on a case that is even, with an aerial', () => {
    const [cat, owl] = ['a robot cat', 'a robotic owl'].map((prompt) => compose(requestOf(prompt)).layers.filter((l) => l.isFigure)); // prettier-ignore
    for (const layers of [cat, owl]) {
      const all = union(...layers.map((l) => l.area));
      const b = boundsOf(all);
      expect(Math.abs(sizeOf(intersect(all, box(b.x, b.y, b.width / 2, b.height))) / sizeOf(all) - 0.5)).toBeLessThan(0.02);
    }
    expect(sizeOf(union(...cat.map((l) => l.area)))).not.toBeCloseTo(sizeOf(union(...owl.map((l) => l.area))), 0);
    expect(compose(requestOf('a cat')).layers.length).not.toBe(0);
    expect(around(cat)).not.toEqual(around(compose(requestOf('a cat head')).layers.filter((l) => l.isFigure)));
  }); // prettier-ignore
});

describe('crossed tools', () => {
  it('have their heads apart and their shafts crossed', () => {
    for (const name of ['axe', 'hammer']) {
      const all = silhouetteOf(severalAsOne(placed(build(name), { cx: 50, cy: 50, side: 80, fill: 1 }), 2, 'crossed'));
      const b = boundsOf(all);
      const row = (k: number): number => intersect(all, box(b.x - 1, b.y + k * b.height, b.width + 2, 1)).length;
      expect(row(0.97), name).toBe(2);
      expect(b.width / b.height, name).toBeGreaterThan(0.8);
    }
  });
});

describe('what is drawn for a phrase', () => {
  const drawn = (prompt: string): (string | null)[][] => asDrawn(stageOf(prompt)).parts.figures.map((f) => [f.drawn, f.relation]); // prettier-ignore
  it.each([
    ['a sailing boat made of a folded newspaper', [['newspaper boat', null]]],
    ['a boat made of a map', [['paper boat', null]]],
    ['a rabbit coming out of a hat', [['rabbit', null], ['top hat', 'coming out of']]],
    ['a raven with a key hanging from its beak', [['crow', null], ['key', 'holding']]],
    ['a sea turtle head', [['turtle head', null]]],
    ['a bear cub hugging its mother', [['bear', null], ['bear', 'around']]],
    ['a teapot house', [['teapot', null], ['house', 'as']]],
    ['a jellyfish lamp', [['lamp', null], ['jellyfish', 'as']]],
    ['an arrow stuck in an apple', [['archery arrow', null], ['apple', 'inside']]],
    ['a wolf mother with two pups', [['wolf', null], ['wolf', 'with']]],
    ['a house with a heart-shaped door', [['house', null], ['heart', 'as']]],
    ['a bear holding a heart-shaped balloon', [['bear', null], ['heart', 'holding']]],
    ['a leaf-shaped flame', [['leaf', null], ['flame', 'inside']]],
    ['a walnut shell as a boat with a leaf sail', [['shell', null], ['boat', 'as']]],
    ['a ship sailing on a sea of books', [['ship', null], ['open book', 'on']]],
    ['a skull with flowers in the eyes', [['skull', null], ['flower', 'as']]],
    ['an otter family', [['otter', null], ['otter', 'with']]],
    ['a suitcase with stickers', [['suitcase', null], ['star', 'on']]],
    ['a rose with thorns', [['rose', null]]],
    ['a peacock with feathers made of leaves', [['peacock', null], ['leaf', 'as']]],
    ['a rabbit pulling a carrot out of the ground', [['rabbit', null], ['carrot', 'holding']]],
    ['a toaster with toast popping out', [['toaster', null], ['toast', 'coming out of']]],
    ['a tent under a starry sky', [['tent', null], ['star', 'under']]],
    ['a robot dog', [['dog', null]]],
    ['a lion drinking tea', [['lion', null], ['cup', 'holding']]],
    ['a squirrel holding an acorn like a trophy', [['squirrel', null], ['acorn', 'holding']]],
  ])('%s', (prompt, figures) => {
    expect(drawn(prompt)).toEqual(figures);
  }); // prettier-ignore
});
