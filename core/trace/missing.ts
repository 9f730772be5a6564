import { oklabDistance, rgbToOklab, type Rgb } from '../colour';
import type { Picture } from '../raster';
import { NOTHING, type Unmixed } from './cells';
import { inkOf, type FoundInk } from './inks';
import { distance, mixtureAt, mixtureOfThree, tonesFor } from './tone';

/** A pixel this far from all mixtures of inks near by is of something else, in levels: at least, and for each level of noise. */
const ODD_LEVELS = 6;
const ODD_NOISE = 7;

/** Fewer pixels than these are no feature, in a clean picture and in a noisy one. */
const LEAST_PX2 = 12;
const LEAST_IF_NOISY_PX2 = 20;

/** Inks nearer alike to one that is there are not looked for. */
const APART = 0.009;
const APART_IF_NOISY = 0.06;

/** In a noisy picture an ink must be further than this from all that are there. */
const SURE_APART = 0.123;

/** In a noisy picture so many pixels at least must show an ink nearly unmixed. */
const UNMIXED_IF_NOISY = 4;

/** At most so many inks are found so, from at most so many colours tried on so many pixels. */
const MOST_INKS = 12;
const MOST_TRIED = 96;
const MOST_PIXELS = 6000;
const MOST_ODD = 20_000;

/** How far around a pixel inks are near by. */
const REACH_PX = 4;

/** Colours tried that are nearer alike than this say the same. */
const SAME = 0.01;

/** Of the colours that explain nearly the most pixels, the one that lies furthest out is taken. */
const NEARLY = 0.93;

/** In a clean picture an ink that has whole pixels has many just alike; mixtures are all different, unless they lie along one level or upright edge. */
const REPEATS = 6;
const REPEATS_SHARE = 0.33;

/** Of what lies below two areas that meet, at most so much shows between them: each covers half of a pixel of what the other leaves. */
const SHOWS_THROUGH = 0.3;

interface Odd {
  readonly i: number;
  readonly tone: Rgb;
  /** Inks near by. */
  readonly nearby: readonly number[];
}

/**
 * Inks of things so thin that none of their pixels is flat: eyebrows, mouths, fine lines. Pixels that are no mixture of the inks near by are, if there
 * are enough of them, mixtures of one of those and of an ink that is missing; it has the colour that explains the most of them. The pixels that
 * show it unmixed are set as flat in `flat`.
 */
