/** What the API takes: Valibot schemas, one for each kind of request. */
import { NAME_WAYS } from '$core/naming';
import * as v from 'valibot';
import { COUNT_LIMIT, LEEWAY_DEFAULT, REFERENCE_LIMIT, SIZE_MOST_PX } from '$core/credit';
import { FaceChoiceSchema, LockupEditSchema, type LockupEdit } from '$core/lockup';
import { EASE_NAMES, MOTION_KINDS } from '$core/motion';
import { FORS, type PackageSets } from '$core/package';
import { KINDS } from '$core/prompt';
import { ENTRIES_MOST, ListEditSchema, StepSchema, type ListEdit } from '$core/retouch';
import { hasGap } from '$core/wording';
import { ArtworkSchema, EditSchema, isStorable, STORABLE, type Edit } from '$core/vector';

/** Text that can be stored: what a database or a page cannot hold is refused where it is written. */
const storable = <S extends v.GenericSchema<unknown, string>>(schema: S) =>
  v.pipe(schema, v.check(isStorable, STORABLE));
const text = (most: number) => storable(v.pipe(v.string(), v.maxLength(most, `at most ${most} characters`)));
const hex = v.pipe(v.string(), v.regex(/^#[0-9a-fA-F]{6}$/, 'a colour is written like #1D2E4E'), v.toUpperCase());
const whole = (low: number, high: number) =>
  v.pipe(
    v.number('a whole number'),
    v.integer('a whole number'),
    v.minValue(low, `${low} or more`),
    v.maxValue(high, `${high} or less`),
  );
const key = v.pipe(v.string(), v.minLength(8), v.maxLength(64), v.regex(/^[\w-]+$/));

/** One of the colours that the mark will stand on. */
export const Ground = v.object({ name: storable(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(40))), hex });

const briefEntries = {
  name: storable(
    v.pipe(
      v.string(),
      v.trim(),
      v.minLength(1, 'a commission needs a name'),
      v.maxLength(120, 'at most 120 characters'),
    ),
  ),
  client: text(120),
  trade: text(200),
  audience: text(300),
  mood: text(300),
  coloursWanted: text(300),
  coloursUnwanted: text(300),
  grounds: v.pipe(v.array(Ground), v.maxLength(12, 'at most 12 grounds')),
  kindOfMark: text(60),
  notes: text(4000),
  allowance: whole(0, 100_000),
};

export const CommissionStart = v.object({ ...v.partial(v.object(briefEntries)).entries, name: briefEntries.name });

/**
 * Fields to change, and what they were when they were read, so that two tabs do not write over each other: `seen` for the fields that are changed, which leaves
 * the others to others, or the `revision` of the commission as a whole.
 */
export const CommissionChange = v.pipe(
  v.object({
    ...v.partial(v.object(briefEntries)).entries,
    archived: v.optional(v.boolean()),
    revision: v.optional(v.pipe(v.number(), v.integer())),
    seen: v.optional(v.record(v.string(), v.unknown())),
  }),
  v.check(
    ({ revision, seen, ...fields }) => revision !== undefined || Object.keys(fields).every((k) => k in (seen ?? {})),
    'A change names the revision that it was made from, or what its fields were: look again, and send that along',
  ),
);

/** What is to be undone or redone: the brief's changes, decisions about names, or decisions, of one candidate or of all; the newest of any when left out. */
export const ChangesOf = v.object({
  of: v.optional(v.picklist(['brief', 'decisions', 'names'])),
  candidateId: v.optional(v.pipe(v.string(), v.uuid())),
});

const EMPTY_PROMPT = 'The prompt is empty: say what is to be drawn, or give a reference';

/** The longest prompt that is kept; what an engine reads may be less. */
export const PROMPT_MOST = 2000;
const prompt = v.pipe(
  storable(v.string()),
  v.check(
    (s) => s.length <= PROMPT_MOST,
    (issue) => `the prompt has ${issue.input.length} characters; at most ${PROMPT_MOST} are read`,
  ),
);
const ratio = v.pipe(v.string(), v.regex(/^\d{1,4}(\.\d+)?:\d{1,4}(\.\d+)?$/, 'a ratio is written like 3:2'));

const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1));
const uuid = v.pipe(v.string(), v.uuid());
const pictureId = v.pipe(
  v.string(),
  v.regex(/^[0-9a-f]{64}$/, 'a picture is named by the 64 hex digits of its SHA-256'),
);

