/** Mixtures in sRGB of inks that are near a pixel, and which of them comes nearest to its colour. */
import type { Rgb } from '../colour';
import type { Picture } from '../raster';
import { colourIn } from '../vector';
import { NOTHING } from './cells';
import type { FoundInk } from './inks';
import { mixtureAt, mixtureOfThree, mixtureThrough, tonesFor } from './tone';

/** What a pixel is mixed of, and how far that is from its colour, in levels. */
export interface Mixture {
  readonly a: number;
  readonly b: number;
  readonly share: number;
  readonly off: number;
  /** What counts when mixtures are compared: `off`, and more for inks that lie further away. */
  readonly cost: number;
}

/** A pixel this far from mixtures of two inks near by may be one of three, in levels: at least, and for each level of noise. */
const THREE_LEVELS = 4;
const THREE_NOISE = 4;

/** By how much the share of what shows through may differ from what it would be, and what that counts for, in levels. */
const MOST_AMISS = 0.1;
const AMISS = 40;

/** Two layers that show through are looked for among so many inks at most. */
const MOST_LAYERED = 8;

/** Of so many inks at most mixtures of three are tried; and they must lie this far from being in one line, as the square of a sine. */
const MOST_NEAR = 5;
const APART_ENOUGH = 0.04;

/** By how many levels a mixture must match better for each pixel that its inks lie further off. */
export const FURTHER = 3;

/** The inks near one pixel after the other, and mixtures of them. */
export class Mixtures {
  /** Inks of pure pixels near the pixel that is looked at. */
  readonly nearby: number[] = [];
  /** How far off a pure pixel of each ink is; 0 for none near by. */
  readonly found = new Uint8Array(256);
  /** From so many levels off on a pixel may be a mixture of three. */
  readonly threeFrom: number;
  private readonly toned: (r: number, g: number, b: number) => Rgb;
  private readonly tones: readonly Rgb[];
  private readonly paints: readonly (((x: number, y: number) => Rgb) | undefined)[];
  private last = -1;
  private lastTone: Rgb = [0, 0, 0];

  constructor(
    private readonly picture: Picture,
    private readonly inks: readonly FoundInk[],
    noise: number,
  ) {
    this.threeFrom = THREE_LEVELS + THREE_NOISE * noise;
    this.paints = inks.map((i) => i.gradient && colourIn(i.gradient));
    this.toned = tonesFor(noise);
    this.tones = inks.map((ink) => this.toned(...ink.rgb));
  }

  /** Forgets what is near by. */
  clear(): void {
    for (const k of this.nearby) this.found[k] = 0;
    this.nearby.length = 0;
  }

  /** The colour of an ink at a pixel. */
  colourOf(k: number, i: number): Rgb {
    const w = this.picture.widthPx;
    const x = i % w;
    return this.paints[k]?.(x + 0.5, (i - x) / w + 0.5) ?? this.inks[k].rgb;
  }

  private toneOf(k: number, i: number): Rgb {
    return this.paints[k] ? this.toned(...this.colourOf(k, i)) : this.tones[k];
  }

  /** Many mixtures are tried on one pixel after the other. */
  private toneOfPixel(i: number): Rgb {
    const { rgba } = this.picture;
    if (i !== this.last) this.lastTone = this.toned(rgba[4 * i], rgba[4 * i + 1], rgba[4 * i + 2]);
    this.last = i;
    return this.lastTone;
  }

  /** Adds the inks of pure pixels within a reach to those near by; nothing at all, which has no colour to mix, only where that is asked for. */
  lookAround(first: Uint8Array, pure: Uint8Array, x: number, y: number, reach: number, andNothing: boolean): void {
    const { nearby, found } = this;
    const [w, h] = [this.picture.widthPx, this.picture.heightPx];
    const [x0, x1] = [Math.max(0, x - reach), Math.min(w - 1, x + reach)];
    for (let ny = Math.max(0, y - reach); ny <= Math.min(h - 1, y + reach); ny++)
      for (let nx = x0; nx <= x1; nx++) {
        const j = ny * w + nx;
        if (!pure[j] || (!andNothing && first[j] === NOTHING)) continue;
        const away = Math.max(Math.abs(nx - x), Math.abs(ny - y));
        if (!found[first[j]]) {
          found[first[j]] = away;
          nearby.push(first[j]);
        } else if (away < found[first[j]]) found[first[j]] = away;
      }
  }

  /** Takes an ink out of those near by. */
  forget(ink: number): void {
    const { nearby, found } = this;
    if (!found[ink]) return;
    found[ink] = 0;
    nearby.splice(nearby.indexOf(ink), 1);
  }

  /** The mixture of two inks near by that comes nearest to a pixel; `further` levels count against each pixel that they lie off. */
  best(i: number, further: number, otherwise: number): Mixture {
    const { nearby, found } = this;
    let best: Mixture = { a: otherwise, b: otherwise, share: 1, off: Infinity, cost: Infinity };
    for (let a = 0; a < nearby.length; a++)
      for (let c = a + 1; c < nearby.length; c++) {
        const m = this.of(i, nearby[a], nearby[c], further * (found[nearby[a]] + found[nearby[c]] - 2));
        if (m.cost < best.cost) best = m;
      }
    return best;
  }

  /**
   * The mixture of three inks near by that comes nearest to a pixel, when that is by so much better than one of two; told by the two that have most
   * of it.
   */
  ofThree(i: number, costOfTwo: number): Mixture | null {
    const { nearby, found, threeFrom } = this;
    const tone = this.toneOfPixel(i);
    let best: Mixture | null = null;
    let least = costOfTwo;
    const some =
      nearby.length <= MOST_NEAR ? nearby : [...nearby].sort((p, q) => found[p] - found[q]).slice(0, MOST_NEAR);
    for (const [x, a] of some.entries())
      for (const [y, b] of some.slice(0, x).entries())
        for (const c of some.slice(0, y)) {
          const [s, t, off] = mixtureOfThree(
            tone,
            this.toneOf(a, i),
            this.toneOf(b, i),
            this.toneOf(c, i),
            APART_ENOUGH,
          );
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
  shownThrough(i: number, costOfTwo: number): Mixture | null {
    const { nearby, found, inks, tones, threeFrom } = this;
    const tone = this.toneOfPixel(i);
    let best: Mixture | null = null;
    let least = costOfTwo;
    for (const a of nearby)
      for (const b of nearby) {
        if (a === b || a === NOTHING || b === NOTHING) continue;
        for (let c = 0; c < inks.length; c++) {
          if (c === a || c === b || inks[c].gradient) continue;
          const [s, t, off] = mixtureOfThree(tone, this.toneOf(a, i), this.toneOf(b, i), tones[c], APART_ENOUGH);
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
  ofLayers(i: number, costOfTwo: number): Mixture | null {
    const { nearby, inks, tones, threeFrom } = this;
    if (inks.length > MOST_LAYERED || this.paints.some(Boolean)) return null;
    const tone = this.toneOfPixel(i);
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
  of(i: number, p: number, q: number, penalty: number): Mixture {
    const [t, away] = mixtureAt(this.toneOfPixel(i), this.toneOf(p, i), this.toneOf(q, i));
    const cost = away + penalty;
    return t <= 0.5 ? { a: p, b: q, share: 1 - t, off: away, cost } : { a: q, b: p, share: t, off: away, cost };
  }
}
