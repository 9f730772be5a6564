import { readFile } from 'node:fs/promises';
import { checkTraceOptions, reportOf, smoothnessOf, trace, type TraceOptions } from '../core/trace';
import { artworkToSvg } from '../core/export';
import { decodePicture } from '../node/pictures';
import { fileFault, outputsFor, writeOutput } from './outputs';
import { positive, readArgs, UsageError, wholeNumber } from './usage';

async function traceOne(input: string, output: string, options: TraceOptions) {
  const started = performance.now();
  const file = await readFile(input);
  const picture = await decodePicture(file);
  const traced = trace(picture, options);
  const svg = artworkToSvg(traced.artwork, { lines: false });
  await writeOutput(output, svg);
  return { input, output, ...reportOf(traced, Buffer.byteLength(svg), performance.now() - started) };
}

/** `odd-quill trace`: every input is tried; the exit code is 1 when one of them could not be used. */
export async function traceCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      out: { type: 'string' },
      colours: { type: 'string', default: 'auto' },
      ground: { type: 'string', default: 'keep' },
      stacking: { type: 'string', default: 'stacked' },
      palette: { type: 'string' },
      tolerance: { type: 'string' },
      specks: { type: 'string' },
      symmetry: { type: 'string', default: 'auto' },
      gradients: { type: 'boolean', default: false },
      json: { type: 'boolean', default: false },
    },
  });
  if (!positionals.length) throw new UsageError('trace wants at least one picture');
  const options = checkTraceOptions({
    colours: values.colours === 'auto' ? 'auto' : wholeNumber('colours', values.colours),
    ground: values.ground as TraceOptions['ground'],
    stacking: values.stacking as TraceOptions['stacking'],
    symmetry: values.symmetry as TraceOptions['symmetry'],
    gradients: values.gradients,
    ...(values.palette === undefined ? {} : { palette: values.palette.split(',') }),
    ...(values.tolerance === undefined ? {} : { smoothness: smoothnessOf(positive('tolerance', values.tolerance)) }),
    ...(values.specks === undefined ? {} : { speckPx2: positive('specks', values.specks) }),
  });
  const outputs = await outputsFor(positionals, values.out);
  let failed = 0;
  for (const [i, input] of positionals.entries()) {
    try {
      const report = await traceOne(input, outputs[i], options);
      if (values.json) console.log(JSON.stringify(report));
      else
        console.log(
          `${report.output}: ${report.inks.length} ${report.inks.length === 1 ? 'ink' : 'inks'}, ${report.segments} segments, ${report.bytes} bytes, ${report.ms} ms`,
        );
    } catch (error) {
      // Whatever is wrong with one picture, the others are traced.
      failed++;
      console.error(`odd-quill: ${input}: ${fileFault(error)}`);
    }
  }
  return failed ? 1 : 0;
}
