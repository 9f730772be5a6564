import type { Candidate, CandidateLettering } from '$lib/contract/answers';

/** Lettering of a candidate that is not what was asked for, or that nobody asked for; null for others, and for a picture that was brought in, which was asked nothing. */
export function misreadOf({ lettering, roundId }: Candidate): CandidateLettering | null {
  if (!lettering?.reads || roundId === null) return null;
  return lettering.verdict === 'wrong' || !lettering.asked ? lettering : null;
}
