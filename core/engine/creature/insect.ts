/** What small creatures have on their backs, seen behind one that stands upright: wings, wing cases, legs. */
import { intersect, union, type Area } from '../../path';
import { disc } from '../area';
import type { Part } from '../figure';
import type { Kind } from './kinds';
import { ACCENT, blob, both, COAT, DARK, FUR, LIGHT, named, oval, piece, taper, type Spread } from './pieces';

/** The body that they are on: half widths of its shoulders and its belly, where its neck is, and its height. */
export interface Back {
  readonly shoulder: number;
  readonly belly: number;
  readonly neckY: number;
  readonly height: number;
}

/** Two pairs of short wings, as of what buzzes. */
function blades({ shoulder, neckY }: Back): Part[] {
  const upper = taper([50 + shoulder * 0.5, neckY + 6, 2], [50 + shoulder + 11, neckY - 3, 7.6], [50 + shoulder + 20, neckY - 6, 6]); // prettier-ignore
  const lower = taper([50 + shoulder * 0.5, neckY + 9, 2], [50 + shoulder + 9, neckY + 11, 5], [50 + shoulder + 14, neckY + 13, 4.4]); // prettier-ignore
  return [piece(ACCENT, both(union(upper, lower)))];
}

/** Two pairs of long narrow wings, each with a mark near its tip. */
function vanes({ neckY }: Back, t: Spread): Part[] {
  const vane = (dy: number, end: number, length: number): Area =>
    taper([55, neckY + dy, 1.6], [50 + 0.55 * length, neckY + dy + 0.4 * end, 4.6], [50 + length, neckY + dy + end, 5], [50 + length + 4, neckY + dy + 1.1 * end, 2.6]); // prettier-ignore
  const long = 46 + 2 * t('wings');
  const tips = union(disc(50 + long - 2, neckY - 7.5, 2.3, 28), disc(50 + long - 8, neckY + 19, 2.1, 28));
  return [piece(ACCENT, both(union(vane(4, -11, long), vane(9, 10, long - 6)))), piece(COAT, both(tips))];
}

/** Broad wings, an upper and a lower pair, with a rim and an eye on each. */
function fans({ shoulder, neckY, height }: Back, t: Spread): Part[] {
  const [x, s] = [50 + shoulder * 0.3, 1 + 0.06 * t('wings')];
  const upper = blob([x, neckY + 8], [x + 12, neckY - 13 * s], [x + 30, neckY - 20 * s], [x + 40 * s, neckY - 14], [x + 37 * s, neckY + 4], [x + 22, neckY + 0.44 * height], [x + 4, neckY + 0.5 * height]); // prettier-ignore
  const lower = blob([x, neckY + 0.42 * height], [x + 18, neckY + 0.4 * height], [x + 31 * s, neckY + 0.56 * height], [x + 30 * s, neckY + 0.86 * height], [x + 20, neckY + 1.06 * height], [x + 6, neckY + 0.86 * height]); // prettier-ignore
  const [ux, uy] = [x + 24, neckY - 4];
  const inset = (area: Area, cx: number, cy: number, k: number): Area => area.map((ring) => ring.map((v, i) => (i % 2 ? cy + k * (v - cy) : cx + k * (v - cx)))); // prettier-ignore
  return [
    piece(COAT, both(union(upper, lower))),
    piece(ACCENT, both(union(inset(upper, ux - 3, uy + 3, 0.72), inset(lower, x + 16, neckY + 0.68 * height, 0.66)))),
    piece(LIGHT, both(union(disc(ux + 5, uy - 3, 4.2, 36), disc(x + 19, neckY + 0.7 * height, 3, 32)))),
  ];
}

/** Wing cases that look out on both sides, spotted. */
function cases({ belly, neckY, height }: Back): Part[] {
  const one = oval(50 + belly * 0.96, neckY + 0.56 * height, belly * 0.84, 0.64 * height, -0.2);
  const spots = union(...[[1.42, 0.28, 2.5], [1.52, 0.56, 2.9], [1.4, 0.86, 2.5]].map(([x, y, r]) => disc(50 + belly * x, neckY + y * height, r, 28))); // prettier-ignore
  return named('shell', [piece(FUR, both(one)), piece(DARK, both(intersect(spots, one)))]);
}

/** The hind legs of what leaps, folded up beside it. */
const hoppers = ({ belly, neckY, height }: Back): Part[] => [
  piece(COAT, both(union(taper([50 + belly * 0.7, neckY + height * 0.86, 5.4], [50 + belly * 1.5, neckY + height * 0.4, 4], [50 + belly * 1.8, neckY + height * 0.16, 2.6]), taper([50 + belly * 1.8, neckY + height * 0.16, 2.4], [50 + belly * 2, neckY + height * 0.8, 1.9], [50 + belly * 2.1, neckY + height * 1.18, 1.9], [50 + belly * 2.5, neckY + height * 1.24, 1.6])))), // prettier-ignore
];

/** The other six legs of what has eight: bent over at the knee. */
function crooked({ belly, neckY, height }: Back, t: Spread): Part[] {
  const leg = (y: number, up: number, out: number, down: number): Area =>
    taper([50 + belly * 0.4, neckY + y * height, 2.8], [50 + belly + out * 0.55, neckY + y * height - up, 2.6], [50 + belly + out, neckY + y * height - up * 0.5 + 1, 2.3], [50 + belly + out + 4, neckY + y * height + down, 1.5]); // prettier-ignore
  const s = 1 + 0.08 * t('legs');
  return [piece(FUR, both(union(leg(0.3, 16 * s, 19, 10), leg(0.5, 9, 24 * s, 16), leg(0.72, 3, 20, 19 * s))))];
}

/** What is on the back of a kind. */
export function backParts(kind: Kind, back: Back, t: Spread): Part[] {
  const has = (mark: Kind['marks'][number]): boolean => kind.marks.includes(mark);
  return [
    ...(has('hoops') || has('blades') ? blades(back) : []),
    ...(has('vanes') ? named('wing', vanes(back, t)) : []),
    ...(has('fans') ? named('wing', fans(back, t)) : []),
    ...(has('dome') ? cases(back) : []),
    ...(has('hoppers') ? hoppers(back) : []),
    ...(has('crooked') ? crooked(back, t) : []),
  ];
}
