/** An animal as a machine: its ears and its muzzle on a case with a visor, an aerial and bolts. */
import { union } from '../../path';
import { box, disc, tile } from '../area';
import type { Part } from '../figure';
import { earParts, isBird, skullOf } from './head';
import type { Kind } from './kinds';
import { ACCENT, both, COAT, DARK, FUR, LIGHT, piece, shape, type Spread } from './pieces';

/** The head of a machine that is an animal, from the front, in a field of 100 x 100: parts from the bottom up. */
export function robotParts(kind: Kind, t: Spread): Part[] {
  const h = skullOf({ ...kind, skull: 'broad' }, () => 0);
  const half = 31 + 1.5 * t('case');
  const ears = kind.ears ? earParts(kind.ears, h, t, false, false) : [];
  const muzzle = isBird(kind)
    ? [shape(ACCENT, 'M39 62L61 62L50 80Z')]
    : [piece(LIGHT, tile(50, 70.5, 14, 7, 8.5)), piece(DARK, tile(50, 65, 5, 2.4, 3)), piece(DARK, union(box(43, 72, 2, 4), box(49, 72, 2, 4), box(55, 72, 2, 4)))]; // prettier-ignore
  return [
    piece(COAT, union(box(48.6, 8, 2.8, 22), both(tile(50.5 + half, 54, 4.5, 3, 8)))),
    piece(ACCENT, disc(50, 8, 4.6)),
    ...ears,
    piece(FUR, tile(50, 55, half, 15, 31)),
    piece(COAT, both(disc(43 + half, 78, 2))),
    piece(DARK, tile(50, 46, 23, 9, 10)),
    piece(ACCENT, both(tile(59.5, 46, 4.5, 3.6 + 0.6 * t('eyes')))),
    ...muzzle,
  ];
}
