import { LockupsAsked } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { lockupsFor } from '$lib/server/setting';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params, request }: RequestEvent) =>
  lockupsFor(params.id, await bodyOf(LockupsAsked, request), request.signal),
);
