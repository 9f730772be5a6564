/** Works as packages have them, and the looks they are seen in. */
import { ONE_COLOUR, REVERSED, type Look, type Subject } from './plan';
import { motionsOf } from '../motion';
import { renderArtwork, sceneOf } from '../scene';
import { artworkIn, colourwaysOf, MASTER, oneColoured, type Artwork } from '../vector';

/** Whether there is a ground is looked at in a picture of this size; joins between pieces may let a little through. */
const LOOKED_AT_PX = 48;
const OPAQUE = 200;

/** Whether an artwork covers all that it stands on. */
export function isOpaque(artwork: Artwork): boolean {
  const { rgba } = renderArtwork(artwork, LOOKED_AT_PX);
  for (let i = 3; i < rgba.length; i += 4) if (rgba[i] < OPAQUE) return false;
  return true;
}

/** A subject with its artwork. */
export interface PackageSubject extends Subject {
  readonly artwork: Artwork;
  /** What its lettering is set in, where that is known. */
  readonly faces?: readonly { readonly family: string; readonly weight: number }[];
}

/** What is much wider than high makes no icon. */
export const subjectKind = ({ widthPx, heightPx }: Pick<Artwork, 'widthPx' | 'heightPx'>): Subject['kind'] =>
  widthPx > 1.6 * heightPx ? 'lockup' : 'mark';

/** The looks of an artwork: its own inks, its colourways, one colour, reversed. */
export const looksOf = (artwork: Artwork): Look[] => [
  { key: MASTER, name: artwork.colourways?.length ? colourwaysOf(artwork)[0].name : 'own inks', kind: 'own' },
  ...(artwork.colourways ?? []).map(({ id, name }): Look => ({ key: id, name, kind: 'colourway' })),
  ONE_COLOUR,
  REVERSED,
];

/** A work as a subject of a package. */
export const subjectOf = (
  artwork: Artwork,
  about: Pick<Subject, 'key' | 'name' | 'stem' | 'kind'>,
): PackageSubject => ({
  ...about,
  artwork,
  widthPx: artwork.widthPx,
  heightPx: artwork.heightPx,
  isOpaque: isOpaque(artwork),
  motions: motionsOf(sceneOf(artwork, { strokes: 'kept' })),
});

/** Artworks in one colour, by what they were made of: it takes seconds where they have many pieces. */
const inOneColour = new WeakMap<Artwork, Map<string, Artwork>>();

const knownOf = (artwork: Artwork): Map<string, Artwork> => {
  const known = inOneColour.get(artwork) ?? new Map<string, Artwork>();
  inOneColour.set(artwork, known);
  return known;
};

const hexOf = (look: Look): string => look.hex ?? (look.kind === 'reversed' ? '#FFFFFF' : '#000000');

/** An artwork in a look. */
export function inLook(artwork: Artwork, look: Look): Artwork {
  if (look.kind === 'own') return artwork;
  if (look.kind === 'colourway') return artworkIn(artwork, look.key);
  const known = knownOf(artwork);
  const key = `${look.kind} ${hexOf(look)}`;
  const made = known.get(key) ?? oneColoured(artwork, { hex: hexOf(look), ...(look.kind === 'reversed' ? { reversed: true } : {}) }).artwork; // prettier-ignore
  known.set(key, made);
  return made;
}

/** Tells what an artwork is in a look, so that it is not made again. */
export function tellLook(artwork: Artwork, look: Look, made: Artwork): void {
  if (look.kind === 'one-colour' || look.kind === 'reversed') knownOf(artwork).set(`${look.kind} ${hexOf(look)}`, made);
}
