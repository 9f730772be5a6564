/** Pieces beside one another whose colours go over into one another: one gradient, taken apart. */
import { hexToOklab, oklabToHex, rgbToOklab, type Oklab } from '../colour';
import { combined, CombineError, inverse, mapPoint, type Contour, type Point } from '../path';
import { solved } from '../fit';
import { findNode, inkOf, placedNodes, type Artwork, type Piece, type Placed } from './artwork';
import { mapNodes } from './edits/define';
import { colourIn, meanHex, type Gradient, type GradientStop } from './gradient';
import { drawnShapes, type DrawnShape } from './outlines';
import { settled } from './settle';
import { eachBorder, GROUND, seenGrid, type SeenGrid } from './touching';

/** Pieces that are one gradient. */
export interface Ramp {
  /** From the bottom to the top. */
  readonly ids: readonly string[];
  /** On the sheet. */
  readonly gradient: Gradient;
  /** How far its colours lie from those that the pieces have, as a distance in OKLab: the root of the mean square over their area. */
  readonly offBy: number;
  /** What all of them enclose. */
  readonly contours: readonly Contour[];
}

/** The longer side of the grid on which that is looked at, in cells. */
const CELLS = 240;
/** Colours beside one another that differ by no more than this go over into one another: the loosest first. */
const NEAR = [0.1, 0.07, 0.045];
/** Fewer pieces are no gradient taken apart. */
const LEAST_PIECES = 3;
/** A piece with more than this of all of them is no step among steps. */
const LARGEST_SHARE = 0.6;
/** Of how colours differ from their mean, a gradient must tell this share. */
const LEAST_TOLD = 0.9;
/** Colours that spread less than this, as a standard deviation in OKLab, are one colour. */
const LEAST_SPREAD = 0.018;
/** A gradient is off by no more than this. */
const MOST_OFF = 0.035;
/** Coefficients as large as this are of cells that do not tell them, such as those of one row. */
const UNTOLD = 1e6;
/** A round gradient must do so much better than a straight one. */
const ROUND_BETTER = 0.8;
/** Places along the way at which its colours are looked at, and how finely stops follow them. */
const BINS = 24;
const STOP_OFF = 0.014;
/** Of the sheet, what may look otherwise beside the pieces themselves. */
const ELSEWHERE = 0.001;

type Lab = readonly [number, number, number];
const listed = ({ L, a, b }: Oklab): Lab => [L, a, b];
const apart = (p: Lab, q: Lab): number => Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);

/** The colour of each cell of a shape. */
function colourer(
  artwork: Artwork,
  shapes: readonly DrawnShape[],
  scale: number,
): (shape: number, x: number, y: number) => Lab {
  const own = shapes.map(({ id, inkId }) => {
    const ink = inkOf(artwork, inkId)!;
    if (!ink.gradient) {
      const lab = listed(hexToOklab(ink.hex));
      return () => lab;
    }
    const at = colourIn(ink.gradient);
    const map = findNode(artwork, id)?.map;
    const back = map ? inverse(map) : null;
    return (x: number, y: number): Lab => {
      const p: Point = [(x + 0.5) / scale, (y + 0.5) / scale];
      return listed(rgbToOklab(...at(...(back ? mapPoint(back, p) : p))));
    };
  });
  return (shape, x, y) => own[shape](x, y);
}

/** Whether a shape is a fill that nothing else is done to, so that it can go over into another. */
export function isBare({ node, within }: Placed<Piece>): boolean {
  const plain = [...within, node].every((n) => (n.opacity ?? 1) === 1 && !n.effects?.length && !n.clip && !n.mask);
  return plain && node.inkId !== null && !node.stroke && (node.fillOpacity ?? 1) === 1 && !node.locked;
}

interface Seen extends SeenGrid {
  readonly labs: Float32Array;
  readonly scale: number;
}

/** From where to where cells lie along a way, and how far their colours lie from their mean at the same place, as a sum of squares. */
interface Profile {
  readonly low: number;
  readonly high: number;
  readonly within: number;
}

