import type { Cells } from './cells';

/** What lies beyond the picture's border. */
export const BEYOND = 254;

/** Directions of a step between pixel corners: east, south, west, north. */
export type Direction = 0 | 1 | 2 | 3;
const DX = [1, 0, -1, 0] as const;
const DY = [0, 1, 0, -1] as const;

/**
 * A stretch of boundary between two areas: steps along the sides of pixels, from a corner where more than two areas meet to the next such
 * corner, or round and closed. Every boundary of the picture lies in one chain.
 */
export interface Chain {
  /** Pixel corners, x and y in turn; in a closed chain the first is not repeated. */
  readonly corners: Int32Array;
  readonly closed: boolean;
  /** Labels on the left and on the right, seen along the chain (y downwards). */
  readonly left: number;
  readonly right: number;
}

/** The chains of a picture, and for each corner where chains end and each direction, the chain that leaves it there. */
export interface ChainMap {
  readonly chains: readonly Chain[];
  /** Key corner * 4 + direction; the value is the chain's number, negative minus one when it is run backwards. */
  readonly leaving: ReadonlyMap<number, number>;
}

/**
 * Finds the boundaries between areas of one label (dominant ink of each pixel). Where two areas touch at a corner only, the one that covers
 * more of the four pixels is taken as joined.
 */
export function findChains(cells: Cells): ChainMap {
  const {
    widthPx: w,
    heightPx: h,
    first,
    second,
    share,
    plains: { busy },
  } = cells;
  const pw = w + 1;
  const labelAt = (x: number, y: number): number => (x < 0 || y < 0 || x >= w || y >= h ? BEYOND : first[y * w + x]);
  const coverAt = (x: number, y: number, label: number): number => {
    if (x < 0 || y < 0 || x >= w || y >= h) return label === BEYOND ? 1 : 0;
    const i = y * w + x;
    return first[i] === label ? share[i] : second[i] === label ? 1 - share[i] : 0;
  };
  /** Which sides of pixels leave a corner, as bits by direction. */
  const sides = new Uint8Array(pw * (h + 1));
  /** Corners where more than two areas meet, 2; where two areas touch crosswise, 1 or 3 by which of them is joined. */
  const meeting = new Uint8Array(pw * (h + 1));
  /** Corners with sides, in the order of their numbers. */
  const onSides: number[] = [];
  const visit = (x: number, y: number): void => {
    const [a, b, c, d] = [labelAt(x - 1, y - 1), labelAt(x, y - 1), labelAt(x, y), labelAt(x - 1, y)];
    if (a === b && b === c && c === d) return;
    const bits = (b !== c ? 1 : 0) | (c !== d ? 2 : 0) | (d !== a ? 4 : 0) | (a !== b ? 8 : 0);
    const k = y * pw + x;
    sides[k] = bits;
    onSides.push(k);
    if (bits === 15 && a === c && b === d) {
      const mean = (coverAt(x - 1, y - 1, a) + coverAt(x, y - 1, a) + coverAt(x, y, a) + coverAt(x - 1, y, a)) / 4;
      meeting[k] = mean >= 0.5 ? 1 : 3;
    } else if (bits === 7 || bits === 11 || bits === 13 || bits === 14 || bits === 15) meeting[k] = 2;
  };
  for (let x = 0; x <= w; x++) visit(x, 0);
  for (let y = 1, s = 0; y < h; y++) {
    visit(0, y);
    while (busy[s] < y * w) s += 2;
    for (; busy[s] < y * w + w; s += 2)
      for (let i = busy[s], x = i - y * w; i < busy[s + 1]; i++, x++) {
        // Inside one area, as most corners are.
        const label = first[i];
        if (x > 0 && (first[i - 1] !== label || first[i - w] !== label || first[i - w - 1] !== label)) visit(x, y);
      }
    visit(w, y);
  }
  if (h > 0) for (let x = 0; x <= w; x++) visit(x, h);

  /** Sides that are in a chain already, by the corner they leave and the direction, both ways. */
  const used = new Uint8Array(pw * (h + 1));
  const chains: Chain[] = [];
  const leaving = new Map<number, number>();

  /** Where a walk goes on at a corner that is no end: the only other side, or the one that goes round the area that is not joined. */
  const onward = (corner: number, from: Direction): Direction => {
    const back = ((from + 2) % 4) as Direction;
    if (meeting[corner] === 1 || meeting[corner] === 3) {
      // Joined a and c (top left, bottom right): north pairs with east and south with west. Else north with west, east with south.
      const pairs: readonly Direction[] = meeting[corner] === 1 ? [3, 2, 1, 0] : [1, 0, 3, 2];
      return pairs[back];
    }
    const rest = sides[corner] & ~(1 << back);
    return (rest & 1 ? 0 : rest & 2 ? 1 : rest & 4 ? 2 : 3) as Direction;
  };

  const walk = (start: number, direction: Direction): void => {
    const corners: number[] = [];
    let corner = start;
    let d = direction;
    const x0 = start % pw;
    const y0 = (start - x0) / pw;
    // The pixel to the left and to the right of the first step.
    const right = labelAt(x0 + (d === 0 || d === 3 ? 0 : -1), y0 + (d === 0 || d === 1 ? 0 : -1));
    const left = labelAt(x0 + (d === 0 || d === 1 ? 0 : -1), y0 + (d === 1 || d === 2 ? 0 : -1));
    let closed = false;
    for (;;) {
      const x = corner % pw;
      const y = (corner - x) / pw;
      corners.push(x, y);
      used[corner] |= 1 << d;
      corner = (y + DY[d]) * pw + x + DX[d];
      used[corner] |= 1 << ((d + 2) % 4);
      if (meeting[corner] === 2) {
        const ex = corner % pw;
        corners.push(ex, (corner - ex) / pw);
        break;
      }
      const next = onward(corner, d);
      if (corner === start && next === direction) {
        closed = true;
        break;
      }
      d = next;
    }
    const number = chains.length;
    chains.push({ corners: Int32Array.from(corners), closed, left, right });
    if (!closed) {
      leaving.set(start * 4 + direction, number);
      leaving.set(corner * 4 + ((d + 2) % 4), -number - 1);
    }
  };

  for (const k of onSides)
    if (meeting[k] === 2)
      for (let d = 0; d < 4; d++) if (sides[k] & (1 << d) && !(used[k] & (1 << d))) walk(k, d as Direction);
  for (const k of onSides)
    for (let d = 0; d < 4; d++)
      if (sides[k] & (1 << d) && !(used[k] & (1 << d)) && meeting[k] !== 2) walk(k, d as Direction);
  return { chains, leaving };
}

