/** A font file that somebody brought in: opened, and what it says of itself. */
import { Face, openFontFile, type Embedding, type FaceFiles } from '../core/lettering';

/** What is kept and shown of a face that was brought in. */
export interface OwnFaceFacts {
  readonly name: string;
  readonly style: string;
  readonly weight: number;
  /** Its licence as the file has it, and where that is told; empty where it says nothing. */
  readonly licence: string;
  readonly licenceUrl: string;
  readonly copyright: string;
  readonly embedding: Embedding;
  readonly axes: readonly { readonly tag: string; readonly min: number; readonly max: number }[];
  readonly scripts: readonly string[];
}

/** A letter of each script by which it is told. */
const SCRIPTS = { latin: 'a', greek: 'α', cyrillic: 'ж', arabic: 'ب', hebrew: 'ש', devanagari: 'क', thai: 'ก', japanese: 'あ' } as const; // prettier-ignore
const NAMES = {
  copyright: 0,
  family: 1,
  style: 2,
  licence: 13,
  licenceUrl: 14,
  typoFamily: 16,
  typoStyle: 17,
} as const;
/** Licences are kept so long. */
const TEXT_MOST = 20_000;

const weightOf = (style: string): number => {
  const found = ([['thin', 100], ['extra ?light', 200], ['light', 300], ['medium', 500], ['semi ?bold|demi', 600], ['extra ?bold', 800], ['black|heavy', 900], ['bold', 700]] as const).find(([word]) => new RegExp(word, 'i').test(style)); // prettier-ignore
  return found?.[1] ?? 400;
};

/** Reads a font file. Throws what `openFontFile` throws where it is broken or none. */
export async function readOwnFace(file: Uint8Array): Promise<OwnFaceFacts> {
  const face = new Face(await openFontFile(file));
  const said = (id: number): string => face.said(id).slice(0, TEXT_MOST);
  const style = said(NAMES.typoStyle) || said(NAMES.style) || 'Regular';
  return {
    name: (said(NAMES.typoFamily) || said(NAMES.family) || 'A face without a name').slice(0, 60),
    style: style.slice(0, 60),
    weight: weightOf(style),
    licence: said(NAMES.licence),
    licenceUrl: said(NAMES.licenceUrl).slice(0, 300),
    copyright: said(NAMES.copyright).slice(0, 500),
    embedding: face.embedding,
    axes: face.axes.map(({ tag, min, max }) => ({ tag, min, max })),
    scripts: Object.entries(SCRIPTS).filter(([, c]) => face.has(c.codePointAt(0)!)).map(([name]) => name), // prettier-ignore
  };
}

/** The files of such a face, as all faces have them: one part with everything. */
export function ownFaceFiles({ weight, axes }: Pick<OwnFaceFacts, 'weight' | 'axes'>): FaceFiles {
  const wght = axes.find((a) => a.tag === 'wght');
  const weights = wght ? [100, 200, 300, 400, 500, 600, 700, 800, 900].filter((w) => w >= wght.min && w <= wght.max) : [weight]; // prettier-ignore
  return { isVariable: wght !== undefined && weights.length > 0, hasItalic: false, weights: weights.length ? weights : [weight], parts: [{ name: 'all', ranges: [[0, 0x10ffff]] }] }; // prettier-ignore
}
