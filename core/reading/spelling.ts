/** What was read, held against what was asked for. */
import { distance as editsBetween } from 'fastest-levenshtein';

/** Letters and figures alone, without accents, as they are written; recognition knows no accents, and points come and go. */
export const lettersOf = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/ß/g, 'ss')
    .replace(/æ/gi, 'ae')
    .replace(/œ/gi, 'oe')
    .replace(/ø/g, 'o')
    .replace(/Ø/g, 'O')
    .replace(/[^\p{L}\p{N}]/gu, '');

/** What some letters cannot be told from, in faces that draw them alike. */
const ALIKE: Readonly<Record<string, string>> = { l: 'I1', I: 'l1', O: '0', o: '0', 0: 'Oo', 1: 'lI' };

/** What looks like other letters when read out of a picture, though nobody would take one for the other there: strokes alone. */
const READ_AS: Readonly<Record<string, string>> = { '|': 'I', '!': 'I', '£': 'E', '€': 'E', $: 'S', '@': 'a' };

/** Written in capitals throughout, but for what may be anything. */
const isCapital = (letters: readonly string[]): boolean => {
  const sure = letters.filter((c) => !/[Il1|0Oo]/.test(c));
  return sure.length > 0 && sure.every((c) => c === c.toUpperCase());
};

const isSame = (asked: string, read: string): boolean =>
  asked.toLowerCase() === read.toLowerCase() || (ALIKE[asked]?.includes(read) ?? false);

/** Whether what was read is what was asked, whatever the case, points and spaces. */
export function readsAs(asked: string, read: string): boolean {
  const want = [...lettersOf(asked)];
  const matches = (got: readonly string[]): boolean => {
    // A small l is a stroke, and a capital one is none.
    const meant = isCapital(got) ? want.map((c) => c.toUpperCase()) : want;
    return got.length === meant.length && got.every((c, k) => isSame(meant[k], c));
  };
  const strokes = read.replace(/[|!£€$@]/g, (c) => READ_AS[c]);
  return want.length > 0 && (matches([...lettersOf(read)]) || matches([...lettersOf(strokes)]));
}

/** How alike two lines are, 0..1. */
export function likeness(a: string, b: string): number {
  const [p, q] = [lettersOf(a).toLowerCase(), lettersOf(b).toLowerCase()];
  return p && q ? 1 - editsBetween(p, q) / Math.max(p.length, q.length) : 0;
}

/** The words of what was asked, and the longest run of them that a line says, or the one that it is most like. */
export interface AskedRun {
  /** Numbers of its first word and of the one after its last. */
  readonly from: number;
  readonly to: number;
  readonly likeness: number;
  readonly isSame: boolean;
}

export const wordsOf = (text: string): string[] => text.split(/\s+/).filter((word) => lettersOf(word) !== '');

/** What of the words that were asked a line stands for; the first letters of all of them stand for all. */
export function runOf(words: readonly string[], line: string): AskedRun | null {
  let best: AskedRun | null = null;
  for (let from = 0; from < words.length; from++)
    for (let to = from + 1; to <= words.length; to++) {
      const run = words.slice(from, to).join('');
      const one = { from, to, likeness: likeness(run, line), isSame: readsAs(run, line) };
      if (!best || Number(one.isSame) > Number(best.isSame) || (one.isSame === best.isSame && one.likeness > best.likeness)) best = one; // prettier-ignore
    }
  const initials = words.map((word) => lettersOf(word)[0]).join('');
  if (words.length > 1 && readsAs(initials, line)) return { from: 0, to: words.length, likeness: 1, isSame: true };
  return best;
}
