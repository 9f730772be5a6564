/** What is made of many of a thing: the pieces lie in its outline, apart, and it is still known. */
import { describe, expect, it } from 'vitest';
import { box, boundsOf, disc } from './area';
import { compose } from './compose';
import { filledWith, madeOf } from './packed';
import { placed, silhouetteOf } from './figure';
import { build, requestOf, stageOf } from './testing';
import { grown, intersect, sizeOf, subtract, union, type Area } from '../path';

const stage = stageOf('a fox made of leaves');
const outlines = (area: Area): number => area.filter((ring) => sizeOf([ring]) > 0.5).length;
/** The pieces that something is filled with: all but the outline they lie in. */
const piecesIn = (hull: Area, thing: string): Area => union(...filledWith(stage, hull, build(thing))!.slice(1).map((l) => l.area)); // prettier-ignore

describe('an outline filled with a thing', () => {
  const hulls: readonly (readonly [string, Area])[] = [
    ['a disc', disc(50, 50, 42, 160)],
    ['a bar', box(4, 36, 92, 28)],
    ['a heart', silhouetteOf(placed(build('heart'), { cx: 50, cy: 50, side: 88 }))],
  ];
  it.each(hulls)('has its pieces inside %s, a little off its edge', (_, hull) => {
    for (const thing of ['star', 'wrench', 'vine']) {
      const pieces = piecesIn(hull, thing);
      expect(sizeOf(subtract(pieces, grown(hull, -1.2)))).toBeLessThan(1.5);
      expect(sizeOf(pieces)).toBeGreaterThan(0.12 * sizeOf(hull));
    }
  });
  it('has long things in rows that touch nowhere, and round ones each in a place of its own', () => {
    const hull = box(2, 2, 96, 96);
    for (const [thing, least] of [['wrench', 12], ['star', 12], ['pencil', 12]] as const) expect(outlines(piecesIn(hull, thing)), thing).toBeGreaterThan(least); // prettier-ignore
  });
  it('is covered more densely by what is long than single pieces would', () => {
    const hull = box(2, 2, 96, 96);
    expect(sizeOf(piecesIn(hull, 'pencil'))).toBeGreaterThan(0.4 * sizeOf(hull));
  });
  it('has strands all over where the thing has no ends', () => {
    const hull = disc(50, 50, 44, 160);
    const strands = piecesIn(hull, 'vine');
    // They reach from one edge to the other, so that there are few of them, and they are seen in each quarter.
    for (const [x, y] of [[6, 6], [50, 6], [6, 50], [50, 50]] as const) expect(sizeOf(intersect(strands, box(x, y, 44, 44)))).toBeGreaterThan(60); // prettier-ignore
    expect(boundsOf(strands).height).toBeGreaterThan(80);
  });
  it('is not filled where too few have room for it', () => {
    expect(filledWith(stage, box(0, 0, 8, 3), build('star'))).toBeNull();
  });
});

describe('a figure made of others', () => {
  it('keeps its eyes, which no piece covers', () => {
    const owl = placed(build('owl'), { cx: 50, cy: 50, side: 90, fill: 0.9 });
    const layers = madeOf(stage, build('owl'), build('star'));
    const [hull, ...others] = layers;
    expect(sizeOf(subtract(hull.area, grown(silhouetteOf(owl), 0.2)))).toBeLessThan(1);
    // Behind the pieces come the parts of the face, which none of those touches.
    const pieces = filledWith(stage, silhouetteOf(owl), build('star'))!.length - 1;
    const face = union(...others.slice(pieces).map((l) => l.area));
    expect(sizeOf(face)).toBeGreaterThan(2);
    expect(sizeOf(intersect(face, union(...others.slice(0, pieces).map((l) => l.area))))).toBeLessThan(0.5);
  });
  it('has spines of what is long where it has spines', () => {
    const layers = compose(requestOf('a hedgehog made of pencils')).layers;
    const all = boundsOf(union(...layers.map((l) => l.area)));
    const hedgehog = boundsOf(layers.at(-1)!.area);
    expect(layers.filter((l) => l.isFigure).length).toBeGreaterThan(20);
    expect(all.y).toBeLessThan(hedgehog.y - 8);
  });
  it('spreads a tail of what stands for its feathers behind the bird', () => {
    const layers = compose(requestOf('a peacock whose tail is made of leaves')).layers;
    const all = boundsOf(union(...layers.map((l) => l.area)));
    expect(all.width).toBeGreaterThan(1.2 * all.height - 10);
    expect(layers.length).toBeGreaterThan(30);
  });
  it('fills the letters of a name, as those of a monogram', () => {
    for (const prompt of ['wordmark "Loom" made of thread', 'letter R made of vines']) {
      const layers = compose(requestOf(prompt)).layers;
      const [hull, ...pieces] = layers;
      expect(pieces.length, prompt).toBeGreaterThan(0);
      expect(sizeOf(subtract(union(...pieces.map((l) => l.area)), grown(hull.area, 0.1))), prompt).toBeLessThan(1);
    }
  });
  it('is all of lines where lines are asked for', () => {
    for (const prompt of ['an owl made of leaves, lines only', 'a heart made of wrenches, line art']) {
      const layers = compose(requestOf(prompt)).layers;
      const all = union(...layers.map((l) => l.area));
      // No part of it has room for a disc as broad as two lines.
      expect(sizeOf(grown(all, -1.9)), prompt).toBeLessThan(0.04 * sizeOf(all));
    }
  });
  it('is one picture for one seed', () => {
    const [one, other] = [0, 0].map(() => compose(requestOf('a cat made of books')).layers.map((l) => l.area));
    expect(one).toEqual(other);
  });
});
