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
import { BEYOND, loopsOf, type ChainMap } from './chains';
import type { Stroke } from './fit';
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

/** Moves a stroke to its left by up to `px`, its ends kept unless it is closed, so that it comes to lie under what is there. */
function pushedLeft(stroke: Stroke, closed: boolean, px: number): Stroke {
  // Arcs become curves, whose handles can be moved.
  const segments: Segment[] = [];
  let from = stroke.start;
  for (const s of stroke.segments) {
    segments.push(...(s.kind === 'arc' ? arcToCurves(from, s) : [s]));
    from = s.to;
  }
  const n = segments.length;
  const points: Point[] = [stroke.start, ...segments.map((s) => s.to)];
  const shift: Point[] = points.map((p, k) => {
    if (!closed && (k === 0 || k === n)) return [0, 0];
    const before = k > 0 ? k - 1 : closed ? n - 1 : 0;
    const after = k < n ? k : closed ? 0 : n - 1;
    const [, a] = tangentsOf(points[before], segments[before]);
    const [b] = tangentsOf(points[after], segments[after]);
    // Left of the direction, with y downwards.
    const [nx, ny] = [a[1] + b[1], -(a[0] + b[0])];
    const length = Math.hypot(nx, ny);
    return length < 0.3 ? [0, 0] : [(nx / length) * px, (ny / length) * px];
  });
  const add = (p: Point, q: Point): Point => [p[0] + q[0], p[1] + q[1]];
  if (!closed && n === 1) {
    // One segment between two kept ends bulges.
    const [a, b] = [points[0], points[1]];
    const [ta, tb] = tangentsOf(a, segments[0]);
    const third = Math.hypot(b[0] - a[0], b[1] - a[1]) / 3;
    const s = segments[0];
    const c1: Point = s.kind === 'curve' ? s.c1 : [a[0] + ta[0] * third, a[1] + ta[1] * third];
    const c2: Point = s.kind === 'curve' ? s.c2 : [b[0] - tb[0] * third, b[1] - tb[1] * third];
    const by = px * 1.33;
    return {
      start: a,
      segments: [
        { kind: 'curve', c1: add(c1, [ta[1] * by, -ta[0] * by]), c2: add(c2, [tb[1] * by, -tb[0] * by]), to: b },
      ],
    };
  }
  return {
    start: add(points[0], shift[0]),
    segments: segments.map((s, k) =>
      s.kind === 'curve'
        ? { kind: 'curve', c1: add(s.c1, shift[k]), c2: add(s.c2, shift[k + 1]), to: add(s.to, shift[k + 1]) }
        : { kind: 'line', to: add(s.to, shift[k + 1]) },
    ),
  };
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
  strokes: readonly Stroke[],
  cells: Cells,
  label: number,
  above: Uint8Array,
  stacked: { readonly regions: Regions; readonly neighbours: readonly number[][] } | null,
): Contour[] {
  const hidden = stacked ? hiddenAreas(stacked.regions, stacked.neighbours, label, above) : null;
  const out: Contour[] = [];
  for (const loop of loopsOf(map, label, cells.widthPx)) {
    if (hidden && stacked) {
      const k = pixelBeside(map, loop[0], cells.widthPx, cells.heightPx);
      if (k >= 0 && hidden[stacked.regions.of[k]]) continue;
    }
    const parts = loop.map((n): Stroke => {
      const chain = map.chains[n < 0 ? -n - 1 : n];
      const stroke = strokes[n < 0 ? -n - 1 : n];
      const run: Stroke = n < 0 ? reverseContour(asContour(stroke)) : stroke;
      const other = n < 0 ? chain.right : chain.left;
      if (!stacked || other === BEYOND || other === NOTHING || !above[other] || !run.segments.length) return run;
      for (const px of [UNDERLAP_PX, UNDERLAP_PX / 2]) {
        const pushed = pushedLeft(run, chain.closed, px);
        if (isUnder(pushed, cells, above)) return pushed;
      }
      return run;
    });
    const segments = parts.flatMap((p) => p.segments);
    if (segments.length) out.push({ start: parts[0].start, segments });
  }
  return out;
}

/** The pixel on the left of a chain's first step, or -1 beyond the border. */
function pixelBeside(map: ChainMap, n: number, w: number, h: number): number {
  const { corners } = map.chains[n < 0 ? -n - 1 : n];
  const [ax, ay] = n < 0 ? [corners[2], corners[3]] : [corners[0], corners[1]];
  const [bx, by] = n < 0 ? [corners[0], corners[1]] : [corners[2], corners[3]];
  const x = ay === by ? Math.min(ax, bx) : by > ay ? ax : ax - 1;
  const y = ax === bx ? Math.min(ay, by) : bx > ax ? ay - 1 : ay;
  return x < 0 || y < 0 || x >= w || y >= h ? -1 : y * w + x;
}
