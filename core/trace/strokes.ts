import { length, minus, offLine, type Point, straightThrough } from '../path';
import type { Cells } from './cells';
import { madeAlike } from './alike';
import { BEYOND, chainOf, cornerOf, findChains, type Chain, type ChainMap } from './chains';
import { cutRoutes, type Edges } from './edges';
import { fitChain, type FitOptions, type Located, type Stroke } from '../fit';
import { locate, REACH_PX } from './locate';
import { findRoutes, type Routes } from './routes';

/** Ramps of coverage wider than this, on the mean, are those of a soft picture. */
const SOFT_RAMP_PX = 1.5;

/** How far from a corner the picture is softened, in pixels. */
const CRISP_PX = 1.5;
const SOFT_PX = 2.6;

/** The least turn that is a corner. */
const LEAST_CORNER_RAD = 0.3;

/** How many pixels a ramp of coverage takes, on the mean: under 1 where a picture is crisp, over 2 where it is soft. */
function rampPx(cells: Cells, map: ChainMap): number {
  let mixed = 0;
  const { busy } = cells.plains;
  for (let s = 0; s < busy.length; s += 2)
    for (let i = busy[s]; i < busy[s + 1]; i++) if (cells.share[i] < 0.985) mixed++;
  let steps = 0;
  for (const c of map.chains) if (c.left !== BEYOND && c.right !== BEYOND) steps += c.corners.length / 2;
  return steps ? mixed / steps : 1;
}

/** Where the chains that meet at a corner would meet if they were carried on: the point that lies nearest to all of them. */
function meetingPoint(corner: Point, ends: readonly Located[], starts: readonly boolean[], softPx: number): Point {
  // A little pull towards the corner of the pixels keeps near-parallel chains from meeting far away.
  let [xx, xy, yy, bx, by] = [0.03, 0, 0.03, 0, 0];
  ends.forEach(({ points }, k) => {
    const n = points.length / 2;
    const near: Point[] = [];
    for (let m = 0; m < n && near.length < 7; m++) {
      const i = starts[k] ? m : n - 1 - m;
      const point: Point = [points[2 * i], points[2 * i + 1]];
      if (length(minus(point, corner)) >= softPx * 0.8) near.push(point);
    }
    if (near.length < 3) return;
    const line = straightThrough(near);
    const [nx, ny] = [-line.direction[1], line.direction[0]];
    const off = -offLine(corner, line);
    xx += nx * nx;
    xy += nx * ny;
    yy += ny * ny;
    bx += nx * off;
    by += ny * off;
  });
  const det = xx * yy - xy * xy;
  const [dx, dy] = [(bx * yy - by * xy) / det, (by * xx - bx * xy) / det];
  const far = Math.hypot(dx, dy);
  const scale = far > 1.2 ? 1.2 / far : 1;
  return [corner[0] + dx * scale, corner[1] + dy * scale];
}

/** Chains placed between pixels, ready to be fitted. */
export interface Prepared {
  readonly map: ChainMap;
  readonly cells: Cells;
  readonly located: readonly Located[];
  readonly routes: Routes;
  /** The picture was blurred, enlarged or saved with loss: ramps are wide and corners soft. */
  readonly soft: boolean;
}

/** Finds the chains of a picture's cells and places them. */
export function prepare(cells: Cells): Prepared {
  const map = findChains(cells);
  const soft = rampPx(cells, map) > SOFT_RAMP_PX;
  const reachPx = soft ? REACH_PX.soft : REACH_PX.crisp;
  const located = map.chains.map((c) => locate(c, cells, reachPx));
  const routes = findRoutes(map, located, cells.widthPx, cells.heightPx, soft ? SOFT_PX : CRISP_PX);
  return { map, cells, soft, located, routes };
}

/** A chain along the picture's border is the border: straight lines, with the picture's own corners between. */
function alongBorder({ corners, closed }: Chain, ends: readonly [Point, Point] | null): Stroke {
  const n = corners.length / 2;
  const at = (k: number): Point => [corners[2 * (k % n)], corners[2 * (k % n) + 1]];
  const turns: Point[] = [];
  for (let k = 1; k < (closed ? n : n - 1); k++) {
    const [p, q, r] = [at(k - 1), at(k), at(k + 1)];
    if (q[0] - p[0] !== r[0] - q[0] || q[1] - p[1] !== r[1] - q[1]) turns.push(q);
  }
  const start = ends ? ends[0] : at(0);
  return { start, segments: [...turns, ends ? ends[1] : start].map((to) => ({ kind: 'line', to })) };
}

/** Fits every edge once, within a tolerance in pixels; those that meet share the point where they do. */
export function fitAll(prepared: Prepared, tolerancePx: number, onDone: (share: number) => void = () => {}): Edges {
  const { map, located, soft, routes, cells } = prepared;
  const { widthPx: w, heightPx: h } = cells;
  const fit: FitOptions = {
    tolerancePx: tolerancePx * (soft ? 1.2 : 1),
    cornerRad: LEAST_CORNER_RAD,
    softPx: soft ? SOFT_PX : CRISP_PX,
  };
  const points = new Map<number, Point>();
  const meetingAt = (key: number): Point => {
    const { corner, ends, pin } = routes.meetings.get(key)!;
    const known = pin ?? points.get(key);
    if (known) return known;
    const [px, py] = meetingPoint(
      corner,
      ends.map((e) => located[e >> 1]),
      ends.map((e) => !(e & 1)),
      fit.softPx,
    );
    // What meets the border meets it on the border.
    const [x, y] = corner;
    const point: Point = [x === 0 || x === w ? x : px, y === 0 || y === h ? y : py];
    points.set(key, point);
    return point;
  };
  const isOnEdge = (key: number): boolean => !!routes.meetings.get(key)?.pin;
  const whole = routes.list.map(({ chains, closed, located: at }, k) => {
    const chain = map.chains[chainOf(chains[0])];
    const [start, end] = [
      cornerOf(map.chains, chains[0], false, w),
      cornerOf(map.chains, chains[chains.length - 1], true, w),
    ];
    const ends = closed ? null : ([meetingAt(start), meetingAt(end)] as const);
    // What ends on an edge that goes on ends anywhere along it.
    const slides = [isOnEdge(start), isOnEdge(end)] as const;
    const stroke =
      chain.left === BEYOND || chain.right === BEYOND
        ? alongBorder(chain, ends)
        : fitChain(at, closed, ends, fit, slides);
    onDone((k + 1) / routes.list.length);
    return stroke;
  });
  const alike = madeAlike(
    whole,
    routes.list.map((r) => r.closed),
  );
  const alone = (i: number, ends: readonly [Point, Point]): Stroke => fitChain(located[i], false, ends, fit);
  return cutRoutes(routes, alike, map.chains, w, meetingAt, alone);
}

/** How far strokes lie from the edges that were found, in pixels: on the mean, and at most. */
export function deviationOf(strokes: readonly Stroke[]): { meanPx: number; maxPx: number } {
  let [sum, count, greatest] = [0, 0, 0];
  for (const { deviation } of strokes) {
    if (!deviation) continue;
    sum += deviation.sum;
    count += deviation.count;
    greatest = Math.max(greatest, deviation.greatest);
  }
  return { meanPx: count ? sum / count : 0, maxPx: greatest };
}
