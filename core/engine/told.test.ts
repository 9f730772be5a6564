/** Arrangements that tell what goes on between two figures, each by what a stranger would look for in it. */
import { describe, expect, it } from 'vitest';
import { boundsOf, box, massOf } from './area';
import { asDrawn } from './as-drawn';
import { compose } from './compose';
import type { Layer } from './layer';
import { waysFor } from './pairs';
import { figureFor } from './stage';
import { hexToOklab, oklabDistance } from '../colour';
import { withField } from './field';
import { understand } from './request';
import { around, arranged as laid, build, gapsOf, parted, requestOf, stageOf } from './testing';
import { grown, intersect, sizeOf, subtract, union } from '../path';

/** The layers of an arrangement for a prompt of two figures, and what they stand on. */
const arranged = (...[prompt, a, b, way]: Parameters<typeof laid>): { layers: Layer[]; ground: string } => ({ layers: laid(prompt, a, b, way), ground: stageOf(prompt).palette.groundHex }); // prettier-ignore
/** What is drawn after the last gap: the figure in front. */
const front = ({ layers, ground }: { layers: Layer[]; ground: string }): Layer[] => layers.slice(layers.findLastIndex((l) => l.fill === ground) + 1); // prettier-ignore
const back = ({ layers, ground }: { layers: Layer[]; ground: string }): Layer[] => layers.slice(0, layers.findIndex((l) => l.fill === ground)); // prettier-ignore
/** Places of the layers that clear the ground round what comes after each. */
const gapsIn = ({ layers, ground }: { layers: Layer[]; ground: string }): number[] => layers.flatMap((l, i) => (l.fill === ground && !l.isFigure ? [i] : [])); // prettier-ignore
const seen = ({ layers, ground }: { layers: Layer[]; ground: string }): Layer[] =>
  layers.filter((l) => l.fill !== ground);

