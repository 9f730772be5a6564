/** Figures that are even about an upright axis, and those that are meant to be. */
import { intersect, moved, union } from '../path';
import { box } from './area';
import { LABEL_SIDE, mapFigure, toneMap, type Figure } from './figure';

/** Share of the figure that its mirror image about x = 50 also has, in the same tone. */
export function symmetryOf(figure: Figure): number {
  const map = toneMap(figure);
  let all = 0;
  let same = 0;
  for (let y = 0; y < LABEL_SIDE; y++)
    for (let x = 0; x < LABEL_SIDE; x++) {
      const a = map[y * LABEL_SIDE + x];
      const b = map[y * LABEL_SIDE + LABEL_SIDE - 1 - x];
      if (a < 0 && b < 0) continue;
      all++;
      if (a === b) same++;
    }
  return all ? same / all : 0;
}

/** The figure with one half the mirror image of the other. */
export function madeSymmetrical(figure: Figure, left: boolean): Figure {
  const half = box(left ? -60 : 50, -60, 110, 220);
  return mapFigure(figure, (area) => {
    const one = intersect(area, half);
    return union(one, moved(one, [-1, 0, 0, 1, 100, 0]));
  });
}
