import { luminance } from '../colour';
import { clearestGround, GRAPHIC_CONTRAST, leastContrast } from '../judge';
import { rectangle, scaleAndMove, type Box } from '../path';
import { seenIn } from '../raster';
import { renderArtwork } from '../scene';
import { seenInks, type Artwork } from '../vector';

/** How a work stands on a sheet of its own: its figure within a share of the sheet's sides, or of a circle that touches them; or it covers the sheet. */
export interface Placement {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly within: 'box' | 'circle' | 'cover';
  /** 0..1 of the sheet's shorter side for circles, of both sides for boxes. */
  readonly share: number;
  /** Laid below, all over; nothing where left out. */
  readonly groundHex?: string;
}

/** The picture in which the figure's place is looked for, in px of its longer side. */
const LOOKED_AT_PX = 1024;

const GROUND_INK = 'sheet-ground';
/** Where a figure lies, and how far it reaches from the middle of that. */
interface Figure extends Box {
  readonly reach: number;
}
const figures = new WeakMap<Artwork, Figure>();

/** Where an artwork shows anything; the whole sheet where it shows nothing. */
export function figureOf(artwork: Artwork): Figure {
  let figure = figures.get(artwork);
  if (!figure) {
    const { widthPx, heightPx } = artwork;
    const { rgba, ...picture } = renderArtwork(artwork, LOOKED_AT_PX);
    const seen = seenIn({ rgba, ...picture });
    const scale = widthPx / picture.widthPx;
    if (!seen) figure = { x: 0, y: 0, width: widthPx, height: heightPx, reach: Math.hypot(widthPx, heightPx) / 2 };
    else {
      const [cx, cy] = [seen.x + seen.width / 2, seen.y + seen.height / 2];
      let reach = 0;
      for (let y = seen.y; y < seen.y + seen.height; y++)
        for (let x = seen.x; x < seen.x + seen.width; x++)
          if (rgba[4 * (y * picture.widthPx + x) + 3] >= 6)
            reach = Math.max(reach, Math.hypot(Math.abs(x + 0.5 - cx) + 0.5, Math.abs(y + 0.5 - cy) + 0.5));
      figure = { x: seen.x * scale, y: seen.y * scale, width: seen.width * scale, height: seen.height * scale, reach: reach * scale }; // prettier-ignore
    }
    figures.set(artwork, figure);
  }
  return figure;
}

/** An artwork on a sheet of its own, its figure in the middle. */
export function placedOn(artwork: Artwork, { widthPx, heightPx, within, share, groundHex }: Placement): Artwork {
  const box = figureOf(artwork);
  const scale =
    within === 'circle'
      ? (share * Math.min(widthPx, heightPx)) / (2 * box.reach)
      : Math[within === 'cover' ? 'max' : 'min']((share * widthPx) / box.width, (share * heightPx) / box.height);
  const map = scaleAndMove(
    scale,
    widthPx / 2 - scale * (box.x + box.width / 2),
    heightPx / 2 - scale * (box.y + box.height / 2),
  );
  return {
    ...artwork,
    widthPx,
    heightPx,
    inks: groundHex ? [{ id: GROUND_INK, name: 'ground', hex: groundHex }, ...artwork.inks] : artwork.inks,
    nodes: [
      ...(groundHex
        ? [
            {
              kind: 'piece' as const,
              id: GROUND_INK,
              inkId: GROUND_INK,
              contours: [rectangle(0, 0, widthPx, heightPx)],
            },
          ]
        : []),
      { kind: 'group' as const, id: 'placed', transform: map, nodes: artwork.nodes },
    ],
  };
}

/** The ground for what must have one: white, unless the inks would drown in it and stand out better on near-black or on one that is given. */
export function groundFor(artwork: Artwork, given: readonly string[] = []): string {
  const inks = seenInks(artwork).map((i) => i.hex);
  if (given.length) return given[clearestGround(given, inks)];
  if (!inks.length || leastContrast(inks, '#FFFFFF') >= GRAPHIC_CONTRAST) return '#FFFFFF';
  const light = inks.reduce((sum, hex) => sum + luminance(hex), 0) / inks.length;
  return light > 0.4 ? '#111111' : '#FFFFFF';
}
