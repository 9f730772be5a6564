import { ellipse, rectangleOfArcs, reverseContour, signedArea, type Point, type Segment } from '../path';
import type { Track } from './corners';
import type { Stroke } from './stroke';

/** Lines that rise by less than this over their length are level, or upright, in pixels; and their slope is less than that. */
const LEVEL_PX = 0.16;
const LEVEL_SLOPE = 0.012;
const LEAST_LINE_PX = 5;

/** How far sides and corners of a rounded rectangle may stand off from exact ones, in pixels. */
const RECTANGLE_PX = 0.3;

/** The circle nearest to points on it, by Gauss and Newton from the mean; null when they do not lie on one. */
export function wholeCircle(
  { xs, ys, n }: Track,
  tolerancePx: number,
  rmsShare: number,
  weights: Float64Array | null,
): Stroke | null {
  let [cx, cy, r] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    cx += xs[i] / n;
    cy += ys[i] / n;
  }
  for (let i = 0; i < n; i++) r += Math.hypot(xs[i] - cx, ys[i] - cy) / n;
  for (let round = 0; round < 6; round++) {
    let [sx, sy, sr, xx, xy, yy, sdx, sdy] = [0, 0, 0, 0, 0, 0, 0, 0];
    for (let i = 0; i < n; i++) {
      const d = Math.hypot(xs[i] - cx, ys[i] - cy) || 1e-9;
      const [ux, uy] = [(xs[i] - cx) / d, (ys[i] - cy) / d];
      const off = d - r;
      sx += ux * off;
      sy += uy * off;
      sr += off;
      xx += ux * ux;
      xy += ux * uy;
      yy += uy * uy;
      sdx += ux;
      sdy += uy;
    }
    // Centre and radius are nearly independent on a whole circle.
    const det = (xx - (sdx * sdx) / n) * (yy - (sdy * sdy) / n) - (xy - (sdx * sdy) / n) ** 2;
    if (Math.abs(det) < 1e-9) return null;
    const [gx, gy] = [sx - (sdx * sr) / n, sy - (sdy * sr) / n];
    const mx = (gx * (yy - (sdy * sdy) / n) - gy * (xy - (sdx * sdy) / n)) / det;
    const my = (gy * (xx - (sdx * sdx) / n) - gx * (xy - (sdx * sdy) / n)) / det;
    cx += mx;
    cy += my;
    r += (sr - sdx * mx - sdy * my) / n;
  }
  let [greatest, most, squares, sum, area] = [0, 0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    const off = Math.abs(Math.hypot(xs[i] - cx, ys[i] - cy) - r);
    const counts = off * (weights?.[i] ?? 1);
    greatest = Math.max(greatest, off);
    most = Math.max(most, counts);
    squares += counts * counts;
    sum += off;
    const j = (i + 1) % n;
    area += xs[i] * ys[j] - xs[j] * ys[i];
  }
  if (!(r > 0) || most > tolerancePx || squares > (rmsShare * tolerancePx) ** 2 * n) return null;
  const clockwise = area > 0;
  const [left, right]: Point[] = [
    [cx - r, cy],
    [cx + r, cy],
  ];
  const half = (to: Point): Segment => ({ kind: 'arc', radius: r, large: false, clockwise, to });
  return { start: left, segments: [half(right), half(left)], deviation: { sum, greatest, count: n } };
}

/**
 * The ellipse that a closed track follows within a tolerance, as four curves, or null. Its axes are those of the area's second moments,
 * to which every point adds, so that noise on single points matters little.
 */
