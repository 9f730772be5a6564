import * as v from 'valibot';
import type { ArtNode } from '../artwork';
import { affine, effectSchema, nameOf, share } from '../schema';
import { compose } from '../../path';
import { defineEdit, inkFrom, nodesTold, withNodes, without } from './define';
import { nodeIds } from './piece-ink';

/** Names nodes; null takes the name away. */
export const nodeName = defineEdit({
  schema: v.object({ kind: v.literal('node-name'), nodeIds, name: v.nullable(nameOf(120)) }),
  apply: (artwork, { nodeIds: ids, name }) =>
    withNodes(artwork, ids, (n): ArtNode => (name === null ? (without(n, 'name') as ArtNode) : { ...n, name })),
  tell: (before, { nodeIds: ids, name }) =>
    `${nodesTold(before, ids)} ${name === null ? 'without a name' : `named ${name}`}`,
});

/** Hides nodes, or shows them again. */
export const nodeHidden = defineEdit({
  schema: v.object({ kind: v.literal('node-hidden'), nodeIds, hidden: v.boolean() }),
  apply: (artwork, { nodeIds: ids, hidden }) =>
    withNodes(artwork, ids, (n): ArtNode => (hidden ? { ...n, hidden } : (without(n, 'hidden') as ArtNode))),
  tell: (before, { nodeIds: ids, hidden }) => `${nodesTold(before, ids)} ${hidden ? 'hidden' : 'shown'}`,
});

/** Locks nodes, so that a click passes them by, or unlocks them. */
export const nodeLocked = defineEdit({
  schema: v.object({ kind: v.literal('node-locked'), nodeIds, locked: v.boolean() }),
  apply: (artwork, { nodeIds: ids, locked }) =>
    withNodes(artwork, ids, (n): ArtNode => (locked ? { ...n, locked } : (without(n, 'locked') as ArtNode))),
  tell: (before, { nodeIds: ids, locked }) => `${nodesTold(before, ids)} ${locked ? 'locked' : 'unlocked'}`,
});

/** How opaque nodes are as a whole, 0..1. */
export const nodeOpacity = defineEdit({
  schema: v.object({ kind: v.literal('node-opacity'), nodeIds, opacity: share }),
  apply: (artwork, { nodeIds: ids, opacity }) =>
    withNodes(artwork, ids, (n): ArtNode => (opacity < 1 ? { ...n, opacity } : (without(n, 'opacity') as ArtNode))),
  tell: (before, { nodeIds: ids, opacity }) => `${nodesTold(before, ids)} at ${Math.round(opacity * 100)}%`,
});

/** Moves, scales, turns or mirrors nodes, by a map in the coordinates of what they lie in; it comes on top of what was done before. */
export const nodeTransform = defineEdit({
  schema: v.object({ kind: v.literal('node-transform'), nodeIds, by: affine }),
  apply: (artwork, { nodeIds: ids, by }) =>
    withNodes(artwork, ids, (n): ArtNode => ({ ...n, transform: n.transform ? compose(n.transform, by) : by })),
  tell: (before, { nodeIds: ids, by: [a, b, c, d, e, f] }) =>
    a === 1 && b === 0 && c === 0 && d === 1
      ? `${nodesTold(before, ids)} moved by ${Number(e.toFixed(2))}, ${Number(f.toFixed(2))} px`
      : `${nodesTold(before, ids)} transformed`,
});

/** The soft effects of nodes: blur and shadows, all of them at once. */
export const nodeEffects = defineEdit({
  schema: v.object({
    kind: v.literal('node-effects'),
    nodeIds,
    effects: v.pipe(v.array(effectSchema), v.maxLength(8)),
  }),
  apply(artwork, { nodeIds: ids, effects }) {
    for (const e of effects) if (e.kind === 'shadow') inkFrom(artwork, e.inkId);
    return withNodes(artwork, ids, (n): ArtNode =>
      effects.length ? { ...n, effects } : (without(n, 'effects') as ArtNode),
    );
  },
  tell: (before, { nodeIds: ids, effects }) =>
    `${nodesTold(before, ids)} ${effects.length ? `with ${effects.map((e) => e.kind).join(' and ')}` : 'without soft effects'}`,
});
