import ClipperLib from 'clipper-lib';
import type { Affine } from './affine';
import { boxOfRuns, flatten, signedArea } from './contour';
import type { Contour } from './outline';

/**
 * Areas as polygons: booleans and offsets (Vatti 1992, over clipper-lib), and what else one does with them. An area is closed rings of points, x and y
 * in turn, that do not cross themselves or one another; a ring inside another runs the other way and cuts a hole.
 */
export type Area = readonly (readonly number[])[];

/** Steps of a unit that boolean operations calculate in. */
const STEPS = 1000;

const { ClipType, EndType, JoinType, PolyFillType, PolyType } = ClipperLib;
type Paths = ClipperLib.Paths;

const toPaths = (area: Area, steps = STEPS): Paths =>
  area.map((ring) => {
    const path: ClipperLib.Path = [];
    for (let i = 0; i < ring.length; i += 2)
      path.push({ X: Math.round(ring[i] * steps), Y: Math.round(ring[i + 1] * steps) });
    return path;
  });

const fromPaths = (paths: Paths, steps = STEPS): Area =>
  paths.filter((p) => p.length > 2).map((path) => path.flatMap(({ X, Y }) => [X / steps, Y / steps]));

const operate = (
  type: ClipperLib.ClipType,
  a: Area,
  b: Area | null,
  rule = PolyFillType.pftNonZero,
  steps = STEPS,
): Area => {
  const clipper = new ClipperLib.Clipper();
  clipper.AddPaths(toPaths(a, steps), PolyType.ptSubject, true);
  if (b) clipper.AddPaths(toPaths(b, steps), PolyType.ptClip, true);
  const out: Paths = [];
  clipper.Execute(type, out, rule, rule);
  return fromPaths(out, steps);
};

export const EMPTY: Area = [];

/** All that any of the areas covers. */
export const union = (...areas: readonly Area[]): Area => operate(ClipType.ctUnion, areas.flat(), null);
/** Steps a unit that suit the size of rings, a hundred-thousandth of it or finer, whatever their unit is. */
function stepsFor(rings: Area): number {
  const box = boxOfRuns(rings);
  const size = Math.max(box?.width ?? 0, box?.height ?? 0, 1e-6);
  return 10 ** Math.max(3, Math.ceil(Math.log10(1e5 / size)));
}

/** What rings that may cross cover by the non-zero rule, or by the even-odd one: rings that do not. In steps that suit their size. */
export const unionFine = (rings: Area): Area =>
  rings.length ? operate(ClipType.ctUnion, rings, null, PolyFillType.pftNonZero, stepsFor(rings)) : EMPTY;
export const evenOddFine = (rings: Area): Area =>
  rings.length ? operate(ClipType.ctUnion, rings, null, PolyFillType.pftEvenOdd, stepsFor(rings)) : EMPTY;

/** What of `a` no part of `b` covers. */
export const subtract = (a: Area, b: Area): Area => (a.length && b.length ? operate(ClipType.ctDifference, a, b) : a);
/** What both cover. */
export const intersect = (a: Area, b: Area): Area =>
  a.length && b.length ? operate(ClipType.ctIntersection, a, b) : EMPTY;
/** The rings by the even-odd rule, as an area. */
export const evenOdd = (rings: Area): Area => operate(ClipType.ctUnion, rings, null, PolyFillType.pftEvenOdd);

export type Join = 'round' | 'sharp' | 'bevel';
const JOINS = { round: JoinType.jtRound, sharp: JoinType.jtMiter, bevel: JoinType.jtSquare };

const offset = (area: Area, by: number, join: Join, end: ClipperLib.EndType): Area => {
  const worker = new ClipperLib.ClipperOffset(3, Math.max(2, Math.abs(by) * 4));
  worker.AddPaths(toPaths(area), JOINS[join], end);
  const out: Paths = [];
  worker.Execute(out, by * STEPS);
  return fromPaths(out);
};

/** The area with its edge moved outwards by `by` units, inwards when negative. */
export function grown(area: Area, by: number, join: Join = 'round'): Area {
  if (!area.length || by === 0) return area;
  return offset(area, by, join, EndType.etClosedPolygon);
}

