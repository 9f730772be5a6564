/** What is made of many of a thing: strewn in its outline (greedy circle packing), in rows, as strands, or laid as bricks. */
import { grown, intersect, moved, roomIn, sizeOf, stroked, subtract, union, withoutSpecks, type Area } from '../path';
import { hexToOklab, oklabDistance } from '../colour';
import { coveredCells, distanceTo } from '../raster';
import { boundsOf, box, disc } from './area';
import { isCreature } from './built';
import { isLong, outlineOf, placed, seenParts, silhouetteOf, upright, type Figure } from './figure';
import { layerOf, type Layer } from './layer';
import { leafArea } from './marks';
import { onField } from './field';
import type { Pair } from './pairings';
import { finished, inkOf, isOfLines, type Stage, solid } from './stage';

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
  return [laid(plain), laid(burnt)].flatMap((area, i) => (area.length ? solid(s, area, i ? second : first) : [])); // prettier-ignore
}

/** An area in square patches of all inks, a seam between them, every second one with dots. */
function patched(s: Stage, hull: Area, share: number): Layer[] {
  const b = boundsOf(hull);
  const side = Math.max(5, share * Math.sqrt(sizeOf(hull)));
  const inks = s.palette.inks.slice(0, 3);
  const [left, top] = [b.x - ((side - (b.width % side)) % side) / 2, b.y - ((side - (b.height % side)) % side) / 2];
  const cells = Array.from({ length: Math.ceil(b.height / side) + 1 }, (_, r) => Array.from({ length: Math.ceil(b.width / side) + 1 }, (_, c) => ({ r, c, x: left + c * side, y: top + r * side }))).flat();
  return inks.flatMap((ink, k) => {
    const own = cells.filter(({ r, c }) => (c + 2 * r) % inks.length === k);
    const marks = own.flatMap(({ r, c, x, y }): Area => (r + c) % 2 ? [] : union(...[[0.3, 0.3], [0.7, 0.3], [0.5, 0.5], [0.3, 0.7], [0.7, 0.7]].map(([u, v]) => disc(x + u * side, y + v * side, 0.07 * side, 16))));
    const area = subtract(intersect(union(...own.map(({ x, y }) => box(x, y, side - 0.9, side - 0.9))), hull), marks);
    const kept = withoutSpecks(area, 0.05 * side * side);
    return kept.length ? solid(s, kept, ink) : [];
  });
} // prettier-ignore

/** A thing seen as a cut-out: all that it covers, and in it what is lighter or darker than most of it. */
interface CutOut {
  readonly all: Area;
  readonly marks: Area;
}

function cutOutOf(figure: Figure): CutOut {
  const all = silhouetteOf(figure);
  const seen = seenParts(figure);
  const most = figure.tones[seen.reduce((p, q) => (sizeOf(q.area) > sizeOf(p.area) ? q : p)).tone];
  const marks = union(subtract(all, outlineOf(figure)), ...seen.filter((p) => Math.abs(figure.tones[p.tone] - most) > 0.12).map((p) => p.area));
  // Of what is mostly of another tone the rest is what one sees.
  const less = sizeOf(marks) > 0.5 * sizeOf(all) ? subtract(all, marks) : marks;
  // Fine lines are lost at that size.
  return { all, marks: withoutSpecks(grown(grown(less, -0.5), 0.5), 3) };
} // prettier-ignore

const movedCutOut = ({ all, marks }: CutOut, by: Parameters<typeof moved>[1]): CutOut => ({ all: moved(all, by), marks: moved(marks, by) }); // prettier-ignore

/** Pieces apart from one another, each in a place of its own, so turned that it stands nearly upright. */
function strewn(s: Stage, hull: Area, piece: CutOut): CutOut[] {
  const room = roomIn(hull)?.r ?? 8;
  const b = boundsOf(piece.all);
  const [cx, cy] = [b.x + b.width / 2, b.y + b.height / 2];
  const reach = Math.max(...piece.all.flatMap((ring) => ring.map((x, k) => (k % 2 ? 0 : Math.hypot(x - cx, ring[k + 1] - cy)))));
  return packed(hull, { most: Math.min(room * 0.9, 13), least: Math.max(1.1, Math.min(3.4, 0.5 * room)), count: 90, gap: 0.4 }).map(({ x, y, r }, i) => {
    const turn = 0.3 * s.knobs.spread(`made/${i}`);
    const k = r / reach;
    const [c, n] = [k * Math.cos(turn), k * Math.sin(turn)];
    return movedCutOut(piece, [c, n, -n, c, x - c * cx + n * cy, y - n * cx - c * cy]);
  });
} // prettier-ignore

