/** The faces that ship, out of their packages. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import {
  CATALOGUE,
  FaceShelf,
  lettersOf,
  nearestWeight,
  openFontFile,
  type FaceFiles,
  type Family,
  type FamilyFacts,
} from '../core/lettering';

const require = createRequire(import.meta.url);

interface Metadata {
  readonly family: string;
  readonly subsets: readonly string[];
  readonly weights: readonly number[];
  readonly styles: readonly string[];
  readonly license: { readonly type: string; readonly url: string; readonly attribution: string };
}

const folderOf = (id: string, isVariable: boolean): string =>
  dirname(require.resolve(`@fontsource${isVariable ? '-variable' : ''}/${id}/package.json`));

const json = <T>(path: string): T => JSON.parse(readFileSync(path, 'utf8')) as T;

let facts: readonly FamilyFacts[] | null = null;

/** All families that ship. */
export function shippedFamilies(): readonly FamilyFacts[] {
  facts ??= CATALOGUE.map((entry) => {
    const { family, subsets, weights, styles, license } = json<Metadata>(
      join(folderOf(entry.id, entry.isVariable), 'metadata.json'),
    );
    return {
      ...entry,
      name: family,
      weights,
      hasItalic: styles.includes('italic'),
      scripts: [...new Set(subsets.map((s) => s.replace(/-ext$/, '')))].filter((s) => !['vietnamese', 'math', 'symbols'].includes(s)), // prettier-ignore
      licence: license.type,
      licenceUrl: license.url,
      attribution: license.attribution,
    };
  });
  return facts;
}

/** The family of a name or id, whatever its case; undefined where none ships. */
export function familyNamed(name: string): FamilyFacts | undefined {
  return shippedFamilies().find((f) => lettersOf(f.name) === lettersOf(name) || lettersOf(f.id) === lettersOf(name));
}

/** The text of a family's licence. */
export const licenceOf = ({ id, isVariable }: Pick<FamilyFacts, 'id' | 'isVariable'>): string =>
  readFileSync(join(folderOf(id, isVariable), 'LICENSE'), 'utf8');

/** The parts of a package, each with what it has. */
function partsOf(folder: string): FaceFiles['parts'] {
  const path = join(folder, 'unicode.json');
  if (!existsSync(path)) return [{ name: 'latin', ranges: [[0, 0x10ffff]] }];
  return Object.entries(json<Record<string, string>>(path)).map(([subset, ranges]) => ({
    name: subset.replace(/^\[(\d+)\]$/, '$1'),
    ranges: ranges.split(',').map((r) => {
      const [from, to = from] = r.trim().replace(/^U\+/i, '').split('-');
      return [parseInt(from, 16), parseInt(to, 16)] as const;
    }),
  }));
}

/** Of the kinds of axes that a variable package has files of, the richest. */
const AXES = ['full', 'standard', 'wght'] as const;

function fileOf(facts: FamilyFacts, part: string, weight: number, isItalic: boolean): string | null {
  const folder = join(folderOf(facts.id, facts.isVariable), 'files');
  const style = isItalic && facts.hasItalic ? 'italic' : 'normal';
  const names = facts.isVariable
    ? AXES.map((axes) => `${facts.id}-${part}-${axes}-${style}.woff2`)
    : [`${facts.id}-${part}-${weight}-${style}.woff2`];
  const name = names.find((n) => existsSync(join(folder, n)));
  return name ? join(folder, name) : null;
}

export interface FaceAsk {
  /** The nearest that there is is taken. */
  readonly weight?: number;
  readonly isItalic?: boolean;
  /** Other axes, by tag. */
  readonly axes?: Readonly<Record<string, number>>;
}

const filesOf = (facts: FamilyFacts): FaceFiles => {
  const parts = partsOf(folderOf(facts.id, facts.isVariable));
  const { isVariable, hasItalic, weights } = facts;
  // Some parts that are told of have no file.
  return { isVariable, hasItalic, weights, parts: parts.filter((p) => fileOf(facts, p.name, weights[0], false) !== null) }; // prettier-ignore
};

/** The files of a family that ships, by its id; null where none does. */
export const facesFiles = (id: string): FaceFiles | null => {
  const facts = shippedFamilies().find((f) => f.id === id);
  return facts ? filesOf(facts) : null;
};

/** A part of a family that ships, opened; null where it has none of that kind. */
export async function shippedFace(
  id: string,
  part: string,
  weight: number,
  isItalic: boolean,
): Promise<Uint8Array | null> {
  const facts = shippedFamilies().find((f) => f.id === id);
  // Names of files are made of it.
  const path = facts && /^[a-z0-9-]+$/.test(part) ? fileOf(facts, part, nearestWeight(facts, weight), isItalic) : null;
  return path ? openFontFile(readFileSync(path)) : null;
}

/** A file that was brought in, or a part of a family that ships. */
export type FaceFileAsk = { readonly own: Uint8Array } | { readonly family: string; readonly part: string; readonly weight: number; readonly isItalic: boolean }; // prettier-ignore

/** It as an SFNT; null where there is none. */
export const openedFile = async (ask: FaceFileAsk): Promise<Uint8Array | null> =>
  'own' in ask ? openFontFile(ask.own) : shippedFace(ask.family, ask.part, ask.weight, ask.isItalic);

/** All faces that ship. */
export const shelf = new FaceShelf({ files: async (id) => facesFiles(id), sfnt: shippedFace });

/** A family at a weight, with as many of its parts as a text needs; the first is that of most of the text. */
export async function openFamily(
  facts: FamilyFacts,
  text: string,
  { weight = 400, isItalic = false, axes = {} }: FaceAsk = {},
): Promise<Family> {
  const face = { family: facts.id, weight, axes, ...(isItalic ? { italic: true } : {}) };
  await shelf.load(face, text);
  const own = shelf.family(face, text);
  if (!own) throw new RangeError(`${facts.name} has no file of that kind`);
  return own;
}

const hasCode = ({ ranges }: FaceFiles['parts'][number], code: number): boolean => ranges.some(([from, to]) => code >= from && code <= to); // prettier-ignore

/** Families that have a character, for saying which could set what another cannot. */
export const familiesWith = (character: string): FamilyFacts[] =>
  shippedFamilies().filter((f) =>
    partsOf(folderOf(f.id, f.isVariable)).some(
      (p) => hasCode(p, character.codePointAt(0)!) && fileOf(f, p.name, nearestWeight(f, 400), false) !== null,
    ),
  );

/** Whether all packages are there; what is missing by name. */
export const missingPackages = (): string[] =>
  CATALOGUE.flatMap(({ id, isVariable }) => {
    try {
      return readdirSync(join(folderOf(id, isVariable), 'files')).length ? [] : [id];
    } catch {
      return [id];
    }
  });
