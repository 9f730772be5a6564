/** Outlines as short lines in a grid: how far a place lies from the nearest of them, and which of them cross. */
import { flatten, nearestShare, type Contour, type Point } from '../path';

/** The points of an outline, x and y in turn; of a closed one, the first again at its end. */
export function polylineOf(contour: Contour, tolerancePx: number): Float64Array {
  const points = flatten(contour, tolerancePx);
  return Float64Array.from(contour.open ? points : [...points, ...points.slice(0, 2)]);
}

/** About so many short lines lie in a cell of the grid. */
const PER_CELL = 2;
const CELLS_MOST = 1024;

/** Lines that meet nearer to an end than this share of their length meet there. */
const WITHIN = 1e-9;

/** Polylines, x and y in turn, looked up by place. */
export class Lines {
  private readonly cells = new Map<number, number[]>();
  private readonly x0: number;
  private readonly y0: number;
  private readonly side: number;
  private readonly across: number;
  private readonly down: number;
  /** Of each short line: both ends, and the polyline it is of. */
  private readonly ends: Float64Array;
  private readonly of: Int32Array;
  readonly count: number;

  constructor(polylines: readonly Float64Array[]) {
    let count = 0;
    let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
    for (const line of polylines) {
      count += Math.max(0, line.length / 2 - 1);
      for (let i = 0; i < line.length; i += 2) {
        x0 = Math.min(x0, line[i]);
        x1 = Math.max(x1, line[i]);
        y0 = Math.min(y0, line[i + 1]);
        y1 = Math.max(y1, line[i + 1]);
      }
    }
    this.count = count;
    this.x0 = x0;
    this.y0 = y0;
    const most = Math.max(x1 - x0, y1 - y0, 1e-9);
    const wanted = Math.min(CELLS_MOST, Math.max(1, Math.ceil(Math.sqrt(count / PER_CELL))));
    this.side = most / wanted;
    this.across = Math.floor((x1 - x0) / this.side) + 1;
    this.down = Math.floor((y1 - y0) / this.side) + 1;
    this.ends = new Float64Array(4 * count);
    this.of = new Int32Array(count);
    let k = 0;
    polylines.forEach((line, which) => {
      for (let i = 0; i + 3 < line.length; i += 2, k++) {
        this.ends.set(line.subarray(i, i + 4), 4 * k);
        this.of[k] = which;
        this.each(line[i], line[i + 1], line[i + 2], line[i + 3], (cell) => {
          const list = this.cells.get(cell);
          if (list) list.push(k);
          else this.cells.set(cell, [k]);
        });
      }
    });
  }

  /** The cells that a box about a short line covers. */
  private each(ax: number, ay: number, bx: number, by: number, seen: (cell: number) => void): void {
    const [c0, c1] = [this.column(Math.min(ax, bx)), this.column(Math.max(ax, bx))];
    const [r0, r1] = [this.row(Math.min(ay, by)), this.row(Math.max(ay, by))];
    for (let r = r0; r <= r1; r++)
      for (let c = c0; c <= c1; c++) if (this.comesThrough(c, r, ax, ay, bx, by)) seen(r * this.across + c);
  }

  /** Whether a short line comes through a cell: a long slanting one misses most of its box. */
  private comesThrough(c: number, r: number, ax: number, ay: number, bx: number, by: number): boolean {
    const [x, y] = [this.x0 + (c + 0.5) * this.side, this.y0 + (r + 0.5) * this.side];
    const [dx, dy] = [bx - ax, by - ay];
    return Math.abs((x - ax) * dy - (y - ay) * dx) <= 0.5001 * this.side * (Math.abs(dx) + Math.abs(dy)) + 1e-12;
  }

  private column(x: number): number {
    return Math.max(0, Math.min(this.across - 1, Math.floor((x - this.x0) / this.side)));
  }

  private row(y: number): number {
    return Math.max(0, Math.min(this.down - 1, Math.floor((y - this.y0) / this.side)));
  }

  /** How far a place lies from the nearest line, in px; infinite where there is none. */
  distance([x, y]: Point): number {
    const k = this.nearestLine(x, y);
    return k < 0 ? Infinity : this.away(k, x, y);
  }

