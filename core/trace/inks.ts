import { hexToOklab, hexToRgb, oklabDistance, rgbToHex, rgbToOklab, type Oklab, type Rgb } from '../colour';
import type { Picture } from '../raster';
import type { Gradient } from '../vector';
import { NO_GRADIENT } from './gradients';
import type { Plains } from './plains';

/** One colour found in a picture. */
export interface FoundInk {
  readonly rgb: Rgb;
  readonly lab: Oklab;
  readonly hex: string;
  /** Share of the flat pixels that have it. */
  readonly share: number;
  /** Colours that change over the picture, in place of one. */
  readonly gradient?: Gradient;
}

/** An ink of a colour in whole levels. */
export function inkOf(rgb: Rgb, share: number): FoundInk {
  const hex = rgbToHex(rgb);
  return { rgb, lab: hexToOklab(hex), hex, share };
}

/** Pixels whose colour is their neighbours' too: edge mixtures and texture are not among them. */
export function flatPixels({ widthPx: w, heightPx: h, rgba }: Picture, { busy }: Plains, tolerance = 10): Uint8Array {
  const flat = new Uint8Array(w * h).fill(1);
  const whole = new Uint32Array(rgba.buffer, rgba.byteOffset, w * h);
  const near = (p: number, q: number): boolean => {
    if (whole[p] === whole[q]) return true;
    for (let c = 0; c < 4; c++) if (Math.abs(rgba[4 * p + c] - rgba[4 * q + c]) > tolerance) return false;
    return true;
  };
  for (let s = 0; s < busy.length; s += 2) {
    const y = Math.floor(busy[s] / w);
    const inside = y > 0 && y < h - 1;
    for (let i = busy[s], x = i - y * w; i < busy[s + 1]; i++, x++) {
      const colour = whole[i];
      // As most pixels are: just like all four.
      flat[i] =
        inside &&
        x > 0 &&
        x < w - 1 &&
        colour === whole[i - 1] &&
        colour === whole[i + 1] &&
        colour === whole[i - w] &&
        colour === whole[i + w]
          ? 1
          : Number(
              (x === 0 || near(i, i - 1)) &&
                (x === w - 1 || near(i, i + 1)) &&
                (y === 0 || near(i, i - w)) &&
                (y === h - 1 || near(i, i + w)),
            );
    }
  }
  return flat;
}

interface Heap {
  r: number;
  g: number;
  b: number;
  n: number;
  lab: Oklab;
}

const labOf = (k: { r: number; g: number; b: number; n: number }): Oklab => rgbToOklab(k.r / k.n, k.g / k.n, k.b / k.n);

const apart = (p: Heap, q: Heap): number => oklabDistance(p.lab, q.lab);

/**
 * How much two heaps of colour resist being made one: their distance in OKLab, less for heaps that are both small (Ward's linkage, 1963,
 * weighs by size in this way), so that a small but distinct colour stays.
 */
const resistance = (p: Heap, q: Heap): number => {
  // Near black, OKLab tells levels apart that nobody sees and every noise makes: there plain differences of sRGB say more.
  const plain = (0.8 / 255) * Math.hypot(p.r / p.n - q.r / q.n, p.g / p.n - q.g / q.n, p.b / p.n - q.b / q.n);
  return Math.min(oklabDistance(p.lab, q.lab), plain) * (0.35 + Math.min(1, Math.min(p.n, q.n) ** 0.18 / 8));
};

/** Nearest heaps are made one until `done` says to stop. */
function mergeHeaps(
  heaps: Heap[],
  done: (heaps: readonly Heap[], least: number) => boolean,
  between = resistance,
): void {
  while (heaps.length > 1) {
    let least = Infinity;
    let pair: [number, number] = [0, 1];
    for (let i = 0; i < heaps.length; i++)
      for (let j = i + 1; j < heaps.length; j++) {
        const d = between(heaps[i], heaps[j]);
        if (d < least) {
          least = d;
          pair = [i, j];
        }
      }
    if (done(heaps, least)) return;
    const [p, q] = [heaps[pair[0]], heaps[pair[1]]];
    const one = { r: p.r + q.r, g: p.g + q.g, b: p.b + q.b, n: p.n + q.n };
    heaps[pair[0]] = { ...one, lab: labOf(one) };
    heaps.splice(pair[1], 1);
  }
}