export function wholeEllipse(
  { xs, ys, n }: Track,
  tolerancePx: number,
  rmsShare: number,
  weights: Float64Array | null,
): Stroke | null {
  if (n < 16) return null;
  let [area, sx, sy, sxx, sxy, syy] = [0, 0, 0, 0, 0, 0];
  const [ox, oy] = [xs[0], ys[0]];
  for (let i = 0; i < n; i++) {
    const j = (i + 1) % n;
    const [ax, ay, bx, by] = [xs[i] - ox, ys[i] - oy, xs[j] - ox, ys[j] - oy];
    const cross = ax * by - bx * ay;
    area += cross / 2;
    sx += (cross * (ax + bx)) / 6;
    sy += (cross * (ay + by)) / 6;
    sxx += (cross * (ax * ax + ax * bx + bx * bx)) / 12;
    syy += (cross * (ay * ay + ay * by + by * by)) / 12;
    sxy += (cross * (ax * by + 2 * ax * ay + 2 * bx * by + bx * ay)) / 24;
  }
  if (Math.abs(area) < 20) return null;
  const [mx, my] = [sx / area, sy / area];
  const [vxx, vxy, vyy] = [sxx / area - mx * mx, sxy / area - mx * my, syy / area - my * my];
  const mean = (vxx + vyy) / 2;
  const off = Math.hypot((vxx - vyy) / 2, vxy);
  if (mean - off <= 0.5) return null;
  let [a, b] = [2 * Math.sqrt(mean + off), 2 * Math.sqrt(mean - off)];
  if (a / b < 1.015 || a / b > 14) return null;
  let angle = 0.5 * Math.atan2(2 * vxy, vxx - vyy);
  // An ellipse that hardly leans stands straight.
  if (Math.abs(angle) * a < 0.25) angle = 0;
  else if (Math.abs(Math.abs(angle) - Math.PI / 2) * a < 0.25) {
    angle = 0;
    [a, b] = [b, a];
  }
  const [cx, cy] = [mx + ox, my + oy];
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  let [sum, squares, greatest, most] = [0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    const [dx, dy] = [xs[i] - cx, ys[i] - cy];
    const [u, v] = [(dx * cos + dy * sin) / a, (-dx * sin + dy * cos) / b];
    const r = Math.hypot(u, v) || 1e-9;
    // To first order, how far off the ellipse a point lies (Sampson 1982).
    const away = Math.abs(r - 1) / Math.max(1e-9, Math.hypot(u / a, v / b) / r);
    const counts = away * (weights?.[i] ?? 1);
    sum += away;
    squares += counts * counts;
    greatest = Math.max(greatest, away);
    most = Math.max(most, counts);
  }
  if (most > tolerancePx || squares > (rmsShare * tolerancePx) ** 2 * n) return null;
  const made = ellipse(cx, cy, a, b, angle);
  const contour = area > 0 ? made : reverseContour(made);
  return { ...contour, deviation: { sum, greatest, count: n } };
}

/** The stroke with lines that are nearly level or upright made so; joints move by less than a tenth of a pixel, ends stay where they do not slide. */
export function straightened(stroke: Stroke, closed: boolean, slides: readonly [boolean, boolean]): Stroke {
  const { segments } = stroke;
  const n = segments.length;
  if (!segments.some((s) => s.kind === 'line')) return stroke;
  const nodes: [number, number][] = [[...stroke.start], ...segments.map((s): [number, number] => [...s.to])];
  const same = (k: number): number => (closed && k === n ? 0 : k);
  const fixed = (k: number): boolean => !closed && ((k === 0 && !slides[0]) || (k === n && !slides[1]));
  const set = (k: number, axis: 0 | 1, value: number): void => {
    if (!fixed(k)) nodes[same(k)][axis] = value;
  };
  for (let k = 0; k < n; k++) {
    if (segments[k].kind !== 'line') continue;
    const [p, q] = [nodes[same(k)], nodes[same(k + 1)]];
    const [dx, dy] = [Math.abs(q[0] - p[0]), Math.abs(q[1] - p[1])];
    for (const [axis, across, along] of [
      [0, dx, dy],
      [1, dy, dx],
    ] as const) {
      if (along < LEAST_LINE_PX || across > LEVEL_PX || across > LEVEL_SLOPE * along) continue;
      const value = fixed(k) ? p[axis] : fixed(k + 1) ? q[axis] : (p[axis] + q[axis]) / 2;
      set(k, axis, value);
      set(k + 1, axis, value);
    }
  }
  if (closed) nodes[n] = nodes[0];
  const shift = (k: number, from: Point, at: Point): Point => [
    at[0] + nodes[k][0] - from[0],
    at[1] + nodes[k][1] - from[1],
  ];
  let from = stroke.start;
  const moved = segments.map((s, k): Segment => {
    const to: Point = nodes[k + 1];
    // Handles go with the ends they belong to, so that directions stay.
    const out: Segment =
      s.kind === 'curve' ? { ...s, c1: shift(k, from, s.c1), c2: shift(k + 1, s.to, s.c2), to } : { ...s, to };
    from = s.to;
    return out;
  });
  return { ...stroke, start: nodes[0], segments: moved };
}

