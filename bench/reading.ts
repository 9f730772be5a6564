/**
 * How much of prompts is read as it was written down beforehand (files in `bench/reading/`; the head of each says whether it was worked from): shares of prompts in which all figures, all pairs that stand in a relation, all
 * counts, what is left out, the lettering and the kind are right. `npx tsx bench/reading.ts [FILE.txt] [--wrong]` lists those that are not.
 */
import { readFileSync } from 'node:fs';
import { understand } from '../core/engine';

interface Written {
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

const file = process.argv.find((a) => a.endsWith('.txt')) ?? 'prompts.txt';
const lines = readFileSync(new URL(`./reading/${file}`, import.meta.url), 'utf8').split('\n');
const all = lines.filter((l) => l.trim() && !l.startsWith('#')).map(writtenIn);
const right = { figures: 0, relations: 0, counts: 0, leaveOut: 0, lettering: 0, kind: 0 };
const asked = { figures: all.length, relations: 0, counts: 0, leaveOut: 0, lettering: 0, kind: 0 };
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
  else if (process.argv.includes('--wrong')) console.log(`${want.prompt}: ${read.figures.map((f) => f.word).join('; ')} (${read.notUnderstood.join(', ')})`); // prettier-ignore
  if (want.relations.length) {
    asked.relations++;
    const pairs = read.figures.flatMap((f, k) => (f.relation && f.to !== null ? [[f.to, k].sort((a, b) => a - b).join(' ')] : [])); // prettier-ignore
    // What stands to a letter has no figure to stand to.
    const isPair = ({ from, to }: { from: number; to: number }): boolean => at[from] < 0 || at[to] < 0 || pairs.includes([at[from], at[to]].sort((a, b) => a - b).join(' ')); // prettier-ignore
    if (hasAll && want.relations.every(isPair)) right.relations++;
    else if (process.argv.includes('--wrong') && hasAll) console.log(`${want.prompt}: ${read.figures.map((f) => `${f.word} ${f.relation ?? ''} ${f.to ?? ''}`).join('; ')}`); // prettier-ignore
  }
  if (want.figures.some((f) => f.count > 1)) {
    asked.counts++;
    if (want.figures.every((f, k) => at[k] >= 0 && read.figures[at[k]].count === f.count)) right.counts++;
    else if (process.argv.includes('--wrong')) console.log(`${want.prompt}: counts ${read.figures.map((f) => f.count).join(', ')}`); // prettier-ignore
  }
  for (const part of ['leaveOut', 'lettering'] as const)
    if (want[part].length) {
      asked[part]++;
      const got = read[part].map(bare);
      if (
        want[part].every((w) =>
          got.some((g) => isSame(g, bare(w)) || g.startsWith(`${bare(w)} `) || (w.length === 1 && g.includes(bare(w)))),
        )
      )
        right[part]++; // prettier-ignore
      else if (process.argv.includes('--wrong')) console.log(`${want.prompt}: ${part} ${got.join(', ')}`);
    }
  if (KINDS[want.kind]) {
    asked.kind++;
    if (read.kind === KINDS[want.kind]) right.kind++;
  }
  notUnderstood += read.notUnderstood.length;
  words += want.prompt.split(/\s+/).length;
}
for (const part of Object.keys(right) as (keyof typeof right)[])
  console.log(`${part.padEnd(10)} ${((100 * right[part]) / asked[part]).toFixed(1)}% of ${asked[part]}`);
console.log(`not understood: ${((100 * notUnderstood) / words).toFixed(1)}% of the words`);
