/** All outlines of an artwork, as they lie on the sheet, and what becomes of pieces when outlines change. */
import { inverse, mapContour, meanScale, type Affine, type Contour } from '../path';
import { Lines, polylineOf, strayOf } from '../exact';
import { placedNodes, type Artwork, type Piece, type Placed } from './artwork';
import { withContours } from './numbers';

/** The outlines of some pieces that have one map to the sheet: in their own coordinates, one piece after the other. */
export interface OutlineSet {
  readonly map: Affine;
  /** Sheet pixels to a pixel of theirs. */
  readonly scale: number;
  readonly pieces: readonly Placed<Piece>[];
  readonly contours: readonly Contour[];
  /** Of each outline, the number of its piece in the list. */
  readonly of: readonly number[];
}

/** All pieces of an artwork, those with one map together. Those squeezed flat are left out. */
export function outlineSets(artwork: Artwork): OutlineSet[] {
  const sets = new Map<string, { map: Affine; pieces: Placed<Piece>[]; contours: Contour[]; of: number[] }>();
  for (const placed of placedNodes(artwork.nodes)) {
    if (placed.node.kind !== 'piece' || !inverse(placed.map)) continue;
    const key = placed.map.join();
    const set = sets.get(key) ?? { map: placed.map, pieces: [], contours: [], of: [] };
    sets.set(key, set);
    set.pieces.push(placed as Placed<Piece>);
    for (const contour of placed.node.contours) {
      set.contours.push(contour);
      set.of.push(set.pieces.length - 1);
    }
  }
  return [...sets.values()].map((s) => ({ ...s, scale: meanScale(s.map) }));
}

/** A piece with other outlines; what its rule makes of them stays. */
export const withOutlines = (piece: Piece, contours: readonly Contour[]): Piece => ({
  ...withContours(piece, contours),
  ...(piece.rule ? { rule: piece.rule } : {}),
});

/** Of a set whose outlines became others, the pieces that are not what they were, by id. */
export function changedPieces({ pieces, contours, of }: OutlineSet, after: readonly Contour[]): Map<string, Piece> {
  const out = new Map<string, Piece>();
  pieces.forEach(({ node }, p) => {
    const own = after.filter((_, k) => of[k] === p);
    if (contours.some((c, k) => of[k] === p && c !== after[k])) out.set(node.id, withOutlines(node, own));
  });
  return out;
}

/** All outlines of an artwork on the sheet, one piece after the other. */
export interface SheetOutlines {
  readonly contours: readonly Contour[];
  /** Of each outline, the piece that it is of. */
  readonly pieces: readonly Piece[];
  readonly maps: readonly Affine[];
}

/** The outlines of all pieces as they lie on the sheet. Those of pieces squeezed flat are left out. */
export function sheetOutlines(artwork: Artwork): SheetOutlines {
  const [contours, pieces, maps]: [Contour[], Piece[], Affine[]] = [[], [], []];
  for (const { node, map } of placedNodes(artwork.nodes)) {
    if (node.kind !== 'piece' || !inverse(map)) continue;
    for (const contour of node.contours) {
      contours.push(mapContour(map, contour));
      pieces.push(node);
      maps.push(map);
    }
  }
  return { contours, pieces, maps };
}

/** The pieces of which some outlines became others on the sheet, by id. */
export function changedOnSheet(
  { contours, pieces, maps }: SheetOutlines,
  after: readonly Contour[],
): Map<string, Piece> {
  const changed = new Set(pieces.filter((_, k) => after[k] !== contours[k]));
  return new Map(
    [...changed].map((piece): [string, Piece] => {
      const first = pieces.indexOf(piece);
      const own = piece.contours.map((c, k) => {
        const now = after[first + k];
        return now === contours[first + k] ? c : mapContour(inverse(maps[first])!, now);
      });
      return [piece.id, withOutlines(piece, own)];
    }),
  );
}

/** How finely outlines are drawn, and how far apart they are looked at, to tell how far they stray, in px. */
const FINE_PX = 0.005;
const STEP_PX = 0.5;

/** How far the outlines of an artwork lie, at most, from those that another had, in px of the sheet. */
export function greatestStray(before: Artwork, after: Artwork): number {
  const [was, is] = [before, after].map((a) =>
    [...placedNodes(a.nodes)].filter((p): p is Placed<Piece> => p.node.kind === 'piece'),
  );
  const known = new Map(was.map((p) => [p.node.id, p]));
  const isAsBefore = ({ node, map }: Placed<Piece>): boolean => {
    const old = known.get(node.id);
    return old?.node.contours === node.contours && old.map.every((x, k) => x === map[k]);
  };
  const drawn = (pieces: readonly Placed<Piece>[]): Float64Array[] =>
    pieces.flatMap((p) => p.node.contours.map((c) => polylineOf(mapContour(p.map, c), FINE_PX)));
  const changed = drawn(is.filter((p) => !isAsBefore(p)));
  const lines = new Lines(changed.length ? drawn(was) : []);
  return lines.count ? strayOf(changed, lines, STEP_PX) : 0;
}
