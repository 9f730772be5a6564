import { blankPicture, shrinkToFit, type Picture } from '../raster';
import { NOTHING, tellApart } from '../trace';
import { colourIn } from '../vector';

/** The side at which marks are judged, in pixels: enough for detail, quick enough to follow a gesture. */
export const JUDGED_SIDE_PX = 256;

/** A mark on nothing: its picture with a transparent ground, and the inks it is made of. */
export interface Mark {
  readonly picture: Picture;
  /** Commonest first, with the share of the mark that each covers. */
  readonly inks: readonly { readonly hex: string; readonly share: number }[];
  /** Ink number of each pixel, NOTHING where the ground is. */
  readonly labels: Uint8Array;
}

/** Of a picture, what is transparent where the mark stands on nothing already: less are its joints. */
const CLEAR_SHARE = 0.01;

/** Whether a mark stands on nothing: then what is about it belongs to it, such as the tile of an app icon. */
function isOnNothing({ rgba }: Picture): boolean {
  let clear = 0;
  for (let i = 3; i < rgba.length; i += 4) if (rgba[i] < 128) clear++;
  return clear > (CLEAR_SHARE * rgba.length) / 4;
}

/** Takes the ground of a picture away, wherever its colour shows, where it has one, and tells the inks apart. The picture is brought down to 256 px. */
export function markOf(picture: Picture): Mark {
  const small = shrinkToFit(picture, JUDGED_SIDE_PX);
  const { inks, cells, ground: found } = tellApart(small, 'auto', { gradients: true });
  const ground = inks.length > 1 && !isOnNothing(small) ? found : null;
  const paints = inks.map((i) => i.gradient && colourIn(i.gradient));
  const out = blankPicture(small.widthPx, small.heightPx);
  const labels = new Uint8Array(cells.first.length);
  const counts = new Float64Array(inks.length);
  let total = 0;
  for (let i = 0; i < labels.length; i++) {
    const o = i * 4;
    const [a, b, share] = [cells.first[i], cells.second[i], cells.share[i]];
    labels[i] = a === ground ? NOTHING : a;
    const groundShare = (a === ground ? share : 0) + (b === ground && a !== b ? 1 - share : 0);
    if (labels[i] !== NOTHING) {
      counts[a]++;
      total++;
    }
    if (groundShare > 0) {
      const other = a === ground ? b : a;
      if (other === ground || other === NOTHING) continue;
      const rgb = paints[other]?.((i % small.widthPx) + 0.5, Math.floor(i / small.widthPx) + 0.5) ?? inks[other].rgb;
      for (let c = 0; c < 3; c++) out.rgba[o + c] = rgb[c];
      out.rgba[o + 3] = 255 * (1 - groundShare);
    } else for (let c = 0; c < 4; c++) out.rgba[o + c] = small.rgba[o + c];
  }
  return {
    picture: out,
    labels,
    inks: inks.map((ink, k) => ({ hex: ink.hex, share: total ? counts[k] / total : 0 })),
  };
}