/** A marked area in shares of the picture's width and height. */
export const Area = v.object({ x: share, y: share, width: share, height: share });

/** Where a round starts from, when not from its prompt alone. */
export const Way = v.variant('kind', [
  v.object({ kind: v.literal('offshoot'), candidateId: uuid, drift: v.optional(whole(0, 100), 25) }),
  v.object({
    kind: v.literal('crossing'),
    candidateIds: v.tuple([uuid, uuid]),
    balance: v.optional(whole(0, 100), 50),
  }),
  v.object({ kind: v.literal('redo'), candidateId: uuid, area: Area }),
  v.object({ kind: v.literal('enlarge'), candidateId: uuid, factor: v.picklist([2, 4]) }),
]);

const choiceEntries = {
  finish: v.optional(v.nullable(text(60)), null),
  kind: v.optional(v.nullable(v.picklist(KINDS)), null),
  detail: v.optional(v.nullable(whole(0, 100)), null),
  flaws: v.optional(whole(0, 100), 20),
  references: v.optional(
    v.pipe(
      v.array(v.object({ pictureId, closeness: whole(0, 100) })),
      v.maxLength(REFERENCE_LIMIT, `at most ${REFERENCE_LIMIT} references`),
    ),
    [],
  ),
};

const roundEntries = {
  prompt,
  ...choiceEntries,
  leaveOut: v.optional(text(500), ''),
  leeway: v.optional(whole(0, 100), LEEWAY_DEFAULT),
  ratio: v.optional(ratio, '1:1'),
  colours: v.optional(v.nullable(whole(1, 6)), null),
  count: v.optional(whole(1, COUNT_LIMIT), 4),
  seed: v.optional(whole(0, 0xffffffff)),
};

/** A round for a commission. The request key is made by whoever asks: asked twice with one key, one round is made. */
export const RoundStart = v.pipe(
  v.object({ requestKey: key, ...roundEntries, way: v.optional(v.nullable(Way), null) }),
  // Growing from a candidate may leave its words as they are; all else needs something to go by.
  v.check((r) => r.prompt.trim().length > 0 || r.references.length > 0 || r.way !== null, EMPTY_PROMPT),
);

/** Candidates for nobody in particular. */
export const CandidatesRequest = v.pipe(
  v.object({
    ...roundEntries,
    size: v.optional(whole(64, SIZE_MOST_PX), 1024),
    balance: v.optional(v.nullable(whole(0, 100)), null),
  }),
  v.check((r) => r.prompt.trim().length > 0 || r.references.length > 0, EMPTY_PROMPT),
);

export const PromptReading = v.object({ prompt: text(PROMPT_MOST), leaveOut: v.optional(text(500), '') });

/** An app to find prompts for the icon of: what is said of it, and small pictures of its screens, PNG files in base64. */
export const AppDescribed = v.object({
  description: v.pipe(text(4000), v.trim(), v.nonEmpty('say what the app does')),
  screens: v.optional(
    v.pipe(
      v.array(v.pipe(v.string(), v.maxLength(400_000), v.base64('a screen is a PNG file in base64'))),
      v.maxLength(6),
    ),
    [],
  ),
});

/** Words to make names of. */
export const NamesWanted = v.object({
  trade: v.pipe(text(300), v.trim(), v.nonEmpty('say what the client does')),
  place: v.optional(text(200), ''),
  mood: v.optional(text(200), ''),
  audience: v.optional(text(200), ''),
  figures: v.optional(v.pipe(v.array(text(60)), v.maxLength(12)), []),
  earlier: v.optional(v.pipe(v.array(text(80)), v.maxLength(2000)), []),
  /** More like this one, as it was given. */
  like: v.optional(
    v.nullable(v.object({ name: text(80), way: v.picklist(NAME_WAYS), of: v.pipe(v.array(text(60)), v.maxLength(4)) })),
    null,
  ),
  count: v.optional(whole(1, 200), 50),
  seed: v.optional(whole(0, 0xffffffff), 1),
});

/** Keeps a name, sets it aside, or takes that back. */
export const NameDecision = v.object({
  name: v.pipe(text(80), v.trim(), v.nonEmpty('say which name')),
  way: v.picklist(NAME_WAYS),
  of: v.pipe(v.array(text(60)), v.maxLength(4)),
  told: text(300),
  decision: v.picklist(['undecided', 'kept', 'aside']),
});

