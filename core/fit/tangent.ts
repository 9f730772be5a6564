/** Arcs that go on smoothly from the lines beside them, by moving where the one goes over into the other. */
import { type ArcSegment, cross, crossingOf, dot, length, minus, plus, type Point, unit } from '../path';
import type { Fit, Run } from './span';

/** Where a line goes over into an arc is hard to tell: it may lie this far off, in pixels. */
const SLIDE_PX = 3;

/** A line keeps at least so much of itself, in pixels. */
const LEAST_LINE_PX = 0.8;

/** How much further from its points than before an arc may lie to be smooth, against the tolerance. */
const WORSE = 1.2;

/** Radii tried about the one that was fitted. */
const RADII = [1, 0.98, 1.02, 0.95, 1.05, 0.91, 1.09, 0.86, 1.14] as const;

/** Turns between two lines that an arc can round, in radians. */
const [LEAST_TURN, MOST_TURN] = [0.05, 2.8];

interface Line {
  readonly from: Point;
  readonly to: Point;
  readonly direction: Point;
}

const lineOf = (from: Point, to: Point): Line => ({ from, to, direction: unit(minus(to, from)) });

interface Placed {
  readonly from: Point;
  readonly to: Point;
  readonly radius: number;
  readonly centre: Point;
}

/** The arc of a radius that rounds the corner of two lines. */
function rounding(p: Line, q: Line, radius: number): Placed | null {
  const turn = Math.atan2(cross(p.direction, q.direction), dot(p.direction, q.direction));
  if (Math.abs(turn) < LEAST_TURN || Math.abs(turn) > MOST_TURN) return null;
  const corner = crossingOf(p.from, p.direction, q.from, q.direction, Math.sin(LEAST_TURN));
  if (!corner) return null;
  const reach = radius * Math.tan(Math.abs(turn) / 2);
  const from = plus(corner, p.direction, -reach);
  const side = Math.sign(turn);
  const centre: Point = [from[0] - side * p.direction[1] * radius, from[1] + side * p.direction[0] * radius];
  return { from, to: plus(corner, q.direction, reach), radius, centre };
}

/** The arc of a radius that leaves a line (in the direction given) and ends at a point. */
function leaving({ from, direction }: Pick<Line, 'from' | 'direction'>, end: Point, radius: number): Placed | null {
  const off = cross(direction, minus(end, from));
  const away = Math.abs(off);
  if (away < 0.05 || 2 * radius <= away) return null;
  const foot = plus(from, direction, dot(minus(end, from), direction));
  const start = plus(foot, direction, -Math.sqrt(2 * radius * away - away * away));
  const side = Math.sign(off);
  return {
    from: start,
    to: end,
    radius,
    centre: [start[0] - side * direction[1] * radius, start[1] + side * direction[0] * radius],
  };
}

/**
 * Moves the nodes between lines and arcs of a smooth stretch so that arcs touch lines, where the points stay about as near. `nodes`, one more than
 * the fits, and arcs among the fits are changed in place; `breaks` are the indices of the nodes' points in the run.
 */
export function touchLines(
  nodes: { point: Point }[],
  fits: Fit[],
  breaks: readonly number[],
  run: Run,
  tolerancePx: number,
): void {
  const lineAt = (k: number): Line | null =>
    k >= 0 && k < fits.length && fits[k].segment.kind === 'line' ? lineOf(nodes[k].point, nodes[k + 1].point) : null;
  for (const [k, { segment, greatest }] of fits.entries()) {
    if (segment.kind !== 'arc' || segment.large) continue;
    const [before, after] = [lineAt(k - 1), lineAt(k + 1)];
    if (!before && !after) continue;
    const [a, b] = [nodes[k].point, nodes[k + 1].point];
    let best: Placed | null = null;
    let least = WORSE * Math.max(tolerancePx, greatest);
    for (const share of RADII) {
      const radius = segment.radius * share;
      let placed: Placed | null;
      if (before && after) placed = rounding(before, after, radius);
      else if (before) placed = leaving(before, b, radius);
      else {
        // The same seen from the other end.
        const back = leaving({ from: after!.from, direction: [-after!.direction[0], -after!.direction[1]] }, a, radius);
        placed = back && { ...back, from: back.to, to: back.from };
      }
      if (!placed || !isNear(placed, before, after, a, b)) continue;
      const off = offOf(placed, before, after, breaks[k], breaks[k + 1]);
      if (off < least - 1e-9) [best, least] = [placed, off];
    }
    if (!best) continue;
    nodes[k].point = best.from;
    nodes[k + 1].point = best.to;
    const arc: ArcSegment = { ...segment, radius: best.radius, to: best.to };
    fits[k] = { ...fits[k], segment: arc, greatest: least };
    if (before) fits[k - 1] = { ...fits[k - 1], segment: { kind: 'line', to: best.from } };
  }

  /** Whether an arc turns the way the one fitted did, its ends near those, and leaves something of the lines. */
  function isNear({ from, to }: Placed, before: Line | null, after: Line | null, a: Point, b: Point): boolean {
    if (length(minus(from, a)) > SLIDE_PX || length(minus(to, b)) > SLIDE_PX) return false;
    if (dot(minus(to, from), minus(b, a)) <= 0) return false;
    if (before && dot(minus(from, before.from), before.direction) < LEAST_LINE_PX) return false;
    return !after || dot(minus(after.to, to), after.direction) >= LEAST_LINE_PX;
  }

  /** The greatest distance of the points of an arc from it, or from a line that goes on from it. */
  function offOf({ centre, radius }: Placed, before: Line | null, after: Line | null, i: number, j: number): number {
    let most = 0;
    for (let k = i + 1; k < j; k++) {
      const p: Point = [run.xs[k], run.ys[k]];
      let off = Math.abs(length(minus(p, centre)) - radius);
      for (const line of [before, after])
        if (line) off = Math.min(off, Math.abs(cross(line.direction, minus(p, line.from))));
      most = Math.max(most, off * (run.weights?.[k] ?? 1));
    }
    return most;
  }
}
