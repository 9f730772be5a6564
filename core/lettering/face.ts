/** One face, opened: what it can set, how it shapes, and the outlines of its glyphs. */
import { Blob, Buffer, Direction, Face as HbFace, Feature, Font, MetricsTag, shape, Variation } from 'harfbuzzjs';
import type { Contour, Point, Segment } from '../path';

/** An axis of a variable face. */
export interface FaceAxis {
  readonly tag: string;
  readonly min: number;
  readonly default: number;
  readonly max: number;
}

/** What embedding a face's file says of itself (OpenType OS/2, fsType). */
export type Embedding = 'free' | 'editable' | 'view' | 'restricted';

/** A glyph as it was shaped, in units of the em: 1 is the size of the type. */
export interface ShapedGlyph {
  readonly id: number;
  /** Where its text begins in what was shaped. */
  readonly cluster: number;
  readonly advance: number;
  readonly dx: number;
  /** Downwards. */
  readonly dy: number;
}

export interface ShapeOptions {
  readonly isRightToLeft?: boolean;
  /** ISO 15924, as in "Latn". */
  readonly script?: string;
  /** BCP 47, as in "de". */
  readonly language?: string;
  /** OpenType features by tag: 0 off, 1 on, or which alternate. */
  readonly features?: Readonly<Record<string, number>>;
}

/** The letters by which heights are measured. */
const HEIGHT_OF = { cap: 'H', x: 'x' } as const;

/** A face at one place of its axes. */
export class Face {
  readonly axes: readonly FaceAxis[];
  /** In em. */
  readonly capHeight: number;
  readonly xHeight: number;
  readonly ascent: number;
  /** Below the baseline, above 0. */
  readonly descent: number;
  private readonly face: HbFace;
  private readonly font: Font;
  private readonly unit: number;
  private readonly outlines = new Map<number, readonly Contour[]>();

  /** Takes an SFNT as `openFontFile` gives it, and where on its axes it stands; those that are not named stand at their defaults. */
  constructor(sfnt: Uint8Array | HbFace, at: Readonly<Record<string, number>> = {}) {
    this.face = sfnt instanceof HbFace ? sfnt : new HbFace(new Blob(sfnt));
    this.font = new Font(this.face);
    this.unit = 1 / this.face.upem;
    this.axes = Object.values(this.face.getAxisInfos()).map(({ tag, min, default: own, max }) => ({ tag, min, default: own, max })); // prettier-ignore
    const places = this.axes.flatMap(({ tag, min, max }) =>
      at[tag] === undefined ? [] : [new Variation(tag, Math.max(min, Math.min(max, at[tag])))],
    );
    if (places.length) this.font.setVariations(places);
    const { ascender, descender } = this.font.hExtents();
    [this.ascent, this.descent] = [ascender * this.unit, -descender * this.unit];
    const said = (tag: MetricsTag): number => (this.font.getMetricPosition(tag) ?? 0) * this.unit;
    // As drawn: files say it wrongly now and then.
    this.capHeight = this.heightOf(HEIGHT_OF.cap) || said(MetricsTag.CAP_HEIGHT) || 0.7;
    this.xHeight = this.heightOf(HEIGHT_OF.x) || said(MetricsTag.X_HEIGHT) || 0.5;
  }

  /** The same face at another place of its axes. */
  withAxes(at: Readonly<Record<string, number>>): Face {
    return new Face(this.face, at);
  }

  private heightOf(character: string): number {
    const glyph = this.font.nominalGlyph(character.codePointAt(0)!);
    const extents = glyph === undefined ? undefined : this.font.glyphExtents(glyph);
    return extents ? extents.yBearing * this.unit : 0;
  }

  /** Whether it has a character; those that are not seen it need not have. */
  has(codePoint: number): boolean {
    return this.font.nominalGlyph(codePoint) !== undefined;
  }

  /** Features of its glyphs and their places, by tag. */
  get features(): string[] {
    return [...new Set([...this.face.getTableFeatureTags('GSUB'), ...this.face.getTableFeatureTags('GPOS')])].sort();
  }

  /** What its file says by a number of the name table, as 13 for its licence; empty where it says nothing. */
  said(nameId: number): string {
    const entry = this.face.listNames().find((n) => n.nameId === nameId);
    return entry ? this.face.getName(nameId, entry.language).trim() : '';
  }

  /** What its file lets one do with it. */
  get embedding(): Embedding {
    const os2 = this.face.referenceTable('OS/2');
    const bits = os2 && os2.length > 9 ? ((os2[8] << 8) | os2[9]) & 0xf : 0;
    if (bits & 8) return 'editable';
    if (bits & 4) return 'view';
    return bits & 2 ? 'restricted' : 'free';
  }

  /** Shapes text of one script and direction. Clusters are places in it; of text from right to left the glyphs come from left to right. */
  shape(text: string, { isRightToLeft = false, script, language, features = {} }: ShapeOptions = {}): ShapedGlyph[] {
    const buffer = new Buffer();
    buffer.addText(text);
    buffer.setDirection(isRightToLeft ? Direction.RTL : Direction.LTR);
    if (script) buffer.setScript(script);
    if (language) buffer.setLanguage(language);
    buffer.guessSegmentProperties();
    shape(
      this.font,
      buffer,
      Object.entries(features).map(([tag, value]) => new Feature(tag, value)),
    );
    return buffer.getGlyphInfosAndPositions().map((g) => ({
      id: g.codepoint,
      cluster: g.cluster,
      advance: (g.xAdvance ?? 0) * this.unit,
      dx: (g.xOffset ?? 0) * this.unit,
      dy: -(g.yOffset ?? 0) * this.unit,
    }));
  }

  /** The outlines of a glyph in em, its origin at 0, downwards, by the non-zero rule. Made once. */
  outline(glyph: number): readonly Contour[] {
    let own = this.outlines.get(glyph);
    if (!own) this.outlines.set(glyph, (own = contoursOf(this.font.glyphToJson(glyph), this.unit)));
    return own;
  }
}

/** Path commands as contours; squared curves become cubic ones, which are the same. */
function contoursOf(commands: readonly { type: string; values: readonly number[] }[], unit: number): Contour[] {
  const out: Contour[] = [];
  let start: Point = [0, 0];
  let from: Point = [0, 0];
  let segments: Segment[] = [];
  const end = (): void => {
    if (!segments.length) return;
    if (Math.hypot(from[0] - start[0], from[1] - start[1]) > 1e-9) segments.push({ kind: 'line', to: start });
    out.push({ start, segments });
    segments = [];
  };
  for (const { type, values } of commands) {
    const at = (k: number): Point => [values[2 * k] * unit, -values[2 * k + 1] * unit];
    if (type === 'M') {
      end();
      start = from = at(0);
    } else if (type === 'L') {
      if (Math.hypot(at(0)[0] - from[0], at(0)[1] - from[1]) > 1e-12) segments.push({ kind: 'line', to: at(0) });
      from = at(0);
    } else if (type === 'Q') {
      const [c, to] = [at(0), at(1)];
      const towards = (p: Point): Point => [p[0] + (2 / 3) * (c[0] - p[0]), p[1] + (2 / 3) * (c[1] - p[1])];
      segments.push({ kind: 'curve', c1: towards(from), c2: towards(to), to });
      from = to;
    } else if (type === 'C') {
      segments.push({ kind: 'curve', c1: at(0), c2: at(1), to: at(2) });
      from = at(2);
    } else end();
  }
  end();
  return out;
}
