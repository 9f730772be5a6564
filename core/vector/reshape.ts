/** Changing a piece point by point: each function gives the piece as it becomes, in its own coordinates. */
import {
  arcGeometry,
  arcThrough,
  cross,
  dot,
  minus,
  plus,
  pointAt,
  reverseContour,
  straightThrough,
  tangentsOf,
  turnBetween,
  unit,
  withEnds,
  type Contour,
  type Point,
  type Segment,
} from '../path';
import type { Piece } from './artwork';
import { numbersOf, pointOfContour, withContours, withoutPoint, withPointAt } from './numbers';

/** A point of a piece: which outline, and which point of it, its start being 0. */
export interface PointAt {
  readonly contour: number;
  readonly index: number;
}

/** Directions that differ by less than this go on smoothly in one another, in radians. */
const SMOOTH_RAD = 0.06;

/** How long a handle is that is made anew, against the way to the next point. */
const HANDLE_SHARE = 1 / 3;

/** All points of a piece, in the order of its outlines. */
export const pointsOf = ({ contours }: Piece): PointAt[] =>
  contours.flatMap((c, contour) =>
    Array.from({ length: c.segments.length + (c.open ? 1 : 0) }, (_, index) => ({ contour, index })),
  );

/** The segments before and after a point, by number; null at an open end. */
function beside({ segments, open }: Contour, index: number): { before: number | null; after: number | null } {
  const n = segments.length;
  return {
    before: index > 0 ? index - 1 : open ? null : n - 1,
    after: index < n ? index : null,
  };
}

/** The handles of a point: where the curve comes from, and where it goes. */
export function handlesAt({ contours }: Piece, { contour, index }: PointAt): { into: Point | null; out: Point | null } {
  const c = contours[contour];
  const { before, after } = beside(c, index);
  const [b, a] = [before === null ? null : c.segments[before], after === null ? null : c.segments[after]];
  return { into: b?.kind === 'curve' ? b.c2 : null, out: a?.kind === 'curve' ? a.c1 : null };
}

/** Whether an outline goes smoothly through a point. */
export const isSmooth = (piece: Piece, at: PointAt): boolean => (turnAt(piece, at) ?? Math.PI) < SMOOTH_RAD;

/** A piece with segments of one outline changed; its points keep their numbers. */
function withSegments(piece: Piece, contour: number, change: (s: Segment, k: number) => Segment): Piece {
  return {
    ...piece,
    contours: piece.contours.map((c, k) => (k === contour ? { ...c, segments: c.segments.map(change) } : c)),
  };
}

/** Points moved together, their handles with them. */
export const withPointsMoved = (piece: Piece, points: readonly PointAt[], to: (from: Point) => Point): Piece =>
  points.reduce(
    (p, { contour, index }) => withPointAt(p, contour, index, to(pointOfContour(p.contours[contour], index))),
    piece,
  );

/** A handle of a point moved; where the outline goes smoothly through that, the other handle turns with it. */
export function withHandleAt(piece: Piece, at: PointAt, which: 'into' | 'out', to: Point, alone = false): Piece {
  const c = piece.contours[at.contour];
  const { before, after } = beside(c, at.index);
  const keepsSmooth = !alone && isSmooth(piece, at);
  const place = pointOfContour(c, at.index);
  const way = unit(minus(place, to));
  return withSegments(piece, at.contour, (s, k) => {
    if (s.kind !== 'curve') return s;
    let { c1, c2 } = s;
    if (k === after) {
      if (which === 'out') c1 = to;
      else if (keepsSmooth) c1 = plus(place, way, Math.hypot(...minus(c1, place)));
    }
    if (k === before) {
      if (which === 'into') c2 = to;
      else if (keepsSmooth) c2 = plus(place, way, Math.hypot(...minus(c2, place)));
    }
    return { ...s, c1, c2 };
  });
}

/** A segment as a curve that looks the same, a line with handles on it. */
function asCurve(from: Point, s: Segment): Segment & { kind: 'curve' } {
  if (s.kind === 'curve') return s;
  if (s.kind === 'line')
    return {
      kind: 'curve',
      c1: plus(from, minus(s.to, from), HANDLE_SHARE),
      c2: plus(s.to, minus(from, s.to), HANDLE_SHARE),
      to: s.to,
    };
  const g = arcGeometry(from, s);
  const [out, into] = tangentsOf(from, s);
  const long = (4 / 3) * Math.tan(Math.abs(g.sweepRad) / 4) * g.radius;
  return { kind: 'curve', c1: plus(from, out, long), c2: plus(s.to, into, -long), to: s.to };
}

