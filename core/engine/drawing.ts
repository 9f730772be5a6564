import {
  circle,
  ellipse,
  mapContour,
  parsePath,
  path,
  polygon,
  rectangle,
  reverseContour,
  turnAbout,
  type Affine,
  type Contour,
  type Point,
} from '../path';

/**
 * What a part is for, so that a palette can be laid on it: `body` carries the figure, `second` and `accent` stand on it, `light`
 * shows the ground through.
 */
export type Role = 'body' | 'second' | 'accent' | 'light';

/** One part of a figure, in a field of 100 x 100. With a `weight` its contours are lines of that width, else filled areas. */
export interface Part {
  readonly role: Role;
  readonly contours: readonly Contour[];
  readonly weight?: number;
  /** What of somebody it is, where a colour can be said of that: "shell". */
  readonly of?: string;
}

/** A figure: parts from the bottom up. */
export type Drawing = readonly Part[];

/** Seeded proportions: a number in -1..1 for each name, the same for the same name within a candidate. */
export type Proportion = (name: string) => number;

const partOf =
  (role: Role) =>
  (...contours: Contour[]): Part => ({ role, contours });

export const body = partOf('body');
export const second = partOf('second');
export const accent = partOf('accent');
export const light = partOf('light');

/** Lines of one weight, from path data. */
export const lines = (role: Role, weight: number, data: string): Part => ({
  role,
  weight,
  contours: parsePath(data, { close: false }),
});

const FLIP: Affine = [-1, 0, 0, 1, 100, 0];

/** The contour mirrored about the upright axis x = 50, its direction kept, so that the fill rule still holds. */
export const mirrored = (c: Contour): Contour => reverseContour(mapContour(FLIP, c));

/** A contour and its mirror image. */
export const both = (c: Contour): [Contour, Contour] => [c, mirrored(c)];

/** Two halves of one outline: path data for the right side from top to bottom, mirrored and joined on the axis. */
export function symmetric(data: string): Contour {
  const half = parsePath(data, { close: false })[0];
  const back = reverseContour(mapContour(FLIP, half));
  return { start: half.start, segments: [...half.segments, ...back.segments] };
}

export const moved = (drawing: Drawing, map: Affine): Drawing =>
  drawing.map((p) => ({
    ...p,
    contours: p.contours.map((c) => mapContour(map, c)),
    ...(p.weight === undefined ? {} : { weight: p.weight * Math.sqrt(Math.abs(map[0] * map[3] - map[1] * map[2])) }),
  }));

/** The same contour run the other way, to cut a hole. */
export const hole = reverseContour;

/** A turn about a point. */
export const turned = (c: Contour, rad: number, cx = 50, cy = 50): Contour => mapContour(turnAbout([cx, cy], rad), c);

export { circle, ellipse, path, polygon, rectangle, type Point };
