/**
 * Growing and shrinking, measured on pieces out of traces: how far the new outlines lie from the true distance, area against polygons of many points, points.
 * `npx tsx bench/offset.ts [--pieces 200] [--seed N]`.
 */
import { parseArgs } from 'node:util';
import ClipperLib from 'clipper-lib';
import { randomFrom } from '../core/random';
import { combined, flatten, offsetOf, signedArea, type Contour, type Enclosed } from '../core/path';
import { trace } from '../core/trace';
import { allPieces } from '../core/vector';
import { drawingsOf, pictureOf } from './drawings';
import { quantile } from './quantile';

const { values } = parseArgs({
  options: { pieces: { type: 'string', default: '200' }, seed: { type: 'string', default: '3' } },
});
const random = randomFrom(Number(values.seed));
const SCALE = 1e4;

function polygonArea(outline: readonly Contour[], by: number): number {
  const clipper = new ClipperLib.ClipperOffset(2, 0.002 * SCALE);
  for (const c of outline) {
    const p = flatten(c, 0.001);
    const ring = Array.from({ length: p.length / 2 }, (_, k) => ({
      X: Math.round(p[2 * k] * SCALE),
      Y: Math.round(p[2 * k + 1] * SCALE),
    }));
    clipper.AddPath(ring, ClipperLib.JoinType.jtRound, ClipperLib.EndType.etClosedPolygon);
  }
  const out: ClipperLib.Paths = [];
  clipper.Execute(out, by * SCALE);
  return out.reduce((sum, ring) => sum + ClipperLib.Clipper.Area(ring), 0) / SCALE ** 2;
}

/** How far a point is from lines of points. */
function distance(lines: readonly (readonly number[])[], x: number, y: number): number {
  let least = Infinity;
  for (const p of lines)
    for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) {
      const [dx, dy] = [p[i] - p[j], p[i + 1] - p[j + 1]];
      const t = Math.max(0, Math.min(1, ((x - p[j]) * dx + (y - p[j + 1]) * dy) / (dx * dx + dy * dy || 1)));
      least = Math.min(least, (p[j] + t * dx - x) ** 2 + (p[j + 1] + t * dy - y) ** 2);
    }
  return Math.sqrt(least);
}

const points = (contours: readonly Contour[]): number => contours.reduce((n, c) => n + c.segments.length, 0);
const size = (contours: readonly Contour[]): number =>
  contours.reduce((sum, c) => sum + signedArea(flatten(c, 0.001)), 0);

const pieces: { name: string; area: Enclosed }[] = [];
for (const kind of ['single', 'many'] as const)
  for (const drawing of drawingsOf(kind, 24, 31)) {
    const { artwork } = trace((await pictureOf(drawing, false)).picture);
    for (const { contours, rule } of allPieces(artwork)) pieces.push({ name: drawing.name, area: { contours, rule } });
  }

const [off, areaOff, ratio, times]: number[][] = [[], [], [], []];
let failed = 0;
const worst: { told: string; off: number }[] = [];
for (let k = 0; k < Number(values.pieces); k++) {
  const { name, area } = pieces[Math.floor(random() * pieces.length)];
  const by = (random() < 0.5 ? -1 : 1) * [1, 2, 4, 8, 16][Math.floor(random() * 5)];
  try {
    const started = performance.now();
    const made = offsetOf(area, by);
    times.push(performance.now() - started);
    const outline = combined('unite', [area]);
    const lines = outline.map((c) => flatten(c, 0.001));
    const around = lines.reduce((sum, p) => sum + p.length, 0);
    const error = Math.abs(size(made) - polygonArea(outline, by));
    areaOff.push(error);
    worst.push({
      told: `${name} by ${by}: ${size(made).toFixed(1)} px² for ${polygonArea(outline, by).toFixed(1)}`,
      off: error,
    });
    if (made.length) ratio.push(points(made) / points(outline));
    // Places along the new outlines, fewer where there are very many points to compare with.
    for (const c of made) {
      const p = flatten(c, 0.02);
      const step = Math.max(2, 2 * Math.ceil(around / 4000));
      for (let i = 0; i < p.length; i += step) off.push(Math.abs(distance(lines, p[i], p[i + 1]) - Math.abs(by)));
    }
  } catch (error) {
    failed++;
    console.log(`  ${name} by ${by}: ${(error as Error).message}`);
  }
}
console.log(
  `${values.pieces} offsets, ${failed} failed; off the true distance ${quantile(off, 0.5).toFixed(4)} px at the median, ${quantile(off, 0.95).toFixed(4)} at 95%, ${quantile(off, 1).toFixed(3)} at most; area off ${quantile(areaOff, 0.5).toFixed(3)} px² at the median, ${quantile(areaOff, 0.95).toFixed(2)} at 95%; points ${quantile(ratio, 0.5).toFixed(2)} times at the median, ${quantile(ratio, 0.95).toFixed(2)} at 95%; ${quantile(times, 0.5).toFixed(0)} ms at the median, ${quantile(times, 0.95).toFixed(0)} at 95%`,
);
for (const w of worst.sort((p, q) => q.off - p.off).slice(0, 6)) console.log(`  ${w.told}`);
