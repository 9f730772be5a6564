/** The lines and arcs that letters stand along, and places on them. */
import { circleThrough, straightThrough, type Point } from '../path';
import { middleOf, reachOf, type Part } from './parts';

/**
 * The line that letters stand along. Along an arc they stand upright outwards or, like lettering along the lower half of a ring, inwards.
 */
export type Course =
  /** Through a point in a direction, in which it is read. */
  | { readonly kind: 'line'; readonly x: number; readonly y: number; readonly angleRad: number }
  | { readonly kind: 'arc'; readonly x: number; readonly y: number; readonly radiusPx: number };

/** The straight course that points lie nearest to, in the direction that is read: to the right, or upwards. */
export function lineAlong(points: readonly Point[]): Course & { kind: 'line' } {
  const { middle, direction } = straightThrough(points);
  const angleRad = Math.atan2(direction[1], direction[0]);
  return { kind: 'line', x: middle[0], y: middle[1], angleRad: angleRad > 1.3 ? angleRad - Math.PI : angleRad };
}

/** The arc that points lie nearest to; null for points on a line. */
export function arcAlong(points: readonly Point[]): (Course & { kind: 'arc' }) | null {
  const circle = circleThrough(points);
  return circle && { kind: 'arc', x: circle.middle[0], y: circle.middle[1], radiusPx: circle.radius };
}

/** Where a point is on a course, in pixels along it and off it; along an arc within half a turn of a place. */
export function placeOn(course: Course, [x, y]: Point, near = 0): { along: number; off: number } {
  const [dx, dy] = [x - course.x, y - course.y];
  if (course.kind === 'line') {
    const [cos, sin] = [Math.cos(course.angleRad), Math.sin(course.angleRad)];
    return { along: dx * cos + dy * sin, off: -dx * sin + dy * cos };
  }
  const round = 2 * Math.PI * course.radiusPx;
  const along = Math.atan2(dy, dx) * course.radiusPx;
  return { along: along + round * Math.round((near - along) / round), off: Math.hypot(dx, dy) - course.radiusPx };
}

/** The point that is so far along a course and off it. */
export function pointOn(course: Course, along: number, off: number): Point {
  if (course.kind === 'line') {
    const [cos, sin] = [Math.cos(course.angleRad), Math.sin(course.angleRad)];
    return [course.x + along * cos - off * sin, course.y + along * sin + off * cos];
  }
  const t = along / course.radiusPx;
  const r = course.radiusPx + off;
  return [course.x + r * Math.cos(t), course.y + r * Math.sin(t)];
}

/** A part seen along a course: how far along it begins and ends, and how far off it reaches, in pixels; off is to the right of the direction, or outwards. */
export interface Seen {
  readonly part: Part;
  readonly from: number;
  readonly to: number;
  readonly lo: number;
  readonly hi: number;
}

/** A part along a course. */
export function seenAlong(part: Part, course: Course): Seen {
  const middle = middleOf(part);
  const { along, off } = placeOn(course, middle);
  // The direction of the course beside it, and how much longer it is there than at its own radius.
  const t = course.kind === 'line' ? course.angleRad : along / course.radiusPx + Math.PI / 2;
  const scale = course.kind === 'line' ? 1 : course.radiusPx / Math.max(off + course.radiusPx, 1);
  // Off is to the right of a line's direction, and outwards of an arc, to the left of the way round.
  const out = course.kind === 'line' ? t + Math.PI / 2 : t - Math.PI / 2;
  return {
    part,
    from: along - reachOf(part, t + Math.PI) * scale,
    to: along + reachOf(part, t) * scale,
    lo: off - reachOf(part, out + Math.PI),
    hi: off + reachOf(part, out),
  };
}
