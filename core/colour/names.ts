import { hexToOklab, oklabDistance, oklabToOklch, readHex, type Oklab } from './convert';

/** Colour words a prompt may use, and the names that inks are given. All values are ours. */
export const COLOUR_WORDS: Readonly<Record<string, string>> = {
  black: '#000000',
  aubergine: '#43213F',
  sapphire: '#1F4FA8',
  ruby: '#A5173B',
  ultramarine: '#26329C',
  umber: '#6A4A34',
  vermilion: '#E2432A',
  taupe: '#8B7D6B',
  cerulean: '#2A86B8',
  sepia: '#6B4A2F',
  terracotta: '#C4623F',
  bronze: '#A6763A',
  fuchsia: '#D0309A',
  khaki: '#B5A36A',
  maroon: '#6B1A24',
  white: '#FFFFFF',
  grey: '#808285',
  gray: '#808285',
  silver: '#B9BDC2',
  charcoal: '#33363B',
  slate: '#56626F',
  ash: '#D5D6D3',
  paper: '#F4F1E8',
  red: '#D22B2B',
  scarlet: '#E23A1E',
  crimson: '#A8152F',
  brick: '#A44A32',
  rust: '#AF4E1C',
  burgundy: '#6C1830',
  wine: '#6C1830',
  orange: '#EF7F1A',
  tangerine: '#F58A2E',
  amber: '#F2A71B',
  apricot: '#F7B787',
  peach: '#FAC6A4',
  coral: '#F2705A',
  salmon: '#F49A86',
  yellow: '#F5CE2E',
  gold: '#CE9E33',
  golden: '#CE9E33',
  mustard: '#CF9A1E',
  lemon: '#F6E25B',
  cream: '#F6ECD2',
  ivory: '#F8F3E3',
  ochre: '#C7822C',
  sand: '#DCC79C',
  beige: '#E2D5BC',
  tan: '#C39B6B',
  brown: '#6F4528',
  chestnut: '#7B3F23',
  chocolate: '#4B2A1A',
  coffee: '#5C4030',
  copper: '#B5673A',
  green: '#2F8F46',
  lime: '#9CCB3B',
  olive: '#6F7432',
  moss: '#63743A',
  sage: '#9DB08E',
  mint: '#9FDCC0',
  emerald: '#0E8A5F',
  forest: '#1F4D33',
  juniper: '#3B5F5B',
  spruce: '#1D4A3C',
  jade: '#2E9A78',
  teal: '#12797A',
  turquoise: '#2BB7B3',
  aqua: '#5CCFD3',
  cyan: '#19B5D8',
  sky: '#7EC3EA',
  blue: '#2560C4',
  azure: '#2E86DE',
  cobalt: '#1F47A3',
  navy: '#14264F',
  midnight: '#182A5C',
  indigo: '#37307F',
  denim: '#3F6087',
  violet: '#6F3FA8',
  purple: '#6B2F8C',
  lavender: '#B9A9DF',
  lilac: '#C7A5D6',
  plum: '#6B2A56',
  mauve: '#A9829E',
  magenta: '#C4217F',
  pink: '#F08DB0',
  rose: '#DE5B7E',
  blush: '#F3C6C4',
};

/** Names of two words, read before the single words. */
export const COLOUR_PHRASES: Readonly<Record<string, string>> = {
  'midnight blue': '#182A5C',
  'lamp yellow': '#F2C14E',
  'carriage blue': '#20346E',
  'navy blue': '#14264F',
  'sky blue': '#7EC3EA',
  'royal blue': '#2A4BC0',
  'steel blue': '#4A7296',
  'powder blue': '#B4D3E3',
  'dark blue': '#17306B',
  'light blue': '#A5CDEB',
  'dark green': '#1C5231',
  'light green': '#A8D99B',
  'forest green': '#1F4D33',
  'moss green': '#63743A',
  'sage green': '#9DB08E',
  'juniper green': '#3B5F5B',
  'dark red': '#8C1A1D',
  'brick red': '#A44A32',
  'berry red': '#9C2348',
  'light grey': '#CFD1D3',
  'light gray': '#CFD1D3',
  'dark grey': '#4A4D52',
  'dark gray': '#4A4D52',
  'dark brown': '#4B2A1A',
  'off white': '#F6F4EE',
  'warm white': '#F8F4EA',
  'seed brown': '#7A5433',
  'paper white': '#F9F8F5',
};

const LABS: readonly [string, Oklab][] = Object.entries(COLOUR_WORDS)
  .filter(([word]) => word !== 'gray' && word !== 'wine')
  .map(([word, hex]) => [word, hexToOklab(hex)]);

/** A short name for a colour: the nearest colour word, with "dark" or "light" where it is far off in lightness. */
export function nameColour(hex: string): string {
  const lab = hexToOklab(hex);
  let best = 'grey';
  let least = Infinity;
  for (const [word, other] of LABS) {
    const d = oklabDistance(lab, other);
    if (d < least) {
      least = d;
      best = word;
    }
  }
  if (least < 0.07) return best;
  // Nobody says "light black".
  if ((best === 'black' || best === 'white') && least < 0.16) return best;
  const offset = lab.L - hexToOklab(COLOUR_WORDS[best]).L;
  if (Math.abs(offset) < 0.05) return best;
  return (offset > 0 ? 'light ' : 'dark ') + best;
}

/** Names for several colours at once, made distinct by a number where two would be alike. */
export function nameColours(hexes: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return hexes.map((hex) => {
    const name = nameColour(hex);
    const count = (seen.get(name) ?? 0) + 1;
    seen.set(name, count);
    return count === 1 ? name : `${name} ${count}`;
  });
}

/** How colourful a hex colour is: OKLCH chroma. */
export const chromaOf = (hex: string): number => oklabToOklch(hexToOklab(hex)).C;

/** The colours that a text names, with commas or "and" between them: hex colours, phrases, words; what is none of these is passed over. */
export function coloursIn(text: string): string[] {
  const found = text
    .toLowerCase()
    .split(/,|;|\band\b/)
    .map((part) => part.trim())
    .filter(Boolean)
    .flatMap((part) => {
      const hex = readHex(part) ?? COLOUR_PHRASES[part] ?? COLOUR_WORDS[part] ?? null;
      if (hex) return [hex];
      const words = part.split(/\s+/);
      const last = words.slice(-2).join(' ');
      const word = COLOUR_PHRASES[last] ?? words.map((w) => COLOUR_WORDS[w]).findLast((w) => w !== undefined);
      return word ? [word] : [];
    });
  return [...new Set(found.map((hex) => hex.toUpperCase()))];
}
