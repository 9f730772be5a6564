/** Outlines as a drawing of places: those that share a place move together. */
import { tangentsOf, turnBetween, type Contour, type Point, type Segment } from '../path';

/** A segment between two places, as one outline has it. */
export interface Side {
  readonly contour: number;
  readonly at: number;
  readonly from: number;
  readonly to: number;
  readonly segment: Segment;
  /** The sides before and after it on its outline, by number, where there are such. */
  readonly before: number | null;
  readonly after: number | null;
}

export interface Drawing {
  readonly contours: readonly Contour[];
  readonly places: readonly Point[];
  readonly sides: readonly Side[];
  /** Of each outline, its places in order, its start first; of a closed one not again at its end. */
  readonly placesOf: readonly (readonly number[])[];
}

/** Places nearer than this are one, in px. */
const SAME = 1e-3;

/** Outlines as places and the sides between them. */
export function drawingOf(contours: readonly Contour[]): Drawing {
  const places: Point[] = [];
  const known = new Map<string, number>();
  const numberOf = (p: Point): number => {
    const key = `${Math.round(p[0] / SAME)},${Math.round(p[1] / SAME)}`;
    const number = known.get(key) ?? places.push(p) - 1;
    known.set(key, number);
    return number;
  };
  const sides: Side[] = [];
  const placesOf = contours.map(({ start, segments, open }, contour) => {
    const first = sides.length;
    const own = [numberOf(start), ...segments.map((s) => numberOf(s.to))];
    const n = segments.length;
    const around = !open && own[n] === own[0];
    segments.forEach((segment, at) => {
      sides.push({
        contour,
        at,
        from: own[at],
        to: own[at + 1],
        segment,
        before: at > 0 ? first + at - 1 : around && n > 1 ? first + n - 1 : null,
        after: at + 1 < n ? first + at + 1 : around && n > 1 ? first : null,
      });
    });
    return around ? own.slice(0, n) : own;
  });
  return { contours, places, sides, placesOf };
}

/** A handle that goes on from a line, or comes to one, within this goes in its direction, in radians. */
const SMOOTH_RAD = 0.06;

/** Segments with their places moved: handles go with their ends, and on in the direction of lines that they went on in. Radii are as given, or as they were. */
export function movedDrawing(
  drawing: Drawing,
  to: (place: number) => Point,
  radiusOf: (side: number) => number | null = () => null,
): Contour[] {
  const { contours, places, sides } = drawing;
  const isMoved = (place: number): boolean => {
    const [p, q] = [places[place], to(place)];
    return p[0] !== q[0] || p[1] !== q[1];
  };
  const lineWay = (side: Side): Point | null => {
    if (side.segment.kind !== 'line') return null;
    const [p, q] = [to(side.from), to(side.to)];
    const long = Math.hypot(q[0] - p[0], q[1] - p[1]);
    return long > 0 ? [(q[0] - p[0]) / long, (q[1] - p[1]) / long] : null;
  };
  /** Where a handle of a place goes; `beside` is the side that the curve goes on from there. */
  const handle = (c: Point, place: number, own: Side, beside: number | null, atStart: boolean): Point => {
    const [p, q] = [places[place], to(place)];
    const reach: Point = [c[0] - p[0], c[1] - p[1]];
    const other = beside === null ? null : sides[beside];
    const way = other && lineWay(other);
    if (other && way) {
      const [out, into] = tangentsOf(places[own.from], own.segment);
      const [was] = tangentsOf(places[other.from], other.segment);
      if (turnBetween(atStart ? out : into, was) < SMOOTH_RAD) {
        const far = Math.hypot(...reach) * (atStart ? 1 : -1);
        return [q[0] + far * way[0], q[1] + far * way[1]];
      }
    }
    return [q[0] + reach[0], q[1] + reach[1]];
  };
  const out: Contour[] = [];
  let k = 0;
  contours.forEach((contour, c) => {
    const own: Side[] = [];
    while (k < sides.length && sides[k].contour === c) own.push(sides[k++]);
    const first = k - own.length;
    const touched = own.some((s, m) => {
      const neighbours = [s.before, s.after].flatMap((n) => (n === null ? [] : [sides[n].from, sides[n].to]));
      return [s.from, s.to, ...neighbours].some(isMoved) || radiusOf(first + m) !== null;
    });
    if (!touched || !own.length) {
      out.push(contour);
      return;
    }
    const segments = own.map((side, m): Segment => {
      const { segment: s } = side;
      const end = to(side.to);
      if (s.kind === 'line') return { kind: 'line', to: end };
      if (s.kind === 'curve')
        return {
          kind: 'curve',
          c1: handle(s.c1, side.from, side, side.before, true),
          c2: handle(s.c2, side.to, side, side.after, false),
          to: end,
        };
      return {
        ...s,
        radius:
          radiusOf(first + m) ?? scaledRadius(s.radius, [places[side.from], places[side.to]], [to(side.from), end]),
        to: end,
      };
    });
    out.push({ ...contour, start: to(own[0].from), segments });
  });
  return out;
}

/** The radius of an arc whose ends moved: half a circle stays one, any other keeps its own while that is large enough. */
export function scaledRadius(radius: number, was: readonly [Point, Point], is: readonly [Point, Point]): number {
  const chord = ([p, q]: readonly [Point, Point]) => Math.hypot(q[0] - p[0], q[1] - p[1]);
  const [before, now] = [chord(was), chord(is)];
  if (now === before) return radius;
  return radius < 0.5005 * before ? now / 2 : Math.max(radius, now / 2);
}
