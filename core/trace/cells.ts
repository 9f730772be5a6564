import { rgbToOklab, type Rgb } from '../colour';
import type { Picture } from '../raster';
import { colourIn } from '../vector';
import { ALIASED_DOUBT_PX } from './aliased';
import { NO_GRADIENT } from './gradients';
import type { Plains } from './plains';
import { findRegions, sidesOf } from './regions';
import { nearestOf, type FoundInk } from './inks';
import { distance, mixtureAt, mixtureOfThree, mixtureThrough, tonesFor } from './tone';

/** A transparent pixel, or one of a ground that is left out. */
export const NOTHING = 255;

/**
 * What each pixel is made of: mostly `first`, with `share` (0.5..1) of it, and of `second` for the rest. Ink numbers, or
 * NOTHING.
 */
export interface Cells {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly first: Uint8Array;
  readonly second: Uint8Array;
  readonly share: Float32Array;
  /** Where pixels are all of one ink, and those beside them as well. */
  readonly plains: Plains;
  /** Whether the picture is without anti-aliasing. */
  readonly aliased: boolean;
  /** How far noise may move a point of an edge between two inks, in pixels: 0 in a clean picture, more the nearer alike they are. */
  readonly doubtPx: (p: number, q: number) => number;
}

/** Cells of a picture with what is needed to look for inks that are missing. */
export interface Unmixed extends Cells {
  /** 1 where a pixel has the colour of its ink alone. */
  readonly pure: Uint8Array;
  /** How far each pixel's colour is from what it is said to be made of, in levels. */
  readonly off: Uint8ClampedArray;
}

/** What a pixel is mixed of, and how far that is from its colour, in levels. */
interface Mixture {
  readonly a: number;
  readonly b: number;
  readonly share: number;
  readonly off: number;
  /** What counts when mixtures are compared: `off`, and more for inks that lie further away. */
  readonly cost: number;
}

/** Larger areas are no slivers. */
const SLIVER_PX2 = 600;

/** How far the pixels of a sliver may be from mixtures of the inks around it, in levels: at least, and for each level of noise. */
const SLIVER_LEVELS = 12;
const SLIVER_NOISE = 15;

/** An edge is placed by adding up the mixtures of some pixels across it: its doubt is this many times noise over contrast, and a little more. */
const DOUBT = 5;
const LEAST_DOUBT_PX = 0.05;

/** How far around a pixel its two inks are looked for, in turn, in pixels. */
const NEAR_PX = [2, 4, 6] as const;

/** By how many levels a mixture must match better for each pixel that its inks lie further off. */
const FURTHER = 3;

/** A mixture with an ink that is not near by must match this well, in levels. */
const FROM_AFAR = 20;

/** A pixel this far from mixtures of two inks near by may be one of three, in levels: at least, and for each level of noise. */
const THREE_LEVELS = 4;
const THREE_NOISE = 4;

/** By how much the share of what shows through may differ from what it would be, and what that counts for, in levels. */
const MOST_AMISS = 0.1;
const AMISS = 40;

/** Two layers that show through are looked for among so many inks at most. */
const MOST_LAYERED = 8;

/** Those may lie this far off, in pixels. */
const THREE_REACH_PX = 5;

