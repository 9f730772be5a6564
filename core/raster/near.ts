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

/** Calls for each pixel at the border of a window, by its number; those of the corners twice. */
export function alongBorder(widthPx: number, heightPx: number, visit: (i: number) => void): void {
  for (let x = 0; x < widthPx; x++) {
    visit(x);
    visit((heightPx - 1) * widthPx + x);
  }
  for (let y = 0; y < heightPx; y++) {
    visit(y * widthPx);
    visit(y * widthPx + widthPx - 1);
  }
}

/** 1 for each pixel of a window that a way over sides leads to from its border, without one that `isWall`. */
export function outsideOf(widthPx: number, heightPx: number, isWall: (i: number) => boolean): Uint8Array {
  const n = widthPx * heightPx;
  const outside = new Uint8Array(n);
  const stack: number[] = [];
  const visit = (i: number): void => {
    if (outside[i] || isWall(i)) return;
    outside[i] = 1;
    stack.push(i);
  };
  alongBorder(widthPx, heightPx, visit);
  while (stack.length) {
    const i = stack.pop()!;
    const x = i % widthPx;
    if (x > 0) visit(i - 1);
    if (x + 1 < widthPx) visit(i + 1);
    if (i >= widthPx) visit(i - widthPx);
    if (i + widthPx < n) visit(i + widthPx);
  }
  return outside;
}

/** Left, top, width and height, in pixels. */
export type Box = readonly [number, number, number, number];

/** The smallest box about all pixels of a window that something holds of, by their numbers; null where it holds of none. */
export function boxWhere(widthPx: number, heightPx: number, holds: (i: number) => boolean): Box | null {
  let [x0, y0, x1, y1] = [widthPx, heightPx, -1, -1];
  for (let y = 0, i = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++, i++) {
      if (!holds(i)) continue;
      if (x < x0) x0 = x;
      if (x > x1) x1 = x;
      if (y < y0) y0 = y;
      y1 = y;
    }
  return y1 < 0 ? null : [x0, y0, x1 + 1 - x0, y1 + 1 - y0];
}
