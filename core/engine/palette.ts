import { contrastRatio, hexToOklab, oklabDistance, oklabToHex, oklabToOklch, oklchToOklab } from '../colour';
import type { PromptParts } from '../prompt';
import { isCreature } from './built';
import { areToldApart } from './dye';
import { landIn } from './grounds';
import type { Knobs } from './knobs';
import { naturalHues, PALE, schemeFor } from './schemes';

/** The colours of one candidate: the ground, and the inks with the dominant one first. */
export interface Palette {
  readonly groundHex: string;
  readonly inks: readonly string[];
  /** Exactly these colours and no shades of them. */
  readonly strict: boolean;
  /** The colours were asked for, so shades stay near them. */
  readonly named: boolean;
  /** Colours are said of single figures, which have them; the inks are for the others. */
  readonly isToldApart: boolean;
  /** From one colour to another, when the prompt asks for it. */
  readonly gradient: readonly [string, string] | null;
}

/** A colour by lightness, chroma and hue, its chroma lowered until the screen can show it. */
export function lch(L: number, C: number, hDeg: number): string {
  const h = ((hDeg % 360) + 360) % 360;
  for (let c = C; c > 0; c -= 0.008) {
    const lab = oklchToOklab({ L, C: c, hDeg: h });
    const hex = oklabToHex(lab);
    if (oklabDistance(hexToOklab(hex), lab) < 0.012) return hex;
  }
  return oklabToHex({ L, a: 0, b: 0 });
}

/** What the colours go by: the first figure, or in a landscape what shines over it at night. */
const leadOf = ({ figures, kind }: PromptParts): string | null => {
  const [first, second] = figures;
  // What is left open has no colour: the other has.
  if (kind === 'negative space' && second && !(second.turned && second.relation === 'inside') && naturalHues(second.drawn)) return second.drawn; // prettier-ignore
  // An arctic fox is as pale as a polar bear, though a fox is drawn for it.
  if (first && isCreature(first.drawn) && PALE.test(first.word)) return first.word;
  // What is made of something has its colour: a moon of cheese is yellow.
  const of = figures.find((f) => f.relation === 'made of' && f.to === 0 && !f.turned)?.drawn;
  if (of && naturalHues(of)) return of;
  return (landIn(figures) && figures.find((f) => /moon|^stars?$/.test(f.drawn))?.drawn) || (first?.drawn ?? null);
};

/** Hues of the second and third ink from the first, as the harmonies of colour have them. */
const HARMONIES: readonly (readonly [number, number])[] = [
  [28, 190],
  [180, 40],
  [150, 210],
  [-32, 150],
  [0, 170],
  [120, 20],
];

interface Mood {
  readonly hues?: readonly [number, number];
  readonly chroma: number;
  readonly lift: number;
  readonly dark?: boolean;
}

const MOODS: Readonly<Record<string, Mood>> = {
  warm: { hues: [20, 85], chroma: 1, lift: 0.03 },
  cool: { hues: [185, 290], chroma: 1, lift: 0 },
  muted: { chroma: 0.42, lift: 0.02 },
  neon: { chroma: 2, lift: 0.22, dark: true },
  pastel: { chroma: 0.6, lift: 0.3 },
  earthy: { hues: [35, 115], chroma: 0.6, lift: 0 },
  bright: { chroma: 1.45, lift: 0.12 },
  dark: { chroma: 0.8, lift: -0.08 },
};
export const MOOD_NAMES = Object.keys(MOODS);

/** Hues in degrees that make good dominant colours, more often than others. */
const DOMINANT_HUES = [15, 28, 45, 75, 130, 155, 175, 195, 225, 250, 262, 275, 300, 345];

