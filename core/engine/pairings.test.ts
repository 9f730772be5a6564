/** How two are arranged: what is over, under, behind and out of another, and what stands for a part of it. */
import { describe, expect, it } from 'vitest';
import { boundsOf, box } from './area';
import { compose } from './compose';
import { silhouetteOf } from './figure';
import { type Layer } from './layer';
import { waysFor } from './pairs';
import { understand } from './request';
import { charged } from './pairings-riders';
import { arranged, around, build, gapsOf, parted, requestOf, stageOf } from './testing';
import { intersect, sizeOf, subtract, union } from '../path';

describe('what is over, under and out of another', () => {
  const lastGap = (layers: Layer[], prompt: string): number => layers.findLastIndex((l) => l.fill === stageOf(prompt).palette.groundHex); // prettier-ignore

  it('spreads an umbrella over who is under it', () => {
    const prompt = 'a hedgehog under an umbrella';
    const layers = arranged(prompt, 'hedgehog', 'umbrella');
    const at = lastGap(layers, prompt);
    const [roof, who] = [around(layers.slice(0, at)), around(layers.slice(at + 1))];
    expect(roof.width).toBeGreaterThan(who.width);
    expect(who.y).toBeGreaterThan(roof.y + 0.3 * roof.height);
    expect(who.x + who.width / 2).toBeGreaterThan(roof.x);
    expect(who.x + who.width / 2).toBeLessThan(roof.x + roof.width);
  });

  it('lets a train out of a mountain at its foot', () => {
    const prompt = 'a train coming out of a mountain';
    const layers = arranged(prompt, 'train', 'mountain');
    const at = lastGap(layers, prompt);
    const [land, train] = [around(layers.slice(0, 2)), around(layers.slice(at + 1))];
    expect(train.width).toBeLessThan(0.8 * land.width);
    expect(train.y).toBeGreaterThan(land.y + 0.2 * land.height);
    expect(train.y + train.height).toBeGreaterThan(land.y + land.height - 3);
  });

  it('grows three flowers out of the top of what they grow out of', () => {
    const layers = arranged('a typewriter with flowers growing out of it', 'typewriter', 'flower');
    const { groundHex } = stageOf('a typewriter with flowers growing out of it').palette;
    expect(layers.filter((l) => l.fill === groundHex && !l.isFigure).length).toBeGreaterThanOrEqual(4);
    const pot = around(layers.slice(layers.findLastIndex((l) => l.fill === groundHex && !l.isFigure) + 1));
    const all = around(layers);
    expect(all.y).toBeLessThan(pot.y - 15);
  });

  it('throws up in an arc what is juggled', () => {
    const layers = arranged('an octopus juggling lemons', 'octopus', 'lemon');
    const { groundHex } = stageOf('an octopus juggling lemons').palette;
    const balls = layers.flatMap((l, i) => (l.fill === groundHex && !l.isFigure ? [boundsOf(layers[i].area)] : []));
    expect(balls).toHaveLength(4);
    expect(balls[1].y).toBeLessThan(balls[0].y - 3);
    expect(Math.abs(balls[1].y - balls[2].y)).toBeLessThan(1);
  });

  it('sets a lighthouse on the back of a whale, touching it', () => {
    const layers = arranged('a whale with a lighthouse on its back', 'whale', 'lighthouse');
    const { groundHex } = stageOf('a whale with a lighthouse on its back').palette;
    const at = layers.findLastIndex((l) => l.fill === groundHex && !l.isFigure);
    const [tower, whale] = [around(layers.slice(0, at).filter((l) => l.isFigure)), around(layers.slice(at + 1))];
    expect(tower.y).toBeLessThan(whale.y);
    expect(tower.y + tower.height).toBeGreaterThan(whale.y);
    expect(tower.y + tower.height).toBeLessThan(whale.y + 0.6 * whale.height);
  });

  it('shows three stars over a stag, apart from one another and from it', () => {
    const stage = stageOf('a stag with three stars');
    const [first, second] = stage.parts.figures;
    const layers = waysFor(first, second)[0](stage, build('deer'), build('star'));
    const gaps = layers.flatMap((l, i) => (l.fill === stage.palette.groundHex && !l.isFigure ? [layers[i].area] : []));
    expect(gaps).toHaveLength(3);
    for (const [i, gap] of gaps.entries())
      for (const other of gaps.slice(i + 1)) expect(sizeOf(intersect(gap, other))).toBeLessThan(1);
    const stag = union(...layers.slice(0, layers.findIndex((l) => l.fill === stage.palette.groundHex && !l.isFigure)).map((l) => l.area)); // prettier-ignore
    for (const gap of gaps) expect(sizeOf(intersect(gap, stag))).toBeLessThan(0.3 * sizeOf(gap));
  });

  it('takes the steam off a cup for the leaf that stands for it', () => {
    const { figures } = understand('a cup of tea with a leaf as steam').parts;
    expect(figures.map((f) => [f.word, f.relation, f.place])).toEqual([
      ['cup of tea', null, null],
      ['leaf', 'as', 'steam'],
    ]);
    const layers = arranged('a cup of tea with a leaf as steam', 'cup', 'leaf');
    const cup = layers.filter((l) => l.isFigure)[0];
    expect(boundsOf(cup.area).y).toBeGreaterThan(around(layers).y + 12);
  });

  it('has the flame at the tip of a brush, which stands up', () => {
    const layers = arranged('a paintbrush whose tip is a flame', 'paintbrush', 'flame');
    const all = around(layers);
    expect(all.height).toBeGreaterThan(2 * all.width);
  });
});

