import * as v from 'valibot';
import { oklabToOklch } from '../../colour';
import { recoloured } from '../recolour';
import { defineStep, RetouchError } from './define';

/** What is darker than this, or lighter than that, and has hardly any hue, is meant for black or white: lightness and chroma in OKLCH. */
export const DARK = { below: 0.32, chroma: 0.045 } as const;
export const LIGHT = { above: 0.93, chroma: 0.025 } as const;

/** Near-black to true black and near-white to true white, whichever is asked for, for all that is near. */
export const trueEnds = defineStep({
  schema: v.pipe(
    v.object({
      kind: v.literal('true-ends'),
      black: v.optional(v.boolean(), true),
      white: v.optional(v.boolean(), true),
    }),
    v.check(({ black, white }) => black || white, 'black, white or both'),
  ),
  apply(picture, { black, white }) {
    const { picture: out, changed } = recoloured(picture, ({ lab }) => {
      const { L, C } = oklabToOklch(lab);
      if (black && L < DARK.below && C < DARK.chroma) return '#000000';
      if (white && L > LIGHT.above && C < LIGHT.chroma) return '#FFFFFF';
      return null;
    });
    if (!changed) throw new RetouchError('Nothing in the picture is nearly, but not quite, black or white');
    return out;
  },
  tell: ({ black, white }) => `true ${black && white ? 'black and white' : black ? 'black' : 'white'}`,
});
