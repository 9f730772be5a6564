import * as v from 'valibot';
import { compose, inverse } from '../../path';
import { findNode, placedNodes, type Artwork, type ArtNode, type Group } from '../artwork';
import { id } from '../schema';
import { counted, defineEdit, mapNodes, must, nodeFrom, nodesTold, without } from './define';
import { nodeIds } from './piece-ink';

const place = v.pipe(v.number(), v.integer('a whole number'), v.minValue(0));

/** The nodes of a list that are asked for, in stacking order, and not also those in groups among them. */
function chosen(artwork: Artwork, ids: readonly string[]): ArtNode[] {
  const wanted = new Set(ids);
  for (const i of wanted) nodeFrom(artwork, i);
  return [...placedNodes(artwork.nodes)]
    .filter(({ node, within }) => wanted.has(node.id) && !within.some((g) => wanted.has(g.id)))
    .map((p) => p.node);
}

const taken = (artwork: Artwork, nodes: readonly ArtNode[]): readonly ArtNode[] => {
  const gone = new Set(nodes.map((n) => n.id));
  return mapNodes(artwork.nodes, (n) => (gone.has(n.id) ? null : n));
};

/** Nodes as they are when they come to lie in another group: where they were on the sheet they stay. */
function carried(artwork: Artwork, node: ArtNode, into: string | null): ArtNode {
  const mapOf = (groups: readonly Group[]) =>
    groups.reduce((map, g) => (g.transform ? compose(g.transform, map) : map), [1, 0, 0, 1, 0, 0] as Parameters<
      typeof compose
    >[0]);
  const from = mapOf(findNode(artwork, node.id)!.within);
  const target = into === null ? null : findNode(artwork, into)!;
  const back = inverse(target ? mapOf([...target.within, target.node as Group]) : [1, 0, 0, 1, 0, 0]);
  must(back, 'that group is squeezed flat, so nothing can be put in it');
  const by = compose(from, back);
  if (by.every((x, k) => Math.abs(x - [1, 0, 0, 1, 0, 0][k]) < 1e-12)) return node;
  return { ...node, transform: node.transform ? compose(node.transform, by) : by };
}

const inserted = (list: readonly ArtNode[], at: number, nodes: readonly ArtNode[]): ArtNode[] => [
  ...list.slice(0, at),
  ...nodes,
  ...list.slice(at),
];

/** Puts nodes elsewhere in the stack: into a group (or the artwork itself, null), `at` counting from the bottom once they are taken out. */
export const moveNodes = defineEdit({
  schema: v.object({ kind: v.literal('move-nodes'), nodeIds, intoId: v.nullable(id), at: place }),
  apply(artwork, { nodeIds: ids, intoId, at }) {
    const nodes = chosen(artwork, ids);
    if (intoId !== null) {
      const target = findNode(artwork, intoId);
      must(target?.node.kind === 'group', 'this artwork has no such group');
      const moving = new Set(nodes.map((n) => n.id));
      must(![...target.within, target.node].some((g) => moving.has(g.id)), 'a group cannot lie in itself');
    }
    const put = nodes.map((n) => carried(artwork, n, intoId));
    const left = taken(artwork, nodes);
    if (intoId === null) return { ...artwork, nodes: inserted(left, at, put) };
    return {
      ...artwork,
      nodes: mapNodes(left, (n) =>
        n.id === intoId && n.kind === 'group' ? { ...n, nodes: inserted(n.nodes, at, put) } : n,
      ),
    };
  },
  tell: (before, edit) => `${nodesTold(before, edit.nodeIds)} put elsewhere in the stack`,
});

/** Puts nodes into a new group, where the topmost of them was. */
export const groupNodes = defineEdit({
  schema: v.object({ kind: v.literal('group-nodes'), nodeIds, groupId: id }),
  apply(artwork, { nodeIds: ids, groupId }) {
    must(!findNode(artwork, groupId), 'this artwork has a node of that id already');
    const nodes = chosen(artwork, ids);
    const top = findNode(artwork, nodes[nodes.length - 1].id)!;
    const parent = top.within[top.within.length - 1] ?? null;
    must(!nodes.some((n) => n.id === parent?.id), 'a group cannot lie in itself');
    const group: Group = {
      id: groupId,
      kind: 'group',
      nodes: nodes.map((n) => carried(artwork, n, parent?.id ?? null)),
    };
    const gone = new Set(nodes.slice(0, -1).map((n) => n.id));
    const change = (n: ArtNode): ArtNode | null => (n.id === top.node.id ? group : gone.has(n.id) ? null : n);
    // The group itself is not looked into again: what lies in it are the nodes that went.
    const walk = (list: readonly ArtNode[]): ArtNode[] =>
      list.flatMap((n) => {
        const after = change(n);
        if (!after) return [];
        return after === n && n.kind === 'group' ? [{ ...n, nodes: walk(n.nodes) }] : [after];
      });
    return { ...artwork, nodes: walk(artwork.nodes) };
  },
  tell: (_before, edit) => `${counted(edit.nodeIds.length, 'node')} grouped`,
});

/** Takes a group apart; what lay in it stays where it is, with the group's opacity where it had one. */
export const ungroup = defineEdit({
  schema: v.object({ kind: v.literal('ungroup'), groupId: id }),
  apply(artwork, { groupId }) {
    const group = nodeFrom(artwork, groupId);
    must(group.kind === 'group', 'this is a piece, not a group');
    must(
      !group.clip && !group.mask && !group.effects?.length,
      'this group is clipped, masked or soft as a whole: take that away first',
    );
    const freed = group.nodes.map((n): ArtNode => {
      const opacity = (n.opacity ?? 1) * (group.opacity ?? 1);
      return {
        ...(without(n, 'opacity') as ArtNode),
        ...(opacity < 1 ? { opacity } : {}),
        ...(group.transform
          ? { transform: n.transform ? compose(n.transform, group.transform) : group.transform }
          : {}),
        ...(group.hidden ? { hidden: true as const } : {}),
      };
    });
    const walk = (list: readonly ArtNode[]): ArtNode[] =>
      list.flatMap((n) => (n.id === groupId ? freed : n.kind === 'group' ? [{ ...n, nodes: walk(n.nodes) }] : [n]));
    return { ...artwork, nodes: walk(artwork.nodes) };
  },
  tell: (before, edit) => `${nodesTold(before, [edit.groupId])} taken apart`,
});
