/** Colours changed a step at a time, within sRGB. */
import {
  contrastRatio,
  hexToOklab,
  hexToRgb,
  inGamut,
  oklabToHex,
  oklabToOklch,
  oklchToOklab,
  type Oklch,
} from './convert';

export const TUNINGS = ['lighter', 'darker', 'warmer', 'cooler', 'calmer', 'stronger'] as const;
export type Tuning = (typeof TUNINGS)[number];

/** Steps of lightness, of hue in degrees, and of chroma as a factor, with the least that chroma grows by. */
const [LIGHT_STEP, HUE_STEP_DEG, CHROMA_FACTOR, CHROMA_LEAST] = [0.03, 8, 1.15, 0.01];
/** Hues that are warmest and coolest, in degrees of OKLCH. */
const [WARM_DEG, COOL_DEG] = [60, 240];

export const hexToOklch = (hex: string): Oklch => oklabToOklch(hexToOklab(hex));

/** A colour as hex, with no more chroma than sRGB has at its lightness and hue. */
export const oklchToHex = (lch: Oklch): string => oklabToHex(oklchToOklab(inGamut(lch)));

/** A colour a step on. */
export function tuned(hex: string, how: Tuning): string {
  const { L, C, hDeg } = hexToOklch(hex);
  const towards = (to: number): number => {
    const turn = ((to - hDeg + 540) % 360) - 180;
    return (hDeg + Math.sign(turn) * Math.min(Math.abs(turn), HUE_STEP_DEG) + 360) % 360;
  };
  switch (how) {
    case 'lighter':
      return oklchToHex({ L: L + LIGHT_STEP, C, hDeg });
    case 'darker':
      return oklchToHex({ L: L - LIGHT_STEP, C, hDeg });
    case 'warmer':
      return oklchToHex({ L, C, hDeg: towards(WARM_DEG) });
    case 'cooler':
      return oklchToHex({ L, C, hDeg: towards(COOL_DEG) });
    case 'calmer':
      return oklchToHex({ L, C: C / CHROMA_FACTOR, hDeg });
    case 'stronger':
      return oklchToHex({ L, C: Math.max(C * CHROMA_FACTOR, C + CHROMA_LEAST), hDeg });
  }
}

/** The colour with the nearest lightness at which it has a contrast (WCAG 2.2) with another; null where it has it at none. */
export function contrasting(hex: string, against: string, least: number): string | null {
  const own = hexToOklch(hex);
  for (let step = 0; step <= 100; step++)
    for (const way of [1, -1]) {
      const tried = oklchToHex({ ...own, L: own.L + way * step * 0.01 });
      if (contrastRatio(tried, against) >= least) return tried;
    }
  return null;
}

/** Cyan, magenta, yellow and black, 0..1. */
export type Cmyk = readonly [number, number, number, number];

/**
 * Shares of a press by the plain formula: sRGB numbers as they are, their common grey wholly as black, no press profile. One of cyan, magenta and yellow is always none, so
 * the whole stays under 300 percent.
 */
export function cmykOf(hex: string): Cmyk {
  const [r, g, b] = hexToRgb(hex).map((v) => v / 255);
  const black = 1 - Math.max(r, g, b);
  const of = (v: number): number => (black === 1 ? 0 : (1 - v - black) / (1 - black));
  return [of(r), of(g), of(b), black];
}

/** The same in whole percent: a first idea, which no press is asked for. */
export const hexToCmyk = (hex: string): Cmyk => cmykOf(hex).map((v) => Math.round(100 * v)) as unknown as Cmyk;
