/** The files of a package that are text: for developers and web sites. */
import { hexToRgb } from '../colour';
import { idOf } from '../export';
import { seenInks, type Artwork, type Ink } from '../vector';
import type { PackageSets } from './sets';

/** An ink in words: its colour, or those that its gradient goes through. */
const coloursOf = ({ hex, gradient }: Ink): string =>
  gradient
    ? `${gradient.stops.map((s) => s.hex).join(' to ')}, ${gradient.kind === 'linear' ? 'straight' : 'from a centre outwards'}`
    : hex;

/** The inks that an artwork shows, in words. */
export const inksSaid = (artwork: Artwork): string => seenInks(artwork).map((ink) => `${ink.name} ${coloursOf(ink)}`).join(', '); // prettier-ignore

const colourToken = (hex: string) => ({
  colorSpace: 'srgb',
  components: hexToRgb(hex).map((v) => Number((v / 255).toFixed(4))),
  alpha: 1,
  hex: hex.toLowerCase(),
});

/** Inks with keys made of their names, no two the same. */
export function inkKeys(inks: readonly Ink[]): [string, Ink][] {
  const used = new Set<string>();
  return inks.map((ink) => {
    let key = idOf(ink.name);
    for (let n = 2; used.has(key); n++) key = `${idOf(ink.name)}-${n}`;
    used.add(key);
    return [key, ink];
  });
}

/** Inks as design tokens (W3C Design Tokens Community Group format, modules for colours and gradients). */
export function inkTokens(artwork: Artwork, title: string): string {
  const ink: Record<string, unknown> = {};
  for (const [key, { name, hex, gradient }] of inkKeys(seenInks(artwork)))
    ink[key] = gradient
      ? {
          $type: 'gradient',
          $value: gradient.stops.map((s) => ({ color: colourToken(s.hex), position: Number(s.at.toFixed(4)) })),
          $description: name,
        }
      : { $value: colourToken(hex), $description: name };
  return JSON.stringify({ $description: `Inks of ${title}`, ink: { $type: 'color', ...ink } }, null, 2) + '\n';
}

/** The inks as CSS variables. */
export const inkVariables = (artwork: Artwork, title: string): string =>
  [
    `/* Inks of ${title.replace(/\*\//g, '')} */`,
    ':root {',
    ...inkKeys(seenInks(artwork)).map(([key, { hex }]) => `  --ink-${key}: ${hex.toLowerCase()};`),
    '}',
    '',
  ].join('\n');

/** A whole work, to be read back. */
export const workText = (artwork: Artwork, title: string): string =>
  JSON.stringify({ format: 'odd-quill-artwork', version: 1, title, artwork }, null, 1) + '\n';

/** An SVG as a data address, for style sheets and pages. */
export const dataAddress = (svg: string): string =>
  `data:image/svg+xml,${encodeURIComponent(svg).replace(/%(20|3D|3A|2F)/g, decodeURIComponent)}\n`;

/** What a site's files are made of. */
export interface Site {
  readonly title: string;
  /** What the names of its icons begin with. */
  readonly stem: string;
  readonly inkHex: string;
  readonly groundHex: string;
  /** The sizes of its icons. */
  readonly favicon: PackageSets['favicon'];
}

/** A manifest for web applications (W3C) that names the icons. */
export function manifestText({ title, stem, inkHex, groundHex, favicon }: Site): string {
  const icon = (purpose: 'any' | 'maskable', part: string) => (px: number) => ({
    src: `${stem}-icon${part}-${px}.png`,
    sizes: `${px}x${px}`,
    type: 'image/png',
    purpose,
  });
  const { manifestPx, maskablePx } = favicon;
  const manifest = {
    name: title,
    short_name: title.slice(0, 12).trim(),
    icons: [...manifestPx.map(icon('any', '')), ...maskablePx.map(icon('maskable', '-maskable'))],
    theme_color: inkHex.toLowerCase(),
    background_color: groundHex.toLowerCase(),
    display: 'standalone',
  };
  return JSON.stringify(manifest, null, 2) + '\n';
}

/** Lines for the head of every page of a site; the names of the relations are those that browsers ask for. */
export function headLines({ stem, inkHex, favicon }: Site): string {
  const { icoPx, touchPx } = favicon;
  const largest = icoPx[icoPx.length - 1];
  return [
    `<link rel="icon" href="/${stem}-icon.ico" sizes="${largest}x${largest}">`,
    `<link rel="icon" href="/${stem}-icon.svg" sizes="any" type="image/svg+xml">`,
    `<link rel="apple-touch-icon" href="/${stem}-icon-${touchPx}.png">`,
    `<link rel="manifest" href="/${stem}.webmanifest">`,
    `<meta name="theme-color" content="${inkHex.toLowerCase()}">`,
    '',
  ].join('\n');
}
