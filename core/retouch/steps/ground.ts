import * as v from 'valibot';
import { hexToRgb } from '../../colour';
import { onGround } from '../../raster';
import { defineStep, hex } from './define';

/** A colour laid under the picture: seen wherever it is transparent. */
export const ground = defineStep({
  schema: v.object({ kind: v.literal('ground'), hex }),
  apply: (picture, step) => onGround(picture, hexToRgb(step.hex)),
  tell: (step) => `ground ${step.hex}`,
});
