/** What a machine that stands upright has in place of flesh: a case for a body, joints one sees, and grips for hands. */
import { union, type Area } from '../../path';
import { box, disc, tile } from '../area';
import type { Part } from '../figure';
import type { Kind } from './kinds';
import { ACCENT, bone, both, COAT, DARK, LIGHT, piece } from './pieces';

export const isMachine = (kind: Kind): boolean => kind.muzzle === 'visor';

type P = readonly [number, number];

/** Where the case of a body is: its top, its height and half its width. */
export interface Case {
  readonly top: number;
  readonly height: number;
  readonly half: number;
}

/** The case of a body, and a neck that carries the head. */
export const caseArea = ({ top, height, half }: Case): Area =>
  union(tile(50, top + height / 2, half, 7, height / 2), box(44.5, top - 7, 11, 10));

/** What is on the case: a panel with a dial and two lamps. */
export function panelParts({ top, height, half }: Case): Part[] {
  const [y, high] = [top + 0.46 * height, 0.26 * height];
  return [
    piece(LIGHT, tile(50, y, 0.66 * half, 3, high)),
    piece(ACCENT, disc(50 - 0.26 * half, y, 0.56 * high, 40)),
    piece(DARK, bone([50 - 0.26 * half, y, 0.7], [50 - 0.26 * half + 0.34 * high, y - 0.34 * high, 0.7])),
    piece(DARK, union(disc(50 + 0.2 * half, y - 0.3 * high, 1.5, 24), disc(50 + 0.44 * half, y - 0.3 * high, 1.5, 24), box(50 + 0.12 * half, y + 0.14 * high, 0.4 * half, 1.8))), // prettier-ignore
    piece(COAT, both(disc(50 + 0.84 * half, top + 0.9 * height, 1.3, 20))),
  ];
} // prettier-ignore

/** A grip at the end of an arm: a cuff and two curved fingers, open along the arm. */
export function gripArea(elbow: P, end: P, r: number): Area {
  const along = Math.atan2(end[1] - elbow[1], end[0] - elbow[0]);
  const at = (forward: number, aside: number): P => [
    end[0] + r * (forward * Math.cos(along) - aside * Math.sin(along)),
    end[1] + r * (forward * Math.sin(along) + aside * Math.cos(along)),
  ];
  const finger = (side: 1 | -1): Area =>
    union(
      bone([...at(0, 0.3 * side), 0.52 * r], [...at(0.8, 0.92 * side), 0.42 * r]),
      bone([...at(0.8, 0.92 * side), 0.42 * r], [...at(1.62, 0.52 * side), 0.34 * r]),
    );
  return union(disc(end[0], end[1], 0.78 * r, 40), finger(1), finger(-1));
}
