/** What a lockup looks like once it is drawn, by which it is arranged further. */
import { compose, turnAbout, type Affine, type Box, type Contour, type Point } from '../path';
import type { Artwork } from '../vector';
import type { MarkPart } from './schema';

/** Something that could not be as it is meant, and of which part. */
export interface LockupFault {
  readonly partId: string;
  readonly kind: 'face' | 'mark' | 'room' | 'letters';
  readonly message: string;
}

/** One letter, for kerning and choosing. */
export interface DrawnLetter {
  readonly at: number;
  readonly text: string;
  readonly origin: Point;
  readonly turnDeg: number;
  readonly advance: number;
  /** From outlines in em, as a letter changed by hand has them, to the lockup. */
  readonly map: Affine;
  /** What is drawn of it, in em, where that was asked for; none where something else stands in its place. */
  readonly outlines: readonly Contour[];
}

/** Where a part came to stand, in the lockup's own coordinates. */
export interface DrawnPart {
  readonly id: string;
  readonly box: Box;
  /** What it is placed by: lettering from its first line's cap height to its last baseline, all else its outlines. */
  readonly body: Box;
  readonly outlines: readonly Contour[];
  /** Upright axes of what a mark is, by their place across; told once they are found. */
  readonly axes?: readonly { readonly at: number; readonly told: string }[];
  /** Of a text. */
  readonly text?: {
    readonly sizePx: number;
    readonly tracking: number;
    readonly capHeightPx: number;
    readonly xHeightPx: number;
    readonly stemPx: number;
    readonly baselines: readonly { readonly from: number; readonly to: number; readonly y: number }[];
    readonly letters: readonly DrawnLetter[];
  };
}

export interface DrawnLockup {
  readonly artwork: Artwork;
  /** Where the artwork's 0, 0 lies in the lockup's own coordinates. */
  readonly origin: Point;
  readonly parts: readonly DrawnPart[];
  /** Of the name, by which clear space goes. */
  readonly capHeightPx: number;
  readonly clearPx: number;
  readonly faults: readonly LockupFault[];
}

/** The map from an artwork's coordinates to the lockup's. */
export function markMap({ x, y, scale, turnDeg }: MarkPart): Affine {
  const map: Affine = [scale, 0, 0, scale, x, y];
  return turnDeg ? compose(map, turnAbout([x, y], (turnDeg * Math.PI) / 180)) : map;
}