/** A prompt with a gap (___) in place of its figure, and the settings that go with it. */
export const PatternStart = v.object({
  prompt: v.pipe(text(PROMPT_MOST), v.trim(), v.check(hasGap, 'put ___ where the figure goes')),
  settings: v.optional(
    v.object({
      leaveOut: v.optional(text(500), ''),
      leeway: v.optional(whole(0, 100), LEEWAY_DEFAULT),
      finish: v.optional(v.nullable(text(60)), null),
      kind: v.optional(v.nullable(v.picklist(KINDS)), null),
      detail: v.optional(v.nullable(whole(0, 100)), null),
      colours: v.optional(v.nullable(whole(1, 6)), null),
      count: v.optional(whole(1, 8), 4),
    }),
    {},
  ),
});
export const PatternChange = v.object({ archived: v.boolean() });

export const Decision = v.object({ decision: v.picklist(['undecided', 'kept', 'aside']) });

export const TraceSettings = v.object({
  colours: v.union([v.literal('auto'), whole(1, 32)]),
  ground: v.picklist(['keep', 'drop', 'outside']),
  stacking: v.picklist(['stacked', 'cutout']),
  speckPx2: v.pipe(v.number(), v.minValue(0), v.maxValue(100_000)),
  smoothness: v.pipe(v.number(), v.minValue(0), v.maxValue(100)),
  palette: v.optional(v.nullable(v.pipe(v.array(hex), v.maxLength(32)))),
  symmetry: v.optional(v.picklist(['auto', 'off', 'exact'])),
  gradients: v.optional(v.boolean()),
});

/** A trace that is to be kept: the first makes the artwork of a candidate or a retouched picture, later ones are versions of it. */
export const TraceKeep = v.object({
  options: TraceSettings,
  groundHex: v.nullable(hex),
  drawing: ArtworkSchema,
  /** The artwork's head as it was seen, or null when there was none. */
  head: v.nullable(uuid),
  /** Of a retouched picture: the step whose picture was traced; its head when left out. */
  stepId: v.optional(uuid),
  /** Makes another artwork of the same source, beside those it has. */
  another: v.optional(v.boolean(), false),
});

/** An edit of an artwork, of a retouched picture's list, or of a lockup. */
const AnyEdit = v.variant('kind', [
  EditSchema as never,
  ListEditSchema,
  LockupEditSchema,
]) as unknown as v.GenericSchema<unknown, Edit | ListEdit | LockupEdit>;

const acted = { key };

/** What is done to a work, from the head that was seen on. Each act has a key of the page's own making: sent again with it, it is done once. */
export const WorkActs = v.object({
  head: uuid,
  acts: v.pipe(
    v.array(
      v.variant('kind', [
        v.object({
          kind: v.literal('edit'),
          ...acted,
          /** Edits that belong together become one step. */
          edits: v.pipe(v.array(AnyEdit), v.minLength(1, 'one edit or more'), v.maxLength(1000, 'at most 1000 edits')),
        }),
        v.object({ kind: v.literal('undo'), ...acted }),
        v.object({ kind: v.literal('redo'), ...acted }),
        v.object({ kind: v.literal('return'), ...acted, stepId: uuid }),
      ]),
    ),
    v.minLength(1, 'one act or more'),
    v.maxLength(200, 'at most 200 acts'),
  ),
});

/** An artwork begun from nothing. */
export const ArtworkStart = v.object({
  name: storable(
    v.pipe(v.string(), v.trim(), v.minLength(1, 'an artwork needs a name'), v.maxLength(120, 'at most 120 characters')),
  ),
  widthPx: v.pipe(v.number(), v.gtValue(0), v.maxValue(20_000)),
  heightPx: v.pipe(v.number(), v.gtValue(0), v.maxValue(20_000)),
  /** The candidate whose picture it is drawn over. */
  overCandidateId: v.optional(uuid),
  /** The retouched picture that it is drawn over, as it is at its head. */
  overWorkId: v.optional(uuid),
});

/** Schemes for an artwork's inks. */
export const Shuffle = v.object({
  count: v.optional(whole(1, 200), 12),
  seed: v.optional(whole(0, 0xffffffff), 1),
  least: v.optional(v.pipe(v.number(), v.minValue(1, '1 or more'), v.maxValue(21, '21 or less')), 3),
  grounds: v.optional(v.pipe(v.array(hex), v.maxLength(32, 'at most 32 grounds')), ['#FFFFFF']),
  locked: v.optional(v.pipe(v.array(v.pipe(v.string(), v.maxLength(60))), v.maxLength(4096)), []),
  wanted: v.optional(v.pipe(v.array(hex), v.maxLength(32)), []),
  unwanted: v.optional(v.pipe(v.array(hex), v.maxLength(32)), []),
  free: v.optional(v.boolean(), false),
});

