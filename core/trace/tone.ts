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
