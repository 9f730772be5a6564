import { distance } from 'fastest-levenshtein';
import { readFile } from 'node:fs/promises';
import { artworkToSvg } from '../core/export';
import { readSvg, SvgError } from '../core/import';
import {
  ArcError,
  FitError,
  fittedTo,
  facesFor,
  facesLike,
  inkBox,
  lettersArtwork,
  markLook,
  onArc,
  setText,
  type FamilyFacts,
  type Kerning,
  type SetOptions,
} from '../core/lettering';
import { familiesWith, familyNamed, nearestWeight, openFamily, shippedFamilies } from '../node/faces';
import { fileFault, writeOutput } from './outputs';
import { positive, readArgs, UsageError } from './usage';

const KERNINGS: readonly Kerning[] = ['face', 'optical', 'none'];
/** Longer than this is no lettering any more. */
const TEXT_MOST = 500;
/** Names of faces that are listed where one is not known. */
const NAMED_MOST = 6;

function faceNamed(name: string | undefined): FamilyFacts {
  if (!name) throw new UsageError('lettering wants --face NAME');
  const face = familyNamed(name);
  if (face) return face;
  const near = [...shippedFamilies()]
    .map((f) => ({ name: f.name, off: distance(f.name.toLowerCase(), name.toLowerCase()) }))
    .filter((f) => f.off <= Math.max(2, name.length / 3))
    .sort((p, q) => p.off - q.off)
    .map((f) => f.name)
    .slice(0, NAMED_MOST);
  throw new UsageError(
    `there is no face "${name}"${near.length ? `; there is ${near.join(', ')}` : ''}; odd-quill faces lists all`,
  );
}

/** A number of an option, which may be below 0. */
function numberOf(name: string, text: string): number {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value)) throw new UsageError(`--${name} wants a number, not "${text}"`);
  return value;
}

/** A sentence for each character that a face does not have, with faces that have it. */
function missingTold(missing: readonly string[], name: string): string {
  return missing
    .map((c) => {
      const others = familiesWith(c).slice(0, 3).map((f) => f.name); // prettier-ignore
      return `${name} has no "${c}"${others.length ? `: ${others.join(', ')} ${others.length > 1 ? 'have' : 'has'} it` : ', nor has any other face here'}`;
    })
    .join('; ');
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
  const facts = faceNamed(values.face);
  const kerning = KERNINGS.find((k) => k === values.kerning);
  if (!kerning) throw new UsageError(`--kerning wants ${KERNINGS.join(', ')}, not "${values.kerning}"`);
  const align = (['left', 'centre', 'right'] as const).find((a) => a === values.align);
  if (!align) throw new UsageError('--align wants left, centre or right');
  const side = (['above', 'below'] as const).find((a) => a === values.side);
  if (!side) throw new UsageError(`--side wants above or below, not "${values.side}"`);
  const evenAt = (['baseline', 'middle', 'outside'] as const).find((a) => a === values.even);
  if (!evenAt) throw new UsageError('--even wants baseline, middle or outside');
  const weight = positive('weight', values.weight);
  const family = await openFamily(facts, text, { weight, isItalic: values.italic });
  const missing = family.missing(text);
  if (missing.length) {
    console.error(`odd-quill: ${missingTold(missing, facts.name)}`);
    return 1;
  }
  let options: SetOptions = {
    sizePx: values.size === undefined ? 100 : positive('size', values.size),
    tracking: numberOf('tracking', values.tracking),
    kerning,
    leading: positive('leading', values.leading),
    align,
  };
  try {
    if (values.width !== undefined)
      options = fittedTo(positive('width', values.width), text, family, options, values.size === undefined ? 'size' : 'tracking'); // prettier-ignore
    const set = setText(text, family, options);
    const arc = values.arc === undefined ? null : positive('arc', values.arc);
    const glyphs = set.lines.flatMap((line) => {
      if (arc === null) return line.glyphs;
      // Lines below the first lie on circles inside it.
      const radiusPx = side === 'above' ? arc - line.y : arc + line.y;
      return onArc(line, set, { radiusPx, side, evenAt, align: 'centre' });
    });
    const made = lettersArtwork(glyphs, values.hex.toUpperCase());
    if (!made) {
      console.error('odd-quill: nothing of this text is printed');
      return 1;
    }
    await writeOutput(out, artworkToSvg(made.artwork, { origin: [made.box.x, made.box.y], decimals: 3, title: text.replaceAll('\n', ' ') })); // prettier-ignore
    const told = {
      face: facts.name,
      licence: facts.licence,
      weight: nearestWeight(facts, weight),
      sizePx: rounded(options.sizePx),
      tracking: rounded(options.tracking ?? 0),
      widthPx: rounded(inkBox(glyphs)!.width),
      capHeightPx: rounded(set.capHeightPx),
      glyphs: glyphs.map((g) => ({ text: g.text, x: rounded(g.x), y: rounded(g.y), turnDeg: rounded(g.turnDeg), advance: rounded(g.advance) })), // prettier-ignore
    };
    console.log(values.json ? JSON.stringify(told) : `${out}: ${told.face}, ${told.licence}, ${told.widthPx} px wide`);
    return 0;
  } catch (error) {
    if (!(error instanceof FitError) && !(error instanceof ArcError)) throw error;
    console.error(`odd-quill: ${error.message}`);
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
