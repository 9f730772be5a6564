import {
  type Affine,
  arcGeometry,
  type Contour,
  joined,
  mapContour,
  partOf,
  type Point,
  pointAt,
  reverseContour,
  type Segment,
} from '../path';
import { allPieces, type Artwork } from '../vector';
import type { NewPiece } from './assemble';
import { NOTHING, type Cells } from './cells';

/** A line that a picture is nearly the same on both sides of. */
export interface Symmetry {
  /** A point on the axis, in pixels. */
  readonly x: number;
  readonly y: number;
  /** Its direction in radians: a quarter turn is upright, 0 lies level. */
  readonly angleRad: number;
  /** Share 0..1 of the figure whose mirror image is of the same ink. */
  readonly share: number;
}

/** Which axes are looked for. */
export interface AxisWanted {
  /** The share of the figure that has to be alike on both sides. */
  readonly least?: number;
  /** The direction that the axis has to have, nearly. */
  readonly angleRad?: number | null;
}

/** Less of a figure than this in its mirror image is no symmetry. */
const LEAST_SHARE = 0.94;

/**
 * The axis about which what is not ground is nearly symmetrical, or null. The axis of such a figure goes through its middle of mass, which
 * coverage gives to a fraction of a pixel; upright, level and the axes of inertia are tried.
 */
export function findSymmetry(
  cells: Cells,
  ground: number | null,
  { least = LEAST_SHARE, angleRad = null }: AxisWanted = {},
): Symmetry | null {
  const { widthPx: w, heightPx: h, first, second, share, plains } = cells;
  const isFigure = (k: number): boolean => k !== NOTHING && k !== ground;
  let [mass, sx, sy] = [0, 0, 0];
  const weigh = (m: number, x: number, y: number): void => {
    mass += m;
    sx += m * x;
    sy += m * y;
  };
  const { plain, busy } = plains;
  for (let s = 0; s < plain.length; s += 2) {
    const [from, to] = [plain[s], plain[s + 1]];
    const y = Math.floor(from / w);
    if (isFigure(first[from])) weigh(to - from, (from + to) / 2 - y * w, y + 0.5);
  }
  for (let s = 0; s < busy.length; s += 2) {
    const y = Math.floor(busy[s] / w);
    for (let i = busy[s], x = i - y * w; i < busy[s + 1]; i++, x++) {
      const m = (isFigure(first[i]) ? share[i] : 0) + (isFigure(second[i]) ? 1 - share[i] : 0);
      if (m) weigh(m, x + 0.5, y + 0.5);
    }
  }
  if (mass < 40) return null;
  const [cx, cy] = [sx / mass, sy / mass];
  const step = Math.max(1, Math.floor(Math.max(w, h) / 200));
  let [xx, xy, yy] = [0, 0, 0];
  const samples: number[] = [];
  for (let y = step >> 1; y < h; y += step)
    for (let x = step >> 1; x < w; x += step) {
      if (!isFigure(first[y * w + x])) continue;
      samples.push(x, y);
      const [dx, dy] = [x + 0.5 - cx, y + 0.5 - cy];
      xx += dx * dx;
      xy += dx * dy;
      yy += dy * dy;
    }
  const main = 0.5 * Math.atan2(2 * xy, xx - yy);
  const shareOf = (angle: number): number => {
    const [cos, sin] = [Math.cos(2 * angle), Math.sin(2 * angle)];
    let same = 0;
    for (let k = 0; k < samples.length; k += 2) {
      const [dx, dy] = [samples[k] + 0.5 - cx, samples[k + 1] + 0.5 - cy];
      const [qx, qy] = [Math.floor(cx + cos * dx + sin * dy), Math.floor(cy + sin * dx - cos * dy)];
      if (qx >= 0 && qy >= 0 && qx < w && qy < h && first[qy * w + qx] === first[samples[k + 1] * w + samples[k]])
        same++;
    }
    return samples.length ? (2 * same) / samples.length : 0;
  };
  let best: Symmetry | null = null;
  // An axis of inertia that hardly leans is an upright or level one.
  const leans = Math.min(...[-2, -1, 0, 1, 2].map((q) => Math.abs(main - (q * Math.PI) / 2))) > 0.035;
  for (const [angle, bonus] of [
    [Math.PI / 2, 0.006],
    [0, 0.003],
    [main, 0],
    [main + Math.PI / 2, 0],
  ] as const) {
    // Where little has to be alike, a slanting one is found anywhere.
    if (bonus === 0 && (!leans || least < LEAST_SHARE)) continue;
    if (angleRad !== null && Math.abs(Math.sin(angle - angleRad)) > 0.1) continue;
    const found = shareOf(angle);
    if (found >= least && (!best || found + bonus > best.share)) best = { x: cx, y: cy, angleRad: angle, share: found };
  }
  return best;
}

