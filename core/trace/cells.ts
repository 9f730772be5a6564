import type { Plains } from './plains';

/** A transparent pixel, or one of a ground that is left out. */
export const NOTHING = 255;

/**
 * What each pixel is made of: mostly `first`, with `share` (0.5..1) of it, and of `second` for the rest. Ink numbers, or
 * NOTHING.
 */
export interface Cells {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly first: Uint8Array;
  readonly second: Uint8Array;
  readonly share: Float32Array;
  /** Where pixels are all of one ink, and those beside them as well. */
  readonly plains: Plains;
  /** Whether the picture is without anti-aliasing. */
  readonly aliased: boolean;
  /** How far noise may move a point of an edge between two inks, in pixels: 0 in a clean picture, more the nearer alike they are. */
  readonly doubtPx: (p: number, q: number) => number;
}

/** Cells of a picture with what is needed to look for inks that are missing. */
export interface Unmixed extends Cells {
  /** 1 where a pixel has the colour of its ink alone. */
  readonly pure: Uint8Array;
  /** How far each pixel's colour is from what it is said to be made of, in levels. */
  readonly off: Uint8ClampedArray;
}
