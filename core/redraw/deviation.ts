/** How far a drawing lies from the edges of the picture that it is drawn over. */
import { Lines, polylineOf } from '../exact';
import type { DrawnShape } from '../vector';
import { asLines, boxOf, contains, runLength, type Box, type Contour, type Point } from '../path';

/** The edges of a picture, to be looked up by place. */
export interface PictureEdges {
  readonly contours: readonly Contour[];
  readonly lines: Lines;
  readonly lengthPx: number;
}

/** How far what is drawn lies from a picture's edges. */
export interface Deviation {
  readonly greatestPx: number;
  /** Where it is greatest. */
  readonly at: Point | null;
  readonly meanPx: number;
  /** The share 0..1 of the picture's edges that something is drawn on. */
  readonly drawnShare: number;
}

const TOLERANCE_PX = 0.05;
/** Places along outlines are looked at this far apart, and no more of them than so many. */
const STEP_PX = 2;
const PLACES_MOST = 3000;
/** An edge is drawn where an outline runs within this of it. */
const DRAWN_PX = 3;

export function pictureEdges(contours: readonly Contour[]): PictureEdges {
  const polylines = contours.map((c) => polylineOf(c, TOLERANCE_PX));
  return { contours, lines: new Lines(polylines), lengthPx: polylines.reduce((sum, l) => sum + runLength(l), 0) };
}

/** Places along polylines, about a step apart. */
function* placesAlong(polylines: readonly Float64Array[], stepPx: number): Generator<Point> {
  for (const line of polylines)
    for (let k = 0; k + 3 < line.length; k += 2) {
      const [ax, ay, bx, by] = [line[k], line[k + 1], line[k + 2], line[k + 3]];
      const parts = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / stepPx));
      for (let i = 0; i < parts; i++) yield [ax + (i / parts) * (bx - ax), ay + (i / parts) * (by - ay)];
    }
}

const holds = (b: Box, [x, y]: Point): boolean => x > b.x && x < b.x + b.width && y > b.y && y < b.y + b.height;

/** How far shapes, from the bottom to the top, lie from edges. What another shape hides, or runs into, is no edge of the drawing. How much of the edges is drawn
 * is only told where that is asked for. */
export function deviationFrom(
  edges: PictureEdges,
  shapes: readonly Pick<DrawnShape, 'contours' | 'inkId'>[],
  asksDrawn = true,
): Deviation {
  const polylines = shapes.map((s) => s.contours.map((c) => polylineOf(c, TOLERANCE_PX)));
  const boxes = shapes.map((s) => boxOf(s.contours));
  const solid = shapes.map((s) => s.contours.filter((c) => !c.open).map((c) => asLines(c)));
  const total = polylines.flat().reduce((sum, l) => sum + runLength(l), 0);
  const stepPx = Math.max(STEP_PX, total / PLACES_MOST);
  let [greatest, at, sum, count] = [0, null as Point | null, 0, 0];
  const isCovered = (own: number, p: Point): boolean =>
    shapes.some(
      (other, k) =>
        k !== own &&
        (k > own || other.inkId === shapes[own].inkId) &&
        holds(boxes[k], p) &&
        solid[k].length > 0 &&
        contains(solid[k], p),
    );
  shapes.forEach((_, own) => {
    for (const p of placesAlong(polylines[own], stepPx)) {
      if (isCovered(own, p)) continue;
      const off = edges.lines.distance(p);
      if (!Number.isFinite(off)) continue;
      sum += off;
      count++;
      if (off > greatest) [greatest, at] = [off, p];
    }
  });
  return {
    greatestPx: greatest,
    at,
    meanPx: count ? sum / count : 0,
    drawnShare: asksDrawn && edges.lengthPx > 0 && count ? drawnOf(edges, polylines.flat()) : 0,
  };
}

function drawnOf(edges: PictureEdges, polylines: readonly Float64Array[]): number {
  const drawn = new Lines(polylines);
  const stepPx = Math.max(STEP_PX, edges.lengthPx / PLACES_MOST);
  let [near, all] = [0, 0];
  for (const p of placesAlong(
    edges.contours.map((c) => polylineOf(c, TOLERANCE_PX)),
    stepPx,
  )) {
    all++;
    if (drawn.distance(p) <= DRAWN_PX) near++;
  }
  return all ? near / all : 0;
}
