/** Views of a picture: from near, over a horizon, and in halves. */
import { describe, expect, it } from 'vitest';
import { intersect, sizeOf, union, type Area } from '../path';
import { boundsOf, box, disc, tile } from './area';
import { compose } from './compose';
import { layerOf, type Layer } from './layer';
import { requestOf, stageOf } from './testing';
import { keepOf, near, viewed, windowOf } from './views';

/** What of a figure is painted. */
const seen = (l: Layer): Area => (l.clip ? intersect(l.area, l.clip) : l.area);
const figuresOf = (layers: readonly Layer[]): Area => union(...layers.filter((l) => l.isFigure).map(seen));
/** The candidate of a round whose turn it is: 0 and 2 whole, 1 from near, 3 in the next view. */
const inTurn = (prompt: string, turn: number, leeway = 50): readonly Layer[] => {
  const at = [0, 1, 2, 3].find((k) => stageOf(prompt, k, leeway).idea % 4 === turn)!;
  return compose(requestOf(prompt, at, leeway)).layers;
};
/** A body with something small beside its upper half. */
const pair: readonly Layer[] = [
  layerOf(box(20, 10, 30, 80), '#223344', { isFigure: true, of: 'vase' }),
  layerOf(disc(66, 24, 12), '#AA3322', { isFigure: true, of: 'sun' }),
];
const WINDOW = windowOf(tile(50, 50, 40, 6), 50, 50, 80, false);

describe('from near', () => {
  const cut = near(pair, WINDOW)!;
  it('a picture is larger than its window and cut by it', () => {
    const [vase, sun] = cut.map(seen);
    expect(boundsOf(cut[0].area).height).toBeGreaterThan(1.1 * 80);
    expect(sizeOf(intersect(vase, WINDOW.area))).toBeCloseTo(sizeOf(vase), 3);
    expect(sizeOf(vase)).toBeLessThan(0.92 * sizeOf(cut[0].area));
    expect(sizeOf(vase)).toBeGreaterThan(0.55 * sizeOf(cut[0].area));
    expect(sizeOf(sun)).toBeGreaterThan(0.8 * sizeOf(cut[1].area));
  });
  it('what is above is kept before what is below', () => {
    const window = boundsOf(WINDOW.area);
    expect(boundsOf(cut[0].area).y).toBeGreaterThan(window.y);
    expect(boundsOf(cut[0].area).y + boundsOf(cut[0].area).height).toBeGreaterThan(window.y + window.height);
  });
  it('nothing is shown where something would be lost', () => {
    // One thing at each corner: whatever is cut, one of them is.
    const corners = [[14, 14], [86, 14], [14, 86], [86, 86]].map(([x, y], i) => layerOf(disc(x, y, 10), '#223344', { isFigure: true, of: `ball ${i}` })); // prettier-ignore
    expect(near(corners, WINDOW)).toBeNull();
    expect(near([], WINDOW)).toBeNull();
  });
  it('an animal keeps its head', () => {
    const low = near([layerOf(box(30, 5, 40, 90), '#223344', { isFigure: true, of: 'bear' })], WINDOW)!;
    expect(boundsOf(low[0].area).y).toBeGreaterThan(10);
  });
  it('what is known by its outline keeps most of it', () => {
    expect(keepOf(stageOf('a drop with a fish inside').parts.figures.length ? stageOf('a tree made of books') : stageOf('tree'))).toBe(0.8); // prettier-ignore
    expect(keepOf(stageOf('a bear holding a honey jar'))).toBe(0.6);
    expect(keepOf(stageOf('a broom with stars'))).toBe(0.72);
  });
});

describe('a round of two figures', () => {
  const prompt = 'a bear holding a lantern';
  const isFramed = ([lowest]: readonly Layer[]): boolean => !lowest.isFigure && sizeOf(lowest.area) > 3000;
  it('shows them whole, and in every second candidate from near in a form', () => {
    const [whole, close] = [0, 1].map((turn) => inTurn(prompt, turn));
    expect(isFramed(whole)).toBe(false);
    expect(isFramed(close)).toBe(true);
    const [field] = close;
    // All of it lies in the form, and some of it is cut off by that.
    const all = sizeOf(union(...close.filter((l) => l.isFigure).map((l) => l.area)));
    expect(sizeOf(figuresOf(close))).toBeLessThan(0.95 * all);
    expect(sizeOf(intersect(figuresOf(close), field.area))).toBeCloseTo(sizeOf(figuresOf(close)), 1);
  });
  it('and in the next view over a horizon, under which nothing is', () => {
    const at = [0, 1, 2, 3].find((k) => stageOf(prompt, k, 50).idea % 4 === 3)!;
    const layers = viewed(stageOf(prompt, at, 50), () => [layerOf(box(36, 8, 28, 84), '#223344', { isFigure: true, of: 'bear' })]); // prettier-ignore
    const line = boundsOf(layers.at(-1)!.area);
    for (const l of layers.slice(0, -1)) {
      const b = boundsOf(seen(l));
      expect(b.y + b.height).toBeLessThan(line.y + 0.1);
    }
    expect(line.width).toBeGreaterThan(50);
    expect(boundsOf(seen(layers.find((l) => l.of === 'bear')!)).height).toBeGreaterThan(30);
  });
  it('keeps to one view at a small leeway, and where the ground may not be touched', () => {
    for (const k of [0, 1, 2, 3]) expect(isFramed(compose(requestOf(prompt, k, 10)).layers)).toBe(false);
    for (const turn of [1, 3]) expect(isFramed(inTurn(`${prompt}, no background`, turn))).toBe(false);
  });
  it('is drawn in lines as lines, whole', () => {
    for (const turn of [1, 3]) {
      expect(isFramed(inTurn(`${prompt}, outline`, turn))).toBe(false);
    }
  });
  it('keeps a ground that is asked for behind what is near', () => {
    const layers = inTurn(`${prompt}, white ground`, 1);
    expect(layers.filter((l) => !l.isFigure).map((l) => l.fill)).toContain('#FFFFFF');
  });
});

describe('a view', () => {
  it('is none where nothing is drawn, and leaves what is on a field of its own', () => {
    const at = [0, 1, 2, 3].find((k) => stageOf('two foxes', k, 50).idea % 4 === 1)!;
    const stage = stageOf('two foxes', at, 50);
    expect(viewed(stage, () => [])).toEqual([]);
    const field = [layerOf(disc(50, 50, 44), stage.palette.inks[0]), layerOf(disc(50, 50, 10), '#FFFFFF', { isFigure: true })]; // prettier-ignore
    expect(viewed(stage, () => field)).toEqual(field);
  });
  it('in halves has the dark one on light and the light one on dark', () => {
    const at = [0, 1, 2, 3].find((k) => stageOf('two foxes', k, 50).idea % 4 === 3)!;
    const stage = stageOf('two foxes', at, 50);
    // Wide and even: near, and then parted level.
    const made = viewed(stage, (s) => [layerOf(tile(50, 50, 40, 2, 18), s.palette.inks[0], { isFigure: true, of: 'bench' })]); // prettier-ignore
    const [half, one, other] = made;
    expect(half.fill).toBe(stage.palette.inks[0]);
    expect(one.fill).toBe(stage.palette.inks[0]);
    expect(other.fill).not.toBe(stage.palette.inks[0]);
    expect(sizeOf(intersect(seen(one), half.area))).toBeLessThan(1);
    expect(sizeOf(intersect(seen(other), half.area))).toBeCloseTo(sizeOf(seen(other)), 1);
  });
});
