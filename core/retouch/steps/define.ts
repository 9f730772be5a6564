import * as v from 'valibot';
import { readHex } from '../../colour';
import type { Picture } from '../../raster';

/** A step that cannot be made of this picture; the message says why. */
export class RetouchError extends Error {}

/** One kind of step: how it is written, what it makes of a picture, and how the list tells it. */
export interface StepKind<S extends v.GenericSchema> {
  readonly schema: S;
  /** The picture after it, of a size of its own where the step changes that; the one given stays as it is. Throws a RetouchError. */
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

const coordinate = v.pipe(v.number(), v.minValue(-100_000), v.maxValue(100_000));

/** A place in the picture, in pixels from its left and upper edge. */
export const point = v.tuple([coordinate, coordinate]);

export const copyOf = ({ widthPx, heightPx, rgba }: Picture): Picture => ({
  widthPx,
  heightPx,
  rgba: new Uint8ClampedArray(rgba),
});