/** How even a picture's flat pixels are. */
export interface Evenness {
  /** Share of flat pixels that are not just as the next one is, to the right or below. */
  readonly uneven: number;
  /** Inks are spread over many colours, by noise or by slow changes. */
  readonly spread: boolean;
  /** Flat pixels are all of one colour each, but for few beside edges: the picture was neither saved with loss nor enlarged. */
  readonly exact: boolean;
}

/** From this share of uneven pixels on, inks are spread over many colours. */
const SPREAD_SHARE = 0.02;

/** Fewer uneven pixels than this for each that is not flat come from edges between near inks alone. */
const UNEVEN_BESIDE_EDGES = 0.2;

/** Tells how even a picture is, from the pixels that flatPixels gives. */
export function evennessOf({ widthPx: w, rgba }: Picture, flat: Uint8Array, { plain, busy }: Plains): Evenness {
  const whole = new Uint32Array(rgba.buffer, rgba.byteOffset, flat.length);
  let [edge, uneven, n] = [0, 0, 0];
  for (let s = 0; s < plain.length; s += 2) n += plain[s + 1] - plain[s];
  for (let s = 0; s < busy.length && busy[s] + w < flat.length; s += 2)
    for (let i = busy[s]; i < busy[s + 1]; i++) {
      if (!flat[i]) {
        edge++;
        continue;
      }
      // In even columns across, in odd ones down.
      const j = i & 1 ? i + w : i + 1;
      if (!flat[j] || (i % w === w - 1 && j === i + 1)) continue;
      if (whole[i] !== whole[j]) uneven++;
      n++;
    }
  const share = n ? uneven / n : 0;
  const spread = share >= SPREAD_SHARE;
  return { uneven: share, spread, exact: !spread && share * flat.length <= UNEVEN_BESIDE_EDGES * edge };
}

/** In a clean picture this many flat pixels of a colour are an ink: chance does not make them. */
const LEAST_FLAT = 3;

/** Heaps that colours are gathered in before they are merged, and how near alike colours are gathered at once. */
const MOST_HEAPS = 256;
const AS_GOOD_AS_ALIKE = 0.004;

/** Inks nearer alike than this are one, in a clean picture and in a spread one; and in a spread one those up to the third, where they lie mixed. */
const ALIKE = 0.008;
const ALIKE_IF_SPREAD = 0.019;
const ALIKE_IF_MIXED = 0.03;

/** Two colours that lie side by side this often, against how often the rarer lies beside itself, are one ink that noise has spread. */
const MIXED = 0.15;

/** A colour's cell in a cube of 64 to a side. */
const keyOf = (r: number, g: number, b: number): number => ((r >> 2) << 12) | ((g >> 2) << 6) | (b >> 2);

/**
 * Makes one of heaps of near colours whose pixels lie mixed: noise puts the colours of one ink side by side everywhere, while two inks, however near
 * alike, meet along an edge only.
 */
