import { artworkToSvg } from '$core/export';
import type { Artwork } from '$core/vector';

/** A drawing as the address of its picture, cut at every colour: the ink that has it stands between. */
interface Cut {
  readonly texts: readonly string[];
  readonly inks: readonly number[];
}

const addressOf = (svg: string): string => `data:image/svg+xml,${encodeURIComponent(svg)}`;
const svgOf = (artwork: Artwork): string => artworkToSvg(artwork, { lines: false, decimals: 1 });

/** Colours that stand for inks while a drawing is written: no more than these have one. */
const MOST = 0xffff;
const standIn = (k: number): string => `#A5${k.toString(16).padStart(4, '0').toUpperCase()}`;
const STAND_INS = /%23A5([0-9A-F]{4})/;

// Nodes are never changed, only replaced: a drawing of them is written once, whatever its colours become.
const cuts = new WeakMap<Artwork['nodes'], Cut>();

function cutOf(artwork: Artwork): Cut {
  let cut = cuts.get(artwork.nodes);
  if (!cut || cut.inks.some((k) => k >= artwork.inks.length)) {
    const inks = artwork.inks.map((ink, k) => ({ ...ink, hex: standIn(k) }));
    const parts = addressOf(svgOf({ ...artwork, inks })).split(STAND_INS);
    cut = {
      texts: parts.filter((_, k) => k % 2 === 0),
      inks: parts.filter((_, k) => k % 2 === 1).map((digits) => parseInt(digits, 16)),
    };
    cuts.set(artwork.nodes, cut);
  }
  return cut;
}

/**
 * The address of an artwork's picture. Of the same nodes in other colours it costs a few joined texts: a table of many colourways shows a change at once. Gradients are written anew, since their stops are no inks.
 */
export function inColours(artwork: Artwork): string {
  if (artwork.inks.length > MOST || artwork.inks.some((i) => i.gradient)) return addressOf(svgOf(artwork));
  const { texts, inks } = cutOf(artwork);
  return texts
    .map((text, k) => (k < inks.length ? text + encodeURIComponent(artwork.inks[inks[k]].hex) : text))
    .join('');
}
