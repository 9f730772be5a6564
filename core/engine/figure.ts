import { cover } from '../raster';
import {
  areaFrom,
  bent,
  intersect,
  EMPTY,
  filled,
  subtract,
  moved,
  runsFrom,
  sizeOf,
  roundedOff,
  sparse,
  stroked,
  union,
  withoutSpecks,
  type Area,
} from '../path';
import { boundsOf, box, massOf } from './area';
import type { Drawing, Role } from './drawing';
import type { Knobs } from './knobs';
import { BY_HAND, drawingsOf } from './things';

/** One part of a figure and the tone that it has. */
export interface Part {
  readonly tone: number;
  readonly area: Area;
}

/** A figure: parts from the bottom up, in a field of 100 x 100, and the lightness 0..1 that each tone has in it. */
export interface Figure {
  readonly name: string;
  readonly tones: readonly number[];
  readonly parts: readonly Part[];
}

const ROLE_TONES: readonly Role[] = ['body', 'second', 'accent', 'light'];
const ROLE_LIGHTNESS = [0.3, 0.6, 0.75, 1];

/** A drawing made by hand, as a figure. */
export const figureOf = (name: string, drawing: Drawing): Figure => ({
  name,
  tones: ROLE_LIGHTNESS,
  parts: drawing.map((p) => {
    const runs = p.weight === undefined ? EMPTY : runsFrom(p.contours);
    const isClosed = (r: readonly number[]) => Math.hypot(r[0] - r[r.length - 2], r[1] - r[r.length - 1]) < 1e-6;
    return {
      tone: ROLE_TONES.indexOf(p.role),
      area:
        p.weight === undefined
          ? areaFrom(p.contours)
          : union(
              stroked(runs.filter(isClosed), p.weight, true),
              stroked(
                runs.filter((r) => !isClosed(r)),
                p.weight,
                false,
              ),
            ),
    };
  }),
});

/** All that the figure covers. */
export const outlineOf = (figure: Figure): Area => union(...figure.parts.map((p) => p.area));

/** All that it covers, holes filled. */
export const silhouetteOf = (figure: Figure): Area => filled(outlineOf(figure));

/** What is seen of each part: what no part above it hides. Parts nothing is seen of are left out. */
export function seenParts(figure: Figure): Part[] {
  let above: Area = EMPTY;
  const out: Part[] = [];
  for (const part of [...figure.parts].reverse()) {
    const area = subtract(part.area, above);
    if (sizeOf(area) > 0.02) out.push({ tone: part.tone, area });
    above = union(above, part.area);
  }
  return out.reverse();
}

const mapFigure = (figure: Figure, map: (area: Area) => Area): Figure => ({
  ...figure,
  parts: figure.parts.map((p) => ({ ...p, area: map(p.area) })).filter((p) => p.area.length),
});

const LABEL_SIDE = 64;

/** Which tone is seen where, on a grid of 64 x 64 over the field; -1 where there is none. */
export function toneMap(figure: Figure): Int8Array {
  const out = new Int8Array(LABEL_SIDE * LABEL_SIDE).fill(-1);
  const k = LABEL_SIDE / 100;
  for (const part of figure.parts) {
    const c = cover(moved(part.area, [k, 0, 0, k, 0, 0]), LABEL_SIDE, LABEL_SIDE);
    if (!c) continue;
    for (let y = 0; y < c.heightPx; y++)
      for (let x = 0; x < c.widthPx; x++)
        if (c.share[y * c.widthPx + x] > 0.5) out[(y + c.y0) * LABEL_SIDE + x + c.x0] = part.tone;
  }
  return out;
}

/** How tones meet: `border[a][b]` is the length of the border between tones, index `tones.length` standing for the ground. */
export function bordersOf(figure: Figure): { border: number[][]; seen: number[] } {
  const n = figure.tones.length;
  const map = toneMap(figure);
  const border = Array.from({ length: n + 1 }, () => new Array<number>(n + 1).fill(0));
  const seen = new Array<number>(n).fill(0);
  for (let y = 0; y < LABEL_SIDE; y++)
    for (let x = 0; x < LABEL_SIDE; x++) {
      const a = map[y * LABEL_SIDE + x];
      if (a >= 0) seen[a]++;
      for (const [dx, dy] of [
        [1, 0],
        [0, 1],
      ]) {
        if (x + dx >= LABEL_SIDE || y + dy >= LABEL_SIDE) continue;
        const b = map[(y + dy) * LABEL_SIDE + x + dx];
        if (a === b) continue;
        const [p, q] = [a < 0 ? n : a, b < 0 ? n : b];
        border[p][q]++;
        border[q][p]++;
      }
    }
  return { border, seen };
}

