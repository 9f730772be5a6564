/** The faces that ship, out of their packages. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { CATALOGUE, Face, Family, lettersOf, openFontFile, type FamilyFacts } from '../core/lettering';

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

/** Which of a package's parts have a character. */
function partsOf(folder: string): { name: string; has: (code: number) => boolean }[] {
  const path = join(folder, 'unicode.json');
  if (!existsSync(path)) return [{ name: 'latin', has: () => true }];
  return Object.entries(json<Record<string, string>>(path)).map(([subset, ranges]) => {
    const own = ranges.split(',').map((r) => {
      const [from, to = from] = r.trim().replace(/^U\+/i, '').split('-');
      return [parseInt(from, 16), parseInt(to, 16)] as const;
    });
    return {
      name: subset.replace(/^\[(\d+)\]$/, '$1'),
      has: (code) => own.some(([from, to]) => code >= from && code <= to),
    };
  });
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

const opened = new Map<string, Promise<Uint8Array>>();
function sfntOf(path: string): Promise<Uint8Array> {
  let own = opened.get(path);
  if (!own) opened.set(path, (own = openFontFile(readFileSync(path))));
  return own;
}
const faces = new Map<string, Face>();

/** The nearest weight that a family has to one that is asked for. */
export const nearestWeight = ({ weights }: Pick<FamilyFacts, 'weights'>, weight: number): number =>
  weights.reduce((best, w) => (Math.abs(w - weight) < Math.abs(best - weight) ? w : best), weights[0]);

/** A family at a weight, with as many of its parts as a text needs; the first is that of most of the text. */
export async function openFamily(
  facts: FamilyFacts,
  text: string,
  { weight = 400, isItalic = false, axes = {} }: FaceAsk = {},
): Promise<Family> {
  const own = nearestWeight(facts, weight);
  const parts = partsOf(folderOf(facts.id, facts.isVariable));
  const rest = new Set([...text].map((c) => c.codePointAt(0)!).filter((c) => c > 32));
  const wanted: string[] = [];
  // The part with most of what is not had yet, each time.
  while (rest.size) {
    const best = parts.map((p) => ({ p, n: [...rest].filter(p.has).length })).reduce((a, b) => (b.n > a.n ? b : a)); // prettier-ignore
    if (!best.n) break;
    wanted.push(best.p.name);
    for (const code of [...rest]) if (best.p.has(code)) rest.delete(code);
  }
  if (!wanted.includes('latin')) wanted.push('latin');
  const made: Face[] = [];
  for (const part of wanted) {
    const path = fileOf(facts, part, own, isItalic);
    if (!path) continue;
    const at = { ...axes, ...(facts.isVariable ? { wght: own } : {}) };
    const key = `${path} ${JSON.stringify(at)}`;
    let face = faces.get(key);
    if (!face) faces.set(key, (face = new Face(await sfntOf(path), at)));
    made.push(face);
  }
  if (!made.length) throw new RangeError(`${facts.name} has no file of that kind`);
  return new Family(made);
}

/** Families that have a character, for saying which could set what another cannot. */
export const familiesWith = (character: string): FamilyFacts[] =>
  shippedFamilies().filter((f) =>
    partsOf(folderOf(f.id, f.isVariable)).some(
      (p) => p.has(character.codePointAt(0)!) && fileOf(f, p.name, nearestWeight(f, 400), false) !== null,
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
