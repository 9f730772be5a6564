import * as v from 'valibot';
import { thinned } from '../../exact';
import type { Artwork } from '../artwork';
import { sheetOutlines, withSheetOutlines } from '../outlines';
import { piecesFrom, someOrAll } from './combine';
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
  const outlines = sheetOutlines(artwork);
  const { contours, greatestPx } = thinned(outlines.contours, tolerance, (k) => wanted.has(outlines.pieces[k].id));
  return { artwork: withSheetOutlines(artwork, outlines, contours), greatestPx };
}

/** Fewer points for the same shape; neighbours that share an edge share it afterwards. Where no point can go, all stays. */
export const economy = defineEdit({
  schema: v.object({ kind: v.literal('economy'), nodes: someOrAll, tolerancePx }),
  apply: (artwork, { nodes, tolerancePx: tolerance }) => thinnedArtwork(artwork, nodes, tolerance).artwork,
  tell: (_before, { nodes, tolerancePx: tolerance }) =>
    `${nodes === 'all' ? 'all pieces' : counted(nodes.length, 'piece')} thinned out within ${tolerance} px`,
});
