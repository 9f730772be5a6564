import { type Regions } from '../raster';
import { boxOf, contains, flatten, rectangle, reverseContour, signedArea, type Contour, type Point } from '../path';
import type { Piece } from '../vector';
import { NOTHING, type Cells } from './cells';
import { BEYOND, chainOf, loopsOf, type ChainMap } from './chains';
import type { Edges } from './edges';
import type { Stroke } from '../fit';
import { runUnder } from './under';

/** A piece that has no id yet. */
export type NewPiece = Pick<Piece, 'kind' | 'inkId' | 'contours'>;

/** Makes pieces of contours: each outer one with the holes that lie in it, the biggest first. */
export function piecesFrom(contours: readonly Contour[], inkId: string): NewPiece[] {
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
  return outer.reverse().map((o) => ({ kind: 'piece', inkId, contours: [o.contour, ...o.holes] }));
}

/**
 * Pieces of a ground that is kept while all else is cut out, with one as large as the picture in place of those that reach its border: beside a ground with
 * holes, the edge of every piece would let through what lies below the artwork.
 */
export function onSheet(pieces: readonly NewPiece[], inkId: string, widthPx: number, heightPx: number): NewPiece[] {
  const isWithin = ({ contours }: NewPiece): boolean => {
    const { x, y, width, height } = boxOf(contours.slice(0, 1));
    return x > 0.5 && y > 0.5 && x + width < widthPx - 0.5 && y + height < heightPx - 0.5;
  };
  const sheet: NewPiece = { kind: 'piece', inkId, contours: [rectangle(0, 0, widthPx, heightPx)] };
  return [sheet, ...pieces.filter(isWithin)];
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
  /** Whether a point lies on a pixel that an ink above covers, if only in part. */
  const hides = ([px, py]: Point): boolean => {
    const [x, y] = [Math.floor(px), Math.floor(py)];
    if (x < 0 || y < 0 || x >= cells.widthPx || y >= cells.heightPx) return false;
    const k = y * cells.widthPx + x;
    return above[cells.first[k]] > 0 || above[cells.second[k]] > 0;
  };
  for (const loop of loopsOf(map, label, cells.widthPx)) {
    if (hidden && stacked) {
      const k = pixelBeside(map, loop[0], cells.widthPx, cells.heightPx);
      if (k >= 0 && hidden[stacked.regions.of[k]]) continue;
    }
    // Cut out, both sides of an edge share every point of it.
    const groups = togetherWhere(loop, stacked ? isOwn : () => false, edges.next);
    const own = groups.map((list): Stroke => {
      if (list.length > 1) return edges.together(list);
      const stroke = edges.strokes[chainOf(list[0])];
      return list[0] < 0 ? reverseContour(asContour(stroke)) : stroke;
    });
    const parts = runUnder(
      own.map((stroke, k) => ({ stroke, isUnder: !isOwn(groups[k][0]) && stroke.segments.length > 0 })),
      map.chains[chainOf(loop[0])].closed,
      hides,
    );
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
