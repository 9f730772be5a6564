import { hexToRgb } from '../colour';
import {
  blankPicture,
  cover,
  coverUnion,
  layColour,
  strokeOutlines,
  within,
  type Cover,
  type Picture,
} from '../raster';
import { flatten, mapContour, type Affine, type Contour } from '../vector';

/** How an area is filled: flat, or with lines or dots that grow along the area from top to bottom. */
export type Texture = 'lines' | 'dots';

/** One thing to paint: an area, or lines of a weight, in units of the scene. */
export interface Layer {
  readonly contours: readonly Contour[];
  readonly hex: string;
  readonly weight?: number;
  readonly texture?: Texture;
  /** Paint only inside these areas. */
  readonly clip?: readonly Contour[];
}

const isClosed = (c: Contour): boolean => {
  const end = c.segments[c.segments.length - 1].to;
  return Math.hypot(end[0] - c.start[0], end[1] - c.start[1]) < 1e-6;
};

function coverOf(layer: Layer, map: Affine, scale: number, widthPx: number, heightPx: number): Cover | null {
  const placed = layer.contours.map((c) => mapContour(map, c));
  if (layer.weight === undefined)
    return cover(
      placed.map((c) => flatten(c, 0.05)),
      widthPx,
      heightPx,
    );
  const weightPx = layer.weight * scale;
  return coverUnion(
    placed.flatMap((c) => strokeOutlines(flatten(c, 0.05), weightPx, isClosed(c))),
    widthPx,
    heightPx,
  );
}

/** Share of a pixel that a pattern covers. Lines swell from thin above to thick below; dots do the same on a turned grid. */
function textured(c: Cover, texture: Texture, pitchPx: number): Cover {
  const share = new Float32Array(c.share.length);
  for (let y = 0; y < c.heightPx; y++)
    for (let x = 0; x < c.widthPx; x++) {
      const i = y * c.widthPx + x;
      if (!c.share[i]) continue;
      const down = y / c.heightPx;
      let t: number;
      if (texture === 'lines') {
        const wide = pitchPx * (0.34 + 0.4 * down + 0.1 * Math.sin((5 * x) / c.widthPx));
        const off = Math.abs(((y + c.y0 + 0.5) % pitchPx) - pitchPx / 2);
        t = wide / 2 - off + 0.5;
      } else {
        const u = ((x + c.x0 + y + c.y0) * Math.SQRT1_2) / pitchPx;
        const v = ((x + c.x0 - y - c.y0) * Math.SQRT1_2) / pitchPx;
        const off = Math.hypot(u - Math.round(u), v - Math.round(v)) * pitchPx;
        t = pitchPx * (0.24 + 0.46 * down) - off + 0.5;
      }
      share[i] = c.share[i] * Math.max(0, Math.min(1, t));
    }
  return { ...c, share };
}

/**
 * Paints layers, bottom up, on a ground. The scene is 100 units along the picture's shorter side, its middle at (50, 50).
 * `onLayer` hears the share done, 0..1, and may throw to stop.
 */
export function paint(
  layers: readonly Layer[],
  widthPx: number,
  heightPx: number,
  groundHex: string,
  onLayer: (done: number) => void = () => {},
): Picture {
  const picture = blankPicture(widthPx, heightPx, hexToRgb(groundHex));
  const scale = Math.min(widthPx, heightPx) / 100;
  const map: Affine = [scale, 0, 0, scale, widthPx / 2 - 50 * scale, heightPx / 2 - 50 * scale];
  layers.forEach((layer, i) => {
    let c = coverOf(layer, map, scale, widthPx, heightPx);
    if (c && layer.clip) c = within(c, coverOf({ contours: layer.clip, hex: '' }, map, scale, widthPx, heightPx));
    if (c && layer.texture) c = textured(c, layer.texture, Math.max(4, 1.9 * scale));
    if (c) layColour(picture, c, hexToRgb(layer.hex));
    onLayer((i + 1) / layers.length);
  });
  return picture;
}
