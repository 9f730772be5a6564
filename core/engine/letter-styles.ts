/** Letters as a prompt says that they are to look: which face and case, how far apart, and what is done to them. */
import { bent, grown, intersect, moved, rim, sizeOf, stroked, subtract, union, withPointsBetween, type Affine, type Area } from '../path'; // prettier-ignore
import type { LetterStyle } from '../prompt';
import { boundsOf, box, disc, turnedBy } from './area';
import type { Knobs } from './knobs';
import { FACE_NAMES } from './letters';
import type { Stage } from './stage';

type Styles = readonly LetterStyle[];

/** Faces of a style, the first style that has any deciding. */
const FACES: readonly (readonly [LetterStyle, readonly string[]])[] = [
  ['script', ['script', 'brush']],
  ['gothic', ['gothic']],
  ['deco', ['deco']],
  ['slab', ['slab']],
  ['serif', ['serif']],
  ['round', ['round']],
  ['narrow', ['narrow']],
  ['stencil', ['stencil']],
  ['thin', ['slim']],
  ['bold', ['heavy', 'fat slab', 'round']],
  ['pixel', ['slab', 'heavy']],
  ['sans', ['plain', 'narrow']],
];

/** The faces that lettering may be set in: those that are asked for, or else all that nothing is said by. */
export function facesFor(styles: Styles): readonly string[] {
  if (styles.includes('slab') && styles.includes('bold')) return ['fat slab'];
  return FACES.find(([style]) => styles.includes(style))?.[1] ?? FACE_NAMES;
}

/** The face that a candidate's lettering is set in. */
export const faceOf = ({ knobs, parts }: Stage): string => knobs.pick('face', facesFor(parts.letterStyle));

/** A name in the case that is asked for, else as it is given; a script has no words of capitals. */
export function casedAs(text: string, styles: Styles, otherwise: string): string {
  if (styles.includes('lower')) return text.toLowerCase();
  if (styles.includes('upper')) return text.toUpperCase();
  return styles.some((s) => s === 'script' || s === 'gothic') ? text : otherwise;
}

/** What is added between letters, in thousandths of an em. */
export function trackingFor(styles: Styles, otherwise: number): number {
  if (styles.includes('script')) return 0;
  if (styles.includes('spaced')) return 190;
  return styles.includes('linked') ? -85 : styles.includes('tight') ? -45 : otherwise;
}

/** What is cut along a slanting line through a place, its upper piece moved by so much and its lower one by as much the other way. */
export function slicedApart(area: Area, tiltRad: number, [x, y]: readonly [number, number], [dx, dy]: readonly [number, number]): [Area, Area] {
  const far = 1000;
  const below = turnedBy(box(x - far / 2, y, far, far), tiltRad, x, y);
  return [moved(subtract(area, below), [1, 0, 0, 1, dx, dy]), moved(intersect(area, below), [1, 0, 0, 1, -dx, -dy])];
} // prettier-ignore

/** Letters that were styled, in their order, and what lies behind them. */
export interface StyledLetters {
  readonly letters: readonly Area[];
  readonly behind: Area;
}

