/** The figures of a prompt: what its sentences name. */
import type { PlacedColour } from './parts';
import { type Reading, type Token } from './reading';
import { type Draft } from './cast';
import { BODY_PARTS } from './manner';
import { Sentence } from './sentence';
import { type FoundFigure, type Kind, type Lexicon, type PromptFigure, type SaidColour } from './words';

/** What the words that nobody took are about. */
export interface Figures {
  readonly figures: readonly PromptFigure[];
  readonly role: string | null;
  readonly manner: readonly string[];
  readonly settings: readonly string[];
  readonly notUnderstood: readonly string[];
}

/** What somebody does, with where to: who looks over the shoulder looks back. */
const poseTold = (pose: string | null, modifiers: readonly string[]): string | null =>
  pose && /^(?:look|glanc|gaz|turn|star)/.test(pose) && modifiers.some((m) => /^(?:back|backwards?|behind|over (?:the |its |his |her )?shoulder)$/.test(m)) ? `${pose} back` : pose; // prettier-ignore

const figureOf = ({ word, drawn, via, relation, turned, to, place, said, count, modifiers, pose, expression }: Draft): PromptFigure => ({ word, drawn, via, relation, turned, to, place, said, count, modifiers, pose: poseTold(pose, modifiers), expression, colours: [] }); // prettier-ignore

/** A figure by itself. */
export const bareFigure = (found: FoundFigure): PromptFigure => ({ ...found, relation: null, turned: false, to: null, place: null, said: null, count: 1, modifiers: [], pose: null, expression: null, colours: [] }); // prettier-ignore

/** Reads figures, how they stand to one another, and what else is said. What is to be left out is none of them. */
export function readFigures(
  reading: Reading,
  tokens: ReturnType<Reading['tokens']>,
  out: readonly string[],
  lexicon: Lexicon,
  kind: Kind | null,
): Figures {
  const sentence = new Sentence(tokens, lexicon, kind);
  const all = (sentence.cast.figures.length ? sentence.cast.figures : sentence.fromTrade.slice(0, 1)).map(figureOf);
  const notUnderstood = [...sentence.notUnderstood];
  const excluded = (f: FoundFigure): boolean =>
    out.some((o) => o === f.word || o === f.drawn || (f.via !== 'none' && lexicon.findFigure(o)?.drawn === f.drawn));
  for (const f of all)
    if (excluded(f)) reading.settled.push({ part: 'figure', kept: `leave out ${f.word}`, dropped: f.word });
  const figures = withoutSome(all, excluded);
  const kept = all.filter((f) => !excluded(f));
  for (const token of tokens) if (token.figure !== null) token.figure = sentence.cast.figures.length ? placeOf(kept, all[token.figure]) : null; // prettier-ignore
  // With nothing else to go by, what cannot be seen, or is not known, is what there is.
  if (!figures.length && !all.length && !reading.lettering.length) {
    // "Sunrise", and nothing else, is the thing.
    const shown = sentence.settings.map((s) => lexicon.findFigure(s)).find((f) => f !== null);
    if (shown) figures.push(bareFigure(shown));
    const word = shown ? undefined : (sentence.abstract[0] ?? notUnderstood[0]);
    if (word) figures.push(bareFigure({ word, drawn: 'abstract', via: 'none' }));
  }
  if (!figures.length && kind === 'abstract') figures.push(bareFigure({ word: 'abstract', drawn: 'abstract', via: 'name' })); // prettier-ignore
  return { figures, role: sentence.role, manner: sentence.manner, settings: sentence.settings, notUnderstood };
}

/** Figures with the colours that are said of each: those before its name, or before the name of one of its parts. */
export function withColours(figures: readonly PromptFigure[], tokens: readonly Token[], placed: readonly PlacedColour[]): PromptFigure[] {
  const said = figures.map((): SaidColour[] => []);
  for (const { at, word, hex } of placed) {
    const from = tokens.findIndex((t) => t.at === at);
    let of: string | null = null;
    let figure: number | null = null;
    for (let k = from + 1; k < tokens.length; k++) {
      const { part, text } = tokens[k];
      // "A red and white stack of books".
      const isBetween = part === 'colour' || part === 'count' || (text === 'of' && tokens[k - 1].part === 'count') || (/^(?:and|,)$/.test(text) && (part === 'filler' || tokens[k + 1]?.part === 'colour'));
      if (isBetween && of === null && figure === null) continue;
      if (part !== 'figure' && part !== 'modifier' && part !== 'pose' && part !== 'expression') break;
      figure = tokens[k].figure;
      of = part === 'modifier' && (BODY_PARTS.test(text) || text === 'shell') ? text : null;
      if (part === 'figure') break;
    }
    // "In a scarf, with green eyes": those are whose they are said to be, and else that one's which was named before.
    if (of !== null && figure === null) {
      const whose = figures.findIndex((f) => f.modifiers.some((m) => m.split(' ').at(-1) === of));
      figure = whose >= 0 ? whose : (tokens.slice(0, from).findLast((t) => t.figure !== null)?.figure ?? null);
    }
    if (figure !== null && figures[figure]) said[figure].push({ word, hex, of });
  }
  return figures.map((f, i) => (said[i].length ? { ...f, colours: said[i] } : f));
} // prettier-ignore

const placeOf = (kept: readonly PromptFigure[], figure: PromptFigure): number | null => {
  const at = kept.indexOf(figure);
  return at < 0 ? null : at;
};

/** Figures without some of them; what stood to one that is gone stands to none. */
export function withoutSome(all: readonly PromptFigure[], isGone: (f: PromptFigure) => boolean): PromptFigure[] {
  const kept = all.filter((f) => !isGone(f));
  return kept.map((f) => {
    const to = f.to === null ? -1 : kept.indexOf(all[f.to]);
    if (f.to === null) return f;
    return to < 0 ? { ...f, relation: null, turned: false, to: null, place: null, said: null } : { ...f, to };
  });
}
