/** Colourways of an artwork: other full sets of inks over the same shapes. */
import {
  contrastOf,
  contrastRatio,
  heldApart,
  lentColours,
  schemesFor,
  type SchemeAsk,
  type Schemes,
  type Shared,
} from '../colour';
import type { Artwork, Colourway, Ink } from './artwork';
import { depthInks } from './depth';
import { tinted } from './gradient';
import { touchingOf, type Touching } from './touching';

/** The id by which the master is named among colourways. */
export const MASTER = 'master';
/** What the master is called until it is named. */
export const MASTER_NAME = 'master';

const recoloured = (ink: Ink, hex: string): Ink =>
  ink.hex === hex ? ink : { ...ink, hex, ...(ink.gradient ? { gradient: tinted(ink.gradient, ink.hex, hex) } : {}) };

/** The artwork in one of its colourways; in the master where it has none of that id. Inks that a colourway does not know are the master's. */
export function artworkIn(artwork: Artwork, colourwayId: string): Artwork {
  const own = artwork.colourways?.find((c) => c.id === colourwayId);
  return own ? withHexes(artwork, new Map(own.inks.map((i) => [i.inkId, i.hex]))) : artwork;
}

/** The artwork with other colours for some inks. */
export function withHexes(artwork: Artwork, hexes: ReadonlyMap<string, string>): Artwork {
  const inks = artwork.inks.map((i) => recoloured(i, hexes.get(i.id) ?? i.hex));
  return inks.every((i, k) => i === artwork.inks[k]) ? artwork : { ...artwork, inks };
}

/** The colours of a colourway in the order of the artwork's inks; the master's by its id. */
export const hexesOf = (artwork: Artwork, colourwayId: string): string[] =>
  artworkIn(artwork, colourwayId).inks.map((i) => i.hex);

/** All colourways with their colours, the master first. */
export const colourwaysOf = (artwork: Artwork): { id: string; name: string; how: string; hexes: string[] }[] => [
  { id: MASTER, name: artwork.masterName ?? MASTER_NAME, how: 'its own inks', hexes: artwork.inks.map((i) => i.hex) },
  ...(artwork.colourways ?? []).map((c) => ({
    id: c.id,
    name: c.name,
    how: c.how ?? '',
    hexes: hexesOf(artwork, c.id),
  })),
];

/** A colourway of colours in the order of the artwork's inks. */
export const colourwayFrom = (artwork: Artwork, id: string, name: string, hexes: readonly string[], how?: string): Colourway => ({
  id,
  name,
  ...(how ? { how } : {}),
  inks: artwork.inks.map((ink, k) => ({ inkId: ink.id, hex: hexes[k] })),
}); // prettier-ignore

/** What is asked of schemes, beside what the artwork says. */
export type ShuffleAsk = Pick<SchemeAsk, 'grounds' | 'least' | 'wanted' | 'unwanted' | 'free' | 'count' | 'seed'> & {
  /** Ids of inks that stay as they are. */
  readonly locked: readonly string[];
};

/** The inks of the mark as schemes know them, by their numbers in the artwork's list: light and shadow of its depth are none. */
function schemeInks(
  artwork: Artwork,
  locked: readonly string[],
  touching: Touching,
): { readonly own: readonly number[]; readonly ask: Pick<SchemeAsk, 'inks' | 'touching'> } {
  const depth = depthInks(artwork);
  const own = artwork.inks.flatMap((ink, k) => (depth.has(ink.id) ? [] : [k]));
  const number = new Map(own.map((k, n) => [k, n]));
  const inks = own.map((k) => ({
    hex: artwork.inks[k].hex,
    share: touching.shares[k],
    locked: locked.includes(artwork.inks[k].id),
    touchesGround: touching.touchesGround[k],
  }));
  return { own, ask: { inks, touching: touching.pairs.map(([a, b]) => [number.get(a)!, number.get(b)!] as const) } };
}