/** The number of a chain from its signed number: itself, or negative minus one where it is run backwards. */
export const chainOf = (n: number): number => (n < 0 ? -n - 1 : n);

/** The number of the pixel corner where a signed chain begins, or ends, in a picture so wide. */
export function cornerOf(chains: readonly Chain[], n: number, last: boolean, widthPx: number): number {
  const { corners } = chains[chainOf(n)];
  const k = last === n < 0 ? 0 : corners.length - 2;
  return corners[k + 1] * (widthPx + 1) + corners[k];
}

/** Loops round the areas of one label, each a list of signed chain numbers, the area to the right. */
export function loopsOf(map: ChainMap, label: number, widthPx: number): number[][] {
  const pw = widthPx + 1;
  const loops: number[][] = [];
  const done = new Set<number>();
  const endOf = (n: number): { corner: number; direction: Direction } => {
    const { corners } = map.chains[chainOf(n)];
    const at = (i: number): [number, number] => [corners[2 * i], corners[2 * i + 1]];
    const last = corners.length / 2 - 1;
    const [p, q] = n < 0 ? [at(1), at(0)] : [at(last - 1), at(last)];
    const direction = (q[0] > p[0] ? 0 : q[0] < p[0] ? 2 : q[1] > p[1] ? 1 : 3) as Direction;
    return { corner: q[1] * pw + q[0], direction };
  };
  map.chains.forEach((chain, i) => {
    for (const n of [...(chain.right === label ? [i] : []), ...(chain.left === label ? [-i - 1] : [])]) {
      if (done.has(n)) continue;
      if (chain.closed) {
        loops.push([n]);
        done.add(n);
        continue;
      }
      const loop: number[] = [];
      for (let at = n; !done.has(at);) {
        done.add(at);
        loop.push(at);
        const { corner, direction } = endOf(at);
        // To the right first: areas that touch at a corner only are apart.
        let next: number | undefined;
        for (const turn of [1, 0, 3]) {
          next = map.leaving.get(corner * 4 + ((direction + turn) % 4));
          if (next !== undefined) break;
        }
        if (next === undefined) break;
        at = next;
      }
      loops.push(loop);
    }
  });
  return loops;
}
