/**
 * Optical kerning measured over faces that ship: of hard pairs, capitals with capitals and with small letters, how much the space between the letters differs, as the standard deviation, against what the face's
 * own kerning has; how far its mean moves; and whether any pair comes nearer than the face's nearest. `npx tsx bench/optical.ts [--faces 40]`.
 */
import { parseArgs } from 'node:util';
import { CATALOGUE, opticalKern, pairOf, spaceBetween } from '../core/lettering';
import { familyNamed, openFamily } from '../node/faces';
import { quantile } from './quantile';

const { values } = parseArgs({ options: { faces: { type: 'string', default: '40' } } });
const HARD = 'AV VA AW WA AY YA To Te Ty Tr LT LV LY rn rm ry vo wo yo 17 71 74 10 Av Aw Yo Ya Wo We Va Vo Po Fa Ko Ro Co Du'.split(' '); // prettier-ignore
const CAPITALS = 'HO OH NE RA CH DE LO IN TH AT OU MI SK BR GU PE XO ZE JU QU'.split(' ');
const MIXED = 'Ho Na Re Ch De Lo In Mi Sk Br Gu Pe Ju Qu Va Ze'.split(' ');
const SETS = { 'hard pairs': HARD, capitals: CAPITALS, 'capitals with small letters': MIXED, all: [...HARD, ...CAPITALS, ...MIXED] }; // prettier-ignore

const mean = (list: readonly number[]): number => list.reduce((s, x) => s + x, 0) / list.length;
const spread = (list: readonly number[]): number => Math.sqrt(mean(list.map((x) => (x - mean(list)) ** 2)));

// Letters that join are spaced by their joints.
const wanted = CATALOGUE.filter((c) => !['script'].includes(c.class)).slice(0, Number(values.faces));
const found = new Map<string, { ratio: number; moved: number; near: number }[]>();
const started = performance.now();
let pairs = 0;
for (const { id } of wanted) {
  const text = SETS.all.join('');
  const facts = familyNamed(id)!;
  const family = await openFamily(facts, text);
  const face = family.faces.find((f) => [...text].every((c) => f.has(c.codePointAt(0)!)));
  if (!face) continue;
  for (const [name, list] of Object.entries(SETS)) {
    const all = list.flatMap((t) => {
      const pair = pairOf(face, t);
      const own = pair && spaceBetween(face, pair);
      if (!pair || !own) return [];
      pairs++;
      return [{ own, ours: spaceBetween(face, { ...pair, kern: opticalKern(face, pair, [t[0], t[1]]) })! }];
    });
    const [own, ours] = [all.map((a) => a.own), all.map((a) => a.ours)];
    const [s, t] = [own.map((o) => o.space), ours.map((o) => o.space)];
    const near = Math.min(...ours.map((o) => o.nearest)) - Math.min(...own.map((o) => o.nearest));
    found.set(name, [...(found.get(name) ?? []), { ratio: spread(t) / spread(s), moved: mean(t) / mean(s) - 1, near }]);
  }
}
for (const [name, list] of found)
  console.log(
    `${name}: spread ${quantile(list.map((l) => l.ratio), 0.5).toFixed(2)} of the face's at the median, ${Math.max(...list.map((l) => l.ratio)).toFixed(2)} at most; mean moved by ${(100 * quantile(list.map((l) => Math.abs(l.moved)), 0.5)).toFixed(1)}%, ${(100 * Math.max(...list.map((l) => Math.abs(l.moved)))).toFixed(1)}% at most; ` +
      `${list.filter((l) => l.ratio > 0.7).length} over 0.7, ${list.filter((l) => Math.abs(l.moved) > 0.05).length} over 5%, ${list.filter((l) => l.near < -1e-3).length} nearer than the nearest; of ${list.length} faces`,
  ); // prettier-ignore
console.log(`${((performance.now() - started) / pairs).toFixed(2)} ms a pair`);
