/** Names for a client, made by rules from word lists: how each was made is told, and what is said against it. */
import { distance } from 'fastest-levenshtein';
import { isKnownWord } from '../prompt';
import { hashOf, randomFrom, type Random } from '../random';
import { fieldsFor, MOODS, PLACES, ROOTS, TRADES } from './fields';
import { canBeSaid, firstSound, rhythmOf, syllablesOf } from './say';

export const NAME_WAYS = ['compound', 'two words', 'alliteration', 'blend', 'root', 'invention'] as const;
export type NameWay = (typeof NAME_WAYS)[number];

export interface NamesAsked {
  readonly trade: string;
  readonly place?: string;
  readonly mood?: string;
  readonly audience?: string;
  /** Things that are to play a part: those of the prompt. */
  readonly figures?: readonly string[];
  /** Names that there were before: near-twins of them are marked. */
  readonly earlier?: readonly string[];
  /** More like this one: made as it was, or of what it is made of. */
  readonly like?: Pick<Name, 'name' | 'way' | 'of'> | null;
  /** 1 to 200. */
  readonly count?: number;
  readonly seed?: number;
}

export interface Name {
  readonly name: string;
  readonly way: NameWay;
  /** The words or roots it is made of. */
  readonly of: readonly string[];
  /** How it was made, in words. */
  readonly told: string;
  readonly syllables: number;
  /** Strong syllables as "X", weak ones as "x". */
  readonly rhythm: string;
  /** What one should know: a common word, or nearly a name that there was. */
  readonly marks: readonly string[];
}

export const NAMES_MOST = 200;
/** Letters of a name, and syllables of one word of it, at most. */
const LETTERS_MOST = 18;
const SYLLABLES_MOST = 4;

const titled = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);
const VOWEL = /[aeiouy]/;

/** How many letters one has to change to come from one name to another, whatever their case, blanks and signs. */
const plain = (name: string): string => name.toLowerCase().replace(/[^a-z]/g, '');
const editsBetween = (a: string, b: string): number => distance(plain(a), plain(b));

interface Words {
  readonly trade: readonly string[];
  readonly mood: readonly string[];
  readonly place: readonly string[];
  readonly text: string;
}

