import {
  arcToCurves,
  contains,
  flatten,
  reverseContour,
  signedArea,
  type Contour,
  type Piece,
  type Point,
  type Segment,
} from '../vector';
import { NOTHING, type Cells } from './cells';
import { BEYOND, chainOf, loopsOf, type ChainMap } from './chains';
import { pointAt } from './cut';
import type { Edges } from './edges';
import type { Stroke } from './fit';
import { cross, dot, length, minus, plus, unit } from './points';
import type { Regions } from './regions';
import { tangentsOf } from './span';

/** How far a lower ink runs under an upper one that it touches, in pixels: enough that no seam shows at any size. */
const UNDERLAP_PX = 1;

/** Makes pieces of contours: each outer one with the holes that lie in it, the biggest first. */
export function piecesOf(contours: readonly Contour[], inkId: string): Omit<Piece, 'id'>[] {
  const areas = contours.map((c) => signedArea(flatten(c, 0.25)));
  const outer = contours
    .map((contour, i) => ({ contour, area: areas[i], holes: [] as Contour[] }))
    .filter((o) => o.area > 0)
    .sort((p, q) => p.area - q.area);
  contours.forEach((hole, i) => {
    if (areas[i] >= 0) return;
    // The smallest outer contour that holds it.
    const home = outer.find((o) => o.area > -areas[i] && contains([o.contour], hole.start));
    home?.holes.push(hole);
  });
  return outer.reverse().map((o) => ({ inkId, contours: [o.contour, ...o.holes] }));
}

/**
 * For the areas that are not of a label, taken together where they touch: whether they hold nothing but labels above it and do not reach the
 * border. What lies there hides whatever is below. By the number of the area.
 */
function hiddenAreas(
  { label, atBorder }: Regions,
  neighbours: readonly number[][],
  own: number,
  above: Uint8Array,
): Uint8Array {
  const hidden = new Uint8Array(label.length);
  const seen = new Uint8Array(label.length);
  for (let s = 0; s < label.length; s++) {
    if (seen[s] || label[s] === own) continue;
    const group = [s];
    seen[s] = 1;
    let whole = true;
    for (let at = 0; at < group.length; at++) {
      const k = group[at];
      if (atBorder[k] || label[k] === NOTHING || !above[label[k]]) whole = false;
      for (const q of neighbours[k])
        if (!seen[q] && label[q] !== own) {
          seen[q] = 1;
          group.push(q);
        }
    }
    if (whole) for (const k of group) hidden[k] = 1;
  }
  return hidden;
}

/** To the left of a direction of length 1, with y downwards. */
const leftOf = (t: Point): Point => [t[1], -t[0]];

/** Where two lines meet that are each moved to their left: by how much their common point moves; null where it would move far. */
function miter(n: Point, m: Point, px: number): Point | null {
  const whole = 1 + n[0] * m[0] + n[1] * m[1];
  // Sharper than about 120 degrees.
  return whole < 0.5 ? null : [((n[0] + m[0]) * px) / whole, ((n[1] + m[1]) * px) / whole];
}

/** The sides of a curve's frame (start, handles, end) as normals to the left; a side of no length takes the next one's. */
function normalsOf(from: Point, s: Extract<Segment, { kind: 'curve' }>): [Point, Point, Point] {
  const [a, b] = tangentsOf(from, s);
  const middle = minus(s.c2, s.c1);
  return [leftOf(a), length(middle) < 1e-3 ? leftOf(a) : leftOf(unit(middle)), leftOf(b)];
}

/**
 * Moves a stroke to its left by up to `px`, its ends kept unless it is closed, so that it comes to lie under what is there. Each side of a
 * curve's frame is moved for itself, and handles lie where moved sides meet (Tiller and Hanson 1984). Null where that does not keep left of the stroke.
 */
