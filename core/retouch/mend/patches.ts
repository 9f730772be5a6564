/**
 * Holes filled with patches of what is around them, for textures and shading: each place takes the mean of the patches that are most like what lies about
 * it, found by chance and by what its neighbours found (PatchMatch, Barnes et al. 2009), from coarse to fine (Wexler et al. 2007).
 */
import { randomFrom } from '../../random';
import { shrink, type Picture } from '../../raster';

/** Half the side of a patch, without its middle, in pixels. */
const HALF = 3;

/** At the coarsest level the hole is about so many pixels across, and no side of the picture shorter than that. */
const COARSEST = 10;
const LEAST_SIDE = 24;

/** Rounds of finding patches and taking their mean, at the coarsest level and at the finest. */
const ROUNDS = { coarse: 8, fine: 2 } as const;

interface Level {
  readonly w: number;
  readonly h: number;
  readonly rgb: Float32Array;
  readonly hole: Uint8Array;
}

/**
 * A picture with its holes filled; `seed` decides about chance. Null where there is no patch to take. Pixels that the patches say are taken from `seen`, where that is
 * given: the same picture with what is transparent in it, which was searched as a colour.
 */
export function patched(picture: Picture, holes: Uint8Array, seed: number, seen: Picture | null): Picture | null {
  const random = randomFrom(seed);
  const levels = pyramid(picture, holes);
  let field: Int32Array | null = null;
  let before: Level | null = null;
  for (let k = levels.length - 1; k >= 0; k--) {
    const level = levels[k];
    if (before) fromCoarser(level, before);
    else fillNearest(level);
    field = startField(level, before, field, random);
    if (!field) return null;
    const rounds = Math.round(ROUNDS.fine + ((ROUNDS.coarse - ROUNDS.fine) * k) / Math.max(1, levels.length - 1));
    for (let round = 0; round < rounds; round++) {
      search(level, field, random, round % 2 === 1);
      vote(level, field, round === rounds - 1 && k === 0);
    }
    before = level;
  }
  if (seen) return takenFrom(seen, holes, field!);
  const rgba = new Uint8ClampedArray(picture.rgba);
  const [{ rgb, hole }] = levels;
  for (let i = 0; i < hole.length; i++)
    if (hole[i]) {
      for (let c = 0; c < 3; c++) rgba[4 * i + c] = rgb[3 * i + c];
      rgba[4 * i + 3] = 255;
    }
  return { ...picture, rgba };
}

function takenFrom(seen: Picture, holes: Uint8Array, field: Int32Array): Picture {
  const rgba = new Uint8ClampedArray(seen.rgba);
  for (let i = 0; i < holes.length; i++)
    if (holes[i]) rgba.set(seen.rgba.subarray(4 * field[i], 4 * field[i] + 4), 4 * i);
  return { ...seen, rgba };
}

function pyramid(picture: Picture, holes: Uint8Array): Level[] {
  const levels: Level[] = [];
  const depth = Math.sqrt(holes.reduce((n, v) => n + v, 0));
  for (let scale = 1; ; scale /= 2) {
    const [w, h] = [Math.round(picture.widthPx * scale), Math.round(picture.heightPx * scale)];
    if (levels.length && (Math.min(w, h) < LEAST_SIDE || depth * scale * 2 < COARSEST)) break;
    // What is transparent weighs nothing in the means of a smaller picture.
    const small = scale === 1 ? picture : shrink(picture, w, h);
    const rgb = new Float32Array(w * h * 3);
    const hole = new Uint8Array(w * h);
    for (let i = 0; i < hole.length; i++) {
      for (let c = 0; c < 3; c++) rgb[3 * i + c] = small.rgba[4 * i + c];
      hole[i] = Number(scale === 1 ? holes[i] : small.rgba[4 * i + 3] < 250);
    }
    levels.push({ w, h, rgb, hole });
  }
  return levels;
}

/** Each pixel of the hole as the nearest one outside, in place. */
function fillNearest({ w, h, rgb, hole }: Level): void {
  const done = hole.map((v) => 1 - v);
  let front = [...done.keys()].filter((i) => done[i]);
  while (front.length) {
    const next: number[] = [];
    for (const i of front) {
      const x = i % w;
      for (const j of [x > 0 ? i - 1 : i, x + 1 < w ? i + 1 : i, i >= w ? i - w : i, i + w < w * h ? i + w : i]) {
        if (done[j]) continue;
        done[j] = 1;
        rgb.copyWithin(3 * j, 3 * i, 3 * i + 3);
        next.push(j);
      }
    }
    front = next;
  }
}

const atHalf = (level: Level, coarse: Level, i: number): number => {
  const x = Math.min(coarse.w - 1, (i % level.w) >> 1);
  return Math.min(coarse.h - 1, Math.floor(i / level.w) >> 1) * coarse.w + x;
};

function fromCoarser(level: Level, coarse: Level): void {
  for (let i = 0; i < level.hole.length; i++)
    if (level.hole[i]) {
      const j = atHalf(level, coarse, i);
      for (let c = 0; c < 3; c++) level.rgb[3 * i + c] = coarse.rgb[3 * j + c];
    }
}

