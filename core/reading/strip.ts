/** A row of letters laid straight: black on white, of one size, as recognition wants it. */
import type { Picture } from '../raster';
import type { Apart } from '../trace';
import { middleOf, type Part, type Parts } from './parts';
import { placeOn, pointOn, seenAlong } from './course';
import type { Row } from './rows';

/** The margin about the letters of a strip, in pixels. */
const MARGIN_PX = 22;
/** A strip is no longer than this, in pixels. */
const LONGEST_PX = 4000;
/** Pieces smaller than this share of a letter's height squared are bits of letters. */
const CRUMB = 0.03;
/** Each pixel of a strip is the mean of so many places across and down, at most. */
const FINEST = 3;
/** Less ink than this at a pixel is noise. */
const FAINT = 0.12;
/** How much further than its letters a strip is looked at, as a share of their height: for the hairline of a last one. */
const BEYOND = 0.8;

export interface Strip {
  readonly widthPx: number;
  readonly heightPx: number;
  /** 0 black to 255 white. */
  readonly grey: Uint8Array;
  /** The parts in it, with how far from its left edge each begins and ends, in pixels. */
  readonly parts: readonly { readonly part: Part; readonly from: number; readonly to: number }[];
}

/** What belongs to the letters of a row besides: dots and accents above, points and commas below. */
function piecesBeside(row: Row, all: readonly Part[]): Part[] {
  const { ink } = row.parts[0];
  const inRow = new Set(row.parts);
  const high = row.hi - row.lo;
  return all.filter((p) => {
    if (p.ink !== ink || inRow.has(p)) return false;
    const { along, off } = placeOn(row.course, middleOf(p), (row.from + row.to) / 2);
    const most = Math.max(p.x1 - p.x0, p.y1 - p.y0);
    return (
      most < 0.75 * high &&
      along > row.from - 0.2 * high &&
      along < row.to + 0.2 * high &&
      off > row.lo - 0.45 * high &&
      off < row.hi + 0.45 * high
    );
  });
}

/** How a strip is drawn: what reads badly one way may read well another. */
export interface StripLook {
  /** Height of letters in pixels. */
  readonly lettersPx: number;
  /** Letters so many times as wide as they are: for narrow faces. */
  readonly stretch: number;
  /** Added between letters, as a share of their height: for faces set tight. */
  readonly spread: number;
  /** How much of a pixel has to be inked to be black, 0..1, after going over softly; null leaves it as it is. */
  readonly weight: number | null;
}

/** What a strip is drawn from. */
export interface StripSource {
  readonly picture: Picture;
  readonly apart: Apart;
  readonly parts: Parts;
}

/** Share of ink 0..1 at each pixel of a picture that lettering of an ink has, by its colour between the ink's and that of what lies around. */
function inkedBy(
  { picture, apart, parts: { of } }: StripSource,
  row: Row,
  own: ReadonlySet<number>,
  small: ReadonlySet<number>,
) {
  const { widthPx: w, heightPx: h, rgba } = picture;
  const { first, second, share } = apart.cells;
  const { ink } = row.parts[0];
  const isForeign = (i: number): boolean => first[i] === ink && !own.has(of[i]) && !small.has(of[i]);
  const k = apart.inks[ink].rgb;
  const around = new Set(groundsOf(apart, row));
  /** From the ink's colour to each ground's. */
  const grounds = [...around].map((g) => {
    const { rgb } = apart.inks[g];
    const d = [rgb[0] - k[0], rgb[1] - k[1], rgb[2] - k[2]] as const;
    return { d, square: d[0] ** 2 + d[1] ** 2 + d[2] ** 2 };
  });
  const isMixed = apart.inks[ink].gradient === undefined && grounds.every((g) => g.square > 900);
  const told = (x: number, y: number): number => {
    if (x < 0 || y < 0 || x >= w || y >= h) return 0;
    const i = y * w + x;
    if (isForeign(i)) return 0;
    if ((x > 0 && isForeign(i - 1)) || (x + 1 < w && isForeign(i + 1)) || (y > 0 && isForeign(i - w)) || (y + 1 < h && isForeign(i + w))) return 0; // prettier-ignore
    if (first[i] === ink && share[i] > 0.9) return 1;
    // What is all of another ink, and no ground of the letters, is no lighter letter.
    if (first[i] !== ink && share[i] > 0.9 && !around.has(first[i])) return 0;
    if (!isMixed || !grounds.length) return first[i] === ink ? share[i] : second[i] === ink ? 1 - share[i] : 0;
    const p = [rgba[4 * i] - k[0], rgba[4 * i + 1] - k[1], rgba[4 * i + 2] - k[2]];
    let [best, off] = [0, Infinity];
    for (const { d, square } of grounds) {
      const t = Math.max(0, Math.min(1, (p[0] * d[0] + p[1] * d[1] + p[2] * d[2]) / square));
      const far = (p[0] - t * d[0]) ** 2 + (p[1] - t * d[1]) ** 2 + (p[2] - t * d[2]) ** 2;
      if (far < off) [best, off] = [1 - t, far];
    }
    return best < FAINT ? 0 : best;
  };
  // A row is looked at several times, and each look asks for most pixels several times.
  const reach = 2 * Math.max(...row.parts.map((p) => Math.max(p.x1 - p.x0, p.y1 - p.y0)));
  const x0 = Math.max(0, Math.floor(Math.min(...row.parts.map((p) => p.x0)) - reach));
  const y0 = Math.max(0, Math.floor(Math.min(...row.parts.map((p) => p.y0)) - reach));
  const wide = Math.min(w, Math.ceil(Math.max(...row.parts.map((p) => p.x1)) + reach)) - x0;
  const high = Math.min(h, Math.ceil(Math.max(...row.parts.map((p) => p.y1)) + reach)) - y0;
  const known = new Float32Array(wide * high).fill(-1);
  return (x: number, y: number): number => {
    const [u, v] = [x - x0, y - y0];
    if (u < 0 || v < 0 || u >= wide || v >= high) return told(x, y);
    const k = v * wide + u;
    if (known[k] < 0) known[k] = told(x, y);
    return known[k];
  };
}

