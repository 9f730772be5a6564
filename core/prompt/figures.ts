/** The figures of a prompt: what is left when all other parts are taken out of it. */
import { type Reading } from './reading';
import {
  ALSO_THINGS,
  countOf,
  type FoundFigure,
  type Kind,
  type Lexicon,
  type NamedColour,
  NUMBERS,
  PLAIN,
  type PromptFigure,
  type Relation,
  RELATIONS,
} from './words';

const NOUN_AFTER_ARTICLE = /^(?:hands?|face|head)$/;
const ARTICLE = /^(?:an?|the|two|one|open|pointing|crossed|cupped|shaking)$/;

/** What the words that nobody took are about. */
export interface Figures {
  readonly figures: PromptFigure[];
  /** Named after "for": a trade, which gives the figure only when nothing else does. */
  readonly fromTrade: PromptFigure[];
  readonly notUnderstood: string[];
  readonly role: string | null;
}

/** Figures, how they stand to one another, and words that mean nothing to the lexicon. */
export function readFigures(reading: Reading, lexicon: Lexicon, kind: Kind | null): Figures {
  const figures: PromptFigure[] = [];
  const fromTrade: PromptFigure[] = [];
  const notUnderstood: string[] = [];
  let role: string | null = null;
  let relation: Relation | null = null;
  let count = 1;
  // After "for" a trade is named: it gives the figure only when nothing else does.
  let trade = false;
  let adjoining: PromptFigure | null = null;
  const words = reading.rest.match(/\d+|[a-z']+(?:-[a-z']+)*|[|,;.:]/g) ?? [];
  for (let i = 0; i < words.length; i++) {
    const word = words[i];
    if (!/[a-z0-9]/.test(word)) {
      trade = trade && word === '|';
      adjoining = null;
      count = 1;
      continue;
    }
    if (word === 'for') {
      trade = true;
      continue;
    }
    if (word in NUMBERS || /^\d+$/.test(word)) {
      count = Math.max(1, Math.min(12, countOf(word)));
      continue;
    }
    if (kind === 'mascot' && lexicon.isRole(word)) {
      role ??= word;
      continue;
    }
    // What something is doing is none of the things: "landing on a finger".
    if (adjoining && word.endsWith('ing') && !(word in RELATIONS)) {
      adjoining = null;
      continue;
    }
    // After an article it is a hand that is drawn; else it says how something is made.
    const isNoun = NOUN_AFTER_ARTICLE.test(word) && i > 0 && ARTICLE.test(words[i - 1]);
    if (word in RELATIONS) {
      // "With a moon on it": the later word says more than "with" and "and" do.
      if (relation === null || relation === 'with' || RELATIONS[word] !== 'with') relation = RELATIONS[word];
      if (word !== 'and') trade = false;
      adjoining = null;
      continue;
    }
    let found: FoundFigure | null = null;
    for (let n = Math.min(3, words.length - i); n >= 1 && !found; n--) {
      if (n === 1 && PLAIN.has(word) && !isNoun) break;
      if (
        n > 1 &&
        ((PLAIN.has(word) && !isNoun) || words.slice(i, i + n).some((w) => !/[a-z]/.test(w) || w in RELATIONS))
      )
        continue;
      found = lexicon.findFigure(words.slice(i, i + n).join(' '));
      if (found) i += n - 1;
    }
    if (!found) {
      // An article, or a word that says what one does, begins another figure.
      adjoining = null;
      if (word.length > 2 && !PLAIN.has(word)) notUnderstood.push(word);
      continue;
    }
    const list = trade ? fromTrade : figures;
    const figure: PromptFigure = { ...found, relation: list.length ? (relation ?? 'with') : relation, count };
    // A trade behind a creature says what it does: "a penguin waiter".
    if (adjoining && list[list.length - 1] === adjoining && lexicon.isRole(word)) continue;
    // Of two names side by side the second is what is meant, and the first only describes it.
    if (adjoining && list[list.length - 1] === adjoining)
      list[list.length - 1] = { ...figure, relation: adjoining.relation, count: adjoining.count };
    else if (!list.some((f) => f.drawn === found.drawn)) list.push(figure);
    adjoining = list[list.length - 1];
    relation = null;
    count = 1;
  }
  return { figures, fromTrade, notUnderstood, role };
}

/** Adds figures that are named by a word for a colour; such a colour is then none. */
export function addColourFigures(
  { figures, fromTrade }: Figures,
  listed: readonly string[],
  colours: NamedColour[],
  lexicon: Lexicon,
  lettering: readonly string[],
): void {
  for (const word of listed) {
    const found = lexicon.findFigure(word);
    if (found && !figures.some((f) => f.drawn === found.drawn)) figures.push({ ...found, relation: 'with', count: 1 });
  }
  // "A salmon": a word for a colour that is the only thing there is means the thing.
  if (!figures.length && !fromTrade.length && !lettering.length)
    for (let i = 0; i < colours.length; i++) {
      const found = lexicon.findFigure(colours[i].word);
      if (!found || !ALSO_THINGS.has(colours[i].word)) continue;
      figures.push({ ...found, relation: null, count: 1 });
      colours.splice(i, 1);
      break;
    }
}

/** The figures that stay: not those that are to be left out; and one in any case, where there is anything to go by. */
export function settledFigures(
  reading: Reading,
  { figures, fromTrade, notUnderstood }: Figures,
  out: readonly string[],
  lexicon: Lexicon,
  kind: Kind | null,
): PromptFigure[] {
  const excluded = (f: FoundFigure) =>
    out.some((o) => o === f.word || o === f.drawn || lexicon.findFigure(o)?.drawn === f.drawn);
  const all = figures.length ? figures : fromTrade;
  const kept = all.filter((f) => !excluded(f));
  for (const f of all)
    if (excluded(f)) reading.settled.push({ part: 'figure', kept: `leave out ${f.word}`, dropped: f.word });
  // A word in front of a known figure ("a red noctule bat") describes it; alone, it is the figure one has no drawing for.
  if (!kept.length && notUnderstood.length && !all.length && !reading.lettering.length)
    kept.push({ word: notUnderstood.shift()!, drawn: 'abstract', via: 'none', relation: null, count: 1 });
  else if (!kept.length && kind === 'abstract')
    kept.push({ word: 'abstract', drawn: 'abstract', via: 'name', relation: null, count: 1 });
  // The first figure stands to nothing before it, but for a letter in its manner.
  if (
    kept.length &&
    kept[0].relation !== null &&
    kept[0].relation !== 'in the manner of' &&
    kept[0].relation !== 'made of'
  )
    kept[0] = { ...kept[0], relation: null };
  return kept;
}