/** Part of a segment, with where it starts. */
interface Bit {
  readonly from: Point;
  readonly segment: Segment;
}

const near = (p: Point, q: Point, by = 1e-6): boolean => Math.abs(p[0] - q[0]) < by && Math.abs(p[1] - q[1]) < by;

/** Where along a segment, 0..1, it crosses x = 0. */
function crossings(from: Point, s: Segment): number[] {
  const out: number[] = [];
  if (s.kind === 'line') {
    if (from[0] * s.to[0] < 0) out.push(from[0] / (from[0] - s.to[0]));
  } else if (s.kind === 'arc') {
    const g = arcGeometry(from, s);
    if (Math.abs(g.cx) < g.radius)
      for (const side of [1, -1]) {
        const angle = side * Math.acos(-g.cx / g.radius);
        for (const full of [-2 * Math.PI, 0, 2 * Math.PI]) {
          const t = (angle + full - g.startRad) / g.sweepRad;
          if (t > 1e-6 && t < 1 - 1e-6) out.push(t);
        }
      }
  } else {
    // Sign changes on a fine grid, each closed in on by halving: a cubic has at most three.
    const x = (t: number): number => pointAt(from, s, t)[0];
    const n = 24;
    for (let k = 0; k < n; k++) {
      let [a, b] = [k / n, (k + 1) / n];
      if (x(a) * x(b) >= 0 || (k === 0 && Math.abs(x(0)) < 1e-6)) continue;
      for (let i = 0; i < 50; i++) {
        const m = (a + b) / 2;
        if (x(a) * x(m) <= 0) b = m;
        else a = m;
      }
      const t = (a + b) / 2;
      if (t > 1e-5 && t < 1 - 1e-5) out.push(t);
    }
  }
  return [...new Set(out)].sort((p, q) => p - q);
}

const onAxis = ([, y]: Point): Point => [0, y];

/** A segment cut where it crosses x = 0, so that each bit lies on one side. */
function bitsOf(from: Point, segment: Segment): Bit[] {
  const cuts = [0, ...crossings(from, segment), 1];
  let start = from;
  return cuts.slice(1).map((t, k) => {
    const part = partOf(from, segment, cuts[k], t).segment;
    const bit = { from: start, segment: t < 1 ? { ...part, to: onAxis(part.to) } : part };
    start = bit.segment.to;
    return bit;
  });
}

/** On which side of x = 0 a bit lies. */
function sideOf({ from, segment }: Bit): number {
  if (segment.kind === 'arc') {
    const g = arcGeometry(from, segment);
    return g.cx + g.radius * Math.cos(g.startRad + g.sweepRad / 2);
  }
  if (segment.kind === 'line') return from[0] + segment.to[0];
  return from[0] + 3 * segment.c1[0] + 3 * segment.c2[0] + segment.to[0];
}

const flip = ([x, y]: Point): Point => [-x, y];

/** The bits mirrored in x = 0 and run the other way. */
const mirroredBack = (bits: readonly Bit[]): Segment[] =>
  [...bits].reverse().map(({ from, segment }) => {
    const to = flip(from);
    if (segment.kind === 'line') return { kind: 'line', to };
    // Mirrored once and run backwards, an arc turns as it did.
    if (segment.kind === 'arc') return { ...segment, to };
    return { kind: 'curve', c1: flip(segment.c2), c2: flip(segment.c1), to };
  });

/** The two half circles of a whole one, or null. */
function circleOf({ start, segments }: Contour): { cx: number; cy: number; r: number; clockwise: boolean } | null {
  const [a, b] = segments;
  if (segments.length !== 2 || a.kind !== 'arc' || b.kind !== 'arc' || a.clockwise !== b.clockwise) return null;
  const r = Math.hypot(a.to[0] - start[0], a.to[1] - start[1]) / 2;
  return Math.abs(a.radius - r) < 0.02
    ? { cx: (start[0] + a.to[0]) / 2, cy: (start[1] + a.to[1]) / 2, r, clockwise: a.clockwise }
    : null;
}

