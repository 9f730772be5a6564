import * as v from 'valibot';
import { findRegions, type Picture } from '../../raster';
import { NOTHING, tellApart } from '../../trace';
import { PointSchema } from '../area';
import { grownMask, MEND_WAYS, mendFills, mendWith, type Mask } from '../mend';
import { defineStep, RetouchError } from './define';

/** How far the edge of a part reaches into what is about it, in pixels. */
const EDGE_PX = 3;

/** A part that is clicked on goes, and what lay behind it is mended: a part of one colour, or a separate piece of the figure. */
export const takeOut = defineStep({
  schema: v.object({
    kind: v.literal('take-out'),
    at: v.pipe(v.array(PointSchema), v.minLength(1, 'one place or more'), v.maxLength(500, 'at most 500 places')),
    part: v.optional(v.picklist(['colour', 'piece']), 'colour'),
    how: v.optional(v.nullable(v.picklist(MEND_WAYS)), null),
    /** What was taken out, in a word or two. */
    what: v.optional(v.pipe(v.string(), v.maxLength(80)), ''),
  }),
  apply(picture, { at, part, how }) {
    const mask = grownMask(partsAt(picture, at, part), EDGE_PX);
    if (how) {
      const filled = mendWith(picture, mask, how, { islands: false });
      if (filled) return filled;
    }
    for (const fill of mendFills(picture, mask, { count: 1, islands: false })) return fill.picture;
    throw new RetouchError('The part is the whole picture: nothing would be left');
  },
  tell: ({ at, part, what }) =>
    `taken out: ${what || (at.length === 1 ? (part === 'piece' ? 'a piece' : 'a part') : `${at.length} ${part === 'piece' ? 'pieces' : 'parts'}`)}`,
});

/** The pixels of the parts that places lie in. Throws a RetouchError where one lies on the ground, or outside. */
export function partsAt(
  picture: Picture,
  places: readonly (readonly [number, number])[],
  part: 'colour' | 'piece',
): Mask {
  const { widthPx: w, heightPx: h } = picture;
  const { cells, ground } = tellApart(picture, 'auto', { gradients: true });
  const isFigure = (ink: number): boolean => ink !== NOTHING && ink !== ground;
  const regions = findRegions(part === 'colour' ? cells.first : cells.first.map((k) => Number(isFigure(k))), w, h);
  const covers = new Uint8Array(w * h);
  const goes = new Set<number>();
  for (const [x, y] of places) {
    if (x < 0 || y < 0 || x >= w || y >= h) throw new RetouchError('That place lies outside the picture');
    const i = Math.floor(y) * w + Math.floor(x);
    // A hole of the ground's colour within a figure is a part as well; the ground itself is none.
    if (
      cells.first[i] === NOTHING ||
      (cells.first[i] === ground && (part === 'piece' || regions.atBorder[regions.of[i]]))
    )
      throw new RetouchError('There is nothing but the ground at that place');
    goes.add(regions.of[i]);
  }
  for (let i = 0; i < covers.length; i++) covers[i] = Number(goes.has(regions.of[i]));
  return { widthPx: w, heightPx: h, covers };
}