function profileOf(cells: readonly number[], seen: Seen, place: (x: number, y: number) => number): Profile {
  const { labs, width } = seen;
  const t = cells.map((i) => place((i % width) + 0.5, Math.floor(i / width) + 0.5));
  let [low, high] = [Infinity, -Infinity];
  for (const v of t) [low, high] = [Math.min(low, v), Math.max(high, v)];
  const span = high - low || 1;
  const sums = Array.from({ length: BINS }, () => [0, 0, 0, 0, 0]);
  cells.forEach((i, k) => {
    const bin = sums[Math.min(BINS - 1, Math.floor(((t[k] - low) / span) * BINS))];
    bin[0]++;
    for (let c = 0; c < 3; c++) {
      const v = labs[3 * i + c];
      bin[c + 1] += v;
      bin[4] += v * v;
    }
  });
  let within = 0;
  for (const [n, L, a, b, squares] of sums) if (n) within += Math.max(0, squares - (L * L + a * a + b * b) / n);
  return { low, high, within };
}

/** Coefficients of each channel over some terms of the place, by least squares; null where the cells do not tell them. */
function regressed(
  cells: readonly number[],
  { labs, width }: Seen,
  terms: (x: number, y: number) => number[],
): number[][] | null {
  const n = terms(0, 0).length;
  const normal = Array.from({ length: n }, () => new Float64Array(n + 3));
  for (const i of cells) {
    const row = terms(i % width, Math.floor(i / width));
    for (let p = 0; p < n; p++) {
      for (let q = 0; q < n; q++) normal[p][q] += row[p] * row[q];
      for (let c = 0; c < 3; c++) normal[p][n + c] += row[p] * labs[3 * i + c];
    }
  }
  const by = solved(normal, n);
  const out = [0, 1, 2].map((c) => by.map((row) => row[n + c]));
  return out.flat().every((v) => Math.abs(v) < UNTOLD) ? out : null;
}

/** The way straight over cells along which their colours change most. */
function straightWay(cells: readonly number[], seen: Seen): Point | null {
  const found = regressed(cells, seen, (x, y) => [1, x, y]);
  if (!found) return null;
  // The main direction of the three channels' slopes.
  let [xx, xy, yy] = [0, 0, 0];
  for (const [, gx, gy] of found) [xx, xy, yy] = [xx + gx * gx, xy + gx * gy, yy + gy * gy];
  const rad = 0.5 * Math.atan2(2 * xy, xx - yy);
  return [Math.cos(rad), Math.sin(rad)];
}

/** The middle about which the colours of cells change. */
function middleOf(cells: readonly number[], seen: Seen): Point | null {
  const found = regressed(cells, seen, (x, y) => [1, x, y, x * x + y * y]);
  if (!found) return null;
  let [x, y, weight] = [0, 0, 0];
  for (const [, bx, by, d] of found) {
    if (Math.abs(d) < 1e-12) continue;
    const w = d * d;
    [x, y, weight] = [x - (w * bx) / (2 * d), y - (w * by) / (2 * d), weight + w];
  }
  if (!weight) return null;
  let best: Point = [x / weight, y / weight];
  const within = (p: Point): number => profileOf(cells, seen, (u, v) => Math.hypot(u - p[0], v - p[1])).within;
  let least = within(best);
  // From there by smaller and smaller steps.
  for (let step = 16; step >= 0.5; step /= 2)
    for (let moved = true; moved;) {
      moved = false;
      for (const [dx, dy] of [[step, 0], [-step, 0], [0, step], [0, -step]]) {
        const next: Point = [best[0] + dx, best[1] + dy];
        const w = within(next);
        if (w < least * (1 - 1e-6)) [best, least, moved] = [next, w, true];
      }
    } // prettier-ignore
  return best;
}

/** A colour at a place along a way, 0..1, and of how many cells it is the mean. */
interface Along {
  readonly at: number;
  readonly lab: Lab;
  readonly cells: number;
}

