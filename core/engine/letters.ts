import { type Area, areaFrom, EMPTY, moved, parsePath } from '../path';
import { boundsOf } from './area';
import lettersData from './data/letters.json';

interface Face {
  readonly capital: number;
  readonly small: number;
  readonly glyphs: Readonly<Record<string, readonly [number, string]>>;
  readonly pairs: Readonly<Record<string, number>>;
}

const FACES = lettersData as unknown as Readonly<Record<string, Face>>;
/** Names of the faces that lettering is set in where nothing is said of its letters; the others are those that are asked for. */
export const FACE_NAMES: readonly string[] = ['plain', 'slab', 'serif', 'round', 'narrow'];
export const ALL_FACES: readonly string[] = Object.keys(FACES);

/** The area of one letter, its baseline at y = 0, 1 unit to a thousandth of an em. Letters a face lacks are empty. */
function glyphOf(face: Face, letter: string): { area: Area; advance: number } {
  const found = face.glyphs[letter] ?? face.glyphs[letter.toUpperCase()];
  if (!found) return { area: EMPTY, advance: letter === ' ' ? 260 : 0 };
  return { area: found[1] ? areaFrom(parsePath(found[1]), 1.2) : EMPTY, advance: found[0] };
}

export interface SetOptions {
  readonly face: string;
  /** Added between letters, in thousandths of an em. */
  readonly tracking?: number;
}

/** A line of lettering as one area for each letter, 1000 units to the em, from x = 0 on the baseline y = 0. */
export function setLine(text: string, { face: name, tracking = 0 }: SetOptions): Area[] {
  const face = FACES[name] ?? FACES.plain;
  const out: Area[] = [];
  let x = 0;
  [...text].forEach((letter, i, all) => {
    const { area, advance } = glyphOf(face, letter);
    if (area.length) out.push(moved(area, [1, 0, 0, 1, x, 0]));
    x += advance + tracking + (face.pairs[letter + (all[i + 1] ?? '')] ?? 0);
  });
  return out;
}

/** A line of lettering fitted into a box about (cx, cy), as high as `height` at most and as wide as `width`. */
export function lineIn(
  text: string,
  options: SetOptions,
  cx: number,
  cy: number,
  width: number,
  height: number,
): Area[] {
  const letters = setLine(text, options);
  const b = boundsOf(letters.flat());
  if (!(b.width > 0)) return [];
  const k = Math.min(width / b.width, height / Math.max(b.height, (FACES[options.face] ?? FACES.plain).capital));
  return letters.map((a) => moved(a, [k, 0, 0, k, cx - k * (b.x + b.width / 2), cy - k * (b.y + b.height / 2)]));
}

/** Lettering on an arc about a middle: `upper` reads over the top, else along the bottom. `size` is the height of capitals. */
export function lineOnArc(
  text: string,
  options: SetOptions,
  cx: number,
  cy: number,
  radius: number,
  size: number,
  upper: boolean,
  most = 2.5,
): Area[] {
  const face = FACES[options.face] ?? FACES.plain;
  const letters = setLine(text, options);
  const b = boundsOf(letters.flat());
  if (!(b.width > 0)) return [];
  const k = Math.min(size / face.capital, (most * radius) / b.width);
  return letters.map((area) => {
    const lb = boundsOf(area);
    const mid = lb.x + lb.width / 2 - (b.x + b.width / 2);
    const angle = ((mid * k) / radius) * (upper ? 1 : -1);
    const turn = upper ? angle : angle;
    const at = upper ? -Math.PI / 2 + angle : Math.PI / 2 + angle;
    const [px, py] = [cx + radius * Math.cos(at), cy + radius * Math.sin(at)];
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    const drop = (k * face.capital) / 2;
    const ox = -k * (lb.x + lb.width / 2);
    return moved(area, [k * cos, k * sin, -k * sin, k * cos, px + cos * ox - sin * drop, py + sin * ox + cos * drop]);
  });
}
