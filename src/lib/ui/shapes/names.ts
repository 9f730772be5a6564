import { swatchOf, type Artwork, type ArtNode } from '$core/vector';

/** What a node is called in lists: its own name, or what it is. */
export function nameOfNode(artwork: Artwork, node: ArtNode): string {
  if (node.name) return node.name;
  if (node.kind === 'group') return `group of ${node.nodes.length}`;
  const ink = artwork.inks.find((i) => i.id === (node.inkId ?? node.stroke?.inkId));
  const number = /(\d+)$/.exec(node.id)?.[1];
  return `${ink?.name ?? 'piece'}${node.inkId === null ? ' line' : ''}${number ? ` ${number}` : ''}`;
}

/** The colour of an ink, as a background of the page. */
export function swatch(artwork: Artwork, inkId: string | null): string {
  const ink = artwork.inks.find((i) => i.id === inkId);
  return ink?.gradient ? swatchOf(ink.gradient) : (ink?.hex ?? 'transparent');
}
