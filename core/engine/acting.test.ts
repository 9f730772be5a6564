/** What one does, wears, stands for or is made of, as it is read for drawing and where it then is. */
import { describe, expect, it } from 'vitest';
import { hexToOklab } from '../colour';
import { intersect, moved, sizeOf, union, type Area } from '../path';
import { boundsOf, box } from './area';
import { compose } from './compose';
import { findFigure } from './lexicon';
import { arranged, around, chromaOf, drawnFor, footOf, gapsOf, hueOf, middleOf, parted, requestOf, rightOf, stageOf } from './testing'; // prettier-ignore

const names = (prompt: string): string[] => drawnFor(prompt).map((f) => f.drawn);
const relations = (prompt: string): (string | null)[] => drawnFor(prompt).map((f) => f.relation);
const layersOf = (prompt: string, position = 0, leeway = 0) => compose(requestOf(prompt, position, leeway)).layers;
const inkOf = (prompt: string): Area => union(...layersOf(prompt).filter((l) => l.fill !== stageOf(prompt).palette.groundHex).map((l) => l.area)); // prettier-ignore
const overlapOf = (p: Area, q: Area): number => sizeOf(intersect(p, q)) / sizeOf(union(p, q));

describe('what the figures of a prompt are drawn as', () => {
  it.each([
    ['an eagle with spread wings', ['spread eagle']],
    ['an eagle with a fish', ['eagle', 'fish']],
    ['a dancing woman', ['dancing woman']],
    ['a couple dancing', ['dancing couple']],
    ['two swans forming a heart', ['heart swans']],
    ['two swans on a lake', ['swan', 'lake']],
    ['a bear drinking honey from a jar', ['bear', 'jar']],
    ['a whale carrying a small island with a palm tree on its back', ['whale', 'island']],
    ['a mermaid combing her hair', ['mermaid', 'comb']],
    ['a crocodile brushing its teeth', ['crocodile', 'toothbrush']],
    ['a fist holding a wrench', ['hand', 'wrench']],
    ['a fist', ['fist']],
    ['a tiger swimming', ['tiger', 'ripples']],
    ['a dolphin swimming', ['dolphin']],
    ['a comet with a tail of books', ['comet', 'books']],
    ['crossed hockey sticks', ['hockey stick']],
    ['coffee cup with a sunrise inside', ['coffee cup', 'sun']],
    ['a gnome fishing from a mushroom', ['gnome', 'fishing rod', 'mushroom']],
    ['a hand writing with a quill', ['hand', 'feather']],
    ['a cup cake with a candle', ['cupcake', 'candle']],
    ['a lemon with a straw', ['lemon', 'drinking straw']],
    ['a scarecrow made of straw', ['scarecrow', 'hay bale']],
    ['badge for a surf school: a board and a wave', ['surfboard', 'wave']],
  ])('%s', (prompt, drawn) => expect(names(prompt)).toEqual(drawn));

  it('has what stands for a part at that part', () => {
    expect(drawnFor("a knight's helmet with a plume of fire")[1]).toMatchObject({ relation: 'as', turned: true, place: 'top' }); // prettier-ignore
    expect(drawnFor('a volcano erupting hearts')[1]).toMatchObject({ drawn: 'heart', turned: true, place: 'smoke' });
    expect(drawnFor('a padlock with a keyhole shaped like a heart')[1]).toMatchObject({ drawn: 'heart', place: 'keyhole' }); // prettier-ignore
  });
  it('wears the hat that it is in, and comes out of one that is only a hat', () => {
    expect(relations('a cactus in a cowboy hat')).toEqual([null, 'wearing']);
    expect(relations('a pumpkin in a top hat')).toEqual([null, 'wearing']);
    expect(relations('a rabbit coming out of a top hat')).toEqual([null, 'coming out of']);
  });
  it('has one in each paw where that is said', () => {
    expect(drawnFor('a bear with a fish in each paw')[1]).toMatchObject({ relation: 'holding', count: 2, modifiers: [] }); // prettier-ignore
  });
  it('is a head where a portrait is asked for, with what is worn or smoked', () => {
    expect(drawnFor('an old sailor, portrait')[0].modifiers).toContain('portrait');
    const [portrait, whole] = ['a captain with a pipe, portrait', 'a captain with a pipe'].map((p) => around(layersOf(p))); // prettier-ignore
    expect(portrait.width / portrait.height).toBeGreaterThan(1.3 * (whole.width / whole.height));
  });
});

