/**
 * Thinning out, measured on pieces out of traces: outlines whose segments were each cut in four, and outlines as a wobbly hand would have drawn them; points before and after, how far
 * they stray, what crosses. `npx tsx bench/economy.ts [--drawings 40] [--seed N]`.
 */
import { parseArgs } from 'node:util';
import { randomFrom } from '../core/random';
import { chainsOf, Lines, polylineOf, strayOf, thinned } from '../core/exact';
import { flatten, partOf, type Contour, type Point, type Segment } from '../core/path';
import { trace } from '../core/trace';
import { allPieces } from '../core/vector';
import { drawingsOf, pictureOf } from './drawings';
import { quantile } from './quantile';

const { values } = parseArgs({
  options: { drawings: { type: 'string', default: '40' }, seed: { type: 'string', default: '5' } },
});
const random = randomFrom(Number(values.seed));
const round = (x: number): number => Math.round(x * 100) / 100;
const rounded = ([x, y]: Point): Point => [round(x), round(y)];

/** Every segment cut in four, as a file with two decimals has it. */
function quartered({ start, segments, open }: Contour): Contour {
  const out: Segment[] = [];
  let from = start;
  for (const s of segments) {
    for (let k = 0; k < 4; k++) {
      const { segment } = partOf(from, s, k / 4, (k + 1) / 4);
      out.push(
        segment.kind === 'curve'
          ? { kind: 'curve', c1: rounded(segment.c1), c2: rounded(segment.c2), to: rounded(segment.to) }
          : { ...segment, to: rounded(segment.to) },
      );
    }
    from = s.to;
  }
  return { start: rounded(start), segments: out, ...(open ? { open } : {}) };
}

/** An outline drawn in many short curves by a hand that wobbles, by about a tenth of a pixel. */
function wobbly(contour: Contour): Contour | null {
  const p = flatten(contour, 0.02);
  const n = p.length / 2;
  const points: Point[] = [];
  let [left, step] = [0, 5];
  for (let i = 0; i < n; i++) {
    const [ax, ay, bx, by] = [p[2 * i], p[2 * i + 1], p[(2 * i + 2) % p.length], p[(2 * i + 3) % p.length]];
    const long = Math.hypot(bx - ax, by - ay);
    while (left < long) {
      const t = left / long;
      const jitter = () => 0.2 * (random() + random() - 1);
      points.push(rounded([ax + t * (bx - ax) + jitter(), ay + t * (by - ay) + jitter()]));
      step = 4 + 3 * random();
      left += step;
    }
    left -= long;
  }
  if (points.length < 8) return null;
  const m = points.length;
  const segments = points.map((q, k): Segment => {
    const [o, to, r] = [points[(k + m - 1) % m], points[(k + 1) % m], points[(k + 2) % m]];
    return {
      kind: 'curve',
      c1: rounded([q[0] + (to[0] - o[0]) / 6, q[1] + (to[1] - o[1]) / 6]),
      c2: rounded([to[0] - (r[0] - q[0]) / 6, to[1] - (r[1] - q[1]) / 6]),
      to,
    };
  });
  return { start: points[0], segments };
}

const countOf = (contours: readonly Contour[]): number => contours.reduce((sum, c) => sum + c.segments.length, 0);

/** How far outlines lie from others, either way round. */
function apart(p: readonly Contour[], q: readonly Contour[]): number {
  const [a, b] = [p, q].map((list) => list.map((c) => polylineOf(c, 0.002)));
  return Math.max(strayOf(a, new Lines(b), 0.25), strayOf(b, new Lines(a), 0.25));
}

/** How often outlines cross, those that are shared counted once. */
const crossed = (contours: readonly Contour[]): number =>
  new Lines(chainsOf(contours).chains.map((c) => polylineOf({ ...c, open: true }, 0.005))).crossings().length;

const ways = [
  { name: 'quartered, stacked', stacking: 'stacked', made: quartered, tolerancePx: 0.05, bar: 1.05, against: 'own' },
  { name: 'quartered, cut out', stacking: 'cutout', made: quartered, tolerancePx: 0.05, bar: 1.05, against: 'own' },
  { name: 'wobbly', stacking: 'stacked', made: wobbly, tolerancePx: 0.3, bar: 1 / 3, against: 'made' },
] as const;

for (const { name, stacking, made, tolerancePx, bar, against } of ways) {
  const shares: number[] = [];
  const strays: number[] = [];
  const times: number[] = [];
  let [more, crossings, points] = [0, 0, 0];
  for (const kind of ['single', 'many'] as const)
    for (const drawing of drawingsOf(kind, Number(values.drawings) / 2, 31)) {
      const { picture } = await pictureOf(drawing, false);
      const { artwork } = trace(picture, { stacking });
      const own = allPieces(artwork).flatMap((p) => p.contours);
      const drawn = own.map(made).filter((c) => c !== null);
      if (!drawn.length) continue;
      const started = performance.now();
      const { contours } = thinned(drawn, tolerancePx);
      times.push(performance.now() - started);
      const share = countOf(contours) / countOf(against === 'own' ? own : drawn);
      points += countOf(drawn);
      shares.push(share);
      if (share > bar) {
        more++;
        console.log(`  ${drawing.name}: ${countOf(drawn)} to ${countOf(contours)}, of ${countOf(own)}`);
      }
      const stray = apart(contours, drawn);
      strays.push(stray);
      if (stray > tolerancePx) console.log(`  ${drawing.name}: strays ${stray.toFixed(3)} px`);
      crossings += Math.max(0, crossed(contours) - crossed(drawn));
    }
  console.log(
    `${name}: ${shares.length} drawings, ${points} points; share ${quantile(shares, 0.5).toFixed(3)} at the median, ${Math.max(...shares).toFixed(3)} at most, ${more} over ${bar.toFixed(2)}; strays ${quantile(strays, 0.5).toFixed(3)} px at the median, ${Math.max(...strays).toFixed(3)} at most; ${crossings} new crossings; ${quantile(times, 0.5).toFixed(0)} ms at the median, ${Math.max(...times).toFixed(0)} at most`,
  );
}
