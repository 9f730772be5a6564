import type * as v from 'valibot';
import { facesFor } from '$core/lettering';
import { TaskError } from '../../../node/pool';
import { shippedFamilies } from '../../../node/faces';
import type { LetteringSet } from '../contract/requests';
import { computed } from './computing';
import { Problem } from './problem';

/** The faces that ship, those of a class, or those that words fit, the best first, with why. */
export const listFaces = (mood: string, kind: string | null) =>
  facesFor(
    shippedFamilies().filter((f) => kind === null || f.class === kind),
    mood,
  ).map(({ face, because }) => ({ ...face, because }));

/** A text set in one of them. */
export async function setInFace(ask: v.InferOutput<typeof LetteringSet>, caller: AbortSignal) {
  try {
    return await computed('setLettering', ask, caller);
  } catch (error) {
    if (error instanceof TaskError && error.name === 'LetteringError')
      throw new Problem(422, 'cannot_be_set', error.message.charAt(0).toUpperCase() + error.message.slice(1));
    throw error;
  }
}
