import { inGamut, hexToOklab, oklabToHex, oklabToOklch, oklchToOklab } from './convert';

/** A colour, and of how much it is, 0..1. */
export interface Shared {
  readonly hex: string;
  readonly share: number;
}

/** Beside how far lights are apart, how much it counts that much of the one is much of the other. */
const SHARE_WEIGHT = 0.2;
/** Of how far the lights of inks lie apart, what stays where they must share one colour. */
const SPREAD = 0.8;

/** Lights from 0, the darkest, to 1. */
function lightsOf(hexes: readonly string[]): number[] {
  const all = hexes.map((h) => hexToOklab(h).L);
  const [low, high] = [Math.min(...all), Math.max(...all)];
  return all.map((L) => (high - low > 1e-6 ? (L - low) / (high - low) : 0.5));
}

/**
 * Colours for inks out of a palette: what is darker in the one is darker in the other. Every colour of a palette of as many or fewer is used; of a larger one those that are nearest in light and amount. Inks that must share a colour
 * get lighter and darker ones of its hue, within sRGB. Gives a colour for each ink, in their order; a palette of nothing leaves them as they are.
 */
export function lentColours(inks: readonly Shared[], palette: readonly Shared[]): string[] {
  if (!palette.length || !inks.length) return inks.map((i) => i.hex);
  const order = (list: readonly Shared[]): number[] =>
    list.map((_, k) => k).sort((p, q) => hexToOklab(list[p].hex).L - hexToOklab(list[q].hex).L || p - q);
  const [from, to] = [order(inks), order(palette)];
  const [n, m] = [from.length, to.length];
  const [own, their] = [lightsOf(from.map((k) => inks[k].hex)), lightsOf(to.map((k) => palette[k].hex))];
  const cost = (i: number, j: number): number =>
    (own[i] - their[j]) ** 2 + SHARE_WEIGHT * (inks[from[i]].share - palette[to[j]].share) ** 2;
  // From dark to light: where there are fewer colours than inks each is taken in its turn and none is passed by; else each is taken once at most.
  const isFew = m < n;
  const best = Array.from({ length: n }, () => new Float64Array(m).fill(Infinity));
  const before = Array.from({ length: n }, () => new Int32Array(m).fill(-1));
  for (let i = 0; i < n; i++)
    for (let j = 0; j < m; j++) {
      if (i === 0) {
        if (!isFew || j === 0) best[0][j] = cost(0, j);
        continue;
      }
      for (let k = isFew ? Math.max(0, j - 1) : 0; k <= (isFew ? j : j - 1); k++) {
        const whole = best[i - 1][k] + cost(i, j);
        if (whole < best[i][j]) [best[i][j], before[i][j]] = [whole, k];
      }
    }
  let at = isFew ? m - 1 : best[n - 1].indexOf(Math.min(...best[n - 1]));
  const taken: number[] = new Array<number>(n);
  for (let i = n - 1; i >= 0; i--) {
    taken[i] = at;
    at = before[i][at];
  }
  const out: string[] = new Array<string>(inks.length);
  for (let j = 0; j < m; j++) {
    const sharing = taken.flatMap((t, i) => (t === j ? [i] : []));
    if (!sharing.length) continue;
    const { hex } = palette[to[j]];
    // The one with most of the mark has the colour itself.
    const first = sharing.reduce((p, q) => (inks[from[q]].share > inks[from[p]].share ? q : p));
    const base = oklabToOklch(hexToOklab(hex));
    const L = (i: number): number => hexToOklab(inks[from[i]].hex).L;
    for (const i of sharing) {
      const light = Math.max(0.04, Math.min(0.99, base.L + SPREAD * (L(i) - L(first))));
      out[from[i]] = i === first ? hex : oklabToHex(oklchToOklab(inGamut({ ...base, L: light })));
    }
  }
  return out;
}
