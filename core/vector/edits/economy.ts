import * as v from 'valibot';
import { thinned } from '../../exact';
import { changedPieces, outlineSets } from '../outlines';
import type { Artwork, Piece } from '../artwork';
import { piecesFrom, replacedPieces, someOrAll } from './combine';
import { counted, defineEdit } from './define';

const tolerancePx = v.pipe(
  v.number(),
  v.finite('a number'),
  v.minValue(0.001, 'at least 0.001 px'),
  v.maxValue(100, 'at most 100 px'),
);

/** An artwork with fewer points in what is named, and how far any of it strays, in px of the sheet. */
export function thinnedArtwork(
  artwork: Artwork,
  nodes: readonly string[] | 'all',
  tolerance: number,
): { artwork: Artwork; greatestPx: number } {
  const wanted = new Set(piecesFrom(artwork, nodes).map((p) => p.node.id));
  const by = new Map<string, Piece[]>();
  let greatestPx = 0;
  for (const set of outlineSets(artwork)) {
    if (!set.pieces.some((p) => wanted.has(p.node.id))) continue;
    const isWanted = set.of.map((p) => wanted.has(set.pieces[p].node.id));
    const { contours, greatestPx: strays } = thinned(set.contours, tolerance / set.scale, (k) => isWanted[k]);
    greatestPx = Math.max(greatestPx, strays * set.scale);
    for (const [pieceId, piece] of changedPieces(set, contours)) by.set(pieceId, [piece]);
  }
  return { artwork: by.size ? replacedPieces(artwork, by) : artwork, greatestPx };
}

/** Fewer points for the same shape; neighbours that share an edge share it afterwards. Where no point can go, all stays. */
export const economy = defineEdit({
  schema: v.object({ kind: v.literal('economy'), nodes: someOrAll, tolerancePx }),
  apply: (artwork, { nodes, tolerancePx: tolerance }) => thinnedArtwork(artwork, nodes, tolerance).artwork,
  tell: (_before, { nodes, tolerancePx: tolerance }) =>
    `${nodes === 'all' ? 'all pieces' : counted(nodes.length, 'piece')} thinned out within ${tolerance} px`,
});
