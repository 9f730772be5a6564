/** Prompts whose reading was written down beforehand (files in `bench/reading/`), and how much of it is read so. */
import { readFileSync } from 'node:fs';
import { understand } from '../core/engine';

export interface Written {
  readonly prompt: string;
  readonly figures: readonly { readonly word: string; readonly count: number }[];
  readonly relations: readonly { readonly from: number; readonly to: number }[];
  readonly kind: string;
  readonly leaveOut: readonly string[];
  readonly lettering: readonly string[];
}

const listed = (text: string, between: RegExp): string[] => text.split(between).map((t) => t.trim()).filter(Boolean); // prettier-ignore

function writtenIn(line: string): Written {
  const [prompt, figures, relations, kind, leaveOut, lettering] = line.split('|').map((f) => f.trim());
  return {
    prompt,
    figures: listed(figures, /;/).map((f) => {
      const [, count, word] = /^(?:(\d+) )?(.*)$/.exec(f)!;
      return { word, count: Number(count ?? 1) };
    }),
    relations: listed(relations, /,/).map((r) => {
      const [from, , to] = r.split(' ');
      return { from: Number(from), to: Number(to) };
    }),
    kind,
    leaveOut: listed(leaveOut, /,/),
    lettering: listed(lettering, /,/),
  };
}

/** Words without what tells one from several. */
const ONE: Readonly<Record<string, string>> = { leaves: 'leaf', feet: 'foot', loaves: 'loaf', teeth: 'tooth' };
const bare = (word: string): string => word.toLowerCase().replace(/'s\b/g, '').replace(/[^a-z0-9 ]/g, '').replace(/\w+$/, (w) => ONE[w] ?? w.replace(/ies$/, 'y').replace(/(?<=sh|ch|x)es$|(?<!s)s$/, '')); // prettier-ignore
/** The kind that a prompt of ours names, as the reader calls it. */
const KINDS: Readonly<Record<string, string>> = { 'app icon': 'app icon', mascot: 'mascot', wordmark: 'wordmark', emblem: 'emblem', badge: 'emblem', monogram: 'lettermark', icons: 'icon sheet' }; // prettier-ignore

export type Part = 'figures' | 'relations' | 'counts' | 'leaveOut' | 'lettering' | 'kind';
type Shares = Record<Part, number>;

/** What was read right of what was asked for, in numbers of prompts, with a line for each that is wrong. */
export interface Score {
  readonly right: Readonly<Shares>;
  readonly asked: Readonly<Shares>;
  readonly notUnderstood: number;
  readonly words: number;
  readonly wrong: readonly string[];
}

/** The prompts of a file in `bench/reading/`. */
export const writtenFile = (file: string): Written[] =>
  readFileSync(new URL(`./reading/${file}`, import.meta.url), 'utf8')
    .split('\n')
    .filter((l) => l.trim() && !l.startsWith('#'))
    .map(writtenIn);

/** Reads prompts, and counts how many are read as they were written down. */
export function scoreOf(all: readonly Written[]): Score {
  const right: Shares = { figures: 0, relations: 0, counts: 0, leaveOut: 0, lettering: 0, kind: 0 };
  const wrong: string[] = [];
  const asked: Shares = { figures: all.length, relations: 0, counts: 0, leaveOut: 0, lettering: 0, kind: 0 };
  let [notUnderstood, words] = [0, 0];
  for (const want of all) {
    const read = understand(want.prompt).parts;
    // What was mistyped is right where what was meant is drawn.
    const found = read.figures.map((f) => bare(want.prompt.includes(f.word) && !want.figures.some((w) => bare(w.word) === bare(f.word)) && want.figures.some((w) => w.word === f.drawn) ? f.drawn : f.word)); // prettier-ignore
    const isSame = (a: string, b: string): boolean => a === b || a.endsWith(` ${b}`) || b.endsWith(` ${a}`);
    // Letters and numbers are lettering.
    const isLetters = (word: string): boolean => /^(?:letter|number) \w$/.test(word) && read.lettering.join('').includes(word.slice(-1)); // prettier-ignore
    const at = want.figures.map((f) => found.findIndex((w) => isSame(w, bare(f.word))));
    const drawn = want.figures.filter((f, k) => at[k] >= 0 || !isLetters(f.word));
    const hasAll = want.figures.every((f, k) => at[k] >= 0 || isLetters(f.word)) && found.length === drawn.length;
    if (hasAll) right.figures++;
    else wrong.push(`${want.prompt}: ${read.figures.map((f) => f.word).join('; ')} (${read.notUnderstood.join(', ')})`); // prettier-ignore
    if (want.relations.length) {
      asked.relations++;
      const pairs = read.figures.flatMap((f, k) => (f.relation && f.to !== null ? [[f.to, k].sort((a, b) => a - b).join(' ')] : [])); // prettier-ignore
      // What stands to a letter has no figure to stand to.
      const isPair = ({ from, to }: { from: number; to: number }): boolean => at[from] < 0 || at[to] < 0 || pairs.includes([at[from], at[to]].sort((a, b) => a - b).join(' ')); // prettier-ignore
      if (hasAll && want.relations.every(isPair)) right.relations++;
      else if (hasAll) wrong.push(`${want.prompt}: ${read.figures.map((f) => `${f.word} ${f.relation ?? ''} ${f.to ?? ''}`).join('; ')}`); // prettier-ignore
    }
    if (want.figures.some((f) => f.count > 1)) {
      asked.counts++;
      if (want.figures.every((f, k) => at[k] >= 0 && read.figures[at[k]].count === f.count)) right.counts++;
      else wrong.push(`${want.prompt}: counts ${read.figures.map((f) => f.count).join(', ')}`); // prettier-ignore
    }
    for (const part of ['leaveOut', 'lettering'] as const)
      if (want[part].length) {
        asked[part]++;
        const got = read[part].map(bare);
        if (
          want[part].every((w) =>
            got.some(
              (g) => isSame(g, bare(w)) || g.startsWith(`${bare(w)} `) || (w.length === 1 && g.includes(bare(w))),
            ),
          )
        )
          right[part]++; // prettier-ignore
        else wrong.push(`${want.prompt}: ${part} ${got.join(', ')}`);
      }
    if (KINDS[want.kind]) {
      asked.kind++;
      if (read.kind === KINDS[want.kind]) right.kind++;
    }
    notUnderstood += read.notUnderstood.length;
    words += want.prompt.split(/\s+/).length;
  }
  return { right, asked, notUnderstood, words, wrong };
}
