/** The numbers of a piece's points. */
import { fitCubic } from '../fit';
import { cutOpen, minus, plus, pointAt, tangentsOf, withPoint, type Contour, type Point, type Segment } from '../path';
import type { Piece, PointNumbers } from './artwork';

/** How many points a contour has; the end of a closed one is its start. */
export const pointCount = ({ segments, open }: Contour): number => segments.length + (open ? 1 : 0);

/** The numbers of a piece's points: those it keeps, or as they are read. */
export function numbersOf(piece: Piece): PointNumbers {
  if (piece.numbers) return piece.numbers;
  let next = 0;
  const of = piece.contours.map((c) => Array.from({ length: pointCount(c) }, () => next++));
  return { next, of };
}

/** Where a point is: its contour and its place there, 0 being the start; null when the piece has no such point. */
export function placeOfPoint(piece: Piece, number: number): { contour: number; index: number } | null {
  const { of } = numbersOf(piece);
  for (const [contour, numbers] of of.entries()) {
    const index = numbers.indexOf(number);
    if (index >= 0) return { contour, index };
  }
  return null;
}

/** The point of a contour at a place. */
export const pointOfContour = ({ start, segments }: Contour, index: number): Point =>
  index === 0 ? start : segments[index - 1].to;

const replaced = <T>(list: readonly T[], at: number, ...by: readonly T[]): T[] => [
  ...list.slice(0, at),
  ...by,
  ...list.slice(at + 1),
];

/** A piece with other contours, whose points all get numbers that none had before; the non-zero rule holds of them. */
export function withContours({ rule: _rule, ...piece }: Piece, contours: readonly Contour[]): Piece {
  let { next } = numbersOf({ ...piece, ...(_rule ? { rule: _rule } : {}) });
  const of = contours.map((c) => Array.from({ length: pointCount(c) }, () => next++));
  return { ...piece, contours, numbers: { next, of } };
}

/** A piece with one contour put in place of another, its points keeping their numbers; what the contour loses is given in its stead. */
function withContour(
  piece: Piece,
  at: number,
  contours: readonly Contour[],
  numbers: readonly (readonly number[])[],
  next: number,
): Piece {
  return {
    ...piece,
    contours: replaced(piece.contours, at, ...contours),
    numbers: { next, of: replaced(numbersOf(piece).of, at, ...numbers) },
  };
}

/** A piece with a point moved, and its handles with it; arcs beside it become as much larger or smaller. */
export function withPointAt(piece: Piece, contour: number, index: number, to: Point): Piece {
  const old = piece.contours[contour];
  const n = old.segments.length;
  const from = pointOfContour(old, index);
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const moved = (p: Point): Point => [p[0] + dx, p[1] + dy];
  const isStart = index === 0;
  const segments = old.segments.map((s, k): Segment => {
    const ends = k === index - 1 || (isStart && !old.open && k === n - 1);
    const begins = k === index;
    if (!ends && !begins) return s;
    const start = pointOfContour(old, k);
    const [a, b] = [begins ? to : start, ends ? to : s.to];
    if (s.kind === 'line') return { ...s, to: b };
    if (s.kind === 'curve') return { ...s, c1: begins ? moved(s.c1) : s.c1, c2: ends ? moved(s.c2) : s.c2, to: b };
    const was = Math.hypot(s.to[0] - start[0], s.to[1] - start[1]) || 1;
    return { ...s, radius: (s.radius * Math.hypot(b[0] - a[0], b[1] - a[1])) / was, to: b };
  });
  return {
    ...piece,
    contours: replaced(piece.contours, contour, { ...old, start: isStart ? to : old.start, segments }),
  };
}

/** A piece with one more point, on a segment at a parameter between 0 and 1; its shape stays. The point's number is the next to give. */
export function withNewPoint(piece: Piece, contour: number, segment: number, t: number): Piece {
  const { next, of } = numbersOf(piece);
  const numbers = [...of[contour].slice(0, segment + 1), next, ...of[contour].slice(segment + 1)];
  return withContour(piece, contour, [withPoint(piece.contours[contour], segment, t)], [numbers], next + 1);
}

/** Places on each of two segments that one is to follow. */
const FOLLOWED = 24;

/** What goes from one point to another in place of two segments, as near to them as one can, in the directions in which they began and ended. */
function bridged(from: Point, first: Segment, second: Segment): Segment {
  if (first.kind === 'line' && second.kind === 'line') return { kind: 'line', to: second.to };
  const on = (start: Point, s: Segment) =>
    Array.from({ length: FOLLOWED }, (_, k) => pointAt(start, s, (k + 1) / FOLLOWED));
  const places = [from, ...on(from, first), ...on(first.to, second)];
  const run = { xs: Float64Array.from(places, (p) => p[0]), ys: Float64Array.from(places, (p) => p[1]) };
  const [[out], [, into]] = [tangentsOf(from, first), tangentsOf(first.to, second)];
  const fit = fitCubic(run, 0, places.length - 1, from, second.to, out, into, 8);
  // Where nothing in those directions comes near, straight through where the point was, nearly.
  const towards = (anchor: Point): Point => plus(anchor, minus(first.to, anchor), 0.6);
  return fit?.segment ?? { kind: 'curve', c1: towards(from), c2: towards(second.to), to: second.to };
}

/** A piece without a point; a contour left with fewer than two points goes, and the piece is null when none is left. */
export function withoutPoint(piece: Piece, contour: number, index: number): Piece | null {
  const { next, of } = numbersOf(piece);
  const { segments, open, ...old } = piece.contours[contour];
  const n = segments.length;
  const numbers = of[contour].filter((_, k) => k !== index);
  if (numbers.length < 2) {
    const rest = withContour(piece, contour, [], [], next);
    return rest.contours.length ? rest : null;
  }
  let after: Contour;
  if (open && index === 0) after = { start: segments[0].to, segments: segments.slice(1), open };
  else if (open && index === n) after = { ...old, segments: segments.slice(0, -1), open };
  else if (index === 0)
    after = {
      start: segments[0].to,
      segments: [
        ...segments.slice(1, -1),
        bridged(pointOfContour({ ...old, segments }, n - 1), segments[n - 1], segments[0]),
      ],
    };
  else {
    const from = pointOfContour({ ...old, segments }, index - 1);
    after = {
      ...old,
      ...(open ? { open } : {}),
      segments: [
        ...segments.slice(0, index - 1),
        bridged(from, segments[index - 1], segments[index]),
        ...segments.slice(index + 1),
      ],
    };
  }
  return withContour(piece, contour, [after], [numbers], next);
}

/** A piece with a contour cut open at a point: closed, it begins and ends there from then on; open, it becomes two. The second end is a new point. */
export function cutAt(piece: Piece, contour: number, index: number): Piece {
  const { next, of } = numbersOf(piece);
  const old = piece.contours[contour];
  const cut = cutOpen(old, index);
  const own = of[contour];
  if (cut.length === 1 && old.open) return piece;
  const numbers = old.open
    ? [own.slice(0, index + 1), [next, ...own.slice(index + 1)]]
    : [[...own.slice(index), ...own.slice(0, index), next]];
  return withContour(piece, contour, cut, numbers, next + 1);
}
