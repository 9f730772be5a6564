/** Colours that a prompt says of one figure among several: each figure has its own, and the others what they are by nature. */
import { hexToOklab, oklabDistance, oklabToHex } from '../colour';
import { sizeOf } from '../path';
import type { PromptFigure, PromptParts, SaidColour } from '../prompt';
import { seenParts, type Figure, type Part } from './figure';

/** Whether colours are said of some figure, and there are others that they are not said of. */
export const areToldApart = ({ figures, gradient, lettering }: PromptParts): boolean =>
  gradient === null &&
  (figures.length + lettering.length > 1 || partsColoured(figures[0])) &&
  figures.some((f) => f.colours.length > 0);

/** Whether a part of a figure has a colour of its own: "with green eyes". */
const partsColoured = (figure: PromptFigure | undefined): boolean => figure?.colours.some((c) => c.of !== null) ?? false; // prettier-ignore

/** The colours that are said of a figure as a whole, as far as they can be seen where it stands. */
export const ownHexes = (colours: readonly SaidColour[], groundHex: string): string[] =>
  colours.filter((c) => c.of === null).map((c) => apartFrom(groundHex, c.hex));

/** A colour as it is, or as much darker or lighter as to be seen on another; what is said to be white is pale on white. */
export function apartFrom(onHex: string, hex: string): string {
  const [on, { L, a, b }] = [hexToOklab(onHex), hexToOklab(hex)];
  if (oklabDistance(on, { L, a, b }) > 0.12) return hex;
  // What is pale has a breath of blue, so that it is not taken for grey.
  if (on.L > 0.5) return oklabToHex({ L: on.L - 0.17, a: a - 0.008, b: b - 0.02 });
  // On the dark, what is dark is drawn in light.
  return oklabToHex({ L: 0.88, a: 0.3 * a, b: 0.3 * b });
}

/** Whether one colour is seen on another. */
export const isTold = (hex: string, onHex: string): boolean => oklabDistance(hexToOklab(hex), hexToOklab(onHex)) > 0.1; // prettier-ignore

/** A darker or lighter shade of a colour that can be told from it; the other way where there is no room. */
export function shadeTold(hex: string, by: number): string {
  const { L, a, b } = hexToOklab(hex);
  const to = L + by;
  return oklabToHex({ L: to > 0.14 && to < 0.96 ? to : L - by, a, b });
}

/** Parts of somebody that a colour can be said of. */
export const COLOURED_PARTS = /^(?:eyes?|ears?|nose|beak|bill|hair|beard|moustache|mane|horns?|antlers?|wings?|tail|belly|shell)$/; // prettier-ignore
const PART_NAMES: Readonly<Record<string, string>> = { bill: 'beak', antler: 'horn' };
const partNamed = (word: string): string => {
  const one = word.replace(/s$/, '');
  return PART_NAMES[one] ?? one;
};

/** Whether a tone is light, and shows what lies below, or is that of an eye or a nose: it has none of the colours that are said. */
const isFeature = ({ tones, isBuilt }: Figure, tone: number): boolean => tones[tone] > 0.93 || isDark(tones[tone], isBuilt); // prettier-ignore
const isDark = (L: number, isBuilt = false): boolean => isBuilt && L < 0.2;

/**
 * A figure in the colours that are said of it: the tone that most of it has takes the first, the next one the second; what else is
 * darker or lighter is so of the first. Parts for which it is settled already stay; of the others it is settled then.
 */
export function dyed(figure: Figure, said: readonly SaidColour[], groundHex: string, isStrict: boolean): Figure {
  const open = figure.parts.filter((p) => p.dye === undefined);
  if (!open.length) return figure;
  const hexes = ownHexes(said, groundHex);
  const size = new Map<number, number>();
  for (const p of seenParts({ ...figure, parts: open })) size.set(p.tone, (size.get(p.tone) ?? 0) + sizeOf(p.area));
  const bySize = [...size].sort((p, q) => q[1] - p[1]).map(([tone]) => tone);
  const coloured = bySize.filter((t) => !isFeature(figure, t));
  const order = coloured.length ? coloured : bySize;
  const main = figure.tones[order[0]] ?? 0.5;
  const dyeOf = ({ of, tone }: Part): string | null => {
    const own = said.find((c) => c.of !== null && partNamed(c.of) === of)?.hex;
    // What of it has another tone, as the inside of an ear, is darker.
    if (own) return figure.parts.find((p) => p.of === of)?.tone === tone ? apartFrom(groundHex, own) : shadeTold(own, -0.17); // prettier-ignore
    if (!hexes.length) return null;
    const at = order.indexOf(tone);
    if (at === 0) return hexes[0];
    const L = figure.tones[tone];
    if (isFeature(figure, tone)) return isDark(L, figure.isBuilt) && !isStrict && hexToOklab(hexes[0]).L > 0.42 ? deep(hexes[0]) : null; // prettier-ignore
    if (hexes[at]) return hexes[at];
    if (Math.abs(L - main) < 0.05) return hexes[0];
    return isStrict ? null : shadeTold(hexes[0], L < main ? -0.17 : 0.19);
  };
  return { ...figure, parts: figure.parts.map((p) => (p.dye === undefined ? { ...p, dye: dyeOf(p) } : p)) };
}

/** Whether a figure has parts of another with it that no colour is said of, such as a thing in its hand. */
export const isShared = (figure: Figure): boolean => figure.parts.some((p) => p.dye === null && !isFeature(figure, p.tone)); // prettier-ignore

/** A colour so dark that an eye in it is one. */
function deep(hex: string): string {
  const { a, b } = hexToOklab(hex);
  return oklabToHex({ L: 0.24, a: 0.35 * a, b: 0.35 * b });
}

/** A figure that no colour is said of, so that who holds it does not lend it theirs. */
export const undyed = (figure: Figure): Figure => ({ ...figure, parts: figure.parts.map((p) => ({ ...p, dye: p.dye ?? null })) }); // prettier-ignore

/** A figure on a colour, whose parts of a colour of their own have tones of their own; and the colour of each such tone. One that would not be seen there is left out. */
export function toned(
  asked: Figure,
  onHex: string,
): { readonly figure: Figure; readonly pins: ReadonlyMap<number, string> } {
  const pins = new Map<number, string>();
  const figure = {
    ...asked,
    parts: asked.parts.map((p) => (p.dye && !isTold(p.dye, onHex) ? { ...p, dye: null } : p)),
  };
  if (figure.parts.every((p) => !p.dye)) return { figure, pins };
  const used = [...new Set(figure.parts.filter((p) => !p.dye).map((p) => p.tone))].sort((p, q) => p - q);
  const dyes = [...new Set(figure.parts.flatMap((p) => (p.dye ? [p.dye] : [])))];
  for (const [i, hex] of dyes.entries()) pins.set(used.length + i, hex);
  const tones = [...used.map((t) => figure.tones[t]), ...dyes.map((hex) => hexToOklab(hex).L)];
  const parts = figure.parts.map((p) => ({ ...p, tone: p.dye ? used.length + dyes.indexOf(p.dye) : used.indexOf(p.tone) })); // prettier-ignore
  return { figure: { ...figure, tones, parts }, pins };
}
