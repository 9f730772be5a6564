import { describe, expect, it } from 'vitest';
import { understand } from './request';
import { compose } from './compose';
import { boundsOf, massOf } from './area';
import { outlineOf, placed } from './figure';
import { packed } from './packed';
import { severalAsOne } from './pairings';
import { waysFor } from './pairs';
import type { SceneRequest } from './compose';
import { build, requestOf, stageOf } from './testing';
import { grown, intersect, sizeOf, subtract, union, type Area } from '../path';

const areasOf = (prompt: string): Area[] => compose(requestOf(prompt)).layers.map((l) => l.area);
/** The middle of what is drawn in the colours of the first and of the second figure. */
const boxOf = (prompt: string) => boundsOf(union(...areasOf(prompt)));

describe('two figures together', () => {
  it('are the same picture whichever of the two is named first', () => {
    const first = understand('a teapot with a hill inside').parts.figures;
    const other = understand('a hill inside a teapot').parts.figures;
    expect([first[1].turned, other[1].turned]).toEqual([true, false]);
    const stage = stageOf('a hill inside a teapot');
    const [hill, teapot] = [build('mountain'), build('teapot')];
    const one = waysFor(first[0], first[1])[0](stage, teapot, hill);
    const same = waysFor(other[0], other[1])[0](stage, hill, teapot);
    expect(one.map((l) => l.area)).toEqual(same.map((l) => l.area));
    expect(waysFor(first[0], first[1])[0](stage, hill, teapot).map((l) => l.area)).not.toEqual(same.map((l) => l.area));
  });

  it('puts one between two others, and many around one', () => {
    const stage = stageOf('a lighthouse between two waves');
    const [first, second] = stage.parts.figures;
    const layers = waysFor(first, second)[0](stage, build('lighthouse'), build('wave'));
    const all = boundsOf(union(...layers.map((l) => l.area)));
    // The lighthouse is in the middle; waves reach further to both sides.
    const tall = boundsOf(outlineOf(placed(build('lighthouse'), { cx: 50, cy: 47, side: 62, fill: 0.75 })));
    expect(all.x).toBeLessThan(tall.x - 4);
    expect(all.x + all.width).toBeGreaterThan(tall.x + tall.width + 4);
    expect(areasOf('a pear surrounded by bees').length).toBeGreaterThan(9);
  });

  it('puts what stands for a part where the part is', () => {
    const at = (prompt: string): [number, number] => {
      const layers = compose(requestOf(prompt)).layers;
      return massOf(layers.at(-1)!.area);
    };
    const [, head] = at('a bear with a moon as its head');
    const [, feet] = at('a bear with a moon for feet');
    expect(head).toBeLessThan(feet - 15);
  });

  it('stands what is carried on a back there, smaller than who carries it', () => {
    const stage = stageOf('a turtle carrying a house on its back');
    const [first, second] = stage.parts.figures;
    const layers = waysFor(first, second)[0](stage, build('turtle'), build('house'));
    const gap = layers.findLastIndex((l) => l.fill === stage.palette.groundHex && !l.isFigure);
    const [high, low] = [layers.slice(1, gap), layers.slice(gap + 1)].map((l) =>
      boundsOf(union(...l.map((k) => k.area))),
    );
    expect(high.y).toBeLessThan(low.y);
    expect(high.width).toBeLessThan(low.width);
    const all = boundsOf(union(...layers.map((l) => l.area)));
    expect(all.height).toBeGreaterThan(60);
  });

  it('sets a door into what has one', () => {
    const stage = stageOf('a mushroom with a door');
    const [first, second] = stage.parts.figures;
    const layers = waysFor(first, second)[0](stage, build('mushroom'), build('door'));
    const whole = boundsOf(layers[0].area);
    const door = boundsOf(layers.at(-1)!.area);
    expect(door.x).toBeGreaterThan(whole.x);
    expect(door.x + door.width).toBeLessThan(whole.x + whole.width);
    expect(door.y).toBeGreaterThan(whole.y + 0.4 * whole.height);
  });

  it('puts what somebody has into their hand, however it is said', () => {
    for (const prompt of ['a bear holding a key', 'a bear with a key']) {
      const layers = compose(requestOf(prompt)).layers;
      const box = boundsOf(union(...layers.map((l) => l.area)));
      expect(box.height).toBeGreaterThan(box.width);
    }
  });

  it('fills letters with what they are made of', () => {
    const [hull, ...made] = compose(requestOf('letter R made of leaves')).layers;
    const pieces = union(...made.map((l) => l.area));
    expect(pieces.filter((ring) => sizeOf([ring]) > 1).length).toBeGreaterThan(12);
    expect(sizeOf(subtract(pieces, hull.area))).toBeLessThan(0.5);
    expect(boxOf('letter R made of leaves').height).toBeGreaterThan(60);
  });
});

