/** A mark and a name in layouts: what the command line and HTTP give. */
import { artworkToSvg } from '../core/export';
import { facesLike, LAYOUTS, lockupsOf, markLook, type FamilyFacts } from '../core/lettering';
import type { Artwork } from '../core/vector';
import { familyNamed, openFamily, shippedFamilies } from './faces';
import { faceNamed, LetteringError, missingTold } from './set-lettering';

export interface LockupsAsk {
  readonly mark: Artwork;
  readonly name: string;
  /** A second line; none when empty. */
  readonly line?: string;
  /** The id of one layout; all that can be made when left out. */
  readonly layout?: string;
  /** A face's name; the one that is likest to the mark when left out. */
  readonly face?: string;
  readonly weight?: number;
}

export interface MadeLockups {
  readonly face: string;
  readonly weight: number;
  readonly licence: string;
  readonly lockups: readonly {
    readonly layout: string;
    readonly words: string;
    readonly widthPx: number;
    readonly heightPx: number;
    readonly svg: string;
  }[];
}

/** What one does not take for a name without being asked. */
const LOUD: ReadonlySet<string> = new Set(['script', 'blackletter', 'stencil', 'display']);
/** What a name is set in where a mark tells nothing. */
const PLAIN = { face: 'Jost', weight: 500 } as const;

/** The face that is likest to a mark and has all letters of a text. */
async function faceFor(mark: Artwork, text: string): Promise<{ facts: FamilyFacts; weight: number }> {
  const look = markLook(mark);
  for (const { face, weight } of look
    ? facesLike(
        shippedFamilies().filter((f) => !LOUD.has(f.class)),
        look,
      )
    : [])
    if (!(await openFamily(face, text, { weight })).missing(text).length) return { facts: face, weight };
  return { facts: familyNamed(PLAIN.face)!, weight: PLAIN.weight };
}

/** Arranges a mark and a name. Throws a LetteringError where that cannot be. */
export async function makeLockups({ mark, name, line = '', layout, face, weight }: LockupsAsk): Promise<MadeLockups> {
  if (layout !== undefined && !LAYOUTS.some((l) => l.id === layout))
    throw new LetteringError(`there is no layout "${layout}"; there are ${LAYOUTS.map((l) => l.id).join(', ')}`);
  const text = `${name}${line.toUpperCase()}${name.toUpperCase()}`;
  const found = face ? { facts: faceNamed(face), weight: 400 } : await faceFor(mark, text);
  const own = weight ?? found.weight;
  const { facts } = found;
  const family = await openFamily(facts, text, { weight: own });
  const missing = family.missing(text);
  if (missing.length) throw new LetteringError(missingTold(missing, facts.name));
  const made = lockupsOf({ mark, name, ...(line ? { line } : {}), family }, layout === undefined ? undefined : [layout]); // prettier-ignore
  if (!made.length)
    throw new LetteringError(`the layout "${layout}" wants ${/line|rules/.test(layout ?? '') ? 'a second line' : 'a name of more words'}`); // prettier-ignore
  return {
    face: facts.name,
    weight: own,
    licence: facts.licence,
    lockups: made.map(({ id, words, artwork }) => ({
      layout: id,
      words,
      widthPx: Math.round(artwork.widthPx),
      heightPx: Math.round(artwork.heightPx),
      svg: artworkToSvg(artwork, { title: name }),
    })),
  };
}
