/** Figures as letters: bent into one stroke, built of several, a neck or a whole body as one. */
import { areaFrom, grown, parsePath, runsFrom, sizeOf, stroked, subtract, union, type Area } from '../path';
import { boundsOf, box, disc } from './area';
import { waveLine } from './marks';
import { bentAlong, laidStraight, STEP, withoutCorners, type Point } from './bent';
import { isCreature } from './built';
import { taper } from './creature';
import { isLong, mirroredFigure, movedFigure, outlineOf, placed, silhouetteOf, upright, type Figure } from './figure';

/** The middle line of each letter and digit that is drawn in one stroke, from its foot to where it begins. */
const STROKES: Readonly<Record<string, string>> = {
  C: 'M78 78C62 98 20 90 20 50C20 10 62 2 78 24',
  G: 'M54 54L80 54L80 76C64 98 20 90 20 50C20 10 62 4 77 22',
  I: 'M50 90L50 10',
  J: 'M24 70C26 92 64 92 64 66L64 10',
  L: 'M76 88L28 88L28 10',
  M: 'M14 90L24 12L50 66L76 12L86 90',
  N: 'M22 90L22 12L78 88L78 10',
  O: 'M46 91C10 90 14 10 50 10C86 10 90 88 58 91',
  S: 'M22 76C36 96 74 92 75 70C76 50 26 52 26 30C26 8 62 6 76 22',
  U: 'M22 10L22 60C22 98 78 98 78 60L78 10',
  V: 'M16 10L50 90L84 10',
  W: 'M10 10L30 90L50 34L70 90L90 10',
  Z: 'M80 88L22 88L78 12L20 12',
  2: 'M80 88L24 88C40 66 76 50 76 30C76 8 34 4 24 26',
  3: 'M22 74C34 96 78 92 76 68C74 52 58 50 46 50C60 50 74 44 73 28C72 8 36 4 26 20',
  5: 'M22 74C36 96 78 90 76 64C74 40 42 40 28 50L32 12L72 12',
  6: 'M30 66C36 44 74 44 76 68C78 94 26 98 24 60C22 36 44 14 62 10',
  7: 'M34 90L76 12L22 12',
};

/** What is long and bends of itself, besides what winds; and what is stiff, and bent all the same where a letter has curves. */
const LIMP = /(?:worm|caterpillar|train|chains|hose|noodles|tail|zip)$/;
const STIFF = /(?:pencil|brush|wrench|needle|feather|candle)$/;

/** The points of the stroke of a letter; null where it is not drawn in one. */
function strokeOf(letter: string): Point[] | null {
  const data = STROKES[letter.toUpperCase()];
  if (!data) return null;
  const [run] = runsFrom([...parsePath(data, { close: false })]);
  return Array.from({ length: run.length / 2 }, (_, i): Point => [run[2 * i], run[2 * i + 1]]);
}

/** A figure in the colour that is said of another; what of it is light stays. */
function dyedAs(figure: Figure, { parts }: Figure): Figure {
  const dye = parts.find((p) => p.dye !== undefined)?.dye;
  return dye === undefined
    ? figure
    : { ...figure, parts: figure.parts.map((p) => ({ ...p, dye: p.tone ? p.dye : dye })) };
}

/** Something long bent into a letter that is drawn in one stroke; null where it is not long, or the letter is not one. */
export function bentIntoLetter(figure: Figure, letter: string): Figure | null {
  const line = strokeOf(letter);
  const made = laidStraight(figure);
  if (!line || (!made && !(isLong(figure) && (LIMP.test(figure.name) || STIFF.test(figure.name))))) return null;
  const even = line.slice(1).flatMap((q, i): Point[] => {
    const p = line[i];
    const n = Math.max(1, Math.round(Math.hypot(q[0] - p[0], q[1] - p[1]) / STEP));
    return Array.from({ length: n }, (_, j): Point => [p[0] + ((q[0] - p[0]) * j) / n, p[1] + ((q[1] - p[1]) * j) / n]);
  });
  return dyedAs(bentAlong(made ?? upright(figure), withoutCorners(even), made ? 15 : 19, made !== null && made.name !== 'snake'), figure); // prettier-ignore
}

