import * as v from 'valibot';
import {
  combined,
  combinedBy,
  CombineError,
  compose,
  cutApart as regionsOf,
  flatten,
  IDENTITY,
  inverse,
  mapContour,
  signedArea,
  type Affine,
  type Combination,
  type Contour,
  type Enclosed,
} from '../../path';
import {
  allPieces,
  findNode,
  inkOf,
  piecesWithin,
  placedNodes,
  type Artwork,
  type ArtNode,
  type Piece,
  type Placed,
} from '../artwork';
import { withContours } from '../numbers';
import { id } from '../schema';
import { counted, defineEdit, EditError, must } from './define';

/** The list of nodes of edits that make shapes of shapes. */
const nodes = v.pipe(v.array(id), v.maxLength(50_000, 'at most 50000 nodes'));
export const someNodes = v.pipe(nodes, v.minLength(1, 'no piece was named'));
const several = v.pipe(nodes, v.minLength(2, 'two pieces or more'));
export const someOrAll = v.union([v.literal('all'), someNodes]);

/** The pieces that are named, in that order, those of a group in its stead; each once. */
export function piecesFrom(artwork: Artwork, ids: readonly string[] | 'all'): Placed<Piece>[] {
  const wanted = ids === 'all' ? allPieces(artwork).map((p) => p.id) : ids;
  const out = new Map<string, Placed<Piece>>();
  for (const wantedId of wanted) {
    const placed = findNode(artwork, wantedId);
    must(placed, 'this artwork has no such piece or group');
    for (const one of piecesWithin(placed)) out.set(one.node.id, one);
  }
  must(out.size > 0, 'no piece was named');
  return [...out.values()];
}

/** From one piece's coordinates to another's; null where they are the same. */
function mapInto({ map }: Pick<Placed, 'map'>, target: Pick<Placed, 'map'>): Affine | null {
  const back = inverse(target.map);
  must(back, 'a piece is squeezed flat, so nothing can be made of it');
  const by = compose(map, back);
  return by.every((x, k) => Math.abs(x - IDENTITY[k]) < 1e-12) ? null : by;
}

/** What a piece encloses, in the coordinates of another. */
export function enclosedBy(placed: Placed<Piece>, target: Pick<Placed, 'map'>): Enclosed {
  const { contours, rule, inkId } = placed.node;
  must(inkId !== null || contours.some((c) => !c.open), 'a line that is open encloses nothing');
  const by = mapInto(placed, target);
  return { contours: by ? contours.map((c) => mapContour(by, c)) : contours, rule };
}

/** Does something with outlines; what cannot be done is an edit that does not fit. */
export function told<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof CombineError) throw new EditError(error.message);
    throw error;
  }
}

/** The artwork with pieces in place of others, or null where they go. */
export const replacedPieces = (artwork: Artwork, by: ReadonlyMap<string, readonly Piece[]>): Artwork => {
  const walk = (list: readonly ArtNode[]): ArtNode[] =>
    list.flatMap((n): readonly ArtNode[] =>
      n.kind === 'group' ? [{ ...n, nodes: walk(n.nodes) }] : (by.get(n.id) ?? [n]),
    );
  return { ...artwork, nodes: walk(artwork.nodes) };
};

const combining = <K extends Combination>(kind: K, done: string) =>
  defineEdit({
    schema: v.object({ kind: v.literal(kind), nodes: several }),
    apply(artwork, { nodes: ids }) {
      const pieces = piecesFrom(artwork, ids);
      must(pieces.length > 1, 'two pieces or more');
      const [first, ...rest] = pieces;
      const contours = told(() =>
        combined(
          kind,
          pieces.map((p) => enclosedBy(p, first)),
        ),
      );
      must(contours.length > 0, 'nothing would be left of them');
      return replacedPieces(
        artwork,
        new Map([
          [first.node.id, [withContours(first.node, contours)]],
          ...rest.map((p): [string, Piece[]] => [p.node.id, []]),
        ]),
      );
    },
    tell: (_before, { nodes: ids }) => `${counted(ids.length, 'piece')} ${done}`,
  });

/** All that several pieces enclose as one, with the look and the place of the first. */
export const unite = combining('unite', 'united');
/** The first piece without what the others enclose, which go. */
export const subtract = combining('subtract', 'subtracted from one another');
/** What several pieces all enclose, with the look and the place of the first. */
export const intersect = combining('intersect', 'intersected');