describe('what a part of a figure says', () => {
  const layersOf = (prompt: string, a: string, b: string) => {
    const stage = stageOf(prompt);
    const [first, second] = stage.parts.figures;
    const figures = [build(a), build(b)] as const;
    return { layers: waysFor(first, second)[0](stage, ...figures), stage, ways: waysFor(first, second) };
  };
  const boxAround = (layers: readonly { area: Area }[]) => boundsOf(union(...layers.map((l) => l.area)));

  it('puts what is carried in a beak before the head and not into a hand', () => {
    const { layers } = layersOf('a crow carrying a key in its beak', 'crow', 'key');
    const all = boxAround(layers);
    const key = boundsOf(layers.at(-1)!.area);
    expect(key.x + key.width / 2).toBeGreaterThan(all.x + 0.66 * all.width);
    expect(key.y + key.height / 2).toBeLessThan(all.y + 0.6 * all.height);
  });
  it('lays a sleeper into the hollow of a crescent, larger than the crescent is thick', () => {
    const { layers } = layersOf('a cat sleeping in a crescent moon', 'cat', 'crescent moon');
    const [moon, all] = [boundsOf(layers[0].area), boxAround(layers.slice(1))];
    expect(all.width).toBeGreaterThan(0.35 * moon.width);
    expect(all.y + all.height).toBeLessThan(moon.y + moon.height);
    expect(all.y).toBeGreaterThan(moon.y - 4);
  });
  it('puts one in place of each of two wheels, and one alone in place of a head', () => {
    const { layers } = layersOf('a bicycle whose wheels are lemons', 'bicycle', 'lemon');
    const gaps = layers.filter((l) => l.fill === '#ffffff' || l.area.length).map((l) => massOf(l.area)[0]);
    expect(Math.min(...gaps)).toBeLessThan(38);
    expect(Math.max(...gaps)).toBeGreaterThan(62);
    expect(layersOf('a bicycle whose wheels are lemons', 'bicycle', 'lemon').layers.length).toBeGreaterThan(
      layersOf('a bicycle with a lemon as its saddle', 'bicycle', 'lemon').layers.length,
    );
  });
  it('never puts what is in a heart behind it', () => {
    for (const way of layersOf('a lotus in a heart', 'lotus', 'heart').ways) {
      const stage = stageOf('a lotus in a heart');
      const [round, ...flower] = way(stage, build('lotus'), build('heart'));
      const [outer, inner] = [boundsOf(round.area), boxAround(flower)];
      expect(inner.x).toBeGreaterThan(outer.x);
      expect(inner.y).toBeGreaterThan(outer.y);
      expect(inner.x + inner.width).toBeLessThan(outer.x + outer.width);
      expect(inner.width).toBeGreaterThan(0.5 * outer.width);
    }
  });
  it('draws the head alone where a head is asked for', () => {
    const shape = (prompt: string) => boxOf(prompt);
    const head = shape('a stag head');
    expect(head.height).toBeGreaterThan(head.width);
    for (const position of [0, 1, 2, 3]) {
      const layers = compose({ ...requestOf('a stag head'), leeway: 50, position }).layers.filter((l) => l.isFigure);
      const box = boxAround(layers);
      expect(box.height / box.width).toBeGreaterThan(1);
    }
  });
});

