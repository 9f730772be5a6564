/** An artwork in one colour: which inks are filled and which left out is decided so that what touches keeps apart. */
import { luminance } from '../colour';
import {
  boxOf,
  combined,
  CombineError,
  flatten,
  offsetOf,
  signedArea,
  type Box,
  type Contour,
  type Enclosed,
} from '../path';
import type { Artwork, Piece } from './artwork';
import { drawnShapes } from './outlines';
import { eachBorder, GROUND, inkGrid, touchingOf, type Touching } from './touching';

/** What becomes of an ink in one colour: its areas are filled, or left out. */
export type OneColourState = 'filled' | 'left';

export interface OneColourOptions {
  /** The one ink. */
  readonly hex: string;
  /** On a dark ground: what is light in the artwork is rather filled, so that an eye stays an eye. */
  readonly reversed?: boolean;
  /** What is decided by hand, by ink, before what the artwork says. */
  readonly states?: Readonly<Record<string, OneColourState>>;
  /** The width of gaps between filled areas, and of lines about those that are left out, in px of the sheet. */
  readonly gapPx?: number;
}

/** An artwork in one colour, what became of each ink, and the pairs that could not be kept apart: names of inks, or "ground". */
export interface OneColour {
  readonly artwork: Artwork;
  readonly states: Readonly<Record<string, OneColourState>>;
  readonly merged: readonly (readonly [string, string])[];
}

/** Against the sheet's longer side. */
const GAP_SHARE = 0.011;
/** How much light and dark count beside keeping apart without gaps. */
const LIGHT_WEIGHT = 0.35;
/** Lines end this many gaps from what is filled: a little more, so that no crumb of them is left along it. */
const BESIDE = 1.08;
/** Up to so many inks all ways are tried. */
const ALL_WAYS = 14;
/** Of the places where two inks touch, this share must be kept apart. */
const KEPT_SHARE = 0.5;

/** What becomes of each ink, by number: what touches is told apart by being filled or not wherever that can be, the ground being left out; else the lights decide. */
function decided(
  artwork: Artwork,
  { contacts, shares }: Touching,
  { reversed = false, states = {} }: OneColourOptions,
): boolean[] {
  const n = artwork.inks.length;
  const total = contacts.reduce((sum, c) => sum + c.cells, 0) || 1;
  const wish = artwork.inks.map((ink, k) => {
    const dark = 1 - 2 * Math.sqrt(luminance(ink.hex));
    return LIGHT_WEIGHT * total * shares[k] * (reversed ? -dark : dark);
  });
  const chosen = new Map(artwork.oneColour?.map((c) => [c.inkId, reversed ? c.reversed : c.plain]));
  const fixed = artwork.inks.map((i) => states[i.id] ?? chosen.get(i.id) ?? null);
  const worth = (filled: readonly boolean[]): number => {
    let sum = 0;
    for (const { a, b, cells } of contacts) if ((a === GROUND ? false : filled[a]) !== filled[b]) sum += cells;
    filled.forEach((is, k) => (sum += is ? wish[k] : 0));
    return sum;
  };
  const start = artwork.inks.map((_, k) => (fixed[k] ? fixed[k] === 'filled' : wish[k] > 0));
  const free = fixed.flatMap((f, k) => (f ? [] : [k]));
  let best = start;
  let most = worth(start);
  if (free.length <= ALL_WAYS) {
    for (let way = 0; way < 2 ** free.length; way++) {
      const tried = [...start];
      free.forEach((k, bit) => (tried[k] = (way >> bit) % 2 === 1));
      const is = worth(tried);
      if (is > most) [best, most] = [tried, is];
    }
    return best;
  }
  // One at a time, for as long as it helps.
  for (let changed = true, rounds = 0; changed && rounds < 4 * n; rounds++) {
    changed = false;
    for (const k of free) {
      const tried = [...best];
      tried[k] = !tried[k];
      const is = worth(tried);
      if (is > most + 1e-9) [best, most, changed] = [tried, is, true];
    }
  }
  return best;
}

/** A shape of one ink. */
interface Part {
  readonly id: string;
  readonly name?: string;
  readonly ink: number;
  readonly area: Enclosed;
  readonly box: Box;
}

function partsOf(artwork: Artwork): Part[] {
  const numbers = new Map(artwork.inks.map((i, k) => [i.id, k]));
  return drawnShapes(artwork).map(({ inkId, contours, rule, ...rest }) => ({
    ...rest,
    ink: numbers.get(inkId)!,
    area: { contours, rule },
    box: boxOf(contours),
  }));
}

/** Of what there would be without gaps, this share must be left: thin parts have thinner gaps. */
const LEFT_SHARE = 0.45;

const sizeOf = (contours: readonly Contour[]): number =>
  Math.abs(contours.reduce((sum, c) => sum + signedArea(flatten(c, 0.05)), 0));

/** What is left with a gap, or with one so much thinner that enough of it is left. */
function asMuchAs(left: (byPx: number) => readonly Contour[], gapPx: number, mostPx2: number): readonly Contour[] {
  let made = left(gapPx);
  // There is no more without gaps than the most there can be: mostly that tells already.
  if (sizeOf(made) >= LEFT_SHARE * mostPx2) return made;
  const size = sizeOf(left(0));
  for (let share = 0.5; sizeOf(made) < LEFT_SHARE * size && share >= 0.25; share /= 2) made = left(share * gapPx);
  return made;
}

const meet = (p: Box, q: Box, by: number): boolean =>
  p.x - by < q.x + q.width && q.x - by < p.x + p.width && p.y - by < q.y + q.height && q.y - by < p.y + p.height;