/** An artwork in one colour. */
export const InOneColour = v.object({
  hex,
  reversed: v.optional(v.boolean(), false),
  states: v.optional(v.record(v.pipe(v.string(), v.maxLength(60)), v.picklist(['filled', 'left'])), {}),
});

/** A text to be set in a face that ships. */
export const LetteringSet = v.object({
  text: v.pipe(v.string(), v.check((t) => t.trim() !== '', 'a text is needed'), v.maxLength(500, 'at most 500 characters')), // prettier-ignore
  face: text(60),
  weight: v.optional(v.pipe(v.number(), v.minValue(1), v.maxValue(1000))),
  italic: v.optional(v.boolean()),
  tracking: v.optional(v.pipe(v.number(), v.minValue(-1), v.maxValue(20))),
  kerning: v.optional(v.picklist(['face', 'optical', 'none'])),
  leading: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(20))),
  align: v.optional(v.picklist(['left', 'centre', 'right'])),
  size: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(10_000))),
  width: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(100_000))),
  arc: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(100_000))),
  side: v.optional(v.picklist(['above', 'below'])),
  even: v.optional(v.picklist(['baseline', 'middle', 'outside'])),
  hex: v.optional(hex),
});

/** A name to be arranged with a mark. */
export const LockupsAsked = v.object({
  name: v.pipe(text(100), v.check((t) => t.trim() !== '', 'a name is needed')), // prettier-ignore
  line: v.optional(text(100), ''),
  layout: v.optional(text(40)),
  face: v.optional(text(60)),
  weight: v.optional(v.pipe(v.number(), v.minValue(1), v.maxValue(1000))),
  /** The colourway that the mark is in, by its id; the master when left out. */
  colourwayId: v.optional(v.pipe(v.string(), v.maxLength(60, 'at most 60 characters'))),
});

/** A lockup begun from an artwork of the commission. */
export const LockupStart = v.object({
  artworkId: uuid,
  /** The commission's own name when empty. */
  name: v.optional(v.pipe(text(100), v.trim()), ''),
  line: v.optional(text(100), ''),
  layout: v.optional(text(40), 'beside'),
  face: v.optional(text(60)),
  weight: v.optional(v.pipe(v.number(), v.minValue(1), v.maxValue(1000))),
  colourwayId: v.optional(v.pipe(v.string(), v.maxLength(60, 'at most 60 characters'))),
  /** What the lockup is called; after its layout when left out. */
  called: v.optional(v.pipe(text(60), v.trim(), v.minLength(1))),
});

/** Lockups of a commission that are to be spelt so. */
export const Respell = v.object({
  name: v.pipe(text(100), v.trim(), v.minLength(1, 'a name is needed')),
  ids: v.pipe(v.array(uuid), v.minLength(1), v.maxLength(100)),
});

/** A text to be shown in several faces. */
export const SpecimensAsked = v.object({
  text: v.pipe(text(60), v.check((t) => t.trim() !== '', 'a text is needed')), // prettier-ignore
  faces: v.pipe(
    v.array(v.object({ family: FaceChoiceSchema.entries.family, weight: FaceChoiceSchema.entries.weight })),
    v.minLength(1),
    v.maxLength(24, 'at most 24 faces at once'),
  ),
});

/** A face marked for the commission, or no longer. */
export const FavouriteFace = v.object({ family: FaceChoiceSchema.entries.family, kept: v.boolean() });

/** Which step of a work is copied; its head when left out. */
export const CopyStart = v.object({ stepId: v.optional(uuid) });

const sizePx = whole(8, 4096);
const millimetres = v.pipe(v.number(), v.minValue(1, '1 mm or more'), v.maxValue(50_000, '50 m or less'));
const some = <S extends v.GenericSchema>(schema: S, most: number) =>
  v.pipe(v.array(schema), v.minLength(1, 'at least one'), v.maxLength(most, `at most ${most}`));