describe('what one sees in an arrangement', () => {
  it('turns upside down what still water reflects, under what it is of', () => {
    const { layers } = arranged('a mountain reflected in a lake', 'mountain', 'lake');
    const all = around(layers);
    const [top, bottom] = [all.y, all.y + all.height];
    // The peak is narrow at the top and, reflected, at the bottom; the shores are broad in the middle.
    const widthAt = (y: number): number => {
      const cut = layers.flatMap((l) =>
        intersect(l.area, [[-50, y - 1, 150, y - 1, 150, y + 1, -50, y + 1]]).map((r) => [r]),
      );
      return cut.length ? boundsOf(union(...cut)).width : 0;
    };
    const middle = Math.max(...[-4, -2, 0, 2, 4].map((d) => widthAt((top + bottom) / 2 + d)));
    expect(widthAt(top + 2)).toBeLessThan(0.5 * middle);
    expect(widthAt(bottom - 2)).toBeLessThan(0.5 * middle);
    expect(understand('a mountain reflected in a lake').parts.figures.map((f) => f.drawn)).toEqual([
      'mountain',
      'lake',
    ]);
  });

  it('winds what climbs round a pole from its foot to its top, over it and under it by turns', () => {
    for (const prompt of ['an anchor entwined with a rose', 'a rose wrapped around an anchor']) {
      const stage = stageOf(prompt);
      const [first, second] = stage.parts.figures;
      const figures = [build(first.drawn), build(second.drawn)] as const;
      const layers = waysFor(first, second)[0](stage, ...figures);
      const all = around(layers);
      // The stem is drawn behind the pole and again before it.
      expect(layers.length).toBeGreaterThan(4);
      const [behind, inFront] = [layers[0], layers.at(-3)!].map((l) => boundsOf(l.area));
      expect(behind.height).toBeGreaterThan(0.5 * all.height);
      expect(inFront.y).toBeLessThan(all.y + 0.75 * all.height);
    }
    const snake = arranged('a snake wrapped around a staff', 'snake', 'staff');
    expect(around(seen(snake)).height).toBeGreaterThan(2 * around(seen(snake)).width);
  });

  it('waters what grows from a can that is over it', () => {
    const pair = arranged('a robot watering a flower', 'robot', 'flower');
    const drops = boundsOf(pair.layers.at(-1)!.area);
    const all = around(pair.layers);
    // Water falls on the right of who waters.
    expect(drops.x).toBeGreaterThan(all.x + 0.5 * all.width);
    expect(drops.width).toBeLessThan(0.2 * all.width);
    expect(understand('a robot watering a flower').parts.figures).toHaveLength(2);
  });

  it('casts a shadow that is larger than who casts it, and another', () => {
    const { layers } = arranged('a cat whose shadow is a tiger', 'cat', 'tiger');
    const [shade, cat] = [boundsOf(layers[0].area), around(layers.slice(1))];
    expect(shade.height).toBeGreaterThan(1.3 * cat.height);
    // Both stand on one line.
    expect(Math.abs(shade.y + shade.height - (cat.y + cat.height))).toBeLessThan(5);
  });

  it('crosses two behind a head so that they reach out on all sides', () => {
    const layers = compose(requestOf("a bull's head and two crossed forks")).layers;
    const all = around(layers);
    const head = boundsOf(layers.at(-1)!.area);
    expect(all.width).toBeGreaterThan(1.2 * head.width);
    expect(Math.abs(massOf(layers.at(-1)!.area)[0] - (all.x + all.width / 2))).toBeLessThan(0.25 * all.width);
  });

  it('hugs before the chest, with both arms', () => {
    const { layers } = arranged('a raccoon hugging a jar of honey', 'raccoon', 'honey pot');
    const all = around(layers);
    expect(all.height).toBeGreaterThan(all.width);
    expect(arranged('a raccoon holding a key', 'raccoon', 'key').layers).not.toHaveLength(0);
  });

  it('goes round a middle, each the other turned by half', () => {
    const layers = compose(requestOf('two koi fish swimming in a circle')).layers;
    const figure = union(...layers.map((l) => l.area));
    const [x, y] = massOf(figure);
    // Turned about its middle it is the same.
    const turned = figure.map((ring) => ring.map((v, i) => 2 * (i % 2 ? y : x) - v));
    expect(sizeOf(intersect(figure, turned))).toBeGreaterThan(0.93 * sizeOf(figure));
  });

  it('links two outlines, each over the other once', () => {
    const [left, right] = compose(requestOf('two hearts linked like a chain')).layers;
    expect(sizeOf(intersect(left.area, right.area))).toBeLessThan(0.01 * sizeOf(left.area));
    // They reach into one another, and each is cut through where it goes under.
    const [l, r] = [boundsOf(left.area), boundsOf(right.area)];
    expect(l.x + l.width).toBeGreaterThan(r.x + 0.2 * r.width);
    expect(compose(requestOf('two hearts')).layers.length).toBeGreaterThan(0);
  });

  it('puts a moustache on the mug that has it, and an olive branch before the beak of a dove', () => {
    const mug = arranged('a mug with a moustache', 'cup', 'moustache');
    const [cup, whiskers] = [around(back(mug)), around(front(mug))];
    expect(whiskers.x).toBeGreaterThan(cup.x);
    expect(whiskers.x + whiskers.width).toBeLessThan(cup.x + cup.width);
    const dove = arranged('a dove carrying an olive branch', 'dove', 'olive branch');
    expect(around(front(dove)).x).toBeGreaterThan(around(dove.layers).x + 0.4 * around(dove.layers).width);
  });

  it('makes a tree of books of them from its crown to its foot', () => {
    const [tree, ...books] = arranged('a tree with books as leaves', 'tree', 'book').layers;
    const [all, made] = [boundsOf(tree.area), boundsOf(union(...books.map((l) => l.area)))];
    expect(made.height).toBeGreaterThan(0.7 * all.height);
    expect(made.width).toBeGreaterThan(0.6 * all.width);
  });

  it('puts what runs in a wheel into its open middle', () => {
    const pair = arranged('a hamster in a wheel', 'hamster', 'wheel');
    const [wheel, hamster] = [around(back(pair)), around(front(pair))];
    expect(hamster.x).toBeGreaterThan(wheel.x + 0.1 * wheel.width);
    expect(hamster.x + hamster.width).toBeLessThan(wheel.x + 0.9 * wheel.width);
  });

  it('holds a shaft in a fist and what is small on the open hand', () => {
    const stage = stageOf('a hand holding a sword');
    const [first, second] = stage.parts.figures;
    const layers = waysFor(first, second)[0](stage, build('hand'), build('sword'));
    const fist = { layers, ground: stage.palette.groundHex };
    expect(around(back(fist)).y).toBeLessThan(around(front(fist)).y - 15);
    const open = arranged('a hand holding a lemon', 'hand', 'lemon');
    expect(around(back(open)).y).toBeLessThan(around(front(open)).y);
  });

  it('pours from above into what is below, from the side where the spout is', () => {
    for (const seed of [3, 4, 5, 6]) {
      const stage = stageOf('a teapot pouring tea into a cup');
      const [first, , third] = stage.parts.figures;
      const cup = { ...third, relation: 'over' as const, turned: false, to: 0, said: 'pouring' };
      const pot = build('teapot', seed);
      const layers = waysFor(first, cup)[0](stage, pot, build('cup'));
      const [stream, all] = [boundsOf(layers[0].area), around(layers)];
      const isRight = stream.x + stream.width / 2 > all.x + all.width / 2;
      expect(isRight).toBe((pot.facing ?? 1) > 0);
      expect(stream.height).toBeGreaterThan(stream.width);
    }
  });

  it('lays what is long flat on a roof', () => {
    const { layers } = arranged('a car with a surfboard on the roof', 'car', 'surfboard');
    const all = around(layers);
    const board = around(layers.filter((l) => massOf(l.area)[1] < all.y + 0.25 * all.height));
    expect(board.width).toBeGreaterThan(2 * board.height);
  });

  it('hangs below what it hangs from', () => {
    const pair = arranged('a lantern hanging from a branch', 'lantern', 'twig');
    const [branch, lantern] = [around(back(pair)), around(front(pair))];
    expect(lantern.y + lantern.height).toBeGreaterThan(branch.y + branch.height + 15);
  });

  it('comes out of a mouth at its foot, and out of a cup over its rim', () => {
    const foot = (prompt: string, a: string, b: string): number => {
      const pair = arranged(prompt, a, b);
      const [p, q] = [around(back(pair)), around(front(pair))];
      return Math.abs(p.y + p.height - (q.y + q.height));
    };
    expect(foot('a train coming out of a tunnel', 'train', 'tunnel')).toBeLessThan(10);
    const cup = arranged('a bear coming out of a cup', 'bear', 'cup');
    expect(around(cup.layers).height).toBeGreaterThan(50);
  });
});

