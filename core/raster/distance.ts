/** Squared distances along one line to the nearest sample that is 0 (Felzenszwalb and Huttenlocher 2012). */
function lineDistances(f: Float64Array, n: number, out: Float64Array, v: Int32Array, z: Float64Array): void {
  let k = 0;
  v[0] = 0;
  z[0] = -Infinity;
  z[1] = Infinity;
  for (let q = 1; q < n; q++) {
    let s: number;
    do {
      const p = v[k];
      s = (f[q] + q * q - (f[p] + p * p)) / (2 * q - 2 * p);
    } while (s <= z[k] && --k >= 0);
    k++;
    v[k] = q;
    z[k] = s;
    z[k + 1] = Infinity;
  }
  k = 0;
  for (let q = 0; q < n; q++) {
    while (z[k + 1] < q) k++;
    out[q] = (q - v[k]) ** 2 + f[v[k]];
  }
}

/** Distance in pixels of every pixel to the nearest one where `inside` is true. */
export function distanceTo(inside: (i: number) => boolean, width: number, height: number): Float32Array {
  const far = 1e9;
  // Squares of whole distances: exact up to 2^24.
  const grid = new Float32Array(width * height);
  for (let i = 0; i < grid.length; i++) grid[i] = inside(i) ? 0 : far;
  const n = Math.max(width, height);
  const [f, out, z] = [new Float64Array(n), new Float64Array(n), new Float64Array(n + 1)];
  const v = new Int32Array(n);
  for (let x = 0; x < width; x++) {
    for (let y = 0; y < height; y++) f[y] = grid[y * width + x];
    lineDistances(f, height, out, v, z);
    for (let y = 0; y < height; y++) grid[y * width + x] = out[y];
  }
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) f[x] = grid[y * width + x];
    lineDistances(f, width, out, v, z);
    for (let x = 0; x < width; x++) grid[y * width + x] = Math.sqrt(out[x]);
  }
  return grid;
}
