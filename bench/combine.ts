/**
 * Combining outlines, measured on pairs of pieces out of traces, moved and turned, and on neighbours that share edges: area against polygons of many points, what is thin, points,
 * arcs. `npx tsx bench/combine.ts [--pairs 500] [--seed N]`.
 */
import { parseArgs } from 'node:util';
import ClipperLib from 'clipper-lib';
import { randomFrom } from '../core/random';
import {
  combined,
  flatten,
  mapContour,
  signedArea,
  type Affine,
  type Combination,
  type Contour,
  type Enclosed,
} from '../core/path';
import { trace } from '../core/trace';
import { allPieces } from '../core/vector';
import { drawingsOf, pictureOf } from './drawings';
import { quantile } from './quantile';

const { values } = parseArgs({
  options: { pairs: { type: 'string', default: '500' }, seed: { type: 'string', default: '3' } },
});
const pairs = Number(values.pairs);
const random = randomFrom(Number(values.seed));

const { ClipType, Clipper, PolyFillType, PolyType } = ClipperLib;
type Ring = ClipperLib.Path;

/** Polygons of so many points that they are the outlines, to a hundred-thousandth of a pixel. */
const SCALE = 1e5;
const rings = ({ contours }: Enclosed): Ring[] =>
  contours.map((c) => {
    const p = flatten(c, 0.0003);
    return Array.from({ length: p.length / 2 }, (_, k) => ({
      X: Math.round(p[2 * k] * SCALE),
      Y: Math.round(p[2 * k + 1] * SCALE),
    }));
  });

const TYPES = { unite: ClipType.ctUnion, subtract: ClipType.ctDifference, intersect: ClipType.ctIntersection } as const;

function polygonArea(how: Combination, [a, b]: readonly [Enclosed, Enclosed]): number {
  const clipper = new Clipper();
  clipper.AddPaths(rings(a), PolyType.ptSubject, true);
  clipper.AddPaths(rings(b), PolyType.ptClip, true);
  const out: Ring[] = [];
  const fill = (e: Enclosed) => (e.rule === 'evenodd' ? PolyFillType.pftEvenOdd : PolyFillType.pftNonZero);
  clipper.Execute(TYPES[how], out, fill(a), fill(b));
  return out.reduce((sum, ring) => sum + Clipper.Area(ring), 0) / SCALE ** 2;
}

const fine = (c: Contour): number[] => flatten(c, 0.0003);
const areaOf = (contours: readonly Contour[]): number =>
  Math.abs(contours.reduce((sum, c) => sum + signedArea(fine(c)), 0));
function lengthOf(contours: readonly Contour[]): number {
  let sum = 0;
  for (const c of contours) {
    const p = fine(c);
    for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) sum += Math.hypot(p[i] - p[j], p[i + 1] - p[j + 1]);
  }
  return sum;
}

/** Points of contours, and how many of them lie within a fiftieth of a pixel of the one before. */
function pointsOf(contours: readonly Contour[]): { all: number; doubled: number } {
  let [all, doubled] = [0, 0];
  for (const { start, segments } of contours) {
    let before = start;
    for (const { to } of segments) {
      all++;
      if (Math.hypot(to[0] - before[0], to[1] - before[1]) < 0.02) doubled++;
      before = to;
    }
  }
  return { all, doubled };
}

interface Pair {
  readonly name: string;
  readonly areas: readonly [Enclosed, Enclosed];
}

async function pairsFrom(kind: 'free' | 'sharing', count: number): Promise<Pair[]> {
  const out: Pair[] = [];
  const drawings = drawingsOf(kind === 'free' ? 'single' : 'many', Math.ceil(count / 8) + 4, 21);
  const pieces: { name: string; own: Enclosed[] }[] = [];
  for (const drawing of drawings) {
    const { picture } = await pictureOf(drawing, false);
    const { artwork } = trace(picture, { stacking: kind === 'free' ? 'stacked' : 'cutout' });
    pieces.push({ name: drawing.name, own: allPieces(artwork).map(({ contours, rule }) => ({ contours, rule })) });
  }
  const all = pieces.flatMap((p) => p.own.map((area) => ({ name: p.name, area })));
  for (let k = 0; out.length < count; k++) {
    if (kind === 'free') {
      const [p, q] = [all[Math.floor(random() * all.length)], all[Math.floor(random() * all.length)]];
      const t = random() < 0.3 ? 0 : random() * 2 * Math.PI;
      const [cos, sin] = [Math.cos(t), Math.sin(t)];
      // Whole and half pixels as well, where edges come to touch.
      const by = () => (random() < 0.3 ? Math.round(80 * (random() - 0.5)) : 160 * (random() - 0.5));
      const map: Affine = [cos, sin, -sin, cos, 256 - 256 * cos + 256 * sin + by(), 256 - 256 * sin - 256 * cos + by()];
      out.push({
        name: `${p.name} ${q.name}`,
        areas: [p.area, { ...q.area, contours: q.area.contours.map((c) => mapContour(map, c)) }],
      });
    } else {
      const { name, own } = pieces[k % pieces.length];
      if (own.length < 2) continue;
      const i = Math.floor(random() * own.length);
      const j = (i + 1 + Math.floor(random() * (own.length - 1))) % own.length;
      out.push({ name: `${name} ${i} ${j}`, areas: [own[i], own[j]] });
    }
  }
  return out;
}

for (const kind of ['free', 'sharing'] as const) {
  const off: number[] = [];
  const times: number[] = [];
  let [failed, thin, arcsIn, arcsOut, doubled, points] = [0, 0, 0, 0, 0, 0];
  const worst: { name: string; off: number }[] = [];
  for (const { name, areas } of await pairsFrom(kind, pairs))
    for (const how of ['unite', 'subtract', 'intersect'] as const) {
      try {
        const started = performance.now();
        const result = combined(how, areas);
        times.push(performance.now() - started);
        const around = Math.max(1, lengthOf(areas.flatMap((a) => a.contours)));
        const error = Math.abs(areaOf(result) - Math.abs(polygonArea(how, areas))) / around;
        off.push(error);
        worst.push({ name: `${how} ${name}`, off: error });
        thin += result.filter((c) => 2 * Math.abs(signedArea(fine(c))) < 0.05 * lengthOf([c])).length;
        const count = pointsOf(result);
        points += count.all;
        doubled += count.doubled;
        arcsIn += areas
          .flatMap((a) => a.contours)
          .flatMap((c) => c.segments)
          .filter((s) => s.kind === 'arc').length;
        arcsOut += result.flatMap((c) => c.segments).filter((s) => s.kind === 'arc').length;
      } catch (error) {
        failed++;
        console.log(`  ${how} ${name}: ${(error as Error).message}`);
      }
    }
  console.log(
    `${kind}: ${off.length} combined, ${failed} failed; area off ${quantile(off, 0.5).toExponential(1)} px x perimeter at the median, ${quantile(off, 0.99).toExponential(1)} at 99%, ${Math.max(...off).toExponential(1)} at most; ${thin} thin; points ${points}, ${doubled} doubled; arcs ${arcsIn} in, ${arcsOut} out; ${quantile(times, 0.5).toFixed(1)} ms at the median, ${quantile(times, 0.99).toFixed(1)} at 99%`,
  );
  for (const w of worst.sort((p, q) => q.off - p.off).slice(0, 4)) console.log(`  ${w.off.toExponential(1)} ${w.name}`);
}
