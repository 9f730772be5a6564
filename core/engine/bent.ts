/** Long things bent along the outline of another: a wrench as a heart, a snake as a ring. */
import { areaFrom, bent, grown, intersect, parsePath, sizeOf, stroked, union, withPointsBetween, type Area } from '../path'; // prettier-ignore
import { alongRings, leafArea } from './marks';
import { boundsOf, box, disc } from './area';
import { mirroredFigure, outlineOf, placed, silhouetteOf, upright, type Figure } from './figure';
import { fitLayers } from './layer';
import { swapped, type Pair } from './pairings';
import { clear, finished } from './stage';

/** How far apart the points of a guide are, and how long an edge may be that is bent, in units. */
export const STEP = 1.5;
/** The share of an outline that is left open between the two ends. */
const OPEN = 0.05;

export type Point = readonly [number, number];

/** Points at even distances along a closed ring, from its lowest point round to it, its corners rounded off. */
export function guideAlong(ring: readonly number[]): Point[] {
  const n = ring.length / 2;
  const low = Array.from({ length: n }, (_, i) => i).reduce((p, i) => (ring[2 * i + 1] > ring[2 * p + 1] ? i : p), 0);
  const all = alongRings([[...ring.slice(2 * low), ...ring.slice(0, 2 * low)]], STEP);
  const gap = Math.round((OPEN / 2) * all.length);
  return withoutCorners(all.slice(gap, all.length - gap).map((p) => [p.x, p.y]));
}

/** Points each of which is the mean of its neighbours, so that what follows has no corners to fold at. */
export const withoutCorners = (points: readonly Point[]): Point[] =>
  points.map((_, i) => {
    const m = Math.min(4, i, points.length - 1 - i);
    const near = points.slice(i - m, i + m + 1);
    const mean = (axis: 0 | 1): number => near.reduce((sum, p) => sum + p[axis], 0) / near.length;
    return [mean(0), mean(1)];
  });

/** The share of a figure at either end that keeps its proportions; what is between is stretched. */
const END = 0.28;

/** An upright figure laid along a guide, its foot at the start and its top at the end, so wide, in units; `isEven`: stretched alike all along, and not in its middle alone. */
export function bentAlong(figure: Figure, guide: readonly Point[], widthUnits: number, isEven = false): Figure {
  const b = boundsOf(outlineOf(figure));
  const long = guide.slice(1).reduce((sum, p, i) => sum + Math.hypot(p[0] - guide[i][0], p[1] - guide[i][1]), 0);
  const k = widthUnits / b.width;
  const cx = b.x + b.width / 2;
  const last = guide.length - 1;
  /** How far along the guide a share of the height is. */
  const end = Math.min(END, (END * b.height * k) / long);
  const along = (t: number): number => isEven ? t : t < END ? (t * end) / END : t > 1 - END ? 1 - ((1 - t) * end) / END : end + ((t - END) * (1 - 2 * end)) / (1 - 2 * END); // prettier-ignore
  const place = (x: number, y: number): Point => {
    const t = along(Math.max(0, Math.min(1, (b.y + b.height - y) / b.height))) * last;
    const i = Math.min(last - 1, Math.floor(t));
    const [p, q] = [guide[i], guide[i + 1]];
    const [from, to] = [guide[Math.max(0, i - 1)], guide[Math.min(last, i + 2)]];
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
    const off = (x - cx) * k;
    return [p[0] + (t - i) * (q[0] - p[0]) - ((to[1] - from[1]) / length) * off, p[1] + (t - i) * (q[1] - p[1]) + ((to[0] - from[0]) / length) * off]; // prettier-ignore
  };
  const every = (STEP * b.height) / long;
  // What is bent sharply lies over itself there, and is one.
  return {
    ...figure,
    parts: figure.parts.map((p) => ({ ...p, area: union(bent(withPointsBetween(p.area, every), place)) })),
  };
}