/** Outlines that go smoothly through points: beside a line or an arc in its direction, else in that from the point before to the next. */
export function withSmooth(piece: Piece, points: readonly PointAt[]): Piece {
  return points.reduce((p, { contour, index }) => {
    const c = p.contours[contour];
    const { before, after } = beside(c, index);
    if (before === null || after === null || c.segments.length < 2) return p;
    const place = pointOfContour(c, index);
    const [start, end] = [pointOfContour(c, before), c.segments[after].to];
    const [b, a] = [c.segments[before], c.segments[after]];
    const keepsBefore = b.kind !== 'curve' && a.kind === 'curve';
    const keepsAfter = a.kind !== 'curve' && b.kind === 'curve';
    const way = keepsBefore ? tangentsOf(start, b)[1] : keepsAfter ? tangentsOf(place, a)[0] : unit(minus(end, start));
    const reach = (to: Point) => HANDLE_SHARE * Math.hypot(...minus(to, place));
    return withSegments(p, contour, (s, k) => {
      if (k === before && !keepsBefore) {
        const curve = asCurve(start, s);
        const long = b.kind === 'curve' ? Math.hypot(...minus(curve.c2, place)) || reach(start) : reach(start);
        s = { ...curve, c2: plus(place, way, -long) };
      }
      if (k === after && !keepsAfter) {
        const curve = asCurve(place, s);
        const long = a.kind === 'curve' ? Math.hypot(...minus(curve.c1, place)) || reach(end) : reach(end);
        s = { ...curve, c1: plus(place, way, long) };
      }
      return s;
    });
  }, piece);
}

/** Corners at points: what comes to them and leaves them goes straight for the point at its other end. */
export function withCorner(piece: Piece, points: readonly PointAt[]): Piece {
  return points.reduce((p, { contour, index }) => {
    const c = p.contours[contour];
    const { before, after } = beside(c, index);
    const place = pointOfContour(c, index);
    return withSegments(p, contour, (s, k) => {
      if (k !== before && k !== after) return s;
      const curve = asCurve(pointOfContour(c, k), s);
      if (s.kind === 'line') return s;
      const [c1, c2] = [
        k === after ? plus(place, minus(curve.to, place), HANDLE_SHARE) : curve.c1,
        k === before ? plus(place, minus(pointOfContour(c, k), place), HANDLE_SHARE) : curve.c2,
      ];
      return { ...curve, c1, c2 };
    });
  }, piece);
}

/** Segments between points that are both among those given. */
const betweenPoints = (piece: Piece, points: readonly PointAt[]): { contour: number; segment: number }[] => {
  const has = (contour: number, index: number): boolean => {
    const { segments, open } = piece.contours[contour];
    const at = !open && index === segments.length ? 0 : index;
    return points.some((p) => p.contour === contour && p.index === at);
  };
  return piece.contours.flatMap((c, contour) =>
    c.segments.flatMap((_, segment) =>
      has(contour, segment) && has(contour, segment + 1) ? [{ contour, segment }] : [],
    ),
  );
};

/** Lines between points that follow one another. */
export const withStraight = (piece: Piece, points: readonly PointAt[]): Piece =>
  betweenPoints(piece, points).reduce(
    (p, { contour, segment }) => withSegments(p, contour, (s, k) => (k === segment ? { kind: 'line', to: s.to } : s)),
    piece,
  );

/** Arcs between points that follow one another, through the middle of what goes there; a line stays one. */
export const withArcs = (piece: Piece, points: readonly PointAt[]): Piece =>
  betweenPoints(piece, points).reduce((p, { contour, segment }) => {
    const c = p.contours[contour];
    const from = pointOfContour(c, segment);
    return withSegments(p, contour, (s, k) =>
      k === segment ? (arcThrough(from, pointAt(from, s, 0.5), s.to) ?? s) : s,
    );
  }, piece);

/** Places made level with one another, upright, or put in one line, as near to where they were as can be. */
export function alignedPlaces(places: readonly Point[], how: 'level' | 'upright' | 'line'): Point[] {
  const mean = (axis: 0 | 1) => places.reduce((s, p) => s + p[axis], 0) / places.length;
  if (how === 'level') return places.map(([x]) => [x, mean(1)]);
  if (how === 'upright') return places.map(([, y]) => [mean(0), y]);
  const { middle, direction } = straightThrough(places);
  return places.map((p) => plus(middle, direction, dot(minus(p, middle), direction)));
}

/** Corners that turn by as much as another, within this, are like it, in radians. */
const ALIKE_RAD = 0.12;

/** By how much an outline turns at a point, in radians; null at an open end. */
function turnAt({ contours }: Piece, { contour, index }: PointAt): number | null {
  const c = contours[contour];
  const { before, after } = beside(c, index);
  if (before === null || after === null) return null;
  const [, into] = tangentsOf(pointOfContour(c, before), c.segments[before]);
  const [out] = tangentsOf(pointOfContour(c, after), c.segments[after]);
  return turnBetween(into, out);
}

/** All points of a piece at which it turns about as much as at one of them, that one too. */
export function cornersLike(piece: Piece, at: PointAt): PointAt[] {
  const wanted = turnAt(piece, at);
  return pointsOf(piece).filter((p) => {
    const turn = turnAt(piece, p);
    return turn === null || wanted === null ? turn === wanted : Math.abs(turn - wanted) < ALIKE_RAD;
  });
}

/** A corner is cut back by no more than this share of either side. */
const SIDE_SHARE = 0.499;

