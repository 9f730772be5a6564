/** Where parts that are moved come to lie: on cap heights, baselines, edges and middles of others, at gaps in units of the lettering. */
import { areaFrom, centroidOf, type Box, type Point } from '../path';
import { unionOf } from '../vector';
import type { DrawnLockup, DrawnPart } from './drawn';

/** A line to show for what a part came to lie on. */
export interface SnapLine {
  readonly from: Point;
  readonly to: Point;
  readonly told: string;
  /** Where its words stand, clear of what is drawn; beside the line when left out. */
  readonly wordsAt?: Point;
}

export interface LockupSnap {
  readonly dx: number;
  readonly dy: number;
  readonly lines: readonly SnapLine[];
}

/** A value of one axis that one may lie on. */
interface Mark {
  readonly at: number;
  readonly told: string;
  /** Nearer ones come first; of those as near, these. */
  readonly rank: number;
}

/** Where the weight of what is drawn lies; the middle of its box where nothing is enclosed. */
export function opticalMiddle({ outlines, body }: Pick<DrawnPart, 'outlines' | 'body'>): Point {
  return centroidOf(areaFrom(outlines, 0.05)) ?? [body.x + body.width / 2, body.y + body.height / 2];
}

const across = (part: DrawnPart, named: boolean): Mark[] => {
  const { body } = part;
  const own: Mark[] = [
    { at: body.x + body.width / 2, told: 'middle', rank: 0 },
    { at: body.x, told: 'left edge', rank: 1 },
    { at: body.x + body.width, told: 'right edge', rank: 1 },
  ];
  const axes = (part.axes ?? []).map((a) => ({ ...a, rank: 1 }));
  return named || part.text ? own : [...own, ...axes, { at: opticalMiddle(part)[0], told: 'optical middle', rank: 2 }];
};

const down = (part: DrawnPart): Mark[] => {
  const { body, text } = part;
  if (!text?.baselines.length)
    return [
      { at: body.y + body.height / 2, told: 'middle', rank: 0 },
      { at: body.y, told: 'top', rank: 1 },
      { at: body.y + body.height, told: 'foot', rank: 1 },
      { at: opticalMiddle(part)[1], told: 'optical middle', rank: 2 },
    ];
  const [first] = text.baselines;
  return [
    ...text.baselines.map((b) => ({ at: b.y, told: 'baseline', rank: 0 })),
    { at: first.y - text.capHeightPx, told: 'cap height', rank: 0 },
    { at: first.y - text.xHeightPx, told: 'x-height', rank: 2 },
    { at: body.y + body.height / 2, told: 'middle', rank: 1 },
  ];
};

/** Gaps are drawn to steps of this, in cap heights. */
const GAP_CAPS = 0.25;

const overlaps = (a0: number, a1: number, b0: number, b1: number): boolean => a0 < b1 && b0 < a1;

/** The nearest of targets to some of one's own, within a distance. */
function nearest(
  own: readonly Mark[],
  targets: readonly Mark[],
  by: number,
  within: number,
): { by: number; target: Mark; own: Mark } | null {
  let best: { by: number; target: Mark; own: Mark; off: number } | null = null;
  for (const o of own)
    for (const t of targets) {
      const off = Math.abs(t.at - (o.at + by)) + 0.15 * within * (o.rank + t.rank);
      if (Math.abs(t.at - (o.at + by)) <= within && (!best || off < best.off)) best = { by: t.at - o.at, target: t, own: o, off }; // prettier-ignore
    }
  return best;
}

/** A gap to a neighbour as a number of cap heights, for a box that would lie at a place. */
function gapTo(
  moving: Box,
  other: Box,
  axis: 'x' | 'y',
  by: number,
  unit: number,
  within: number,
): { by: number; told: string } | null {
  const size = axis === 'x' ? 'width' : 'height';
  const cross = axis === 'x' ? 'y' : 'x';
  const crossSize = axis === 'x' ? 'height' : 'width';
  if (!overlaps(moving[cross], moving[cross] + moving[crossSize], other[cross], other[cross] + other[crossSize])) return null; // prettier-ignore
  const at = moving[axis] + by;
  const isAfter = at + moving[size] / 2 > other[axis] + other[size] / 2;
  const gap = isAfter ? at - (other[axis] + other[size]) : other[axis] - (at + moving[size]);
  if (gap <= 0) return null;
  const caps = Math.round(gap / unit / GAP_CAPS) * GAP_CAPS;
  const off = gap - caps * unit;
  if (caps <= 0 || Math.abs(off) > within) return null;
  return { by: by - (isAfter ? off : -off), told: `${caps} cap heights` };
}