  /** The nearest place on any line; null where there is none. */
  nearest([x, y]: Point): Point | null {
    const k = this.nearestLine(x, y);
    if (k < 0) return null;
    const [ax, ay, bx, by] = this.ends.subarray(4 * k, 4 * k + 4);
    const t = nearestShare([x, y], [ax, ay], [bx, by]);
    return [ax + t * (bx - ax), ay + t * (by - ay)];
  }

  private nearestLine(x: number, y: number): number {
    if (this.count === 0) return -1;
    const [c, r] = [this.column(x), this.row(y)];
    let [least, best] = [Infinity, -1];
    const rings = Math.max(this.across, this.down);
    for (let ring = 0; ring <= rings && (ring - 1) * this.side <= least; ring++)
      for (let row = r - ring; row <= r + ring; row++) {
        if (row < 0 || row >= this.down) continue;
        const step = row === r - ring || row === r + ring ? 1 : 2 * ring;
        for (let col = c - ring; col <= c + ring; col += step) {
          if (col < 0 || col >= this.across) continue;
          const list = this.cells.get(row * this.across + col);
          if (!list) continue;
          for (const k of list) {
            const away = this.away(k, x, y);
            if (away < least) [least, best] = [away, k];
          }
        }
      }
    return best;
  }

  private away(k: number, x: number, y: number): number {
    const e = this.ends;
    const [px, py] = [x - e[4 * k], y - e[4 * k + 1]];
    const [dx, dy] = [e[4 * k + 2] - e[4 * k], e[4 * k + 3] - e[4 * k + 1]];
    const square = dx * dx + dy * dy;
    const t = square > 0 ? Math.max(0, Math.min(1, (px * dx + py * dy) / square)) : 0;
    return Math.sqrt((px - t * dx) ** 2 + (py - t * dy) ** 2);
  }

  /** Pairs of polylines of which one crosses the other, or itself, each with where. */
  crossings(): { a: number; b: number; at: Point }[] {
    const out: { a: number; b: number; at: Point }[] = [];
    const seen = new Set<number>();
    for (const list of this.cells.values())
      for (let m = 0; m < list.length; m++)
        for (let q = 0; q < m; q++) {
          const [j, k] = list[q] < list[m] ? [list[q], list[m]] : [list[m], list[q]];
          const key = j * this.count + k;
          if (seen.has(key)) continue;
          const at = this.crossing(j, k);
          if (!at) continue;
          seen.add(key);
          const [a, b] = this.of[j] < this.of[k] ? [this.of[j], this.of[k]] : [this.of[k], this.of[j]];
          out.push({ a, b, at });
        }
    return out;
  }

  /** Where two short lines cross between their ends. */
  private crossing(j: number, k: number): Point | null {
    const e = this.ends;
    const [ax, ay, bx, by] = [e[4 * j], e[4 * j + 1], e[4 * j + 2], e[4 * j + 3]];
    const [cx, cy, dx, dy] = [e[4 * k], e[4 * k + 1], e[4 * k + 2], e[4 * k + 3]];
    const turn = (bx - ax) * (dy - cy) - (by - ay) * (dx - cx);
    if (turn === 0) return null;
    const s = ((cx - ax) * (dy - cy) - (cy - ay) * (dx - cx)) / turn;
    const t = ((cx - ax) * (by - ay) - (cy - ay) * (bx - ax)) / turn;
    if (s <= WITHIN || s >= 1 - WITHIN || t <= WITHIN || t >= 1 - WITHIN) return null;
    return [ax + s * (bx - ax), ay + s * (by - ay)];
  }
}

/** The greatest distance from places on some polylines to others, in px: looked for at their points, and between them no more than `stepPx` apart. */
export function strayOf(polylines: readonly Float64Array[], from: Lines, stepPx: number): number {
  let most = 0;
  for (const line of polylines)
    for (let i = 0; i < line.length; i += 2) {
      most = Math.max(most, from.distance([line[i], line[i + 1]]));
      if (i + 3 >= line.length) continue;
      const [dx, dy] = [line[i + 2] - line[i], line[i + 3] - line[i + 1]];
      const parts = Math.min(64, Math.ceil(Math.hypot(dx, dy) / stepPx));
      for (let k = 1; k < parts; k++)
        most = Math.max(most, from.distance([line[i] + (k / parts) * dx, line[i + 1] + (k / parts) * dy]));
    }
  return most;
}
