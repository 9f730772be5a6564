import * as v from 'valibot';
import { compose } from '../../path';
import { findNode, type ArtNode } from '../artwork';
import { affine, id } from '../schema';
import { defineEdit, must, nodeFrom, nodesTold } from './define';

/** A node and all that lies in it, every id with something added to it. */
const renamed = (node: ArtNode, suffix: string): ArtNode =>
  ({
    ...node,
    id: node.id + suffix,
    ...(node.kind === 'group' ? { nodes: node.nodes.map((n) => renamed(n, suffix)) } : {}),
  }) as ArtNode;

/** A copy of a node right above it, moved by a map where asked; the ids in it are the old ones with `suffix` added. */
export const duplicateNode = defineEdit({
  schema: v.object({
    kind: v.literal('duplicate-node'),
    nodeId: id,
    suffix: v.pipe(v.string(), v.regex(/^[\w-]{1,12}$/)),
    by: v.optional(affine),
  }),
  apply(artwork, { nodeId, suffix, by }) {
    const node = nodeFrom(artwork, nodeId);
    must(!findNode(artwork, nodeId + suffix), 'this artwork has a node of that id already');
    let copy = renamed(node, suffix);
    if (by) copy = { ...copy, transform: copy.transform ? compose(copy.transform, by) : by };
    const walk = (list: readonly ArtNode[]): ArtNode[] =>
      list.flatMap((n) => (n.id === nodeId ? [n, copy] : n.kind === 'group' ? [{ ...n, nodes: walk(n.nodes) }] : [n]));
    return { ...artwork, nodes: walk(artwork.nodes) };
  },
  tell: (before, edit) => `${nodesTold(before, [edit.nodeId])} duplicated`,
});
