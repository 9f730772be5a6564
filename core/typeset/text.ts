/** One text of a lockup, set: its glyphs where they stand, before they are outlines. */
import {
  along,
  ArcError,
  FitError,
  fittedTo,
  inkBox,
  inkWidth,
  onArc,
  setText,
  type Family,
  type PlacedGlyph,
  type SetLine,
  type SetOptions,
  type SetText,
} from '../lettering';
import { shownText, type FaceChoice, type TextPart } from '../lockup';
import { compose, IDENTITY, mapPoint, turnAbout, type Affine, type Contour, type Point } from '../path';

/** What a text of a lockup may stand on, worked out. */
export type Standing =
  | { readonly kind: 'line' }
  | {
      readonly kind: 'arc';
      readonly centre: Point;
      readonly radiusPx: number;
      readonly side: 'above' | 'below';
      readonly even: 'baseline' | 'middle' | 'outside';
      readonly turnDeg: number;
    }
  | { readonly kind: 'path'; readonly contour: Contour; readonly at: number; readonly flipped: boolean; readonly offPx: number }; // prettier-ignore

export interface TextSetting {
  readonly glyphs: readonly PlacedGlyph[];
  /** As it was set, with the size, tracking and axes that a fit came to. */
  readonly sizePx: number;
  readonly tracking: number;
  readonly capHeightPx: number;
  readonly xHeightPx: number;
  /** Of each line, where its baseline begins and ends, as it was set on a straight one. */
  readonly lines: readonly { readonly from: number; readonly to: number; readonly y: number }[];
  /** Of text on a circle, half of the angle that it takes, in radians. */
  readonly halfRad: number;
  /** What could not be as it was asked for, in sentences; it is set as nearly as can be. */
  readonly faults: readonly string[];
}

/** Opens faces: null where there is none, or where it is not loaded yet. */
export type FamilyOf = (face: FaceChoice, text: string) => Family | null;

/** Lower-case letters as capitals that are a little higher than they are. */
const SMALL_OVER_X = 1.06;
/** Signs after a name, against its cap height, and what they keep from it. */
const SIGN_HEIGHT = { registered: 0.44, 'trade-mark': 0.3 } as const;
const SIGN_GAP = 0.1;
const SIGNS = { registered: '®', 'trade-mark': '™' } as const;

/** How much of a mark at the end of a line hangs over its edge. */
const HANGS: Readonly<Record<string, number>> = { '"': 1, "'": 1, '“': 1, '”': 1, '‘': 1, '’': 1, '„': 1, '‚': 1, '«': 0.6, '»': 0.6, '-': 0.6, '–': 0.5, '—': 0.4, '.': 0.9, ',': 0.9, ':': 0.5, ';': 0.5, '…': 0.4, '!': 0.3 }; // prettier-ignore

const features = (part: TextPart, family: Family): Record<string, number> => ({
  ...part.features,
  ...(part.letters === 'small-capitals' && family.main.features.includes('smcp') ? { smcp: 1 } : {}),
});

/** A line with some glyphs made smaller, and all that come after moved up to them. */
function resized(line: SetLine, sizes: (g: PlacedGlyph) => number): SetLine {
  let pen = line.glyphs[0]?.x ?? 0;
  const start = pen;
  const glyphs = line.glyphs.map((g) => {
    const k = sizes(g);
    const own = { ...g, x: pen, advance: g.advance * k, dx: g.dx * k, dy: g.dy * k, sizePx: g.sizePx * k };
    pen += own.advance;
    return own;
  });
  return { ...line, glyphs, widthPx: glyphs.length ? line.widthPx + (pen - start) - sum(line.glyphs) : 0 };
}
const sum = (glyphs: readonly PlacedGlyph[]): number => glyphs.reduce((s, g) => s + g.advance, 0);

/** Small capitals of a face that has none: capitals, made smaller where small letters were typed. */
function smallCapitals(part: TextPart, family: Family, options: SetOptions): SetText {
  const shown = [...part.text].map((c) => (c.toUpperCase().length === c.length ? c.toUpperCase() : c)).join('');
  const set = setText(shown, family, options);
  const k = Math.min(0.9, (SMALL_OVER_X * set.xHeightPx) / set.capHeightPx);
  const isSmall = (g: PlacedGlyph): boolean => {
    const c = part.text.slice(g.at, g.at + 1);
    return c !== c.toUpperCase();
  };
  return { ...set, lines: set.lines.map((l) => resized(l, (g) => (isSmall(g) ? k : 1))) };
}