describe('what one sits in, draws, sends out or has on its head', () => {
  const areaOf = (layers: readonly Layer[]): number => layers.reduce((sum, l) => sum + sizeOf(l.area), 0);

  it('sits somebody in front of an armchair that reaches out on both sides', () => {
    const { back, front: who } = parted('a cat in an armchair', 'cat', 'armchair');
    expect(who.x).toBeGreaterThan(back.x);
    expect(who.x + who.width).toBeLessThan(back.x + back.width);
    expect(who.y + who.height).toBeLessThan(back.y + back.height + 2);
  });

  it('has what pulls before what it pulls, on one line, a rope between them', () => {
    const both = arranged('a cart pulled by a donkey', 'cart', 'donkey');
    const [cart, donkey] = gapsIn(both).map((at, i, all) => around(both.layers.slice(at + 1, all[i + 1])));
    expect(donkey.x).toBeGreaterThan(cart.x + cart.width - 6);
    expect(Math.abs(donkey.y + donkey.height - cart.y - cart.height)).toBeLessThan(1);
    const rope = boundsOf(both.layers[0].area);
    expect(rope.x).toBeLessThan(cart.x + cart.width);
    expect(rope.x + rope.width).toBeGreaterThan(donkey.x);
    // Of several, one goes before the other.
    const mice = arranged('a cart pulled by mice', 'cart', 'mouse');
    expect(gapsIn(mice)).toHaveLength(3);
  });

  it('sends water out in front of a trunk and rising, and fire in one flame at the mouth', () => {
    const water = laid('an elephant squirting water', 'elephant', 'water');
    const [head] = water;
    const body = around(water.filter((l) => boundsOf(l.area).width > 12));
    const drops = water.map((l) => boundsOf(l.area)).filter((q) => q.x > body.x + body.width - 4);
    expect(head.isFigure).toBe(true);
    expect(drops.length).toBeGreaterThan(7);
    expect(Math.min(...drops.map((q) => q.y))).toBeLessThan(body.y + 0.4 * body.height);
    const fire = around(laid('a dragon breathing fire', 'dragon', 'fire'));
    expect(fire.width).toBeGreaterThan(fire.height);
  });

  it('puts flowers on antlers, and one tree between them', () => {
    const flowers = arranged('a deer with flowers in its antlers', 'deer', 'flower');
    const places = gapsIn(flowers).map((at) => boundsOf(flowers.layers[at].area));
    expect(places.length).toBeGreaterThan(3);
    const all = around(flowers.layers);
    for (const q of places) expect(q.y + q.height / 2).toBeLessThan(all.y + 0.55 * all.height);
    const xs = places.map((q) => q.x + q.width / 2);
    expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan(0.4 * all.width);
    const { back, front: tree } = parted('a stag with a pine tree between its antlers', 'stag', 'pine tree');
    expect(Math.abs(tree.x + tree.width / 2 - back.x - back.width / 2)).toBeLessThan(3);
  });

  it('spreads hands for branches from the top of a trunk', () => {
    const tree = arranged('a tree with hands as branches', 'tree', 'hand');
    const hands = gapsIn(tree).map((at) => boundsOf(tree.layers[at].area));
    expect(hands).toHaveLength(5);
    const trunk = around(tree.layers.slice(0, gapsIn(tree)[0]));
    for (const h of hands) expect(h.y + h.height / 2).toBeLessThan(trunk.y + 0.5 * trunk.height);
  });

  it('makes a lock of a heart: a shackle over it, and a hole in it', () => {
    const layers = laid('a padlock shaped like a heart', 'lock', 'heart');
    const [shackle, body] = [layers[0], layers.at(-1)!];
    expect(boundsOf(shackle.area).y).toBeLessThan(boundsOf(body.area).y - 8);
    expect(body.area.length).toBeGreaterThan(1);
  });

  it('has what a client says is on a lid on top, and a bicycle that is in a tree in its crown', () => {
    const lid = parted('a teapot with a bird on its lid', 'teapot', 'bird');
    expect(lid.back.y + lid.back.height / 2).not.toBeCloseTo(lid.front.y + lid.front.height / 2, 0);
    const { back, front: bicycle } = parted('a bicycle in a tree', 'bicycle', 'tree');
    expect(bicycle.y + bicycle.height).toBeLessThan(back.y + 0.8 * back.height);
    expect(bicycle.width).toBeLessThan(back.width);
  });

  it('holds balloons by strings, hangs a star from a moon, ties what is a bundle, stands on a ski', () => {
    const three = arranged('a hand holding three balloons', 'hand', 'balloon');
    const gaps = gapsIn(three).map((at) => boundsOf(three.layers[at].area));
    // Three balloons over the fist, which is last.
    expect(gaps).toHaveLength(4);
    for (const q of gaps.slice(0, 3)) expect(q.y + q.height).toBeLessThan(gaps[3].y + 2);
    const moon = arranged('a crescent moon with a hanging star', 'crescent moon', 'star');
    const all = around(moon.layers);
    const star = boundsOf(moon.layers[gapsIn(moon)[0]].area);
    // In the opening, which is to the right.
    expect(star.x + star.width / 2).toBeGreaterThan(all.x + 0.5 * all.width);
    expect(star.y).toBeGreaterThan(all.y + 4);
    const carrots = arranged('a bunch of carrots tied with a ribbon', 'carrot', 'ribbon');
    expect(gapsIn(carrots).length).toBeGreaterThan(3);
    expect(asDrawn(stageOf('a bear on skis')).parts.figures.map((q) => q.drawn)).toEqual(['bear', 'ski']);
    const { back: ski, front: who } = parted('a bear on a ski', 'bear', 'ski');
    expect(ski.width).toBeGreaterThan(who.width);
    expect(who.y + who.height).toBeLessThan(ski.y + ski.height + 1);
  });

  it('holds binoculars before the eyes, and has a tail for the handle where a cup has its own', () => {
    const layers = laid('a bear looking through binoculars', 'bear', 'binoculars');
    const gaps = gapsOf(layers, 'a bear looking through binoculars');
    const head = around(layers.slice(0, gaps.at(-2)));
    const glass = boundsOf(layers[gaps.at(-2)!].area);
    const paws = boundsOf(layers[gaps.at(-1)!].area);
    expect(glass.y + glass.height / 2).toBeLessThan(head.y + 0.75 * head.height);
    expect(glass.y + glass.height / 2).toBeGreaterThan(head.y + 0.3 * head.height);
    expect(paws.x).toBeLessThan(glass.x + 2);
    expect(paws.x + paws.width).toBeGreaterThan(glass.x + glass.width - 2);
    const figures = understand("a coffee cup with a cat's tail as the handle").parts.figures;
    expect(figures.map((q) => [q.drawn, q.place])).toEqual([
      ['coffee cup', null],
      ['cat tail', 'handle'],
    ]);
    const { back: cup, front: tail } = parted("a cup with a cat's tail as the handle", 'cup', 'cat tail');
    expect(Math.min(Math.abs(tail.x - cup.x - cup.width), Math.abs(tail.x + tail.width - cup.x))).toBeLessThan(16);
  });

  it('knows an animal’s tail from a fish’s, two hands that shake, and smoke in a shape', () => {
    const drawn = (prompt: string): string[] => asDrawn(stageOf(prompt)).parts.figures.map((q) => q.drawn);
    expect(understand('a cat tail').parts.figures[0].drawn).toBe('cat tail');
    expect(understand('a fish tail').parts.figures[0].drawn).toBe('whale tail');
    expect(drawn('two hands shaking in front of a tree')[0]).toBe('handshake');
    expect(drawn('a house with heart-shaped smoke')).toContain('heart');
    expect(understand('a bowl of ramen').parts.figures[0].drawn).toBe('noodles');
  });

  it('heaps up what a basket is full of over its rim, all alike, its front before it', () => {
    const { layers, ground } = arranged('a cart full of pumpkins', 'cart', 'pumpkin');
    const gaps = gapsIn({ layers, ground });
    // Five in the heap, and the front of the cart.
    expect(gaps.length).toBeGreaterThan(5);
    const heap = gaps.slice(0, 5).map((at) => boundsOf(layers[at].area));
    const cart = around(layers.slice(0, gaps[0]));
    for (const q of heap) {
      expect(q.x).toBeGreaterThan(cart.x - 4);
      expect(q.x + q.width).toBeLessThan(cart.x + cart.width + 4);
      expect(q.y).toBeLessThan(cart.y + 0.1 * cart.height);
    }
    const each = gaps.slice(0, 5).map((at, i) =>
      layers
        .slice(at + 1, gaps[i + 1])
        .map((l) => String(l.fill))
        .join(),
    );
    expect(new Set(each.slice(0, 4)).size).toBe(1);
    // Flowers stand in a boot, and do not lie in it.
    const flowers = arranged('a boot filled with flowers', 'boot', 'flower');
    expect(around(flowers.layers.slice(0, gapsIn(flowers).at(-1)!)).y).toBeLessThan(around(flowers.layers.slice(gapsIn(flowers).at(-1)! + 1)).y - 10); // prettier-ignore
  });

  it('stands what has legs on them, keeps stripes on their animal, and ducks on the road they cross', () => {
    const drawn = (prompt: string): string[] => asDrawn(stageOf(prompt)).parts.figures.map((q) => q.drawn);
    expect(drawn('a tiger face made of stripes')).toEqual(['tiger']);
    expect(asDrawn(stageOf('a cat with black stripes')).parts.figures[0].modifiers).toContain('striped');
    expect(drawn("a gardener's glove holding a tulip")).toEqual(['hand', 'tulip']);
    const runs = around(compose(requestOf('a hot dog with legs running')).layers);
    const lies = around(compose(requestOf('a hot dog')).layers);
    expect(runs.height / runs.width).not.toBeCloseTo(lies.height / lies.width, 1);
    const road = compose(requestOf('a duck family crossing a road')).layers;
    const ducks = road.filter((l) => l.isFigure && boundsOf(l.area).width < 30).map((l) => boundsOf(l.area));
    expect(Math.max(...ducks.map((q) => q.y + q.height))).toBeGreaterThan(57);
  });

  it('turns two that look at each other to one another, and cuts a ribbon with the blades up', () => {
    const stage = stageOf('a dog and a fox looking at each other');
    const [dog, fox] = stage.parts.figures;
    const [left, right] = [0, 1].map((way) =>
      waysFor(dog, fox)[way](stage, figureFor(stage, dog, 0), figureFor(stage, fox, 1)),
    );
    for (const layers of [left, right]) {
      // The heads, which are highest, are on the inner sides.
      const all = around(layers);
      const middle = all.x + all.width / 2;
      for (const inner of [-1, 1]) {
        const half = union(
          ...layers.map((l) =>
            intersect(l.area, inner < 0 ? box(0, 0, middle, 100) : box(middle, 0, 100 - middle, 100)),
          ),
        );
        const b = boundsOf(half);
        const head = boundsOf(intersect(half, box(b.x, b.y, b.width, 0.16 * b.height)));
        expect(-inner * (head.x + head.width / 2 - b.x - b.width / 2)).toBeGreaterThan(0);
      }
    }
    expect(understand('a pair of scissors cutting a ribbon').parts.figures[0].count).toBe(1);
    const cut = arranged('scissors cutting a ribbon', 'scissors', 'ribbon');
    const band = cut.layers.slice(0, gapsIn(cut)[0]).map((l) => boundsOf(l.area));
    // Two halves, with nothing between.
    expect(Math.min(...band.map((q) => Math.abs(q.x + q.width / 2 - 50)))).toBeGreaterThan(8);
  });

  it('puts what stands for a shell in the place of the shell', () => {
    const stage = stageOf('a snail with a house as its shell');
    const [snail, house] = stage.parts.figures;
    const own = figureFor(stage, snail, 0);
    const shell = own.parts.filter((p) => p.of === 'shell');
    expect(shell).toHaveLength(1);
    const layers = waysFor(snail, house)[0](stage, own, figureFor(stage, house, 1));
    const at = gapsIn({ layers, ground: stage.palette.groundHex }).at(-1)!;
    const [body, there] = [around(layers.slice(0, at)), around(layers.slice(at + 1))];
    // It stands over the foot, as high as a shell, and the shell is gone.
    expect(there.x).toBeGreaterThan(body.x);
    expect(there.x + there.width).toBeLessThan(body.x + body.width);
    expect(there.height).toBeGreaterThan(0.7 * body.height);
    const above = box(there.x, there.y, there.width, there.height / 2);
    const left = union(
      ...layers
        .slice(0, at)
        .filter((l) => l.fill !== stage.palette.groundHex)
        .map((l) => l.area),
    );
    expect(sizeOf(intersect(left, above))).toBeLessThan(0.1 * sizeOf(above));
    expect(understand('a snail with a cinnamon roll shell').parts.figures.map((q) => [q.drawn, q.place])).toEqual([
      ['snail', null],
      ['cinnamon roll', 'shell'],
    ]);
    expect(understand('a peacock with a tail of eyes').parts.figures[1]).toMatchObject({ relation: 'as', place: 'tail', to: 0 }); // prettier-ignore
  });

  it('gives a badge a field on which every colour that is said is seen', () => {
    for (const prompt of [
      'badge with a black bull and a gold star',
      'badge with a red anchor and a white sail',
      'app icon of a yellow duck on a teal wave',
    ]) {
      const { palette } = withField(stageOf(prompt));
      for (const f of stageOf(prompt).parts.figures) for (const c of f.colours) expect(oklabDistance(hexToOklab(palette.inks[0]), hexToOklab(c.hex)), `${prompt}: ${c.word}`).toBeGreaterThan(0.2); // prettier-ignore
    }
    // Without colours said of figures it stays as it is.
    expect(withField(stageOf('badge with a bull', 0)).palette.inks).toEqual(
      stageOf('badge with a bull', 0).palette.inks,
    );
  });

  it('dresses things in hats and glasses that there is a cut of', () => {
    const mascot = (prompt: string): number => areaOf(compose(requestOf(prompt)).layers);
    expect(mascot('mascot: an avocado wearing sunglasses')).not.toBeCloseTo(mascot('mascot: an avocado'), 0);
    expect(mascot('mascot: a lemon with a straw hat')).not.toBeCloseTo(mascot('mascot: a lemon with a top hat'), 0);
  });
});

