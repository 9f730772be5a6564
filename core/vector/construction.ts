/** What an artwork is constructed of. */
import { constructionOf, type Construction } from '../exact';
import { asLines, boxOf, contains, type Box, type Contour, type Point } from '../path';
import type { Artwork, Piece } from './artwork';
import { piecesFrom } from './edits/combine';
import { nearlyWithin } from './nearly';
import { sheetOutlines, type SheetOutlines } from './outlines';

/** Places of an outline within this of what lies over it are not hidden by it, in px. */
const INSIDE_PX = 0.6;

/** The fewest circles, lines and angles that the outlines of pieces lie on, where they are seen, within as much as they may be off to be nearly true. */
export function constructionOfArtwork(
  artwork: Artwork,
  nodes: readonly string[] | 'all',
  withinPx = nearlyWithin(artwork),
): Construction {
  const wanted = new Set(piecesFrom(artwork, nodes).map((p) => p.node.id));
  const outlines = sheetOutlines(artwork);
  const own = outlines.contours.map((_, k) => k).filter((k) => wanted.has(outlines.pieces[k].id));
  const isHidden = hiding(outlines);
  return constructionOf(
    own.map((k) => outlines.contours[k]),
    withinPx,
    (p, of) => [...of].some((k) => !isHidden(p, own[k])),
  );
}

interface Cover {
  readonly piece: Piece;
  readonly contours: readonly Contour[];
  readonly box: Box;
}

/** Tells whether a place on an outline lies well within a piece above it that nothing shows through. */
function hiding({ contours, pieces }: SheetOutlines): (p: Point, outline: number) => boolean {
  const covers: Cover[] = [];
  const level = new Map<string, number>();
  contours.forEach((_, k) => {
    const piece = pieces[k];
    if (level.has(piece.id)) return;
    level.set(piece.id, covers.length);
    const own = contours.filter((__, m) => pieces[m].id === piece.id);
    covers.push({ piece, contours: own.map((c) => asLines(c)), box: boxOf(own) });
  });
  const solid = (piece: Piece): boolean =>
    piece.inkId !== null && !piece.hidden && (piece.opacity ?? 1) * (piece.fillOpacity ?? 1) === 1;
  const corners: readonly Point[] = [
    [INSIDE_PX, 0],
    [-INSIDE_PX, 0],
    [0, INSIDE_PX],
    [0, -INSIDE_PX],
  ];
  return ([x, y], outline) =>
    covers
      .slice(level.get(pieces[outline].id)! + 1)
      .some(
        ({ piece, contours: own, box: b }) =>
          solid(piece) &&
          x > b.x &&
          x < b.x + b.width &&
          y > b.y &&
          y < b.y + b.height &&
          corners.every(([dx, dy]) => contains(own, [x + dx, y + dy], piece.rule)),
      );
}

/** More circles or lines than this are not shown together: those that carry most come first. */
const SHOWN_MOST = 24;

/** The lines and circles that are worth being shown: those that together carry most of the outlines. */
export const telling = ({ lines, circles }: Construction): Pick<Construction, 'lines' | 'circles'> => ({
  lines: lines.slice(0, SHOWN_MOST),
  circles: circles.slice(0, SHOWN_MOST),
});
