/** Parts of a picture that may be letters, or pieces of them. */
import { findRegions } from '../raster';
import { NOTHING, type Apart } from '../trace';

/** Directions in which a part's extent is known. */
const DIRECTIONS = 32;
const COS = Float64Array.from({ length: DIRECTIONS }, (_, k) => Math.cos((2 * Math.PI * k) / DIRECTIONS));
const SIN = Float64Array.from({ length: DIRECTIONS }, (_, k) => Math.sin((2 * Math.PI * k) / DIRECTIONS));

/** A connected area of one ink. */
export interface Part {
  readonly ink: number;
  /** Its number among the areas of the picture. */
  readonly region: number;
  /** Left, top, right and bottom edge, in pixels. */
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
  readonly sizePx2: number;
  /** How far it reaches from the middle of its box, in pixels, in each of 32 directions from level to the right and on clockwise. */
  readonly reach: Float64Array;
}

export interface Parts {
  readonly parts: readonly Part[];
  /** The number of the area of each pixel. */
  readonly of: Int32Array;
}

/** Parts smaller than this are noise, in pixels. */
const LEAST_PX2 = 6;
/** Nothing larger than this share of the picture's longer side is a letter, or a word whose letters hang together. */
const MOST_SIDE = 0.97;

export const middleOf = ({ x0, y0, x1, y1 }: Part): readonly [number, number] => [(x0 + x1) / 2, (y0 + y1) / 2];

/** How far a part reaches from its middle in a direction, in pixels. */
export function reachOf({ reach }: Part, angleRad: number): number {
  const t = (((angleRad / (2 * Math.PI)) % 1) + 1) * DIRECTIONS;
  const k = Math.floor(t);
  const share = t - k;
  return reach[k % DIRECTIONS] * (1 - share) + reach[(k + 1) % DIRECTIONS] * share;
}

/** All parts that may be letters or pieces of such. */
export function partsOf({ cells, ground }: Apart): Parts {
  const { widthPx: w, heightPx: h, first } = cells;
  const { of, label, sizePx2, atBorder } = findRegions(first, w, h);
  const most = MOST_SIDE * Math.max(w, h);
  const boxes = new Int32Array(4 * label.length);
  for (let k = 0; k < label.length; k++) boxes.set([w, h, 0, 0], 4 * k);
  for (let y = 0, i = 0; y < h; y++)
    for (let x = 0; x < w; x++, i++) {
      const b = 4 * of[i];
      if (x < boxes[b]) boxes[b] = x;
      if (y < boxes[b + 1]) boxes[b + 1] = y;
      if (x >= boxes[b + 2]) boxes[b + 2] = x + 1;
      if (y >= boxes[b + 3]) boxes[b + 3] = y + 1;
    }
  const number = new Int32Array(label.length).fill(-1);
  const parts: Part[] = [];
  for (let k = 0; k < label.length; k++) {
    if (label[k] === NOTHING || atBorder[k] || sizePx2[k] < LEAST_PX2) continue;
    const [x0, y0, x1, y1] = boxes.subarray(4 * k, 4 * k + 4);
    if (x1 - x0 > most || y1 - y0 > most) continue;
    if (label[k] === ground && sizePx2[k] > 0.25 * w * h) continue;
    number[k] = parts.length;
    parts.push({ ink: label[k], region: k, x0, y0, x1, y1, sizePx2: sizePx2[k], reach: new Float64Array(DIRECTIONS) });
  }
  // A part's extent is decided by the ends of its runs along rows.
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w;) {
      const i = y * w + x;
      let end = x + 1;
      while (end < w && of[end + y * w] === of[i]) end++;
      const part = parts[number[of[i]]];
      if (part) {
        const [cx, cy] = middleOf(part);
        for (let d = 0; d < DIRECTIONS; d++) {
          const px = (COS[d] > 0 ? end : x) - cx;
          const py = (SIN[d] > 0 ? y + 1 : y) - cy;
          const far = px * COS[d] + py * SIN[d];
          if (far > part.reach[d]) part.reach[d] = far;
        }
      }
      x = end;
    }
  return { parts, of };
}

/** A hull about parts together, as path data in pixels: where the lines meet that touch them in neighbouring directions. */
export function hullOf(parts: readonly Part[]): string {
  const cx = parts.reduce((sum, p) => sum + middleOf(p)[0], 0) / parts.length;
  const cy = parts.reduce((sum, p) => sum + middleOf(p)[1], 0) / parts.length;
  const reach = Float64Array.from({ length: DIRECTIONS }, (_, k) =>
    Math.max(...parts.map((p) => p.reach[k] + (middleOf(p)[0] - cx) * COS[k] + (middleOf(p)[1] - cy) * SIN[k])),
  );
  const turn = (2 * Math.PI) / DIRECTIONS;
  let d = '';
  for (let k = 0; k < DIRECTIONS; k++) {
    const [p, q] = [reach[k], reach[(k + 1) % DIRECTIONS]];
    // Along the first direction by p, and across it by what brings it to q along the second.
    const across = (q - p * Math.cos(turn)) / Math.sin(turn);
    d += `${k ? 'L' : 'M'}${(cx + p * COS[k] - across * SIN[k]).toFixed(1)} ${(cy + p * SIN[k] + across * COS[k]).toFixed(1)}`;
  }
  return `${d}Z`;
}
