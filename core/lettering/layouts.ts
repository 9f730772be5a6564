/** Mark and lettering arranged: layouts to start from, each made for the mark and the name that it is given. */
import { luminance } from '../colour';
import {
  circleOfArcs,
  compose,
  IDENTITY,
  reverseContour,
  tightBox,
  type Affine,
  type Box,
  type Contour,
} from '../path';
import { drawnShapes, type Artwork, type ArtNode, type Ink } from '../vector';
import { onArc } from './arc';
import type { Family } from './family';
import { fittedTo, FitError } from './fit';
import { glyphContours, inkBox, setText, type PlacedGlyph, type SetOptions } from './set';

export interface LockupAsk {
  readonly mark: Artwork;
  readonly name: string;
  /** A second line, such as what the client does. */
  readonly line?: string;
  readonly family: Family;
  /** The ink of the lettering; the mark's darkest when left out. */
  readonly hex?: string;
}

export interface Layout {
  readonly id: string;
  /** What it is, in a few words. */
  readonly words: string;
}

/** A mark and its lettering in one of the layouts. */
export interface Lockup extends Layout {
  readonly artwork: Artwork;
}

/** What is placed: the mark, lettering, rules and rings, each with the map by which it is. */
interface Block {
  readonly nodes: readonly { readonly node: ArtNode; readonly map: Affine }[];
  /** What it is placed by: lettering from its cap height to its baseline, the mark by its outlines. */
  readonly box: Box;
}

/** A block of one node that lies where it is. */
const blockOf = (box: Box, ...nodes: readonly ArtNode[]): Block => ({
  nodes: nodes.map((node) => ({ node, map: IDENTITY })),
  box,
});

/** The size at which lettering is set before it is placed: all lengths go with it. */
const SET_PX = 100;
const INK = 'lettering';
/** Capitals of a second line stand a little apart. */
const LINE_TRACKING = 0.14;
const LINE_TRACKING_MOST = 0.6;

const moved = ({ nodes, box }: Block, map: Affine): Block => ({
  nodes: nodes.map((n) => ({ ...n, map: compose(n.map, map) })),
  box: {
    x: map[0] * box.x + map[4],
    y: map[3] * box.y + map[5],
    width: map[0] * box.width,
    height: map[3] * box.height,
  },
});
const scaled = (block: Block, by: number): Block => moved(block, [by, 0, 0, by, 0, 0]);
const at = (block: Block, x: number, y: number): Block => moved(block, [1, 0, 0, 1, x - block.box.x, y - block.box.y]);

/** Everything that is placed, and the box of it. */
function together(...blocks: readonly Block[]): Block {
  const [x, y] = [Math.min(...blocks.map((b) => b.box.x)), Math.min(...blocks.map((b) => b.box.y))];
  return {
    nodes: blocks.flatMap((b) => b.nodes),
    box: {
      x,
      y,
      width: Math.max(...blocks.map((b) => b.box.x + b.box.width)) - x,
      height: Math.max(...blocks.map((b) => b.box.y + b.box.height)) - y,
    },
  };
}

/** Blocks under one another, with gaps between them, centred on one another or by their left sides. */
function stacked(blocks: readonly Block[], gaps: readonly number[], align: 'centre' | 'left' = 'centre'): Block {
  const widest = Math.max(...blocks.map((b) => b.box.width));
  let y = 0;
  return together(
    ...blocks.map((b, k) => {
      const placed = at(b, align === 'left' ? 0 : (widest - b.box.width) / 2, y);
      y += b.box.height + (gaps[k] ?? 0);
      return placed;
    }),
  );
}

/** Blocks beside one another, with gaps between them, each by its middle. */
function inRow(blocks: readonly Block[], gap: number): Block {
  const highest = Math.max(...blocks.map((b) => b.box.height));
  let x = 0;
  return together(
    ...blocks.map((b) => {
      const placed = at(b, x, (highest - b.box.height) / 2);
      x += b.box.width + gap;
      return placed;
    }),
  );
}

/** What is made of an ask, once for all layouts. */
class Parts {
  readonly ink: Ink;
  readonly mark: Block;
  readonly words: readonly string[];
  private count = 0;

