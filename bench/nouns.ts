/** How everyday nouns are found: by name, by a synonym, by a broader term that stands for them, or not at all. `npx tsx bench/nouns.ts [FILE.txt] [--list]`; a word a line. */
import { readFileSync } from 'node:fs';
import { findFigure } from '../core/engine/lexicon';

const file = process.argv.slice(2).find((a) => a.endsWith('.txt')) ?? 'first.txt';
const words = readFileSync(new URL(`nouns/${file}`, import.meta.url), 'utf8').split('\n').map((w) => w.trim()).filter(Boolean); // prettier-ignore
const found = words.map((word) => ({ word, figure: findFigure(word) }));
for (const via of ['name', 'synonym', 'broader', 'none'] as const) {
  const these = found.filter(({ figure }) => (figure?.via ?? 'none') === via);
  console.log(`${via.padEnd(8)} ${((100 * these.length) / words.length).toFixed(1)}% of ${words.length}`);
  if (process.argv.includes('--list') && via !== 'name') console.log(`  ${these.map(({ word, figure }) => (figure ? `${word} → ${figure.drawn}` : word)).join(', ')}`); // prettier-ignore
}
