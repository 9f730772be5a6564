/** Things of many sizes in an outline, none of which touch: each as large as what the others leave it (greedy circle packing). */
import { intersect, moved, roomIn, union, withoutSpecks, type Area } from '../path';
import { coveredCells, distanceTo } from '../raster';
import { boundsOf, box } from './area';
import { isLong, movedFigure, placed, silhouetteOf, upright, type Figure } from './figure';
import type { Layer } from './layer';
import { onField } from './field';
import type { Pair } from './pairings';
import { finished, form, type Stage } from './stage';

/** A place for a thing: the middle and half the width of what it may take, in units. */
export interface Spot {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

const SIDE = 160;
/** How few places for a thing do not yet say that something is made of it. */
const FEWEST = 5;

/** Places in an area, the largest first: none larger than `most` or smaller than `least` units, at most `count`, `gap` units apart. */
export function packed(area: Area, { most, least, count, gap }: { most: number; least: number; count: number; gap: number }): Spot[] {
  const b = boundsOf(area);
  const size = Math.max(b.width, b.height);
  if (!(size > 0)) return [];
  const k = (SIDE - 4) / size;
  const inside = coveredCells([moved(area, [k, 0, 0, k, 2 - k * b.x, 2 - k * b.y])], SIDE);
  const room = distanceTo((i) => !inside[i], SIDE, SIDE);
  const spots: Spot[] = [];
  while (spots.length < count) {
    let best = 0;
    // What has room enough for the largest is taken from the top down, so that rows come about.
    for (let i = 1; i < room.length; i++) if (Math.min(room[i], most * k) > Math.min(room[best], most * k) + 1e-6) best = i;
    const r = Math.min(room[best], most * k);
    if (r < least * k) break;
    const [px, py] = [best % SIDE, Math.floor(best / SIDE)];
    spots.push({ x: b.x + (px - 1.5) / k, y: b.y + (py - 1.5) / k, r: r / k });
    for (let y = 0; y < SIDE; y++)
      for (let x = 0; x < SIDE; x++) {
        const i = y * SIDE + x;
        if (room[i] > 0) room[i] = Math.min(room[i], Math.max(0, Math.hypot(x - px, y - py) - r - gap * k));
      }
  }
  return spots;
} // prettier-ignore

/** An area as a wall: bricks in running bond, the mortar between them left open, one in six of another ink. */
function walled(s: Stage, hull: Area): Layer[] {
  const b = boundsOf(hull);
  const course = Math.max(4.6, Math.min(8, b.height / 11));
  const [mortar, length] = [0.16 * course, 2.3 * course];
  const [plain, burnt]: [Area[], Area[]] = [[], []];
  const rows = Math.ceil(b.height / course);
  for (let row = 0; row < rows; row++)
    for (let x = b.x - (row % 2 ? length / 2 : 0), i = 0; x < b.x + b.width; x += length, i++)
      (s.knobs(`brick/${row}/${i}`) < 1 / 6 ? burnt : plain).push(box(x, b.y + row * course, length - mortar, course - mortar)); // prettier-ignore
  const [first, second = first] = s.palette.inks;
  // Slivers at the edges are none that one would lay.
  const laid = (bricks: readonly Area[]): Area => withoutSpecks(intersect(union(...bricks), hull), 0.12 * course * length); // prettier-ignore
  return [laid(plain), laid(burnt)].flatMap((area, i) => (area.length ? form(s, area, i ? second : first).map((l) => ({ ...l, isFigure: true })) : [])); // prettier-ignore
}

/** An outline in one ink, and on it many of a figure in the others, which go round and round where they are long and stand where they are not; of bricks it is a wall. Null where too few have room. */
export function filledWith(s: Stage, hull: Area, figure: Figure): Layer[] | null {
  if (/^(?:bricks?|brick wall)$/.test(figure.name)) return walled(s, hull);
  const room = roomIn(hull)?.r ?? 8;
  const spots = packed(hull, { most: Math.min(room * 1.02, 13), least: 2.1, count: 110, gap: -0.2 });
  if (spots.length < FEWEST) return null;
  const one = upright({ ...figure, parts: figure.parts.slice(0, 4) });
  const goesRound = isLong(one);
  const [first] = s.palette.inks;
  const inks = onField(s, first);
  const others = inks.length > 1 ? [...inks.slice(1), inks[0]] : inks;
  return [
    ...form(s, hull, first).map((l) => ({ ...l, isFigure: true })),
    ...spots.flatMap(({ x, y, r }, i) => {
      const turn = goesRound ? 2 * Math.PI * s.knobs(`made/${i}`) : 0.24 * s.knobs.spread(`made/${i}`);
      const [c, n] = [Math.cos(turn), Math.sin(turn)];
      const small = placed(one, { cx: 0, cy: 0, side: 2.1 * r, fill: 1 });
      return finished(s, movedFigure(small, [c, n, -n, c, x, y]), first, i % 3 ? inks : others);
    }),
  ];
}

/** A's outline filled with many B. */
export const madeOf: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 50, side: 90, fill: 0.9 });
  return filledWith(s, silhouetteOf(big), b) ?? finished(s, big);
};
