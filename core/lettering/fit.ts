/** Lines made as wide as is asked for. */
import type { Family } from './family';
import { inkBox, setText, type SetOptions } from './set';

/** By what a line becomes wider: the size of its type, or the space between its letters. */
export type FitBy = 'size' | 'tracking';

/** A width that cannot be had, in a sentence. */
export class FitError extends Error {
  override readonly name = 'FitError';
}

/** How far from the width one may stay, as a share of it. */
const WITHIN = 1e-5;
/** Tracking beyond these is no word any more. */
const TRACKING = { least: -0.3, most: 20 } as const;

/** The width of what is printed of a text, in px; 0 of one that nothing is printed of. */
export function inkWidth(text: string, family: Family, options: SetOptions): number {
  const { lines } = setText(text, family, options);
  return inkBox(lines.flatMap((l) => l.glyphs))?.width ?? 0;
}

/** The options with the size, or the tracking, at which what is printed of a text is so wide. Throws a FitError. */
export function fittedTo(widthPx: number, text: string, family: Family, options: SetOptions, by: FitBy): SetOptions {
  if (!(widthPx > 0)) throw new FitError('a width above 0 px is needed');
  const width = (o: SetOptions): number => inkWidth(text, family, o);
  if (by === 'size') {
    const now = width(options);
    if (!(now > 0)) throw new FitError('nothing of this text is printed, so it has no width');
    // All lengths go with the size.
    return { ...options, sizePx: options.sizePx * (widthPx / now) };
  }
  const at = (tracking: number): number => width({ ...options, tracking });
  let [low, high] = [TRACKING.least as number, 0.5];
  while (at(high) < widthPx && high < TRACKING.most) high *= 2;
  if (at(high) < widthPx || at(low) > widthPx)
    throw new FitError(`this text cannot be made ${Number(widthPx.toFixed(2))} px wide by its tracking at this size`);
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    const now = at(middle);
    if (Math.abs(now - widthPx) < WITHIN * widthPx) return { ...options, tracking: middle };
    if (now < widthPx) low = middle;
    else high = middle;
  }
  return { ...options, tracking: (low + high) / 2 };
}
