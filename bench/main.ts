/**
 * Prints figures: `npm run bench`. Times are medians of several runs in this process; ratios are against work of a known size in the same
 * run, so that they mean the same on any machine.
 */
import sharp from 'sharp';
import { rgbToOklab } from '../core/colour';
import { drawCandidate } from '../core/engine';
import { proofsOf } from '../core/judge';
import { blankPicture } from '../core/raster';
import { trace } from '../core/trace';
import { decodePicture, encodePng } from '../node/pictures';

const RUNS = 5;

async function median(work: () => unknown): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < RUNS + 1; i++) {
    const started = performance.now();
    await work();
    times.push(performance.now() - started);
  }
  // The first run warms up.
  return times.slice(1).sort((p, q) => p - q)[Math.floor(RUNS / 2)];
}

const line = (name: string, ms: number, than?: { name: string; ms: number }) =>
  console.log(
    `${name.padEnd(52)} ${ms.toFixed(0).padStart(6)} ms${than ? `   ${(ms / than.ms).toFixed(1)} x ${than.name}` : ''}`,
  );

/** Decoding a PNG to raw pixels and one pass over them to OKLab: what any trace must at least do. */
async function reference(png: Buffer): Promise<number> {
  return median(async () => {
    const { rgba } = await decodePicture(png);
    let sum = 0;
    for (let i = 0; i < rgba.length; i += 4) sum += rgbToOklab(rgba[i], rgba[i + 1], rgba[i + 2]).L;
    return sum;
  });
}

const one = drawCandidate({ prompt: 'moon, black, flat, white ground', leeway: 0 }, 0).picture;
const six = drawCandidate(
  {
    prompt: 'mascot: a hedgehog gardener with a basket, brown, green, coral, cream, amber and navy, white ground',
    leeway: 0,
  },
  0,
).picture;
const flatPng = await encodePng(blankPicture(1024, 1024, [200, 180, 40]));

const flat = { name: 'encoding a flat picture', ms: await median(() => sharp(flatPng).png().toBuffer()) };
line('encode one flat picture, 1024 px', flat.ms);
line(
  'draw and encode one candidate, 1024 px',
  await median(async () =>
    encodePng(drawCandidate({ prompt: 'bat over a moon, midnight blue and lamp yellow' }, 0).picture),
  ),
  flat,
);

for (const [name, picture] of [
  ['one colour', one],
  ['six colours', six],
] as const) {
  const base = { name: 'decoding and one pass to OKLab', ms: await reference(await encodePng(picture)) };
  line(`decode and convert, ${name}, 1024 px`, base.ms);
  line(`trace, ${name}, 1024 px`, await median(() => trace(picture)), base);
}
line('proofs of a candidate, 1024 px', await median(() => proofsOf(six)));
console.log(`memory at the end ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB`);
