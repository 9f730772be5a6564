/** An animal as a machine: its ears and its muzzle on a case with a visor, an aerial and bolts. */
import { grown, union, type Area } from '../../path';
import { box, disc } from '../area';
import type { Part } from '../figure';
import { earParts, isBird, skullOf } from './head';
import type { Kind } from './kinds';
import { ACCENT, both, COAT, DARK, FUR, LIGHT, piece, shape, type Spread } from './pieces';

const tile = (x: number, y: number, width: number, height: number, r: number): Area => grown(box(x + r, y + r, width - 2 * r, height - 2 * r), r); // prettier-ignore

/** The head of a machine that is an animal, from the front, in a field of 100 x 100: parts from the bottom up. */
export function robotParts(kind: Kind, t: Spread): Part[] {
  const h = skullOf({ ...kind, skull: 'broad' }, () => 0);
  const wide = 62 + 3 * t('case');
  const ears = kind.ears ? earParts(kind.ears, h, t, false, false) : [];
  const muzzle = isBird(kind)
    ? [shape(ACCENT, 'M39 62L61 62L50 80Z')]
    : [piece(LIGHT, tile(36, 62, 28, 17, 7)), piece(DARK, tile(45, 62, 10, 6, 2.4)), piece(DARK, union(box(43, 72, 2, 4), box(49, 72, 2, 4), box(55, 72, 2, 4)))]; // prettier-ignore
  return [
    piece(COAT, union(box(48.6, 8, 2.8, 22), both(tile(46 + wide / 2, 46, 9, 16, 3)))),
    piece(ACCENT, disc(50, 8, 4.6)),
    ...ears,
    piece(FUR, tile(50 - wide / 2, 24, wide, 62, 15)),
    piece(COAT, both(disc(50 + wide / 2 - 7, 78, 2))),
    piece(DARK, tile(27, 36, 46, 20, 9)),
    piece(ACCENT, both(tile(55, 41.5, 9, 9, 3.6 + 0.6 * t('eyes')))),
    ...muzzle,
  ];
}
