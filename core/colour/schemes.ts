/** Schemes for a set of inks: harmonies whose contrast holds, no two alike, from a seed. */
import {
  contrastRatio,
  hexToOklab,
  inGamut,
  luminance,
  oklabDistance,
  oklabToHex,
  oklabToOklch,
  oklchToOklab,
  type Oklch,
} from './convert';
import { randomFrom } from '../random';

/** An ink for which a scheme has a colour. */
export interface SchemeInk {
  /** The master's. */
  readonly hex: string;
  /** How much of the mark has it, 0..1. */
  readonly share: number;
  readonly locked?: boolean;
  readonly touchesGround: boolean;
}

/** What schemes are asked for. */
export interface SchemeAsk {
  readonly inks: readonly SchemeInk[];
  /** Pairs of inks, by number, whose pieces touch. */
  readonly touching: readonly (readonly [number, number])[];
  readonly grounds: readonly string[];
  /** Contrast (WCAG 2.2) of inks that touch, and of those that touch the ground with every ground. */
  readonly least: number;
  readonly wanted?: readonly string[];
  readonly unwanted?: readonly string[];
  /** What is dark and what is light in the master need not be so. */
  readonly free?: boolean;
  readonly count: number;
  readonly seed: number;
}

export interface Scheme {
  /** A colour for each ink. */
  readonly hexes: readonly string[];
  /** How it was made, in a few words. */
  readonly how: string;
  readonly leastContrast: number;
}

export interface Schemes {
  readonly schemes: readonly Scheme[];
  /** What of what was asked for could not be had, in sentences; empty where all was. */
  readonly told: readonly string[];
  /** The contrast that is held in all of them. */
  readonly least: number;
}

/** The least contrast of a set of inks, and what has it; infinite where nothing touches anything. */
export function contrastOf(
  hexes: readonly string[],
  { inks, touching, grounds }: Pick<SchemeAsk, 'inks' | 'touching' | 'grounds'>,
): { least: number; pair: readonly [number, number] | readonly [number, string] | null } {
  let least = Infinity;
  let pair: readonly [number, number] | readonly [number, string] | null = null;
  const hear = (ratio: number, of: readonly [number, number] | readonly [number, string]): void => {
    if (ratio < least) [least, pair] = [ratio, of];
  };
  for (const [p, q] of touching) hear(contrastRatio(hexes[p], hexes[q]), [p, q]);
  inks.forEach(({ touchesGround }, k) => {
    if (touchesGround) for (const ground of grounds) hear(contrastRatio(hexes[k], ground), [k, ground]);
  });
  return { least, pair };
}

/**
 * Light is counted as the logarithm of luminance with the glare of WCAG's formula: a contrast is a difference there, whatever the two lights are. 0 is black.
 */
const lightOf = (hex: string): number => Math.log((luminance(hex) + 0.05) / 0.05);
const LIGHTEST = Math.log(21);
const STEP = 0.02;
const LEVELS = Array.from({ length: Math.floor(LIGHTEST / STEP) + 1 }, (_, k) => Math.min(LIGHTEST, k * STEP));
/** Colours are rounded to whole numbers in a file: contrasts are held with this much to spare. */
const SPARE = 0.012;

/** Colours nearer than this to one that is not wanted are not, in OKLab; of strong colours, those of its hue. */
const UNWANTED = 0.11;
const UNWANTED_HUE_DEG = 24;
const COLOURED = 0.07;
/** Two schemes are different from this mean distance of their inks on, in OKLab. */
export const APART = 0.05;
/** Inks with less chroma than this are greys, and stay so. */
const GREY = 0.025;
const TRIES = 60;

