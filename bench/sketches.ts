/**
 * How sketches are redrawn: for pencil drawings of the engine's own, shaken as a hand trembles, how much of the pencil's outline is left at closeness 100 (intersection over
 * union), how many corners the pencil had, how many are left and how many the same drawing has in a hand that does not tremble (turns of half a radian or more within three units), and the time. `npx tsx bench/sketches.ts [SHAKE]`, SHAKE in
 * pixels of 512, 3 when left out.
 */
import { drawCandidate } from '../core/engine';
import { readReference } from '../core/engine/reference';
import { blankPicture, type Picture } from '../core/raster';
import { randomFrom } from '../core/random';
import { cleanSketch, cornerCount, overlapOf } from '../core/sketch';
import type { Area } from '../core/path';

const THINGS = ['whale', 'a cup', 'fox head', 'owl', 'sailboat', 'apple', 'house', 'cat face', 'key', 'mushroom', 'turtle', 'guitar']; // prettier-ignore
const SIDE_PX = 512;
const shake = Number(process.argv[2] ?? 3);

/** A picture with every place moved by waves of several lengths, none of which goes with another. */
function shaken(picture: Picture, seed: number): Picture {
  const random = randomFrom(seed);
  const phases = Array.from({ length: 4 }, () => 9 * random());
  const wave = (a: number, b: number, k: number): number => shake * (Math.sin(a / 9 + phases[k]) + 0.65 * Math.sin(b / 6 + phases[k + 1])); // prettier-ignore
  const out = blankPicture(picture.widthPx, picture.heightPx, [255, 255, 255]);
  for (let y = 0; y < picture.heightPx; y++)
    for (let x = 0; x < picture.widthPx; x++) {
      const [u, v] = [Math.round(x + wave(y, x, 0)), Math.round(y + wave(x, y, 2))];
      if (u < 0 || v < 0 || u >= picture.widthPx || v >= picture.heightPx) continue;
      const from = 4 * (v * picture.widthPx + u);
      out.rgba.set(picture.rgba.subarray(from, from + 4), 4 * (y * picture.widthPx + x));
    }
  return out;
}

const cornersOf = (area: Area): number => area.reduce((sum, ring) => sum + cornerCount(ring), 0);
let [before, after, steady, least, time] = [0, 0, 0, 1, 0];
for (const [k, thing] of THINGS.entries()) {
  const drawn = drawCandidate({ prompt: `${thing}, white ground`, finish: 'pencil sketch', sizePx: SIDE_PX, leeway: 0, flaws: 0 }, 0); // prettier-ignore
  const sketch = shaken(drawn.picture, k + 1);
  const penciled = (picture: Picture): Area => cleanSketch(picture)!.outline.map((ring) => ring.map((v) => (v * 100) / SIDE_PX)); // prettier-ignore
  const pencil = penciled(sketch);
  const { outline } = readReference(sketch);
  // The least of three: other work on the machine only adds to it.
  const ms = Math.min(...[1, 2, 3].map(() => {
    const started = performance.now();
    readReference(sketch);
    return performance.now() - started;
  })); // prettier-ignore
  time += ms;
  const [had, left, meant, kept] = [cornersOf(pencil), cornersOf(outline), cornersOf(penciled(drawn.picture)), overlapOf(pencil, outline)]; // prettier-ignore
  [before, after, steady, least] = [before + had, after + left, steady + meant, Math.min(least, kept)];
  console.log(
    `${thing}: ${(100 * kept).toFixed(1)}% kept, ${had} corners to ${left}, of ${meant} meant, ${ms.toFixed(0)} ms`,
  );
}
console.log(`all: at least ${(100 * least).toFixed(1)}% kept, ${before} corners to ${after}, of ${steady} meant, ${(time / THINGS.length).toFixed(0)} ms each`); // prettier-ignore