describe('how two are arranged', () => {
  it('lies a twig across under the feet of who is on it', () => {
    const { back, front } = parted('an owl perched on a branch', 'owl', 'twig');
    expect(back.width).toBeGreaterThan(1.3 * back.height);
    expect(front.y + front.height).toBeGreaterThan(back.y);
    expect(front.y + front.height).toBeLessThan(back.y + back.height);
  });

  it('stands a candle on the sill of a window, within its frame', () => {
    const prompt = 'a candle in a window';
    const { layers } = parted(prompt, 'candle', 'window');
    const frame = boundsOf(layers[0].area);
    const candle = around(layers.slice(2, -1));
    expect(candle.x).toBeGreaterThan(frame.x);
    expect(candle.x + candle.width).toBeLessThan(frame.x + frame.width);
    expect(Math.abs(candle.y + candle.height - boundsOf(layers.at(-1)!.area).y)).toBeLessThan(2);
  });

  it('sets a castle on a cloud, and a moon over a bear', () => {
    const castle = parted('a castle on a cloud', 'castle', 'cloud');
    expect(castle.front.y).toBeLessThan(castle.back.y);
    const stage = stageOf('a bear under the moon', 1, 50);
    const [first, second] = stage.parts.figures;
    const ways = waysFor(first, second);
    const over = ways[1](stage, build('bear'), build('moon'));
    const moon = boundsOf(over.filter((l) => l.isFigure)[0].area);
    expect(moon.y + moon.height / 2).toBeLessThan(around(over).y + 0.3 * around(over).height);
    const [night] = ways[2](stage, build('bear'), build('moon'));
    expect(boundsOf(night.area).width).toBeGreaterThan(88);
  });

  it('makes a sail of a book over the hull alone', () => {
    const { back, all, layers } = parted('a boat whose sail is a book', 'sailboat', 'book');
    expect(back.y).toBeLessThan(all.y + 1);
    const hull = around(layers.slice(-2));
    expect(hull.height).toBeLessThan(0.5 * all.height);
  });

  it('holds with both hands what two hands hold, mirrored', () => {
    const prompt = 'two hands holding a seedling';
    const { front, all } = parted(prompt, 'hand', 'sprout');
    expect(Math.abs(front.x + front.width / 2 - 50)).toBeLessThan(1);
    expect(front.width).toBeGreaterThan(0.9 * all.width);
  });

  it('lets two swans that form a heart have it between them, two and no more', () => {
    const layers = compose(requestOf('two swans forming a heart')).layers.filter((l) => l.isFigure);
    const b = around(layers);
    expect(b.width / b.height).toBeLessThan(3);
  });

  it('gives a crab scissors at both sides for claws', () => {
    const prompt = 'a crab with scissors for claws';
    const layers = compose(requestOf(prompt)).layers;
    const gaps = gapsOf(layers, prompt).map((i) => boundsOf(layers[i].area));
    expect(gaps).toHaveLength(2);
    expect(Math.abs(gaps[0].y - gaps[1].y)).toBeLessThan(2);
    expect(Math.abs(gaps[0].x - gaps[1].x)).toBeGreaterThan(25);
  });

  it('puts the twigs that antlers are made of where antlers are', () => {
    const layers = compose(requestOf('a deer with antlers made of branches')).layers;
    const gaps = gapsOf(layers, 'a deer with antlers made of branches').map((i) => boundsOf(layers[i].area));
    expect(gaps).toHaveLength(2);
    expect(Math.max(...gaps.map((g) => g.y))).toBeLessThan(around(layers).y + 0.4 * around(layers).height);
  });

  it('lets fall out of a spout what is poured, the lower the larger', () => {
    const prompt = 'a teapot pouring stars';
    const layers = arranged(prompt, 'teapot', 'star');
    const { parts } = stageOf(prompt);
    const [way] = waysFor(parts.figures[0], parts.figures[1]);
    const drawn = way(stageOf(prompt), build('teapot'), build('star'));
    const stars = gapsOf(drawn, prompt).map((i) => boundsOf(drawn[i].area));
    expect(stars).toHaveLength(3);
    expect(stars[2].y).toBeGreaterThan(stars[0].y);
    expect(stars[2].width).toBeGreaterThan(stars[0].width);
    expect(layers).toHaveLength(drawn.length);
  });

  it('hides half of who is behind something, and shows the other half', () => {
    const prompt = 'a fox behind a barrel';
    const { layers, front } = parted(prompt, 'fox', 'barrel');
    const fox = around(layers.slice(0, gapsOf(layers, prompt)[0]));
    expect(fox.x).toBeLessThan(front.x + front.width);
    expect(fox.x + fox.width).toBeGreaterThan(front.x + front.width + 8);
  });

  it('sets a crown on the head that it is over, and a city on the back that carries it', () => {
    const crown = arranged('a crown over a lion head', 'crown', 'lion');
    const gap = gapsOf(crown, 'a crown over a lion head').at(-1)!;
    expect(around(crown.slice(gap + 1)).y).toBeLessThan(around(crown.slice(0, gap)).y);
    const { back, front } = parted('a whale carrying a city', 'whale', 'city');
    expect(back.y).toBeLessThan(front.y);
  });

  it('serves two side by side on a tray as broad as both', () => {
    const layers = compose(requestOf('a kettle and a cup on a tray')).layers;
    const prompt = 'a kettle and a cup on a tray';
    const gap = gapsOf(layers, prompt).at(-1)!;
    const [served, tray] = [around(layers.slice(0, gap)), around(layers.slice(gap + 1))];
    expect(tray.width).toBeGreaterThan(served.width * 0.98);
    expect(tray.y).toBeGreaterThan(served.y + 0.5 * served.height);
  });

  it('rains what a cloud rains, ties what is tied, and lets the hare run first', () => {
    const rain = compose(requestOf('a cloud raining hearts')).layers.filter((l) => l.isFigure);
    const hearts = rain.slice(-5).map((l) => boundsOf(l.area));
    expect(Math.min(...hearts.map((h) => h.y))).toBeGreaterThan(around(rain).y + 0.4 * around(rain).height);
    const tied = compose(requestOf('a balloon tied to a house')).layers.filter((l) => l.isFigure);
    const [thread] = tied.map((l) => boundsOf(l.area));
    expect(thread.height).toBeGreaterThan(2 * thread.width);
    const { parts } = stageOf('a hare running from a fox');
    const [way] = waysFor(parts.figures[0], parts.figures[1]);
    const layers = way(stageOf('a hare running from a fox'), build('hare'), build('fox')).map((l) => boundsOf(l.area));
    expect(Math.max(...layers.slice(-2).map((b) => b.x))).toBeGreaterThan(layers[0].x + 20);
  });

  it('reads hands that are held as how two stand, and sets antlers on a bear', () => {
    expect(understand('two otters holding hands').parts.figures).toMatchObject([{ word: 'otters', count: 2, modifiers: ['holding hands'] }]); // prettier-ignore
    expect(understand('two cats paw in paw').parts.figures).toMatchObject([{ word: 'cats', modifiers: ['paw in paw'] }]); // prettier-ignore
    const layers = arranged('a bear head with antlers', 'bear', 'antlers');
    const prompt = 'a bear head with antlers';
    const gap = gapsOf(layers, prompt).at(-1)!;
    const [head, antlers] = [around(layers.slice(0, gap)), around(layers.slice(gap + 1))];
    expect(antlers.y).toBeLessThan(head.y);
    expect(Math.abs(antlers.x + antlers.width / 2 - head.x - head.width / 2)).toBeLessThan(6);
  });
});

