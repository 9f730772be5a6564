/**
 * Construction measured on marks that were constructed: circles and bars on a grid of a unit, united with and taken from one another. How many of the circles and lines that show are found, how
 * near, how many are found that are none, and whether the unit is; from the outlines themselves, and from traces of their pictures. Lines made areas are measured beside that.
 * `npx tsx bench/construct.ts [--marks 100] [--traced 30] [--seed N]`.
 */
import { parseArgs } from 'node:util';
import { Resvg } from '@resvg/resvg-js';
import { randomFrom } from '../core/random';
import { constructionOf, type Construction } from '../core/exact';
import {
  circleOfArcs,
  combined,
  formatPath,
  nearestPlace,
  pointsAlong,
  rectangle,
  strokeRings,
  widened,
  type Contour,
  type Point,
} from '../core/path';
import { trace, TRACE_DEFAULTS } from '../core/trace';
import { allPieces } from '../core/vector';
import { decodePicture } from '../node/pictures';
import { quantile } from './quantile';

const { values } = parseArgs({
  options: {
    marks: { type: 'string', default: '100' },
    traced: { type: 'string', default: '30' },
    seed: { type: 'string', default: '5' },
  },
});
const random = randomFrom(Number(values.seed));
const whole = (low: number, high: number): number => low + Math.floor(random() * (high - low + 1));
const SIDE_PX = 512;

type Shape =
  | { readonly kind: 'circle'; readonly centre: Point; readonly radius: number }
  | { readonly kind: 'line'; readonly axis: 0 | 1; readonly at: number };

/** A mark out of circles and bars on a grid, and what of it shows. */
function constructed(): { contours: Contour[]; shapes: Shape[]; unit: number } {
  const unit = whole(12, 24);
  const across = Math.floor(SIDE_PX / unit);
  const shapes: Shape[] = [];
  let contours: Contour[] = [];
  for (let k = 0; k < whole(2, 6); k++) {
    let own: Contour;
    if (random() < 0.7) {
      const radius = unit * whole(2, Math.floor(across / 4));
      const middle = (): number =>
        unit * whole(Math.ceil(radius / unit) + 1, Math.floor((SIDE_PX - radius) / unit) - 1);
      const centre: Point = [middle(), middle()];
      own = circleOfArcs(...centre, radius);
      shapes.push({ kind: 'circle', centre, radius });
    } else {
      const [x, y] = [unit * whole(1, across - 6), unit * whole(1, across - 6)];
      const [w, h] = [unit * whole(2, 5), unit * whole(2, 5)];
      own = rectangle(x, y, w, h);
      for (const at of [x, x + w]) shapes.push({ kind: 'line', axis: 0, at });
      for (const at of [y, y + h]) shapes.push({ kind: 'line', axis: 1, at });
    }
    const how = contours.length && random() < 0.35 ? 'subtract' : 'unite';
    contours = contours.length ? combined(how, [{ contours }, { contours: [own] }]) : [own];
  }
  return { contours, shapes, unit };
}

/** How much of outlines lies on a shape, in px. */
function shownOf(shape: Shape, contours: readonly Contour[]): number {
  const off = ([x, y]: Point): number =>
    shape.kind === 'circle'
      ? Math.abs(Math.hypot(x - shape.centre[0], y - shape.centre[1]) - shape.radius)
      : Math.abs((shape.axis === 0 ? x : y) - shape.at);
  let shown = 0;
  for (const contour of contours)
    contour.segments.forEach((s, k) => {
      const from = k ? contour.segments[k - 1].to : contour.start;
      const isOn = s.kind === (shape.kind === 'circle' ? 'arc' : 'line');
      const points = pointsAlong({ start: from, segments: [s], open: true }, 0.01);
      if (isOn && points.every((p) => off(p) < 1e-3))
        points.forEach((p, m) => m && (shown += Math.hypot(p[0] - points[m - 1][0], p[1] - points[m - 1][1])));
    });
  return shown;
}

/** How far what was found is from a shape; infinite where it is of another kind. */
function nearest(shape: Shape, found: Construction): number {
  if (shape.kind === 'circle')
    return Math.min(
      Infinity,
      ...found.circles.map(
        (c) =>
        Math.max(Math.hypot(c.centre[0] - shape.centre[0], c.centre[1] - shape.centre[1]), Math.abs(c.radiusPx - shape.radius)), // prettier-ignore
      ),
    );
  const upright = shape.axis === 0 ? 90 : 0;
  return Math.min(
    Infinity,
    ...found.lines
      .filter((l) => Math.abs(((l.angleDeg - upright + 270) % 180) - 90) < 1)
      .map((l) => Math.abs((l.from[shape.axis] + l.to[shape.axis]) / 2 - shape.at)),
  );
}