type Inked = ReturnType<typeof inkedBy>;
const inkedOf = new WeakMap<Row, Inked>();

/** What is inked of a row, made at its first look. */
function remembered(row: Row, make: () => Inked): Inked {
  const known = inkedOf.get(row) ?? make();
  inkedOf.set(row, known);
  return known;
}

/** The inks that lie around a row's letters. */
function groundsOf({ cells: { widthPx, heightPx, first }, inks }: Apart, { parts }: Row): number[] {
  const { ink } = parts[0];
  const counts = new Float64Array(inks.length);
  let all = 0;
  for (const { x0, y0, x1, y1 } of parts)
    for (let y = Math.max(0, y0 - 2); y < Math.min(heightPx, y1 + 2); y++)
      for (let x = Math.max(0, x0 - 2); x < Math.min(widthPx, x1 + 2); x++) {
        const k = first[y * widthPx + x];
        if (k === ink || k >= inks.length) continue;
        counts[k]++;
        all++;
      }
  return [...counts.keys()].filter((k) => counts[k] > 0.08 * all && !inks[k].gradient);
}

/**
 * Lays a row straight. An arc is read clockwise with letters standing outwards, or `turned`, the other way round with them standing
 * inwards; a line in its direction, or turned by half.
 */
export function stripOf(source: StripSource, row: Row, turned: boolean, look: StripLook): Strip {
  const { course } = row;
  const all = source.parts.parts;
  const beside = piecesBeside(row, all);
  const { ink } = row.parts[0];
  const heights = row.parts.map((p) => heightOf(seenAlong(p, course))).sort((a, b) => a - b);
  const letterPx = heights[Math.floor(heights.length * 0.7)];
  const own = new Set([...row.parts, ...beside].map((p) => p.region));
  // Hairlines are mixtures all through, and belong to no part: all of the ink is seen that is not of something else.
  const small = new Set(all.filter((p) => p.ink === ink && p.sizePx2 < CRUMB * letterPx * letterPx).map((p) => p.region)); // prettier-ignore
  const inked = remembered(row, () => inkedBy(source, row, own, small));
  const between = (x: number, y: number): number => {
    const [fx, fy] = [x - 0.5, y - 0.5];
    const [ix, iy] = [Math.floor(fx), Math.floor(fy)];
    const [tx, ty] = [fx - ix, fy - iy];
    return (
      (inked(ix, iy) * (1 - tx) + inked(ix + 1, iy) * tx) * (1 - ty) +
      (inked(ix, iy + 1) * (1 - tx) + inked(ix + 1, iy + 1) * tx) * ty
    );
  };
  const placed = [...row.parts, ...beside].map((part) => ({
    part,
    ...placeOn(course, middleOf(part), (row.from + row.to) / 2),
  }));
  const reach = (p: Part): number => Math.max(p.x1 - p.x0, p.y1 - p.y0) / 2;
  const lo = Math.min(row.lo, ...placed.slice(row.parts.length).map((p) => p.off - reach(p.part)));
  const hi = Math.max(row.hi, ...placed.slice(row.parts.length).map((p) => p.off + reach(p.part)));
  const beyond = BEYOND * letterPx;
  const [start, end] = [row.from - beyond, row.to + beyond];
  const scale = Math.min(look.lettersPx / letterPx, (LONGEST_PX - 2 * MARGIN_PX) / (end - start) / (look.stretch + look.spread)); // prettier-ignore
  // Off goes to the right of the direction, which is down; along an arc it goes outwards, which is up.
  const flip = (course.kind === 'arc') !== turned;
  const spans = placed
    .map(({ part, along }) => {
      const seen = seenAlong(part, course);
      const half = (scale * look.stretch * (seen.to - seen.from)) / 2;
      const at = scale * look.stretch * (turned ? end - along : along - start);
      return { part, from: at - half, to: at + half };
    })
    .sort((p, q) => p.from - q.from);
  const gaps = look.spread > 0 ? gapsBetween(spans.map(({ from, to }) => [from, to])) : [];
  const added = look.spread * letterPx * scale;
  const widthPx = Math.ceil((end - start) * scale * look.stretch + gaps.length * added) + 2 * MARGIN_PX;
  const heightPx = Math.ceil((hi - lo) * scale) + 2 * MARGIN_PX;
  /** From a place in the strip to where it would be without what was added between letters; null inside of that. */
  const unspread = (u: number): number | null => {
    let shift = 0;
    for (const gap of gaps) {
      if (u < gap + shift) break;
      if (u < gap + shift + added) return null;
      shift += added;
    }
    return u - shift;
  };
  const ink01 = new Float32Array(widthPx * heightPx);
  // Where letters are made smaller, each pixel is the mean of several places.
  const fine = Math.max(1, Math.min(FINEST, Math.ceil(1 / scale)));
  for (let u = 0; u < widthPx; u++)
    for (let a = 0; a < fine; a++) {
      const right = unspread(u + (a + 0.5) / fine - MARGIN_PX);
      if (right === null) continue;
      const along = turned ? end - right / (scale * look.stretch) : start + right / (scale * look.stretch);
      for (let v = 0; v < heightPx; v++)
        for (let b = 0; b < fine; b++) {
          const down = (v + (b + 0.5) / fine - MARGIN_PX) / scale;
          const [x, y] = pointOn(course, along, flip ? hi - down : lo + down);
          ink01[v * widthPx + u] += between(x, y) / (fine * fine);
        }
    }
  return {
    widthPx,
    heightPx,
    grey: greyOf(look.weight === null ? ink01 : weighted(ink01, widthPx, heightPx, look.weight)),
    parts: spans.map(({ part, from, to }) => {
      const shift = MARGIN_PX + added * gaps.filter((g) => g <= (from + to) / 2).length;
      return { part, from: from + shift, to: to + shift };
    }),
  };
}

