import { LockupStart, Respell } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { respellLockups, startLockup } from '$lib/server/lockups';
import type { RequestEvent } from './$types';

export const POST = answer(
  async ({ params, request }: RequestEvent) =>
    startLockup(params.id, await bodyOf(LockupStart, request), request.signal),
  201,
);

export const PATCH = answer(async ({ params, request }: RequestEvent) =>
  respellLockups(params.id, await bodyOf(Respell, request)),
);
