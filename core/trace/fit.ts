import type { Contour, Point, Segment } from '../vector';
import type { Loop } from './contours';

export interface FitOptions {
  /** How far a curve may stray from the line of points, in pixels. */
  readonly tolerancePx: number;
  /** A turn sharper than this is a corner, in radians. */
  readonly cornerRad: number;
}

const unit = (x: number, y: number): Point => {
  const n = Math.hypot(x, y) || 1;
  return [x / n, y / n];
};

/** Points of a closed loop by arc length, so that "four pixels back" means the same everywhere. */
class Line {
  readonly n: number;
  readonly at: Float64Array;
  constructor(readonly p: Loop) {
    this.n = p.length / 2;
    this.at = new Float64Array(this.n + 1);
    for (let i = 0; i < this.n; i++) {
      const j = (i + 1) % this.n;
      this.at[i + 1] = this.at[i] + Math.hypot(p[2 * j] - p[2 * i], p[2 * j + 1] - p[2 * i + 1]);
    }
  }
  x = (i: number): number => this.p[2 * (((i % this.n) + this.n) % this.n)];
  y = (i: number): number => this.p[2 * (((i % this.n) + this.n) % this.n) + 1];
  /** The index about `distance` px further along (or back, when negative) from i; not wrapped. */
  step(i: number, distance: number): number {
    const direction = distance < 0 ? -1 : 1;
    let left = Math.abs(distance);
    let k = i;
    for (let guard = 0; left > 0 && guard < this.n; guard++) {
      left -= Math.hypot(this.x(k + direction) - this.x(k), this.y(k + direction) - this.y(k));
      k += direction;
    }
    return k;
  }
}

/** Turn of the line at i, seen `reach` px to both sides; 0 straight, pi doubling back. */
function turnAt(line: Line, i: number, reach: number): number {
  const [b, f] = [line.step(i, -reach), line.step(i, reach)];
  const u = unit(line.x(i) - line.x(b), line.y(i) - line.y(b));
  const v = unit(line.x(f) - line.x(i), line.y(f) - line.y(i));
  return Math.acos(Math.max(-1, Math.min(1, u[0] * v[0] + u[1] * v[1])));
}

