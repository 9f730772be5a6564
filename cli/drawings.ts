import * as v from 'valibot';
import { artworkToSvg, constructionToSvg } from '../core/export';
import { readSvg, SvgError } from '../core/import';
import {
  allPieces,
  applyEdits,
  constructionOfArtwork,
  countPieces,
  countPoints,
  EditError,
  EditSchema,
  greatestStray,
  type ArtNode,
  type Artwork,
} from '../core/vector';
import { fileFault, outputsFor, textOf, writeOutput } from './outputs';
import { positive, readArgs, UsageError } from './usage';

async function written(output: string, artwork: Artwork): Promise<number> {
  const svg = artworkToSvg(artwork);
  await writeOutput(output, svg);
  return Buffer.byteLength(svg);
}

/** `odd-quill import`: SVG files read as artworks and written again; every input is tried, and the exit code is 1 when one could not be used. */
export async function importCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: { out: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  if (!positionals.length) throw new UsageError('import wants at least one SVG file');
  if (values.out === undefined) throw new UsageError('import wants --out: it writes no file over the one it reads');
  const outputs = await outputsFor(positionals, values.out);
  let failed = 0;
  for (const [i, input] of positionals.entries()) {
    const started = performance.now();
    try {
      const { artwork, leftOut, title } = readSvg(await textOf(input));
      const bytes = await written(outputs[i], artwork);
      const report = {
        input,
        output: outputs[i],
        title,
        widthPx: artwork.widthPx,
        heightPx: artwork.heightPx,
        inks: artwork.inks.map((k) => ({ hex: k.hex, name: k.name, pieces: countPieces(artwork, k.id) })),
        pieces: countPieces(artwork),
        points: countPoints(artwork),
        leftOut,
        bytes,
        ms: Math.round(performance.now() - started),
      };
      const rest = leftOut.length ? `; left out: ${leftOut.map((l) => `${l.what} (${l.count})`).join(', ')}` : '';
      console.log(
        values.json
          ? JSON.stringify(report)
          : `${report.output}: ${report.pieces} pieces, ${report.inks.length} inks${rest}`,
      );
    } catch (error) {
      failed++;
      console.error(`odd-quill: ${input}: ${fileFault(error)}`);
    }
  }
  return failed ? 1 : 0;
}

/** The artwork with its pieces called n1, n2 ... from the bottom; groups are not counted. */
function numbered(artwork: Artwork): Artwork {
  let n = 0;
  const named = (node: ArtNode): ArtNode =>
    node.kind === 'group' ? { ...node, nodes: node.nodes.map(named) } : { ...node, id: `n${++n}` };
  return { ...artwork, nodes: artwork.nodes.map(named) };
}

/** `odd-quill shapes`: makes the edits of a JSON array to an SVG file, in turn. */
export async function shapesCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: { edits: { type: 'string' }, out: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  if (positionals.length !== 1) throw new UsageError('shapes wants one SVG file');
  if (!values.edits || !values.out) throw new UsageError('shapes wants --edits FILE.json and --out FILE.svg');
  const started = performance.now();
  try {
    let asked: unknown;
    try {
      asked = JSON.parse(await textOf(values.edits));
    } catch (error) {
      if (error instanceof SyntaxError) throw new UsageError(`${values.edits} is not JSON`);
      throw error;
    }
    const edits = v.safeParse(v.pipe(v.array(EditSchema), v.minLength(1, 'one edit or more')), asked);
    if (!edits.success) {
      const [issue] = edits.issues;
      throw new UsageError(`${values.edits}: edit ${v.getDotPath(issue) ?? ''}: ${issue.message}`);
    }
    const before = numbered(readSvg(await textOf(positionals[0])).artwork);
    const { artwork, told } = applyEdits(before, edits.output);
    await written(values.out, artwork);
    const report = {
      points: [countPoints(before), countPoints(artwork)],
      nodes: allPieces(artwork).length,
      greatestPx: Math.round(1000 * greatestStray(before, artwork)) / 1000,
      ms: Math.round(performance.now() - started),
    };
    console.log(values.json ? JSON.stringify(report) : `${values.out}: ${told}; ${report.points.join(' to ')} points`);
    return 0;
  } catch (error) {
    if (error instanceof UsageError) throw error;
    console.error(
      `odd-quill: ${positionals[0]}: ${error instanceof EditError ? `that cannot be done: ${error.message}` : fileFault(error)}`,
    );
    return 1;
  }
}

/** `odd-quill construct`: what an SVG file's outlines are constructed of. */
export async function constructCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: { within: { type: 'string' }, out: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  if (positionals.length !== 1) throw new UsageError('construct wants one SVG file');
  const within = values.within === undefined ? undefined : positive('within', values.within);
  try {
    const { artwork, title } = readSvg(await textOf(positionals[0]));
    if (!allPieces(artwork).length) throw new SvgError('The file has no shape in it');
    const construction = constructionOfArtwork(artwork, 'all', within);
    if (values.out) await writeOutput(values.out, constructionToSvg(artwork, construction, title ?? undefined));
    const { lines, circles, angles, unit, share, greatestPx } = construction;
    console.log(
      values.json
        ? JSON.stringify(construction)
        : `${circles.length} circles, ${lines.length} lines at ${angles.length} angles; ${Math.round(100 * share)}% of the outlines lie on them within ${greatestPx.toFixed(2)} px; ` +
            (unit ? `a unit of ${unit.px.toFixed(2)} px` : 'no unit'),
    );
    return 0;
  } catch (error) {
    if (error instanceof UsageError) throw error;
    console.error(`odd-quill: ${positionals[0]}: ${fileFault(error)}`);
    return 1;
  }
}
