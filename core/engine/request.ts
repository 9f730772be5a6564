import { COUNT_LIMIT, LEEWAY_DEFAULT, REFERENCE_LIMIT } from '../credit';
import { KINDS, readPrompt, type FoundFigure, type Kind, type PromptParts } from '../prompt';
import type { Picture } from '../raster';
import { boundsOf } from './area';
import { compose, type SceneRequest } from './compose';
import { buildFigure } from './build';
import { movedFigure, outlineOf, placed, type Figure } from './figure';
import { FINISH_WORDS, FINISHES } from './finish';
import { wearPicture } from './flaws';
import { knobsFrom, type Descent } from './knobs';
import { findFigure, inCompany } from './lexicon';
import { dressFrom, isRole } from './creature';
import { mascotFigure } from './mascot';
import { nearIn } from './near';
import { paint } from './paint';
import { MOOD_NAMES } from './palette';
import { hashOf } from '../random';
import { redraw, type RedoArea } from './redo';
import type { Recipe } from './recipe';
import { blendFigures, crossFigures, readReference, ReferenceError, shareKept, type Reference } from './reference';
import { isThing } from './things';
import { checkSize, RequestError, whole } from './limits';

export { RequestError, sizeFor, SIZE_LIMITS } from './limits';
export { COUNT_LIMIT, creditsFor, REFERENCE_LIMIT } from '../credit';

/** A picture given with a prompt, and how closely to follow it. */
export interface ReferenceGiven {
  readonly picture: Picture;
  /** 0..100 */
  readonly closeness: number;
}

/** What one asks of the image engine. */
export interface CandidateRequest {
  readonly prompt: string;
  readonly leaveOut?: string;
  /** Words for colours to take where the prompt says nothing of colours. */
  readonly usualColours?: string;
  /** 0..100; how freely the engine may depart from the prompt. */
  readonly leeway?: number;
  /** Width to height, as in "3:2". */
  readonly ratio?: string;
  /** Inks besides the ground; null leaves it to the prompt. */
  readonly colours?: number | null;
  readonly count?: number;
  readonly seed?: number;
  /** The longer side in pixels. */
  readonly sizePx?: number;
  /** Over what the prompt says; null leaves it to the prompt. */
  readonly finish?: string | null;
  readonly kind?: Kind | null;
  /** 0 (minimal) to 100 (detailed); null leaves it to the prompt. */
  readonly detail?: number | null;
  /** 0 (none) to 100 (many) flaws of the kind that such pictures have. */
  readonly flaws?: number;
  readonly references?: readonly ReferenceGiven[];
  /** With two references: the share 0..100 of the second; they are crossed. */
  readonly balance?: number | null;
  /** Grow from this candidate. */
  readonly offshootOf?: Recipe | null;
  /** 0..100; how far offshoots stray from it. */
  readonly drift?: number;
  /** Draw this candidate again, with more pixels. */
  readonly enlarge?: Recipe | null;
  /** Make one area of a picture again. */
  readonly redo?: RedoGiven | null;
}

export interface RedoGiven {
  readonly picture: Picture;
  readonly area: RedoArea;
  /** How the picture was made, where it is known. */
  readonly recipe: Recipe | null;
}

