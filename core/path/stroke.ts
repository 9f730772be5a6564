/** Lines with a width, as the areas they cover. */
import { flatten } from './contour';
import { minus, length, type Point } from './point';
import { unionFine, type Area } from './polygon';
import type { Contour } from './outline';

/** How a line is drawn along an outline (SVG 1.1, 11.4); lengths in the outline's own units. */
export interface StrokeStyle {
  readonly widthPx: number;
  readonly cap: 'butt' | 'round' | 'square';
  readonly join: 'mitre' | 'round' | 'bevel';
  /** Mitres longer than this many widths are bevelled. */
  readonly mitreLimit: number;
  /** Lengths of dashes and gaps in turn; a solid line when left out. */
  readonly dash?: readonly number[];
  readonly dashOffset?: number;
  /** The width along the length, as shares of `widthPx` at shares of the length; evenly in between. By rising `at`. */
  readonly profile?: readonly WidthStop[];
}

export interface WidthStop {
  /** Share 0..1 of the outline's length. */
  readonly at: number;
  /** Of the stroke's width there. */
  readonly share: number;
}

export const PLAIN_STROKE: StrokeStyle = { widthPx: 1, cap: 'butt', join: 'mitre', mitreLimit: 4 };

/** A run of points of a line. `joints` says at which of them segments meet, where the join asked for is drawn; elsewhere the line only bends. */
interface Run {
  readonly points: readonly Point[];
  readonly joints: readonly boolean[];
  readonly closed: boolean;
  /** Half the width at each point. */
  readonly half: readonly number[];
}

/** Turns under this are drawn as bends, in radians. */
const STRAIGHT_RAD = 1e-4;

function runOf(contour: Contour, tolerancePx: number): { points: Point[]; joints: boolean[]; closed: boolean } {
  const points: Point[] = [contour.start];
  const joints: boolean[] = [true];
  let from = contour.start;
  for (const s of contour.segments) {
    const flat = flatten({ start: from, segments: [s], open: true }, tolerancePx);
    const n = flat.length / 2;
    for (let k = 1; k < n; k++) {
      const p: Point = [flat[2 * k], flat[2 * k + 1]];
      if (length(minus(p, points[points.length - 1])) < 1e-9) continue;
      points.push(p);
      joints.push(false);
    }
    joints[joints.length - 1] = true;
    from = s.to;
  }
  const closed = !contour.open;
  if (closed && points.length > 1 && length(minus(points[0], points[points.length - 1])) < 1e-6) {
    points.pop();
    joints.pop();
  }
  return { points, joints, closed };
}

/** Share of the width at a share of the length. */
export function shareAt(profile: readonly WidthStop[], at: number): number {
  if (at <= profile[0].at) return profile[0].share;
  const last = profile[profile.length - 1];
  if (at >= last.at) return last.share;
  let k = 1;
  while (profile[k].at < at) k++;
  const [p, q] = [profile[k - 1], profile[k]];
  return p.share + ((q.share - p.share) * (at - p.at)) / (q.at - p.at || 1);
}

/** Lengths from the start to each point; for a closed run, once round, one more. */
function lengthsOf(points: readonly Point[], closed: boolean): number[] {
  const out = [0];
  for (let k = 1; k < points.length; k++) out.push(out[k - 1] + length(minus(points[k], points[k - 1])));
  if (closed) out.push(out[out.length - 1] + length(minus(points[0], points[points.length - 1])));
  return out;
}

/** A run with a point wherever its width begins to change otherwise. */
function withStops(run: Omit<Run, 'half'>, profile: readonly WidthStop[]): Omit<Run, 'half'> {
  if (!profile.length || run.points.length < 2) return run;
  const along = lengthsOf(run.points, run.closed);
  const total = along[along.length - 1];
  const stops = profile.map((s) => s.at * total).sort((p, q) => p - q);
  const points: Point[] = [];
  const joints: boolean[] = [];
  run.points.forEach((p, k) => {
    points.push(p);
    joints.push(run.joints[k]);
    if (k + 1 >= along.length) return;
    const q = run.points[(k + 1) % run.points.length];
    for (const at of stops) {
      const t = (at - along[k]) / (along[k + 1] - along[k] || 1);
      if (t <= 1e-9 || t >= 1 - 1e-9) continue;
      points.push([p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])]);
      joints.push(false);
    }
  });
  return { points, joints, closed: run.closed };
}

