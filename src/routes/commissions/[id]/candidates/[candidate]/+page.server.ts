import { getCandidate } from '$lib/server/candidates';
import { forPage } from '$lib/server/load';
import { Problem } from '$lib/server/problem';
import { getRound } from '$lib/server/rounds';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  depends('odd-quill:commission');
  return forPage(async () => {
    const candidate = await getCandidate(params.candidate);
    if (candidate.commissionId !== params.id)
      throw new Problem(404, 'unknown_candidate', 'This commission has no such candidate');
    return {
      place: `Candidate ${candidate.label}`,
      candidate,
      round: candidate.roundId ? await getRound(candidate.roundId) : null,
    };
  });
};
