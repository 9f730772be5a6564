/** Works as packages have them, and the looks they are seen in. */
import { isOpaque } from './package';
import type { Look, Subject } from './plan';
import { motionsOf, type MotionKind } from '../motion';
import { sceneOf } from '../scene';
import { artworkIn, oneColoured, type Artwork } from '../vector';

/** A subject with its artwork. */
export interface PackageSubject extends Subject {
  readonly artwork: Artwork;
}

/** The movements that a package has, of those that a work can have. */
const PACKED_MOTIONS: readonly MotionKind[] = ['drawn', 'assembled', 'floated', 'blinked'];

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
  motions: motionsOf(sceneOf(artwork, { strokes: 'kept' })).filter((kind) => PACKED_MOTIONS.includes(kind)),
});

/** An artwork in a look. */
export function inLook(artwork: Artwork, look: Look): Artwork {
  if (look.kind === 'one-colour') return oneColoured(artwork, { hex: '#000000' }).artwork;
  if (look.kind === 'reversed') return oneColoured(artwork, { hex: '#FFFFFF', reversed: true }).artwork;
  return look.kind === 'own' ? artwork : artworkIn(artwork, look.key);
}