/** The dashes of a run, each an open run of its own. */
function dashesOf({ points, joints, closed, half }: Run, pattern: readonly number[], offset: number): Run[] {
  const lengths = pattern.length % 2 ? [...pattern, ...pattern] : pattern;
  const period = lengths.reduce((sum, d) => sum + d, 0);
  if (!(period > 0) || lengths.some((d) => d < 0)) return [{ points, joints, closed, half }];
  const n = points.length;
  const along = lengthsOf(points, closed);
  const total = along[along.length - 1];
  // A pattern far too fine to be seen would make millions of dashes.
  if (total / period > 20_000) return [{ points, joints, closed, half }];
  const out: Run[] = [];
  let k = 0;
  let left = ((offset % period) + period) % period;
  while (left >= lengths[k]) {
    left -= lengths[k];
    k = (k + 1) % lengths.length;
  }
  let at = -left;
  const between = (i: number, share: number): { p: Point; h: number } => {
    const [p, q] = [points[i], points[(i + 1) % n]];
    return {
      p: [p[0] + share * (q[0] - p[0]), p[1] + share * (q[1] - p[1])],
      h: half[i] + share * (half[(i + 1) % n] - half[i]),
    };
  };
  let i = 0;
  while (at < total) {
    const end = at + lengths[k];
    if (k % 2 === 0 && end >= 0) {
      const [from, to] = [Math.max(0, at), Math.min(total, end)];
      while (i + 2 < along.length && along[i + 1] <= from) i++;
      const dash = { points: [] as Point[], joints: [] as boolean[], half: [] as number[] };
      const add = ({ p, h }: { p: Point; h: number }, joint: boolean): void => {
        dash.points.push(p);
        dash.joints.push(joint);
        dash.half.push(h);
      };
      const shareIn = (j: number, d: number) => (d - along[j]) / (along[j + 1] - along[j] || 1);
      add(between(i, shareIn(i, from)), true);
      let j = i;
      while (j + 1 < along.length - 1 && along[j + 1] < to) {
        j++;
        if (along[j] > from) add({ p: points[j % n], h: half[j % n] }, joints[j % n]);
      }
      if (to > from) add(between(j, shareIn(j, to)), true);
      out.push({ ...dash, closed: false });
    }
    at = end;
    k = (k + 1) % lengths.length;
  }
  return out;
}

/** Corners of a part of a circle from one angle to another, the first and the last left out. */
function fan(c: Point, r: number, from: number, to: number, tolerancePx: number): number[] {
  const step = 2 * Math.acos(Math.max(0, 1 - tolerancePx / Math.max(r, tolerancePx))) || 0.5;
  const n = Math.max(1, Math.min(180, Math.ceil(Math.abs(to - from) / step)));
  const out: number[] = [];
  for (let k = 1; k < n; k++) {
    const t = from + ((to - from) * k) / n;
    out.push(c[0] + r * Math.cos(t), c[1] + r * Math.sin(t));
  }
  return out;
}

