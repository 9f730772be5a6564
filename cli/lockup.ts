import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { readSvg, SvgError } from '../core/import';
import { LAYOUTS } from '../core/typeset';
import { allPieces } from '../core/vector';
import { makeLockups } from '../node/make-lockups';
import { LetteringError } from '../node/set-lettering';
import { fileFault, writeOutput } from './outputs';
import { positive, readArgs, UsageError } from './usage';

/** Longer than this is no name any more. */
const NAME_MOST = 120;

/** `odd-quill lockup`: a mark and a name in a layout, or in all. */
export async function lockupCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      mark: { type: 'string' },
      name: { type: 'string' },
      line: { type: 'string' },
      layout: { type: 'string' },
      face: { type: 'string' },
      weight: { type: 'string' },
      out: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  if (positionals.length) throw new UsageError('lockup wants its mark as --mark FILE.svg');
  const { mark: input, out, layout } = values;
  const [name, line] = [values.name?.trim() ?? '', values.line?.trim() ?? ''];
  if (!input) throw new UsageError('lockup wants --mark FILE.svg');
  if (!name) throw new UsageError('lockup wants --name TEXT');
  if ([...name, ...line].length > NAME_MOST) throw new UsageError(`--name and --line want at most ${NAME_MOST} characters together`); // prettier-ignore
  if (!out) throw new UsageError('lockup wants --out FILE.svg, or a folder for all layouts');
  if (layout !== undefined && !LAYOUTS.some((l) => l.id === layout))
    throw new UsageError(`there is no layout "${layout}"; there are ${LAYOUTS.map((l) => l.id).join(', ')}`);
  const weight = values.weight === undefined ? undefined : positive('weight', values.weight);
  try {
    const { artwork } = readSvg(new TextDecoder('utf-8', { fatal: true }).decode(await readFile(input)));
    if (!allPieces(artwork).length) throw new SvgError('The file has no shape in it');
    const made = await makeLockups({ mark: artwork, name, line, layout, face: values.face, weight });
    const { face, licence } = made;
    const isFile = out.endsWith('.svg');
    for (const { layout: id, words, widthPx, heightPx, svg } of isFile ? made.lockups.slice(0, 1) : made.lockups) {
      const file = isFile ? out : join(out, `${id}.svg`);
      await writeOutput(file, svg);
      console.log(
        values.json
          ? JSON.stringify({ file, layout: id, words, face, weight: made.weight, licence, widthPx, heightPx })
          : `${file}: ${words}, ${face} ${made.weight}`,
      );
    }
    return 0;
  } catch (error) {
    if (error instanceof UsageError) throw error;
    const fault = error instanceof TypeError ? new SvgError('The file is not text in UTF-8') : error;
    console.error(`odd-quill: ${error instanceof LetteringError ? error.message : `${input}: ${fileFault(fault)}`}`);
    return 1;
  }
}
