/** Pencil drawings for tests, in a field of 100 x 100. */
import { stroked } from '../path';
import { blankPicture, cover, type Picture } from '../raster';

export const SIDE_PX = 400;
export type Run = readonly (readonly [number, number])[];

export const boxRun = (x0: number, y0: number, x1: number, y1: number): Run => [[x0, y0], [x1, y0], [x1, y1], [x0, y1], [x0, y0]]; // prettier-ignore
export const roundRun = (cx: number, cy: number, r: number): Run => Array.from({ length: 73 }, (_, i) => [cx + r * Math.cos((2 * Math.PI * i) / 72), cy + r * Math.sin((2 * Math.PI * i) / 72)]); // prettier-ignore
/** A line that goes round nothing. */
export const WAVE: Run = Array.from({ length: 60 }, (_, i) => [20 + i, 50 + 12 * Math.sin(i / 6)]);

/** Pencil lines on paper, all as dark as each other. */
export function drawnOn(picture: Picture, runs: readonly Run[], dark = 1): Picture {
  for (const run of runs) {
    const c = cover(stroked([run.flat()], 0.8, false).map((ring) => ring.map((v) => (v * SIDE_PX) / 100)), SIDE_PX, SIDE_PX)!; // prettier-ignore
    for (let y = 0; y < c.heightPx; y++)
      for (let x = 0; x < c.widthPx; x++) {
        const at = 4 * ((y + c.y0) * SIDE_PX + x + c.x0);
        for (let k = 0; k < 3; k++) picture.rgba[at + k] -= c.share[y * c.widthPx + x] * dark * (picture.rgba[at + k] - 60); // prettier-ignore
      }
  }
  return picture;
}

export const paper = (): Picture => blankPicture(SIDE_PX, SIDE_PX, [244, 240, 230]);
export const sheetWith = (...runs: readonly Run[]): Picture => drawnOn(paper(), runs);