/** A shape that cannot be told apart from others stays as it is: that is seen afterwards, and told. */
const orElse = <T>(work: () => T, otherwise: T): T => {
  try {
    return work();
  } catch (error) {
    if (error instanceof CombineError) return otherwise;
    throw error;
  }
};

/**
 * An artwork in one colour, on a ground that shows through. Inks that touch are kept apart by one being filled and the other not; where that cannot be for all (three that touch one another), by a gap between
 * filled ones, or by a line inside what is left out. What merges nevertheless, seen on a grid, is told.
 */
export function oneColoured(artwork: Artwork, options: OneColourOptions): OneColour {
  const gapPx = options.gapPx ?? GAP_SHARE * Math.max(artwork.widthPx, artwork.heightPx);
  const touching = touchingOf(artwork);
  const { contacts } = touching;
  const filled = decided(artwork, touching, options);
  const touch = (a: number, b: number): boolean => contacts.some((c) => (c.a === a && c.b === b) || (c.a === b && c.b === a)); // prettier-ignore
  // What is left out beside something that is left out as well needs a line about it.
  const lined = artwork.inks.map((_, k) => !filled[k] && contacts.some(({ a, b }) => (a === k && !filled[b]) || (b === k && (a === GROUND || !filled[a])))); // prettier-ignore
  const parts = partsOf(artwork);
  const grown = new Map<string, readonly Contour[]>();
  const grownOf = (level: number, area: Enclosed, byPx: number): readonly Contour[] => {
    const key = `${level} ${byPx}`;
    const known = grown.get(key) ?? orElse(() => offsetOf(area, byPx), area.contours);
    grown.set(key, known);
    return known;
  };
  /** Levels of parts near one, above it or anywhere. */
  const near = (level: number, from: number): number[] =>
    parts.flatMap((other, k) => (k >= from && k !== level && meet(parts[level].box, other.box, gapPx) ? [k] : []));
  const shown = parts.map((part, level): { contours: readonly Contour[]; rule?: 'evenodd' } | null => {
    if (!filled[part.ink]) return null;
    const above = near(level, level + 1).filter((k) => parts[k].ink !== part.ink);
    if (!above.length)
      return { contours: part.area.contours, ...(part.area.rule === 'evenodd' ? { rule: 'evenodd' } : {}) };
    const left = (byPx: number): readonly Contour[] => {
      const away = above.map((k): Enclosed =>
        byPx > 0 && filled[parts[k].ink] && touch(part.ink, parts[k].ink)
          ? { contours: grownOf(k, parts[k].area, byPx) }
          : parts[k].area,
      );
      return orElse(() => combined('subtract', [part.area, ...away]), part.area.contours);
    };
    return { contours: asMuchAs(left, gapPx, sizeOf(part.area.contours)) };
  });
  // A line inside what is left out, but not beside what is filled, from which it keeps apart already.
  const lineOf = (part: Part, level: number): readonly Contour[] => {
    const inner = orElse(() => offsetOf(part.area, -gapPx), []);
    const around: Enclosed[] = inner.length ? [{ contours: inner }] : [];
    for (const k of near(level, level + 1)) if (parts[k].ink !== part.ink) around.push(parts[k].area);
    const beside = near(level, 0).filter((k) => shown[k]?.contours.length && touch(part.ink, parts[k].ink));
    return asMuchAs(
      (byPx) => {
        const away =
          byPx > 0 ? beside.map((k) => ({ contours: grownOf(parts.length + k, shown[k]!, byPx * BESIDE) })) : [];
        if (!around.length && !away.length) return part.area.contours;
        return orElse(() => combined('subtract', [part.area, ...around, ...away]), []);
      },
      gapPx,
      sizeOf(part.area.contours) - sizeOf(inner),
    );
  };
  const pieces = parts.flatMap((part, level): Piece[] => {
    const own = shown[level] ?? (lined[part.ink] ? { contours: lineOf(part, level) } : null);
    if (!own?.contours.length) return [];
    return [{ kind: 'piece', id: part.id, ...(part.name ? { name: part.name } : {}), inkId: 'one', ...own }];
  });
  const made: Artwork = {
    widthPx: artwork.widthPx,
    heightPx: artwork.heightPx,
    inks: [{ id: 'one', hex: options.hex, name: options.reversed ? 'reversed' : 'one colour' }],
    nodes: pieces,
    guides: [],
  };
  const states = Object.fromEntries(artwork.inks.map((i, k) => [i.id, filled[k] ? 'filled' : 'left'] as const));
  return { artwork: made, states, merged: mergedIn(artwork, made, touching) };
}

/** Cells of the longer side on which it is seen whether inks keep apart. */
const CELLS = 640;

/** Pairs of inks, or an ink and the ground, that touch in an artwork and run into one another in one colour. */
function mergedIn(artwork: Artwork, made: Artwork, { contacts }: Touching): [string, string][] {
  const before = inkGrid(artwork, CELLS);
  const after = inkGrid(made, CELLS).cells;
  const seen = new Map(contacts.map(({ a, b }) => [`${a} ${b}`, { a, b, all: 0, merged: 0 }]));
  eachBorder(before, (i, j) => {
    const [a, b] = [before.cells[i], before.cells[j]].sort((p, q) => p - q);
    const own = seen.get(`${a} ${b}`);
    if (!own) return;
    own.all++;
    if ((after[i] === GROUND) === (after[j] === GROUND)) own.merged++;
  });
  const name = (k: number): string => (k === GROUND ? 'ground' : artwork.inks[k].name);
  return [...seen.values()]
    .filter(({ all, merged }) => merged > (1 - KEPT_SHARE) * all)
    .map(({ a, b }) => [name(b), name(a)]);
}
