import type { PromptParts, PromptWord } from './words';

/** A stretch of the prompt that was read as one thing. */
export interface Stretch {
  /** What it was read as, in a word for the screen. */
  readonly name: string;
  /** From the first character to the one after the last, in the prompt. */
  readonly from: number;
  readonly to: number;
  /** Index of the figure that it is, or null. */
  readonly figure: number | null;
  readonly isUnknown: boolean;
}

const keyOf = ({ part, figure }: PromptWord): string => (figure === null ? part : `figure ${figure}`);

/** The prompt in stretches, in its own order; words that carry nothing are in none, unless they stand inside one. */
export function stretchesOf(parts: Pick<PromptParts, 'words'>): Stretch[] {
  const out: { name: string; from: number; to: number; figure: number | null; isUnknown: boolean; key: string }[] = [];
  for (const word of parts.words) {
    const to = word.at + word.word.length;
    const last = out.at(-1);
    if (word.part === 'filler') continue;
    if (last?.key === keyOf(word)) last.to = to;
    else
      out.push({
        name: word.figure === null ? word.part : 'figure',
        from: word.at,
        to,
        figure: word.figure,
        isUnknown: word.part === 'not understood',
        key: keyOf(word),
      });
  }
  return out.map(({ name, from, to, figure, isUnknown }) => ({ name, from, to, figure, isUnknown }));
}