describe('who wears one thing and has another', () => {
  const figures = (prompt: string, more: Partial<SceneRequest> = {}): Area =>
    union(...compose({ ...requestOf(prompt), ...more }).layers.filter((l) => l.isFigure).map((l) => l.area)); // prettier-ignore
  it('is dressed, and has it in the hand', () => {
    const [both, worn] = ['a fox wearing a beret, holding a ladder', 'a fox wearing a beret'].map((p) => boundsOf(figures(p))); // prettier-ignore
    expect(understand('a fox wearing a beret, holding a ladder').parts.figures).toHaveLength(3);
    // What is in the hand reaches beyond the body.
    expect(both.width / both.height).toBeGreaterThan(worn.width / worn.height);
    const drawn = (prompt: string, position: number) => compose({ ...requestOf(prompt), leeway: 50, position }).layers.filter((l) => l.isFigure); // prettier-ignore
    for (const position of [0, 1, 2])
      expect(drawn('a fox wearing a beret, holding a ladder', position).length).toBeGreaterThan(
        drawn('a fox wearing a beret', position).length,
      );
  });
  it('wears a hat on its top where it is a thing', () => {
    const [hatted, bare] = ['mascot of an onion with a chef hat', 'mascot of an onion'].map((p) => boundsOf(figures(p))); // prettier-ignore
    expect(hatted.height / hatted.width).toBeGreaterThan(1.1 * (bare.height / bare.width));
  });
});

describe('places for many in an outline', () => {
  const square: Area = [[0, 0, 60, 0, 60, 60, 0, 60]];
  it('lie inside, do not touch, and come largest first', () => {
    const spots = packed(square, { most: 14, least: 2, count: 60, gap: 0.4 });
    expect(spots.length).toBeGreaterThan(12);
    spots.forEach(({ x, y, r }, i) => {
      expect(r).toBeGreaterThanOrEqual(2);
      expect(r).toBeLessThanOrEqual(14);
      for (const v of [x - r, y - r]) expect(v).toBeGreaterThan(-1);
      for (const v of [x + r, y + r]) expect(v).toBeLessThan(61);
      for (const other of spots.slice(0, i)) {
        expect(other.r).toBeGreaterThanOrEqual(r - 1e-6);
        expect(Math.hypot(other.x - x, other.y - y)).toBeGreaterThan(other.r + r - 0.9);
      }
    });
  });
  it('are none where there is no room, and no more than asked for', () => {
    expect(packed([], { most: 9, least: 1, count: 9, gap: 0 })).toEqual([]);
    expect(packed([[0, 0, 60, 0, 60, 3, 0, 3]], { most: 9, least: 4, count: 9, gap: 0 })).toEqual([]);
    expect(packed(square, { most: 9, least: 1, count: 3, gap: 0 })).toHaveLength(3);
  });
});

describe('several of one figure', () => {
  it('are as many as asked for, of the same size', () => {
    const fox = build('fox');
    const size = sizeOf(union(...fox.parts.map((p) => p.area)));
    for (const n of [2, 3, 5, 7]) {
      const all = severalAsOne(fox, n, null);
      expect(all.parts.length).toBe(n * fox.parts.length);
      expect(sizeOf(union(...all.parts.map((p) => p.area))) / size).toBeGreaterThan(0.8 * n);
    }
  });

  it('cross when they are said to be crossed, and cover one another once', () => {
    const key = build('key');
    const crossed = severalAsOne(key, 2, 'crossed');
    const { width, height } = boundsOf(outlineOf(crossed));
    expect(width / height).toBeGreaterThan(0.6);
    expect(width / height).toBeLessThan(1.7);
    const [one] = [sizeOf(outlineOf(key))];
    expect(sizeOf(outlineOf(crossed))).toBeLessThan(2 * one);
    expect(sizeOf(outlineOf(crossed))).toBeGreaterThan(1.3 * one);
  });
});

