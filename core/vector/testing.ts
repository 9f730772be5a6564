/** Parts of artworks for tests. */
import type { Piece } from './artwork';

export const pieceOf = (
  id: string,
  inkId: string | null,
  contours: Piece['contours'],
  more: Partial<Piece> = {},
): Piece => ({ kind: 'piece', id, inkId, contours, ...more });