describe('how two stand to one another', () => {
  it('have their backs together, their heads away from one another', () => {
    const layers = arranged('a dog and a cat back to back', 'dog', 'cat');
    const all = around(layers);
    const upper = union(...layers.map((l) => intersect(l.area, box(all.x, all.y, all.width, 0.3 * all.height))));
    const b = boundsOf(upper);
    // What is highest of both, their heads, is at the two ends.
    expect(b.width).toBeGreaterThan(0.7 * all.width);
  });
  it('are over the water with what is over it alone', () => {
    const layers = layersOf('a horse swimming');
    const waves = boundsOf(layers.at(-1)!.area);
    const horse = around(layers.filter((l) => l.isFigure).slice(0, 1));
    expect(footOf(horse)).toBeLessThan(waves.y + 4);
    expect(waves.width).toBeGreaterThan(horse.width);
  });
  it('fly in a line that nothing below touches', () => {
    const layers = layersOf('three geese flying over a barn');
    const barn = around(layers.slice(0, 1));
    const line = boundsOf(intersect(union(...layers.map((l) => l.area)), box(-50, -50, 200, 50 + barn.y - 1)));
    expect(footOf(line)).toBeLessThan(barn.y);
    expect(line.width).toBeGreaterThan(2.5 * line.height);
  });
  it('drink from what stands at their feet, and is smaller', () => {
    const { back: horse, front: bucket } = parted('a horse drinking from a bucket', 'horse', 'bucket');
    expect(Math.abs(footOf(bucket) - footOf(horse))).toBeLessThan(2);
    expect(bucket.x).toBeGreaterThan(rightOf(horse) - 2);
    expect(bucket.height).toBeLessThan(0.6 * horse.height);
  });
  it('are a heart of two that mirror one another and meet in the middle', () => {
    const layers = arranged('a heart made of two leaves', 'heart', 'leaf');
    const all = union(...layers.map((l) => l.area));
    const b = boundsOf(all);
    expect(overlapOf(all, moved(all, [-1, 0, 0, 1, 2 * middleOf(b), 0]))).toBeGreaterThan(0.97);
    // Two lobes above, one point below.
    const widthAt = (share: number): number => sizeOf(intersect(all, box(b.x - 1, b.y + share * b.height, b.width + 2, 1))); // prettier-ignore
    expect(widthAt(0.4)).toBeGreaterThan(2 * widthAt(0.93));
  });
  it('are seen in both lenses, and nowhere outside them', () => {
    const layers = arranged('a pair of glasses with mountains in the lenses', 'eyeglasses', 'mountains');
    const [frame, ...views] = layers;
    const seen = boundsOf(union(...views.map((l) => l.area)));
    const f = boundsOf(frame.area);
    expect(seen.width).toBeLessThan(f.width);
    expect(sizeOf(intersect(frame.area, union(...views.map((l) => l.area))))).toBeLessThan(0.1);
    const [left, right] = [box(f.x, f.y, f.width / 2, f.height), box(middleOf(f), f.y, f.width / 2, f.height)].map((half) => sizeOf(union(...views.map((l) => intersect(l.area, half))))); // prettier-ignore
    expect(left / right).toBeCloseTo(1, 1);
  });
  it('are cut out together where one holds the other', () => {
    const [cut] = layersOf('a dove carrying an olive branch, negative space in a circle');
    const form = boundsOf(cut.area);
    expect(form.width).toBeCloseTo(form.height, 1);
    const disc = Math.PI * (form.width / 2) ** 2;
    expect(sizeOf(cut.area)).toBeLessThan(0.95 * disc);
    expect(sizeOf(cut.area)).toBeGreaterThan(0.6 * disc);
  });
  it('are three tongues of one flame, the middle one highest', () => {
    const { front, all } = parted('a leaf as a flame', 'leaf', 'flame');
    expect(middleOf(front)).toBeCloseTo(middleOf(all), 0);
    expect(front.y - all.y).toBeLessThan(3);
    expect(front.width).toBeLessThan(0.8 * all.width);
  });
  it('lies across the shoulders, behind the head', () => {
    const { back: sheep, front: shepherd } = parted('a shepherd with a sheep on his shoulders', 'shepherd', 'sheep');
    expect(sheep.width).toBeGreaterThan(1.2 * shepherd.width);
    expect(sheep.y).toBeGreaterThan(shepherd.y);
    expect(footOf(sheep)).toBeLessThan(footOf(shepherd));
  });
  it('stands up out of what one drinks from', () => {
    const { back: lemon, front: straw } = parted('a lemon with a straw', 'lemon', 'drinking straw');
    expect(straw.y).toBeLessThan(lemon.y - 10);
    expect(footOf(straw)).toBeLessThan(lemon.y + 0.5 * lemon.height);
  });
  it('rolls on two, at one height and under it', () => {
    const layers = arranged('a house on wheels', 'house', 'wheel');
    const gaps = gapsOf(layers, 'a house on wheels');
    const [left, right] = [around(layers.slice(gaps[0] + 1, gaps[1])), around(layers.slice(gaps[1] + 1))];
    expect(left.y).toBeCloseTo(right.y, 1);
    expect(right.x).toBeGreaterThan(rightOf(left));
    expect(footOf(around(layers)) - footOf(left)).toBeLessThan(3);
  });
  it('lean to one another where they clink, a spark between and over them', () => {
    const layers = layersOf('two mugs clinking');
    const all = around(layers);
    const spark = boundsOf(layers.at(-1)!.area);
    expect(Math.abs(middleOf(spark) - middleOf(all))).toBeLessThan(2);
    expect(spark.y).toBeCloseTo(all.y, 0);
  });
  it('is on the nose of a head that looks at us', () => {
    const { back: head, front: bee } = parted('a bear with a bee on its nose', 'bear', 'bee');
    expect(Math.abs(middleOf(bee) - middleOf(head))).toBeLessThan(3);
    expect(bee.width).toBeLessThan(0.5 * head.width);
    expect(footOf(bee)).toBeLessThan(footOf(head));
  });
  it('has a clear middle where the second is in it', () => {
    const { back: rose, front: star } = parted('a compass rose with a star in the middle', 'compass rose', 'star');
    expect(middleOf(star)).toBeCloseTo(middleOf(rose), 0);
    expect(star.width).toBeLessThan(0.6 * rose.width);
  });
});

