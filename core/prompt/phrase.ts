/** Noun phrases: how many of what, and what is said of it in front. */
import { gerundOf, isCompound, isPlural, nounKind } from './classes';
import { GROUPS, NO_THINGS, PORTIONS, STYLE_WORDS, TRADE_NOUNS } from './manner';
import { phraseAt } from './relations';
import type { Token, WordPart } from './reading';
import {
  ARTICLES,
  CROPS,
  isLive,
  isNobodysCount,
  numberOf,
  readUnits,
  STOPS,
  THROUGH,
  VAGUE,
  type Unit,
} from './units';
import { type FoundFigure, type Lexicon } from './words';

/** A noun phrase that was read. */
export interface Phrase {
  /** The place after its last word. */
  readonly to: number;
  /** The nouns as they were typed, from the first that belongs to the name: "pizza box". */
  readonly word: string;
  readonly head: string;
  readonly attributive: readonly string[];
  readonly count: number;
  readonly hasArticle: boolean;
  readonly modifiers: readonly string[];
  readonly pose: string | null;
  readonly expression: string | null;
  readonly manner: readonly string[];
  readonly unknown: readonly string[];
  /** What the whole name is drawn as; or, where nothing is, what its last words are. */
  readonly found: FoundFigure | null;
  readonly suffix: FoundFigure | null;
  /** The whole name is a thing's own. */
  readonly isNamed: boolean;
  readonly isAbstract: boolean;
  /** Whose it is: "a pirate's shoulder". */
  readonly owner: { readonly word: string; readonly found: FoundFigure | null } | null;
  readonly isGarment: boolean;
  readonly hasAnimal: boolean;
  /** What an animal is by trade: "a penguin waiter". */
  readonly role: string | null;
  readonly marks: readonly (readonly [number, WordPart])[];
}

const CONTAINERS = /^(?:bottle|jar|cup|mug|glass|bowl|basket|pot|vase|barrel|bag|box|can|tin|sack|crate|bucket|pitcher|jug|tray|plate|dish|basin|tank|bath|bathtub|teapot|kettle|pan|spoon|ladle|chest|nest|wheelbarrow|cart|wagon|net|jam|tube|vial|flask|beaker|capsule|cone|pocket|backpack|carton|packet|tankard|goblet|chalice|urn|trough|pail|cauldron|envelope|globe|pool|pond|lake|field|garden|bed|hand|handful)s?$/; // prettier-ignore

export const isContainer = (head: string): boolean => CONTAINERS.test(head);
export const MOST = 36;
/** Kinds of nouns of which a mascot is one in a trade, and not of that trade: "a tooth superhero". */
const LIVELY = /^(?:food|plant|body|artifact)$/;
/** What the young of an animal is called. */
const YOUNG = /^(?:cub|pup|puppy|kitten|calf|foal|chick|joey|fawn|baby|kit|hatchling|gosling|duckling)s?$/;
/** Whose trade is with what stands before it: "a carrot farmer". */
const DEALING =
  /^(?:farmer|grower|seller|vendor|picker|maker|roaster|merchant|brewer|baker|winemaker|harvester|planter|cook|grocer|keeper|driver|pilot|captain|skipper|conductor|mechanic|scientist|guard|rider|racer|painter|cleaner|worker|engineer|photographer|juggler|dancer|singer|musician|tuner|repairman|porter|carrier|builder|doctor|thief|hunter)$/; // prettier-ignore
/** Trades that no thing is an object of: "a pencil detective" is a pencil, whatever it is for. */
const DRESSED_UP = /^(?:detective|astronaut|wizard|pirate|ninja|samurai|knight|superhero|hero|cowboy|sheriff|viking|waiter|waitress|barber|gentleman|magician|king|queen|boxer|explorer|sailor|graduate|professor)$/; // prettier-ignore
/** What is no animal, and does as one does. */
const AS_ANIMALS = /^(?:robot|alien|monster|snowman|scarecrow|ghost|skeleton)$/;

