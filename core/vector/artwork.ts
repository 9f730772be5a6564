import { mapGradient, type Gradient } from './gradient';
import { contains, flatten, mapContour, type Affine, type Contour, type Point } from './path';

/** One named colour of an artwork; every piece with it changes when it does. */
export interface Ink {
  readonly id: string;
  /** "#RRGGBB"; of a gradient, the mean of its colours, which stands for it where one colour must. */
  readonly hex: string;
  readonly name: string;
  /** Colours that change over the artwork, in place of one. */
  readonly gradient?: Gradient;
}

/** One shape of an artwork: closed contours filled by the non-zero rule. */
export interface Piece {
  readonly id: string;
  readonly inkId: string;
  readonly contours: readonly Contour[];
}

/** A vector drawing: pieces from the bottom of the stack to its top. Its ground, where it has one, is a piece like others. */
export interface Artwork {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly inks: readonly Ink[];
  readonly pieces: readonly Piece[];
}

export const inkOf = (artwork: Artwork, inkId: string): Ink | undefined => artwork.inks.find((i) => i.id === inkId);

/** The topmost piece at a point, or null. */
export function pieceAt(artwork: Artwork, point: Point): Piece | null {
  for (let i = artwork.pieces.length - 1; i >= 0; i--)
    if (contains(artwork.pieces[i].contours, point)) return artwork.pieces[i];
  return null;
}

/** How many segments all contours have: the points a designer would see, since each contour is closed. */
export const countPoints = (artwork: Artwork): number =>
  artwork.pieces.reduce((sum, p) => sum + p.contours.reduce((n, c) => n + c.segments.length, 0), 0);

export const countPieces = (artwork: Artwork, inkId?: string): number =>
  inkId === undefined ? artwork.pieces.length : artwork.pieces.filter((p) => p.inkId === inkId).length;

/** Contours of a piece flattened and scaled, for a rasteriser. */
export const outlinesOf = (piece: Piece, scale: number, tolerancePx = 0.1): number[][] =>
  piece.contours.map((c) => flatten(c, tolerancePx / scale).map((v) => v * scale));

/** The artwork with all its lengths times a factor. */
export function scaledArtwork(artwork: Artwork, scale: number): Artwork {
  const map: Affine = [scale, 0, 0, scale, 0, 0];
  return {
    widthPx: artwork.widthPx * scale,
    heightPx: artwork.heightPx * scale,
    inks: artwork.inks.map((i) => (i.gradient ? { ...i, gradient: mapGradient(map, i.gradient) } : i)),
    pieces: artwork.pieces.map((p) => ({ ...p, contours: p.contours.map((c) => mapContour(map, c)) })),
  };
}
