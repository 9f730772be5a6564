import { Decision } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { decide, getCandidate } from '$lib/server/candidates';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => getCandidate(params.id));
export const PATCH = answer(async ({ params, request }: RequestEvent) =>
  decide(params.id, (await bodyOf(Decision, request)).decision),
);
