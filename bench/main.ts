/**
 * Prints figures: `npm run bench`. Times are medians of several runs in this process; ratios are against work of a known size in the same
 * run, so that they mean the same on any machine.
 */
import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import sharp from 'sharp';
import { rgbToOklab } from '../core/colour';
import { drawCandidate } from '../core/engine';
import { proofsOf } from '../core/judge';
import { blankPicture, cover, layColour } from '../core/raster';
import { trace } from '../core/trace';
import { decodePicture, encodePng } from '../node/pictures';
import { Pool } from '../node/pool';
import { drawingsOf, pictureOf } from './drawings';

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
const PROMPT = 'bat over a moon, midnight blue and lamp yellow';
line(
  'draw and encode one candidate, 1024 px',
  await median(async () => encodePng(drawCandidate({ prompt: PROMPT }, 0).picture)),
  flat,
);

// A round as the engine draws it, on both cores, against rasterising and encoding four pictures of one large disc each in this thread.
const ring = Array.from({ length: 256 }, (_, i) => [
  512 + 400 * Math.cos(i / 40.74),
  512 + 400 * Math.sin(i / 40.74),
]).flat();
const four = {
  name: 'rasterising and encoding four flat pictures',
  ms: await median(async () => {
    for (let i = 0; i < 4; i++) {
      const picture = blankPicture(1024, 1024, [255, 255, 255]);
      layColour(picture, cover([ring], 1024, 1024)!, [20, 40, 90]);
      await encodePng(picture);
    }
  }),
};
line(four.name, four.ms);
const pool = new Pool(fileURLToPath(new URL('../node/thread.mjs', import.meta.url)));
for (const [name, request] of [
  ['flat', { prompt: PROMPT }],
  ['woodcut', { prompt: PROMPT, finish: 'woodcut' }],
  ['low polygon', { prompt: PROMPT, finish: 'low polygon' }],
  ['wash', { prompt: PROMPT, finish: 'wash' }],
  ['emblem', { prompt: `emblem of a ${PROMPT}`, leeway: 80 }],
] as const)
  line(
    `a round of four, ${name}, 1024 px, on all cores`,
    await median(() => Promise.all([0, 1, 2, 3].map((position) => pool.run('draw', { request, position })))),
    four,
  );
console.log(`memory with the drawing threads ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB`);
await pool.close();

// A drawing of eight colours, the first of a seed.
const eightColours = drawingsOf('many', 40, 3).find((d) => d.hexes.length === 7 && !d.hexes.includes('#fff'))!;
for (const [name, picture] of [
  ['one colour', one],
  ['six colours', six],
  ['eight colours', (await pictureOf(eightColours, false, 1024)).picture],
] as const) {
  const base = { name: 'decoding and one pass to OKLab', ms: await reference(await encodePng(picture)) };
  line(`decode and convert, ${name}, 1024 px`, base.ms);
  line(`trace, ${name}, 1024 px`, await median(() => trace(picture)), base);
}
// Time and memory against the number of pixels, up to 4096 px a side, each in a process of its own: its peak less that of the picture alone.
const growth = `
  import { trace } from './core/trace';
  // Eight smoothed discs, painted without any buffer besides the picture.
  const side = Number(process.env.SIDE);
  const rgba = new Uint8ClampedArray(side * side * 4).fill(255);
  for (let k = 0; k < 8; k++) {
    const [cx, cy, r] = [side * (0.2 + 0.3 * (k % 3)), side * (0.2 + 0.3 * Math.floor(k / 3)), side * 0.12];
    for (let y = Math.floor(cy - r - 1); y <= cy + r + 1; y++)
      for (let x = Math.floor(cx - r - 1); x <= cx + r + 1; x++) {
        const t = Math.max(0, Math.min(1, r - Math.hypot(x + 0.5 - cx, y + 0.5 - cy) + 0.5));
        const o = (y * side + x) * 4;
        [37 * k, 255 - 31 * k, (97 * k) % 256].forEach((v, c) => (rgba[o + c] += (v - rgba[o + c]) * t));
      }
  }
  const picture = { widthPx: side, heightPx: side, rgba };
  const before = process.resourceUsage().maxRSS;
  const started = performance.now();
  trace(picture);
  console.log(performance.now() - started, process.resourceUsage().maxRSS - before, process.resourceUsage().maxRSS);
`;
for (const sidePx of [512, 1024, 2048, 4096]) {
  const { stdout } = await promisify(execFile)(
    process.execPath,
    ['--import', 'tsx', '--input-type=module', '-e', growth],
    {
      env: { ...process.env, SIDE: String(sidePx) },
    },
  );
  const [ms, kilobytes, whole] = stdout.trim().split(' ').map(Number);
  const pixels = sidePx ** 2;
  console.log(
    `trace, ${sidePx} px a side`.padEnd(52),
    `${ms.toFixed(0).padStart(6)} ms   ${((ms * 1000) / pixels).toFixed(2)} µs and ${((kilobytes * 1024) / pixels).toFixed(0)} bytes a pixel above what there was before, ${((whole * 1024) / pixels).toFixed(0)} with the whole process`,
  );
}
line('proofs of a candidate, 1024 px', await median(() => proofsOf(six)));
console.log(`memory at the end ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB`);
