import { hexToRgb } from '../colour';
import { blankPicture, cover, within, type Cover, type Picture } from '../raster';
import type { Area } from '../path';
import type { Fill, Grain, Layer } from './layer';

/** What lies between the units of a scene and the pixels of a picture. */
interface Screen {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly scale: number;
  readonly dx: number;
  readonly dy: number;
}

function coverOf(area: Area, s: Screen): Cover | null {
  return cover(
    area.map((ring) => {
      const out = new Float64Array(ring.length);
      for (let i = 0; i < ring.length; i += 2) {
        out[i] = ring[i] * s.scale + s.dx;
        out[i + 1] = ring[i + 1] * s.scale + s.dy;
      }
      return out;
    }),
    s.widthPx,
    s.heightPx,
  );
}

/** Value noise on a lattice (after Perlin 1985), 0..1, the same on every machine. */
function latticeNoise(x: number, y: number, seed: number): number {
  const at = (i: number, j: number): number => {
    let h = Math.imul(i, 0x27d4eb2d) ^ Math.imul(j, 0x165667b1) ^ seed;
    h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
    h = Math.imul(h ^ (h >>> 12), 0x297a2d39);
    return ((h ^ (h >>> 15)) >>> 0) / 4294967296;
  };
  const [i, j] = [Math.floor(x), Math.floor(y)];
  let [u, v] = [x - i, y - j];
  u = u * u * (3 - 2 * u);
  v = v * v * (3 - 2 * v);
  const top = at(i, j) * (1 - u) + at(i + 1, j) * u;
  const low = at(i, j + 1) * (1 - u) + at(i + 1, j + 1) * u;
  return top * (1 - v) + low * v;
}

/** Takes away from a cover, in place, what its grain wears off. */
function wear(c: Cover, grain: Grain, s: Screen): void {
  const { size, share, soft = 0.12, along } = grain;
  const [cos, sin] = along === undefined ? [1, 0] : [Math.cos(along), Math.sin(along)];
  const stretch = along === undefined ? 1 : 9;
  const k = 1 / (size * s.scale);
  const noiseAt = (x: number, y: number): number => {
    const px = (x + c.x0 - s.dx) * k;
    const py = (y + c.y0 - s.dy) * k;
    const u = (px * cos + py * sin) / stretch;
    const v = -px * sin + py * cos;
    return 0.62 * latticeNoise(u, v, grain.seed) + 0.38 * latticeNoise(2.3 * u + 7, 2.3 * v + 3, grain.seed ^ 0x5bd1);
  };
  // Noise of broad grains is smooth: it is reckoned on a coarse grid and drawn between.
  const step = Math.max(1, Math.floor((size * s.scale) / 12));
  const columns = Math.ceil(c.widthPx / step) + 2;
  const rows = Math.ceil(c.heightPx / step) + 2;
  const coarse = new Float32Array(step > 1 ? columns * rows : 0);
  for (let j = 0; step > 1 && j < rows; j++)
    for (let i = 0; i < columns; i++) coarse[j * columns + i] = noiseAt(i * step, j * step);
  for (let y = 0; y < c.heightPx; y++) {
    const j = Math.floor(y / step);
    const v = y / step - j;
    for (let x = 0; x < c.widthPx; x++) {
      const at = y * c.widthPx + x;
      if (!c.share[at]) continue;
      let n: number;
      if (step > 1) {
        const i = Math.floor(x / step);
        const u = x / step - i;
        const o = j * columns + i;
        n =
          (coarse[o] * (1 - u) + coarse[o + 1] * u) * (1 - v) +
          (coarse[o + columns] * (1 - u) + coarse[o + columns + 1] * u) * v;
      } else n = noiseAt(x, y);
      const t = (n - share) / (soft + 1e-6) + 0.5;
      c.share[at] *= t < 0 ? 0 : t > 1 ? 1 : t;
    }
  }
}

