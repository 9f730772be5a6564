/** What goes through, hangs under, falls from, is driven, is looked through, is caught: by where it is. */
import { describe, expect, it } from 'vitest';
import { boundsOf, box } from './area';
import { compose } from './compose';
import { outlineOf, silhouetteOf } from './figure';
import { filledWith } from './packed';
import { skein } from './several';
import { figureFor } from './stage';
import {
  drawnFor,
  footOf,
  middleOf,
  rightOf,
  arranged,
  around,
  build,
  gapsOf,
  parted,
  requestOf,
  stageOf,
} from './testing';
import { intersect, sizeOf, subtract, union, type Box } from '../path';

const boxOf = (prompt: string): Box => boundsOf(union(...compose(requestOf(prompt)).layers.filter((l) => l.isFigure).map((l) => l.area))); // prettier-ignore

describe('what goes through something', () => {
  it.each([
    ['a heart with an arrow through it', 'heart', 'archery arrow'],
    ['a dagger through a rose', 'dagger', 'rose'],
    ['a needle through a button', 'needle', 'button'],
  ])('is seen at both its sides: %s', (prompt, a, b) => {
    const layers = arranged(prompt, a, b);
    const at = gapsOf(layers, prompt)[0];
    const [blade, round] = [around(layers.slice(0, at)), around([layers[at]])];
    expect(blade.x).toBeLessThan(round.x + 2);
    expect(rightOf(blade)).toBeGreaterThan(rightOf(round) - 2);
    expect(blade.y).toBeLessThan(round.y + 4);
    expect(footOf(blade)).toBeGreaterThan(footOf(round) - 4);
  });

  it('is an arrow that is shot, in either order', () => {
    expect(drawnFor('an arrow through a heart')[0].drawn).toBe('archery arrow');
    expect(drawnFor('a heart with an arrow through it')[1].drawn).toBe('archery arrow');
    expect(drawnFor('an arrow beside a heart')[0].drawn).toBe('arrow');
  });
});

describe('what one drives, hangs under, or looks through', () => {
  it('is before the driver, who looks out over it', () => {
    const { back: farmer, front: tractor } = parted('a farmer on a tractor', 'farmer', 'tractor');
    expect(farmer.y).toBeLessThan(tractor.y);
    expect(footOf(farmer)).toBeLessThan(footOf(tractor));
    expect(farmer.width).toBeLessThan(tractor.width);
  });

  it('is a canopy over who comes down by it, and much broader', () => {
    expect(drawnFor('a parachuting cow').map((f) => [f.drawn, f.relation])).toEqual([['cow', null], ['parachute', 'under']]); // prettier-ignore
    const { back: canopy, front: cow } = parted('a cow under a parachute', 'cow', 'parachute');
    expect(canopy.width).toBeGreaterThan(1.5 * cow.width);
    expect(canopy.y).toBeLessThan(cow.y - 20);
    expect(Math.abs(middleOf(canopy) - middleOf(cow))).toBeLessThan(2);
  });

  it('is before the eye, on one side of the head', () => {
    const { back: owl, front: glass } = parted('an owl looking through a telescope', 'owl', 'telescope');
    expect(glass.x).toBeGreaterThan(middleOf(owl));
    expect(glass.y).toBeLessThan(owl.y + 0.5 * owl.height);
  });

  it('is in the mouth of who leaps for it', () => {
    const { back: dog, front: disc } = parted('a dog catching a frisbee', 'dog', 'frisbee');
    expect(middleOf(disc)).toBeGreaterThan(dog.x + 0.8 * dog.width);
    expect(disc.y).toBeLessThan(dog.y + 0.4 * dog.height);
    expect(dog.width).toBeGreaterThan(dog.height);
  });

  it('hangs over who is under it', () => {
    const layers = arranged('a mouse under a lamp', 'mouse', 'lamp');
    const mouse = around(layers.slice(layers.findLastIndex((l) => !l.isFigure) + 1));
    expect(mouse.y).toBeGreaterThan(around(layers).y + 20);
    expect(Math.abs(middleOf(mouse) - middleOf(around(layers)))).toBeLessThan(4);
  });
});

