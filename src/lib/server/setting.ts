import type * as v from 'valibot';
import { facesFor, widthOf, type FamilyFacts } from '$core/lettering';
import { TaskError } from '../../../node/pool';
import { familiesWith, shippedFamilies } from '../../../node/faces';
import type { LetteringSet, LockupsAsked } from '../contract/requests';
import { getArtwork, inColourway } from './artworks';
import { computed } from './computing';
import { Problem } from './problem';

/** The faces that ship, those of a class, those that have some characters, or those that words fit, the best first, with why. */
export const listFaces = (mood: string, kind: string | null, having = '') =>
  facesFor(
    [...having].reduce<readonly FamilyFacts[]>((list, c) => list.filter((f) => familiesWith(c).includes(f)), shippedFamilies()).filter((f) => kind === null || f.class === kind), // prettier-ignore
    mood,
  ).map(({ face, because }) => ({ ...face, because, width: widthOf(face.id) }));

/** Does something with lettering; what cannot be set is a 422 Problem. */
export async function told<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof TaskError && error.name === 'LetteringError')
      throw new Problem(422, 'cannot_be_set', error.message.charAt(0).toUpperCase() + error.message.slice(1));
    throw error;
  }
}

/** A text set in one of them. */
export const setInFace = (ask: v.InferOutput<typeof LetteringSet>, caller: AbortSignal) =>
  told(computed('setLettering', ask, caller));

/** An artwork, in one of its colourways, and a name in layouts. */
export async function lockupsFor(id: string, ask: v.InferOutput<typeof LockupsAsked>, caller: AbortSignal) {
  const { drawing } = await getArtwork(id);
  const { colourwayId, ...rest } = ask;
  return told(computed('lockups', { ...rest, mark: inColourway(drawing, colourwayId) }, caller));
}
