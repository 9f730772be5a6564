import * as v from 'valibot';
import { acrossAxis, axisOf } from '../figure';
import { sampleCubic } from '../sample';
import { copyOf, defineStep, RetouchError } from './define';

const number = v.pipe(v.number(), v.minValue(-100_000), v.maxValue(100_000));

/** One half mirrored onto the other, about an axis that is given, or the one that is found. */
export const mirror = defineStep({
  schema: v.object({
    kind: v.literal('mirror'),
    /** A point of the axis in pixels, and its direction in radians: a quarter turn is upright. */
    axis: v.optional(v.nullable(v.object({ x: number, y: number, angleRad: number })), null),
    /** The half that stays; of a level axis the left half is the upper one. */
    keep: v.optional(v.picklist(['left', 'right']), 'left'),
  }),
  apply(picture, { axis, keep }) {
    const about = axis ?? axisOf(picture);
    if (!about) throw new RetouchError('No axis was found that the two halves nearly agree about: draw one');
    const { widthPx: w, heightPx: h } = picture;
    const out = copyOf(picture);
    const [cos, sin] = [Math.cos(about.angleRad), Math.sin(about.angleRad)];
    // Seen upwards, or to the right where it lies level.
    const way = Math.abs(sin) < 1e-9 ? Math.sign(cos) : -Math.sign(sin);
    const [ux, uy] = [way * cos, way * sin];
    const outside = [0, 0, 0, 0] as const;
    for (let y = 0; y < h; y++)
      for (let x = 0; x < w; x++) {
        const [dx, dy] = [x + 0.5 - about.x, y + 0.5 - about.y];
        // Positive to the right of the axis.
        const side = ux * dy - uy * dx;
        if (keep === 'right' ? side >= 0 : side <= 0) continue;
        const [mx, my] = acrossAxis(about, x + 0.5, y + 0.5);
        // What would come from beyond the picture stays as it is.
        if (mx < 0 || my < 0 || mx >= w || my >= h) continue;
        out.rgba.set(sampleCubic(picture, mx, my, outside), 4 * (y * w + x));
      }
    return out;
  },
  tell: ({ axis, keep }) => `${keep} half mirrored about ${axis ? 'an axis' : 'its axis'}`,
});