/** A line of one weight along open or closed runs of points. */
export function stroked(runs: Area, weight: number, closed: boolean, join: Join = 'round', butt = false): Area {
  if (!runs.length) return EMPTY;
  const end = closed ? EndType.etClosedLine : butt ? EndType.etOpenButt : EndType.etOpenRound;
  return offset(runs, weight / 2, join, end);
}

/** The rim of an area: a line of a weight, centred on its edge. */
export const rim = (area: Area, weight: number, join: Join = 'round'): Area => stroked(area, weight, true, join);

/** Corners rounded by about `r` units on both sides, as a punch of that radius would leave them (opening and closing by a disc). */
export const roundedOff = (area: Area, r: number): Area => grown(grown(grown(area, -r), 2 * r), -r);

/** Area in square units. */
export const sizeOf = (area: Area): number => Math.abs(sumOf(area));

const sumOf = (area: Area): number => area.reduce((sum, ring) => sum + signedArea(ring), 0);

/** The middle of mass (centroid); null for an area of no size. */
export function centroidOf(area: Area): [number, number] | null {
  let [twice, sx, sy] = [0, 0, 0];
  for (const ring of area)
    for (let i = 0; i < ring.length; i += 2) {
      const j = (i + 2) % ring.length;
      const cross = ring[i] * ring[j + 1] - ring[j] * ring[i + 1];
      twice += cross;
      sx += (ring[i] + ring[j]) * cross;
      sy += (ring[i + 1] + ring[j + 1]) * cross;
    }
  return Math.abs(twice) > 1e-9 ? [sx / (3 * twice), sy / (3 * twice)] : null;
}

/** The direction in which an area is longest, in radians from the x axis (-pi/2..pi/2), and how many times longer than across (by second moments); null for one of no size. */
export function axisOf(area: Area): { readonly angleRad: number; readonly longer: number } | null {
  const middle = centroidOf(area);
  if (!middle) return null;
  const [cx, cy] = middle;
  let [xx, yy, xy] = [0, 0, 0];
  for (const ring of area)
    for (let i = 0; i < ring.length; i += 2) {
      const j = (i + 2) % ring.length;
      const [x0, y0, x1, y1] = [ring[i] - cx, ring[i + 1] - cy, ring[j] - cx, ring[j + 1] - cy];
      const cross = x0 * y1 - x1 * y0;
      xx += cross * (x0 * x0 + x0 * x1 + x1 * x1);
      yy += cross * (y0 * y0 + y0 * y1 + y1 * y1);
      xy += (cross * (x0 * y1 + 2 * x0 * y0 + 2 * x1 * y1 + x1 * y0)) / 2;
    }
  const sign = xx + yy < 0 ? -1 : 1;
  [xx, yy, xy] = [xx * sign, yy * sign, xy * sign];
  const spread = Math.hypot(xx - yy, 2 * xy);
  return { angleRad: Math.atan2(2 * xy, xx - yy) / 2, longer: Math.sqrt((xx + yy + spread) / Math.max(1e-9, xx + yy - spread)) }; // prettier-ignore
}

/** The same outlines with points along their edges, none further than so from the next, in units: for a map that bends what is straight. */
export const withPointsBetween = (area: Area, every: number): Area =>
  area.map((ring) =>
    Array.from({ length: ring.length / 2 }, (_, i) => {
      const [x, y] = [ring[2 * i], ring[2 * i + 1]];
      const [u, v] = [ring[(2 * i + 2) % ring.length], ring[(2 * i + 3) % ring.length]];
      const steps = Math.max(1, Math.ceil(Math.hypot(u - x, v - y) / every));
      return Array.from({ length: steps }, (_, k) => [x + ((u - x) * k) / steps, y + ((v - y) * k) / steps]).flat();
    }).flat(),
  );

/** Every point moved; a map that turns the plane over keeps holes holes. */
export function bent(area: Area, map: (x: number, y: number) => readonly [number, number]): Area {
  return area.map((ring) => {
    const out: number[] = [];
    for (let i = 0; i < ring.length; i += 2) out.push(...map(ring[i], ring[i + 1]));
    return out;
  });
}

