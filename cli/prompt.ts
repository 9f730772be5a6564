import { readFile } from 'node:fs/promises';
import * as v from 'valibot';
import { promptsFor } from '../core/brief';
import { readArgs, UsageError, wholeNumber } from './usage';

const said = v.optional(v.nullable(v.string()));
/** A brief as the API gives it, of which only the words are read. */
const BriefFile = v.object({ name: said, trade: said, audience: said, mood: said, coloursWanted: said, coloursUnwanted: said, kindOfMark: said, notes: said }); // prettier-ignore

/** `odd-quill prompt`: three prompts from a brief, each in a direction of its own, with reasons. */
export async function promptCommand(args: readonly string[]): Promise<number> {
  const { values } = readArgs({
    args: [...args],
    options: { brief: { type: 'string' }, seed: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  if (!values.brief) throw new UsageError('prompt wants --brief FILE.json');
  let file: unknown;
  try {
    file = JSON.parse(await readFile(values.brief, 'utf8'));
  } catch (error) {
    if ((error as { code?: string }).code) throw error;
    throw new UsageError(`${values.brief} is not JSON: ${(error as Error).message}`);
  }
  const read = v.safeParse(BriefFile, file);
  if (!read.success) throw new UsageError(`${values.brief}: ${v.getDotPath(read.issues[0]) ?? 'it'} is not a text`);
  const brief = Object.fromEntries(Object.entries(read.output).map(([key, value]) => [key, value ?? '']));
  const directions = promptsFor(brief, wholeNumber('seed', values.seed) ?? 1);
  if (values.json) console.log(JSON.stringify(directions));
  else
    for (const { title, prompt, leaveOut, reasons } of directions)
      console.log(`${title}\n  ${prompt}${leaveOut ? `\n  leave out: ${leaveOut}` : ''}\n  ${reasons.join('\n  ')}\n`);
  return 0;
}
