import { findRegions, outsideOf, type Cover, type Picture } from '../raster';
import { sidesOf, tellApart } from '../trace';
import { part } from './part';

/** How far beyond a stroke the picture is looked at, in pixels. */
const AROUND_PX = 24;

/**
 * For each pixel of a covered window, how much of it lies on the same side of the picture's edges as a place: in the area of one ink about that place, whose own edge pixels
 * count by their share. What letters within that area hide belongs to it too: areas that it encloses. Null where the place lies outside.
 */
export function sideOf(picture: Picture, at: readonly [number, number], covered: Cover): Float32Array | null {
  const window = part(
    picture,
    covered.x0 - AROUND_PX,
    covered.y0 - AROUND_PX,
    covered.x0 + covered.widthPx + AROUND_PX,
    covered.y0 + covered.heightPx + AROUND_PX,
  );
  const { widthPx: w, heightPx: h } = window.picture;
  const [px, py] = [Math.floor(at[0]) - window.x0, Math.floor(at[1]) - window.y0];
  if (px < 0 || py < 0 || px >= w || py >= h) return null;
  const { cells } = tellApart(window.picture, 'auto');
  const regions = findRegions(cells.first, w, h);
  const home = regions.of[py * w + px];
  const ink = cells.first[py * w + px];
  // The area and all that it encloses.
  const isHome = outsideOf(w, h, (i) => regions.of[i] === home).map((o) => 1 - o);
  const side = new Float32Array(covered.share.length);
  for (let y = 0; y < covered.heightPx; y++)
    for (let x = 0; x < covered.widthPx; x++) {
      const i = (y + covered.y0 - window.y0) * w + x + covered.x0 - window.x0;
      const sides = sidesOf(i, w, isHome.length);
      // Where the area ends, its own share of the pixel; within it, all of it.
      const isEdge = sides.some((j) => isHome[j] !== isHome[i]);
      if (isHome[i]) side[y * covered.widthPx + x] = isEdge && cells.first[i] === ink ? cells.share[i] : 1;
      else if (isEdge && cells.second[i] === ink) side[y * covered.widthPx + x] = 1 - cells.share[i];
    }
  return side;
}