  constructor(readonly ask: LockupAsk) {
    const { mark } = ask;
    const darkest = mark.inks.length
      ? mark.inks.reduce((p, q) => (luminance(q.hex) < luminance(p.hex) ? q : p)).hex
      : '#111111';
    this.ink = { id: INK, hex: ask.hex ?? darkest, name: 'lettering' };
    const box = tightBox(drawnShapes(mark).flatMap((s) => s.contours)) ?? { x: 0, y: 0, width: mark.widthPx, height: mark.heightPx }; // prettier-ignore
    this.mark = blockOf(box, { kind: 'group', id: 'mark', name: 'Mark', nodes: mark.nodes });
    this.words = ask.name.trim().split(/\s+/);
  }

  /** A mark of a height, in units of the lettering. */
  markOf(height: number): Block {
    return scaled(this.mark, height / this.mark.box.height);
  }

  pieces(contours: readonly Contour[], name: string): ArtNode {
    return {
      kind: 'piece',
      id: `${name.toLowerCase().replace(/\W+/g, '-')}-${++this.count}`,
      name,
      inkId: INK,
      contours,
    };
  }

  letters(glyphs: readonly PlacedGlyph[], name: string): ArtNode {
    const nodes = glyphs.flatMap((g): ArtNode[] => {
      const contours = glyphContours(g);
      return contours.length ? [this.pieces(contours, g.text.trim() || 'letter')] : [];
    });
    return { kind: 'group', id: `${name.toLowerCase()}-${++this.count}`, name, nodes };
  }

  /** Lines of text set so that capitals are one unit high; placed from the first one's cap height to the last one's baseline. */
  text(text: string, name: string, options: Partial<SetOptions> = {}): Block {
    const { family } = this.ask;
    const set = setText(family.plain(text), family, { sizePx: SET_PX, align: 'centre', leading: 1.25, ...options });
    const glyphs = set.lines.flatMap((l) => l.glyphs);
    const ink = inkBox(glyphs) ?? { x: 0, y: 0, width: 1, height: 1 };
    const last = set.lines[set.lines.length - 1].y;
    const box = { x: ink.x, y: -set.capHeightPx, width: ink.width, height: set.capHeightPx + last };
    return scaled(blockOf(box, this.letters(glyphs, name)), 1 / set.capHeightPx);
  }

  name(options: Partial<SetOptions> = {}): Block {
    return this.text(this.ask.name, 'Name', options);
  }

  /** The second line, of capitals, so high, and as wide as is asked for where tracking can have that. */
  line(height: number, width: number | null): Block | null {
    const { line, family } = this.ask;
    if (!line?.trim()) return null;
    const text = family.plain(line.toUpperCase());
    const sizePx = (height * 1) / family.main.capHeight;
    let tracking = LINE_TRACKING;
    if (width !== null)
      try {
        tracking = fittedTo(width, text, family, { sizePx }, 'tracking').tracking ?? LINE_TRACKING;
      } catch (error) {
        if (!(error instanceof FitError)) throw error;
      }
    const isWide = tracking > LINE_TRACKING_MOST || tracking < 0;
    const block = this.text(text, 'Line', { tracking: isWide ? LINE_TRACKING : tracking });
    const own = scaled(block, height);
    // A line that is wider than the name is made smaller.
    return width !== null && own.box.width > width * 1.0001 ? scaled(own, width / own.box.width) : own;
  }

  /** A rule so wide. */
  rule(width: number, height: number): Block {
    const contour: Contour = {
      start: [0, 0],
      segments: ([[width, 0], [width, height], [0, height], [0, 0]] as const).map((to) => ({ kind: 'line', to })),
    }; // prettier-ignore
    return blockOf({ x: 0, y: 0, width, height }, this.pieces([contour], 'Rule'));
  }

  /** A band between two circles about 0, 0. */
  ring(outer: number, inner: number): ArtNode {
    return this.pieces([circleOfArcs(0, 0, outer), reverseContour(circleOfArcs(0, 0, inner))], 'Ring');
  }

