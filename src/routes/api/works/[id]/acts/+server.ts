import { WorkActs } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { actOn } from '$lib/server/works';
import type { RequestEvent } from './$types';

/** Each act has a key of its own, and what was done before is told from the state, whatever became of the first answer. */
export const POST = answer(
  async ({ params, request }: RequestEvent) => actOn(params.id, await bodyOf(WorkActs, request)),
  200,
  { hasOwnKeys: true },
);
