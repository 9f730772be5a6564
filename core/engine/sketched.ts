/** The figure of a pencil sketch, drawn anew: closed shapes, lines of one weight, hatching as a darker tone. */
import {
  EMPTY,
  evenOdd,
  filled,
  grown,
  intersect,
  moved,
  roundedOff,
  sizeOf,
  smoothed,
  sparse,
  stroked,
  subtract,
  union,
  withoutSpecks,
  type Affine,
  type Area,
} from '../path';
import type { Picture } from '../raster';
import { centreLines, cleanSketch, evenedRing, evenedRun, WHOLLY } from '../sketch';
import { boundsOf } from './area';
import { mapFigure, silhouetteOf, type Figure, type Part } from './figure';
import { madeSymmetrical, symmetryOf } from './symmetry';

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

/** A figure that is nearly even about an upright axis, made so. */
function madeEven(figure: Figure): Figure {
  const b = boundsOf(silhouetteOf(figure));
  const dx = 50 - (b.x + b.width / 2);
  const centred = mapFigure(figure, (a) => moved(a, [1, 0, 0, 1, dx, 0]));
  if (symmetryOf(centred) < EVEN) return figure;
  return mapFigure(madeSymmetrical(centred, true), (a) => moved(a, [1, 0, 0, 1, -dx, 0]));
}

/** The place of an area's edge that is nearest to one. */
function nearestOn(area: Area, x: number, y: number): { x: number; y: number; far: number } {
  let best = { x, y, far: Infinity };
  for (const ring of area)
    for (let i = 0; i < ring.length; i += 2) {
      const j = (i + 2) % ring.length;
      const [u, v] = [ring[j] - ring[i], ring[j + 1] - ring[i + 1]];
      const t = Math.max(0, Math.min(1, ((x - ring[i]) * u + (y - ring[i + 1]) * v) / Math.max(1e-9, u * u + v * v)));
      const [px, py] = [ring[i] + t * u, ring[i + 1] + t * v];
      const far = Math.hypot(px - x, py - y);
      if (far < best.far) best = { x: px, y: py, far };
    }
  return best;
}

const lengthOf = (run: readonly number[]): number => {
  let sum = 0;
  for (let i = 2; i < run.length; i += 2) sum += Math.hypot(run[i] - run[i - 2], run[i + 1] - run[i - 1]);
  return sum;
};

/** A line outside a body, its ends brought to the body where they all but reach it; null where it only doubles the outline or overshoots it. */
function reaching(run: readonly number[], body: Area): number[] | null {
  const length = lengthOf(run);
  const far = (i: number): number => nearestOn(body, run[2 * i], run[2 * i + 1]).far;
  const all = Array.from({ length: run.length / 2 }, (_, i) => far(i));
  if (Math.max(...all) < DOUBLED) return null;
  const out = [...evenedRun(run)];
  const [first, last] = [nearestOn(body, run[0], run[1]), nearestOn(body, run.at(-2)!, run.at(-1)!)];
  const touches = [first, last].filter((e) => e.far < REACH).length;
  if (touches === 1 && length < OVERSHOT) return null;
  if (first.far < REACH) out.unshift(first.x, first.y);
  if (last.far < REACH) out.push(last.x, last.y);
  return out;
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
  const loose = centreLines(withoutSpecks(bring(found.loose), 0.5)).filter((run) => !isKnot(run) && lengthOf(run) > 2);
  const strokesOf = (runs: readonly (readonly number[])[], weight: number): Area =>
    runs.length ? union(...runs.map((run) => stroked([[...run]], weight, false))) : EMPTY;
  if (!outline.length) {
    const lines = strokesOf(loose.map(evenedRun), ALONE);
    return loose.reduce((sum, run) => sum + lengthOf(run), 0) < 20 ? null : { name: 'sketch', tones: TONES, parts: [{ tone: 0, area: lines }] }; // prettier-ignore
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
  const [body, ...rest] = madeEven({ name: 'sketch', tones: TONES, parts }).parts;
  return { name: 'sketch', tones: TONES, isShaded, parts: [{ ...body, area: union(body.area, outside) }, ...rest] };
}
