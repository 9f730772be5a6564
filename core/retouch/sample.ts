import type { Picture } from '../raster';

/** The weights of four values in a row for a place between the middle two (Catmull and Rom 1974). */
const weights = (t: number): readonly [number, number, number, number] => [
  ((2 - t) * t - 1) * t * 0.5,
  ((3 * t - 5) * t * t + 2) * 0.5,
  ((4 - 3 * t) * t + 1) * t * 0.5,
  (t - 1) * t * t * 0.5,
];

const SAME_AT = [
  [1, 0],
  [0, 1],
  [1, 1],
  [-1, -1],
  [2, -1],
  [-1, 2],
  [2, 2],
] as const;

/** Where all about a place are of one colour, as most places of a drawing are, the index of one; else -1. */
function flatAt(rgba: Uint8ClampedArray, w: number, h: number, x0: number, y0: number): number {
  if (x0 < 1 || y0 < 1 || x0 + 2 >= w || y0 + 2 >= h) return -1;
  const i = 4 * (y0 * w + x0);
  for (let k = 0; k < SAME_AT.length; k++) {
    const j = i + 4 * (SAME_AT[k][1] * w + SAME_AT[k][0]);
    if (
      rgba[i] !== rgba[j] ||
      rgba[i + 1] !== rgba[j + 1] ||
      rgba[i + 2] !== rgba[j + 2] ||
      rgba[i + 3] !== rgba[j + 3]
    )
      return -1;
  }
  return i;
}

/** The colour of a picture at a place between its pixels, whose middles lie at halves; beyond its border it is `outside`. */
export function sampleCubic(
  { widthPx: w, heightPx: h, rgba }: Picture,
  x: number,
  y: number,
  outside: ArrayLike<number>,
): [number, number, number, number] {
  const [px, py] = [x - 0.5, y - 0.5];
  const [x0, y0] = [Math.floor(px + 1e-7), Math.floor(py + 1e-7)];
  const [tx, ty] = [Math.max(0, px - x0), Math.max(0, py - y0)];
  const isOnPixel = tx < 1e-6 && ty < 1e-6;
  if (isOnPixel) {
    if (x0 < 0 || y0 < 0 || x0 >= w || y0 >= h) return [outside[0], outside[1], outside[2], outside[3]];
    const i = 4 * (y0 * w + x0);
    return [rgba[i], rgba[i + 1], rgba[i + 2], rgba[i + 3]];
  }
  const flat = flatAt(rgba, w, h, x0, y0);
  if (flat >= 0) return [rgba[flat], rgba[flat + 1], rgba[flat + 2], rgba[flat + 3]];
  const [wx, wy] = [weights(tx), weights(ty)];
  let [r, g, b, a] = [0, 0, 0, 0];
  for (let v = -1; v < 3; v++)
    for (let u = -1; u < 3; u++) {
      const [sx, sy] = [x0 + u, y0 + v];
      const isInside = sx >= 0 && sy >= 0 && sx < w && sy < h;
      const [from, i] = isInside ? [rgba, 4 * (sy * w + sx)] : [outside, 0];
      const weight = wx[u + 1] * wy[v + 1];
      const alpha = from[i + 3] * weight;
      r += from[i] * alpha;
      g += from[i + 1] * alpha;
      b += from[i + 2] * alpha;
      a += alpha;
    }
  if (a <= 0) return [0, 0, 0, 0];
  const within = (v: number): number => Math.max(0, Math.min(255, v));
  return [within(r / a), within(g / a), within(b / a), within(a)];
}
