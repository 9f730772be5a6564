/** Directions along outlines. */
import { arcGeometry } from './arc';
import { minus, turnBetween, unit, type Point } from './point';
import type { Contour, Segment } from './outline';

/** Directions of a segment at its two ends, of length 1. */
export function tangentsOf(from: Point, s: Segment): [Point, Point] {
  if (s.kind === 'line') {
    const t = unit(minus(s.to, from));
    return [t, t];
  }
  if (s.kind === 'arc') {
    const g = arcGeometry(from, s);
    const turn = Math.sign(g.sweepRad);
    const along = (t: number): Point => [-Math.sin(t) * turn, Math.cos(t) * turn];
    return [along(g.startRad), along(g.startRad + g.sweepRad)];
  }
  const near = (p: Point, q: Point) => Math.hypot(p[0] - q[0], p[1] - q[1]) < 1e-6;
  const first = near(s.c1, from) ? (near(s.c2, from) ? s.to : s.c2) : s.c1;
  const last = near(s.c2, s.to) ? (near(s.c1, s.to) ? from : s.c1) : s.c2;
  return [unit(minus(first, from)), unit(minus(s.to, last))];
}

/** By how much a closed outline turns at each of its joints, in radians, its start first. */
export function turnsOf({ start, segments }: Contour): number[] {
  let from = start;
  const ends = segments.map((s) => {
    const t = tangentsOf(from, s);
    from = s.to;
    return t;
  });
  return ends.map(([out], k) => turnBetween(ends[(k + ends.length - 1) % ends.length][1], out));
}
