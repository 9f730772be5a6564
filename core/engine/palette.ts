import { contrastRatio, hexToOklab, oklabDistance, oklabToHex, oklabToOklch, oklchToOklab } from '../colour';
import type { PromptParts } from '../prompt';
import { pick, type Random } from './random';
import type { Role } from './drawing';

/** The colours of one candidate: the ground, and the inks with the dominant one first. */
export interface Palette {
  readonly groundHex: string;
  readonly inks: readonly string[];
}

/** Offsets of hue for a second and third ink, as colour harmonies have them. */
const HARMONIES = [
  [180, 150],
  [140, 40],
  [30, 200],
  [60, 180],
];

const lch = (L: number, C: number, hDeg: number): string =>
  oklabToHex(oklchToOklab({ L, C, hDeg: (hDeg + 360) % 360 }));

/** The palette a prompt asks for; what it leaves open is filled from the harmonies of its dominant colour. */
export function paletteFor(parts: PromptParts, count: number | null, random: Random): Palette {
  const groundHex = parts.ground?.hex ?? '#FFFFFF';
  const dark = hexToOklab(groundHex).L > 0.6;
  const asked = parts.colours
    .map((c) => c.hex)
    .filter((hex) => oklabDistance(hexToOklab(hex), hexToOklab(groundHex)) > 0.03);
  const wanted = Math.max(1, Math.min(6, count ?? parts.colourCount ?? (asked.length || 2)));
  const inks = asked.slice(0, wanted);
  if (!inks.length) inks.push(lch(dark ? 0.34 + 0.08 * random() : 0.82, 0.08 + 0.05 * random(), 360 * random()));
  const base = oklabToOklch(hexToOklab(inks[0]));
  const harmony = pick(random, HARMONIES);
  const lightness = dark ? [0.78, 0.62, 0.5, 0.7, 0.56] : [0.66, 0.86, 0.74, 0.6, 0.9];
  for (let i = inks.length, k = 0; i < wanted; i++, k++) {
    const L =
      Math.abs(lightness[k] - base.L) < 0.12 ? lightness[k] + 0.16 * (lightness[k] >= base.L ? 1 : -1) : lightness[k];
    inks.push(
      lch(
        Math.max(0.2, Math.min(0.92, L)),
        base.C < 0.03 ? 0.1 : 0.12,
        base.hDeg + harmony[k % 2] + 30 * Math.floor(k / 2),
      ),
    );
  }
  return { groundHex, inks };
}

/** Which hex each role gets for a figure that stands on a colour; `separate` when parts would run together without a gap. */
export interface Tint {
  readonly hexOf: Readonly<Record<Role, string>>;
  readonly separate: boolean;
}

/** Lays inks on roles, leaving out those that could not be told from what lies below. */
export function tintOn(onHex: string, inks: readonly string[]): Tint {
  const seen = inks.filter((hex) => oklabDistance(hexToOklab(hex), hexToOklab(onHex)) > 0.12);
  const usable = seen.length
    ? seen
    : [contrastRatio(onHex, '#000000') > contrastRatio(onHex, '#FFFFFF') ? '#000000' : '#FFFFFF'];
  const [body, second = body, accent = usable[1] ?? body] = usable;
  return { hexOf: { body, second, accent, light: onHex }, separate: second === body };
}
