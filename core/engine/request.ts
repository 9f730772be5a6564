import { readPrompt, type FoundFigure, type PromptParts } from '../prompt';
import { compose } from './compose';
import { FINISH_WORDS } from './finish';
import { findFigure } from './lexicon';
import { isRole } from './mascot';
import { paint } from './paint';
import { hashOf } from './random';
import type { Picture } from '../raster';

/** What one asks of the image engine. */
export interface CandidateRequest {
  readonly prompt: string;
  readonly leaveOut?: string;
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
}

export interface DrawnCandidate {
  readonly seed: number;
  readonly picture: Picture;
}

export interface Understood {
  readonly parts: PromptParts;
  readonly figures: readonly FoundFigure[];
}

/** The request cannot be drawn; the message says why and what to do. */
export class RequestError extends Error {
  constructor(
    readonly code:
      | 'empty_prompt'
      | 'prompt_too_long'
      | 'no_figure'
      | 'bad_ratio'
      | 'bad_size'
      | 'bad_count'
      | 'bad_colours'
      | 'bad_leeway'
      | 'too_many_figures',
    message: string,
  ) {
    super(message);
  }
}

export const PROMPT_LIMIT = 2000;
export const SIZE_LIMITS = [64, 2048] as const;
export const COUNT_LIMIT = 8;

/** Reads what a prompt asks for, by this engine's lexicon. */
export function understand(prompt: string, leaveOut = ''): Understood {
  const parts = readPrompt(prompt, { findFigure, isRole, finishes: FINISH_WORDS }, leaveOut);
  return { parts, figures: parts.figures.map(({ word, drawn, via }) => ({ word, drawn, via })) };
}

/** Width and height in pixels for a ratio and a longer side. Throws a RequestError for a ratio that is none or beyond 3:1. */
export function sizeFor(ratio: string, sizePx: number): { widthPx: number; heightPx: number } {
  const m = /^\s*(\d{1,4}(?:\.\d+)?)\s*:\s*(\d{1,4}(?:\.\d+)?)\s*$/.exec(ratio);
  const aspect = m ? Number(m[1]) / Number(m[2]) : NaN;
  if (!Number.isFinite(aspect) || aspect < 1 / 3 || aspect > 3)
    throw new RequestError('bad_ratio', `"${ratio}" is not a ratio from 1:3 to 3:1, such as 3:2`);
  return aspect >= 1
    ? { widthPx: sizePx, heightPx: Math.max(1, Math.round(sizePx / aspect)) }
    : { widthPx: Math.max(1, Math.round(sizePx * aspect)), heightPx: sizePx };
}

const whole = (value: number, low: number, high: number) => Number.isInteger(value) && value >= low && value <= high;

/** Credits for a request: one a candidate up to 1024 px on the longer side, two above. */
export const creditsFor = (count: number, sizePx: number): number => count * (sizePx > 1024 ? 2 : 1);

/** Fills in what a request leaves open and checks the rest; throws a RequestError that says what is wrong. */
export function checkRequest(request: CandidateRequest) {
  const {
    prompt,
    leaveOut = '',
    leeway = 35,
    ratio = '1:1',
    colours = null,
    count = 4,
    seed = hashOf(prompt),
    sizePx = 1024,
  } = request;
  if (!prompt.trim())
    throw new RequestError(
      'empty_prompt',
      'The prompt is empty: say what is to be drawn, for example "a fox with a lantern"',
    );
  if (prompt.length > PROMPT_LIMIT)
    throw new RequestError(
      'prompt_too_long',
      `The prompt has ${prompt.length} characters; at most ${PROMPT_LIMIT} are read`,
    );
  if (!whole(leeway, 0, 100)) throw new RequestError('bad_leeway', 'Leeway is a whole number from 0 to 100');
  if (!whole(count, 1, COUNT_LIMIT))
    throw new RequestError('bad_count', `The number of candidates is from 1 to ${COUNT_LIMIT}`);
  if (!whole(sizePx, ...SIZE_LIMITS))
    throw new RequestError('bad_size', `The size is from ${SIZE_LIMITS[0]} to ${SIZE_LIMITS[1]} px`);
  if (colours !== null && !whole(colours, 1, 6))
    throw new RequestError('bad_colours', 'The number of colours is from 1 to 6, besides the ground');
  const size = sizeFor(ratio, sizePx);
  const understood = understand(prompt, leaveOut);
  if (!understood.figures.length)
    throw new RequestError(
      'no_figure',
      'No figure was found in the prompt: name a thing to draw, for example "a fox" or "an open book"',
    );
  if (understood.figures.length > 36) throw new RequestError('too_many_figures', 'At most 36 figures fit one picture');
  return { prompt, leaveOut, leeway, ratio, colours, count, seed: seed >>> 0, sizePx, ...size, understood };
}

/** The seed of one candidate of a round. */
export const seedAt = (roundSeed: number, position: number): number => hashOf(roundSeed, position);

/**
 * Draws one candidate of a request: the same request, seed and position give the same pixels on any machine. `onProgress` hears
 * the share done, 0..1, and may throw to stop.
 */
export function drawCandidate(
  request: CandidateRequest,
  position: number,
  onProgress?: (done: number) => void,
): DrawnCandidate {
  const r = checkRequest(request);
  const seed = seedAt(r.seed, position);
  const scene = compose({
    prompt: r.prompt,
    parts: r.understood.parts,
    leeway: r.leeway,
    colours: r.colours,
    roundSeed: r.seed,
    seed,
    position,
    aspect: r.widthPx / r.heightPx,
  });
  return { seed, picture: paint(scene.layers, r.widthPx, r.heightPx, scene.groundHex, onProgress) };
}
