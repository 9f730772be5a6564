/** Connected areas of pixels of one label (by their sides). */
export interface Regions {
  /** Number of the area of each pixel. */
  readonly of: Int32Array;
  readonly label: Uint8Array;
  readonly sizePx2: Int32Array;
  readonly atBorder: Uint8Array;
}

/** Numbers the connected areas of a label map, row by row: runs of pixels joined to those above (Rosenfeld and Pfaltz 1966). */
export function findRegions(labels: Uint8Array, w: number, h: number): Regions {
  const of = new Int32Array(w * h);
  let parent = new Int32Array(1024);
  let count = 0;
  const root = (k: number): number => {
    while (parent[k] !== k) k = parent[k] = parent[parent[k]];
    return k;
  };
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w;) {
      const i = y * w + x;
      const label = labels[i];
      let end = x + 1;
      while (end < w && labels[y * w + end] === label) end++;
      let mine = -1;
      if (y > 0)
        for (let j = i - w; j < i - w + (end - x); j++) {
          if (labels[j] !== label) continue;
          const r = root(of[j]);
          if (mine < 0) mine = r;
          else if (r !== mine) {
            const [low, high] = r < mine ? [r, mine] : [mine, r];
            parent[high] = low;
            mine = low;
          }
        }
      if (mine < 0) {
        if (count === parent.length) {
          const more = new Int32Array(2 * count);
          more.set(parent);
          parent = more;
        }
        parent[count] = mine = count;
        count++;
      }
      of.fill(mine, i, i + end - x);
      x = end;
    }
  const number = new Int32Array(count).fill(-1);
  let areas = 0;
  for (let k = 0; k < count; k++) {
    const r = root(k);
    if (number[r] < 0) number[r] = areas++;
    number[k] = number[r];
  }
  const label = new Uint8Array(areas);
  const sizePx2 = new Int32Array(areas);
  const atBorder = new Uint8Array(areas);
  for (let y = 0, i = 0; y < h; y++)
    for (let x = 0; x < w; x++, i++) {
      const k = (of[i] = number[of[i]]);
      sizePx2[k]++;
      label[k] = labels[i];
      if (x === 0 || y === 0 || x === w - 1 || y === h - 1) atBorder[k] = 1;
    }
  return { of, label, sizePx2, atBorder };
}

/** Which areas touch which, also at a corner only. */
export function neighboursOf({ of, label }: Regions, w: number, h: number): number[][] {
  const seen = new Set<number>();
  const out: number[][] = Array.from(label, () => []);
  const touch = (p: number, q: number): void => {
    if (p === q) return;
    const key = p < q ? p * label.length + q : q * label.length + p;
    if (seen.has(key)) return;
    seen.add(key);
    out[p].push(q);
    out[q].push(p);
  };
  for (let y = 0, i = 0; y < h; y++)
    for (let x = 0; x < w; x++, i++) {
      if (x + 1 < w) touch(of[i], of[i + 1]);
      if (y + 1 >= h) continue;
      touch(of[i], of[i + w]);
      if (x > 0) touch(of[i], of[i + w - 1]);
      if (x + 1 < w) touch(of[i], of[i + w + 1]);
    }
  return out;
}
