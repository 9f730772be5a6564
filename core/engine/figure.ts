import { cover } from '../raster';
import {
  areaFrom,
  axisOf,
  intersect,
  EMPTY,
  filled,
  subtract,
  moved,
  runsFrom,
  sizeOf,
  stroked,
  union,
  type Area,
} from '../path';
import { boundsOf, box, massOf } from './area';
import type { Drawing, Role } from './drawing';

/** One part of a figure and the tone that it has. */
export interface Part {
  readonly tone: number;
  readonly area: Area;
  /** The colour that is said of it, in place of one for its tone; null where it is settled that none is, whoever it is put together with. */
  readonly dye?: string | null;
  /** What of somebody it is, where a colour can be said of that: "eye". */
  readonly of?: string;
}

/** A figure: parts from the bottom up, in a field of 100 x 100, and the lightness 0..1 that each tone has in it. */
export interface Figure {
  readonly name: string;
  readonly tones: readonly number[];
  readonly parts: readonly Part[];
  /** Put together from measures, and so already as exact as it is meant. */
  readonly isBuilt?: boolean;
  /** Its darker tones say where it is in shade: they are darker in any colours. */
  readonly isShaded?: boolean;
  /** Where it looks, seen from the side: to the right (1) or to the left (-1). */
  readonly facing?: 1 | -1;
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
      ...(p.of ? { of: p.of } : {}),
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
    if (sizeOf(area) > 0.02) out.push({ ...part, area });
    above = union(above, part.area);
  }
  return out.reverse();
}

/** The figure with each of its areas changed; parts nothing is left of are gone. */
export const mapFigure = (figure: Figure, map: (area: Area) => Area): Figure => ({
  ...figure,
  parts: figure.parts.map((p) => ({ ...p, area: map(p.area) })).filter((p) => p.area.length),
});

/** Cells along a side of a tone map. */
export const LABEL_SIDE = 64;

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
export function movedFigure(figure: Figure, map: Parameters<typeof moved>[1]): Figure {
  const out = mapFigure(figure, (a) => moved(a, map));
  return figure.facing && map[0] < 0 ? { ...out, facing: figure.facing > 0 ? -1 : 1 } : out;
}

/** The figure as a mirror shows it, about the middle of its field. */
export const mirroredFigure = (figure: Figure): Figure => movedFigure(figure, [-1, 0, 0, 1, 100, 0]);

/** The figure looking to the right, where it is known to look to the left. */
export const lookingRight = (figure: Figure): Figure => (figure.facing === -1 ? mirroredFigure(figure) : figure);

/** All that is of some of somebody's own parts: "eye". */
export const partsNamed = (figure: Figure, ...names: readonly string[]): Area => union(...figure.parts.filter((p) => p.of && names.includes(p.of)).map((p) => p.area)); // prettier-ignore

/** The figure's parts cut to an area. */
export const clipped = (figure: Figure, to: Area): Figure => mapFigure(figure, (a) => intersect(a, to));

/** The figure with an area taken out of it. */
export const without = (figure: Figure, area: Area): Figure => mapFigure(figure, (a) => subtract(a, area));

/** A figure without what is drawn over its largest piece and does not touch it, as steam is. */
export function withoutSteam(figure: Figure): Figure {
  const rings = outlineOf(figure).map((ring) => ({ at: boundsOf([ring]), size: Math.abs(sizeOf([ring])) }));
  if (!rings.length) return figure;
  const { at } = rings.reduce((p, q) => (q.size > p.size ? q : p));
  return without(figure, box(-150, -150, 400, 150 + at.y - 0.2));
}

/** Whether a figure is half as long again as it is wide, however it lies. */
export const isLong = (figure: Figure): boolean => (axisOf(silhouetteOf(figure))?.longer ?? 1) > 1.5;

/** The figure turned about the middle of its field. */
export const turnedAt = (figure: Figure, rad: number): Figure => {
  const [c, n] = [Math.cos(rad), Math.sin(rad)];
  return movedFigure(figure, [c, n, -n, c, 50 - 50 * c + 50 * n, 50 - 50 * n - 50 * c]);
};

/** A figure that is open on one side, as a crescent is, turned so that its opening is in a direction: 0 to the right, down positive, radians. */
export function openedTo(figure: Figure, rad: number): Figure {
  const b = boundsOf(outlineOf(figure));
  const [x, y] = massOf(outlineOf(figure));
  const [dx, dy] = [b.x + b.width / 2 - x, b.y + b.height / 2 - y];
  // What is the same all round has no opening.
  return Math.hypot(dx, dy) < 2 ? figure : turnedAt(figure, rad - Math.atan2(dy, dx));
}

/** A long figure that lies slanting, set upright, its top staying its top; another as it is. */
export function upright(figure: Figure): Figure {
  const axis = axisOf(silhouetteOf(figure));
  if (!axis || axis.longer <= 1.5) return figure;
  return turnedAt(figure, (axis.angleRad > 0 ? Math.PI / 2 : -Math.PI / 2) - axis.angleRad);
}

/** Whether more than half of a figure is in its upper half. */
export function isTopHeavy(figure: Figure): boolean {
  const all = outlineOf(figure);
  const b = boundsOf(all);
  return sizeOf(intersect(all, box(b.x - 1, b.y - 1, b.width + 2, b.height / 2 + 1))) > 0.5 * sizeOf(all);
}

/** A figure moved so that its foot is at a height and its middle at another. */
export function standing(figure: Figure, cx: number, foot: number): Figure {
  const b = boundsOf(outlineOf(figure));
  return movedFigure(figure, [1, 0, 0, 1, cx - (b.x + b.width / 2), foot - (b.y + b.height)]);
}

/** How high the outline of a figure reaches between two places across, in units; null where nothing is there. */
export function topAt(figure: Figure, from: number, to: number): number | null {
  const all = outlineOf(figure);
  const b = boundsOf(all);
  const column = boundsOf(intersect(all, box(from, b.y - 1, to - from, b.height + 2)));
  return column.height > 0 ? column.y : null;
}
