/** A lockup as what is kept of it: the parts it is arranged of, its inks, and their colourways. Lettering stays live text. */
import * as v from 'valibot';
import { contour, id, inkSchema, colourwaySchema, isStorable, nameOf, share, STORABLE } from '../vector';

const number = (least: number, most: number, unit = '') =>
  v.pipe(
    v.number('a number'),
    v.minValue(least, `${least}${unit} or more`),
    v.maxValue(most, `${most}${unit} or less`),
  );
const place = number(-1e5, 1e5);
const sizePx = v.pipe(v.number(), v.gtValue(0, 'above 0'), v.maxValue(20_000, '20000 or less'));
const partId = v.pipe(id, v.maxLength(24));
const yes = v.literal(true);
const tag = v.pipe(v.string(), v.regex(/^[A-Za-z0-9 ]{4}$/, 'a feature or axis is named by four letters'));
/** A place in a text. */
const textAt = v.pipe(v.string(), v.regex(/^\d{1,4}$/));

/** The longest text of one part. */
export const TEXT_MOST = 500;

/** A face: a family that ships by its id, or one that was brought in, by "own-" and the SHA-256 of its file. */
export const FaceChoiceSchema = v.object({
  family: v.pipe(v.string(), v.regex(/^[a-z0-9-]{1,80}$/, 'a family is named by its id')),
  weight: number(1, 1000),
  italic: v.optional(yes),
  axes: v.optional(v.record(tag, number(-10_000, 10_000))),
});

export const WarpSchema = v.object({ kind: v.picklist(['arch', 'bulge', 'wave', 'slant']), amount: number(-1, 1) });

/** What a text stands on. */
export const FollowsSchema = v.variant('kind', [
  /** A circle about the part's place, by its radius. */
  v.object({
    kind: v.literal('arc'),
    radiusPx: sizePx,
    side: v.picklist(['above', 'below']),
    even: v.picklist(['baseline', 'middle', 'outside']),
    /** Where on the circle the text stands, from its top or bottom, clockwise as it is read. */
    turnDeg: v.optional(number(-180, 180)),
  }),
  /** A frame's own edge: its band, its top or bottom, its ribbon. */
  v.object({ kind: v.literal('frame'), frameId: partId, side: v.picklist(['above', 'below']) }),
  /** An outline of a mark in the lockup. */
  v.object({
    kind: v.literal('path'),
    markId: partId,
    nodeId: v.pipe(v.string(), v.maxLength(60)),
    contour: v.pipe(v.number(), v.integer(), v.minValue(0)),
    at: share,
    flipped: v.optional(yes),
    offPx: v.optional(place),
  }),
]);

/** An ink, or the ground, which is cut out of what lies below. */
const inkOrGround = v.nullable(id);

export const DressSchema = v.object({
  /** A line outside the letters, with a gap to them that is the ground's. */
  outline: v.optional(v.object({ inkId: inkOrGround, widthPx: sizePx, gapPx: number(0, 2000) })),
  /** A line within the letters, so far from their edge. */
  inline: v.optional(v.object({ inkId: inkOrGround, widthPx: sizePx, insetPx: sizePx })),
  /** A soft one is blurred; a hard one is the whole way that the letters take to it. */
  shadow: v.optional(
    v.object({ inkId: id, dxPx: place, dyPx: place, blurPx: number(0, 1000), opacity: share, long: v.optional(yes) }),
  ),
});

const common = { id: partId, name: v.optional(nameOf(60)), hidden: v.optional(yes) };

