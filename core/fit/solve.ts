/** Rows of a system solved by Gauss with the largest pivot, for as many right-hand sides as follow its n columns; the solutions take their place. What has no one solution gives large ones: check them, or add to the diagonal. */
export function solved(rows: Float64Array[], n: number): Float64Array[] {
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let r = k + 1; r < n; r++) if (Math.abs(rows[r][k]) > Math.abs(rows[best][k])) best = r;
    [rows[k], rows[best]] = [rows[best], rows[k]];
    const pivot = rows[k][k] || 1e-12;
    for (let c = k; c < rows[k].length; c++) rows[k][c] /= pivot;
    for (let r = 0; r < n; r++) {
      if (r === k) continue;
      const by = rows[r][k];
      if (by) for (let c = k; c < rows[r].length; c++) rows[r][c] -= by * rows[k][c];
    }
  }
  return rows;
}
