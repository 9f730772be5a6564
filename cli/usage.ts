import { fileURLToPath } from 'node:url';
import { parseArgs, type ParseArgsConfig } from 'node:util';

/** The command line was not understood; the message says what of it. */
export class UsageError extends Error {}

/** `parseArgs` of Node with errors of our own kind. */
export function readArgs<T extends ParseArgsConfig>(config: T): ReturnType<typeof parseArgs<T>> {
  try {
    return parseArgs(config);
  } catch (error) {
    throw new UsageError((error as Error).message.split('. To specify')[0]);
  }
}

/** A whole number from an option, or undefined when it was not given. */
export function wholeNumber(name: string, text: string | undefined): number | undefined {
  if (text === undefined) return undefined;
  if (!/^-?\d+$/.test(text)) throw new UsageError(`--${name} wants a whole number, not "${text}"`);
  return Number(text);
}

/** A number above 0 from an option. */
export function positive(name: string, text: string): number {
  const value = Number(text);
  if (!(Number.isFinite(value) && value > 0)) throw new UsageError(`--${name} wants a number above 0, not "${text}"`);
  return value;
}

export const THREAD_FILE = fileURLToPath(new URL('../node/thread.mjs', import.meta.url));