/** Reads a noun phrase at a place, or gives null. */
export function readPhrase(tokens: readonly Token[], start: number, end: number, lexicon: Lexicon): Phrase | null {
  const word = (at: number): string => (at < end && tokens[at].part === null ? tokens[at].text : '');
  const marks: [number, WordPart][] = [];
  let i = start;
  let hasArticle = false;
  let hasIndefinite = false;
  let count: number | null = null;
  const before: string[] = [];
  /** Articles, numbers and portions in front. */
  for (;;) {
    const w = word(i);
    if (i < end && i > start && THROUGH.has(tokens[i].part)) i++;
    else if (ARTICLES.test(w)) {
      hasArticle = true;
      hasIndefinite ||= /^(?:an?|another|the)$/.test(w);
      marks.push([i++, 'filler']);
      if (w === 'both') count ??= 2;
    }
    // "An old couple", "a couple dancing": somebody, and not how many of what.
    else if (w === 'couple' && isNobodysCount(word(i + 1))) break;
    else if (w in VAGUE && isCompound(`${w} ${word(i + 1)}`) && lexicon.findFigure(`${w} ${word(i + 1)}`)) break;
    else if (w === 'half' && word(i + 1) === 'a') marks.push([i++, 'count']);
    else if (numberOf(w) !== null && (count === null || w in VAGUE) && w !== '') {
      count = w === 'dozen' && count !== null && count > 1 ? count * 12 : numberOf(w)!;
      marks.push([i++, 'count']);
      // A pair of scissors is one thing.
      if (w === 'pair' && [1, 2].some((k) => PAIRED.test(word(i + k)))) count = 1;
      // "Eight pairs of scissors", "a couple of foxes".
      if (/^(?:pairs?|sets?)$/.test(word(i)) && word(i + 1) === 'of') marks.push([i++, 'count'], [i++, 'filler']);
      else if (word(i) === 'of' && w in VAGUE) marks.push([i++, 'filler']);
    } else if (
      PORTIONS.has(w) &&
      word(i + 1) === 'of' &&
      (word(i + 2) !== '' || (i + 2 < end && THROUGH.has(tokens[i + 2].part))) &&
      !STYLE_WORDS.has(word(i + 2))
    ) {
      // A drop of water is drawn as a drop, and water as a sea.
      if (/^(?:drop|droplet|drops|droplets)$/.test(w) && lexicon.findFigure(`${w} of ${word(i + 2)}`)) break;
      // A bunch of grapes is grapes: one thing.
      const isGroup = Object.hasOwn(GROUPS, w) && isPlural(lastOf(tokens, i + 2, end)) && !(/^(?:bunch|cluster)$/.test(w) && lastOf(tokens, i + 2, end) === 'grapes'); // prettier-ignore
      // A ring of gold is a ring; a ring of leaves is leaves.
      if (!isGroup && /^(?:ring|circle|row|line|field|forest|beam|ball|ear|head|form|shape|image|picture)$/.test(w) && !(/^(?:field|forest)$/.test(w) && isPlural(lastOf(tokens, i + 2, end))) && (w !== 'head' || !/^(?:an?|the)$/.test(word(i + 2)))) {
        if (!/^(?:form|shape|image|picture)$/.test(w)) break;
      } // prettier-ignore
      if (isGroup) count ??= GROUPS[w];
      before.push(w);
      marks.push([i, isGroup ? 'count' : 'modifier'], [i + 1, 'filler']);
      i += 2;
    } else break;
  }
  const units = readUnits(tokens, i, end, lexicon, hasArticle || count !== null);
  const at = units.findLastIndex((u) => u.as === 'noun');
  const lone = units.findLastIndex((u) => u.as === 'unknown');
  if (at < 0 && (lone < 0 || !(hasArticle || count !== null))) return null;
  const headAt = at < 0 ? lone : at;
  let head = units[headAt];
  let front = units.slice(0, headAt);
  // What is left of the head is given back.
  let first = headAt;
  while (first > 0 && units[first - 1].as === 'noun') first--;
  let attributive = units.slice(first, headAt);
  const modifiers = [...before];
  let role: string | null = null;
  /** What comes before the head becomes it; the head only says something of it. */
  const giveUpHead = (part: WordPart): void => {
    marks.push(...placesOf(head, part));
    head = attributive.at(-1)!;
    attributive = attributive.slice(0, -1);
    front = front.filter((u) => u !== head);
  };
  const isMascot = tokens.some((t) => t.part === 'kind' && /^(?:mascot|character)s?$/.test(t.text));
  // "A walrus ferry captain" is a walrus where a mascot is asked for; what it captains only says what kind of one it is.
  const [animal, ...between] = attributive;
  const follows = head.text.split(' ').at(-1)!;
  if (isMascot && animal && nounKind(animal.text) === 'animal' && follows !== head.text && lexicon.isRole(follows)) {
    role = follows;
    marks.push(...placesOf(head, 'role'), ...between.flatMap((u) => placesOf(u, 'modifier')));
    modifiers.push(...between.map((u) => u.text));
    front = front.filter((u) => u !== animal && !between.includes(u));
    [head, attributive] = [animal, []];
  } // prettier-ignore
  // "A stag's head" is the stag; "an eagle's wing" is a wing, of an eagle.
  const owner = front.findLast((u) => u.as === 'owner');
  if (owner && CROPS.test(head.text)) {
    modifiers.push(head.text.replace(/s$/, ''));
    marks.push(...placesOf(head, 'modifier'));
    head = { ...owner, as: 'noun', found: owner.found };
    front = front.filter((u) => u !== owner && !attributive.includes(u));
    attributive = [];
  } else if (attributive.length && CROPS.test(head.text) && (isLive(attributive.at(-1)!.text) || (nounKind(attributive.at(-1)!.text.split(' ').at(-1)!) === 'animal' && attributive.at(-1)!.text !== 'hot dog'))) { // prettier-ignore
    modifiers.push(head.text.replace(/s$/, ''));
    giveUpHead('modifier');
  } else if (attributive.length && nounKind(attributive.at(-1)!.text) === 'animal' && (lexicon.isRole(head.text) || (nounKind(head.text) === 'person' && !/(?:keeper|rider|tamer|trainer|hunter|catcher|walker|lover|groomer|whisperer|breeder)s?$/.test(head.text)))) {
    // "A wolf mother" follows no trade.
    const isKin = /^(?:mother|father|mum|mom|dad|mama|papa|parent|sister|brother|twin|family|couple|grandmother|grandfather|grandma|grandpa)s?$/.test(head.text);
    if (isKin) modifiers.push(head.text);
    else role = head.text;
    giveUpHead(isKin ? 'modifier' : 'role');
  } // prettier-ignore
  /** A name of two words is its first; the second only says something of it. */
  const giveUpLast = (part: WordPart): void => {
    marks.push([head.to - 1, part]);
    const text = head.text.slice(0, head.text.lastIndexOf(' '));
    head = { ...head, text, to: head.to - 1, found: lexicon.findFigure(text) };
  };
  const [ahead, behind, more] = head.text.split(' ');
  const isTwo = behind !== undefined && more === undefined && head.to - head.from === 2;
  // "A radish gardener" is a radish where a mascot is asked for, if its trade is not with radishes.
  const asRole = (thing: string, trade: string): boolean =>
    (isMascot || DRESSED_UP.test(trade) || AS_ANIMALS.test(thing)) &&
    role === null &&
    lexicon.isRole(trade) &&
    (AS_ANIMALS.test(thing) || LIVELY.test(nounKind(thing) ?? nounKind(thing.split(' ').at(-1)!) ?? '')) &&
    !DEALING.test(trade) &&
    /^(?:name|synonym)$/.test(lexicon.findFigure(thing)?.via ?? '');
  const all = head.text.split(' ');
  if (all.length > 1 && head.to - head.from === all.length && asRole(all.slice(0, -1).join(' '), all.at(-1)!)) {
    role = all.at(-1)!;
    giveUpLast('role');
  } else if (attributive.length && asRole(attributive.at(-1)!.text, head.text)) {
    role = head.text;
    giveUpHead('role');
  } // prettier-ignore
  // "A tiger cub" is a tiger, and young.
  if (YOUNG.test(head.text) && attributive.length && nounKind(attributive.at(-1)!.text) === 'animal') {
    modifiers.push('young');
    giveUpHead('modifier');
  } else if (isTwo && YOUNG.test(behind) && nounKind(ahead) === 'animal' && lexicon.findFigure(ahead)) {
    modifiers.push('young');
    giveUpLast('modifier');
  }
  // "A wizard frog" is a frog, dressed as a wizard.
  const trade = attributive.at(-1);
  if (trade && role === null && lexicon.isRole(trade.text) && isLive(head.text) && nounKind(head.text) === 'animal' && !lexicon.findFigure(`${trade.text} ${head.text}`)) {
    role = trade.text;
    marks.push(...placesOf(trade, 'role'));
    attributive = attributive.slice(0, -1);
    front = front.filter((u) => u !== trade);
  } // prettier-ignore
  // "A coin stack": of portions the thing is meant.
  if (
    attributive.length &&
    Object.hasOwn(GROUPS, head.text) &&
    !(TRADE_NOUNS.has(head.text) && nounKind(attributive.at(-1)!.text) !== 'animal') &&
    !lexicon.findFigure([...attributive.map((u) => u.text), head.text].join(' '))
  ) {
    if (nounKind(attributive.at(-1)!.text) === 'animal') count ??= GROUPS[head.text];
    modifiers.push(head.text);
    giveUpHead('modifier');
  }
  // "A fox fencing": a sport after an animal or somebody is what it does.
  let pose: string | null = null;
  if (attributive.length === 1 && SPORTS.test(head.text) && isLive(attributive[0].text)) {
    pose = head.text;
    giveUpHead('modifier');
  }
  let expression: string | null = null;
  const manner: string[] = [];
  const unknown: string[] = [];
  for (const unit of front) {
    if (attributive.includes(unit)) continue;
    if (unit.as === 'pose' && isLive(head.text)) pose ??= unit.text;
    else if (unit.as === 'expression') expression ??= unit.text;
    else if (unit.as === 'manner') manner.push(unit.text);
    else if (unit.as === 'unknown') unknown.push(unit.text);
    else if (unit.as !== 'owner') modifiers.push(unit.text);
    const part = unit.as === 'pose' && !isLive(head.text) ? 'modifier' : unit.as === 'noun' ? 'modifier' : unit.as === 'owner' ? 'figure' : unit.as === 'unknown' ? 'not understood' : unit.as; // prettier-ignore
    marks.push(...placesOf(unit, part));
  }
  const last = units[headAt];
  // "A penguin couple": two of it.
  const isSeveral =
    /^(?:couple|pair|duo|trio|twins)$/.test(word(last.to)) && word(last.to + 1) !== 'of' && count === null;
  if (isSeveral) {
    count = word(last.to) === 'trio' ? 3 : 2;
    marks.push([last.to, 'count']);
  }
  for (let k = i; k < last.from; k++)
    if (tokens[k].part === 'colour') modifiers.push(tokens[k].text); // prettier-ignore
  const isOwned = owner !== undefined && head !== owner && head.text !== owner.text;
  const full = [...(isOwned ? [owner.text] : []), ...attributive.map((u) => u.text), head.text].join(' ');
  const names = full.split(' ');
  const found = at < 0 ? null : head.from === last.from || attributive.length ? lexicon.findFigure(full) : (head.found ?? lexicon.findFigure(head.text)); // prettier-ignore
  let suffix: FoundFigure | null = null;
  for (let k = 1; !found && !suffix && k < names.length; k++) suffix = lexicon.findFigure(names.slice(k).join(' '));
  for (let k = names.length - 2; !found && !suffix && k >= 0; k--) suffix = lexicon.findFigure(names[k]);
  const kind = nounKind(full) ?? nounKind(head.text);
  if (at < 0) unknown.push(head.text);
  marks.push(...attributive.flatMap((u) => placesOf(u, 'figure')), ...placesOf(head, at < 0 ? 'not understood' : 'figure')); // prettier-ignore
  return {
    to: isSeveral ? last.to + 1 : last.to,
    word: full,
    head: head.text.split(' ').at(-1)!,
    attributive: attributive.map((u) => u.text),
    // "Crossed oars" are two.
    count: Math.max(1, Math.min(MOST, count ?? (modifiers.includes('crossed') && isPlural(head.text) ? 2 : 1))),
    hasArticle,
    modifiers,
    pose,
    expression,
    manner,
    unknown,
    found,
    suffix,
    isNamed: found !== null && found.via === 'name' && full.includes(' '),
    isAbstract:
      at >= 0 &&
      kind === 'abstract' &&
      !found &&
      !suffix &&
      (NO_THINGS.test(head.text) || !(hasIndefinite || count !== null || isPlural(head.text))),
    owner: isOwned ? { word: owner.text, found: owner.found } : null,
    isGarment: nounKind(head.text.split(' ').at(-1)!) === 'garment',
    hasAnimal: nounKind(head.text.split(' ').at(-1)!) === 'animal',
    role,
    marks,
  };
}

