/** What outlines are made of. */
import type { Point } from './point';

/** Part of a circle to a point: as in SVG, the greater or the lesser arc, run clockwise on the screen or not. */
export interface ArcSegment {
  readonly kind: 'arc';
  readonly radius: number;
  readonly large: boolean;
  readonly clockwise: boolean;
  readonly to: Point;
}

/** One stretch of an outline: a straight line, a cubic Bézier with its two handles, or part of a circle. */
export type Segment =
  | { readonly kind: 'line'; readonly to: Point }
  | { readonly kind: 'curve'; readonly c1: Point; readonly c2: Point; readonly to: Point }
  | ArcSegment;

/** An outline: closed, its end being its start, unless it is said to be open. Filled, an open one counts as closed by a straight line. */
export interface Contour {
  readonly start: Point;
  readonly segments: readonly Segment[];
  readonly open?: true;
}

/** What of crossing contours is inside: by the number of windings, or by its being odd (SVG 1.1, 11.3). */
export type FillRule = 'nonzero' | 'evenodd';
