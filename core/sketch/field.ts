import { contours as isolines } from 'd3-contour';
import { cover, distanceTo } from '../raster';

/** Closed rings of points, x and y in turn; holes run the other way. */
export type Rings = readonly (readonly number[])[];

/**
 * Outlines of where a field of numbers is above a level (marching squares, by way of d3-contour): `values` has width x height samples, each
 * at the middle of its pixel. Rings are in pixels, outer ones clockwise on a screen.
 */
export function outlinesAt(values: ArrayLike<number>, width: number, height: number, level: number): Rings {
  const [found] = isolines().size([width, height]).smooth(true).thresholds([level])(Array.from(values));
  return found.coordinates.flatMap((polygon) =>
    polygon.map((ring) => {
      const out: number[] = [];
      for (let i = 0; i + 1 < ring.length; i++) out.push(ring[i][0], ring[i][1]);
      return out;
    }),
  );
}

/** How much rings, times `k`, cover of each pixel of a side x side grid, 0..1. */
function maskOf(rings: Rings, side: number, k: number): Float32Array {
  const mask = new Float32Array(side * side);
  const c = cover(
    rings.map((r) => r.map((v) => v * k)),
    side,
    side,
  );
  if (c)
    for (let y = 0; y < c.heightPx; y++)
      mask.set(c.share.subarray(y * c.widthPx, (y + 1) * c.widthPx), (y + c.y0) * side + c.x0);
  return mask;
}

/** Signed distance to the edge of rings on a side x side grid over a field of `size` units: positive inside, in units. */
export function signedField(rings: Rings, side: number, size: number): Float32Array {
  const k = side / size;
  const mask = maskOf(rings, side, k);
  const out = distanceTo((i) => mask[i] >= 0.5, side, side);
  const within = distanceTo((i) => mask[i] < 0.5, side, side);
  for (let i = 0; i < out.length; i++) {
    const far = Math.max(out[i], within[i]);
    // The share of a pixel on the edge says where in it the edge runs.
    if (far < 1.5 && mask[i] > 0.01 && mask[i] < 0.99) out[i] = (mask[i] - 0.5) / k;
    else out[i] = (within[i] > 0 ? within[i] - 0.5 : 0.5 - out[i]) / k;
  }
  return out;
}

/** The shape between two shapes: `share` 0 is the first, 1 the second (interpolated distance fields, after Payne and Toga 1992). */
export function between(first: Rings, second: Rings, share: number, size = 100, side = 200): Rings {
  if (share <= 0) return first;
  if (share >= 1) return second;
  const a = signedField(first, side, size);
  const b = signedField(second, side, size);
  for (let i = 0; i < a.length; i++) a[i] = a[i] * (1 - share) + b[i] * share;
  const k = size / side;
  return outlinesAt(a, side, side, 0).map((ring) => ring.map((v) => v * k));
}

/** Share of the area of either that both have (intersection over union), on a grid of `side` samples over a field of `size` units. */
export function overlapOf(first: Rings, second: Rings, size = 100, side = 256): number {
  const k = side / size;
  const masks = [first, second].map((rings) => maskOf(rings, side, k));
  let [both, either] = [0, 0];
  for (let i = 0; i < side * side; i++) {
    both += Math.min(masks[0][i], masks[1][i]);
    either += Math.max(masks[0][i], masks[1][i]);
  }
  return either ? both / either : 0;
}
