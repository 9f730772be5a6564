/** Arranging nodes: where they stand, lined up, evenly apart; each as edits. */
import {
  compose,
  flatten,
  IDENTITY,
  inverse,
  mapContour,
  signedArea,
  type Affine,
  type Box,
  type Point,
} from '../path';
import { findNode, placedNodes, type Artwork, type Piece, type Placed } from './artwork';
import { boxOfNode, unionOf } from './choose';
import type { Edit } from './edits';

/** What moves nodes by a map of the sheet, whatever groups they lie in. */
export function movedOnSheet(artwork: Artwork, nodeIds: readonly string[], by: Affine): Edit[] {
  const groups = new Map<string, { by: Affine; ids: string[] }>();
  for (const nodeId of nodeIds) {
    const placed = findNode(artwork, nodeId);
    if (!placed) continue;
    const outer = placed.within.reduce<Affine>((map, g) => (g.transform ? compose(g.transform, map) : map), IDENTITY);
    const back = inverse(outer);
    if (!back) continue;
    // Its own map, then that of what it lies in, the sheet's, and back.
    const own = compose(compose(outer, by), back);
    const key = own.join();
    const group = groups.get(key) ?? { by: own, ids: [] };
    group.ids.push(nodeId);
    groups.set(key, group);
  }
  return [...groups.values()].map((g) => ({ kind: 'node-transform', nodeIds: g.ids, by: g.by }));
}

export type Side = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

/** Where a node stands: its box, and the middle of its mass, which the eye takes for its middle. */
interface Stand {
  readonly id: string;
  readonly box: Box;
  readonly mass: Point;
}

function standOf(artwork: Artwork, nodeId: string): Stand | null {
  const box = boxOfNode(artwork, nodeId);
  if (!box) return null;
  let [area, x, y] = [0, 0, 0];
  for (const placed of placedNodes(artwork.nodes)) {
    const { node, within, map } = placed as Placed<Piece>;
    if (node.kind !== 'piece' || (node.id !== nodeId && !within.some((g) => g.id === nodeId))) continue;
    for (const contour of node.contours) {
      const p = flatten(mapContour(map, contour), 0.1);
      const own = signedArea(p);
      let [cx, cy] = [0, 0];
      for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) {
        const cross = p[j] * p[i + 1] - p[i] * p[j + 1];
        cx += (p[j] + p[i]) * cross;
        cy += (p[j + 1] + p[i + 1]) * cross;
      }
      area += own;
      x += cx / 6;
      y += cy / 6;
    }
  }
  const middle: Point = [box.x + box.width / 2, box.y + box.height / 2];
  return { id: nodeId, box, mass: Math.abs(area) > 1e-6 ? [x / area, y / area] : middle };
}

/** Nodes lined up by one side, with one another, or one alone with the sheet; middles by outline or by mass. */
export function aligned(artwork: Artwork, nodeIds: readonly string[], side: Side, by: 'outline' | 'optical'): Edit[] {
  const stands = nodeIds.map((k) => standOf(artwork, k)).filter((s) => s !== null);
  const axis = side === 'left' || side === 'centre' || side === 'right' ? 0 : 1;
  const size = (b: Box) => (axis === 0 ? b.width : b.height);
  const start = (b: Box) => (axis === 0 ? b.x : b.y);
  const at = ({ box, mass }: Stand): number => {
    if (side === 'left' || side === 'top') return start(box);
    if (side === 'right' || side === 'bottom') return start(box) + size(box);
    return by === 'optical' ? mass[axis] : start(box) + size(box) / 2;
  };
  const sheet: Box = { x: 0, y: 0, width: artwork.widthPx, height: artwork.heightPx };
  const whole = stands.length > 1 ? unionOf(stands.map((s) => s.box))! : sheet;
  const to =
    side === 'left' || side === 'top'
      ? start(whole)
      : side === 'right' || side === 'bottom'
        ? start(whole) + size(whole)
        : start(whole) + size(whole) / 2;
  return stands.flatMap((s) => shifted(artwork, s.id, axis, to - at(s)));
}

/** Three nodes and more with the same gap between each and the next, or their optical middles as far apart; the outermost stay. */
export function spread(artwork: Artwork, nodeIds: readonly string[], axis: 0 | 1, by: 'outline' | 'optical'): Edit[] {
  const start = (b: Box) => (axis === 0 ? b.x : b.y);
  const size = (b: Box) => (axis === 0 ? b.width : b.height);
  const stands = nodeIds
    .map((k) => standOf(artwork, k))
    .filter((s) => s !== null)
    .sort((p, q) => start(p.box) + size(p.box) / 2 - start(q.box) - size(q.box) / 2);
  if (stands.length < 3) return [];
  const [first, last] = [stands[0], stands[stands.length - 1]];
  if (by === 'optical') {
    const step = (last.mass[axis] - first.mass[axis]) / (stands.length - 1);
    return stands.flatMap((s, k) => shifted(artwork, s.id, axis, first.mass[axis] + k * step - s.mass[axis]));
  }
  const room = start(last.box) - start(first.box) - size(first.box);
  const between = stands.slice(1, -1).reduce((sum, s) => sum + size(s.box), 0);
  const gap = (room - between) / (stands.length - 1);
  let at = start(first.box) + size(first.box) + gap;
  return stands.slice(1, -1).flatMap((s) => {
    const by = at - start(s.box);
    at += size(s.box) + gap;
    return shifted(artwork, s.id, axis, by);
  });
}

const shifted = (artwork: Artwork, nodeId: string, axis: 0 | 1, by: number): Edit[] =>
  Math.abs(by) < 1e-9 ? [] : movedOnSheet(artwork, [nodeId], axis === 0 ? [1, 0, 0, 1, by, 0] : [1, 0, 0, 1, 0, by]);

/** Nodes in the order in which they lie in the stack, from the bottom. */
export const inStack = (artwork: Artwork, nodeIds: readonly string[]): string[] =>
  [...placedNodes(artwork.nodes)].map((p) => p.node.id).filter((k) => nodeIds.includes(k));

/** Nodes moved one up or down in the stack they lie in, or to its end; what is not possible is left out. */
export function restacked(
  artwork: Artwork,
  nodeIds: readonly string[],
  to: 'forward' | 'back' | 'top' | 'bottom',
): Edit[] {
  const own = nodeIds.filter((k) => findNode(artwork, k));
  if (!own.length) return [];
  const within = findNode(artwork, own[0])!.within;
  const parent = within[within.length - 1] ?? null;
  const siblings = parent ? parent.nodes : artwork.nodes;
  const moving = own.filter((k) => siblings.some((n) => n.id === k));
  const rest = siblings.filter((n) => !moving.includes(n.id));
  const top = Math.max(...moving.map((k) => siblings.findIndex((n) => n.id === k)));
  const bottom = Math.min(...moving.map((k) => siblings.findIndex((n) => n.id === k)));
  const below = (index: number) => rest.filter((n) => siblings.indexOf(n) < index).length;
  const at =
    to === 'top'
      ? rest.length
      : to === 'bottom'
        ? 0
        : to === 'forward'
          ? below(top) + 1
          : Math.max(0, below(bottom) - 1);
  if (at > rest.length) return [];
  return [{ kind: 'move-nodes', nodeIds: moving, intoId: parent?.id ?? null, at }];
}
