/** What a picture's figure is: its box, its ground's colour, its axis. */
import { alongBorder, boxWhere, shrinkToFit, type Box, type Picture } from '../raster';
import { findSymmetry, NOTHING, tellApart, type Apart, type AxisWanted, type Symmetry } from '../trace';

/** A picture is looked at for its axis at this size, in pixels. */
const AXIS_PX = 512;

/** The commonest colour of a picture's border, as four bytes. */
export function groundOf({ widthPx: w, heightPx: h, rgba }: Picture): readonly [number, number, number, number] {
  const counts = new Map<number, number>();
  const count = (i: number): void => {
    const key = rgba[4 * i + 3] < 128 ? -1 : (rgba[4 * i] << 16) | (rgba[4 * i + 1] << 8) | rgba[4 * i + 2];
    counts.set(key, (counts.get(key) ?? 0) + 1);
  };
  alongBorder(w, h, count);
  const [most] = [...counts].reduce((p, q) => (q[1] > p[1] ? q : p));
  return most < 0 ? [0, 0, 0, 0] : [most >> 16, (most >> 8) & 255, most & 255, 255];
}

/** Left, top, width and height of all that is not ground, in pixels; null where there is nothing else. */
export function figureBox({ cells: { first, widthPx, heightPx }, ground, inks }: Apart): Box | null {
  if (ground !== null && inks.length < 2) return null;
  return boxWhere(widthPx, heightPx, (i) => first[i] !== NOTHING && first[i] !== ground);
}

/** Where a point comes to lie on the other side of an axis. */
export function acrossAxis({ x, y, angleRad }: Omit<Symmetry, 'share'>, px: number, py: number): [number, number] {
  const [cos, sin] = [Math.cos(2 * angleRad), Math.sin(2 * angleRad)];
  return [x + cos * (px - x) + sin * (py - y), y + sin * (px - x) - cos * (py - y)];
}

/** The axis that a picture is nearly the same on both sides of, on whole or half pixels where it is upright or level and nearly so; or null. */
export function axisOf(source: Picture, wanted?: AxisWanted): Symmetry | null {
  const small = shrinkToFit(source, AXIS_PX);
  const { cells, ground } = tellApart(small, 'auto');
  const found = findSymmetry(cells, ground, wanted);
  if (!found) return null;
  const scale = source.widthPx / small.widthPx;
  const nearHalf = (v: number): number => (Math.abs(2 * v - Math.round(2 * v)) < 0.6 ? Math.round(2 * v) / 2 : v);
  const isUpright = Math.abs(Math.cos(found.angleRad)) < 1e-6;
  const isLevel = Math.abs(Math.sin(found.angleRad)) < 1e-6;
  return {
    ...found,
    x: isUpright ? nearHalf(found.x * scale) : found.x * scale,
    y: isLevel ? nearHalf(found.y * scale) : found.y * scale,
  };
}
