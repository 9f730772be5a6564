/** The figure of a pencil sketch, drawn anew: closed shapes, lines of one weight, hatching as a darker tone. */
import {
  EMPTY,
  evenOdd,
  filled,
  grown,
  intersect,
  length,
  minus,
  moved,
  nearestShare,
  plus,
  roundedOff,
  runLength,
  sizeOf,
  smoothed,
  sparse,
  stroked,
  subtract,
  union,
  withoutSpecks,
  type Affine,
  type Area,
  type Point,
} from '../path';
import type { Picture } from '../raster';
import { centreLines, cleanSketch, evenedRing, evenedRun, WHOLLY } from '../sketch';
import { boundsOf } from './area';
import type { Figure, Part } from './figure';
import { madeEven } from './symmetry';

/** Weight of a line within a figure, in units; of one outside it; of one in a drawing of lines alone. */
const [WITHIN, OUTSIDE, ALONE] = [1.9, 2.6, 3.2];
/** Lines outside that end nearer to the body than this, in units, are meant to reach it. */
const REACH = 5;
/** Lines that leave the outline and end after less than this, in units, were drawn too far. */
const OVERSHOT = 6;
/** Lines that keep nearer to the outline than this, in units, are the outline drawn once more. */
const DOUBLED = 2.4;
/** Share of a figure that its mirror image must have for it to be meant to be even. */
const EVEN = 0.86;
/** Tones: of the body where nothing is hatched and of what is, of areas beside one another, of what stands out most. */
const TONES = [0.32, 0.62, 0.78, 1];
const STANDS_OUT = 3;

/** Outlines as the hand meant them. */
const evened = (area: Area): Area => union(evenOdd(area.map(evenedRing)));

/** Whether a run only goes round a blot. */
const isKnot = (run: readonly number[]): boolean => {
  const b = boundsOf([[...run]]);
  return Math.hypot(run[0] - run.at(-2)!, run[1] - run.at(-1)!) < 0.9 && Math.hypot(b.width, b.height) < 3.4;
};

/** The place of an area's edge that is nearest to one, and how far that is. */
function nearestOn(area: Area, p: Point): { place: Point; far: number } {
  let best = { place: p, far: Infinity };
  for (const ring of area)
    for (let i = 0; i < ring.length; i += 2) {
      const [from, to]: Point[] = [[ring[i], ring[i + 1]], [ring[(i + 2) % ring.length], ring[(i + 3) % ring.length]]]; // prettier-ignore
      const place = plus(from, minus(to, from), nearestShare(p, from, to));
      const far = length(minus(p, place));
      if (far < best.far) best = { place, far };
    }
  return best;
}

/** A line outside a body, its ends brought to the body where they all but reach it; null where it only doubles the outline or overshoots it. */
function reaching(run: readonly number[], body: Area): number[] | null {
  const near = Array.from({ length: run.length / 2 }, (_, i) => nearestOn(body, [run[2 * i], run[2 * i + 1]]));
  if (near.every(({ far }) => far < DOUBLED)) return null;
  const [first, last] = [near[0], near.at(-1)!];
  const touches = [first, last].filter(({ far }) => far < REACH).length;
  if (touches === 1 && runLength(run) < OVERSHOT) return null;
  return [...(first.far < REACH ? first.place : []), ...evenedRun(run), ...(last.far < REACH ? last.place : [])];
}

/** Weight of the line that sets off an area from what is below: finer about a small one. */
const setOff = (area: Area): number => Math.max(0.7, Math.min(WITHIN, 0.18 * Math.sqrt(sizeOf(area))));

interface Told {
  readonly area: Area;
  readonly dark: boolean;
}

/** What lies on a figure's dark body: where it is shaded the light of it, and its areas from the largest, light ones in other tones than those beside them. */
function toned(areas: readonly Told[], outline: Area, isShaded: boolean): Part[] {
  const rim = subtract(grown(outline, 0.1), grown(outline, -2.4));
  const share = (dark: boolean): number => areas.reduce((sum, a) => sum + (a.dark === dark ? sizeOf(a.area) : 0), 0);
  const isLight = isShaded && share(false) > share(true);
  // The largest area is the body itself.
  const body = areas.findIndex((a) => !isLight || !a.dark);
  const parts: Part[] = isLight ? [{ tone: 1, area: grown(outline, -WITHIN) }] : [];
  areas.forEach(({ area, dark }, i) => {
    const size = sizeOf(area);
    if (size < 0.6 || (i === body && (isLight || !isShaded))) return;
    // To the middle of its line, and where it lies along the figure's edge to the outline, which stays as a line: it is all that holds light areas together in one ink.
    const whole = intersect(union(grown(area, 0.4), intersect(grown(area, 1.9), rim)), grown(outline, -setOff(area)));
    const beside = new Set(parts.slice(isLight ? 1 : 0).filter((p) => sizeOf(intersect(grown(area, 1.6), p.area)) > 0.4).map((p) => p.tone)); // prettier-ignore
    const stands = size < (isShaded ? 12 : 7) || (isShaded && size < 120 && !beside.has(STANDS_OUT));
    const tone = dark ? 0 : stands ? STANDS_OUT : ([1 + (i % 2), 2 - (i % 2)].find((t) => !beside.has(t)) ?? 1 + (i % 2)); // prettier-ignore
    parts.push({ tone, area: whole });
  });
  return parts;
}

