/** The kinds of steps, in a table; the command line and whoever else takes steps reads their schemas from here. */
import * as v from 'valibot';
import type { Picture } from '../../raster';
import { cover } from './cover';
import { cutOut } from './cut-out';
import type { StepKind } from './define';
import { fill } from './fill';
import { ground } from './ground';
import { recolour } from './recolour';
import { trueEnds } from './true-ends';

export { RetouchError } from './define';

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

/** The picture after one step; the one given stays as it is. Throws a RetouchError when the step does not fit it. */
export const applyStep = (picture: Picture, step: RetouchStep): Picture =>
  KINDS[step.kind].apply(picture, step as never);

/** What a step does, in the words of the list. */
export const tellStep = (step: RetouchStep): string => KINDS[step.kind].tell(step as never);

/**
 * The picture after a list of steps, in turn. `known` has pictures by how many steps led to them, from making the same list before: of a list that was changed from its
 * k-th step on, what came before is not made again.
 */
export function retouched(
  picture: Picture,
  steps: readonly RetouchStep[],
  known: ReadonlyMap<number, Picture> = new Map(),
): Picture {
  let from = steps.length;
  while (from > 0 && !known.has(from)) from--;
  let out = known.get(from) ?? picture;
  for (const step of steps.slice(from)) out = applyStep(out, step);
  return out;
}