/**
 * Where parts that were dragged by a distance come to lie: their edges, baselines and middles on those of others, else at gaps that are steps of the cap height. `drawn`
 * is the lockup before it was begun; nothing is drawn further than `within`.
 */
export function snappedMove(
  drawn: DrawnLockup,
  ids: readonly string[],
  dx: number,
  dy: number,
  within: number,
): LockupSnap {
  const moving = drawn.parts.filter((p) => ids.includes(p.id));
  const others = drawn.parts.filter((p) => !ids.includes(p.id));
  if (!moving.length || !others.length) return { dx, dy, lines: [] };
  const box = unionOf(moving.map((p) => p.body))!;
  const [only] = moving;
  const single = moving.length === 1;
  const whole: DrawnPart = single ? only : { id: '', box, body: box, outlines: [] };
  const own = { x: across(whole, !single), y: down(whole) };
  const lines: SnapLine[] = [];
  const reach = (a: Box, b: Box, axis: 'x' | 'y'): [number, number] => {
    const size = axis === 'x' ? 'width' : 'height';
    return [Math.min(a[axis], b[axis]), Math.max(a[axis] + a[size], b[axis] + b[size])];
  };
  const inRange = (
    axis: 'x' | 'y',
    by: number,
  ): { by: number; line: ((at: { dx: number; dy: number }) => SnapLine) | null } => {
    let best: { by: number; other: DrawnPart; target: Mark; own: Mark } | null = null;
    for (const other of others) {
      const found = nearest(own[axis], axis === 'x' ? across(other, false) : down(other), by, within);
      if (found && (!best || Math.abs(found.by - by) < Math.abs(best.by - by))) best = { ...found, other };
    }
    if (best) {
      const { target, other } = best;
      return {
        by: best.by,
        line: (at) => {
          const moved = { ...box, x: box.x + at.dx, y: box.y + at.dy };
          const [from, to] = reach(moved, other.body, axis === 'x' ? 'y' : 'x');
          return axis === 'x' ? { from: [target.at, from], to: [target.at, to], told: target.told } : { from: [from, target.at], to: [to, target.at], told: target.told }; // prettier-ignore
        },
      };
    }
    for (const other of others) {
      const found = gapTo(box, other.body, axis, by, drawn.capHeightPx, within);
      if (found)
        return {
          by: found.by,
          line: (at) => {
            const moved = { ...box, x: box.x + at.dx, y: box.y + at.dy };
            return { ...between(moved, other.body, axis), told: found.told };
          },
        };
    }
    return { by, line: null };
  };
  const [x, y] = [inRange('x', dx), inRange('y', dy)];
  const at = { dx: x.by, dy: y.by };
  for (const found of [x, y]) if (found.line) lines.push(found.line(at));
  return { ...at, lines };
}

/** The way across the gap between two boxes. */
function between(a: Box, b: Box, axis: 'x' | 'y'): { from: Point; to: Point } {
  const [first, second] = a[axis] < b[axis] ? [a, b] : [b, a];
  if (axis === 'x') {
    const y = (Math.max(a.y, b.y) + Math.min(a.y + a.height, b.y + b.height)) / 2;
    return { from: [first.x + first.width, y], to: [second.x, y] };
  }
  const x = (Math.max(a.x, b.x) + Math.min(a.x + a.width, b.x + b.width)) / 2;
  return { from: [x, first.y + first.height], to: [x, second.y] };
}