/** Pieces cut along one another's outlines: what lies in several of them becomes pieces of their own, with the look of the topmost. */
export const cutApart = defineEdit({
  schema: v.object({ kind: v.literal('cut-apart'), nodes: several }),
  apply(artwork, { nodes: ids }) {
    const chosen = new Set(piecesFrom(artwork, ids).map((p) => p.node.id));
    must(chosen.size > 1, 'two pieces or more');
    // From the bottom to the top, whatever the order in which they were named.
    const pieces = [...placedNodes(artwork.nodes)].filter((p): p is Placed<Piece> => chosen.has(p.node.id));
    const [base] = pieces;
    const regions = told(() => regionsOf(pieces.map((p) => enclosedBy(p, base))));
    const by = new Map<string, Piece[]>(pieces.map((p) => [p.node.id, []]));
    for (const { within: members, contours } of regions) {
      const owner = pieces[members[members.length - 1]];
      const back = mapInto(base, owner);
      const own = back ? contours.map((c) => mapContour(back, c)) : contours;
      const parts = by.get(owner.node.id)!;
      const isFirst = parts.length === 0;
      parts.push({
        ...(isFirst ? withContours(owner.node, own) : withoutNumbers(owner.node, own)),
        id: isFirst ? owner.node.id : freshId(artwork, `${owner.node.id}-${parts.length + 1}`),
      });
    }
    return replacedPieces(artwork, by);
  },
  tell: (_before, { nodes: ids }) => `${counted(ids.length, 'piece')} cut apart`,
});

const withoutNumbers = ({ numbers: _numbers, rule: _rule, ...piece }: Piece, contours: readonly Contour[]): Piece => ({
  ...piece,
  contours,
});

/** An id that the artwork does not have yet. */
function freshId(artwork: Artwork, wanted: string): string {
  let fresh = wanted;
  for (let k = 2; findNode(artwork, fresh); k++) fresh = `${wanted}-${k}`;
  return fresh;
}

/** The holes of pieces filled. */
export const fillHoles = defineEdit({
  schema: v.object({ kind: v.literal('fill-holes'), nodes: someOrAll }),
  apply(artwork, { nodes: ids }) {
    const by = new Map<string, Piece[]>();
    for (const placed of piecesFrom(artwork, ids)) {
      const { node } = placed;
      if (node.inkId === null || node.contours.length < 2) continue;
      const around = told(() => combined('unite', [enclosedBy(placed, placed)]));
      const outer = around.filter((c) => signedArea(flatten(c)) > 0);
      if (outer.length < around.length) by.set(node.id, [withContours(node, outer)]);
    }
    must(by.size > 0, 'there are no holes to fill');
    return replacedPieces(artwork, by);
  },
  tell: (before, { nodes: ids }) => `holes of ${ids === 'all' ? 'all pieces' : counted(ids.length, 'piece')} filled`,
});

/** Whether nothing shows through a piece, nor through what it lies in. */
const hidesAll = (artwork: Artwork, { node, within: groups }: Placed<Piece>): boolean =>
  node.inkId !== null &&
  (node.fillOpacity ?? 1) === 1 &&
  !inkOf(artwork, node.inkId)?.gradient?.stops.some((s) => (s.opacity ?? 1) < 1) &&
  [node, ...groups].every((n) => !n.hidden && (n.opacity ?? 1) === 1 && !n.effects?.length && !n.clip && !n.mask);

/** What lies hidden under opaque pieces cut away: of pieces that are named, or all. A piece that is wholly hidden goes. */
export const trimHidden = defineEdit({
  schema: v.object({ kind: v.literal('trim-hidden'), nodes: someOrAll }),
  apply(artwork, { nodes: ids }) {
    const wanted = new Set(piecesFrom(artwork, ids).map((p) => p.node.id));
    const stack = [...placedNodes(artwork.nodes)].filter((p): p is Placed<Piece> => p.node.kind === 'piece');
    const by = new Map<string, Piece[]>();
    for (const [k, placed] of stack.entries()) {
      const { node } = placed;
      // A line along the outline would run along the cut as well.
      if (!wanted.has(node.id) || node.inkId === null || node.stroke || node.hidden) continue;
      const above = stack.slice(k + 1).filter((p) => hidesAll(artwork, p) && !p.node.stroke);
      if (!above.length) continue;
      const own = enclosedBy(placed, placed);
      const left = told(() =>
        combinedBy([own, ...above.map((p) => enclosedBy(p, placed))], ([is, ...hidden]) => is && !hidden.some(Boolean)),
      );
      const was = told(() => combined('unite', [own]));
      if (Math.abs(sizeOf(left) - sizeOf(was)) > TRIMMED_PX2)
        by.set(node.id, left.length ? [withContours(node, left)] : []);
    }
    must(by.size > 0, 'nothing is hidden');
    return replacedPieces(artwork, by);
  },
  tell: () => 'what was hidden cut away',
});

/** Less than this is no part that was hidden, in px². */
const TRIMMED_PX2 = 0.01;
const sizeOf = (contours: readonly Contour[]): number =>
  contours.reduce((sum, c) => sum + signedArea(flatten(c, 0.01)), 0);
