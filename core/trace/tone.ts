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
