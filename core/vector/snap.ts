/** What a place that is dragged is drawn to: points, edges, guides, the sheet, each by name. */
import type { Construction } from '../exact';
import {
  boxOf,
  crossingOf,
  dot,
  mapContour,
  mapPoint,
  minus,
  nearestPlace,
  plus,
  type Box,
  type Contour,
  type Point,
} from '../path';
import { placedNodes, type Artwork, type Guide } from './artwork';

/** All that one may be drawn to. */
export interface SnapTargets {
  readonly points: readonly { readonly at: Point; readonly name: string }[];
  readonly levels: readonly { readonly y: number; readonly name: string }[];
  readonly uprights: readonly { readonly x: number; readonly name: string }[];
  readonly outlines: readonly Contour[];
  /** Lines and circles that one may lie on: guides, and those that outlines are constructed of. */
  readonly along: readonly { readonly on: Along; readonly name: string }[];
  /** The nearest edge of the picture below; null where none is near, or there is no picture. */
  readonly pictureAt: (p: Point) => Point | null;
}

/** What else one may be drawn to, beside what the artwork has. */
export interface SnapMore {
  readonly construction?: Pick<Construction, 'lines' | 'circles'> | null;
  readonly pictureAt?: (p: Point) => Point | null;
}

type Along =
  | { readonly kind: 'line'; readonly through: Point; readonly direction: Point }
  | { readonly kind: 'circle'; readonly centre: Point; readonly radiusPx: number };

const alongGuide = (g: Guide): Along => {
  if (g.kind === 'circle') return g;
  const t = (g.angleDeg * Math.PI) / 180;
  return { kind: 'line', through: g.through, direction: [Math.cos(t), Math.sin(t)] };
};

/** Where a place comes to lie, and on what. */
export interface Snapped {
  readonly at: Point;
  /** What it lies on, in words; null where on nothing. */
  readonly told: string | null;
}

/** More points than this would draw one everywhere. */
const POINTS_MOST = 4000;

/** Whether a guide is a line at an angle. */
const isAt = (g: Guide, angleDeg: number): g is Guide & { kind: 'line' } =>
  g.kind === 'line' && g.angleDeg === angleDeg;

/** More guides than this are not tried for where they cross. */
const CROSSING_MOST = 40;

/** Where two lines, or a line and a circle, cross. */
function crossingsOf(a: Along, b: Along): Point[] {
  if (a.kind === 'circle') return b.kind === 'circle' ? [] : crossingsOf(b, a);
  if (b.kind === 'line') {
    const at = crossingOf(a.through, a.direction, b.through, b.direction, 1e-6);
    return at ? [at] : [];
  }
  const along = dot(minus(b.centre, a.through), a.direction);
  const foot = plus(a.through, a.direction, along);
  const rest = b.radiusPx ** 2 - (foot[0] - b.centre[0]) ** 2 - (foot[1] - b.centre[1]) ** 2;
  if (rest < 0) return [];
  return [Math.sqrt(rest), -Math.sqrt(rest)].map((d) => plus(foot, a.direction, d));
}

/** What lies on an artwork, but for some of its nodes: those that are being dragged. */
export function snapTargets(artwork: Artwork, without: readonly string[], more: SnapMore = {}): SnapTargets {
  const { widthPx: w, heightPx: h, guides } = artwork;
  const points: { at: Point; name: string }[] = [];
  const outlines: Contour[] = [];
  const boxes: Box[] = [];
  for (const { node, within, map } of placedNodes(artwork.nodes)) {
    if (node.kind !== 'piece' || [...within, node].some((n) => n.hidden || without.includes(n.id))) continue;
    for (const contour of node.contours) {
      const placed = mapContour(map, contour);
      outlines.push(placed);
      boxes.push(boxOf([placed]));
      for (const at of [...(contour.open ? [contour.start] : []), ...contour.segments.map((s) => s.to)])
        if (points.length < POINTS_MOST) points.push({ at: mapPoint(map, at), name: 'point' });
    }
  }
  points.push({ at: [w / 2, h / 2], name: "the sheet's middle" });
  const along: { on: Along; name: string }[] = guides.map((g) => ({ on: alongGuide(g), name: 'guide' }));
  for (const { centre, radiusPx } of more.construction?.circles ?? [])
    along.push({ on: { kind: 'circle', centre, radiusPx }, name: `circle of ${radiusPx.toFixed(1)}` });
  for (const { from, to, angleDeg } of more.construction?.lines ?? []) {
    const t = (angleDeg * Math.PI) / 180;
    const through: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
    along.push({ on: { kind: 'line', through, direction: [Math.cos(t), Math.sin(t)] }, name: 'construction line' });
  }
  for (const { on } of along) if (on.kind === 'circle') points.push({ at: on.centre, name: "a circle's middle" });
  const few = along.slice(0, CROSSING_MOST);
  few.forEach((p, k) => {
    for (const q of few.slice(k + 1))
      for (const at of crossingsOf(p.on, q.on))
        points.push({ at, name: p.name === 'guide' && q.name === 'guide' ? "the guides' crossing" : 'a crossing' });
  });
  return {
    points,
    outlines,
    along,
    pictureAt: more.pictureAt ?? (() => null),
    levels: [
      ...guides.flatMap((g) => (isAt(g, 0) ? [{ y: g.through[1], name: 'a guide' }] : [])),
      { y: 0, name: "the sheet's top" },
      { y: h / 2, name: "the sheet's middle" },
      { y: h, name: "the sheet's foot" },
      ...boxes.flatMap((b) => [
        { y: b.y, name: 'a top' },
        { y: b.y + b.height / 2, name: 'a middle' },
        { y: b.y + b.height, name: 'a foot' },
      ]),
    ],
    uprights: [
      ...guides.flatMap((g) => (isAt(g, 90) ? [{ x: g.through[0], name: 'a guide' }] : [])),
      { x: 0, name: "the sheet's left" },
      { x: w / 2, name: "the sheet's middle" },
      { x: w, name: "the sheet's right" },
      ...boxes.flatMap((b) => [
        { x: b.x, name: 'a left side' },
        { x: b.x + b.width / 2, name: 'a middle' },
        { x: b.x + b.width, name: 'a right side' },
      ]),
    ],
  };
}

