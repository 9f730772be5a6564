import { readFile } from 'node:fs/promises';
import { Pool } from '../node/pool';
import { decodePicture } from '../node/pictures';
import { readArgs, THREAD_FILE, UsageError } from './usage';

/** `odd-quill read-lettering`: the words in pictures, a line for each picture, and whether they are those that were asked for. */
export async function readLetteringCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: { asked: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  if (!positionals.length) throw new UsageError('read-lettering wants one picture or more');
  const pool = new Pool(THREAD_FILE, 1);
  let failed = 0;
  try {
    for (const input of positionals) {
      try {
        const picture = await decodePicture(await readFile(input));
        const { lines, verdict } = await pool.run('readLettering', { picture, asked: values.asked ?? null });
        const found = lines.flatMap((line) => line.words);
        if (values.json) console.log(JSON.stringify({ input, found, verdict }));
        else console.log(`${input}: ${found.length ? `${verdict}, reads ${found.map((w) => w.text).join(' ')}` : 'no lettering'}`); // prettier-ignore
      } catch (error) {
        const { name, code } = error as { name: string; code?: string };
        // Without recognition, none of the others can be read either.
        if (code === 'no_recognition' || name === 'UsageError') throw error;
        failed++;
        console.error(`odd-quill: ${input}: ${(error as Error).message}`);
      }
    }
  } finally {
    await pool.close();
  }
  return failed ? 1 : 0;
}