export const TextSchema = v.object({
  kind: v.literal('text'),
  ...common,
  /** What it is for: the client's name is one thing in all lockups of a commission. */
  role: v.picklist(['name', 'line', 'other']),
  text: v.pipe(v.string(), v.maxLength(TEXT_MOST, `at most ${TEXT_MOST} characters`), v.check(isStorable, STORABLE)),
  face: FaceChoiceSchema,
  /** Where its first baseline begins, has its middle, or ends, as it is aligned; of text on a circle, the circle's middle. */
  x: place,
  y: place,
  turnDeg: v.optional(number(-180, 180)),
  sizePx,
  tracking: number(-1, 20),
  leading: v.pipe(v.number(), v.gtValue(0), v.maxValue(20)),
  align: v.picklist(['left', 'centre', 'right']),
  kerning: v.picklist(['face', 'optical', 'none']),
  letters: v.picklist(['typed', 'capitals', 'small-capitals']),
  features: v.optional(v.record(tag, v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(99)))),
  /** In em, added after the letter at a place of the text. */
  byHand: v.optional(v.record(textAt, number(-5, 5))),
  /** Quotes, hyphens and stops at a line's ends hang over its edge. */
  hangs: v.optional(yes),
  /** As wide as another part's print, or as a length. */
  fit: v.optional(v.object({ to: v.union([partId, sizePx]), by: v.picklist(['size', 'tracking', 'axis']) })),
  follows: v.optional(FollowsSchema),
  warp: v.optional(WarpSchema),
  inkId: id,
  dress: v.optional(DressSchema),
  /** After its last letter, at cap height. */
  sign: v.optional(v.picklist(['trade-mark', 'registered'])),
  /** Nodes of a mark that it passes behind. */
  behind: v.optional(
    v.object({ markId: partId, nodes: v.pipe(v.array(v.pipe(v.string(), v.maxLength(60))), v.maxLength(500)) }),
  ),
  /** Letters that are something else, by their place: a mark of the lockup, or outlines in em from the letter's origin. */
  instead: v.optional(
    v.record(
      textAt,
      v.variant('kind', [
        v.object({ kind: v.literal('mark'), markId: partId }),
        v.object({ kind: v.literal('drawn'), contours: v.pipe(v.array(contour), v.maxLength(64)) }),
      ]),
    ),
  ),
});

export const MarkSchema = v.object({
  kind: v.literal('mark'),
  ...common,
  /** The artwork and the step of it that is shown. */
  workId: v.pipe(v.string(), v.uuid()),
  stepId: v.pipe(v.string(), v.uuid()),
  /** Before the ids of its inks in the lockup. */
  prefix: v.pipe(v.string(), v.maxLength(24)),
  /** Nodes that are shown; all when left out. */
  only: v.optional(v.pipe(v.array(v.pipe(v.string(), v.maxLength(60))), v.minLength(1), v.maxLength(500))),
  /** Where the artwork's 0, 0 stands, and how large it is. */
  x: place,
  y: place,
  scale: v.pipe(v.number(), v.gtValue(0), v.maxValue(1000)),
  turnDeg: v.optional(number(-180, 180)),
});

export const FRAME_SHAPES = ['ring', 'double-ring', 'shield', 'hexagon', 'diamond', 'box', 'banner', 'ribbon', 'rules', 'underline'] as const; // prettier-ignore
export const DIVIDERS = ['none', 'dot', 'diamond', 'star'] as const;

export const FrameSchema = v.object({
  kind: v.literal('frame'),
  ...common,
  shape: v.picklist(FRAME_SHAPES),
  /** What it goes round, and is sized by. */
  around: v.pipe(v.array(partId), v.minLength(1, 'a frame goes round something'), v.maxLength(24)),
  /** Between what it goes round and its inner edge. */
  gapPx: number(0, 20_000),
  /** Of the band that text stands in; none when 0. */
  bandPx: number(0, 20_000),
  linePx: number(0, 2000),
  lineInkId: id,
  /** What it is filled with; null for nothing. */
  fillInkId: v.nullable(id),
  /** Between two texts on it. */
  divider: v.optional(v.picklist(DIVIDERS)),
});

export const PartSchema = v.variant('kind', [MarkSchema, TextSchema, FrameSchema]);

export const LockupSchema = v.object({
  /** From the bottom to the top. */
  parts: v.pipe(v.array(PartSchema), v.maxLength(60, 'at most 60 parts')),
  /** Of marks in it, and its own. */
  inks: v.pipe(v.array(inkSchema), v.minLength(1, 'a lockup has an ink'), v.maxLength(4096, 'at most 4096 inks')),
  colourways: v.optional(v.pipe(v.array(colourwaySchema), v.maxLength(200, 'at most 200 colourways'))),
  masterName: v.optional(nameOf(60)),
  oneColour: v.optional(
    v.array(
      v.object({
        inkId: id,
        plain: v.optional(v.picklist(['filled', 'left'])),
        reversed: v.optional(v.picklist(['filled', 'left'])),
      }),
    ),
  ),
  /** Around all of it, in cap heights of the name. */
  clear: number(0, 20),
  /** The layout that it was begun from. */
  layout: v.optional(nameOf(60)),
});

export type FaceChoice = v.InferOutput<typeof FaceChoiceSchema>;
export type Follows = v.InferOutput<typeof FollowsSchema>;
export type Dress = v.InferOutput<typeof DressSchema>;
export type TextPart = v.InferOutput<typeof TextSchema>;
export type MarkPart = v.InferOutput<typeof MarkSchema>;
export type FramePart = v.InferOutput<typeof FrameSchema>;
export type FrameShape = FramePart['shape'];
export type LockupPart = v.InferOutput<typeof PartSchema>;
export type Lockup = v.InferOutput<typeof LockupSchema>;