/** What is done to letters that were set, all in one frame of theirs. */
export function styledLetters(set: readonly Area[], styles: Styles, knobs: Knobs): StyledLetters {
  const has = (style: LetterStyle): boolean => styles.includes(style);
  const b = boundsOf(set.flat());
  if (!styles.length || !(b.height > 0)) return { letters: set, behind: [] };
  const high = b.height;
  const [midX, midY, foot] = [b.x + b.width / 2, b.y + b.height / 2, b.y + b.height];
  let letters = [...set];
  const each = (change: (area: Area, i: number) => Area): void => void (letters = letters.map((a, i) => (a.length ? change(a, i) : a))); // prettier-ignore
  const warped = (area: Area, to: Parameters<typeof bent>[1]): Area => bent(withPointsBetween(area, 0.04 * high), to);
  // Faces that have no heavier or lighter one.
  if (has('bold') && !facesFor(styles).some((f) => f === 'heavy' || f === 'fat slab')) each((a) => grown(a, 0.022 * high)); // prettier-ignore
  if (has('thin') && !facesFor(styles).includes('slim')) each((a) => grown(a, -0.012 * high));
  if (has('slanted')) {
    const lean: Affine = [1, 0, -0.22, 1, 0.22 * foot, 0];
    each((a) => moved(a, lean));
  }
  if (has('linked') && letters.length > 1) each((a, i) => (i < letters.length - 1 ? subtract(a, grown(letters[i + 1], 0.035 * high)) : a)); // prettier-ignore
  if (has('pixel')) each((a) => asPixels(a, high / 11, b.x, b.y));
  if (has('stencil') && !facesFor(styles).includes('stencil')) each((a) => bridged(a, 0.055 * high));
  if (has('striped')) {
    const bars = Array.from({ length: 5 }, (_, i) => box(b.x - high, b.y + high * (0.14 + 0.17 * i), b.width + 2 * high, high * 0.05)); // prettier-ignore
    each((a) => subtract(a, union(...bars)));
  }
  if (has('sliced')) {
    const tilt = -0.1 - 0.1 * knobs('slice');
    const by = 0.045 * high;
    each((a) => slicedApart(a, tilt, [midX, midY], [by, -0.4 * by]).flat());
  }
  if (has('cracked'))
    each((a, i) =>
      subtract(
        a,
        crackIn(boundsOf(a), 0.032 * high, (k) => knobs(`crack ${i} ${k}`)),
      ),
    );
  if (has('dripping'))
    each((a, i) =>
      union(
        a,
        dripsOf(a, high, (k) => knobs(`drip ${i} ${k}`)),
      ),
    );
  if (has('wavy')) {
    const long = Math.max(1.3 * high, b.width / (1.6 + 0.9 * knobs('waves')));
    const swell = (0.1 + 0.05 * knobs('swell')) * high;
    each((a) => warped(a, (x, y) => [x, y + swell * Math.sin((2 * Math.PI * (x - b.x)) / long)]));
  }
  if (has('arched')) {
    const radius = b.width / (0.9 + 0.5 * knobs('arch'));
    each((a) => warped(a, (x, y) => { const [r, turn] = [radius + foot - y, (x - midX) / radius]; return [midX + r * Math.sin(turn), foot + radius - r * Math.cos(turn)]; })); // prettier-ignore
  }
  if (has('outlined')) each((a) => rim(a, Math.max(0.7, 0.05 * high)));
  const whole = has('shadow') ? union(...letters) : [];
  const depth = Array.from({ length: 6 }, (_, i) =>
    moved(whole, [1, 0, 0, 1, 0.02 * high * (i + 1), 0.02 * high * (i + 1)]),
  );
  const behind = whole.length ? subtract(union(...depth), grown(whole, 0.025 * high)) : [];
  // As wide as it was set, in the same middle.
  const now = boundsOf([...letters.flat(), ...behind]);
  const k = Math.min(1, b.width / now.width);
  const back: Affine = [k, 0, 0, k, midX - k * (now.x + now.width / 2), midY - k * (now.y + now.height / 2)];
  return { letters: letters.map((a) => moved(a, back)), behind: moved(behind, back) };
}

/** A letter out of square pixels of one grid. */
function asPixels(area: Area, cell: number, left: number, top: number): Area {
  const a = boundsOf(area);
  const out: Area[] = [];
  for (let row = Math.floor((a.y - top) / cell); row * cell + top < a.y + a.height; row++) {
    const strip = intersect(area, box(a.x - 1, top + row * cell, a.width + 2, cell));
    if (!strip.length) continue;
    for (let column = Math.floor((a.x - left) / cell); column * cell + left < a.x + a.width; column++) {
      const pixel = box(left + column * cell, top + row * cell, cell, cell);
      // A little wider than the grid, so that neighbours are one.
      if (sizeOf(intersect(strip, pixel)) > 0.46 * cell * cell) out.push(grown(pixel, 0.01 * cell, 'sharp'));
    }
  }
  return out.length ? union(...out) : area;
}

/** A letter held together by bridges, as a stencil is: where it goes round something it is cut above and below. */
function bridged(area: Area, gap: number): Area {
  const a = boundsOf(area);
  const bar = box(a.x + a.width / 2 - gap / 2, a.y - 1, gap, a.height + 2);
  const left = subtract(area, bar);
  // What stands in one stem alone would be cut along it.
  return sizeOf(left) > 0.7 * sizeOf(area) && a.width > 0.3 * a.height ? left : area;
}

/** A jagged line down a letter, leaning to one side. */
function crackIn(a: ReturnType<typeof boundsOf>, wide: number, at: (k: number) => number): Area {
  const n = 6;
  const from = a.x + a.width * (0.3 + 0.4 * at(0));
  const lean = (at(1) - 0.5) * 0.3 * a.width;
  const points = Array.from({ length: n + 1 }, (_, i) => [
    from + (lean * i) / n + (i % 2 ? 1 : -1) * a.width * (0.05 + 0.08 * at(2 + i)),
    a.y - 1 + ((a.height + 2) * i) / n,
  ]);
  return stroked([points.flat()], wide, false, 'sharp');
}

/** Drops that run down from where a letter stands on its line. */
function dripsOf(area: Area, high: number, at: (k: number) => number): Area {
  const a = boundsOf(area);
  const drips = [0.16, 0.36, 0.56, 0.76, 0.92].flatMap((share, k) => {
    const x = a.x + share * a.width;
    const r = high * (0.024 + 0.02 * at(k));
    const low = boundsOf(intersect(area, box(x - r, a.y + 0.55 * a.height, 2 * r, a.height)));
    if (!(low.width > 1.7 * r) || at(10 + k) < 0.3) return [];
    const top = low.y + low.height;
    const end = top + high * (0.08 + 0.2 * at(20 + k));
    return [union(box(x - r, top - 2.4 * r, 2 * r, end - top + 2.4 * r), disc(x, end, 1.25 * r, 32))];
  });
  return drips.length ? union(...drips) : [];
}
