/** An outline drawn place by place, of lines, curves and arcs. */
import { arcThrough, dot, minus, tangentsOf, type Contour, type Point, type Segment } from '../path';

export const PEN_WAYS = ['line', 'curve', 'arc'] as const;
/** How an outline comes to a place. */
export type PenWay = (typeof PEN_WAYS)[number];

/** One place of an outline that is drawn. */
export interface PenPlace {
  readonly at: Point;
  /** How it is come to; of no account for the first, unless the outline is closed. */
  readonly way: PenWay;
  /** Where the handle goes that leaves it; the one that comes to it lies opposite. Null at a corner. */
  readonly out: Point | null;
  /** A place that the arc to it comes through; null for one that goes on in the direction before it. */
  readonly by: Point | null;
}

/** A path under way: its places, and whether it comes back to the first. */
export interface PenPath {
  readonly places: readonly PenPlace[];
  readonly closed: boolean;
}

export const EMPTY_PATH: PenPath = { places: [], closed: false };

const opposite = ({ at, out }: PenPlace): Point => (out ? [2 * at[0] - out[0], 2 * at[1] - out[1]] : at);

/** The arc that leaves a place in a direction and comes to another; a line where that lies straight ahead. */
export function arcOnwards(from: Point, way: Point, to: Point): Segment {
  const [dx, dy] = minus(to, from);
  const across = way[0] * dy - way[1] * dx;
  const square = dx * dx + dy * dy;
  if (Math.abs(across) < 1e-6 * square || square === 0) return { kind: 'line', to };
  const radius = square / (2 * Math.abs(across));
  return { kind: 'arc', radius, large: dot(way, [dx, dy]) < 0, clockwise: across > 0, to };
}

function segmentTo(from: PenPlace, to: PenPlace, before: Point | null): Segment {
  if (to.way === 'curve') {
    const [c1, c2] = [from.out ?? from.at, opposite(to)];
    return from.out || to.out ? { kind: 'curve', c1, c2, to: to.at } : { kind: 'line', to: to.at };
  }
  if (to.way === 'arc') {
    if (to.by) return arcThrough(from.at, to.by, to.at) ?? { kind: 'line', to: to.at };
    // From a handle, or on in the direction that it came in.
    const way = from.out ? minus(from.out, from.at) : before;
    if (way) {
      const long = Math.hypot(...way) || 1;
      return arcOnwards(from.at, [way[0] / long, way[1] / long], to.at);
    }
  }
  return { kind: 'line', to: to.at };
}

/** A path as an outline; null while it has one place or none. */
export function contourOf({ places, closed }: PenPath): Contour | null {
  if (places.length < 2) return null;
  const list = closed ? [...places.slice(1), places[0]] : places.slice(1);
  const segments: Segment[] = [];
  let from = places[0];
  let before: Point | null = null;
  for (const to of list) {
    const segment = segmentTo(from, to, before);
    before = tangentsOf(from.at, segment)[1];
    segments.push(segment);
    from = to;
  }
  return { start: places[0].at, segments, ...(closed ? {} : { open: true as const }) };
}

/** A path with one more place. */
export const withPlace = (path: PenPath, place: PenPlace): PenPath => ({ ...path, places: [...path.places, place] });

/** A path whose last place is dragged: its handle, or what its arc comes through. */
export function withDragged(path: PenPath, to: Point): PenPath {
  const last = path.closed ? 0 : path.places.length - 1;
  return {
    ...path,
    places: path.places.map((p, k) => {
      if (k !== last) return p;
      if (p.way === 'arc') return { ...p, by: to };
      if (p.way === 'curve') return { ...p, out: to };
      return { ...p, at: to };
    }),
  };
}

/** A path that comes back to its first place, in a way. */
export const withClosed = ({ places }: PenPath, way: PenWay): PenPath => ({
  places: places.map((p, k) => (k ? p : { ...p, way, by: null })),
  closed: true,
});

/** A path without its last place, or open again. */
export const withoutLast = ({ places, closed }: PenPath): PenPath =>
  closed ? { places, closed: false } : { places: places.slice(0, -1), closed: false };
