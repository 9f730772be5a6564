/**
 * How many ideas four candidates are: shares of rounds in which at least three of the four have outlines of their own, and in which all four have one. Lines, rings, discs and tiles
 * around figures are left off; outlines are fitted, mirrored and tilted onto each other, and are one where they share 0.75 of what they cover.
 * `npx tsx bench/ideas.ts [PROMPTS.txt]`, as those in `bench/reading`, up to a bar in each line; without a file, prompts made up here.
 */
import { readFileSync } from 'node:fs';
import { coveredCells } from '../core/raster';
import { intersect, moved, union, type Area } from '../core/path';
import { boundsOf } from '../core/engine/area';
import { compose } from '../core/engine/compose';
import { sceneOf } from '../core/engine/request';
import { intersectionOverUnion } from './measure';

const SIDE = 56;
const SAME = 0.75;
const PROMPTS = ['fox', 'an owl reading a book', 'whale', 'teapot', 'a bear in a boat', 'feather', 'emblem of a mountain and a pine tree', 'bicycle', 'app icon of a swan', 'a lantern', 'hedgehog with a leaf', 'rooster', 'a tree made of books', 'anchor and rope', 'octopus', 'a cactus in a pot', 'moon over a mountain', 'key', 'tortoise', 'a cup of coffee', 'rocket', 'two foxes under a moon', 'acorn', 'a penguin with a scarf']; // prettier-ignore

const own = process.argv.find((a) => a.endsWith('.txt'));
const prompts = own
  ? readFileSync(own, 'utf8')
      .split('\n')
      .filter((l) => l.trim() && !l.startsWith('#'))
      .map((l) => l.split('|')[0].trim())
  : PROMPTS;

/** What the figures of a candidate cover, without what holds them. */
function outlineOf(prompt: string, leeway: number, position: number): Area {
  const { layers } = compose(sceneOf({ prompt, leeway, flaws: 0 }, position));
  return union(...layers.filter((l) => l.isFigure).map((l) => (l.clip ? intersect(l.area, l.clip) : l.area)));
}

function cellsOf(area: Area, mirror: boolean, turnRad: number): Uint8Array {
  const [c, n] = [Math.cos(turnRad), Math.sin(turnRad)];
  const turned = moved(area, [mirror ? -c : c, mirror ? -n : n, -n, c, 0, 0]);
  const b = boundsOf(turned);
  const k = SIDE / Math.max(b.width, b.height, 1e-6);
  const fit = moved(turned, [k, 0, 0, k, SIDE / 2 - k * (b.x + b.width / 2), SIDE / 2 - k * (b.y + b.height / 2)]);
  return coveredCells([fit], SIDE);
}

/** The largest share of what two outlines cover that both do. */
function overlapOf(p: Area, q: Area): number {
  const fixed = cellsOf(p, false, 0);
  let best = 0;
  for (const mirror of [false, true])
    for (let t = -20; t <= 20; t += 10) {
      const other = cellsOf(q, mirror, (t * Math.PI) / 180);
      best = Math.max(best, intersectionOverUnion(fixed, other));
    }
  return best;
}

/** How many of four have outlines of their own: the most of which no two are one. */
function distinctOf(areas: readonly Area[]): number {
  const apart = areas.map((p, i) => areas.map((q, j) => i === j || overlapOf(p, q) < SAME));
  let most = 1;
  for (let set = 1; set < 1 << areas.length; set++) {
    const members = areas.map((_, i) => i).filter((i) => set & (1 << i));
    if (members.every((i) => members.every((j) => apart[i][j]))) most = Math.max(most, members.length);
  }
  return most;
}

for (const leeway of [10, 35, 50, 80]) {
  const counts = prompts.map((prompt) => distinctOf([0, 1, 2, 3].map((k) => outlineOf(prompt, leeway, k))));
  const share = (fits: (n: number) => boolean): string => `${((100 * counts.filter(fits).length) / counts.length).toFixed(0)}%`; // prettier-ignore
  console.log(`leeway ${leeway}: three or more of four differ in ${share((n) => n >= 3)}, all four are one in ${share((n) => n === 1)} of ${prompts.length} rounds`); // prettier-ignore
  if (process.argv.includes('--which')) console.log('   ' + prompts.map((p, i) => `${p} ${counts[i]}`).join('; '));
}
