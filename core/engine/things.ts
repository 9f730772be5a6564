import { parsePath, mapContour, type Contour } from '../path';
import thingsData from './data/things.json';
import wordsData from './data/words.json';
import { BY_HAND } from './by-hand';
import { BUILT_NAMES, isBuilt } from './creature';

/** A drawing out of the compiled library: parts from the bottom up, each with the number of its tone. */
export interface LibraryDrawing {
  /** Lightness 0..100 of each tone, the one most seen first. */
  readonly tones: readonly number[];
  readonly parts: readonly { readonly tone: number; readonly contours: readonly Contour[] }[];
}

type Encoded = readonly [string, readonly (readonly [readonly number[], readonly string[]])[]];

const library = new Map((thingsData as unknown as readonly Encoded[]).map(([name, drawings]) => [name, drawings]));

/** Names of everything that can be drawn. */
export const THING_NAMES: readonly string[] = [
  ...new Set([...library.keys(), ...Object.keys(BY_HAND), ...BUILT_NAMES]),
].sort();

export const isThing = (name: string): boolean => library.has(name) || Object.hasOwn(BY_HAND, name) || isBuilt(name);

const GRID_TO_FIELD = 100 / 2000;

/** The library's drawings of a thing, decoded to a field of 100 x 100. */
export function drawingsOf(name: string): LibraryDrawing[] {
  return (library.get(name) ?? []).map(([tones, parts]) => ({
    tones,
    parts: parts.map((part) => {
      const at = part.indexOf('M');
      return {
        tone: Number(part.slice(0, at)),
        contours: parsePath(part.slice(at)).map((c) => mapContour([GRID_TO_FIELD, 0, 0, GRID_TO_FIELD, 0, 0], c)),
      };
    }),
  }));
}

/** Words that lead to a thing, from the word list: the same thing by another name, or a broader one that stands for it. */
export const WORDS: ReadonlyMap<string, { readonly thing: string; readonly via: 'synonym' | 'broader' }> = new Map(
  (['broader', 'synonyms'] as const).flatMap((group) =>
    Object.entries(wordsData[group] as Readonly<Record<string, string>>).flatMap(([thing, words]) =>
      words
        .split(',')
        .map(
          (word) => [word, { thing, via: group === 'synonyms' ? ('synonym' as const) : ('broader' as const) }] as const,
        ),
    ),
  ),
);

/** Words that nothing is drawn for, and what is beside each by what it is a kind of: a liver has the heart beside it. */
export const BESIDE: ReadonlyMap<string, readonly string[]> = new Map(
  Object.entries(wordsData.near as Readonly<Record<string, string>>).flatMap(([things, words]) =>
    words.split(',').map((word) => [word, things.split('|')] as const),
  ),
);