describe('what is drawn of what is said', () => {
  const drawn = (prompt: string) => understand(prompt).parts.figures.map((f) => f.drawn);
  const inkOf = (prompt: string): number => sizeOf(union(...compose(requestOf(prompt)).layers.map((l) => l.area)));

  it('takes one drawing for what has the other already', () => {
    const layersOf = (prompt: string): number => compose(requestOf(prompt)).layers.length;
    expect(layersOf('a nest holding three eggs')).toBe(layersOf('a nest'));
    expect(drawn('a nest holding three eggs')).toEqual(['nest with eggs', 'egg']);
  });

  it('sets what a shield is with upon it', () => {
    const layers = compose(requestOf('a shield with a lion and a sword')).layers;
    const shield = boundsOf(layers[0].area);
    const rest = around(layers.slice(1));
    expect(rest.x).toBeGreaterThan(shield.x);
    expect(rest.x + rest.width).toBeLessThan(shield.x + shield.width);
  });

  it('gives a third figure a place of its own, clear of the two', () => {
    for (const prompt of ['a cat and a dog with an umbrella', 'a fork and a plate with a leaf', 'an owl on a book with a laurel wreath around']) {
      const layers = compose(requestOf(prompt)).layers.filter((l) => l.isFigure);
      const all = around(layers);
      expect(all.x).toBeGreaterThan(0);
      expect(all.x + all.width).toBeLessThan(100);
      expect(all.y).toBeGreaterThan(0);
      expect(all.y + all.height).toBeLessThan(100);
    } // prettier-ignore
  });

  it('draws several small things where several are named', () => {
    expect(inkOf('a plug with leaves over it')).not.toBe(inkOf('a plug with a leaf over it'));
  });

  it('turns to its profile who is asked for in it', () => {
    const [front, side] = ['a hare', 'a hare in profile'].map((prompt) => around(compose(requestOf(prompt)).layers));
    expect(front).not.toEqual(side);
  });

  it('shows heads in profile where that is said, where two look at one another, and as another view of one alone', () => {
    const heads = (prompt: string, position = 0, leeway = 0) => compose(requestOf(prompt, position, leeway)).layers.filter((l) => l.isFigure); // prettier-ignore
    const evenness = (prompt: string, position = 0, leeway = 0): number => {
      const all = union(...heads(prompt, position, leeway).map((l) => l.area));
      const b = boundsOf(all);
      const left = intersect(all, box(b.x, b.y, b.width / 2, b.height));
      return Math.abs(sizeOf(left) / sizeOf(all) - 0.5);
    };
    expect(evenness('a wolf head')).toBeLessThan(0.03);
    expect(evenness('a wolf head in profile')).toBeGreaterThan(0.03);
    expect(evenness('two wolf heads facing each other')).toBeLessThan(0.03);
    const views = [0, 1, 2, 3].map((position) => evenness('a wolf head', position, 50) > 0.03);
    expect(new Set(views).size).toBe(2);
  });

  it('has one who is on guard stand, and one who sleeps shut the eyes, whatever else is said', () => {
    const seen = (prompt: string, position = 0) => compose(requestOf(prompt, position, 50)).layers.filter((l) => l.isFigure).map((l) => l.area); // prettier-ignore
    expect(seen('a fox standing guard')).toEqual(seen('a fox standing'));
    for (const position of [0, 1, 2, 3])
      expect(seen('a mouse sleeping in a box', position), String(position)).not.toEqual(seen('a mouse in a box', position)); // prettier-ignore
    const both = asDrawn(stageOf('a robot dog with a heart-shaped tag')).parts.figures;
    expect([both[0].modifiers, both[1].drawn]).toEqual([['robotic'], 'heart']);
  });

  it('makes a fish that leaps a fish with its head up', () => {
    const [lying, leaping] = ['a fish', 'a leaping fish'].map((prompt) => around(compose(requestOf(prompt)).layers));
    expect(leaping.height / leaping.width).toBeGreaterThan(1.3 * (lying.height / lying.width));
  });

  it('shows land in a thing as through a window in its form', () => {
    for (const [prompt, a, b] of [['a teapot with a mountain inside', 'teapot', 'mountain'], ['a forest inside a light bulb', 'forest', 'light bulb']] as const) {
      const { layers, ground } = arranged(prompt, a, b);
      const [hull, pane, ...land] = layers;
      expect(pane.fill, prompt).toBe(ground);
      expect(sizeOf(subtract(pane.area, hull.area)), prompt).toBeLessThan(0.5);
      expect(sizeOf(pane.area), prompt).toBeGreaterThan(0.3 * sizeOf(hull.area));
      for (const l of land) expect(sizeOf(subtract(l.area, grown(pane.area, 0.2))), prompt).toBeLessThan(1);
    }
  }); // prettier-ignore

  it('has an umbrella over the head of who holds it, and its stem beside them', () => {
    const layers = compose(requestOf('a bear holding an umbrella')).layers.filter((l) => l.isFigure);
    const all = around(layers);
    // In the uppermost part there is nothing but the canopy, wider than it is high.
    const top = boundsOf(union(...layers.map((l) => intersect(l.area, [[-50, all.y, 150, all.y, 150, all.y + 0.12 * all.height, -50, all.y + 0.12 * all.height]])))); // prettier-ignore
    expect(top.width).toBeGreaterThan(2 * top.height);
    expect(top.x + top.width).toBeGreaterThan(all.x + 0.7 * all.width);
  });

  it('seats who rides a rocket on it, one leg down its side', () => {
    const { layers, ground } = arranged('an astronaut riding a rocket', 'astronaut', 'rocket');
    const gaps = gapsIn({ layers, ground });
    const rider = around(layers.slice(0, gaps[0]));
    const rocket = around(layers.slice(gaps[0] + 1, gaps.at(-1)));
    expect(rocket.width).toBeGreaterThan(1.2 * rocket.height);
    expect(rider.y).toBeLessThan(rocket.y);
    expect(rider.y + rider.height).toBeLessThan(rocket.y + rocket.height);
  });

  it('puts what a key has for teeth on its blade, and a keyhole into what it is shaped like', () => {
    const key = compose(requestOf('a key whose teeth are a city skyline')).layers;
    const [blade, city] = [boundsOf(key[0].area), around(key.slice(1))];
    expect(city.x).toBeGreaterThan(blade.x + 0.4 * blade.width);
    expect(city.y + city.height).toBeLessThan(blade.y + 0.75 * blade.height);
    const [house] = compose(requestOf('a keyhole in the shape of a house')).layers;
    expect(house.area.filter((ring) => sizeOf([ring]) !== 0).length).toBeGreaterThan(1);
  });

  it('holds up what two hands hold between them, alike on both sides', () => {
    const { layers, ground } = arranged('two hands holding a heart', 'hand', 'heart');
    const hands = front({ layers, ground });
    const b = around(hands);
    const mirrored = union(...hands.map((l) => l.area)).map((ring) => ring.map((v, k) => (k % 2 ? v : 2 * (b.x + b.width / 2) - v)));
    expect(sizeOf(subtract(union(...hands.map((l) => l.area)), grown(union(mirrored), 0.3)))).toBeLessThan(4);
    expect(around(back({ layers, ground })).y).toBeLessThan(b.y);
  }); // prettier-ignore

  it('gives hands to a thing that does something with another, and a rod to who fishes', () => {
    const cactus = compose(requestOf('a cactus playing a guitar')).layers;
    const plain = compose(requestOf('a cactus')).layers;
    expect(cactus.length).toBeGreaterThan(plain.length + 2);
    const fishing = stageOf('a cat fishing');
    expect(fishing.parts.figures.map((f) => f.drawn)).toEqual(['cat']);
    expect(compose(requestOf('a cat fishing')).layers.length).toBeGreaterThan(compose(requestOf('a cat standing')).layers.length); // prettier-ignore
  });

  it('has one thing with rays behind a head as its mane, and many small ones round it', () => {
    const one = arranged('a lion with a sun as its mane', 'lion', 'sun');
    const many = arranged('a lion with leaves as its mane', 'lion', 'leaf');
    const [sun, head] = [around(back(one)), around(front(one))];
    expect(sun.width).toBeGreaterThan(1.3 * head.width);
    expect(many.layers.length).toBeGreaterThan(one.layers.length + 20);
  });

  it('has a brush where a fox has its tail, behind it and up', () => {
    const { back: tail, front: body } = parted('a fox with a paintbrush for a tail', 'fox', 'paintbrush');
    expect(tail.x).toBeLessThan(body.x - 5);
    expect(tail.y).toBeLessThan(body.y + 0.4 * body.height);
    expect(tail.x + tail.width).toBeLessThan(body.x + 0.4 * body.width);
  });

  it('climbs on the slope of a mountain, and stands on the arrow of a vane', () => {
    const goat = parted('a goat climbing a mountain', 'goat', 'mountain');
    expect(goat.front.x + goat.front.width / 2).toBeLessThan(goat.back.x + 0.45 * goat.back.width);
    expect(goat.front.y + goat.front.height).toBeLessThan(goat.back.y + goat.back.height);
    const vane = parted('a rooster on a weathervane', 'rooster', 'weathervane');
    expect(vane.front.y + vane.front.height).toBeLessThan(vane.back.y + 0.4 * vane.back.height);
    expect(vane.back.width).toBeGreaterThan(vane.front.width);
  });

  it('lets what flies off a thing grow the further it is', () => {
    const { layers, ground } = arranged('a book with butterflies flying out of it', 'book', 'butterfly');
    const gaps = gapsIn({ layers, ground });
    expect(gaps).toHaveLength(4);
    const sizes = gaps.map((at, k) => around(layers.slice(at + 1, gaps[k + 1])).width);
    expect(sizes).toEqual([...sizes].sort((p, q) => p - q));
  });

  it('hides all but the upper part of who looks over a fence', () => {
    const { back: giraffe, front: fence } = parted('a giraffe peeking over a fence', 'giraffe', 'fence');
    expect(giraffe.y).toBeLessThan(fence.y - 8);
    expect(giraffe.y + giraffe.height).toBeLessThan(fence.y + 0.7 * fence.height);
  });

  it('puts on both things that somebody wears, and gives a bee its wings', () => {
    const one = compose(requestOf('a bulldog wearing a bowler hat and a monocle')).layers;
    const hat = compose(requestOf('a bulldog wearing a bowler hat')).layers;
    // The monocle is on the head: the picture is no wider for it.
    const wide = (layers: readonly Layer[]): number => around(layers).width / around(layers).height;
    expect(wide(one)).toBeLessThan(1.12 * wide(hat));
    const ratio = (name: string): number => {
      const b = around(compose(requestOf(`mascot: ${name}`)).layers.filter((l) => l.isFigure));
      return b.width / b.height;
    };
    expect(ratio('a bee')).toBeGreaterThan(1.05 * ratio('an ant'));
  });

  it('fills a form with many that are in the shape of it', () => {
    const [hull, ...stars] = arranged('stars in the shape of a house', 'star', 'house').layers;
    const pieces = union(...stars.map((l) => l.area));
    expect(pieces.filter((ring) => sizeOf([ring]) > 1).length).toBeGreaterThan(7);
    expect(sizeOf(subtract(pieces, hull.area))).toBeLessThan(0.5);
  });

  it('pours one stream that grows broader, and puts a flame, hands or sails where they are', () => {
    const stream = compose(requestOf('a teapot pouring a waterfall')).layers;
    const [all, water] = [around(stream), boundsOf(stream.at(-1)!.area)];
    expect(water.y + water.height).toBeGreaterThan(all.y + all.height - 1);
    expect(water.height).toBeGreaterThan(0.3 * all.height);
    const candle = parted('a candle with a mountain as its flame', 'candle', 'mountain');
    expect(candle.front.y + candle.front.height).toBeLessThan(candle.back.y + 4);
    // Two hands, of which the longer points up to the right.
    const clock = arranged('a clock with pencils for hands', 'clock', 'pencil');
    const gaps = gapsIn(clock);
    expect(gaps).toHaveLength(2);
    const [short, long] = gaps.map((at, k) => around(clock.layers.slice(at + 1, gaps[k + 1] ?? -1)));
    expect(long.x).toBeGreaterThan(short.x);
    expect(long.width * long.height).toBeGreaterThan(short.width * short.height);
    const mill = arranged('a windmill with petals as blades', 'windmill', 'leaf');
    expect(gapsIn(mill)).toHaveLength(4);
  });

  it('seats two in one boat, and one who rides in it', () => {
    const both = compose(requestOf('a bear and a fox sharing a canoe')).layers;
    const { groundHex } = stageOf('a bear and a fox sharing a canoe').palette;
    const at = both.findLastIndex((l) => l.fill === groundHex && !l.isFigure);
    const [who, boat] = [around(both.slice(0, at)), around(both.slice(at + 1))];
    expect(boat.width).toBeGreaterThan(who.width);
    expect(who.y + who.height).toBeLessThan(boat.y + boat.height);
    expect(who.y + who.height).toBeGreaterThan(boat.y);
    const mouse = parted('a mouse riding a paper boat', 'mouse', 'paper boat');
    expect(mouse.back.y + mouse.back.height).toBeLessThan(mouse.front.y + mouse.front.height);
  });

  it('gives an animal in the form of a thing the thing with its ears', () => {
    const { back: ears, front: bread } = parted('a bear shaped like a loaf of bread', 'bear', 'bread');
    expect(ears.y).toBeLessThan(bread.y + 2);
    expect(ears.height).toBeLessThan(0.6 * bread.height);
  });

  it('stands a tree over two that are under it, and a family in a row', () => {
    const layers = compose(requestOf('a fox reading a map under a tree')).layers;
    const { groundHex } = stageOf('a fox reading a map under a tree').palette;
    const at = layers.findIndex((l) => l.fill === groundHex && !l.isFigure);
    const [tree, fox] = [around(layers.slice(0, at)), around(layers.slice(at + 1))];
    expect(tree.y).toBeLessThan(fox.y);
    expect(tree.height).toBeGreaterThan(1.3 * fox.height);
    const row = compose(requestOf('a penguin family under an umbrella')).layers;
    expect(around(row.slice(row.findLastIndex((l) => l.fill === stageOf('a penguin family under an umbrella').palette.groundHex && !l.isFigure) + 1)).width).toBeGreaterThan(40); // prettier-ignore
  });

  it('lifts what is heavy over a head, and hangs what hangs in a tree under its crown', () => {
    const { back: weight, front: bear } = parted('a bear lifting a barbell', 'bear', 'barbell');
    expect(weight.y + weight.height).toBeLessThan(bear.y + 0.2 * bear.height);
    expect(weight.width).toBeGreaterThan(bear.width);
    const tree = parted('a tree with a lantern hanging from it', 'tree', 'lantern');
    expect(tree.front.y).toBeGreaterThan(tree.back.y + 0.3 * tree.back.height);
    expect(tree.front.y + tree.front.height).toBeLessThan(tree.back.y + tree.back.height + 2);
  });

  it('gives wings to what is winged, and a skirt to who is in one', () => {
    const shoe = around(compose(requestOf('a winged shoe')).layers);
    expect(shoe.width).toBeGreaterThan(1.8 * shoe.height);
    const plain = compose(requestOf('mascot: a hippo')).layers.filter((l) => l.isFigure);
    const tutu = compose(requestOf('mascot: a hippo in a tutu')).layers.filter((l) => l.isFigure);
    expect(around(tutu).width / around(tutu).height).toBeGreaterThan(0.98 * (around(plain).width / around(plain).height)); // prettier-ignore
    expect(tutu.length).not.toBe(plain.length);
  });

  it('puts boots on feet, and the tip of a pencil to what a hand draws', () => {
    const heron = parted('a heron wearing rubber boots', 'heron', 'boot');
    expect(heron.front.y).toBeGreaterThan(heron.all.y + 0.6 * heron.all.height);
    const drawn = arranged('a hand drawing a heart', 'hand', 'heart');
    const gaps = gapsIn(drawn);
    const [heart, pencil] = [around(drawn.layers.slice(0, gaps[0])), around(drawn.layers.slice(gaps[0] + 1, gaps[1]))];
    expect(pencil.x).toBeGreaterThan(heart.x + 0.5 * heart.width);
    expect(pencil.y + pencil.height).toBeGreaterThan(heart.y + 0.6 * heart.height);
    expect(pencil.y + pencil.height).toBeLessThan(heart.y + 1.1 * heart.height);
  });

  it('counts a cup of cocoa as the cup, and flies a balloon in the form of a heart on a string', () => {
    // Its colours are those of cocoa, its form that of a cup.
    const covered = (prompt: string) => union(...compose(requestOf(prompt)).layers.filter((l) => l.isFigure).map((l) => l.area)); // prettier-ignore
    const [cocoa, cup] = ['a cup of cocoa with a snowman in it', 'a cup with a snowman in it'].map(covered);
    expect(sizeOf(intersect(cocoa, cup)) / sizeOf(union(cocoa, cup))).toBeGreaterThan(0.9);
    const flown = compose(requestOf('a rabbit holding a balloon shaped like a heart')).layers.length;
    const held = compose(requestOf('a rabbit holding a heart')).layers.length;
    expect(flown).not.toBe(held);
  });

  it('holds what is in a ring of rope, or in a wheel, in its open middle', () => {
    for (const [prompt, a, b] of [["an anchor inside a ring of rope", 'anchor', 'rope ring'], ["a dolphin in a ship's wheel", 'dolphin', 'ship wheel']] as const) {
      const figures = asDrawn(stageOf(prompt)).parts.figures;
      expect(figures.map((f) => f.drawn), prompt).toEqual([a, b]);
      const layers = compose(requestOf(prompt)).layers.filter((l) => l.isFigure);
      const [all, inner] = [around(layers), boundsOf(layers.at(-1)!.area)];
      expect(inner.width, prompt).toBeLessThan(0.75 * all.width);
      expect(Math.abs(inner.x + inner.width / 2 - all.x - all.width / 2), prompt).toBeLessThan(0.1 * all.width);
    }
  }); // prettier-ignore

  it('leaves out a figure that another one is, and keeps what stood to it', () => {
    const drawn = (prompt: string) => asDrawn(stageOf(prompt)).parts.figures.map((f) => [f.drawn, f.to]);
    expect(drawn('a cup of cocoa with a snowman in it')).toEqual([['cup', null], ['snowman', 0]]); // prettier-ignore
    expect(drawn('a man with a beard and a dog')[0]).toEqual(['man', null]);
    expect(drawn('a cat fishing')).toEqual([['cat', null], ['fishing rod', 0]]); // prettier-ignore
    expect(drawn('a winged shoe')).toEqual([['shoe', null], ['wing', 0]]); // prettier-ignore
  });
});
