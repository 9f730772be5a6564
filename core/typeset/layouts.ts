/** Layouts to start a lockup from, each made for the mark and the name that it is given; everything in them stays as live as what is arranged by hand. */
import { luminance } from '../colour';
import { inkBox } from '../lettering';
import { flatten, signedArea, tightBox, type Box } from '../path';
import {
  movedPart,
  type FaceChoice,
  type FramePart,
  type Lockup,
  type LockupPart,
  type MarkPart,
  type TextPart,
} from '../lockup';
import { drawnShapes, unionOf, type Artwork, type DrawnShape, type Ink } from '../vector';
import { shownOutlines } from './working';
import { reachOf } from './frames';
import { textSetting, type FamilyOf } from './text';

export interface LayoutsAsk {
  /** The artwork and the step of it that is shown. */
  readonly mark: { readonly workId: string; readonly stepId: string; readonly artwork: Artwork };
  readonly name: string;
  /** A second line, such as what the client does. */
  readonly line?: string;
  readonly face: FaceChoice;
  readonly familyOf: FamilyOf;
  /** The ink of the lettering; the mark's darkest when left out. */
  readonly inkId?: string;
}

export interface Layout {
  readonly id: string;
  /** What it is, in a few words. */
  readonly words: string;
  /** What a lockup in it is called among others. */
  readonly use: 'wide' | 'stacked' | 'emblem' | 'name' | 'monogram' | 'small';
}

/** A mark and its lettering in one of the layouts. */
export interface LaidOut extends Layout {
  readonly lockup: Lockup;
}

/** Parts that are placed together. */
interface Block {
  readonly parts: readonly LockupPart[];
  /** What it is placed by: lettering from its cap height to its baseline, the mark by its outlines. */
  readonly box: Box;
}

/** Capitals of a second line stand a little apart. */
const LINE_TRACKING = 0.14;
const LINE_TRACKING_MOST = 0.6;

/** A block with its lengths times a factor about 0, 0, and moved. */
const moved = ({ parts, box }: Block, by: number, dx: number, dy: number): Block => ({
  parts: parts.map((p) => movedPart(p, dx, dy, { by, x: 0, y: 0 })),
  box: { x: by * box.x + dx, y: by * box.y + dy, width: by * box.width, height: by * box.height },
});
const scaled = (block: Block, by: number): Block => moved(block, by, 0, 0);
const at = (block: Block, x: number, y: number): Block => moved(block, 1, x - block.box.x, y - block.box.y);

/** Everything that is placed, and the box of it. */
const together = (...blocks: readonly Block[]): Block => ({
  parts: blocks.flatMap((b) => b.parts),
  box: unionOf(blocks.map((b) => b.box))!,
});

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

/** Of what a mark covers, an ink has at least this share to be that of its lettering: an eye or an outline tells no colour. */
const SHARE_LEAST = 0.08;

/** The darkest ink of a mark but for those of small things. */
function letteringInk({ inks }: Artwork, shapes: readonly DrawnShape[]): Ink {
  const areas = new Map<string, number>();
  for (const { inkId, contours } of shapes)
    areas.set(
      inkId,
      (areas.get(inkId) ?? 0) + Math.abs(contours.reduce((sum, c) => sum + signedArea(flatten(c, 0.5)), 0)),
    );
  const whole = [...areas.values()].reduce((p, q) => p + q, 0);
  const large = inks.filter((i) => (areas.get(i.id) ?? 0) >= SHARE_LEAST * whole);
  return (large.length ? large : inks).reduce((p, q) => (luminance(q.hex) < luminance(p.hex) ? q : p));
}

/** What is made of an ask, once for all layouts. Capitals of its lettering are one unit high. */
class Parts {
  readonly inks: readonly Ink[];
  readonly inkId: string;
  readonly words: readonly string[];
  readonly mark: Block;
  /** Of the mark, from its middle to what is furthest from it. */
  private readonly reach: number;

  constructor(readonly ask: LayoutsAsk) {
    const { artwork, workId, stepId } = ask.mark;
    this.inks = artwork.inks.length ? artwork.inks : [{ id: 'lettering', hex: '#111111', name: 'lettering' }];
    this.inkId = ask.inkId ?? letteringInk({ ...artwork, inks: this.inks }, drawnShapes(artwork)).id;
    const contours = shownOutlines(artwork);
    const box = tightBox(contours) ?? { x: 0, y: 0, width: artwork.widthPx, height: artwork.heightPx };
    const part: MarkPart = { kind: 'mark', id: 'm1', workId, stepId, prefix: '', x: 0, y: 0, scale: 1 };
    this.mark = { parts: [part], box };
    this.reach = contours.length ? reachOf({ contours, box, arc: null, capHeightPx: 0 }).reach : Math.hypot(box.width, box.height) / 2; // prettier-ignore
    this.words = ask.name.trim().split(/\s+/);
  }