/** The strokes of each letter and digit that is made of straight ones, each from where its foot is. */
const STICKS: Readonly<Record<string, readonly (readonly [number, number, number, number])[]>> = {
  A: [[18, 92, 48, 8], [82, 92, 52, 8], [26, 64, 74, 64]],
  E: [[28, 92, 28, 8], [28, 14, 80, 14], [28, 50, 72, 50], [28, 86, 80, 86]],
  F: [[28, 92, 28, 8], [28, 14, 80, 14], [28, 50, 72, 50]],
  H: [[24, 92, 24, 8], [76, 92, 76, 8], [20, 50, 80, 50]],
  I: [[50, 92, 50, 8]],
  K: [[28, 92, 28, 8], [30, 56, 78, 10], [42, 46, 80, 92]],
  L: [[30, 92, 30, 8], [30, 86, 82, 86]],
  M: [[16, 92, 16, 8], [84, 92, 84, 8], [50, 66, 20, 12], [50, 66, 80, 12]],
  N: [[22, 92, 22, 8], [78, 92, 78, 8], [76, 90, 24, 10]],
  T: [[50, 94, 50, 16], [16, 12, 84, 12]],
  V: [[50, 92, 18, 8], [50, 92, 82, 8]],
  W: [[30, 92, 10, 8], [70, 92, 90, 8], [32, 88, 50, 32], [68, 88, 50, 32]],
  X: [[20, 92, 80, 8], [80, 92, 20, 8]],
  Y: [[50, 94, 50, 50], [50, 52, 20, 8], [50, 52, 80, 8]],
  Z: [[22, 88, 78, 12], [20, 12, 82, 12], [18, 88, 80, 88]],
  4: [[64, 94, 64, 8], [60, 10, 20, 64], [16, 66, 84, 66]],
  7: [[36, 94, 78, 12], [18, 12, 84, 12]],
}; // prettier-ignore

/** A letter of straight strokes, each of them a long thing that is stiff, the later ones before the earlier; null where the thing is not long, or the letter has curves. */
export function builtOfSticks(figure: Figure, letter: string): Figure | null {
  const strokes = STICKS[letter.toUpperCase()];
  // A twig is stiff as well, and straight where it is drawn so.
  const twig = /^(?:twig|branch|bamboo)$/.test(figure.name) ? laidStraight(figure) : null;
  if (
    !strokes ||
    isCreature(figure.name) ||
    (!twig && (!isLong(figure) || LIMP.test(figure.name) || laidStraight(figure) !== null))
  )
    return null;
  const stick = twig ?? upright(figure);
  const { width, height } = boundsOf(outlineOf(stick));
  const wide = Math.max(9, Math.min(19, (84 * width) / height));
  const laid = strokes.map(([x, y, u, v]) => {
    const n = Math.ceil(Math.hypot(u - x, v - y) / STEP);
    return bentAlong(stick, Array.from({ length: n + 1 }, (_, i): Point => [x + ((u - x) * i) / n, y + ((v - y) * i) / n]), wide); // prettier-ignore
  });
  const parts = laid.flatMap((one, i) => {
    const before = laid.slice(i + 1).map((later) => grown(silhouetteOf(later), 1.5));
    return one.parts.map((p) => ({ ...p, area: before.length ? subtract(p.area, union(...before)) : p.area }));
  });
  return dyedAs({ ...figure, parts: parts.filter((p) => p.area.length), isBuilt: true }, figure);
}

/** An H of two things that stand, with a bar between them; null for other letters. */
export function pairAsLetter(figure: Figure, letter: string): Figure | null {
  if (letter !== 'H') return null;
  const one = placed(upright(figure), { cx: 50, cy: 50, side: 88, fill: 1 });
  const half = boundsOf(outlineOf(one)).width / 2 + 6;
  const stands = [-half, half].map((dx) => movedFigure(one, [1, 0, 0, 1, dx, 0]));
  // They are seen before the bar, which runs from the middle of one to that of the other.
  const bar = subtract(box(50 - half, 45, 2 * half, 9), grown(union(...stands.map(silhouetteOf)), 1.6));
  return {
    ...figure,
    parts: [...stands.flatMap(({ parts }) => parts), { ...figure.parts[0], tone: 0, area: bar }],
    isBuilt: true,
  };
}

