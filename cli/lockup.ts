import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { artworkToSvg } from '../core/export';
import { readSvg, SvgError } from '../core/import';
import { facesLike, LAYOUTS, lockupsOf, markLook } from '../core/lettering';
import { allPieces } from '../core/vector';
import { familyNamed, openFamily, shippedFamilies } from '../node/faces';
import { faceNamed, LetteringError, missingTold } from '../node/set-lettering';
import { fileFault, writeOutput } from './outputs';
import { positive, readArgs, UsageError } from './usage';

/** What one does not take for a name without being asked. */
const LOUD: ReadonlySet<string> = new Set(['script', 'blackletter', 'stencil', 'display']);
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
    const text = `${name}${line.toUpperCase()}${name.toUpperCase()}`;
    const look = markLook(artwork);
    // The likest that has all its letters, where no face is named.
    const like = values.face || !look ? [] : facesLike(shippedFamilies().filter((f) => !LOUD.has(f.class)), look); // prettier-ignore
    let [facts, own] = values.face ? [faceNamed(values.face), weight ?? 400] : [familyNamed('Jost')!, weight ?? 500];
    for (const l of like)
      if (!(await openFamily(l.face, text, { weight: l.weight })).missing(text).length) {
        [facts, own] = [l.face, weight ?? l.weight];
        break;
      }
    const family = await openFamily(facts, text, { weight: own });
    const missing = family.missing(text);
    if (missing.length) throw new LetteringError(missingTold(missing, facts.name));
    const made = lockupsOf({ mark: artwork, name, ...(line ? { line } : {}), family }, layout === undefined ? undefined : [layout]); // prettier-ignore
    if (!made.length)
      throw new LetteringError(`the layout "${layout}" wants ${/line|rules/.test(layout ?? '') ? 'a second line' : 'a name of more words'}`); // prettier-ignore
    const isFile = out.endsWith('.svg');
    for (const lockup of isFile ? made.slice(0, 1) : made) {
      const file = isFile ? out : join(out, `${lockup.id}.svg`);
      await writeOutput(file, artworkToSvg(lockup.artwork, { title: name }));
      const { widthPx, heightPx } = lockup.artwork;
      const told = { file, layout: lockup.id, words: lockup.words, face: facts.name, weight: own, licence: facts.licence, widthPx: Math.round(widthPx), heightPx: Math.round(heightPx) }; // prettier-ignore
      console.log(values.json ? JSON.stringify(told) : `${file}: ${told.words}, ${told.face} ${told.weight}`);
    }
    return 0;
  } catch (error) {
    if (error instanceof UsageError) throw error;
    const fault = error instanceof TypeError ? new SvgError('The file is not text in UTF-8') : error;
    console.error(`odd-quill: ${error instanceof LetteringError ? error.message : `${input}: ${fileFault(fault)}`}`);
    return 1;
  }
}
