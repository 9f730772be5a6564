/** The files of a package that are text: for developers and web sites. */
import { seenInks, type Artwork } from '../vector';
import { inkKeys } from './package';
import sizes from './sizes.json';

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
}

/** A manifest for web applications (W3C) that names the icons. */
export function manifestText({ title, stem, inkHex, groundHex }: Site): string {
  const icon = (purpose: 'any' | 'maskable', part: string) => (px: number) => ({
    src: `${stem}-icon${part}-${px}.png`,
    sizes: `${px}x${px}`,
    type: 'image/png',
    purpose,
  });
  const { manifestPx, maskablePx } = sizes.favicon;
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
export function headLines({ stem, inkHex }: Site): string {
  const { icoPx, touchPx } = sizes.favicon;
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
