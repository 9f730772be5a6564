import { type ArcSegment, flatten, type Point, type Segment } from '../path';

/** A stretch of located points, x and y in turn, that one segment is to follow. */
export interface Run {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  /** What distances of each point count for, 0..1; all alike when left out. */
  readonly weights?: Float64Array;
}

/** A segment fitted to points of a run, and how far they lie from it. */
export interface Fit {
  readonly segment: Segment;
  /** Greatest distance of a point, as much as it counts, in pixels. */
  readonly greatest: number;
  /** Sum of squares of such distances, in px². */
  readonly squares: number;
}

/** The straight line between two points, against the points between. */
export function fitLine(run: Run, i: number, j: number, from: Point, to: Point): Fit {
  const dx = to[0] - from[0];
  const dy = to[1] - from[1];
  const length = Math.hypot(dx, dy) || 1e-9;
  const { weights } = run;
  let greatest = 0;
  let squares = 0;
  for (let k = i + 1; k < j; k++) {
    const [px, py] = [run.xs[k] - from[0], run.ys[k] - from[1]];
    const along = (px * dx + py * dy) / length;
    // Points beyond the ends are as far as the nearer end: a line that comes back to where it began follows nothing.
    const away =
      along < 0 || length < 1e-6
        ? Math.hypot(px, py)
        : along > length
          ? Math.hypot(run.xs[k] - to[0], run.ys[k] - to[1])
          : (px * dy - py * dx) / length;
    const off = weights ? weights[k] * away : away;
    greatest = Math.max(greatest, Math.abs(off));
    squares += off * off;
  }
  return { segment: { kind: 'line', to }, greatest, squares };
}

/**
 * The arc of a circle between two points that lies nearest the points between: its rise over the chord (its sagitta) is found by Gauss and Newton's
 * method. What is off by more than `hopelessPx` early on is given up. Null when the points lie on a line, or do not turn one way.
 */
export function fitArc(run: Run, i: number, j: number, from: Point, to: Point, hopelessPx = Infinity): Fit | null {
  if (j - i < 3) return null;
  const { weights } = run;
  const [mx, my] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const chord = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (chord < 1e-6) return null;
  const [ux, uy] = [(to[0] - from[0]) / chord, (to[1] - from[1]) / chord];
  // To the left of the chord, seen along it (y downwards): there a clockwise arc rises.
  const [nx, ny] = [uy, -ux];
  let rise = 0;
  for (let k = i + 1; k < j; k++) {
    const off = (run.xs[k] - mx) * nx + (run.ys[k] - my) * ny;
    if (Math.abs(off) > Math.abs(rise)) rise = off;
  }
  if (Math.abs(rise) < 0.02) return null;
  const quarter = (chord * chord) / 4;
  let greatest = 0;
  let squares = 0;
  for (let step = 0; step < 5; step++) {
    const signed = (quarter + rise * rise) / (2 * rise);
    const centre = rise - signed;
    const radius = Math.abs(signed);
    const [cx, cy] = [mx + nx * centre, my + ny * centre];
    // How centre and radius move with the rise.
    const dRadius = ((rise * rise - quarter) / (2 * rise * rise)) * Math.sign(signed);
    const dCentre = 1 - (rise * rise - quarter) / (2 * rise * rise);
    let [jj, jr] = [0, 0];
    greatest = 0;
    squares = 0;
    // Some of the points show where the circle lies; whether it is true is asked of all.
    const stride = step === 4 ? 1 : Math.max(1, Math.ceil((j - i) / 128));
    for (let k = i + 1; k < j; k += stride) {
      const [dx, dy] = [run.xs[k] - cx, run.ys[k] - cy];
      const d = Math.hypot(dx, dy) || 1e-9;
      const weight = weights ? weights[k] : 1;
      const off = weight * (d - radius);
      const slope = weight * (-((dx * nx + dy * ny) / d) * dCentre - dRadius);
      jj += slope * slope;
      jr += slope * off;
      greatest = Math.max(greatest, Math.abs(off));
      squares += off * off;
    }
    if (step >= 1 && greatest > hopelessPx) return null;
    if (step === 4) break;
    if (jj < 1e-12) return null;
    const next = rise - jr / jj;
    if (!Number.isFinite(next) || next * rise <= 0) return null;
    rise = next;
  }
  // Half a circle is drawn as just that: a little off it, the smallest rounding of its radius would move its centre by far more.
  if (Math.abs(Math.abs(rise) - chord / 2) < 0.08 * chord) {
    const half = chord / 2;
    let [most, sum] = [0, 0];
    for (let k = i + 1; k < j; k++) {
      const off = (weights ? weights[k] : 1) * (Math.hypot(run.xs[k] - mx, run.ys[k] - my) - half);
      most = Math.max(most, Math.abs(off));
      sum += off * off;
    }
    if (most < greatest + 0.06)
      return {
        segment: { kind: 'arc', radius: half, large: false, clockwise: rise > 0, to },
        greatest: most,
        squares: sum,
      };
  }
  const radius = (quarter + rise * rise) / (2 * Math.abs(rise));
  // Greater than half a circle when it rises over half the chord.
  const segment: ArcSegment = { kind: 'arc', radius, large: Math.abs(rise) > chord / 2, clockwise: rise > 0, to };
  return { segment, greatest, squares };
}