describe('forms, lines and colours', () => {
  it('has the form that is asked for on an app icon, and the figure within it', () => {
    const [tile, ...rest] = layersOf('app icon: a fingerprint inside a shield');
    const shield = rest.find((l) => sizeOf(l.area) > 0.2 * sizeOf(tile.area) && sizeOf(l.area) < 0.7 * sizeOf(tile.area)); // prettier-ignore
    expect(shield).toBeDefined();
    const s = boundsOf(shield!.area);
    const widthAt = (share: number): number => boundsOf(intersect(shield!.area, box(0, s.y + share * s.height, 100, 1))).width; // prettier-ignore
    expect(widthAt(0.9)).toBeLessThan(0.7 * widthAt(0.2));
  });
  it('is of lines throughout where a line icon is asked for', () => {
    const filled = sizeOf(inkOf('icon of a house with a key inside'));
    expect(sizeOf(inkOf('line icon of a house with a key inside'))).toBeLessThan(0.5 * filled);
  });
  it('has animals on a field of their own hue light, and not in the spark', () => {
    for (const prompt of ['a wolf in a circle', 'app icon: a whale']) {
      const layers = layersOf(prompt);
      const field = layers[0].area;
      const spark = layers.slice(1).filter((l) => typeof l.fill === 'string' && chromaOf(l.fill) > 0.1 && hueOf(l.fill) < 100); // prettier-ignore
      expect(sizeOf(union(...spark.map((l) => l.area)))).toBeLessThan(0.02 * sizeOf(field));
    }
  });
  it('has what is orange in orange, and its leaves lighter than it', () => {
    for (const prompt of ['a carrot', 'a fox', 'a pumpkin']) {
      const [first] = stageOf(prompt).palette.inks;
      expect(hueOf(first)).toBeGreaterThan(25);
      expect(hueOf(first)).toBeLessThan(75);
      expect(chromaOf(first)).toBeGreaterThan(0.13);
    }
    const [carrot, leaves] = stageOf('a carrot').palette.inks.map(hexToOklab);
    expect(leaves.L).toBeGreaterThan(carrot.L);
  });
  it('has each of several in its colour where that is said of each', () => {
    const fills = layersOf('three peppers, one red, one green, one yellow').map((l) => l.fill);
    for (const hue of [[10, 50], [120, 165], [75, 112]]) expect(fills.some((f) => typeof f === 'string' && chromaOf(f) > 0.1 && hueOf(f) > hue[0] && hueOf(f) < hue[1])).toBe(true); // prettier-ignore
  });
  it('has lemons yellow, and not brown', () => {
    for (const prompt of ['a lemon', 'a banana with sunglasses']) {
      const [first] = stageOf(prompt).palette.inks;
      expect(hexToOklab(first).L).toBeGreaterThan(0.65);
      expect(hueOf(first)).toBeGreaterThan(65);
    }
  });
  it('fits a name on a plate into the picture', () => {
    for (let k = 0; k < 4; k++) {
      const b = around(layersOf('wordmark "Harbourmaster" in bold letters', k, 50));
      expect(b.x).toBeGreaterThan(-1);
      expect(rightOf(b)).toBeLessThan(101);
    }
  });
  it('has a needle through the letters over some and under others', () => {
    const layers = layersOf('wordmark "Saddler" with a needle through the letters');
    const [letters, ...needle] = layers;
    const [word, thread] = [boundsOf(letters.area), around(needle)];
    expect(thread.x).toBeLessThan(word.x);
    expect(rightOf(thread)).toBeGreaterThan(rightOf(word));
    // Letters that it goes over are cut, those over it are not.
    expect(sizeOf(intersect(letters.area, union(...needle.map((l) => l.area))))).toBeLessThan(0.5);
    expect(sizeOf(intersect(letters.area, box(thread.x, thread.y, thread.width, thread.height)))).toBeGreaterThan(2);
  });
});

describe('everyday things', () => {
  it.each([
    ['ironing board', 'ironing board'],
    ['bin', 'trash can'],
    ['clothespin', 'clothes peg'],
    ['phone booth', 'phone box'],
    ['digger', 'excavator'],
    ['chainsaw', 'chainsaw'],
    ['trainers', 'sneaker'],
    ['popsicle', 'ice pop'],
    ['sushi roll', 'sushi'],
    ['cathedral', 'church'],
    ['pupa', 'cocoon'],
    ['clock face', 'clock'],
    ['crosswalk', 'zebra crossing'],
  ])('%s', (word, drawn) => expect(findFigure(word)?.drawn).toBe(drawn));
  it('stand for what they are called alone: no cloth is a string of flags, and no storm a duster', () => {
    for (const [word, never] of [['denim', 'bunting'], ['sandstorm', 'feather duster'], ['glove', 'oven glove'], ['box', 'phone box']]) expect(findFigure(word)?.drawn).not.toBe(never); // prettier-ignore
  });
  it('have other senses in other company', () => {
    expect(names('seal for a chess club: a knight and a crown')[0]).toBe('chess knight');
    expect(names('a knight with a sword')[0]).toBe('knight');
  });
});
