/** How far candidates obey what was asked: `npx tsx bench/engine.ts` prints the figures that the tests set bars for. */
import { drawCandidate, FINISHES, THING_NAMES, understand, type CandidateRequest } from '../core/engine';
import { differenceOf, type Picture, shrink } from '../core/raster';
import {
  edgeLength,
  filledMask,
  flatColours,
  inkedMask,
  intersectionOverUnion,
  psnr,
  shareNear,
  sharpness,
  spreadOf,
} from './measure';

const SIZE = 256;
const draw = (prompt: string, position = 0, more: Partial<CandidateRequest> = {}): Picture =>
  drawCandidate({ prompt, sizePx: SIZE, flaws: 0, ...more }, position).picture;
const four = (prompt: string, more: Partial<CandidateRequest> = {}): Picture[] =>
  [0, 1, 2, 3].map((p) => draw(prompt, p, more));
const mean = (values: readonly number[]): number => values.reduce((s, v) => s + v, 0) / values.length;
const least = (values: readonly number[]): string =>
  `${mean(values).toFixed(3)} mean, ${Math.min(...values).toFixed(3)} least`;

const SUBJECTS = [
  'fox',
  'owl',
  'whale',
  'bicycle',
  'teapot',
  'castle',
  'rocket',
  'cactus',
  'anchor',
  'bear',
  'rose',
  'violin',
];

console.log(`things that can be drawn: ${THING_NAMES.length}; finishes: ${Object.keys(FINISHES).length}`);

const named = SUBJECTS.flatMap((s) => four(`${s}, navy and amber`).map((p) => shareNear(p, ['#14264F', '#F2A71B'])));
console.log('named colours, share of what is not ground:', least(named));
const byFinish = Object.keys(FINISHES)
  .filter((f) => f !== 'pencil sketch')
  .map(
    (finish) =>
      [
        finish,
        shareNear(draw('owl, navy and amber, white ground', 0, { finish, sizePx: 512 }), ['#14264F', '#F2A71B']),
      ] as const,
  );
console.log(
  '  the same by finish, those under 0.8:',
  byFinish
    .filter(([, v]) => v < 0.8)
    .map(([n, v]) => `${n} ${v.toFixed(2)}`)
    .join(', ') || 'none',
);

const counts = SUBJECTS.flatMap((s) => four(`${s}, two colours`).map((p) => flatColours(p).length));
console.log(
  'two colours and the ground: pictures with 3 flat colours',
  counts.filter((n) => n === 3).length,
  'with fewer',
  counts.filter((n) => n < 3).length,
  'with more',
  counts.filter((n) => n > 3).length,
);

const steps = [0, 25, 50, 75, 100];
const edges = steps.map((detail) => mean(SUBJECTS.map((s) => edgeLength(draw(s, 0, { detail, leeway: 0 })))));
console.log(`length of edges at detail ${steps.join(', ')}:`, edges.map((e) => Math.round(e)).join(', '));

const spreads = steps.map((leeway) => mean(SUBJECTS.slice(0, 8).map((s) => spreadOf(four(s, { leeway })))));
console.log(`spread of four at leeway ${steps.join(', ')}:`, spreads.map((v) => v.toFixed(1)).join(', '));

let nearest = 0;
const grows: number[][] = [];
for (const s of SUBJECTS) {
  const drawn = [0, 1, 2, 3].map((p) => drawCandidate({ prompt: s, sizePx: SIZE, flaws: 0 }, p));
  const [parent] = drawn;
  const away = [5, 25, 50, 75, 100].map((drift) =>
    mean([0, 1].map((p) => differenceOf(parent.picture, draw('', p, { offshootOf: parent.recipe, drift, seed: 9 })))),
  );
  grows.push(away);
  const near = draw('', 0, { offshootOf: parent.recipe, drift: 8, seed: 9 });
  if (drawn.slice(1).every((d) => differenceOf(near, parent.picture) < differenceOf(near, d.picture))) nearest++;
}
console.log(`offshoots at drift 8 nearest to their parent: ${nearest} of ${SUBJECTS.length}`);
console.log(
  'distance from the parent at drift 5, 25, 50, 75, 100:',
  [0, 1, 2, 3, 4].map((i) => mean(grows.map((g) => g[i])).toFixed(1)).join(', '),
);

const sketches = ['owl', 'whale', 'teapot', 'hedgehog', 'rocket', 'apple', 'cat', 'mushroom'];
const kept = [0, 25, 50, 75, 100].map((closeness) =>
  mean(
    sketches.map((s) => {
      const sketch = draw(`${s}, white ground`, 0, { finish: 'pencil sketch', sizePx: 480, leeway: 0, seed: 3 });
      const truth = filledMask(inkedMask(sketch, 60), sketch.widthPx, sketch.heightPx);
      const made = draw('fox, navy', 0, { references: [{ picture: sketch, closeness }], sizePx: 480, leeway: 0 });
      return intersectionOverUnion(truth, filledMask(inkedMask(made), made.widthPx, made.heightPx));
    }),
  ),
);
console.log(
  'a fox after another thing’s sketch, overlap at closeness 0, 25, 50, 75, 100:',
  kept.map((v) => v.toFixed(3)).join(', '),
);

const enlarged = SUBJECTS.slice(0, 6).map((s) => {
  const small = drawCandidate({ prompt: s, sizePx: SIZE, flaws: 20 }, 0);
  const big = drawCandidate({ prompt: '', enlarge: small.recipe, sizePx: SIZE * 4 }, 0).picture;
  return { db: psnr(shrink(big, SIZE, SIZE), small.picture), sharper: sharpness(big) };
});
console.log('enlarged four times and shrunk back, dB:', least(enlarged.map((e) => e.db)));

const words = [
  'heron',
  'kingfisher',
  'trowel',
  'accordion',
  'samovar',
  'gondola',
  'beech',
  'saffron',
  'locksmith',
  'aqueduct',
  'lynx',
  'tambourine',
  'scythe',
  'fjord',
  'marten',
  'quiche',
  'orchid',
  'dumbbell',
  'ladle',
  'weaver',
];
console.log(
  'any noun:',
  words.map((w) => understand(w).figures.map((f) => `${w}→${f.drawn} (${f.via})`)[0] ?? `${w}→nothing`).join(', '),
);