/** What has no drawing that is straight, made straight: upright, a hundred units long. */
const STRAIGHT: readonly (readonly [RegExp, () => Figure])[] = [
  [/snake|serpent|cobra/, () => strip('snake', union(areaFrom(parsePath('M50 104C48 90 45.6 60 45.6 22C45.6 16 43 14 43 8C43 0 46 -4 50 -4C54 -4 57 0 57 8C57 14 54.4 16 54.4 22C54.4 60 52 90 50 104Z')), box(49.5, -10, 1, 7)), union(...Array.from({ length: 9 }, (_, i) => box(40, 24 + 7.6 * i, 20, 3)), disc(47.4, 5, 1.3, 24), disc(52.6, 5, 1.3, 24)))],
  [/^(?:rope|cord|thread|cable|wire|yarn|ball of yarn|string|lasso|knot)$/, () => strip('rope', box(46.6, 0, 6.8, 100), union(...Array.from({ length: 17 }, (_, i): Area => [[46, 3 + 6 * i, 54, -1 + 6 * i, 54, 0.4 + 6 * i, 46, 4.4 + 6 * i]])))],
  [/^(?:ribbon|scarf|belt|sash|measuring tape)$/, () => strip('ribbon', [[44, 0, 50, 6, 56, 0, 56, 100, 50, 94, 44, 100]], union(box(45.4, 10, 1.1, 80), box(53.5, 10, 1.1, 80)))],
  [/^(?:road|path|highway|street|river|track|racetrack)$/, () => strip('road', box(43, 0, 14, 100), union(...Array.from({ length: 12 }, (_, i) => box(49.2, 2 + 8.4 * i, 1.6, 4.6))))],
  [/^bamboo$/, () => strip('bamboo', union(...Array.from({ length: 7 }, (_, i) => grown(box(45.4, 0.9 + 14.2 * i, 9.2, 11), 0.9)), leafArea(54, 30, -0.7, 10, 4.4), leafArea(46, 58, 3.84, 10, 4.4)), [])],
  [/^(?:vine|ivy|twig|branch)$/, () => strip('vine', union(stroked([[50, 0, 50, 100]], 1.6, false), ...Array.from({ length: 13 }, (_, i) => leafArea(50, 4 + 7.4 * i, i % 2 ? -0.7 : -2.44, 9, 4.4))), [])],
]; // prettier-ignore

/** What winds or hangs in curves of itself, laid out straight and upright, a hundred units long; null for what does not. */
export const laidStraight = ({ name }: Figure): Figure | null =>
  STRAIGHT.find(([names]) => names.test(name))?.[1]() ?? null;

const strip = (name: string, all: Area, marks: Area): Figure => ({
  name,
  tones: [0.35, 0.9],
  parts: [{ tone: 0, area: all }, ...(marks.length ? [{ tone: 1, area: intersect(marks, all) }] : [])],
  isBuilt: true,
});

/** A bent along the outline of B. */
export const bentAs: Pair = (s, a, b) => {
  const hull = /^(?:ring|circle)$/.test(b.name)
    ? disc(50, 50, 34, 120)
    : silhouetteOf(placed(b, { cx: 50, cy: 50, side: 72, fill: 0.95 }));
  const [ring] = [...hull].sort((p, q) => sizeOf([q]) - sizeOf([p]));
  const made = laidStraight(a);
  const bent = bentAlong(made ?? upright(a), guideAlong(ring), made ? 11 : 19, made !== null && made.name !== 'snake'); // prettier-ignore
  return fitLayers(clear(s, bent), 88);
};

/** A wound up in a spiral of two turns and a quarter, its top in the middle. */
export const spiralled: Pair = (s, a) => {
  const n = 150;
  const guide = Array.from({ length: n + 1 }, (_, i): Point => {
    const t = (4.5 * Math.PI * i) / n;
    const r = 42 * (1 - 0.86 * (i / n) ** 0.85);
    return [50 + r * Math.cos(t + 0.4 * Math.PI), 50 + r * Math.sin(t + 0.4 * Math.PI)];
  });
  const made = laidStraight(a);
  return fitLayers(clear(s, bentAlong(made ?? upright(a), guide, made ? 7 : 12, true)), 88);
};

/** Something on a stem as the two branches of a wreath, open at the top. */
function branchesOf(b: Figure): Figure {
  const stem = upright(b);
  const { width, height } = boundsOf(outlineOf(stem));
  const arc = Array.from({ length: 47 }, (_, i): Point => {
    const t = Math.PI / 2 + 0.1 + (i / 46) * 2.3;
    return [50 + 42 * Math.cos(t), 48 + 42 * Math.sin(t)];
  });
  const left = bentAlong(stem, arc, Math.max(13, Math.min(20, (96 * width) / height)));
  return { ...left, parts: [...left.parts, ...mirroredFigure(left).parts] };
}

/** B as two branches that bend up at both sides of A, as a wreath does. */
export const laurelled: Pair = (s, a, b) => {
  const middle = placed(a, { cx: 50, cy: 47, side: 50, fill: 0.85 });
  return fitLayers([...finished(s, branchesOf(b), s.palette.groundHex, swapped(s)), ...clear(s, middle, s.palette.groundHex, s.palette.inks, 1.4)], 90); // prettier-ignore
};

/** A wreath by itself, of B. */
export const wreathOf: Pair = (s, _, b) => fitLayers(finished(s, branchesOf(b)), 88);
