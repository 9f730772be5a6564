import { hexToRgb } from '../colour';
import { blankPicture, shrink, type Picture } from '../raster';
import { FINISHES } from './finish';
import { drawCandidate } from './request';

/** Whether there is a finish of that name. */
export const knownFinish = (name: string): boolean => Object.hasOwn(FINISHES, name);

/** The example of a finish that is shown where finishes are chosen: one figure, one palette, one seed for all. */
export const finishExample = (finish: string, sizePx = 256): Picture =>
  drawCandidate(
    { prompt: 'owl, midnight blue, amber and sky', finish, leeway: 0, seed: 11, flaws: 0, sizePx, count: 1 },
    0,
  ).picture;

/** Pictures side by side on one sheet, each shrunk into a square cell of `cellPx`. */
export function contactSheet(pictures: readonly Picture[], columns: number, cellPx: number): Picture {
  const gap = Math.max(2, Math.round(cellPx / 40));
  const rows = Math.ceil(pictures.length / columns);
  const sheet = blankPicture(columns * (cellPx + gap) + gap, rows * (cellPx + gap) + gap, hexToRgb('#8A8A88'));
  pictures.forEach((picture, i) => {
    const k = cellPx / Math.max(picture.widthPx, picture.heightPx);
    const [w, h] = [Math.max(1, Math.round(picture.widthPx * k)), Math.max(1, Math.round(picture.heightPx * k))];
    const small = k < 1 ? shrink(picture, w, h) : picture;
    const x0 = gap + (i % columns) * (cellPx + gap) + Math.floor((cellPx - small.widthPx) / 2);
    const y0 = gap + Math.floor(i / columns) * (cellPx + gap) + Math.floor((cellPx - small.heightPx) / 2);
    for (let y = 0; y < small.heightPx; y++)
      sheet.rgba.set(
        small.rgba.subarray(y * small.widthPx * 4, (y + 1) * small.widthPx * 4),
        ((y + y0) * sheet.widthPx + x0) * 4,
      );
  });
  return sheet;
}
