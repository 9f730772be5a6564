/**
 * Compiles outlines of letters for the stand-in image engine from open-licensed typefaces: writes core/engine/data/letters.json, with 1000
 * units to the em, y downwards from the baseline. Run it with `npx tsx scripts/compile-letters.ts`; NOTICE.md names the licences.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import * as fontkit from 'fontkit';

const require = createRequire(import.meta.url);
const FACES: readonly [string, string, string][] = [
  ['plain', 'jost', 'jost-latin-600-normal.woff'],
  ['slab', 'zilla-slab', 'zilla-slab-latin-700-normal.woff'],
  ['serif', 'playfair-display', 'playfair-display-latin-800-normal.woff'],
  ['round', 'nunito', 'nunito-latin-800-normal.woff'],
  ['narrow', 'oswald', 'oswald-latin-600-normal.woff'],
  // Set only where a prompt asks for such letters.
  ['slim', 'jost', 'jost-latin-300-normal.woff'],
  ['heavy', 'poppins', 'poppins-latin-900-normal.woff'],
  ['fat slab', 'alfa-slab-one', 'alfa-slab-one-latin-400-normal.woff'],
  ['script', 'kaushan-script', 'kaushan-script-latin-400-normal.woff'],
  ['brush', 'pacifico', 'pacifico-latin-400-normal.woff'],
  ['stencil', 'saira-stencil-one', 'saira-stencil-one-latin-400-normal.woff'],
  ['gothic', 'unifrakturcook', 'unifrakturcook-latin-700-normal.woff'],
  ['deco', 'limelight', 'limelight-latin-400-normal.woff'],
];
const LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789&.-'!?+ÄÖÜäöüÉéßÅåØøÑñ";

interface Command {
  readonly command: string;
  readonly args: readonly number[];
}

const faces = FACES.map(([name, pack, file]) => {
  const font = fontkit.create(readFileSync(require.resolve(`@fontsource/${pack}/files/${file}`))) as fontkit.Font;
  const k = 1000 / font.unitsPerEm;
  const glyphs: Record<string, [number, string]> = {};
  for (const letter of LETTERS) {
    if (!font.hasGlyphForCodePoint(letter.codePointAt(0)!)) continue;
    const [glyph] = font.glyphsForString(letter);
    const data = (glyph.path.commands as unknown as Command[])
      .map(({ command, args }) => {
        const n = args.map((v, i) => Math.round(v * k * (i % 2 ? -1 : 1)));
        return (
          { moveTo: 'M', lineTo: 'L', quadraticCurveTo: 'Q', bezierCurveTo: 'C', closePath: 'Z' }[command]! +
          n.join(' ')
        );
      })
      .join('')
      .replace(/ -/g, '-');
    glyphs[letter] = [Math.round(glyph.advanceWidth * k), data];
  }
  const pairs: Record<string, number> = {};
  for (const a of 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz')
    for (const b of 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz') {
      // Two letters that a face has as one glyph keep their own widths: each is set by itself.
      const run = font.layout(a + b, { liga: false, clig: false, dlig: false, rlig: false });
      if (run.glyphs.length !== 2) continue;
      const kern = Math.round(run.positions[0].xAdvance * k) - glyphs[a][0];
      if (Math.abs(kern) > 8) pairs[a + b] = kern;
    }
  return [
    name,
    { capital: Math.round((font.capHeight || 700) * k), small: Math.round((font.xHeight || 500) * k), glyphs, pairs },
  ];
});
writeFileSync(
  'core/engine/data/letters.json',
  JSON.stringify(Object.fromEntries(faces)).replace(/\],"/g, '],\n"') + '\n',
);
