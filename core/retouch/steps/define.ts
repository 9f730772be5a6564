import * as v from 'valibot';
import { readHex } from '../../colour';
import type { Picture } from '../../raster';

/** A step that cannot be made of this picture; the message says why. */
export class RetouchError extends Error {
  override readonly name = 'RetouchError';
}

/** One kind of step: how it is written, what it makes of a picture, and how the list tells it. */
export interface StepKind<S extends v.GenericSchema> {
  readonly schema: S;
  /** The picture after it, of a size of its own where the step changes that; the one given stays as it is. Throws a RetouchError or an AreaError. */
  readonly apply: (picture: Picture, step: v.InferOutput<S>) => Picture;
  /** What it does, in the words of the list. */
  readonly tell: (step: v.InferOutput<S>) => string;
}

export const defineStep = <S extends v.GenericSchema>(kind: StepKind<S>): StepKind<S> => kind;

/** A colour as it may be written; kept with a # and capitals. */
export const hex = v.pipe(
  v.string(),
  v.check((text) => readHex(text) !== null, 'a colour is written like #1D2E4E'),
  v.transform((text) => readHex(text)!),
);

export const copyOf = ({ widthPx, heightPx, rgba }: Picture): Picture => ({
  widthPx,
  heightPx,
  rgba: new Uint8ClampedArray(rgba),
});
