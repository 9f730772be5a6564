import * as v from 'valibot';
import { strokeSchema } from '../schema';
import { defineEdit, inkFrom, must, nodesTold, withNodes, without } from './define';
import { nodeIds } from './piece-ink';

/** Draws a line along pieces, changes it, or takes it away. */
export const pieceStroke = defineEdit({
  schema: v.object({ kind: v.literal('piece-stroke'), nodeIds, stroke: v.nullable(strokeSchema) }),
  apply(artwork, edit) {
    const { stroke } = edit;
    if (stroke) inkFrom(artwork, stroke.inkId);
    return withNodes(artwork, edit.nodeIds, (node) => {
      must(node.kind === 'piece', 'a group has no line of its own');
      must(stroke || node.inkId !== null, 'a piece with neither ink nor line could not be seen');
      return stroke ? { ...node, stroke } : without(node, 'stroke');
    });
  },
  tell: (before, edit) =>
    edit.stroke
      ? `${nodesTold(before, edit.nodeIds)} lined with ${inkFrom(before, edit.stroke.inkId).name}, ${edit.stroke.widthPx} px`
      : `line of ${nodesTold(before, edit.nodeIds)} taken away`,
});
