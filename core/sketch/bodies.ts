/** What the lines of a sketch go round, with gaps in them closed. */
import { distanceTo } from '../raster';
import { labelled } from './paper';

/** Distances that a line's gaps are closed by, in pixels, the least first. */
const REACHES = [0.6, 1.5, 2.5, 4, 6, 9, 13];
/** Shares of an outline that may have no line along it: a closed drawing, a loose one, one of dashes. */
const BARE = [0.15, 0.3, 0.45];
/** How much larger a body is that takes in another and more. */
const GROWN = 1.06;

interface Body {
  readonly pixels: Int32Array;
  /** Pixels of its edge that have a line along them, and those that have none. */
  readonly lined: readonly number[];
  readonly bare: readonly number[];
  /** From its edge to its middle, in pixels. */
  readonly deep: number;
}

/** What cannot be reached from the border without coming nearer than r to a line, grown back by what r kept away. */
function closedBy(r: number, toInk: Float32Array, w: number, h: number, weight: number): Body[] {
  const open = labelled((i) => toInk[i] > r, w, h);
  const isOutside = open.sizes.map(() => false);
  for (let x = 0; x < w; x++) isOutside[open.label[x]] = isOutside[open.label[(h - 1) * w + x]] = true;
  for (let y = 0; y < h; y++) isOutside[open.label[y * w]] = isOutside[open.label[y * w + w - 1]] = true;
  isOutside[0] = false;
  const thin = 1.4 * weight + 1;
  const toOutside = distanceTo((i) => isOutside[open.label[i]], w, h, r + thin + 1);
  // The outline runs along the middle of the line, half its weight within its outer edge.
  const isIn = (i: number): boolean => toOutside[i] > r + weight * 0.35;
  const { label, sizes } = labelled(isIn, w, h);
  const found = sizes.map((size) => ({ pixels: new Int32Array(size), known: 0, lined: [] as number[], bare: [] as number[], deep: 0 })); // prettier-ignore
  for (let i = 0; i < w * h; i++) {
    if (!label[i]) continue;
    const body = found[label[i]];
    body.pixels[body.known++] = i;
    if (toOutside[i] - r > body.deep) body.deep = toOutside[i] - r;
    if (isIn(i - 1) && isIn(i + 1) && isIn(i - w) && isIn(i + w)) continue;
    (toInk[i] > weight * 0.5 + 1 ? body.bare : body.lined).push(i);
  }
  // A line by itself is as deep as it is drawn wide, one drawn twice little more.
  return found.filter(({ pixels, deep }) => pixels.length > 60 && deep > thin);
}

/**
 * The bodies of a sketch: 1 for each pixel within. A gap is closed where the line goes on beyond it; what only a wide reach would enclose, such as the space between a sun's
 * rays or a comb's teeth, is none.
 */
export function bodiesOf(isInk: (i: number) => boolean, w: number, h: number, weight: number): Uint8Array {
  const toInk = distanceTo(isInk, w, h, REACHES.at(-1)! + weight + 1);
  const tries = REACHES.map((r) => closedBy(r, toInk, w, h, weight));
  const bySize = BARE.map((most) => {
    const mask = new Uint8Array(w * h);
    for (const { pixels, lined, bare } of tries.flat()) {
      let known = 0;
      for (const i of pixels) known += mask[i];
      if (pixels.length < GROWN * known) continue;
      // Of what takes in another only the edge that is new is asked about.
      const isNew = (i: number): boolean =>
        !mask[i] && !mask[i - 2] && !mask[i + 2] && !mask[i - 2 * w] && !mask[i + 2 * w];
      const [inLine, out] = [lined.filter(isNew).length, bare.filter(isNew).length];
      if (inLine > 0 && out < most * (inLine + out)) for (const i of pixels) mask[i] = 1;
    }
    return { mask, size: mask.reduce((sum, v) => sum + v, 0) };
  });
  const largest = Math.max(...bySize.map(({ size }) => size));
  const { mask } = bySize.find(({ size }) => size > 0.2 * largest) ?? bySize[0];
  return withoutSpurs(mask, w, h, weight);
}

/** A mask without the lines that leave it, its own corners kept. */
function withoutSpurs(mask: Uint8Array, w: number, h: number, weight: number): Uint8Array {
  const r = 0.7 * weight + 0.5;
  const toBare = distanceTo((i) => !mask[i], w, h, r + 1);
  const toCore = distanceTo((i) => toBare[i] > r, w, h, r + 1);
  const thin = labelled((i) => mask[i] === 1 && toCore[i] > r, w, h);
  return mask.map((on, i) => (on && !(thin.label[i] && thin.sizes[thin.label[i]] > 3 * weight * weight) ? 1 : 0));
}