const HARMONIES: readonly { readonly words: string; readonly turns: readonly number[] }[] = [
  { words: 'one hue', turns: [0] },
  { words: 'two neighbours', turns: [0, 34] },
  { words: 'opposites', turns: [0, 180] },
  { words: 'two neighbours and an opposite', turns: [0, 32, 196] },
  { words: 'three apart', turns: [0, 120, 240] },
  { words: 'split', turns: [0, 150, 210] },
  { words: 'three neighbours', turns: [0, 28, -28] },
];
const STRENGTHS = [
  { words: 'quiet', share: 0.3 },
  { words: 'calm', share: 0.5 },
  { words: 'full', share: 0.75 },
  { words: 'strong', share: 0.95 },
] as const;

/** What contrasts are held between. */
type Held = Pick<SchemeAsk, 'inks' | 'touching' | 'grounds' | 'least'>;

/** Which lights inks may have, given that some are fixed. */
class Lights {
  private readonly order: readonly number[];
  private readonly place: readonly number[];
  private readonly beside: readonly (readonly number[])[];
  private readonly allowed: readonly (readonly number[])[];
  /** The greatest light that each may have so that those after it can follow; null where that cannot be. */
  readonly latest: readonly number[] | null;

  constructor(
    private readonly ask: Held,
    private readonly fixed: readonly (number | null)[],
    order: readonly number[],
    private readonly apart: number,
  ) {
    this.order = order;
    const place: number[] = [];
    order.forEach((ink, k) => (place[ink] = k));
    this.place = place;
    this.beside = ask.inks.map((_, k) =>
      ask.touching.flatMap(([p, q]) => (p === k ? [q] : q === k ? [p] : [])).filter((q) => q !== k),
    );
    const grounds = ask.grounds.map(lightOf);
    this.allowed = ask.inks.map(({ touchesGround }, k) => {
      const own = fixed[k];
      if (own !== null) return [own];
      return LEVELS.filter((u) => !touchesGround || grounds.every((g) => Math.abs(u - g) >= apart));
    });
    this.latest = this.latestOf();
  }

  private isFixed(p: number, q: number): boolean {
    return this.fixed[p] !== null && this.fixed[q] !== null;
  }

  private latestOf(): number[] | null {
    const latest: number[] = [];
    let above = LIGHTEST;
    for (let k = this.order.length - 1; k >= 0; k--) {
      const ink = this.order[k];
      let most = this.fixed[ink] === null ? above : Infinity;
      for (const other of this.beside[ink])
        if (this.place[other] > k && !this.isFixed(ink, other)) most = Math.min(most, latest[other] - this.apart);
      const own = this.allowed[ink];
      let found = -1;
      for (const u of own) if (u <= most + 1e-9) found = u;
      if (found < 0) return null;
      latest[ink] = found;
      above = Math.min(above, found);
    }
    return latest;
  }

  /** Lights for all inks near those that are wanted; null where none can be had. */
  near(wanted: (ink: number) => number): number[] | null {
    if (!this.latest) return null;
    const out: number[] = [];
    let below = 0;
    for (const [k, ink] of this.order.entries()) {
      let least = below;
      for (const other of this.beside[ink])
        if (this.place[other] < k && !this.isFixed(ink, other)) least = Math.max(least, out[other] + this.apart);
      const fixed = this.fixed[ink];
      if (fixed !== null) {
        if (this.beside[ink].some((o) => this.place[o] < k && !this.isFixed(ink, o) && out[o] + this.apart > fixed + 1e-9)) return null; // prettier-ignore
        out[ink] = fixed;
        below = Math.max(below, fixed);
        continue;
      }
      const own = this.allowed[ink].filter((u) => u >= least - 1e-9 && u <= this.latest![ink] + 1e-9);
      if (!own.length) return null;
      const to = wanted(ink);
      out[ink] = own.reduce((best, u) => (Math.abs(u - to) < Math.abs(best - to) ? u : best));
      below = out[ink];
    }
    return out;
  }
}

