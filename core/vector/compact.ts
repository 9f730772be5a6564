/** Artworks in few characters: what is kept of whole states, since outlines as plain records take twice the room and three times as long to read. */
import type { Contour, Point, Segment } from '../path';
import type { ArtNode, Artwork } from './artwork';

/**
 * A contour as a word and numbers: a letter for each segment, L, C, or one of E to H for an arc (its two flags), with "o" before an open one; then all
 * coordinates, an arc's radius before its end, with spaces between. As one text they are read in half the time that a list takes; lists were written before.
 */
type Packed = readonly [string, string | readonly number[]];

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
  return [word, numbers.join(' ')];
}

/** Ten to the power of whole numbers, as far as doubles have them exactly. */
const TENS = Float64Array.from({ length: 23 }, (_, k) => Number(`1e${k}`));

/** A text that numbers are read out of, one after the other. */
class Numbers {
  private at = 0;
  constructor(private readonly text: string) {}

  /**
   * The next number. One of up to 15 digits is a whole number over a power of ten, both of which doubles have exactly, so that their quotient is the nearest
   * double, as it was when the number was written (Clinger 1990).
   */
  next(): number {
    const { text } = this;
    let { at } = this;
    const from = at;
    const isNegative = text.charCodeAt(at) === 45;
    if (isNegative) at++;
    let whole = 0;
    let dot = -1;
    let c = text.charCodeAt(at);
    for (; ; c = text.charCodeAt(++at)) {
      if (c >= 48 && c <= 57) whole = whole * 10 + (c - 48);
      else if (c === 46) dot = at;
      else break;
    }
    if (c === 101 || at - from > 16) {
      const end = text.indexOf(' ', at);
      this.at = (end < 0 ? text.length : end) + 1;
      return Number(text.slice(from, this.at));
    }
    this.at = at + 1;
    const size = dot < 0 ? whole : whole / TENS[at - dot - 1];
    return isNegative ? -size : size;
  }

  point(): Point {
    const x = this.next();
    return [x, this.next()];
  }
}

function unpacked([word, kept]: Packed): Contour {
  const numbers = new Numbers(typeof kept === 'string' ? kept : kept.join(' '));
  const start = numbers.point();
  const open = word.charCodeAt(0) === 111;
  const segments: Segment[] = [];
  for (let k = open ? 1 : 0; k < word.length; k++) {
    const letter = word[k];
    if (letter === 'C') {
      const c1 = numbers.point();
      const c2 = numbers.point();
      segments.push({ kind: 'curve', c1, c2, to: numbers.point() });
    } else if (letter === 'L') segments.push({ kind: 'line', to: numbers.point() });
    else {
      const flags = ARCS.indexOf(letter as (typeof ARCS)[number]);
      const radius = numbers.next();
      segments.push({ kind: 'arc', radius, large: flags > 1, clockwise: flags % 2 === 1, to: numbers.point() });
    }
  }
  return open ? { start, segments, open } : { start, segments };
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