/** Solves a small dense symmetric system in place; false when it is singular. */
function solve(a: Float64Array, b: Float64Array, n: number): boolean {
  for (let c = 0; c < n; c++) {
    let best = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(a[r * n + c]) > Math.abs(a[best * n + c])) best = r;
    if (Math.abs(a[best * n + c]) < 1e-12) return false;
    if (best !== c) {
      for (let k = 0; k < n; k++) [a[c * n + k], a[best * n + k]] = [a[best * n + k], a[c * n + k]];
      [b[c], b[best]] = [b[best], b[c]];
    }
    for (let r = c + 1; r < n; r++) {
      const f = a[r * n + c] / a[c * n + c];
      for (let k = c; k < n; k++) a[r * n + k] -= f * a[c * n + k];
      b[r] -= f * b[c];
    }
  }
  for (let c = n - 1; c >= 0; c--) {
    for (let k = c + 1; k < n; k++) b[c] -= a[c * n + k] * b[k];
    b[c] /= a[c * n + c];
  }
  return true;
}

const MOST = 512;
const params = new Float64Array(MOST);
const normals = new Float64Array(2 * MOST);
const normal = new Float64Array(16);
const rhs = new Float64Array(4);
const reduced = new Float64Array(16);
const wanted = new Float64Array(4);

/**
 * Sums up the normal equations for both handles of a cubic, in `normal` (4 by 4) and `rhs`: handles' x and y in turn, measured from the first end. Whole
 * distances count, or with `across` only those along `normals`.
 */
function sumUp(run: Run, i: number, stride: number, count: number, from: Point, to: Point, across: boolean): void {
  const { xs, ys, weights } = run;
  const [fx, fy] = from;
  const [tx, ty] = [to[0] - fx, to[1] - fy];
  // Products of the handles' shares of a point, by the axes of its normal.
  let [aXx, aXy, aYy, abXx, abXy, abYy, bXx, bXy, bYy] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  let [r0, r1, r2, r3] = [0, 0, 0, 0];
  for (let m = 0, k = i + stride; m < count; m++, k += stride) {
    const t = params[m];
    const u = 1 - t;
    const a = 3 * u * u * t;
    const b = 3 * u * t * t;
    const end = t * t * t;
    const weight = weights ? weights[k] : 1;
    const square = weight * weight;
    const px = xs[k] - fx - end * tx;
    const py = ys[k] - fy - end * ty;
    let [xx, xy, yy] = [square, 0, square];
    if (across) {
      const nx = normals[2 * m];
      const ny = normals[2 * m + 1];
      xx = square * nx * nx;
      xy = square * nx * ny;
      yy = square * ny * ny;
    }
    const restX = xx * px + xy * py;
    const restY = xy * px + yy * py;
    const [aa, ab, bb] = [a * a, a * b, b * b];
    aXx += aa * xx;
    aXy += aa * xy;
    aYy += aa * yy;
    abXx += ab * xx;
    abXy += ab * xy;
    abYy += ab * yy;
    bXx += bb * xx;
    bXy += bb * xy;
    bYy += bb * yy;
    r0 += a * restX;
    r1 += a * restY;
    r2 += b * restX;
    r3 += b * restY;
  }
  normal.set([aXx, aXy, abXx, abXy, aXy, aYy, abXy, abYy, abXx, abXy, bXx, bXy, abXy, abYy, bXy, bYy]);
  rhs.set([r0, r1, r2, r3]);
}