/** Of so many inks at most mixtures of three are tried; and they must lie this far from being in one line, as the square of a sine. */
const MOST_NEAR = 5;
const APART_ENOUGH = 0.04;

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
  const { widthPx: w, heightPx: h, rgba } = picture;
  const n = w * h;
  const { plain, busy } = plains;
  const sliverLevels = SLIVER_LEVELS + SLIVER_NOISE * noise;
  const threeFrom = THREE_LEVELS + THREE_NOISE * noise;
  const paints = inks.map((i) => i.gradient && colourIn(i.gradient));
  const toned = tonesFor(noise);
  const colourOf = (k: number, i: number): Rgb => {
    const x = i % w;
    return paints[k]?.(x + 0.5, (i - x) / w + 0.5) ?? inks[k].rgb;
  };
  const tones = inks.map((ink) => toned(...ink.rgb));
  const toneOf = (k: number, i: number): Rgb => (paints[k] ? toned(...colourOf(k, i)) : tones[k]);
  let last = -1;
  let lastTone: Rgb = [0, 0, 0];
  /** Many mixtures are tried on one pixel after the other. */
  const toneOfPixel = (i: number): Rgb => {
    if (i !== last) lastTone = toned(rgba[4 * i], rgba[4 * i + 1], rgba[4 * i + 2]);
    last = i;
    return lastTone;
  };
  const first = new Uint8Array(n);
  const second = new Uint8Array(n);
  const share = new Float32Array(n).fill(1);
  const off = new Uint8ClampedArray(n);
  // The last colour seen in each of some places, and its ink: near inks differ by a level or two, so that colours must not be rounded.
  const colours = new Int32Array(1 << 14).fill(-1);
  const labels = new Uint8Array(1 << 14);
  const label = (i: number): void => {
    const o = 4 * i;
    if (rgba[o + 3] < 128) {
      first[i] = NOTHING;
      return;
    }
    const colour = (rgba[o] << 16) | (rgba[o + 1] << 8) | rgba[o + 2];
    const place = Math.imul(colour, 0x9e3779b1) >>> 18;
    if (colours[place] !== colour) {
      colours[place] = colour;
      labels[place] = nearestOf(rgbToOklab(rgba[o], rgba[o + 1], rgba[o + 2]), inks);
    }
    first[i] = labels[place];
    off[i] = distance(toned(rgba[o], rgba[o + 1], rgba[o + 2]), tones[first[i]]);
  };
  // Flat pictures are long runs of one colour: what the pixel before was, this one mostly is.
  const whole = new Uint32Array(rgba.buffer, rgba.byteOffset, n);
  for (let s = 0; s < plain.length; s += 2) {
    const [from, to] = [plain[s], plain[s + 1]];
    label(from);
    first.fill(first[from], from, to);
    second.fill(first[from], from, to);
    off.fill(off[from], from, to);
  }
  for (let s = 0; s < busy.length; s += 2)
    for (let i = busy[s]; i < busy[s + 1]; i++) {
      if (i > 0 && whole[i] === whole[i - 1]) {
        first[i] = first[i - 1];
        off[i] = off[i - 1];
      } else label(i);
      second[i] = first[i];
    }

  const flat = painted ? flatPixels.map((f, i) => f || Number(painted[i] !== NO_GRADIENT)) : flatPixels;
  if (painted) {
    const firstGradient = paints.findIndex((p) => p !== undefined);
    for (let i = 0; i < n; i++)
      if (painted[i] !== NO_GRADIENT) {
        first[i] = second[i] = firstGradient + painted[i];
        off[i] = 0;
      }
  }

  // Between inks that are near alike a ramp is so slow that its pixels count as flat: they are mixtures all the same.
  const pure = flat.slice();
  for (let s = 0; s < busy.length && !aliased; s += 2) {
    const y = Math.floor(busy[s] / w);
    for (let i = busy[s], x = i - y * w; i < busy[s + 1]; i++, x++) {
      if (!flat[i]) continue;
      if (x + 1 < w && flat[i + 1] && first[i + 1] !== first[i]) impure(x, y, x + 1, y);
      if (y + 1 < h && flat[i + w] && first[i + w] !== first[i]) impure(x, y, x, y + 1);
    }
  }

  const nearby: number[] = [];
  /** How far off a flat pixel of each ink is, while one pixel is looked at; 0 for none near by. */
  const found = new Uint8Array(256);
  for (let s = 0; s < busy.length; s += 2) {
    const y = Math.floor(busy[s] / w);
    for (let i = busy[s], x = i - y * w; i < busy[s + 1]; i++, x++) {
      if (pure[i]) continue;
      // Inks of flat pixels near by; on the soft ramps of a blurred picture, and of one made twice as large, they lie further off.
      nearby.length = 0;
      for (const reach of NEAR_PX) if (nearby.length < 2) lookAround(x, y, reach);
      mixture(i, x, y);
      for (const k of nearby) found[k] = 0;
    }
  }
  for (let round = 0; round < 2 && takeSlivers(); round++);
  return { widthPx: w, heightPx: h, first, second, share, plains, aliased, doubtPx, pure, off };

  function doubtPx(p: number, q: number): number {
    if (!inks[p] || !inks[q]) return 0;
    if (aliased) return ALIASED_DOUBT_PX;
    if (noise === 0) return 0;
    const contrast = Math.hypot(...[0, 1, 2].map((c) => inks[p].rgb[c] - inks[q].rgb[c]));
    return LEAST_DOUBT_PX + (DOUBT * noise) / Math.max(1, contrast);
  }

  /**
   * Areas without a single pure pixel, whose pixels are mixtures of what lies around them as well: ramps that pass by the colour of a third ink on
   * their way from one to another. They go to the inks around them. Tells whether there were any.
   */
  function takeSlivers(): boolean {
    let any = false;
    const seen = new Uint8Array(n);
    const pixels: number[] = [];
    for (let s = 0; s < busy.length; s += 2)
      for (let start = busy[s]; start < busy[s + 1]; start++) {
        if (pure[start] || seen[start] || first[start] === NOTHING) continue;
        // The impure pixels of one ink about this one, and whether a pure one of the same ink touches them.
        pixels.length = 0;
        pixels.push(start);
        seen[start] = 1;
        let alone = true;
        for (let at = 0; at < pixels.length; at++)
          for (const j of sidesOf(pixels[at], w, n)) {
            if (first[j] !== first[start]) continue;
            if (pure[j]) alone = false;
            else if (!seen[j]) {
              seen[j] = 1;
              pixels.push(j);
            }
          }
        if (alone && pixels.length <= SLIVER_PX2 && takeSliver(pixels)) any = true;
      }
    return any;
  }

  function takeSliver(pixels: readonly number[]): boolean {
    const around = new Set(pixels.flatMap((i) => sidesOf(i, w, n)).map((j) => first[j]));
    around.delete(first[pixels[0]]);
    if (around.size < 2 || around.has(NOTHING)) return false;
    nearby.length = 0;
    nearby.push(...around);
    const mixtures = pixels.map((i) => bestMixture(i, 0));
    if (mixtures.reduce((sum, m) => sum + m.off, 0) > sliverLevels * pixels.length) return false;
    pixels.forEach((i, k) => set(i, mixtures[k].a, mixtures[k].b, mixtures[k].share));
    return true;
  }

  /** Pixels about a step between two flat ones that have not quite the colour of their ink. */
  function impure(x0: number, y0: number, x1: number, y1: number): void {
    for (let y = Math.max(0, y0 - RIM_PX); y <= Math.min(h - 1, y1 + RIM_PX); y++)
      for (let x = Math.max(0, x0 - RIM_PX); x <= Math.min(w - 1, x1 + RIM_PX); x++) {
        const i = y * w + x;
        if (!pure[i] || first[i] === NOTHING) continue;
        const colour = colourOf(first[i], i);
        const o = 4 * i;
        if ([0, 1, 2].some((c) => Math.abs(colour[c] - rgba[o + c]) > 1)) pure[i] = 0;
      }
  }

  /** Adds the inks of pure pixels within a reach to those near by. */
  function lookAround(x: number, y: number, reach: number): void {
    const [x0, x1] = [Math.max(0, x - reach), Math.min(w - 1, x + reach)];
    for (let ny = Math.max(0, y - reach); ny <= Math.min(h - 1, y + reach); ny++)
      for (let nx = x0; nx <= x1; nx++) {
        const j = ny * w + nx;
        if (!pure[j]) continue;
        const away = Math.max(Math.abs(nx - x), Math.abs(ny - y));
        if (!found[first[j]]) {
          found[first[j]] = away;
          nearby.push(first[j]);
        } else if (away < found[first[j]]) found[first[j]] = away;
      }
  }

  function mixture(i: number, x: number, y: number): void {
    const o = i * 4;
    if (nearby.length < 2 && flat[i]) return;
    const alpha = rgba[o + 3] / 255;
    if (nearby.includes(NOTHING) || alpha < 0.5) {
      // Against nothing, alpha is the coverage.
      if (alpha > 0.98 || alpha < 0.02) return;
      const ink = nearby.find((k) => k !== NOTHING) ?? nearestOf(rgbToOklab(rgba[o], rgba[o + 1], rgba[o + 2]), inks);
      set(i, alpha >= 0.5 ? ink : NOTHING, alpha >= 0.5 ? NOTHING : ink, Math.max(alpha, 1 - alpha));
      off[i] = 0;
      return;
    }
    let best = bestMixture(i, FURTHER);
    if (nearby.length > 1 && best.off > threeFrom) {
      lookAround(x, y, THREE_REACH_PX);
      best = bestMixture(i, FURTHER);
      if (noise === 0 && best.off > threeFrom)
        best = mixtureShownThrough(i, best.cost) ?? mixtureOfLayers(i, best.cost) ?? best;
      if (nearby.length > 2 && best.off > threeFrom) best = mixtureNearOfThree(i, best.cost) ?? best;
    }
    if (best.cost > 30) {
      // Nothing near explains it: one end may be an ink that has no flat pixel here.
      for (const a of nearby)
        for (let c = 0; c < inks.length; c++)
          if (!nearby.includes(c)) {
            const m = mixtureOf(i, a, c, 18);
            if (m.cost < best.cost && m.off < FROM_AFAR) best = m;
          }
    }
    set(i, best.a, best.b, best.share);
    // With one ink near by, what the pixel is not of that is told already.
    if (nearby.length > 1) off[i] = best.off;
  }

  /** The mixture of two inks near by that comes nearest to a pixel; `further` levels count against each pixel that they lie off. */
  function bestMixture(i: number, further: number): Mixture {
    let best: Mixture = { a: first[i], b: first[i], share: 1, off: Infinity, cost: Infinity };
    for (let a = 0; a < nearby.length; a++)
      for (let c = a + 1; c < nearby.length; c++) {
        const m = mixtureOf(i, nearby[a], nearby[c], further * (found[nearby[a]] + found[nearby[c]] - 2));
        if (m.cost < best.cost) best = m;
      }
    return best;
  }

  /**
   * The mixture of three inks near by that comes nearest to a pixel, when that is by so much better than one of two; told by the two that have most
   * of it.
   */
  function mixtureNearOfThree(i: number, costOfTwo: number): Mixture | null {
    const tone = toneOfPixel(i);
    let best: Mixture | null = null;
    let least = costOfTwo;
    const some =
      nearby.length <= MOST_NEAR ? nearby : [...nearby].sort((p, q) => found[p] - found[q]).slice(0, MOST_NEAR);
    for (const [x, a] of some.entries())
      for (const [y, b] of some.slice(0, x).entries())
        for (const c of some.slice(0, y)) {
          const [s, t, off] = mixtureOfThree(tone, toneOf(a, i), toneOf(b, i), toneOf(c, i), APART_ENOUGH);
          const cost = off + threeFrom + FURTHER * (found[a] + found[b] + found[c] - 3);
          if (cost >= least) continue;
          least = cost;
          const shares: [number, number][] = [
            [a, 1 - s - t],
            [b, s],
            [c, t],
          ];
          const [first, second] = shares.sort((p, q) => q[1] - p[1]);
          best = { a: first[0], b: second[0], share: first[1] / (first[1] + second[1]), off, cost };
        }
    return best;
  }

  /**
   * The mixture of two inks near by on an edge where a little of a third shows, from below: areas drawn one over the other along the same edge, or side
   * by side, do not cover it wholly there. Where the upper one covers a share s, what is left, 1 - s, is divided in the same way. Noise hides it.
   */
  function mixtureShownThrough(i: number, costOfTwo: number): Mixture | null {
    const tone = toneOfPixel(i);
    let best: Mixture | null = null;
    let least = costOfTwo;
    for (const a of nearby)
      for (const b of nearby) {
        if (a === b || a === NOTHING || b === NOTHING) continue;
        for (let c = 0; c < inks.length; c++) {
          if (c === a || c === b || inks[c].gradient) continue;
          const [s, t, off] = mixtureOfThree(tone, toneOf(a, i), toneOf(b, i), tones[c], APART_ENOUGH);
          if (off > threeFrom) continue;
          const amiss = Math.abs(t - s * (1 - s));
          const cost = off + AMISS * amiss + threeFrom + FURTHER * (found[a] + found[b] - 2);
          if (amiss > MOST_AMISS || cost >= least) continue;
          least = cost;
          best = s >= 0.5 ? { a: b, b: a, share: s, off, cost } : { a, b, share: 1 - s, off, cost };
        }
      }
    return best;
  }

  /** The same where two inks show through, each layer covering the same share of what is below it; looked for among few inks. */
  function mixtureOfLayers(i: number, costOfTwo: number): Mixture | null {
    if (inks.length > MOST_LAYERED || paints.some(Boolean)) return null;
    const tone = toneOfPixel(i);
    let best: Mixture | null = null;
    let least = costOfTwo;
    for (const upper of nearby)
      for (const lower of nearby) {
        if (upper === lower || upper === NOTHING || lower === NOTHING) continue;
        for (let c = 0; c < inks.length; c++)
          for (let d = 0; d < inks.length; d++) {
            if (c === d || c === upper || c === lower || d === upper || d === lower) continue;
            const [share, off] = mixtureThrough(tone, tones[upper], tones[c], tones[d], tones[lower], threeFrom);
            const cost = off + 2 * threeFrom;
            if (off > threeFrom || cost >= least) continue;
            least = cost;
            best =
              share >= 0.5
                ? { a: upper, b: lower, share, off, cost }
                : { a: lower, b: upper, share: 1 - share, off, cost };
          }
      }
    return best;
  }

  /** How a pixel is best mixed of two inks, the greater share first, and how far off that is, in levels. */
  function mixtureOf(i: number, p: number, q: number, penalty: number): Mixture {
    const [t, away] = mixtureAt(toneOfPixel(i), toneOf(p, i), toneOf(q, i));
    const cost = away + penalty;
    return t <= 0.5 ? { a: p, b: q, share: 1 - t, off: away, cost } : { a: q, b: p, share: t, off: away, cost };
  }

  function set(i: number, a: number, b: number, t: number): void {
    first[i] = a;
    second[i] = b;
    share[i] = t;
  }
}

