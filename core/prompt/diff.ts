/** A stretch of words of a prompt, against the prompt before it. */
export interface WordChange {
  readonly change: 'same' | 'added' | 'dropped';
  readonly text: string;
}

const wordsOf = (text: string): string[] => text.split(/\s+/).filter(Boolean);
const bare = (word: string): string => word.toLowerCase().replace(/[,;.:]+$/, '');

/**
 * The words that changed between two prompts, in reading order: what was dropped stands before what came in its place. By the
 * longest common subsequence of words (Hunt and Szymanski 1977), without regard to capitals and closing punctuation. Very long texts
 * are compared by their first 400 words.
 */
export function diffWords(before: string, after: string): WordChange[] {
  const a = wordsOf(before).slice(0, 400);
  const rest = wordsOf(after);
  const b = rest.slice(0, 400);
  const width = b.length + 1;
  const length = new Uint16Array((a.length + 1) * width);
  for (let i = a.length - 1; i >= 0; i--)
    for (let j = b.length - 1; j >= 0; j--)
      length[i * width + j] =
        bare(a[i]) === bare(b[j])
          ? length[(i + 1) * width + j + 1] + 1
          : Math.max(length[(i + 1) * width + j], length[i * width + j + 1]);
  const out: { change: WordChange['change']; words: string[] }[] = [];
  const add = (change: WordChange['change'], word: string) => {
    const last = out[out.length - 1];
    if (last?.change === change) last.words.push(word);
    else out.push({ change, words: [word] });
  };
  let i = 0;
  let j = 0;
  while (i < a.length || j < b.length) {
    if (i < a.length && j < b.length && bare(a[i]) === bare(b[j])) {
      add('same', b[j++]);
      i++;
    } else if (i < a.length && (j === b.length || length[(i + 1) * width + j] >= length[i * width + j + 1]))
      add('dropped', a[i++]);
    else add('added', b[j++]);
  }
  for (const word of rest.slice(400)) add('same', word);
  return out.map(({ change, words }) => ({ change, text: words.join(' ') }));
}
