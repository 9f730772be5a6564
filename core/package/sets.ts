/** What the sets of a package are made in: sizes, which of their files, how an ink is printed, how things move. */
import type { PressInk } from '../export';
import { motionAsk, type MotionAsk, type MotionKind } from '../motion';
import type { For } from './plan';
import sizes from './sizes.json';

/** A movement as it is wanted, where it is not to be as its kind is best. */
export type MotionWish = Partial<Omit<MotionAsk, 'kind'>>;

/** Sides are in px, lengths in mm. */
export interface PackageSets {
  readonly print: {
    readonly longerMm: number;
    /** How far drawings that reach the edge go on beyond the trim box. */
    readonly bleedMm: number;
  };
  readonly web: { readonly basePx: number; readonly times: readonly number[] };
  readonly favicon: {
    readonly icoPx: readonly number[];
    readonly touchPx: number;
    readonly manifestPx: readonly number[];
    readonly maskablePx: readonly number[];
  };
  readonly shops: {
    readonly storePx: readonly number[];
    readonly iconPx: readonly number[];
    readonly layerPx: readonly number[];
  };
  readonly social: {
    readonly avatarPx: readonly number[];
    readonly covers: readonly { readonly name: string; readonly widthPx: number; readonly heightPx: number }[];
  };
  readonly stickers: { readonly longerMm: readonly number[]; readonly cutMm: number };
  readonly large: readonly { readonly name: string; readonly longerMm: number }[];
  readonly office: { readonly letterheadMm: number; readonly dotsPerInch: number; readonly picturePx: number };
  readonly motion: {
    readonly picturePx: number;
    readonly framesASecond: number;
    readonly kinds: readonly MotionKind[];
    readonly wishes: Readonly<Partial<Record<MotionKind, MotionWish>>>;
  };
  /** Kinds of files that are not wanted, as "print/eps". */
  readonly leftOut: readonly string[];
  /** How inks are printed where that was given, by their hex colours in capitals. */
  readonly press: Readonly<Record<string, PressInk>>;
  /** Files of shops and social networks are not to be larger, in thousands of bytes. */
  readonly mostKb: { readonly shops: number; readonly social: number };
}

/** What sets are begun with. */
export const SETS: PackageSets = {
  ...sizes,
  motion: { ...sizes.motion, kinds: ['drawn', 'assembled', 'floated', 'blinked'], wishes: {} },
  leftOut: [],
  press: {},
};

/** Sets with those parts of others that they say themselves. */
export const setsWith = (own: Partial<PackageSets>): PackageSets => ({ ...SETS, ...own });

/** A movement as the sets want it. */
export const motionWanted = (sets: PackageSets, kind: MotionKind): MotionAsk => ({ ...motionAsk(kind), ...sets.motion.wishes[kind] }); // prettier-ignore

/** How the inks of an artwork are printed, by their ids. */
export const pressOf = (
  sets: Pick<PackageSets, 'press'>,
  inks: readonly { readonly id: string; readonly hex: string }[],
): Record<string, PressInk> =>
  Object.fromEntries(inks.flatMap(({ id, hex }) => (sets.press[hex.toUpperCase()] ? [[id, sets.press[hex.toUpperCase()]]] : []))); // prettier-ignore

/** The kinds of files of each set, with what they are called. */
export const PARTS: Readonly<Record<For, Readonly<Record<string, string>>>> = {
  print: {
    svg: 'SVG in named layers',
    rgb: 'PDF in RGB',
    cmyk: 'PDF in CMYK',
    plates: 'PDF, a plate an ink',
    eps: 'EPS',
  },
  web: { svg: 'small SVG', png: 'PNG by screens', inline: 'inline data', favicon: 'favicons and manifest' },
  shops: { icons: 'icons', layers: 'layers', monochrome: 'one colour' },
  social: { avatars: 'avatars', covers: 'covers' },
  stickers: { pdf: 'PDF with a cut line', svg: 'SVG with a cut line' },
  large: { pdf: 'PDF in metres' },
  office: { letterhead: 'letterhead', png: 'PNG', jpeg: 'JPEG' },
  developers: { tokens: 'design tokens', css: 'CSS variables', work: 'the work itself' },
  motion: { svg: 'SVG', json: 'JSON', apng: 'animated PNG', poster: 'poster' },
  sheet: { pdf: 'PDF' },
};