/** Share of the figure that its mirror image about x = 50 also has, in the same tone. */
function symmetryOf(figure: Figure): number {
  const map = toneMap(figure);
  let all = 0;
  let same = 0;
  for (let y = 0; y < LABEL_SIDE; y++)
    for (let x = 0; x < LABEL_SIDE; x++) {
      const a = map[y * LABEL_SIDE + x];
      const b = map[y * LABEL_SIDE + LABEL_SIDE - 1 - x];
      if (a < 0 && b < 0) continue;
      all++;
      if (a === b) same++;
    }
  return all ? same / all : 0;
}

/** The figure with one half the mirror image of the other. */
function madeSymmetrical(figure: Figure, left: boolean): Figure {
  const half = box(left ? -60 : 50, -60, 110, 220);
  return mapFigure(figure, (area) => {
    const one = intersect(area, half);
    return union(one, moved(one, [-1, 0, 0, 1, 100, 0]));
  });
}

/** Moves a figure so that its box's middle is the middle of the field. */
function centred(figure: Figure): Figure {
  const b = boundsOf(figure.parts.flatMap((p) => p.area));
  const s = 100 / Math.max(b.width, b.height, 1);
  return mapFigure(figure, (a) => moved(a, [s, 0, 0, s, 50 - s * (b.x + b.width / 2), 50 - s * (b.y + b.height / 2)]));
}

export interface BuildOptions {
  readonly knobs: Knobs;
  /** 0..100 */
  readonly leeway: number;
  /** 0..100 */
  readonly detail: number;
  /** Which of its drawings to take, of at most `ideas` (see `Stage`); by chance where it is not said. */
  readonly idea?: number;
  readonly ideas?: number;
  /** Words of parts that must not be there. */
  readonly leaveOut?: readonly string[];
}

/** Square units below which a part is left out, at a detail of 0..100: 45 keep what still shows at 32 px. */
export const leastPart = (detail: number): number =>
  detail >= 90 ? 0.6 : detail >= 45 ? 4.5 - 3.9 * ((detail - 45) / 45) : 4.5 + 90 * ((45 - detail) / 45) ** 3.2;

/** How many drawings there are of a thing. */
export const drawingCount = (name: string): number =>
  (Object.hasOwn(BY_HAND, name) ? 1 : 0) + drawingsOf(name).length + drawingsOf(`${name} face`).length;

/** The drawings one can choose from for a thing, the ones drawn for this engine first. */
function choices(name: string, knobs: Knobs): Figure[] {
  const hand = Object.hasOwn(BY_HAND, name)
    ? [
        figureOf(
          name,
          BY_HAND[name]((part) => knobs.spread(`${name}/${part}`)),
        ),
      ]
    : [];
  // A face that looks at us is another view of the same animal.
  const drawn = [...drawingsOf(name), ...drawingsOf(`${name} face`)].map((d) => ({
    name,
    tones: d.tones.map((L) => L / 100),
    parts: d.parts.map((p) => ({ tone: p.tone, area: areaFrom(p.contours) })),
  }));
  return [...hand, ...drawn];
}

/**
 * Builds a figure anew: a drawing of it is chosen, what is too small left out, made symmetrical where it nearly is, given other
 * proportions and corners. No two seeds build the same, and none builds the drawing it began with.
 */
