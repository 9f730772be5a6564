/** The wording of a commission's prompts: what each gave, which words led to what was kept, what it cost; and patterns, prompts with a gap for their figure. */
import { withArticle } from './article';

export { withArticle } from './article';
export { sharpen, type Blunt, type Sharpened } from './sharpen';

/** What one round made of a prompt. */
export interface Told {
  readonly id: string;
  readonly number: number;
  readonly prompt: string;
  /** The words of its first figure; null where it has none. */
  readonly figure: string | null;
  readonly credits: number;
  readonly kept: number;
  readonly aside: number;
  readonly undecided: number;
  /** The rounds whose candidates it grew from, drew again or crossed; none where it began from words. */
  readonly from: readonly string[];
  /** ISO 8601. */
  readonly createdAt: string;
}

/** A candidate that was kept or that a work was made from, and the round that made it. */
export interface ThreadEnd {
  readonly candidateId: string;
  readonly pictureId: string;
  readonly roundId: string;
}

/** What the line of descent of one concept cost. */
export interface ThreadCost {
  readonly candidateId: string;
  readonly pictureId: string;
  /** Numbers of the rounds that it came through, the first first. */
  readonly rounds: readonly number[];
  readonly credits: number;
}

/** A word, and how many candidates that were kept, or set aside, came from prompts with it. */
export interface WordTold {
  readonly word: string;
  readonly kept: number;
  readonly aside: number;
}