/** A straight line through points i..j by total least squares: a point on it and its direction. */
function lineThrough(line: Line, from: number, to: number): { c: Point; d: Point; off: number } {
  let [sx, sy, n] = [0, 0, 0];
  for (let k = from; k <= to; k++) {
    sx += line.x(k);
    sy += line.y(k);
    n++;
  }
  const [mx, my] = [sx / n, sy / n];
  let [xx, xy, yy] = [0, 0, 0];
  for (let k = from; k <= to; k++) {
    const [dx, dy] = [line.x(k) - mx, line.y(k) - my];
    xx += dx * dx;
    xy += dx * dy;
    yy += dy * dy;
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  const d: Point = [Math.cos(angle), Math.sin(angle)];
  let off = 0;
  for (let k = from; k <= to; k++) off = Math.max(off, Math.abs((line.x(k) - mx) * d[1] - (line.y(k) - my) * d[0]));
  return { c: [mx, my], d, off };
}

/**
 * Corners: places of sharpest turn beyond the threshold. Anti-aliasing rounds a corner off by half a pixel, so the corner is put
 * back where the two straight sides meet, when that is near.
 */
function findCorners(line: Line, options: FitOptions): { index: number; point: Point }[] {
  const reach = 3.2;
  const turns = new Float64Array(line.n);
  for (let i = 0; i < line.n; i++) turns[i] = turnAt(line, i, reach);
  const corners: { index: number; point: Point }[] = [];
  for (let i = 0; i < line.n; i++) {
    if (turns[i] < options.cornerRad) continue;
    const [b, f] = [line.step(i, -reach), line.step(i, reach)];
    let top = true;
    for (let k = b; k <= f && top; k++) {
      const other = turns[((k % line.n) + line.n) % line.n];
      if (other > turns[i] || (other === turns[i] && k < i)) top = false;
    }
    if (!top) continue;
    // A round bend turns as much seen from twice as far; a corner does not turn much more.
    const near = turnAt(line, i, 1.8);
    if (near < options.cornerRad * 0.55) continue;
    const before = lineThrough(line, line.step(i, -5), line.step(i, -1.4));
    const after = lineThrough(line, line.step(i, 1.4), line.step(i, 5));
    const cross = before.d[0] * after.d[1] - before.d[1] * after.d[0];
    let point: Point = [line.x(i), line.y(i)];
    if (Math.abs(cross) > 0.2) {
      const t = ((after.c[0] - before.c[0]) * after.d[1] - (after.c[1] - before.c[1]) * after.d[0]) / cross;
      const meet: Point = [before.c[0] + t * before.d[0], before.c[1] + t * before.d[1]];
      if (Math.hypot(meet[0] - point[0], meet[1] - point[1]) < 1.6 / Math.sqrt(Math.max(0.2, Math.abs(cross))))
        point = meet;
    }
    corners.push({ index: i, point });
  }
  return corners;
}

const bernstein = (t: number): [number, number, number, number] => {
  const u = 1 - t;
  return [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
};

/** Fits cubics to an open run of points by least squares with given end tangents, splitting where it strays (Schneider 1990). */
function fitRun(xs: number[], ys: number[], t0: Point, t1: Point, tolerance: number, out: Segment[], depth = 0): void {
  const n = xs.length;
  const end: Point = [xs[n - 1], ys[n - 1]];
  const chord = Math.hypot(end[0] - xs[0], end[1] - ys[0]);
  if (n <= 2) {
    out.push({ kind: 'line', to: end });
    return;
  }
  let strays = 0;
  if (chord > 1e-9)
    for (let i = 1; i < n - 1; i++)
      strays = Math.max(
        strays,
        Math.abs((xs[i] - xs[0]) * (end[1] - ys[0]) - (ys[i] - ys[0]) * (end[0] - xs[0])) / chord,
      );
  if (chord > 1e-9 && strays < tolerance * 0.6) {
    out.push({ kind: 'line', to: end });
    return;
  }
  const u = new Float64Array(n);
  for (let i = 1; i < n; i++) u[i] = u[i - 1] + Math.hypot(xs[i] - xs[i - 1], ys[i] - ys[i - 1]);
  for (let i = 1; i < n; i++) u[i] /= u[n - 1] || 1;
  let worst = 0;
  let at = n >> 1;
  for (let round = 0; round < 5; round++) {
    const [c1, c2] = solve(xs, ys, u, t0, t1, chord);
    worst = 0;
    for (let i = 1; i < n - 1; i++) {
      const w = bernstein(u[i]);
      const dx = w[0] * xs[0] + w[1] * c1[0] + w[2] * c2[0] + w[3] * end[0] - xs[i];
      const dy = w[0] * ys[0] + w[1] * c1[1] + w[2] * c2[1] + w[3] * end[1] - ys[i];
      const d = Math.hypot(dx, dy);
      if (d > worst) {
        worst = d;
        at = i;
      }
    }
    if (worst < tolerance) {
      out.push({ kind: 'curve', c1, c2, to: end });
      return;
    }
    if (worst > tolerance * 12 || depth > 24) break;
    reparametrise(xs, ys, u, c1, c2, end);
  }
  at = Math.max(1, Math.min(n - 2, at));
  const reach = Math.max(1, Math.min(4, at, n - 1 - at));
  const tangent = unit(xs[at + reach] - xs[at - reach], ys[at + reach] - ys[at - reach]);
  fitRun(xs.slice(0, at + 1), ys.slice(0, at + 1), t0, [-tangent[0], -tangent[1]], tolerance, out, depth + 1);
  fitRun(xs.slice(at), ys.slice(at), tangent, t1, tolerance, out, depth + 1);
}

function solve(xs: number[], ys: number[], u: Float64Array, t0: Point, t1: Point, chord: number): [Point, Point] {
  const n = xs.length;
  const [ex, ey] = [xs[n - 1], ys[n - 1]];
  let [c00, c01, c11, x0, x1] = [0, 0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    const w = bernstein(u[i]);
    const [ax, ay] = [t0[0] * w[1], t0[1] * w[1]];
    const [bx, by] = [t1[0] * w[2], t1[1] * w[2]];
    c00 += ax * ax + ay * ay;
    c01 += ax * bx + ay * by;
    c11 += bx * bx + by * by;
    const dx = xs[i] - (xs[0] * (w[0] + w[1]) + ex * (w[2] + w[3]));
    const dy = ys[i] - (ys[0] * (w[0] + w[1]) + ey * (w[2] + w[3]));
    x0 += ax * dx + ay * dy;
    x1 += bx * dx + by * dy;
  }
  const det = c00 * c11 - c01 * c01;
  let a0 = det ? (x0 * c11 - x1 * c01) / det : 0;
  let a1 = det ? (c00 * x1 - c01 * x0) / det : 0;
  const longest = u.length > 2 ? chord * 2.5 : chord;
  if (!(a0 > chord * 0.01 && a1 > chord * 0.01 && a0 < longest + 4 && a1 < longest + 4)) a0 = a1 = chord / 3;
  return [
    [xs[0] + t0[0] * a0, ys[0] + t0[1] * a0],
    [ex + t1[0] * a1, ey + t1[1] * a1],
  ];
}

/** Moves each parameter to the nearest point of the curve by one Newton step. */
function reparametrise(xs: number[], ys: number[], u: Float64Array, c1: Point, c2: Point, end: Point): void {
  const n = xs.length;
  for (let i = 1; i < n - 1; i++) {
    const t = u[i];
    const s = 1 - t;
    const axis = (p0: number, p1: number, p2: number, p3: number, p: number): [number, number, number] => [
      s * s * s * p0 + 3 * s * s * t * p1 + 3 * s * t * t * p2 + t * t * t * p3 - p,
      3 * (s * s * (p1 - p0) + 2 * s * t * (p2 - p1) + t * t * (p3 - p2)),
      6 * (s * (p2 - 2 * p1 + p0) + t * (p3 - 2 * p2 + p1)),
    ];
    const [dx, x1, x2] = axis(xs[0], c1[0], c2[0], end[0], xs[i]);
    const [dy, y1, y2] = axis(ys[0], c1[1], c2[1], end[1], ys[i]);
    const below = x1 * x1 + y1 * y1 + dx * x2 + dy * y2;
    if (Math.abs(below) > 1e-12) u[i] = Math.max(0, Math.min(1, t - (dx * x1 + dy * y1) / below));
  }
}

/** Turns a loop of points into a contour of lines and cubics. */
export function fitLoop(loop: Loop, options: FitOptions): Contour {
  const line = new Line(loop);
  const corners = findCorners(line, options);
  const segments: Segment[] = [];
  if (!corners.length) {
    // A smooth loop: two smooth joins, where the line runs flattest to the axes, so that round things stay round.
    const extreme = (pick: (i: number) => number): number => {
      let best = 0;
      for (let i = 1; i < line.n; i++) if (pick(i) < pick(best)) best = i;
      return best;
    };
    const marks = [
      ...new Set([extreme(line.x), extreme((i) => -line.y(i)), extreme((i) => -line.x(i)), extreme(line.y)]),
    ].sort((p, q) => p - q);
    const tangents = marks.map((i) =>
      unit(
        line.x(line.step(i, 2.5)) - line.x(line.step(i, -2.5)),
        line.y(line.step(i, 2.5)) - line.y(line.step(i, -2.5)),
      ),
    );
    marks.forEach((from, m) => {
      const to = marks[(m + 1) % marks.length] + (m + 1 === marks.length ? line.n : 0);
      const [xs, ys] = run(line, from, to);
      const next = tangents[(m + 1) % marks.length];
      fitRun(xs, ys, tangents[m], [-next[0], -next[1]], options.tolerancePx, segments);
    });
    return { start: [line.x(marks[0]), line.y(marks[0])], segments };
  }
  corners.forEach((corner, k) => {
    const next = corners[(k + 1) % corners.length];
    const to = next.index + (k + 1 === corners.length ? line.n : 0);
    const [xs, ys] = run(line, corner.index, to);
    // The rounded-off points beside a corner would bend the curve: they go, and the corner itself stands.
    trimBeside(xs, ys, corner.point, next.point);
    const n = xs.length;
    const reach = Math.min(4, n - 1);
    const t0 = unit(xs[reach] - xs[0], ys[reach] - ys[0]);
    const t1 = unit(xs[n - 1 - reach] - xs[n - 1], ys[n - 1 - reach] - ys[n - 1]);
    fitRun(xs, ys, t0, t1, options.tolerancePx, segments);
  });
  return { start: corners[0].point, segments };
}

function run(line: Line, from: number, to: number): [number[], number[]] {
  const xs: number[] = [];
  const ys: number[] = [];
  for (let k = from; k <= to; k++) {
    xs.push(line.x(k));
    ys.push(line.y(k));
  }
  return [xs, ys];
}

function trimBeside(xs: number[], ys: number[], start: Point, end: Point): void {
  const near = (i: number, p: Point): boolean => Math.hypot(xs[i] - p[0], ys[i] - p[1]) < 1.3;
  while (xs.length > 1 && near(0, start)) {
    xs.shift();
    ys.shift();
  }
  while (xs.length > 1 && near(xs.length - 1, end)) {
    xs.pop();
    ys.pop();
  }
  if (xs.length === 1 && (near(0, start) || near(0, end))) {
    xs.length = 0;
    ys.length = 0;
  }
  xs.unshift(start[0]);
  ys.unshift(start[1]);
  xs.push(end[0]);
  ys.push(end[1]);
}
