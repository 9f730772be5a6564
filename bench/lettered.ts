/** Pictures with lettering whose words and places are known, straight and on arcs, spelt right and wrong: what reading is measured on. */
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import * as fontkit from 'fontkit';
import { Resvg } from '@resvg/resvg-js';
import { hexToOklab, oklabDistance } from '../core/colour';
import { randomFrom } from '../core/random';
import type { Picture } from '../core/raster';
import { decodePicture } from '../node/pictures';
import { drawingsOf, worn, type Drawing } from './drawings';

export const LETTERED_PX = 1024;

/** The families that words are set in, each with the weight nearest to what is asked. */
export const LETTERED_FACES: readonly string[] = ['jost', 'nunito', 'oswald', 'playfair-display', 'zilla-slab'];

const NAMES = [
  'Hollow Fern', 'Brindle', 'Saltmarsh', 'Otter Lane', 'Quarry Bread', 'Lantern', 'Velvet Moth', 'Northgate', 'Juniper', 'Cobble Hill',
  'Marrow', 'Peregrine', 'Driftwood', 'Ember Yard', 'Kestrel', 'Thimble', 'Wren Harbor', 'Gable', 'Foxglove', 'Mistral', 'Pebble Coast',
  'Sundial', 'Tandem Works', 'Burrow', 'Acorn Press', 'Harvest Moon', 'Zephyr', 'Clover', 'Ivory Tower', 'Bluebell Dairy', 'Copper Kettle',
  'Dapper', 'Everglow', 'Fable', 'Granite', 'Hazel Wick', 'Indigo', 'Jasper', 'Kindling', 'Lumen', 'Maple Row', 'Nimbus', 'Orchard', 'Pinecone',
  'Quill', 'Rosemary', 'Sparrow', 'Timberline', 'Umber', 'Vesper', 'Willow Bank', 'Yarrow', 'Noctule', 'Brerth', 'Odamo', 'Tirvel', 'Maison Appell',
]; // prettier-ignore

const HEXES = ['#182A5C', '#F2C14E', '#FFFFFF', '#B5402A', '#2F6B4F', '#111111', '#F2EBDC', '#7C9CBF', '#E58F65', '#5B3A6E', '#0E7C7B', '#D8E2DC']; // prettier-ignore

export type Setting = 'straight' | 'arc';

export interface LetteredCase {
  readonly name: string;
  readonly picture: Picture;
  readonly png: Buffer;
  /** What was asked for. */
  readonly asked: string;
  /** What is there: one entry a word, its upright box in pixels. */
  readonly words: readonly { readonly text: string; readonly box: readonly [number, number, number, number] }[];
  readonly isRight: boolean;
}

type Random = () => number;
const oneOf = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)];

const fonts = new Map<string, fontkit.Font>();

/** A family's file of its regular or bold weight. */
function fontOf(folder: string, family: string, random: Random): fontkit.Font {
  const files = readdirSync(join(folder, family, 'files'))
    .filter((f) => /-latin-\d+-normal\.woff$/.test(f))
    .sort();
  const wanted = files.filter((f) => /-(400|500|600|700|800)-/.test(f));
  const file = join(folder, family, 'files', oneOf(random, wanted.length ? wanted : files));
  let font = fonts.get(file);
  if (!font) fonts.set(file, (font = fontkit.create(readFileSync(file)) as fontkit.Font));
  return font;
}

/** Colours that differ enough to be read on each other: the first against all others. */
function colours(random: Random, count: number, apart = 0.25): string[] {
  const out: string[] = [];
  while (out.length < count) {
    const hex = oneOf(random, HEXES);
    if (out.every((o) => oklabDistance(hexToOklab(o), hexToOklab(hex)) > apart)) out.push(hex);
    else if (random() < 0.02) out.length = 0;
  }
  return out;
}

/** A word as it comes out of an engine that cannot spell. */
export function garbled(text: string, random: Random): string {
  const letters = [...text];
  const places = letters.flatMap((c, i) => (/\p{L}/u.test(c) ? [i] : []));
  const at = oneOf(random, places);
  const upper = letters[at] === letters[at].toUpperCase();
  const cased = (c: string): string => (upper ? c.toUpperCase() : c);
  const how = random();
  const other = (): string => {
    // Letters that look alike in some face are no fault that anyone can see.
    const alike = [
      'ilj1',
      'o0qc',
      'uv',
      'ec',
      'hn',
      'nm',
      'rt',
      'ft',
      'gq',
      'bh',
      'ef',
      'pr',
      'vy',
      'ce',
      'dO',
      'ao',
      'sz',
      'kx',
      'vw',
      'gc',
      'qo',
      'od',
      'mw',
    ];
    for (;;) {
      const c = oneOf(random, [...'abcdefghijklmnopqrstuvwxyz']);
      const was = letters[at].toLowerCase();
      if (c !== was && !alike.some((a) => a.includes(c) && a.includes(was))) return cased(c);
    }
  };
  if (how < 0.5) letters[at] = other();
  else if (how < 0.65) letters.splice(at, 1);
  else if (how < 0.8) letters.splice(at, 0, other());
  else {
    const next = places.find((p) => p === at + 1);
    if (next === undefined || letters[next].toLowerCase() === letters[at].toLowerCase()) letters[at] = other();
    else {
      const [a, b] = [letters[at], letters[next]];
      letters[at] = cased(b);
      letters[next] = a === a.toUpperCase() && !upper ? a : b === b.toUpperCase() ? a.toUpperCase() : a.toLowerCase();
    }
  }
  const made = letters.join('');
  return made.toLowerCase() === text.toLowerCase() ? garbled(text, random) : made;
}

