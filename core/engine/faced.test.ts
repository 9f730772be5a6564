/** Things with faces, and things that follow a trade. */
import { describe, expect, it } from 'vitest';
import { boundsOf, box, disc } from './area';
import { faceOn } from './faced';
import { outlineOf, partsNamed, placed, silhouetteOf, upright, type Figure } from './figure';
import { mascotFigure } from './mascot';
import { dressFrom } from './creature';
import { compose } from './compose';
import { build, knobsAt, requestOf, stageOf } from './testing';
import { drawingCount } from './build';
import { intersect, sizeOf, subtract, union } from '../path';

const bottomOf = (figure: Figure): number => { const b = boundsOf(outlineOf(figure)); return b.y + b.height; }; // prettier-ignore

describe('a face on a thing', () => {
  it('is in the upper half of what is much higher than broad, and under its hat', () => {
    const tall: Figure = { name: 'post', tones: [0.3], parts: [{ tone: 0, area: box(40, 0, 24, 100) }] };
    const { y } = faceOn(tall, 'happy')!;
    expect(y).toBeGreaterThan(12);
    expect(y).toBeLessThan(60);
    const below = faceOn(tall, 'happy', 0.5)!;
    expect(below.y).toBeGreaterThan(50);
  });

  it('is where a broad thing has most room', () => {
    const egg: Figure = { name: 'egg', tones: [0.3], parts: [{ tone: 0, area: disc(50, 60, 40) }] };
    const { face, y, thing } = faceOn(egg, 'happy')!;
    expect(Math.abs(y - 60)).toBeLessThan(3);
    expect(thing).toBe(egg);
    const f = boundsOf(outlineOf(face));
    expect(Math.abs(f.x + f.width / 2 - 50)).toBeLessThan(1);
  });

  it('clears stripes away where it is, in the tone of the largest part', () => {
    const stripes = union(...[20, 30, 40, 50, 60, 70].map((y) => box(10, y, 80, 4)));
    const striped: Figure = { name: 'ball', tones: [0.3, 0.9], parts: [{ tone: 0, area: disc(50, 50, 40) }, { tone: 1, area: intersect(stripes, disc(50, 50, 40)) }] }; // prettier-ignore
    const { thing, y, face } = faceOn(striped, 'happy')!;
    const field = boundsOf(outlineOf(face));
    const near = box(field.x, y - 2, field.width, 4);
    expect(sizeOf(intersect(thing.parts[1].area, near))).toBe(0);
    // All that it covered is still covered.
    expect(sizeOf(subtract(silhouetteOf(striped), silhouetteOf(thing)))).toBeLessThan(1);
  });

  it('is not there where nothing has room for it', () => {
    expect(faceOn({ name: 'nothing', tones: [0.3], parts: [] }, 'happy')).toBeNull();
  });
});

describe('a thing that follows a trade', () => {
  const options = { knobs: knobsAt(), leeway: 0, detail: 45, prop: null, crop: 'whole' as const };
  const bare = mascotFigure('cactus', { ...options, dress: {} });
  it.each([
    ['barber', 'about its neck'],
    ['wizard', 'on its top'],
    ['king', 'behind it'],
    ['waiter', 'about its neck'],
  ])('is dressed as a %s, %s', (trade) => {
    const dressed = mascotFigure('cactus', { ...options, dress: dressFrom(trade) });
    expect(dressed.parts.length).toBeGreaterThan(bare.parts.length);
    // Its feet are where they were.
    expect(Math.abs(bottomOf(dressed) - bottomOf(bare))).toBeLessThan(3);
  });

  it('has an apron from under its mouth to its foot where it has room for one', () => {
    const aproned = mascotFigure('egg', { ...options, dress: { top: 'apron' } });
    const egg = placed(upright(build('egg')), { cx: 50, cy: 44, side: 62, fill: 0.85 });
    const e = boundsOf(outlineOf(egg));
    const added = aproned.parts.slice(-6).map((p) => boundsOf(p.area));
    expect(added.some((b) => b.y > e.y + 0.4 * e.height && b.height > 0.15 * e.height && b.width < e.width)).toBe(true);
  });

  it('wears a coat that is open at the neck, and no second face on what has one', () => {
    const robed = mascotFigure('egg', { ...options, dress: { top: 'robe' } });
    const plain = mascotFigure('egg', { ...options, dress: {} });
    expect(robed.parts.length).toBe(plain.parts.length + 2);
    const coat = robed.parts.filter((p) => p.tone === 2).map((p) => boundsOf(p.area));
    expect(coat.length).toBeGreaterThan(0);
    expect(mascotFigure('snowman', { ...options, dress: {} }).parts.length).toBeLessThan(build('snowman').parts.length + 4);
  }); // prettier-ignore

  it.each(['bus', 'cow'])('has lashes over both eyes of a %s where they are said', (name) => {
    const [bare, lashed] = [false, true].map((hasLashes) => mascotFigure(name, { ...options, dress: {}, hasLashes }));
    expect(lashed.parts.length).toBe(bare.parts.length + 1);
    const added = lashed.parts.find((p, i) => sizeOf(p.area) !== sizeOf(bare.parts[i]?.area ?? []))!;
    const [lashes, eyes] = [boundsOf(added.area), boundsOf(partsNamed(bare, 'eye', 'pupil'))];
    expect(lashes.y).toBeLessThan(eyes.y);
    expect(lashes.x < eyes.x && lashes.x + lashes.width > eyes.x + eyes.width).toBe(true);
  });

  it('holds the tool of it, where its hat does not say what it is', () => {
    const layers = (prompt: string) => compose(requestOf(prompt)).layers.filter((l) => l.isFigure).length;
    expect(layers('mascot: a cactus barber')).toBeGreaterThan(layers('mascot: a cactus'));
    expect(layers('a pencil detective')).toBeGreaterThan(layers('a pencil'));
  });

  it('has no helm over its face', () => {
    const figure = mascotFigure('tooth', { ...options, dress: { ...dressFrom('knight'), hat: undefined } });
    const stage = stageOf('mascot: a tooth knight');
    expect(stage.parts.role).toBe('knight');
    const { layers } = compose(requestOf('mascot: a tooth knight'));
    const box = boundsOf(union(...layers.filter((l) => l.isFigure).map((l) => l.area)));
    // A sword and a shield at both sides make it broad, and no helm high.
    expect(box.width / box.height).toBeGreaterThan(0.8);
    expect(figure.parts.length).toBeGreaterThan(3);
  });
});

describe('drawings of our own', () => {
  it.each(['cactus', 'street lamp', 'ghost', 'sewing pin', 'knitting needle', 'leaf crown', 'hole', 'snowman', 'baguette', 'cheese wheel', 'fingerprint', 'dinosaur skeleton', 'heart hands'])('are the only ones of a %s', (name) => {
    expect(drawingCount(name, {}, knobsAt())).toBe(1);
  }); // prettier-ignore
});