export function buildFigure(name: string, { knobs, leeway, detail, idea, ideas = 1 }: BuildOptions): Figure {
  const all = choices(name, knobs);
  if (!all.length) throw new Error(`no drawing of "${name}"`);
  const byChance = leeway < 45 ? 0 : Math.floor(knobs(`${name}/drawing`) * all.length);
  const at = idea === undefined ? byChance : idea % Math.min(ideas, all.length);
  let figure = centred(all[at]);
  const least = leastPart(detail);
  const biggest = Math.max(...figure.parts.map((p) => sizeOf(p.area)));
  figure = {
    ...figure,
    parts: figure.parts
      .map((p) => ({ ...p, area: withoutSpecks(p.area, Math.min(least, biggest / 2)) }))
      .filter((p) => p.area.length && sizeOf(p.area) > Math.min(least, biggest / 2)),
  };
  const symmetrical = symmetryOf(figure) > 0.87;
  if (symmetrical) figure = madeSymmetrical(figure, knobs.odds(`${name}/half`, 0.5));

  // Proportions: wider or slimmer above and below, taller or shorter, an arched back; a symmetrical figure stays so.
  const free = 0.06 + 0.12 * (leeway / 100);
  const wide = 1 + free * knobs.spread(`${name}/wide`);
  const top = free * knobs.spread(`${name}/top`);
  const waist = 0.8 * free * knobs.spread(`${name}/waist`);
  const tall = 1 + 0.8 * free * knobs.spread(`${name}/tall`);
  const arch = symmetrical ? 0 : 5 * free * knobs.spread(`${name}/arch`);
  const lean = symmetrical ? 0 : 0.7 * free * knobs.spread(`${name}/lean`);
  const flip = !symmetrical && leeway > 20 && knobs.odds(`${name}/facing`, 0.42) ? -1 : 1;
  figure = mapFigure(figure, (area) => {
    const warped = bent(area, (x, y) => {
      const v = (y - 50) / 50;
      const u = (x - 50) / 50;
      return [
        50 + flip * 50 * (u * wide * (1 + top * v + waist * (v * v - 0.4)) + lean * v),
        50 + 50 * v * tall + arch * (u * u - 0.4),
      ];
    });
    return flip < 0 ? warped.map((ring) => reversed(ring)) : warped;
  });

  // Small parts such as eyes and buttons, larger or smaller about their own middle.
  const smalls = 1 + 0.9 * free * knobs.spread(`${name}/smalls`) + 0.06 * knobs(`${name}/open`);
  figure = {
    ...figure,
    parts: figure.parts.map((p) => {
      if (sizeOf(p.area) > 90 || p.area.length !== 1) return p;
      const [cx, cy] = massOf(p.area);
      return { ...p, area: moved(p.area, [smalls, 0, 0, smalls, cx - cx * smalls, cy - cy * smalls]) };
    }),
  };

  // Corners: a hand that rounds them, one that leaves them, one that cuts them straight.
  const corner = knobs(`corners`);
  if (leeway >= 60 && corner > 0.86) figure = mapFigure(figure, (a) => sparse(a, 1.1));
  else if (corner < 0.5) figure = mapFigure(figure, (a) => (sizeOf(a) > 60 ? roundedOff(a, 0.35 + 1.1 * corner) : a));
  return centred(figure);
}

function reversed(ring: readonly number[]): number[] {
  const out: number[] = [];
  for (let i = ring.length - 2; i >= 0; i -= 2) out.push(ring[i], ring[i + 1]);
  return out;
}

export interface Place {
  readonly cx: number;
  readonly cy: number;
  /** The longer side at most. */
  readonly side: number;
  /** The share of the square of `side` that the figure's box should fill, so that slim and broad figures weigh alike. */
  readonly fill?: number;
}

/** Fits a figure into a place, its optical middle (between that of its box and that of its mass) on the place's middle. */
export function placed(figure: Figure, { cx, cy, side, fill = 0.72 }: Place): Figure {
  const shape = outlineOf(figure);
  const b = boundsOf(shape);
  const byArea = Math.sqrt((fill * side * side) / Math.max(1, b.width * b.height));
  const scale = Math.min(side / Math.max(b.width, b.height, 1), byArea * 1.15);
  const [mx, my] = massOf(shape);
  const fx = 0.68 * (b.x + b.width / 2) + 0.32 * mx;
  const fy = 0.68 * (b.y + b.height / 2) + 0.32 * my;
  return mapFigure(figure, (a) => moved(a, [scale, 0, 0, scale, cx - scale * fx, cy - scale * fy]));
}

/** The figure under an affine map. */
export const movedFigure = (figure: Figure, map: Parameters<typeof moved>[1]): Figure =>
  mapFigure(figure, (a) => moved(a, map));

/** The figure's parts cut to an area. */
export const clipped = (figure: Figure, to: Area): Figure => mapFigure(figure, (a) => intersect(a, to));

/** The figure with an area taken out of it. */
export const without = (figure: Figure, area: Area): Figure => mapFigure(figure, (a) => subtract(a, area));
