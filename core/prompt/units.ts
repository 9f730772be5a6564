/** The words of a noun phrase, each by what it is in it, and how far they go. */
import { gerundOf, isAdjective, isAdverb, isCompound, isKnownWord, isSeldomNoun, nounKind, participleOf, presentOf } from './classes'; // prettier-ignore
import {
  BODY_PARTS,
  EXPRESSIONS,
  FILLERS,
  NEVER_HEADS,
  POSE_WORDS,
  SETTINGS,
  STYLE_NOUNS,
  STYLE_WORDS,
} from './manner';
import { phraseAt } from './relations';
import type { Token, WordPart } from './reading';
import { NUMBERS, type FoundFigure, type Lexicon } from './words';

const CREATURES = /^(?:dragon|unicorn|phoenix|robot|ghost|skeleton|monster|mermaid|merman|angel|devil|demon|gnome|elf|fairy|goblin|troll|ogre|giant|yeti|alien|snowman|scarecrow|dinosaur|griffin|gryphon|centaur|minotaur|cyclops|genie|golem|vampire|zombie|mummy|doll|puppet|teddy|kraken|hydra|pegasus|sphinx|gargoyle|cherub|imp|dwarf|hero|superhero|figure|character|creature|animal|bird|hands?|fists?|palms?|fingers?|arms?|paws?|claws?|talons?|tentacles?|skulls?|face|head)s?$/; // prettier-ignore
/** Whether it can do, hold and wear things. */
export const isAnimate = (phrase: { readonly head: string; readonly hasAnimal: boolean }): boolean =>
  phrase.hasAnimal || CREATURES.test(phrase.head) || nounKind(phrase.head) === 'person';

export const isLive = (head: string): boolean => isAnimate({ head, hasAnimal: nounKind(head) === 'animal' });

export const ARTICLES =
  /^(?:an?|the|this|that|these|those|some|any|each|every|both|its|his|her|their|our|your|my|another|all)$/;
/** Words for a number that is not said exactly. */
export const VAGUE: Readonly<Record<string, number>> = { several: 3, few: 3, many: 5, multiple: 3, numerous: 5, double: 2, twin: 2, triple: 3, dozen: 12, couple: 2, pair: 2, trio: 3, thirteen: 13, fourteen: 14, fifteen: 15, sixteen: 16, twenty: 20, eleven: 11 }; // prettier-ignore
/** Parts of which the owner is what is drawn: "a stag's head". */
export const CROPS = /^(?:heads?|faces?|busts?|portraits?|profiles?|silhouettes?)$/;
/** Words that belong to a verb: "looking at". */
const PARTICLES =
  /^(?:up|down|out|off|at|in|on|over|away|through|back|together|around|about|along|by|for|to|with|into)$/;
/** What stands between words of a name without ending it. */
export const THROUGH: ReadonlySet<WordPart | null> = new Set<WordPart | null>(['colour', 'manner', 'finish', 'detail', 'mood', 'shading', 'gradient']); // prettier-ignore

/** The words that nobody took; what was taken is empty, and passed where a name goes on behind it. */
interface Words {
  (at: number): string;
  readonly isPassed: (at: number) => boolean;
}

const wordsOf = (tokens: readonly Token[], end: number): Words =>
  Object.assign((at: number): string => (at < end && tokens[at].part === null ? tokens[at].text : ''), {
    isPassed: (at: number): boolean => at < end && tokens[at].part !== null && THROUGH.has(tokens[at].part),
  });

export interface Unit {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  readonly as: 'noun' | 'modifier' | 'pose' | 'expression' | 'manner' | 'owner' | 'unknown';
  readonly found: FoundFigure | null;
}

export const STOPS =
  /^(?:it|he|she|they|and|or|but|nor|of|for|that|which|who|whose|whom|is|are|was|where|when|while|than|so|if|&|\+|not|no|without|yes)$/;
export const numberOf = (word: string): number | null => (Object.hasOwn(NUMBERS, word) ? NUMBERS[word] : /^\d{1,3}$/.test(word) ? Number(word) : Object.hasOwn(VAGUE, word) ? VAGUE[word] : null); // prettier-ignore

/** Whether nothing comes that a couple could be of. */
export const isNobodysCount = (next: string): boolean => next === '' || gerundOf(next) !== null || /^(?:and|with|who|that)$/.test(next) || (next !== 'of' && phraseAt([next]) !== null); // prettier-ignore

