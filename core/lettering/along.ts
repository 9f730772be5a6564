/** Text on any path: letters stand on it one after the other, each turned as the path runs under its middle. */
import { flatten, type Contour, type Point } from '../path';
import { ArcError } from './arc';
import type { PlacedGlyph, SetLine } from './set';

export interface AlongOptions {
  /** Where on the path the text stands, 0 at its start, 1 at its end, by its own start, middle or end. */
  readonly at: number;
  readonly align?: 'start' | 'centre' | 'end';
  /** Letters stand on the other side and run the other way. */
  readonly flipped?: boolean;
  /** How far the baseline lies off the path, in px, outwards above 0. */
  readonly offPx?: number;
}

/** How finely a path is measured, in px: so finely that letters on a circle of 40 px are turned as that is, to half a degree. */
const FINE_PX = 0.001;

/** A path measured: places by the length that leads to them. */
class Measured {
  private readonly xy: readonly number[];
  private readonly sums: Float64Array;

  constructor(contour: Contour) {
    const xy = flatten(contour, FINE_PX);
    const isClosed = !contour.open && (xy[0] !== xy[xy.length - 2] || xy[1] !== xy[xy.length - 1]);
    this.xy = isClosed ? [...xy, xy[0], xy[1]] : xy;
    this.sums = new Float64Array(this.xy.length / 2);
    for (let k = 1; k < this.sums.length; k++)
      this.sums[k] =
        this.sums[k - 1] + Math.hypot(this.xy[2 * k] - this.xy[2 * k - 2], this.xy[2 * k + 1] - this.xy[2 * k - 1]);
  }

  get lengthPx(): number {
    return this.sums[this.sums.length - 1] ?? 0;
  }

  /** The place so far along, and the direction there; beyond the ends, straight on. */
  at(s: number): { p: Point; d: Point } {
    let [low, high] = [0, this.sums.length - 1];
    while (high - low > 1) {
      const mid = (low + high) >> 1;
      if (this.sums[mid] <= s) low = mid;
      else high = mid;
    }
    const long = this.sums[high] - this.sums[low] || 1;
    const d: Point = [
      (this.xy[2 * high] - this.xy[2 * low]) / long,
      (this.xy[2 * high + 1] - this.xy[2 * low + 1]) / long,
    ];
    const by = s - this.sums[low];
    return { p: [this.xy[2 * low] + by * d[0], this.xy[2 * low + 1] + by * d[1]], d };
  }
}

/** A line set along a contour. Throws an ArcError where the contour is shorter than the text. */
export function along(line: SetLine, contour: Contour, options: AlongOptions): PlacedGlyph[] {
  const { at, align = 'centre', flipped = false, offPx = 0 } = options;
  const path = new Measured(contour);
  const whole = path.lengthPx;
  if (!(whole > 0)) throw new ArcError('this path has no length');
  if (line.widthPx > whole * 1.0001)
    throw new ArcError(`this text is ${Math.ceil(line.widthPx)} px long, and its path ${Math.floor(whole)} px`);
  const share = { start: 0, centre: 0.5, end: 1 }[align];
  const first = line.glyphs[0]?.x ?? 0;
  let from = at * whole - share * line.widthPx;
  const isClosed = !contour.open;
  // On an open path text stays within its ends.
  if (!isClosed) from = Math.max(0, Math.min(whole - line.widthPx, from));
  const placeAt = (s: number): { p: Point; d: Point } => {
    const way = flipped ? whole - s : s;
    const { p, d } = path.at(isClosed ? ((way % whole) + whole) % whole : way);
    const own: Point = flipped ? [-d[0], -d[1]] : d;
    return { p: [p[0] + offPx * own[1], p[1] - offPx * own[0]], d: own };
  };
  return line.glyphs.map((g): PlacedGlyph => {
    const s = from + g.x - first;
    const { d } = placeAt(s + g.advance / 2);
    const { p } = placeAt(s);
    return { ...g, x: p[0], y: p[1], turnDeg: (Math.atan2(d[1], d[0]) * 180) / Math.PI };
  });
}
