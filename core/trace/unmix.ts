import { rgbToOklab } from '../colour';
import type { Picture } from '../raster';
import { ALIASED_DOUBT_PX } from './aliased';
import { NOTHING, type Unmixed } from './cells';
import { NO_GRADIENT } from './gradients';
import { nearestOf, type FoundInk } from './inks';
import { nearestInks } from './labels';
import { FURTHER, Mixtures, type Mixture } from './mixtures';
import type { Plains } from './plains';
import { takeSlivers } from './slivers';

/** An edge is placed by adding up the mixtures of some pixels across it: its doubt is this many times noise over contrast, and a little more. */
const DOUBT = 5;
const LEAST_DOUBT_PX = 0.05;

/** How far around a pixel its two inks are looked for, in turn, in pixels. */
const NEAR_PX = [2, 4, 6] as const;

/** A mixture with an ink that is not near by must match this well, in levels. */
const FROM_AFAR = 20;

/** Those may lie this far off, in pixels. */
const THREE_REACH_PX = 5;

/** How far about a step between near inks pixels may be mixtures of the two. */
const RIM_PX = 2;

/** What is known of a picture. */
export interface UnmixOptions {
  /** For each pixel the gradient that paints it; gradients are the last of the inks, in order. */
  readonly painted?: Uint8Array | null;
  /** In levels. */
  readonly noise?: number;
  /** Pixels that have the colour of an ink are that, whatever mixtures they could be. */
  readonly aliased?: boolean;
}

/**
 * Tells for each pixel which inks it is made of. Flat pixels take the nearest ink. A pixel on an anti-aliased edge is a mixture in
 * sRGB of two inks that are found near it, and the mixture says how much of it each of them covers.
 */
export function unmix(
  picture: Picture,
  flatPixels: Uint8Array,
  plains: Plains,
  inks: readonly FoundInk[],
  { painted = null, noise = 0, aliased = false }: UnmixOptions = {},
): Unmixed {
  const { widthPx: w, heightPx: h } = picture;
  const { busy } = plains;
  const { first, off } = nearestInks(picture, plains, inks, noise);
  const flat = painted ? flatPixels.map((f, i) => f || Number(painted[i] !== NO_GRADIENT)) : flatPixels;
  if (painted) {
    const firstGradient = inks.findIndex((k) => k.gradient !== undefined);
    for (let i = 0; i < painted.length; i++)
      if (painted[i] !== NO_GRADIENT) {
        first[i] = firstGradient + painted[i];
        off[i] = 0;
      }
  }
  const second = first.slice();
  const share = new Float32Array(first.length).fill(1);
  const mixtures = new Mixtures(picture, inks, noise);
  const pure = aliased ? flat.slice() : purePixels(picture, flat, first, plains, mixtures);
  const unmixed: Unmixed = {
    widthPx: w,
    heightPx: h,
    first,
    second,
    share,
    plains,
    aliased,
    doubtPx: doubtFor(inks, noise, aliased),
    pure,
    off,
  };
  for (let s = 0; s < busy.length; s += 2) {
    const y = Math.floor(busy[s] / w);
    for (let i = busy[s], x = i - y * w; i < busy[s + 1]; i++, x++) {
      if (pure[i]) continue;
      // Inks of flat pixels near by; on the soft ramps of a blurred picture, and of one made twice as large, they lie further off.
      for (const reach of NEAR_PX) if (mixtures.nearby.length < 2) mixtures.lookAround(first, pure, x, y, reach, true);
      mixPixel(picture, inks, unmixed, mixtures, i, x, y, noise, flat[i] === 1);
      mixtures.clear();
    }
  }
  for (let round = 0; round < 2 && takeSlivers(unmixed, mixtures, noise); round++);
  return unmixed;
}

/** How far noise may move a point of an edge between two inks: by so much, over their contrast. */
function doubtFor(inks: readonly FoundInk[], noise: number, aliased: boolean): Unmixed['doubtPx'] {
  return (p, q) => {
    if (!inks[p] || !inks[q]) return 0;
    if (aliased) return ALIASED_DOUBT_PX;
    if (noise === 0) return 0;
    const contrast = Math.hypot(...[0, 1, 2].map((c) => inks[p].rgb[c] - inks[q].rgb[c]));
    return LEAST_DOUBT_PX + (DOUBT * noise) / Math.max(1, contrast);
  };
}