/** Whether a relation was read just before a name, with or without an article between. */
const isAfterRelation = (tokens: readonly Token[], from: number): boolean =>
  [1, 2].some(
    (back) => tokens[from - back]?.part === 'relation' || /^(?:on|in)$/.test(tokens[from - back]?.text ?? ''),
  );

/** The words of a name from its first modifier to its last noun. */
export function readUnits(
  tokens: readonly Token[],
  from: number,
  end: number,
  lexicon: Lexicon,
  isBegun: boolean,
): Unit[] {
  const word = wordsOf(tokens, end);
  const units: Unit[] = [];
  const hasNoun = (): boolean => units.some((u) => u.as === 'noun' || u.as === 'unknown');
  const put = (as: Unit['as'], to: number, text: string, found: FoundFigure | null = null): void =>
    void units.push({ from: k, to, text, as, found });
  let k = from;
  while (k < end) {
    const w = word(k);
    if (w === '') {
      if (THROUGH.has(tokens[k].part) && !hasNoun()) {
        k++;
        continue;
      }
      break;
    }
    // "On a dog's nose" is on the dog, though noses of dogs can be drawn by themselves.
    const isPlaced = /['’]s?$/.test(w) && nounKind(w.replace(/['’]s?$/, '')) === 'animal' && BODY_PARTS.test(word(k + 1)) && isAfterRelation(tokens, from); // prettier-ignore
    const compound = isPlaced ? null : compoundAt(word, k, lexicon);
    if (compound) {
      put('noun', k + compound.length, compound.text, compound.found);
      k += compound.length;
      continue;
    }
    if (STOPS.test(w) || ARTICLES.test(w) || (phraseAt([w]) !== null && !(w === 'round' || ((w === 'like' || w === 'down' || w === 'up') && !hasNoun() && nounKind(word(k + 1)))))) break; // prettier-ignore
    if (w === 'couple' && !hasNoun() && isNobodysCount(word(k + 1))) {
      put('noun', k + 1, w, lexicon.findFigure(w));
      k++;
      continue;
    }
    if (numberOf(w) !== null && (hasNoun() || units.length > 0)) break;
    if (/'s$|s'$/.test(w)) {
      const owner = w.replace(/'s?$/, '');
      put('owner', k + 1, owner, lexicon.findFigure(owner));
      k++;
      continue;
    }
    const isLed = isBegun || units.length > 0;
    const as = classOf(word, k, hasNoun(), isLed, lexicon);
    if (as === null) break;
    put(as, k + 1, w, as === 'noun' ? lexicon.findFigure(w) : null);
    k++;
  }
  return units;
}

/** What one has, said as a participle: "a bearded sailor". */
const HAVING =
  /^(?:bearded|moustached|hooded|masked|caped|horned|bespectacled|helmeted|armou?red|whiskered|maned|tusked|antlered|haired|eyed)$/;

