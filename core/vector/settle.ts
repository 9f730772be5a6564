/** Pieces brought to the sheet's own coordinates, looking as before. */
import { compose, IDENTITY, inverse, mapContour, meanScale, type Affine } from '../path';
import { inkOf, scaledStroke, type Artwork, type ArtNode, type Piece, type Placed } from './artwork';
import { EditError } from './edits/define';

const isIdentity = (map: Affine): boolean => map.every((v, k) => Math.abs(v - IDENTITY[k]) < 1e-12);

/** A piece whose own coordinates are the sheet's: its outlines, line, clips, masks and soft effects are moved, not itself. Throws an EditError where that cannot be. */
export function settled(artwork: Artwork, { node, within, map }: Placed<Piece>): Piece {
  if (isIdentity(map)) return node;
  if (node.stroke && inkOf(artwork, node.stroke.inkId)?.gradient)
    throw new EditError('a line with a gradient of its own cannot be brought to the coordinates of the sheet');
  const outer = within.reduce<Affine>((m, g) => (g.transform ? compose(g.transform, m) : m), IDENTITY);
  const back = inverse(outer);
  if (!back) throw new EditError('a piece is squeezed flat, so nothing can be made of it');
  const scale = meanScale(map);
  const placed = (list: Piece['contours']): Piece['contours'] => list.map((c) => mapContour(map, c));
  const { transform: _transform, stroke, clip, mask, effects, ...rest } = node;
  return {
    ...rest,
    ...(isIdentity(back) ? {} : { transform: back }),
    contours: placed(node.contours),
    ...(stroke ? { stroke: scaledStroke(stroke, scale) } : {}),
    ...(clip ? { clip: clip.map((c) => ({ ...c, contours: placed(c.contours) })) } : {}),
    ...(mask
      ? { mask: { ...mask, nodes: mask.nodes.map((n): ArtNode => ({ ...n, transform: compose(n.transform ?? IDENTITY, map) })) } } // prettier-ignore
      : {}),
    ...(effects
      ? {
          effects: effects.map((e) =>
            e.kind === 'blur'
              ? { ...e, radiusPx: e.radiusPx * scale }
              : {
                  ...e,
                  dxPx: map[0] * e.dxPx + map[2] * e.dyPx,
                  dyPx: map[1] * e.dxPx + map[3] * e.dyPx,
                  blurPx: e.blurPx * scale,
                },
          ),
        }
      : {}),
  };
}
