/** What figures that stand upright and look at us have in common: stances, what they hold, the tones of cloth, where a hat sits. */
import type { Part } from '../figure';
import type { Brow, Dress, Hat } from './dress';
import type { Expression } from './face';
import type { measuresOf } from './head';
import type { Kind } from './kinds';
import { ACCENT, COAT, TONES, type Tone } from './pieces';

export const STANCE_NAMES = ['standing', 'waving', 'pointing', 'running', 'sitting', 'jumping'] as const;
export type Stance = (typeof STANCE_NAMES)[number];

/** How old a figure looks: the larger its head, the younger. */
export type Age = 'young' | 'grown' | 'tall';

export type Two = readonly [number, number];
/** Angles of upper and lower limb from straight down, outwards positive, in degrees: the right arm of the picture, the left; the right leg, the left. */
export interface Limbs {
  readonly arms: readonly [Two, Two];
  readonly legs: readonly [Two, Two];
}

export const LIMBS: Readonly<Record<Stance | 'holding' | 'both hands', Limbs>> = {
  standing: { arms: [[24, 6], [24, 6]], legs: [[4, 0], [4, 0]] },
  waving: { arms: [[112, 158], [24, 6]], legs: [[4, 0], [4, 0]] },
  pointing: { arms: [[88, 92], [34, -40]], legs: [[4, 0], [6, 2]] },
  running: { arms: [[58, 118], [46, -52]], legs: [[54, -20], [-6, 62]] },
  sitting: { arms: [[26, 10], [26, 10]], legs: [[78, 64], [78, 64]] },
  jumping: { arms: [[138, 152], [138, 152]], legs: [[46, -34], [46, -34]] },
  holding: { arms: [[34, 108], [24, 6]], legs: [[4, 0], [4, 0]] },
  'both hands': { arms: [[30, -62], [30, -62]], legs: [[4, 0], [4, 0]] },
}; // prettier-ignore

/** A word for what somebody does, as a stance. */
export function stanceOf(word: string | null): Stance | null {
  if (word === null) return null;
  const said: readonly (readonly [RegExp, Stance])[] = [
    [/^(?:wav|greet|salut|welcom|hail|beckon)/, 'waving'],
    [/^(?:point|show|present|direct)/, 'pointing'],
    [/^(?:run|rac|jogg|sprint|hurr|rush|chas|walk|march|strid|skat|cycl|ski|deliver)/, 'running'],
    [/^(?:sit|rest|meditat|relax|sleep|doz|napp|crouch|squat|loung)/, 'sitting'],
    [/^(?:jump|leap|danc|cheer|celebrat|hop|fly|soar|bounc|div|rejoic)/, 'jumping'],
    [/^(?:stand|wait|pos)/, 'standing'],
  ];
  return said.find(([words]) => words.test(word))?.[1] ?? null;
}

/** A thing in the hand: its outline's parts about (0, 0), 1 unit high or wide at most, and where one takes hold of it. */
export interface Held {
  readonly parts: readonly Part[];
  /** Its size, in units of the figure. */
  readonly size: number;
  /** Held before the chest with both hands. */
  readonly isWide: boolean;
}

export interface FigureOptions {
  readonly stance: Stance;
  readonly expression: Expression;
  readonly age: Age;
  readonly dress: Dress;
  /** Tones of what is held come after the figure's own. */
  readonly held: Held | null;
  /** A thing in the other hand, besides one that one hand holds; its tones come after that one's. */
  readonly other?: Held | null;
  /** Head and shoulders alone, or the head alone. */
  readonly crop: 'whole' | 'bust' | 'head';
}

/** The tones of cloth: what stands out from the fur, and what goes with it. */
export function clothTones(kind: Kind): { main: Tone; trim: Tone } {
  const [fur, coat, accent] = [kind.tones?.[0] ?? TONES[0], kind.tones?.[1] ?? TONES[1], kind.tones?.[2] ?? TONES[2]];
  // Nobody wears the colour of their hair.
  const main: Tone = kind.muzzle !== 'human' && Math.abs(coat - fur) >= Math.abs(accent - fur) ? COAT : ACCENT;
  return { main, trim: main === COAT ? ACCENT : COAT };
}

/** Where a hat sits: over the eyes, however near the crown they are, and between those that stand on bumps. */
export function browOf(kind: Kind, m: ReturnType<typeof measuresOf>): Brow {
  const isBetween = kind.marks.includes('bumps');
  const half = isBetween ? 0.6 * m.apart : m.crown + 1.5;
  // A brim hangs down by two fifths of half its width; the eye and some room are below it.
  const y = isBetween ? m.top + 1.5 : Math.min(m.top + 7.5, m.eyeY - 0.42 * half - 6.5);
  return { x: 50, y, half, middle: m.middle, cheek: m.cheek };
}

/** What is worn about a head and leaves its crown free. */
const OPEN: ReadonlySet<Hat> = new Set<Hat>(['headphones', 'headband', 'goggles', 'space']);
/** Whether what stands up from a crown has no room under what is worn. */
export const coversCrown = ({ hat }: Dress): boolean => hat !== undefined && !OPEN.has(hat);
