import { blankPicture, type Picture } from '../raster';

/** The part of a picture within a box, and where it begins; the box is cut off at the picture's border, and at least a pixel large. */
export function part(
  picture: Picture,
  left: number,
  top: number,
  right: number,
  bottom: number,
): { picture: Picture; x0: number; y0: number } {
  const { widthPx: w, heightPx: h, rgba } = picture;
  const within = (v: number, most: number): number => Math.max(0, Math.min(most, Math.round(v)));
  const [x0, y0] = [within(left, w - 1), within(top, h - 1)];
  const [x1, y1] = [Math.max(x0 + 1, within(right, w)), Math.max(y0 + 1, within(bottom, h))];
  const out = blankPicture(x1 - x0, y1 - y0);
  for (let y = y0; y < y1; y++)
    out.rgba.set(rgba.subarray(4 * (y * w + x0), 4 * (y * w + x1)), 4 * (y - y0) * out.widthPx);
  return { picture: out, x0, y0 };
}
