/** Quotes as they are typed in haste, as they should be, and spaces that are one too many. */
export function tidied(text: string): string {
  return text
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