export function moved(area: Area, [a, b, c, d, e, f]: Affine): Area {
  const flips = a * d - b * c < 0;
  return area.map((ring) => {
    const out: number[] = [];
    for (let i = 0; i < ring.length; i += 2)
      out.push(a * ring[i] + c * ring[i + 1] + e, b * ring[i] + d * ring[i + 1] + f);
    if (!flips) return out;
    const back: number[] = [];
    for (let i = out.length - 2; i >= 0; i -= 2) back.push(out[i], out[i + 1]);
    return back;
  });
}

/** Outlines as an area by the non-zero rule; `flatness` is how far, in units, a chord may stand off its curve. */
export const areaFrom = (contours: readonly Contour[], flatness = 0.012): Area =>
  union(contours.map((c) => flatten(c, flatness)));

/** Outlines as runs of points, for lines. */
export const runsFrom = (contours: readonly Contour[], flatness = 0.02): Area =>
  contours.map((c) => flatten(c, flatness));

/** Fewer points within `tolerance` units (Douglas and Peucker 1973), ring by ring. */
export function sparse(area: Area, tolerance: number): Area {
  return area
    .map((ring) => {
      const n = ring.length / 2;
      if (n < 8) return ring;
      // A closed ring is cut at its two points farthest apart.
      let far = 0;
      let most = -1;
      for (let i = 1; i < n; i++) {
        const d = Math.hypot(ring[2 * i] - ring[0], ring[2 * i + 1] - ring[1]);
        if (d > most) [most, far] = [d, i];
      }
      const keep = new Uint8Array(n);
      keep[0] = keep[far] = 1;
      const stack: [number, number][] = [
        [0, far],
        [far, n],
      ];
      while (stack.length) {
        const [a, b] = stack.pop()!;
        const [ax, ay] = [ring[2 * a], ring[2 * a + 1]];
        const [bx, by] = [ring[2 * (b % n)], ring[2 * (b % n) + 1]];
        const len = Math.hypot(bx - ax, by - ay) || 1e-9;
        let worst = tolerance;
        let at = -1;
        for (let i = a + 1; i < b; i++) {
          const d = Math.abs((ring[2 * i] - ax) * (by - ay) - (ring[2 * i + 1] - ay) * (bx - ax)) / len;
          if (d > worst) [worst, at] = [d, i];
        }
        if (at < 0) continue;
        keep[at] = 1;
        stack.push([a, at], [at, b]);
      }
      const out: number[] = [];
      for (let i = 0; i < n; i++) if (keep[i]) out.push(ring[2 * i], ring[2 * i + 1]);
      return out;
    })
    .filter((ring) => ring.length >= 6);
}

/** Rings with a point at least every `step` units. */
export const dense = (area: Area, step: number): Area =>
  area.map((ring) => {
    const out: number[] = [];
    for (let i = 0; i < ring.length; i += 2) {
      const j = (i + 2) % ring.length;
      const [x, y] = [ring[i], ring[i + 1]];
      const [dx, dy] = [ring[j] - x, ring[j + 1] - y];
      const n = Math.max(1, Math.ceil(Math.hypot(dx, dy) / step));
      for (let s = 0; s < n; s++) out.push(x + (dx * s) / n, y + (dy * s) / n);
    }
    return out;
  });

/** Round corners put back on a polygon of few points (corner cutting, Chaikin 1974). */
export const smoothed = (area: Area, times = 2): Area => {
  let out: Area = area;
  for (let k = 0; k < times; k++)
    out = out.map((ring) => {
      const next: number[] = [];
      for (let i = 0; i < ring.length; i += 2) {
        const j = (i + 2) % ring.length;
        next.push(
          ring[i] * 0.75 + ring[j] * 0.25,
          ring[i + 1] * 0.75 + ring[j + 1] * 0.25,
          ring[i] * 0.25 + ring[j] * 0.75,
          ring[i + 1] * 0.25 + ring[j + 1] * 0.75,
        );
      }
      return next;
    });
  return out;
};

/** Only the outer edges: holes filled. */
export const filled = (area: Area): Area => area.filter((ring) => sumOf([ring]) > 0);

/** The rings larger than a size in square units. */
export const withoutSpecks = (area: Area, least: number): Area =>
  area.filter((ring) => Math.abs(sumOf([ring])) > least);