/** Two or three words that are one noun, where such begin here. */
function compoundAt(word: (at: number) => string, at: number, lexicon: Lexicon): { readonly text: string; readonly length: number; readonly found: FoundFigure | null } | null {
  for (const length of [4, 3, 2]) {
    const words = Array.from({ length }, (_, k) => word(at + k));
    if (words.some((w) => w === '') || words.some((w, k) => (k === 0 || k === length - 1) && (ARTICLES.test(w) || STOPS.test(w)))) continue;
    if (PARTICLES.test(words[length - 1]) && lexicon.findFigure(words.join(' '))?.via !== 'name') continue;
    if (EXPRESSIONS.has(words[0]) || Object.hasOwn(NUMBERS, words[0])) continue;
    const text = words.join(' ');
    // "A tiger's face" is the tiger.
    if (CROPS.test(words[length - 1]) && nounKind(words[length - 2].replace(/'s$/, '')) === 'animal') continue;
    if (words.includes('and') && !isCompound(text)) continue;
    // "A pencil drawing a heart" draws it, and is no pencil drawing.
    if (gerundOf(words[length - 1]) && (!isCompound(text) || ARTICLES.test(word(at + length)))) continue;
    const plain = text.replace(/'s\b/g, '');
    const found = lexicon.findFigure(plain);
    // A name that is only put together of two things ("leaf heart") is read as those.
    if (found || (length < 4 && isCompound(text))) return { text: plain, length, found };
  }
  return null;
} // prettier-ignore

/** What a word is in a name, or null where it ends it. */
function classOf(word: Words, k: number, hasNoun: boolean, isLed: boolean, lexicon: Lexicon): Unit['as'] | null {
  const [w, next] = [word(k), word(k + 1)];
  const follows = nounAhead(word, k + 1, lexicon);
  if (EXPRESSIONS.has(w)) return hasNoun ? null : 'expression';
  if (STYLE_WORDS.has(w)) return hasNoun ? null : 'manner';
  const kind = nounKind(w);
  const isThing = lexicon.findFigure(w)?.via === 'name';
  const isConcrete = kind !== null && kind !== 'abstract' && kind !== 'sign';
  // "Two wolf heads facing each other".
  if (
    hasNoun &&
    /^(?:heads|faces|busts)$/.test(w) &&
    !/^(?:an?|the|its|for|to|toward|towards|up|down|out|west|east|north|south|left|right)$/.test(next)
  )
    return 'noun';
  const gerund = gerundOf(w);
  const opensObject = /^(?:an?|the|its|his|her|their|two|three|some)$/.test(next);
  // "A pencil drawing a heart".
  if (gerund && hasNoun && opensObject) return null;
  if (gerund && !(isConcrete && isThing)) {
    if (hasNoun) return isConcrete && !opensObject && !participleOf(w) && next !== '' && nounKind(next) ? 'noun' : null;
    return follows ? 'pose' : isLed && kind !== null ? 'noun' : null;
  }
  const participle = participleOf(w);
  if (participle && !(isConcrete && !isSeldomNoun(w) && !isAdjective(w))) {
    if (hasNoun) return null;
    return follows ? (HAVING.test(w) ? 'modifier' : 'pose') : null;
  }
  if (POSE_WORDS.has(w)) return hasNoun ? null : 'pose';
  if (NEVER_HEADS.has(w) && !follows && !(isLed && isThing && !hasNoun)) return hasNoun ? null : 'modifier';
  const isNoun =
    isThing ||
    (kind !== null && !isSeldomNoun(w)) ||
    (kind !== null && (isConcrete || !isAdjective(w)) && isLed && !follows && !hasNoun) ||
    (isConcrete && next === '' && !hasNoun && !isAdjective(w)) ||
    // "A scissor": a name of ours that the lists of nouns have not.
    (kind === null && isLed && !hasNoun && !follows && lexicon.findFigure(w)?.via === 'synonym');
  // "Where a heron stands beside it".
  if (
    hasNoun &&
    w.endsWith('s') &&
    presentOf(w) &&
    phraseAt([next]) !== null &&
    next !== 'with' &&
    next !== 'and' &&
    !isThing &&
    isLive(word(k - 1))
  )
    return null;
  if (hasNoun && presentOf(w) && opensObject && (w.endsWith('s') || !isThing)) return null;
  if (FILLERS.has(w)) return hasNoun || !follows ? null : 'modifier';
  if (isAdverb(w) && !isNoun) return hasNoun ? null : follows || isAdjective(next) ? 'modifier' : null;
  if (isNoun && !(isAdjective(w) && kind === 'abstract' && !isThing && follows)) {
    // "A light blue house", "a round table": an adjective where a noun comes after it.
    if (isAdjective(w) && follows && !isThing) return 'modifier';
    if (isAdjective(w) && !isThing && hasNoun && (kind === 'abstract' || SETTINGS.has(w))) return null;
    return 'noun';
  }
  // "A question mark".
  if (hasNoun && !follows && isSeldomNoun(w) && !isAdjective(w) && !opensObject && !w.endsWith('s')) return 'noun';
  if (isAdjective(w) || isSeldomNoun(w)) return hasNoun && !follows ? null : 'modifier';
  if (STYLE_NOUNS.has(w)) return 'noun';
  if (isKnownWord(w)) return w.includes('-') && !hasNoun ? 'modifier' : null;
  if (lexicon.findFigure(w)) return 'noun';
  return hasNoun ? null : 'unknown';
}

/** Whether a noun comes that the word before it could belong to: "light carved bowl", but not "plane flying over". */
function nounAhead(word: Words, from: number, lexicon: Lexicon): boolean {
  for (let k = from; ; k++) {
    while (word.isPassed(k)) k++;
    const next = word(k);
    if (next === '' || phraseAt([next]) !== null || STOPS.test(next) || ARTICLES.test(next)) return false;
    const isDone = gerundOf(next) !== null || participleOf(next) !== null;
    const kind = nounKind(next);
    if (!isDone && (kind !== null || lexicon.findFigure(next) !== null) && !(isSeldomNoun(next) && nounAhead(word, k + 1, lexicon))) return true; // prettier-ignore
    if (isDone && kind !== null && kind !== 'abstract' && lexicon.findFigure(next)?.via === 'name') return true;
    if (!isDone && !isAdjective(next) && !next.includes('-')) return false;
  }
}
