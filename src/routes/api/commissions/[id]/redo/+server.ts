import { answer } from '$lib/server/answer';
import { step, undoable } from '$lib/server/changes';
import { getCommission } from '$lib/server/commissions';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params }: RequestEvent) => {
  const { id } = await getCommission(params.id);
  return { told: await step(id, 'redo'), ...(await undoable(id)) };
});