/** A closed stroke that is a rectangle with upright sides, its corners square or rounded alike, as exactly that; else null. */
export function asRectangle({ start, segments, deviation }: Stroke): Stroke | null {
  const n = segments.length;
  if (n !== 4 && n !== 8) return null;
  const points: Point[] = [start, ...segments.map((s) => s.to)];
  const lines = segments.map((s, k) => {
    if (s.kind !== 'line') return null;
    const [p, q] = [points[k], points[k + 1]];
    if (Math.abs(p[0] - q[0]) < 1e-6) return { axis: 0 as const, at: p[0] };
    if (Math.abs(p[1] - q[1]) < 1e-6) return { axis: 1 as const, at: p[1] };
    return null;
  });
  const found = lines.filter((l) => l !== null);
  if (found.length !== 4) return null;
  const across = (axis: 0 | 1): number[] =>
    found
      .filter((l) => l.axis === axis)
      .map((l) => l.at)
      .sort((p, q) => p - q);
  const [xs, ys] = [across(0), across(1)];
  if (xs.length !== 2 || ys.length !== 2) return null;
  const [[x0, x1], [y0, y1]] = [xs, ys];
  if (x1 - x0 < 2 || y1 - y0 < 2) return null;
  const clockwise = signedArea(points.slice(0, n).flat()) > 0;
  let radius = 0;
  if (n === 8) {
    // Sides and corners in turn; a corner that is cut off straight is none of these.
    const isSide = lines.map((l) => l !== null);
    if (isSide.some((is, k) => is === isSide[(k + 1) % n] || (!is && segments[k].kind === 'line'))) return null;
    const reaches: number[] = [];
    segments.forEach((s, k) => {
      if (s.kind === 'line') return;
      const [p, q] = [points[k], points[k + 1]];
      reaches.push(Math.abs(p[0] - q[0]), Math.abs(p[1] - q[1]));
    });
    const arcs = segments.flatMap((s) => (s.kind === 'arc' ? [s.radius] : []));
    const measured = arcs.length === 4 ? arcs : reaches;
    radius = measured.reduce((sum, r) => sum + r, 0) / measured.length;
    if (radius * 2 > Math.min(x1 - x0, y1 - y0) + 0.5) return null;
    // Where a side goes over into its corner is hard to tell; how round the corner is, is not.
    if (reaches.some((r) => Math.abs(r - radius) > Math.max(1.6, 0.12 * radius))) return null;
    if (measured.some((r) => Math.abs(r - radius) > Math.max(RECTANGLE_PX, 0.02 * radius))) return null;
    // Corners are arcs of that radius, or curves whose middle lies on one.
    for (const [k, s] of segments.entries()) {
      if (s.kind === 'line') continue;
      // Corners that are cut out round turn the other way.
      if (s.kind === 'arc' && (s.large || s.clockwise !== clockwise)) return null;
      const [p, q] = [points[k], points[k + 1]];
      const middle: Point =
        s.kind === 'curve'
          ? [(p[0] + 3 * s.c1[0] + 3 * s.c2[0] + q[0]) / 8, (p[1] + 3 * s.c1[1] + 3 * s.c2[1] + q[1]) / 8]
          : [NaN, NaN];
      const [mx, my] = [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
      const centre: Point = [
        mx < (x0 + x1) / 2 ? x0 + radius : x1 - radius,
        my < (y0 + y1) / 2 ? y0 + radius : y1 - radius,
      ];
      const off =
        s.kind === 'arc'
          ? Math.abs(s.radius - radius) / 2.4
          : Math.abs(Math.hypot(middle[0] - centre[0], middle[1] - centre[1]) - radius);
      if (off > RECTANGLE_PX) return null;
    }
  }
  const made = rectangleOfArcs(x0, y0, x1 - x0, y1 - y0, radius);
  const contour = clockwise ? made : reverseContour(made);
  return { ...contour, ...(deviation ? { deviation } : {}) };
}
