/** Faces as pixels: the inks of a hole laid with the softness of the edges around it. */
import type { Picture } from '../../raster';
import { relax } from './even';
import { NONE, type Faces } from './faces';
import type { Window } from './hole';
import { paintOf, type Paint } from './paints';

/** Edges blurred by less than this are sharp, as the standard deviation of a Gaussian in pixels. */
const SHARP_PX = 0.25;

/** How far edges are blurred, as the standard deviation of a Gaussian in pixels: from how much of their pixels is mixed. */
export function softnessOf({ prepared, apart: { cells } }: Window): number {
  if (!prepared.soft) return 0;
  let [mixed, edge] = [0, 0];
  for (let i = 0; i < cells.share.length; i++) if (cells.first[i] !== NONE) mixed += 1 - cells.share[i];
  prepared.map.chains.forEach((c, k) => {
    if (c.left >= 254 || c.right >= 254) return;
    const { points } = prepared.located[k];
    for (let i = 2; i < points.length; i += 2)
      edge += Math.hypot(points[i] - points[i - 2], points[i + 1] - points[i - 1]);
  });
  if (!edge) return 0;
  // A blurred edge has 0.8 of its standard deviation in mixtures; covering pixels alone a twelfth of a pixel's square.
  const deviation = mixed / edge / 0.798;
  return Math.sqrt(Math.max(0, deviation * deviation - 1 / 12));
}

/** Lays the faces of a hole onto the whole picture, in place. */
export function layFaces(
  out: Picture,
  window: Window,
  hole: number,
  faces: Faces,
  pure: Uint8Array,
  sigma: number,
): void {
  const { x0, y0, widthPx: w, heightPx: h, fineness, inks } = faces;
  const paints = new Map<number, Paint>();
  const seen = window.picture;
  const laid = new Float32Array(w * h * 4);
  const across = w * fineness;
  const counts = new Map<number, number>();
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const o = 4 * (y * w + x);
      counts.clear();
      let n = 0;
      for (let v = 0; v < fineness; v++)
        for (let u = 0; u < fineness; u++) {
          const ink = inks[(y * fineness + v) * across + x * fineness + u];
          if (ink === NONE) continue;
          n++;
          counts.set(ink, (counts.get(ink) ?? 0) + 1);
        }
      for (const [ink, count] of counts) {
        if (ink === window.clear) continue;
        let paint = paints.get(ink);
        if (!paint) paints.set(ink, (paint = paintOf(window, pure, ink, faces)));
        const rgb = paint(x + x0 + 0.5, y + y0 + 0.5);
        for (let c = 0; c < 3; c++) laid[o + c] += count * rgb[c];
        laid[o + 3] += count;
      }
      if (!n) {
        // Beyond the rim the picture is as it is.
        const i = 4 * ((y + y0) * seen.widthPx + x + x0);
        for (let c = 0; c < 3; c++) laid[o + c] = seen.rgba[i + c];
        laid[o + 3] = 1;
      } else for (let c = 0; c < 4; c++) laid[o + c] /= n;
    }
  fitToRim(laid, window, hole, faces, pure);
  const soft = sigma > SHARP_PX ? softened(laid, w, h, sigma) : laid;
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const at = (y + y0) * seen.widthPx + x + x0;
      if (window.holeOf[at] !== hole) continue;
      const o = 4 * (y * w + x);
      const to = 4 * ((y + y0 + window.top) * out.widthPx + x + x0 + window.left);
      const alpha = soft[o + 3];
      for (let c = 0; c < 3; c++) out.rgba[to + c] = alpha > 0 ? soft[o + c] / alpha : 0;
      out.rgba[to + 3] = 255 * alpha;
    }
}

/** What gradients at the rim differ by from how they were laid goes over evenly into the hole, so that none shows a seam. */
function fitToRim(laid: Float32Array, window: Window, hole: number, faces: Faces, pure: Uint8Array): void {
  const { apart, picture, holeOf } = window;
  const { x0, y0, widthPx: w, heightPx: h } = faces;
  // Noise at the rim would run into the hole.
  if (apart.noise > 0) return;
  const off = new Float32Array(w * h * 4);
  const open = new Uint8Array(w * h).fill(1);
  let known = 0;
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const i = (y + y0) * picture.widthPx + x + x0;
      const k = y * w + x;
      if (holeOf[i] >= 0 || !pure[i] || !apart.inks[apart.cells.first[i]].gradient) continue;
      open[k] = 0;
      known++;
      for (let c = 0; c < 3; c++) off[4 * k + c] = picture.rgba[4 * i + c] - laid[4 * k + c];
    }
  if (!known) return;
  relax(off, w, h, open);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const k = y * w + x;
      const i = (y + y0) * picture.widthPx + x + x0;
      if (holeOf[i] !== hole || laid[4 * k + 3] < 1) continue;
      const ink = faces.inks[(y * faces.fineness + (faces.fineness >> 1)) * w * faces.fineness + x * faces.fineness];
      if (!apart.inks[ink]?.gradient) continue;
      for (let c = 0; c < 3; c++) laid[4 * k + c] += off[4 * k + c];
    }
}

/** Blurred by a Gaussian, four values a pixel; what lies outside is as the last one inside. */
function softened(values: Float32Array, w: number, h: number, sigma: number): Float32Array {
  const r = Math.ceil(3 * sigma);
  const weights = Array.from({ length: 2 * r + 1 }, (_, k) => Math.exp(-((k - r) ** 2) / (2 * sigma * sigma)));
  const sum = weights.reduce((a, b) => a + b, 0);
  const pass = (from: Float32Array, n: number, lines: number, step: number, line: number): Float32Array => {
    const out = new Float32Array(from.length);
    for (let l = 0; l < lines; l++)
      for (let k = 0; k < n; k++)
        for (let c = 0; c < 4; c++) {
          let total = 0;
          for (let d = -r; d <= r; d++)
            total += weights[d + r] * from[4 * (l * line + Math.max(0, Math.min(n - 1, k + d)) * step) + c];
          out[4 * (l * line + k * step) + c] = total / sum;
        }
    return out;
  };
  return pass(pass(values, w, h, 1, w), h, w, w, 1);
}