const percent = v.pipe(v.number(), v.minValue(0), v.maxValue(100));
const plainName = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'a name of small letters, digits and hyphens'),
  v.maxLength(40),
);
const wish = v.partial(
  v.object({
    seconds: v.pipe(v.number(), v.minValue(0.2, '0.2 s or more'), v.maxValue(20, '20 s or less')),
    ease: v.picklist(EASE_NAMES),
    loop: v.boolean(),
    order: v.picklist(['stacking', 'distance']),
  }),
);

/** What the sets of a package are made in, as far as it is not what they are begun with. */
export const PackageSetsAsked = v.partial(
  v.object({
    print: v.object({ longerMm: millimetres, bleedMm: v.pipe(v.number(), v.minValue(0), v.maxValue(50)) }),
    web: v.object({ basePx: sizePx, times: some(whole(1, 4), 4) }),
    favicon: v.object({
      icoPx: some(whole(8, 256), 8),
      touchPx: sizePx,
      manifestPx: some(sizePx, 8),
      maskablePx: some(sizePx, 8),
    }),
    shops: v.object({ storePx: some(sizePx, 8), iconPx: some(sizePx, 40), layerPx: some(sizePx, 12) }),
    social: v.object({
      avatarPx: some(sizePx, 8),
      covers: some(v.object({ name: plainName, widthPx: sizePx, heightPx: sizePx }), 24),
    }),
    stickers: v.object({ longerMm: some(millimetres, 12), cutMm: v.pipe(v.number(), v.minValue(0.2), v.maxValue(50)) }),
    large: some(v.object({ name: plainName, longerMm: millimetres }), 12),
    office: v.object({ letterheadMm: millimetres, dotsPerInch: whole(72, 1200), picturePx: sizePx }),
    motion: v.object({
      picturePx: whole(16, 1024),
      framesASecond: whole(5, 50),
      kinds: v.pipe(v.array(v.picklist(MOTION_KINDS)), v.maxLength(MOTION_KINDS.length)),
      wishes: v.record(v.picklist(MOTION_KINDS), wish) as unknown as v.GenericSchema<PackageSets['motion']['wishes']>,
    }),
    leftOut: v.pipe(v.array(v.pipe(v.string(), v.maxLength(40))), v.maxLength(60)),
    press: v.record(
      hex,
      v.partial(v.object({ cmyk: v.tuple([percent, percent, percent, percent]), spot: v.pipe(text(60), v.trim()) })),
    ),
  }),
);

/** A look of a work, by its key: "master", a colourway's id, "one-colour" or "reversed". */
const lookKey = v.pipe(v.string(), v.maxLength(60, 'at most 60 characters'));

export const DeliveryStart = v.object({
  requestKey: key,
  head: v.pipe(v.string(), v.uuid()),
  note: v.optional(text(300), ''),
  /** The one colourway that is delivered, by its id; where rows are given, nothing. */
  colourwayId: v.optional(lookKey),
  /** What is wanted of which works, each as it was looked at; what makes sense of this work where left out. */
  rows: v.optional(
    v.pipe(
      v.array(
        v.object({
          workId: uuid,
          head: uuid,
          look: lookKey,
          for: v.pipe(v.array(v.picklist(FORS)), v.maxLength(FORS.length)),
        }),
      ),
      v.maxLength(400, 'at most 400 rows'),
    ),
  ),
  sets: v.optional(PackageSetsAsked, {}),
});

/** What a package could have, in sets that are other than what they are begun with. */
export const PackageAsked = v.object({ sets: v.optional(PackageSetsAsked, {}) });

/** A look of a work that is to be looked at before files are made of it. */
export const LookAsked = v.object({ look: lookKey, head: v.optional(uuid), sets: v.optional(PackageSetsAsked, {}) });

/** A movement of a look, to be seen. */
export const MotionAsked = v.object({
  look: v.optional(lookKey, 'master'),
  kind: v.picklist(MOTION_KINDS),
  wish: v.optional(wish, {}),
});

/** What is done to a picture that is sent along, in turn. */
export const RetouchSteps = v.pipe(v.array(StepSchema), v.maxLength(ENTRIES_MOST, `at most ${ENTRIES_MOST} steps`));

/** A retouched picture begun: from a candidate, with steps at once where those are known. */
export const RetouchStart = v.object({
  steps: v.optional(RetouchSteps, []),
});

/** A colour kept with the commission, or no longer. */
export const ColourPicked = v.object({ hex, kept: v.optional(v.boolean(), true) });
