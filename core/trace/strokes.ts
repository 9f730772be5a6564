import type { Point } from '../vector';
import type { Cells } from './cells';
import { madeAlike } from './alike';
import { BEYOND, findChains, type Chain, type ChainMap } from './chains';
import { fitChain, type FitOptions, type Stroke } from './fit';
import { locate, REACH_PX, type Located } from './locate';

/** Ramps of coverage wider than this, on the mean, are those of a soft picture. */
const SOFT_RAMP_PX = 1.5;

/** The least turn that is a corner. */
const LEAST_CORNER_RAD = 0.3;

/** How many pixels a ramp of coverage takes, on the mean: under 1 where a picture is crisp, over 2 where it is soft. */
function rampPx(cells: Cells, map: ChainMap): number {
  let mixed = 0;
  for (let i = 0; i < cells.share.length; i++) if (cells.share[i] < 0.985) mixed++;
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
    const near: number[] = [];
    for (let m = 0; m < n && near.length < 7; m++) {
      const i = starts[k] ? m : n - 1 - m;
      if (Math.hypot(points[2 * i] - corner[0], points[2 * i + 1] - corner[1]) >= softPx * 0.8) near.push(i);
    }
    if (near.length < 3) return;
    let [mx, my] = [0, 0];
    for (const i of near) {
      mx += points[2 * i] / near.length;
      my += points[2 * i + 1] / near.length;
    }
    let [sxx, sxy, syy] = [0, 0, 0];
    for (const i of near) {
      const [dx, dy] = [points[2 * i] - mx, points[2 * i + 1] - my];
      sxx += dx * dx;
      sxy += dx * dy;
      syy += dy * dy;
    }
    const angle = 0.5 * Math.atan2(2 * sxy, sxx - syy);
    const [nx, ny] = [-Math.sin(angle), Math.cos(angle)];
    const off = nx * (mx - corner[0]) + ny * (my - corner[1]);
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
  /** The picture was blurred, enlarged or saved with loss: ramps are wide and corners soft. */
  readonly soft: boolean;
}

/** Finds the chains of a picture's cells and places them. */
export function prepare(cells: Cells): Prepared {
  const map = findChains(cells);
  const soft = rampPx(cells, map) > SOFT_RAMP_PX;
  const reachPx = soft ? REACH_PX.soft : REACH_PX.crisp;
  return { map, cells, soft, located: map.chains.map((c) => locate(c, cells, reachPx)) };
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

/** Fits every chain once, within a tolerance in pixels; those that meet share the point where they do. */
export function fitAll(prepared: Prepared, tolerancePx: number, onDone: (share: number) => void = () => {}): Stroke[] {
  const { map, located, soft } = prepared;
  const { widthPx: w, heightPx: h } = prepared.cells;
  const fit: FitOptions = {
    tolerancePx: tolerancePx * (soft ? 1.2 : 1),
    cornerRad: LEAST_CORNER_RAD,
    softPx: soft ? 2.6 : 1.5,
  };
  const meets = new Map<number, { ends: Located[]; starts: boolean[]; point?: Point }>();
  const keyOf = (c: { corners: Int32Array }, atStart: boolean): number => {
    const k = atStart ? 0 : c.corners.length / 2 - 1;
    return c.corners[2 * k + 1] * (w + 1) + c.corners[2 * k];
  };
  map.chains.forEach((c, i) => {
    if (c.closed) return;
    for (const atStart of [true, false]) {
      const key = keyOf(c, atStart);
      const meet = meets.get(key) ?? { ends: [], starts: [] };
      meet.ends.push(located[i]);
      meet.starts.push(atStart);
      meets.set(key, meet);
    }
  });
  const pointAt = (key: number): Point => {
    const meet = meets.get(key)!;
    if (meet.point) return meet.point;
    const x = key % (w + 1);
    const y = (key - x) / (w + 1);
    const [px, py] = meetingPoint([x, y], meet.ends, meet.starts, fit.softPx);
    // What meets the border meets it on the border.
    meet.point = [x === 0 || x === w ? x : px, y === 0 || y === h ? y : py];
    return meet.point;
  };
  const strokes = map.chains.map((c, i) => {
    const ends = c.closed ? null : ([pointAt(keyOf(c, true)), pointAt(keyOf(c, false))] as const);
    const stroke =
      c.left === BEYOND || c.right === BEYOND
        ? alongBorder(c, ends)
        : fitChain(located[i], c.closed, ends, { ...fit, doubtPx: prepared.cells.doubtPx(c.left, c.right) });
    onDone((i + 1) / map.chains.length);
    return stroke;
  });
  return madeAlike(
    strokes,
    map.chains.map((c) => c.closed),
  );
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