/** The colour of a hue, with a share of the chroma that sRGB has there, whose light is as wanted. */
function colourOf(light: number, hDeg: number, share: number, mostChroma: number): string {
  let [low, high] = [0, 1];
  let hex = '#000000';
  for (let k = 0; k < 18; k++) {
    const L = (low + high) / 2;
    const full = inGamut({ L, C: 0.4, hDeg }).C;
    hex = oklabToHex(oklchToOklab({ L, C: Math.min(mostChroma, share * full), hDeg }));
    if (lightOf(hex) < light) low = L;
    else high = L;
  }
  return hex;
}

/** Whether a colour is one that is not wanted. */
function isUnwanted(hex: string, unwanted: readonly string[]): boolean {
  const lab = hexToOklab(hex);
  const own = oklabToOklch(lab);
  return unwanted.some((u) => {
    const other = hexToOklab(u);
    const lch = oklabToOklch(other);
    if (oklabDistance(lab, other) < UNWANTED) return true;
    const turn = Math.abs(((own.hDeg - lch.hDeg + 540) % 360) - 180);
    return lch.C > COLOURED && own.C > COLOURED && turn < UNWANTED_HUE_DEG && Math.abs(lab.L - other.L) < 0.35;
  });
}

/** How far two sets of inks are apart, as the mean over inks, in OKLab. */
export const schemeDistance = (p: readonly string[], q: readonly string[]): number =>
  p.reduce((sum, hex, k) => sum + oklabDistance(hexToOklab(hex), hexToOklab(q[k])), 0) / Math.max(1, p.length);

/** The greatest contrast up to what is asked for that lights can have. */
function feasible(ask: Held, fixed: readonly (number | null)[], order: readonly number[]): number {
  const can = (ratio: number): boolean => new Lights(ask, fixed, order, Math.log(ratio) + SPARE).latest !== null;
  if (can(ask.least)) return ask.least;
  let [low, high] = [1, ask.least];
  if (!can(low + 1e-6)) return 1;
  for (let k = 0; k < 18; k++) {
    const middle = (low + high) / 2;
    if (can(middle)) low = middle;
    else high = middle;
  }
  return Math.floor(low * 100) / 100;
}

const shuffled = <T>(list: readonly T[], random: () => number): T[] => {
  const out = [...list];
  for (let k = out.length - 1; k > 0; k--) {
    const j = Math.floor(random() * (k + 1));
    [out[k], out[j]] = [out[j], out[k]];
  }
  return out;
};

/** What the master has: its lights, its order from dark to light. */
function masterOf(inks: readonly SchemeInk[]) {
  const lights = inks.map((i) => lightOf(i.hex));
  const order = inks.map((_, k) => k).sort((p, q) => lights[p] - lights[q] || p - q);
  const colours = inks.map((i) => oklabToOklch(hexToOklab(i.hex)));
  return { lights, order, colours };
}

/** Which ink a wanted colour goes to, so that contrasts can still be held: the one of nearest light that it can. */
function homeOf(
  ask: SchemeAsk,
  hex: string,
  fixed: readonly (number | null)[],
  order: readonly number[],
  apart: number,
  colours: readonly Oklch[],
): number | null {
  // prettier-ignore
  const light = lightOf(hex);
  const isGrey = oklabToOklch(hexToOklab(hex)).C < GREY;
  const { lights } = masterOf(ask.inks);
  const free = ask.inks.map((_, k) => k).filter((k) => fixed[k] === null);
  const cost = (k: number): number => Math.abs(lights[k] - light) + (colours[k].C < GREY !== isGrey ? 0.8 : 0) - ask.inks[k].share * 0.4; // prettier-ignore
  for (const k of free.sort((p, q) => cost(p) - cost(q))) {
    const grounds = ask.grounds.map(lightOf);
    if (ask.inks[k].touchesGround && grounds.some((g) => Math.abs(g - light) < apart)) continue;
    const tried = fixed.map((f, i) => (i === k ? light : f));
    const again = [...order].sort((p, q) => (tried[p] ?? lights[p]) - (tried[q] ?? lights[q]));
    if (new Lights(ask, tried, again, apart).latest) return k;
  }
  return null;
}