describe('what falls, grows, lies on water or is heaped', () => {
  it('falls from the lower edge of what it comes out of', () => {
    const { back: falls, front: book } = parted('a waterfall pouring from an open book', 'waterfall', 'open book');
    expect(Math.abs(falls.y - footOf(book))).toBeLessThan(10);
    expect(footOf(falls)).toBeGreaterThan(footOf(book) + 30);
  });

  it('is one sprout without ground where one is said, and three where it is not said', () => {
    const one = arranged('a skull with a flower growing out of it', 'skull', 'flower');
    const many = arranged('a skull with flowers growing out of it', 'skull', 'flower');
    expect(one.length).toBeLessThan(many.length);
  });

  it('is in the middle of its rings, which are broader', () => {
    const { back: rings, front: stone } = parted('a stone with ripples', 'rock', 'ripples');
    expect(rings.width).toBeGreaterThan(1.8 * stone.width);
    expect(Math.abs(middleOf(rings) - middleOf(stone))).toBeLessThan(2);
    expect(rings.height).toBeLessThan(0.4 * rings.width);
  });

  it('is heaped in a chest that is open', () => {
    const { front: chest, all } = parted('a treasure chest full of books', 'treasure chest', 'book');
    expect(all.y).toBeLessThan(chest.y - 10);
    expect(drawnFor('a stack of three river stones').map((f) => [f.drawn, f.count])).toEqual([['cairn', 1]]);
    expect(drawnFor('three stones')[0].drawn).toBe('rock');
  });

  it('is left behind, the further the smaller', () => {
    const prompt = 'a paper plane with a trail of hearts';
    expect(drawnFor(prompt).map((f) => [f.drawn, f.said])).toEqual([['paper plane', null], ['heart', 'leaving']]); // prettier-ignore
    const layers = compose(requestOf(prompt)).layers.filter((l) => l.isFigure);
    const all = around(layers);
    const low = boundsOf(intersect(union(...layers.map((l) => l.area)), box(all.x, all.y, 0.2 * all.width, all.height))); // prettier-ignore
    expect(low.y).toBeGreaterThan(all.y + 0.5 * all.height);
  });
});

describe('what stands for a part', () => {
  it('is the beam of a lighthouse, level with its lamp', () => {
    const layers = arranged('a lighthouse whose beam is a pencil', 'lighthouse', 'pencil');
    const all = around(layers);
    const [tower, beam] = [around(layers.filter((l) => boundsOf(l.area).x < all.x + 0.3 * all.width)), around(layers.slice(-1))]; // prettier-ignore
    expect(beam.x).toBeGreaterThan(tower.x + 0.4 * tower.width);
    expect(beam.y).toBeLessThan(all.y + 0.3 * all.height);
  });

  it('is the grips of scissors, the hands of a clock and the points of a crown', () => {
    const { layers, all } = parted('a pair of scissors whose handles form a heart', 'scissors', 'heart');
    const grip = around(layers.slice(-1));
    expect(grip.y).toBeGreaterThan(all.y + 0.4 * all.height);
    const hands = compose(requestOf('a clock whose hands are a knife and fork')).layers.filter((l) => l.isFigure);
    const plain = compose(requestOf('a clock whose hands are knives')).layers.filter((l) => l.isFigure);
    expect(boundsOf(union(...hands.map((l) => l.area))).width).toBeCloseTo(boundsOf(union(...plain.map((l) => l.area))).width, 0); // prettier-ignore
    const crown = boxOf('a crown made of wheat');
    expect(crown.height).toBeGreaterThan(0.5 * crown.width);
    expect(drawnFor('a lion with a crown of leaves').map((f) => f.drawn)).toEqual(['lion', 'leaf crown']);
  });

  it('is the body and the wing of a bird, of two leaves', () => {
    const bird = boxOf('a bird made of two leaves');
    expect(bird.width).toBeGreaterThan(bird.height);
    expect(compose(requestOf('a bird made of two leaves')).layers.filter((l) => l.isFigure).length).toBeLessThan(6);
  });
});