const nearest = <T>(list: readonly T[], off: (one: T) => number, reach: number): T | null => {
  let [best, least] = [null as T | null, reach];
  for (const one of list) {
    const away = Math.abs(off(one));
    if (away < least) [best, least] = [one, away];
  }
  return best;
};

/** Where on a line or a circle is nearest to a point. */
function nearestOn(on: Along, p: Point): Point {
  if (on.kind === 'circle') {
    const [dx, dy] = minus(p, on.centre);
    const d = Math.hypot(dx, dy) || 1;
    return [on.centre[0] + (on.radiusPx * dx) / d, on.centre[1] + (on.radiusPx * dy) / d];
  }
  return plus(on.through, on.direction, dot(minus(p, on.through), on.direction));
}

/** A place drawn to what lies within reach, in px of the sheet: a point first, then guides, level and upright with something, an edge. */
export function snapped(to: Point, targets: SnapTargets, reachPx: number): Snapped {
  const [x, y] = to;
  const point = nearest(targets.points, (p) => Math.hypot(p.at[0] - x, p.at[1] - y), reachPx);
  if (point) return { at: point.at, told: point.name };
  const along = nearest(
    targets.along.map(({ on, name }) => ({ at: nearestOn(on, to), name })),
    (p) => Math.hypot(p.at[0] - x, p.at[1] - y),
    reachPx,
  );
  if (along) return { at: along.at, told: along.name };
  const level = nearest(
    [...targets.levels, ...targets.points.map((p) => ({ y: p.at[1], name: p.name }))],
    (l) => l.y - y,
    reachPx,
  );
  const upright = nearest(
    [...targets.uprights, ...targets.points.map((p) => ({ x: p.at[0], name: p.name }))],
    (u) => u.x - x,
    reachPx,
  );
  if (level || upright)
    return {
      at: [upright?.x ?? x, level?.y ?? y],
      told: [upright && `under ${upright.name}`, level && `level with ${level.name}`].filter(Boolean).join(', '),
    };
  const edge = nearest(
    targets.outlines.flatMap((c) => nearestPlace(c, to) ?? []),
    (p) => p.distancePx,
    reachPx,
  );
  if (edge) return { at: edge.point, told: 'edge' };
  const picture = targets.pictureAt(to);
  if (picture && Math.hypot(picture[0] - x, picture[1] - y) < reachPx)
    return { at: picture, told: "the picture's edge" };
  return { at: to, told: null };
}

/** By how much a box that was moved is moved on, so that a side or a middle of it lies on something, each way by itself. */
export function snappedBox(box: Box, targets: SnapTargets, reachPx: number): { by: Point; told: string | null } {
  const way = (start: number, size: number, lines: readonly { at: number; name: string }[]) => {
    let [by, name, least] = [0, null as string | null, reachPx];
    for (const share of [0, 0.5, 1])
      for (const line of lines) {
        const off = line.at - (start + share * size);
        if (Math.abs(off) < least) [by, name, least] = [off, line.name, Math.abs(off)];
      }
    return { by, name };
  };
  const across = way(
    box.x,
    box.width,
    targets.uprights.map((u) => ({ at: u.x, name: u.name })),
  );
  const down = way(
    box.y,
    box.height,
    targets.levels.map((l) => ({ at: l.y, name: l.name })),
  );
  const told = [across.name && `under ${across.name}`, down.name && `level with ${down.name}`]
    .filter(Boolean)
    .join(', ');
  return { by: [across.by, down.by], told: told || null };
}
