import * as v from 'valibot';
import { hexToRgb } from '../../colour';
import { layColour } from '../../raster';
import { coverOfOutline, OutlineSchema } from '../area';
import { colourAround } from '../around';
import { copyOf, defineStep, hex, RetouchError } from './define';

/** An outlined area filled at once; its outline is path data as in SVG, in pixels, and closes by itself. */
export const fill = defineStep({
  schema: v.object({
    kind: v.literal('fill'),
    outline: OutlineSchema,
    hex: v.optional(v.nullable(hex), null),
  }),
  apply(picture, { outline, hex: wanted }) {
    const covered = coverOfOutline(outline, picture);
    if (!covered?.share.some((s) => s > 0)) throw new RetouchError('The outline encloses nothing of the picture');
    const rgb = wanted ? hexToRgb(wanted) : colourAround(picture, covered);
    if (!rgb) throw new RetouchError('There is nothing around the outline to take a colour from: choose one');
    const out = copyOf(picture);
    layColour(out, covered, rgb);
    return out;
  },
  tell: ({ hex: wanted }) => `filled${wanted ? ` with ${wanted}` : ''}`,
});