/** How a sketch lies in a candidate made from it: its whole picture's box in shares of the candidate, and how much is left of its figure. */
export interface SketchKept {
  readonly kept: number;
  readonly frame: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

export interface DrawnCandidate {
  readonly seed: number;
  readonly picture: Picture;
  readonly recipe: Recipe;
  readonly sketch: SketchKept | null;
}

export interface Understood {
  readonly parts: PromptParts;
  readonly figures: readonly FoundFigure[];
  /** What could be drawn instead of words that nothing is drawn for. */
  readonly near: Readonly<Record<string, readonly string[]>>;
}

export const PROMPT_LIMIT = 2000;
export const FLAWS_DEFAULT = 20;

/** Reads what a prompt asks for, by this engine's lexicon. */
export function understand(prompt: string, leaveOut = ''): Understood {
  const read = readPrompt(prompt, { findFigure, isRole, finishes: FINISH_WORDS, moods: MOOD_NAMES }, leaveOut);
  const trade = read.words.flatMap((w) => (w.part === 'trade' ? [w.word] : [])).join(' ');
  const parts = { ...read, figures: read.figures.map((f) => inCompany(f, read.figures, trade)) };
  return { parts, figures: parts.figures.map(({ word, drawn, via }) => ({ word, drawn, via })), near: nearIn(parts) };
}

const percent = (
  value: number,
  code: 'bad_leeway' | 'bad_detail' | 'bad_flaws' | 'bad_drift' | 'bad_balance' | 'bad_closeness',
  name: string,
): void => {
  if (!whole(value, 0, 100)) throw new RequestError(code, `${name} is a whole number from 0 to 100`);
};

/** Fills in what a request leaves open and checks the rest; throws a RequestError that says what is wrong. */
export function checkRequest(request: CandidateRequest) {
  const parent = request.offshootOf ?? request.enlarge ?? request.redo?.recipe ?? null;
  const prompt = request.prompt.trim() ? request.prompt : (parent?.prompt ?? '');
  const {
    leaveOut = parent?.leaveOut ?? '',
    usualColours = parent?.usualColours ?? '',
    leeway = parent?.leeway ?? LEEWAY_DEFAULT,
    ratio = parent?.ratio ?? '1:1',
    colours = parent?.colours ?? null,
    count = request.enlarge || request.redo ? 1 : 4,
    seed = hashOf(prompt),
    sizePx = 1024,
    finish = parent?.finish ?? null,
    kind = parent?.kind ?? null,
    detail = parent?.detail ?? null,
    flaws = parent?.flaws ?? FLAWS_DEFAULT,
    drift = 25,
    balance = request.enlarge?.balance ?? null,
    references = [],
  } = request;
  if (
    parent &&
    (parent.version !== 1 ||
      !Array.isArray(parent.descent) ||
      !parent.descent.length ||
      typeof parent.prompt !== 'string')
  )
    throw new RequestError('bad_recipe', 'The candidate to grow from has a recipe that this engine did not write');
  if (!prompt.trim() && !references.length && !request.redo)
    throw new RequestError(
      'empty_prompt',
      'The prompt is empty: say what is to be drawn, for example "a fox with a lantern"',
    );
  if (usualColours.length > PROMPT_LIMIT)
    throw new RequestError(
      'prompt_too_long',
      `The usual colours have ${usualColours.length} characters; at most ${PROMPT_LIMIT} are read`,
    );
  if (prompt.length > PROMPT_LIMIT)
    throw new RequestError(
      'prompt_too_long',
      `The prompt has ${prompt.length} characters; at most ${PROMPT_LIMIT} are read`,
    );
  percent(leeway, 'bad_leeway', 'Leeway');
  percent(flaws, 'bad_flaws', 'The amount of flaws');
  percent(drift, 'bad_drift', 'Drift');
  if (detail !== null) percent(detail, 'bad_detail', 'Detail');
  if (balance !== null) percent(balance, 'bad_balance', 'Balance');
  if (!whole(count, 1, COUNT_LIMIT))
    throw new RequestError('bad_count', `The number of candidates is from 1 to ${COUNT_LIMIT}`);
  if (colours !== null && !whole(colours, 1, 6))
    throw new RequestError('bad_colours', 'The number of colours is from 1 to 6, besides the ground');
  if (finish !== null && !Object.hasOwn(FINISHES, finish))
    throw new RequestError(
      'unknown_finish',
      `There is no finish "${finish}"; the finishes are: ${Object.keys(FINISHES).join(', ')}`,
    );
  if (kind !== null && !(KINDS as readonly string[]).includes(kind))
    throw new RequestError('unknown_kind', `There is no kind of mark "${kind}"; the kinds are: ${KINDS.join(', ')}`);
  if (references.length > REFERENCE_LIMIT)
    throw new RequestError('too_many_references', `At most ${REFERENCE_LIMIT} references can be given`);
  for (const { closeness } of references) percent(closeness, 'bad_closeness', 'Closeness');
  if (balance !== null && references.length !== 2)
    throw new RequestError('bad_balance', 'A balance is for crossing two pictures: give two references with it');
  const size = checkSize(ratio, sizePx);
  const understood = understand(prompt, leaveOut);
  const figureless = !understood.figures.length && !understood.parts.lettering.length;
  if (figureless && !references.length && !request.redo) {
    const dropped = understood.parts.settled.find((s) => s.part === 'figure');
    throw dropped
      ? new RequestError(
          'contradiction',
          `The prompt asks for "${dropped.dropped}" and leaves it out as well; leaving out won, and nothing is left to draw`,
        )
      : new RequestError(
          'no_figure',
          'No figure was found in the prompt: name a thing to draw, for example "a fox" or "an open book"',
        );
  }
  if (understood.figures.length > 36) throw new RequestError('too_many_figures', 'At most 36 figures fit one picture');
  return {
    prompt,
    leaveOut,
    usualColours,
    leeway,
    ratio,
    colours,
    count,
    seed: seed >>> 0,
    sizePx,
    finish,
    kind,
    detail,
    flaws,
    drift,
    balance,
    references,
    parent,
    ...size,
    understood,
  };
}

type Checked = ReturnType<typeof checkRequest>;

/** The seed of one candidate of a round. */
export const seedAt = (roundSeed: number, position: number): number => hashOf(roundSeed, position);

/** How far a candidate's own chance goes from what the round has in common: a little at leeway 0, all the way at 100. */
const ownShare = (leeway: number): number => 0.1 + 0.9 * (leeway / 100);

/** References read lately, by their pixels: the candidates of one round share them. */
const readings = new Map<string, Reference>();
const READINGS_KEPT = 8;

function reading(picture: Picture): Reference {
  let sum = 0;
  for (let i = 0; i < picture.rgba.length; i++) sum = (Math.imul(sum, 31) + picture.rgba[i]) | 0;
  const key = `${picture.widthPx}x${picture.heightPx}:${sum}`;
  const known = readings.get(key);
  if (known) return known;
  try {
    const found = readReference(picture);
    if (readings.size >= READINGS_KEPT) readings.delete(readings.keys().next().value!);
    readings.set(key, found);
    return found;
  } catch (error) {
    if (error instanceof ReferenceError) throw new RequestError('broken_reference', error.message);
    throw error;
  }
}

/** Where a reference's figure goes: where it was drawn when it stands well there, else in the middle. */
function settle(figure: Figure, reference: Reference): { figure: Figure; frame: SketchKept['frame'] } {
  const b = boundsOf(reference.outline);
  const side = Math.max(b.width, b.height);
  const well =
    side >= 52 && side <= 94 && Math.abs(b.x + b.width / 2 - 50) < 9 && Math.abs(b.y + b.height / 2 - 50) < 9;
  if (well) return { figure, frame: { x: 0, y: 0, width: 1, height: 1 } };
  const probe: Figure = { name: 'frame', tones: [0.5], parts: [{ tone: 0, area: outlineOf(figure) }] };
  const to = boundsOf(outlineOf(placed(probe, { cx: 50, cy: 50, side: 84 })));
  const from = boundsOf(outlineOf(figure));
  const k = to.width / Math.max(1e-6, from.width);
  const [dx, dy] = [to.x - k * from.x, to.y - k * from.y];
  return {
    figure: movedFigure(figure, [k, 0, 0, k, dx, dy]),
    frame: { x: dx / 100, y: dy / 100, width: k, height: k },
  };
}

/** The figure that references give, and how much of a sketch is left in it. */
function givenBy(
  r: Checked,
  scene: Omit<SceneRequest, 'given'>,
): { given: NonNullable<SceneRequest['given']>; sketch: SketchKept | null } | null {
  if (!r.references.length) return null;
  const read = r.references.map((g) => reading(g.picture));
  const knobs = knobsFrom(scene.descent);
  if (r.balance !== null) {
    const { figure, hexes } = crossFigures(read[0], read[1], r.balance / 100);
    return {
      given: { ...settle(figure, { ...read[0], outline: outlineOf(figure) }), fixed: true, hexes },
      sketch: null,
    };
  }
  // Of several references the closest gives the outline; finished pictures lend their colours in order.
  const order = r.references
    .map((g, i) => ({ closeness: g.closeness, reference: read[i] }))
    .sort((p, q) => q.closeness - p.closeness);
  const [{ closeness, reference }] = order;
  const hexes = order
    .flatMap((o) => (o.reference.kind === 'picture' && o.closeness >= 20 ? o.reference.hexes : []))
    .slice(0, 5);
  const [first] = scene.parts.figures;
  const options = { knobs, leeway: scene.leeway, detail: scene.detail ?? scene.parts.detail ?? 45 };
  const share = closeness / 100;
  let figure = reference.figure;
  if (first && isThing(first.drawn) && share < 1) {
    const drawn =
      scene.kind === 'mascot' || scene.parts.kind === 'mascot'
        ? mascotFigure(first.drawn, { ...options, dress: dressFrom(scene.prompt), prop: null, crop: 'head' })
        : buildFigure(first.drawn, options);
    figure = blendFigures(placedOver(drawn, reference), reference.figure, share);
  } else if (share < 1) {
    // With no word for the figure it still moves away from the sketch as closeness falls, by its proportions alone.
    const loose = (1 - share) * 0.35;
    const [sx, sy] = [1 + loose * knobs.spread('loose/x'), 1 + loose * knobs.spread('loose/y')];
    figure = movedFigure(figure, [sx, 0, loose * 0.5 * knobs.spread('loose/lean'), sy, 50 - 50 * sx, 50 - 50 * sy]);
  }
  const settled = settle(figure, reference);
  return {
    given: { figure: settled.figure, fixed: share >= 0.75, hexes },
    sketch: reference.kind === 'sketch' ? { kept: shareKept(reference.outline, figure), frame: settled.frame } : null,
  };
}

/** A drawn figure moved into the box of a reference's outline. */
function placedOver(drawn: Figure, reference: Reference): Figure {
  const from = boundsOf(outlineOf(drawn));
  const to = boundsOf(reference.outline);
  const k = Math.min(to.width / Math.max(1, from.width), to.height / Math.max(1, from.height));
  return movedFigure(drawn, [
    k,
    0,
    0,
    k,
    to.x + to.width / 2 - k * (from.x + from.width / 2),
    to.y + to.height / 2 - k * (from.y + from.height / 2),
  ]);
}

/** What a prompt asks for, in the colours of some words where it says nothing of colours itself. */
function inUsualColours(parts: PromptParts, words: string): PromptParts {
  if (!words.trim() || parts.colours.length || parts.gradient || parts.mood) return parts;
  return { ...parts, colours: understand(words).parts.colours };
}

/** What the scene of one candidate of a request is composed from, references apart. */
export function sceneOf(request: CandidateRequest, position: number): Omit<SceneRequest, 'given'> {
  const r = checkRequest(request);
  const seed = seedAt(r.seed, position);
  const { parent } = r;
  const descent: Descent[] = request.enlarge
    ? [...request.enlarge.descent]
    : parent
      ? [...parent.descent, { seed, drift: request.redo ? 0.3 : (r.drift / 100) ** 0.9 }]
      : [
          { seed: r.seed, drift: 1 },
          { seed, drift: ownShare(r.leeway) },
        ];
  const at =
    parent && (request.enlarge || request.redo || r.drift < 85)
      ? parent.position
      : parent
        ? parent.position + 1 + position
        : position;
  return {
    prompt: r.prompt,
    parts: inUsualColours(r.understood.parts, r.usualColours),
    finish: r.finish,
    kind: r.kind,
    detail: r.detail,
    leeway: r.leeway,
    colours: r.colours,
    flaws: r.flaws,
    descent,
    position: at,
    aspect: r.widthPx / r.heightPx,
  };
}

/**
 * Draws one candidate of a request: the same request, seed and position give the same pixels on any machine. `onProgress` hears
 * the share done, 0..1, and the picture so far once there is one; it may throw to stop.
 */
export function drawCandidate(
  request: CandidateRequest,
  position: number,
  onProgress: (done: number, picture?: Picture) => void = () => {},
): DrawnCandidate {
  const r = checkRequest(request);
  const seed = seedAt(r.seed, position);
  const { parent } = r;
  const base = sceneOf(request, position);
  const { descent, position: at } = base;
  onProgress(0.02);
  const from = givenBy(r, base);
  const recipe: Recipe = {
    version: 1,
    prompt: r.prompt,
    leaveOut: r.leaveOut,
    ...(r.usualColours ? { usualColours: r.usualColours } : {}),
    leeway: r.leeway,
    ratio: r.ratio,
    colours: r.colours,
    finish: r.finish,
    kind: r.kind,
    detail: r.detail,
    flaws: r.flaws,
    descent,
    position: at,
    closeness: r.references.map((g) => g.closeness),
    balance: r.balance,
    mended: Boolean(request.redo),
  };
  const sceneRequest: SceneRequest = { ...base, ...(from ? { given: from.given } : {}) };
  if (request.redo) {
    const picture = redraw(
      request.redo.picture,
      request.redo.area,
      { ...sceneRequest, ...(parent ? { parentParts: understand(parent.prompt, parent.leaveOut).parts } : {}) },
      parent,
      onProgress,
    );
    return { seed, picture, recipe: parent ? { ...parent, mended: true } : recipe, sketch: null };
  }
  onProgress(0.12);
  const scene = compose(sceneRequest);
  onProgress(0.25);
  const picture = paint(scene.layers, r.widthPx, r.heightPx, scene.groundHex, (done, soFar) =>
    onProgress(0.25 + 0.7 * done, soFar),
  );
  return { seed, picture: wearPicture(picture, scene.flaws), recipe, sketch: from?.sketch ?? null };
}
