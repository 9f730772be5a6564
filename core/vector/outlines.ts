/** All outlines of an artwork, as they lie on the sheet, and the artwork when they change. */
import { CombineError, inverse, mapContour, widened, type Affine, type Contour } from '../path';
import { Lines, polylineOf, strayOf } from '../exact';
import { placedNodes, type Artwork, type Piece, type PieceStroke, type Placed } from './artwork';
import { mapNodes } from './edits/define';
import { withContours } from './numbers';

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

/** The artwork with some outlines on the sheet become others; points of pieces that change get numbers that none had before, what their rule makes of them stays. */
export function withSheetOutlines(
  artwork: Artwork,
  { contours, pieces, maps }: SheetOutlines,
  after: readonly Contour[],
): Artwork {
  const changed = new Set(pieces.filter((_, k) => after[k] !== contours[k]).map((p) => p.id));
  if (!changed.size) return artwork;
  const first = new Map<string, number>();
  pieces.forEach((p, k) => first.has(p.id) || first.set(p.id, k));
  const nodes = mapNodes(artwork.nodes, (node) => {
    if (node.kind !== 'piece' || !changed.has(node.id)) return node;
    const from = first.get(node.id)!;
    const back = inverse(maps[from])!;
    const own = node.contours.map((c, k) =>
      after[from + k] === contours[from + k] ? c : mapContour(back, after[from + k]),
    );
    return { ...withContours(node, own), ...(node.rule ? { rule: node.rule } : {}) };
  });
  return { ...artwork, nodes };
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

/** A shape that one sees, as it lies on the sheet: what a piece encloses, or the line along it. */
export interface DrawnShape {
  /** The piece's id; of a line along what is filled, that and "-line". */
  readonly id: string;
  readonly name?: string;
  readonly inkId: string;
  readonly contours: readonly Contour[];
  readonly rule?: 'evenodd';
}

/** What a line along outlines covers; where that cannot be told apart, its course. */
function sidesOf(contours: readonly Contour[], stroke: PieceStroke): readonly Contour[] {
  try {
    return widened(contours, stroke);
  } catch (error) {
    if (error instanceof CombineError) return contours;
    throw error;
  }
}

/** The shapes of an artwork that are not hidden, from the bottom to the top, but for its depth. Clips, masks and what shines through are not looked at. */
export const drawnShapes = (artwork: Artwork): DrawnShape[] =>
  [...placedNodes(artwork.nodes)].flatMap(({ node, within, map }) => {
    if (node.kind !== 'piece' || node.depth || !node.contours.length || [...within, node].some((n) => n.hidden))
      return [];
    const { id, name, inkId, stroke, contours, rule } = node;
    const placed = (list: readonly Contour[]) => list.map((c) => mapContour(map, c));
    const common = name ? { name } : {};
    const out: DrawnShape[] = [];
    if (inkId !== null) out.push({ id, ...common, inkId, contours: placed(contours), ...(rule ? { rule } : {}) });
    if (stroke && stroke.widthPx > 0) {
      const own = inkId === null ? id : `${id}-line`;
      out.push({ id: own, ...common, inkId: stroke.inkId, contours: placed(sidesOf(contours, stroke)) });
    }
    return out;
  });
