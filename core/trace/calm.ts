import type { Picture } from '../raster';
import type { Plains } from './plains';

/** Levels beyond which noise is cut off by the ends of the scale. */
const [DARKEST, LIGHTEST] = [6, 249];

/** With a smaller share of its levels between those, little can be told of a picture's noise, and it is taken to be no more than this. */
const FEW = 0.15;
const RINGING = 1.5;

/** Noisier than this, in levels, a picture is calmed before it is told apart. */
export const NOISY = 0.6;

/**
 * A picture that was saved with loss has flat areas without noise, and ringing beside edges: so much of it is uneven, and so much differs by half this
 * many levels or more from the middle of what lies on both sides. Slow changes of colour are uneven, and blurred edges rough, but not both.
 * It counts as this noisy, in levels.
 */
const ROUGH = 4;
const LOSSY_UNEVEN = 0.025;
const LOSSY_ROUGH = 0.02;
const LOSSY = 2.5;

/**
 * How noisy flat areas are, in levels: how far a pixel is from the middle of two a little to its left and right, on the mean. About 0 in clean
 * pictures, slow changes of colour or not. Noise that was saved with loss is coarse, so that next neighbours say little. `uneven` is the share of flat
 * pixels that differ from the next one.
 */
export function noiseOf({ widthPx: w, rgba }: Picture, flat: Uint8Array, uneven: number): number {
  const LAG = 3;
  // By half levels.
  const counts = new Uint32Array(512);
  let [n, all] = [0, 0];
  for (let i = LAG; i + LAG < flat.length; i += 3) {
    if (!flat[i] || !flat[i - LAG] || !flat[i + LAG] || i % w < LAG || i % w >= w - LAG) continue;
    for (let c = 0; c < 3; c++) {
      const v = rgba[4 * i + c];
      all++;
      if (v < DARKEST || v > LIGHTEST) continue;
      counts[Math.abs(2 * v - rgba[4 * (i - LAG) + c] - rgba[4 * (i + LAG) + c])]++;
      n++;
    }
  }
  // The mean of the lowest three quarters, which edges between near inks do not reach; normal noise gives 1.55 times that on the whole.
  let [sum, taken] = [0, 0];
  for (let k = 0; taken < 0.75 * n; k++) {
    const here = Math.min(counts[k], 0.75 * n - taken);
    sum += (k / 2) * here;
    taken += here;
  }
  const noise = n ? (1.55 * sum) / (0.75 * n) : 0;
  // Where nearly all is black or white, what is left is mostly the ringing beside edges.
  const told = n < FEW * all ? Math.min(noise, RINGING) : noise;
  const rough = counts.subarray(ROUGH).reduce((total, c) => total + c, 0);
  return told <= NOISY && uneven >= LOSSY_UNEVEN && rough >= LOSSY_ROUGH * n ? LOSSY : told;
}

/** How far around a pixel others are taken into its mean, in pixels. */
const REACH_PX = 3;

/** Colours that differ by this many times the noise count for little. */
const ALIKE = 4;

/**
 * A picture without its noise: each pixel the mean of some around it that are like it (the bilateral filter of Tomasi and Manduchi 1998). Edges stay
 * where they are, since their two sides are not alike.
 */
export function calmed({ widthPx: w, heightPx: h, rgba }: Picture, { busy }: Plains, noise: number): Picture {
  const out = new Uint8ClampedArray(rgba);
  const spread = 3 * (ALIKE * noise) ** 2;
  // Weights by the square of the difference of two colours, in steps of 4.
  const weights = Float32Array.from({ length: Math.ceil((9 * spread) / 4) }, (_, k) => Math.exp((-4 * k) / spread));
  // Every second one of those around it is enough, as on the fields of one colour of a chessboard.
  const dx: number[] = [];
  const dy: number[] = [];
  for (let v = -REACH_PX; v <= REACH_PX; v++)
    for (let u = -REACH_PX; u <= REACH_PX; u++)
      if ((u + v) % 2 === 0) {
        dx.push(u);
        dy.push(v);
      }
  const taps = dx.length;
  const steps = Int32Array.from(dx, (u, k) => 4 * (dy[k] * w + u));
  // What is plain stays as it is.
  for (let s = 0; s < busy.length; s += 2) {
    const y = Math.floor(busy[s] / w);
    for (let i = busy[s], x = i - y * w, o = 4 * i; i < busy[s + 1]; i++, x++, o += 4) {
      const inside = x >= REACH_PX && y >= REACH_PX && x < w - REACH_PX && y < h - REACH_PX;
      const r = rgba[o];
      const g = rgba[o + 1];
      const b = rgba[o + 2];
      let [sr, sg, sb, sum] = [0, 0, 0, 0];
      for (let k = 0; k < taps; k++) {
        if (!inside && (x + dx[k] < 0 || x + dx[k] >= w || y + dy[k] < 0 || y + dy[k] >= h)) continue;
        const q = o + steps[k];
        const dr = rgba[q] - r;
        const dg = rgba[q + 1] - g;
        const db = rgba[q + 2] - b;
        const apart = (dr * dr + dg * dg + db * db) >> 2;
        if (apart >= weights.length) continue;
        const weight = weights[apart];
        sr += weight * rgba[q];
        sg += weight * rgba[q + 1];
        sb += weight * rgba[q + 2];
        sum += weight;
      }
      out[o] = sr / sum;
      out[o + 1] = sg / sum;
      out[o + 2] = sb / sum;
    }
  }
  return { widthPx: w, heightPx: h, rgba: out };
}
