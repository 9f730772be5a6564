import * as v from 'valibot';
import { BrushWidth, coverOfBrush, PointSchema, StrokePoints } from '../area';
import { cutOut as takeOff } from '../cut-out';
import { defineStep, RetouchError } from './define';

const PARTS_MOST = 500;
const STROKES_MOST = 1000;

/**
 * The ground taken off. `inner` says what becomes of enclosed areas of its colour, `parts` of single ones of those and of separate pieces of the figure, by a place in
 * them; `strokes` put back what was there, or take more away, in turn.
 */
export const cutOut = defineStep({
  schema: v.object({
    kind: v.literal('cut-out'),
    inner: v.optional(v.picklist(['auto', 'keep', 'drop']), 'auto'),
    parts: v.optional(
      v.pipe(
        v.array(v.object({ at: PointSchema, dropped: v.boolean() })),
        v.maxLength(PARTS_MOST, `at most ${PARTS_MOST} parts`),
      ),
      [],
    ),
    strokes: v.optional(
      v.pipe(
        v.array(v.object({ points: StrokePoints, widthPx: BrushWidth, back: v.boolean() })),
        v.maxLength(STROKES_MOST, `at most ${STROKES_MOST} strokes`),
      ),
      [],
    ),
  }),
  apply(picture, { inner, parts, strokes }) {
    const { picture: cut, groundHex } = takeOff(picture, { inner, parts });
    if (groundHex === null && !strokes.length) throw new RetouchError('The picture has no ground to take off');
    if (!strokes.length) return cut;
    const rgba = new Uint8ClampedArray(cut.rgba);
    for (const { points, widthPx, back } of strokes) {
      const covered = coverOfBrush(points, widthPx, picture);
      if (!covered) continue;
      for (let y = 0; y < covered.heightPx; y++)
        for (let x = 0; x < covered.widthPx; x++) {
          const share = covered.share[y * covered.widthPx + x];
          if (!share) continue;
          const o = 4 * ((y + covered.y0) * picture.widthPx + x + covered.x0);
          const before = rgba[o + 3];
          const after = back ? before + (picture.rgba[o + 3] - before) * share : before * (1 - share);
          if (back && after > before) for (let c = 0; c < 3; c++) rgba[o + c] = picture.rgba[o + c];
          rgba[o + 3] = after;
        }
    }
    return { ...cut, rgba };
  },
  tell: ({ inner, parts, strokes }) =>
    [
      `cut out${inner === 'auto' ? '' : `, enclosed areas ${inner === 'keep' ? 'kept' : 'dropped'}`}`,
      ...(parts.length ? [`${parts.length} ${parts.length === 1 ? 'part' : 'parts'} chosen`] : []),
      ...(strokes.length ? [`${strokes.length} ${strokes.length === 1 ? 'stroke' : 'strokes'}`] : []),
    ].join(', '),
});