/** What is one thing, though one speaks of a pair. */
const PAIRED = /^(?:scissors|shears|secateurs|pliers|tongs|tweezers|glasses|spectacles|sunglasses|goggles|binoculars|trousers|pants|jeans|shorts|headphones|earphones)$/; // prettier-ignore

/** What is done, and named as a noun. */
const SPORTS =
  /^(?:fencing|boxing|bowling|skiing|surfing|skating|wrestling|rowing|climbing|cycling|knitting|sewing|gardening|baking|cooking|hiking|camping|yachting|snowboarding|skateboarding|golfing|juggling)$/;

const placesOf = (unit: Unit, part: WordPart): [number, WordPart][] =>
  Array.from({ length: unit.to - unit.from }, (_, k) => [unit.from + k, part]);

/** The last word before the next that ends a name. */
function lastOf(tokens: readonly Token[], from: number, end: number): string {
  let k = from;
  while (k < end && tokens[k].part !== null) k++;
  while (k + 1 < end && tokens[k + 1].part === null && !(isPlural(tokens[k].text) && gerundOf(tokens[k + 1].text)) && !STOPS.test(tokens[k + 1].text) && !phraseAt([tokens[k + 1].text]) && nounKind(tokens[k + 1].text) !== null) k++; // prettier-ignore
  return tokens[k]?.text ?? '';
}