interface Glyph {
  readonly d: string;
  /** Its middle and extent along the line, in em. */
  readonly x: number;
  readonly width: number;
  readonly word: number;
  readonly points: readonly (readonly [number, number])[];
}

/** Letters of a line, in units of an em, from x = 0, the baseline at y = 0. */
function setLine(
  font: fontkit.Font,
  text: string,
  tracking: number,
): { glyphs: Glyph[]; width: number; capital: number } {
  const run = font.layout(text);
  const k = 1 / font.unitsPerEm;
  const glyphs: Glyph[] = [];
  let x = 0;
  let word = 0;
  run.glyphs.forEach((glyph, i) => {
    const { xAdvance } = run.positions[i];
    if (glyph.codePoints[0] === 32) word++;
    else {
      const box = glyph.bbox;
      const mid = ((box.minX + box.maxX) / 2) * k;
      const points: [number, number][] = [];
      const commands = glyph.path.commands as unknown as { command: string; args: number[] }[];
      const d = commands
        .map(({ command, args }) => {
          const letter = { moveTo: 'M', lineTo: 'L', quadraticCurveTo: 'Q', bezierCurveTo: 'C', closePath: 'Z' }[
            command
          ]!;
          const out: number[] = [];
          for (let n = 0; n < args.length; n += 2) {
            const p: [number, number] = [args[n] * k - mid, -args[n + 1] * k];
            points.push(p);
            out.push(...p);
          }
          return letter + out.map((v) => v.toFixed(5)).join(' ');
        })
        .join('');
      glyphs.push({ d, x: x + mid, width: (box.maxX - box.minX) * k, word, points });
    }
    x += xAdvance * k + tracking;
  });
  return { glyphs, width: x - tracking, capital: (font.capHeight || 700) * k };
}

interface Laid {
  readonly d: string;
  readonly boxes: readonly (readonly [number, number, number, number])[];
}

/** Letters laid each by a turn and a place. */
function lay(glyphs: readonly Glyph[], size: number, at: (x: number) => { x: number; y: number; angle: number }): Laid {
  let d = '';
  const boxes: number[][] = [];
  for (const glyph of glyphs) {
    const { x, y, angle } = at(glyph.x * size);
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const put = (px: number, py: number): [number, number] => [
      x + size * (px * cos - py * sin),
      y + size * (px * sin + py * cos),
    ];
    d += glyph.d.replace(/(-?[\d.]+) (-?[\d.]+)/g, (_, px, py) => put(Number(px), Number(py)).map((v) => v.toFixed(2)).join(' ')); // prettier-ignore
    const box = (boxes[glyph.word] ??= [Infinity, Infinity, -Infinity, -Infinity]);
    for (const [px, py] of glyph.points) {
      const [qx, qy] = put(px, py);
      box[0] = Math.min(box[0], qx);
      box[1] = Math.min(box[1], qy);
      box[2] = Math.max(box[2], qx);
      box[3] = Math.max(box[3], qy);
    }
  }
  return { d, boxes: boxes.map(([x0, y0, x1, y1]) => [x0, y0, x1 - x0, y1 - y0] as const) };
}

const S = LETTERED_PX;
const all = (fill: string): string => `<rect width="${S}" height="${S}" fill="${fill}"/>`;

/** A drawing's elements, fitted into a square about a middle. */
const placed = ({ svg }: Drawing, cx: number, cy: number, side: number, fill?: string): string =>
  svg
    .replace(/^<svg /, `<svg x="${cx - side / 2}" y="${cy - side / 2}" width="${side}" height="${side}" `)
    .replaceAll(/#000000\b/g, fill ?? '#000000');

const render = (elements: string): Buffer =>
  new Resvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${S} ${S}">${elements}</svg>`, {
    font: { loadSystemFonts: false },
  })
    .render()
    .asPng();

/** Names of drawings that have letters or figures in them, or rows of what looks like them. */
const LETTERED = /letter|alphabet|number|clock|calendar|abc|keycap|button|sign|text|font|[-/]\d|name|atm|\bok\b|new|top|soon|free|cool|end|back|input|type|currency|dollar|euro|yen|pound|license|card|ticket|music|note|bank|parking|information|question|exclamation|hundred|symbol|flag|hotel|taxi|bus|watch|dial|scoreboard|book|newspaper|label|document|form|file|receipt|id-|page|poster|bill|barcode|qr/i; // prettier-ignore