/** The words that a brief gives to make names of; what it calls up nothing for takes what goes with anything. */
function wordsFor({ trade, place = '', mood = '', audience = '', figures = [] }: NamesAsked): Words {
  const own = figures.flatMap((f) => f.toLowerCase().match(/[a-z]{3,10}$/) ?? []);
  const wordsOf = (text: string, fields: typeof TRADES): string[] => [...new Set(fieldsFor(text, fields).flatMap((f) => f.words))]; // prettier-ignore
  const tradeWords = wordsOf(trade, TRADES);
  const placeNames = (place.match(/\p{Lu}[\p{L}']{2,}/gu) ?? []).map((w) => w.toLowerCase());
  const moodWords = wordsOf(`${mood} ${audience}`, MOODS);
  return {
    trade: [...own, ...(tradeWords.length ? tradeWords : (trade.toLowerCase().match(/[a-z]{4,9}/g) ?? []))],
    mood: moodWords.length ? moodWords : MOODS.flatMap((f) => f.words.slice(0, 2)),
    place: [...placeNames, ...wordsOf(place, PLACES), ...(place ? [] : PLACES.flatMap((f) => f.words.slice(0, 2)))],
    text: `${trade} ${place} ${mood} ${audience}`,
  };
}

type Maker = (words: Words, random: Random) => { name: string; of: string[]; told: string } | null;

const any = (random: Random, list: readonly string[]): string => list[Math.floor(random() * list.length)];
const both = (random: Random, { trade, mood, place }: Words): [string, string] => {
  const other = random() < 0.5 ? mood : place;
  return random() < 0.5 ? [any(random, trade), any(random, other)] : [any(random, other), any(random, trade)];
};

const compound: Maker = (words, random) => {
  const [a, b] = both(random, words);
  // Two of a letter where they meet, or five consonants, are stumbled over.
  if (a === b || a.at(-1) === b[0] || syllablesOf(a) + syllablesOf(b) > 3) return null;
  const name = a + b;
  return canBeSaid(name) ? { name: titled(name), of: [a, b], told: `${a} + ${b}` } : null;
};

const twoWords: Maker = (words, random) => {
  const [a, b] = both(random, words);
  if (a === b || syllablesOf(a) + syllablesOf(b) > 4) return null;
  const isJoined = random() < 0.3;
  return { name: `${titled(a)} ${isJoined ? '& ' : ''}${titled(b)}`, of: [a, b], told: isJoined ? `${a} and ${b}, side by side` : `${a}, ${b}` }; // prettier-ignore
};

const alliteration: Maker = (words, random) => {
  const all = [...words.trade, ...words.mood, ...words.place];
  const a = any(random, words.trade);
  const same = all.filter((w) => w !== a && firstSound(w) === firstSound(a) && syllablesOf(w) + syllablesOf(a) < 5);
  if (!same.length) return null;
  const b = any(random, same);
  const pair = random() < 0.5 ? [a, b] : [b, a];
  return { name: pair.map(titled).join(' '), of: pair, told: `both begin with "${firstSound(a)}"` };
};

const blend: Maker = (words, random) => {
  const [a, b] = both(random, words);
  for (let n = Math.min(4, a.length - 1, b.length - 1); n >= 2; n--) {
    if (!a.endsWith(b.slice(0, n)) || !VOWEL.test(b.slice(0, n))) continue;
    const name = a + b.slice(n);
    if (name === a || name === b || !canBeSaid(name)) return null;
    return { name: titled(name), of: [a, b], told: `${a} and ${b} share "${b.slice(0, n)}"` };
  }
  // Else the head of one on the tail of the other, where they meet at a vowel.
  const head = /^[^aeiouy]+[aeiouy](?![aeiouy])/.exec(a)?.[0] ?? '';
  const tail = /[^aeiouy]+[aeiouy]+[^aeiouy]*$/.exec(b)?.[0] ?? '';
  if (head.length < 2 || tail.length < 3 || head + tail === b || head + tail === a) return null;
  return canBeSaid(head + tail) ? { name: titled(head + tail), of: [a, b], told: `head of ${a}, tail of ${b}` } : null;
};

const ENDINGS = ['a', 'o', 'is', 'um', 'ia', 'ora', 'aria', 'en', 'el', 'ine', 'eon', 'ento', 'ava', 'illo'] as const;
const root: Maker = ({ text }, random) => {
  const called = ROOTS.filter((r) => r.calls.test(text));
  const { root: stem, means } = (called.length ? called : ROOTS)[
    Math.floor(random() * (called.length || ROOTS.length))
  ];
  const ending = any(random, ENDINGS);
  const name = VOWEL.test(stem.at(-1)!) ? stem + ending.replace(/^[aeiou]/, 'r$&') : stem + ending;
  return canBeSaid(name) && name.length > 3 ? { name: titled(name), of: [stem], told: `root "${stem}", ${means}, with -${ending}` } : null; // prettier-ignore
};

const invention: Maker = (words, random) => {
  // Sounds of the trade's own words, in a pattern that can be said.
  const from = any(random, words.trade);
  const starts = from.match(/^[^aeiouy]+/)?.[0] ?? any(random, ['l', 'm', 'n', 'v']);
  const [v1, v2] = [any(random, ['a', 'e', 'i', 'o', 'u']), any(random, ['a', 'o', 'i', 'e'])];
  const inner = any(random, ['l', 'm', 'n', 'r', 'v', 'd', 'll', 'nd', 'rn', 'lv', 'st', 'mb']);
  const last = any(random, ['', '', 'n', 'l', 'r', 's', 'x', 'm']);
  const name = starts + v1 + inner + v2 + last;
  return canBeSaid(name) && name.length < 9 ? { name: titled(name), of: [from], told: `made up, begins as ${from}` } : null; // prettier-ignore
};

const MAKERS: Readonly<Record<NameWay, Maker>> = { compound, 'two words': twoWords, alliteration, blend, root, invention }; // prettier-ignore

function marksOf(name: string, earlier: readonly string[]): string[] {
  const marks: string[] = [];
  if (!name.includes(' ') && isKnownWord(name.toLowerCase())) marks.push('a common word');
  const twin = earlier.find((e) => editsBetween(e, name) <= (name.length > 6 ? 2 : 1));
  if (twin !== undefined) marks.push(twin.toLowerCase() === name.toLowerCase() ? `there was ${twin} before` : `nearly ${twin}`); // prettier-ignore
  return marks;
}

/**
 * Names, each made in one of six ways, no two nearly the same; the same asked and seed give the same names. Fewer than were asked for where the words give no
 * more. Throws a RangeError for a count that is none, or an empty trade.
 */
export function namesFor(asked: NamesAsked): Name[] {
  const { count = 50, seed = 1, earlier = [], like = null } = asked;
  if (!asked.trade.trim()) throw new RangeError('Names want a trade: what the client does');
  if (!Number.isInteger(count) || count < 1 || count > NAMES_MOST) throw new RangeError(`The number of names is from 1 to ${NAMES_MOST}`); // prettier-ignore
  const words = wordsFor(asked);
  const random = randomFrom(hashOf(seed, asked.trade, asked.place ?? '', asked.mood ?? '', asked.audience ?? '', like?.name ?? '')); // prettier-ignore
  const out: Name[] = [];
  const near = like && { ...words, trade: [...like.of, ...words.trade.slice(0, 4)] };
  for (let tries = 0; out.length < count && tries < count * 60; tries++) {
    const way = like ? (random() < 0.75 ? like.way : NAME_WAYS[tries % NAME_WAYS.length]) : NAME_WAYS[tries % NAME_WAYS.length]; // prettier-ignore
    const made = MAKERS[way](near ?? words, random);
    if (!made || made.name.length > LETTERS_MOST) continue;
    if (made.name.split(' ').some((w) => syllablesOf(w) > SYLLABLES_MOST)) continue;
    if (made.name === like?.name || out.some((n) => editsBetween(n.name, made.name) <= 1)) continue;
    const syllables = made.name.split(/[\s&]+/).filter(Boolean).reduce((s, w) => s + syllablesOf(w), 0); // prettier-ignore
    out.push({ ...made, way, syllables, rhythm: rhythmOf(made.name.replace(' &', '')), marks: marksOf(made.name, earlier) }); // prettier-ignore
  }
  return out;
}
