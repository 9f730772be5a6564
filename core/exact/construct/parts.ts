/** Lines and circles that outlines lie on. */
import type { Point } from '../../path';

/** A line that outlines lie on. */
export interface ConstructionLine {
  readonly kind: 'line';
  /** The ends of what lies on it. */
  readonly from: Point;
  readonly to: Point;
  /** 0 is level, 90 upright; 0..180. */
  readonly angleDeg: number;
  /** How much of the outlines lies on it, in px. */
  readonly lengthPx: number;
  /** How far those lie from it, at most, in px. */
  readonly offPx: number;
}

/** A circle that outlines lie on. */
export interface ConstructionCircle {
  readonly kind: 'circle';
  readonly centre: Point;
  readonly radiusPx: number;
  readonly lengthPx: number;
  readonly offPx: number;
}
