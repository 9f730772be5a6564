import * as v from 'valibot';
import type { ArtNode } from '../artwork';
import { id } from '../schema';
import { defineEdit, inkFrom, mapNodes, must } from './define';

/** Gives all that has one ink another, and takes the first away. */
export const mergeInks = defineEdit({
  schema: v.object({ kind: v.literal('merge-inks'), inkId: id, intoInkId: id }),
  apply(artwork, { inkId, intoInkId }) {
    inkFrom(artwork, inkId);
    inkFrom(artwork, intoInkId);
    must(inkId !== intoInkId, 'an ink cannot be merged into itself');
    const merged = (node: ArtNode): ArtNode => {
      let out = node.mask ? { ...node, mask: { ...node.mask, nodes: mapNodes(node.mask.nodes, merged) } } : node;
      if (out.effects?.some((e) => e.kind === 'shadow' && e.inkId === inkId))
        out = {
          ...out,
          effects: out.effects.map((e) => (e.kind === 'shadow' && e.inkId === inkId ? { ...e, inkId: intoInkId } : e)),
        };
      if (out.kind === 'group') return out;
      if (out.inkId === inkId) out = { ...out, inkId: intoInkId };
      if (out.stroke?.inkId === inkId) out = { ...out, stroke: { ...out.stroke, inkId: intoInkId } };
      return out;
    };
    return { ...artwork, inks: artwork.inks.filter((i) => i.id !== inkId), nodes: mapNodes(artwork.nodes, merged) };
  },
  tell: (before, edit) => `${inkFrom(before, edit.inkId).name} merged into ${inkFrom(before, edit.intoInkId).name}`,
});