/** The polygons whose union one run covers. */
function polygonsOf(run: Run, style: StrokeStyle, tolerancePx: number, out: number[][]): void {
  const { points, joints, closed, half } = run;
  const n = points.length;
  const disc = (c: Point, r: number) => out.push([c[0] + r, c[1], ...fan(c, r, 0, 2 * Math.PI, tolerancePx)]);
  if (n < 2) {
    // A line of no length shows by its caps alone.
    const [p, h] = [points[0], half[0]];
    if (style.cap === 'round') disc(p, h);
    if (style.cap === 'square')
      out.push([p[0] - h, p[1] - h, p[0] + h, p[1] - h, p[0] + h, p[1] + h, p[0] - h, p[1] + h]);
    return;
  }
  const sides = closed ? n : n - 1;
  const way: Point[] = [];
  for (let i = 0; i < sides; i++) {
    const d = minus(points[(i + 1) % n], points[i]);
    const l = length(d) || 1;
    way.push([d[0] / l, d[1] / l]);
  }
  for (let i = 0; i < sides; i++) {
    const [p, q, [dx, dy]] = [points[i], points[(i + 1) % n], way[i]];
    const [a, b] = [half[i], half[(i + 1) % n]];
    out.push([
      p[0] + dy * a,
      p[1] - dx * a,
      q[0] + dy * b,
      q[1] - dx * b,
      q[0] - dy * b,
      q[1] + dx * b,
      p[0] - dy * a,
      p[1] + dx * a,
    ]);
  }
  for (let i = closed ? 0 : 1; i < (closed ? n : n - 1); i++) {
    const [before, after] = [way[(i + sides - 1) % sides], way[i]];
    const turn = Math.atan2(before[0] * after[1] - before[1] * after[0], before[0] * after[0] + before[1] * after[1]);
    if (Math.abs(turn) < STRAIGHT_RAD) continue;
    const [p, h] = [points[i], half[i]];
    // The outer side of the turn: to the left of the way where it turns clockwise.
    const side = turn > 0 ? 1 : -1;
    const normal = (d: Point): Point => [p[0] + side * d[1] * h, p[1] - side * d[0] * h];
    const [a, b] = [normal(before), normal(after)];
    const wedge = [p[0], p[1], a[0], a[1]];
    const join = joints[i] ? style.join : 'round';
    if (join === 'round') {
      const start = Math.atan2(a[1] - p[1], a[0] - p[0]);
      wedge.push(...fan(p, h, start, start + turn, tolerancePx));
    } else if (join === 'mitre') {
      const stretch = 1 / Math.cos(turn / 2);
      if (stretch <= style.mitreLimit && stretch > 0) {
        const middle: Point = [(a[0] + b[0]) / 2 - p[0], (a[1] + b[1]) / 2 - p[1]];
        const l = length(middle) || 1;
        wedge.push(p[0] + (middle[0] / l) * h * stretch, p[1] + (middle[1] / l) * h * stretch);
      }
    }
    wedge.push(b[0], b[1]);
    out.push(wedge);
  }
  if (closed || style.cap === 'butt') return;
  for (const [p, h, [dx, dy]] of [
    [points[0], half[0], [-way[0][0], -way[0][1]]],
    [points[n - 1], half[n - 1], way[sides - 1]],
  ] as [Point, number, Point][]) {
    if (style.cap === 'round') disc(p, h);
    else
      out.push([
        p[0] + dy * h,
        p[1] - dx * h,
        p[0] + dy * h + dx * h,
        p[1] - dx * h + dy * h,
        p[0] - dy * h + dx * h,
        p[1] + dx * h + dy * h,
        p[0] - dy * h,
        p[1] + dx * h,
      ]);
  }
}

/** Every ring clockwise, so that those that overlap add up. */
function clockwise(ring: number[]): number[] {
  let twice = 0;
  for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2)
    twice += ring[j] * ring[i + 1] - ring[i] * ring[j + 1];
  if (twice >= 0) return ring;
  const out: number[] = [];
  for (let i = ring.length - 2; i >= 0; i -= 2) out.push(ring[i], ring[i + 1]);
  return out;
}

/** The rings of a line along outlines, which may overlap one another: by the non-zero rule they are what the line covers. */
export function strokeRings(contours: readonly Contour[], style: StrokeStyle, tolerancePx = 0.05): number[][] {
  const out: number[][] = [];
  if (!(style.widthPx > 0)) return out;
  for (const contour of contours) {
    if (!contour.segments.length) continue;
    const base = withStops(runOf(contour, tolerancePx), style.profile ?? []);
    const along = lengthsOf(base.points, base.closed);
    const total = along[along.length - 1] || 1;
    const half = base.points.map(
      (_, k) =>
        (style.widthPx / 2) * (style.profile?.length ? Math.max(0, shareAt(style.profile, along[k] / total)) : 1),
    );
    const run: Run = { ...base, closed: base.closed && base.points.length > 1, half };
    const runs = style.dash?.length ? dashesOf(run, style.dash, style.dashOffset ?? 0) : [run];
    for (const r of runs) polygonsOf(r, style, tolerancePx, out);
  }
  return out.map(clockwise);
}

/** The area that a line along outlines covers, as rings that do not cross. */
export const strokeArea = (contours: readonly Contour[], style: StrokeStyle, tolerancePx = 0.05): Area =>
  unionFine(strokeRings(contours, style, tolerancePx));
