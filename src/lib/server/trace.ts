import * as v from 'valibot';
import { checkTraceOptions, reportOf, smoothnessOf, TraceOptionsError } from '$core/trace';
import { artworkToSvg } from '$core/export';
import { computed } from './computing';
import { pictureFrom } from './pictures';
import { Problem } from './problem';

const positive = v.pipe(
  v.string(),
  v.transform(Number),
  v.number(),
  v.finite('a number'),
  v.gtValue(0, 'a number above 0'),
);

/** Options of POST /api/trace, as they stand in a query. */
export const TraceQuery = v.object({
  colours: v.optional(
    v.union([v.literal('auto'), v.pipe(v.string(), v.regex(/^\d+$/, 'auto or a whole number'), v.transform(Number))]),
    'auto',
  ),
  ground: v.optional(v.picklist(['keep', 'drop', 'outside']), 'keep'),
  stacking: v.optional(v.picklist(['stacked', 'cutout']), 'stacked'),
  palette: v.optional(
    v.pipe(
      v.string(),
      v.transform((text) => text.split(',')),
    ),
  ),
  tolerance: v.optional(positive),
  specks: v.optional(positive),
  symmetry: v.optional(v.picklist(['auto', 'off', 'exact']), 'auto'),
  gradients: v.optional(
    v.pipe(
      v.picklist(['true', 'false']),
      v.transform((text) => text === 'true'),
    ),
    'false',
  ),
});

/** Traces a picture file; what it answers has the names of the command line's JSON. Throws a 422 Problem. */
export async function traceFile(file: Uint8Array, asked: v.InferOutput<typeof TraceQuery>, caller: AbortSignal) {
  const { tolerance, specks, ...options } = asked;
  const started = performance.now();
  try {
    const checked = checkTraceOptions({
      ...options,
      ...(tolerance === undefined ? {} : { smoothness: smoothnessOf(tolerance) }),
      ...(specks === undefined ? {} : { speckPx2: specks }),
    });
    const picture = await pictureFrom(file);
    const traced = await computed('trace', { picture, options: checked }, caller);
    const svg = artworkToSvg(traced.artwork, { lines: false });
    return { svg, ...reportOf(traced, Buffer.byteLength(svg), performance.now() - started) };
  } catch (error) {
    if (error instanceof TraceOptionsError) throw new Problem(400, 'bad_request', error.message);
    throw error;
  }
}
