/** What a press would stumble over, found without making a file. */
import { contrastRatio, hexToOklab, hexToRgb, oklabDistance } from '../colour';
import { MOST_INK_PERCENT, pressShares, totalInk } from '../export';
import { GRAPHIC_CONTRAST, markOf, narrowPlaces, type NarrowPlace } from '../judge';
import type { Box } from '../path';
import { boxOfShape, renderArtwork, sceneOf } from '../scene';
import { seenInks, type Artwork, type Ink } from '../vector';
import { pressOf, type PackageSets } from './sets';

/** One thing that was looked at. */
export interface PackageCheck {
  readonly what:
    'alike' | 'picture' | 'movement' | 'ink' | 'grey' | 'press' | 'contrast' | 'line' | 'gap' | 'text' | 'size';
  /** The file it is about; null for the work itself. */
  readonly file: string | null;
  readonly ok: boolean;
  /** What was measured: a difference or ink in percent, a line in mm, a size in thousands of bytes. */
  readonly figure: number | null;
  /** In a sentence. */
  readonly said: string;
  /** Where it can be seen: a look of a subject, and there a place in px of it. */
  readonly at?: {
    readonly subject: string;
    readonly look: string;
    readonly boxes: readonly Box[];
    /** The ground that it is seen on. */
    readonly groundHex?: string;
  };
}

/** A colour that a client's work stands on. */
export interface PackageGround {
  readonly name: string;
  readonly hex: string;
}

/** Lines thinner than this do not print, in mm. */
const LEAST_LINE_MM = 0.15;
/** Gaps narrower than this run together, in mm. */
const LEAST_GAP_MM = 0.15;
/** Inks nearer to each other than this in grey fall together, of 255. */
const GREY_LEVELS = 16;
/** Inks whose shares differ by less than this in all fall together on a press, in percent. */
const PRESS_PERCENT = 8;
/** What is narrow is looked for in a picture of so many px of the longer side, then looked at again in one of that part alone. */
const LOOKED_AT_PX = 1000;
const NEAR_PX = 320;
const NEARLY_MOST = 6;
const SHOWN_MOST = 12;
/** What most of a work is in is seen in a picture of so many px. */
const MAIN_SEEN_PX = 256;

const greyOf = (hex: string): number => {
  const [r, g, b] = hexToRgb(hex);
  return 0.299 * r + 0.587 * g + 0.114 * b;
};

/** What a press would stumble over in a look of a work, printed so large as the sets say. */
export function checkLook(
  name: string,
  artwork: Artwork,
  sets: Pick<PackageSets, 'press' | 'print'>,
  at: { readonly subject: string; readonly look: string },
): PackageCheck[] {
  const out: PackageCheck[] = [];
  const found = (
    what: PackageCheck['what'],
    ok: boolean,
    figure: number,
    said: string,
    boxes: readonly Box[] = [],
  ): void => void out.push({ what, file: null, ok, figure, said: `${name}: ${said}`, at: { ...at, boxes } });
  const inks = seenInks(artwork);
  const { shapes } = sceneOf(artwork, { strokes: 'kept' });
  /** Where some inks are seen. */
  const placesOf = (some: readonly Ink[]): Box[] =>
    shapes
      .filter((s) => some.some(({ id }) => s.paint.inkId === id))
      .map(boxOfShape)
      .slice(0, SHOWN_MOST);
  const { longerMm } = sets.print;
  const press = pressOf(sets, inks);
  const shares = inks.map((ink) => pressShares(ink.hex, press[ink.id]));
  const isSpot = (ink: Ink): boolean => press[ink.id]?.spot !== undefined;

  const most = inks.reduce((best, _, k) => (totalInk(shares[k]) > totalInk(shares[best]) ? k : best), 0);
  if (inks.length) {
    const percent = Math.round(totalInk(shares[most]));
    found('ink', percent <= MOST_INK_PERCENT, percent, `${inks[most].name} has ${percent}% ink in all, of ${MOST_INK_PERCENT}% that dry`, placesOf([inks[most]])); // prettier-ignore
  }
  for (let a = 0; a < inks.length; a++)
    for (let b = a + 1; b < inks.length; b++) {
      const pair = [inks[a], inks[b]];
      const names = `${pair[0].name} and ${pair[1].name}`;
      const levels = Math.round(Math.abs(greyOf(pair[0].hex) - greyOf(pair[1].hex)));
      if (levels < GREY_LEVELS) found('grey', false, levels, `${names} fall together in grey, ${levels} levels of 255 apart`, placesOf(pair)); // prettier-ignore
      const apart = Math.round(100 * shares[a].reduce((sum, v, k) => sum + Math.abs(v - shares[b][k]), 0));
      if (apart < PRESS_PERCENT && !pair.some(isSpot)) found('press', false, apart, `${names} fall together in CMYK, ${apart}% apart in all`, placesOf(pair)); // prettier-ignore
    }

  const longer = Math.max(artwork.widthPx, artwork.heightPx);
  const perPx = longerMm / longer;
  const lines = shapes.flatMap((s) => (s.line ? [{ mm: s.line.widthPx * perPx, box: boxOfShape(s) }] : []));
  if (lines.length) {
    const thin = lines.filter((l) => l.mm < LEAST_LINE_MM);
    const least = Math.min(...lines.map((l) => l.mm));
    found('line', !thin.length, Number(least.toFixed(2)), `the thinnest line is ${least.toFixed(2)} mm at ${longerMm} mm`, thin.map((l) => l.box).slice(0, SHOWN_MOST)); // prettier-ignore
  }

  const scale = longer / LOOKED_AT_PX;
  const leastPx = LEAST_GAP_MM / perPx;
  const { parts, gaps } = narrowPlaces(renderArtwork(artwork, LOOKED_AT_PX), leastPx / scale + 1.5);
  const narrow = (what: 'line' | 'gap', places: readonly NarrowPlace[], words: string): void => {
    const seen = places
      .slice(0, NEARLY_MOST)
      .flatMap((p) => narrowestIn(artwork, what === 'line' ? 'parts' : 'gaps', { x: p.x * scale, y: p.y * scale, width: p.width * scale, height: p.height * scale }, leastPx)); // prettier-ignore
    if (!seen.length) return;
    const mm = (Math.min(...seen.map((p) => p.widthPx)) * perPx).toFixed(2);
    found(what, false, Number(mm), `${words} ${mm} mm at ${longerMm} mm, in ${seen.length} ${seen.length === 1 ? 'place' : 'places'}${places.length > NEARLY_MOST ? ' or more' : ''}`, seen); // prettier-ignore
  };
  narrow('line', parts, 'the thinnest part is');
  narrow('gap', gaps, 'the narrowest gap is');
  return out;
}