export const plainDrawings = (kind: 'single' | 'many', count: number, seed: number): Drawing[] =>
  drawingsOf(kind, count * 3, seed)
    .filter((d) => !LETTERED.test(d.name))
    .slice(0, count);

export interface LetteredOptions {
  readonly count: number;
  readonly isWorn: boolean;
  readonly seed?: number;
  /** Share that is spelt wrong. */
  readonly wrong?: number;
  readonly faces?: readonly string[];
  /** The folder that the families' packages lie in. */
  readonly folder?: string;
}

const ownFolder = (): string =>
  join(dirname(createRequire(import.meta.url).resolve('@fontsource/jost/package.json')), '..');

/** Pictures with lettering, one after the other; the same for the same seed. */
export async function* letteredCases(
  setting: Setting,
  { count, isWorn, seed = 5, wrong = 0.5, faces = LETTERED_FACES, folder = ownFolder() }: LetteredOptions,
): AsyncGenerator<LetteredCase> {
  const random = randomFrom(seed);
  const between = (a: number, b: number): number => a + (b - a) * random();
  const drawings = [...plainDrawings('single', 20, seed), ...plainDrawings('many', 20, seed)];
  for (let k = 0; k < count; k++) {
    const family = oneOf(random, faces);
    const font = fontOf(folder, family, random);
    const plain = oneOf(random, NAMES);
    const asked = random() < 0.5 ? plain.toUpperCase() : plain;
    const isRight = random() >= wrong;
    const text = isRight ? asked : garbled(asked, random);
    const [ground, second, ink] = colours(random, 3);
    const drawing = oneOf(random, drawings);
    const tracking = between(0, 0.12);
    const { glyphs, width, capital } = setLine(font, text, tracking);
    let back = all(ground);
    let laid: Laid;
    let hex = ink;
    let fill = 'nonzero';
    let how: string;
    if (setting === 'straight') {
      const kind = Math.floor(random() * 4);
      how = ['below', 'banner', 'plate', 'over'][kind];
      const room = [840, 560, 700, 760][kind];
      const size = Math.min(between(34, 120) / capital, room / width);
      const cy = kind === 0 ? between(820, 900) : kind === 3 ? between(300, 700) : between(640, 800);
      const high = size * capital;
      const [cx, y] = [512, cy + high / 2];
      laid = lay(glyphs, size, (x) => ({ x: cx + x - (width * size) / 2, y, angle: 0 }));
      if (kind === 0) back += placed(drawing, 512, 400, 620, second);
      if (kind === 1) {
        const [l, r] = [cx - (width * size) / 2 - high, cx + (width * size) / 2 + high];
        const [u, o] = [cy - high, cy + high];
        back += `${placed(drawing, 512, 320, 460, ink)}<path d="M${l - 70} ${u}H${r + 70}L${r + 30} ${cy}L${r + 70} ${o}H${l - 70}L${l - 30} ${cy}Z" fill="${second}"/>`;
      }
      if (kind === 2)
        back += `<rect x="60" y="60" width="904" height="904" rx="90" fill="${second}"/>${placed(drawing, 512, 340, 440, ground)}`;
      if (kind === 3) {
        back += `<circle cx="${between(380, 640)}" cy="512" r="${between(300, 420)}" fill="${second}"/>`;
        hex = ink;
      }
    } else {
      const kind = Math.floor(random() * 3);
      how = ['ring', 'free', 'lower'][kind];
      const [cx, cy] = [512, 512];
      const outer = between(380, 460);
      const inner = outer - between(90, 150);
      const mid = (outer + inner) / 2;
      const upper = kind === 1 || (kind === 0 && random() < 0.6);
      const size = Math.min(((outer - inner) * between(0.4, 0.62)) / capital, (2.4 * mid) / width);
      const high = size * capital;
      const base = upper ? mid - high / 2 : mid + high / 2;
      laid = lay(glyphs, size, (x) => {
        const turn = (x - (width * size) / 2) / mid;
        const t = upper ? -Math.PI / 2 + turn : Math.PI / 2 - turn;
        return { x: cx + base * Math.cos(t), y: cy + base * Math.sin(t), angle: upper ? turn : -turn };
      });
      if (kind !== 1)
        back += `<circle cx="${cx}" cy="${cy}" r="${outer}" fill="${second}"/><circle cx="${cx}" cy="${cy}" r="${inner}" fill="${ground}"/>`;
      back += placed(drawing, cx, cy, inner * 1.2, ink);
    }
    fill = 'nonzero';
    const png = render(`${back}<path d="${laid.d}" fill="${hex}" fill-rule="${fill}"/>`);
    const done = isWorn ? await worn(png, 80) : png;
    yield {
      name: `${setting} ${how} ${family} ${text}${isRight ? '' : ` for ${asked}`}`,
      picture: await decodePicture(done),
      png: done,
      asked,
      words: text.split(' ').map((word, i) => ({ text: word, box: laid.boxes[i] })),
      isRight,
    };
  }
}
