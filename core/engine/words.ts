import type { Stage } from './stage';

/** Letters that a machine hand takes for one another. */
const ALIKE: Readonly<Record<string, string>> = {
  a: 'eo',
  b: 'dh',
  c: 'eo',
  d: 'bq',
  e: 'ca',
  f: 't',
  g: 'qy',
  h: 'nb',
  i: 'lj',
  j: 'i',
  k: 'hx',
  l: 'i',
  m: 'nw',
  n: 'mru',
  o: 'ae',
  p: 'qb',
  q: 'gp',
  r: 'nt',
  s: 'z',
  t: 'fl',
  u: 'vn',
  v: 'uy',
  w: 'vm',
  x: 'k',
  y: 'v',
  z: 's',
};

/**
 * The words to set, as such an engine sets them: with flaws some letters come out as others, doubled or dropped; single letters
 * come out right. `garbled` 0..1 is the share of letters that go wrong.
 */
export function garble(text: string, garbled: number, k: (name: string) => number): string {
  if ([...text.replace(/\s/g, '')].length <= 2) return text;
  return [...text]
    .map((letter, i) => {
      if (!/\p{L}/u.test(letter) || k(`letter/${i}`) >= garbled) return letter;
      const low = letter.toLowerCase();
      const way = k(`garble/${i}`);
      if (way < 0.16) return '';
      if (way < 0.34) return letter + letter;
      const alike = ALIKE[low];
      if (!alike) return letter;
      const other = alike[Math.floor(k(`alike/${i}`) * alike.length)];
      return letter === low ? other : other.toUpperCase();
    })
    .join('');
}

/** The words of a prompt to be set in a mark. */
export const wordsAs = (stage: Stage): string[] =>
  stage.parts.lettering.map((text, i) => garble(text, stage.garbled ?? 0, (name) => stage.knobs(`${i}/${name}`)));
