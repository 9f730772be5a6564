/** How a name is said: its syllables, where its stress falls, and whether one can say it at all. Rules of English spelling, not a dictionary. */

/** Vowel letters that are one sound; a final silent "e" is none. */
const VOWELS = /[aeiouy]+/g;
/** Consonants that may begin a syllable together. */
const BEGINNINGS =
  /^(?:[bcdfghjklmnprstvwyz]|kw|skw|bl|br|ch|cl|cr|dr|dw|fl|fr|gl|gr|kn|ph|pl|pr|sc|sch|sh|shr|sk|sl|sm|sn|sp|spl|spr|st|str|sw|th|thr|tr|tw|wh|wr|kl|kr)?$/;
/** Consonants that may end a word together. */
const ENDINGS =
  /^(?:[bcdfgklmnprstvwxz]|ck|ct|ft|ld|lf|lk|ll|lm|lp|ls|lt|lth|mb|mp|mph|nce|nch|nd|ng|nk|ns|nt|nth|ph|pt|rb|rch|rd|rf|rge|rk|rl|rm|rn|rp|rs|rsh|rst|rt|rth|rve|sh|sk|sm|sp|ss|st|tch|th|ts|tt|ff|gg|bb|dd|nn|pp|rr|ght|gh|wn|wl|wk|sh|ch|tz|zz|ws|x)?$/;

const letters = (word: string): string =>
  word
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z]/g, '')
    // The u of "qu" is no vowel.
    .replaceAll('qu', 'kw');

/** Its syllables as stretches of vowels, each with the consonants before it. */
export function syllablesOf(word: string): number {
  const text = letters(word);
  const spoken = text.replace(/(?<=[aeiouy][^aeiouy]+)e$/, '').replace(/(?<=[aeiouy][^aeiouy]+)es$/, (m) => (/(?:s|x|z|ch|sh|c|g)es$/.test(text) ? m : 's')); // prettier-ignore
  const groups = spoken.match(VOWELS) ?? [];
  // "ia" and "io" inside a word are two, but not in "-tion"; "-le" after a consonant is one.
  const split = (spoken.match(/i[ao](?!us|n$)|e[ou](?=m|s)|ua(?!r)/g) ?? []).length;
  const le = /[^aeiouy]le$/.test(text) ? 1 : 0;
  return Math.max(1, groups.length + split + le);
}

/** Whether a reader of English would say it without stumbling: no run of consonants that none begins or ends with, no three vowels in a row. */
export function canBeSaid(word: string): boolean {
  const text = letters(word);
  if (text.length < 3 || /[aeiou]{3}|(.)\1\1|[^aeiouy]{5}|[jqvwx][^aeiouyrlh]|uu|ii|aa|yy|hh|jj|kk(?!e)|vv|ww/.test(text)) return false; // prettier-ignore
  const first = /^[^aeiouy]*/.exec(text)![0];
  const last = /[^aeiouy]*$/.exec(text)![0];
  if (!BEGINNINGS.test(first.replace(/^y$/, 'y')) || !ENDINGS.test(last)) return false;
  // In its middle a run is an ending and a beginning.
  for (const [, run] of text.matchAll(/(?<=[aeiouy])([^aeiouy]{2,})(?=[aeiouy])/g)) {
    const isSplit = Array.from({ length: run.length + 1 }, (_, k) => k).some((k) => ENDINGS.test(run.slice(0, k)) && BEGINNINGS.test(run.slice(k))); // prettier-ignore
    if (!isSplit) return false;
  }
  return true;
}

/** Where its stress falls: the number of the syllable, from 1. Endings that draw it to themselves or before them, else the first; of four and more the last but two. */
export function stressOf(word: string): number {
  const n = syllablesOf(word);
  const text = letters(word);
  if (n === 1) return 1;
  if (/(?:ee|eer|ette|esque|ine|oon)$/.test(text)) return n;
  if (/(?:ia|io|ion|ic|ity|ian|ius|eum|ium|a|o|um|is|us)$/.test(text) && n > 2)
    return Math.max(1, n - (/(?:ia|io|ion|ian|ius|eum|ium|ity)$/.test(text) ? 2 : 1));
  return n > 3 ? n - 2 : 1;
}

/** A pattern of strong and weak syllables, as "X x": a capital where the stress is. */
export const rhythmOf = (word: string): string =>
  word
    .split(/\s+/)
    .map((w) => Array.from({ length: syllablesOf(w) }, (_, i) => (i + 1 === stressOf(w) ? 'X' : 'x')).join(''))
    .join(' ');

/** The sound a word begins with: "ph" is "f", "kn" is "n", "c" before "e" is "s". */
export function firstSound(word: string): string {
  const text = letters(word);
  if (/^ph/.test(text)) return 'f';
  if (/^(?:kn|gn)/.test(text)) return 'n';
  if (/^wr/.test(text)) return 'r';
  if (/^(?:ch|sh|th|wh|kw)/.test(text)) return text.slice(0, 2).replace('kw', 'qu');
  if (/^c[eiy]/.test(text)) return 's';
  if (/^g[eiy]/.test(text) && !/^(?:get|gift|girl|give|gear|gild)/.test(text)) return 'j';
  return text[0] === 'c' || text[0] === 'q' ? 'k' : text.slice(0, 1);
}