describe('how one is with another', () => {
  const waysOf = (prompt: string): string[] => {
    const { figures } = understand(prompt).parts;
    return waysFor(figures[0], figures[1]).map((way) => way.name);
  };
  it('seats a rider on the back of a mount that is seen from the side', () => {
    const { front, all, back } = parted('an astronaut riding a horse', 'astronaut', 'horse');
    expect(front.y).toBeGreaterThan(back.y);
    expect(all.width).toBeGreaterThan(0.6 * all.height);
  });
  it('puts a mark on the face of a mug, which keeps its handle', () => {
    const prompt = 'a mug with a heart on it';
    const { front, back } = parted(prompt, 'cup', 'heart');
    expect(front.width).toBeLessThan(0.7 * back.width);
    expect(front.x).toBeGreaterThan(back.x);
    expect(front.x + front.width).toBeLessThan(back.x + back.width);
    expect(front.y + front.height).toBeLessThan(back.y + back.height);
  });
  it('lets a bee settle on the upper part of a flower', () => {
    const { front, all } = parted('a sunflower with a bee on it', 'sunflower', 'bee');
    expect(front.width).toBeLessThan(0.6 * all.width);
    expect(front.y + front.height / 2).toBeLessThan(all.y + 0.5 * all.height);
  });
  it('has a trunk under what a tree is shaped like', () => {
    const { front, all } = parted('a tree shaped like a hand', 'tree', 'hand');
    expect(all.y + all.height).toBeGreaterThan(front.y + front.height + 5);
    expect(all.height).toBeGreaterThan(1.1 * front.height);
  });
  it('fans as many feathers as there are out behind a crown', () => {
    const layers = arranged('a crown with three feathers', 'crown', 'feather');
    expect(gapsOf(layers, 'a crown with three feathers')).toHaveLength(4);
  });
  it('puts fruit all over the crown of a tree, and none on its trunk', () => {
    const prompt = 'a tree with apples';
    const layers = arranged(prompt, 'tree', 'apple');
    const gaps = gapsOf(layers, prompt);
    expect(gaps.length).toBeGreaterThanOrEqual(4);
    const all = around(layers);
    for (const at of gaps) expect(boundsOf(layers[at].area).y).toBeLessThan(all.y + 0.65 * all.height);
    const middles = gaps.map((at) => boundsOf(layers[at].area)).map((b) => [b.x + b.width / 2, b.y + b.height / 2]);
    for (const [i, p] of middles.entries()) for (const q of middles.slice(i + 1)) expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeGreaterThan(10); // prettier-ignore
  });
  it('leaves dashes behind what leaves a trail, that do not touch it', () => {
    const layers = arranged('a paper plane leaving a dotted trail', 'paper plane', 'road');
    const [trail, ...plane] = layers;
    expect(trail.area.length).toBeGreaterThan(6);
    expect(sizeOf(intersect(trail.area, union(...plane.map((l) => l.area))))).toBe(0);
    expect(boundsOf(trail.area).x).toBeLessThan(around(plane).x);
  });
  it('shows larger in a glass what that is held over', () => {
    const prompt = 'a magnifying glass over a leaf';
    const layers = arranged(prompt, 'magnifying glass', 'leaf');
    const rim = layers.at(-1)!;
    expect(boundsOf(rim.area).width).toBeLessThan(around(layers).width);
    expect(layers.length).toBeGreaterThanOrEqual(3);
  });
  it('stands a tool on end as a rocket, with a flame under it', () => {
    const { front, all } = parted('a pencil as a rocket', 'pencil', 'rocket');
    expect(front.height).toBeGreaterThan(2 * front.width);
    expect(all.y + all.height).toBeGreaterThan(front.y + front.height + 8);
    expect(all.width).toBeGreaterThan(front.width + 10);
  });
  it.each([
    ['a bear climbing a tree', 'climbing'],
    ['a sparrow on a wire', 'onLine'],
    ['a squirrel in a tree hole', 'inHollow'],
    ['a house with a chimney', 'roofed'],
    ['a dolphin jumping through a hoop', 'throughRing'],
    ['a girl flying a kite', 'flown'],
    ['a pig with wings', 'wingedUpright'],
    ['a leaf as a boat', 'asBoat'],
    ['a shoe as a house', 'asHouse'],
    ['an elephant with a flower in its trunk', 'inTrunk'],
    ['a whale swimming through clouds', 'amongClouds'],
    ['a dog under a table', 'underTable'],
    ['a hand pulling a rope', 'gripping'],
    ['a bull with a ring in its nose', 'nosed'],
    ['a camel walking past pyramids', 'distant'],
    ['a guitar whose body is a pear', 'bodied'],
    ['a lamp with a moon as its shade', 'shaded'],
    ['a fox riding a rooster', 'ridden'],
    ['an acorn growing into an oak', ''],
    ['a fox in a hot air balloon', 'inBasket'],
    ['a squirrel riding a scooter', 'onWheels'],
    ['a bee pushing a wheelbarrow', 'pushing'],
    ['an anchor with a rope around it', 'entwined'],
    ['a hand planting a sprout', 'planted'],
    ['an old man with a pipe', 'smoking'],
    ['a bear on a ski', 'onSkis'],
    ['a fox and three pines', 'beforeTrees'],
    ['a snail carrying a house', 'onBack'],
    ['a vase with tulips', 'inVase'],
    ['a giraffe eating from a tree', 'browsing'],
  ])('has of "%s" a way of its own', (prompt, way) => {
    const ways = waysOf(prompt);
    expect(ways.length).toBeGreaterThan(0);
    expect(ways[0]).toBe(way);
  });
  it('grows one tree out of a shoe that lies, and three flowers where they are several', () => {
    const [tree, flowers] = [['a tree growing out of a shoe', 'tree', 'shoe'], ['a skull with flowers growing out of it', 'skull', 'flower']] as const; // prettier-ignore
    expect(gapsOf(arranged(...tree), tree[0])).toHaveLength(2);
    expect(gapsOf(arranged(...flowers), flowers[0]).length).toBeGreaterThanOrEqual(4);
    const { front } = parted(...tree);
    expect(front.width).toBeGreaterThan(front.height);
  });
  it('lets whoever is in the basket of a balloon be seen above its rim alone', () => {
    const { front, all } = parted('a fox in a hot air balloon', 'fox', 'hot air balloon');
    expect(front.y + front.height).toBeLessThan(all.y + 0.9 * all.height);
    expect(front.width).toBeLessThan(0.5 * all.width);
  });
  it('has a hand press the earth about what it plants, and not hold it', () => {
    const { front: hand, all } = parted('a hand planting a sprout', 'hand', 'sprout');
    expect(hand.y + hand.height).toBeLessThan(all.y + all.height);
    expect(hand.y).toBeGreaterThan(all.y + 0.25 * all.height);
    expect(hand.x).toBeGreaterThan(all.x + 0.3 * all.width);
  });
  it('has a pipe between the lips, beside the chin', () => {
    const { front: pipe, all } = parted('an old man with a pipe', 'old man', 'pipe');
    expect(pipe.x).toBeGreaterThan(all.x + 0.45 * all.width);
    expect(pipe.y + pipe.height).toBeLessThan(all.y + 0.4 * all.height);
    expect(pipe.width).toBeLessThan(0.4 * all.width);
  });
  it('stands on two skis, and lets several trees rise behind whoever goes with them', () => {
    const [skis, trees] = [
      ['a bear on a ski', 'bear', 'ski'],
      ['a fox and three pines', 'fox', 'pine'],
    ] as const;
    // Each stands clear of what is behind it.
    expect(gapsOf(arranged(...skis), skis[0])).toHaveLength(3);
    expect(gapsOf(arranged(...trees), trees[0])).toHaveLength(4);
    const { front: fox, all } = parted('a fox and three pines', 'fox', 'pine');
    expect(fox.y).toBeGreaterThan(all.y + 0.1 * all.height);
    expect(fox.x).toBeGreaterThan(all.x + 0.1 * all.width);
    expect(fox.x + fox.width).toBeLessThan(all.x + 0.9 * all.width);
  });
  it('has the charge on the face of a shield, and three that go round in a circle', () => {
    const hull = build('shield');
    const lion = build('lion');
    const shield = charged(hull, lion);
    // All of it is within the shield, and most of the shield is still seen.
    const sign = union(...shield.parts.filter((p) => shield.tones[p.tone] === 1).map((p) => p.area));
    expect(sizeOf(subtract(sign, silhouetteOf(hull)))).toBeLessThan(0.01 * sizeOf(sign));
    expect(sizeOf(sign)).toBeGreaterThan(0.08 * sizeOf(silhouetteOf(hull)));
    expect(sizeOf(sign)).toBeLessThan(0.6 * sizeOf(silhouetteOf(hull)));
    const ring = around(compose(requestOf('three fish in a circle')).layers.filter((l) => l.isFigure));
    expect(ring.width / ring.height).toBeLessThan(1.3);
    const row = around(compose(requestOf('three fish')).layers.filter((l) => l.isFigure));
    expect(row.width / row.height).toBeGreaterThan(ring.width / ring.height);
  });
  it('makes one sign of three things: two with shafts crossed behind the third, or all on one line', () => {
    const boxes = (prompt: string): ReturnType<typeof around>[] => {
      const { layers } = compose(requestOf(prompt));
      const gaps = gapsOf(layers, prompt);
      return gaps.map((at, i) => around(layers.slice(at + 1, gaps[i + 1])));
    };
    const middleOf = (b: ReturnType<typeof around>): number => b.x + b.width / 2;
    const [spoon, fork, hat] = boxes('a spoon, a fork and a chef hat');
    for (const b of [spoon, fork]) expect(Math.abs(middleOf(b) - middleOf(hat))).toBeLessThan(0.2 * hat.width);
    expect(spoon.height).toBeGreaterThan(hat.height);
    const [key, shield, tower] = boxes('a key, a tower and a shield');
    expect(middleOf(key)).toBeLessThan(middleOf(tower));
    expect(middleOf(shield)).toBeGreaterThan(middleOf(tower));
    for (const b of [key, shield]) expect(b.y + b.height).toBeCloseTo(tower.y + tower.height, 0);
  });
  it('stands flowers in the mouth of a vase, fanned out, and none of them beside it', () => {
    for (const prompt of ['a vase with tulips', 'tulips in a vase']) {
      const isFirst = prompt.startsWith('a vase');
      const layers = isFirst ? arranged(prompt, 'vase', 'tulip') : arranged(prompt, 'tulip', 'vase');
      const gaps = gapsOf(layers, prompt);
      expect(gaps).toHaveLength(4);
      const vase = around(layers.slice(gaps[3] + 1));
      for (const [i, at] of gaps.slice(0, 3).entries()) {
        const stem = around(layers.slice(at + 1, gaps[i + 1]));
        expect(stem.y + stem.height).toBeLessThan(vase.y + 4);
        expect(stem.y + stem.height).toBeGreaterThan(vase.y - 14);
      }
    }
  });
  it('feeds at a tree that is as tall, with its mouth at the crown', () => {
    const { front: giraffe, back: tree } = parted('a giraffe eating from a tree', 'giraffe', 'tree');
    expect(tree.height).toBeGreaterThan(0.95 * giraffe.height);
    expect(giraffe.x + giraffe.width).toBeGreaterThan(tree.x);
    expect(giraffe.x + giraffe.width).toBeLessThan(tree.x + 0.6 * tree.width);
    expect(giraffe.y + giraffe.height).toBeCloseTo(tree.y + tree.height, 0);
  });
  it('has a leaf for what is at the other end of a pencil than its tip', () => {
    const [tip, end] = ['a pencil with a leaf as its tip', 'a pencil with a leaf for an eraser'].map((prompt) =>
      parted(prompt, 'pencil', 'leaf'),
    );
    for (const { front: leaf, all } of [tip, end]) expect(leaf.y).toBeLessThan(all.y + 2);
    const foot = ({ layers }: typeof tip): number => {
      const all = around(layers);
      const figure = union(...layers.filter((l) => l.isFigure).map((l) => l.area));
      return sizeOf(intersect(figure, box(all.x - 1, all.y + 0.9 * all.height, all.width + 2, 0.2 * all.height)));
    };
    // The tip is down where the leaf is at the other end.
    expect(foot(end)).toBeGreaterThan(0);
    expect(foot(end)).toBeLessThan(0.8 * foot(tip));
  });
  it('hangs a spider from a moon by a thread', () => {
    const { front: spider, back } = parted('a spider hanging from a moon', 'spider', 'moon');
    const moon = around(arranged('a spider hanging from a moon', 'spider', 'moon').slice(0, 1));
    expect(spider.y).toBeGreaterThan(moon.y + moon.height + 5);
    expect(back.y + back.height).toBeGreaterThan(spider.y - 1);
  });
  it('draws lines behind what moves, where speed is asked for', () => {
    const plainly = around(compose(requestOf('a bicycle')).layers.filter((l) => l.isFigure));
    const fast = compose(requestOf('a bicycle with speed lines')).layers.filter((l) => l.isFigure);
    const lines = fast.at(-1)!;
    expect(lines.area.filter((ring) => sizeOf([ring]) > 0)).toHaveLength(3);
    const body = around(fast.slice(0, -1));
    expect(boundsOf(lines.area).x).toBeLessThan(body.x);
    expect(boundsOf(lines.area).x + boundsOf(lines.area).width).toBeLessThan(body.x + 0.5 * body.width);
    expect(body.width).toBeLessThan(plainly.width + 5);
  });
  it('gives limbs to a banana that dances, and none to one that lies there', () => {
    const [dancing, still] = ['a dancing banana', 'a banana'].map((p) => compose(requestOf(p)).layers.filter((l) => l.isFigure)); // prettier-ignore
    expect(dancing.length).toBeGreaterThan(still.length);
    expect(around(dancing).height).toBeGreaterThan(30);
  });
  it('draws every one of them, and stays in its field', () => {
    const prompts = ['a ladder leading to a moon', 'a woman with three dogs, mascot', 'a fox riding a bicycle on a road', 'a bear in a canoe on a lake', 'a chef holding a spoon and a whisk', 'an egg with legs', 'a swan with its reflection', 'a pear cut in half', 'a stork carrying a baby', 'a fox and a rabbit under an umbrella', "a wolf in sheep's clothing", 'two hands making a heart', 'monogram "EJ" in a wreath', 'three leaves forming a circle']; // prettier-ignore
    for (const prompt of prompts)
      for (const position of [0, 1]) {
        const { layers } = compose(requestOf(prompt, position, 50));
        expect(layers.some((l) => l.isFigure), prompt).toBe(true); // prettier-ignore
        const b = around(layers.filter((l) => l.isFigure && !l.clip));
        if (b.width > 0) expect(Math.min(b.x, b.y, 100 - b.x - b.width, 100 - b.y - b.height), prompt).toBeGreaterThan(-8); // prettier-ignore
      }
  });
});
