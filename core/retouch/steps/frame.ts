/** Steps that change a picture's frame: turned, cut to a box or to its figure, made square. */
import * as v from 'valibot';
import { blankPicture, type Picture } from '../../raster';
import { tellApart } from '../../trace';
import { BoxSchema } from '../area';
import { axisOf, figureBox, groundOf } from '../figure';
import { sampleCubic } from '../sample';
import { defineStep, RetouchError } from './define';

/** Turned about its middle, clockwise, or so that its axis stands upright or lies level; it keeps its size, and what comes in at the corners is of the ground. */
export const turn = defineStep({
  schema: v.object({
    kind: v.literal('turn'),
    degrees: v.nullable(v.pipe(v.number(), v.minValue(-180, '-180 or more'), v.maxValue(180, '180 or less'))),
  }),
  apply(picture, { degrees: asked }) {
    const degrees = asked ?? byAxis(picture);
    const { widthPx: w, heightPx: h } = picture;
    const out = blankPicture(w, h);
    const ground = groundOf(picture);
    const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
    for (let y = 0; y < h; y++)
      for (let x = 0; x < w; x++) {
        const [dx, dy] = [x + 0.5 - w / 2, y + 0.5 - h / 2];
        out.rgba.set(
          sampleCubic(picture, w / 2 + cos * dx + sin * dy, h / 2 - sin * dx + cos * dy, ground),
          4 * (y * w + x),
        );
      }
    return out;
  },
  tell: ({ degrees }) => (degrees === null ? 'turned by its axis' : `turned by ${degrees.toFixed(1)}°`),
});

/** By how much a picture is to be turned so that its axis stands upright or lies level, whichever is nearer. Throws a RetouchError. */
function byAxis(picture: Picture): number {
  const axis = axisOf(picture);
  if (!axis) throw new RetouchError('No axis was found that the two halves nearly agree about: turn by degrees');
  const degrees = (axis.angleRad * 180) / Math.PI;
  return 90 * Math.round(degrees / 90) - degrees;
}

/** A margin is a share of the figure's longer side. */
const margin = v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(10)), 0.08);

/** Cut to a box, or to the figure with a margin. */
export const crop = defineStep({
  schema: v.object({ kind: v.literal('crop'), box: v.optional(v.nullable(BoxSchema), null), margin }),
  apply(picture, { box, margin: share }) {
    if (box) {
      const [x, y, w, h] = box.map(Math.round);
      const [x0, y0] = [Math.max(0, x), Math.max(0, y)];
      const [x1, y1] = [Math.min(picture.widthPx, x + w), Math.min(picture.heightPx, y + h)];
      if (x1 <= x0 || y1 <= y0) throw new RetouchError('The box lies outside the picture');
      return framed(picture, x0, y0, x1 - x0, y1 - y0);
    }
    const figure = figureBox(tellApart(picture, 'auto'));
    if (!figure) throw new RetouchError('There is no figure to cut the picture to: it is of one colour');
    const by = Math.round(share * Math.max(figure[2], figure[3]));
    return framed(picture, figure[0] - by, figure[1] - by, figure[2] + 2 * by, figure[3] + 2 * by);
  },
  tell: ({ box, margin: share }) => (box ? 'cut to a box' : `cut to the figure, margin ${Math.round(100 * share)}%`),
});

/** As high as wide, the figure in the middle. */
export const square = defineStep({
  schema: v.object({ kind: v.literal('square') }),
  apply(picture) {
    const { widthPx: w, heightPx: h } = picture;
    const side = Math.max(w, h);
    const figure = figureBox(tellApart(picture, 'auto')) ?? [0, 0, w, h];
    // The figure comes to the middle as far as the picture has room for it.
    const place = (from: number, size: number, length: number): number =>
      size < side ? Math.round(from + length / 2 - side / 2) : 0;
    return framed(picture, place(figure[0], w, figure[2]), place(figure[1], h, figure[3]), side, side);
  },
  tell: () => 'made square',
});

/** A picture in another frame; what it had nothing of is of its ground. */
function framed(picture: Picture, left: number, top: number, widthPx: number, heightPx: number): Picture {
  const out = blankPicture(widthPx, heightPx);
  const ground = groundOf(picture);
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++) {
      const [sx, sy] = [x + left, y + top];
      const isInside = sx >= 0 && sy >= 0 && sx < picture.widthPx && sy < picture.heightPx;
      const from = 4 * (sy * picture.widthPx + sx);
      out.rgba.set(isInside ? picture.rgba.subarray(from, from + 4) : ground, 4 * (y * widthPx + x));
    }
  return out;
}
