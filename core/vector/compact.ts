/** Artworks in few characters: what is kept of whole states, since outlines as plain records take twice the room and three times as long to read. */
import type { Contour, Point, Segment } from '../path';
import type { ArtNode, Artwork } from './artwork';

/**
 * A contour as a word and numbers: a letter for each segment, L, C, or one of E to H for an arc (its two flags), with "o" before an open one; then all
 * coordinates, an arc's radius before its end.
 */
type Packed = readonly [string, readonly number[]];

const ARCS = ['E', 'F', 'G', 'H'] as const;

function packed({ start, segments, open }: Contour): Packed {
  let word = open ? 'o' : '';
  const numbers: number[] = [start[0], start[1]];
  for (const s of segments) {
    if (s.kind === 'line') word += 'L';
    else if (s.kind === 'curve') {
      word += 'C';
      numbers.push(s.c1[0], s.c1[1], s.c2[0], s.c2[1]);
    } else {
      word += ARCS[(s.large ? 2 : 0) + (s.clockwise ? 1 : 0)];
      numbers.push(s.radius);
    }
    numbers.push(s.to[0], s.to[1]);
  }
  return [word, numbers];
}

function unpacked([word, n]: Packed): Contour {
  let at = 0;
  const point = (): Point => [n[at++], n[at++]];
  const start = point();
  const open = word.startsWith('o');
  const segments: Segment[] = [];
  for (let k = open ? 1 : 0; k < word.length; k++) {
    const letter = word[k];
    if (letter === 'L') segments.push({ kind: 'line', to: point() });
    else if (letter === 'C') segments.push({ kind: 'curve', c1: point(), c2: point(), to: point() });
    else {
      const flags = ARCS.indexOf(letter as (typeof ARCS)[number]);
      const radius = n[at++];
      segments.push({ kind: 'arc', radius, large: flags > 1, clockwise: flags % 2 === 1, to: point() });
    }
  }
  return { start, segments, ...(open ? { open } : {}) };
}

type Kept = Contour | Packed;

/** Every node with its contours changed; clips and masks have some too. */
function mapContours(node: ArtNode, change: (contours: readonly Kept[]) => readonly Kept[]): ArtNode {
  const out = { ...node } as Record<string, unknown>;
  if (node.kind === 'piece') out.contours = change(node.contours);
  else out.nodes = node.nodes.map((n) => mapContours(n, change));
  if (node.clip) out.clip = node.clip.map((c) => ({ ...c, contours: change(c.contours) }));
  if (node.mask) out.mask = { ...node.mask, nodes: node.mask.nodes.map((n) => mapContours(n, change)) };
  return out as unknown as ArtNode;
}

/** An artwork as JSON of few characters. */
export const compactArtwork = (artwork: Artwork): unknown => ({
  ...artwork,
  nodes: artwork.nodes.map((n) => mapContours(n, (contours) => contours.map((c) => packed(c as Contour)))),
});

/** The artwork that was made compact; one that never was stays as it is. */
export const expandedArtwork = (kept: unknown): Artwork => ({
  ...(kept as Artwork),
  nodes: (kept as Artwork).nodes.map((n) =>
    mapContours(n, (contours) => contours.map((c) => (Array.isArray(c) ? unpacked(c as unknown as Packed) : c))),
  ),
});
