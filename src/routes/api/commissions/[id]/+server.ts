import { CommissionChange } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { changeCommission, getCommission } from '$lib/server/commissions';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => getCommission(params.id));
export const PATCH = answer(async ({ params, request }: RequestEvent) =>
  changeCommission(params.id, await bodyOf(CommissionChange, request)),
);
