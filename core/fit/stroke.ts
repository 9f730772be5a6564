import type { Point, Segment } from '../path';

export interface FitOptions {
  /** How far a segment may stray from the points, in pixels. */
  readonly tolerancePx: number;
  readonly cornerRad: number;
  /** How far from a corner the picture is softened, in pixels. */
  readonly softPx: number;
}

/** How far located points lie from what was fitted to them, in pixels; making it exact afterwards moves points by less than a fifth of one. */
export interface Deviation {
  sum: number;
  greatest: number;
  count: number;
}

/** A chain as segments; in a closed one the last ends where the first starts. */
export interface Stroke {
  readonly start: Point;
  readonly segments: readonly Segment[];
  /** Of the points that no corner spoils. */
  readonly deviation?: Deviation;
}

/** Points of a chain between pixels. */
export interface Located {
  /** x and y in turn. */
  readonly points: Float64Array;
  /** How far each scatters about its edge, in pixels. */
  readonly scatterPx: Float64Array;
  /** How far off noise, or having been drawn in steps, may have moved them, in pixels: 0 where nothing has. */
  readonly doubtPx: number;
}