/** Long pieces side by side in rows that slant, every second row set off by half of one, as far as they are in the outline. */
function inRows(s: Stage, hull: Area, piece: CutOut): CutOut[] {
  const b = boundsOf(hull);
  const p = boundsOf(piece.all);
  const length = Math.max(13, Math.min(26, 0.4 * Math.sqrt(sizeOf(hull))));
  const k = length / p.height;
  const high = length + 1.5;
  // As near as broad ends may lie beside slim middles: every second row is the other way up, half a piece on.
  const [px, py] = [p.x + p.width / 2, p.y + p.height / 2];
  const other = (across: number): Area => union(...[0.5, -0.5].map((v) => moved(piece.all, [-1, 0, 0, -1, 2 * px + across, 2 * py + (v * high) / k])));
  const near = [0.55, 0.65, 0.75, 0.85].map((share) => share * p.width).find((across) => !intersect(grown(piece.all, 0.8 / k), other(across)).length);
  const wide = (near ?? p.width) * k + 0.7;
  const turn = (s.knobs.steady('made/slant') < 0.5 ? -1 : 1) * 0.6;
  const [c, n] = [Math.cos(turn), Math.sin(turn)];
  const [mx, my] = [b.x + b.width / 2, b.y + b.height / 2];
  const half = Math.hypot(b.width, b.height) / 2;
  const out: CutOut[] = [];
  for (let i = -Math.ceil(half / wide); i <= half / wide; i++)
    for (let j = -Math.ceil(half / high) - 1; j <= half / high; j++) {
      const [u, v] = [i * wide, (j + (i % 2 ? 0.5 : 0)) * high];
      const f = i % 2 ? -k : k;
      const by = [c * f, n * f, -n * f, c * f, 0, 0] as [number, number, number, number, number, number];
      by[4] = mx + c * u - n * v - by[0] * px - by[2] * py;
      by[5] = my + n * u + c * v - by[1] * px - by[3] * py;
      const one = movedCutOut(piece, by);
      const all = intersect(one.all, hull);
      if (sizeOf(all) > 0.3 * sizeOf(one.all)) out.push({ all, marks: intersect(one.marks, hull) });
    }
  return out;
} // prettier-ignore

/** What has no ends one would see: one strand of it, upright at a place across, waving, between two heights. */
const STRANDS: readonly (readonly [RegExp, number, (x: number, from: number, to: number) => Area])[] = [
  [/^(?:vine|ivy|beanstalk|vines|hops)$/, 9.4, (x, from, to) => {
    const at = (y: number): number => x + 1.5 * Math.sin(y * 0.34);
    const steps = Array.from({ length: Math.ceil(to - from) }, (_, i) => [at(from + i), from + i]).flat();
    const leaves = Array.from({ length: Math.ceil((to - from) / 4.4) }, (_, i) => leafArea(at(from + 4.4 * i), from + 4.4 * i, i % 2 ? -0.75 : -2.4, 5.2, 2.6));
    return union(stroked([steps], 1.1, false), ...leaves);
  }],
  [/^(?:yarn|ball of yarn|thread|wool|string|spaghetti|noodles?|hair|wire|cable|rope|knot)$/, 4.2, (x, from, to) =>
    stroked([Array.from({ length: Math.ceil((to - from) / 1.5) }, (_, i) => [x + 1.7 * Math.sin(i * 0.42), from + 1.5 * i]).flat()], 2.3, false)],
]; // prettier-ignore

/** Strands side by side over an outline, which slant; null for what is none. */
function stranded(s: Stage, hull: Area, name: string): CutOut[] | null {
  const found = STRANDS.find(([names]) => names.test(name));
  if (!found) return null;
  const [, apart, strand] = found;
  const b = boundsOf(hull);
  const half = Math.hypot(b.width, b.height) / 2;
  const turn = (s.knobs.steady('made/slant') < 0.5 ? -1 : 1) * 0.5;
  const [c, n] = [Math.cos(turn), Math.sin(turn)];
  const by = [c, n, -n, c, b.x + b.width / 2, b.y + b.height / 2] as const;
  return Array.from({ length: 2 * Math.ceil(half / apart) + 1 }, (_, i) => {
    const x = (i - Math.ceil(half / apart)) * apart;
    return { all: intersect(moved(strand(x, -half, half), by), hull), marks: [] };
  }).filter((one) => sizeOf(one.all) > 1);
}