  /** A mark of a height, in units of the lettering. */
  markOf(height: number): Block {
    return scaled(this.mark, height / this.mark.box.height);
  }

  /** A mark that reaches so far from its middle, at 0, 0. */
  markWithin(reach: number): Block {
    const own = scaled(this.mark, reach / this.reach);
    return at(own, -own.box.width / 2, -own.box.height / 2);
  }

  part(text: string, set: Partial<TextPart> & Pick<TextPart, 'id' | 'role'>): TextPart {
    const { face } = this.ask;
    return { kind: 'text', text, face, x: 0, y: 0, sizePx: 1, tracking: 0, leading: 1.25, align: 'centre', kerning: 'face', letters: 'typed', inkId: this.inkId, ...set }; // prettier-ignore
  }

  /** A text as it is, placed from its first line's cap height to its last one's baseline. */
  block(part: TextPart, fitPx: number | null = null): Block & { capHeight: number } {
    const setting = textSetting(part, { kind: 'line' }, this.ask.familyOf, fitPx);
    if (!setting) return { parts: [part], box: { x: 0, y: -1, width: 1, height: 1 }, capHeight: 0.7 };
    const { lines, capHeightPx, glyphs } = setting;
    const ink = inkBox(glyphs) ?? { x: 0, y: -capHeightPx, width: 1, height: 1 };
    const last = lines[lines.length - 1].y;
    return { parts: [part], box: { x: ink.x, y: -capHeightPx, width: ink.width, height: capHeightPx + last }, capHeight: capHeightPx }; // prettier-ignore
  }

  /** Lines of text whose capitals are so high. */
  text(text: string, set: Partial<TextPart> & Pick<TextPart, 'id' | 'role'>, height = 1): Block {
    const own = this.block(this.part(text, set));
    return scaled(own, height / own.capHeight);
  }

  name(set: Partial<TextPart> = {}): Block {
    return this.text(this.ask.name, { id: 't1', role: 'name', ...set });
  }

  /** The second line, of capitals, so high, and as wide as the name where tracking can have that, or as a width. */
  line(height: number, width: number | null, isFitted = false): Block | null {
    const { line } = this.ask;
    if (!line?.trim()) return null;
    const set = { id: 't2', role: 'line' as const, letters: 'capitals' as const };
    const loose = this.text(line, { ...set, tracking: LINE_TRACKING }, height);
    if (width === null) return loose;
    const [tight, wide] = [0, LINE_TRACKING_MOST].map((tracking) => this.text(line, { ...set, tracking }, height).box.width); // prettier-ignore
    const fit = isFitted ? 't1' : width;
    const withFit = (by: 'tracking' | 'size'): Block => {
      const [part] = loose.parts as [TextPart];
      const sizePx = by === 'size' ? (part.sizePx * width) / loose.box.width : part.sizePx;
      return this.block({ ...part, sizePx, fit: { to: fit, by } }, width);
    };
    if (width >= tight && width <= wide) return withFit('tracking');
    // A line that is wider than the name is made smaller, one that is much narrower stands as it is.
    return loose.box.width > width ? withFit('size') : loose;
  }

  frame(set: Partial<FramePart> & Pick<FramePart, 'shape' | 'around'>): FramePart {
    return { kind: 'frame', id: 'f1', gapPx: 0, bandPx: 0, linePx: 0.12, lineInkId: this.inkId, fillInkId: null, ...set }; // prettier-ignore
  }

