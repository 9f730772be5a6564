/** What letters wear: lines outside and within them, shadows, and the ground left free about them. */
import type { Dress } from '../lockup';
import {
  combined,
  CombineError,
  IDENTITY,
  compose,
  inverse,
  mapContour,
  offsetOf,
  sweptArea,
  tightBox,
  widened,
  type Affine,
  type Box,
  type Contour,
} from '../path';
import type { ArtNode, Piece } from '../vector';

/** Letters grown by a distance, those that touch as one. */
export const haloOf = (contours: readonly Contour[], byPx: number): Contour[] =>
  contours.length ? offsetOf({ contours }, byPx) : [];

/** The same as a line along the letters, quickly made: what lies under them looks alike. */
export const paintedHalo = (id: string, contours: readonly Contour[], byPx: number, inkId: string): ArtNode => ({
  kind: 'piece',
  id,
  name: 'Outline',
  inkId,
  contours,
  stroke: { inkId, widthPx: 2 * byPx, cap: 'round', join: 'round', mitreLimit: 4 },
});

/** A line within letters, from `insetPx` off their edge on. Where there is no room for it, there is none. */
export function insideLine(contours: readonly Contour[], insetPx: number, widthPx: number): Contour[] {
  if (!contours.length) return [];
  const outer = offsetOf({ contours }, -insetPx);
  if (!outer.length) return [];
  const inner = offsetOf({ contours }, -(insetPx + widthPx));
  return inner.length ? combined('subtract', [{ contours: outer }, { contours: inner }]) : outer;
}

/** The shadow of letters: soft, or hard as they are moved, or the whole way that they take. */
export function shadowNodes(id: string, contours: readonly Contour[], shadow: NonNullable<Dress['shadow']>): ArtNode[] {
  const { inkId, dxPx, dyPx, blurPx, opacity, long } = shadow;
  const moved: Affine = [1, 0, 0, 1, dxPx, dyPx];
  const own =
    long && (dxPx || dyPx) ? sweptArea({ contours }, [dxPx, dyPx]) : contours.map((c) => mapContour(moved, c));
  if (!own.length) return [];
  return [
    {
      kind: 'piece',
      id: `${id}-shadow`,
      name: 'Shadow',
      inkId,
      contours: own,
      ...(opacity < 1 ? { opacity } : {}),
      ...(blurPx > 0 ? { effects: [{ kind: 'blur', radiusPx: blurPx }] } : {}),
    },
  ];
}

const overlap = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

/** Nodes with an area taken out of all that they draw; what the area does not reach stays the very same. */
export function cutOut(nodes: readonly ArtNode[], area: readonly Contour[], map: Affine = IDENTITY): ArtNode[] {
  const box = tightBox(area);
  if (!box) return [...nodes];
  return nodes.flatMap((node): ArtNode[] => {
    const own = node.transform ? compose(node.transform, map) : map;
    if (node.kind === 'group') return [{ ...node, nodes: cutOut(node.nodes, area, own) }];
    return cutPiece(node, area, box, own);
  });
}

function cutPiece(node: Piece, area: readonly Contour[], box: Box, map: Affine): ArtNode[] {
  const back = inverse(map);
  const { stroke } = node;
  const reach = (stroke?.widthPx ?? 0) * Math.hypot(map[0], map[1]);
  const own = tightBox(node.contours.map((c) => mapContour(map, c)));
  const wide = own && {
    x: own.x - reach,
    y: own.y - reach,
    width: own.width + 2 * reach,
    height: own.height + 2 * reach,
  };
  if (!back || !wide || !overlap(wide, box)) return [node];
  const hole = area.map((c) => mapContour(back, c));
  const without = (contours: readonly Contour[], rule?: 'evenodd'): Contour[] =>
    combined('subtract', [{ contours, ...(rule ? { rule } : {}) }, { contours: hole }]);
  try {
    const { stroke: _line, rule, numbers: _numbers, ...bare } = node;
    const fill = node.inkId === null ? [] : without(node.contours, rule);
    const line = stroke && stroke.widthPx > 0 ? without(widened(node.contours, stroke)) : [];
    return [
      ...(fill.length ? [{ ...bare, contours: fill }] : []),
      ...(line.length ? [{ ...bare, id: node.inkId === null ? node.id : `${node.id}-line`, inkId: stroke!.inkId, contours: line }] : []), // prettier-ignore
    ];
  } catch (error) {
    // Rather whole than not at all.
    if (error instanceof CombineError) return [node];
    throw error;
  }
}
