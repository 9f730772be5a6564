import { setTimeout as pause } from 'node:timers/promises';
import type { FoundFigure, Kind, PromptParts } from '$core/prompt';
import type { FinishChoice, Understood } from '../contract/answers';
import { Problem } from './problem';
import { settings } from './settings';

/** How an engine made a candidate, in its own words: kept as it came, given back to grow from, and never read. */
export type Recipe = Readonly<Record<string, unknown>>;

/** How much of a sketch is left in a candidate, 0..1, and where the sketch's picture lies over it, in shares. */
export interface SketchKept {
  readonly kept: number;
  readonly frame: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** What the image engine is asked for; the names are those of docs/engine-contract.md. */
export interface EngineRequest {
  readonly requestId: string;
  readonly prompt: string;
  readonly leaveOut: string;
  /** Words for the brief's colours, for a prompt without any. */
  readonly usualColours?: string;
  readonly leeway: number;
  readonly ratio: string;
  readonly colours: number | null;
  readonly count: number;
  readonly seed: number;
  readonly sizePx: number;
  readonly finish?: string | null;
  readonly kind?: Kind | null;
  readonly detail?: number | null;
  readonly flaws?: number;
  /** Pictures in base64. */
  readonly references?: readonly { readonly picture: string; readonly closeness: number }[];
  readonly balance?: number | null;
  readonly offshootOf?: Recipe | null;
  readonly drift?: number;
  readonly enlarge?: Recipe | null;
  readonly redo?: {
    readonly picture: string;
    readonly area: { x: number; y: number; width: number; height: number };
    readonly recipe: Recipe | null;
  };
}

interface EngineRound {
  readonly id: string;
  readonly revision: number;
  readonly state: 'drawing' | 'done' | 'failed' | 'cancelled';
  readonly progress: number;
  readonly candidates: readonly {
    position: number;
    seed: number;
    widthPx: number;
    heightPx: number;
    recipe?: Recipe | null;
    grows?: boolean;
    enlarges?: boolean;
    sketch?: SketchKept | null;
  }[];
  readonly previews?: readonly { position: number; step: number }[];
  readonly figures: readonly FoundFigure[];
  readonly parts: PromptParts;
  readonly credits: number;
  readonly error: { code: string; message: string } | null;
}

export interface EngineResult {
  readonly candidates: readonly {
    position: number;
    seed: number;
    file: Uint8Array;
    recipe: Recipe | null;
    grows: boolean;
    enlarges: boolean;
    sketch: SketchKept | null;
  }[];
  readonly figures: readonly FoundFigure[];
  readonly parts: PromptParts;
  readonly credits: number;
}

/** The engine could not do it. `permanent` when asking again with the same words would give the same answer. */
export class EngineError extends Error {
  constructor(
    message: string,
    readonly permanent: boolean,
    readonly code = 'engine_away',
  ) {
    super(message);
  }
}

const AWAY =
  'The image engine is not answering: nothing was charged, and the prompt is kept; try again when it is back';
const FAILED = 'The image engine failed: nothing was charged, and the prompt is kept; try again';
const RETRY_MS = [200, 600, 1500];

/** How long somebody waits for an answer of an engine that is away, other than for a round. */
const BRIEFLY_MS = 2300;

/**
 * One request, tried again when the engine fails in a way that may pass, and for as long as `patienceMs` says when it is away. Gives the body, read to its
 * end.
 */
async function ask(
  path: string,
  init: RequestInit,
  signal?: AbortSignal,
  patienceMs = BRIEFLY_MS,
): Promise<{ status: number; body: Buffer }> {
  const started = Date.now();
  for (let attempt = 0; ; attempt++) {
    let last: EngineError;
    let isOver: boolean;
    try {
      const token = settings.engineToken();
      const timeout = AbortSignal.timeout(settings.engineTimeoutMs());
      const response = await fetch(settings.engineUrl() + path, {
        ...init,
        headers: {
          ...(init.body ? { 'content-type': 'application/json' } : {}),
          ...(token ? { authorization: `Bearer ${token}` } : {}),
        },
        signal: signal ? AbortSignal.any([signal, timeout]) : timeout,
      });
      const body = Buffer.from(await response.arrayBuffer());
      if (response.status < 500 && response.status !== 429) return { status: response.status, body };
      last = new EngineError(FAILED, false, 'engine_failed');
      isOver = attempt >= RETRY_MS.length;
    } catch (error) {
      if (signal?.aborted) throw error;
      last = new EngineError(AWAY, false);
      isOver = Date.now() - started >= patienceMs;
    }
    if (isOver) throw last;
    await pause(RETRY_MS[Math.min(attempt, RETRY_MS.length - 1)], undefined, { signal });
  }
}

function jsonOf<T>({ status, body }: { status: number; body: Buffer }): T {
  let value: unknown;
  try {
    value = JSON.parse(body.toString('utf8'));
  } catch {
    throw new EngineError(FAILED, false, 'engine_failed');
  }
  if (status < 400) return value as T;
  const { error } = value as { error?: { code?: string; message?: string } };
  const permanent = status === 400 || status === 413 || status === 422;
  throw new EngineError(permanent ? (error?.message ?? FAILED) : FAILED, permanent, error?.code ?? `engine_${status}`);
}

const LONG_POLL_MS = 2000;
const RESTARTS_MOST = 3;

/** What an engine drew; null when it has forgotten a picture of it. Throws an EngineError when it failed. */
async function fetchResult(
  engine: (path: string) => Promise<{ status: number; body: Buffer }>,
  round: EngineRound,
): Promise<EngineResult | null> {
  if (round.state !== 'done')
    throw new EngineError(round.error?.message ?? FAILED, false, round.error?.code ?? 'engine_failed');
  let isForgotten = false;
  const candidates = await Promise.all(
    round.candidates.map(async ({ position, seed, recipe = null, sketch = null, ...can }) => {
      const { status, body } = await engine(`/v1/rounds/${round.id}/candidates/${position}`);
      if (status === 404) isForgotten = true;
      else if (status !== 200) throw new EngineError(FAILED, false, 'engine_failed');
      // An engine that says nothing of it can do with a recipe whatever there is to do.
      const { grows = recipe !== null, enlarges = recipe !== null } = can;
      return { position, seed, recipe, grows, enlarges, sketch, file: body as Uint8Array };
    }),
  );
  return isForgotten ? null : { candidates, figures: round.figures, parts: round.parts, credits: round.credits };
}

/**
 * Asks for a round and stays with it to its end. The request id makes it safe to ask again: an engine that knows it goes on with the
 * round it has, and one that was restarted begins anew. Aborting cancels the round at the engine. Throws an EngineError.
 */
export async function drawRound(
  request: EngineRequest,
  onProgress: (done: number) => void,
  signal: AbortSignal,
  onPreview: (position: number, step: number, png: Buffer) => void = () => {},
): Promise<EngineResult> {
  const deadline = AbortSignal.any([signal, AbortSignal.timeout(settings.roundTimeoutMs())]);
  const engine = (path: string, init: RequestInit = { method: 'GET' }) =>
    ask(path, init, deadline, settings.engineAwayMs());
  const start = async () =>
    jsonOf<EngineRound>(await engine('/v1/rounds', { method: 'POST', body: JSON.stringify(request) }));
  let round: EngineRound | undefined;
  const shown = new Map<number, number>();
  try {
    round = await start();
    for (let restarts = 0; ;) {
      onProgress(round.progress);
      for (const { position, step } of round.previews ?? []) {
        if (shown.get(position) === step) continue;
        shown.set(position, step);
        // A preview that is gone by the time it is asked for is no loss.
        const { status, body } = await engine(`/v1/rounds/${round.id}/previews/${position}`);
        if (status === 200) onPreview(position, step, body);
      }
      const result: EngineResult | null = round.state === 'drawing' ? null : await fetchResult(engine, round);
      if (result && result.candidates.length === request.count) return result;
      if (result) throw new EngineError(FAILED, false, 'engine_failed');
      // Nothing yet; or the engine was restarted, and does not know any more what it had drawn.
      const answer = await engine(`/v1/rounds/${round.id}?after=${round.revision}&waitMs=${LONG_POLL_MS}`);
      if (answer.status === 404 && restarts++ < RESTARTS_MOST) round = await start();
      else if (round.state === 'done') throw new EngineError(FAILED, false, 'engine_failed');
      else round = jsonOf<EngineRound>(answer);
    }
  } catch (error) {
    if (round) void ask(`/v1/rounds/${round.id}`, { method: 'DELETE' }).catch(() => {});
    if (signal.aborted || error instanceof EngineError) throw error;
    throw new EngineError(
      'The image engine took too long: nothing was charged, and the prompt is kept; try again',
      false,
      'engine_slow',
    );
  }
}

/** The finishes that the engine draws in. Throws a 503 Problem when it is away. */
export async function listFinishes(): Promise<readonly FinishChoice[]> {
  const now = Date.now();
  if (finishes && now - finishes.at < FINISHES_KEPT_MS && finishes.engine === settings.engineUrl())
    return finishes.list;
  try {
    // One short try: a page that waits for an engine that is away is worse than one without pictures of finishes.
    const token = settings.engineToken();
    const response = await fetch(`${settings.engineUrl()}/v1/about`, {
      headers: token ? { authorization: `Bearer ${token}` } : {},
      signal: AbortSignal.timeout(FINISHES_WAIT_MS),
    });
    const about = (await response.json()) as { finishes?: unknown };
    // An engine of somebody else's may list names alone, or none.
    const list = (Array.isArray(about.finishes) ? about.finishes : []).map((f: FinishChoice | string) =>
      typeof f === 'string' ? { name: f, about: '' } : f,
    );
    finishes = { at: now, engine: settings.engineUrl(), list };
    return list;
  } catch {
    throw new Problem(503, 'engine_away', 'The image engine is not answering; try again when it is back');
  }
}

const FINISHES_KEPT_MS = 10 * 60_000;
const FINISHES_WAIT_MS = 700;
let finishes: { at: number; engine: string; list: readonly FinishChoice[] } | null = null;

/** The example picture of a finish, as the engine gives it. */
export async function finishPng(name: string): Promise<Buffer> {
  try {
    const { status, body } = await ask(`/v1/finishes/${encodeURIComponent(name)}`, { method: 'GET' });
    if (status !== 200) throw new Problem(404, 'unknown_finish', 'The image engine has no such finish');
    return body;
  } catch (error) {
    throw engineProblem(error);
  }
}

/** How the engine understands a prompt; nothing is drawn or charged. Throws a 503 Problem when the engine is away. */
export async function readPromptAtEngine(prompt: string, leaveOut: string): Promise<Understood> {
  try {
    return jsonOf<Understood>(await ask('/v1/read', { method: 'POST', body: JSON.stringify({ prompt, leaveOut }) }));
  } catch (error) {
    throw engineProblem(error);
  }
}

export const engineProblem = (error: unknown): unknown =>
  error instanceof EngineError ? new Problem(error.permanent ? 422 : 503, error.code, error.message) : error;
