import * as v from 'valibot';
import { hexToRgb } from '../../colour';
import { layColour, type Cover, type Picture } from '../../raster';
import { BrushWidth, coverOfBrush, StrokePoints } from '../area';
import { colourAround } from '../around';
import { sideOf } from '../side';
import { copyOf, defineStep, hex, RetouchError } from './define';

/**
 * A stroke of a hard round brush, whose edge is covered as a renderer does it. Without a colour it takes the one that is commonest around it. With `oneSide` it stays on the
 * side of the picture's edges that it began on.
 */
export const cover = defineStep({
  schema: v.object({
    kind: v.literal('cover'),
    points: StrokePoints,
    widthPx: BrushWidth,
    hex: v.optional(v.nullable(hex), null),
    oneSide: v.optional(v.boolean(), false),
  }),
  apply(picture, { points, widthPx, hex: wanted, oneSide }) {
    const brushed = coverOfBrush(points, widthPx, picture);
    if (!brushed) throw new RetouchError('The stroke lies outside the picture');
    const rgb = wanted ? hexToRgb(wanted) : colourAround(picture, brushed);
    if (!rgb) throw new RetouchError('There is nothing around the stroke to take a colour from: choose one');
    const covered = oneSide ? onSide(picture, brushed, points[0]) : brushed;
    const out = copyOf(picture);
    layColour(out, covered, rgb);
    return out;
  },
  tell: ({ hex: wanted, widthPx, oneSide }) =>
    `covered${wanted ? ` with ${wanted}` : ''}, ${Math.round(widthPx)} px wide${oneSide ? ', on one side' : ''}`,
});

/** What is covered, but for what lies beyond the edges about the place where the stroke began. */
function onSide(picture: Picture, covered: Cover, start: readonly [number, number]): Cover {
  const side = sideOf(picture, start, covered);
  return side ? { ...covered, share: covered.share.map((s, i) => s * side[i]) } : covered;
}
