/** The kinds of steps, in a table; the command line and whoever else takes steps reads their schemas from here. */
import * as v from 'valibot';
import type { Picture } from '../../raster';
import { cover } from './cover';
import { cutOut } from './cut-out';
import { RetouchError, type StepKind } from './define';
import { fill } from './fill';
import { ground } from './ground';
import { recolour } from './recolour';
import { trueEnds } from './true-ends';

export { RetouchError };

export const StepSchema = v.variant('kind', [
  cover.schema,
  fill.schema,
  cutOut.schema,
  ground.schema,
  recolour.schema,
  trueEnds.schema,
]);
export type RetouchStep = v.InferOutput<typeof StepSchema>;

const KINDS: { readonly [K in RetouchStep['kind']]: StepKind<v.GenericSchema<unknown, never>> } = {
  cover,
  fill,
  'cut-out': cutOut,
  ground,
  recolour,
  'true-ends': trueEnds,
} as never;

export const STEP_KINDS = Object.keys(KINDS) as RetouchStep['kind'][];

/** What a step does, in the words of the list. */
export const tellStep = (step: RetouchStep): string => KINDS[step.kind].tell(step as never);

/** The picture after a list of steps, in turn; the one given stays as it is. Throws a RetouchError that names the step which does not fit. */
export function retouched(picture: Picture, steps: readonly RetouchStep[]): Picture {
  return steps.reduce((before, step, k) => {
    try {
      return KINDS[step.kind].apply(before, step as never);
    } catch (error) {
      throw error instanceof RetouchError ? new RetouchError(`step ${k + 1}: ${error.message}`) : error;
    }
  }, picture);
}