/** The colours of pieces along a way, each in its middle; of those that change in themselves, in several places. Places that are one, nearly, are one. */
function alongOf(
  members: readonly (readonly number[])[],
  seen: Seen,
  { low, high }: Profile,
  place: (x: number, y: number) => number,
): Along[] {
  const { labs, width } = seen;
  const t = (i: number): number => (place((i % width) + 0.5, Math.floor(i / width) + 0.5) - low) / (high - low || 1);
  const mean = (cells: readonly number[]): Along => {
    const sum = [0, 0, 0, 0];
    for (const i of cells) {
      sum[0] += t(i);
      for (let c = 0; c < 3; c++) sum[c + 1] += labs[3 * i + c];
    }
    const [at, L, a, b] = sum.map((v) => v / cells.length);
    return { at, lab: [L, a, b], cells: cells.length };
  };
  const isPlain = (cells: readonly number[]): boolean =>
    cells.every((i) => [0, 1, 2].every((c) => labs[3 * i + c] === labs[3 * cells[0] + c]));
  const all = members.flatMap((cells): Along[] => {
    if (isPlain(cells)) return [mean(cells)];
    const bins = new Map<number, number[]>();
    for (const i of cells) {
      const k = Math.min(BINS - 1, Math.floor(t(i) * BINS));
      bins.set(k, [...(bins.get(k) ?? []), i]);
    }
    return [...bins.values()].map(mean);
  });
  const out: Along[] = [];
  for (const next of all.sort((p, q) => p.at - q.at)) {
    const last = out[out.length - 1];
    if (!last || next.at - last.at > 1 / BINS) {
      out.push(next);
      continue;
    }
    const cells = last.cells + next.cells;
    const s = next.cells / cells;
    out[out.length - 1] = { cells, at: last.at + s * (next.at - last.at), lab: [0, 1, 2].map((c) => last.lab[c] + s * (next.lab[c] - last.lab[c])) as unknown as Lab }; // prettier-ignore
  }
  return out;
}

/** Colours along a way as few stops: those between which the rest lies, nearly. */
function stopsOf(known: readonly Along[]): GradientStop[] {
  const kept = new Set([0, known.length - 1]);
  const split = (a: number, b: number): void => {
    let [worst, off] = [-1, STOP_OFF];
    for (let k = a + 1; k < b; k++) {
      const s = (known[k].at - known[a].at) / (known[b].at - known[a].at);
      const way = [0, 1, 2].map((c) => known[a].lab[c] + s * (known[b].lab[c] - known[a].lab[c])) as unknown as Lab;
      const d = apart(way, known[k].lab);
      if (d > off) [worst, off] = [k, d];
    }
    if (worst < 0) return;
    kept.add(worst);
    split(a, worst);
    split(worst, b);
  };
  split(0, known.length - 1);
  return [...kept]
    .sort((p, q) => p - q)
    .map((k) => ({ at: known[k].at, hex: oklabToHex({ L: known[k].lab[0], a: known[k].lab[1], b: known[k].lab[2] }) }));
}