function mergeMixed(heaps: Heap[], { widthPx: w, rgba }: Picture, flat: Uint8Array): void {
  const cache = new Int16Array(1 << 18).fill(-1);
  const labels = new Int16Array(flat.length).fill(-1);
  for (let i = 0; i < flat.length; i++) {
    const o = 4 * i;
    if (!flat[i] || rgba[o + 3] < 128) continue;
    const key = keyOf(rgba[o], rgba[o + 1], rgba[o + 2]);
    if (cache[key] < 0) cache[key] = nearestOf(rgbToOklab(rgba[o], rgba[o + 1], rgba[o + 2]), heaps);
    labels[i] = cache[key];
  }
  // beside[p][q]: how often p and q lie side by side.
  const beside = heaps.map(() => new Float64Array(heaps.length));
  const meet = (p: number, q: number): void => {
    if (p < 0 || q < 0) return;
    beside[p][q]++;
    if (p !== q) beside[q][p]++;
  };
  for (let i = 0; i < labels.length; i++) {
    if (i % w < w - 1) meet(labels[i], labels[i + 1]);
    if (i + w < labels.length) meet(labels[i], labels[i + w]);
  }
  for (;;) {
    let most = MIXED;
    let pair: [number, number] | null = null;
    for (let p = 0; p < heaps.length; p++)
      for (let q = p + 1; q < heaps.length; q++) {
        if (!heaps[p].n || !heaps[q].n || resistance(heaps[p], heaps[q]) > ALIKE_IF_MIXED) continue;
        const mixed = beside[p][q] / Math.max(1, Math.min(beside[p][p], beside[q][q]));
        if (mixed > most) [most, pair] = [mixed, [p, q]];
      }
    if (!pair) break;
    const [p, q] = pair;
    const one = { r: 0, g: 0, b: 0, n: 0 };
    for (const c of ['r', 'g', 'b', 'n'] as const) one[c] = heaps[p][c] + heaps[q][c];
    heaps[p] = { ...one, lab: labOf(one) };
    heaps[q] = { ...heaps[q], n: 0 };
    beside[p][p] += beside[q][q] + beside[p][q];
    for (let k = 0; k < heaps.length; k++) if (k !== p) beside[p][k] = beside[k][p] += beside[q][k];
  }
  heaps.splice(0, heaps.length, ...heaps.filter((k) => k.n > 0));
}

/** The most inks an automatic trace will have. */
export const AUTOMATIC_LIMIT = 32;

/**
 * The colours of a picture, commonest first. They are read from flat areas, so that the mixtures along anti-aliased edges never become
 * inks; a picture with hardly any flat area (a photograph, noise) is read whole. `count` is a number of colours in all, ground
 * included, or 'auto'. Fewer are given where the picture has fewer. Transparent pixels have no colour, nor have those that gradients paint,
 * given as `painted`. `evenness` is that of the picture as it came.
 */
