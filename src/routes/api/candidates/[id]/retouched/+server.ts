import { RetouchStart } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { startRetouching } from '$lib/server/retouching';
import type { RequestEvent } from './$types';

export const POST = answer(
  async ({ params, request }: RequestEvent) => startRetouching(params.id, await bodyOf(RetouchStart, request)),
  201,
);
