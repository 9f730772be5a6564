import type { Rgb } from '../colour';

/** How much differences of colour count against differences of light in noisy pictures: saving with loss spreads colour over several pixels. */
const CHROMA_IF_NOISY = 0.4;

/**
 * Colours of sRGB, mixtures of which stay mixtures, as coordinates in which distances are about those in levels: light, and differences of blue and
 * of red from it (ITU-R BT.601), which count for less in a noisy picture.
 */
export function tonesFor(noise: number): (r: number, g: number, b: number) => Rgb {
  const chroma = noise > 0 ? CHROMA_IF_NOISY : 1;
  const [byLight, byBlue, byRed] = [Math.sqrt(3), 1.018 * chroma, 1.122 * chroma];
  return (r, g, b) => {
    const y = 0.299 * r + 0.587 * g + 0.114 * b;
    return [byLight * y, byBlue * (b - y), byRed * (r - y)];
  };
}
