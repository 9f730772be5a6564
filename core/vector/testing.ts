/** Parts of artworks for tests. */
import type { Artwork, ArtNode, Piece } from './artwork';

export const pieceOf = (
  id: string,
  inkId: string | null,
  contours: Piece['contours'],
  more: Partial<Piece> = {},
): Piece => ({ kind: 'piece', id, inkId, contours, ...more });

/** An artwork of some nodes, with two inks, "a" and "b". */
export const artworkOf = (nodes: readonly ArtNode[], widthPx = 200, heightPx = 200): Artwork => ({
  widthPx,
  heightPx,
  inks: [
    { id: 'a', hex: '#182A5C', name: 'midnight' },
    { id: 'b', hex: '#F2C14E', name: 'lamp' },
  ],
  nodes,
  guides: [],
});
