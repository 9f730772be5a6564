/** Quotes as they are typed in haste, as they should be, and spaces that are one too many. */
export function tidied(text: string): string {
  return (isUpsideDown(text) ? swapped(text) : text)
    .replace(/(\p{L}|\p{N})'(?=\p{L}|\s|$)/gu, '$1’')
    .replace(/(^|[\s([])'(?=\d\d)/gu, '$1’')
    .replace(/(^|[\s([])'/gu, '$1‘')
    .replace(/'/g, '’')
    .replace(/(^|[\s([])"/gu, '$1“')
    .replace(/"/g, '”')
    .replace(/ {2,}/g, ' ')
    .replace(/(\d) ?- ?(\d)/g, '$1–$2')
    .replace(/\.\.\./g, '…')
    .split('\n')
    .map((l) => l.trim())
    .join('\n');
}

/** Typed with capitals where small letters were meant, and the other way round: every word of it. */
function isUpsideDown(text: string): boolean {
  const words = text.split(/\s+/).filter((w) => /\p{L}{2}/u.test(w));
  return words.length > 0 && words.every((w) => /^\p{Ll}\p{Lu}+$/u.test(w));
}
const swapped = (text: string): string => [...text].map((c) => (c === c.toUpperCase() ? c.toLowerCase() : c.toUpperCase())).join(''); // prettier-ignore

/** A text in the capitals and small letters of a name, where it says the same; its lines stay. */
export function casedAs(text: string, name: string): string {
  const plain = (s: string): string => s.replaceAll('\n', ' ').toLowerCase();
  return text !== name && plain(text) === plain(name) && text.length === name.length
    ? [...name].map((c, k) => (text[k] === '\n' ? '\n' : c)).join('')
    : text;
}
