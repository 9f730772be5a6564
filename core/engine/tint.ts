import { contrastRatio, hexToOklab, oklabDistance, oklabToHex, type Oklab } from '../colour';
import { bordersOf, type Figure } from './figure';
import { clearest, type Palette } from './palette';

/** The colours of one figure on what it stands on. */
export interface Tint {
  /** The colour below. */
  readonly on: string;
  /** For each tone of the figure, its colour. */
  readonly hexOf: readonly string[];
  /** The ink for lines: the one that stands out most. */
  readonly line: string;
  /** Inks that can be told from what is below, the dominant one first. */
  readonly inks: readonly string[];
  readonly strict: boolean;
  /** The colours were asked for: what is not of them should be little. */
  readonly named: boolean;
  /** A lighter (up to 1) or darker (down to -1) shade of a colour; the colour itself where no shades are wanted. */
  readonly shade: (hex: string, by: number) => string;
}

const shadeOf = (named: boolean) => {
  const reach = named ? 0.05 : 0.14;
  return (hex: string, by: number): string => {
    const { L, a, b } = hexToOklab(hex);
    const to = Math.max(0, Math.min(1, L + by * reach));
    return oklabToHex({ L: to, a: a * (1 - 0.1 * Math.abs(by)), b: b * (1 - 0.1 * Math.abs(by)) });
  };
};

/** The inks of a palette that can be seen on a colour, and what to use when there is none. */
function usable(onHex: string, inks: readonly string[]): string[] {
  const seen = inks.filter((hex) => oklabDistance(hexToOklab(hex), hexToOklab(onHex)) > 0.12);
  return seen.length
    ? seen
    : [contrastRatio(onHex, '#000000') > contrastRatio(onHex, '#FFFFFF') ? '#000000' : '#FFFFFF'];
}

/** How bad it is for a tone at the edge of a figure to have the colour below, by its share of all borders: with it goes a part of the outline. */
const VANISHES = 11;
/** How bad it is for a shade to be lighter than what it is the shade of. */
const REVERSED = 2;

/**
 * Gives each tone of a figure a colour, but for those that have one already (`pins`): inks, or the colour below showing through. Among all ways the one is taken in which tones that
 * meet can be told apart, the edge of the figure stands out from what is below, light tones stay light, and the first ink dominates.
 */
export function tintFor(
  figure: Figure,
  palette: Palette,
  onHex = palette.groundHex,
  inks = palette.inks,
  pins: ReadonlyMap<number, string> = new Map(),
): Tint {
  const seenInks = usable(onHex, inks);
  const ground = Math.min(5, seenInks.length);
  // What is pinned is the same in all ways.
  const colours = [...seenInks.slice(0, ground), onHex, ...pins.values()];
  const labs: Oklab[] = colours.map(hexToOklab);
  const n = Math.min(5, figure.tones.length - pins.size);
  const tones = [...Array.from({ length: n }, (_, t) => t), ...pins.keys()];
  const { border, seen } = bordersOf(figure);
  const total = seen.reduce((s, v) => s + v, 0) || 1;
  const edge = border.reduce((s, row) => s + row.reduce((t, v) => t + v, 0), 0) / 2 || 1;
  const G = figure.tones.length;
  const seenTones = seen.filter((v) => v > 0).length;
  const onDark = labs[ground].L < 0.5;
  let best: number[] = [];
  let bestScore = -Infinity;
  const choice = new Array<number>(figure.tones.length).fill(0);
  for (const [i, tone] of [...pins.keys()].entries()) choice[tone] = ground + 1 + i;
  /** Whether the darker of two tones has the lighter ink. */
  const isReversed = (a: number, b: number): boolean =>
    choice[a] !== ground && choice[b] !== ground && (figure.tones[a] - figure.tones[b]) * (labs[choice[a]].L - labs[choice[b]].L) < 0; // prettier-ignore
  const visit = (t: number): void => {
    if (t < n) {
      for (let c = 0; c <= ground; c++) {
        choice[t] = c;
        visit(t + 1);
      }
      return;
    }
    let score = 0;
    for (const a of tones) {
      for (const b of tones) {
        if (b >= a || !border[a][b]) continue;
        if (figure.isShaded && isReversed(a, b)) score -= REVERSED;
        const apart =
          choice[a] === choice[b]
            ? -(0.35 + 2 * Math.abs(figure.tones[a] - figure.tones[b]))
            : 1.5 * Math.min(0.35, oklabDistance(labs[choice[a]], labs[choice[b]]));
        // A ring about an eye is thinner than what borders are told on.
        const meet = figure.isBuilt ? Math.min(1, border[a][b] / 8) : 1;
        score += (0.25 * meet + (3 * border[a][b]) / edge) * apart;
      }
      const rim = border[a][G] / edge;
      score +=
        rim * (choice[a] === ground ? -VANISHES : 1.2 * Math.min(0.4, oklabDistance(labs[choice[a]], labs[ground])));
      const light = onDark && choice[a] === ground ? 0 : labs[choice[a]].L;
      // A figure of one tone has no lights and darks to keep.
      if (seenTones > 1) score -= ((figure.isBuilt ? 1.9 : 0.9) * seen[a] * Math.abs(figure.tones[a] - light)) / total;
      // Eyes, noses and teeth are small, and known by being dark or light.
      if (figure.isBuilt && seen[a] > 0 && (figure.tones[a] < 0.2 || figure.tones[a] > 0.95))
        score -= 1.6 * Math.abs(figure.tones[a] - labs[choice[a]].L);
      if (choice[a] === 0) score += (0.6 * seen[a]) / total;
    }
    const used = new Set(tones.map((t) => choice[t]));
    for (let c = 0; c < ground; c++) if (used.has(c)) score += palette.strict || palette.named ? 0.3 : 0.1;
    if (score > bestScore) {
      bestScore = score;
      best = [...choice];
    }
  };
  visit(0);
  const hexOf = figure.tones.map((L, t) => {
    if (t < n || pins.has(t)) return colours[best[t]];
    // Tones beyond the first few take the colour of the tone nearest in lightness.
    let near = 0;
    for (let u = 1; u < n; u++) if (Math.abs(figure.tones[u] - L) < Math.abs(figure.tones[near] - L)) near = u;
    return colours[best[near] ?? 0];
  });
  const shade = palette.strict ? (hex: string) => hex : shadeOf(palette.named);
  return {
    on: onHex,
    hexOf,
    line: clearest(onHex, seenInks),
    inks: seenInks,
    strict: palette.strict,
    named: palette.named,
    shade,
  };
}