/** An outline in one ink, and on it many of a figure, cut out, which lie in rows where they are long; of bricks it is a wall. Null where too few have room. */
export function filledWith(s: Stage, hull: Area, figure: Figure, face: Area = []): Layer[] | null {
  if (/^(?:bricks?|brick wall)$/.test(figure.name)) return walled(s, hull);
  if (figure.name === 'quilt' && !isOfLines(s)) return patched(s, hull, 0.24);
  if (figure.name === 'mosaic' && !isOfLines(s)) return patched(s, hull, 0.13);
  const inner = subtract(grown(hull, -1.4), grown(face, 1.6));
  const laid = isLong(figure) ? inRows : strewn;
  const pieces = stranded(s, inner, figure.name) ?? laid(s, inner, cutOutOf(placed(upright(figure), { cx: 50, cy: 50, side: 60, fill: 1 }))); // prettier-ignore
  if (pieces.length < FEWEST) return null;
  const [first] = s.palette.inks;
  // Where all is of lines, the outline is one, and so is each piece.
  if (isOfLines(s)) {
    const lined = (area: Area, weight: number): Area => subtract(area, grown(area, -weight));
    return [lined(hull, 1.8), ...pieces.map((o) => union(lined(o.all, 0.9), o.marks.length ? lined(o.marks, 0.7) : []))]
      .filter((area) => area.length)
      .map((area) => ({ ...layerOf(area, first), isFigure: true }));
  }
  const [lead, spark = lead] = onField(s, first);
  const inks = [...new Set([inkOf(s, figure, lead), inkOf(s, figure, spark)])];
  return [
    ...solid(s, hull, first),
    ...inks.flatMap((ink, k) => {
      const own = pieces.filter((_, i) => (i % 4 === 3 ? inks.length - 1 : 0) === k);
      const area = subtract(union(...own.map((o) => o.all)), union(...own.map((o) => o.marks)));
      return area.length ? [{ ...layerOf(area, ink), isFigure: true }] : [];
    }),
  ];
}

/** The small parts by which a figure is known: its eyes and what is as dark, or as light, and lies in it. */
function faceIn(figure: Figure): Figure {
  const hull = silhouetteOf(figure);
  const whole = sizeOf(hull);
  const inner = grown(hull, -0.8);
  const parts = seenParts(figure).filter((p) => { const size = sizeOf(p.area); return size < 0.06 * whole && size > 0.0008 * whole && sizeOf(subtract(p.area, inner)) < 0.02 * size; });
  return { ...figure, parts: parts.slice(-8) };
} // prettier-ignore

/** An area with round holes, the largest first, well within it and apart. */
const holed = (area: Area): Area =>
  subtract(area, union(...packed(grown(area, -2.4), { most: 9, least: 3, count: 9, gap: 4.4 }).map(({ x, y, r }) => disc(x, y, r, 60)))); // prettier-ignore

/** A's outline filled with many B, its eyes and what else is small in it left as they are. */
export const madeOf: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 50, side: 90, fill: 0.9 });
  // What is of cheese has its holes, in the yellowest ink there is.
  if (/^(?:cheese|swiss cheese|sponge)$/.test(b.name) && !isCreature(a.name)) {
    const yellow = hexToOklab('#F2C14E');
    const inks = [...s.palette.inks].sort((p, q) => oklabDistance(hexToOklab(p), yellow) - oklabDistance(hexToOklab(q), yellow)); // prettier-ignore
    return finished(s, { ...big, parts: [{ tone: 0, area: holed(silhouetteOf(big)) }], tones: [0.6] }, s.palette.groundHex, inks); // prettier-ignore
  }
  const face = faceIn(big);
  const [first] = s.palette.inks;
  const made = filledWith(s, silhouetteOf(big), b, outlineOf(face));
  if (!made) return finished(s, big);
  return [...made, ...(isOfLines(s) ? finished(s, face) : finished(s, face, first, onField(s, first)))];
};
