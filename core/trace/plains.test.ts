import { describe, expect, it } from 'vitest';
import { blankPicture, type Picture } from '../raster';
import { MARGIN_PX, nowherePlain, plainsOf, type Plains } from './plains';

/** A picture with discs and single pixels of other colours. */
function dotted(w: number, h: number, dots: readonly (readonly [number, number, number])[]): Picture {
  const picture = blankPicture(w, h, [250, 240, 230]);
  for (const [cx, cy, r] of dots)
    for (let y = Math.max(0, cy - r); y <= Math.min(h - 1, cy + r); y++)
      for (let x = Math.max(0, cx - r); x <= Math.min(w - 1, cx + r); x++)
        if (Math.hypot(x - cx, y - cy) <= r) picture.rgba.set([20, 40, 60, 255], 4 * (y * w + x));
  return picture;
}

/** 1 for pixels of plain stretches, 2 for those of busy ones; checks that each pixel lies in one stretch and each stretch in one row. */
function marked({ plain, busy }: Plains, w: number, h: number): Uint8Array {
  const out = new Uint8Array(w * h);
  for (const [mark, stretches] of [
    [1, plain],
    [2, busy],
  ] as const)
    for (let s = 0; s < stretches.length; s += 2) {
      expect(stretches[s + 1]).toBeGreaterThan(stretches[s]);
      expect(Math.floor(stretches[s] / w)).toBe(Math.floor((stretches[s + 1] - 1) / w));
      for (let i = stretches[s]; i < stretches[s + 1]; i++) out[i] += mark;
    }
  expect(out.every((m) => m === 1 || m === 2)).toBe(true);
  return out;
}

describe('plain stretches', () => {
  for (const [w, h] of [
    [1, 1],
    [7, 3],
    [8, 8],
    [61, 45],
    [128, 96],
  ] as const)
    it(`have one colour with all around them, ${w} by ${h}`, () => {
      const picture = dotted(w, h, [
        [Math.floor(w / 3), Math.floor(h / 2), Math.floor(Math.min(w, h) / 5)],
        [w - 1, 0, 0],
        [Math.floor(0.8 * w), Math.floor(0.8 * h), 0],
      ]);
      const mark = marked(plainsOf(picture), w, h);
      const whole = new Uint32Array(picture.rgba.buffer);
      let otherwise = 0;
      for (let i = 0; i < mark.length; i++) {
        if (mark[i] !== 1) continue;
        const [x, y] = [i % w, Math.floor(i / w)];
        for (let v = Math.max(0, y - MARGIN_PX); v <= Math.min(h - 1, y + MARGIN_PX); v++)
          for (let u = Math.max(0, x - MARGIN_PX); u <= Math.min(w - 1, x + MARGIN_PX); u++)
            if (whole[v * w + u] !== whole[i]) otherwise++;
      }
      expect(otherwise).toBe(0);
    });

  it('are most of a drawing, and all of an empty picture', () => {
    const share = (p: Picture) => {
      const mark = marked(plainsOf(p), p.widthPx, p.heightPx);
      return mark.filter((m) => m === 1).length / mark.length;
    };
    expect(share(dotted(256, 256, [[128, 128, 80]]))).toBeGreaterThan(0.75);
    expect(share(blankPicture(100, 30, [1, 2, 3]))).toBe(1);
  });

  it('are told apart in their order, by the number of the pixel', () => {
    const { plain, busy } = plainsOf(dotted(200, 90, [[60, 40, 25]]));
    for (const stretches of [plain, busy])
      for (let s = 2; s < stretches.length; s++) expect(stretches[s]).toBeGreaterThanOrEqual(stretches[s - 1]);
  });

  it('need not be looked for', () => {
    expect([...marked(nowherePlain(5, 3), 5, 3)]).toEqual(Array(15).fill(2));
    expect(nowherePlain(4, 0).busy).toHaveLength(0);
  });
});
