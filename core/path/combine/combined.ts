/** Uniting, subtracting and intersecting what outlines enclose: curves stay curves, arcs arcs, and points do not multiply. */
import { mapContour } from '../contour';
import type { Contour } from '../outline';
import { arrange, type Arrangement, type Enclosed } from './arrange';
import { linked, OpenEnd, type Way } from './link';
import { sidesOf, type Sides } from './wind';

/** What of areas is meant: all that any of them encloses; the first without the others; what all enclose. */
export type Combination = 'unite' | 'subtract' | 'intersect';

/** The areas could not be combined, though nothing is wrong with them as far as one sees. */
export class CombineError extends Error {
  override readonly name = 'CombineError';
}

const isIn = (winding: number, rule: Enclosed['rule']): boolean =>
  rule === 'evenodd' ? winding % 2 !== 0 : winding !== 0;

const MEANS: Readonly<Record<Combination, (inside: readonly boolean[]) => boolean>> = {
  unite: (inside) => inside.some(Boolean),
  subtract: ([first, ...rest]) => first && !rest.some(Boolean),
  intersect: (inside) => inside.every(Boolean),
};

/** How much coarser places are taken each time that an outline did not close. */
const SLACKS = [1, 4, 0.25, 20, 1, 4];
/** After so many attempts areas are moved a little against each other: less than anybody sees, and enough to tell them apart. */
const FIRM = 4;
const SHIFT_PX = [0.0037, 0.0023] as const;

const shifted = (areas: readonly Enclosed[]): Enclosed[] =>
  areas.map(({ contours, rule }, k) => ({
    contours: contours.map((c) => mapContour([1, 0, 0, 1, k * SHIFT_PX[0], k * SHIFT_PX[1]], c)),
    rule,
  }));

/**
 * Contours around what a combination of areas encloses, by the non-zero rule, each with that to its right; none where it is nothing. The outlines are cut wherever they
 * meet, edges that run on one another are made one, each is kept that has what is meant on one side only, and those are put together again along the curves that
 * they were cut from. Throws a CombineError.
 */
export function combined(how: Combination, areas: readonly Enclosed[]): Contour[] {
  return combinedBy(areas, MEANS[how]);
}

/** Does something with areas cut along one another, again with coarser places, and moved, where an outline does not close. Throws a CombineError. */
function toldApart<T>(areas: readonly Enclosed[], work: (arrangement: Arrangement, sides: readonly Sides[]) => T): T {
  for (const [attempt, slack] of SLACKS.entries()) {
    const arrangement = arrange(attempt < FIRM ? areas : shifted(areas), slack);
    try {
      return work(arrangement, sidesOf(arrangement, areas.length));
    } catch (error) {
      if (!(error instanceof OpenEnd)) throw error;
    }
  }
  throw new CombineError('these outlines meet in a way that cannot be told apart');
}

/** Contours along the edges that have what is meant on one side only. Throws an OpenEnd. */
function around(
  arrangement: Arrangement,
  sides: readonly Sides[],
  isMeant: (windings: Int32Array) => boolean,
): Contour[] {
  const ways = arrangement.edges.flatMap((edge, k): Way[] => {
    const [left, right] = [isMeant(sides[k].left), isMeant(sides[k].right)];
    return left === right ? [] : [{ edge, isBack: left }];
  });
  return linked(arrangement, ways);
}

/** Contours around all that a rule holds of, which is told which of the areas a place is in. Throws a CombineError. */
export const combinedBy = (areas: readonly Enclosed[], means: (inside: readonly boolean[]) => boolean): Contour[] =>
  toldApart(areas, (arrangement, sides) =>
    around(arrangement, sides, (windings) => means(areas.map(({ rule }, k) => isIn(windings[k], rule)))),
  );

/** What of areas lies in just some of them: which, by number, and contours around it. */
export interface Region {
  readonly within: readonly number[];
  readonly contours: readonly Contour[];
}

/** Areas cut apart along one another's outlines: for each set of them that anything is in and nothing else, that, fewest first. Throws a CombineError. */
export const cutApart = (areas: readonly Enclosed[]): Region[] =>
  toldApart(areas, (arrangement, sides) => {
    const sets = new Set(sides.flatMap(({ left, right }) => [setOf(left, areas), setOf(right, areas)]));
    sets.delete('');
    return [...sets]
      .map((set) => ({
        within: set.split(' ').map(Number),
        contours: around(arrangement, sides, (windings) => setOf(windings, areas) === set),
      }))
      .filter((r) => r.contours.length)
      .sort((p, q) => p.within.length - q.within.length || p.within[0] - q.within[0]);
  });

/** The numbers of the areas that a place is in, in order. */
const setOf = (windings: Int32Array, areas: readonly Enclosed[]): string =>
  areas.flatMap(({ rule }, k) => (isIn(windings[k], rule) ? [k] : [])).join(' ');
