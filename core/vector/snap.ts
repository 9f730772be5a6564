/** What a place that is dragged is drawn to: points, edges, guides, the sheet, each by name. */
import { boxOf, mapContour, mapPoint, nearestPlace, type Box, type Contour, type Point } from '../path';
import { placedNodes, type Artwork } from './artwork';

/** All that one may be drawn to. */
export interface SnapTargets {
  readonly points: readonly { readonly at: Point; readonly name: string }[];
  readonly levels: readonly { readonly y: number; readonly name: string }[];
  readonly uprights: readonly { readonly x: number; readonly name: string }[];
  readonly outlines: readonly Contour[];
  readonly guides: Artwork['guides'];
}

/** Where a place comes to lie, and on what. */
export interface Snapped {
  readonly at: Point;
  /** What it lies on, in words; null where on nothing. */
  readonly told: string | null;
}

/** More points than this would draw one everywhere. */
const POINTS_MOST = 4000;

/** What lies on an artwork, but for some of its nodes: those that are being dragged. */
export function snapTargets(artwork: Artwork, without: readonly string[]): SnapTargets {
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
  for (const g of guides) if (g.kind === 'circle') points.push({ at: g.centre, name: "a circle's middle" });
  return {
    points,
    outlines,
    guides,
    levels: [
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

/** Where on a guide is nearest to a point, and how far that is. */
function onGuide(g: Artwork['guides'][number], [x, y]: Point): Point {
  if (g.kind === 'circle') {
    const [dx, dy] = [x - g.centre[0], y - g.centre[1]];
    const d = Math.hypot(dx, dy) || 1;
    return [g.centre[0] + (g.radiusPx * dx) / d, g.centre[1] + (g.radiusPx * dy) / d];
  }
  const t = (g.angleDeg * Math.PI) / 180;
  const [ux, uy] = [Math.cos(t), Math.sin(t)];
  const along = (x - g.through[0]) * ux + (y - g.through[1]) * uy;
  return [g.through[0] + along * ux, g.through[1] + along * uy];
}

/** A place drawn to what lies within reach, in px of the sheet: a point first, then guides, level and upright with something, an edge. */
export function snapped(to: Point, targets: SnapTargets, reachPx: number): Snapped {
  const [x, y] = to;
  const point = nearest(targets.points, (p) => Math.hypot(p.at[0] - x, p.at[1] - y), reachPx);
  if (point) return { at: point.at, told: point.name };
  const guide = nearest(
    targets.guides.map((g) => onGuide(g, to)),
    (p) => Math.hypot(p[0] - x, p[1] - y),
    reachPx,
  );
  if (guide) return { at: guide, told: 'guide' };
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
  return edge ? { at: edge.point, told: 'edge' } : { at: to, told: null };
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
