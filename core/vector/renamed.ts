/** Nodes with other inks, other ids, or without some of them. */
import type { ArtNode } from './artwork';
import { mapNodes } from './edits/define';

/** The nodes with their inks named otherwise, in masks, shadows and lines too, and with other ids of their own. Those that stay as they are are the same ones. */
export function withInkIds(
  nodes: readonly ArtNode[],
  inkIdOf: (inkId: string) => string,
  nodeIdOf: (id: string) => string = (id) => id,
): readonly ArtNode[] {
  return mapNodes(nodes, (node) => {
    let out = node;
    const id = nodeIdOf(node.id);
    if (id !== node.id) out = { ...out, id };
    if (out.mask) out = { ...out, mask: { ...out.mask, nodes: withInkIds(out.mask.nodes, inkIdOf, nodeIdOf) } };
    if (out.effects?.some((e) => e.kind === 'shadow' && inkIdOf(e.inkId) !== e.inkId))
      out = { ...out, effects: out.effects.map((e) => (e.kind === 'shadow' ? { ...e, inkId: inkIdOf(e.inkId) } : e)) };
    if (out.kind === 'group') return out;
    if (out.inkId !== null && inkIdOf(out.inkId) !== out.inkId) out = { ...out, inkId: inkIdOf(out.inkId) };
    if (out.stroke && inkIdOf(out.stroke.inkId) !== out.stroke.inkId)
      out = { ...out, stroke: { ...out.stroke, inkId: inkIdOf(out.stroke.inkId) } };
    return out;
  });
}

/** The nodes without some, wherever they lie. */
export const withoutNodes = (nodes: readonly ArtNode[], ids: ReadonlySet<string>): readonly ArtNode[] =>
  ids.size ? mapNodes(nodes, (node) => (ids.has(node.id) ? null : node)) : nodes;