interface Tally {
  wanted: number;
  met: number;
  found: number;
  units: number;
  marks: number;
  offs: number[];
  times: number[];
}
const fresh = (): Tally => ({ wanted: 0, met: 0, found: 0, units: 0, marks: 0, offs: [], times: [] });

function measure(
  tally: Tally,
  contours: readonly Contour[],
  shapes: readonly Shape[],
  unit: number,
  withinPx: number,
  nearPx: number,
): void {
  // prettier-ignore
  const started = performance.now();
  const found = constructionOf(contours, withinPx);
  tally.times.push(performance.now() - started);
  tally.marks++;
  // Two shapes that are one are wanted once.
  const once = shapes.filter((s, k) => shapes.findIndex((o) => JSON.stringify(o) === JSON.stringify(s)) === k);
  for (const s of once) {
    const off = nearest(s, found);
    tally.wanted++;
    if (off <= nearPx) {
      tally.met++;
      tally.offs.push(off);
    }
  }
  tally.found += found.circles.length + found.lines.length;
  if (found.unit) {
    const times = found.unit.px / unit;
    if (Math.abs(times - Math.round(times)) < 0.02 && times > 0.5) tally.units++;
  }
}

const [exact, traced] = [fresh(), fresh()];
for (let k = 0; k < Number(values.marks); k++) {
  const { contours, shapes, unit } = constructed();
  if (!contours.length) continue;
  const xs = contours.flatMap((c) => pointsAlong(c));
  const span = Math.max(...[0, 1].map((axis) => Math.max(...xs.map((p) => p[axis])) - Math.min(...xs.map((p) => p[axis])))); // prettier-ignore
  // What shows enough of itself to be told.
  const shown = shapes.filter((s) => {
    const long = shownOf(s, contours);
    return long > 0.04 * span && (s.kind === 'line' || long / s.radius > 0.5);
  });
  measure(exact, contours, shown, unit, 0.5, 0.1);
  if (k >= Number(values.traced)) continue;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${SIDE_PX} ${SIDE_PX}"><rect width="${SIDE_PX}" height="${SIDE_PX}" fill="#fff"/><path fill="#182A5C" d="${formatPath(contours, 4)}"/></svg>`;
  const picture = await decodePicture(new Resvg(svg).render().asPng());
  const { artwork } = trace(picture, { ...TRACE_DEFAULTS, ground: 'drop' });
  measure(traced, allPieces(artwork).flatMap((p) => p.contours), shown, unit, 0.6, 0.6); // prettier-ignore
}
const percent = (n: number, of: number): string => `${n} of ${of} (${((100 * n) / Math.max(1, of)).toFixed(1)}%)`;
for (const [name, t] of [
  ['outlines', exact],
  ['traces', traced],
] as const)
  // prettier-ignore
  console.log(
    `${name}: ${percent(t.met, t.wanted)} circles and lines found, ${t.offs.length ? quantile(t.offs, 0.99).toFixed(3) : '-'} px off (99th), ${t.found} found in all; unit in ${t.units} of ${t.marks} marks; ${t.times.length ? quantile(t.times, 0.95).toFixed(0) : '-'} ms (95th)`,
  );

/** Courses of a line: a curve, and a straight part at a corner. */
const offs: number[] = [];
const ratios: number[] = [];
for (let k = 0; k < Number(values.marks); k++) {
  const at = (): Point => [random() * 200, random() * 200];
  const course: Contour = {
    start: at(),
    segments: [
      { kind: 'curve', c1: at(), c2: at(), to: at() },
      { kind: 'line', to: at() },
    ],
    open: true,
  };
  const widthPx = 2 + random() * 30;
  const style = { widthPx, cap: 'round', join: 'round', mitreLimit: 4 } as const;
  const area = widened([course], style);
  const points = area.flatMap((c) => pointsAlong(c, 0.01));
  offs.push(...points.map((p) => Math.abs(nearestPlace(course, p)!.distancePx - widthPx / 2)));
  ratios.push(
    area.reduce((n, c) => n + c.segments.length, 0) /
      strokeRings([course], style).reduce((n, r) => n + r.length / 2, 0),
  );
}
console.log(
  `lines made areas: sides ${quantile(offs, 0.95).toFixed(4)} px off (95th), ${quantile(offs, 0.999).toFixed(3)} px (99.9th); ${(100 * quantile(ratios, 0.5)).toFixed(1)}% of the points of polygons at the median`,
);
