/** Prompts from a brief: three directions, each with its reasons. Rules and word lists, and no more than that. */
import { nounKind } from '../prompt';
import { hashOf, randomFrom } from '../random';
import { withArticle } from '../wording';
import { ANY_SYMBOLS, MOOD_HANDS, TRADE_SYMBOLS, UNLIKE, type Symbols } from './symbols';

/** What a brief says; what is not said is empty. */
export interface BriefSaid {
  readonly name?: string;
  readonly trade?: string;
  readonly audience?: string;
  readonly mood?: string;
  readonly coloursWanted?: string;
  readonly coloursUnwanted?: string;
  readonly kindOfMark?: string;
  readonly notes?: string;
}

export interface Direction {
  /** "what it does", "what it means", "the two in one"; "two fields". */
  readonly title: string;
  readonly prompt: string;
  readonly leaveOut: string;
  readonly reasons: readonly string[];
}

const said = (text: string | undefined): string => (text ?? '').replace(/\s+/g, ' ').trim();

/** What notes say must not be there: "no stars", "never red". */
function unwanted({ coloursUnwanted, notes }: BriefSaid): string {
  const inNotes = [...said(notes).matchAll(/\b(?:no|not|never|without|avoid)\s+([a-z][a-z ]{2,20}?)(?=\s*(?:[,.;]|$| and | or ))/gi)].map((m) => m[1].toLowerCase()); // prettier-ignore
  return [...new Set([...said(coloursUnwanted).split(/\s*,\s*/), ...inNotes].filter(Boolean))].join(', ');
}

/** How things can be put together so that one sees both; only somebody holds something. */
const jointsFor = (meant: string): readonly ((thing: string) => string)[] => [
  (thing) => `${withArticle(meant)} with ${withArticle(thing)}`,
  (thing) => `${withArticle(meant)} ${nounKind(meant) === 'animal' ? 'holding' : 'and'} ${withArticle(thing)}`,
  (thing) => `${withArticle(meant)} inside ${withArticle(thing)}`,
];

/** How much of a brief speaks of a trade: each word of what is done counts once, each of the name twice; nothing where what is done has none. */
function weightOf({ calls }: Symbols, trade: string, name: string): number {
  const words = (text: string): number => text.split(/[^\p{L}']+/u).filter((word) => calls.test(word)).length;
  return words(trade) && words(trade) + 2 * words(name);
}

/**
 * Three directions for a brief, as prompts to be edited: what the client does, what it means, and the two in one. Where a brief says nothing to go by, three pairs of
 * things from unlike fields. The same brief and seed give the same prompts.
 */
export function promptsFor(brief: BriefSaid, seed = 1): Direction[] {
  const trade = said(brief.trade);
  const mood = said(brief.mood);
  const random = randomFrom(hashOf(seed, trade, mood));
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  // A town hall in which seeds are lent is not what a seed library does: what is spoken of most comes first.
  const weighed = TRADE_SYMBOLS.map((s) => ({ s, weight: weightOf(s, trade, said(brief.name)) }));
  const most = Math.max(...weighed.map(({ weight }) => weight));
  const atLeast = (least: number): readonly Symbols[] => (most ? weighed.filter(({ weight }) => weight >= least).map(({ s }) => s) : [ANY_SYMBOLS]); // prettier-ignore
  const [from, first] = [atLeast(1), atLeast(most)];
  const [thing, other] = [one(first), one(first)];
  const shown = one(thing.things);
  const [meant, because] = one(other.meant);
  const [meant2, because2] = one(from.flatMap((s) => s.meant).filter(([m]) => m !== meant));
  const hand = MOOD_HANDS.find(([calls]) => calls.test(`${mood} ${brief.notes ?? ''}`));
  const colours = said(brief.coloursWanted);
  const kind = said(brief.kindOfMark);
  const leaveOut = unwanted(brief);
  const ending = (finish: string): string => [kind && !/^(?:open|pictorial)$/i.test(kind) ? kind : '', finish, colours].filter(Boolean).join(', '); // prettier-ignore
  const finish = hand?.[1] ?? 'flat';
  const why = hand ? [`${mood.split(',')[0]}: ${hand[2]}`] : [];
  const direction = (title: string, figures: string, with_: string, reasons: string[]): Direction => ({
    title,
    prompt: [figures, ending(with_)].filter(Boolean).join(', '),
    leaveOut,
    reasons: [...reasons, ...why],
  });
  if (!trade && !mood && !said(brief.notes))
    return [0, 1, 2].map((k) => {
      const first = (Math.floor(random() * UNLIKE.length) + k) % UNLIKE.length;
      const second = (first + 1 + Math.floor(random() * (UNLIKE.length - 1))) % UNLIKE.length;
      const [a, b] = [one(UNLIKE[first]), one(UNLIKE[second])];
      return direction('two fields', jointsFor(a)[k](b), finish, [`${a} and ${b} have nothing to do with one another: what could they have?`]);
    }); // prettier-ignore
  return [
    direction('what it does', withArticle(shown), finish, [`${shown}: what one sees of the trade`]),
    direction('what it means', withArticle(meant), finish === 'flat' ? 'geometric construction' : finish, [`${meant}: ${because}`]),
    direction('the two in one', one(jointsFor(meant2))(one(thing.things.filter((t) => t !== shown))), finish, [`${meant2}: ${because2}`, 'both in one figure, so that it is nobody else’s']),
  ]; // prettier-ignore
}