/** The gradient that cells are nearest to, with the share of their differences that it tells, and how far it is off. */
function fitted(members: readonly (readonly number[])[], seen: Seen): { gradient: Gradient; offBy: number } | null {
  const { labs, scale } = seen;
  const cells = members.flat();
  const mean = [0, 1, 2].map(
    (c) => cells.reduce((sum, i) => sum + labs[3 * i + c], 0) / cells.length,
  ) as unknown as Lab;
  const total = cells.reduce((sum, i) => sum + apart(mean, [labs[3 * i], labs[3 * i + 1], labs[3 * i + 2]]) ** 2, 0);
  if (Math.sqrt(total / cells.length) < LEAST_SPREAD) return null;
  const way = straightWay(cells, seen);
  const alongWay = (x: number, y: number): number => (way ? x * way[0] + y * way[1] : 0);
  const straight = way && profileOf(cells, seen, alongWay);
  const middle = middleOf(cells, seen);
  const outwards = (x: number, y: number): number => (middle ? Math.hypot(x - middle[0], y - middle[1]) : 0);
  const round = middle && profileOf(cells, seen, outwards);
  const isRound = round && (!straight || round.within < ROUND_BETTER * straight.within);
  const best = isRound ? round : straight;
  if (!best) return null;
  const offBy = Math.sqrt(best.within / cells.length);
  if (1 - best.within / total < LEAST_TOLD || offBy > MOST_OFF) return null;
  const at = (p: Point): Point => [p[0] / scale, p[1] / scale];
  const stops = stopsOf(alongOf(members, seen, best, isRound ? outwards : alongWay));
  if (stops.length < 2) return null;
  if (isRound) {
    // From the middle outwards: places count from there, not from where the pieces begin.
    const out = stops.map((s) => ({ ...s, at: (best.low + s.at * (best.high - best.low)) / best.high }));
    const to: Point = [middle[0] + best.high, middle[1]];
    return { gradient: { kind: 'radial', from: at(middle), to: at(to), stops: out, mixed: 'oklab' }, offBy };
  }
  // Through the middle of the cells, so that its ends lie beside them.
  const [cx, cy] = cells.reduce(([x, y], i) => [x + (i % seen.width) / cells.length, y + Math.floor(i / seen.width) / cells.length], [0, 0]); // prettier-ignore
  const across = -cx * way![1] + cy * way![0];
  const on = (t: number): Point => at([t * way![0] - across * way![1], t * way![1] + across * way![0]]);
  return { gradient: { kind: 'linear', from: on(best.low), to: on(best.high), stops, mixed: 'oklab' }, offBy };
}

/** Sets of numbers that belong together. */
export class Sets {
  private readonly of: number[];
  constructor(n: number) {
    this.of = Array.from({ length: n }, (_, k) => k);
  }
  find(k: number): number {
    while (this.of[k] !== k) k = this.of[k] = this.of[this.of[k]];
    return k;
  }
  join(a: number, b: number): void {
    this.of[this.find(a)] = this.find(b);
  }
}

/** Shapes without one that is much larger than all the others: that is what they lie on, not a step among steps. */
function withoutLargest(own: readonly number[], cellsOf: readonly (readonly number[])[]): readonly number[] {
  const size = (k: number): number => cellsOf[k].length;
  const all = own.reduce((sum, k) => sum + size(k), 0);
  const large = own.find((k) => size(k) > LARGEST_SHARE * all);
  return large === undefined ? own : own.filter((k) => k !== large);
}