describe('two of a kind', () => {
  const boxes = (prompt: string) => compose({ ...requestOf(prompt), leeway: 0 }).layers.map((l) => boundsOf(l.area));
  it('turn to one another or away, and are mirror images of one another', () => {
    for (const how of ['facing each other', 'back to back']) {
      const all = union(...areasOf(`two lions ${how}`));
      const b = boundsOf(all);
      const cx = b.x + b.width / 2;
      const half = (right: boolean): number => sizeOf(all.filter((ring) => ring[0] > cx === right));
      expect(half(true) / half(false), how).toBeCloseTo(1, 1);
      expect(b.width).toBeGreaterThan(80);
    }
    const [toward, away] = ['facing each other', 'back to back'].map((how) => massOf(union(...areasOf(`two lions ${how}`)).filter((ring) => boundsOf([ring]).x > 50))); // prettier-ignore
    // Heads are heavier than tails: they meet in the middle, or are outside.
    expect(away[0]).toBeGreaterThan(toward[0] + 2);
  });
  it('stand in the form that is asked for', () => {
    const inside = boxes('two foxes back to back, shield');
    for (const b of inside) {
      expect(b.x).toBeGreaterThanOrEqual(4);
      expect(b.x + b.width).toBeLessThanOrEqual(96);
    }
    expect(inside[0].height).toBeGreaterThan(80);
  });
});

describe('forms, walls, boards and suns', () => {
  it('hold two figures within the form they are in', () => {
    const layers = compose(requestOf('an owl and a book in a hexagon')).layers;
    const hull = layers[0].area;
    expect(layers.length).toBeGreaterThan(3);
    for (const { area, clip } of layers.slice(1))
      expect(sizeOf(intersect(subtract(clip ? intersect(area, clip) : area, grown(hull, 0.2)), grown(hull, 60)))).toBeLessThan(0.5); // prettier-ignore
  });
  it('lay bricks in what is made of them, in rows that do not overlap', () => {
    const wall = compose(requestOf('a house made of bricks')).layers.flatMap((l) => l.area);
    expect(wall.length).toBeGreaterThan(30);
    const sum = wall.reduce((total, ring) => total + sizeOf([ring]), 0);
    expect(sizeOf(union(wall))).toBeCloseTo(sum, 0);
  });
  it('put a surfer on a board that lies, and half a sun over the ridge', () => {
    expect(understand('a bear surfing').parts.figures).toHaveLength(1);
    const board = boundsOf(compose(requestOf('a bear surfing')).layers[0].area);
    expect(board.width).toBeGreaterThan(2 * board.height);
    const [sun, land] = [0, -1].map((at) => boundsOf(compose(requestOf('three mountains and a rising sun')).layers.at(at)!.area)); // prettier-ignore
    expect(sun.y).toBeLessThan(land.y + land.height / 2);
    expect(land.y + land.height).toBeGreaterThan(sun.y + sun.height - 8);
  });
  it('draw what one goes on within a form as well, and steam as what it forms', () => {
    const alone = compose(requestOf('a bear surfing')).layers.length;
    const layers = compose(requestOf('a bear surfing in a circle')).layers;
    expect(layers.length).toBe(alone + 1);
    expect(sizeOf(layers[0].area)).toBeGreaterThan(5000);
    const bird = stageOf('a cup of tea with steam forming a bird');
    expect(bird.parts.figures.map((f) => f.drawn)).toEqual(['cup', 'smoke', 'bird']);
    // The bird is in one tone over the cup, a wisp between them.
    const risen = compose(requestOf('a cup of tea with steam forming a bird')).layers;
    const [wisp, above] = risen.slice(-2).map((l) => boundsOf(l.area));
    const cup = boundsOf(union(...risen.slice(0, -2).map((l) => l.area)));
    expect(risen.at(-1)!.fill).toBe(risen.at(-2)!.fill);
    expect(above.y + above.height).toBeLessThan(cup.y - 4);
    expect(wisp.y + wisp.height).toBeLessThan(cup.y + 2);
    expect(wisp.width).toBeLessThan(0.5 * above.width);
  });
  it('bring a beak to the flower that is drunk from', () => {
    const layers = compose(requestOf('a hummingbird drinking from a flower')).layers;
    const [flower, bird] = [boundsOf(layers[0].area), boundsOf(union(...layers.slice(-3).map((l) => l.area)))];
    expect(bird.x < flower.x + flower.width && flower.x < bird.x + bird.width).toBe(true);
  });
});
