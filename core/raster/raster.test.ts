import { describe, expect, it } from 'vitest';
import {
  blankPicture,
  cover,
  coverUnion,
  layColour,
  onGround,
  shrink,
  shrinkToFit,
  strokeOutlines,
  within,
  type Cover,
} from './index';

const areaOf = (c: Cover | null): number => (c ? c.share.reduce((sum, v) => sum + v, 0) : 0);
const disc = (cx: number, cy: number, r: number, n = 720): number[] =>
  Array.from({ length: n }, (_, i) => [
    cx + r * Math.cos((2 * Math.PI * i) / n),
    cy + r * Math.sin((2 * Math.PI * i) / n),
  ]).flat();

describe('cover', () => {
  it('is exact for a rectangle between pixels', () => {
    const c = cover([[2.25, 3.5, 7.75, 3.5, 7.75, 6.25, 2.25, 6.25]], 12, 12)!;
    expect(areaOf(c)).toBeCloseTo(5.5 * 2.75, 4);
    const at = (x: number, y: number) => c.share[(y - c.y0) * c.widthPx + x - c.x0];
    expect(at(2, 3)).toBeCloseTo(0.75 * 0.5, 5);
    expect(at(4, 4)).toBeCloseTo(1, 5);
    expect(at(7, 6)).toBeCloseTo(0.75 * 0.25, 5);
  });

  it('has the area of a disc, of a ring, and of what is left inside the picture', () => {
    expect(areaOf(cover([disc(50, 50, 30)], 100, 100))).toBeCloseTo(Math.PI * 900, 0);
    const hole = disc(50, 50, 20);
    const reversed = Array.from({ length: hole.length / 2 }, (_, i) =>
      hole.slice(hole.length - 2 * i - 2, hole.length - 2 * i),
    ).flat();
    expect(areaOf(cover([disc(50, 50, 30), reversed], 100, 100))).toBeCloseTo(Math.PI * 500, 0);
    expect(areaOf(cover([disc(0, 50, 30)], 100, 100))).toBeCloseTo((Math.PI * 900) / 2, 0);
    expect(cover([disc(-200, 50, 30)], 100, 100)).toBeNull();
  });

  it('does not count an overlap twice', () => {
    const square = [10, 10, 30, 10, 30, 30, 10, 30];
    expect(areaOf(cover([square, square], 50, 50))).toBeCloseTo(400, 3);
  });

  it('strokes a line with round ends', () => {
    const c = cover(strokeOutlines([20, 30, 80, 30], 10, false), 100, 60);
    expect(areaOf(c)).toBeGreaterThan(60 * 10 + Math.PI * 25 * 0.95);
    expect(areaOf(c)).toBeLessThan(60 * 10 + Math.PI * 25 * 1.02);
  });

  it('does not swell a line where its pieces meet', () => {
    const bent = Array.from({ length: 31 }, (_, i) => [20 + 2 * i, 40.3]).flat();
    const line = coverUnion(strokeOutlines(bent, 9, false), 100, 80)!;
    const plain = coverUnion(strokeOutlines([20, 40.3, 80, 40.3], 9, false), 100, 80)!;
    for (let x = 25; x < 75; x++)
      for (let y = 30; y < 50; y++) {
        const at = (c: Cover) => c.share[(y - c.y0) * c.widthPx + x - c.x0] ?? 0;
        expect(Math.abs(at(line) - at(plain))).toBeLessThan(0.02);
      }
  });

  it('cuts one cover by another, inside and outside', () => {
    const a = cover([[0, 0, 20, 0, 20, 20, 0, 20]], 40, 40)!;
    const b = cover([[10, 0, 40, 0, 40, 40, 10, 40]], 40, 40)!;
    expect(areaOf(within(a, b))).toBeCloseTo(200, 3);
    expect(areaOf(within(a, b, true))).toBeCloseTo(200, 3);
    expect(areaOf(within(a, null))).toBe(0);
  });
});

describe('pictures', () => {
  it('refuses sizes that are none', () => {
    for (const [w, h] of [
      [0, 5],
      [5, -1],
      [2.5, 3],
      [NaN, 3],
    ])
      expect(() => blankPicture(w, h)).toThrow(RangeError);
  });

  it('lays a half-covered colour as half of it', () => {
    const p = blankPicture(1, 1, [0, 0, 0]);
    layColour(p, { x0: 0, y0: 0, widthPx: 1, heightPx: 1, share: Float32Array.of(0.5) }, [200, 100, 50]);
    expect([...p.rgba]).toEqual([100, 50, 25, 255]);
  });

  it('keeps the mean colour when it shrinks, whatever the sizes', () => {
    const p = blankPicture(37, 23, [0, 0, 0]);
    for (let i = 0; i < p.rgba.length; i += 4) p.rgba.set([(i * 7) % 256, (i * 13) % 256, (i * 29) % 256, 255], i);
    const mean = (q: typeof p, c: number) => {
      let sum = 0;
      for (let i = c; i < q.rgba.length; i += 4) sum += q.rgba[i];
      return sum / (q.widthPx * q.heightPx);
    };
    const small = shrink(p, 10, 7);
    expect([small.widthPx, small.heightPx]).toEqual([10, 7]);
    for (const c of [0, 1, 2]) expect(Math.abs(mean(small, c) - mean(p, c))).toBeLessThan(0.6);
  });

  it('does not let the colour of nothing bleed in', () => {
    const p = blankPicture(2, 1);
    p.rgba.set([255, 0, 0, 255, 0, 255, 0, 0]);
    expect([...shrink(p, 1, 1).rgba]).toEqual([255, 0, 0, 128]);
  });

  it('fits a side and leaves a smaller picture alone', () => {
    const p = blankPicture(200, 100, [1, 2, 3]);
    expect([shrinkToFit(p, 50).widthPx, shrinkToFit(p, 50).heightPx]).toEqual([50, 25]);
    expect(shrinkToFit(p, 400)).toBe(p);
  });

  it('puts a ground under what is transparent', () => {
    const p = blankPicture(1, 1);
    expect([...onGround(p, [10, 20, 30]).rgba]).toEqual([10, 20, 30, 255]);
  });
});
