import * as v from 'valibot';
import { id } from '../schema';
import { counted, defineEdit, inkFrom, must, withNodes } from './define';

/** The list of nodes that an edit is about. */
export const nodeIds = v.pipe(v.array(id), v.minLength(1, 'no piece was named'), v.maxLength(50_000));

/** Fills pieces with another ink, or with none. */
export const pieceInk = defineEdit({
  schema: v.object({ kind: v.literal('piece-ink'), nodeIds, inkId: v.nullable(id) }),
  apply(artwork, edit) {
    const { inkId } = edit;
    if (inkId !== null) inkFrom(artwork, inkId);
    return withNodes(artwork, edit.nodeIds, (node) => {
      must(node.kind === 'piece', 'a group has no ink of its own');
      must(inkId !== null || node.stroke, 'a piece with neither ink nor line could not be seen');
      return { ...node, inkId };
    });
  },
  tell: (before, edit) =>
    `${counted(edit.nodeIds.length, 'piece')} to ${edit.inkId === null ? 'no fill' : inkFrom(before, edit.inkId).name}`,
});