/**
 * The normal equations in the unknowns that are left where a handle keeps to a given tangent: its length along it instead of its x and y. New handles
 * are pulled to those `held`. Solves them into `wanted`; false when that cannot be done.
 */
function solveAlong(
  ways: readonly (readonly number[])[],
  base: readonly number[],
  held: Float64Array,
  pull: number,
): boolean {
  const n = ways.length;
  for (let r = 0; r < n; r++) {
    const way = ways[r];
    wanted[r] = 0;
    for (let p = 0; p < 4; p++) {
      if (way[p] === 0) continue;
      let rest = rhs[p];
      for (let q = 0; q < 4; q++) rest -= normal[4 * p + q] * base[q];
      wanted[r] += way[p] * rest;
    }
    for (let c = 0; c < n; c++) {
      let sum = 0;
      for (let p = 0; p < 4; p++)
        if (way[p] !== 0) for (let q = 0; q < 4; q++) sum += way[p] * normal[4 * p + q] * ways[c][q];
      reduced[r * n + c] = sum;
    }
    for (let p = 0; p < 4; p++) wanted[r] += pull * way[p] * (held[p] - base[p]);
    // A breath of damping keeps handles short where the points say little about them.
    reduced[r * n + r] += pull + 1e-7;
  }
  return solve(reduced, wanted, n);
}

/** How much longer than the line through its points a cubic may be, told by so many pieces of it. */
const LONGEST = 1.15;
const PIECES = 12;

const FREE = [
  [1, 0, 0, 0],
  [0, 1, 0, 0],
  [0, 0, 1, 0],
  [0, 0, 0, 1],
] as const;

/**
 * The cubic between two points that lies nearest the points between, by least squares (its normal equations), the parameters improved in turn (Plass and Stone
 * 1983). A tangent that is given, of length 1 and pointing along the run, is kept. Null when there are too few points, or a handle would point backwards.
 */