const heightOf = ({ lo, hi }: { lo: number; hi: number }): number => hi - lo;

const greyOf = (ink01: Float32Array): Uint8Array =>
  Uint8Array.from(ink01, (v) => 255 - Math.round(255 * Math.min(1, v)));

/** The middles of the gaps between spans in the order of their beginnings. */
function gapsBetween(spans: readonly (readonly [number, number])[]): number[] {
  const out: number[] = [];
  let end = -Infinity;
  for (const [from, to] of spans) {
    if (from > end && end > -Infinity) out.push((from + end) / 2);
    end = Math.max(end, to);
  }
  return out;
}

/** Strokes made heavier or lighter: gone over softly by 3 x 3 pixels twice, then cut at a share. */
function weighted(ink01: Float32Array, w: number, h: number, weight: number): Float32Array {
  let from = ink01;
  for (let turn = 0; turn < 2; turn++) {
    const to = new Float32Array(from.length);
    for (let y = 1; y + 1 < h; y++)
      for (let x = 1; x + 1 < w; x++) {
        const i = y * w + x;
        to[i] =
          (4 * from[i] + 2 * (from[i - 1] + from[i + 1] + from[i - w] + from[i + w]) + from[i - w - 1] + from[i - w + 1] + from[i + w - 1] + from[i + w + 1]) / 16; // prettier-ignore
      }
    from = to;
  }
  return from.map((v) => Math.max(0, Math.min(1, (v - weight) / 0.25 + 0.5)));
}