/** What is narrow in a part of an artwork, seen so near that its width can be told; in px of the artwork. */
function narrowestIn(artwork: Artwork, of: 'parts' | 'gaps', box: Box, leastPx: number): NarrowPlace[] {
  const room = 3 * leastPx;
  const [x, y] = [box.x - room, box.y - room];
  // Long ones are looked at along their first part: they are as narrow there.
  const side = Math.min(Math.max(box.width, box.height) + 2 * room, 40 * leastPx);
  const part: Artwork = {
    ...artwork,
    widthPx: side,
    heightPx: side,
    nodes: [{ kind: 'group', id: 'looked-at', transform: [1, 0, 0, 1, -x, -y], nodes: artwork.nodes }],
  };
  const picture = renderArtwork(part, NEAR_PX);
  const scale = side / NEAR_PX;
  const inside = ({ x: px, y: py, width, height }: Box): boolean => px > 0 && py > 0 && px + width < NEAR_PX && py + height < NEAR_PX; // prettier-ignore
  const [narrowest] = narrowPlaces(picture, leastPx / scale)[of].filter((p) => inside(p) || side < box.width || side < box.height);
  return narrowest ? [{ ...box, widthPx: narrowest.widthPx * scale }] : [];
} // prettier-ignore

/** Grounds that the client has on which most of a look drowns: at most one check, of the worst. */
export function checkGrounds(
  name: string,
  artwork: Artwork,
  grounds: readonly PackageGround[],
  at: { readonly subject: string; readonly look: string },
): PackageCheck[] {
  const inks = seenInks(artwork);
  const [largest] = [...markOf(renderArtwork(artwork, MAIN_SEEN_PX)).inks].sort((a, b) => b.share - a.share);
  if (!largest || !inks.length) return [];
  const lab = hexToOklab(largest.hex);
  const main = inks.reduce((a, b) => (oklabDistance(hexToOklab(b.hex), lab) < oklabDistance(hexToOklab(a.hex), lab) ? b : a)); // prettier-ignore
  const weak = grounds
    .map((ground) => ({ ground, ratio: contrastRatio(main.hex, ground.hex) }))
    .filter((w) => w.ratio < GRAPHIC_CONTRAST)
    .sort((a, b) => a.ratio - b.ratio);
  if (!weak.length) return [];
  const said = weak.map((w) => `on ${w.ground.name} ${w.ratio.toFixed(1)} : 1`).join(', ');
  return [{ what: 'contrast', file: null, ok: false, figure: Number(weak[0].ratio.toFixed(1)), said: `${name}: mostly ${main.name}; ${said}`, at: { ...at, boxes: [], groundHex: weak[0].ground.hex } }]; // prettier-ignore
}

/** Whether a file is as small as those who take it want it. */
export const checkSize = (file: { readonly name: string; readonly for: string }, bytes: number, { mostKb }: Pick<PackageSets, 'mostKb'>): PackageCheck | null => {
  const most = file.for === 'shops' ? mostKb.shops : file.for === 'social' ? mostKb.social : null;
  const kb = Math.ceil(bytes / 1000);
  return most !== null && kb > most ? { what: 'size', file: file.name, ok: false, figure: kb, said: `${kb} KB, more than the ${most} KB that are taken` } : null;
}; // prettier-ignore