/**
 * Colours near some others that hold the least contrast of inks that touch, and of those that touch the ground, or as much of it as can be had; from dark to light they go as the inks of `ask` do. Hue and strength stay
 * as far as sRGB has them, and so does every colour that need not change. Inks that are locked stay.
 */
export function heldApart(ask: Held, hexes: readonly string[]): string[] {
  const { lights, order } = masterOf(ask.inks);
  const fixed = ask.inks.map((i, k) => (i.locked ? lights[k] : null));
  const least = feasible(ask, fixed, order);
  const found = new Lights(ask, fixed, order, Math.log(least) + SPARE).near((k) => lightOf(hexes[k]));
  if (!found) return [...hexes];
  const out = found.map((light, k) => {
    if (fixed[k] !== null) return ask.inks[k].hex;
    const { L, C, hDeg } = oklabToOklch(hexToOklab(hexes[k]));
    const full = inGamut({ L, C: 0.4, hDeg }).C;
    return colourOf(light, hDeg, full > 1e-6 ? Math.min(1, C / full) : 0, C);
  });
  // Lights go in steps: a colour that is as good as it was stays that.
  const isHeld = (k: number, hex: string): boolean =>
    ask.touching.every(([p, q]) => {
      if (p !== k && q !== k) return true;
      const other = p === k ? q : p;
      const isAbove = order.indexOf(k) > order.indexOf(other);
      return contrastRatio(hex, out[other]) >= least && lightOf(hex) > lightOf(out[other]) === isAbove;
    }) &&
    (!ask.inks[k].touchesGround || ask.grounds.every((g) => contrastRatio(hex, g) >= least));
  hexes.forEach((hex, k) => {
    if (fixed[k] === null && isHeld(k, hex)) out[k] = hex;
  });
  return out;
}

/**
 * Schemes in OKLCH, as many as are asked for where that many can be had: each a harmony whose lights are found first, so that all contrasts hold (a contrast is a difference of logarithms, and one
 * order from dark to light makes it a chain of bounds), and whose hues and chromas are chosen within sRGB after that. Inks that are locked stay, colours wanted are in, those not wanted out. The same
 * seed gives the same schemes.
 */