function pushedLeft(stroke: Stroke, closed: boolean, px: number): Stroke | null {
  // Arcs become curves, whose handles can be moved.
  const segments: Segment[] = [];
  let from = stroke.start;
  for (const s of stroke.segments) {
    segments.push(...(s.kind === 'arc' ? arcToCurves(from, s) : [s]));
    from = s.to;
  }
  const n = segments.length;
  const points: Point[] = [stroke.start, ...segments.map((s) => s.to)];
  const tangents = segments.map((s, k) => tangentsOf(points[k], s));
  if (!closed && n === 1) {
    // One segment between two kept ends bulges.
    const [a, b] = [points[0], points[1]];
    const [ta, tb] = tangents[0];
    const third = Math.hypot(b[0] - a[0], b[1] - a[1]) / 3;
    const s = segments[0];
    const c1: Point = s.kind === 'curve' ? s.c1 : plus(a, ta, third);
    const c2: Point = s.kind === 'curve' ? s.c2 : plus(b, tb, -third);
    const by = px * 1.33;
    const bulge: Segment = { kind: 'curve', c1: plus(c1, leftOf(ta), by), c2: plus(c2, leftOf(tb), by), to: b };
    return keepsLeft(a, segments, a, [bulge]) ? { start: a, segments: [bulge] } : null;
  }
  const shifts: Point[] = [];
  for (let k = 0; k <= n; k++) {
    if (!closed && (k === 0 || k === n)) {
      shifts.push([0, 0]);
      continue;
    }
    const [before, after] = [leftOf(tangents[(k + n - 1) % n][1]), leftOf(tangents[k % n][0])];
    const middle = plus(before, after);
    const far = length(middle);
    // At a sharp corner less than a whole mitre, which would stick out; at a spike nothing.
    shifts.push(miter(before, after, px) ?? (far < 0.3 ? [0, 0] : plus([0, 0], middle, px / far)));
  }
  const moved = segments.map((s, k): Segment => {
    const to = plus(s.to, shifts[k + 1]);
    if (s.kind !== 'curve') return { kind: 'line', to };
    const [first, middle, last] = normalsOf(points[k], s);
    return {
      kind: 'curve',
      c1: plus(s.c1, miter(first, middle, px) ?? shifts[k]),
      c2: plus(s.c2, miter(middle, last, px) ?? shifts[k + 1]),
      to,
    };
  });
  const start = plus(points[0], shifts[0]);
  return keepsLeft(points[0], segments, start, moved) ? { start, segments: moved } : null;
}

/** Where along a segment a moved one is compared with it. */
const LOOKED_AT = [0.05, 0.15, 0.3, 0.5, 0.7, 0.85, 0.95] as const;

/** Whether moved segments lie to the left of those they came from, or on them, all along, and never turn back. */
function keepsLeft(start: Point, segments: readonly Segment[], movedStart: Point, moved: readonly Segment[]): boolean {
  let [from, movedFrom] = [start, movedStart];
  for (const [k, s] of segments.entries()) {
    const m = moved[k];
    for (const t of LOOKED_AT) {
      const p = pointAt(from, s, t);
      const q = pointAt(movedFrom, m, t);
      const d = minus(pointAt(from, s, t + 0.01), p);
      const e = minus(pointAt(movedFrom, m, t + 0.01), q);
      if (cross(minus(q, p), d) < 0 || dot(d, e) <= 0) return false;
    }
    [from, movedFrom] = [s.to, m.to];
  }
  return true;
}

/** Whether all of a stroke lies on pixels of labels above, so that what it bounds stays hidden there. */
function isUnder(stroke: Stroke, cells: Cells, above: Uint8Array): boolean {
  const points = flatten({ start: stroke.start, segments: stroke.segments }, 0.5);
  for (let i = 2; i + 3 < points.length; i += 2) {
    const x = Math.floor(points[i]);
    const y = Math.floor(points[i + 1]);
    if (x < 0 || y < 0 || x >= cells.widthPx || y >= cells.heightPx) return false;
    const k = y * cells.widthPx + x;
    if (!above[cells.first[k]] && !above[cells.second[k]]) return false;
  }
  return true;
}