/** Letters whose place a mark takes: as much more or less room as that is wider than them. */
export interface InsteadRoom {
  readonly [at: string]: { readonly aspect: number };
}

function withRoom(line: SetLine, room: InsteadRoom): SetLine {
  let shift = 0;
  const glyphs = line.glyphs.map((g) => {
    const own = room[String(g.at)];
    const moved = { ...g, x: g.x + shift };
    const box = own && g.text ? inkBox([g]) : null;
    if (!own || !box) return moved;
    const more = own.aspect * box.height - box.width;
    shift += more;
    return { ...moved, x: moved.x + more / 2, advance: g.advance + more };
  });
  return { ...line, glyphs, widthPx: line.widthPx + shift };
}

/** How far a line hangs over its left and right edge. */
function hanging(line: SetLine): [number, number] {
  const seen = line.glyphs.filter((g) => g.text.trim());
  const [first, last] = [seen[0], seen[seen.length - 1]];
  const of = (g: PlacedGlyph | undefined): number => (g ? (HANGS[g.text] ?? 0) * g.advance : 0);
  return seen.length > 1 ? [of(first), of(last)] : [0, 0];
}

/** A trade-mark or registered sign after a line, its top at cap height. */
function withSign(
  line: SetLine,
  sign: NonNullable<TextPart['sign']>,
  set: SetText,
  family: Family,
  sizePx: number,
): SetLine {
  const isThere = !family.missing(SIGNS[sign]).length;
  const text = isThere ? SIGNS[sign] : sign === 'trade-mark' ? 'TM' : '';
  if (!text) return line;
  const own = setText(text, family, { sizePx }).lines[0].glyphs;
  const box = inkBox(own);
  if (!box) return line;
  const k = (SIGN_HEIGHT[sign] * set.capHeightPx) / box.height;
  const end = inkBox(line.glyphs);
  const from = (end ? end.x + end.width : 0) + SIGN_GAP * set.capHeightPx - k * box.x;
  const rise = -set.capHeightPx - k * box.y;
  const glyphs = own.map((g) => ({ ...g, at: -1, x: from + k * g.x, y: line.y, dx: g.dx * k, dy: g.dy * k + rise, advance: g.advance * k, sizePx: g.sizePx * k })); // prettier-ignore
  return { ...line, glyphs: [...line.glyphs, ...glyphs] };
}

/** The place on the `wdth` axis at which what is printed of a text is so wide, or as nearly as the axis goes. */
function byAxis(
  part: TextPart,
  widthPx: number,
  shown: string,
  options: SetOptions,
  familyOf: FamilyOf,
): Family | null {
  const at = (wdth: number): Family | null => familyOf({ ...part.face, axes: { ...part.face.axes, wdth } }, shown);
  const axis = familyOf(part.face, shown)?.main.axes.find((a) => a.tag === 'wdth');
  if (!axis) return null;
  let [low, high] = [axis.min, axis.max];
  for (let k = 0; k < 24 && high - low > 0.01; k++) {
    const middle = (low + high) / 2;
    const own = at(middle);
    if (!own) return null;
    if (inkWidth(shown, own, options) < widthPx) low = middle;
    else high = middle;
  }
  return at((low + high) / 2);
}

const turned = (g: PlacedGlyph, map: Affine, deg: number): PlacedGlyph => {
  const [x, y] = mapPoint(map, [g.x, g.y]);
  return { ...g, x, y, turnDeg: g.turnDeg + deg };
};

