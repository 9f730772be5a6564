import { ChangesOf } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { step, undoable } from '$lib/server/changes';
import { getCommission } from '$lib/server/commissions';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params, request }: RequestEvent) => {
  const { id } = await getCommission(params.id);
  const scope = request.body ? await bodyOf(ChangesOf, request) : {};
  return { told: await step(id, 'undo', scope), ...(await undoable(id, scope)) };
});
