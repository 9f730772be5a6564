/** A closed line of points between pixels, x and y in turn, in pixels; what is inside lies to the right of its direction. */
export type Loop = Float64Array;

// Edges of a cell: 0 top, 1 right, 2 bottom, 3 left. For each pattern of corners inside (bit 0 top left, 1 top right, 2 bottom
// right, 3 bottom left): from edge, to edge, with the inside on the right. The two saddles are decided where they occur.
const STEPS: readonly (readonly [number, number][])[] = [
  [],
  [[0, 3]],
  [[1, 0]],
  [[1, 3]],
  [[2, 1]],
  [],
  [[2, 0]],
  [[2, 3]],
  [[3, 2]],
  [[0, 2]],
  [],
  [[1, 2]],
  [[3, 1]],
  [[0, 1]],
  [[3, 0]],
  [],
];
const SADDLES: Readonly<Record<number, { joined: [number, number][]; apart: [number, number][] }>> = {
  5: {
    apart: [
      [0, 3],
      [2, 1],
    ],
    joined: [
      [0, 1],
      [2, 3],
    ],
  },
  10: {
    apart: [
      [1, 0],
      [3, 2],
    ],
    joined: [
      [3, 0],
      [1, 2],
    ],
  },
};

/**
 * Lines at which a field of coverage (0..1 a pixel, sampled at pixel centres) passes one half: marching squares with linear
 * interpolation (Lorensen and Cline 1987, in the plane). Outside the picture nothing is covered.
 */
export function halfLines(field: Float32Array, widthPx: number, heightPx: number): Loop[] {
  const pw = widthPx + 2;
  const padded = new Float32Array(pw * (heightPx + 2));
  for (let y = 0; y < heightPx; y++) padded.set(field.subarray(y * widthPx, (y + 1) * widthPx), (y + 1) * pw + 1);
  const cw = widthPx + 1;
  const used = new Uint8Array(cw * (heightPx + 1));
  const pattern = (c: number): number => {
    const o = Math.floor(c / cw) * pw + (c % cw);
    return (
      (padded[o] >= 0.5 ? 1 : 0) |
      (padded[o + 1] >= 0.5 ? 2 : 0) |
      (padded[o + pw + 1] >= 0.5 ? 4 : 0) |
      (padded[o + pw] >= 0.5 ? 8 : 0)
    );
  };
  const stepsOf = (c: number): readonly (readonly [number, number])[] => {
    const p = pattern(c);
    const saddle = SADDLES[p];
    if (!saddle) return STEPS[p];
    const o = Math.floor(c / cw) * pw + (c % cw);
    const mean = (padded[o] + padded[o + 1] + padded[o + pw] + padded[o + pw + 1]) / 4;
    return mean >= 0.5 ? saddle.joined : saddle.apart;
  };
  /** Where the line crosses an edge of a cell; the cell's top left corner is the centre of pixel (cx - 1, cy - 1). */
  const crossing = (c: number, edge: number, out: number[]): void => {
    const cy = Math.floor(c / cw);
    const cx = c % cw;
    const o = cy * pw + cx;
    const [p, q] =
      edge === 0
        ? [padded[o], padded[o + 1]]
        : edge === 1
          ? [padded[o + 1], padded[o + pw + 1]]
          : edge === 2
            ? [padded[o + pw], padded[o + pw + 1]]
            : [padded[o], padded[o + pw]];
    const t = (0.5 - p) / (q - p);
    out.push(cx - 0.5 + (edge === 1 ? 1 : edge === 3 ? 0 : t), cy - 0.5 + (edge === 2 ? 1 : edge === 0 ? 0 : t));
  };
  const loops: Loop[] = [];
  const moves = [-cw, 1, cw, -1];
  for (let start = 0; start < used.length; start++) {
    const steps = stepsOf(start);
    for (let s = 0; s < steps.length; s++) {
      if (used[start] & (1 << s)) continue;
      const points: number[] = [];
      let cell = start;
      let step = s;
      do {
        used[cell] |= 1 << step;
        const [, exit] = stepsOf(cell)[step];
        crossing(cell, exit, points);
        cell += moves[exit];
        const entry = (exit + 2) % 4;
        step = stepsOf(cell).findIndex(([from]) => from === entry);
      } while (!(used[cell] & (1 << step)));
      if (points.length >= 6) loops.push(Float64Array.from(points));
    }
  }
  return loops;
}
