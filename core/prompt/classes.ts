/** Word classes: which words are nouns and of what kind, verbs, adjectives, adverbs. From WordNet, compiled by `scripts/compile-classes.ts`. */
import data from './data/classes.json';

/** What a noun names. */
export type NounKind =
  | 'animal'
  | 'person'
  | 'plant'
  | 'food'
  | 'body'
  | 'artifact'
  | 'garment'
  | 'object'
  | 'phenomenon'
  | 'shape'
  | 'substance'
  /** Signs, texts, groups and places. */
  | 'sign'
  | 'abstract';

interface Classes {
  readonly nouns: ReadonlyMap<string, NounKind>;
  readonly compounds: ReadonlySet<string>;
  readonly verbs: ReadonlySet<string>;
  readonly adjectives: ReadonlySet<string>;
  readonly adverbs: ReadonlySet<string>;
  readonly seldomNouns: ReadonlySet<string>;
}

const setOf = (words: string, between = ' '): ReadonlySet<string> => new Set(words.split(between));
let classes: Classes | null = null;
/** Made when a prompt is first read: it is a megabyte of words. */
const all = (): Classes =>
  (classes ??= {
    nouns: new Map(
      Object.entries(data.nouns).flatMap(([kind, words]) =>
        words.split(' ').map((w) => [w, kind as NounKind] as const),
      ),
    ),
    compounds: setOf(data.compounds, ','),
    verbs: setOf(data.verbs),
    adjectives: setOf(data.adjectives),
    adverbs: setOf(data.adverbs),
    seldomNouns: setOf(data.seldomNouns),
  });

const IRREGULAR_PLURALS: Readonly<Record<string, string>> = { mice: 'mouse', geese: 'goose', feet: 'foot', teeth: 'tooth', men: 'man', women: 'woman', children: 'child', people: 'person', oxen: 'ox', wolves: 'wolf', leaves: 'leaf', knives: 'knife', loaves: 'loaf', halves: 'half', scarves: 'scarf', hooves: 'hoof', shelves: 'shelf', cacti: 'cactus', fungi: 'fungus', dice: 'die', chillies: 'chilli' }; // prettier-ignore

/** A noun and what it would be if it were a plural. */
export function singulars(word: string): string[] {
  const last = word.split(' ').at(-1)!;
  const before = word.slice(0, word.length - last.length);
  const out = [word];
  if (Object.hasOwn(IRREGULAR_PLURALS, last)) out.push(before + IRREGULAR_PLURALS[last]);
  if (word.endsWith('ies')) out.push(word.slice(0, -3) + 'y');
  if (word.endsWith('ves')) out.push(word.slice(0, -3) + 'f');
  if (/(?:s|x|z|ch|sh|o)es$/.test(word)) out.push(word.slice(0, -2));
  if (/[^su]s$/.test(word)) out.push(word.slice(0, -1));
  // Of "ears of wheat" the ears are several.
  const several = /^(\w+[^su\W])s (of \w.*)$/.exec(word);
  if (several) out.push(`${several[1]} ${several[2]}`);
  return out;
}

/** Irregular participles and past forms, with the verb. */
const PARTICIPLES: Readonly<Record<string, string>> = Object.fromEntries(
  'drawn:draw held:hold worn:wear ridden:ride bound:bind woven:weave wound:wind bent:bend broken:break hidden:hide hung:hang grown:grow risen:rise caught:catch seen:see built:build made:make eaten:eat sunk:sink torn:tear tied:tie frozen:freeze lit:light cut:cut spread:spread split:split set:set shut:shut lain:lie sat:sit stood:stand bitten:bite blown:blow thrown:throw flown:fly driven:drive stuck:stick swept:sweep spun:spin strung:string sewn:sew shown:show written:write struck:strike dug:dig fed:feed led:lead lost:lose found:find kept:keep left:leave slung:sling sprung:spring sworn:swear knelt:kneel leapt:leap burnt:burn molten:melt wrapt:wrap interwoven:weave intertwined:twine upturned:turn outstretched:stretch outspread:spread uplifted:lift upraised:raise'
    .split(' ')
    .map((pair) => pair.split(':') as [string, string]),
);

const isVerb = (word: string): boolean => all().verbs.has(word);
const CONSONANT_TWICE = /([bdgklmnprtvz])\1$/;

/** The verb that a word ending in -ing or -ed is of, or null. */
function stemOf(word: string, ending: 'ing' | 'ed'): string | null {
  if (!word.endsWith(ending) || word.length < ending.length + 2) return null;
  const stem = word.slice(0, -ending.length);
  // "Riding" is of "ride", though "rid" is a verb; "singing" is of "sing", though "singe" is.
  const plain = /(?:^|[^aeiou])[aeiou][^aeiouwxy]$/.test(stem) ? [`${stem}e`, stem] : [stem, `${stem}e`];
  const forms = [CONSONANT_TWICE.test(stem) ? stem.slice(0, -1) : '', ...plain];
  if (ending === 'ing' && stem.endsWith('y')) forms.push(`${stem.slice(0, -1)}ie`);
  if (ending === 'ed' && stem.endsWith('i')) forms.push(`${stem.slice(0, -1)}y`);
  return forms.find((f) => f && isVerb(f)) ?? null;
}

/** The verb of a gerund ("holding"), or null. */
export const gerundOf = (word: string): string | null => stemOf(word, 'ing');
/** The verb of a past participle ("curled", "worn"), or null. */
export const participleOf = (word: string): string | null =>
  Object.hasOwn(PARTICIPLES, word) ? PARTICIPLES[word] : stemOf(word, 'ed');
/** The verb of a third person ("holds"), or null. */
export const presentOf = (word: string): string | null =>
  word.endsWith('s') ? (singulars(word).slice(1).find(isVerb) ?? null) : isVerb(word) ? word : null;

/** Things that the list knows as somebody first: one who mugs, one who rules. */
const THINGS_FIRST = new Set('mug calculator cog controller conveyor excavator hanger mace mixer monitor pacifier plunger printer rake router ruler scanner screw shaker siren speaker target toaster wiper'.split(' ')); // prettier-ignore

/** What a noun names, singular or plural; null for what is no noun. */
export function nounKind(word: string): NounKind | null {
  for (const form of singulars(word)) {
    if (THINGS_FIRST.has(form)) return 'artifact';
    const kind = all().nouns.get(form);
    if (kind) return kind;
  }
  return null;
}

/** Whether a noun is far more often something else: "flat", "close". */
export const isSeldomNoun = (word: string): boolean => all().seldomNouns.has(word);
/** Whether a noun is plural; of "pine trees" the last word says so. */
export const isPlural = (noun: string): boolean => singulars(noun.split(' ').at(-1)!).slice(1).some((form) => all().nouns.has(form)); // prettier-ignore
/** Whether the words are a compound that is listed as one noun: "rolling pin". */
export const isCompound = (words: string): boolean => singulars(words).some((form) => all().compounds.has(form));
export const isAdjective = (word: string): boolean => all().adjectives.has(word);
export const isAdverb = (word: string): boolean => all().adverbs.has(word) || (word.endsWith('ly') && !nounKind(word));
/** Whether any list has the word, in any form. */
export const isKnownWord = (word: string): boolean =>
  nounKind(word) !== null ||
  isAdjective(word) ||
  isAdverb(word) ||
  presentOf(word) !== null ||
  gerundOf(word) !== null ||
  participleOf(word) !== null ||
  (word.includes('-') && word.split('-').every((part) => part.length > 1 && isKnownWord(part)));
