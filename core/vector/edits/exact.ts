import * as v from 'valibot';
import {
  madeSymmetrical,
  NEARLY,
  straightened,
  symmetriesOf,
  SymmetryError,
  type Nearly,
  type NearlyTrue,
  type Symmetry,
} from '../../exact';
import type { Contour, Point } from '../../path';
import type { Artwork } from '../artwork';
import { sheetOutlines, withSheetOutlines } from '../outlines';
import { coordinate, point } from '../schema';
import { piecesFrom, someOrAll } from './combine';
import { counted, defineEdit, EditError, must } from './define';

type Nodes = readonly string[] | 'all';

const withinPx = v.pipe(
  v.number(),
  v.finite('a number'),
  v.minValue(0.001, 'at least 0.001 px'),
  v.maxValue(100, 'at most 100 px'),
);
const what = (nodes: Nodes): string => (nodes === 'all' ? 'all pieces' : counted(nodes.length, 'piece'));

/** The middle of a line or an arc that is meant lies this near to the place that is given, in px. */
const MEANT_PX = 0.5;

/** What the outlines of an artwork nearly are, and the artwork with that made exact; places are those of the sheet, in px. */
export function straightenedArtwork(
  artwork: Artwork,
  nodes: Nodes,
  within: number,
  only: readonly Nearly[] = NEARLY,
  at: readonly Point[] | null = null,
): { artwork: Artwork; found: readonly NearlyTrue[] } {
  const wanted = new Set(piecesFrom(artwork, nodes).map((p) => p.node.id));
  const outlines = sheetOutlines(artwork);
  const isWanted = (contour: number): boolean => wanted.has(outlines.pieces[contour].id);
  const isMeant = at && (([x, y]: Point) => at.some((p) => Math.hypot(p[0] - x, p[1] - y) <= MEANT_PX));
  const { contours, found } = straightened(outlines.contours, within, only, isWanted, isMeant);
  return { artwork: withSheetOutlines(artwork, outlines, contours), found };
}

/** What is nearly level, upright, at 45 degrees, parallel or equal made so, no place further than a distance. What is exact already stays. */
export const straighten = defineEdit({
  schema: v.object({
    kind: v.literal('straighten'),
    nodes: someOrAll,
    withinPx,
    only: v.optional(v.pipe(v.array(v.picklist(NEARLY)), v.minLength(1, 'one kind or more'))),
    at: v.optional(
      v.pipe(v.array(point), v.minLength(1, 'one place or more'), v.maxLength(1000, 'at most 1000 places')),
    ),
  }),
  apply: (artwork, { nodes, withinPx: within, only, at }) =>
    straightenedArtwork(artwork, nodes, within, only, at).artwork,
  tell: (_before, { nodes, only }) =>
    only ? `${only.join(', ')} of ${what(nodes)} made exact` : `${what(nodes)} straightened`,
});

/** An axis or a centre that is given. */
const about = v.variant('kind', [
  v.object({ kind: v.literal('mirror'), through: point, angleDeg: coordinate }),
  v.object({
    kind: v.literal('turning'),
    centre: point,
    order: v.pipe(v.number(), v.integer('a whole number'), v.minValue(2, '2 or more'), v.maxValue(64, 'at most 64')),
  }),
]);

/** How far off an axis may be to be looked for, when nothing is said: this, but no more than a share of the sheet. */
const WITHIN_PX = 2;
const WITHIN_SHARE = 0.01;
const withinFor = ({ widthPx, heightPx }: Artwork): number =>
  Math.min(WITHIN_PX, WITHIN_SHARE * Math.max(widthPx, heightPx));

/** Outlines of pieces that are named, those of one ink alike. */
function likesOf(artwork: Artwork, nodes: Nodes) {
  const wanted = new Set(piecesFrom(artwork, nodes).map((p) => p.node.id));
  const outlines = sheetOutlines(artwork);
  const own = outlines.contours.map((_, k) => k).filter((k) => wanted.has(outlines.pieces[k].id));
  const likes = {
    contours: own.map((k) => outlines.contours[k]),
    like: (k: number): string => {
      const { inkId, stroke } = outlines.pieces[own[k]];
      return `${inkId ?? ''} ${stroke?.inkId ?? ''}`;
    },
  };
  return { outlines, own, likes };
}

/** Axes and centres about which pieces are nearly the same, upright and level axes first. */
export function symmetriesOfArtwork(artwork: Artwork, nodes: Nodes, within = withinFor(artwork)): Symmetry[] {
  const middle: Point = [artwork.widthPx / 2, artwork.heightPx / 2];
  const found = symmetriesOf(likesOf(artwork, nodes).likes, within, middle);
  const rank = (s: Symmetry): number => (s.kind === 'turning' ? 3 : s.angleDeg === 90 ? 0 : s.angleDeg === 0 ? 1 : 2);
  return [...found].sort((p, q) => rank(p) - rank(q));
}

/** Pieces made exactly the same about an axis or a centre, given or found; about two axes that stand square to one another where both are found. */
export const symmetry = defineEdit({
  schema: v.object({
    kind: v.literal('symmetry'),
    nodes: someOrAll,
    withinPx: v.optional(withinPx),
    about: v.optional(about),
  }),
  apply(artwork, { nodes, withinPx: given, about: wanted }) {
    const within = given ?? withinFor(artwork);
    const { outlines, own, likes } = likesOf(artwork, nodes);
    const axes = wanted ? [{ ...wanted, offPx: 0, share: 1 }] : bestOf(symmetriesOfArtwork(artwork, nodes, within));
    must(axes.length, `no axis and no centre of symmetry was found within ${within} px`);
    let contours: readonly Contour[] = likes.contours;
    try {
      for (const axis of axes) contours = madeSymmetrical({ ...likes, contours }, axis, within);
    } catch (error) {
      if (error instanceof SymmetryError) throw new EditError(error.message);
      throw error;
    }
    const at = new Map(own.map((k, m) => [k, m]));
    const after = outlines.contours.map((c, k) => (at.has(k) ? contours[at.get(k)!] : c));
    return withSheetOutlines(artwork, outlines, after);
  },
  tell: (_before, { nodes }) => `${what(nodes)} made symmetrical`,
});

/** The first of what was found, and the axis square to it, where that is one. */
function bestOf([first, ...rest]: readonly Symmetry[]): Symmetry[] {
  if (!first) return [];
  if (first.kind === 'turning') return [first];
  const square = rest.find(
    (s) => s.kind === 'mirror' && Math.abs(((s.angleDeg - first.angleDeg + 180) % 180) - 90) < 0.5,
  );
  return square?.kind === 'mirror' ? [first, { ...square, angleDeg: (first.angleDeg + 90) % 180 }] : [first];
}
