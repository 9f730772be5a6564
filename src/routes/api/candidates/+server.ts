import { CandidatesRequest } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { drawCandidates } from '$lib/server/draw';

export const POST = answer(async ({ request }) =>
  drawCandidates(await bodyOf(CandidatesRequest, request), request.signal),
);