  /** Text on a circle about 0, 0 as high as is asked for, or less where it would take more of it. */
  arc(
    text: string,
    name: string,
    radius: number,
    side: 'above' | 'below',
    height: number,
    mostRad: number,
  ): { node: ArtNode; halfRad: number; height: number } {
    const { family } = this.ask;
    const own = family.plain(text);
    const tracking = 0.08;
    const widthAt = (sizePx: number): number => setText(own, family, { sizePx, tracking }).lines[0].widthPx;
    let sizePx = height / family.main.capHeight;
    const most = mostRad * radius;
    const wide = widthAt(sizePx);
    if (wide > most) sizePx *= most / wide;
    const set = setText(own, family, { sizePx, tracking });
    const capHeight = set.capHeightPx;
    // Both sides take the middle of the band.
    const baseline = side === 'above' ? radius - capHeight / 2 : radius + capHeight / 2;
    const glyphs = onArc(set.lines[0], set, { radiusPx: baseline, side, evenAt: 'middle' });
    return { node: this.letters(glyphs, name), halfRad: set.lines[0].widthPx / baseline / 2, height: capHeight };
  }
}

interface Maker extends Layout {
  /** Null where the mark, the name or the line are not such that it could be. */
  readonly make: (parts: Parts) => Block | null;
}

/** Words in lines of about the same length. */
function inLines(words: readonly string[], count: number): string {
  const whole = words.join(' ').length;
  const lines: string[] = [];
  let own: string[] = [];
  words.forEach((w, k) => {
    own.push(w);
    const left = words.length - k - 1;
    const isFull = own.join(' ').length >= whole / count - w.length / 2;
    if ((isFull || left < count - lines.length) && lines.length < count - 1) {
      lines.push(own.join(' '));
      own = [];
    }
  });
  if (own.length) lines.push(own.join(' '));
  return lines.join('\n');
}

const initials = (words: readonly string[]): string => words.slice(0, 3).map((w) => [...w][0].toUpperCase()).join(''); // prettier-ignore

/** The mark in the middle of a ring with text on it. */
function emblem(parts: Parts, rings: boolean): Block | null {
  const { name, line } = parts.ask;
  const R = 10;
  const middle = 7.9;
  const above = parts.arc(name.toUpperCase(), 'Name', middle, 'above', 1.5, line?.trim() ? 3.7 : 5);
  const below = line?.trim()
    ? parts.arc(line.toUpperCase(), 'Line', middle, 'below', Math.min(1.2, above.height), 1.9)
    : null;
  const nodes: ArtNode[] = [above.node, ...(below ? [below.node] : [])];
  if (rings) nodes.push(parts.ring(R, R - 0.3), parts.ring(5.95, 5.8));
  // A dot half-way between the two texts on either side.
  if (below) {
    const half = (above.halfRad + (Math.PI - below.halfRad)) / 2;
    for (const s of [-1, 1])
      nodes.push(parts.pieces([circleOfArcs(s * middle * Math.sin(half), -middle * Math.cos(half), 0.3)], 'Dot'));
  }
  const room = rings ? 5.1 : 5.6;
  const { width, height } = parts.mark.box;
  const mark = scaled(parts.mark, (2 * room) / Math.hypot(width, height));
  const placed = at(mark, -mark.box.width / 2, -mark.box.height / 2);
  const reach = rings ? R : middle + above.height;
  return together(blockOf({ x: -reach, y: -reach, width: 2 * reach, height: 2 * reach }, ...nodes), placed);
}