/** Sets a text; `fitPx` is the width that it is to have. Null where its face is not there. */
export function textSetting(
  part: TextPart,
  standing: Standing,
  familyOf: FamilyOf,
  fitPx: number | null = null,
  room: InsteadRoom = {},
): TextSetting | null {
  const typed = shownText(part);
  let family = familyOf(part.face, typed);
  if (!family) return null;
  const faults: string[] = [];
  const shown = family.plain(typed);
  const { kerning, leading, align } = part;
  let options: SetOptions = {
    sizePx: part.sizePx,
    tracking: part.tracking,
    kerning,
    leading,
    align,
    features: features(part, family),
    ...(part.byHand ? { byHand: part.byHand as Record<number, number> } : {}),
  };
  if (fitPx !== null && shown.trim())
    try {
      if (part.fit?.by === 'axis') {
        const own = byAxis(part, fitPx, shown, options, familyOf);
        if (own) family = own;
        const off = own ? Math.abs(inkWidth(shown, own, options) / fitPx - 1) : 1;
        if (off > 5e-4) {
          faults.push(own ? `its width axis ends ${Math.round(off * 100)}% short of that width: tracking does the rest` : 'this face has no width axis: tracking is used'); // prettier-ignore
          options = fittedTo(fitPx, shown, family, options, 'tracking');
        }
      } else options = fittedTo(fitPx, shown, family, options, part.fit?.by ?? 'size');
    } catch (error) {
      if (!(error instanceof FitError)) throw error;
      faults.push(error.message);
    }
  const isMade = part.letters === 'small-capitals' && !family.main.features.includes('smcp');
  let set = isMade ? smallCapitals(part, family, options) : setText(shown, family, options);
  let { lines } = set;
  if (Object.keys(room).length) lines = lines.map((l) => withRoom(l, room));
  const { sizePx, tracking = 0 } = options;
  if (part.sign)
    lines = lines.map((l, k) => (k === lines.length - 1 ? withSign(l, part.sign!, set, family!, sizePx) : l));
  const share = { left: 0, centre: 0.5, right: 1 }[align];
  // Placed by its own width: 0 is where it begins, has its middle or ends.
  lines = lines.map((line) => {
    const [left, right] = part.hangs ? hanging(line) : [0, 0];
    const from = line.glyphs[0]?.x ?? 0;
    const dx = -from - left - share * (line.widthPx - left - right);
    return { ...line, glyphs: line.glyphs.map((g) => ({ ...g, x: g.x + dx })) };
  });
  set = { ...set, lines };
  const measured = {
    sizePx,
    tracking,
    capHeightPx: set.capHeightPx,
    xHeightPx: set.xHeightPx,
    faults,
  };
  const extents = lines.map((l) => {
    const from = l.glyphs[0]?.x ?? 0;
    return { from: part.x + from, to: part.x + from + l.widthPx, y: part.y + l.y };
  });
  if (standing.kind === 'line') {
    const turn = part.turnDeg ?? 0;
    const move: Affine = [1, 0, 0, 1, part.x, part.y];
    const map = turn ? compose(move, turnAbout([part.x, part.y], (turn * Math.PI) / 180)) : move;
    return { ...measured, glyphs: lines.flatMap((l) => l.glyphs.map((g) => turned(g, map, turn))), lines: extents, halfRad: 0 }; // prettier-ignore
  }
  try {
    if (standing.kind === 'arc') {
      const { centre, radiusPx, side, even, turnDeg } = standing;
      // Below, what is turned clockwise as it is read goes the other way round.
      const turn = side === 'above' ? turnDeg : -turnDeg;
      const map = compose([1, 0, 0, 1, ...centre], turn ? turnAbout(centre, (turn * Math.PI) / 180) : IDENTITY);
      const glyphs = lines.flatMap(
        (line) =>
        onArc(line, set, { radiusPx: side === 'above' ? radiusPx - line.y : radiusPx + line.y, side, evenAt: even }).map((g) => turned(g, map, turn)), // prettier-ignore
      );
      const widest = Math.max(0, ...lines.map((l) => l.widthPx));
      return { ...measured, glyphs, lines: [], halfRad: widest / radiusPx / 2 };
    }
    const glyphs = lines.flatMap(
      (line) =>
      along(line, standing.contour, { at: standing.at, align: align === 'left' ? 'start' : align === 'right' ? 'end' : 'centre', flipped: standing.flipped, offPx: standing.offPx - line.y }), // prettier-ignore
    );
    return { ...measured, glyphs, lines: [], halfRad: 0 };
  } catch (error) {
    if (!(error instanceof ArcError)) throw error;
    // Nothing typed is lost: it stands on a line until there is room for it.
    const line = textSetting({ ...part, align: 'centre' }, { kind: 'line' }, familyOf, fitPx, room);
    return line && { ...line, faults: [...line.faults, error.message] };
  }
}
