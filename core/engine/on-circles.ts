/** Figures whose outlines are straight lines and parts of circles, and the circles and lines that they lie on. */
import { fitChain, onCircles } from '../fit';
import {
  arcGeometry,
  atEqualSteps,
  evenOdd,
  flatten,
  mapContour,
  pointAt,
  runLength,
  sizeOf,
  type Area,
  type Contour,
  type Point,
} from '../path';
import { boundsOf } from './area';
import type { Figure } from './figure';
import { madeSymmetrical, onAxis, shifted, symmetryOf } from './symmetry';

/** A circle that outlines lie on, and how much of them. */
export interface Round {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  /** Units of outline. */
  readonly length: number;
}

/** A straight stretch of an outline. */
export interface Stretch {
  readonly from: Point;
  readonly to: Point;
}

/** Units between samples of an outline, and least turn of a corner, in radians. */
const [STEP, CORNER] = [0.5, 0.6];
/** How far an outline may go from what it was, as a share of how thick what it bounds is, and in units at least and at most. */
const [SHARE, LEAST, MOST] = [0.05, 0.1, 0.8];
/** Share of a figure that its mirror image must have for it to stay even. */
const EVEN = 0.95;
/** Circles of middles and radii less far apart than this, in units, are one. */
const SAME = 0.9;
/** A circle of more units is as good as a straight line. */
const LARGEST = 60;

/** One outline as straight lines and arcs; null where too little of it is left. */
function constructed(ring: readonly number[]): Contour | null {
  const points = Array.from({ length: ring.length / 2 }, (_, i): Point => [ring[2 * i], ring[2 * i + 1]]);
  const b = boundsOf([ring]);
  const thick = (2 * sizeOf([ring])) / runLength([...ring, ring[0], ring[1]]);
  const tolerance = Math.max(LEAST, Math.min(MOST, SHARE * thick));
  const even = atEqualSteps(points, Math.min(STEP, Math.hypot(b.width, b.height) / 24), true);
  const k = 1 / tolerance;
  const located = { points: Float64Array.from(even.flatMap(([x, y]) => [x * k, y * k])), scatterPx: new Float64Array(even.length).fill(0.3), doubtPx: 0.2 }; // prettier-ignore
  const fitted = fitChain(located, true, null, { tolerancePx: 1, cornerRad: CORNER, softPx: 0.5 });
  if (!fitted.segments.length) return null;
  const { start, segments } = onCircles(fitted, 0.6);
  const back = ([x, y]: Point): Point => [x / k, y / k];
  return { start: back(start), segments: segments.map((s) => (s.kind === 'arc' ? { ...s, radius: s.radius / k, to: back(s.to) } : { kind: 'line', to: back(s.to) })) }; // prettier-ignore
}

/** An area whose outlines are straight lines and arcs alone, and those outlines. Specks stay as they are. */
export function areaOnCircles(area: Area): { area: Area; contours: readonly Contour[] } {
  const contours: Contour[] = [];
  const rings = area.map((ring) => {
    const contour = sizeOf([ring]) > 0.8 ? constructed(ring) : null;
    if (!contour) return ring;
    contours.push(contour);
    return flatten(contour, 0.02);
  });
  const out = evenOdd(rings);
  // What was followed so badly that it is gone or swollen is as it was.
  const kept = sizeOf(out) / Math.max(1e-9, sizeOf(area));
  return kept > 0.85 && kept < 1.15 ? { area: out, contours } : { area, contours: [] };
}

/** A figure with outlines of straight lines and arcs alone, and those outlines; one that is even about its upright axis stays so. */
export function figureOnCircles(figure: Figure): { figure: Figure; contours: readonly Contour[] } {
  const { centred, dx } = onAxis(figure);
  const made = centred.parts.map((p) => ({ part: p, ...areaOnCircles(p.area) }));
  const drawn = { ...centred, parts: made.map(({ part, area }) => ({ ...part, area })) };
  const contours = made.flatMap((p) => p.contours);
  const isEven = symmetryOf(centred) >= EVEN;
  const half = isEven ? contours.flatMap((c) => runsOn(c, ([x]) => x <= 50.5)) : contours;
  const all = isEven ? [...half, ...half.map((c) => mapContour([-1, 0, 0, 1, 100, 0], c))] : contours;
  return {
    figure: shifted(isEven ? madeSymmetrical(drawn, true) : drawn, -dx),
    contours: all.map((c) => mapContour([1, 0, 0, 1, -dx, 0], c)),
  };
}

/** The segments of an outline whose middles lie somewhere, each for itself. */
function runsOn({ start, segments }: Contour, isThere: (p: Point) => boolean): Contour[] {
  const out: Contour[] = [];
  let from = start;
  for (const s of segments) {
    if (isThere(pointAt(from, s, 0.5))) out.push({ start: from, segments: [s], open: true });
    from = s.to;
  }
  return out;
}

/** The circles and the straight lines of outlines, those that carry most first; circles that all but coincide are one. */
export function constructionOf(contours: readonly Contour[]): { circles: Round[]; lines: Stretch[] } {
  const circles: Round[] = [];
  const lines: Stretch[] = [];
  for (const { start, segments } of contours) {
    let from = start;
    for (const s of segments) {
      if (s.kind === 'arc') {
        const { cx: x, cy: y, radius: r, sweepRad } = arcGeometry(from, s);
        const length = Math.abs(sweepRad) * r;
        const same = circles.findIndex((c) => Math.hypot(c.x - x, c.y - y) < SAME && Math.abs(c.r - r) < SAME);
        if (same >= 0) circles[same] = { ...circles[same], length: circles[same].length + length };
        else if (r < LARGEST) circles.push({ x, y, r, length });
      } else if (s.kind === 'line') lines.push({ from, to: s.to });
      from = s.to;
    }
  }
  const longOf = ({ from, to }: Stretch): number => Math.hypot(to[0] - from[0], to[1] - from[1]);
  return { circles: circles.sort((p, q) => q.length - p.length), lines: lines.sort((p, q) => longOf(q) - longOf(p)) };
}
