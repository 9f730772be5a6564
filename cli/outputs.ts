import { mkdir, readFile, stat, writeFile } from 'node:fs/promises';
import { basename, dirname, extname, join, resolve } from 'node:path';
import { SvgError } from '../core/import';
import { UsageError } from './usage';

const isFolder = (path: string): Promise<boolean> =>
  stat(path).then(
    (s) => s.isDirectory(),
    () => false,
  );

/** Where each input's SVG goes: beside it, into a folder, or, for one alone, into a named file. Throws a UsageError where two would be one. */
export async function outputsFor(inputs: readonly string[], out: string | undefined): Promise<string[]> {
  if (inputs.length === 1 && out !== undefined && extname(out).toLowerCase() === '.svg' && !(await isFolder(out)))
    return [out];
  const outputs = inputs.map((input) => join(out ?? dirname(input), basename(input, extname(input)) + '.svg'));
  const seen = new Set<string>();
  for (const output of outputs) {
    if (seen.has(resolve(output))) throw new UsageError(`two inputs would both be written to ${output}`);
    seen.add(resolve(output));
  }
  return outputs;
}

/** Makes a folder and those above it, one by one: asked for all at once, Node tries for ever in a place such as /proc that takes none. */
export async function makeFolder(path: string): Promise<void> {
  if (await isFolder(path)) return;
  const above = dirname(resolve(path));
  if (above !== resolve(path)) await makeFolder(above);
  await mkdir(path).catch(async (error: unknown) => {
    // Somebody else made it meanwhile.
    if (!(await isFolder(path))) throw error;
  });
}

/** Writes a file, and the folder that it goes to. */
export async function writeOutput(path: string, data: string | Uint8Array): Promise<void> {
  await makeFolder(dirname(path));
  await writeFile(path, data);
}

/** What went wrong with a file, in a sentence. */
export function fileFault(error: unknown): string {
  const { code, message } = error as NodeJS.ErrnoException;
  switch (code) {
    case 'ENOENT':
      return 'there is no such file or folder';
    case 'EISDIR':
      return 'this is a folder, not a file';
    case 'ENOTDIR':
    case 'EEXIST':
      return 'the folder to write to is a file';
    case 'EACCES':
    case 'EPERM':
    case 'EROFS':
      return 'it may not be read or written here';
    case 'ENOSPC':
      return 'the disk is full';
    default:
      return message;
  }
}

/** A file's text. Throws an SvgError where it is none in UTF-8. */
export const textOf = async (path: string): Promise<string> => {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(await readFile(path));
  } catch (error) {
    if (error instanceof TypeError) throw new SvgError('The file is not text in UTF-8');
    throw error;
  }
};
