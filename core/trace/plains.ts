import type { Picture } from '../raster';

/**
 * Where a picture is plain: stretches of rows in which every pixel has the colour of all that lie within MARGIN_PX of it, so that nothing there
 * has to be looked at one pixel at a time. Most of a drawing is plain.
 */
export interface Plains {
  /** Where each plain stretch starts and where it ends, in turn, by number of pixel; none is longer than a row. */
  readonly plain: Int32Array;
  /** What lies between them, in the same way. */
  readonly busy: Int32Array;
}

/** How far around a plain pixel all is of its colour, in pixels. */
export const MARGIN_PX = 3;

/** Pictures are looked at in squares of this side, in pixels. */
const SQUARE_PX = 8;

/** Finds where a picture is plain. */
export function plainsOf({ widthPx: w, heightPx: h, rgba }: Picture): Plains {
  const whole = new Uint32Array(rgba.buffer, rgba.byteOffset, w * h);
  const plain = new Stretches();
  const busy = new Stretches();
  const isPlain = (x: number, y: number): boolean => {
    const colour = whole[y * w + x];
    const x0 = Math.max(0, x - MARGIN_PX);
    const x1 = Math.min(w, x + SQUARE_PX + MARGIN_PX);
    const end = Math.min(h, y + SQUARE_PX + MARGIN_PX);
    for (let v = Math.max(0, y - MARGIN_PX); v < end; v++)
      for (let i = v * w + x0, rowEnd = v * w + x1; i < rowEnd; i++) if (whole[i] !== colour) return false;
    return true;
  };
  // Where what is plain begins or ends, in a row of squares.
  const turns: number[] = [];
  for (let y0 = 0; y0 < h; y0 += SQUARE_PX) {
    turns.length = 0;
    let now = false;
    for (let x = 0; x < w; x += SQUARE_PX)
      if (isPlain(x, y0) !== now) {
        now = !now;
        turns.push(x);
      }
    for (let y = y0; y < Math.min(h, y0 + SQUARE_PX); y++) {
      let from = 0;
      for (let k = 0; k <= turns.length; k++) {
        const to = k < turns.length ? turns[k] : w;
        if (to > from) (k & 1 ? plain : busy).add(y * w + from, y * w + to);
        from = to;
      }
    }
  }
  return { plain: plain.all(), busy: busy.all() };
}

/** Nothing is taken as plain: every row is one stretch. */
export const nowherePlain = (w: number, h: number): Plains => ({
  plain: new Int32Array(0),
  busy: Int32Array.from({ length: 2 * h }, (_, k) => ((k + 1) >> 1) * w),
});

/** A growing list of stretches. */
class Stretches {
  private ends = new Int32Array(1024);
  private count = 0;

  add(from: number, to: number): void {
    if (this.count === this.ends.length) {
      const more = new Int32Array(2 * this.count);
      more.set(this.ends);
      this.ends = more;
    }
    this.ends[this.count++] = from;
    this.ends[this.count++] = to;
  }

  all(): Int32Array {
    return this.ends.slice(0, this.count);
  }
}
