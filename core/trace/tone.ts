import type { Rgb } from '../colour';

/** How much differences of colour count against differences of light in noisy pictures: saving with loss spreads colour over several pixels. */
const CHROMA = 0.4;

/**
 * Colours of sRGB, mixtures of which stay mixtures, as coordinates in which distances are about those in levels. Those of a noisy picture are
 * light, and differences of blue and of red from it (ITU-R BT.601), which count for less.
 */
export const tonesFor = (noise: number): ((r: number, g: number, b: number) => Rgb) =>
  noise > 0
    ? (r, g, b) => {
        const y = 0.299 * r + 0.587 * g + 0.114 * b;
        return [Math.sqrt(3) * y, 1.018 * CHROMA * (b - y), 1.122 * CHROMA * (r - y)];
      }
    : (r, g, b) => [r, g, b];

export const minus = (p: Rgb, q: Rgb): Rgb => [p[0] - q[0], p[1] - q[1], p[2] - q[2]];
export const dot = (p: Rgb, q: Rgb): number => p[0] * q[0] + p[1] * q[1] + p[2] * q[2];
export const distance = (p: Rgb, q: Rgb): number => Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);

/** The mixture of two colours that is nearest to a third: its share of the second, 0..1, and how far it is off. */
export function mixtureAt(tone: Rgb, from: Rgb, to: Rgb): [number, number] {
  const d = minus(to, from);
  const length = dot(d, d);
  const t = length ? Math.max(0, Math.min(1, dot(minus(tone, from), d) / length)) : 0;
  return [t, distance(tone, [from[0] + t * d[0], from[1] + t * d[1], from[2] + t * d[2]])];
}

/** Three colours whose tones lie this near to one line say little of how a fourth is mixed of them: the square of a sine. */
const IN_LINE = 1e-6;

/**
 * How a colour is best mixed of three: the shares of the second and of the third, and how far off that is, in levels. Infinitely far where one would
 * have a share below nothing, or the three lie in a line.
 */
export function mixtureOfThree(
  tone: Rgb,
  a: Rgb,
  b: Rgb,
  c: Rgb,
  inLine = IN_LINE,
): [second: number, third: number, off: number] {
  const [u, v, p] = [minus(b, a), minus(c, a), minus(tone, a)];
  const [uu, uv, vv, up, vp] = [dot(u, u), dot(u, v), dot(v, v), dot(u, p), dot(v, p)];
  const det = uu * vv - uv * uv;
  if (det < inLine * uu * vv) return [0, 0, Infinity];
  const [s, t] = [(up * vv - vp * uv) / det, (vp * uu - up * uv) / det];
  if (s < 0 || t < 0 || s + t > 1) return [0, 0, Infinity];
  return [s, t, distance(p, [s * u[0] + t * v[0], s * u[1] + t * v[1], s * u[2] + t * v[2]])];
}

/** Shares of a layer are tried no nearer to each other than this. */
const SHARE_STEP = 1 / 64;

/**
 * The share, 0..1, of four layers, the uppermost first, that come nearest to a colour where each covers the same share of what is below it, and the last all
 * of it; and how far off that is, in levels. Only mixtures within `enough` levels are looked for.
 */
export function mixtureThrough(
  [r, g, b]: Rgb,
  first: Rgb,
  second: Rgb,
  third: Rgb,
  last: Rgb,
  enough: number,
): [share: number, off: number] {
  // A mixture moves by no more than three times what its layers are apart, as its share goes from 0 to 1: what is far off lets shares be skipped.
  const layers = [first, second, third, last];
  let apart = 0;
  for (let k = 1; k < layers.length; k++)
    for (let m = 0; m < k; m++) apart = Math.max(apart, distance(layers[k], layers[m]));
  const speed = 3 * apart;
  let [best, least] = [0, Infinity];
  for (let s = SHARE_STEP; s < 1;) {
    const left = 1 - s;
    const under = left * left;
    const [w, v] = [s * left, s * under];
    const deep = under * left;
    const dr = s * first[0] + w * second[0] + v * third[0] + deep * last[0] - r;
    const dg = s * first[1] + w * second[1] + v * third[1] + deep * last[1] - g;
    const db = s * first[2] + w * second[2] + v * third[2] + deep * last[2] - b;
    const off = Math.sqrt(dr * dr + dg * dg + db * db);
    if (off < least) [best, least] = [s, off];
    s += Math.max(1, Math.ceil((off - enough) / speed / SHARE_STEP)) * SHARE_STEP;
  }
  return [best, least];
}
