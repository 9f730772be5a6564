import { WorkActs } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { actOn } from '$lib/server/works';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params, request }: RequestEvent) =>
  actOn(params.id, await bodyOf(WorkActs, request)),
);
