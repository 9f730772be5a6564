import * as v from 'valibot';
import { hexToRgb } from '../../colour';
import { flatten, parsePath } from '../../path';
import { cover, layColour } from '../../raster';
import { colourAround } from '../around';
import { copyOf, defineStep, hex, RetouchError } from './define';

/** Chords of curves may leave them by so much, in pixels. */
const CHORD_PX = 0.05;

/** An outlined area filled at once; its outline is path data as in SVG, in pixels, and closes by itself. */
export const fill = defineStep({
  schema: v.object({
    kind: v.literal('fill'),
    outline: v.pipe(v.string(), v.minLength(1, 'an outline'), v.maxLength(200_000, 'at most 200000 characters')),
    hex: v.optional(v.nullable(hex), null),
  }),
  apply(picture, { outline, hex: wanted }) {
    let contours;
    try {
      contours = parsePath(outline);
    } catch {
      throw new RetouchError('The outline is not path data such as M10 10L90 10L50 80Z');
    }
    const covered = cover(
      contours.map((c) => flatten(c, CHORD_PX)),
      picture.widthPx,
      picture.heightPx,
    );
    if (!covered?.share.some((s) => s > 0)) throw new RetouchError('The outline encloses nothing of the picture');
    const rgb = wanted ? hexToRgb(wanted) : colourAround(picture, covered);
    if (!rgb) throw new RetouchError('There is nothing around the outline to take a colour from: choose one');
    const out = copyOf(picture);
    layColour(out, covered, rgb);
    return out;
  },
  tell: ({ hex: wanted }) => `filled${wanted ? ` with ${wanted}` : ''}`,
});
