/** Text set: lines of glyphs with their places, in px, the first baseline at 0 and the text's left edge at 0. */
import { mapContour, tightBox, type Affine, type Box, type Contour } from '../path';
import type { Face } from './face';
import { JOINED, type Family } from './family';
import { opticalKern } from './optical';

export type Kerning = 'face' | 'optical' | 'none';
export type Align = 'left' | 'centre' | 'right';

export interface SetOptions {
  /** The size of the type, in px. */
  readonly sizePx: number;
  /** Added between letters, in em; not where letters join. */
  readonly tracking?: number;
  readonly kerning?: Kerning;
  /** From one baseline to the next, as a multiple of the size. */
  readonly leading?: number;
  readonly align?: Align;
  readonly language?: string;
  /** OpenType features by tag. */
  readonly features?: Readonly<Record<string, number>>;
  /** By hand, in em, what comes after the letter at a place of the text is moved by. */
  readonly byHand?: Readonly<Record<number, number>>;
}

/** One glyph where it stands. */
export interface PlacedGlyph {
  /** What of the text it shows; empty for a second glyph of the same letter. */
  readonly text: string;
  /** Where that begins in the text. */
  readonly at: number;
  readonly face: Face;
  readonly id: number;
  /** Its origin, in px, and how far it is turned about it, clockwise. */
  readonly x: number;
  readonly y: number;
  readonly turnDeg: number;
  /** To the next one's origin, in px, all that is added to it too. */
  readonly advance: number;
  /** Where its outline lies from its origin, in px, before it is turned. */
  readonly dx: number;
  readonly dy: number;
  readonly sizePx: number;
}

export interface SetLine {
  readonly glyphs: readonly PlacedGlyph[];
  /** The sum of advances, without the tracking after the last letter. */
  readonly widthPx: number;
  readonly y: number;
}

export interface SetText {
  readonly lines: readonly SetLine[];
  readonly capHeightPx: number;
  readonly xHeightPx: number;
}

/** Letters that optical kerning looks at: others, spaces and signs keep what the face says. */
const LETTER = /^[\p{L}\p{N}]/u;

/** The features by which a line is shaped: letters that are parted are no ligatures. */
const featuresFor = ({ features = {}, tracking = 0, kerning = 'face' }: SetOptions): Record<string, number> => ({
  ...(tracking !== 0 ? { liga: 0, clig: 0 } : {}),
  ...features,
  ...(kerning === 'none' ? { kern: 0 } : {}),
});

/** The text that each glyph shows: from its cluster to the next one. */
function textsOf(text: string, clusters: readonly number[]): string[] {
  const sorted = [...new Set(clusters)].sort((p, q) => p - q);
  const seen = new Set<number>();
  return clusters.map((c) => {
    if (seen.has(c)) return '';
    seen.add(c);
    const next = sorted[sorted.indexOf(c) + 1] ?? text.length;
    return text.slice(c, next);
  });
}

/** One line of text at the origin. `from` is where it begins in the whole. */
function setLine(text: string, from: number, family: Family, options: SetOptions): SetLine {
  const { sizePx, tracking = 0, kerning = 'face', byHand = {}, language } = options;
  const glyphs: PlacedGlyph[] = [];
  let pen = 0;
  let last = 0;
  for (const { from: a, to: b, face, script, isRightToLeft } of family.runs(text)) {
    const own = text.slice(a, b);
    const features = featuresFor(options);
    const shaping = { isRightToLeft, script, language };
    const shaped = face.shape(own, { ...shaping, features });
    const plain = kerning === 'optical' ? face.shape(own, { ...shaping, features: { ...features, kern: 0 } }) : null;
    const texts = textsOf(own, shaped.map((g) => g.cluster)); // prettier-ignore
    // Only where both ways give the same glyphs is it known what kerning moved.
    const isSame = plain?.length === shaped.length && shaped.every((g, k) => g.id === plain[k].id);
    shaped.forEach((g, k) => {
      const next = shaped[k + 1];
      let advance = g.advance;
      if (plain && isSame && next && LETTER.test(texts[k]) && LETTER.test(texts[k + 1]) && !JOINED.has(script)) {
        const kern = g.advance + next.dx - plain[k].advance - plain[k + 1].dx;
        const pair = { first: { id: g.id, advance: plain[k].advance }, second: { id: next.id, advance: plain[k + 1].advance }, kern }; // prettier-ignore
        advance = plain[k].advance + opticalKern(face, pair, [texts[k], texts[k + 1]]);
      }
      const isEnd = next === undefined || next.cluster !== g.cluster;
      // Marks go with their letters.
      const isParted = isEnd && !(JOINED.has(script) && next !== undefined) && g.advance > 0;
      const added = (isParted ? tracking : 0) + (isEnd ? (byHand[from + a + g.cluster] ?? 0) : 0);
      glyphs.push({
        text: texts[k],
        at: from + a + g.cluster,
        face,
        id: g.id,
        x: pen,
        y: 0,
        turnDeg: 0,
        advance: (advance + added) * sizePx,
        dx: g.dx * sizePx,
        dy: g.dy * sizePx,
        sizePx,
      });
      pen += (advance + added) * sizePx;
      last = isParted ? tracking * sizePx : 0;
    });
  }
  return { glyphs, widthPx: Math.max(0, pen - last), y: 0 };
}

/** Text of several lines, set. */
export function setText(text: string, family: Family, options: SetOptions): SetText {
  const { sizePx, leading = 1.2, align = 'left' } = options;
  let from = 0;
  const lines = text.split('\n').map((line) => {
    const own = setLine(line, from, family, options);
    from += line.length + 1;
    return own;
  });
  const widest = Math.max(0, ...lines.map((l) => l.widthPx));
  const share = { left: 0, centre: 0.5, right: 1 }[align];
  return {
    lines: lines.map((line, k) => {
      const [dx, y] = [share * (widest - line.widthPx), k * leading * sizePx];
      return { ...line, y, glyphs: line.glyphs.map((g) => ({ ...g, x: g.x + dx, y })) };
    }),
    capHeightPx: family.main.capHeight * sizePx,
    xHeightPx: family.main.xHeight * sizePx,
  };
}

/** From a glyph's outlines in em to where it stands. */
export function glyphMap({ x, y, turnDeg, dx, dy, sizePx }: PlacedGlyph): Affine {
  const rad = (turnDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(rad), Math.sin(rad)];
  return [c * sizePx, s * sizePx, -s * sizePx, c * sizePx, x + c * dx - s * dy, y + s * dx + c * dy];
}

export const glyphContours = (glyph: PlacedGlyph): Contour[] => {
  const map = glyphMap(glyph);
  return glyph.face.outline(glyph.id).map((c) => mapContour(map, c));
};

/** The box of what is printed of glyphs; null where nothing is. */
export const inkBox = (glyphs: readonly PlacedGlyph[]): Box | null => tightBox(glyphs.flatMap(glyphContours));
