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
  let best = 0;
  for (let k = 1; k <= TRIES; k++) if (away(k / TRIES) < away(best / TRIES)) best = k;
  let [low, high] = [Math.max(0, (best - 1) / TRIES), Math.min(1, (best + 1) / TRIES)];
  for (let k = 0; k < STEPS; k++) {
    const [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
    if (away(a) <= away(b)) high = b;
    else low = a;
  }
  const t = (low + high) / 2;
  // The ends are kept exactly.
  return away(0) <= away(t) ? 0 : away(1) <= away(t) ? 1 : t;
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
