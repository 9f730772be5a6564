/** Guides at the turning points and tangents of a picture. */
import { constructionOf, likeNumbers } from '../exact';
import { boxOf, flatten, type Contour, type Point } from '../path';
import type { Guide } from '../vector';

/** A guide that is offered: what it goes through, and how much of the picture speaks for it, in px of outline. */
export type OfferedGuide = { readonly key: string; readonly weightPx: number } & (
  | { readonly kind: 'line'; readonly through: Point; readonly angleDeg: number }
  | { readonly kind: 'circle'; readonly centre: Point; readonly radiusPx: number }
);

/** Turning points nearer to one another than this share of the sheet are one guide. */
const SAME_SHARE = 0.004;
/** An outline turns where it goes back by this share of the sheet on both sides. */
const TURN_SHARE = 0.01;
/** More guides than this are no help. */
const LEVELS_MOST = 24;
const ROUND_MOST = 12;

/** Places at which an outline turns back along an axis, with how far it goes on either side. */
function turningPoints(points: ArrayLike<number>, axis: 0 | 1, least: number): { at: number; reach: number }[] {
  const n = points.length / 2;
  const out: { at: number; reach: number }[] = [];
  if (n < 3) return out;
  const value = (k: number): number => points[2 * (((k % n) + n) % n) + axis];
  // From the least place round: every rise and fall of at least so much ends in a turning point.
  let first = 0;
  for (let k = 1; k < n; k++) if (value(k) < value(first)) first = k;
  const turns: { at: number }[] = [];
  let [low, high] = [value(first), value(first)];
  let rising = true;
  turns.push({ at: value(first) });
  for (let k = 1; k <= n; k++) {
    const v = value(first + k);
    if (rising) {
      high = Math.max(high, v);
      if (high - v >= least) {
        turns.push({ at: high });
        rising = false;
        low = v;
      }
    } else {
      low = Math.min(low, v);
      if (v - low >= least) {
        turns.push({ at: low });
        rising = true;
        high = v;
      }
    }
  }
  if (turns.length < 2 && high - turns[0].at >= least) turns.push({ at: high });
  const [lowest, highest] = [Math.min(...turns.map((t) => t.at)), Math.max(...turns.map((t) => t.at))];
  turns.forEach(({ at }, k) => {
    const beside = [turns[(k + turns.length - 1) % turns.length].at, turns[(k + 1) % turns.length].at];
    // Where an outline ends matters more than where it turns on its way.
    const isEnd = at === lowest || at === highest;
    out.push({ at, reach: isEnd ? highest - lowest : Math.min(...beside.map((b) => Math.abs(b - at))) || least });
  });
  return out;
}

/** Level or upright guides through turning points, those that nearly agree together. */
function tangents(contours: readonly Contour[], axis: 0 | 1, sizePx: number): OfferedGuide[] {
  const found = contours.flatMap((c) => {
    // Of a great shape more is meant than of the strokes of its shading.
    const { width, height } = boxOf([c]);
    const great = Math.sqrt(width * height) / sizePx;
    const turns = turningPoints(flatten(c, 0.1), axis, TURN_SHARE * sizePx);
    return turns.map((t) => ({ at: t.at, reach: t.reach * great }));
  });
  const groups = likeNumbers(
    found.map((f) => f.at),
    found.map((f) => f.reach),
    (k, mean) => Math.abs(found[k].at - mean) <= SAME_SHARE * sizePx,
  );
  return groups.map((g): OfferedGuide => {
    const weightPx = g.members.reduce((sum, k) => sum + found[k].reach, 0);
    const at = Math.round(g.mean * 100) / 100;
    return axis === 1
      ? { key: `level-${at}`, weightPx, kind: 'line', through: [0, at], angleDeg: 0 }
      : {
          key: `upright-${at}`,
          weightPx,
          kind: 'line',
          through: [at, 0],
          angleDeg: 90,
        };
  });
}

/**
 * Guides for a picture whose outlines are known: level and upright ones through its turning points, slanting ones along its straight edges, and the circles that it lies on, those that most of it
 * speaks for first.
 */
export function offeredGuides(contours: readonly Contour[], sizePx: number, withinPx: number): OfferedGuide[] {
  const closed = contours.filter((c) => !c.open);
  const { lines, circles } = constructionOf(closed, withinPx);
  const heaviest = (p: OfferedGuide, q: OfferedGuide): number => q.weightPx - p.weightPx;
  const straight = [...tangents(closed, 0, sizePx), ...tangents(closed, 1, sizePx)]
    .sort(heaviest)
    .slice(0, LEVELS_MOST);
  const slanting = lines
    .filter(({ angleDeg: a }) => Math.min(a, 180 - a, Math.abs(a - 90)) > 1)
    .map(({ from, to, angleDeg, lengthPx }): OfferedGuide => ({
      key: `slant-${angleDeg.toFixed(2)}-${from[0].toFixed(1)}-${from[1].toFixed(1)}`,
      weightPx: lengthPx,
      kind: 'line',
      through: [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2],
      angleDeg,
    }));
  const round = circles.map(({ centre, radiusPx, lengthPx }): OfferedGuide => ({
    key: `circle-${centre[0].toFixed(1)}-${centre[1].toFixed(1)}-${radiusPx.toFixed(1)}`,
    weightPx: lengthPx,
    kind: 'circle',
    centre,
    radiusPx,
  }));
  return [...straight, ...[...slanting, ...round].sort(heaviest).slice(0, ROUND_MOST)];
}

/** How far a place lies from a guide, in px. */
export function awayFromGuide(g: Guide | OfferedGuide, [x, y]: Point): number {
  if (g.kind === 'circle') return Math.abs(Math.hypot(x - g.centre[0], y - g.centre[1]) - g.radiusPx);
  const t = (g.angleDeg * Math.PI) / 180;
  return Math.abs((x - g.through[0]) * Math.sin(t) - (y - g.through[1]) * Math.cos(t));
}

/** A guide that was taken as it was offered lies no further from it than this, in px. */
const TAKEN_PX = 0.01;

/** Whether a guide that is offered is among those there are. */
export const isTaken = (offered: OfferedGuide, guides: readonly Guide[]): boolean =>
  guides.some((g) => {
    if (g.kind === 'circle')
      return (
        offered.kind === 'circle' &&
        Math.hypot(g.centre[0] - offered.centre[0], g.centre[1] - offered.centre[1]) < TAKEN_PX &&
        Math.abs(g.radiusPx - offered.radiusPx) < TAKEN_PX
      );
    return offered.kind === 'line' && g.angleDeg === offered.angleDeg && awayFromGuide(g, offered.through) < TAKEN_PX;
  });

/** The guide that is offered, as one of the artwork's. */
export const guideFrom = (offered: OfferedGuide, id: string): Guide =>
  offered.kind === 'circle'
    ? { id, kind: 'circle', centre: offered.centre, radiusPx: offered.radiusPx }
    : { id, kind: 'line', through: offered.through, angleDeg: offered.angleDeg };
