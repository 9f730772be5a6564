/** Distances, steps, regions and blur, against the plain way of working them out. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blurred } from './blur';
import { distanceTo } from './distance';
import { alongBorder, boxWhere, outsideOf, stepsFrom } from './near';
import { findRegions } from './regions';

/** A window of marks: its width and height, and 1 for each pixel that is marked. */
const window = (share: number) =>
  fc
    .tuple(fc.integer({ min: 1, max: 14 }), fc.integer({ min: 1, max: 14 }))
    .chain(([w, h]) => fc.tuple(fc.constant(w), fc.constant(h), fc.array(fc.double({ min: 0, max: 1, noNaN: true }).map((v) => (v < share ? 1 : 0)), { minLength: w * h, maxLength: w * h }))); // prettier-ignore
const at = (i: number, w: number): readonly [number, number] => [i % w, Math.floor(i / w)];

describe('distances', () => {
  it('are those to the nearest pixel of all', () => {
    fc.assert(
      fc.property(window(0.12), ([w, h, marks]) => {
        const found = distanceTo((i) => marks[i] === 1, w, h, w + h);
        for (let i = 0; i < w * h; i++) {
          const [x, y] = at(i, w);
          let least = Infinity;
          for (let k = 0; k < w * h; k++) if (marks[k]) least = Math.min(least, Math.hypot(at(k, w)[0] - x, at(k, w)[1] - y)); // prettier-ignore
          if (least === Infinity) expect(found[i]).toBeGreaterThan(1e6);
          else expect(found[i]).toBeCloseTo(least, 3);
        }
      }),
      { numRuns: 120 },
    );
  });

  it('are exact up to a limit, and no less than it beyond', () => {
    fc.assert(
      fc.property(window(0.06), fc.integer({ min: 1, max: 5 }), ([w, h, marks], upTo) => {
        const [near, all] = [upTo, w + h].map((most) => distanceTo((i) => marks[i] === 1, w, h, most));
        for (let i = 0; i < w * h; i++)
          if (all[i] <= upTo) expect(near[i]).toBeCloseTo(all[i], 3);
          else expect(near[i]).toBeGreaterThan(upTo - 1e-3);
      }),
      { numRuns: 120 },
    );
  });
});

describe('steps', () => {
  it('are as many as a way from side to side has, up to the most that is asked', () => {
    fc.assert(
      fc.property(window(0.1), fc.integer({ min: 1, max: 9 }), ([w, h, marks], most) => {
        const steps = stepsFrom(marks, w, h, most);
        for (let i = 0; i < w * h; i++) {
          let least = Infinity;
          for (let k = 0; k < w * h; k++) if (marks[k]) least = Math.min(least, Math.abs(at(k, w)[0] - at(i, w)[0]) + Math.abs(at(k, w)[1] - at(i, w)[1])); // prettier-ignore
          expect(steps[i]).toBe(least <= most ? least : 255);
        }
      }),
      { numRuns: 120 },
    );
  });

  it('visit every pixel at the border of a window, and no other', () => {
    for (const [w, h] of [[1, 1], [1, 5], [4, 3], [7, 7]]) {
      const seen = new Set<number>();
      alongBorder(w, h, (i) => seen.add(i));
      const border = Array.from({ length: w * h }, (_, i) => i).filter((i) => { const [x, y] = at(i, w); return x === 0 || y === 0 || x === w - 1 || y === h - 1; }); // prettier-ignore
      expect([...seen].sort((p, q) => p - q)).toEqual(border);
    }
  }); // prettier-ignore
});

describe('what lies outside', () => {
  it('is what a way leads to from the border, and never through a wall', () => {
    fc.assert(
      fc.property(window(0.4), ([w, h, walls]) => {
        const outside = outsideOf(w, h, (i) => walls[i] === 1);
        const near = (i: number): number[] => { const [x, y] = at(i, w); return [x > 0 ? i - 1 : -1, x + 1 < w ? i + 1 : -1, y > 0 ? i - w : -1, y + 1 < h ? i + w : -1].filter((k) => k >= 0); }; // prettier-ignore
        for (let i = 0; i < w * h; i++) {
          const isBorder = near(i).length < 4;
          if (walls[i]) expect(outside[i]).toBe(0);
          // A free pixel is outside as its free neighbours are; at the border it always is.
          else if (isBorder) expect(outside[i]).toBe(1);
          else for (const k of near(i)) if (!walls[k]) expect(outside[k]).toBe(outside[i]);
        }
      }),
      { numRuns: 120 },
    );
  });

  it('has the smallest box about it', () => {
    fc.assert(
      fc.property(window(0.1), ([w, h, marks]) => {
        const box = boxWhere(w, h, (i) => marks[i] === 1);
        const marked = marks.flatMap((m, i) => (m ? [at(i, w)] : []));
        if (!marked.length) return expect(box).toBeNull();
        const [xs, ys] = [marked.map(([x]) => x), marked.map(([, y]) => y)];
        expect(box).toEqual([Math.min(...xs), Math.min(...ys), Math.max(...xs) - Math.min(...xs) + 1, Math.max(...ys) - Math.min(...ys) + 1]); // prettier-ignore
      }),
    );
  });
});

