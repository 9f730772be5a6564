/** What can be drawn that is near a word for which nothing can. */
import { nounKind, singulars, type PromptParts } from '../prompt';
import { findFigure } from './lexicon';
import { BESIDE, THING_NAMES } from './things';

const MOST = 3;

/** How many letters are put in, left out, changed or have changed places between two words, up to a limit (Damerau 1964). */
function editsBetween(a: string, b: string, limit: number): number {
  if (Math.abs(a.length - b.length) > limit) return limit + 1;
  let [before, last] = [[] as number[], Array.from({ length: b.length + 1 }, (_, j) => j)];
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      row[j] = Math.min(last[j] + 1, row[j - 1] + 1, last[j - 1] + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) row[j] = Math.min(row[j], before[j - 2] + 1); // prettier-ignore
    }
    if (Math.min(...row) > limit) return limit + 1;
    [before, last] = [last, row];
  }
  return last[b.length];
}

/**
 * Up to three things to draw in place of a word that has no drawing: what it is made up of, what is of its kind, what is spelled nearly so, what has it in its name;
 * the nearest first. Empty where nothing is near.
 */
export function nearThings(phrase: string): string[] {
  const out = new Set<string>();
  for (const word of singulars(phrase.toLowerCase())) {
    // Of "dragon boat race" the boat, and then the dragon.
    for (const part of word.split(/[ -]/).reverse()) {
      const found = part !== word && part.length > 2 ? findFigure(part) : null;
      if (found) out.add(found.drawn);
    }
    // A word that is known is not mistyped: what is beside it by what it means.
    BESIDE.get(word)?.forEach((name) => out.add(name));
    const limit = nounKind(word) !== null ? 0 : word.length > 6 ? 2 : word.length > 3 ? 1 : 0;
    if (limit)
      THING_NAMES.map((name) => ({
        name,
        edits: name[0] === word[0] || name.at(-1) === word.at(-1) ? editsBetween(word, name, limit) : limit + 1,
      })) // prettier-ignore
        .filter(({ edits }) => edits <= limit)
        .sort((p, q) => p.edits - q.edits)
        .forEach(({ name }) => out.add(name));
    if (word.length > 3) THING_NAMES.filter((name) => name.split(' ').includes(word) || (word.length > 4 && name.startsWith(word))).forEach((name) => out.add(name)); // prettier-ignore
  }
  return [...out].slice(0, MOST);
}

/** For each word of a prompt that nothing is drawn for, what is near; words without anything near are left out. */
export function nearIn(parts: PromptParts): Record<string, readonly string[]> {
  const words = [...parts.figures.filter((f) => f.via === 'none').map((f) => f.word), ...parts.notUnderstood];
  return Object.fromEntries(words.map((word) => [word, nearThings(word)] as const).filter(([, near]) => near.length));
}
