/**
 * How well lettering is found and read, straight and on arcs, clean and worn, and what is found where there is none. `npx tsx bench/reading.ts [--count N] [--seed N]
 * [--folder DIR]`: a folder of families' packages of one's own takes the place of the faces that ship.
 */
import { readdirSync } from 'node:fs';
import { parseArgs } from 'node:util';
import type { Box, Picture } from '../core/raster';
import { letteringOf, stopReading } from '../node/lettering';
import { pictureOf } from './drawings';
import { letteredCases, plainDrawings, LETTERED_PX } from './lettered';
import { quantile } from './quantile';

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '40' },
    seed: { type: 'string', default: '5' },
    folder: { type: 'string' },
  },
});
const count = Number(values.count);
const seed = Number(values.seed);
const own = values.folder ? { folder: values.folder, faces: readdirSync(values.folder) } : {};

/** Share of what two boxes cover together that both cover. */
function overlap([ax, ay, aw, ah]: Box, [bx, by, bw, bh]: Box): number {
  const w = Math.max(0, Math.min(ax + aw, bx + bw) - Math.max(ax, bx));
  const h = Math.max(0, Math.min(ay + ah, by + bh) - Math.max(ay, by));
  return (w * h) / (aw * ah + bw * bh - w * h);
}

const times: number[] = [];
async function timed(picture: Picture, asked: string | null) {
  const started = performance.now();
  const lettering = await letteringOf(picture, asked);
  times.push(performance.now() - started);
  return lettering;
}

const percent = (n: number, of: number): string => `${n} of ${of} (${((100 * n) / Math.max(1, of)).toFixed(1)}%)`;

for (const setting of ['straight', 'arc'] as const)
  for (const isWorn of [false, true]) {
    let [found, words] = [0, 0];
    const told = { right: { right: 0, wrong: 0, none: 0 }, wrong: { right: 0, wrong: 0, none: 0 } };
    for await (const one of letteredCases(setting, { count, isWorn, seed, ...own })) {
      const { lines, verdict } = await timed(one.picture, one.asked);
      told[one.isRight ? 'right' : 'wrong'][verdict]++;
      words += one.words.length;
      for (const word of one.words)
        if (lines.some((l) => l.words.some((w) => overlap(w.box, word.box) >= 0.5))) found++;
    }
    const all = (t: typeof told.right): number => t.right + t.wrong + t.none;
    console.log(
      `${setting}${isWorn ? ', worn' : ''}: words found ${percent(found, words)}; right ones called right ${percent(told.right.right, all(told.right))}, wrong ${told.right.wrong}; wrong ones called wrong ${percent(told.wrong.wrong, all(told.wrong))}, right ${told.wrong.right}`,
    );
  }

let [none, pictures] = [0, 0];
for (const kind of ['single', 'many'] as const)
  for (const drawing of plainDrawings(kind, count, seed))
    for (const isWorn of [false, true]) {
      const { picture } = await pictureOf(drawing, isWorn, LETTERED_PX);
      const { lines } = await timed(picture, pictures % 2 ? null : 'Hollow Fern');
      pictures++;
      if (!lines.length) continue;
      none++;
      console.log(`  found in ${drawing.name}: ${lines.flatMap((l) => l.words.map((w) => w.text)).join(' ')}`);
    }
console.log(`pictures without lettering in which some is found: ${percent(none, pictures)}`);
console.log(
  `a picture takes ${Math.round(quantile(times, 0.5))} ms at the median, ${Math.round(quantile(times, 0.95))} at most in 95%`,
);
await stopReading();