export function schemesFor(ask: SchemeAsk): Schemes {
  const { inks, count, seed, wanted = [], unwanted = [] } = ask;
  const random = randomFrom(seed);
  const told: string[] = [];
  const { lights, order, colours } = masterOf(inks);
  const locked = inks.map((i, k) => (i.locked ? lights[k] : null));
  if (!inks.length) return { schemes: [], told: ['there is no ink'], least: ask.least };
  if (locked.every((l) => l !== null)) return { schemes: [], told: ['all inks are locked'], least: ask.least };
  const held = feasible(ask, locked, order);
  let least = held;
  if (ask.free)
    for (let k = 0; k < TRIES && least < ask.least; k++) least = Math.max(least, feasible(ask, locked, shuffled(order, random))); // prettier-ignore
  if (least < ask.least)
    told.push(`a contrast of ${ask.least} : 1 cannot be had everywhere; ${least.toFixed(1)} : 1 is held`);
  const apart = Math.log(least) + (least > 1 ? SPARE : 0);
  const homes = new Map<number, string>();
  {
    let fixed = locked;
    for (const hex of wanted) {
      const home = homeOf(ask, hex, fixed, order, apart, colours);
      if (home === null) {
        if (!inks.some((i) => i.locked && i.hex === hex)) told.push(`${hex} could not be had at that contrast`);
        continue;
      }
      homes.set(home, hex);
      fixed = fixed.map((f, k) => (k === home ? lightOf(hex) : f));
    }
  }
  const byShare = inks.map((_, k) => k).sort((p, q) => inks[q].share - inks[p].share);
  const schemes: Scheme[] = [];
  const master = inks.map((i) => i.hex);
  const onlyLocked = contrastOfLocked(ask);
  // Where colours wanted would settle every ink, one of them is left out of each scheme.
  const settled = homes.size > 1 && inks.every((i, k) => i.locked || homes.has(k));
  for (let attempt = 0; attempt < TRIES * count && schemes.length < count; attempt++) {
    const harmony = HARMONIES[Math.floor(random() * HARMONIES.length)];
    const strength = STRENGTHS[Math.floor(random() * STRENGTHS.length)];
    const own = new Map(homes);
    if (settled) own.delete([...homes.keys()][Math.floor(random() * homes.size)]);
    const fixed = inks.map((_, k) => (own.has(k) ? lightOf(own.get(k)!) : locked[k]));
    const isFreed = ask.free === true && random() < 0.6;
    const begun = isFreed ? shuffled(order, random) : order;
    const sorted = [...begun].sort((p, q) => (isFreed ? 0 : (fixed[p] ?? lights[p]) - (fixed[q] ?? lights[q])));
    const spread = 0.15 + 0.9 * random();
    const shift = (random() - 0.5) * 0.7;
    const found = new Lights(ask, fixed, sorted, apart).near((k) =>
      Math.max(Math.min(lights[k], 0.25), lights[k] + shift + (random() - 0.5) * spread),
    );
    if (!found) continue;
    const anchors = [...own.values(), ...inks.flatMap((i, k) => (i.locked && colours[k].C >= GREY ? [i.hex] : []))];
    const anchor = anchors.length ? oklabToOklch(hexToOklab(anchors[Math.floor(random() * anchors.length)])) : null;
    const base = anchor && anchor.C >= GREY ? anchor.hDeg : 360 * random();
    // What it is anchored in has the first hue.
    const first = anchor && anchor.C >= GREY ? 1 : 0;
    let turn = first;
    const hexes: string[] = [];
    for (const k of byShare) {
      if (inks[k].locked) hexes[k] = inks[k].hex;
      else if (own.has(k)) hexes[k] = own.get(k)!;
      else if (colours[k].C < GREY) hexes[k] = colourOf(found[k], base, 1, 0.012);
      else {
        const hDeg = (base + harmony.turns[turn++ % harmony.turns.length] + (random() - 0.5) * 10 + 360) % 360;
        hexes[k] = colourOf(found[k], hDeg, strength.share, 0.02 + 0.19 * strength.share);
      }
    }
    if (hexes.some((hex, k) => !inks[k].locked && !own.has(k) && isUnwanted(hex, unwanted))) continue;
    const { least: has } = contrastOf(hexes, ask);
    if (has < least && has < onlyLocked) continue;
    if ([master, ...schemes.map((s) => s.hexes)].some((other) => schemeDistance(hexes, other) < APART)) continue;
    const coloured = turn > 1 ? harmony.words : 'one hue';
    schemes.push({
      hexes,
      how: `${coloured}, ${strength.words}, ${isFreed ? 'dark and light freed' : 'dark to light kept'}`,
      leastContrast: has,
    });
  }
  if (schemes.length < count)
    told.push(
      schemes.length
        ? `only ${schemes.length} of ${count} are different enough from one another`
        : 'no scheme keeps to all of that: free an ink, or ask for less contrast',
    );
  return { schemes, told, least };
}

/** The least contrast that locked inks have with one another and with the grounds: nothing can be done about that. */
function contrastOfLocked(ask: SchemeAsk): number {
  const isLocked = (k: number): boolean => ask.inks[k].locked === true;
  return contrastOf(
    ask.inks.map((i) => i.hex),
    {
      inks: ask.inks.map((i) => ({ ...i, touchesGround: i.touchesGround && i.locked === true })),
      touching: ask.touching.filter(([p, q]) => isLocked(p) && isLocked(q)),
      grounds: ask.grounds,
    },
  ).least;
}
