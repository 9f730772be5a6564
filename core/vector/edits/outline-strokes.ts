import * as v from 'valibot';
import { widened } from '../../path';
import { findNode, type Piece } from '../artwork';
import { withContours } from '../numbers';
import { piecesFrom, replacedPieces, someOrAll, told } from './combine';
import { counted, defineEdit, must, without } from './define';

/** Lines made areas: a piece that is a line alone becomes what that covers, one that is filled as well gets it as a piece right above. Widths that change, dashes, joins and caps are kept. */
export const outlineStrokes = defineEdit({
  schema: v.object({ kind: v.literal('outline-strokes'), nodes: someOrAll }),
  apply(artwork, { nodes }) {
    const by = new Map<string, Piece[]>();
    for (const { node } of piecesFrom(artwork, nodes)) {
      const { stroke } = node;
      if (!stroke || stroke.widthPx <= 0) continue;
      const contours = told(() => widened(node.contours, stroke));
      if (!contours.length && nodes === 'all') continue;
      must(contours.length > 0, 'a line covers nothing, so nothing can be made of it');
      const bare = without(node, 'stroke') as Piece;
      const look = { inkId: stroke.inkId, ...(stroke.opacity === undefined ? {} : { fillOpacity: stroke.opacity }) };
      if (node.inkId === null) by.set(node.id, [withContours({ ...bare, ...look }, contours)]);
      else {
        const { numbers: _numbers, rule: _rule, fillOpacity: _opacity, name, ...rest } = bare;
        let id = `${node.id}-line`;
        for (let k = 2; findNode(artwork, id); k++) id = `${node.id}-line-${k}`;
        by.set(node.id, [bare, { ...rest, ...look, id, ...(name ? { name: `${name}, line` } : {}), contours }]);
      }
    }
    must(by.size > 0, 'no piece has a line');
    return replacedPieces(artwork, by);
  },
  tell: (_before, { nodes }) =>
    `lines of ${nodes === 'all' ? 'all pieces' : counted(nodes.length, 'piece')} made areas`,
});