/** A cover blurred by three passes of a box (a near-Gaussian, Wells 1986), its window widened for the spread. */
function blurredCover(c: Cover, radiusPx: number, s: Screen): Cover {
  const r = Math.max(1, Math.round(radiusPx / 1.7));
  const x0 = Math.max(0, c.x0 - 3 * r);
  const y0 = Math.max(0, c.y0 - 3 * r);
  const w = Math.min(s.widthPx, c.x0 + c.widthPx + 3 * r) - x0;
  const h = Math.min(s.heightPx, c.y0 + c.heightPx + 3 * r) - y0;
  let from = new Float32Array(w * h);
  let to = new Float32Array(w * h);
  for (let y = 0; y < c.heightPx; y++)
    from.set(c.share.subarray(y * c.widthPx, (y + 1) * c.widthPx), (y + c.y0 - y0) * w + c.x0 - x0);
  const pass = (n: number, lines: number, step: number, lineStep: number): void => {
    const norm = 1 / (2 * r + 1);
    for (let l = 0; l < lines; l++) {
      const base = l * lineStep;
      let sum = 0;
      for (let i = 0; i <= Math.min(r, n - 1); i++) sum += from[base + i * step];
      for (let i = 0; i < n; i++) {
        to[base + i * step] = sum * norm;
        if (i + r + 1 < n) sum += from[base + (i + r + 1) * step];
        if (i - r >= 0) sum -= from[base + (i - r) * step];
      }
    }
    [from, to] = [to, from];
  };
  // A blur of about a pixel is near enough to a Gaussian after one pass.
  for (let k = 0; k < (r > 1 ? 3 : 1); k++) {
    pass(w, h, 1, w);
    pass(h, w, w, 1);
  }
  return { x0, y0, widthPx: w, heightPx: h, share: from };
}

/** Lays a fill over an opaque picture, in place, where a cover says, mixing in sRGB as browsers do. */
function lay(picture: Picture, c: Cover, fill: Fill, alpha: number, s: Screen): void {
  const { rgba, widthPx } = picture;
  if (typeof fill === 'string') {
    const [r, g, b] = hexToRgb(fill);
    for (let y = 0; y < c.heightPx; y++)
      for (let x = 0, i = ((y + c.y0) * widthPx + c.x0) * 4, j = y * c.widthPx; x < c.widthPx; x++, i += 4, j++) {
        const t = c.share[j] * alpha;
        if (t <= 0) continue;
        rgba[i] += (r - rgba[i]) * t;
        rgba[i + 1] += (g - rgba[i + 1]) * t;
        rgba[i + 2] += (b - rgba[i + 2]) * t;
      }
    return;
  }
  const [p, q] = fill.hexes.map(hexToRgb);
  const [a0, a1] = fill.alphas ?? [1, 1];
  const [dx, dy] = [fill.to[0] - fill.from[0], fill.to[1] - fill.from[1]];
  const len2 = dx * dx + dy * dy || 1;
  for (let y = 0; y < c.heightPx; y++)
    for (let x = 0; x < c.widthPx; x++) {
      const share = c.share[y * c.widthPx + x] * alpha;
      if (share <= 0) continue;
      const ux = (x + c.x0 + 0.5 - s.dx) / s.scale - fill.from[0];
      const uy = (y + c.y0 + 0.5 - s.dy) / s.scale - fill.from[1];
      let t = fill.kind === 'linear' ? (ux * dx + uy * dy) / len2 : Math.sqrt((ux * ux + uy * uy) / len2);
      t = t < 0 ? 0 : t > 1 ? 1 : t;
      const mix = share * (a0 + (a1 - a0) * t);
      const i = ((y + c.y0) * widthPx + x + c.x0) * 4;
      rgba[i] += (p[0] + (q[0] - p[0]) * t - rgba[i]) * mix;
      rgba[i + 1] += (p[1] + (q[1] - p[1]) * t - rgba[i + 1]) * mix;
      rgba[i + 2] += (p[2] + (q[2] - p[2]) * t - rgba[i + 2]) * mix;
    }
}

/**
 * Paints layers, bottom up, on a ground. The scene is 100 units along the picture's shorter side, its middle at (50, 50).
 * `onLayer` hears the share done, 0..1, and the picture so far; it may throw to stop.
 */
export function paint(
  layers: readonly Layer[],
  widthPx: number,
  heightPx: number,
  groundHex: string,
  onLayer: (done: number, picture: Picture) => void = () => {},
): Picture {
  const picture = blankPicture(widthPx, heightPx, hexToRgb(groundHex));
  const scale = Math.min(widthPx, heightPx) / 100;
  const screen: Screen = { widthPx, heightPx, scale, dx: widthPx / 2 - 50 * scale, dy: heightPx / 2 - 50 * scale };
  const clips = new Map<Area, Cover | null>();
  const clipOf = (area: Area): Cover | null => {
    let found = clips.get(area);
    if (found === undefined) clips.set(area, (found = coverOf(area, screen)));
    return found;
  };
  layers.forEach((layer, i) => {
    let c = coverOf(layer.area, screen);
    if (c && layer.soft) c = blurredCover(c, layer.soft * scale, screen);
    if (c && layer.clip) c = within(c, clipOf(layer.clip));
    if (c && layer.grain) wear(c, layer.grain, screen);
    if (c) lay(picture, c, layer.fill, layer.alpha ?? 1, screen);
    onLayer((i + 1) / layers.length, picture);
  });
  return picture;
}