const circleAt = (cx: number, cy: number, radius: number, clockwise: boolean): Contour => ({
  start: [cx - radius, cy],
  segments: [
    { kind: 'arc', radius, large: false, clockwise, to: [cx + radius, cy] },
    { kind: 'arc', radius, large: false, clockwise, to: [cx - radius, cy] },
  ],
});

/** What of a contour lies at x > 0, and its mirror image: contours that cross the axis, and those beside it. */
function halved(contour: Contour): { across: Contour[]; beside: Contour | null } {
  const circle = circleOf(contour);
  if (circle && Math.abs(circle.cx) < circle.r)
    return { across: [circleAt(0, circle.cy, circle.r, circle.clockwise)], beside: null };
  const bits: Bit[] = [];
  let from = contour.start;
  for (const s of contour.segments) {
    bits.push(...bitsOf(from, s));
    from = s.to;
  }
  if (!near(from, contour.start, 1e-4)) bits.push({ from, segment: { kind: 'line', to: contour.start } });
  const kept = bits.map((b) => sideOf(b) > 0);
  if (kept.every(Boolean)) return { across: [], beside: contour };
  if (!kept.some(Boolean)) return { across: [], beside: null };
  const across: Contour[] = [];
  const n = bits.length;
  for (let i = 0; i < n; i++) {
    if (!kept[i] || kept[(i + n - 1) % n]) continue;
    const run: Bit[] = [];
    for (let k = i; kept[k % n] && run.length < n; k++) run.push(bits[k % n]);
    const start = onAxis(run[0].from);
    const end = onAxis(run[run.length - 1].segment.to);
    run[0] = { ...run[0], from: start };
    run[run.length - 1] = { ...run[run.length - 1], segment: { ...run[run.length - 1].segment, to: end } };
    across.push({ start, segments: joined(start, [...run.map((b) => b.segment), ...mirroredBack(run)]) });
  }
  return { across, beside: null };
}

/** An artwork made exactly symmetrical: the half with fewer segments stays, and its mirror image takes the place of the other. */
export function madeSymmetrical(artwork: Artwork, { x, y, angleRad }: Symmetry): Artwork {
  // Turned and moved so that the axis is x = 0.
  const turn = Math.PI / 2 - angleRad;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const into: Affine = [cos, sin, -sin, cos, -cos * x + sin * y, -sin * x - cos * y];
  const back: Affine = [cos, -sin, sin, cos, x, y];
  const turned = allPieces(artwork).map((p) => ({ ...p, contours: p.contours.map((c) => mapContour(into, c)) }));
  const weigh = (side: 1 | -1): number =>
    turned.reduce(
      (sum, p) => sum + p.contours.reduce((n, c) => n + c.segments.filter((s) => s.to[0] * side > 0).length, 0),
      0,
    );
  const swap: Affine = weigh(1) <= weigh(-1) ? [1, 0, 0, 1, 0, 0] : [-1, 0, 0, 1, 0, 0];
  const flips = swap[0] < 0;
  const mirror: Affine = [-1, 0, 0, 1, 0, 0];
  const placed = (c: Contour): Contour => (flips ? reverseContour(mapContour(swap, c)) : c);
  const pieces: NewPiece[] = [];
  for (const piece of turned) {
    const [outer, ...holes] = piece.contours.map(placed);
    const { across, beside } = halved(outer);
    if (beside) {
      const own = [outer, ...holes];
      pieces.push(
        { kind: 'piece', inkId: piece.inkId, contours: own },
        { kind: 'piece', inkId: piece.inkId, contours: own.map((c) => reverseContour(mapContour(mirror, c))) },
      );
      continue;
    }
    if (!across.length) continue;
    const cut = holes.flatMap((hole) => {
      const half = halved(hole);
      return half.beside ? [half.beside, reverseContour(mapContour(mirror, half.beside))] : half.across;
    });
    pieces.push({ kind: 'piece', inkId: piece.inkId, contours: [...across, ...cut] });
  }
  return {
    ...artwork,
    nodes: pieces.map((p, i) => ({
      ...p,
      id: `piece-${i + 1}`,
      contours: p.contours.map(placed).map((c) => mapContour(back, c)),
    })),
  };
}
