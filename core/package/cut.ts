/** Stickers: the line that a cutter follows. */
import { artworkToSvg } from '../export';
import { areaFrom, filled, grown, sparse, unionFine, type Contour } from '../path';
import { contoursOfArea, sceneOf } from '../scene';
import type { Artwork } from '../vector';

/** The name of the plate and the layer of cut lines. */
export const CUT_PLATE = 'Cut line';

const longerOf = ({ widthPx, heightPx }: Artwork): number => Math.max(widthPx, heightPx);

/** The figure's silhouette grown by a distance, without holes: what a cutter follows. */
export function cutLine(artwork: Artwork, byPx: number): Contour[] {
  const { shapes } = sceneOf(artwork, { strokes: 'outlined' });
  const tolerance = longerOf(artwork) / 8000;
  const rings = unionFine(shapes.flatMap(({ contours }) => unionFine(areaFrom(contours, tolerance))));
  return contoursOfArea(sparse(filled(grown(rings, byPx)), tolerance));
}

/** An artwork in its true size with its cut line as a layer of its own, as SVG. */
export function cutSvg(
  artwork: Artwork,
  { cutMm, longerMm }: { cutMm: number; longerMm: number },
  title: string,
): string {
  const pxPerMm = longerOf(artwork) / longerMm;
  const room = (cutMm + 1) * pxPerMm;
  const sheet: Artwork = {
    ...artwork,
    widthPx: artwork.widthPx + 2 * room,
    heightPx: artwork.heightPx + 2 * room,
    inks: [...artwork.inks, { id: 'cut-line', name: CUT_PLATE, hex: '#FF00FF' }],
    nodes: [
      { kind: 'group', id: 'placed', transform: [1, 0, 0, 1, room, room], nodes: artwork.nodes },
      {
        kind: 'group',
        id: 'cut',
        name: CUT_PLATE,
        transform: [1, 0, 0, 1, room, room],
        nodes: [
          {
            kind: 'piece',
            id: 'cut-line-piece',
            inkId: null,
            contours: cutLine(artwork, cutMm * pxPerMm),
            stroke: { inkId: 'cut-line', widthPx: 0.1 * pxPerMm, cap: 'butt', join: 'round', mitreLimit: 4 },
          },
        ],
      },
    ],
  };
  const mm = (px: number): string => String(Number((px / pxPerMm).toFixed(3)));
  // The first width and height are those of the drawing: it has its true size.
  return artworkToSvg(sheet, { title }).replace(
    / width="[^"]*" height="[^"]*"/,
    ` width="${mm(sheet.widthPx)}mm" height="${mm(sheet.heightPx)}mm"`,
  );
}
