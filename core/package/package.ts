import anyAscii from 'any-ascii';
import { hexToRgb } from '../colour';
import { artworkToSvg, idOf } from '../export';
import { renderArtwork } from '../scene';
import { artworkIn, seenInks, type Artwork, type Ink } from '../vector';

/** What a package says of itself. */
export interface PackageAbout {
  readonly commission: string;
  /** What names of files begin with; those of deliveries that were made without it begin with the commission's name. */
  readonly stem?: string;
  readonly client: string;
  readonly artwork: string;
  /** The set of inks that is delivered; the artwork's own, the master, when left out. */
  readonly colourway?: { readonly id: string; readonly name: string };
  readonly version: number;
  /** ISO date of the delivery, as in "2026-11-24". */
  readonly date: string;
}

/** Whether there is a ground is looked at in a picture of this size; joins between pieces may let a little through. */
const LOOKED_AT_PX = 48;
const OPAQUE = 200;

export const PNG_SIZES_PX = [512, 1024, 2048] as const;

/** One file of a package: text as it stands, or a picture to be drawn of the SVG. */
export type PackageFile =
  | { readonly name: string; readonly about: string; readonly text: string }
  | { readonly name: string; readonly about: string; readonly pngSidePx: number };

/** Letters and digits that files may have everywhere, with hyphens between; other scripts and signs are spelled in them. */
export const plainWords = (name: string): string =>
  anyAscii(name.normalize('NFKC'))
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');

const STEM_MOST = 60;
/** What tells one artwork from another gets so much of that, whatever the commission is called. */
const CONCEPT_MOST = 40;

export const cut = (words: string, most: number): string => words.slice(0, most).replace(/-+$/, '');

/** A name fit for files everywhere: ASCII letters, digits and hyphens, at most 60; never empty. */
export function fileStem(name: string): string {
  const stem = cut(plainWords(name), STEM_MOST);
  // Names that some systems keep for devices.
  return /^(con|prn|aux|nul|com\d|lpt\d)?$/.test(stem) ? `mark-${stem}`.replace(/-$/, '') : stem;
}

/**
 * What names of files begin with for each of a commission's artworks, in the order of their names: the commission's name and the concept's, which a client's
 * folder with several packages tells apart by. Those that would be the same are numbered, so that what comes later does not change what came before.
 */
export function fileStems(commission: string, artworks: readonly string[]): string[] {
  const before = plainWords(commission);
  const taken = new Set<string>();
  return artworks.map((name) => {
    const words = plainWords(name);
    const concept = before && (words + '-').startsWith(before + '-') ? words.slice(before.length + 1) : words;
    const own = cut(concept, CONCEPT_MOST);
    const base = fileStem([cut(before, STEM_MOST - own.length - 1), own].filter(Boolean).join('-'));
    let stem = base;
    for (let n = 2; taken.has(stem); n++) stem = `${cut(base, STEM_MOST - 4)}-${n}`;
    taken.add(stem);
    return stem;
  });
}

/** An ink in words: its colour, or those that its gradient goes through. */
const coloursOf = ({ hex, gradient }: Ink): string =>
  gradient
    ? `${gradient.stops.map((s) => s.hex).join(' to ')}, ${gradient.kind === 'linear' ? 'straight' : 'from a centre outwards'}`
    : hex;

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

/** Whether an artwork covers all that it stands on. */
export function isOpaque(artwork: Artwork): boolean {
  const { rgba } = renderArtwork(artwork, LOOKED_AT_PX);
  for (let i = 3; i < rgba.length; i += 4) if (rgba[i] < OPAQUE) return false;
  return true;
}

/** A file of a package before it is made: the artwork as SVG, its inks, this list, or a PNG of so many pixels on its longer side. */
export interface PackageEntry {
  readonly name: string;
  readonly about: string;
  readonly content: 'svg' | 'inks' | 'list' | number;
}

/** What names of the files of a delivery begin with: those of a colourway say which. */
function stemOf({ commission, stem = fileStem(commission), colourway }: PackageAbout): string {
  const own = colourway ? cut(plainWords(colourway.name), CONCEPT_MOST) : '';
  return own ? fileStem(`${cut(stem, STEM_MOST - own.length - 1)}-${own}`) : stem;
}

/** What a package will have, without making any of it, in the order in which its README lists it. */
export function packageEntries(about: PackageAbout): PackageEntry[] {
  const stem = stemOf(about);
  return [
    {
      name: `${stem}.svg`,
      about: 'vector artwork, sharp at any size, one named group an ink; for printers, sign makers and web sites',
      content: 'svg',
    },
    ...PNG_SIZES_PX.map((sizePx) => ({
      name: `${stem}-${sizePx}.png`,
      about: `picture, ${sizePx} px on its longer side`,
      content: sizePx,
    })),
    { name: `${stem}-inks.json`, about: 'the inks as design tokens (W3C format), for developers', content: 'inks' },
    { name: 'README.txt', about: 'this list', content: 'list' },
  ];
}

/** The files of a package, as its entries go. */
export function packageFiles(drawing: Artwork, about: PackageAbout): PackageFile[] {
  const artwork = about.colourway ? artworkIn(drawing, about.colourway.id) : drawing;
  const title = `${about.commission}: ${about.artwork}${about.colourway ? `, ${about.colourway.name}` : ''}`;
  const ground = isOpaque(artwork) ? 'on its own ground' : 'with a transparent ground';
  const description = `${about.artwork}${about.colourway ? ` in the colourway ${about.colourway.name}` : ''}, version ${about.version}, for ${about.client || about.commission}. Inks: ${seenInks(
    artwork,
  )
    .map((i) => `${i.name} ${coloursOf(i)}`)
    .join(', ')}.`;
  const made: PackageFile[] = [];
  for (const { name, about: what, content } of packageEntries(about))
    if (typeof content === 'number') made.push({ name, about: `${what}, ${ground}`, pngSidePx: content });
    else if (content === 'svg')
      made.push({ name, about: what, text: artworkToSvg(artwork, { title: about.commission, description }) });
    else if (content === 'inks') made.push({ name, about: what, text: inkTokens(artwork, title) });
    else made.push({ name, about: what, text: readmeOf(artwork, about, title, made) });
  return made;
}

function readmeOf(artwork: Artwork, about: PackageAbout, title: string, files: readonly PackageFile[]): string {
  const width = Math.max(...files.map((f) => f.name.length));
  return [
    title,
    ...(about.colourway ? [`Colourway ${about.colourway.name}`] : []),
    `Version ${about.version}, delivered ${about.date}${about.client ? `, for ${about.client}` : ''}`,
    '',
    'Files',
    ...files.map((f) => `  ${f.name.padEnd(width)}  ${f.about}`),
    '',
    'Inks',
    ...seenInks(artwork).map((i) =>
      i.gradient
        ? `  ${i.name}: gradient of ${coloursOf(i)}`
        : `  ${i.hex}  ${i.name}  (red ${hexToRgb(i.hex)
            .join(', green ')
            .replace(/, green (\d+)$/, ', blue $1')})`,
    ),
    '',
    'Colours are sRGB. Nothing in this package needs a program of its own: SVG, PNG, JSON and plain text are open formats.',
    '',
  ].join('\n');
}