export function findMissing(
  { widthPx: w, heightPx: h, rgba }: Picture,
  { first, pure, off, plains: { plain, busy } }: Unmixed,
  inks: readonly FoundInk[],
  flat: Uint8Array,
  noise: number,
): FoundInk[] {
  const limit = ODD_LEVELS + ODD_NOISE * noise;
  const least = noise ? LEAST_IF_NOISY_PX2 : LEAST_PX2;
  const apart = noise ? APART_IF_NOISY : APART;
  const toned = tonesFor(noise);
  const tones = inks.map((k) => toned(...k.rgb));

  // A picture that is odd all over, as photographs are, is not made of inks.
  let many = 0;
  for (let s = 0; s < plain.length; s += 2) if (off[plain[s]] > limit) many += plain[s + 1] - plain[s];
  for (let s = 0; s < busy.length; s += 2) for (let i = busy[s]; i < busy[s + 1]; i++) if (off[i] > limit) many++;
  if (many < least || many > MOST_ODD) return [];
  let odd: Odd[] = [];
  const look = (i: number): void => {
    if (first[i] === NOTHING || rgba[4 * i + 3] < 255) return;
    const tone = toned(rgba[4 * i], rgba[4 * i + 1], rgba[4 * i + 2]);
    const nearby = inksNear(i).filter((k) => k !== NOTHING && !inks[k].gradient);
    if (nearby.length && !isOfThree(tone, nearby)) odd.push({ i, tone, nearby });
  };
  for (const stretches of [busy, plain])
    for (let s = 0; s < stretches.length; s += 2) {
      if (stretches === plain && off[plain[s]] <= limit) continue;
      for (let i = stretches[s]; i < stretches[s + 1]; i++) if (off[i] > limit) look(i);
    }
  if (odd.length < least || odd.length > MOST_PIXELS) return [];

  const whole = new Uint32Array(rgba.buffer, rgba.byteOffset, off.length);
  const alike = new Map<number, { n: number; rows: Set<number>; columns: Set<number> }>();
  for (const { i } of odd) {
    const same = alike.get(whole[i]) ?? { n: 0, rows: new Set(), columns: new Set() };
    same.n++;
    same.columns.add(i % w);
    same.rows.add(Math.floor(i / w));
    alike.set(whole[i], same);
  }

  const found: FoundInk[] = [];
  for (let tries = 0; tries < MOST_INKS && odd.length >= least; tries++) {
    const ink = likeliest();
    if (!ink) break;
    const tone = toned(...ink.rgb);
    const unmixed = odd.filter((o) => distance(o.tone, tone) <= limit);
    if (!noise || isSure(ink, unmixed)) {
      found.push(ink);
      for (const o of unmixed) flat[o.i] = 1;
    }
    odd = odd.filter((o) => shareOf(o, tone) === 0);
  }
  return found;

  /**
   * Whether an ink of a noisy picture is one: what is nearer to one that is there are colours that saving with loss has spread, and what could be
   * a little of one that is there are thin things of that.
   */
  function isSure(ink: FoundInk, unmixed: readonly Odd[]): boolean {
    if (unmixed.length < UNMIXED_IF_NOISY || inks.some((k) => oklabDistance(k.lab, ink.lab) < SURE_APART)) return false;
    const tone = toned(...ink.rgb);
    const beside = [...new Set(unmixed.flatMap((o) => o.nearby))];
    return !beside.some((a) => tones.some((t, c) => !inks[c].gradient && mixtureAt(tone, tones[a], t)[1] <= limit));
  }

  /** The colour of those of the odd pixels that explains the most of them; null where none explains enough. */
  function likeliest(): FoundInk | null {
    const tried: { rgb: Rgb; tone: Rgb; area: number; far: number }[] = [];
    // Those furthest from what is known first: they are the least mixed.
    for (const o of [...odd].sort((p, q) => off[q.i] - off[p.i])) {
      if (tried.length === MOST_TRIED) break;
      const { n, rows, columns } = alike.get(whole[o.i])!;
      if (!noise && (n < REPEATS || rows.size < 2 || columns.size < 2)) continue;
      const rgb: Rgb = [rgba[4 * o.i], rgba[4 * o.i + 1], rgba[4 * o.i + 2]];
      const lab = rgbToOklab(...rgb);
      if (inks.some((k) => !k.gradient && oklabDistance(k.lab, lab) < apart)) continue;
      if (found.some((k) => oklabDistance(k.lab, lab) < apart)) continue;
      if (tried.some((t) => oklabDistance(rgbToOklab(...t.rgb), lab) < SAME)) continue;
      const area = odd.reduce((sum, p) => sum + shareOf(p, o.tone), 0);
      if (!noise && n < REPEATS_SHARE * area) continue;
      tried.push({ rgb, tone: o.tone, area, far: off[o.i] });
    }
    const most = Math.max(0, ...tried.map((t) => t.area));
    if (most < least) return null;
    const best = tried.filter((t) => t.area >= NEARLY * most).sort((p, q) => q.far - p.far)[0];
    // Several pixels that show it unmixed tell it better than one.
    const unmixed = odd.filter((o) => distance(o.tone, best.tone) <= limit / 2);
    const mean = [0, 1, 2].map((c) =>
      Math.round(unmixed.reduce((sum, o) => sum + rgba[4 * o.i + c], 0) / unmixed.length),
    ) as [number, number, number];
    return inkOf(noise ? mean : best.rgb, most / off.length);
  }

  /** How much of a pixel would be of a colour, if the rest were of an ink near by; 0 where that is not so. */
  function shareOf({ tone, nearby }: Odd, colour: Rgb): number {
    let share = 0;
    for (const k of nearby) {
      const [t, away] = mixtureAt(tone, tones[k], colour);
      if (away <= limit) share = Math.max(share, t);
    }
    return share;
  }

  function inksNear(i: number): number[] {
    const out: number[] = [];
    const x = i % w;
    const y = (i - x) / w;
    for (let v = Math.max(0, y - REACH_PX); v <= Math.min(h - 1, y + REACH_PX); v++)
      for (let u = Math.max(0, x - REACH_PX); u <= Math.min(w - 1, x + REACH_PX); u++) {
        const j = v * w + u;
        if (pure[j] && off[j] <= limit && !out.includes(first[j])) out.push(first[j]);
      }
    return out;
  }

  /**
   * Whether a colour is a mixture of inks near by, as where three areas meet, or of one or two of them and a little of any other, as where what lies
   * below shows between two areas that were drawn side by side.
   */
  function isOfThree(tone: Rgb, nearby: readonly number[]): boolean {
    for (const [m, a] of nearby.entries())
      for (let c = 0; c < inks.length; c++) {
        if (inks[c].gradient) continue;
        const close = nearby.includes(c);
        const [t, away] = mixtureAt(tone, tones[a], tones[c]);
        if (away <= limit && (close || t <= SHOWS_THROUGH)) return true;
        for (const b of nearby.slice(0, m)) {
          const [, s, off] = mixtureOfThree(tone, tones[a], tones[b], tones[c]);
          if (off <= limit && (close || s <= SHOWS_THROUGH)) return true;
        }
      }
    return false;
  }
}
