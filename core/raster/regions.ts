/** Connected areas of pixels of one label (by their sides). */
export interface Regions {
  /** Number of the area of each pixel. */
  readonly of: Int32Array;
  readonly label: Uint8Array;
  readonly sizePx2: Int32Array;
  readonly atBorder: Uint8Array;
}

/** Numbers the connected areas of a label map: runs along a row joined to those above that touch them (Rosenfeld and Pfaltz 1966). */
export function findRegions(labels: Uint8Array, w: number, h: number): Regions {
  let room = 4096;
  /** Where each run starts; it ends where the next one does. */
  let starts = new Int32Array(room + 1);
  let parent = new Int32Array(room);
  let count = 0;
  const root = (k: number): number => {
    while (parent[k] !== k) k = parent[k] = parent[parent[k]];
    return k;
  };
  /** The runs of the row above: from the first of them to before `rowFirst`. */
  let aboveFirst = 0;
  let rowFirst = 0;
  for (let y = 0; y < h; y++) {
    let above = aboveFirst;
    const aboveEnd = rowFirst;
    aboveFirst = rowFirst = count;
    for (let i = y * w, rowEnd = i + w; i < rowEnd;) {
      const label = labels[i];
      let end = i + 1;
      while (end < rowEnd && labels[end] === label) end++;
      if (count === room) {
        room *= 2;
        const [moreStarts, moreParents] = [new Int32Array(room + 1), new Int32Array(room)];
        moreStarts.set(starts);
        moreParents.set(parent);
        [starts, parent] = [moreStarts, moreParents];
      }
      starts[count] = i;
      parent[count] = count;
      // Runs above that end before this one begins touch nothing further on either.
      while (above < aboveEnd && (above + 1 < aboveEnd ? starts[above + 1] : y * w) <= i - w) above++;
      for (let k = above; k < aboveEnd && starts[k] < end - w; k++) {
        if (labels[starts[k]] !== label) continue;
        const [p, q] = [root(k), root(count)];
        if (p < q) parent[q] = p;
        else if (q < p) parent[p] = q;
      }
      count++;
      i = end;
    }
    rowFirst = count;
  }
  starts[count] = w * h;
  const number = new Int32Array(count).fill(-1);
  let areas = 0;
  for (let k = 0; k < count; k++) {
    const r = root(k);
    if (number[r] < 0) number[r] = areas++;
    number[k] = number[r];
  }
  const of = new Int32Array(w * h);
  const label = new Uint8Array(areas);
  const sizePx2 = new Int32Array(areas);
  const atBorder = new Uint8Array(areas);
  for (let k = 0; k < count; k++) {
    const [from, to, area] = [starts[k], starts[k + 1], number[k]];
    of.fill(area, from, to);
    sizePx2[area] += to - from;
    label[area] = labels[from];
    const x = from % w;
    if (x === 0 || x + to - from === w || from < w || from >= w * (h - 1)) atBorder[area] = 1;
  }
  return { of, label, sizePx2, atBorder };
}
