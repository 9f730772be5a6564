/** A font file that somebody brought in: opened, and what it says of itself. */
import { Face, openFontFile, type OwnFaceFacts } from '../core/lettering';

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