  /** Text on a ring whose band's middle has a radius, as high as is asked for, or less where it would take more of it. */
  onRing(
    text: string,
    id: string,
    role: 'name' | 'line',
    side: 'above' | 'below',
    height: number,
    radius: number,
    mostRad: number,
  ): { part: TextPart; height: number } {
    const part = this.part(text, { id, role, letters: 'capitals', tracking: 0.08, follows: { kind: 'frame', frameId: 'f1', side } }); // prettier-ignore
    const { follows: _ring, ...flat } = part;
    const own = this.block(flat);
    let by = height / own.capHeight;
    const most = mostRad * radius;
    if (by * own.box.width > most) by = most / own.box.width;
    return { part: { ...part, sizePx: by }, height: own.capHeight * by };
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

/** The mark in the middle of a ring with text on it, above alone or above and below. */
function emblem(parts: Parts, isLined: boolean): Block {
  const { name, line } = parts.ask;
  const hasLine = Boolean(line?.trim());
  const [reach, gap, band] = isLined ? [5, 0.8, 3.6] : [5.2, 0.5, 2.6];
  const middle = reach + gap + band / 2;
  const above = parts.onRing(name, 't1', 'name', 'above', 1.5, middle, hasLine ? 3.5 : 5);
  const below = hasLine ? parts.onRing(line!, 't2', 'line', 'below', Math.min(1.2, above.height), middle, 1.75) : null;
  const ring = parts.frame({
    shape: isLined ? 'double-ring' : 'ring',
    around: ['m1'],
    gapPx: gap,
    bandPx: band,
    linePx: isLined ? 0.22 : 0,
    ...(hasLine ? { divider: 'dot' as const } : {}),
  });
  const mark = parts.markWithin(reach);
  const outer = reach + gap + band;
  return {
    parts: [ring, ...mark.parts, above.part, ...(below ? [below.part] : [])],
    box: { x: -outer, y: -outer, width: 2 * outer, height: 2 * outer },
  };
}

/** A block with a frame round some of its parts, which reaches so far beyond its box. */
const framed = ({ parts, box }: Block, frame: FramePart, out: number): Block => ({
  parts: [frame, ...parts],
  box: { x: box.x - out, y: box.y - out, width: box.width + 2 * out, height: box.height + 2 * out },
});

const markHigh = (parts: Parts, share: number): number => Math.max(3.4, Math.min(6, share * parts.name().box.width));

const MAKERS: readonly Maker[] = [
  {
    id: 'beside',
    words: 'mark left, name right',
    use: 'wide',
    make: (p) => inRow([p.markOf(2.7), p.name({ align: 'left' })], 0.8),
  },
  {
    id: 'beside-line',
    words: 'mark left, name and line right',
    use: 'wide',
    make(p) {
      const name = p.name({ align: 'left' });
      const line = p.line(0.42, name.box.width, true);
      return line && inRow([p.markOf(2.9), stacked([name, aligned(line, 'left')], [0.5], 'left')], 0.85);
    },
  },
  {
    id: 'behind',
    words: 'name left, mark right',
    use: 'wide',
    make: (p) => inRow([p.name({ align: 'right' }), p.markOf(2.7)], 0.8),
  },
  {
    id: 'above',
    words: 'mark above, name below',
    use: 'stacked',
    make: (p) => stacked([p.markOf(markHigh(p, 0.55)), p.name()], [1]),
  },
  {
    id: 'above-line',
    words: 'mark above, name and line below',
    use: 'stacked',
    make(p) {
      const name = p.name();
      const line = p.line(0.42, name.box.width, true);
      return line && stacked([p.markOf(markHigh(p, 0.55)), name, line], [1, 0.55]);
    },
  },
  {
    id: 'above-rules',
    words: 'mark above, the line between rules',
    use: 'stacked',
    make(p) {
      const name = p.name();
      const line = p.line(0.42, 0.56 * name.box.width);
      if (!line) return null;
      const side = Math.max(0.3, (name.box.width - line.box.width) / 2 - 0.45);
      const rules = p.frame({ shape: 'rules', around: ['t2'], gapPx: 0.45, bandPx: side, linePx: 0.08 });
      return stacked([p.markOf(markHigh(p, 0.5)), name, { ...line, parts: [...line.parts, rules] }], [1, 0.6]);
    },
  },
  {
    id: 'stacked',
    words: 'mark above, name in two lines',
    use: 'stacked',
    make: (p) => p.words.length < 2 ? null : stacked([p.markOf(4.2), p.text(inLines(p.words, 2), { id: 't1', role: 'name' })], [0.95]), // prettier-ignore
  },
  {
    id: 'beside-stacked',
    words: 'mark left, name in two lines',
    use: 'wide',
    make(p) {
      if (p.words.length < 2) return null;
      const name = p.text(inLines(p.words, 2), { id: 't1', role: 'name', align: 'left' });
      return inRow([p.markOf(name.box.height * 1.25), name], 0.9);
    },
  },
  {
    id: 'three-lines',
    words: 'name in three lines beside the mark',
    use: 'wide',
    make(p) {
      if (p.words.length < 3) return null;
      const name = p.text(inLines(p.words, 3), { id: 't1', role: 'name', align: 'left' });
      return inRow([p.markOf(name.box.height * 1.05), name], 0.95);
    },
  },
  { id: 'emblem', words: 'mark in a ring, name above, line below', use: 'emblem', make: (p) => emblem(p, true) },
  { id: 'round', words: 'name on a circle about the mark', use: 'emblem', make: (p) => emblem(p, false) },
  {
    id: 'between',
    words: 'mark between the words',
    use: 'wide',
    make(p) {
      if (p.words.length < 2) return null;
      const [first, ...rest] = inLines(p.words, 2).split('\n');
      return inRow([p.text(first, { id: 't1', role: 'name', align: 'right' }), p.markOf(2.6), p.text(rest.join(' '), { id: 't3', role: 'name', align: 'left' })], 0.75); // prettier-ignore
    },
  },
  {
    id: 'shield',
    words: 'mark in a shield, name below',
    use: 'emblem',
    make(p) {
      const mark = p.markOf(3.6);
      const shield = framed(mark, p.frame({ shape: 'shield', around: ['m1'], gapPx: 0.7, linePx: 0.16 }), 0.86);
      const { box } = shield;
      // A shield reaches further down than up.
      const tall = { ...shield, box: { ...box, height: box.height * 1.42 } };
      return stacked([tall, p.name()], [0.8]);
    },
  },
  {
    id: 'ribbon',
    words: 'mark above, name on a ribbon',
    use: 'stacked',
    make(p) {
      const name = p.name();
      const light = [...p.inks].sort((a, b) => luminance(b.hex) - luminance(a.hex))[0];
      if (light.id === p.inkId) return null;
      const [part] = name.parts as [TextPart];
      const ribbon = p.frame({ shape: 'ribbon', around: ['t1'], gapPx: 0.55, fillInkId: p.inkId, lineInkId: light.id });
      const cloth: Block = { parts: [ribbon, { ...part, inkId: light.id }], box: { x: name.box.x - 2, y: name.box.y - 0.55, width: name.box.width + 4, height: name.box.height + 1.1 } }; // prettier-ignore
      return stacked([p.markOf(markHigh(p, 0.5)), cloth], [0.6]);
    },
  },
  { id: 'name', words: 'name alone', use: 'name', make: (p) => p.name() },
  {
    id: 'name-line',
    words: 'name and line, without the mark',
    use: 'name',
    make(p) {
      const name = p.name();
      const line = p.line(0.42, name.box.width, true);
      return line && stacked([name, line], [0.5]);
    },
  },
  {
    id: 'monogram',
    words: 'mark and initials',
    use: 'monogram',
    make: (p) => inRow([p.markOf(1.9), p.text(initials(p.words), { id: 't1', role: 'other', align: 'left' })], 0.5),
  },
  {
    id: 'small',
    words: 'small use: large letters close to the mark, no line',
    use: 'small',
    make: (p) => inRow([p.markOf(1.6), p.name({ tracking: 0.03, align: 'left' })], 0.45),
  },
];

/** A block of one text that is placed by its middle, placed by its left or right. */
function aligned(block: Block, align: 'left' | 'right'): Block {
  const [part] = block.parts as [TextPart];
  const x = align === 'left' ? block.box.x : block.box.x + block.box.width;
  return { ...block, parts: [{ ...part, align, x }] };
}

export const LAYOUTS: readonly Layout[] = MAKERS.map(({ id, words, use }) => ({ id, words, use }));

/** Clear space about a lockup, in the lettering's cap height. */
const CLEAR = 1;
/** Pixels that a capital is high. */
const CAP_PX = 100;

/** A mark and its lettering in all layouts that can be made of them, or in some by id. */
export function layoutsOf(ask: LayoutsAsk, only?: readonly string[]): LaidOut[] {
  const parts = new Parts(ask);
  return MAKERS.filter((m) => !only || only.includes(m.id)).flatMap((maker): LaidOut[] => {
    const block = maker.make(parts);
    if (!block) return [];
    const placed = moved(block, CAP_PX, -CAP_PX * block.box.x, -CAP_PX * block.box.y);
    const { artwork } = ask.mark;
    const lockup: Lockup = {
      parts: [...placed.parts],
      inks: [...parts.inks] as Lockup['inks'],
      ...(artwork.colourways ? { colourways: artwork.colourways as Lockup['colourways'] } : {}),
      ...(artwork.masterName ? { masterName: artwork.masterName } : {}),
      clear: CLEAR,
      layout: maker.words,
    };
    return [{ id: maker.id, words: maker.words, use: maker.use, lockup }];
  });
}