/** Pixels of one ink alone. Between inks that are near alike a ramp is so slow that its pixels count as flat: they are mixtures all the same. */
function purePixels(
  { widthPx: w, heightPx: h, rgba }: Picture,
  flat: Uint8Array,
  first: Uint8Array,
  { busy }: Plains,
  mixtures: Mixtures,
): Uint8Array {
  const pure = flat.slice();
  for (let s = 0; s < busy.length; s += 2) {
    const y = Math.floor(busy[s] / w);
    for (let i = busy[s], x = i - y * w; i < busy[s + 1]; i++, x++) {
      if (!flat[i]) continue;
      if (x + 1 < w && flat[i + 1] && first[i + 1] !== first[i]) impure(x, y, x + 1, y);
      if (y + 1 < h && flat[i + w] && first[i + w] !== first[i]) impure(x, y, x, y + 1);
    }
  }
  return pure;

  /** Pixels about a step between two flat ones that have not quite the colour of their ink. */
  function impure(x0: number, y0: number, x1: number, y1: number): void {
    for (let y = Math.max(0, y0 - RIM_PX); y <= Math.min(h - 1, y1 + RIM_PX); y++)
      for (let x = Math.max(0, x0 - RIM_PX); x <= Math.min(w - 1, x1 + RIM_PX); x++) {
        const i = y * w + x;
        if (!pure[i] || first[i] === NOTHING) continue;
        const colour = mixtures.colourOf(first[i], i);
        const o = 4 * i;
        if ([0, 1, 2].some((c) => Math.abs(colour[c] - rgba[o + c]) > 1)) pure[i] = 0;
      }
  }
}

/** Tells what a pixel is mixed of, and writes it down. */
function mixPixel(
  { rgba }: Picture,
  inks: readonly FoundInk[],
  { first, second, share, pure, off }: Unmixed,
  mixtures: Mixtures,
  i: number,
  x: number,
  y: number,
  noise: number,
  isFlat: boolean,
): void {
  const { nearby } = mixtures;
  const set = ({ a, b, share: t }: Pick<Mixture, 'a' | 'b' | 'share'>): void => {
    first[i] = a;
    second[i] = b;
    share[i] = t;
  };
  const o = i * 4;
  if (nearby.length < 2 && isFlat) return;
  const alpha = rgba[o + 3] / 255;
  if (nearby.includes(NOTHING) && alpha > 0.98 && !isFlat) {
    // What is opaque beside nothing may be mixed of two inks, as where an edge between them ends there.
    for (const reach of NEAR_PX) if (nearby.length < 3) mixtures.lookAround(first, pure, x, y, reach, true);
    mixtures.forget(NOTHING);
    if (nearby.length < 2) return;
  }
  if (nearby.includes(NOTHING) || alpha < 0.5) {
    // Against nothing, alpha is the coverage.
    if (alpha > 0.98 || alpha < 0.02) return;
    const ink = nearby.find((k) => k !== NOTHING) ?? nearestOf(rgbToOklab(rgba[o], rgba[o + 1], rgba[o + 2]), inks);
    set(alpha >= 0.5 ? { a: ink, b: NOTHING, share: alpha } : { a: NOTHING, b: ink, share: 1 - alpha });
    off[i] = 0;
    return;
  }
  let best = mixtures.best(i, FURTHER, first[i]);
  if (nearby.length > 1 && best.off > mixtures.threeFrom) {
    mixtures.lookAround(first, pure, x, y, THREE_REACH_PX, false);
    best = mixtures.best(i, FURTHER, first[i]);
    if (noise === 0 && best.off > mixtures.threeFrom)
      best = mixtures.shownThrough(i, best.cost) ?? mixtures.ofLayers(i, best.cost) ?? best;
    if (nearby.length > 2 && best.off > mixtures.threeFrom) best = mixtures.ofThree(i, best.cost) ?? best;
  }
  if (best.cost > 30) {
    // Nothing near explains it: one end may be an ink that has no flat pixel here.
    for (const a of nearby)
      for (let c = 0; c < inks.length; c++)
        if (!nearby.includes(c)) {
          const m = mixtures.of(i, a, c, 18);
          if (m.cost < best.cost && m.off < FROM_AFAR) best = m;
        }
  }
  set(best);
  // With one ink near by, what the pixel is not of that is told already.
  if (nearby.length > 1) off[i] = best.off;
}
