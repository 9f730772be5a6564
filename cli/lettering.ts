import { readFile } from 'node:fs/promises';
import { readHex } from '../core/colour';
import { readSvg, SvgError } from '../core/import';
import { facesFor, facesLike, markLook, type FamilyFacts, type Kerning } from '../core/lettering';
import { shippedFamilies } from '../node/faces';
import { LetteringError, setLettering } from '../node/set-lettering';
import { fileFault, writeOutput } from './outputs';
import { positive, readArgs, UsageError } from './usage';

const KERNINGS: readonly Kerning[] = ['face', 'optical', 'none'];
/** Longer than this is no lettering any more. */
const TEXT_MOST = 500;

/** A number of an option, which may be below 0. */
function numberOf(name: string, text: string): number {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value)) throw new UsageError(`--${name} wants a number, not "${text}"`);
  return value;
}

const rounded = (value: number): number => Number(value.toFixed(3));

/** `odd-quill lettering`: a text set in a face, as outlines. */
export async function letteringCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      text: { type: 'string' },
      face: { type: 'string' },
      weight: { type: 'string', default: '400' },
      italic: { type: 'boolean', default: false },
      tracking: { type: 'string', default: '0' },
      kerning: { type: 'string', default: 'face' },
      leading: { type: 'string', default: '1.2' },
      align: { type: 'string', default: 'left' },
      size: { type: 'string' },
      arc: { type: 'string' },
      side: { type: 'string', default: 'above' },
      even: { type: 'string', default: 'baseline' },
      width: { type: 'string' },
      hex: { type: 'string', default: '#111111' },
      out: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  if (positionals.length) throw new UsageError('lettering wants its text as --text TEXT');
  const text = (values.text ?? '').replaceAll('\\n', '\n');
  if (!text.trim()) throw new UsageError('lettering wants --text TEXT');
  if ([...text].length > TEXT_MOST) throw new UsageError(`--text wants at most ${TEXT_MOST} characters`);
  const { out } = values;
  if (out === undefined) throw new UsageError('lettering wants --out FILE.svg');
  if (!values.face) throw new UsageError('lettering wants --face NAME');
  const kerning = KERNINGS.find((k) => k === values.kerning);
  if (!kerning) throw new UsageError(`--kerning wants ${KERNINGS.join(', ')}, not "${values.kerning}"`);
  const align = (['left', 'centre', 'right'] as const).find((a) => a === values.align);
  if (!align) throw new UsageError('--align wants left, centre or right');
  const side = (['above', 'below'] as const).find((a) => a === values.side);
  if (!side) throw new UsageError(`--side wants above or below, not "${values.side}"`);
  const even = (['baseline', 'middle', 'outside'] as const).find((a) => a === values.even);
  if (!even) throw new UsageError('--even wants baseline, middle or outside');
  const optional = (name: 'size' | 'width' | 'arc'): number | undefined => {
    const given = values[name];
    return given === undefined ? undefined : positive(name, given);
  };
  const hex = readHex(values.hex);
  if (!hex) throw new UsageError(`--hex wants a hex colour, not "${values.hex}"`);
  try {
    const { svg, ...told } = await setLettering({
      text,
      face: values.face,
      weight: positive('weight', values.weight),
      italic: values.italic,
      tracking: numberOf('tracking', values.tracking),
      kerning,
      leading: positive('leading', values.leading),
      align,
      size: optional('size'),
      width: optional('width'),
      arc: optional('arc'),
      side,
      even,
      hex,
    });
    await writeOutput(out, svg);
    console.log(values.json ? JSON.stringify(told) : `${out}: ${told.face}, ${told.licence}, ${told.widthPx} px wide`);
    return 0;
  } catch (error) {
    if (error instanceof UsageError) throw error;
    console.error(`odd-quill: ${error instanceof LetteringError ? error.message : `${out}: ${fileFault(error)}`}`);
    return 1;
  }
}

/** Lists faces by how like the mark of an SVG file they look. */
async function facesLikeFile(file: string, faces: readonly FamilyFacts[], isJson: boolean): Promise<number> {
  try {
    const { artwork } = readSvg(new TextDecoder('utf-8', { fatal: true }).decode(await readFile(file)));
    const mark = markLook(artwork);
    if (!mark) throw new SvgError('The file has no shape in it');
    for (const { face, weight, off, because } of facesLike(faces, mark)) {
      const { id, name, licence, moods, class: kind } = face;
      console.log(
        isJson
          ? JSON.stringify({ id, name, class: kind, weight, moods, licence, off: rounded(off), because })
          : `${name} ${weight}: ${because.length ? because.join(', ') : 'less alike'}`,
      );
    }
    return 0;
  } catch (error) {
    const fault = error instanceof TypeError ? new SvgError('The file is not text in UTF-8') : error;
    console.error(`odd-quill: ${file}: ${fileFault(fault)}`);
    return 1;
  }
}

/** `odd-quill faces`: the faces that ship, or those that some words, or a mark, fit. */
export async function facesCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      mood: { type: 'string', default: '' },
      class: { type: 'string' },
      like: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  if (positionals.length) throw new UsageError('faces wants words as --mood TEXT');
  const all = shippedFamilies().filter((f) => values.class === undefined || f.class === values.class);
  const found = facesFor(all, values.mood);
  if (!found.length) {
    console.error(
      `odd-quill: no face is ${values.mood || values.class}; moods are ${[...new Set(all.flatMap((f) => f.moods))].sort().join(', ')}`,
    );
    return 1;
  }
  if (values.like !== undefined) return facesLikeFile(values.like, found.map((f) => f.face), values.json); // prettier-ignore
  for (const { face, because } of found) {
    const { id, name, class: kind, moods, weights, hasItalic, scripts, licence, licenceUrl } = face;
    console.log(
      values.json
        ? JSON.stringify({ id, name, class: kind, moods, weights, hasItalic, scripts, licence, licenceUrl, because })
        : `${name}: ${kind}, ${weights.length === 1 ? weights[0] : `${weights[0]} to ${weights[weights.length - 1]}`}, ${licence}${because.length ? `, ${because.join(' and ')}` : ''}`,
    );
  }
  return 0;
}
