import * as v from 'valibot';
import { hexToOklab, oklabDistance } from '../../colour';
import { recoloured } from '../recolour';
import { defineStep, hex, RetouchError } from './define';

/** All colours to those of a list, each to the one most like it: the brief's, or another work's. */
export const palette = defineStep({
  schema: v.object({
    kind: v.literal('palette'),
    hexes: v.pipe(v.array(hex), v.minLength(1, 'one colour or more'), v.maxLength(64, 'at most 64 colours')),
    of: v.optional(v.pipe(v.string(), v.maxLength(120)), ''),
  }),
  apply(picture, { hexes }) {
    const labs = hexes.map(hexToOklab);
    const { picture: out, changed } = recoloured(picture, ({ lab }) => {
      const away = labs.map((to) => oklabDistance(lab, to));
      return hexes[away.indexOf(Math.min(...away))];
    });
    if (!changed) throw new RetouchError('The picture has those colours already');
    return out;
  },
  tell: ({ hexes, of }) =>
    `${of ? `colours of ${of}` : `${hexes.length} ${hexes.length === 1 ? 'colour' : 'colours'}`} for all`,
});
