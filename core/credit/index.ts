/** What candidates cost and how many can be asked for at once; small enough for a page to know. */

/** Candidates of one round at most. */
export const COUNT_LIMIT = 8;

/** Pictures that can be given with one prompt. */
export const REFERENCE_LIMIT = 4;
/** Leeway where nothing is said, 0..100: enough that four candidates are four ideas. */
export const LEEWAY_DEFAULT = 50;

/** The longer side of the largest candidate, in pixels. */
export const SIZE_MOST_PX = 4096;

/** Credits for candidates: one each up to 1024 px on the longer side, two up to 2048, four above. */
export const creditsFor = (count: number, sizePx: number): number =>
  count * (sizePx > 2048 ? 4 : sizePx > 1024 ? 2 : 1);
