/** A single letter changed by hand: the places that its outlines are made of, and what moving one of them makes. */
import type { Contour, Point, Segment } from '../path';

/** A place of outlines: where a segment ends, or one of a curve's handles. */
export interface LetterPoint {
  readonly contour: number;
  readonly segment: number;
  readonly which: 'to' | 'c1' | 'c2';
  readonly at: Point;
  /** Of a handle, the place that it belongs to. */
  readonly of: Point | null;
}

const isSame = (p: Point, q: Point): boolean => Math.abs(p[0] - q[0]) < 1e-9 && Math.abs(p[1] - q[1]) < 1e-9;

/** All places of outlines; the start of each is the end of its last segment. */
export function letterPoints(contours: readonly Contour[]): LetterPoint[] {
  return contours.flatMap(({ start, segments }, contour) => {
    let from = start;
    return segments.flatMap((s, segment): LetterPoint[] => {
      const own = from;
      from = s.to;
      const end: LetterPoint = { contour, segment, which: 'to', at: s.to, of: null };
      if (s.kind !== 'curve') return [end];
      return [
        { contour, segment, which: 'c1', at: s.c1, of: own },
        { contour, segment, which: 'c2', at: s.c2, of: s.to },
        end,
      ];
    });
  });
}

const shifted = (p: Point, [dx, dy]: Point): Point => [p[0] + dx, p[1] + dy];

/** Outlines with one of their places moved to another; where a segment ends, its handles go with it. */
export function withLetterPoint(
  contours: readonly Contour[],
  { contour, segment, which, at }: LetterPoint,
  to: Point,
): Contour[] {
  return contours.map((c, k) => {
    if (k !== contour) return c;
    const by: Point = [to[0] - at[0], to[1] - at[1]];
    const count = c.segments.length;
    const isClosed = isSame(c.segments[count - 1].to, c.start);
    const next = segment + 1 < count ? segment + 1 : isClosed ? 0 : -1;
    const segments = c.segments.map((s, n): Segment => {
      if (which !== 'to') return n === segment && s.kind === 'curve' ? { ...s, [which]: to } : s;
      let own = s;
      if (n === segment) own = own.kind === 'curve' ? { ...own, c2: shifted(own.c2, by), to } : { ...own, to };
      if (n === next && own.kind === 'curve') own = { ...own, c1: shifted(own.c1, by) };
      return own;
    });
    const movesStart = which === 'to' && isClosed && segment === count - 1;
    return { ...c, start: movesStart ? to : c.start, segments };
  });
}