/** Sets of pieces that lie beside one another and are one gradient, the largest first; some pieces may be left out. What cannot be put together is none. */
export function rampsOf(artwork: Artwork, except: readonly string[] = []): Ramp[] {
  const shapes = drawnShapes(artwork);
  const placed = new Map([...placedNodes(artwork.nodes)].map((p) => [p.node.id, p]));
  const bare = shapes.map(({ id }) => {
    const own = placed.get(id);
    return own?.node.kind === 'piece' && !except.includes(id) && isBare(own as Placed<Piece>);
  });
  const grid = seenGrid(artwork, shapes, (_, k) => k, CELLS);
  const scale = CELLS / Math.max(artwork.widthPx, artwork.heightPx);
  const colourAt = colourer(artwork, shapes, scale);
  const labs = new Float32Array(3 * grid.cells.length);
  grid.cells.forEach(
    (k, i) => k !== GROUND && labs.set(colourAt(k, i % grid.width, Math.floor(i / grid.width)), 3 * i),
  );
  const seen: Seen = { ...grid, labs, scale };
  // How far colours are apart where two shapes lie beside one another.
  const borders = new Map<number, { a: number; b: number; cells: number; sum: number }>();
  eachBorder(grid, (i, j) => {
    const [a, b] = [grid.cells[i], grid.cells[j]];
    if (a === GROUND || b === GROUND || !bare[a] || !bare[b]) return;
    const key = Math.min(a, b) * shapes.length + Math.max(a, b);
    let border = borders.get(key);
    if (!border) borders.set(key, (border = { a, b, cells: 0, sum: 0 }));
    border.cells++;
    border.sum += Math.hypot(
      labs[3 * i] - labs[3 * j],
      labs[3 * i + 1] - labs[3 * j + 1],
      labs[3 * i + 2] - labs[3 * j + 2],
    );
  });
  const cellsOf: number[][] = shapes.map(() => []);
  grid.cells.forEach((k, i) => k !== GROUND && cellsOf[k].push(i));
  const taken = new Set<number>();
  const out: Ramp[] = [];
  for (const near of NEAR) {
    const sets = new Sets(shapes.length);
    for (const { a, b, cells, sum } of borders.values())
      if (!taken.has(a) && !taken.has(b) && cells > 1 && sum / cells <= near) sets.join(a, b);
    const members = new Map<number, number[]>();
    shapes.forEach((_, k) => {
      if (!taken.has(k) && bare[k] && cellsOf[k].length)
        members.set(sets.find(k), [...(members.get(sets.find(k)) ?? []), k]);
    });
    for (const all of members.values()) {
      const own = withoutLargest(all, cellsOf);
      if (own.length < LEAST_PIECES) continue;
      const found = fitted(own.map((k) => cellsOf[k]), seen); // prettier-ignore
      if (!found) continue;
      const ramp = putTogether(artwork, own.map((k) => shapes[k]), found, seen); // prettier-ignore
      if (!ramp) continue;
      own.forEach((k) => taken.add(k));
      out.push(ramp);
    }
  }
  return out.sort((p, q) => q.ids.length - p.ids.length);
}

/** A ramp of shapes, if the artwork looks the same elsewhere with it in their place. */
function putTogether(
  artwork: Artwork,
  own: readonly DrawnShape[],
  found: { gradient: Gradient; offBy: number },
  seen: Seen,
): Ramp | null {
  try {
    const contours = combined('unite', own.map(({ contours: c, rule }) => ({ contours: c, rule }))); // prettier-ignore
    const ramp = { ...found, ids: own.map((s) => s.id), contours };
    const after = withRamp(artwork, ramp, 'ramp');
    const shapes = drawnShapes(after);
    const grid = seenGrid(after, shapes, (_, k) => k, CELLS);
    const colourAt = colourer(after, shapes, seen.scale);
    const isOwn = new Set(own.map((s) => s.id));
    let otherwise = 0;
    const before = drawnShapes(artwork);
    grid.cells.forEach((k, i) => {
      const was = seen.cells[i];
      if (was !== GROUND && isOwn.has(before[was].id)) return;
      if (k === GROUND) otherwise += was === GROUND ? 0 : 1;
      else if (was === GROUND) otherwise++;
      else if (
        apart(colourAt(k, i % grid.width, Math.floor(i / grid.width)), [
          seen.labs[3 * i],
          seen.labs[3 * i + 1],
          seen.labs[3 * i + 2],
        ]) > 0.02
      )
        otherwise++;
    });
    return otherwise <= ELSEWHERE * grid.cells.length ? ramp : null;
  } catch (error) {
    if (error instanceof CombineError) return null;
    throw error;
  }
}

/** The artwork with a ramp as one piece with a gradient of that ink, in place of its lowest. Throws an EditError where a piece is not there. */
export function withRamp(
  artwork: Artwork,
  { ids, gradient, contours }: Pick<Ramp, 'ids' | 'gradient' | 'contours'>,
  inkId: string,
  name = 'gradient',
): Artwork {
  const lowest = findNode(artwork, ids[0]) as Placed<Piece>;
  const { numbers: _numbers, rule: _rule, ...rest } = settled(artwork, lowest);
  const piece: Piece = { ...rest, contours, inkId };
  const gone = new Set(ids.slice(1));
  const nodes = mapNodes(artwork.nodes, (n) => (n.id === ids[0] ? piece : gone.has(n.id) ? null : n));
  return { ...artwork, nodes, inks: [...artwork.inks, { id: inkId, name, hex: meanHex(gradient), gradient }] };
}
