/** A mark and a name in layouts, and lockups drawn: what the command line and HTTP give. */
import { artworkToSvg } from '../core/export';
import {
  facesLike,
  FaceShelf,
  markLook,
  openFontFile,
  ownFaceFiles,
  type FamilyFacts,
  type OwnFaceFacts,
} from '../core/lettering';
import { lettersFor, textsOf, type DrawnLockup, type FaceChoice, type Lockup } from '../core/lockup';
import { drawLockup, LAYOUTS, layoutsOf, type LaidOut } from '../core/typeset';
import type { Artwork } from '../core/vector';
import { familyNamed, openFamily, shelf, shippedFamilies } from './faces';
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
  /** The artwork and step that lockups are to name. */
  readonly of?: { readonly workId: string; readonly stepId: string };
}

export interface MadeLockups {
  readonly face: string;
  readonly weight: number;
  readonly licence: string;
  readonly lockups: readonly {
    readonly layout: string;
    readonly words: string;
    /** What such a lockup is called: wide, stacked, emblem ... */
    readonly use: string;
    readonly widthPx: number;
    readonly heightPx: number;
    readonly svg: string;
    /** As it is kept, when the artwork and step that it is of were named. */
    readonly lockup?: Lockup;
  }[];
}

/** What one does not take for a name without being asked. */
const LOUD: ReadonlySet<string> = new Set(['script', 'blackletter', 'stencil', 'display']);
/** What a name is set in where a mark tells nothing. */
const PLAIN = { face: 'Jost', weight: 500 } as const;
/** Stands for a work that is kept nowhere. */
const NOWHERE = '00000000-0000-4000-8000-000000000000';

/** A face that ships, at a weight, and what it has in common with a mark. */
export interface LikeFound {
  readonly facts: FamilyFacts;
  readonly weight: number;
  readonly because: readonly string[];
}

/** The faces that ship, the likest to a mark first; none where it tells nothing. */
export function likeFaces(mark: Artwork): LikeFound[] {
  const look = markLook(mark);
  return look ? facesLike(shippedFamilies(), look).map(({ face, weight, because }) => ({ facts: face, weight, because })) : []; // prettier-ignore
}

/** The face that is likest to a mark, but for loud ones, and has all letters of a text. */
export async function faceFor(mark: Artwork, text: string): Promise<LikeFound> {
  for (const found of likeFaces(mark)) {
    if (LOUD.has(found.facts.class)) continue;
    if (!(await openFamily(found.facts, text, { weight: found.weight })).missing(text).length) return found;
  }
  return { facts: familyNamed(PLAIN.face)!, weight: PLAIN.weight, because: [] };
}

/** Arranges a mark and a name. Throws a LetteringError where that cannot be. */
export async function makeLockups(ask: LockupsAsk): Promise<MadeLockups> {
  const { mark, name, line = '', layout, face, weight, of } = ask;
  if (layout !== undefined && !LAYOUTS.some((l) => l.id === layout))
    throw new LetteringError(`there is no layout "${layout}"; there are ${LAYOUTS.map((l) => l.id).join(', ')}`);
  const text = `${name}${line}${line.toUpperCase()}${name.toUpperCase()}`;
  const found = face ? { facts: faceNamed(face), weight: 400 } : await faceFor(mark, text);
  const own = weight ?? found.weight;
  const { facts } = found;
  const family = await openFamily(facts, text, { weight: own });
  const missing = family.missing(text);
  if (missing.length) throw new LetteringError(missingTold(missing, facts.name));
  const choice: FaceChoice = { family: facts.id, weight: own };
  const familyOf = () => family;
  const work = of ?? { workId: NOWHERE, stepId: NOWHERE };
  const made: LaidOut[] = layoutsOf({ mark: { ...work, artwork: mark }, name, line, face: choice, familyOf }, layout === undefined ? undefined : [layout]); // prettier-ignore
  if (!made.length)
    throw new LetteringError(`the layout "${layout}" wants ${/line|rules/.test(layout ?? '') ? 'a second line' : 'a name of more words, or a lighter ink'}`); // prettier-ignore
  return {
    face: facts.name,
    weight: own,
    licence: facts.licence,
    lockups: made.map(({ id, words, use, lockup }) => {
      const { artwork } = drawLockup(lockup, { artworkOf: () => mark, familyOf });
      return {
        layout: id,
        words,
        use,
        widthPx: Math.round(artwork.widthPx),
        heightPx: Math.round(artwork.heightPx),
        svg: artworkToSvg(artwork, { title: name }),
        ...(of ? { lockup } : {}),
      };
    }),
  };
}

/** A face that was brought in: its file, and what that says. */
export interface OwnFace {
  readonly file: Uint8Array;
  readonly facts: Pick<OwnFaceFacts, 'weight' | 'axes'>;
}

/** A lockup, and what it names: artworks by their step, and faces that were brought in, by their family. */
export interface LockupDrawing {
  readonly lockup: Lockup;
  readonly artworks: Readonly<Record<string, Artwork>>;
  readonly faces: Readonly<Record<string, OwnFace>>;
}

const ownShelves = new Map<string, FaceShelf>();
const OWN_MOST = 24;

/** The shelf of a face that was brought in: opened once, for as long as it is asked for. */
function ownShelf(family: string, { file, facts }: OwnFace): FaceShelf {
  let own = ownShelves.get(family);
  if (!own) {
    own = new FaceShelf({ files: async () => ownFaceFiles(facts), sfnt: async () => openFontFile(file) });
    ownShelves.set(family, own);
    for (const first of ownShelves.keys()) {
      if (ownShelves.size <= OWN_MOST) break;
      ownShelves.delete(first);
    }
  }
  return own;
}

/** The shelf that a family stands on. */
export const shelfOf = (faces: LockupDrawing['faces'], family: string): FaceShelf => (faces[family] ? ownShelf(family, faces[family]) : shelf); // prettier-ignore

/** Draws a lockup with the faces that ship and those that were brought in. */
export async function drawnLockup({ lockup, artworks, faces }: LockupDrawing): Promise<DrawnLockup> {
  await Promise.all(textsOf(lockup).map((t) => shelfOf(faces, t.face.family).load(t.face, lettersFor(t))));
  return drawLockup(lockup, {
    artworkOf: (mark) => artworks[mark.stepId] ?? null,
    familyOf: (face, text) => shelfOf(faces, face.family).family(face, text),
  });
}
