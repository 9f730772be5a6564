import { hexToRgb } from '../colour';
import { blankPicture, cover, layColour, layPaint, type Picture } from '../raster';
import { inkOf, outlinesOf, type Artwork } from './artwork';
import { mapGradient, paintOf } from './gradient';

/** Draws an artwork on a transparent picture whose longer side is `sidePx`, anti-aliased by exact area coverage. */
export function renderArtwork(artwork: Artwork, sidePx: number): Picture {
  const scale = sidePx / Math.max(artwork.widthPx, artwork.heightPx);
  const picture = blankPicture(
    Math.max(1, Math.round(artwork.widthPx * scale)),
    Math.max(1, Math.round(artwork.heightPx * scale)),
  );
  for (const piece of artwork.pieces) {
    const ink = inkOf(artwork, piece.inkId);
    const c = ink && cover(outlinesOf(piece, scale), picture.widthPx, picture.heightPx);
    if (!c) continue;
    if (ink.gradient) layPaint(picture, c, paintOf(mapGradient([scale, 0, 0, scale, 0, 0], ink.gradient)));
    else layColour(picture, c, hexToRgb(ink.hex));
  }
  return picture;
}
