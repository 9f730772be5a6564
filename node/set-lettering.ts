/** A text set in a face that ships: what the command line and HTTP give. */
import { artworkToSvg } from '../core/export';
import {
  ArcError,
  FitError,
  fittedTo,
  inkBox,
  lettersArtwork,
  nearestWeight,
  onArc,
  setText,
  type Align,
  type ArcOptions,
  type FamilyFacts,
  type Kerning,
  type SetOptions,
} from '../core/lettering';
import { distance } from 'fastest-levenshtein';
import { familiesWith, familyNamed, openFamily, shippedFamilies } from './faces';

export interface LetteringAsk {
  readonly text: string;
  /** A face's name. */
  readonly face: string;
  readonly weight?: number;
  readonly italic?: boolean;
  readonly tracking?: number;
  readonly kerning?: Kerning;
  readonly leading?: number;
  readonly align?: Align;
  /** In px; 100 when left out. */
  readonly size?: number;
  /** Made so wide, as printed: by its size, or by its tracking where a size is given. */
  readonly width?: number;
  /** The radius of the circle about 0, 0 that the baseline is. */
  readonly arc?: number;
  readonly side?: ArcOptions['side'];
  readonly even?: ArcOptions['evenAt'];
  readonly hex?: string;
}

export interface SetLettering {
  readonly face: string;
  readonly licence: string;
  readonly weight: number;
  readonly sizePx: number;
  readonly tracking: number;
  /** Of what is printed. */
  readonly widthPx: number;
  readonly capHeightPx: number;
  readonly glyphs: readonly { readonly text: string; readonly x: number; readonly y: number; readonly turnDeg: number; readonly advance: number }[]; // prettier-ignore
  /** Its outlines. */
  readonly svg: string;
}

/** Lettering that cannot be set, in a sentence. */
export class LetteringError extends Error {
  override readonly name = 'LetteringError';
}

const NAMED_MOST = 6;
const rounded = (value: number): number => Number(value.toFixed(3));

/** The family of a name; where none is called so, those that are nearly are named. */
export function faceNamed(name: string): FamilyFacts {
  const face = familyNamed(name);
  if (face) return face;
  const near = shippedFamilies()
    .map((f) => ({ name: f.name, off: distance(f.name.toLowerCase(), name.toLowerCase()) }))
    .filter((f) => f.off <= Math.max(2, name.length / 3))
    .sort((p, q) => p.off - q.off)
    .slice(0, NAMED_MOST);
  throw new LetteringError(
    `there is no face "${name}"${near.length ? `; there is ${near.map((f) => f.name).join(', ')}` : ''}`,
  );
}

/** A sentence for each character that a face does not have, with faces that have it. */
export function missingTold(missing: readonly string[], name: string): string {
  return missing
    .slice(0, NAMED_MOST)
    .map((c) => {
      const others = familiesWith(c).slice(0, 3).map((f) => f.name); // prettier-ignore
      return `${name} has no "${c}"${others.length ? `: ${others.join(', ')} ${others.length > 1 ? 'have' : 'has'} it` : ', nor has any other face here'}`;
    })
    .join('; ');
}

/** Sets a text. Throws a LetteringError where that cannot be. */
export async function setLettering(ask: LetteringAsk): Promise<SetLettering> {
  const { text, weight = 400, italic = false, side = 'above', even = 'baseline', hex = '#111111' } = ask;
  const facts = faceNamed(ask.face);
  const family = await openFamily(facts, text, { weight, isItalic: italic });
  const missing = family.missing(text);
  if (missing.length) throw new LetteringError(missingTold(missing, facts.name));
  let options: SetOptions = {
    sizePx: ask.size ?? 100,
    tracking: ask.tracking ?? 0,
    kerning: ask.kerning ?? 'face',
    leading: ask.leading ?? 1.2,
    align: ask.align ?? 'left',
  };
  try {
    if (ask.width !== undefined)
      options = fittedTo(ask.width, text, family, options, ask.size === undefined ? 'size' : 'tracking');
    const set = setText(text, family, options);
    const { arc } = ask;
    const glyphs = set.lines.flatMap((line) => {
      if (arc === undefined) return line.glyphs;
      // Lines after the first lie on circles nearer to the middle above, and further from it below.
      return onArc(line, set, { radiusPx: side === 'above' ? arc - line.y : arc + line.y, side, evenAt: even });
    });
    const made = lettersArtwork(glyphs, hex.toUpperCase());
    if (!made) throw new LetteringError('nothing of this text is printed');
    return {
      face: facts.name,
      licence: facts.licence,
      weight: nearestWeight(facts, weight),
      sizePx: rounded(options.sizePx),
      tracking: rounded(options.tracking ?? 0),
      widthPx: rounded(inkBox(glyphs)!.width),
      capHeightPx: rounded(set.capHeightPx),
      glyphs: glyphs.map((g) => ({ text: g.text, x: rounded(g.x), y: rounded(g.y), turnDeg: rounded(g.turnDeg), advance: rounded(g.advance) })), // prettier-ignore
      svg: artworkToSvg(made.artwork, {
        origin: [made.box.x, made.box.y],
        decimals: 3,
        title: text.replaceAll('\n', ' '),
      }),
    };
  } catch (error) {
    if (error instanceof FitError || error instanceof ArcError) throw new LetteringError(error.message);
    throw error;
  }
}
