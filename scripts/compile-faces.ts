/** Measures the faces that ship, at a few weights of each, into core/lettering/face-looks.json: `npx tsx scripts/compile-faces.ts`. */
import { writeFileSync } from 'node:fs';
import { faceLook, type Look } from '../core/lettering';
import { openFamily, shippedFamilies } from '../node/faces';
import { looksWeights } from '../core/lettering/looks';

const round = (v: number): number => Number(v.toFixed(3));
const out: Record<string, [number, number, number, number, number][]> = {};
for (const family of shippedFamilies()) {
  out[family.id] = [];
  for (const weight of looksWeights(family.weights)) {
    const look: Look | null = faceLook((await openFamily(family, 'HOnoaeRS', { weight })).main);
    if (look) out[family.id].push([weight, round(look.weight), round(look.contrast), round(look.roundness), round(look.width)]); // prettier-ignore
  }
}
const lines = Object.entries(out).map(([id, looks]) => `  ${JSON.stringify(id)}: ${JSON.stringify(looks)}`);
writeFileSync(new URL('../core/lettering/face-looks.json', import.meta.url), `{\n${lines.join(',\n')}\n}\n`);
console.log(`${lines.length} families measured`);