describe('regions', () => {
  it('are the connected areas of one label, with their sizes', () => {
    const labelled = fc.tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 })).chain(([w, h]) => fc.tuple(fc.constant(w), fc.constant(h), fc.uint8Array({ min: 0, max: 2, minLength: w * h, maxLength: w * h }))); // prettier-ignore
    fc.assert(
      fc.property(labelled, ([w, h, labels]) => {
        const { of, label, sizePx2, atBorder } = findRegions(labels, w, h);
        // By flooding each area from its first pixel.
        const own = new Int32Array(w * h).fill(-1);
        let areas = 0;
        for (let i = 0; i < w * h; i++) {
          if (own[i] >= 0) continue;
          const stack = [i];
          own[i] = areas;
          while (stack.length) {
            const k = stack.pop()!;
            const [x, y] = at(k, w);
            for (const n of [x > 0 ? k - 1 : -1, x + 1 < w ? k + 1 : -1, y > 0 ? k - w : -1, y + 1 < h ? k + w : -1]) if (n >= 0 && own[n] < 0 && labels[n] === labels[i]) { own[n] = areas; stack.push(n); } // prettier-ignore
          }
          areas++;
        }
        expect(label).toHaveLength(areas);
        expect([...sizePx2].reduce((sum, n) => sum + n, 0)).toBe(w * h);
        const names = new Map<number, number>();
        for (let i = 0; i < w * h; i++) {
          if (!names.has(own[i])) names.set(own[i], of[i]);
          expect(of[i]).toBe(names.get(own[i]));
          expect(label[of[i]]).toBe(labels[i]);
          const [x, y] = at(i, w);
          if (x === 0 || y === 0 || x === w - 1 || y === h - 1) expect(atBorder[of[i]]).toBe(1);
        }
        for (let a = 0; a < areas; a++) expect(sizePx2[a]).toBe(of.filter((n) => n === a).length);
      }),
      { numRuns: 120 },
    );
  });
});

describe('blur', () => {
  const dot = (w: number, h: number) => {
    const rgba = new Uint8ClampedArray(4 * w * h);
    rgba.set([200, 40, 20, 255], 4 * ((h >> 1) * w + (w >> 1)));
    return { widthPx: w, heightPx: h, rgba };
  };

  it('leaves a picture as it is where it is too fine to be seen', () => {
    const picture = dot(9, 9);
    const same = blurred(picture, 0.3);
    expect([...same.rgba]).toEqual([...picture.rgba]);
    expect(same.rgba).not.toBe(picture.rgba);
  });

  it.each([1, 2, 3, 4.5])('spreads a field as a Gaussian of %f px does, by its second moment', (sigma) => {
    // The middle row of a sheet that ends in the middle: its edge is as wide as the blur.
    const [w, h] = [120, 81];
    const rgba = new Uint8ClampedArray(4 * w * h);
    for (let i = 0; i < w * h; i++) rgba.set([255, 255, 255, i % w < 60 ? 255 : 0], 4 * i);
    const { rgba: out } = blurred({ widthPx: w, heightPx: h, rgba }, sigma);
    const row = Array.from({ length: w }, (_, x) => out[4 * (40 * w + x) + 3]);
    const edge = row.slice(0, -1).map((v, x) => v - row[x + 1]).slice(30, 90); // prettier-ignore
    const whole = edge.reduce((s, v) => s + v, 0);
    const mean = edge.reduce((s, v, i) => s + i * v, 0) / whole;
    const spread = Math.sqrt(edge.reduce((s, v, i) => s + (i - mean) ** 2 * v, 0) / whole);
    expect(Math.abs(spread - sigma)).toBeLessThan(0.12 * sigma + 0.1);
    expect(mean + 30).toBeCloseTo(59, 0);
  });

  it('does not let the colour of nothing bleed in', () => {
    const { rgba } = blurred(dot(21, 21), 2);
    for (let i = 0; i < rgba.length; i += 4)
      if (rgba[i + 3] > 3) expect([rgba[i] > 150, rgba[i + 1] < 90, rgba[i + 2] < 70]).toEqual([true, true, true]);
  });
});
