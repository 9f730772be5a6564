/**
 * How many steps each pixel of a window lies from those that are marked, from side to side: 0 on them, 255 where it is further than `most`, which is below that. `marked` has
 * a number other than 0 for each of them.
 */
export function stepsFrom(marked: ArrayLike<number>, widthPx: number, heightPx: number, most: number): Uint8Array {
  const n = widthPx * heightPx;
  const steps = new Uint8Array(n).fill(255);
  let front: number[] = [];
  for (let i = 0; i < n; i++)
    if (marked[i]) {
      steps[i] = 0;
      front.push(i);
    }
  for (let step = 1; step <= most; step++) {
    const next: number[] = [];
    const visit = (i: number): void => {
      if (steps[i] !== 255) return;
      steps[i] = step;
      next.push(i);
    };
    for (const i of front) {
      const x = i % widthPx;
      if (x > 0) visit(i - 1);
      if (x + 1 < widthPx) visit(i + 1);
      if (i >= widthPx) visit(i - widthPx);
      if (i + widthPx < n) visit(i + widthPx);
    }
    front = next;
  }
  return steps;
}