/** Schemes for an artwork: the inks that touch, and the ground, are seen from its shapes. */
export function shuffledFor(
  artwork: Artwork,
  { locked, ...ask }: ShuffleAsk,
  touching: Touching = touchingOf(artwork),
): Schemes {
  const { own, ask: held } = schemeInks(artwork, locked, touching);
  const number = new Map(own.map((k, n) => [k, n]));
  const { schemes, ...told } = schemesFor({ ...ask, ...held });
  const whole = (hexes: readonly string[]) => artwork.inks.map((ink, k) => hexes[number.get(k) ?? -1] ?? ink.hex);
  return { ...told, schemes: schemes.map((s) => ({ ...s, hexes: whole(s.hexes) })) };
}

/** The least contrast of a set of inks on grounds, and what has it: two inks by name, or an ink and a ground. */
export function leastContrastOf(
  artwork: Artwork,
  hexes: readonly string[],
  grounds: readonly string[],
  touching: Touching = touchingOf(artwork),
): { least: number; between: readonly [string, string] | null } {
  const inks = hexes.map((hex, k) => ({ hex, share: 0, touchesGround: touching.touchesGround[k] }));
  const { least, pair } = contrastOf(hexes, { inks, touching: touching.pairs, grounds });
  if (!pair) return { least, between: null };
  const nameOf = (x: number | string): string => (typeof x === 'number' ? artwork.inks[x].name : x);
  return { least, between: [nameOf(pair[0]), nameOf(pair[1])] };
}

/** What is asked of colours that are taken from elsewhere. */
export interface LendAsk {
  /** Ids of inks that stay as they are. */
  readonly locked: readonly string[];
  /** The contrast that inks that touch are to have. */
  readonly least: number;
}

/**
 * Colours for all inks out of a palette, from those that they have: what is dark and light in the artwork stays so, and inks that touch hold a contrast, or as much of it as can be had.
 */
export function lentTo(
  artwork: Artwork,
  hexes: readonly string[],
  palette: readonly Shared[],
  { locked, least }: LendAsk,
  touching: Touching = touchingOf(artwork),
): string[] {
  const { own, ask } = schemeInks(artwork, locked, touching);
  const free = own.filter((_, n) => !ask.inks[n].locked);
  const lent = lentColours(
    free.map((k) => ({ hex: artwork.inks[k].hex, share: touching.shares[k] })),
    palette,
  );
  const out = [...hexes];
  free.forEach((k, n) => (out[k] = lent[n]));
  const inks = ask.inks.map((ink, n) => (ink.locked ? { ...ink, hex: hexes[own[n]] } : ink));
  const held = heldApart({ ...ask, inks, grounds: [], least }, own.map((k) => out[k])); // prettier-ignore
  own.forEach((k, n) => (out[k] = held[n]));
  return out;
}

/** Two inks that touch, or an ink and a ground, of too little contrast. */
export interface WeakPair {
  /** The ink that is to be changed, and what it is to stand out from. */
  readonly inkId: string;
  readonly against: string;
  /** What they are, by name. */
  readonly names: readonly [string, string];
  readonly isGround: boolean;
  readonly ratio: number;
}

/** What has less than a contrast in a set of inks, the least first. Of two inks that touch the one with less of the mark is to be changed. */
export function weakPairs(
  artwork: Artwork,
  hexes: readonly string[],
  grounds: readonly { readonly name: string; readonly hex: string }[],
  least: number,
  { pairs, shares, touchesGround }: Touching,
): WeakPair[] {
  const { inks } = artwork;
  const beside = pairs.map(([p, q]): WeakPair => {
    const [own, other] = shares[p] < shares[q] ? [p, q] : [q, p];
    const ratio = contrastRatio(hexes[p], hexes[q]);
    return { inkId: inks[own].id, against: hexes[other], names: [inks[p].name, inks[q].name], isGround: false, ratio };
  });
  const on = inks.flatMap((ink, k) =>
    touchesGround[k]
      ? grounds.map(({ name, hex }): WeakPair => ({
          inkId: ink.id,
          against: hex,
          names: [ink.name, name],
          isGround: true,
          ratio: contrastRatio(hexes[k], hex),
        }))
      : [],
  );
  return [...beside, ...on].filter((w) => w.ratio < least).sort((p, q) => p.ratio - q.ratio);
}
