import { hexToRgb } from '../colour';
import type { Picture } from '../raster';
import { meanHex } from '../vector';
import { isAliased, wholePixels } from './aliased';
import { calmed, NOISY, noiseOf } from './calm';
import type { Cells } from './cells';
import { withoutChaos } from './chaos';
import { unmix } from './unmix';
import { findGradients, type FoundGradients } from './gradients';
import { findGround } from './ground';
import { evennessOf, findInks, flatPixels, inkOf, inksFrom, type FoundInk } from './inks';
import { findMissing } from './missing';
import { nowherePlain, plainsOf } from './plains';
import { splitInks } from './split';

/** A picture told apart into inks. */
export interface Apart {
  /** Inks of one colour, commonest first, then gradients. */
  readonly inks: readonly FoundInk[];
  readonly cells: Cells;
  /** The ink of the ground, or null where the picture's border is transparent. */
  readonly ground: number | null;
  /** How many gradients the picture has, made inks of or not. */
  readonly gradients: number;
  /** A standard deviation in levels; 0 where there is too little to matter. */
  readonly noise: number;
}

/** Where fewer flat pixels than this differ from the next one, nothing changes slowly. */
const EVEN_SHARE = 0.004;

/** Where colours are exact, flat pixels differ by no more than this many levels: next to near inks, mixtures of them differ by little more. */
const EXACT = 2;

/** Noise on white can only darken it, and on black only lighten it: means this near an end of the scale are that end. */
const NEAR_END = 4;

function unclipped(ink: FoundInk): FoundInk {
  const hex = ink.rgb.every((v) => v >= 255 - NEAR_END)
    ? '#FFFFFF'
    : ink.rgb.every((v) => v <= NEAR_END)
      ? '#000000'
      : null;
  return hex ? inkOf(hexToRgb(hex), ink.share) : ink;
}

/**
 * Tells a picture's inks and ground, and what each pixel is made of. `colours` is how many in all, or 'auto'; a palette that is given takes the
 * place of what is found. With `gradients`, areas whose colours change evenly become inks of their own instead of bands of several.
 */
export function tellApart(
  seenFirst: Picture,
  colours: number | 'auto',
  { palette = null, gradients = false }: { palette?: readonly string[] | null; gradients?: boolean } = {},
): Apart {
  const source = withoutChaos(seenFirst);
  const plainSeen = plainsOf(source);
  const seen = flatPixels(source, plainSeen);
  const evenness = evennessOf(source, seen, plainSeen);
  const even = evenness.uneven < EVEN_SHARE;
  const measured = even ? 0 : noiseOf(source, seen, evenness.uneven);
  const noise = measured > NOISY ? measured : 0;
  const picture = noise ? calmed(source, plainSeen, noise) : source;
  const plainsThere = picture === source ? plainSeen : plainsOf(picture);
  const loose = picture === source ? seen : flatPixels(picture, plainsThere);
  const aliased = !noise && isAliased(picture, plainsThere);
  const whole = aliased ? wholePixels(picture, plainsThere) : null;
  // What rings beside edges, and what goes over softly between near inks, is no ink; in a noisy picture all is uneven.
  const still = whole ?? (evenness.exact || !noise ? flatPixels(picture, plainsThere, EXACT) : loose);
  const flat = whole ?? (evenness.exact ? still : loose);
  const given = palette?.length ? inksFrom(palette) : null;
  const found: FoundGradients | null = given || even ? null : findGradients(picture, loose, noise > 0);
  const painted = gradients && found?.gradients.length ? found : null;
  // Gradients end where they will.
  const plains = painted ? nowherePlain(picture.widthPx, picture.heightPx) : plainsThere;
  const rest = colours === 'auto' || !painted ? colours : Math.max(1, colours - painted.gradients.length);
  const spread = evenness.spread || noise > 0;
  const heaps = given ?? findInks(picture, still, plains, rest, { ...evenness, spread }, painted?.of);
  const split = noise && !given && colours === 'auto' ? splitInks(picture, flat, heaps, painted?.of) : heaps;
  const gradientInks = (painted?.gradients ?? []).map((gradient) => ({
    ...inkOf(hexToRgb(meanHex(gradient)), 1),
    gradient,
  }));
  const known = { painted: painted?.of, noise, aliased };
  let inks: FoundInk[] = [...split, ...gradientInks];
  let cells = unmix(picture, flat, plains, inks, known);
  const missing =
    given || colours !== 'auto' || !(evenness.exact || noise) ? [] : findMissing(picture, cells, inks, flat, noise);
  if (missing.length) {
    inks = [...split, ...missing, ...gradientInks];
    cells = unmix(picture, flat, plains, inks, known);
  }
  // Pixels were mixed of colours as they are there.
  const clean = noise && !given ? inks.map((ink) => (ink.gradient ? ink : unclipped(ink))) : inks;
  return { inks: clean, cells, ground: findGround(cells), gradients: found?.gradients.length ?? 0, noise };
}
