/** Drawings with lettering across them, whose picture without it is known: what mending is measured on. */
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { hexToOklab, oklabDistance } from '../core/colour';
import { randomFrom } from '../core/random';
import { FACE_NAMES, lineIn, lineOnArc } from '../core/engine/letters';
import { moved, type Area } from '../core/path';
import { stepsFrom, type Picture } from '../core/raster';
import { decodePicture } from '../node/pictures';
import { worn } from './drawings';

export const SIDE_PX = 1024;
export const MEND_KINDS = ['flat', 'boundary', 'several', 'gradient'] as const;
export type MendKind = (typeof MEND_KINDS)[number];

/** How far beyond the letters what is mended goes, in pixels. */
const GROWN_PX = 3;

const HEXES = [
  '#182A5C',
  '#F2C14E',
  '#FFFFFF',
  '#B5402A',
  '#2F6B4F',
  '#111111',
  '#F2EBDC',
  '#7C9CBF',
  '#E58F65',
  '#5B3A6E',
];
const WORDS = ['NOCTVLE', 'Jnuiper', 'RALL', 'Seeb', 'LIBRAPY', 'Nigth Rial', 'OODQ', 'Brerth', 'LAMQ', 'Hedg'];

type Random = () => number;

/** Colours that differ enough to be told apart. */
function colours(random: Random, count: number): string[] {
  const out: string[] = [];
  while (out.length < count) {
    const hex = HEXES[Math.floor(random() * HEXES.length)];
    if (out.every((o) => oklabDistance(hexToOklab(o), hexToOklab(hex)) > 0.15)) out.push(hex);
  }
  return out;
}

const pathOf = (areas: readonly Area[]): string =>
  areas
    .flat()
    .map((ring) => {
      let d = '';
      for (let k = 0; k < ring.length; k += 2) d += `${k ? 'L' : 'M'}${ring[k].toFixed(2)} ${ring[k + 1].toFixed(2)}`;
      return `${d}Z`;
    })
    .join('');

interface Scene {
  /** What lies behind. */
  readonly back: string;
  /** Path data of the lettering, and its colour. */
  readonly letters: string;
  readonly hex: string;
}

const S = SIDE_PX;
const all = (fill: string): string => `<rect width="${S}" height="${S}" fill="${fill}"/>`;

