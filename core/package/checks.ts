/** What a press would stumble over, found without making a file. */
import { hexToRgb } from '../colour';
import { MOST_INK_PERCENT, pressShares, totalInk, type PressInk } from '../export';
import { sceneOf } from '../scene';
import { seenInks, type Artwork } from '../vector';

/** One thing that was looked at. */
export interface PackageCheck {
  readonly what: 'alike' | 'picture' | 'movement' | 'ink' | 'grey' | 'line' | 'text';
  /** The file it is about; null for the package as a whole. */
  readonly file: string | null;
  readonly ok: boolean;
  /** What was measured: a difference or ink in percent, a line in mm. */
  readonly figure: number | null;
  /** In a sentence. */
  readonly said: string;
}

/** Lines thinner than this do not print, in mm. */
const LEAST_LINE_MM = 0.15;
/** Inks nearer to each other than this in grey fall together, of 255. */
const GREY_LEVELS = 16;

/** What a press would stumble over in a look of a work, printed so large. */
export function checkLook(
  name: string,
  artwork: Artwork,
  { longerMm, press = {} }: { longerMm: number; press?: Readonly<Record<string, PressInk>> },
): PackageCheck[] {
  const out: PackageCheck[] = [];
  const inks = seenInks(artwork);
  const most = inks.reduce(
    (best, ink) => {
      const percent = totalInk(pressShares(ink.hex, press[ink.id]));
      return percent > best.percent ? { ink, percent } : best;
    },
    { ink: inks[0], percent: 0 },
  );
  if (most.ink)
    out.push({
      what: 'ink',
      file: null,
      ok: most.percent <= MOST_INK_PERCENT,
      figure: Math.round(most.percent),
      said: `${name}: ${most.ink.name} has ${Math.round(most.percent)}% ink in all, of ${MOST_INK_PERCENT}% that dry`,
    });
  const greys = inks.map((i) => {
    const [r, g, b] = hexToRgb(i.hex);
    return 0.299 * r + 0.587 * g + 0.114 * b;
  });
  for (let a = 0; a < inks.length; a++)
    for (let b = a + 1; b < inks.length; b++)
      if (Math.abs(greys[a] - greys[b]) < GREY_LEVELS)
        out.push({
          what: 'grey',
          file: null,
          ok: false,
          figure: Math.round(Math.abs(greys[a] - greys[b])),
          said: `${name}: ${inks[a].name} and ${inks[b].name} fall together in grey, ${Math.round(Math.abs(greys[a] - greys[b]))} levels of 255 apart`,
        });
  const perPx = longerMm / Math.max(artwork.widthPx, artwork.heightPx);
  const lines = sceneOf(artwork, { strokes: 'kept' }).shapes.flatMap((s) => (s.line ? [s.line.widthPx * perPx] : []));
  if (lines.length) {
    const least = Math.min(...lines);
    out.push({
      what: 'line',
      file: null,
      ok: least >= LEAST_LINE_MM,
      figure: Number(least.toFixed(2)),
      said: `${name}: the thinnest line is ${least.toFixed(2)} mm at ${longerMm} mm`,
    });
  }
  return out;
}
