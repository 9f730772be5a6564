/**
 * How much of prompts is read as it was written down beforehand (files in `bench/reading/`; the head of each says whether it was worked from): shares of prompts in which all figures, all pairs that stand in a relation, all
 * counts, what is left out, the lettering and the kind are right. `npx tsx bench/reading.ts [FILE.txt] [--wrong]` lists those that are not.
 */
import { scoreOf, writtenFile, type Part } from './written';

const { right, asked, notUnderstood, words, wrong } = scoreOf(writtenFile(process.argv.find((a) => a.endsWith('.txt')) ?? 'prompts.txt')); // prettier-ignore
if (process.argv.includes('--wrong')) for (const line of wrong) console.log(line);
for (const part of Object.keys(right) as Part[])
  console.log(`${part.padEnd(10)} ${((100 * right[part]) / asked[part]).toFixed(1)}% of ${asked[part]}`);
console.log(`not understood: ${((100 * notUnderstood) / words).toFixed(1)}% of the words`);
