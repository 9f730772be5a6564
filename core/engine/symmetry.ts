/** Figures that are even about an upright axis, and those that are meant to be. */
import { intersect, moved, union } from '../path';
import { boundsOf, box } from './area';
import { LABEL_SIDE, mapFigure, silhouetteOf, toneMap, type Figure } from './figure';

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

/** The figure moved so that its own upright axis is x = 50, and how far that was. */
export function onAxis(figure: Figure): { centred: Figure; dx: number } {
  const b = boundsOf(silhouetteOf(figure));
  const dx = 50 - (b.x + b.width / 2);
  return { centred: shifted(figure, dx), dx };
}

/** The figure moved sideways. */
export const shifted = (figure: Figure, dx: number): Figure =>
  mapFigure(figure, (area) => moved(area, [1, 0, 0, 1, dx, 0]));

/** A figure of which its mirror image about its own axis has at least that share, made even; any other as it is. */
export function madeEven(figure: Figure, share: number): Figure {
  const { centred, dx } = onAxis(figure);
  return symmetryOf(centred) < share ? figure : shifted(madeSymmetrical(centred, true), -dx);
}