/** A speck this far from its surroundings in OKLab catches the eye, as a highlight in an eye does: it may be smaller by the share. */
const DISTINCT = 0.3;
const DISTINCT_SHARE = 0.4;

/** Of neighbours that it touches alike, a speck goes to the one of the nearest colour: differences in OKLab count from this on. */
const ALIKE = 0.1;

/**
 * Gives every connected area smaller than `leastPx2` to a neighbour, by how much it touches that and how like it is; the cells given are changed in
 * place. Areas of inks that differ much from that neighbour, as `apartOf` tells in OKLab, may be smaller. Returns how many areas went.
 */
export function dropSpecks(
  cells: Cells,
  leastPx2: number,
  apartOf: (p: number, q: number) => number = () => 0,
): number {
  const { widthPx: w, heightPx: h, first, second, share } = cells;
  if (leastPx2 <= 1) return 0;
  const { of, sizePx2, label } = findRegions(first, w, h);
  const members = new Map<number, number[]>();
  let count = 0;
  for (const stretches of [cells.plains.busy, cells.plains.plain])
    for (let s = 0; s < stretches.length; s += 2) {
      // A plain stretch lies in one area.
      if (stretches === cells.plains.plain && sizePx2[of[stretches[s]]] >= leastPx2) continue;
      for (let i = stretches[s]; i < stretches[s + 1]; i++) {
        if (sizePx2[of[i]] >= leastPx2) continue;
        const list = members.get(of[i]);
        if (list) list.push(i);
        else members.set(of[i], [i]);
      }
    }
  for (const [k, pixels] of members) {
    const touch = new Map<number, number>();
    const sides = (i: number) => sidesOf(i, w, first.length);
    for (const i of pixels)
      for (const j of sides(i)) if (of[j] !== k) touch.set(first[j], (touch.get(first[j]) ?? 0) + 1);
    const claimOf = ([ink, steps]: readonly [number, number]): number =>
      steps / (ALIKE + (ink === NOTHING ? 1 : apartOf(label[k], ink)));
    const [heir] = [...touch].sort((p, q) => claimOf(q) - claimOf(p))[0] ?? [];
    if (heir === undefined) continue;
    if (pixels.length >= DISTINCT_SHARE * leastPx2 && apartOf(label[k], heir) >= DISTINCT) continue;
    count++;
    for (const i of pixels) {
      first[i] = heir;
      second[i] = heir;
      share[i] = 1;
    }
    // What the speck mixed into its rim goes with it.
    for (const i of pixels)
      for (const j of sides(i))
        if (first[j] !== label[k] && second[j] === label[k]) {
          second[j] = first[j];
          share[j] = 1;
        }
  }
  return count;
}
