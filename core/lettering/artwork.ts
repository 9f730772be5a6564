/** Lettering as outlines. */
import type { Artwork, Piece } from '../vector';
import type { Box } from '../path';
import { glyphContours, inkBox, type PlacedGlyph } from './set';

/** Glyphs as an artwork in one ink, a piece for each that is printed, named after what it shows; and the box of it, since they stay where they stand. Null where nothing is printed. */
export function lettersArtwork(glyphs: readonly PlacedGlyph[], hex: string): { artwork: Artwork; box: Box } | null {
  const box = inkBox(glyphs);
  if (!box) return null;
  const nodes = glyphs.flatMap((g, k): Piece[] => {
    const contours = glyphContours(g);
    if (!contours.length) return [];
    const name = g.text.trim();
    return [{ kind: 'piece', id: `letter-${k + 1}`, ...(name ? { name } : {}), inkId: 'letters', contours }];
  });
  const inks = [{ id: 'letters', hex, name: 'letters' }];
  return { artwork: { widthPx: box.width, heightPx: box.height, inks, nodes, guides: [] }, box };
}
