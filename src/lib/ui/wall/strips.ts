import type { Candidate, Round, Wall } from '$lib/contract/answers';

/** One strip of the wall: a round, or pictures that were brought in between two rounds. */
export interface Strip {
  readonly id: string;
  readonly round: Round | null;
  /** The prompt of the round before, to mark what changed. */
  readonly promptBefore: string | null;
  readonly candidates: readonly Candidate[];
}

/** The wall as strips, newest first. */
export function stripsOf({ rounds, broughtIn }: Wall): Strip[] {
  const strips: (Strip & { at: string })[] = rounds.map((round, i) => ({
    id: round.id,
    at: round.createdAt,
    round,
    promptBefore: rounds[i + 1]?.prompt ?? null,
    candidates: round.candidates,
  }));
  for (const candidate of broughtIn)
    strips.push({
      id: candidate.id,
      at: candidate.createdAt,
      round: null,
      promptBefore: null,
      candidates: [candidate],
    });
  strips.sort((p, q) => (p.at < q.at ? 1 : -1));
  const out: Strip[] = [];
  for (const strip of strips) {
    const last = out[out.length - 1];
    if (!strip.round && last && !last.round)
      out[out.length - 1] = { ...last, candidates: [...last.candidates, ...strip.candidates] };
    else out.push(strip);
  }
  return out;
}
