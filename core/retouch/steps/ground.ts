import * as v from 'valibot';
import { hexToRgb } from '../../colour';
import { onGround } from '../../raster';
import { cutOut } from '../cut-out';
import { defineStep, hex } from './define';

/** A colour for the ground: under the picture wherever it is transparent, and in the place of the ground that it has. */
export const ground = defineStep({
  schema: v.object({ kind: v.literal('ground'), hex }),
  apply: (picture, step) => onGround(cutOut(picture).picture, hexToRgb(step.hex)),
  tell: (step) => `ground ${step.hex}`,
});
