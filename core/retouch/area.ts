/** Areas of a picture that something is done to: brushed, outlined, or a box. */
import * as v from 'valibot';
import { circle, flatten, parsePath, strokeArea, type Area as Rings, type Point } from '../path';
import { cover, type Cover, type Picture } from '../raster';
import { grownMask, type Mask } from './mend';

/** How far what is covered may lie from the round brush's true edge, and chords of curves from those, in pixels. */
const CHORD_PX = 0.02;
const CURVE_CHORD_PX = 0.05;

/** The area makes no sense; the message says why. */
export class AreaError extends Error {
  override readonly name = 'AreaError';
}

const coordinate = v.pipe(v.number(), v.minValue(-100_000), v.maxValue(100_000));

/** A place in the picture, in pixels from its left and upper edge. */
export const PointSchema = v.tuple([coordinate, coordinate]);

export const StrokePoints = v.pipe(
  v.array(PointSchema),
  v.minLength(1, 'one point or more'),
  v.maxLength(20_000, 'at most 20000 points'),
);
export const BrushWidth = v.pipe(v.number(), v.minValue(1, '1 px or more'), v.maxValue(2000, '2000 px or less'));
export const OutlineSchema = v.pipe(
  v.string(),
  v.minLength(1, 'an outline'),
  v.maxLength(200_000, 'at most 200000 characters'),
);
const size = v.pipe(v.number(), v.gtValue(0, 'more than 0 px'), v.maxValue(100_000));
export const BoxSchema = v.tuple([coordinate, coordinate, size, size]);

export const AreaSchema = v.variant('by', [
  v.object({ by: v.literal('brush'), points: StrokePoints, widthPx: BrushWidth }),
  v.object({ by: v.literal('outline'), outline: OutlineSchema }),
  v.object({ by: v.literal('box'), box: BoxSchema }),
]);
export type Area = v.InferOutput<typeof AreaSchema>;

/** What a round brush covers along a line of points, as rings; a single place is a dot. */
function brushed(points: readonly Point[], widthPx: number): Rings {
  const [start, ...rest] = points.filter((p, k) => k === 0 || p[0] !== points[k - 1][0] || p[1] !== points[k - 1][1]);
  if (!rest.length) return [flatten(circle(start[0], start[1], widthPx / 2), CHORD_PX)];
  const line = { start, segments: rest.map((to) => ({ kind: 'line', to }) as const), open: true } as const;
  return strokeArea([line], { widthPx, cap: 'round', join: 'round', mitreLimit: 4 }, CHORD_PX);
}

/** What a brush covers of a picture, or null where it lies outside. */
export const coverOfBrush = (points: readonly Point[], widthPx: number, picture: Picture): Cover | null =>
  cover(brushed(points, widthPx), picture.widthPx, picture.heightPx);

/** What an outline covers of a picture, path data as in SVG; null where it lies outside. Throws an AreaError. */
export function coverOfOutline(outline: string, picture: Picture): Cover | null {
  let contours;
  try {
    contours = parsePath(outline);
  } catch {
    throw new AreaError('The outline is not path data such as M10 10L90 10L50 80Z');
  }
  return cover(
    contours.map((c) => flatten(c, CURVE_CHORD_PX)),
    picture.widthPx,
    picture.heightPx,
  );
}

function coverOf(area: Area, picture: Picture): Cover | null {
  if (area.by === 'brush') return coverOfBrush(area.points, area.widthPx, picture);
  if (area.by === 'outline') return coverOfOutline(area.outline, picture);
  const [x, y, w, h] = area.box;
  return cover([[x, y, x + w, y, x + w, y + h, x, y + h]], picture.widthPx, picture.heightPx);
}

/** Every pixel that areas touch, grown by some pixels. Throws an AreaError where they touch none of the picture. */
export function maskOf(areas: readonly Area[], picture: Picture, growPx = 0): Mask {
  const { widthPx, heightPx } = picture;
  const covers = new Uint8Array(widthPx * heightPx);
  let touched = false;
  for (const area of areas) {
    const covered = coverOf(area, picture);
    if (!covered) continue;
    for (let y = 0; y < covered.heightPx; y++)
      for (let x = 0; x < covered.widthPx; x++)
        if (covered.share[y * covered.widthPx + x] > 0) {
          covers[(y + covered.y0) * widthPx + x + covered.x0] = 1;
          touched = true;
        }
  }
  if (!touched) throw new AreaError('The area lies outside the picture');
  const mask = { widthPx, heightPx, covers };
  return growPx > 0 ? grownMask(mask, growPx) : mask;
}

/**
 * What a picture marks as white, of the same size as the one it is for; what is transparent marks nothing. Throws an AreaError where the sizes differ, or it marks nothing.
 */
export function maskFrom({ widthPx, heightPx, rgba }: Picture, picture: Picture): Mask {
  if (widthPx !== picture.widthPx || heightPx !== picture.heightPx)
    throw new AreaError(
      `The area is ${widthPx} x ${heightPx} px and the picture ${picture.widthPx} x ${picture.heightPx} px: they have to be of one size`,
    );
  const covers = new Uint8Array(widthPx * heightPx);
  for (let i = 0; i < covers.length; i++)
    covers[i] = Number((rgba[4 * i] + rgba[4 * i + 1] + rgba[4 * i + 2]) * rgba[4 * i + 3] > 3 * 127 * 255);
  if (!covers.includes(1)) throw new AreaError('The area is empty: nothing in it is white');
  return { widthPx, heightPx, covers };
}