/** Mountains as the letter whose peaks they are, with snow on them; null for other letters and things. */
export function peaksAsLetter({ name, parts: [first] }: Figure, letter: string): Figure | null {
  if (!/^(?:mountains?|mountain range|peaks?)$/.test(name) || letter !== 'M') return null;
  const hull: Area = [[4, 90, 30, 10, 50, 50, 70, 10, 96, 90, 77, 90, 67, 57, 50, 90, 33, 57, 23, 90]];
  const snow: Area = [[30, 10, 23, 31.5, 27, 27, 31, 34, 35.5, 27, 38.5, 27], [70, 10, 77, 31.5, 73, 27, 69, 34, 64.5, 27, 61.5, 27]]; // prettier-ignore
  const parts = [
    { ...first, tone: 0, area: subtract(hull, grown(union(snow), 0.01)) },
    { tone: 1, area: union(snow) },
  ];
  return { name, tones: [0.34, 0.86], parts, isBuilt: true };
}

/** A letter of water: under its waterline it is cut into waves. */
export function letterOfWater(letter: Area): Figure {
  const b = boundsOf(letter);
  const rows = [0.14, 0.33, 0.52, 0.71, 0.9].map((k) => waveLine(b.x - 2, b.x + b.width + 2, b.y + k * b.height, 0.045 * b.height, b.width / 3.2, 3 * k)); // prettier-ignore
  const cut = union(...rows.map((row) => stroked([row], 0.045 * b.height, false)));
  return { name: 'wave', tones: [0.3], parts: [{ tone: 0, area: subtract(letter, cut) }], isBuilt: true };
}

/** A bird with a long neck as an S, its neck one stroke with its breast; as a 2 it looks the other way. */
export function neckAsLetter(name: string, letter: string): Figure | null {
  if (!/^(?:swan|goose|flamingo|heron|stork|crane|ostrich)$/.test(name) || !/^[S2]$/i.test(letter)) return null;
  const body = taper([74, 21, 5.6], [64, 11, 5.2], [50, 8.6, 5.2], [36, 13, 5.4], [28, 25, 5.8], [31, 37, 6.6], [44, 47, 8.6], [60, 55, 11.6], [68, 67, 13.6], [62, 78, 13], [46, 83, 10], [28, 80, 5.6], [13, 68, 0.8]); // prettier-ignore
  const head = disc(73, 20, 7, 48);
  const beak: Area = [[76, 14.5, 92, 27.5, 88, 30, 71, 27]];
  const wing = areaFrom(parsePath('M40 66C50 56 64 58 72 66C68 76 58 82 46 80C38 78 30 76 22 70C30 71 36 70 40 66Z'));
  const parts = [{ tone: 2, area: beak }, { tone: 0, area: union(body, head) }, { tone: 1, area: wing }, { tone: 3, area: disc(74.5, 18.5, 1.7, 24) }]; // prettier-ignore
  const figure: Figure = { name, tones: [0.42, 0.66, 0.74, 0.12], parts, isBuilt: true };
  return letter === '2' ? mirroredFigure(figure) : figure;
}

/** Somebody as a letter of one stroke: the tail where it begins, the head at its end, turned to us. */
export function bodyAsLetter(head: Figure, letter: string): Figure | null {
  const line = /^[CGJLSU2356]$/i.test(letter) ? strokeOf(letter) : null;
  if (!line) return null;
  const lengths = line.slice(1).map((q, i) => Math.hypot(q[0] - line[i][0], q[1] - line[i][1]));
  const long = lengths.reduce((sum, d) => sum + d, 0);
  let at = 0;
  const joints = line.map(([x, y], i): [number, number, number] => {
    at += i ? lengths[i - 1] : 0;
    const t = at / long;
    return [x, y, t < 0.34 ? 3 + 9 * (t / 0.34) : t < 0.8 ? 12 : 12 - 3 * ((t - 0.8) / 0.2)];
  });
  const [x, y] = line.at(-1)!;
  const face = placed(head, { cx: x, cy: y, side: 36, fill: 0.95 });
  const body = subtract(taper(...joints), grown(silhouetteOf(face), 1.6));
  // In the colour of most of its head.
  const fur = face.parts.reduce((p, q) => (sizeOf(q.area) > sizeOf(p.area) ? q : p));
  return { ...face, parts: [{ ...fur, of: undefined, area: body }, ...face.parts], isBuilt: true };
}
