import { readFile } from 'node:fs/promises';
import { basename, extname, join } from 'node:path';
import { readHex } from '../core/colour';
import { artworkToSvg } from '../core/export';
import { readSvg, SvgError } from '../core/import';
import { allPieces, oneColoured, shuffledFor, touchingOf, withHexes, type Artwork } from '../core/vector';
import { fileFault, writeOutput } from './outputs';
import { positive, readArgs, UsageError, wholeNumber } from './usage';

/** Colours with commas between them, from an option. */
function hexesFrom(name: string, text: string | undefined): string[] {
  if (!text) return [];
  return text.split(',').map((part) => {
    const hex = readHex(part);
    if (!hex) throw new UsageError(`--${name} wants hex colours with commas between them, not "${part}"`);
    return hex;
  });
}

/** Ids of the inks that are named, or given by the master's colour. */
function inksFrom(artwork: Artwork, text: string | undefined): string[] {
  return (text ?? '')
    .split(',')
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => {
      const hex = readHex(part);
      const found = artwork.inks.find((i) => i.name.toLowerCase() === part.toLowerCase() || i.hex === hex);
      if (!found)
        throw new UsageError(
          `--lock: there is no ink "${part}"; there are ${artwork.inks.map((i) => `${i.name} ${i.hex}`).join(', ')}`,
        );
      return found.id;
    });
}

const inksOf = (artwork: Artwork) => artwork.inks.map(({ name, hex }) => ({ name, hex }));

/** `odd-quill colourways`: an SVG file in other colours, or in one. */
export async function colourwaysCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      count: { type: 'string', default: '12' },
      seed: { type: 'string', default: '1' },
      lock: { type: 'string' },
      grounds: { type: 'string' },
      least: { type: 'string', default: '3' },
      wanted: { type: 'string' },
      unwanted: { type: 'string' },
      free: { type: 'boolean', default: false },
      'one-colour': { type: 'string' },
      reversed: { type: 'string' },
      out: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  if (positionals.length !== 1) throw new UsageError('colourways wants one SVG file');
  const { out } = values;
  if (out === undefined) throw new UsageError('colourways wants --out DIR');
  const [input] = positionals;
  const count = wholeNumber('count', values.count)!;
  if (count < 1 || count > 200) throw new UsageError('--count wants a number from 1 to 200');
  const seed = wholeNumber('seed', values.seed)!;
  const least = positive('least', values.least);
  if (least < 1 || least > 21) throw new UsageError('--least wants a contrast from 1 to 21');
  const grounds = hexesFrom('grounds', values.grounds ?? '#FFFFFF');
  const [wanted, unwanted] = [hexesFrom('wanted', values.wanted), hexesFrom('unwanted', values.unwanted)];
  const stem = basename(input, extname(input));
  const write = async (name: string, artwork: Artwork, more: object): Promise<void> => {
    const file = join(out, `${stem}-${name}.svg`);
    await writeOutput(file, artworkToSvg(artwork));
    console.log(values.json ? JSON.stringify({ file, ...more }) : `${file}: ${Object.values(more).flat().map((v) => (typeof v === 'object' ? JSON.stringify(v) : String(v))).join(' ')}`); // prettier-ignore
  };
  try {
    const { artwork } = readSvg(new TextDecoder('utf-8', { fatal: true }).decode(await readFile(input)));
    if (!allPieces(artwork).length) throw new SvgError('The file has no shape in it');
    const [one, reversed] = [values['one-colour'], values.reversed].map((text, k) =>
      text === undefined ? null : hexesFrom(k ? 'reversed' : 'one-colour', text)[0],
    );
    if (one || reversed) {
      if (one) {
        const made = oneColoured(artwork, { hex: one });
        await write('one-colour', made.artwork, { merged: made.merged });
      }
      if (reversed) {
        const made = oneColoured(artwork, { hex: reversed, reversed: true });
        await write('reversed', made.artwork, { merged: made.merged });
      }
      return 0;
    }
    const locked = inksFrom(artwork, values.lock);
    const touching = touchingOf(artwork);
    const ask = { locked, grounds, least, wanted, unwanted, free: values.free, count, seed };
    const { schemes, told } = shuffledFor(artwork, ask, touching);
    for (const line of told) console.error(`odd-quill: ${input}: ${line}`);
    for (const [k, { hexes, how, leastContrast }] of schemes.entries()) {
      const made = withHexes(artwork, new Map(artwork.inks.map((ink, i) => [ink.id, hexes[i]])));
      await write(String(k + 1).padStart(2, '0'), made, {
        inks: inksOf(made),
        how,
        leastContrast: Number.isFinite(leastContrast) ? Math.round(1000 * leastContrast) / 1000 : null,
      });
    }
    return schemes.length ? 0 : 1;
  } catch (error) {
    if (error instanceof UsageError) throw error;
    const fault = error instanceof TypeError ? new SvgError('The file is not text in UTF-8') : error;
    console.error(`odd-quill: ${input}: ${fileFault(fault)}`);
    return 1;
  }
}
