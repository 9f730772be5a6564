/**
 * How alike the two files of a movement are: first, middle and last frame of the JSON in lottie-web against the animated SVG, both in Chromium, and the last against the still; mean
 * difference in percent. `npx tsx bench/motion.ts [COUNT] [FROM]`.
 */
import { artworkToSvg } from '../core/export';
import { readSvg } from '../core/import';
import { motionAsk, motionOf, motionsOf, motionToLottie, MOTION_KINDS, motionToSvg } from '../core/motion';
import { sceneOf } from '../core/scene';
import { openBrowser } from '../e2e/browser';
import { momentsOf, percentOff, Stage } from '../e2e/playing';
import { packDrawings } from './packs';

const SIDE = 512;
const WHEN = ['first', 'middle', 'last'] as const;
const count = Number(process.argv[2] ?? 40);
const from = Number(process.argv[3] ?? 0);
const { browser, close } = await openBrowser();
const stage = await Stage.on(await browser.newPage(), SIDE);

const found: { what: string; percent: number; name: string }[] = [];
for (const { name, svg } of packDrawings(count, from)) {
  const { artwork } = readSvg(svg);
  const scene = sceneOf(artwork, { strokes: 'kept' });
  await stage.show(artworkToSvg(artwork));
  const still = await stage.seen();
  for (const kind of motionsOf(scene)) {
    const motion = motionOf(scene, motionAsk(kind));
    const moments = momentsOf(motion.seconds);
    const drawn = await stage.svgAt(motionToSvg(motion, name), moments);
    const json = await stage.jsonAt(motionToLottie(motion, name), moments);
    drawn.forEach((picture, k) =>
      found.push({ what: `${kind} ${WHEN[k]}`, percent: percentOff(picture, json[k]), name }),
    );
    found.push({ what: `${kind} still`, percent: percentOff(drawn[2], still), name });
  }
}
await close();
for (const kind of MOTION_KINDS)
  for (const when of [...WHEN, 'still']) {
    const list = found.filter((f) => f.what === `${kind} ${when}`).sort((a, b) => b.percent - a.percent);
    if (!list.length) continue;
    const mean = list.reduce((sum, f) => sum + f.percent, 0) / list.length;
    const worst = list.slice(0, 3).map((f) => `${f.percent.toFixed(2)}% ${f.name}`);
    console.log(`${`${kind} ${when}`.padEnd(18)} mean ${mean.toFixed(3)}%  worst ${worst.join(', ')}`);
  }
for (const [what, list] of [
  ['JSON against SVG', found.filter((f) => !f.what.endsWith('still'))],
  ['last against the still', found.filter((f) => f.what.endsWith('still'))],
] as const)
  console.log(
    `${what}: mean ${(list.reduce((sum, f) => sum + f.percent, 0) / list.length).toFixed(3)}%, worst ${Math.max(...list.map((f) => f.percent)).toFixed(3)}%`,
  );
