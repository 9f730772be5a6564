import * as v from 'valibot';
import { hexToOklab, oklabDistance } from '../../colour';
import { recoloured } from '../recolour';
import { defineStep, hex, RetouchError } from './define';

/** Inks nearer to the colour than this are that colour, in OKLab. */
const SAME = 0.04;

/** One colour of the picture changed to another. */
export const recolour = defineStep({
  schema: v.object({ kind: v.literal('recolour'), from: hex, to: hex }),
  apply(picture, { from, to }) {
    const lab = hexToOklab(from);
    const { picture: out, changed } = recoloured(picture, (ink) => (oklabDistance(ink.lab, lab) < SAME ? to : null));
    if (!changed && from !== to) throw new RetouchError(`No area of the picture has the colour ${from}`);
    return out;
  },
  tell: ({ from, to }) => `${from} to ${to}`,
});
