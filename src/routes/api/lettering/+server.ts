import { LetteringSet } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { setInFace } from '$lib/server/setting';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ request }: RequestEvent) =>
  setInFace(await bodyOf(LetteringSet, request), request.signal),
);