export function fitCubic(
  run: Run,
  i: number,
  j: number,
  from: Point,
  to: Point,
  tangentFrom: Point | null,
  tangentTo: Point | null,
  rounds = 4,
  hopelessPx = Infinity,
  samples = 96,
): Fit | null {
  const stride = Math.max(1, Math.ceil((j - i) / samples));
  const count = Math.floor((j - i - 1) / stride);
  if (count < 2 || count > MOST) return null;
  const { xs, ys, weights } = run;
  const [fx, fy] = from;
  const [tx, ty] = [to[0] - fx, to[1] - fy];
  // Parameters by length along the points.
  let length = 0;
  let [lx, ly] = [fx, fy];
  for (let k = i + 1, m = 0; k <= j; k++) {
    const x = k === j ? to[0] : xs[k];
    const y = k === j ? to[1] : ys[k];
    length += Math.sqrt((x - lx) ** 2 + (y - ly) ** 2);
    lx = x;
    ly = y;
    if (k < j && (k - i) % stride === 0 && m < count) params[m++] = length;
  }
  if (length < 1e-6) return null;
  for (let m = 0; m < count; m++) params[m] /= length;
  // What is asked for: each free handle's x and y, or its length along its tangent. All from the first end.
  const ways = [
    ...(tangentFrom ? [[tangentFrom[0], tangentFrom[1], 0, 0]] : FREE.slice(0, 2)),
    ...(tangentTo ? [[0, 0, -tangentTo[0], -tangentTo[1]]] : FREE.slice(2)),
  ];
  const base = tangentTo ? [0, 0, tx, ty] : [0, 0, 0, 0];
  const handles = new Float64Array(4);
  let greatest = 0;
  let squares = 0;
  for (let round = 0; round < rounds; round++) {
    // The first round takes whole distances; later ones only those across the curve, which converges fast (Blake and Isard 1998), and in which handles
    // stay near where they were, so far as the points do not say otherwise.
    sumUp(run, i, stride, count, from, to, round > 0);
    if (!solveAlong(ways, base, handles, round > 0 ? 2e-4 * count : 0)) return null;
    if ((tangentFrom && wanted[0] < 0) || (tangentTo && wanted[ways.length - 1] < 0)) return null;
    for (let p = 0; p < 4; p++) {
      handles[p] = base[p];
      for (let r = 0; r < ways.length; r++) handles[p] += wanted[r] * ways[r][p];
    }
    const [c1x, c1y, c2x, c2y] = handles;
    const [bx, by] = [c2x - c1x, c2y - c1y];
    const [cx, cy] = [tx - c2x, ty - c2y];
    greatest = 0;
    squares = 0;
    for (let m = 0, k = i + stride; m < count; m++, k += stride) {
      const t = params[m];
      const u = 1 - t;
      const a = 3 * u * u * t;
      const b = 3 * u * t * t;
      const end = t * t * t;
      const px = a * c1x + b * c2x + end * tx - (xs[k] - fx);
      const py = a * c1y + b * c2y + end * ty - (ys[k] - fy);
      const dx = 3 * (u * u * c1x + 2 * u * t * bx + t * t * cx);
      const dy = 3 * (u * u * c1y + 2 * u * t * by + t * t * cy);
      const ddx = 6 * (u * (bx - c1x) + t * (cx - bx));
      const ddy = 6 * (u * (by - c1y) + t * (cy - by));
      const size = Math.sqrt(dx * dx + dy * dy);
      // Across the curve: what lies along it is only a matter of the parameter.
      const away = size > 1e-6 ? (px * dy - py * dx) / size : Math.sqrt(px * px + py * py);
      const off = Math.abs(weights ? weights[k] * away : away);
      if (off > greatest) greatest = off;
      squares += off * off;
      normals[2 * m] = dy / (size || 1);
      normals[2 * m + 1] = -dx / (size || 1);
      const slope = size * size + px * ddx + py * ddy;
      if (slope > 1e-9) params[m] = Math.max(0, Math.min(1, t - (px * dx + py * dy) / slope));
    }
    if (round >= 1 && greatest > hopelessPx) return null;
  }
  const [c1x, c1y, c2x, c2y] = handles;
  // A handle longer than the run is a loop in waiting.
  if (Math.hypot(c1x, c1y) > 1.5 * length || Math.hypot(c2x - tx, c2y - ty) > 1.5 * length) return null;
  // A curve much longer than its points swings away where there are none.
  let long = 0;
  for (let m = 1, x = 0, y = 0; m <= PIECES; m++) {
    const t = m / PIECES;
    const u = 1 - t;
    const [a, b, end] = [3 * u * u * t, 3 * u * t * t, t * t * t];
    const [nx, ny] = [a * c1x + b * c2x + end * tx, a * c1y + b * c2y + end * ty];
    long += Math.sqrt((nx - x) ** 2 + (ny - y) ** 2);
    x = nx;
    y = ny;
  }
  if (long > LONGEST * length) return null;
  const segment = { kind: 'curve', c1: [fx + c1x, fy + c1y], c2: [fx + c2x, fy + c2y], to } as const;
  return { segment, greatest, squares: squares * stride };
}

/** How far the points between two indices of a run lie from a segment: the sum of their distances, the greatest, and how many they are. */
export function measure(
  run: Run,
  i: number,
  j: number,
  from: Point,
  segment: Segment,
): { sum: number; greatest: number; count: number } {
  const line = flatten({ start: from, segments: [segment] }, 0.01);
  const last = line.length / 2 - 2;
  const away = (k: number, m: number): number => {
    const [ax, ay, bx, by] = [line[2 * m], line[2 * m + 1], line[2 * m + 2], line[2 * m + 3]];
    const [dx, dy] = [bx - ax, by - ay];
    const t = Math.max(0, Math.min(1, ((run.xs[k] - ax) * dx + (run.ys[k] - ay) * dy) / (dx * dx + dy * dy || 1)));
    return Math.hypot(run.xs[k] - ax - t * dx, run.ys[k] - ay - t * dy);
  };
  let [sum, greatest, count, m] = [0, 0, 0, 0];
  for (let k = i + 1; k < j; k++) {
    if (last < 0) break;
    // Points come in the order of the segment: the nearest piece of it is never far from that of the point before.
    let best = away(k, m);
    for (let q = m + 1; q <= last && q < m + 24; q++) {
      const d = away(k, q);
      if (d < best) {
        best = d;
        m = q;
      }
    }
    sum += best;
    greatest = Math.max(greatest, best);
    count++;
  }
  return { sum, greatest, count };
}