/**
 * Corners between two lines rounded by arcs of a radius in px, smaller where a side is too short for it. Others stay. Points are numbered anew on outlines that
 * change.
 */
export function withRounded(piece: Piece, points: readonly PointAt[], radiusPx: number): Piece {
  const contours = piece.contours.map((c, contour): Contour => {
    const corners = new Set(points.filter((p) => p.contour === contour).map((p) => p.index));
    if (!corners.size || !(radiusPx > 0)) return c;
    const n = c.segments.length;
    const cuts = new Map<number, { from: Point; to: Point; radius: number; clockwise: boolean }>();
    for (const index of corners) {
      const { before, after } = beside(c, index);
      if (before === null || after === null) continue;
      if (c.segments[before].kind !== 'line' || c.segments[after].kind !== 'line') continue;
      const at = pointOfContour(c, index);
      const [p, q] = [pointOfContour(c, before), c.segments[after].to];
      const [d, e] = [unit(minus(at, p)), unit(minus(q, at))];
      const turn = turnBetween(d, e);
      if (turn < 0.02 || turn > Math.PI - 0.02) continue;
      const room = SIDE_SHARE * Math.min(Math.hypot(...minus(at, p)), Math.hypot(...minus(q, at)));
      const back = Math.min(room, radiusPx * Math.tan(turn / 2));
      cuts.set(index, {
        from: plus(at, d, -back),
        to: plus(at, e, back),
        radius: back / Math.tan(turn / 2),
        clockwise: cross(d, e) > 0,
      });
    }
    if (!cuts.size) return c;
    const first = cuts.get(0);
    const segments = c.segments.flatMap((s, k): Segment[] => {
      const end = !c.open && k + 1 === n ? 0 : k + 1;
      const cut = cuts.get(end);
      if (!cut) return [s];
      const arc: Segment = { kind: 'arc', radius: cut.radius, large: false, clockwise: cut.clockwise, to: cut.to };
      return [{ kind: 'line', to: cut.from }, arc];
    });
    return { ...c, start: first ? first.to : c.start, segments };
  });
  if (contours.every((c, k) => c === piece.contours[k])) return piece;
  const before = numbersOf(piece);
  let { next } = before;
  const of = contours.map((c, k) =>
    c === piece.contours[k] ? before.of[k] : Array.from({ length: c.segments.length + (c.open ? 1 : 0) }, () => next++),
  );
  return { ...piece, contours, numbers: { next, of } };
}

/** A piece without points, the outline going on as near to where it went as one curve can; null where nothing is left. */
export function withoutPoints(piece: Piece, points: readonly PointAt[]): Piece | null {
  // From the last to the first, so that the others keep their place.
  const order = [...points].sort((p, q) => q.contour - p.contour || q.index - p.index);
  return order.reduce<Piece | null>(
    (left, { contour, index }) => (left?.contours[contour] ? withoutPoint(left, contour, index) : left),
    piece,
  );
}

/** Ends nearer to one another than this become one point, in px. */
const MEET_PX = 0.5;

/** Whether a point is an end of an open outline. */
export const isEnd = ({ contours }: Piece, { contour, index }: PointAt): boolean => {
  const c = contours[contour];
  return c?.open === true && (index === 0 || index === c.segments.length);
};

const endOf = ({ start, segments }: Contour): Point => segments[segments.length - 1]?.to ?? start;

/** An open outline carried on from its end by another from its start: in one point where they meet, else by a line. */
function carriedOn(first: Contour, then: Contour): Contour {
  const [p, q] = [endOf(first), then.start];
  const apart = Math.hypot(...minus(p, q));
  const kept = apart <= MEET_PX ? withEnds(then, p, endOf(then)).segments : then.segments;
  const bridge: Segment[] = apart <= MEET_PX ? [] : [{ kind: 'line', to: q }];
  return { start: first.start, segments: [...first.segments, ...bridge, ...kept], open: true };
}

/** An open outline closed: in one point where its ends meet, else by a line. */
function closedUp(contour: Contour): Contour {
  const { start, segments } = contour;
  if (Math.hypot(...minus(endOf(contour), start)) <= MEET_PX)
    return { start, segments: withEnds(contour, start, start).segments };
  return { start, segments: [...segments, { kind: 'line', to: start }] };
}

/**
 * An outline of a piece joined at an open end to an end of another one, which is given in the piece's own coordinates, or to its own other end, which closes it. Both ends
 * must be ends of open outlines. The points of the piece are numbered anew.
 */
export function withJoined(piece: Piece, at: PointAt, other: Contour | null, otherIndex: number): Piece {
  const own = piece.contours[at.contour];
  const joinedUp = other
    ? carriedOn(at.index === 0 ? reverseContour(own) : own, otherIndex === 0 ? other : reverseContour(other))
    : closedUp(own);
  const { rule } = piece;
  const contours = piece.contours.map((c, k) => (k === at.contour ? joinedUp : c)).filter((c) => c !== other);
  return { ...withContours(piece, contours), ...(rule ? { rule } : {}) };
}