const PLAIN = new Set(
  'a an and as at by for from in into is it its no not of on or the to with without ground background named saying'.split(
    ' ',
  ),
);
const wordsIn = (prompt: string): string[] => [...new Set(prompt.toLowerCase().match(/\p{L}[\p{L}'-]{2,}/gu) ?? [])].filter((w) => !PLAIN.has(w)); // prettier-ignore

/** Prompts with what was kept first, then those that nothing was set aside of; the newest before older ones. Those that have all of some words, where any are given. */
export function wordingOf(rounds: readonly Told[], search = ''): Told[] {
  const wanted = search.toLowerCase().split(/\s+/).filter(Boolean);
  return rounds
    .filter((r) => wanted.every((w) => r.prompt.toLowerCase().includes(w)))
    .sort((p, q) => q.kept - p.kept || Math.sign(p.aside) - Math.sign(q.aside) || q.number - p.number);
}

/** The words that tell what was kept from what was set aside, the ones that tell most first; words that do neither are left out. */
export function wordsThatLed(rounds: readonly Told[]): { kept: WordTold[]; aside: WordTold[] } {
  const by = new Map<string, { kept: number; aside: number }>();
  for (const round of rounds)
    for (const word of wordsIn(round.prompt)) {
      const told = by.get(word) ?? { kept: 0, aside: 0 };
      by.set(word, { kept: told.kept + round.kept, aside: told.aside + round.aside });
    }
  // By the share of what was decided, drawn towards a half where little was (add-one smoothing).
  const share = ({ kept, aside }: { kept: number; aside: number }): number => (kept + 1) / (kept + aside + 2);
  const all = [...by].map(([word, told]) => ({ word, ...told })).filter((w) => w.kept + w.aside > 0);
  const middle = share(rounds.reduce((s, r) => ({ kept: s.kept + r.kept, aside: s.aside + r.aside }), { kept: 0, aside: 0 })); // prettier-ignore
  return {
    kept: all.filter((w) => w.kept > 0 && share(w) >= middle).sort((p, q) => share(q) - share(p) || p.word.localeCompare(q.word)), // prettier-ignore
    aside: all.filter((w) => w.aside > 0 && share(w) < middle).sort((p, q) => share(p) - share(q) || p.word.localeCompare(q.word)), // prettier-ignore
  };
}

/** What a commission cost, and what it would have where one could have stopped. */
export interface Economy {
  readonly credits: number;
  /** Hours between the first round and the last act. */
  readonly hours: number;
  /** Days on which something was asked for. */
  readonly days: number;
  /** The first round that something was kept of, and the credits up to it; the last such round, and the credits up to it. */
  readonly first: { readonly number: number; readonly credits: number } | null;
  readonly last: { readonly number: number; readonly credits: number } | null;
  /** Credits of rounds that nothing was kept of. */
  readonly forNothing: number;
}

const HOUR_MS = 3_600_000;

/** Cost and time of rounds in any order, the last act at a moment (ISO 8601), where it was later than the last round. */
export function economyOf(rounds: readonly Told[], lastActAt: string | null = null): Economy {
  const inOrder = [...rounds].sort((p, q) => p.number - q.number);
  const upTo = (number: number): number => inOrder.reduce((sum, r) => sum + (r.number <= number ? r.credits : 0), 0);
  const at = (r: Told | undefined): Economy['first'] => (r ? { number: r.number, credits: upTo(r.number) } : null);
  const times = [...inOrder.map((r) => Date.parse(r.createdAt)), ...(lastActAt ? [Date.parse(lastActAt)] : [])];
  return {
    credits: inOrder.reduce((sum, r) => sum + r.credits, 0),
    hours: times.length > 1 ? (Math.max(...times) - Math.min(...times)) / HOUR_MS : 0,
    days: new Set(inOrder.map((r) => r.createdAt.slice(0, 10))).size,
    first: at(inOrder.find((r) => r.kept > 0)),
    last: at(inOrder.findLast((r) => r.kept > 0)),
    forNothing: inOrder.reduce((sum, r) => sum + (r.kept ? 0 : r.credits), 0),
  };
}

/**
 * What each thread cost: of every candidate at its end the rounds that it came through, whole as they were charged. One that another came from is a part of that one's thread.
 * The dearest first; beside them the credits of rounds that no thread came through.
 */
export function threadsOf(
  rounds: readonly Told[],
  ends: readonly ThreadEnd[],
): { threads: ThreadCost[]; besides: number } {
  const byId = new Map(rounds.map((r) => [r.id, r]));
  const line = (id: string, seen: Set<string>): Set<string> => {
    const round = byId.get(id);
    if (!round || seen.has(id)) return seen;
    seen.add(id);
    for (const from of round.from) line(from, seen);
    return seen;
  };
  const lines = ends.map((end) => ({ end, ids: line(end.roundId, new Set()) }));
  const passed = new Set(lines.flatMap(({ end, ids }) => [...ids].filter((id) => id !== end.roundId)));
  const of = (ids: Iterable<string>): Told[] => [...ids].map((id) => byId.get(id)!).sort((p, q) => p.number - q.number);
  const threads = lines
    .filter(({ end, ids }) => ids.size > 0 && !passed.has(end.roundId))
    .map(({ end: { candidateId, pictureId }, ids }) => ({
      candidateId,
      pictureId,
      rounds: of(ids).map((r) => r.number),
      credits: of(ids).reduce((sum, r) => sum + r.credits, 0),
    })) // prettier-ignore
    .sort((p, q) => q.credits - p.credits || p.rounds[0] - q.rounds[0]);
  const all = new Set(lines.flatMap(({ ids }) => [...ids]));
  return { threads, besides: rounds.reduce((sum, r) => sum + (all.has(r.id) ? 0 : r.credits), 0) };
}

/** The gap of a pattern: a line to write on. */
export const GAP = '___';
const ANY_GAP = /_{2,}/;

/** A prompt with a gap in place of some words of it; null where it does not have them. */
export function patternFrom(prompt: string, words: string): string | null {
  const at = prompt.toLowerCase().indexOf(words.trim().toLowerCase());
  if (at < 0 || !words.trim()) return null;
  return `${prompt.slice(0, at)}${GAP}${prompt.slice(at + words.trim().length)}`;
}

export const hasGap = (pattern: string): boolean => ANY_GAP.test(pattern);

/** Things between commas, each once. */
export const thingsIn = (text: string): string[] => [...new Set(text.split(/[,;\n]/).map((s) => s.trim()).filter(Boolean))]; // prettier-ignore

/** A pattern filled with each of some things. Articles before the gap follow the thing: "a ___" with "owl" is "an owl", with "leaves" only them. */
export const filled = (pattern: string, things: readonly string[]): string[] =>
  things.map((thing) => pattern.replace(/\b(an?)\s+_{2,}|_{2,}/gi, (_all, article?: string) => (article ? asWritten(article, withArticle(thing)) : thing))); // prettier-ignore

/** With a capital where the article had one. */
const asWritten = (article: string, phrase: string): string =>
  article.startsWith('A') ? phrase.charAt(0).toUpperCase() + phrase.slice(1) : phrase;
