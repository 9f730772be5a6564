import * as v from 'valibot';
import { readHex } from '../../colour';
import { findNode, inkOf, type Artwork, type ArtNode, type Group, type Ink, type Piece } from '../artwork';

/** The edit names something that the artwork does not have, or a value that cannot be. */
export class EditError extends Error {
  override readonly name = 'EditError';
}

/** One kind of edit: how it is written, what it makes of an artwork, and how the history tells it. What it changed is kept, so that any edit is taken back alike. */
export interface EditKind<S extends v.GenericSchema> {
  readonly schema: S;
  /** The artwork after it; the one given stays as it is. Throws an EditError when the edit does not fit it. */
  readonly apply: (artwork: Artwork, edit: v.InferOutput<S>) => Artwork;
  /** What it did, in the words of the history. */
  readonly tell: (before: Artwork, edit: v.InferOutput<S>) => string;
}

export const defineEdit = <S extends v.GenericSchema>(kind: EditKind<S>): EditKind<S> => kind;

export function must(condition: unknown, message: string): asserts condition {
  if (!condition) throw new EditError(message);
}

export function inkFrom(artwork: Artwork, inkId: string): Ink {
  const ink = inkOf(artwork, inkId);
  must(ink, 'this artwork has no such ink');
  return ink;
}

export function hexFrom(text: string): string {
  const hex = readHex(text);
  must(hex, `"${text}" is not a hex colour such as #1D2E4E`);
  return hex;
}

export const withInk = (artwork: Artwork, ink: Ink): Artwork => ({
  ...artwork,
  inks: artwork.inks.map((i) => (i.id === ink.id ? ink : i)),
});

export function nodeFrom(artwork: Artwork, nodeId: string): ArtNode {
  const placed = findNode(artwork, nodeId);
  must(placed, 'this artwork has no such piece or group');
  return placed.node;
}

export function pieceFrom(artwork: Artwork, nodeId: string): Piece {
  const node = nodeFrom(artwork, nodeId);
  must(node.kind === 'piece', 'this is a group, not a piece');
  return node;
}

/** The nodes with each of them changed, or taken out where `change` gives null; groups that nothing in changes stay the same ones. */
export function mapNodes(nodes: readonly ArtNode[], change: (node: ArtNode) => ArtNode | null): readonly ArtNode[] {
  let same = true;
  const out: ArtNode[] = [];
  for (const node of nodes) {
    let after = change(node);
    if (after && after.kind === 'group') {
      const inner = mapNodes(after.nodes, change);
      if (inner !== after.nodes) after = { ...after, nodes: inner } as Group;
    }
    if (after !== node) same = false;
    if (after) out.push(after);
  }
  return same ? nodes : out;
}

/** The artwork with some nodes changed; throws an EditError where one is not there. */
export function withNodes(
  artwork: Artwork,
  ids: readonly string[],
  change: (node: ArtNode) => ArtNode | null,
): Artwork {
  const wanted = new Set(ids);
  must(wanted.size > 0, 'no piece was named');
  const found = new Set<string>();
  const nodes = mapNodes(artwork.nodes, (node) => {
    if (!wanted.has(node.id)) return node;
    found.add(node.id);
    return change(node);
  });
  must(
    [...wanted].every((i) => found.has(i) || isWithin(artwork, i, found)),
    'this artwork has no such piece or group',
  );
  return { ...artwork, nodes };
}

/** Whether a node lies in a group that was found, and went with it. */
const isWithin = (artwork: Artwork, id: string, found: ReadonlySet<string>): boolean =>
  findNode(artwork, id)?.within.some((g) => found.has(g.id)) ?? false;

/** A value without some of its fields. */
export function without<T extends object, K extends keyof T>(value: T, ...keys: readonly K[]): Omit<T, K> {
  const out = { ...value };
  for (const key of keys) delete out[key];
  return out;
}

export const counted = (n: number, one: string, many = `${one}s`): string => (n === 1 ? `one ${one}` : `${n} ${many}`);

/** What some nodes are called in the history. */
export function nodesTold(artwork: Artwork, ids: readonly string[]): string {
  if (ids.length === 1) {
    const node = findNode(artwork, ids[0])?.node;
    return node?.name ?? (node?.kind === 'group' ? 'one group' : 'one piece');
  }
  return counted(ids.length, 'piece');
}
