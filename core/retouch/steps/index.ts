/** The kinds of steps, in a table; the command line and whoever else takes steps reads their schemas from here. */
import * as v from 'valibot';
import type { Picture } from '../../raster';
import { AreaError } from '../area';
import { cover } from './cover';
import { cutOut } from './cut-out';
import { RetouchError, type StepKind } from './define';
import { fill } from './fill';
import { crop, square, turn } from './frame';
import { ground } from './ground';
import { mend } from './mend';
import { mirror } from './mirror';
import { palette } from './palette';
import { recolour } from './recolour';
import { redraw } from './redraw';
import { takeOut } from './take-out';
import { tone } from './tone';
import { trueEnds } from './true-ends';

export { RetouchError };

export const StepSchema = v.variant('kind', [
  cover.schema,
  fill.schema,
  mend.schema,
  takeOut.schema,
  cutOut.schema,
  ground.schema,
  recolour.schema,
  palette.schema,
  trueEnds.schema,
  redraw.schema,
  tone.schema,
  turn.schema,
  mirror.schema,
  crop.schema,
  square.schema,
]);
export type RetouchStep = v.InferOutput<typeof StepSchema>;

const KINDS: { readonly [K in RetouchStep['kind']]: StepKind<v.GenericSchema<unknown, never>> } = {
  cover,
  fill,
  mend,
  'take-out': takeOut,
  'cut-out': cutOut,
  ground,
  recolour,
  palette,
  'true-ends': trueEnds,
  redraw,
  tone,
  turn,
  mirror,
  crop,
  square,
} as never;

export const STEP_KINDS = Object.keys(KINDS) as RetouchStep['kind'][];

/** What a step does, in the words of the list. */
export const tellStep = (step: RetouchStep): string => KINDS[step.kind].tell(step as never);

/** The picture after one step; the one given stays as it is. Throws a RetouchError. */
export function withStep(picture: Picture, step: RetouchStep): Picture {
  try {
    return KINDS[step.kind].apply(picture, step as never);
  } catch (error) {
    throw error instanceof AreaError ? new RetouchError(error.message) : error;
  }
}

/** The picture after a list of steps, in turn; the one given stays as it is. Throws a RetouchError that names the step which does not fit. */
export function retouched(picture: Picture, steps: readonly RetouchStep[]): Picture {
  return steps.reduce((before, step, k) => {
    try {
      return withStep(before, step);
    } catch (error) {
      throw error instanceof RetouchError ? new RetouchError(`step ${k + 1}: ${error.message}`) : error;
    }
  }, picture);
}
