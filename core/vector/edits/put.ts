import * as v from 'valibot';
import { findNode, placedNodes, type Artwork, type ArtNode, type Ink, type Piece } from '../artwork';
import { id, inkSchema, nameOf, pieceSchema } from '../schema';
import { defineEdit, mapNodes, must } from './define';

/**
 * Pieces as they became, worked out elsewhere: those whose id the artwork has take its place, others come in right above a node, or at the bottom. Inks come with them, or take the place of those of their ids. What is gone goes. It says in its own words what
 * was done.
 */
export const putPieces = defineEdit({
  schema: v.object({
    kind: v.literal('put-pieces'),
    pieces: v.pipe(
      v.array(v.object({ piece: pieceSchema as v.GenericSchema<Piece>, above: v.optional(v.nullable(id), null) })),
      v.maxLength(50_000, 'at most 50000 pieces'),
    ),
    gone: v.optional(v.pipe(v.array(id), v.maxLength(50_000, 'at most 50000 nodes')), []),
    inks: v.optional(v.pipe(v.array(inkSchema as v.GenericSchema<Ink>), v.maxLength(64, 'at most 64 inks'))),
    told: nameOf(120),
  }),
  apply(before, { pieces, gone, inks: put = [] }) {
    must(pieces.length + gone.length > 0, 'no piece was named');
    const all = new Map([...before.inks, ...put].map((i) => [i.id, i]));
    const artwork = put.length ? { ...before, inks: [...all.values()] } : before;
    const inks = new Set(artwork.inks.map((i) => i.id));
    const known = new Map([...placedNodes(artwork.nodes)].map((p) => [p.node.id, p.node.kind]));
    const by = new Map<string, Piece>();
    const fresh: { piece: Piece; above: string | null }[] = [];
    for (const { piece, above } of pieces) {
      for (const inkId of [piece.inkId, piece.stroke?.inkId ?? null])
        must(inkId === null || inks.has(inkId), 'a piece has an ink that the artwork does not have');
      const kind = known.get(piece.id);
      must(kind !== 'group', 'this is a group, not a piece');
      if (kind) by.set(piece.id, piece);
      else fresh.push({ piece, above });
    }
    for (const wanted of gone) must(known.has(wanted), 'this artwork has no such piece or group');
    let nodes = mapNodes(artwork.nodes, (n) => by.get(n.id) ?? n);
    for (const { piece, above } of fresh) {
      must(above === null || findNode({ ...artwork, nodes }, above), 'this artwork has no such piece or group');
      nodes = above === null ? [piece, ...nodes] : withAbove(nodes, above, piece);
    }
    const isGone = new Set(gone);
    return { ...artwork, nodes: mapNodes(nodes, (n) => (isGone.has(n.id) ? null : n)) };
  },
  tell: (_before, { told }) => told,
});

const withAbove = (nodes: readonly ArtNode[], below: string, piece: Piece): ArtNode[] =>
  nodes.flatMap((n): ArtNode[] => {
    if (n.id === below) return [n, piece];
    return [n.kind === 'group' ? { ...n, nodes: withAbove(n.nodes, below, piece) } : n];
  });

/** What makes one artwork of another where pieces alone changed, came or went, as one edit; null where nothing did. Throws where groups changed as well. */
export function piecesChanged(
  before: Artwork,
  after: Artwork,
  told: string,
): v.InferOutput<typeof putPieces.schema> | null {
  const [was, is] = [before, after].map((a) => new Map([...placedNodes(a.nodes)].map((p) => [p.node.id, p.node])));
  const pieces: { piece: Piece; above: string | null }[] = [];
  const walk = (nodes: readonly ArtNode[]): void =>
    nodes.forEach((node, k) => {
      const old = was.get(node.id);
      if (node.kind === 'group') {
        must(old?.kind === 'group', 'a group changed');
        walk(node.nodes);
      } else if (!old) pieces.push({ piece: node, above: nodes[k - 1]?.id ?? null });
      else if (old !== node) pieces.push({ piece: node, above: null });
    });
  walk(after.nodes);
  const gone = [...was.keys()].filter((k) => !is.has(k));
  const known = new Set(before.inks);
  const inks = after.inks.filter((i) => !known.has(i));
  return pieces.length || gone.length
    ? { kind: 'put-pieces', pieces, gone, ...(inks.length ? { inks } : {}), told }
    : null;
}
