/** Pieces of which one half changed, and the other follows. */
import { inverse, mapContour, mirrorIn, type Contour, type Point } from '../path';
import { sheetOutlines, withContours, type Artwork, type Piece } from '../vector';
import { followedBy, imageAmong, type Axis } from './mirrored';

/**
 * Pieces as they become, with what follows them on the other side of an axis: the other half of each outline that lies across it, and the image of one beside it. `side` is a place on
 * the half that was changed. Where an outline came or went there is nothing that could follow.
 */
export function withOtherHalf(artwork: Artwork, pieces: readonly Piece[], axis: Axis, side: Point): readonly Piece[] {
  const { contours: before, pieces: owners, maps } = sheetOutlines(artwork);
  const after: (readonly Contour[])[] = before.map((c) => [c]);
  const first = new Map<string, number>();
  owners.forEach((p, k) => first.has(p.id) || first.set(p.id, k));
  const touched = new Set<string>();
  for (const piece of pieces) {
    const from = first.get(piece.id);
    if (from === undefined || piece.contours.length !== owners[from].contours.length) return pieces;
    piece.contours.forEach((c, m) => {
      if (c === owners[from].contours[m]) return;
      const k = from + m;
      const now = mapContour(maps[k], c);
      after[k] = followedBy(now, axis, side);
      const image = after[k][0] === now ? imageAmong(before, k, axis) : null;
      if (image !== null) {
        after[image] = [mapContour(mirrorIn(axis.through, axis.angleDeg), now)];
        touched.add(owners[image].id);
      }
      touched.add(piece.id);
    });
  }
  return [...touched].map((id): Piece => {
    const from = first.get(id)!;
    const given = pieces.find((p) => p.id === id) ?? owners[from];
    const back = inverse(maps[from])!;
    const own = owners[from].contours.map((c, m) => {
      const list = after[from + m];
      if (list.length === 1 && list[0] === before[from + m]) return [given.contours[m] ?? c];
      return list.map((x) => mapContour(back, x));
    });
    const contours = own.flat();
    // While points stay in their order they keep their numbers.
    const isAlike =
      own.every((o) => o.length === 1) &&
      contours.every((c, m) => c.segments.length === given.contours[m].segments.length);
    return isAlike ? { ...given, contours } : withContours(given, contours);
  });
}
