import * as v from 'valibot';
import { defineEdit, nodesTold, withNodes } from './define';
import { nodeIds } from './piece-ink';

/** Takes pieces and groups out. Inks without a piece are kept: a later piece may want them. */
export const removeNodes = defineEdit({
  schema: v.object({ kind: v.literal('remove-nodes'), nodeIds }),
  apply: (artwork, edit) => withNodes(artwork, edit.nodeIds, () => null),
  tell: (before, edit) => `${nodesTold(before, edit.nodeIds)} removed`,
});
