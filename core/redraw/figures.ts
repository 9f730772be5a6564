/** Plain shapes by a few places. */
import {
  circleOfArcs,
  circleThrough,
  cross,
  ellipse,
  minus,
  polygon,
  rectangleOfArcs,
  unit,
  type Contour,
  type Point,
} from '../path';

/** Shapes that are drawn by places, and how many places each way of drawing them takes. */
export const FIGURES = {
  'circle-centre': { label: 'centre and edge', places: 2 },
  'circle-ends': { label: 'two ends', places: 2 },
  'circle-three': { label: 'three places', places: 3 },
  'ellipse-box': { label: 'two corners', places: 2 },
  'ellipse-axis': { label: 'an axis and the width', places: 3 },
  rectangle: { label: 'two corners', places: 2 },
  polygon: { label: 'middle and corner', places: 2 },
  line: { label: 'two ends', places: 2 },
} as const;
export type FigureKind = keyof typeof FIGURES;

/** What a shape has beside its places. */
export interface FigureOptions {
  /** Of a rectangle's corners, in px. */
  readonly radiusPx: number;
  /** Of a polygon. */
  readonly sides: number;
}

/** Shapes smaller than this either way are none, in px. */
const LEAST_PX = 0.01;

const distance = (p: Point, q: Point): number => Math.hypot(...minus(q, p));

function boxFrom(p: Point, q: Point): { x: number; y: number; width: number; height: number } | null {
  const [width, height] = [Math.abs(q[0] - p[0]), Math.abs(q[1] - p[1])];
  if (width < LEAST_PX || height < LEAST_PX) return null;
  return { x: Math.min(p[0], q[0]), y: Math.min(p[1], q[1]), width, height };
}

const circleAbout = ([x, y]: Point, radius: number): Contour | null =>
  radius < LEAST_PX ? null : circleOfArcs(x, y, radius);

/** An ellipse by the ends of one axis and a place whose distance from that is half the other. */
function ellipseOn(p: Point, q: Point, r: Point): Contour | null {
  const way = unit(minus(q, p));
  const [a, b] = [distance(p, q) / 2, Math.abs(cross(way, minus(r, p)))];
  if (a < LEAST_PX || b < LEAST_PX) return null;
  return ellipse((p[0] + q[0]) / 2, (p[1] + q[1]) / 2, a, b, Math.atan2(way[1], way[0]));
}

/** A polygon of equal sides about a middle, one of its corners at a place. */
function regular(middle: Point, corner: Point, sides: number): Contour | null {
  const radius = distance(middle, corner);
  if (radius < LEAST_PX) return null;
  const from = Math.atan2(corner[1] - middle[1], corner[0] - middle[0]);
  return polygon(
    Array.from({ length: sides }, (_, k): Point => {
      const t = from + (2 * Math.PI * k) / sides;
      return [middle[0] + radius * Math.cos(t), middle[1] + radius * Math.sin(t)];
    }),
  );
}

/** The outline of a shape by its places; null while there are too few, or they make nothing. Circles are of arcs, so that they stay circles. */
export function figureBy(kind: FigureKind, places: readonly Point[], options: FigureOptions): Contour | null {
  const [p, q, r] = places;
  if (places.length < FIGURES[kind].places) return null;
  switch (kind) {
    case 'circle-centre':
      return circleAbout(p, distance(p, q));
    case 'circle-ends':
      return circleAbout([(p[0] + q[0]) / 2, (p[1] + q[1]) / 2], distance(p, q) / 2);
    case 'circle-three': {
      const round = circleThrough([p, q, r]);
      return round && round.radius < 1e5 ? circleAbout(round.middle, round.radius) : null;
    }
    case 'ellipse-box': {
      const box = boxFrom(p, q);
      if (!box) return null;
      const { x, y, width, height } = box;
      if (Math.abs(width - height) < 1e-9) return circleAbout([x + width / 2, y + height / 2], width / 2);
      return ellipse(x + width / 2, y + height / 2, width / 2, height / 2);
    }
    case 'ellipse-axis':
      return ellipseOn(p, q, r);
    case 'rectangle': {
      const box = boxFrom(p, q);
      return box && rectangleOfArcs(box.x, box.y, box.width, box.height, options.radiusPx);
    }
    case 'polygon':
      return regular(p, q, Math.max(3, Math.round(options.sides)));
    case 'line':
      return distance(p, q) < LEAST_PX ? null : { start: p, segments: [{ kind: 'line', to: q }], open: true };
  }
}

/** What there is of a shape while its last place is still to come: enough to see where one is. */
export function figureSoFar(kind: FigureKind, places: readonly Point[]): Contour | null {
  if (places.length < 2) return null;
  const [p, q] = places;
  return kind === 'circle-three' || kind === 'ellipse-axis'
    ? { start: p, segments: [{ kind: 'line', to: q }], open: true }
    : null;
}
