/** Names of files that are fit for every system. */
import anyAscii from 'any-ascii';

/** Letters and digits that files may have everywhere, with hyphens between; other scripts and signs are spelled in them. */
export const plainWords = (name: string): string =>
  anyAscii(name.normalize('NFKC'))
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');

const STEM_MOST = 60;
/** What tells one artwork from another gets so much of that, whatever the commission is called. */
const CONCEPT_MOST = 40;

export const cut = (words: string, most: number): string => words.slice(0, most).replace(/-+$/, '');

/** A name fit for files everywhere: ASCII letters, digits and hyphens, at most 60; never empty. */
export function fileStem(name: string): string {
  const stem = cut(plainWords(name), STEM_MOST);
  // Names that some systems keep for devices.
  return /^(con|prn|aux|nul|com\d|lpt\d)?$/.test(stem) ? `mark-${stem}`.replace(/-$/, '') : stem;
}

/**
 * What names of files begin with for each of a commission's artworks, in the order of their names: the commission's name and the concept's, which a client's
 * folder with several packages tells apart by. Those that would be the same are numbered, so that what comes later does not change what came before.
 */
export function fileStems(commission: string, artworks: readonly string[]): string[] {
  const before = plainWords(commission);
  const taken = new Set<string>();
  return artworks.map((name) => {
    const words = plainWords(name);
    const concept = before && (words + '-').startsWith(before + '-') ? words.slice(before.length + 1) : words;
    const own = cut(concept, CONCEPT_MOST);
    const base = fileStem([cut(before, STEM_MOST - own.length - 1), own].filter(Boolean).join('-'));
    let stem = base;
    for (let n = 2; taken.has(stem); n++) stem = `${cut(base, STEM_MOST - 4)}-${n}`;
    taken.add(stem);
    return stem;
  });
}
