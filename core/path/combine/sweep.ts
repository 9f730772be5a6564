/** What an area covers on its way along a straight line. */
import { splitSegment } from '../cut';
import { mapContour, reverseContour } from '../contour';
import type { Contour, Segment } from '../outline';
import { cross, plus, type Point } from '../point';
import { directionAt } from './along';
import type { Enclosed } from './arrange';
import { combined } from './combined';
import { curveOf } from './curve';
import { positive } from './offset';

/** Places at which a curve is looked at for where it turns over, before that is found exactly. */
const LOOKED = 32;
/** How exactly parameters are found. */
const FOUND = 1e-9;

/** Parameters of a segment at which it runs along a direction: there what lies on either side of the way changes. */
function turningPlaces(from: Point, segment: Segment, by: Point): number[] {
  if (segment.kind === 'line') return [];
  const curve = curveOf(from, segment);
  const side = (t: number): number => cross(by, directionAt(curve, t));
  const out: number[] = [];
  for (let k = 0; k < LOOKED; k++) {
    let [a, b] = [k / LOOKED, (k + 1) / LOOKED];
    const sign = Math.sign(side(a));
    if (sign === 0 || sign === Math.sign(side(b))) continue;
    while (b - a > FOUND) {
      const middle = (a + b) / 2;
      if (Math.sign(side(middle)) === sign) a = middle;
      else b = middle;
    }
    const t = (a + b) / 2;
    if (t > 1e-6 && t < 1 - 1e-6) out.push(t);
  }
  return out;
}

/** A stretch of an outline that keeps to one side of the way. */
interface Run {
  start: Point;
  segments: Segment[];
  side: number;
}

/** An outline as stretches that each keep to one side of the way; those along it are left out, as they cover nothing. */
function runsOf({ start, segments }: Contour, by: Point): Run[] {
  const runs: Run[] = [];
  let from = start;
  let open = false;
  for (const segment of segments) {
    let rest = segment;
    const places = turningPlaces(from, segment, by);
    const parts: Segment[] = [];
    let at = from;
    let done = 0;
    for (const t of places) {
      const [first, second] = splitSegment(at, rest, (t - done) / (1 - done));
      parts.push(first);
      at = first.to;
      rest = second;
      done = t;
    }
    parts.push(rest);
    for (const part of parts) {
      const curve = curveOf(from, part);
      const size = Math.hypot(...by);
      // A line by its ends, a curve by its middle: its ends may run along the way.
      const across = cross(by, directionAt(curve, 0.5)) / size;
      const side = Math.abs(across) < 1e-7 ? 0 : Math.sign(across);
      const last = runs[runs.length - 1];
      if (side === 0) open = false;
      else if (open && last?.side === side) last.segments.push(part);
      else {
        runs.push({ start: from, segments: [part], side });
        open = true;
      }
      from = part.to;
    }
  }
  return runs;
}

/**
 * What an area covers while it is moved straight by a vector in pixels, as contours by the non-zero rule: curves stay curves, and the sides are lines that touch them.
 * Throws a CombineError.
 */
export function sweptArea(area: Enclosed, by: Point): Contour[] {
  const outline = combined('unite', [area]);
  if (by[0] === 0 && by[1] === 0) return outline;
  const band: Contour[] = [];
  for (const contour of outline)
    for (const { start, segments } of runsOf(contour, by)) {
      const end = segments[segments.length - 1].to;
      const moved = mapContour([1, 0, 0, 1, by[0], by[1]], { start, segments });
      const back = reverseContour({ ...moved, open: true });
      const covered = positive({
        start,
        segments: [...segments, { kind: 'line', to: plus(end, by) }, ...back.segments, { kind: 'line', to: start }],
      });
      if (covered) band.push(covered);
    }
  return combined('unite', [{ contours: outline }, { contours: band }]);
}
