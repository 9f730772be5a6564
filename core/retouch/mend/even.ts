/** Passes over the values of holes, each taken towards the mean of those beside it and beyond (Young 1954). */
const PASSES = 160;
const OVER = 1.85;

/** Values inside, four a pixel, as even as can be, in place. */
export function relax(values: Float32Array, w: number, h: number, inside: Uint8Array): void {
  const places: number[] = [];
  for (let i = 0; i < inside.length; i++) if (inside[i]) places.push(i);
  for (let pass = 0; pass < PASSES; pass++)
    for (const i of places) {
      const x = i % w;
      const [left, right] = [x > 0 ? i - 1 : i + 1, x + 1 < w ? i + 1 : i - 1];
      const [up, down] = [i >= w ? i - w : i + w, i + w < w * h ? i + w : i - w];
      for (let c = 0; c < 4; c++) {
        const mean = (values[4 * left + c] + values[4 * right + c] + values[4 * up + c] + values[4 * down + c]) / 4;
        values[4 * i + c] += OVER * (mean - values[4 * i + c]);
      }
    }
}