const MAKERS: readonly Maker[] = [
  {
    id: 'beside',
    words: 'mark left, name right',
    make: (p) => inRow([p.markOf(2.7), p.name()], 0.8),
  },
  {
    id: 'beside-line',
    words: 'mark left, name and line right',
    make(p) {
      const name = p.name();
      const line = p.line(0.42, name.box.width);
      return line && inRow([p.markOf(2.9), stacked([name, line], [0.5], 'left')], 0.85);
    },
  },
  {
    id: 'behind',
    words: 'name left, mark right',
    make: (p) => inRow([p.name(), p.markOf(2.7)], 0.8),
  },
  {
    id: 'above',
    words: 'mark above, name below',
    make: (p) => stacked([p.markOf(Math.max(3.4, Math.min(6, 0.55 * p.name().box.width))), p.name()], [1]),
  },
  {
    id: 'above-line',
    words: 'mark above, name and line below',
    make(p) {
      const name = p.name();
      const line = p.line(0.42, name.box.width);
      return line && stacked([p.markOf(Math.max(3.4, Math.min(6, 0.55 * name.box.width))), name, line], [1, 0.55]);
    },
  },
  {
    id: 'above-rules',
    words: 'mark above, the line between rules',
    make(p) {
      const name = p.name();
      const line = p.line(0.42, 0.56 * name.box.width);
      if (!line) return null;
      const side = Math.max(0.3, (name.box.width - line.box.width) / 2 - 0.45);
      const ruled = inRow([p.rule(side, 0.08), line, p.rule(side, 0.08)], 0.45);
      return stacked([p.markOf(Math.max(3.4, Math.min(6, 0.5 * name.box.width))), name, ruled], [1, 0.6]);
    },
  },
  {
    id: 'stacked',
    words: 'mark above, name in two lines',
    make: (p) => p.words.length < 2 ? null : stacked([p.markOf(4.2), p.text(inLines(p.words, 2), 'Name')], [0.95]), // prettier-ignore
  },
  {
    id: 'beside-stacked',
    words: 'mark left, name in two lines',
    make(p) {
      if (p.words.length < 2) return null;
      const name = p.text(inLines(p.words, 2), 'Name', { align: 'left' });
      return inRow([p.markOf(name.box.height * 1.25), name], 0.9);
    },
  },
  {
    id: 'three-lines',
    words: 'name in three lines beside the mark',
    make(p) {
      if (p.words.length < 3) return null;
      const name = p.text(inLines(p.words, 3), 'Name', { align: 'left' });
      return inRow([p.markOf(name.box.height * 1.05), name], 0.95);
    },
  },
  { id: 'emblem', words: 'mark in a ring, name above, line below', make: (p) => emblem(p, true) },
  { id: 'round', words: 'name on a circle about the mark', make: (p) => emblem(p, false) },
  {
    id: 'between',
    words: 'mark between the words',
    make(p) {
      if (p.words.length < 2) return null;
      const [first, ...rest] = inLines(p.words, 2).split('\n');
      return inRow([p.text(first, 'Name'), p.markOf(2.6), p.text(rest.join(' '), 'Name')], 0.75);
    },
  },
  { id: 'name', words: 'name alone', make: (p) => p.name() },
  {
    id: 'name-line',
    words: 'name and line, without the mark',
    make(p) {
      const name = p.name();
      const line = p.line(0.42, name.box.width);
      return line && stacked([name, line], [0.5]);
    },
  },
  {
    id: 'monogram',
    words: 'mark and initials',
    make: (p) => inRow([p.markOf(1.9), p.text(initials(p.words), 'Initials')], 0.5),
  },
  {
    id: 'small',
    words: 'small use: large letters close to the mark, no line',
    make: (p) => inRow([p.markOf(1.6), p.name({ tracking: 0.03 })], 0.45),
  },
];

export const LAYOUTS: readonly Layout[] = MAKERS.map(({ id, words }) => ({ id, words }));

/** Clear space about a lockup, in the lettering's cap height. */
const CLEAR = 1;
/** Pixels that a capital is high. */
const CAP_PX = 100;

/** A mark and its lettering in all layouts that can be made of them, or in some by id. */
export function lockupsOf(ask: LockupAsk, only?: readonly string[]): Lockup[] {
  const parts = new Parts(ask);
  return MAKERS.filter((m) => !only || only.includes(m.id)).flatMap((maker): Lockup[] => {
    const block = maker.make(parts);
    if (!block) return [];
    const placed = moved(block, [CAP_PX, 0, 0, CAP_PX, CAP_PX * (CLEAR - block.box.x), CAP_PX * (CLEAR - block.box.y)]);
    const { mark } = ask;
    const artwork: Artwork = {
      widthPx: CAP_PX * (block.box.width + 2 * CLEAR),
      heightPx: CAP_PX * (block.box.height + 2 * CLEAR),
      inks: [...mark.inks, parts.ink],
      nodes: placed.nodes.map(({ node, map }): ArtNode => ({ ...node, transform: map })),
      guides: [],
    };
    return [{ id: maker.id, words: maker.words, artwork }];
  });
}
