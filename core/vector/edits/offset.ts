import * as v from 'valibot';
import { combined, IDENTITY, inverse, mapContour, meanScale, offsetOf, similarity, type Contour } from '../../path';
import { findNode, type Artwork, type Piece, type Placed } from '../artwork';
import { withContours } from '../numbers';
import { id } from '../schema';
import { enclosedBy, piecesFrom, replacedPieces, someOrAll, told } from './combine';
import { counted, defineEdit, inkFrom, must } from './define';

const distance = v.pipe(
  v.number(),
  v.finite('a number'),
  v.minValue(-1e4, 'at most 10000 px'),
  v.maxValue(1e4, 'at most 10000 px'),
);
const join = v.optional(v.picklist(['round', 'mitre', 'bevel']), 'round');

/** A piece's outlines moved outwards by a distance on the sheet, in the piece's own coordinates. */
function grown(placed: Placed<Piece>, byPx: number, how: 'round' | 'mitre' | 'bevel'): Contour[] {
  const area = enclosedBy(placed, placed);
  if (similarity(placed.map)) return told(() => offsetOf(area, byPx / meanScale(placed.map), how));
  // Squeezed or slanted: the distance is even on the sheet only.
  const back = inverse(placed.map);
  must(back, 'a piece is squeezed flat, so nothing can be made of it');
  const sheet = area.contours.map((c) => mapContour(placed.map, c));
  return told(() => offsetOf({ contours: sheet, rule: area.rule }, byPx, how)).map((c) => mapContour(back, c));
}

/** Pieces grown by a distance in px of the sheet, or shrunk where it is below 0. */
export const offset = defineEdit({
  schema: v.object({ kind: v.literal('offset'), nodes: someOrAll, byPx: distance, join }),
  apply(artwork, { nodes, byPx, join: how }) {
    must(byPx !== 0, 'a distance other than 0');
    const by = new Map<string, Piece[]>();
    let lost = 0;
    for (const placed of piecesFrom(artwork, nodes)) {
      // A line alone has no area that could grow: it is made wider or narrower by its width.
      if (nodes === 'all' && placed.node.inkId === null) continue;
      const contours = grown(placed, byPx, how);
      if (contours.length) by.set(placed.node.id, [withContours(placed.node, contours)]);
      else lost++;
    }
    must(lost === 0, `nothing would be left of ${counted(lost, 'piece')}`);
    must(by.size > 0, 'no piece has an area');
    return replacedPieces(artwork, by);
  },
  tell: (_before, { nodes, byPx }) =>
    `${nodes === 'all' ? 'all pieces' : counted(nodes.length, 'piece')} ${byPx > 0 ? 'grown' : 'shrunk'} by ${Math.abs(byPx)} px`,
});

/** A border behind everything that is named, in an ink: their silhouette grown, as a new piece right below the lowest of them. */
export const border = defineEdit({
  schema: v.object({
    kind: v.literal('border'),
    nodes: someOrAll,
    byPx: v.pipe(distance, v.gtValue(0, 'more than 0 px')),
    join,
    inkId: id,
    pieceId: id,
  }),
  apply(artwork, { nodes, byPx, join: how, inkId, pieceId }) {
    inkFrom(artwork, inkId);
    must(!findNode(artwork, pieceId), 'this artwork has a node of that id already');
    const sheet = { map: IDENTITY };
    const areas = piecesFrom(artwork, nodes)
      .filter((p) => p.node.inkId !== null)
      .map((p) => enclosedBy(p, sheet));
    must(areas.length > 0, 'no piece has an area');
    const contours = told(() => offsetOf({ contours: combined('unite', areas) }, byPx, how));
    const piece: Piece = { kind: 'piece', id: pieceId, inkId, contours };
    return withBelow(artwork, nodes, piece);
  },
  tell: (_before, { byPx }) => `a border of ${byPx} px`,
});

/** The artwork with a piece below what is named, among the outermost nodes. */
function withBelow(artwork: Artwork, nodes: readonly string[] | 'all', piece: Piece): Artwork {
  const outermost = (nodeId: string): string => {
    const { node, within } = findNode(artwork, nodeId)!;
    return (within[0] ?? node).id;
  };
  const named = new Set((nodes === 'all' ? artwork.nodes.map((n) => n.id) : nodes).map(outermost));
  const at = artwork.nodes.findIndex((n) => named.has(n.id));
  return { ...artwork, nodes: [...artwork.nodes.slice(0, at), piece, ...artwork.nodes.slice(at)] };
}
