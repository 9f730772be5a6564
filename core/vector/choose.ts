/** Choosing nodes: by a place, a box, an ink, a likeness. */
import {
  boxOf,
  contains,
  flatten,
  inverse,
  mapContour,
  mapPoint,
  nearestPlace,
  signedArea,
  type Box,
  type Point,
} from '../path';
import { inksOfPiece, placedNodes, type Artwork, type ArtNode, type Piece, type Placed } from './artwork';

/** Whether a node, or what it lies in, is hidden or locked: a press passes it by. */
const isOut = ({ node, within }: Placed): boolean => [...within, node].some((n) => n.hidden || n.locked);

/** All pieces with where they stand, those that a press passes by left out. */
const pressable = (artwork: Artwork): Placed<Piece>[] =>
  [...placedNodes(artwork.nodes)].filter((p): p is Placed<Piece> => p.node.kind === 'piece' && !isOut(p));

/** Whether a piece is touched at a point of its own coordinates. */
function touches(piece: Piece, point: Point): boolean {
  const { inkId, contours, rule, stroke, clip } = piece;
  if (clip && !clip.some((c) => contains(c.contours, point, c.rule))) return false;
  if (inkId !== null && contains(contours, point, rule)) return true;
  const reach = stroke ? stroke.widthPx / 2 : 0;
  return reach > 0 && contours.some((c) => (nearestPlace(c, point)?.distancePx ?? Infinity) <= reach);
}

/** The topmost piece at a point that is neither hidden nor locked, or null. A line counts over its width, from its middle outwards. */
export function pieceAt(artwork: Artwork, point: Point): Piece | null {
  let found: Piece | null = null;
  for (const { node, map } of pressable(artwork)) {
    const back = inverse(map);
    if (back && touches(node, mapPoint(back, point))) found = node;
  }
  return found;
}

/** What a press at a point may mean, the likeliest first: of each piece there, from the top down, the outermost group that it lies in, then itself. */
export function nodesAt(artwork: Artwork, point: Point): string[] {
  const out = new Set<string>();
  for (const { node, within, map } of pressable(artwork).reverse()) {
    const back = inverse(map);
    if (!back || !touches(node, mapPoint(back, point))) continue;
    for (const n of [...within.slice(0, 1), node]) out.add(n.id);
  }
  return [...out];
}

/** The box of a node on the sheet, by its outlines; null for one without. */
export function boxOfNode(artwork: Artwork, nodeId: string): Box | null {
  const contours = [...placedNodes(artwork.nodes)]
    .filter((p) => p.node.id === nodeId || p.within.some((g) => g.id === nodeId))
    .flatMap((p) => (p.node.kind === 'piece' ? p.node.contours.map((c) => mapContour(p.map, c)) : []));
  return contours.length ? boxOf(contours) : null;
}

/** The box about several. */
export function unionOf(boxes: readonly Box[]): Box | null {
  if (!boxes.length) return null;
  const [x, y] = [Math.min(...boxes.map((b) => b.x)), Math.min(...boxes.map((b) => b.y))];
  return {
    x,
    y,
    width: Math.max(...boxes.map((b) => b.x + b.width)) - x,
    height: Math.max(...boxes.map((b) => b.y + b.height)) - y,
  };
}

/** The outermost nodes that lie wholly in a box. */
export function nodesIn(artwork: Artwork, box: Box): string[] {
  return artwork.nodes
    .filter((n) => !n.hidden && !n.locked)
    .filter((n) => {
      const own = boxOfNode(artwork, n.id);
      return (
        own &&
        own.x >= box.x &&
        own.y >= box.y &&
        own.x + own.width <= box.x + box.width &&
        own.y + own.height <= box.y + box.height
      );
    })
    .map((n) => n.id);
}

/** All pieces with an ink, hidden and locked ones left out. */
export const nodesOfInk = (artwork: Artwork, inkId: string): string[] =>
  pressable(artwork)
    .filter((p) => inksOfPiece(p.node).includes(inkId))
    .map((p) => p.node.id);

const sizeOf = ({ node, map }: Placed<Piece>): number =>
  Math.abs(node.contours.reduce((sum, c) => sum + signedArea(flatten(mapContour(map, c), 0.05)), 0));

/** How much two areas may differ, and how many points, for pieces to be alike. */
const ALIKE_SHARE = 0.15;

/** Pieces like one of those that are chosen: of its inks, about its size, with as many outlines. */
export function nodesAlike(artwork: Artwork, chosen: readonly string[]): string[] {
  const all = pressable(artwork);
  const models = all.filter((p) => chosen.includes(p.node.id));
  return all
    .filter((p) =>
      models.some((m) => {
        const [a, b] = [sizeOf(p), sizeOf(m)];
        return (
          inksOfPiece(p.node).join() === inksOfPiece(m.node).join() &&
          p.node.contours.length === m.node.contours.length &&
          Math.abs(a - b) <= ALIKE_SHARE * Math.max(a, b)
        );
      }),
    )
    .map((p) => p.node.id);
}

/** The outermost nodes that are not chosen. */
export const nodesLeft = (artwork: Artwork, chosen: readonly string[]): string[] =>
  artwork.nodes
    .filter((n) => !n.hidden && !n.locked && !chosen.includes(n.id) && !holdsAny(n, chosen))
    .map((n) => n.id);

const holdsAny = (node: ArtNode, ids: readonly string[]): boolean =>
  node.kind === 'group' && node.nodes.some((n) => ids.includes(n.id) || holdsAny(n, ids));

/** Pieces smaller than an area on the sheet, in px²: specks, and what was left over. */
export const specksOf = (artwork: Artwork, leastPx2: number): string[] =>
  pressable(artwork)
    .filter((p) => !p.node.stroke && p.node.inkId !== null && sizeOf(p) < leastPx2)
    .map((p) => p.node.id);

/** What some nodes are, in figures: pieces, points, area on the sheet in px². */
export function figuresOf(
  artwork: Artwork,
  chosen: readonly string[],
): { pieces: number; points: number; areaPx2: number } {
  const own = [...placedNodes(artwork.nodes)].filter(
    (p): p is Placed<Piece> =>
      p.node.kind === 'piece' && (chosen.includes(p.node.id) || p.within.some((g) => chosen.includes(g.id))),
  );
  return {
    pieces: own.length,
    points: own.reduce((sum, p) => sum + p.node.contours.reduce((n, c) => n + c.segments.length, 0), 0),
    areaPx2: own.reduce((sum, p) => sum + (p.node.inkId === null ? 0 : sizeOf(p)), 0),
  };
}