export function findInks(
  picture: Picture,
  flat: Uint8Array,
  { plain, busy }: Plains,
  count: number | 'auto',
  { spread, exact }: Evenness,
  painted: Uint8Array | null = null,
): FoundInk[] {
  const { rgba } = picture;
  let flatCount = 0;
  let seen = 0;
  for (let s = 0; s < plain.length; s += 2) if (rgba[4 * plain[s] + 3] >= 128) flatCount += plain[s + 1] - plain[s];
  seen = flatCount;
  for (let s = 0; s < busy.length; s += 2)
    for (let i = busy[s]; i < busy[s + 1]; i++)
      if (rgba[i * 4 + 3] >= 128 && !(painted && painted[i] !== NO_GRADIENT)) {
        seen++;
        flatCount += flat[i];
      }
  const useAll = flatCount < seen * 0.2;
  // Near colours are counted together; where all are exact, each for itself.
  const cells = new Map<number, { r: number; g: number; b: number; n: number }>();
  const cellOf = exact ? (r: number, g: number, b: number) => (r << 16) | (g << 8) | b : keyOf;
  const add = (o: number, n: number): void => {
    if (!n || rgba[o + 3] < 128) return;
    const [r, g, b] = [rgba[o], rgba[o + 1], rgba[o + 2]];
    const key = cellOf(r, g, b);
    const cell = cells.get(key);
    if (cell) {
      cell.r += n * r;
      cell.g += n * g;
      cell.b += n * b;
      cell.n += n;
    } else cells.set(key, { r: n * r, g: n * g, b: n * b, n });
  };
  for (let s = 0; s < plain.length; s += 2) add(4 * plain[s], plain[s + 1] - plain[s]);
  // Runs of one colour are added at once.
  const whole = new Uint32Array(rgba.buffer, rgba.byteOffset, flat.length);
  for (let s = 0; s < busy.length; s += 2)
    for (let i = busy[s], end = busy[s + 1]; i < end;) {
      const start = i;
      const colour = whole[i];
      let n = 0;
      for (; i < end && whole[i] === colour; i++) if (!painted || painted[i] === NO_GRADIENT) n += useAll ? 1 : flat[i];
      add(4 * start, n);
    }
  const bins = [...cells.values()];
  const total = bins.reduce((sum, b) => sum + b.n, 0);
  if (!total) return [];
  // The commonest cells lead, and those that are as good as alike join them, which keeps the pairwise merging small.
  const heaps: Heap[] = [];
  for (const bin of bins.sort((p, q) => q.n - p.n)) {
    const lab = labOf(bin);
    const near = heaps[nearestOf(lab, heaps)];
    if (!near || (heaps.length < MOST_HEAPS && oklabDistance(lab, near.lab) > AS_GOOD_AS_ALIKE)) {
      heaps.push({ ...bin, lab });
      continue;
    }
    near.r += bin.r;
    near.g += bin.g;
    near.b += bin.b;
    near.n += bin.n;
    near.lab = labOf(near);
  }
  const enough = spread ? Math.max(6, total * 0.00006) : LEAST_FLAT;
  // Colours that differ by less than this are one ink: rounding explains it, or noise.
  const alike = spread ? ALIKE_IF_SPREAD : ALIKE;
  mergeHeaps(
    heaps,
    (now, least) => least > alike || (count !== 'auto' && now.length <= count),
    exact ? apart : resistance,
  );
  if (spread && !useAll && count === 'auto') mergeMixed(heaps, picture, flat);
  let kept = heaps.filter((k) => k.n >= enough);
  if (!kept.length) kept = heaps;
  const limit = count === 'auto' ? AUTOMATIC_LIMIT : Math.max(1, count);
  mergeHeaps(kept, (now) => now.length <= limit);
  return kept
    .sort((p, q) => q.n - p.n)
    .map((k) => {
      const rgb: Rgb = [Math.round(k.r / k.n), Math.round(k.g / k.n), Math.round(k.b / k.n)];
      return inkOf(rgb, k.n / total);
    });
}

/** Which of some colours is nearest; gradients are none. */
export function nearestOf(lab: Oklab, among: readonly Pick<FoundInk, 'lab' | 'gradient'>[]): number {
  let best = 0;
  let least = Infinity;
  for (let k = 0; k < among.length; k++) {
    const d = among[k].gradient ? Infinity : oklabDistance(lab, among[k].lab);
    if (d < least) {
      least = d;
      best = k;
    }
  }
  return best;
}

/** Inks of a palette that is given; throws a RangeError for what is no hex colour. */
export const inksFrom = (palette: readonly string[]): FoundInk[] => palette.map((hex) => inkOf(hexToRgb(hex), 0));

/** Two inks as far apart as this nobody takes for one. */
const PLAINLY_APART = 0.09;

/**
 * How sure the number of inks is, 0..1: least when the two that are nearest alike lie at the limit below which they would have been made one,
 * and when one of them is a mere speck.
 */
export function certaintyOf(inks: readonly FoundInk[]): number {
  let sure = inks.length >= AUTOMATIC_LIMIT ? 0 : 1;
  for (let i = 0; i < inks.length; i++) {
    for (let j = 0; j < i; j++) {
      const apart = oklabDistance(inks[i].lab, inks[j].lab);
      sure = Math.min(sure, Math.max(0, (apart - 0.013) / (PLAINLY_APART - 0.013)));
    }
    sure = Math.min(sure, 0.4 + inks[i].share * 300);
  }
  return sure;
}