describe('what one wears or has about it', () => {
  it('hangs under the chin, on the middle line of who has it', () => {
    const { back: dog, front: barrel } = parted('a dog with a barrel around its neck', 'dog', 'barrel');
    expect(Math.abs(middleOf(barrel) - middleOf(dog))).toBeLessThan(0.1 * dog.width);
    expect(barrel.y).toBeGreaterThan(dog.y + 0.35 * dog.height);
    expect(barrel.width).toBeLessThan(0.5 * dog.width);
  });

  it('is the ears of an animal on a thing, at its top', () => {
    expect(drawnFor('a teapot with cat ears').map((f) => [f.drawn, f.said])).toEqual([['teapot', null], ['cat', 'ears']]); // prettier-ignore
    const stage = stageOf('a teapot with cat ears');
    const ears = boxOf('a teapot with cat ears');
    expect(stage.parts.figures[1].word).toBe('cat ears');
    expect(ears.height).toBeGreaterThan(0.5 * ears.width);
    expect(drawnFor('a cat with big ears').map((f) => f.drawn)).not.toContain('big');
  });

  it('is in antlers, where these are full of it', () => {
    const [, stars] = drawnFor('a stag with antlers full of stars');
    expect([stars.drawn, stars.place, stars.to]).toEqual(['star', 'antlers', 0]);
  });

  it('sticks up crossed from a ball of wool', () => {
    const { back: needles, front: ball } = parted(
      'two knitting needles crossed in a ball of yarn',
      'knitting needle',
      'wool',
    );
    expect(needles.y).toBeLessThan(ball.y - 8);
    expect(Math.abs(middleOf(needles) - middleOf(ball))).toBeLessThan(0.1 * ball.width);
  });
});

describe('what is one drawing, or another', () => {
  it.each([
    ['a heart made of two hands', ['heart hands']],
    ['two hands forming a heart', ['heart hands']],
    ['a heart and two hands', ['heart', 'hand']],
    ['a viking ship with a striped sail', ['viking ship']],
    ['a compass over a pine forest', ['compass', 'pine tree']],
    ['two carrots crossed like swords', ['carrot']],
    ['a swan boat', ['swan', 'ripples']],
    ['a fox with a tail like a flame', ['fox', 'flame']],
    ['a pineapple house', ['pineapple', 'house']],
    ['a coffee house', ['house']],
    ['a giraffe eating leaves from a tree', ['giraffe', 'tree']],
    ['a hand drawing a heart with a pencil', ['pencil', 'heart']],
  ])('%s', (prompt, drawn) => {
    expect(drawnFor(prompt).map((f) => f.drawn)).toEqual(drawn);
  });

  it.each([
    ['a hedgehog with spines like pencils', 'pencil', 'spines'],
    ['a lion with a mane like the sun', 'sun', 'mane'],
    ['a bird with wings like leaves', 'leaf', 'wings'],
    ['a ram with horns like waves', 'wave', 'horns'],
  ])('is what a part looks like, in its place: %s', (prompt, drawn, place) => {
    const [, part] = drawnFor(prompt);
    expect([part.drawn, part.relation, part.turned, part.place]).toEqual([drawn, 'as', true, place]);
  });

  it('is as often about a middle as is said', () => {
    const arrows = compose(requestOf('a compass rose made of four arrows')).layers.filter((l) => l.isFigure);
    const b = around(arrows);
    expect(b.width / b.height).toBeCloseTo(1, 1);
    expect(arrows.length).toBe(5);
  });
});

describe('what is on both sides', () => {
  it('stands there, and is not in a shield that it is beside', () => {
    const shield = compose(requestOf('a shield with lions on both sides')).layers.filter((l) => l.isFigure);
    const b = around(shield);
    expect(b.width).toBeGreaterThan(1.4 * b.height);
    const figures = union(...shield.map((l) => l.area));
    const [left, right] = [box(b.x, b.y, b.width / 2, b.height), box(b.x + b.width / 2, b.y, b.width / 2, b.height)].map((half) => sizeOf(intersect(figures, half))); // prettier-ignore
    expect(Math.abs(left / right - 1)).toBeLessThan(0.2);
  });
});

