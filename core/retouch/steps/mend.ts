import * as v from 'valibot';
import { AreaSchema, maskOf } from '../area';
import { MEND_WAYS, mendFills, mendWith } from '../mend';
import { defineStep, RetouchError } from './define';

/** Areas filled to match what surrounds them: in the likeliest way, or in one that was chosen. */
export const mend = defineStep({
  schema: v.object({
    kind: v.literal('mend'),
    areas: v.pipe(v.array(AreaSchema), v.minLength(1, 'one area or more'), v.maxLength(1000, 'at most 1000 areas')),
    /** How much further than the areas, in pixels. */
    growPx: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(100)), 0),
    how: v.optional(v.nullable(v.picklist(MEND_WAYS)), null),
    seed: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(0xffffffff)), 1),
    /** What was mended, in a word or two. */
    what: v.optional(v.pipe(v.string(), v.maxLength(80)), ''),
  }),
  apply(picture, { areas, growPx, how, seed }) {
    const mask = maskOf(areas, picture, growPx);
    if (how) {
      const filled = mendWith(picture, mask, how, { seed });
      if (filled) return filled;
    }
    for (const fill of mendFills(picture, mask, { count: 1, seed })) return fill.picture;
    throw new RetouchError('The area is the whole picture: there is nothing around it to go by');
  },
  tell: ({ how, what }) => `mended${what ? ` ${what}` : ''}${how ? `, ${how}` : ''}`,
});