/** Places whose patches lie wholly in the picture and outside the hole. */
function goodPlaces({ w, h, hole }: Level): Uint8Array {
  const sums = new Int32Array((w + 1) * (h + 1));
  for (let y = 0; y < h; y++)
    for (let x = 0, row = 0; x < w; x++) {
      row += hole[y * w + x];
      sums[(y + 1) * (w + 1) + x + 1] = sums[y * (w + 1) + x + 1] + row;
    }
  const out = new Uint8Array(w * h);
  for (let y = HALF; y + HALF < h; y++)
    for (let x = HALF; x + HALF < w; x++) {
      const [x0, x1, y0, y1] = [x - HALF, x + HALF + 1, y - HALF, y + HALF + 1];
      const n = sums[y1 * (w + 1) + x1] - sums[y0 * (w + 1) + x1] - sums[y1 * (w + 1) + x0] + sums[y0 * (w + 1) + x0];
      out[y * w + x] = Number(n === 0);
    }
  return out;
}

/** For each pixel whose patch touches the hole, a place to take its patch from; -1 elsewhere. Null where there is none to take. */
function startField(
  level: Level,
  coarse: Level | null,
  field: Int32Array | null,
  random: () => number,
): Int32Array | null {
  const good = goodPlaces(level);
  const places: number[] = [];
  for (let i = 0; i < good.length; i++) if (good[i]) places.push(i);
  if (!places.length) return null;
  const { w, h, hole } = level;
  const out = new Int32Array(w * h).fill(-1);
  for (let i = 0; i < hole.length; i++) {
    if (!hole[i]) continue;
    let at = -1;
    if (coarse && field) {
      const j = atHalf(level, coarse, i);
      const from = field[j];
      if (from >= 0) {
        const x = 2 * (from % coarse.w) + (i % w) - 2 * (j % coarse.w);
        const y = 2 * Math.floor(from / coarse.w) + Math.floor(i / w) - 2 * Math.floor(j / coarse.w);
        if (x >= 0 && y >= 0 && x < w && y < h && good[y * w + x]) at = y * w + x;
      }
    }
    out[i] = at >= 0 ? at : places[Math.floor(random() * places.length)];
  }
  return out;
}

/** How far two patches differ: the sum of squares, given up beyond `most`. */
function apartBy({ w, h, rgb }: Level, p: number, q: number, most: number): number {
  const [px, py, qx, qy] = [p % w, Math.floor(p / w), q % w, Math.floor(q / w)];
  let sum = 0;
  for (let v = -HALF; v <= HALF; v++) {
    if (py + v < 0 || py + v >= h) continue;
    for (let u = -HALF; u <= HALF; u++) {
      if (px + u < 0 || px + u >= w) continue;
      const [a, b] = [3 * ((py + v) * w + px + u), 3 * ((qy + v) * w + qx + u)];
      const [r, g, l] = [rgb[a] - rgb[b], rgb[a + 1] - rgb[b + 1], rgb[a + 2] - rgb[b + 2]];
      sum += r * r + g * g + l * l;
    }
    if (sum > most) return sum;
  }
  return sum;
}

function search(level: Level, field: Int32Array, random: () => number, backwards: boolean): void {
  const { w, h } = level;
  const good = goodPlaces(level);
  const step = backwards ? -1 : 1;
  const n = w * h;
  for (let k = 0; k < n; k++) {
    const i = backwards ? n - 1 - k : k;
    if (field[i] < 0) continue;
    let best = field[i];
    let least = apartBy(level, i, best, Infinity);
    const attempt = (at: number): void => {
      if (at < 0 || at >= n || !good[at] || at === best) return;
      const d = apartBy(level, i, at, least);
      if (d < least) [best, least] = [at, d];
    };
    for (const to of [step, step * w]) {
      const neighbour = i - to;
      if (neighbour >= 0 && neighbour < n && field[neighbour] >= 0) attempt(field[neighbour] + to);
    }
    for (let reach = Math.max(w, h); reach >= 1; reach /= 2) {
      const x = Math.round((best % w) + reach * (2 * random() - 1));
      const y = Math.round(Math.floor(best / w) + reach * (2 * random() - 1));
      if (x >= 0 && y >= 0 && x < w && y < h) attempt(y * w + x);
    }
    field[i] = best;
  }
}

/** Each pixel of the hole as the mean of what the patches about it say; at last as what its own says, which is not blurred. */
function vote({ w, h, rgb, hole }: Level, field: Int32Array, last: boolean): void {
  const out = rgb.slice();
  for (let i = 0; i < hole.length; i++) {
    if (!hole[i]) continue;
    const [x, y] = [i % w, Math.floor(i / w)];
    let [r, g, b, n] = [0, 0, 0, 0];
    const half = last ? 1 : HALF;
    for (let v = -half; v <= half; v++)
      for (let u = -half; u <= half; u++) {
        const [px, py] = [x + u, y + v];
        if (px < 0 || py < 0 || px >= w || py >= h) continue;
        const from = field[py * w + px];
        if (from < 0) continue;
        const at = 3 * (from - v * w - u);
        r += rgb[at];
        g += rgb[at + 1];
        b += rgb[at + 2];
        n++;
      }
    if (n) [out[3 * i], out[3 * i + 1], out[3 * i + 2]] = [r / n, g / n, b / n];
  }
  rgb.set(out);
}
