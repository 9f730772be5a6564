import type { Point } from '$core/path';

/** A point of an outline that is being drawn; one that was dragged has a handle, and the outline bends through it. */
export interface OutlinePoint {
  readonly at: Point;
  readonly handle: Point | null;
}

const told = (v: number): string => String(Math.round(v * 100) / 100);
const pair = ([x, y]: Point): string => `${told(x)} ${told(y)}`;

/** Path data through points: straight between those without handles, else by cubics whose handles are the same on both sides of a point. */
export function curveThrough(points: readonly OutlinePoint[], closed: boolean): string {
  if (!points.length) return '';
  let d = `M${pair(points[0].at)}`;
  for (let k = 1; k < points.length + Number(closed); k++) {
    const [p, q] = [points[k - 1], points[k % points.length]];
    if (!p.handle && !q.handle) {
      if (k < points.length) d += `L${pair(q.at)}`;
      continue;
    }
    const out: Point = p.handle ? [p.at[0] + p.handle[0], p.at[1] + p.handle[1]] : p.at;
    const into: Point = q.handle ? [q.at[0] - q.handle[0], q.at[1] - q.handle[1]] : q.at;
    d += `C${pair(out)} ${pair(into)} ${pair(q.at)}`;
  }
  return closed ? `${d}Z` : d;
}
