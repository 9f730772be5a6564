/** Round parts of a drawing, and what stands in their place. */
import { describe, expect, it } from 'vitest';
import { boundsOf, box, disc } from './area';
import type { Figure } from './figure';
import { roundsIn, wheelsOf } from './rounds';
import { arranged, around } from './testing';
import { subtract, union, type Area } from '../path';

const of = (...areas: Area[]): Figure => ({
  name: 'probe',
  tones: [0.3],
  parts: areas.map((area) => ({ tone: 0, area })),
});
const body = box(10, 20, 80, 40);

describe('rounds', () => {
  it('are the circles among the parts, the largest first', () => {
    const found = roundsIn(of(body, disc(30, 50, 8), disc(66, 44, 12)));
    expect(found).toHaveLength(2);
    expect(found[0]).toMatchObject({ x: expect.closeTo(66, 1), y: expect.closeTo(44, 1), r: expect.closeTo(12, 0) });
    expect(found[1].r).toBeCloseTo(8, 0);
  });
  it('about one middle are one, the outermost', () => {
    const rim = subtract(disc(50, 50, 16), disc(50, 50, 12));
    expect(roundsIn(of(body, rim, disc(50, 50, 5.8)))).toHaveLength(1);
    expect(roundsIn(of(body, rim, disc(50, 50, 5.8)))[0].r).toBeCloseTo(16, 0);
  });
  it('are no squares, no ovals, nothing tiny and not the whole', () => {
    const oval = disc(40, 40, 9).map((ring) => ring.map((v, i) => (i % 2 ? 40 + (v - 40) * 0.6 : v)));
    expect(roundsIn(of(body, box(20, 30, 14, 14), oval, disc(70, 40, 1.5)))).toEqual([]);
    expect(roundsIn(of(disc(50, 50, 40)))).toEqual([]);
  });
  it('that are two, low and of one size, are wheels, from the left', () => {
    const [left, right] = wheelsOf(of(body, disc(72, 66, 10), disc(26, 66, 10), disc(50, 26, 11)))!;
    expect([Math.round(left.x), Math.round(right.x)]).toEqual([26, 72]);
    expect(wheelsOf(of(body, disc(26, 66, 10)))).toBeNull();
    expect(wheelsOf(of(body, disc(26, 66, 10), disc(72, 66, 4)))).toBeNull();
  });
  it('of a bicycle have what stands for its wheels, and the wheels are gone', () => {
    const layers = arranged('a bicycle with oranges as wheels', 'bicycle', 'orange');
    const all = around(layers);
    // Two of it, one at each end, in the lower half.
    const low = layers.filter((l) => boundsOf(l.area).y > all.y + 0.3 * all.height && l.isFigure);
    const middles = low.map((l) => boundsOf(l.area).x + boundsOf(l.area).width / 2);
    expect(Math.min(...middles)).toBeLessThan(all.x + 0.35 * all.width);
    expect(Math.max(...middles)).toBeGreaterThan(all.x + 0.65 * all.width);
    expect(union(...low.map((l) => l.area)).length).toBeGreaterThan(1);
  });
});
