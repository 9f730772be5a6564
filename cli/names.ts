import { NAMES_MOST, namesFor } from '../core/naming';
import { readArgs, UsageError, wholeNumber } from './usage';

/** `odd-quill names`: names for a client, each with how it was made, how it is said, and what is said against it. */
export async function namesCommand(args: readonly string[]): Promise<number> {
  const { values } = readArgs({
    args: [...args],
    options: {
      trade: { type: 'string' },
      place: { type: 'string' },
      mood: { type: 'string' },
      audience: { type: 'string' },
      earlier: { type: 'string' },
      count: { type: 'string' },
      seed: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  if (!values.trade?.trim()) throw new UsageError('names wants --trade, for example --trade "a bakery"');
  const count = wholeNumber('count', values.count) ?? 50;
  if (count < 1 || count > NAMES_MOST) throw new UsageError(`--count wants a number from 1 to ${NAMES_MOST}`);
  const { trade, place = '', mood = '', audience = '', earlier = '' } = values;
  const names = namesFor({
    trade,
    place,
    mood,
    audience,
    count,
    earlier: earlier.split(',').map((n) => n.trim()).filter(Boolean),
    seed: wholeNumber('seed', values.seed) ?? 1,
  }); // prettier-ignore
  for (const one of names)
    console.log(values.json ? JSON.stringify(one) : `${one.name.padEnd(20)} ${one.rhythm.padEnd(8)} ${one.told}${one.marks.length ? ` (${one.marks.join('; ')})` : ''}`); // prettier-ignore
  return 0;
}
