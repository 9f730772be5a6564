import { randomUUID } from 'node:crypto';
import { checkRequest, creditsFor, type CandidateRequest, type Recipe, type SketchKept } from '../core/engine';
import type { FoundFigure, PromptParts } from '../core/prompt';
import { encodePng } from '../node/pictures';
import type { Pool } from '../node/pool';

export type RoundState = 'drawing' | 'done' | 'failed' | 'cancelled';

/** One candidate as the engine keeps it. */
interface Drawn {
  readonly position: number;
  readonly seed: number;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly recipe: Recipe;
  /** What can be made of it by its recipe: whoever asked need not look into that. */
  readonly grows: boolean;
  readonly enlarges: boolean;
  readonly sketch: SketchKept | null;
  readonly png: Uint8Array;
}

/** A round as the contract answers it (docs/engine-contract.md). */
export interface RoundAnswer {
  readonly id: string;
  readonly revision: number;
  readonly state: RoundState;
  readonly progress: number;
  readonly candidates: readonly Omit<Drawn, 'png'>[];
  /** Candidates that are not finished and can be seen as they are so far, each with a number that grows as it changes. */
  readonly previews: readonly { readonly position: number; readonly step: number }[];
  readonly figures: readonly FoundFigure[];
  readonly parts: PromptParts;
  readonly credits: number;
  readonly error: { readonly code: string; readonly message: string } | null;
}

interface Round {
  readonly id: string;
  readonly request: CandidateRequest;
  readonly figures: readonly FoundFigure[];
  readonly parts: PromptParts;
  readonly progress: number[];
  readonly drawn: Drawn[];
  readonly previews: Map<number, { step: number; png: Uint8Array }>;
  readonly abort: AbortController;
  readonly listeners: Set<() => void>;
  state: RoundState;
  revision: number;
  credits: number;
  error: RoundAnswer['error'];
  finishedAt: number;
}

/** Finished rounds are kept this long for whoever comes back for them. */
const KEPT_MS = 15 * 60_000;
const KEPT_MOST = 200;

/** The rounds an engine is drawing or has drawn, in memory. A request id that was seen before gives the round it gave then. */
export class Rounds {
  private readonly byId = new Map<string, Round>();
  private readonly byRequestId = new Map<string, string>();

  constructor(private readonly pool: Pool) {}

  /** The round that a request id gave before and that is still good; null when there is none. */
  known(requestId: string | undefined): RoundAnswer | null {
    const known = requestId === undefined ? undefined : this.byId.get(this.byRequestId.get(requestId) ?? '');
    return known && known.state !== 'cancelled' && known.state !== 'failed' ? this.answer(known) : null;
  }

  /** How many rounds are not finished. */
  get drawing(): number {
    return [...this.byId.values()].filter((r) => r.state === 'drawing').length;
  }

  /** Starts a round; throws a RequestError when the request cannot be drawn. */
  start(requestId: string | undefined, request: CandidateRequest): RoundAnswer {
    // Another request with this id may have begun while this one's pictures were decoded.
    const known = this.known(requestId);
    if (known) return known;
    const checked = checkRequest(request);
    this.tidy();
    const round: Round = {
      id: randomUUID(),
      request: { ...request, seed: checked.seed, count: checked.count, sizePx: checked.sizePx },
      figures: checked.understood.figures,
      parts: checked.understood.parts,
      progress: new Array<number>(checked.count).fill(0),
      drawn: [],
      previews: new Map(),
      abort: new AbortController(),
      listeners: new Set(),
      state: 'drawing',
      revision: 1,
      credits: 0,
      error: null,
      finishedAt: 0,
    };
    this.byId.set(round.id, round);
    if (requestId !== undefined) this.byRequestId.set(requestId, round.id);
    void this.draw(round, creditsFor(1, checked.sizePx));
    return this.answer(round);
  }