/** Draws a photographed sketch anew in a field of 100 x 100, its pixels brought there by a map; null where it has no lines. */
export function figureOfSketch(picture: Picture, map: Affine): Figure | null {
  const found = cleanSketch(picture);
  if (!found) return null;
  const bring = (rings: Area): Area => evenOdd(moved(rings, map));
  const outline = found.outline.length ? filled(evened(union(bring(found.outline)))) : EMPTY;
  const loose = centreLines(withoutSpecks(bring(found.loose), 0.5)).filter((run) => !isKnot(run) && runLength(run) > 2);
  const strokesOf = (runs: readonly (readonly number[])[], weight: number): Area =>
    runs.length ? union(...runs.map((run) => stroked([[...run]], weight, false))) : EMPTY;
  if (!outline.length) {
    const lines = strokesOf(loose.map(evenedRun), ALONE);
    return loose.reduce((sum, run) => sum + runLength(run), 0) < 20 ? null : { name: 'sketch', tones: TONES, parts: [{ tone: 0, area: lines }] }; // prettier-ignore
  }

  const areas = found.areas.map((a) => ({
    area: intersect(evened(bring(a.rings)), grown(outline, -0.5)),
    dark: a.hatched > WHOLLY,
  }));
  const shade = withoutSpecks(intersect(grown(evened(smoothed(sparse(roundedOff(bring(found.shade), 1.2), 0.6), 3)), 0.9), outline), 0.01 * sizeOf(outline)); // prettier-ignore
  // Where nothing is hatched the largest area is the body; where something is, the hatched areas are.
  const isShaded = shade.length > 0 || areas.some((a) => a.dark && sizeOf(a.area) > 0.04 * sizeOf(outline));
  const over = toned(areas, outline, isShaded);

  const within = grown(outline, -1.6);
  const inner = grown(outline, -3.2);
  const covered = union(...areas.slice(1).map((a) => grown(a.area, 0.6)), EMPTY);
  const lines = withoutSpecks(intersect(bring(found.lines), grown(outline, -0.8)), 0.8).filter(
    (ring) => sizeOf(intersect([ring], covered)) < 0.5 * sizeOf([ring]),
  );
  // Drawn anew: each line once, all of one weight. What is left of the outline's own line, where it was made fairer, is no line within.
  const isEdge = (run: readonly number[]): boolean => {
    const line = stroked([[...run]], 0.4, false);
    return sizeOf(intersect(line, covered)) > 0.6 * sizeOf(line);
  };
  const drawn = centreLines(intersect(lines, within))
    .filter((run) => !isKnot(run) && !isEdge(run))
    .map((run) => stroked([evenedRun(run)], WITHIN, false))
    .filter((line) => sizeOf(intersect(line, inner)) > 0.4 * sizeOf(line));
  const redrawn = drawn.length ? intersect(union(...drawn), within) : EMPTY;
  const outside = strokesOf(loose.map((run) => reaching(run, outline)).filter((run) => run !== null), OUTSIDE); // prettier-ignore
  // What is dark lets the body through what is light: hatched areas and places, and lines on what is light. On what is dark lines are light.
  const light = isShaded ? union(...over.filter((p) => p.tone > 0).map((p) => p.area), EMPTY) : EMPTY;
  const dark = union(...over.filter((p) => p.tone === 0).map((p) => p.area), shade, intersect(redrawn, light));
  const parts = [
    { tone: 0, area: outline },
    ...over.filter((p) => p.tone > 0).map((p, i, all) => (isShaded ? { ...p, area: subtract(p.area, union(dark, ...all.slice(i + 1).map((q) => grown(q.area, setOff(q.area))))) } : p)), // prettier-ignore
    { tone: STANDS_OUT, area: withoutSpecks(subtract(redrawn, light), 0.3) },
  ].filter((p) => p.area.length);
  const [body, ...rest] = madeEven({ name: 'sketch', tones: TONES, parts }, EVEN).parts;
  return { name: 'sketch', tones: TONES, isShaded, parts: [{ ...body, area: union(body.area, outside) }, ...rest] };
}