describe('what hangs over somebody, and what is seen in a glass', () => {
  it('is on a cord over who sleeps', () => {
    const prompt = 'a fox asleep under a lantern';
    const layers = arranged(prompt, 'fox', 'lantern');
    const all = around(layers);
    const fox = boundsOf(intersect(union(...layers.map((l) => l.area)), box(all.x, all.y + 0.7 * all.height, all.width, all.height))); // prettier-ignore
    expect(Math.abs(middleOf(fox) - middleOf(around(layers.slice(0, 1))))).toBeLessThan(6);
    expect(around(layers.slice(0, 1)).width).toBeLessThan(0.1 * all.width);
  });

  it('is in its ring, and a rope is what it is tied into', () => {
    const glass = compose(requestOf('a magnifying glass over a fingerprint')).layers.filter((l) => l.isFigure);
    const [ring, print] = [around(glass.slice(0, 1)), around(glass.slice(1))];
    expect(print.x > ring.x && rightOf(print) < rightOf(ring) && print.y > ring.y && footOf(print) < footOf(ring)).toBe(
      true,
    );
    const rope = boxOf('a rope tied in the shape of an anchor');
    expect(rope.height / rope.width).toBeGreaterThan(0.8);
  });

  it('is through a keyhole, which is higher than broad', () => {
    const castle = boxOf('a keyhole with a castle inside');
    expect(castle.height).toBeGreaterThan(1.4 * castle.width);
  });
});

describe('who comes out of the ground', () => {
  it('is over a mound, and an owl in a hole is in a tree', () => {
    const { back: mole, front: mound } = parted('a mole popping out of a hole', 'mole', 'hole');
    expect(mole.y).toBeLessThan(mound.y);
    const owl = boxOf('an owl in a hole');
    expect(owl.height).toBeGreaterThan(owl.width);
  });
});

describe('what falls on an umbrella', () => {
  it('is over it', () => {
    const layers = arranged('an open umbrella with fish raining down', 'umbrella', 'fish');
    const at = gapsOf(layers, 'an open umbrella with fish raining down')[0];
    const [umbrella, all] = [around(layers.slice(0, at)), around(layers)];
    expect(all.y).toBeLessThan(umbrella.y - 15);
    expect(footOf(all)).toBeCloseTo(footOf(umbrella), 0);
  });
});

describe('negative space between two', () => {
  it.each(['negative space: a pine tree between two wolves', 'negative space: a bottle between two vines'])('is the same at both sides: %s', (prompt) => {
    const area = union(...compose(requestOf(prompt)).layers.map((l) => l.area));
    const [left, right] = [box(-50, -50, 100, 200), box(50, -50, 100, 200)].map((half) => sizeOf(intersect(area, half)));
    expect(Math.abs(left / right - 1)).toBeLessThan(0.06);
    // Something is cut out.
    expect(sizeOf(silhouetteOf({ name: 'field', tones: [0], parts: [{ tone: 0, area }] }))).toBeGreaterThan(1.04 * sizeOf(area));
  }); // prettier-ignore
});

describe('patches', () => {
  it('cover an outline in more than one ink, a seam between them', () => {
    const stage = stageOf('an elephant made of patchwork');
    const hull = silhouetteOf(build('elephant'));
    const layers = filledWith(stage, hull, build('quilt'))!;
    const covered = union(...layers.map((l) => l.area));
    expect(new Set(layers.map((l) => l.fill)).size).toBeGreaterThan(1);
    expect(sizeOf(subtract(covered, hull))).toBeLessThan(1);
    expect(sizeOf(covered)).toBeGreaterThan(0.6 * sizeOf(hull));
    expect(sizeOf(covered)).toBeLessThan(0.97 * sizeOf(hull));
  });
});

describe('birds that fly together', () => {
  it('go one before the others, which are a little smaller', () => {
    const layers = skein(stageOf('three geese flying'), build('goose'), 3);
    const all = around(layers);
    const first = around(layers.filter((l) => rightOf(boundsOf(l.area)) > rightOf(all) - 8));
    expect(rightOf(first)).toBeCloseTo(rightOf(all), 3);
    expect(first.y).toBeGreaterThan(all.y + 0.1 * all.height);
    expect(footOf(first)).toBeLessThan(footOf(all) - 0.1 * all.height);
  });

  it('has a note before its beak where one sings, and none where several do', () => {
    const figure = (prompt: string) => {
      const stage = stageOf(prompt);
      return figureFor(stage, stage.parts.figures[0], 0);
    };
    const [singing, sitting, three] = ['a singing robin', 'a sitting robin', 'three singing robins'].map(figure);
    expect(singing.parts.length).toBeGreaterThan(sitting.parts.length);
    expect(three.parts.length).toBe(sitting.parts.length);
    const note = boundsOf(union(...singing.parts.slice(sitting.parts.length).map((p) => p.area)));
    expect(note.x).toBeGreaterThan(rightOf(boundsOf(outlineOf(sitting))) - 4);
  });
});