/** Gaps between a part and its nearest neighbours, with their lengths in cap heights and stems. */
export function gapsOf(drawn: DrawnLockup, id: string): SnapLine[] {
  const own = drawn.parts.find((p) => p.id === id);
  // Text on a circle has no sides to measure from.
  const hasSides = (p: DrawnPart): boolean => !p.text || p.text.baselines.length > 0;
  if (!own || !hasSides(own)) return [];
  const stem = drawn.parts.find((p) => p.text && p.text.capHeightPx === drawn.capHeightPx)?.text?.stemPx ?? 0;
  return (['x', 'y'] as const).flatMap((axis): SnapLine[] => {
    const cross = axis === 'x' ? 'y' : 'x';
    const [size, crossSize] = axis === 'x' ? (['width', 'height'] as const) : (['height', 'width'] as const);
    const beside = drawn.parts.flatMap((p) => {
      if (p.id === id || !hasSides(p) || !overlaps(own.body[cross], own.body[cross] + own.body[crossSize], p.body[cross], p.body[cross] + p.body[crossSize])) return []; // prettier-ignore
      const gap = Math.max(p.body[axis] - own.body[axis] - own.body[size], own.body[axis] - p.body[axis] - p.body[size]); // prettier-ignore
      return gap > 0 ? [{ p, gap }] : [];
    });
    if (!beside.length) return [];
    const { p, gap } = beside.reduce((a, b) => (b.gap < a.gap ? b : a));
    const caps = `${(gap / drawn.capHeightPx).toFixed(2)} cap`;
    const way = between(own.body, p.body, axis);
    const middle: Point = [(way.from[0] + way.to[0]) / 2, (way.from[1] + way.to[1]) / 2];
    const beyond = Math.max(own.body[cross] + own.body[crossSize], p.body[cross] + p.body[crossSize]);
    const wordsAt: Point = axis === 'x' ? [middle[0], beyond] : [beyond, middle[1]];
    return [{ ...way, wordsAt, told: stem > 0 ? `${caps} · ${(gap / stem).toFixed(1)} stems` : caps }];
  });
}

export const ALIGNMENTS = ['left', 'centre', 'optical-centre', 'right', 'top', 'middle', 'optical-middle', 'foot', 'baseline', 'cap-height'] as const; // prettier-ignore
export type Alignment = (typeof ALIGNMENTS)[number];

/** How far parts are to be moved so that they lie with the rest, or with the first of them, as is asked for. */
export function alignmentOf(
  drawn: DrawnLockup,
  ids: readonly string[],
  how: Alignment,
): { id: string; dx: number; dy: number }[] {
  const chosen = ids.flatMap((id) => drawn.parts.find((p) => p.id === id) ?? []);
  const others = drawn.parts.filter((p) => !ids.includes(p.id));
  const isTogether = chosen.length === 1;
  const target = isTogether ? others : chosen.slice(0, 1);
  if (!chosen.length || !target.length) return [];
  const to = unionOf(target.map((p) => p.body))!;
  const outlines = target.flatMap((p) => p.outlines);
  const middle = opticalMiddle({ outlines, body: to });
  const text = target.find((p) => p.text?.baselines.length)?.text;
  return (isTogether ? chosen : chosen.slice(1)).flatMap((p) => {
    const { body } = p;
    const own = p.text?.baselines[0];
    const moves: Readonly<Record<Alignment, () => [number, number] | null>> = {
      left: () => [to.x - body.x, 0],
      centre: () => [to.x + to.width / 2 - (body.x + body.width / 2), 0],
      'optical-centre': () => [middle[0] - opticalMiddle(p)[0], 0],
      right: () => [to.x + to.width - (body.x + body.width), 0],
      top: () => [0, to.y - body.y],
      middle: () => [0, to.y + to.height / 2 - (body.y + body.height / 2)],
      'optical-middle': () => [0, middle[1] - opticalMiddle(p)[1]],
      foot: () => [0, to.y + to.height - (body.y + body.height)],
      baseline: () => (text ? [0, text.baselines[0].y - (own ? own.y : body.y + body.height)] : null),
      'cap-height': () => (text ? [0, text.baselines[0].y - text.capHeightPx - (own && p.text ? own.y - p.text.capHeightPx : body.y)] : null), // prettier-ignore
    };
    const move = moves[how]();
    return move && (Math.abs(move[0]) > 1e-6 || Math.abs(move[1]) > 1e-6) ? [{ id: p.id, dx: move[0], dy: move[1] }] : []; // prettier-ignore
  });
}
