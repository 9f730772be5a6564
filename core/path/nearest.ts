/** The place of an outline that lies nearest to a point. */
import { arcGeometry } from './arc';
import { pointAt } from './cut';
import { length, minus, nearestShare, type Point } from './point';
import type { Contour, Segment } from './outline';

/** A place on an outline. */
export interface PathPlace {
  /** Which segment. */
  readonly segment: number;
  /** How far along it, 0..1 of its parameter. */
  readonly t: number;
  readonly point: Point;
  /** From the point asked for, in px. */
  readonly distancePx: number;
}

/** Parameters that a cubic is tried at before the best is made exact. */
const TRIES = 24;
/** Golden-section steps about the best try: they narrow 1/12 to under 1e-7. */
const STEPS = 30;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** The parameter of a segment whose point is nearest. */
function nearestParameter(from: Point, s: Segment, p: Point): number {
  if (s.kind === 'line') return nearestShare(p, from, s.to);
  if (s.kind === 'arc') {
    const { cx, cy, startRad, sweepRad } = arcGeometry(from, s);
    if (sweepRad === 0) return 0;
    const full = 2 * Math.PI;
    const turn = ((((Math.atan2(p[1] - cy, p[0] - cx) - startRad) * Math.sign(sweepRad)) % full) + full) % full;
    const share = turn / Math.abs(sweepRad);
    if (share <= 1) return share;
    return length(minus(p, from)) <= length(minus(p, s.to)) ? 0 : 1;
  }
  const away = (t: number): number => length(minus(p, pointAt(from, s, t)));
  const tried = Array.from({ length: TRIES + 1 }, (_, k) => away(k / TRIES));
  // The ends are kept exactly.
  let [best, least] = tried[0] <= tried[TRIES] ? [0, tried[0]] : [1, tried[TRIES]];
  // A curve that comes back comes near more than once, and where it looks nearest from afar it need not be.
  const reach = Math.min(...tried) + Math.max(...tried.slice(1).map((d, k) => Math.abs(d - tried[k])));
  tried.forEach((d, k) => {
    if (d > reach || d > (tried[k - 1] ?? Infinity) || d > (tried[k + 1] ?? Infinity)) return;
    let [low, high] = [Math.max(0, (k - 1) / TRIES), Math.min(1, (k + 1) / TRIES)];
    for (let step = 0; step < STEPS; step++) {
      const [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
      if (away(a) <= away(b)) high = b;
      else low = a;
    }
    const t = (low + high) / 2;
    const off = away(t);
    if (off < least) [best, least] = [t, off];
  });
  return best;
}

/** The nearest place of an outline to a point; null for one without segments. */
export function nearestPlace(contour: Contour, p: Point): PathPlace | null {
  let best: PathPlace | null = null;
  let from = contour.start;
  contour.segments.forEach((s, segment) => {
    const t = nearestParameter(from, s, p);
    const point = pointAt(from, s, t);
    const distancePx = length(minus(p, point));
    if (!best || distancePx < best.distancePx) best = { segment, t, point, distancePx };
    from = s.to;
  });
  return best;
}
