import * as v from 'valibot';
import { withInkIds } from '../renamed';
import { id } from '../schema';
import { defineEdit, inkFrom, must } from './define';

/** Gives all that has one ink another, and takes the first away. */
export const mergeInks = defineEdit({
  schema: v.object({ kind: v.literal('merge-inks'), inkId: id, intoInkId: id }),
  apply(artwork, { inkId, intoInkId }) {
    inkFrom(artwork, inkId);
    inkFrom(artwork, intoInkId);
    must(inkId !== intoInkId, 'an ink cannot be merged into itself');
    return {
      ...artwork,
      inks: artwork.inks.filter((i) => i.id !== inkId),
      nodes: withInkIds(artwork.nodes, (own) => (own === inkId ? intoInkId : own)),
    };
  },
  tell: (before, edit) => `${inkFrom(before, edit.inkId).name} merged into ${inkFrom(before, edit.intoInkId).name}`,
});
