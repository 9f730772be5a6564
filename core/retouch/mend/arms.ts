/** What is left of the edges about a hole, and where they enter it. */
import { length, minus, type Point } from '../../path';
import { BEYOND, chainOf, NOTHING, type Prepared } from '../../trace';
import type { Window } from './hole';

/** A stretch of edge outside all holes. */
export interface Fragment {
  readonly points: readonly Point[];
}

/** Where a fragment enters a hole. */
export interface Arm {
  readonly fragment: Fragment;
  /** Whether it is the last end of the fragment's points that enters. */
  readonly isLast: boolean;
  /** The group of the hole that it enters. */
  readonly group: number;
  /** Inks to the left and to the right, going into the hole. */
  readonly left: number;
  readonly right: number;
}

/** Points nearer to the hole than this are spoilt by it, in pixels, in a crisp and in a soft picture. */
const SPOILT_PX = { crisp: 0.8, soft: 2 } as const;

/** The most of an edge that is asked how it goes on, in pixels. */
const REACH_PX = 64;

/** The group of holes beside a corner of pixels, or -1. */
function groupBeside({ groupOf, picture: { widthPx: w, heightPx: h } }: Window, x: number, y: number): number {
  for (let v = y - 1; v <= y; v++)
    for (let u = x - 1; u <= x; u++)
      if (u >= 0 && v >= 0 && u < w && v < h && groupOf[v * w + u] >= 0) return groupOf[v * w + u];
  return -1;
}

function isNearHole({ groupOf, picture: { widthPx: w, heightPx: h } }: Window, [x, y]: Point, px: number): boolean {
  const r = Math.ceil(px);
  const [cx, cy] = [Math.floor(x), Math.floor(y)];
  for (let v = Math.max(0, cy - r); v <= Math.min(h - 1, cy + r); v++)
    for (let u = Math.max(0, cx - r); u <= Math.min(w - 1, cx + r); u++)
      if (groupOf[v * w + u] >= 0 && Math.hypot(u + 0.5 - x, v + 0.5 - y) < px + 0.5) return true;
  return false;
}

interface Stretch {
  /** Signed numbers of chains. */
  readonly chains: readonly number[];
  readonly points: readonly Point[];
}

/** Of each route, stretches of chains between two inks. */
function stretchesOf({ map: { chains }, routes }: Prepared): Stretch[] {
  const isEdge = (n: number): boolean => {
    const { left, right } = chains[chainOf(n)];
    return left !== BEYOND && right !== BEYOND && left !== NOTHING && right !== NOTHING;
  };
  return routes.list.flatMap(({ chains: list, closed, located: { points }, joints }) => {
    if (closed && list.every(isEdge)) return [];
    const n = points.length / 2;
    const from = (k: number): number =>
      closed ? joints[(k + list.length - 1) % list.length] : k === 0 ? 0 : joints[k - 1];
    const to = (k: number): number => (closed ? joints[k] : k === list.length - 1 ? n : joints[k]);
    const start = closed ? list.findIndex((c) => !isEdge(c)) : 0;
    const out: { chains: number[]; points: Point[] }[] = [];
    let open: { chains: number[]; points: Point[] } | null = null;
    for (let step = 0; step < list.length; step++) {
      const k = (start + step) % list.length;
      if (!isEdge(list[k])) {
        open = null;
        continue;
      }
      if (!open) out.push((open = { chains: [], points: [] }));
      open.chains.push(list[k]);
      for (let i = from(k), end = to(k) < from(k) ? to(k) + n : to(k); i < end; i++)
        open.points.push([points[2 * (i % n)], points[2 * (i % n) + 1]]);
    }
    return out;
  });
}

/** The places where edges enter holes. */
export function armsOf(window: Window): Arm[] {
  const { prepared } = window;
  const { chains } = prepared.map;
  const spoiltPx = prepared.soft ? SPOILT_PX.soft : SPOILT_PX.crisp;
  const arms: Arm[] = [];
  for (const stretch of stretchesOf(prepared)) {
    const points = stretch.points.filter((p) => !isNearHole(window, p, spoiltPx));
    if (points.length < 2) continue;
    const fragment: Fragment = { points };
    for (const isLast of [false, true]) {
      const signed = stretch.chains[isLast ? stretch.chains.length - 1 : 0];
      const { corners, left, right } = chains[chainOf(signed)];
      const k = isLast === signed >= 0 ? corners.length - 2 : 0;
      const group = groupBeside(window, corners[k], corners[k + 1]);
      if (group < 0) continue;
      // Seen into the hole: the chain's way, or against it.
      const isAlong = isLast === signed >= 0;
      arms.push({
        fragment,
        isLast,
        group,
        left: isAlong ? left : right,
        right: isAlong ? right : left,
      });
    }
  }
  return arms;
}

/** Points of an arm from the hole outwards, as far as it is asked. */
export function pointsOf({ fragment: { points }, isLast }: Arm, reachPx = REACH_PX): Point[] {
  const n = points.length;
  const out: Point[] = [];
  let far = 0;
  for (let k = 0; k < n && far <= reachPx; k++) {
    const p = points[isLast ? n - 1 - k : k];
    if (out.length) far += length(minus(p, out[out.length - 1]));
    out.push(p);
  }
  return out;
}
