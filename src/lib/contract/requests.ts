/** What the API takes: Valibot schemas, one for each kind of request. */
import * as v from 'valibot';
import { COUNT_LIMIT, REFERENCE_LIMIT, SIZE_MOST_PX } from '$core/credit';
import { KINDS } from '$core/prompt';

const text = (most: number) => v.pipe(v.string(), v.maxLength(most, `at most ${most} characters`));
const hex = v.pipe(v.string(), v.regex(/^#[0-9a-fA-F]{6}$/, 'a colour is written like #1D2E4E'), v.toUpperCase());
const whole = (low: number, high: number) =>
  v.pipe(
    v.number(),
    v.integer('a whole number'),
    v.minValue(low, `${low} or more`),
    v.maxValue(high, `${high} or less`),
  );
const key = v.pipe(v.string(), v.minLength(8), v.maxLength(64), v.regex(/^[\w-]+$/));

/** One of the colours that the mark will stand on. */
export const Ground = v.object({ name: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(40)), hex });

const briefEntries = {
  name: v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, 'a commission needs a name'),
    v.maxLength(120, 'at most 120 characters'),
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

/** Fields to change; `revision` is that of the commission as it was read, so that two tabs do not write over each other. */
export const CommissionChange = v.object({
  ...v.partial(v.object(briefEntries)).entries,
  archived: v.optional(v.boolean()),
  revision: v.pipe(v.number(), v.integer()),
});

const EMPTY_PROMPT = 'the prompt is empty: say what is to be drawn, or give a reference';

/** The longest prompt that is kept; what an engine reads may be less. */
export const PROMPT_MOST = 2000;
const prompt = v.pipe(
  v.string(),
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
  leeway: v.optional(whole(0, 100), 35),
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

const point = v.tuple([v.pipe(v.number(), v.finite()), v.pipe(v.number(), v.finite())]);
const segment = v.variant('kind', [
  v.object({ kind: v.literal('line'), to: point }),
  v.object({ kind: v.literal('curve'), c1: point, c2: point, to: point }),
  v.object({
    kind: v.literal('arc'),
    radius: v.pipe(v.number(), v.finite(), v.minValue(0)),
    large: v.boolean(),
    clockwise: v.boolean(),
    to: point,
  }),
]);
const id = v.pipe(v.string(), v.minLength(1), v.maxLength(60));

const gradient = v.object({
  kind: v.picklist(['linear', 'radial']),
  from: point,
  to: point,
  stops: v.pipe(v.array(v.object({ at: share, hex })), v.minLength(2), v.maxLength(32)),
});

/** An artwork as core/vector has it. */
export const ArtworkDrawing = v.object({
  widthPx: v.pipe(v.number(), v.minValue(1), v.maxValue(20_000)),
  heightPx: v.pipe(v.number(), v.minValue(1), v.maxValue(20_000)),
  inks: v.pipe(
    v.array(
      v.object({
        id,
        hex,
        name: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
        gradient: v.optional(gradient),
      }),
    ),
    v.maxLength(64),
  ),
  pieces: v.pipe(
    v.array(v.object({ id, inkId: id, contours: v.array(v.object({ start: point, segments: v.array(segment) })) })),
    v.maxLength(50_000),
  ),
});

/** A trace that is to be kept: the first makes the candidate's artwork, later ones are versions of it. */
export const TraceKeep = v.object({
  options: TraceSettings,
  groundHex: v.nullable(hex),
  drawing: ArtworkDrawing,
  /** The artwork's head as it was seen, or null when there was none. */
  head: v.nullable(v.pipe(v.string(), v.uuid())),
});

export const ArtworkEdit = v.object({
  head: v.pipe(v.string(), v.uuid()),
  edit: v.variant('kind', [
    v.object({ kind: v.literal('ink-colour'), inkId: id, hex }),
    v.object({
      kind: v.literal('ink-name'),
      inkId: id,
      name: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60)),
    }),
    v.object({ kind: v.literal('gradient-stop'), inkId: id, stop: whole(0, 31), hex }),
    v.object({ kind: v.literal('plain-ink'), inkId: id }),
    v.object({ kind: v.literal('merge-inks'), inkId: id, intoInkId: id }),
    v.object({ kind: v.literal('piece-ink'), pieceId: id, inkId: id }),
    v.object({ kind: v.literal('remove-piece'), pieceId: id }),
  ]),
});

export const HeadMove = v.object({ head: v.pipe(v.string(), v.uuid()) });

export const DeliveryStart = v.object({
  requestKey: key,
  head: v.pipe(v.string(), v.uuid()),
  note: v.optional(text(300), ''),
});
