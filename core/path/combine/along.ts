/** One curve that follows another, or what lies beside it. */
import type { Segment } from '../outline';
import { dot, plus, unit, type Point } from '../point';
import { curveOf, nearestOn, type Curve } from './curve';

/** The direction at a parameter; where a handle has no length, a little further in. */
export function directionAt(curve: Curve, t: number): Point {
  let d = curve.speed(t);
  if (Math.hypot(...d) < 1e-9) d = curve.speed(t < 0.5 ? t + 1e-3 : t - 1e-3);
  return unit(d);
}

/** To the left of a direction, y being downwards. */
export const leftOf = ([x, y]: Point): Point => [y, -x];

/** A cubic, and how far it strays from what it follows, in pixels. */
export interface Along {
  readonly start: Point;
  readonly segment: Segment;
  readonly stray: number;
}

/** One cubic along what a parameter runs through, whose directions are known, from one parameter to another. */
export function cubicAlong(at: (t: number) => Point, direction: (t: number) => Point, t0: number, t1: number): Along {
  const [p0, p3] = [at(t0), at(t1)];
  const [d0, d3] = [direction(t0), direction(t1)];
  const N = 12;
  // Handles along the known directions, their lengths by least squares (Schneider 1990).
  let [aa, ab, bb, ra, rb] = [0, 0, 0, 0, 0];
  for (let k = 1; k < N; k++) {
    const t = k / N;
    const u = 1 - t;
    const [b0, b1, b2, b3] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
    const p = at(t0 + t * (t1 - t0));
    const rest: Point = [p[0] - (b0 + b1) * p0[0] - (b2 + b3) * p3[0], p[1] - (b0 + b1) * p0[1] - (b2 + b3) * p3[1]];
    aa += b1 * b1;
    ab -= b1 * b2 * dot(d0, d3);
    bb += b2 * b2;
    ra += b1 * dot(rest, d0);
    rb -= b2 * dot(rest, d3);
  }
  const det = aa * bb - ab * ab;
  const chord = Math.hypot(p3[0] - p0[0], p3[1] - p0[1]);
  let [a, b] = det > 1e-12 ? [(ra * bb - rb * ab) / det, (rb * aa - ra * ab) / det] : [chord / 3, chord / 3];
  if (!(a > 0 && b > 0 && a < 3 * chord && b < 3 * chord)) [a, b] = [chord / 3, chord / 3];
  const segment: Segment = { kind: 'curve', c1: plus(p0, d0, a), c2: plus(p3, d3, -b), to: p3 };
  const made = curveOf(p0, segment);
  const whole = { curve: made, t0: 0, t1: 1, p0, p1: p3 };
  let stray = 0;
  for (let k = 1; k < 2 * N; k++)
    stray = Math.max(stray, nearestOn(whole, at(t0 + (k / (2 * N)) * (t1 - t0))).distancePx);
  return { start: p0, segment, stray };
}
