/**
 * Colourways measured: how long twelve schemes for eight inks take, whether all hold their contrast and are different enough; and, of many-coloured drawings in one colour and reversed, how many
 * pairs of inks that touch run into one another, and whether that is told. `npx tsx bench/colourways.ts [--drawings 60] [--seed 3]`.
 */
import { parseArgs } from 'node:util';
import { randomFrom } from '../core/random';
import { APART, schemeDistance, schemesFor } from '../core/colour';
import { readSvg } from '../core/import';
import { oneColoured, touchingOf } from '../core/vector';
import { drawingsOf } from './drawings';
import { quantile } from './quantile';

const { values } = parseArgs({
  options: { drawings: { type: 'string', default: '60' }, seed: { type: 'string', default: '3' } },
});
const random = randomFrom(Number(values.seed));
const hex = (): string => `#${Math.floor(random() * 0x1000000).toString(16).padStart(6, '0').toUpperCase()}`; // prettier-ignore

const times: number[] = [];
let [asked, got, low, alike] = [0, 0, 0, 0];
for (let k = 0; k < 60; k++) {
  const inks = Array.from({ length: 8 }, (_, i) => ({ hex: hex(), share: 1 / (i + 2), touchesGround: random() < 0.5 }));
  const touching = inks.flatMap((_, p) => inks.flatMap((__, q) => (p < q && random() < 0.3 ? [[p, q] as const] : [])));
  const ask = { inks, touching, grounds: ['#FFFFFF', hex()], least: 1.5 + 2 * random(), count: 12, seed: k };
  const started = performance.now();
  const { schemes, least } = schemesFor(ask);
  times.push(performance.now() - started);
  asked += 12;
  got += schemes.length;
  low += schemes.filter((s) => s.leastContrast < least).length;
  schemes.forEach((s, m) => {
    if (schemes.slice(0, m).some((o) => schemeDistance(s.hexes, o.hexes) < APART)) alike++;
  });
}
console.log(
  `schemes: ${got} of ${asked}, ${low} below the contrast that was held, ${alike} alike; twelve for eight inks in ${quantile(times, 0.5).toFixed(0)} ms at the median, ${quantile(times, 0.95).toFixed(0)} at 95%`,
);

const took: number[] = [];
let [told, pairs, all, drawings] = [0, 0, 0, 0];
for (const drawing of drawingsOf('many', Number(values.drawings), Number(values.seed))) {
  const { artwork } = readSvg(drawing.svg);
  const touching = touchingOf(artwork);
  drawings++;
  let merges = false;
  for (const reversed of [false, true]) {
    const started = performance.now();
    const { merged } = oneColoured(artwork, { hex: '#111111', reversed });
    took.push(performance.now() - started);
    pairs += merged.length;
    all += touching.contacts.length;
    merges ||= merged.length > 0;
  }
  if (merges) told++;
}
console.log(
  `one colour and reversed: ${pairs} of ${all} pairs that touch run into one another (all told), in ${told} of ${drawings} drawings; ${quantile(took, 0.5).toFixed(0)} ms at the median, ${quantile(took, 0.95).toFixed(0)} at 95%`,
);
