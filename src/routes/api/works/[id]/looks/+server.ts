import { LookAsked } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { lookFacts } from '$lib/server/packable';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params, request }: RequestEvent) =>
  lookFacts(params.id, await bodyOf(LookAsked, request)),
);
