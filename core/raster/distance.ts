/** Stands for no pixel at all. */
const FAR = 1e9;

/**
 * Distances along the row that begins at `row`, between two pixels of it that have none (`first` to `end`, those left out), from the distances along columns (Felzenszwalb and
 * Huttenlocher 2012).
 */
function betweenZeros(
  grid: Float32Array,
  row: number,
  first: number,
  end: number,
  width: number,
  upTo: number,
  { f, z, v }: { f: Float64Array; z: Float64Array; v: Int32Array },
): void {
  let k = -1;
  for (let q = Math.max(0, first - 1); q <= end && q < width; q++) {
    const d = grid[row + q];
    if (d > upTo) continue;
    const raised = d * d + q * q;
    let s = -1;
    while (k >= 0) {
      s = (raised - f[k]) / (2 * (q - v[k]));
      if (s > z[k]) break;
      k--;
    }
    k++;
    v[k] = q;
    f[k] = raised;
    z[k] = k ? s : -1;
  }
  if (k < 0) {
    grid.fill(FAR, row + first, row + end);
    return;
  }
  for (let i = 0, x = first; i <= k; i++) {
    const [p, base] = [v[i], f[i] - v[i] * v[i]];
    const last = i < k ? Math.min(end, Math.floor(z[i + 1]) + 1) : end;
    for (; x < last; x++) grid[row + x] = Math.sqrt((x - p) * (x - p) + base);
  }
}

/** Distance in pixels of every pixel to the nearest one where `inside` is true; what is further than `upTo` px is only told to be so, which takes less time. */
export function distanceTo(inside: (i: number) => boolean, width: number, height: number, upTo = height): Float32Array {
  const grid = new Float32Array(width * height);
  // Along columns the nearest is met on the way down or on the way up.
  for (let i = 0; i < grid.length; i++) grid[i] = inside(i) ? 0 : i < width ? FAR : grid[i - width] + 1;
  for (let i = grid.length - width - 1; i >= 0; i--) if (grid[i + width] + 1 < grid[i]) grid[i] = grid[i + width] + 1;
  const room = { f: new Float64Array(width), z: new Float64Array(width), v: new Int32Array(width) };
  for (let row = 0; row < grid.length; row += width)
    for (let x = 0; x < width; x++) {
      if (grid[row + x] === 0) continue;
      const first = x;
      while (x < width && grid[row + x] !== 0) x++;
      betweenZeros(grid, row, first, x, width, upTo, room);
    }
  return grid;
}