function scene(kind: MendKind, random: Random): Scene {
  const between = (a: number, b: number): number => a + (b - a) * random();
  const face = FACE_NAMES[Math.floor(random() * FACE_NAMES.length)];
  const word = WORDS[Math.floor(random() * WORDS.length)];
  const [a, b, c, d, e] = colours(random, 5);
  const [cx, cy] = [between(380, 640), between(380, 640)];
  const line = (height: number, x = cx, y = cy, width = 620, angle = 0): string => {
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const set = lineIn(word, { face, tracking: 20 }, 0, 0, width, height);
    return pathOf(set.map((area) => moved(area, [cos, sin, -sin, cos, x, y])));
  };
  if (kind === 'flat') {
    const which = Math.floor(random() * 3);
    if (which === 0) return { back: all(a), letters: line(between(60, 160)), hex: b };
    if (which === 1) {
      const [outer, inner] = [between(380, 450), between(250, 320)];
      const size = (outer - inner) * 0.55;
      const mid = (outer + inner) / 2;
      const upper = random() < 0.6;
      return {
        back: `${all(a)}<circle cx="512" cy="512" r="${outer}" fill="${b}"/><circle cx="512" cy="512" r="${inner}" fill="${c}"/>`,
        letters: pathOf(lineOnArc(word, { face, tracking: 60 }, 512, 512, mid, size, upper)),
        hex: d,
      };
    }
    const h = between(120, 190);
    return {
      back: `${all(a)}<path d="M150 ${cy - h / 2}H874L824 ${cy}L874 ${cy + h / 2}H150L200 ${cy}Z" fill="${b}"/>`,
      letters: line(h * 0.55, 512, cy, 560),
      hex: c,
    };
  }
  if (kind === 'boundary') {
    const height = between(70, 170);
    if (random() < 0.5) {
      const t = between(0, Math.PI);
      const [dx, dy] = [2000 * Math.cos(t), 2000 * Math.sin(t)];
      return {
        back: `${all(a)}<path d="M${cx - dx} ${cy - dy}L${cx + dx} ${cy + dy}L${cx + dx - dy} ${cy + dy + dx}L${cx - dx - dy} ${cy - dy + dx}Z" fill="${b}"/>`,
        letters: line(height),
        hex: c,
      };
    }
    const r = between(120, 420);
    const t = between(0, 2 * Math.PI);
    return {
      back: `${all(a)}<circle cx="${cx + r * Math.cos(t)}" cy="${cy + r * Math.sin(t)}" r="${r}" fill="${b}"/>`,
      letters: line(height),
      hex: c,
    };
  }
  if (kind === 'several') {
    const height = between(80, 170);
    const which = Math.floor(random() * 4);
    const r = between(180, 380);
    if (which === 0)
      return {
        back: `${all(a)}<circle cx="${cx}" cy="${cy - r * 0.6}" r="${r}" fill="${b}"/><circle cx="${cx}" cy="${cy - r * 0.6}" r="${r - between(24, 70)}" fill="${c}"/><path d="M0 ${cy + between(20, 60)}L1024 ${cy + between(0, 60)}V1024H0Z" fill="${d}"/>`,
        letters: line(height),
        hex: e,
      };
    if (which === 1) {
      const w = between(40, 90);
      const bars = [0, 1, 2, 3, 4, 5, 6, 7].map(
        (k) => `<rect x="${100 + k * w * 1.6}" y="-400" width="${w}" height="1900" fill="${[b, c, d][k % 3]}"/>`,
      );
      return {
        back: `${all(a)}<g transform="rotate(${between(-50, 50)} 512 512)">${bars.join('')}</g>`,
        letters: line(height),
        hex: e,
      };
    }
    if (which === 2) {
      const points = [...Array(10).keys()].map((k) => {
        const q = k % 2 ? r * 0.45 : r;
        const t = (k * Math.PI) / 5 + between(0, 0.1);
        return `${cx + q * Math.sin(t)} ${cy - q * Math.cos(t)}`;
      });
      return {
        back: `${all(a)}<ellipse cx="${cx + 40}" cy="${cy}" rx="${r * 1.2}" ry="${r * 0.8}" fill="${b}"/><path d="M${points.join('L')}Z" fill="${c}"/>`,
        letters: line(height),
        hex: e,
      };
    }
    // A bean, a leaf across it, and a moon.
    return {
      back: `${all(a)}<path d="M${cx - 300} ${cy}C${cx - 300} ${cy - 260} ${cx + 40} ${cy - 260} ${cx + 120} ${cy - 100}S${cx + 380} ${cy + 140} ${cx + 120} ${cy + 200}S${cx - 300} ${cy + 260} ${cx - 300} ${cy}Z" fill="${b}"/><path d="M${cx - 200} ${cy + 180}Q${cx - 60} ${cy - 220} ${cx + 300} ${cy - 180}Q${cx + 160} ${cy + 120} ${cx - 200} ${cy + 180}Z" fill="${c}"/><circle cx="${cx + 60}" cy="${cy + 40}" r="${between(40, 90)}" fill="${d}"/>`,
      letters: line(height),
      hex: e,
    };
  }
  const stops = `<stop offset="0" stop-color="${a}"/><stop offset="1" stop-color="${b}"/>`;
  const t = between(0, 2 * Math.PI);
  const paint =
    random() < 0.5
      ? `<linearGradient id="g" gradientUnits="userSpaceOnUse" x1="${512 - 560 * Math.cos(t)}" y1="${512 - 560 * Math.sin(t)}" x2="${512 + 560 * Math.cos(t)}" y2="${512 + 560 * Math.sin(t)}">${stops}</linearGradient>`
      : `<radialGradient id="g" gradientUnits="userSpaceOnUse" cx="${between(400, 620)}" cy="${between(400, 620)}" r="640">${stops}</radialGradient>`;
  return { back: `<defs>${paint}</defs>${all('url(#g)')}`, letters: line(between(60, 150)), hex: c };
}

const render = (elements: string): Buffer =>
  new Resvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${S} ${S}">${elements}</svg>`, {
    font: { loadSystemFonts: false },
  })
    .render()
    .asPng();

export interface MendCase {
  readonly name: string;
  readonly picture: Picture;
  /** What it is without lettering. */
  readonly truth: Picture;
  /** 1 where it is to be mended. */
  readonly area: Uint8Array;
}

/** Pictures of a kind with lettering, one after the other; the same for the same seed. */
export async function* mendCases(kind: MendKind, count: number, isWorn: boolean, seed = 11): AsyncGenerator<MendCase> {
  const random = randomFrom(seed);
  for (let k = 0; k < count; k++) {
    const { back, letters, hex } = scene(kind, random);
    const lettering = (fill: string): string => `<path d="${letters}" fill="${fill}" fill-rule="nonzero"/>`;
    const [plain, over] = [render(back), render(back + lettering(hex))];
    const covered = (await decodePicture(render(all('#000') + lettering('#FFF')))).rgba;
    const steps = grow(Uint8Array.from({ length: S * S }, (_, i) => Number(covered[4 * i] > 0)));
    yield {
      name: `${kind} ${k}`,
      picture: await decodePicture(isWorn ? await worn(over, 80) : over),
      truth: await decodePicture(isWorn ? await sharp(plain).blur(0.8).png().toBuffer() : plain),
      area: steps,
    };
  }
}

/** An area grown by a round brush. */
function grow(area: Uint8Array): Uint8Array {
  const near = stepsFrom(area, S, S, 2 * GROWN_PX);
  const out = new Uint8Array(area);
  const r = GROWN_PX;
  for (let i = 0; i < out.length; i++) {
    if (out[i] || near[i] > 2 * r) continue;
    const x = i % S;
    const y = (i - x) / S;
    for (let dy = -r; dy <= r && !out[i]; dy++)
      for (let dx = -r; dx <= r; dx++) {
        const [px, py] = [x + dx, y + dy];
        if (dx * dx + dy * dy <= r * r && px >= 0 && py >= 0 && px < S && py < S && area[py * S + px]) {
          out[i] = 1;
          break;
        }
      }
  }
  return out;
}