  /** The round as it stands, or as soon as it is past `afterRevision`, or after `waitMs`; null when it is not known. */
  async get(id: string, afterRevision = 0, waitMs = 0): Promise<RoundAnswer | null> {
    const round = this.byId.get(id);
    if (!round) return null;
    if (round.revision <= afterRevision && round.state === 'drawing' && waitMs > 0)
      await new Promise<void>((resolve) => {
        const heard = (): void => {
          clearTimeout(timer);
          round.listeners.delete(heard);
          resolve();
        };
        const timer = setTimeout(heard, waitMs);
        round.listeners.add(heard);
      });
    return this.answer(round);
  }

  png(id: string, position: number): Uint8Array | null {
    return this.byId.get(id)?.drawn.find((d) => d.position === position)?.png ?? null;
  }

  preview(id: string, position: number): Uint8Array | null {
    return this.byId.get(id)?.previews.get(position)?.png ?? null;
  }

  /** Stops a round; what it has drawn stays and is charged. */
  cancel(id: string): RoundAnswer | null {
    const round = this.byId.get(id);
    if (!round) return null;
    if (round.state === 'drawing') {
      this.finish(round, 'cancelled');
      round.abort.abort();
    }
    return this.answer(round);
  }

  private async draw(round: Round, creditsEach: number): Promise<void> {
    const one = async (position: number): Promise<void> => {
      const { png, ...drawn } = await this.pool.run(
        'draw',
        { request: round.request, position },
        {
          signal: round.abort.signal,
          onProgress: (done) => {
            round.progress[position] = done;
            this.tell(round);
          },
          onPreview: (picture) => {
            void encodePng(picture).then((preview) => {
              if (round.state !== 'drawing' || round.progress[position] === 1) return;
              round.previews.set(position, { step: (round.previews.get(position)?.step ?? 0) + 1, png: preview });
              this.tell(round);
            });
          },
        },
      );
      if (round.state !== 'drawing') return;
      round.progress[position] = 1;
      round.previews.delete(position);
      const usable = !drawn.recipe.mended;
      round.drawn.push({ position, png, ...drawn, grows: usable, enlarges: usable });
      round.credits += creditsEach;
      this.tell(round);
    };
    try {
      await Promise.all(round.progress.map((_, position) => one(position)));
      if (round.state === 'drawing') this.finish(round, 'done');
    } catch (error) {
      if (round.state !== 'drawing') return;
      console.error('engine: a round failed:', error);
      round.error = { code: 'engine_failed', message: 'The image engine could not finish this round' };
      round.credits = 0;
      this.finish(round, 'failed');
      round.abort.abort();
    }
  }

  private finish(round: Round, state: RoundState): void {
    round.state = state;
    round.finishedAt = Date.now();
    round.previews.clear();
    this.tell(round);
  }

  private tell(round: Round): void {
    round.revision++;
    for (const heard of [...round.listeners]) heard();
  }

  private answer(round: Round): RoundAnswer {
    const { id, revision, state, figures, parts, credits, error } = round;
    return {
      id,
      revision,
      state,
      progress: round.progress.reduce((sum, p) => sum + p, 0) / round.progress.length,
      candidates: round.drawn.map(({ png: _, ...kept }) => kept).sort((p, q) => p.position - q.position),
      previews: [...round.previews].map(([position, { step }]) => ({ position, step })),
      figures,
      parts,
      credits,
      error,
    };
  }

  private tidy(): void {
    const finished = [...this.byId.values()]
      .filter((r) => r.state !== 'drawing')
      .sort((p, q) => p.finishedAt - q.finishedAt);
    finished.forEach((round, i) => {
      if (Date.now() - round.finishedAt < KEPT_MS && finished.length - i < KEPT_MOST) return;
      this.byId.delete(round.id);
      for (const [requestId, id] of this.byRequestId) if (id === round.id) this.byRequestId.delete(requestId);
    });
  }
}
