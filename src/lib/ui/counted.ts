/** A number of things, with an s where they are not one. */
export const counted = (n: number, one: string): string => `${n.toLocaleString('en-GB')} ${one}${n === 1 ? '' : 's'}`;