/** Colours of a mood fall within it by themselves; named colours stay as they were named. */
export function paletteFor(
  parts: PromptParts,
  count: number | null,
  k: Knobs,
  darkGround = false,
  leeway = 35,
): Palette {
  const mood = parts.mood ? MOODS[parts.mood] : null;
  const wantsDark = darkGround || (mood?.dark ?? false);
  const base0 = DOMINANT_HUES[Math.floor(k('palette/hue') * DOMINANT_HUES.length)] + 8 * k.spread('palette/nudge');
  // A free hand takes other grounds than paper: the darker the freer.
  const bold = leeway >= 60 && !parts.colours.length && k('palette/ground') < (leeway - 50) / 90;
  const groundHex =
    parts.ground?.hex ??
    (wantsDark || (bold && k('palette/night') < (leeway - 40) / 90)
      ? lch(0.22, 0.045, base0 + 200)
      : bold
        ? lch(0.94 - 0.12 * k('palette/tinted'), 0.03, base0 + 150)
        : '#FFFFFF');
  const onDark = hexToOklab(groundHex).L < 0.6;
  const asked = [...(parts.gradient ?? []), ...parts.colours]
    .map((c) => c.hex)
    .filter((hex, i, all) => all.indexOf(hex) === i && oklabDistance(hexToOklab(hex), hexToOklab(groundHex)) > 0.03);
  const exact = count ?? parts.colourCount;
  const isToldApart = areToldApart(parts) && (exact === null || exact >= asked.length);
  const land = landIn(parts.figures);
  // Who has a colour of their own leave the others, and the land, theirs.
  const others = isToldApart ? parts.figures.filter((f) => f.colours.every((c) => c.of !== null)) : parts.figures;
  const said = new Set(isToldApart && (others.length || land || parts.lettering.length) ? parts.figures.flatMap((f) => f.colours.map((c) => c.hex)) : []); // prettier-ignore
  const free = asked.filter((hex) => !said.has(hex));
  const left = exact === null ? null : exact - (asked.length - free.length);
  const wanted = Math.max(1, Math.min(6, left ?? (free.length || 3)));
  const inks = free.slice(0, wanted);
  const named = free.length > 0;
  if (!inks.length && !mood) {
    const scheme = schemeFor(leadOf({ ...parts, figures: others.length ? others : parts.figures }), k, {
      land,
      second: others[1]?.drawn ?? null,
    });
    // On a dark ground what is light leads.
    const lifted = (hex: string, least: number): string => {
      const { L, C, hDeg } = oklabToOklch(hexToOklab(hex));
      return lch(Math.max(least, L), C, hDeg);
    };
    const own = onDark ? [lifted(scheme[1], 0.84), lifted(scheme[2], 0.7), lifted(scheme[0], 0.56)] : scheme;
    inks.push(...own.map((hex) => nudged(hex, k)).slice(0, wanted));
  } else if (!inks.length) {
    const hue = mood?.hues ? mood.hues[0] + k('palette/hue') * (mood.hues[1] - mood.hues[0]) : base0;
    const deep = 0.36 + 0.14 * k('palette/deep') + (mood?.lift ?? 0);
    inks.push(
      onDark
        ? lch(Math.max(0.74, Math.min(0.9, 0.78 + (mood?.lift ?? 0) / 3)), 0.13 * (mood?.chroma ?? 1), hue)
        : lch(Math.max(0.24, Math.min(0.78, deep)), (0.09 + 0.06 * k('palette/chroma')) * (mood?.chroma ?? 1), hue),
    );
  }
  const base = oklabToOklch(hexToOklab(inks[0]));
  const harmony = k.pick('palette/harmony', HARMONIES);
  // Light, middle and bright steps, so that one ink carries and the others set it off.
  const steps = onDark ? [0.6, 0.9, 0.72, 0.5, 0.83] : [0.8, 0.68, 0.58, 0.88, 0.46];
  for (let i = inks.length, n = 0; i < wanted; i++, n++) {
    let L = steps[n % steps.length] + (mood ? mood.lift / 4 : 0);
    if (inks.some((hex) => Math.abs(hexToOklab(hex).L - L) < 0.08)) L += L > 0.7 ? 0.09 : -0.11;
    const hue = mood?.hues
      ? mood.hues[0] + ((base.hDeg - mood.hues[0] + 30 * (n + 1) + 720) % Math.max(20, mood.hues[1] - mood.hues[0]))
      : (base.C < 0.03 ? base0 : base.hDeg) + harmony[n % 2] + 26 * Math.floor(n / 2);
    inks.push(lch(Math.max(0.2, Math.min(0.93, L)), (n % 2 ? 0.15 : 0.1) * (mood?.chroma ?? 1), hue));
  }
  return {
    groundHex,
    inks,
    strict: exact !== null || parts.noShading,
    named,
    isToldApart,
    gradient: parts.gradient ? [parts.gradient[0].hex, parts.gradient[1].hex] : null,
  };
}

/** A colour a little off itself, so that no two candidates have quite the same. */
function nudged(hex: string, k: Knobs): string {
  const { L, C, hDeg } = oklabToOklch(hexToOklab(hex));
  return lch(L + 0.012 * k.spread('palette/lift'), C * (1 + 0.05 * k.spread('palette/chroma')), hDeg + 3 * k.spread('palette/nudge')); // prettier-ignore
}

/** The ink that stands out most from a colour. */
export const clearest = (onHex: string, hexes: readonly string[]): string =>
  [...hexes].sort((p, q) => contrastRatio(q, onHex) - contrastRatio(p, onHex))[0];