const asContour = (stroke: Stroke): Contour => ({ start: stroke.start, segments: stroke.segments });

/**
 * The contours of one ink. Cut out, they are the boundaries of its areas. Stacked, holes that are wholly covered by inks above are filled, and where
 * the ink touches one above, it runs a little way under that.
 */
export function contoursOf(
  map: ChainMap,
  edges: Edges,
  cells: Cells,
  label: number,
  above: Uint8Array,
  stacked: { readonly regions: Regions; readonly neighbours: readonly number[][] } | null,
): Contour[] {
  const hidden = stacked ? hiddenAreas(stacked.regions, stacked.neighbours, label, above) : null;
  const out: Contour[] = [];
  /** Whether the ink's edge is the one that shows: nothing above covers it. */
  const isOwn = (n: number): boolean => {
    const chain = map.chains[chainOf(n)];
    const other = n < 0 ? chain.right : chain.left;
    return !stacked || other === BEYOND || other === NOTHING || !above[other];
  };
  for (const loop of loopsOf(map, label, cells.widthPx)) {
    if (hidden && stacked) {
      const k = pixelBeside(map, loop[0], cells.widthPx, cells.heightPx);
      if (k >= 0 && hidden[stacked.regions.of[k]]) continue;
    }
    // Cut out, both sides of an edge share every point of it.
    const parts = togetherWhere(loop, stacked ? isOwn : () => false, edges.next).map((list): Stroke => {
      if (list.length > 1) return edges.together(list);
      const [n] = list;
      const stroke = edges.strokes[chainOf(n)];
      const run: Stroke = n < 0 ? reverseContour(asContour(stroke)) : stroke;
      if (isOwn(n) || !run.segments.length) return run;
      for (const px of [UNDERLAP_PX, UNDERLAP_PX / 2]) {
        const pushed = pushedLeft(run, map.chains[chainOf(n)].closed, px);
        if (pushed && isUnder(pushed, cells, above)) return pushed;
      }
      return run;
    });
    const segments = parts.flatMap((p) => p.segments);
    if (segments.length) out.push({ start: parts[0].start, segments });
  }
  return out;
}

/** A loop of signed chains in groups, each of those that go on in each other and may be drawn in one. */
function togetherWhere(
  loop: readonly number[],
  may: (n: number) => boolean,
  next: (n: number) => number | null,
): number[][] {
  const goesOn = (k: number): boolean => {
    const [n, after] = [loop[k], loop[(k + 1) % loop.length]];
    return next(n) === after && may(n) && may(after);
  };
  // It begins where something else does, if there is such a place.
  const first = loop.findIndex((_, k) => !goesOn((k + loop.length - 1) % loop.length));
  const from = Math.max(0, first);
  const groups: number[][] = [];
  for (let k = 0; k < loop.length; k++) {
    const at = (from + k) % loop.length;
    if (k > 0 && goesOn((at + loop.length - 1) % loop.length)) groups[groups.length - 1].push(loop[at]);
    else groups.push([loop[at]]);
  }
  return groups;
}

/** The pixel on the left of a chain's first step, or -1 beyond the border. */
function pixelBeside(map: ChainMap, n: number, w: number, h: number): number {
  const { corners } = map.chains[chainOf(n)];
  const [ax, ay] = n < 0 ? [corners[2], corners[3]] : [corners[0], corners[1]];
  const [bx, by] = n < 0 ? [corners[0], corners[1]] : [corners[2], corners[3]];
  const x = ay === by ? Math.min(ax, bx) : by > ay ? ax : ax - 1;
  const y = ax === bx ? Math.min(ay, by) : bx > ax ? ay - 1 : ay;
  return x < 0 || y < 0 || x >= w || y >= h ? -1 : y * w + x;
}
