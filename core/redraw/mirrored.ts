/** One half drawn, and the other with it. */
import { axisUpright, halved } from '../exact';
import {
  boxOf,
  combined,
  CombineError,
  flatten,
  inverse,
  mapContour,
  mirrorIn,
  nearestPlace,
  reverseContour,
  withEnds,
  type Contour,
  type Point,
} from '../path';

/** A line that a drawing is mirrored in, through a place; 90 degrees is upright. */
export interface Axis {
  readonly through: Point;
  readonly angleDeg: number;
}

/** Ends of an open outline this near to the axis lie on it, and places this near are the same, in px. */
const ON_AXIS_PX = 0.75;
const SAME_PX = 0.02;

const endOf = ({ start, segments }: Contour): Point => segments[segments.length - 1]?.to ?? start;

/** How far a place lies from an axis; to the right of it positive. */
function offAxis([x, y]: Point, { through, angleDeg }: Axis): number {
  const t = (angleDeg * Math.PI) / 180;
  return (x - through[0]) * Math.sin(t) - (y - through[1]) * Math.cos(t);
}

const ontoAxis = (p: Point, axis: Axis): Point => {
  const t = (axis.angleDeg * Math.PI) / 180;
  const off = offAxis(p, axis);
  return [p[0] - off * Math.sin(t), p[1] + off * Math.cos(t)];
};

/** Whether an outline is its own image. */
function isOwnImage(contour: Contour, image: Contour): boolean {
  const points = flatten(contour, 0.05);
  for (let k = 0; k < points.length; k += 2) {
    const place = nearestPlace(image, [points[k], points[k + 1]]);
    if (!place || place.distancePx > SAME_PX) return false;
  }
  return true;
}

/**
 * An outline with its image in an axis, as the outlines of pieces: one that is its own image by itself; one that starts and ends on the axis closed by its image; one that lies across the
 * axis united with it; any other beside its image.
 */
export function mirroredWith(contour: Contour, axis: Axis): Contour[][] {
  const map = mirrorIn(axis.through, axis.angleDeg);
  const image = mapContour(map, contour);
  const ends = [contour.start, endOf(contour)];
  if (contour.open) {
    if (ends.every((p) => Math.abs(offAxis(p, axis)) <= ON_AXIS_PX)) {
      const [start, end] = ends.map((p) => ontoAxis(p, axis));
      const half = withEnds(contour, start, end);
      const back = reverseContour(mapContour(map, half));
      return [[{ start, segments: [...half.segments, ...back.segments] }]];
    }
    return isOwnImage(contour, image) ? [[contour]] : [[contour], [image]];
  }
  if (isOwnImage(contour, image)) return [[contour]];
  const points = flatten(contour, 0.1);
  const sides = new Set<number>();
  for (let k = 0; k < points.length; k += 2) {
    const off = offAxis([points[k], points[k + 1]], axis);
    if (Math.abs(off) > SAME_PX) sides.add(Math.sign(off));
  }
  const touches = ends.some((p) => Math.abs(offAxis(p, axis)) <= SAME_PX);
  if (sides.size < 2 && !touches) return [[contour], [image]];
  try {
    const both = combined('unite', [{ contours: [contour] }, { contours: [image] }]);
    return both.length ? [both] : [[contour], [image]];
  } catch (error) {
    if (error instanceof CombineError) return [[contour], [image]];
    throw error;
  }
}

/**
 * What an outline becomes when one half of it changed and the other is to follow: what lies on the side of a place, and its image. Closed outlines that do not cross the axis are given
 * back as they are.
 */
export function followedBy(contour: Contour, axis: Axis, side: Point): Contour[] {
  if (contour.open) return [contour];
  const upright = axisUpright(axis.through, (axis.angleDeg * Math.PI) / 180);
  // To the right of the axis, as it is halved.
  const flip = mapContour(upright, { start: side, segments: [] }).start[0] < 0;
  const into = flip ? ([-upright[0], upright[1], -upright[2], upright[3], -upright[4], upright[5]] as const) : upright;
  const { across, beside } = halved(mapContour(into, contour));
  const back = inverse(into)!;
  if (beside || !across.length) return [contour];
  return across.map((c) => mapContour(back, c));
}

/** Which of several outlines is the image of one of them in an axis; null where none is, or it is its own. */
export function imageAmong(contours: readonly Contour[], of: number, axis: Axis): number | null {
  const image = mapContour(mirrorIn(axis.through, axis.angleDeg), contours[of]);
  const box = boxOf([image]);
  const near = (p: number, q: number): boolean => Math.abs(p - q) < 10 * SAME_PX;
  const found = contours.findIndex((other, k) => {
    if (k === of || other.open !== contours[of].open) return false;
    const own = boxOf([other]);
    return (
      near(own.x, box.x) &&
      near(own.y, box.y) &&
      near(own.width, box.width) &&
      near(own.height, box.height) &&
      isOwnImage(image, other)
    );
  });
  return found < 0 ? null : found;
}
